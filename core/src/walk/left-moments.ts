import type { Plan } from '../plan/plan.ts';
import { FULL_BARRE_STRINGS } from '../technique/barres.ts';
import type { GuideFinger } from '../technique/guides.ts';
import type { Preparation } from '../technique/preparation.ts';
import type { Moment, MomentOf, PlacedNote } from './moment.ts';

/** A sound where the plan takes it; undefined where it cannot be played. */
export const placedNote = ({ score, left }: Plan, sound: number): PlacedNote | undefined => {
  const choice = left.choices[sound];
  if (!choice) return undefined;
  const { finger, string, fret } = choice;
  return { sound, finger, string, fret, pitch: score.notes[left.sounds[sound]!.head]!.sounding };
};

const at = ({ left }: Plan, slice: number): { readonly bar: number; readonly onset: number } => {
  const { bar, onset } = left.hands[slice]!.slice;
  return { bar, onset };
};

/** The finger that arrives: the one nearest to the index among those that stop a note struck there. */
const leadAt = (plan: Plan, slice: number): PlacedNote | undefined =>
  plan.left.hands[slice]!.slice.struck.flatMap((sound) => placedNote(plan, sound) ?? [])
    .filter(({ finger }) => finger > 0)
    .sort((a, b) => a.finger - b.finger)[0];

/** Where the hand lies first, and every change of position with what it rides on. */
export const positionMoments = (plan: Plan): readonly Moment[] => {
  const { left, shifts, barres, technique } = plan;
  const laidAt = new Set(barres.filter(({ finger }) => finger === 1).map(({ onset }) => onset));
  const guideAt = new Map(technique.guides.map((guide) => [guide.slice, guide]));
  const first = left.hands.findIndex(({ position }) => position > 0);
  const begins: Moment[] =
    first < 0
      ? []
      : [
          {
            kind: 'position',
            ...at(plan, first),
            isNeeded: true,
            values: {
              position: left.hands[first]!.position,
              lead: laidAt.has(left.hands[first]!.slice.onset) ? undefined : leadAt(plan, first),
            },
          },
        ];
  const moved = shifts.map(({ slice, from, to, rides, onset, cuts }): Moment => {
    const guide = rides === 'guide' ? guideAt.get(slice) : undefined;
    const open = left.hands[slice - 1]!.lying.find(({ finger, sounding }) => finger === 0 && sounding);
    return {
      kind: 'shift',
      ...at(plan, slice),
      isNeeded: true,
      values: {
        from,
        to,
        rides,
        ringing: rides === 'open-string' && open ? placedNote(plan, open.sound) : undefined,
        glidesFrom: guide?.fromFret,
        cuts: cuts[0] && placedNote(plan, cuts[0].sound),
        lead: laidAt.has(onset) ? undefined : guide ? placedNote(plan, guide.to) : leadAt(plan, slice),
      },
    };
  });
  const shiftAt = new Set(shifts.map(({ slice }) => slice));
  const guides = technique.guides
    .filter(({ slice }) => !shiftAt.has(slice))
    .flatMap((guide): Moment[] => guideMoment(plan, guide));
  return [...begins, ...moved, ...guides];
};

const guideMoment = (plan: Plan, { slice, to, fromFret, isHeard }: GuideFinger): Moment[] => {
  const lead = placedNote(plan, to);
  return lead
    ? [{ kind: 'guide', ...at(plan, slice), isNeeded: isHeard, values: { lead, fromFret, isHeard } }]
    : [];
};

/** Every barre, with how it is laid and how long it stays. */
export const barreMoments = ({ left, technique }: Plan): readonly Moment[] =>
  technique.barreCare.map(({ barre, needed, advice }): Moment => {
    const { fret, finger, strings, until, onset } = barre;
    const isFull = strings[1] - strings[0] + 1 >= FULL_BARRE_STRINGS;
    return {
      kind: 'barre',
      bar: left.hands[needed]!.slice.bar,
      onset,
      isNeeded: true,
      values: {
        fret,
        finger,
        strings,
        lies: advice.includes('lift-base') ? 'hinge' : isFull ? 'full' : 'partial',
        until,
        isLast: left.hands.every(({ slice }) => slice.onset < until),
        isLaidDown: advice.includes('lay-down-from-tip'),
        mayGo: advice.includes('release-early'),
      },
    };
  });

/** A single note that is held for so long, in quarters, while other fingers move is worth a word. Our own value. */
const LONG_HELD = 2;

/** Fingers that stay while others move: for what comes, or because their note lasts. */
export const keepMoments = (plan: Plan): readonly Moment[] => {
  const { left, score, technique } = plan;
  const kept = technique.held.map(({ stay, kind, from, to }) => {
    const last = left.sounds[to]!;
    return { stay, kind, from, until: from === to ? last.end : last.onset } as const;
  });
  const told = new Set(kept.map(({ stay }) => stay.index));
  const setAfter = (slice: number, until: number): boolean =>
    technique.stays.some(({ from }) => from > slice && left.hands[from]!.slice.onset < until);
  const lasting = technique.stays
    .filter((stay) => {
      const sound = left.sounds[stay.sounds[0]!]!;
      return (
        !told.has(stay.index) &&
        stay.sounds.length === 1 &&
        sound.end - sound.onset >= LONG_HELD * score.ticksPerQuarter &&
        setAfter(stay.from, sound.end)
      );
    })
    .map((stay) => ({
      stay,
      kind: 'sounds' as const,
      from: stay.sounds[0]!,
      until: left.sounds[stay.sounds[0]!]!.end,
    }));
  const { cells, events } = plan.right;
  /** Notes of broken chords: that their shape stays down goes without saying. */
  const broken = new Set(
    cells.flatMap(({ first, end }) =>
      events.slice(first, end).flatMap(({ notes }) => notes.map(({ sound }) => sound)),
    ),
  );
  /** That a barre stays is told with the barre. */
  const isUnderBarre = (sound: number): boolean => left.choices[sound]?.barre ?? false;
  return [...kept, ...lasting].flatMap(({ kind, from, until }): Moment[] => {
    const note = placedNote(plan, from);
    const { bar, onset } = left.sounds[from]!;
    const { start, length } = score.bars[bar]!;
    const isOverBarLine = until > start + length || (kind !== 'sounds' && until === start + length);
    if (until <= onset || isUnderBarre(from) || (!isOverBarLine && broken.has(from))) return [];
    return note ? [{ kind: 'keep', bar, onset, isNeeded: isOverBarLine, values: { note, kind, until } }] : [];
  });
};

/** A finger that goes down so much ahead goes down early; less is one movement with what is struck. Seconds, our own value. */
const AHEAD = 0.3;
const isWellAhead = ({ performance: { clock }, left }: Plan, from: number, sound: number): boolean =>
  clock.seconds(left.sounds[sound]!.onset) - clock.seconds(from) >= AHEAD;

/** Fingers that go down before their notes sound: a shape at once, or one finger early. */
export const settingMoments = (plan: Plan): readonly Moment[] => {
  const { left, technique } = plan;
  const blocks = new Map<number, Map<number, PlacedNote>>();
  const early: Moment[] = [];
  const setAt = new Map<number, Preparation[]>();
  for (const each of technique.preparations)
    setAt.set(each.stay.from, [...(setAt.get(each.stay.from) ?? []), each]);
  const chordAt = new Map<number, string | undefined>();
  for (const { from, to, chord } of technique.blocks)
    for (let slice = from; slice < to; slice += 1) if (!chordAt.has(slice)) chordAt.set(slice, chord);
  for (const { stay, sound, should, how, why } of technique.preparations) {
    const note = placedNote(plan, sound);
    if (!note || should >= stay.from) continue;
    if (how === 'with-block') {
      const own = blocks.get(should) ?? new Map<number, PlacedNote>();
      own.set(note.finger, note);
      blocks.set(should, own);
    } else if (why === 'pull-off' || isWellAhead(plan, left.hands[should]!.slice.onset, sound))
      early.push({
        kind: 'early',
        ...at(plan, should),
        isNeeded: false,
        values: { note, how, sounds: left.sounds[sound]!.onset, pullsOff: why === 'pull-off' },
      });
  }
  const set = [...blocks].map(([slice, own]): MomentOf<'block'> => {
    for (const { stay, sound } of setAt.get(slice) ?? [])
      if (!own.has(stay.finger)) {
        const note = placedNote(plan, sound);
        if (note) own.set(note.finger, note);
      }
    const notes = [...own.values()]
      .filter(
        (note) => ![...own.values()].some(({ string, fret }) => string === note.string && fret > note.fret),
      )
      .sort((a, b) => b.string - a.string);
    return {
      kind: 'block',
      ...at(plan, slice),
      isNeeded: false,
      values: { notes, chord: chordAt.get(slice) },
    };
  });
  // One finger behind another on its string is no shape.
  return [...set.filter(({ values: { notes } }) => notes.length > 1), ...early];
};
