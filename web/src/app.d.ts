import type { TeacherId } from '$lib/server/ids.ts';

declare global {
  namespace App {
    interface Error {
      message: string;
      code?: string;
      /** The request in the server's log. */
      requestId?: string;
    }
    interface Locals {
      teacher: TeacherId;
      requestId: string;
    }
  }
}

export {};
