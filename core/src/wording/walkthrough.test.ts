import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readMusicXml } from '../formats/musicxml/read.ts';
import { readStringSign } from '../instrument/string-sign.ts';
import { planPiece, type Plan } from '../plan/plan.ts';
import { decide, exampleScore, inBars, planAs, planVoices } from '../testing/planning.ts';
import { momentsOf } from '../walk/moments.ts';
import { DEPTHS } from '../walk/telling.ts';
import { momentText } from './walk-words.ts';
import { walkThrough, walkHeading } from './walkthrough.ts';
import { wordingIn } from './languages.ts';

const EN = wordingIn('en');
const ES = wordingIn('es');
const STUDIES = fileURLToPath(new URL('../../../demo/studies/', import.meta.url));
const GOLDEN = fileURLToPath(new URL('../../test/golden/walk/', import.meta.url));

const study = (name: string): Plan => {
  const read = readMusicXml(readFileSync(`${STUDIES}${name}.musicxml`, 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  return planPiece(read.value.score);
};

const LOW = fc.constantFrom('E2', 'F2', 'G2', 'A2', 'B2', 'C3', 'D3');
const HIGH = fc.constantFrom('G3', 'A3', 'C4', 'D4', 'E4', 'F#4', 'G4', 'A4', 'B4', 'C5', 'D5');
/** Two voices of three bars: half notes below, quarters above. */
const pieces = fc
  .tuple(fc.array(LOW, { minLength: 6, maxLength: 6 }), fc.array(HIGH, { minLength: 12, maxLength: 12 }))
  .map(([low, high]) => {
    return planPiece(exampleScore({ voices: [inBars(high, 4, 4), inBars(low, 2, 2)], tempo: 90 }));
  });

const FINGER_ON = /(\d) on ([A-G][♯♭𝄪𝄫]*), ([①-⑥])(?: fret (\d+))?/g;
const OPEN = /open ([A-G][♯♭𝄪𝄫]*), ([①-⑥])/g;

/** Whether the plan has a note like that in some bars. */
const has = (
  plan: Plan,
  bars: readonly number[],
  note: { finger: number; name: string; string: number; fret?: number },
) =>
  plan.left.sounds.some(({ index, head, bar }) => {
    const choice = plan.left.choices[index];
    return (
      bars.includes(bar) &&
      choice?.finger === note.finger &&
      choice.string === note.string &&
      (note.fret === undefined || choice.fret === note.fret) &&
      EN.note(plan.score.notes[head]!.sounding) === note.name
    );
  });

describe('the moments of a piece', () => {
  const told = (plan: Plan, kind: string): readonly string[] =>
    momentsOf(plan)
      .filter((each) => each.kind === kind)
      .map((each) => momentText(EN, plan.score, each));

  it('tell of a note that no hand can hold, or that the teacher wants short, how long it lasts', () => {
    // B4 on ① 7 is out of reach of F2 on ⑥ 1.
    const held = planVoices(['A4/4 B4/4 D5/4 F5/4', 'F2/1']);
    expect(held.left.cut).toHaveLength(1);
    expect(told(held, 'cut')).toEqual([
      expect.stringMatching(/^\d on F, ⑥, lasts only until beat \d: no hand could hold it longer\.$/),
    ]);
    const easy = planVoices(['C4/4 D4/4 E4/4 C4/4', 'C3/1']);
    expect(told(easy, 'cut')).toEqual([]);
    const bass = easy.score.notes.find(({ midi }) => midi === 48)!;
    const short = planVoices(
      ['C4/4 D4/4 E4/4 C4/4', 'C3/1'],
      {},
      {
        ...easy.fingering,
        choices: new Map([[bass.id, { remedy: 'short' }]]),
      },
    );
    expect(told(short, 'cut')).toEqual(['3 on C, ⑤, lasts only until beat 2: let it go there.']);
  });

  it('tell to lift a stopped note at a rest, not an open one', () => {
    expect(told(planVoices(['C4/2 -/2']), 'lift')).toEqual(['Lift 1 at the rest: C, ②, ends there.']);
    expect(told(planVoices(['E4/2 -/2']), 'lift')).toEqual([]);
    expect(told(planVoices(['C4/4. -/8 C4/2']), 'lift')).toEqual([]);
  });

  it('tell not to shorten a dotted note where the hand moves in its rhythm', () => {
    const score = exampleScore({ voices: ['F4/8. C5/16 C5/4 C5/2'], tempo: 90 });
    const plan = planPiece(
      score,
      decide(score, ['F4', 0, { string: 1, finger: 1 }], ['C5', 0, { string: 1, finger: 4 }]),
    );
    expect(told(plan, 'dotted')).toEqual(['Do not shorten the dotted F: the shift waits for its end.']);
  });

  it('tell to keep the finger free that the next downbeat needs', () => {
    const line = planVoices(['E4/8 F4/8 E4/8 F4/8 E4/8 F4/8 E4/8 F4/8 | C4+E4+G4/1', '-/1 | C3/1']);
    expect(told(line, 'reserve')).toEqual(['Keep a free for the chord at bar 2.']);
    expect(told(planVoices(['E4/8 F4/8 E4/8 F4/8 E4/8 F4/8 E4/8 F4/8 | G4/1']), 'reserve')).toEqual([]);
  });

  it('hold every shift, barre, finger kept over a bar line and silence that must be, once', () => {
    fc.assert(
      fc.property(pieces, (plan) => {
        const moments = momentsOf(plan);
        const of = (kind: string) => moments.filter((each) => each.kind === kind);
        expect(of('shift').map(({ onset }) => onset)).toEqual(plan.shifts.map(({ onset }) => onset));
        expect(of('barre').map(({ onset }) => onset)).toEqual(plan.barres.map(({ onset }) => onset));
        const { left, technique, score } = plan;
        const over = technique.held.filter(
          ({ from, to }) => left.sounds[to]!.bar > left.sounds[from]!.bar && !left.choices[from]!.barre,
        );
        const kept = of('keep').flatMap((each) =>
          each.kind === 'keep' && each.isNeeded ? [each.values.note.sound] : [],
        );
        for (const { from } of over) expect(kept.filter((sound) => sound === from)).toHaveLength(1);
        const must = plan.damping.filter(({ grade }) => grade === 'must').length;
        const runs = of('damp').flatMap((each) =>
          each.kind === 'damp' && each.isNeeded ? [each.values.run] : [],
        );
        expect(runs.reduce((sum, run) => sum + run, 0)).toBeGreaterThanOrEqual(must);
        expect(score.bars.length).toBe(3);
      }),
      { numRuns: 60, endOnFailure: true },
    );
  }, 60_000);
});

describe('a walk-through', () => {
  it('tells what is needed once, and nothing that the plan does not have there', () => {
    fc.assert(
      fc.property(pieces, (plan) => {
        const lines = walkThrough(EN, plan, 'bars');
        const isBack = (bar: number) =>
          lines.some(
            ({ from, to, sentences }) =>
              bar >= from && bar <= to && sentences.some(({ kind }) => kind === 'return'),
          );
        const needed = momentsOf(plan).filter(({ isNeeded, bar }) => isNeeded && !isBack(bar));
        const sentences = lines.flatMap((line) => line.sentences);
        for (const moment of needed) {
          const text = momentText(EN, plan.score, moment);
          const { kind, onset } = moment;
          const said = sentences.filter(
            (each) => each.kind === kind && each.onset === onset && each.text === text,
          );
          expect(said, text).toHaveLength(1);
        }
        for (const depth of ['bars', 'slow'] as const)
          for (const { sentences } of walkThrough(EN, plan, depth))
            for (const { text, bar } of sentences) {
              // A finger that is kept, and a note that keeps a string busy, may come from the bar before.
              for (const [, finger, name, string, fret] of text.matchAll(FINGER_ON))
                expect(
                  has(plan, [bar, bar + 1, bar - 1], {
                    finger: Number(finger),
                    name: name!,
                    string: readStringSign(string!)!,
                    ...(fret && { fret: Number(fret) }),
                  }),
                  text,
                ).toBe(true);
              for (const [, name, string] of text.matchAll(OPEN))
                expect(
                  has(plan, [bar], { finger: 0, name: name!, string: readStringSign(string!)! }),
                  text,
                ).toBe(true);
            }
      }),
      { numRuns: 40, endOnFailure: true },
    );
  }, 60_000);

  it.each(DEPTHS)('tells the same in both languages: %s', (depth) => {
    const plan = study('salt-lanterns');
    const facts = (wording: typeof EN) =>
      walkThrough(wording, plan, depth).map(({ from, to, sentences }) => [
        from,
        to,
        sentences.map(({ kind, onset, text }) => [kind, onset, text.match(/[①-⑥]/g)]),
      ]);
    expect(facts(ES)).toEqual(facts(EN));
  });

  it('says what lies in the way, and who else holds the finger', () => {
    const told = (plan: Plan) =>
      walkThrough(EN, plan, 'bars').flatMap(({ sentences }) => sentences.map(({ text }) => text));
    expect(told(planAs(['D4/4 C4/4 B3/2', 'G2/1'], '2:4 2:1 2:0 6:3'))).toContain(
      '4 on D, ② fret 3: 3 stays on G.',
    );
    expect(told(planAs(['D4/1', 'B3/2 G3/2'], '2:3 3:4 3:0'))).toContain(
      '4 on B, ③ fret 4: ② is busy with D.',
    );
  });

  it('is told once where bars come back', () => {
    const bar = 'C4/4 D4/4 E4/4 F4/4';
    const lines = walkThrough(EN, planVoices([`${bar} | G3/4 A3/4 B3/4 A3/4 | ${bar} | C4/1`]), 'bars');
    const third = lines.find(({ from }) => from === 2)!;
    expect(third.sentences.map(({ text }) => text).at(-1)).toBe('As bar 1.');
  });

  it('never says a sentence twice in a row of bars, unless it is needed', () => {
    for (const name of ['low-meadow-dance', 'paper-kites', 'salt-lanterns']) {
      const plan = study(name);
      const needed = new Set(
        momentsOf(plan)
          .filter(({ isNeeded }) => isNeeded)
          .map(({ kind, onset }) => `${kind} ${onset}`),
      );
      const free = walkThrough(EN, plan, 'bars')
        .flatMap(({ sentences }) => sentences)
        .filter(({ kind, onset }) => !needed.has(`${kind} ${onset}`))
        .map(({ text }) => text);
      expect(free.filter((text, index) => free.indexOf(text) !== index)).toEqual([]);
    }
  });

  it.each([
    ['low-meadow-dance', 'en'],
    ['stairs-of-glass', 'en'],
    ['stairs-of-glass', 'es'],
  ] as const)('of %s in %s is as it was read and kept', async (name, language) => {
    const plan = study(name);
    const wording = wordingIn(language);
    const text = DEPTHS.map((depth) =>
      [
        `== ${depth}`,
        ...walkThrough(wording, plan, depth).flatMap((line) => [
          walkHeading(wording, plan, line),
          ...line.sentences.map((each) => `  ${each.text}`),
        ]),
      ].join('\n'),
    ).join('\n\n');
    await expect(`${text}\n`).toMatchFileSnapshot(`${GOLDEN}${name}.${language}.txt`);
  });
});
