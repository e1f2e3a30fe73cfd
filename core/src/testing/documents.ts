/** Ways to bend a MusicXML document of the example notation into the shapes that other programs write. */

/** The same music with `transpose` by an octave and a plain treble clef: pitches as written. */
export const withTranspose = (xml: string): string =>
  raiseOctaves(xml)
    .replace('<clef-octave-change>-1</clef-octave-change>', '')
    .replace(
      '</clef>',
      '</clef><transpose><chromatic>0</chromatic><octave-change>-1</octave-change></transpose>',
    );

/** The same music with a plain treble clef and nothing that tells of the octave. */
export const withPlainClef = (xml: string): string =>
  raiseOctaves(xml).replace('<clef-octave-change>-1</clef-octave-change>', '');

const raiseOctaves = (xml: string): string =>
  xml.replaceAll(/<octave>(\d)<\/octave>/g, (_, octave: string) => `<octave>${Number(octave) + 1}</octave>`);

/** The same music arranged by bar instead of by part. */
export const asTimewise = (xml: string): string =>
  xml
    .replaceAll('score-partwise', 'score-timewise')
    .replace('<part id="P1">', '')
    .replace(/<\/part>\s*<\/score-timewise>/, '</score-timewise>')
    .replaceAll(/<measure ([^>]*)>/g, '<measure $1><part id="P1">')
    .replaceAll('</measure>', '</part></measure>');
