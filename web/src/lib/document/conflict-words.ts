import {
  barLabel,
  noteById,
  barreWords,
  pitchLabel,
  romanNumeral,
  stringSign,
  type Choice,
  type Conflict,
  type Mark,
  type MarkDecision,
  type NoteId,
  type OwnWords,
  type PassageRule,
  type Remedy,
  type Score,
  type SlotValue,
} from '@oculon/core';
import { ruleWords, say } from '../words.ts';

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
      return say(`remedy.${value as Remedy}`);
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
      return say(`mark.${decision.kind}`);
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

const sentenceText = (value: SlotValue): string => {
  if (value === undefined) return 'as the plan says';
  const { text } = value as OwnWords;
  return text === '' ? 'left out' : `“${text}”`;
};

const noteText = (score: Score, id: NoteId): string => {
  const note = noteById(score, id);
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
      return both(`${say(`mark.${kind}`)}, ${noteText(score, note)}`, (value) =>
        markText(value as MarkDecision | undefined),
      );
    }
    case 'sentence': {
      const { bar } = (mine ?? theirs) as OwnWords;
      return both(`a sentence of bar ${score.bars[bar] ? barLabel(score.bars[bar]) : bar + 1}`, sentenceText);
    }
    case 'setup':
      return both(say(`setup.${slot.field}`), setupText);
  }
};
