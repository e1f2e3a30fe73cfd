/** What the keeper of the page is told: everything that was fetched for it. */
export interface KeepMessage {
  readonly kind: 'keep';
  readonly page: string;
  readonly addresses: readonly string[];
}
export const OFFLINE_CACHE = 'oculon-student';
/** Each page is kept at a time of its own. */
const keptAt = (): string => `oculon-kept-at ${location.pathname}`;

/** Keeps this page and all it was made of in the browser, to be opened and heard without a network. */
export const keepForOffline = async (isOnline: boolean, sounds?: string): Promise<void> => {
  if (!('serviceWorker' in navigator)) return;
  try {
    await navigator.serviceWorker.register('/service-worker.js', { scope: '/s/' });
    const { active } = await navigator.serviceWorker.ready;
    const addresses = performance
      .getEntriesByType('resource')
      .map(({ name }) => name)
      .filter((name) => new URL(name).origin === location.origin);
    const message: KeepMessage = { kind: 'keep', page: location.href.split('#')[0]!, addresses };
    active?.postMessage(message);
    if (isOnline) await keepSound(sounds);
    if (isOnline) localStorage.setItem(keptAt(), new Date().toISOString());
  } catch {
    // A browser that keeps nothing opens the page with a network alone.
  }
};

/** Fetches what is heard and what makes the sound, so that it is kept though nobody has listened yet. */
const keepSound = async (sounds: string | undefined): Promise<void> => {
  const [{ instrumentAddress }] = await Promise.all([
    import('../sound/instrument.ts'),
    import('../sound/player.ts'),
    import('../sound/sound-settings-schema.ts'),
  ]);
  await fetch(instrumentAddress);
  if (sounds) await fetch(sounds);
};

/** Whether the server answers. A browser that is in some network believes itself online, whatever lies behind it. */
export const isReachable = async (): Promise<boolean> => {
  if (!navigator.onLine) return false;
  // Asked past what is kept: that answers always.
  return fetch(`${location.pathname}/manifest.webmanifest`, { method: 'HEAD', cache: 'no-store' }).then(
    () => true,
    () => false,
  );
};

/** When this page was last kept; undefined when it never was. */
export const keptOn = (): Date | undefined => {
  try {
    const kept = localStorage.getItem(keptAt());
    return kept ? new Date(kept) : undefined;
  } catch {
    return undefined;
  }
};
