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
