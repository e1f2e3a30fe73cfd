import { browser } from '$app/environment';
import { startSource } from '$lib/workbench/source.ts';
import type { PageLoad } from './$types';

/** The file of the piece is on its way while the page is still being made, or while a link to it is pointed at. */
export const load: PageLoad = ({ data, params, fetch }) => ({
  ...data,
  source: browser ? startSource(params.piece, fetch) : undefined,
});
