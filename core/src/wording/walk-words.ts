import { romanNumeral } from '../formats/musicxml/marks/mark-text.ts';
import { stringSign, stringSigns } from '../instrument/string-sign.ts';
import { beatText } from '../score/place.ts';
import { barLabel, type Score } from '../score/score.ts';
import type { Moment, MomentOf, PlacedNote } from '../walk/moment.ts';
import { yesNo, type Wording } from './wording.ts';

/** A beat as it is counted, with “and” for the half beat. */
export const beatWords = ({ say }: Wording, score: Score, onset: number): string => {
  const bar = score.bars.findLast(({ start }) => start <= onset) ?? score.bars[0]!;
  const beat = beatText(bar, onset - bar.start, score.ticksPerQuarter);
  return beat.endsWith('½') ? say('walk.and', { beat: beat.slice(0, -1) }) : say('walk.beat', { beat });
};

/** A moment seen from a bar: only as much of it as differs. `isEnd` tells that something ends there. */
const untilWords = (wording: Wording, score: Score, from: number, tick: number, isEnd: boolean): string => {
  const { say } = wording;
  const at = score.bars.findLast(({ start }) => start <= tick) ?? score.bars[0]!;
  const endOfPiece = score.bars.at(-1)!;
  if (isEnd && (tick === at.start || tick >= endOfPiece.start + endOfPiece.length)) {
    const last = tick === at.start ? (score.bars[at.index - 1] ?? at) : endOfPiece;
    return last.index === from
      ? say('walk.until.end-of-bar')
      : say('walk.until.end-of', { bar: barLabel(last) });
  }
  const beat = beatWords(wording, score, tick);
  if (at.index === from) return say('walk.until.beat', { beat });
  const bar = barLabel(at);
  return tick === at.start ? say('walk.until.bar', { bar }) : say('walk.until.bar-beat', { bar, beat });
};

/** A note with what is needed to find it: `4 on D, ② fret 3`; `open E, ①`. */
export const whereText = (
  { say, note: nameOf }: Wording,
  { finger, string, fret, pitch }: Omit<PlacedNote, 'sound'>,
): string =>
  fret === 0
    ? say('walk.note-open', { note: nameOf(pitch), string: stringSign(string) })
    : say('walk.note', { finger, note: nameOf(pitch), string: stringSign(string), fret });

/** Bars by their printed numbers. */
export const barsText = ({ say }: Wording, score: Score, from: number, to: number): string =>
  from === to
    ? say('walk.bar', { bar: barLabel(score.bars[from]!) })
    : say('walk.bars', { from: barLabel(score.bars[from]!), to: barLabel(score.bars[to]!) });

/** A sentence begins with a capital letter. */
export const asSentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The sentence of a moment. */
export const momentText = (wording: Wording, score: Score, moment: Moment): string => {
  const { say, note: nameOf, all } = wording;
  switch (moment.kind) {
    case 'position': {
      const { position, lead } = moment.values;
      return say('walk.position', {
        position: romanNumeral(position),
        led: yesNo(lead !== undefined),
        lead: lead ? whereText(wording, lead) : '',
      });
    }
    case 'shift':
      return shiftText(wording, moment);
    case 'guide': {
      const { lead, fromFret, isHeard } = moment.values;
      const { finger, string, fret } = lead;
      return say('walk.guide', { heard: yesNo(isHeard), finger, string: stringSign(string), fromFret, fret });
    }
    case 'barre': {
      const { lies, finger, fret, strings, until, isLast, isLaidDown, mayGo } = moment.values;
      const [treble, bass] = strings;
      return say('walk.barre', {
        lies,
        finger,
        fret,
        strings: `${stringSign(bass)}–${stringSign(treble)}`,
        last: yesNo(isLast),
        until: untilWords(wording, score, moment.bar, until, true),
        laid: yesNo(isLaidDown),
        mayGo: yesNo(mayGo),
      });
    }
    case 'keep': {
      const { note, kind, until } = moment.values;
      return say(`walk.keep.${kind}`, {
        finger: note.finger,
        note: nameOf(note.pitch),
        string: stringSign(note.string),
        until: untilWords(wording, score, moment.bar, until, kind === 'sounds' || kind === 'pivot'),
      });
    }
    case 'block': {
      const { notes, chord } = moment.values;
      return say('walk.block', {
        fingers: all(
          notes.map(({ finger, string }) => say('walk.short-note', { finger, string: stringSign(string) })),
        ),
        named: yesNo(chord !== undefined),
        chord: chord ?? '',
      });
    }
    case 'early': {
      const { note, sounds, pullsOff } = moment.values;
      return say('walk.early', {
        where: whereText(wording, note),
        pulls: yesNo(pullsOff),
        sounds: untilWords(wording, score, moment.bar, sounds, false),
      });
    }
    case 'finger': {
      const { note, instead, on } = moment.values;
      return asSentence(
        say('walk.finger', { where: whereText(wording, note), instead, on: nameOf(on.pitch) }),
      );
    }
    case 'place': {
      const { note, busy } = moment.values;
      const where = whereText(wording, note);
      if (busy)
        return asSentence(
          say('walk.place.busy', { where, busyString: stringSign(busy.string), busy: nameOf(busy.pitch) }),
        );
      return say(note.fret === 0 ? 'walk.place.open' : 'walk.place.stopped', { where });
    }
    case 'pattern': {
      const { order, is, isTremolo } = moment.values;
      return say(`walk.pattern.${is}`, { order: order.join(' '), tremolo: yesNo(isTremolo) });
    }
    case 'alternate': {
      const [first, second] = moment.values.order;
      return say('walk.alternate', { first: first!, second: second! });
    }
    case 'crossing': {
      const { note, finger, after } = moment.values;
      return say('walk.crossing', { finger, after, string: stringSign(note.string) });
    }
    case 'strum':
      return say('walk.strum', moment.values);
    case 'harmonic': {
      const { note, node, by } = moment.values;
      return say('walk.harmonic', { string: stringSign(note.string), node, by, finger: note.finger });
    }
    case 'damp': {
      const { string, pitch, into, means, run } = moment.values;
      const how = say(`walk.damp.means.${means}`, { string: stringSign(string) });
      return run > 1
        ? say('walk.damp.run', { run, means: how.charAt(0).toLowerCase() + how.slice(1) })
        : say('walk.damp.one', {
            means: how,
            note: nameOf(pitch),
            string: stringSign(string),
            into: into ? 'note' : 'rest',
            intoNote: into ? nameOf(into) : '',
          });
    }
    case 'cut': {
      const { note, until, isWanted } = moment.values;
      return say('walk.cut', {
        finger: note.finger,
        note: nameOf(note.pitch),
        string: stringSign(note.string),
        open: yesNo(note.fret === 0),
        until: untilWords(wording, score, moment.bar, until, true),
        wanted: yesNo(isWanted),
      });
    }
    case 'lift': {
      const { finger, pitch, string } = moment.values.note;
      return say('walk.lift', { finger, note: nameOf(pitch), string: stringSign(string) });
    }
    case 'reserve': {
      const { finger, until } = moment.values;
      return say('walk.reserve', { finger, until: untilWords(wording, score, moment.bar, until, false) });
    }
    case 'stumble':
      return say('walk.stumble', { where: whereText(wording, moment.values.note) });
    case 'stretch':
      return say('walk.stretch', moment.values);
    case 'tiring':
      return say('walk.tiring', moment.values);
    case 'upbeat':
      return say('walk.upbeat');
    case 'dotted':
      return say('walk.dotted', { note: nameOf(moment.values.pitch), before: moment.values.before });
    case 'slur': {
      const { from, to, rising } = moment.values;
      return say('walk.slur', {
        rising: yesNo(rising),
        from: from.finger,
        to: to.finger,
        string: stringSigns([to.string]),
      });
    }
    case 'return': {
      const { like, likeTo } = moment.values;
      return say('walk.return', {
        several: yesNo(likeTo > like),
        bars: barsText(wording, score, like, likeTo),
      });
    }
  }
};

const shiftText = (wording: Wording, { values }: MomentOf<'shift'>): string => {
  const { say, note: nameOf } = wording;
  const { to, rides, ringing, glidesFrom, lead, cuts } = values;
  const key =
    rides === 'open-string' && !ringing ? 'walk.shift.open-string-unnamed' : (`walk.shift.${rides}` as const);
  return say(key, {
    to: romanNumeral(to),
    led: yesNo(lead !== undefined),
    lead: lead ? whereText(wording, lead) : '',
    ringing: ringing ? nameOf(ringing.pitch) : '',
    glides: yesNo(glidesFrom !== undefined && lead !== undefined),
    fromFret: glidesFrom ?? 0,
    finger: lead?.finger ?? 0,
    string: lead ? stringSign(lead.string) : '',
    fret: lead?.fret ?? 0,
    cut: yesNo(cuts !== undefined),
    cutNote: cuts ? nameOf(cuts.pitch) : '',
  });
};
