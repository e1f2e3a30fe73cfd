import {
  barLabel,
  barreWords,
  pitchLabel,
  romanNumeral,
  type Choice,
  type Conflict,
  type Mark,
  type MarkDecision,
  type NoteId,
  type PassageRule,
  type Score,
  type SetupField,
  type SlotValue,
} from '@oculon/core';
import { stringSign } from '../workbench/commands.ts';
import { MARK_NAMES } from './movement-words.ts';
import { ruleWords } from './rule-words.ts';
import { REMEDY_WORDS } from './words.ts';

const SETUP_NAMES: Readonly<Record<SetupField, string>> = {
  hand: 'hand size',
  spans: 'measured hand',
  tuning: 'tuning',
  capo: 'capo',
  weights: 'own weights',
  scaleLength: 'scale length',
  left: 'school of the left hand',
  right: 'school of the right hand',
  tremolo: 'order in tremolo',
  doubleThumb: 'thumb twice running',
  keepOrder: 'one order for equal cells',
  tempo: 'tempo',
  octave: 'octave',
};

const NOTHING = 'left to Oculon';

const choiceWords = (field: keyof Choice, value: SlotValue): string => {
  if (value == null) return NOTHING;
  switch (field) {
    case 'string':
      return stringSign(value as number);
    case 'finger':
      return value === 0 ? 'open' : `finger ${value as number}`;
    case 'pluck':
      return String(value);
    case 'remedy':
      return REMEDY_WORDS[value as keyof typeof REMEDY_WORDS];
  }
};

const markText = (decision: MarkDecision | undefined): string => {
  if (decision === undefined) return NOTHING;
  switch (decision.kind) {
    case 'removed':
      return 'taken away';
    case 'barre':
      return barreWords(decision);
    case 'position':
      return romanNumeral(decision.position);
    case 'text':
      return `“${decision.text}”`;
    case 'plant':
      return [...decision.fingers].join(' ');
    case 'damp':
      return stringSign(decision.string);
    default:
      return MARK_NAMES[decision.kind];
  }
};

const setupText = (value: SlotValue): string => {
  if (value === undefined) return 'as it comes';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.join(' ');
  if (typeof value === 'object' && value !== null)
    return Object.entries(value)
      .map(([name, amount]) => `${name}: ${String(amount)}`)
      .join(', ');
  return String(value);
};

const noteText = (score: Score, id: NoteId): string => {
  const note = score.notes.find((each) => each.id === id);
  return note
    ? `bar ${barLabel(score.bars[note.bar]!)}, ${pitchLabel(note.sounding)}`
    : 'a note that is gone';
};

/** What was decided in two places, and what here and what there. */
export const conflictWords = (
  score: Score,
  { slot, mine, theirs }: Conflict,
): { readonly what: string; readonly mine: string; readonly theirs: string } => {
  const both = (what: string, words: (value: SlotValue) => string) => ({
    what,
    mine: words(mine),
    theirs: words(theirs),
  });
  switch (slot.kind) {
    case 'choice':
      return both(noteText(score, slot.note), (value) => choiceWords(slot.field, value));
    case 'rule': {
      const label = (bar: number) => (score.bars[bar] ? barLabel(score.bars[bar]) : String(bar + 1));
      return both('a rule for some bars', (value) =>
        value === undefined ? 'no rule' : ruleWords(value as PassageRule, label),
      );
    }
    case 'finding':
      return both('a finding put aside', (value) =>
        value === undefined ? 'not put aside' : `“${String(value)}”`,
      );
    case 'mark': {
      const [kind, note] = slot.mark.split('@') as [Mark['kind'], NoteId];
      return both(`${MARK_NAMES[kind] ?? 'a mark'}, ${noteText(score, note)}`, (value) =>
        markText(value as MarkDecision | undefined),
      );
    }
    case 'setup':
      return both(SETUP_NAMES[slot.field], setupText);
  }
};
