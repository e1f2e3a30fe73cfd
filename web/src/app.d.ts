import type { TeacherId } from '$lib/server/ids.ts';

declare global {
  namespace App {
    interface Error {
      message: string;
      code?: string;
    }
    interface Locals {
      teacher: TeacherId;
    }
  }
}

export {};
