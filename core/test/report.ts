import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'prettier';
import {
  chordShapes,
  judgeChord,
  rankFingerings,
  TUNING_KEYS,
  type ChordClass,
  type ChordVerdict,
} from './chords.ts';
import { NEAR_TIE } from '../src/fingering/near-tie.ts';
import { judgePassage, marginsOf, type PassageVerdict } from './judge-passage.ts';
import { REPORTED, TUNED_ON } from './passages.ts';
import { feltReport } from './decisions-felt.ts';
import { pageReport } from './report-pages.ts';
import { practiceReport } from './report-practice.ts';
import { textureReport } from './report-textures.ts';
import { JUDGEMENTS } from './passages/judgements.ts';
import { HEADINGS, type Heading } from './passages/passage.ts';

/** Why ours and the dataset's fingering of a chord differ, and which side is right. */
interface Cause {
  readonly name: string;
  readonly judgement: string;
  readonly holds: (verdict: ChordVerdict) => boolean;
}

const datasetFingers = ({ shape }: ChordVerdict): readonly number[] => shape.notes.map((note) => note.finger);
const ourFingers = ({ ranked }: ChordVerdict): readonly number[] => ranked[0]?.fingers ?? [];
const countOf = (fingers: readonly number[], finger: number): number =>
  fingers.filter((each) => each === finger).length;
const laysSmallBarre = (fingers: readonly number[]): boolean =>
  [2, 3, 4].some((finger) => countOf(fingers, finger) > 1);
const laysBarre = (fingers: readonly number[]): boolean => countOf(fingers, 1) > 1;

const CAUSES: readonly Cause[] = [
  {
    name: 'fingered in a way our hard rules forbid',
    judgement:
      'Most ask for what no hand does: a stopped note without a finger, one finger on two frets, a higher finger behind a lower one, a lower note under a barre. They were not looked at one by one.',
    holds: (verdict) => verdict.rank === undefined,
  },
  {
    name: 'small barre in the data, separate fingers here',
    judgement:
      'Strummed styles lay a finger over several strings; on the classical guitar separate fingers are the first choice where they fit. Ours is right for this trade, the other is accepted.',
    holds: (verdict) => laysSmallBarre(datasetFingers(verdict)) && !laysSmallBarre(ourFingers(verdict)),
  },
  {
    name: 'small barre here, separate fingers or another one in the data',
    judgement: 'A matter of taste between neighbours in price; the dataset is right more often.',
    holds: (verdict) => laysSmallBarre(ourFingers(verdict)),
  },
  {
    name: 'barre in the data, separate fingers here',
    judgement: 'Both are played. Ours lets single notes be released.',
    holds: (verdict) => laysBarre(datasetFingers(verdict)) && !laysBarre(ourFingers(verdict)),
  },
  {
    name: 'barre here, separate fingers in the data',
    judgement:
      'Both are played; a teacher would accept the barre where it is set anyway. The dataset is right.',
    holds: (verdict) => laysBarre(ourFingers(verdict)) && !laysBarre(datasetFingers(verdict)),
  },
  {
    name: '3 or 4 above a barre',
    judgement: 'Depends on the hand; the dataset itself is not consistent here.',
    holds: (verdict) => laysBarre(ourFingers(verdict)) && laysBarre(datasetFingers(verdict)),
  },
  {
    name: 'the hand lies a fret higher or lower, or other fingers on the same frets',
    judgement: 'Single grips without context; both are held, and the piece around them decides.',
    holds: () => true,
  },
];

const percent = (part: number, whole: number): string => `${((100 * part) / whole).toFixed(1)} %`;

const chordRow = (name: string, verdicts: readonly ChordVerdict[]): string => {
  const notes = verdicts.reduce((sum, { shape }) => sum + shape.notes.length, 0);
  const same = verdicts.reduce((sum, { sameFingers }) => sum + sameFingers, 0);
  const all = verdicts.filter(({ rank }) => rank === 1).length;
  const among = verdicts.filter(({ rank }) => rank !== undefined && rank <= 3).length;
  return `| ${name} | ${verdicts.length} | ${percent(all, verdicts.length)} | ${percent(same, notes)} | ${percent(among, verdicts.length)} |`;
};

const percentWithin = (verdicts: readonly PassageVerdict[]): string =>
  percent(
    verdicts.reduce((sum, { agreeing }) => sum + agreeing, 0),
    verdicts.reduce((sum, { notes }) => sum + notes, 0),
  );

const passageRow = (name: string, verdicts: readonly PassageVerdict[]): string => {
  const whole = verdicts.filter((each) => each.agreeing === each.notes).length;
  return `| ${name} | ${verdicts.length} | ${percentWithin(verdicts)} | ${whole} |`;
};

const CLASSES: readonly ChordClass[] = ['open', 'barre', 'upper'];

const chordReport = (): string => {
  const verdicts = chordShapes().map((shape) => judgeChord(shape, rankFingerings(shape)));
  const tuned = verdicts.filter(({ shape }) => TUNING_KEYS.has(shape.key));
  const reported = verdicts.filter(({ shape }) => !TUNING_KEYS.has(shape.key));
  const forms = new Set(tuned.map(({ shape }) => shape.form));
  const differing = verdicts.filter(({ rank }) => rank !== 1);
  const byCause = CAUSES.map((cause) => ({ cause, of: [] as ChordVerdict[] }));
  for (const verdict of differing) byCause.find(({ cause }) => cause.holds(verdict))!.of.push(verdict);
  const describe = (verdict: ChordVerdict): string => {
    const { shape, ranked, rank } = verdict;
    const frets = shape.notes.map(({ string, fret }) => `${string}/${fret}`).join(' ');
    const margin = rank ? (ranked[rank - 1]!.cost - ranked[0]!.cost).toFixed(2) : '–';
    return `| ${shape.name} | ${frets} | ${datasetFingers(verdict).join('')} | ${ourFingers(verdict).join('') || 'none'} | ${margin} |`;
  };
  return `## Chord shapes: \`@tombatossals/chords-db\`

${verdicts.length} shapes as single grips taken by a free hand, medium size, 650 mm. Tuned on the keys ${[...TUNING_KEYS].join(', ')}; the others were only ever reported.

| shapes | number | all fingers | single fingers | among our three cheapest |
| --- | ---: | ---: | ---: | ---: |
${[
  chordRow('tuned on', tuned),
  chordRow('not tuned on', reported),
  chordRow(
    'not tuned on, form never seen',
    reported.filter(({ shape }) => !forms.has(shape.form)),
  ),
  ...CLASSES.map((each) =>
    chordRow(
      `not tuned on, ${each}`,
      reported.filter(({ shape }) => shape.class === each),
    ),
  ),
].join('\n')}

No grip exists for ${verdicts
    .filter(({ ranked }) => ranked.length === 0)
    .map(({ shape }) => shape.name)
    .join(' and ')} under our hard rules: the dataset itself fingers it with a note below its own barre.

### Disagreements by class

${byCause
  .map(
    ({ cause, of }) => `#### ${cause.name}: ${of.length}

${cause.judgement}

| chord | string/fret | dataset | Oculon | margin |
| --- | --- | --- | --- | ---: |
${of.map(describe).join('\n')}`,
  )
  .join('\n\n')}`;
};

/** The passages on which the planner disagrees: what it costs more to do as accepted, and who is right. */
const disagreements = (verdicts: readonly PassageVerdict[]): string =>
  verdicts
    .filter(({ agreeing, notes }) => agreeing < notes)
    .map(({ passage, agreeing, notes, ours }) => {
      const { right, because } = JUDGEMENTS[passage.name]!;
      const margin = Math.min(...marginsOf(passage)).toFixed(2);
      const list = passage.accept.map((each) => `\`${each}\``).join(' or ');
      const side =
        right === 'both' ? 'Both are right' : right === 'ours' ? 'Ours is right' : 'The list is right';
      return `- **${passage.name}** (${passage.heading}), ${agreeing} of ${notes}, margin ${margin}: ours \`${ours.join(' ')}\`; accepted ${list}. ${side}: ${because}`;
    })
    .join('\n');

const passageReport = (): string => {
  const tuned = TUNED_ON.map(judgePassage);
  const reported = REPORTED.map(judgePassage);
  const under = (verdicts: readonly PassageVerdict[], heading: Heading): readonly PassageVerdict[] =>
    verdicts.filter(({ passage }) => passage.heading === heading);
  return `## Passages with accepted fingerings

${TUNED_ON.length + REPORTED.length} passages of our own; their fingerings are common practice, no published source. ${TUNED_ON.length} were tuned on. ${REPORTED.length} were written after an earlier tuning; since then they have been looked at. Margins are what the cheapest accepted fingering costs more than ours, in units of effort; up to ${NEAR_TIE} both are offered as a choice.

| passages | number | notes within the accepted set | wholly within |
| --- | ---: | ---: | ---: |
${[passageRow('tuned on', tuned), passageRow('not tuned on', reported)].join('\n')}

| heading | tuned on | within | not tuned on | within |
| --- | ---: | ---: | ---: | ---: |
${HEADINGS.map((heading) => {
  const [ours, others] = [under(tuned, heading), under(reported, heading)];
  return `| ${heading} | ${ours.length} | ${percentWithin(ours)} | ${others.length} | ${percentWithin(others)} |`;
}).join('\n')}

### Disagreements, tuned on

${disagreements(tuned)}

### Disagreements, not tuned on

${disagreements(reported)}`;
};

const text = `# How the planner compares

Written by \`npm run evaluate\`; do not edit by hand. What the numbers mean and what we make of them is in \`docs/decisions.md\`.

${passageReport()}

${textureReport()}

${feltReport()}

${pageReport()}

${practiceReport()}

${chordReport()}
`;
const path = join(process.cwd(), 'docs/evaluation.md');
writeFileSync(path, await format(text, { parser: 'markdown', printWidth: 110 }));
console.log(`wrote docs/evaluation.md`);
