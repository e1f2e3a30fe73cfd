import {
  difficultyText,
  englishWording,
  findingText,
  guideText,
  heldText,
  leftTermsText,
  likenessText,
  markText,
  placeText,
  preparationText,
  problemText,
  repairText,
  rightTermsText,
  ruleText,
  signText,
  type Wording,
} from '@oculon/core';

/** The language of the interface; what is said for a student is said in the student's. */
export const wording: Wording = englishWording();
export const { say } = wording;

type Said<Rest extends readonly unknown[]> = (...rest: Rest) => string;
/** A way of saying things, in the language of the interface. */
const here =
  <Rest extends readonly unknown[]>(text: (wording: Wording, ...rest: Rest) => string): Said<Rest> =>
  (...rest) =>
    text(wording, ...rest);

export const placeWords = here(placeText);
export const findingWords = here(findingText);
export const problemWords = here(problemText);
export const repairWords = here(repairText);
export const signWords = here(signText);
export const preparationWords = here(preparationText);
export const heldWords = here(heldText);
export const guideWords = here(guideText);
export const likenessWords = here(likenessText);
export const markWords = here(markText);
export const ruleWords = here(ruleText);
export const leftTermWords = here(leftTermsText);
export const rightTermWords = here(rightTermsText);
export const difficultyWords = here(difficultyText);
