/** Who is right where the planner disagrees with the accepted fingerings of a passage, and why. */
export interface Judgement {
  readonly right: 'accepted' | 'ours' | 'both';
  readonly because: string;
}

const accepted = (because: string): Judgement => ({ right: 'accepted', because });
const ours = (because: string): Judgement => ({ right: 'ours', because });
const both = (because: string): Judgement => ({ right: 'both', because });

const TUNED_ON: Readonly<Record<string, Judgement>> = {
  'triad of A minor': both('Ours lets the whole chord ring with 4 on ⑤; a player in a hurry hops with 3.'),
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
  'A minor, A minor seventh, F major seventh': ours('1 is kept free for F2, and the other fingers stay.'),
  'A falls to E over A2': both('Ours slides 3 from A to G; the list slides 4.'),
  'F G over a stopped E4': ours('E4 can be the open string when F and G go to ②; the list had not seen it.'),
  'F falls to E over F2': both('3 first, then 2: nothing lies in the way of either.'),
  'the barre leaves for the open string': accepted('A half bar of F with a melody on ① and ② is a barre.'),
  'up the first string from the open E': accepted(
    'One leap on the open string, but F4 on ③ is dark and far from E4; two shifts on ① sing better.',
  ),
  'broken fourths and thirds in first position': accepted(
    'Finger and fret are one here, as a beginner reads it.',
  ),
  'D major broken in one voice, then A7': both(
    '2 4 3 leaves 2 near ④ for A7; 1 3 2 is what is learned first.',
  ),
  'a fanfare in G': both('2 on D4 under 3 on G4, or 3 under 4.'),
  'bells rise in D': accepted('F♯4 belongs on ②, so that E4 and G4 ring over it.'),
  'high notes for a moment': both('F4 on ② in position V under the open E, or back to first position.'),
  'B minor broken under a barre': accepted(
    'The open B is easy but stops when D4 is struck; the barre lets all ring.',
  ),
  'C minor broken in position III': both('Four fingers without a barre, or a barre over five strings.'),
  'thirds rise from the third fret': both('The first third has an open string for nothing.'),
  'tenths on ⑤ and ②': both('C3 with 3 beside the open E.'),
  'bells from G to E': accepted('The open G is a bell that ours stops on ④.'),
  'A minor rises over the open E': accepted('Ours goes past the twelfth fret to spare two shifts.'),
  'the hand moves in a rest': both('Ours lies in position V from the start.'),
};

const REPORTED: Readonly<Record<string, Judgement>> = {
  'triad of F': accepted('A barre of two strings is what a player lays here; ours sets 2 beside 1.'),
  'triad of D minor': both('4 on D4 while 3 stays on F3, or 3 hops and F3 stops.'),
  'G7, broken in the bass': both('4 on F3 while 3 stays on G2.'),
  'octaves of G, broken': accepted('A3 with 3 keeps 2 for B2, which has time enough.'),
  'A augmented': accepted('Three fingers are clearer than a small barre of 1; the price is nearly the same.'),
  'minor sixths on ③ and ①': both('C♯4 on ② and A4 on ① without a slide.'),
  'C D E on ②': both('E4 open at the top of the line, or stopped for its colour.'),
  'E minor falls past the open E': both('F♯4 on ② in position V; the list wants ①.'),
  'a phrase up to B and home': both('Ours stays in position IV to the end, with the open E between.'),
  'C major, then high after a rest': both('Ours lies in position V from the start.'),
  'E major, broken to B4': both('G♯4 on ② or on ①.'),
};

export const JUDGEMENTS: Readonly<Record<string, Judgement>> = { ...TUNED_ON, ...REPORTED };
