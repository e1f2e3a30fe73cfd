/**
 * The music fonts must be there before the first note is made: widths measured earlier stay wrong. The whole music font, which
 * has the rarest signs, is fetched only when one of them is drawn.
 */
export const loadMusicFonts = async (): Promise<void> => {
  const wanted = [...document.fonts].filter((font) => font.family.includes('Oculon Music'));
  await Promise.all(wanted.map((font) => font.load()));
};
