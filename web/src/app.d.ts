import type { Visitor } from '$lib/server/teachers/visit.ts';

declare global {
  namespace App {
    interface Error {
      message: string;
      code?: string;
      /** The request in the server's log. */
      requestId?: string;
    }
    interface Locals {
      /** Missing at the door, where nobody needs to be signed in. */
      visitor?: Visitor;
      requestId: string;
    }
  }
}

export {};
