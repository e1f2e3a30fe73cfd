import { writeNewMusicXml } from '../formats/musicxml/write-new.ts';
import { openPitch, type StringNumber } from '../instrument/guitar.ts';
import { sharpSpelling } from '../music/pitch.ts';
import { ticks } from '../music/time.ts';
import type { NotePlan, Plan } from '../plan/plan.ts';
import { otherRightHand } from '../plan/right-ways.ts';
import { excerptOf } from '../score/excerpt.ts';
import { indexById, type Note, type NoteIndex, type Score, type SourceFingering } from '../score/score.ts';
import { dotted } from './dotted.ts';
import { heldScore, isHeldCut, type HeldCut } from './held-shapes.ts';
import type { SpotDrill } from './spot-drills.ts';
import type { Spot } from './spots.ts';

/** What of a spot is played in a drill, as notes on paper. */
export const SPOT_CUTS = [
  'as-written',
  'staccato',
  'blocks',
  'higher-on-neck',
  'barre-alone',
  'right-hand-alone',
  'other-right-hand',
  'tune-alone',
  'bass-alone',
  'slurs-alone',
  'moved-accents',
  'fewer-notes',
  'dotted',
] as const;
export type SpotCut = (typeof SPOT_CUTS)[number];

/** The notes on which each drill is practised; what is done with them otherwise is said in words. */
export const CUT_FOR: Readonly<Record<SpotDrill, SpotCut>> = {
  blocks: 'blocks',
  'without-pressing': 'blocks',
  'landing-finger': 'as-written',
  'with-ride': 'as-written',
  staccato: 'staccato',
  legato: 'as-written',
  'higher-on-neck': 'higher-on-neck',
  'barre-alone': 'barre-alone',
  'shape-without-sound': 'blocks',
  'set-and-release': 'as-written',
  'held-finger': 'as-written',
  'tune-alone': 'tune-alone',
  'bass-alone': 'bass-alone',
  'right-hand-alone': 'right-hand-alone',
  'moved-accents': 'moved-accents',
  'other-right-hand': 'other-right-hand',
  'fewer-notes': 'fewer-notes',
  bursts: 'as-written',
  'left-hand-alone': 'as-written',
  together: 'as-written',
  'slurred-pair': 'slurs-alone',
  'lower-finger-down': 'as-written',
  'in-rhythm': 'as-written',
  'dotted-rhythm': 'dotted',
  'open-and-damp': 'right-hand-alone',
};

/** With fewer moments there is nothing to practise. */
const LEAST_MOMENTS = 2;

/** A note of a drill, or nothing where the drill leaves it out. */
type Shape = (note: Note, planned: NotePlan, place: number, source: NoteIndex) => Note | undefined;
/** Cuts that change the notes of the spot; the others set shapes of the left hand one after the other. */
type ShapedCut = Exclude<SpotCut, HeldCut | 'dotted'>;

const fingeringOf = ({ string, fret, finger, pluck }: NotePlan, isHarmonic: boolean): SourceFingering => ({
  ...(string !== undefined && { string }),
  ...(isHarmonic && fret !== undefined && { fret }),
  ...(finger !== undefined && { finger }),
  ...(pluck !== undefined && { pluck }),
});

/** The fingers of a drill for the thumb and one finger: the thumb, and whoever else plays most. */
const mostUsed = (plucks: readonly (string | undefined)[]): string | undefined => {
  const counts = new Map<string, number>();
  for (const pluck of plucks)
    if (pluck !== undefined && pluck !== 'p') counts.set(pluck, (counts.get(pluck) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0];
};

/** Noteheads that a slur leads from or to. */
const slurred = ({ score }: Plan): ReadonlySet<NoteIndex> =>
  new Set(score.notes.flatMap(({ index, slurredFrom }) => (slurredFrom ? [index, slurredFrom.note] : [])));

const shapes = (
  plan: Plan,
  { from, to }: Spot,
  within: readonly NotePlan[],
  cut: ShapedCut,
): Shape | undefined => {
  const { guitar } = plan.setup;
  if (cut === 'other-right-hand') {
    const other = otherRightHand(plan, { from, to });
    return (
      other &&
      ((note, _, __, source) => {
        const pluck = other.get(source);
        return { ...note, fingering: { ...note.fingering, ...(pluck !== undefined && { pluck }) } };
      })
    );
  }
  if (cut === 'slurs-alone') {
    const pairs = slurred(plan);
    return (note, _, __, source) => (pairs.has(source) ? note : undefined);
  }
  const other = mostUsed(within.map(({ pluck }) => pluck));
  const plain: Readonly<Record<Exclude<ShapedCut, 'other-right-hand' | 'slurs-alone'>, Shape>> = {
    'as-written': (note) => note,
    staccato: (note) => ({ ...note, articulations: [...note.articulations, 'staccato'] }),
    'moved-accents': (note, _, place) =>
      place % 2 === 1 ? { ...note, articulations: [...note.articulations, 'accent'] } : note,
    'tune-alone': (note, { pluck }) => (pluck === 'p' ? undefined : note),
    'bass-alone': (note, { pluck }) => (pluck === 'p' ? note : undefined),
    'fewer-notes': (note, { pluck }) =>
      pluck === undefined || pluck === 'p' || pluck === other ? note : undefined,
    'right-hand-alone': ({ harmonic: _h, slurredFrom: _s, slideFrom: _l, ...note }, { string }) => {
      if (string === undefined) return undefined;
      const sounding = sharpSpelling(openPitch(guitar, string as StringNumber));
      return {
        ...note,
        sounding,
        written: { ...sounding, octave: sounding.octave + 1 },
        midi: openPitch(guitar, string as StringNumber),
        fingering: { ...note.fingering, finger: 0 },
      };
    },
  };
  return plain[cut];
};

/** A score with some notes changed or left out; what is left out is silent, and outside of the loop nothing stands at all. */
const shaped = (
  score: Score,
  change: (note: Note) => Note | undefined,
  isInLoop: (onset: number) => boolean,
): Score => {
  const places = new Map<NoteIndex, NoteIndex>();
  const kept: Note[] = [];
  for (const note of score.notes) {
    const wanted = change(note);
    if (wanted === undefined) continue;
    const { tiedFrom, slurredFrom, slideFrom, ...changed } = wanted;
    const tie = tiedFrom === undefined ? undefined : places.get(tiedFrom);
    const slur = slurredFrom === undefined ? undefined : places.get(slurredFrom.note);
    const slide = slideFrom === undefined ? undefined : places.get(slideFrom);
    places.set(note.index, kept.length);
    kept.push({
      ...changed,
      index: kept.length,
      // A tie holds what it comes from, whatever that has become.
      ...(tie !== undefined && kept[tie]!.midi === changed.midi && { tiedFrom: tie }),
      ...(slur !== undefined && { slurredFrom: { ...slurredFrom!, note: slur } }),
      ...(slide !== undefined && { slideFrom: slide }),
    });
  }
  return {
    ...score,
    notes: kept,
    indexOf: indexById(kept),
    bars: score.bars.map((bar) => ({
      ...bar,
      voices: bar.voices.map(({ name, events }) => ({
        name,
        events: events.flatMap((event) => {
          if (!isInLoop(event.onset))
            return event.grace ? [] : [{ ...event, kind: 'space' as const, notes: [], fermata: false }];
          if (event.kind !== 'notes') return [event];
          const notes = event.notes.flatMap((note) => places.get(note) ?? []);
          if (notes.length > 0) return [{ ...event, notes }];
          return event.grace ? [] : [{ ...event, kind: 'rest' as const, notes, fermata: false }];
        }),
      })),
    })),
  };
};

/**
 * A spot as a score of its own, cut from a plan: its bars with what lies before and after the spot silent, changed as the
 * cut asks for, with the plan's strings, fingers and plucks written at the notes. `tempo` in quarters a minute. Undefined
 * when the cut leaves too little to practise.
 */
export const spotScore = (
  plan: Plan,
  spot: Spot,
  cut: SpotCut,
  title: string,
  tempo: number,
): Score | undefined => {
  const made = makeCut(plan, spot, cut, title, tempo);
  const moments = new Set(made?.notes.map(({ onset }) => onset)).size;
  return made && moments >= (cut === 'barre-alone' ? 1 : LEAST_MOMENTS) ? made : undefined;
};

const makeCut = (plan: Plan, spot: Spot, cut: SpotCut, title: string, tempo: number): Score | undefined => {
  if (isHeldCut(cut)) return heldScore(plan, spot, cut, title, tempo);
  if (cut !== 'dotted') return cutScore(plan, spot, cut, title, tempo);
  const written = cutScore(plan, spot, 'as-written', title, tempo);
  return written && dotted(written);
};

const cutScore = (
  plan: Plan,
  spot: Spot,
  cut: ShapedCut,
  title: string,
  tempo: number,
): Score | undefined => {
  const bars = Array.from({ length: spot.to - spot.from + 1 }, (_, place) => spot.from + place);
  const { score, sources } = excerptOf(plan.score, bars);
  const offset = plan.score.bars[spot.from]!.start;
  const isInLoop = (onset: number): boolean => onset + offset >= spot.start && onset + offset <= spot.end;
  const isIn = ({ onset }: Note): boolean => isInLoop(onset);
  const shape = shapes(
    plan,
    spot,
    score.notes.filter(isIn).map(({ index }) => plan.notes[sources[index]!]!),
    cut,
  );
  if (!shape) return undefined;
  let place = -1;
  let last = -1;
  const made = shaped(
    score,
    (note) => {
      if (!isIn(note)) return undefined;
      const planned = plan.notes[sources[note.index]!]!;
      if (note.onset !== last) place += 1;
      last = note.onset;
      return shape(
        { ...note, fingering: fingeringOf(planned, note.harmonic !== undefined) },
        planned,
        place,
        sources[note.index]!,
      );
    },
    isInLoop,
  );
  return {
    ...made,
    title,
    composer: plan.score.composer,
    // Open strings have no key.
    bars: made.bars.map((bar, index) => ({
      ...bar,
      ...(cut === 'right-hand-alone' && { key: 0 }),
      keyChange: index === 0,
      meterChange: index === 0 || bar.meterChange,
      ...(index === made.bars.length - 1 && { barline: 'final' as const }),
    })),
    directions: [{ kind: 'tempo', text: `quarter=${tempo}`, bar: 0, onset: ticks(0) }],
    tempi: [{ onset: ticks(0), quartersPerMinute: tempo }],
  };
};

/** The same as a MusicXML document. */
export const spotSource = (...asked: Parameters<typeof spotScore>): string | undefined => {
  const made = spotScore(...asked);
  return made && writeNewMusicXml(made);
};
