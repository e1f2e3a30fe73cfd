/** The music fonts must be there before the first note is made: widths measured earlier stay wrong. */
export const loadMusicFonts = async (): Promise<void> => {
  const wanted = [...document.fonts].filter((font) => /Bravura|Academico/.test(font.family));
  await Promise.all(wanted.map((font) => font.load()));
};
