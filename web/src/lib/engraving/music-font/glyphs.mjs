/**
 * The signs of music that guitar pieces are written with, by their code points in SMuFL (Standard Music Font Layout 1.4,
 * W3C): ranges with both ends. A sign beyond them is drawn from the whole font, which is then fetched.
 */
export const MUSIC_GLYPHS = [
  [0xe040, 0xe04f], // repeats, segno, coda
  [0xe050, 0xe053], // treble clefs
  [0xe05c, 0xe05c], // C clef
  [0xe062, 0xe064], // bass clefs
  [0xe06d, 0xe06e], // tablature clefs
  [0xe080, 0xe08f], // time signatures
  [0xe0a0, 0xe0af], // noteheads
  [0xe0d8, 0xe0e4], // diamonds of harmonics
  [0xe1d0, 0xe1ef], // single notes, as in tempo marks, and dots
  [0xe220, 0xe224], // strokes of a tremolo
  [0xe240, 0xe24f], // flags
  [0xe260, 0xe26b], // accidentals
  [0xe4a0, 0xe4b7], // articulations
  [0xe4c0, 0xe4d7], // fermatas, breaths, caesuras
  [0xe4e0, 0xe4f5], // rests
  [0xe520, 0xe53f], // dynamics
  [0xe566, 0xe56e], // ornaments
  [0xe610, 0xe614], // strokes of a bow, which stand for strums
  [0xe63c, 0xe63d], // arpeggios
  [0xe880, 0xe88a], // digits of tuplets
  [0xeaa9, 0xeaae], // wavy lines
];
