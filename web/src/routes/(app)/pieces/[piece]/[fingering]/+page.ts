import { applyEdits, EMPTY_FINGERING } from '@oculon/core';
import { browser } from '$app/environment';
import { readAhead } from '$lib/planner/client.ts';
import { sourceFor } from '$lib/planner/source.ts';
import type { PageLoad } from './$types';

/**
 * The file of the piece is on its way, and the planner begins to read it, while the page is still being made, or while a link to
 * it is pointed at.
 */
export const load: PageLoad = ({ data, params, fetch }) => {
  if (!browser) return { ...data, source: undefined };
  const source = sourceFor(params.piece, data.digest, fetch);
  const fingering = applyEdits(EMPTY_FINGERING, data.edits);
  void readAhead({ part: data.part, source, fingering });
  return { ...data, source };
};
