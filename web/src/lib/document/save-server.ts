import { saveOutcomeSchema, type SaveOutcome, type SentEdit } from './saving.ts';

export interface SaveRequest {
  readonly base: number;
  readonly format: number;
  readonly edits: readonly SentEdit[];
}

/** What became of an attempt to save, as far as the page can do something about it. */
export type SaveAnswer =
  | { readonly kind: 'outcome'; readonly outcome: SaveOutcome }
  /** The server will never take these edits. */
  | { readonly kind: 'refused' }
  /** Nobody is signed in, or the page is not from here. */
  | { readonly kind: 'denied' }
  /** The fingering is no longer there. */
  | { readonly kind: 'gone' }
  /** The server is there and cannot do it now; `after` is when it wants to be asked again, in ms. */
  | { readonly kind: 'trouble'; readonly after?: number }
  | { readonly kind: 'offline'; readonly after?: number };

export interface SaveServer {
  save(fingering: string, request: SaveRequest): Promise<SaveAnswer>;
  /** Sends once, also while the page goes away; nobody hears the answer. */
  farewell(fingering: string, request: SaveRequest): void;
}

/** Longest that an answer is waited for, in ms. */
const PATIENCE = 15_000;

const answerOf = async (response: Response): Promise<SaveAnswer> => {
  const { status } = response;
  if (status === 200 || status === 409) {
    const outcome = saveOutcomeSchema.safeParse(await response.json().catch(() => undefined));
    return outcome.success ? { kind: 'outcome', outcome: outcome.data } : { kind: 'trouble' };
  }
  if (status === 401 || status === 403 || status === 421) return { kind: 'denied' };
  if (status === 404 || status === 410) return { kind: 'gone' };
  if (status === 408 || status === 429 || status >= 500) {
    const seconds = Number(response.headers.get('retry-after'));
    return { kind: 'trouble', ...(seconds > 0 && { after: seconds * 1000 }) };
  }
  return { kind: 'refused' };
};

const post = (fingering: string, request: SaveRequest, more: RequestInit): Promise<Response> =>
  fetch(`/api/fingerings/${fingering}/edits`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(request),
    ...more,
  });

/** The server that this page came from. */
export const pageServer: SaveServer = {
  async save(fingering, request) {
    try {
      return await answerOf(await post(fingering, request, { signal: AbortSignal.timeout(PATIENCE) }));
    } catch (error) {
      return { kind: (error as Error).name === 'TimeoutError' ? 'trouble' : 'offline' };
    }
  },
  farewell(fingering, request) {
    void post(fingering, request, { keepalive: true }).catch(() => undefined);
  },
};
