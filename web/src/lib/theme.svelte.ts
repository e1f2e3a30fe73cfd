import { browser } from '$app/environment';
import { keep, kept } from './browser-storage.svelte.ts';

export const THEMES = ['stand', 'lamp'] as const;
export type Theme = (typeof THEMES)[number];

const KEY = 'oculon-theme';

/** Paper or lamp light; follows the system until the teacher chooses. */
class ThemeChoice {
  chosen = $state<Theme>();

  constructor() {
    if (!browser) return;
    const before = kept(KEY);
    this.chosen = THEMES.find((theme) => theme === before);
    this.#show();
  }

  get isDark(): boolean {
    return (
      (this.chosen ?? (browser && matchMedia('(prefers-color-scheme: dark)').matches ? 'lamp' : 'stand')) ===
      'lamp'
    );
  }

  toggle(): void {
    this.chosen = this.isDark ? 'stand' : 'lamp';
    keep(KEY, this.chosen);
    this.#show();
  }

  #show(): void {
    if (this.chosen) document.documentElement.dataset.theme = this.chosen;
  }
}

export const theme = new ThemeChoice();
