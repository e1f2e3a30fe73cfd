/**
 * The signs of music that guitar pieces are written with, by their code points in SMuFL (Standard Music Font Layout 1.4,
 * W3C): ranges with both ends. A sign beyond them is drawn from the whole font, which is then fetched. Dynamics are
 * written in letters, dots and lines of repeats are drawn.
 */
export const MUSIC_GLYPHS = [
  [0xe047, 0xe048], // segno, coda
  [0xe050, 0xe050], // treble clef
  [0xe052, 0xe052], // treble clef an octave down
  [0xe05c, 0xe05c], // C clef
  [0xe062, 0xe062], // bass clef
  [0xe064, 0xe064], // bass clef an octave down
  [0xe06d, 0xe06d], // tablature clef
  [0xe080, 0xe08c], // time signatures
  [0xe0a0, 0xe0a0], // notehead of a double whole
  [0xe0a2, 0xe0a4], // noteheads
  [0xe0a6, 0xe0a9], // crosses
  [0xe0d8, 0xe0de], // diamonds of harmonics
  [0xe1e7, 0xe1e7], // dot
  [0xe220, 0xe220], // stroke of a tremolo
  [0xe240, 0xe249], // flags
  [0xe260, 0xe264], // accidentals
  [0xe26a, 0xe26b], // brackets of accidentals
  [0xe4a0, 0xe4ad], // articulations
  [0xe4c0, 0xe4c1], // fermatas
  [0xe4ce, 0xe4d1], // breaths, caesura
  [0xe4e2, 0xe4ea], // rests
  [0xe566, 0xe56e], // ornaments
  [0xe610, 0xe614], // strokes of a bow, which stand for strums
  [0xe63c, 0xe63c], // arpeggio
  [0xe880, 0xe88a], // digits of tuplets
  [0xeaa9, 0xeaae], // wavy lines
];
