import { openVersion } from '$lib/server/fingerings/open-version.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => openVersion(params, locals);
