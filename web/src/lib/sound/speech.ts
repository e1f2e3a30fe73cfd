import type { Language } from '@oculon/core';

/** How long a voice may take to begin where none is known, in ms. */
const VOICE_PATIENCE = 600;

/** Whether the browser has a voice. */
export const canSpeak = (): boolean => typeof speechSynthesis !== 'undefined';

/** A sentence as it is spoken: circled strings by their numbers, accidentals by name. */
export const spokenText = (text: string, language: Language, string: string): string => {
  const names = language === 'es' ? { '♯': ' sostenido', '♭': ' bemol' } : { '♯': ' sharp', '♭': ' flat' };
  return text
    .replaceAll(/[①-⑥]/g, (sign) => `${string} ${sign.codePointAt(0)! - 0x2460 + 1}`)
    .replaceAll(/[♯♭]/g, (sign) => names[sign as keyof typeof names]);
};

/** Speaks sentences one after the other in a language; resolves when all are said or it was hushed. */
export const speak = (sentences: readonly string[], language: Language): Promise<void> =>
  new Promise((resolve) => {
    speechSynthesis.cancel();
    const utterance = new SpeechSynthesisUtterance(sentences.join(' '));
    utterance.lang = language;
    const voice = speechSynthesis.getVoices().find(({ lang }) => lang.startsWith(language));
    if (voice) utterance.voice = voice;
    utterance.onend = () => resolve();
    utterance.onerror = () => resolve();
    let isHeard = false;
    utterance.onstart = () => (isHeard = true);
    speechSynthesis.speak(utterance);
    // A browser without any voice never begins, and never says that it is done.
    setTimeout(() => {
      if (!isHeard && speechSynthesis.getVoices().length === 0) resolve();
    }, VOICE_PATIENCE);
  });

export const hushVoice = (): void => {
  if (canSpeak()) speechSynthesis.cancel();
};
