import { keep, kept } from '../browser-storage.svelte.ts';
import { PLAIN_SOUND, soundSettingsSchema, type SoundSettings } from './sound-settings.ts';

const KEPT_AS = 'oculon-sound';

/** How one listened last; the plain settings where nothing usable is kept. */
export const keptSettings = (): SoundSettings => {
  try {
    return soundSettingsSchema.parse({ ...PLAIN_SOUND, ...JSON.parse(kept(KEPT_AS) ?? '{}') });
  } catch {
    return PLAIN_SOUND;
  }
};
export const keepSettings = (settings: SoundSettings): void => keep(KEPT_AS, JSON.stringify(settings));
