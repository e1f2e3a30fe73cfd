import { HAND_SIZES, handOf } from '../src/left/hand/hand.ts';
import { LEFT_SCHOOLS, type HandSize } from '../src/fingering/vocabulary.ts';
import { EMPTY_FINGERING } from '../src/fingering/fingering.ts';
import type { Plan } from '../src/plan/plan.ts';
import { choiceOf, struckNotes } from '../src/testing/planning.ts';
import {
  judgeTextured,
  planTextured,
  UPPER_FRET,
  type Tally,
  type TexturedVerdict,
} from './judge-textured.ts';
import { TEXTURES } from './passages/textures/texture.ts';
import { TEXTURED, TEXTURED_REPORTED, TEXTURED_TUNED_ON } from './textured.ts';

type Part = 'left' | 'upper' | 'right' | 'movements' | 'damping';

const sumOf = (verdicts: readonly TexturedVerdict[], part: Part): Tally =>
  verdicts.reduce(
    (sum, verdict) => ({ agreeing: sum.agreeing + verdict[part].agreeing, of: sum.of + verdict[part].of }),
    { agreeing: 0, of: 0 },
  );
const percent = ({ agreeing, of }: Tally): string =>
  of === 0 ? '–' : `${((100 * agreeing) / of).toFixed(1)} %`;
const whole = (verdicts: readonly TexturedVerdict[], part: Part): Tally => {
  const some = verdicts.filter((verdict) => verdict[part].of > 0);
  return {
    agreeing: some.filter((verdict) => verdict[part].agreeing === verdict[part].of).length,
    of: some.length,
  };
};

const row = (name: string, verdicts: readonly TexturedVerdict[]): string => {
  const [left, upper] = [sumOf(verdicts, 'left'), sumOf(verdicts, 'upper')];
  const lower = { agreeing: left.agreeing - upper.agreeing, of: left.of - upper.of };
  const cells = [
    verdicts.length,
    percent(left),
    percent(whole(verdicts, 'left')),
    percent(lower),
    percent(upper),
    percent(sumOf(verdicts, 'right')),
    percent(sumOf(verdicts, 'movements')),
    percent(sumOf(verdicts, 'damping')),
  ];
  return `| ${name} | ${cells.join(' | ')} |`;
};

const differences = (verdicts: readonly TexturedVerdict[]): string =>
  verdicts
    .filter(({ differences: each }) => each.length > 0)
    .map(({ passage, left, right, differences: each }) => {
      const said = each.slice(0, 4).join('; ');
      const more = each.length > 4 ? `; and ${each.length - 4} more` : '';
      return `- **${passage.name}** (${passage.texture}), left ${left.agreeing} of ${left.of}, right ${right.agreeing} of ${right.of}: ${said}${more}`;
    })
    .join('\n');

/** What a school is measured by, over all passages. */
const schoolRow = (name: string, plans: readonly Plan[]): string => {
  const stopped = plans.flatMap(({ left }) => left.choices.flatMap((choice) => choice ?? []));
  const lines = plans.flatMap(({ left }) =>
    [...left.piece.lineFrom].flatMap((from, to) => {
      const [before, after] = [left.choices[from], left.choices[to]];
      return from >= 0 && before && after ? [before.string !== after.string] : [];
    }),
  );
  const open = stopped.filter(({ finger }) => finger === 0).length;
  const shifts = plans.reduce((sum, { shifts: own }) => sum + own.length, 0);
  const frets = stopped.reduce((sum, { fret }) => sum + fret, 0) / stopped.length;
  return `| ${name} | ${open} | ${lines.filter(Boolean).length} of ${lines.length} | ${shifts} | ${frets.toFixed(2)} |`;
};

const changedNotes = (one: Plan, other: Plan): number =>
  one.left.choices.filter((choice, sound) => {
    const against = other.left.choices[sound];
    return choice?.string !== against?.string || choice?.finger !== against?.finger;
  }).length;
const tooWide = (plans: readonly Plan[]): number =>
  plans.reduce((sum, { findings }) => sum + findings.filter(({ code }) => code === 'wide-stretch').length, 0);

const handRows = (medium: readonly Plan[]): string =>
  (Object.keys(HAND_SIZES) as HandSize[])
    .filter((size) => size !== 'medium')
    .map((size) => {
      const hand = handOf(size);
      const own = TEXTURED.map((passage) => planTextured(passage, { hand }));
      const asMedium = TEXTURED.map((passage, index) => {
        const plan = medium[index]!;
        const choices = new Map(
          struckNotes(plan).flatMap((note) => {
            const { string, finger } = plan.notes[note.index]!;
            return string === undefined ? [] : [[note.id, choiceOf(`${string}:${finger}`)] as const];
          }),
        );
        return planTextured(passage, { hand }, { ...EMPTY_FINGERING, choices });
      });
      const changed = own.reduce((sum, plan, index) => sum + changedNotes(plan, medium[index]!), 0);
      return `| ${size} | ${changed} | ${tooWide(own)} | ${tooWide(asMedium)} |`;
    })
    .join('\n');

const TEMPI = [0.5, 1, 2] as const;
const tempoRow = (times: number, medium: readonly Plan[]): string => {
  const plans = TEXTURED.map((passage) => planTextured(passage, { tempo: passage.tempo * times }));
  const changed = plans.reduce((sum, plan, index) => sum + changedNotes(plan, medium[index]!), 0);
  const unled = plans.reduce(
    (sum, { shifts }) => sum + shifts.filter(({ rides }) => rides === 'none' || rides === 'repeat').length,
    0,
  );
  return `| ×${times} | ${changed} | ${plans.reduce((sum, { shifts }) => sum + shifts.length, 0)} | ${unled} |`;
};

/** How the planner does in the longer passages, as Markdown. */
export const textureReport = (): string => {
  const tuned = TEXTURED_TUNED_ON.map((passage) => judgeTextured(passage));
  const reported = TEXTURED_REPORTED.map((passage) => judgeTextured(passage));
  const all = [...tuned, ...reported];
  const medium = all.map(({ plan }) => plan);
  return `## Passages in the textures that players know

${all.length} longer passages of our own, written down as they are played before the planner was asked; common practice, no published source. ${tuned.length} were tuned on. ${reported.length} were written after that and have been read since; what they showed at first is in \`docs/decisions.md\`.

| passages | number | left hand | wholly within | below fret ${UPPER_FRET} | from fret ${UPPER_FRET} on | right hand | movements | damping |
| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: |
${[row('tuned on', tuned), row('not tuned on', reported)].join('\n')}
${TEXTURES.map((texture) =>
  row(
    texture,
    all.filter(({ passage }) => passage.texture === texture),
  ),
).join('\n')}

### Schools, over all of these passages

| school | open strings | notes of a line on another string than the one before | shifts | mean fret |
| --- | ---: | ---: | ---: | ---: |
${LEFT_SCHOOLS.map((left) =>
  schoolRow(
    left,
    TEXTURED.map((passage) => planTextured(passage, { left })),
  ),
).join('\n')}

### Hands

| hand | notes taken otherwise than by a medium hand | grips reported too wide | the same with the fingering of the medium hand |
| --- | ---: | ---: | ---: |
${handRows(medium)}

### Tempi

| tempo | notes taken otherwise | shifts | of these on nothing or a repeated note |
| --- | ---: | ---: | ---: |
${TEMPI.map((times) => tempoRow(times, medium)).join('\n')}

### Differences, tuned on

${differences(tuned)}

### Differences, not tuned on

${differences(reported)}`;
};
