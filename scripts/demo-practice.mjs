// A student of the demo who has practised for five weeks: everything here is made up.
import { SetupError } from './commands.mjs';

const PIECES = [
  ['moth-hour.musicxml', 'learning', 40],
  ['paper-kites.musicxml', 'learning', 25],
  ['low-meadow-dance.musicxml', 'polished', 60],
];
const DAYS = 35;
const MS_PER_DAY = 86_400_000;
/** Share of days on which there was no practice. */
const MISSED = 0.25;
/** How far a spot comes in those weeks, as a share of its ladder, by the place of its piece in the plan. */
const PROGRESS = [0.75, 0.9, 1];
const NOTE = 'let the thumb follow the hand instead of leading it';

const dayBefore = (days) => new Date(Date.now() - days * MS_PER_DAY).toISOString().slice(0, 10);

/** Numbers from 0 to 1, the same at every start. */
const dice = () => {
  let state = 20_261_126;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
};

/** Takes the pieces into the student's plan, the way a teacher would. */
const takeIn = async (client, address, teacher, student) => {
  for (const [file, state, days] of PIECES) {
    const { rows } = await client.query(
      'select piece_id as id from sources where teacher_id = $1 and file_name = $2',
      [teacher, file],
    );
    const response = await fetch(`${address}/students/${student}/plan?/add`, {
      method: 'POST',
      headers: { origin: address, accept: 'application/json' },
      body: new URLSearchParams({ piece: rows[0].id, state, until: dayBefore(-days), tempo: '' }),
    });
    const { type } = await response.json();
    if (type !== 'success') throw new SetupError(`The demo’s plan could not be made: ${file}.`);
  }
};

/** What one day brought. */
const entriesOf = (goals, before, roll) => {
  const day = dayBefore(before);
  const plain = { day, tempo: null, outcome: null, felt: null, pain: null, remark: '' };
  const entries = [{ ...plain, work: { kind: 'warm-up' }, minutes: 3 }];
  goals.forEach(({ id, spots }, place) => {
    const done = 1 - before / DAYS;
    for (const { spot, ladder } of spots) {
      if (roll() < 0.45) continue;
      const climbed = Math.sqrt(done) * PROGRESS[place] * (ladder.rungs.length - 1);
      const isClean = roll() < 0.75;
      const rung = Math.max(0, Math.min(ladder.rungs.length - 1, Math.round(climbed + (isClean ? 0 : 1))));
      entries.push({
        ...plain,
        work: { kind: 'spot', goal: id, spot: spot.id, drill: null },
        minutes: 3 + Math.floor(4 * roll()),
        tempo: ladder.rungs[rung],
        outcome: isClean ? 'clean' : roll() < 0.7 ? 'nearly' : 'not-yet',
        felt: ['easy', 'right', 'right', 'hard'][Math.floor(4 * roll())],
      });
    }
    if (roll() < 0.6)
      entries.push({ ...plain, work: { kind: 'piece', goal: id }, minutes: 4 + Math.floor(5 * roll()) });
  });
  if (before === 12) entries.at(-1).pain = 'left-thumb';
  if (before === 3) entries[1].remark = 'better with the eyes closed';
  return entries;
};

/** A student's plan with five weeks of log behind it, and a note of the last lesson. */
export const loadPractice = async (client, address, teacher, name) => {
  const { rows: students } = await client.query(
    'select id from students where teacher_id = $1 and name = $2',
    [teacher, name],
  );
  const student = students[0].id;
  await takeIn(client, address, teacher, student);
  const { rows: goals } = await client.query(
    `select goal.id, goal.course_id as course, practised->'spots' as spots from course_goals as goal
     join courses as course on course.id = goal.course_id where course.student_id = $1 order by goal.created_at`,
    [student],
  );
  const roll = dice();
  for (let before = DAYS; before > 0; before -= 1) {
    if (roll() < MISSED) continue;
    for (const entry of entriesOf(goals, before, roll))
      await client.query(
        `with made as (select gen_random_uuid() as id)
         insert into log_entries (teacher_id, course_id, id, practised_on, entry, by_teacher, logged_at)
         select $1, $2, id, $3, $4::jsonb || jsonb_build_object('id', id), false, $3::date + interval '19 hours'
         from made`,
        [teacher, goals[0].course, entry.day, JSON.stringify(entry)],
      );
  }
  await client.query(
    `insert into lesson_notes (teacher_id, student_id, goal_id, bar, body, made_at)
     values ($1, $2, $3, $4, $5, now() - interval '6 days')`,
    [teacher, student, goals[0].id, 7, NOTE],
  );
};
