import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page } from './test';

// axe-core, an independent checker of accessibility; its rules for WCAG 2.2 A and AA.
const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

interface Checked {
  readonly violations: readonly {
    readonly id: string;
    readonly nodes: readonly { readonly html: string }[];
  }[];
}

/** That nothing on the page shuts anybody out, as far as axe can see. */
export const expectAccessible = async (page: Page): Promise<void> => {
  await page.evaluate(SOURCE);
  const { violations } = await page.evaluate(
    (tags) =>
      (
        window as unknown as { axe: { run: (context: Document, options: object) => Promise<Checked> } }
      ).axe.run(document, { runOnly: { type: 'tag', values: tags }, resultTypes: ['violations'] }),
    TAGS,
  );
  expect(
    violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`),
  ).toEqual([]);
};
