import { browser } from '$app/environment';

/** Where small choices are kept; undefined when the browser keeps nothing for this address. */
const storage = (): Storage | undefined => {
  try {
    return browser ? localStorage : undefined;
  } catch {
    return undefined;
  }
};

/** What was kept under a name, if anything could be. */
export const kept = (key: string): string | undefined => {
  try {
    return storage()?.getItem(key) ?? undefined;
  } catch {
    return undefined;
  }
};

/** Keeps a small choice, where that is possible. */
export const keep = (key: string, value: string): void => {
  try {
    storage()?.setItem(key, value);
  } catch {
    // It lasts until the page is closed; the page says so once.
  }
};

const PROBE = 'oculon-probe';

const canKeepEdits = (): Promise<boolean> =>
  new Promise((resolve) => {
    try {
      const asked = indexedDB.open(PROBE);
      asked.onsuccess = () => {
        asked.result.close();
        indexedDB.deleteDatabase(PROBE);
        resolve(true);
      };
      asked.onerror = () => resolve(false);
    } catch {
      resolve(false);
    }
  });

/** What this browser does not keep; told once. */
class StorageLack {
  /** Undefined until it is known. */
  lack = $state<'nothing' | 'choices' | 'edits' | 'both'>();
  #isAsked = false;

  async find(): Promise<void> {
    if (this.#isAsked) return;
    this.#isAsked = true;
    keep(PROBE, 'yes');
    const choices = kept(PROBE) === 'yes';
    if (choices) storage()?.removeItem(PROBE);
    const edits = await canKeepEdits();
    this.lack = choices ? (edits ? 'nothing' : 'edits') : edits ? 'choices' : 'both';
  }

  seen(): void {
    this.lack = 'nothing';
  }
}
export const storageLack = new StorageLack();
