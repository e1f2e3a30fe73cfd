/** A little piece to begin with. */
export const EXAMPLE = `X:1
T:Untitled
M:3/4
L:1/8
Q:1/4=80
K:C
V:1
e2 g2 e2 | d2 B2 G2 | A2 c2 B2 | c6 |]
V:2
C6 | G,6 | F,4 G,2 | C6 |]
`;

/** The signs of ABC that are read here, as they are explained. */
export const ABC_SIGNS: readonly (readonly [string, string])[] = [
  ['T: C: M: L: Q: K:', 'title, composer, meter, length of a plain letter, tempo, key (K: last)'],
  ['V:1  V:2', 'voices, each on lines of its own'],
  ['C, … B,  C … B  c … b', 'as written in the guitar’s staff: E, is the open sixth string'],
  ['^F  _B  =C', 'sharp, flat, natural, to the end of the bar'],
  ['A2  A/  A3/', 'twice, half, one and a half times as long'],
  ['z2', 'rest'],
  ['[CEG]', 'together'],
  ['|  ||  |]  |:  :|', 'bar lines, repeats'],
  ['[1  [2', 'endings'],
  ['A-A  (AB)', 'tie, slur'],
  ['(3ABc', 'three in the time of two'],
  ['{g}A', 'grace note'],
  ['!2!A', 'left-hand finger, fixed'],
  ['!mf!  !fermata!', 'dynamics, fermata, staccato, accent, tenuto'],
];
