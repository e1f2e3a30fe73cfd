import { test as base } from '@playwright/test';
import { addressOf } from '../playwright.config';

/** Each worker has a server, and with it a teacher, of its own: the tests of one never see the pieces of the other's. */
export const test = base.extend({
  baseURL: async ({}, use, { parallelIndex }) => use(addressOf(parallelIndex)),
});

export { expect } from '@playwright/test';
export type { Page, Route } from '@playwright/test';
