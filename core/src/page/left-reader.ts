import { emptyReading, setFingers, type Guess, type Hypothesis, type LeftReading } from './left-reading.ts';
import type { MarkField, PageMarks } from './page-marks.ts';
import { ASSUMPTIONS, FAR_SHIFT, OPEN_UP_TO, TOLD_SHIFT, TOO_CLOSE } from './reading-rules.ts';
import type { ReaderView, SeenMoment, SeenNote } from './reader-view.ts';

/** What a reader keeps in mind from one moment to the next. */
export interface InMind {
  readonly position: number;
  /** Whether a finger has told yet that the hand lies there. */
  readonly isSet: boolean;
  /** A voice that runs along the string of a circled number. */
  readonly run: { readonly voice: string; readonly string: number } | undefined;
}

export const AT_THE_START: InMind = { position: 1, isSet: false, run: undefined };

/** Highest position that is thought of. */
const HIGHEST_POSITION = 16;

/**
 * Reads moments of a piece from left to right by rules (handbook §9): each from the marks at it and from what has been
 * read before. Deterministic; the time grows with the notes.
 */
export class LeftReader {
  readonly #view: ReaderView;
  readonly #page: PageMarks;
  readonly reading: LeftReading;

  constructor(view: ReaderView, page: PageMarks) {
    this.#view = view;
    this.#page = page;
    this.reading = emptyReading(view);
  }

  /** Reads one moment: what is kept in mind after it, and whether the reader had to stop and think. */
  read(at: number, mind: InMind): { readonly mind: InMind; readonly thinks: boolean } {
    const moment = this.#view.moments[at]!;
    const own = moment.notes.filter((note) => !this.#isTwin(note, moment));
    const told = this.#toldPosition(moment);
    const returned = told === undefined ? this.#positionOfReturn(moment) : undefined;
    const known = told ?? returned;
    const { chosen, isUnclear } = this.#choose(moment, own, mind, known);
    let thinks = isUnclear;
    const { position } = chosen;
    const isBarred = moment.indexBarre !== undefined;
    const moved = Math.abs(position - mind.position);
    const stopped = own.filter((_, index) => chosen.guesses[index]!.fret > 0);
    if (returned === undefined && stopped.length > 0 && (moved > 0 || !mind.isSet)) {
      const isTold = stopped.some((note) => this.#isWritten(note, 'finger'));
      if ((moved >= TOLD_SHIFT || !mind.isSet) && !isTold && !isBarred) thinks = true;
      const isPlaced = told !== undefined || stopped.some((note) => this.#isWritten(note, 'string'));
      if (moved > FAR_SHIFT && !isPlaced) thinks = true;
    }
    if (!setFingers(this.reading, moment, own, chosen)) thinks = true;
    for (const note of moment.notes)
      if (!own.includes(note)) {
        const first = own.find(({ midi }) => midi === note.midi)!;
        this.reading.strings[note.sound] = this.reading.strings[first.sound]!;
        this.reading.fingers[note.sound] = this.reading.fingers[first.sound]!;
      }
    const rests = told ?? this.#whereFingersLie(own, chosen);
    this.reading.positions[at] = rests;
    return {
      mind: { position: rests, isSet: mind.isSet || stopped.length > 0, run: this.#runAfter(own, mind) },
      thinks,
    };
  }

  #isWritten({ sound }: SeenNote, field: MarkField): boolean {
    return this.#page.at.get(sound)?.[field] ?? false;
  }

  /** The second note of a unison is the first one's string, unless it has marks of its own. */
  #isTwin(note: SeenNote, { notes }: SeenMoment): boolean {
    const first = notes.find(({ midi }) => midi === note.midi)!;
    return first !== note && !this.#isWritten(note, 'finger') && !this.#isWritten(note, 'string');
  }

  #toldPosition(moment: SeenMoment): number | undefined {
    return this.#page.positions.has(moment.slice) ? moment.position : moment.indexBarre;
  }

  /** Where the hand was the first time, when every note here comes back. */
  #positionOfReturn({ notes }: SeenMoment): number | undefined {
    if (notes.some(({ like }) => like < 0)) return undefined;
    return this.#positionWhere(notes[0]!.like);
  }

  #positionWhere(sound: number): number {
    return this.reading.positions[this.#view.momentOf[sound]!]!;
  }

  /** The hand is a fret aside when its lowest finger was taken from memory and is at home there. */
  #whereFingersLie(own: readonly SeenNote[], { position, guesses }: Hypothesis): number {
    let lowest: number | undefined;
    let where = position;
    own.forEach((note, index) => {
      const { fret, finger } = guesses[index]!;
      if (this.#isWritten(note, 'finger') || finger === undefined || finger === 0 || finger >= (lowest ?? 5))
        return;
      lowest = finger;
      where = fret - finger + 1;
    });
    return where >= 1 && Math.abs(where - position) === 1 ? where : position;
  }

  #choose(
    moment: SeenMoment,
    own: readonly SeenNote[],
    mind: InMind,
    known: number | undefined,
  ): { readonly chosen: Hypothesis; readonly isUnclear: boolean } {
    const read = (position: number): Hypothesis | undefined =>
      this.#inPosition(moment, own, mind, position, known === undefined ? mind.position : position);
    let best: Hypothesis | undefined;
    let second: Hypothesis | undefined;
    for (const position of known === undefined ? this.#positionsTold(own, mind) : [known]) {
      const way = read(position);
      if (!way) continue;
      if (!best || way.assumes < best.assumes) {
        second = best;
        best = way;
      } else if (!second || way.assumes < second.assumes) second = way;
    }
    if (best) {
      const isClose = second !== undefined && second.assumes - best.assumes < TOO_CLOSE;
      const differs = isClose && isElsewhere(best, second!);
      const isOpen = best.guesses.some((guess, index) => this.#isUnfounded(guess, own[index]!));
      return { chosen: best, isUnclear: (differs && best.position !== mind.position) || isOpen };
    }
    // Nothing fits: the hand goes to the nearest position in which everything does.
    for (let distance = 1; distance < HIGHEST_POSITION; distance += 1)
      for (const position of [mind.position - distance, mind.position + distance]) {
        const way = position >= 1 ? read(position) : undefined;
        if (way) return { chosen: way, isUnclear: true };
      }
    const guesses = own.map(({ places }): Guess => ({
      string: places[0]?.string ?? 1,
      fret: places[0]?.fret ?? 0,
      finger: undefined,
      assumes: 0,
    }));
    return { chosen: { position: mind.position, guesses, assumes: 0 }, isUnclear: true };
  }

  /** The positions that written fingers speak of, after the one in which the hand lies. */
  #positionsTold(own: readonly SeenNote[], { position }: InMind): readonly number[] {
    const told = [position];
    for (const note of own)
      if (note.finger > 0 && this.#isWritten(note, 'finger'))
        for (const { fret } of note.places) {
          const where = Math.max(1, Math.min(HIGHEST_POSITION, fret - note.finger + 1));
          if (fret > 0 && !told.includes(where)) told.push(where);
        }
    return told;
  }

  /** A guess that no rule stands behind. */
  #isUnfounded(guess: Guess, note: SeenNote): boolean {
    if (note.isHarmonic)
      return (
        guess.finger === undefined ||
        (guess.assumes > ASSUMPTIONS.asBefore && !this.#isWritten(note, 'string'))
      );
    return guess.assumes >= ASSUMPTIONS.cutsHeld && !this.#isWritten(note, 'string');
  }

  /** The moment read in one position; undefined where a note does not fit there. */
  #inPosition(
    moment: SeenMoment,
    own: readonly SeenNote[],
    mind: InMind,
    position: number,
    from: number,
  ): Hypothesis | undefined {
    const offers: (readonly Guess[])[] = [];
    for (const note of own) {
      const guesses = this.#guesses(note, moment, mind, position);
      if (guesses.length === 0) return undefined;
      offers.push(guesses);
    }
    let best: readonly Guess[] | undefined;
    let least = Infinity;
    const taken: Guess[] = [];
    const go = (index: number, used: number, assumes: number): void => {
      if (assumes >= least) return;
      if (index === offers.length) {
        best = [...taken];
        least = assumes;
        return;
      }
      for (const guess of offers[index]!) {
        const bit = 1 << guess.string;
        if (used & bit) continue;
        taken[index] = guess;
        go(index + 1, used | bit, assumes + guess.assumes);
      }
    };
    const anchored = position !== from && this.#isAnchored(moment, own) ? ASSUMPTIONS.movedFromFinger : 0;
    go(0, 0, ASSUMPTIONS.moved * Math.abs(position - from) + anchored);
    return best && { position, guesses: best, assumes: least };
  }

  /** Whether a finger holds the hand where it is: one that is held, or one that goes to its own fret untold. */
  #isAnchored({ held }: SeenMoment, own: readonly SeenNote[]): boolean {
    const { fingers } = this.reading;
    return (
      held.some(({ sound }) => fingers[sound]! > 0) ||
      own.some((note) => !this.#isWritten(note, 'finger') && note.places.every(({ fret }) => fret > 0))
    );
  }

  #guesses(note: SeenNote, moment: SeenMoment, mind: InMind, position: number): readonly Guess[] {
    const { strings, fingers } = this.reading;
    const hasString = this.#isWritten(note, 'string');
    const hasFinger = this.#isWritten(note, 'finger');
    const barre = moment.indexBarre;
    const isLow = position <= OPEN_UP_TO && barre === undefined;
    const model = this.#modelOf(note, moment, position);
    const guesses: Guess[] = [];
    for (const { string, fret } of note.places) {
      if (hasString && string !== note.string) continue;
      const cut = moment.held.some((held) => strings[held.sound] === string && held.midi !== note.midi)
        ? ASSUMPTIONS.cutsHeld
        : 0;
      const run = mind.run?.voice === note.voice && mind.run.string === string ? ASSUMPTIONS.inRun : 0;
      const isModel = model >= 0 && strings[model] === string;
      if (note.isHarmonic) {
        const finger = hasFinger ? note.finger : isModel ? fingers[model]! : undefined;
        guesses.push({
          string,
          fret,
          finger,
          assumes: isModel ? ASSUMPTIONS.asBefore : ASSUMPTIONS.unexpected,
        });
      } else if (isModel && (!hasFinger || fingers[model] === note.finger))
        guesses.push({ string, fret, finger: fingers[model], assumes: ASSUMPTIONS.asBefore + cut });
      else if (hasFinger && (note.finger === 0) !== (fret === 0)) continue;
      else if (fret === 0)
        guesses.push({
          string,
          fret,
          finger: 0,
          assumes: (isLow || hasFinger ? ASSUMPTIONS.expected : ASSUMPTIONS.unexpected) + cut,
        });
      else if (hasFinger) {
        const home = barre === fret ? 1 : fret - position + 1;
        const away = Math.abs(home - note.finger) * ASSUMPTIONS.outOfPlace;
        guesses.push({ string, fret, finger: note.finger, assumes: ASSUMPTIONS.expected + away + cut + run });
      } else if (isAtHand(moment, fret, position)) {
        const canBeOpen = isLow && note.places.some((place) => place.fret === 0);
        const assumes = canBeOpen ? ASSUMPTIONS.unexpected : ASSUMPTIONS.expected;
        guesses.push({ string, fret, finger: undefined, assumes: assumes + cut });
      } else if (hasString)
        guesses.push({ string, fret, finger: undefined, assumes: ASSUMPTIONS.unknownFinger });
    }
    return guesses;
  }

  /** The note that this one is taken like: of a bar that comes back, or the same pitch just before in the same position. */
  #modelOf(note: SeenNote, { held }: SeenMoment, position: number): number {
    const { strings } = this.reading;
    if (note.like >= 0 && this.#isNear(note.like, position)) return note.like;
    const { before } = note;
    if (before < 0 || strings[before]! < 0) return -1;
    const isFree = held.every(
      (other) => other.midi === note.midi || strings[other.sound] !== strings[before],
    );
    return isFree && this.#isNear(before, position) ? before : -1;
  }

  /** Whether a note was read with the hand where it lies now, or a fret beside it: a finger away from home moves it so far. */
  #isNear(sound: number, position: number): boolean {
    return Math.abs(this.#positionWhere(sound) - position) <= 1;
  }

  #runAfter(own: readonly SeenNote[], { run }: InMind): InMind['run'] {
    let next = run;
    for (const note of own) {
      const string = this.reading.strings[note.sound]!;
      if (this.#isWritten(note, 'string')) next = { voice: note.voice, string };
      else if (next?.voice === note.voice && next.string !== string) next = undefined;
    }
    return next;
  }
}

/** Whether two ways to read a moment take a note on different strings. */
const isElsewhere = (one: Hypothesis, other: Hypothesis): boolean =>
  one.guesses.some(({ string }, index) => string !== other.guesses[index]!.string);

/** Whether a fret lies under a finger of the position, or under a barre. */
const isAtHand = ({ barres }: SeenMoment, fret: number, position: number): boolean =>
  (fret >= position && fret <= position + 3) || barres.some((barre) => barre.fret === fret);

/** Reads a whole piece; the moments at which the reader had to stop and think. */
export const readLeft = (
  view: ReaderView,
  page: PageMarks,
): { readonly reading: LeftReading; readonly thinks: ReadonlySet<number> } => {
  const reader = new LeftReader(view, page);
  const thinks = new Set<number>();
  let mind = AT_THE_START;
  view.moments.forEach((_, at) => {
    const read = reader.read(at, mind);
    mind = read.mind;
    if (read.thinks) thinks.add(at);
  });
  return { reading: reader.reading, thinks };
};
