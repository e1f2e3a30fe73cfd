import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING, type Choice } from '../fingering/fingering.ts';
import { planPiece } from '../plan/plan.ts';
import type { NoteId } from '../score/score.ts';
import { exampleMeter } from '../testing/notation.ts';
import { exampleScore, planVoices, rightHand } from '../testing/planning.ts';

// Handbook §4: common practice, no published source.
describe('who takes what in a texture', () => {
  it('fillings go to i and m though their stems point down, the tune keeps a, the thumb the bass', () => {
    const plan = planVoices(['E4/2', 'A2/8 A3/8 C4/8 A3/8']);
    const of = (midi: number) =>
      plan.score.notes.filter((note) => note.midi === midi).map((note) => plan.notes[note.index]!.pluck);
    expect(of(64)).toEqual(['a']);
    expect(of(45)).toEqual(['p']);
    expect(of(57)).toEqual(['i', 'i']);
    expect(of(60)).toEqual(['m']);
  });

  it('a slow line on the basses is the thumb’s, without a bass voice in the notation', () => {
    expect(rightHand(planVoices(['E2/4 F2/4 G2/4 A2/4']))).toBe('pppp');
  });

  it('a bass that beats in eighths under a tune is the thumb’s alone', () => {
    const plan = planVoices(['E3/4 F#3/4 G3/4 A3/4', 'E2/8 E2/8 E2/8 E2/8 E2/8 E2/8 E2/8 E2/8']);
    const bass = plan.score.notes.filter(({ midi }) => midi === 40);
    expect(bass.map(({ index }) => plan.notes[index]!.pluck)).toEqual(bass.map(() => 'p'));
  });

  it('a broken chord keeps its order in a bar that begins with the note before it', () => {
    const six = (...notes: readonly string[]) =>
      [0, 1, 2, 3, 2, 1].map((place) => `${notes[place]!}/8`).join(' ');
    const bars = [
      six('D3', 'A3', 'D4', 'F#4'),
      six('A2', 'E3', 'G3', 'C#4'),
      six('B2', 'D3', 'G3', 'D4'),
      six('D3', 'A3', 'D4', 'F#4'),
    ];
    const score = exampleScore({ meter: exampleMeter('3/4'), tempo: 88, voices: [bars.join(' | ')] });
    expect(rightHand(planPiece(score))).toBe('pimami'.repeat(4));
  });

  it('a line that leads to a chord for the whole hand stays with the fingers', () => {
    const plan = planVoices(['A4/8 G4/8 F4/8 E4/8 D4/8 C4/8 B3/8 C4/8 | A3+E4+A4/1', '-/1 | A2/1']);
    expect(rightHand(plan)).toMatch(/^[ima]{8}imap$/);
  });

  it('a tune in slow quarters alternates as it would at speed', () => {
    for (const tempo of [40, 90, 160])
      expect(rightHand(planVoices(['E4/4 F4/4 G4/4 F4/4 E4/4 F4/4 G4/4 F4/4'], { tempo }))).not.toMatch(
        /(.)\1/,
      );
  });

  it('a pattern begins again with the finger that stands there, though the thumb alone has played between', () => {
    const bar = ['C4', 'E4', 'C4', 'A4', 'C4', 'E4', 'C4'];
    const next = ['D4', 'F4', 'D4', 'A4', 'D4', 'F4', 'D4'];
    const voice = ['A2', ...bar, 'A2', ...next].map((pitch) => `${pitch}/16`).join(' ');
    expect(rightHand(planVoices([voice]))).toBe('pimiaimipimiaimi');
  });

  it('two basses of a pattern are one sweep of the thumb', () => {
    const cell = 'F2/16 C3/16 F3/16 Ab3/16 C4/16 Ab3/16 F3/16 C3/16';
    expect(rightHand(planVoices([`${cell} ${cell}`]))).toBe('ppimamipppimamip');
  });

  it('a note of the tune between chords of three keeps the thumb off the trebles', () => {
    const voices = ['E4/8 A3+C4+E4/8 A3+C4+E4/8 E4/8 A3+C4+E4/8 A3+C4+E4/8', 'A2/2.'];
    const score = exampleScore({ voices, tempo: 90, meter: { beats: 6, beatType: 8 } });
    const { notes } = planPiece(score);
    const thumbs = score.notes.filter(({ index }) => notes[index]!.pluck === 'p');
    expect(thumbs.map(({ midi }) => midi)).toEqual([45]);
  });

  it('repeated notes of a line alternate i and m, without a bass they are no tremolo', () => {
    const line = ['A4', 'B4', 'C5'].map((pitch) => `${`${pitch}/16 `.repeat(4)}`).join('');
    for (const tempo of [60, 140])
      expect(rightHand(planVoices([`${line}-/4`], { tempo }))).toMatch(/^(im)+$|^(mi)+$/);
  });

  it('tremolo is p-a-m-i at every tempo', () => {
    for (const tempo of [20, 40, 90])
      expect(
        rightHand(planVoices(['-/32 E4/32 E4/32 E4/32 -/32 E4/32 E4/32 E4/32', 'A2/8 E3/8'], { tempo })),
      ).toBe('pamipami');
  });

  it('under a tremolo every bass is the thumb’s, also on ③ and ②', () => {
    const beat = (bass: string, tune: string) => `${bass}/16 ${tune}/16 ${tune}/16 ${tune}/16`;
    const inOneVoice = ['A2', 'A3', 'C4', 'A3'].map((bass) => beat(bass, 'C5')).join(' ');
    const onSecond = ['D3', 'D4', 'F4', 'D4'].map((bass) => beat(bass, 'A4')).join(' ');
    expect(rightHand(planVoices([`${inOneVoice} | ${onSecond}`], { tempo: 72 }))).toBe('pami'.repeat(8));
  });

  it('a broken chord keeps its order when the next one lies on other strings, to its last note', () => {
    const figure = [0, 1, 2, 3, 2, 1, 2, 1];
    const broken = (chord: string) => figure.map((place) => `${chord.split(' ')[place]}/8`).join(' ');
    const chords = ['G2 D3 G3 B3', 'C3 E3 G3 C4', 'D3 A3 C4 F#4', 'G2 D3 G3 B3'];
    expect(rightHand(planVoices([chords.map(broken).join(' | ')], { tempo: 88 }))).toBe('pimamimi'.repeat(4));
  });

  it('dyads under a slow tune keep i and m, however busy the left hand is', () => {
    const score = exampleScore({
      voices: [
        'C#5/4 D#5/4 E5/4 | B4/4 C#5/4 D#5/4 | C#5/2.',
        'C#3/4 E4+G#4/4 E4+G#4/4 | B2/4 D#4+F#4/4 D#4+F#4/4 | C#3/2.',
      ],
      tempo: 70,
      meter: { beats: 3, beatType: 4 },
    });
    const { notes } = planPiece(score);
    const dyads = score.notes.filter(({ midi }) => midi >= 63 && midi <= 68);
    const letters = dyads.map(({ index }) => notes[index]!.pluck);
    expect(letters.join('')).toBe('imimimim');
  });

  it('two notes struck together and again keep their two fingers', () => {
    const plan = planVoices(['-/4 G3+B3/4 G3+B3/4 G3+B3/4', 'E2/1']);
    expect(rightHand(plan).slice(1)).toMatch(/^(..)\1\1$/);
  });

  it('i does not play on a thinner string than m stands on, however slow', () => {
    const letters = rightHand(planVoices(['G3/2 B3/2 | E4/2 B3/2'], { tempo: 50 }));
    expect(letters).not.toMatch(/^mi|^ai|^am/);
  });

  it('a pluck fixed on a note that the thumb sweeps is reported', () => {
    const score = exampleScore({ voices: ['E2+B2+E3+G#3+B3+E4/1'] });
    const lowest = score.notes.find(({ midi }) => midi === 40)!;
    const choices = new Map<NoteId, Choice>([[lowest.id, { pluck: 'm' }]]);
    const plan = planPiece(score, { ...EMPTY_FINGERING, choices });
    expect(plan.findings.map(({ code }) => code)).toContain('pluck-lock-not-kept');
  });
});

describe('one voice on the basses', () => {
  const onBasses = (tempo: number): string =>
    planPiece(exampleScore({ voices: ['A2/8 B2/8 C3/8 D3/8 E3/8 F3/8 E3/8 D3/8'], tempo }))
      .notes.map(({ pluck }) => pluck)
      .join('');

  // Common practice, no published source: the thumb where it is slow enough for it, else i and m; not by turns.
  it('belongs to the thumb or to the fingers, not to both by turns', () => {
    expect(onBasses(90)).toBe('pppppppp');
    expect(onBasses(160)).toMatch(/^(im|mi)+$/);
  });
});

describe('two notes in parallel', () => {
  // Common practice, no published source.
  it('keep their two fingers while they stay on their two strings', () => {
    const { left, right } = planPiece(
      exampleScore({ voices: ['E4+G4/4 F4+A4/4 G4+B4/4 A4+C5/4 | G4+B4/4 F4+A4/4 E4+G4/2'], tempo: 90 }),
    );
    const pairs = left.piece.slices.map(({ struck }) =>
      struck.map((sound) => `${left.choices[sound]!.string}${right.choices[sound]!.pluck}`).join(' '),
    );
    expect(pairs).toHaveLength(7);
    expect(new Set(pairs).size).toBe(1);
  });
});
