import { keep, kept } from '../browser-storage.svelte.ts';
import { PLAIN_SOUND } from './sound-settings.ts';
import type { SoundSettings } from './sound-settings-schema.ts';

const KEPT_AS = 'oculon-sound';

/** How one listened last; the plain settings where nothing usable is kept. Nothing kept, nothing to load for checking it. */
export const keptSettings = async (): Promise<SoundSettings> => {
  const text = kept(KEPT_AS);
  if (!text) return PLAIN_SOUND;
  try {
    const { soundSettingsSchema } = await import('./sound-settings-schema.ts');
    return soundSettingsSchema.parse({ ...PLAIN_SOUND, ...JSON.parse(text) });
  } catch {
    return PLAIN_SOUND;
  }
};
export const keepSettings = (settings: SoundSettings): void => keep(KEPT_AS, JSON.stringify(settings));
