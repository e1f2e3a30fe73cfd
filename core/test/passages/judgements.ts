/** Who is right where the planner disagrees with the accepted fingerings of a passage, and why. */
export interface Judgement {
  readonly right: 'accepted' | 'ours' | 'both';
  readonly because: string;
}

const accepted = (because: string): Judgement => ({ right: 'accepted', because });
const both = (because: string): Judgement => ({ right: 'both', because });

const TUNED_ON: Readonly<Record<string, Judgement>> = {
  'a waltz in C': both('4 on G2 while 3 stays near C3, or 3 hops to the next string.'),
  'sixths rising on ④ and ②: the same fingers lead': both(
    'Ours takes the second sixth open and goes on over ③ and ①; the list keeps ④ and ② or does as ours does.',
  ),
  'from the open third string over the second, like bells': accepted(
    'A3 belongs on ④, so that G3 rings over it.',
  ),
  'F sharp diminished into G': both('Ours slides a barre on the middle strings; four fingers are as usual.'),
  'a shape that slides up two frets': both(
    'Ours slides one shape; the open strings of the list are as good.',
  ),
  'a bass falls from C to G': accepted('A tune by leaps in first position is read with its open strings.'),
  'down the first string to the open E': both(
    'Ours shifts once and ends in position V on ②; the list comes down to first position.',
  ),
  'triad of A minor': both('Ours lets the whole chord ring with 4 on ⑤; a player in a hurry hops with 2.'),
  'D minor over F': both('Ours spares the barre with four fingers; most teachers lay the barre.'),
  'high notes after a rest': both('Ours lies in position V from the start and needs no shift.'),
  'bells of G and A': accepted('E4 stopped by 4 is no bell; the open string is meant.'),
  'A with a fourth that falls': both('2 slides under the barre, or 1 takes the note as well.'),
  'E in the bass to B minor: the third finger leads': both(
    'With 1 on ④ the hand is in position II already and need not be led.',
  ),
  'E, A, D and A': both(
    'Ours takes A with a half barre, so that 1 stays on ③ for D; three fingers ring clearer.',
  ),
  'F falls to E over F2': both('3 first, then 2: nothing lies in the way of either.'),
  'up the first string from the open E': accepted(
    'One leap on the open string, but F4 on ③ is dark and far from E4; two shifts on ① sing better.',
  ),
  'broken fourths and thirds in first position': accepted(
    'Finger and fret are one here, as a beginner reads it.',
  ),
  'bells rise in D': accepted('F♯4 belongs on ②, so that E4 and G4 ring over it.'),
  'high notes for a moment': both('F4 on ② in position V under the open E, or back to first position.'),
  'bells from G to E': accepted('The open G is a bell that ours stops on ④.'),
};

const REPORTED: Readonly<Record<string, Judgement>> = {
  'G sharp A over E2': both('2 and 3, or 1 and 2: the hand lies a fret lower or higher.'),
  'E D C D over C3': both('C4 on ③ in position II, or on ② in first position.'),
  'A falls to F over A2 and D3': both('Position V to the end, with F4 on ②, or down ① to first position.'),
  'rings: a rocking bass in C': both('The hand a fret lower, with 2 on C3.'),
  'triad of D minor': both('4 on D4 while 3 stays on F3, or 3 hops and F3 stops.'),
  'G7, broken in the bass': both('4 on F3 while 3 stays on G2.'),
  'octaves of G, broken': accepted('A3 with 3 keeps 2 for B2, which has time enough.'),
  'A augmented': accepted('Three fingers are clearer than a small barre of 1; the price is nearly the same.'),
  'C D E on ②': both('E4 open at the top of the line, or stopped for its colour.'),
  'a phrase up to B and home': both('Ours comes down to position II for A, and has 3 on D♯ there.'),
};

export const JUDGEMENTS: Readonly<Record<string, Judgement>> = { ...TUNED_ON, ...REPORTED };
