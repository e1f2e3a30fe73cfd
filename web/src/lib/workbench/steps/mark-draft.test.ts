import { markId, placedMarks, planPiece, readMusicXml, type Mark, type MarkId } from '@oculon/core';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { draftOf, markFrom, NEW_DRAFT, type MarkDraft } from './mark-draft.ts';
import { chordWords, shownSigns, shownSpans, wordsGone } from '../../sheet/shown-marks.ts';

const path = fileURLToPath(new URL('../../../../../demo/studies/low-meadow-dance.musicxml', import.meta.url));
const read = readMusicXml(readFileSync(path, 'utf8'));
if (!read.ok) throw new Error(read.error.code);
const { score } = read.value;
const plan = planPiece(score);
const voice = (name: string) => score.notes.filter((note) => note.voice === name).map(({ index }) => index);
const [melody, bass] = [voice('1'), voice('2')];
const made = (draft: Partial<MarkDraft>, span: readonly [number, number]) =>
  markFrom(score, plan.notes, { ...NEW_DRAFT, ...draft }, span);

describe('a mark on its way', () => {
  it('runs from the earlier to the later note, wherever the teacher began', () => {
    const [a, b] = [melody[1]!, melody[6]!];
    const forward = made({ kind: 'barre', fret: 3 }, [a, b]);
    expect(forward).toEqual(made({ kind: 'barre', fret: 3 }, [b, a]));
    expect(forward).toMatchObject({ mark: { kind: 'barre', fret: 3, from: score.notes[a]!.id } });
  });

  it('tells why it cannot be yet', () => {
    expect(made({ kind: 'text', text: '  ' }, [0, 0])).toHaveProperty('problem');
    expect(made({ kind: 'slur' }, [melody[0]!, bass[1]!])).toHaveProperty('problem');
    expect(made({ kind: 'hold' }, [melody[0]!, melody[0]!])).toHaveProperty('problem');
    expect(made({ kind: 'plant', fingers: 'x' }, [0, 0])).toHaveProperty('problem');
  });

  it('a slur knows whether it rises or falls; fingers stand in order', () => {
    const rising = melody.find(
      (note, place) => score.notes[note]!.midi < score.notes[melody[place + 1]!]!.midi,
    )!;
    const next = melody[melody.indexOf(rising) + 1]!;
    expect(made({ kind: 'slur' }, [rising, next])).toMatchObject({ mark: { as: 'hammer-on' } });
    expect(made({ kind: 'plant', fingers: 'ami' }, [0, 0])).toMatchObject({ mark: { fingers: 'ima' } });
  });

  it('a mark opened for change gives itself back', () => {
    const built = made({ kind: 'position', fret: 7 }, [melody[0]!, melody[4]!]);
    if (!('mark' in built)) throw new Error(built.problem);
    expect(made(draftOf(built.mark), [melody[0]!, melody[4]!])).toEqual(built);
  });
});

describe('marks on the sheet', () => {
  const id = score.notes[melody[0]!]!.id;
  const text: Mark = { kind: 'text', from: id, text: 'grazioso' };
  const hold: Mark = { kind: 'hold', from: id, to: score.notes[melody[2]!]!.id };
  const stroke: Mark = { kind: 'stroke', from: id, stroke: 'rest' };
  const none = new Map<MarkId, Mark>();

  it('proposals of movements stand there when they are asked for, decided ones always', () => {
    const placed = placedMarks([hold], none, none);
    expect(shownSpans(placed, false)).toEqual([]);
    expect(shownSpans(placed, true)).toHaveLength(1);
    expect(shownSpans(placedMarks([hold], none, new Map([[markId(hold), hold]])), false)).toHaveLength(1);
  });

  it('signs below the staff are the plan’s until a teacher decides', () => {
    const planned = [
      {
        note: melody[0]!,
        kind: 'stroke',
        sign: '○',
        values: { stroke: 'free', reason: 'asked', comesToRestOn: undefined, silences: false },
        isAdvice: true,
        mark: markId(stroke),
      } as const,
    ];
    expect(shownSigns(score, planned, [], none)).toHaveLength(1);
    const gone = new Map([[markId(stroke), { kind: 'removed' as const }]]);
    expect(shownSigns(score, planned, placedMarks([stroke], none, gone), gone)).toEqual([]);
    const own = new Map([[markId(stroke), stroke]]);
    expect(shownSigns(score, planned, placedMarks([], none, own), own).map(({ sign }) => sign)).toEqual([
      '⌵',
    ]);
  });

  it('words of the source stay with the source until they are changed or taken away', () => {
    const source = new Map([[markId(text), text]]);
    const onset = score.notes[melody[0]!]!.onset;
    expect([...wordsGone(score, source, none)]).toEqual([]);
    expect(shownSpans(placedMarks([], source, none), true)).toEqual([]);
    const changed = new Map([[markId(text), { ...text, text: 'slowly' }]]);
    expect([...wordsGone(score, source, changed)]).toEqual([`${onset} grazioso`]);
    expect(shownSpans(placedMarks([], source, changed), false)).toHaveLength(1);
  });

  it('a harmony is named where it begins, not again while it lasts', () => {
    const onsets = plan.left.hands.map(({ slice }) => ({ onset: slice.onset }));
    const words = chordWords(score, plan.technique.blocks, onsets).map(({ mark }) =>
      mark.kind === 'text' ? mark.text : '',
    );
    expect(words.length).toBeGreaterThan(0);
    words.forEach((word, place) => expect(word).not.toBe(words[place + 1]));
  });
});
