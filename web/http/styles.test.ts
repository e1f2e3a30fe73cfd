import { expect, it } from 'vitest';
import { address, importedPiece } from './ask.ts';

it('no style asks what the whole page has in it: a long sheet would answer whenever anything is styled', async () => {
  const { piece } = await importedPiece();
  const page = await (await fetch(new URL(`/pieces/${piece}`, address))).text();
  const links = [...page.matchAll(/<link[^>]+href="([^"]+\.css)"[^>]*>/g)].map(([, href]) => href!);
  expect(links.length).toBeGreaterThan(0);
  for (const href of links) {
    const styles = await (await fetch(new URL(href, new URL(`/pieces/${piece}/x`, address)))).text();
    expect(styles.match(/(?:^|[\s,(}])(?::root|html|body)(?:[.#[:][^\s,{>+~]*)?:has\([^{]*/g) ?? []).toEqual(
      [],
    );
  }
});
