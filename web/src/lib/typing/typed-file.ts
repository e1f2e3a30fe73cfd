/** The ending of the name of a file that was typed here. */
export const TYPED_ENDING = '.abc.musicxml';
const FIELD = 'typed-in-abc';

/** What XML cannot carry. */
const UNPRINTABLE = /[^\P{Cc}\n\t]/gu;

const escaped = (text: string): string =>
  text.replaceAll(UNPRINTABLE, '').replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

/** A new MusicXML document that carries the text it was typed as, so that the text can be corrected later. */
export const withTyped = (xml: string, typed: string): string => {
  const field = `<miscellaneous><miscellaneous-field name="${FIELD}">${escaped(typed)}</miscellaneous-field></miscellaneous>`;
  return xml.includes('</identification>')
    ? xml.replace('</identification>', () => `${field}</identification>`)
    : xml.replace('<part-list>', () => `<identification>${field}</identification>\n  <part-list>`);
};

/** The text that a document was typed as; undefined for one that came from elsewhere. */
export const typedIn = (xml: string): string | undefined => {
  const found = new RegExp(`<miscellaneous-field name="${FIELD}">([^<]*)</miscellaneous-field>`).exec(
    xml,
  )?.[1];
  return found?.replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&amp;', '&');
};
