import { describe, expect, it } from 'vitest';
import { planAs, planVoices } from '../testing/planning.ts';
import type { LeftSchool } from '../fingering/vocabulary.ts';
import type { LeftTerm } from './hand/costs.ts';
import { leftCosts } from './hand/schools.ts';
import { hasteOf, openShare } from './search/bounds.ts';

const costs = leftCosts('balanced');

/** What the left hand pays at each moment under a term when the notes are taken as the tokens say. */
const paid = (
  term: LeftTerm,
  voices: readonly string[],
  tokens: string,
  left: LeftSchool = 'balanced',
): readonly number[] => {
  const { left: plan, memory } = planAs(voices, tokens, { left });
  expect(plan.brokenLocks).toEqual([]);
  return memory.left.accounts.map(({ entries }) =>
    entries.filter((entry) => entry.term === term).reduce((sum, { amount }) => sum + amount, 0),
  );
};

describe('what a movement of the left hand costs', () => {
  describe('guides', () => {
    it('a finger of the chord before leads the shift and slides', () => {
      const slide = ['F3+A3+C4/2 G3+B3+D4/2'];
      expect(paid('guide', slide, '4:3 3:2 2:1 4:3 3:2 2:1')[1]).toBeCloseTo(3 * costs.guideSlide);
      const apart = paid('shift', slide, '4:3 3:2 2:1 4:4 3:3 2:1')[1]!;
      const led = paid('shift', slide, '4:3 3:2 2:1 4:3 3:2 2:1')[1]!;
      expect(led).toBeLessThan(costs.shift * 0.5);
      expect(apart).toBeCloseTo(led);
    });

    it('nothing leads a hand that a finger holds: the slide is paid by its frets', () => {
      // 2 stays on ③ while 3 slides on ② from the third fret to the second.
      const change = ['D3+A3+D4/2 A2+A3+C#4/2'];
      const terms = paid('guide', change, '4:0 3:2 2:3 5:0 3:2 2:3');
      expect(terms[1]).toBeCloseTo(costs.slideBeside);
      expect(paid('shift', change, '4:0 3:2 2:3 5:0 3:2 2:3')[1]).toBe(0);
    });

    it('the note just played does not lead: its finger slides', () => {
      const line = ['A4/4 B4/4'];
      expect(paid('guide', line, '1:1 1:1')).toEqual([0, 0]);
      expect(paid('hop', line, '1:1 1:1')[1]).toBeCloseTo(costs.slideLast);
      // At 90 a sixteenth lasts a sixth of a second.
      const fast = paid('hop', ['A4/16 B4/16 C5/16 B4/16'], '1:1 1:1 1:2 1:1')[1];
      expect(fast).toBeCloseTo(costs.slideLast * costs.slideHasteMost);
    });
  });

  describe('a line', () => {
    it('pays for a step that jumps over a string, and less for a leap', () => {
      const over = (line: string, tokens: string) => paid('string change', [line], tokens)[1]!;
      expect(over('E4/4 F4/4', '1:0 3:1')).toBeCloseTo(costs.stringSkip + costs.stepAcross);
      expect(over('E4/4 F4/4', '1:0 2:1')).toBe(0);
      expect(over('E4/4 A3/4', '1:0 3:2')).toBeCloseTo(costs.stringSkip);
    });

    it('pays where it falls to a thinner string, less with more time, and nothing where the thumb plays', () => {
      const over = (line: string, tokens: string) => paid('string change', [line], tokens)[1]!;
      expect(over('C4/8 B3/8', '3:4 2:0')).toBeCloseTo(costs.crossed);
      expect(over('C4/1 B3/1', '3:4 2:0')).toBeCloseTo(
        (costs.crossed * costs.crossedReferenceTime) / ((4 * 60) / 90),
      );
      expect(over('B3/8 C4/8', '2:0 3:4')).toBe(0);
      expect(over('E4/8 B3/8', '3:4 2:0')).toBeCloseTo(costs.openInHighLine);
      expect(over('E3/8 D3/8', '5:1 4:0')).toBe(0);
    });

    it('does not leave the first string for the tenth fret of the third to shift on an open note', () => {
      const { notes } = planVoices(['C4/4 D4/4 E4/4 F4/4 | C5/4 D5/4 E5/4 C5/4']);
      expect(notes.slice(3, 5).map(({ string }) => string)).toEqual([1, 1]);
    });
  });

  describe('hops', () => {
    it('cost more the less time there is, and nothing on the same place', () => {
      const [slow, quick] = ['A3/2 C4/2', 'A3/16 C4/16'].map((line) => paid('hop', [line], '3:2 2:2')[1]!);
      expect(slow).toBeLessThan(quick!);
      expect(paid('hop', ['C4/4 C4/4'], '2:1 2:1')[1]).toBe(0);
    });

    it('a finger that was free over an open string moves for nothing', () => {
      const busy = paid('hop', ['A3/8 C4/8'], '3:2 2:2')[1]!;
      const idle = paid('hop', ['A3/8 B3/8 C4/8'], '3:2 2:0 2:2')[2]!;
      expect(idle).toBe(0);
      expect(idle).toBeLessThan(busy);
    });

    it('fingers that keep their shape hop as a block', () => {
      const block = paid('hop', ['B2+E3/4 E3+A3/4'], '5:2 4:3 4:2 3:3')[1]!;
      const single = paid('hop', ['B2/4 E3/4'], '5:2 4:2')[1]!;
      expect(block).toBeCloseTo(2 * costs.blockHop * single);
    });
  });

  describe('barres', () => {
    it('one that lies already only reaches further', () => {
      const [first, second, third] = paid('barre', ['A4/8 E4/8 C4/8'], '1:1 2:1 3:1');
      expect(first).toBe(0);
      expect(second).toBeGreaterThan(costs.barre * costs.barreFromTip);
      expect(third).toBeLessThan(costs.barre / 2);
    });

    it('fingers beyond the index do not lie flat for a note that merely rings on', () => {
      const voices = ['C3/8 F3/8 A3/8'];
      expect(paid('barre', voices, '5:3 4:3 3:2')).toEqual([0, 0, 0]);
      expect(paid('ringing lifted', voices, '5:3 4:3 3:2')[1]).toBeCloseTo(costs.liftRinging);
    });

    it('the index lies flat rather than be joined far beside on its fret', () => {
      const voices = ['C4/4 A3/4 F4/4', 'F2/2.'];
      const joined = paid('stretch', voices, '2:2 3:4 1:3 6:1');
      expect(Math.max(...joined)).toBeGreaterThan(costs.besideIndex);
      expect(Math.max(...paid('stretch', voices, '2:1 3:2 1:1 6:1'))).toBeLessThan(costs.besideIndex);
    });
  });

  describe('ringing', () => {
    it('a hand that leaves a broken chord pays once, and little for its other notes', () => {
      const voices = ['A3/8 C4/8 E4/8 A4/8'];
      // A4 on ① lifts E4; the shift lifts A3 and C4 too.
      const lifted = paid('ringing lifted', voices, '3:2 2:1 1:0 1:1')[3]!;
      expect(lifted).toBeGreaterThan(costs.liftRinging);
      expect(lifted).toBeLessThanOrEqual(costs.liftRinging + 2 * costs.liftRingingMore + 1e-9);
    });
  });

  describe('shifts', () => {
    const shiftOver = (line: string, tokens: string): number => Math.max(...paid('shift', [line], tokens));

    it('ride on an open string or a rest for a part of the price', () => {
      const legato = shiftOver('F4/8 G4/8 C5/8', '1:1 1:3 1:4');
      const onOpen = shiftOver('F4/8 E4/8 C5/8', '1:1 1:0 1:4');
      const inRest = shiftOver('F4/8 -/8 C5/8', '1:1 1:4');
      expect(onOpen).toBeLessThan(legato / 2);
      expect(inRest).toBeLessThan(legato / 2);
    });

    it('ride worse on an open string the further they go, and the less time there is', () => {
      const share = (seconds: number, to: number) => openShare(costs, hasteOf(costs, seconds), 1, to);
      expect(share(0.15, 6)).toBe(costs.shiftOnOpen);
      expect(share(0.15, 10)).toBeGreaterThan(1.4 * costs.shiftOnOpen);
      expect(share(0.4, 10)).toBeLessThan(share(0.15, 10));
    });

    it('ride on a barre that rests, not on one whose index plays the line', () => {
      const [line, tokens] = ['E4+A4/4 A4/4 B4/4', '2:1 1:1 1:1 1:1'];
      expect(shiftOver(line, tokens)).toBeGreaterThan(costs.shift * costs.shiftLedByLine);
      const rests = shiftOver('E4+A4/4 F#4+B4/4', '2:1 1:1 2:1 1:1');
      expect(rests).toBeLessThan(costs.shift * costs.shiftLedByLine);
    });

    it('inferred ringing does not tie the hand: the shift rides on the open string', () => {
      const voices = ['A3/8 C4/8 E4/8 A4/8'];
      const shift = paid('shift', voices, '3:2 2:1 1:0 1:1')[3]!;
      expect(shift).toBeLessThan(costs.shift);
    });
  });

  describe('first position', () => {
    it('a note set alone is read with the finger of its fret', () => {
      const voices = ['F4/4 E4/4'];
      const own = paid('extension', voices, '1:1 1:0')[0]!;
      const other = paid('extension', voices, '1:2 1:0')[0]!;
      expect(own).toBe(0);
      expect(other).toBeGreaterThan(costs.firstPositionAlone);
    });
  });

  describe('fingers on one string', () => {
    it('pass over each other only when the hand stays', () => {
      // D4 with 3, then C sharp below it with 4.
      expect(paid('finger change', ['D4/8 C#4/8'], '2:3 2:4')[1]).toBeCloseTo(costs.crossOver);
      expect(paid('finger change', ['D4/8 C#4/8'], '2:3 2:2')[1]).toBe(0);
      // 4 at the fifth fret, then 1 at the seventh: the hand has moved.
      expect(paid('finger change', ['A4/8 B4/8'], '1:4 1:1')[1]).toBe(0);
    });

    it('change on one place for a price', () => {
      expect(paid('finger change', ['D4/8 D4/8'], '2:3 2:4')[1]).toBeCloseTo(costs.swapFinger);
    });
  });

  it('a finger alone is drawn back at the nut the harder the further', () => {
    const drawn = (token: string): number => paid('extension', ['F4/4 A4/4'], `${token} 1:4`)[0]!;
    const habit = costs.firstPositionAlone;
    expect(drawn('1:2') - habit).toBeCloseTo(costs.nutBack);
    expect(drawn('1:3') - 2 * habit).toBeCloseTo(4 * costs.nutBack);
  });

  describe('height', () => {
    it('grows with the fret, and past the body of the guitar', () => {
      const at = (note: string): number => paid('height', [`${note}/4`], '1:4')[0]!;
      expect(at('C5')).toBeGreaterThan(at('A4'));
      const step = at('E5') - at('D#5');
      expect(at('F5') - at('E5')).toBeCloseTo(step + costs.pastTheBody);
    });
  });

  describe('schools', () => {
    it('legato pays for leaving its string and for open notes in a line', () => {
      const voices = ['D4/4 E4/4'];
      expect(paid('string change', voices, '2:3 1:0')[1]).toBe(0);
      const { leaveString, openInLine } = leftCosts('legato');
      expect(paid('string change', voices, '2:3 1:0', 'legato')[1]).toBeCloseTo(leaveString + openInLine);
      expect(paid('string change', voices, '2:1 2:3', 'legato')[1]).toBe(0);
    });

    it('campanella pays for staying on its string, and for stopped notes', () => {
      const { stayOnString, stoppedInLine } = leftCosts('campanella');
      expect(paid('string change', ['D4/4 E4/4'], '2:1 2:3', 'campanella')[1]).toBeCloseTo(
        stayOnString + stoppedInLine,
      );
      expect(paid('string change', ['D4/4 E4/4'], '2:3 1:0', 'campanella')[1]).toBe(0);
    });
  });

  it('a bass that an open string has is stopped at a price, but not in parallel with another note', () => {
    const stopped = (voices: readonly string[], tokens: string): number =>
      paid('open string', voices, tokens).at(-1)!;
    expect(stopped(['A2/4'], '6:1')).toBeCloseTo(costs.stoppedBass);
    expect(stopped(['A2/4'], '5:0')).toBe(0);
    expect(stopped(['B2/4'], '6:1')).toBe(0);
    expect(stopped(['G3/4'], '4:1')).toBe(0);
    // Tenths on ⑤ and ②: the bass of the second keeps its string beside D.
    expect(stopped(['C#3+E4/4 D3+F#4/4'], '5:1 2:2 5:1 2:3')).toBe(0);
    expect(stopped(['E3+B3/4 D3+F#4/4'], '4:2 2:0 5:1 2:3')).toBeCloseTo(costs.stoppedBass);
  });

  it('an open G that is the bass of a high chord keeps its colour, one above other notes does not', () => {
    const open = (chord: string, tokens: string): number => paid('open string', [chord], tokens)[0]!;
    expect(open('G3+G4+D5/4', '3:0 2:1 1:4')).toBe(0);
    expect(open('E3+G3+D5/4', '5:1 3:0 1:4')).toBeCloseTo(costs.openAgainstHigh);
    expect(open('E4+G4/4', '1:0 2:2')).toBeCloseTo(costs.openAgainstHigh);
  });

  it('open strings under a high tune are free, in it or in a chord high up they are not', () => {
    expect(paid('open string', ['B4/8t B3/8t G3/8t'], '1:4 2:0 3:0')).toEqual([0, 0, 0]);
    // In the tune itself an open treble falls out of its colour.
    expect(paid('string change', ['B4/4 C5/4 E4/4'], '1:1 1:2 1:0')[2]).toBeCloseTo(costs.openInHighLine);
    expect(paid('string change', ['F4/4 G4/4 E4/4'], '1:1 1:3 1:0')[2]).toBe(0);
    expect(paid('open string', ['B3+B4/4'], '2:0 1:4')[0]).toBeCloseTo(costs.openAgainstHigh);
  });
});
