/** How the time of a day is spent, as shares of it. Our own values; hardest first and again last is common practice. */
export const SHARES = { warmUp: 0.15, spots: 0.45, pieces: 0.25, again: 0.15 } as const;
/** A spot gets so many minutes at a time. Our own values. */
export const SPOT_MINUTES = { least: 3, most: 7 } as const;
/** A break after each stretch of practice, in minutes. Common practice, no published source. */
export const BREAK = { after: 25, minutes: 5 } as const;
/** Less than this is not worth being called a part of a session, in minutes. */
const LEAST_PART = 2;

/** One thing to do in a session. */
export type SessionPart<Spot> =
  | { readonly kind: 'warm-up' | 'pieces' | 'break'; readonly minutes: number }
  | { readonly kind: 'spot' | 'again'; readonly spot: Spot; readonly minutes: number };

/** Breaks that fit into so many minutes of a day: 25 of practice, 5 of rest, over and over. */
export const breaksIn = (minutes: number): number =>
  Math.floor(Math.max(0, minutes - 1) / (BREAK.after + BREAK.minutes));

/** How many spots a day of so many minutes has room for. */
export const roomForSpots = (minutes: number): number => {
  const playing = minutes - breaksIn(minutes) * BREAK.minutes;
  return Math.max(
    playing >= SPOT_MINUTES.least ? 1 : 0,
    Math.floor((SHARES.spots * playing) / SPOT_MINUTES.least),
  );
};

/** A part is not cut into pieces shorter than this: the break comes before or after it instead. In minutes; our own value. */
const LEAST_PIECE = 3;

/**
 * Puts a break after each stretch of practice; a long part that would run into it is cut in two. Where the stretches came out so
 * that one is left over, the last part is rested for.
 */
const withBreaks = <Spot>(
  parts: readonly SessionPart<Spot>[],
  breaks: number,
): readonly SessionPart<Spot>[] => {
  const laid: SessionPart<Spot>[] = [];
  let since = 0;
  let left = breaks;
  const rest = (): void => {
    laid.push({ kind: 'break', minutes: BREAK.minutes });
    since = 0;
    left -= 1;
  };
  for (const part of parts) {
    let { minutes } = part;
    while (left > 0 && since + minutes > BREAK.after) {
      const before = BREAK.after - since;
      if (before >= LEAST_PIECE && minutes - before >= LEAST_PIECE) {
        laid.push({ ...part, minutes: before });
        minutes -= before;
      } else if (before >= LEAST_PIECE) break;
      rest();
    }
    laid.push({ ...part, minutes });
    since += minutes;
    if (left > 0 && since >= BREAK.after) rest();
  }
  const last = laid.splice(-1);
  while (left > 0) rest();
  return [...laid, ...last];
};

/**
 * A day of so many whole minutes: a warm-up, the spots that are due (the hardest first), the pieces, and the hardest spot
 * again. The minutes of all parts with the breaks are exactly those there are; spots that find no room are left out, the
 * last ones first.
 */
export const sessionOf = <Spot>(minutes: number, due: readonly Spot[]): readonly SessionPart<Spot>[] => {
  const breaks = breaksIn(minutes);
  const playing = minutes - breaks * BREAK.minutes;
  if (playing <= 0) return [];
  const met = due.slice(0, roomForSpots(minutes));
  const wanted = {
    warmUp: Math.round(SHARES.warmUp * playing),
    again: met.length > 0 ? Math.round(SHARES.again * playing) : 0,
  };
  const warmUp = wanted.warmUp >= LEAST_PART ? wanted.warmUp : 0;
  const again = wanted.again >= LEAST_PART ? Math.min(wanted.again, SPOT_MINUTES.most) : 0;
  const forSpots = Math.min(
    met.length * SPOT_MINUTES.most,
    Math.max(Math.round(SHARES.spots * playing), met.length * SPOT_MINUTES.least),
    playing - warmUp - again,
  );
  const each = met.length > 0 ? Math.floor(forSpots / met.length) : 0;
  const extra = forSpots - each * met.length;
  const pieces = playing - warmUp - again - (met.length > 0 ? forSpots : 0);
  const parts: readonly SessionPart<Spot>[] = [
    { kind: 'warm-up', minutes: warmUp },
    ...met.map((spot, place) => ({ kind: 'spot' as const, spot, minutes: each + (place < extra ? 1 : 0) })),
    { kind: 'pieces', minutes: pieces },
    ...(met.length > 0 ? [{ kind: 'again' as const, spot: met[0]!, minutes: again }] : []),
  ];
  return withBreaks(
    parts.filter((part) => part.minutes > 0),
    breaks,
  );
};
