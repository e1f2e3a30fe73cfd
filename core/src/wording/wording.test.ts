import { describe, expect, it } from 'vitest';
import { LEFT_SCHOOLS, LEFT_WEIGHT_NAMES, REMEDIES, RIGHT_SCHOOLS } from '../fingering/vocabulary.ts';
import { MARK_KINDS } from '../fingering/marks.ts';
import { PLANTING_KINDS } from '../fingering/rules.ts';
import { SETUP_FIELDS } from '../fingering/setup.ts';
import { LEFT_TERMS } from '../left/hand/costs.ts';
import { FIX_CODES } from '../plan/fixes.ts';
import { FINDING_CODES, SEVERITIES } from '../review/finding.ts';
import { RIGHT_TERMS } from '../right/search/costs.ts';
import { DAMPING_MEANS } from '../technique/damping.ts';
import { SHIFT_RIDES } from '../technique/shifts.ts';
import { exampleScore, planVoices } from '../testing/planning.ts';
import { CATALOGUES } from './languages.ts';
import { findingText } from './finding-words.ts';
import { problemText, repairText } from './reading-words.ts';
import { signText } from './sign-words.ts';
import { rightSigns } from '../technique/right-signs.ts';
import { wordingIn } from './languages.ts';

const english = wordingIn('en');
const spanish = wordingIn('es');

describe('every code has a message', () => {
  it.each([
    ['finding', FINDING_CODES],
    ['severity', SEVERITIES],
    ['fix', FIX_CODES],
    ['means', DAMPING_MEANS],
    ['ride', SHIFT_RIDES],
    ['left-term', LEFT_TERMS],
    ['right-term', RIGHT_TERMS],
    ['mark', MARK_KINDS],
    ['remedy', REMEDIES],
    ['left-school', LEFT_SCHOOLS],
    ['right-school', RIGHT_SCHOOLS],
    ['planting', PLANTING_KINDS],
    ['weight', LEFT_WEIGHT_NAMES],
    ['setup', SETUP_FIELDS],
  ] as const)('of %s', (start, codes) => {
    for (const code of codes) expect(Object.keys(CATALOGUES.en)).toContain(`${start}.${code}`);
  });
});

describe('what is said', () => {
  const muddy = planVoices(['E4/2. | E4/2.', 'E2/2. | A2/2.'], { tempo: 90 });

  it('is said in both languages, with the names of notes that go with them', () => {
    const score = exampleScore({ voices: ['F#4/4 A4/4 G4/2'] });
    const { sounding } = score.notes[0]!;
    expect(english.pitch(sounding)).toBe('F♯4');
    expect(spanish.pitch(sounding)).toBe('Fa♯4');
    expect(wordingIn('es', 'letters').pitch(sounding)).toBe('F♯4');
    expect(english.all(['C4', 'E4', 'G4'])).toBe('C4, E4, and G4');
    expect(spanish.all(['Do4', 'Mi4'])).toBe('Do4 y Mi4');
  });

  it('of a finding names the place', () => {
    const plan = planVoices(['D3/4 E4/4 C3/4 E4/4']);
    const found = plan.findings.find(({ code }) => code === 'string-left-ringing')!;
    expect(findingText(english, found)).toMatch(
      /^Bar 1, beat 3: the open D3 on string 4 rings on into this bass: /,
    );
    expect(findingText(spanish, found)).toMatch(
      /^Compás 1, tiempo 3: Re3 al aire en la cuerda 4 sigue sonando /,
    );
  });

  it('of a sign of the right hand names string and means', () => {
    const sign = rightSigns(muddy.performance, muddy.damping).find(({ kind }) => kind === 'damp')!;
    expect(signText(english, sign)).toMatch(/be damped: the side of the thumb leans on it/);
    expect(signText(spanish, sign)).toMatch(/apagar.*: el lado del pulgar se apoya en ella/);
  });

  it('of a file names bar and remedy; angle brackets are no markup', () => {
    expect(problemText(spanish, { code: 'not-musicxml', values: { root: 'html' } })).toMatch(
      /empieza por <html>/,
    );
    expect(
      repairText(english, {
        code: 'number-out-of-range',
        values: { bar: '3', name: 'divisions', text: '{0}', line: 12345 },
      }),
    ).toMatch(/^Bar 3: <divisions> is “\{0\}” \(line 12345 of the file\)/);
    expect(
      repairText(spanish, { code: 'simile', values: { bars: ['1', '2', '3', '4', '5', '6', '7', '8'] } }),
    ).toMatch(/^Compases 1, 2, 3, 4, 5, 6 y 2 más: /);
  });
});
