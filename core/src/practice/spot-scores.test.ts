import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import { readMusicXml } from '../formats/musicxml/read.ts';
import { writeNewMusicXml } from '../formats/musicxml/write-new.ts';
import { planPiece, setupFor } from '../plan/plan.ts';
import { planVoices } from '../testing/planning.ts';
import { studyPlan } from '../testing/studies.ts';
import { DRILLS_FOR, SPOT_DRILLS } from './spot-drills.ts';
import { CUT_FOR, SPOT_CUTS, spotScore, type SpotCut } from './spot-scores.ts';
import { SPOT_KINDS, spotsOf, type Spot } from './spots.ts';

const STUDIES = ['low-meadow-dance', 'moth-hour', 'one-thread', 'paper-kites', 'two-bells', 'salt-lanterns'];
const plans = STUDIES.map(studyPlan);
const everySpot = plans.flatMap((plan) => spotsOf(plan).map((spot) => ({ plan, spot })));

/** The cut as a document that was written and read again. */
const readBack = (plan: (typeof plans)[number], spot: Spot, cut: SpotCut) => {
  const made = spotScore(plan, spot, cut, 'A drill', 60);
  if (!made) return undefined;
  const read = readMusicXml(writeNewMusicXml(made));
  if (!read.ok) throw new RangeError(read.error.code);
  expect(read.value.repairs).toEqual([]);
  return read.value.score;
};

describe('drills from a piece', () => {
  it.each(SPOT_CUTS)('are played as the plan plays the spot: %s', (cut) => {
    for (const { plan, spot } of everySpot) {
      const score = readBack(plan, spot, cut);
      if (!score) continue;
      expect(score.tempi[0]!.quartersPerMinute).toBe(60);
      const again = planPiece(score, EMPTY_FINGERING, setupFor(score, plan.setup));
      const troubles = again.findings.filter(({ code }) => /unplayable|lock-not-kept/.test(code));
      expect(troubles.map(({ code }) => code)).toEqual([]);
    }
  });

  it('have every note of the spot, and nothing else, as they are written', () => {
    for (const { plan, spot } of everySpot) {
      const own = plan.score.notes.filter(({ onset }) => onset >= spot.start && onset <= spot.end);
      const score = readBack(plan, spot, 'as-written')!;
      expect(score.notes.map(({ midi }) => midi)).toEqual(own.map(({ midi }) => midi));
      const offset = plan.score.bars[spot.from]!.start;
      const quarters = (tick: number, perQuarter: number) => tick / perQuarter;
      expect(score.notes.map(({ onset }) => quarters(onset, score.ticksPerQuarter))).toEqual(
        own.map(({ onset }) => quarters(onset - offset, plan.score.ticksPerQuarter)),
      );
      // Its last note is struck just after the difficulty, never in the middle of it.
      expect(Math.max(...own.map(({ onset }) => onset))).toBe(spot.end);
    }
  });

  it('lay the right hand on open strings, each where the plan plucks', () => {
    for (const { plan, spot } of everySpot) {
      const score = readBack(plan, spot, 'right-hand-alone')!;
      const own = plan.score.notes.filter(({ onset }) => onset >= spot.start && onset <= spot.end);
      score.notes.forEach(({ midi, fingering }, index) => {
        const { string, pluck } = plan.notes[own[index]!.index]!;
        expect(midi).toBe([64, 59, 55, 50, 45, 40][string! - 1]);
        expect(fingering).toMatchObject({ string, finger: 0 });
        if (pluck !== undefined) expect(fingering.pluck).toBe(pluck);
      });
    }
  });

  it('part tune and bass so that together they are the spot', () => {
    for (const { plan, spot } of everySpot) {
      const count = (cut: SpotCut) => readBack(plan, spot, cut)?.notes.length ?? 0;
      const [tune, bass] = [count('tune-alone'), count('bass-alone')];
      // One of them may be too little to be practised.
      if (tune > 0 && bass > 0) expect(tune + bass).toBe(count('as-written'));
      else expect(tune + bass).toBeGreaterThan(0);
    }
  });

  /** Frets by string of each chord of a score, as they are written at its notes. */
  const chordsOf = (score: NonNullable<ReturnType<typeof readBack>>) =>
    [...new Set(score.notes.map(({ onset }) => onset))].map((at) =>
      score.notes
        .filter(({ onset }) => onset === at)
        .map(({ midi, fingering: { string, finger } }) => ({
          string: string!,
          finger: finger!,
          fret: midi - [64, 59, 55, 50, 45, 40][string! - 1]!,
        })),
    );

  it('begin a wide grip higher on the neck and come down fret by fret to where it lies', () => {
    let met = 0;
    for (const { plan, spot } of everySpot) {
      const score = readBack(plan, spot, 'higher-on-neck');
      if (!score) continue;
      met += 1;
      const chords = chordsOf(score);
      chords
        .slice(1)
        .forEach((chord, index) =>
          expect(chord).toEqual(chords[index]!.map((place) => ({ ...place, fret: place.fret - 1 }))),
        );
      expect(Math.max(...chords[0]!.map(({ fret }) => fret))).toBeLessThanOrEqual(12);
      const lies = plan.technique.blocks.some(({ shape }) =>
        chords
          .at(-1)!
          .every(({ string, fret, finger }) =>
            shape.some((each) => each.string === string && each.fret === fret && each.finger === finger),
          ),
      );
      expect(lies).toBe(true);
    }
    expect(met).toBeGreaterThan(2);
  });

  it('lay a barre alone over the strings that need it', () => {
    let met = 0;
    for (const { plan, spot } of everySpot) {
      const score = readBack(plan, spot, 'barre-alone');
      if (!score) continue;
      for (const chord of chordsOf(score)) {
        met += 1;
        expect(new Set(chord.map(({ fret, finger }) => `${fret} ${finger}`)).size).toBe(1);
        const strings = chord.map(({ string }) => string);
        const [least, most] = [Math.min(...strings), Math.max(...strings)];
        expect(strings.length).toBe(most - least + 1);
        expect(
          plan.technique.barres.some(
            ({ fret, strings: [treble, bass] }) =>
              fret === chord[0]!.fret && treble === least && bass === most,
          ),
        ).toBe(true);
      }
    }
    expect(met).toBeGreaterThan(0);
  });

  it('show another right hand only where there is one, on the same notes', () => {
    let others = 0;
    for (const { plan, spot } of everySpot) {
      const score = readBack(plan, spot, 'other-right-hand');
      const own = readBack(plan, spot, 'as-written')!;
      if (!score) continue;
      expect(score.notes.map(({ midi, onset }) => [midi, onset])).toEqual(
        own.notes.map(({ midi, onset }) => [midi, onset]),
      );
      const fingersOf = (of: typeof own) => of.notes.map(({ fingering: { pluck } }) => pluck).join(' ');
      if (fingersOf(score) !== fingersOf(own)) others += 1;
    }
    expect(others).toBeGreaterThan(0);
  });

  it('dot even runs in pairs: the same notes, long and short, each bar as long as before', () => {
    let met = 0;
    for (const { plan, spot } of everySpot) {
      const score = readBack(plan, spot, 'dotted');
      if (!score) continue;
      met += 1;
      const even = readBack(plan, spot, 'as-written')!;
      expect(score.notes.map(({ midi }) => midi)).toEqual(even.notes.map(({ midi }) => midi));
      // A last bar ends with its last note, which may be the longer one of a pair.
      const lengths = (of: typeof score) =>
        of.bars.slice(0, -1).map(({ length }) => length / of.ticksPerQuarter);
      expect(lengths(score)).toEqual(lengths(even));
      const quarters = (of: typeof score) => of.notes.map(({ onset }) => onset / of.ticksPerQuarter);
      const short = Math.min(...even.notes.map(({ duration }) => duration)) / even.ticksPerQuarter;
      quarters(even).forEach((onset, index) => {
        const isSecond = Math.round(onset / short) % 2 === 1;
        expect(quarters(score)[index]).toBeCloseTo(onset + (isSecond ? short / 2 : 0), 9);
      });
    }
    expect(met).toBeGreaterThan(0);
  });

  it('dot nothing that is not even', () => {
    const cut = (line: string) => {
      const plan = planVoices([line]);
      const spot = { ...spotsOf(plan)[0]!, from: 0, to: 0, start: 0, end: plan.score.notes.at(-1)!.onset };
      return spotScore(plan, spot, 'dotted', 'x', 60);
    };
    expect(cut('E4/8 F4/8 G4/8 A4/8 G4/4 E4/4')).toBeDefined();
    // A long note across a pair, and too few that are short.
    expect(cut('E4/8 F4/4 G4/8 A4/8 G4/8 E4/4')).toBeUndefined();
    expect(cut('E4/8 F4/8 G4/4 A4/4 E4/4')).toBeUndefined();
  });

  it('leave the slurred pairs of a passage alone', () => {
    const plan = planVoices(['E4/4 G4/8 A4/8( B4/8) C5/8 E4/4 | E4/2 G4/2']);
    const spot = { ...spotsOf(plan)[0]!, from: 0, to: 0, start: 0, end: plan.score.notes.at(-3)!.onset };
    const score = readBack(plan, spot, 'slurs-alone')!;
    expect(score.notes).toHaveLength(2);
    expect(score.notes[1]!.slurredFrom?.note).toBe(0);
  });

  it('know the drills of every kind, each with its notes', () => {
    for (const kind of SPOT_KINDS) expect(DRILLS_FOR[kind].length).toBeGreaterThan(0);
    const used = new Set(Object.values(DRILLS_FOR).flat());
    expect([...used].sort()).toEqual([...SPOT_DRILLS].sort());
    for (const drill of SPOT_DRILLS) expect(SPOT_CUTS).toContain(CUT_FOR[drill]);
  });

  it('take a spot that returns once', () => {
    const phrase = [
      'E4/2 G4/2',
      'E4/2 G4/2',
      'E4/8 F4/8 G#4/8 E4/8 C5/8 E5/8 C5/8 A4/8',
      'E4/2 G4/2',
      'E4/2 G4/2',
    ];
    const spots = spotsOf(planVoices([[...phrase, ...phrase].join(' | ')]));
    expect(spots).toHaveLength(1);
    expect(spots[0]!.returns).toEqual([spots[0]!.from + phrase.length]);
  });
});
