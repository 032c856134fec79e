/** What is known of a phone's clock: how far it is ahead of the server's, ms, and by how much that may be wrong. */
export interface PhoneClock {
  aheadMs: number;
  unsureMs: number;
}

/** A clock that is less wrong than this is right: a tap is not nearer to its moment, ms. */
const RIGHT_MS = 2000;
/** From this on it is said: people see a minute when they compare two phones, ms. */
export const SAID_MS = 60_000;

/**
 * Reads a phone's clock from one question to the server and its answer, as network time does (RFC 5905, section 8, with one time
 * stamp of the server for both): the answer was given halfway, and at worst right at either end.
 * @param askedMs when it was asked and @param heardMs when the answer was there, by the phone's clock, ms since 1970 UTC
 * @param serverMs when it was answered, by the server's
 */
export function readPhoneClock(
  { askedMs, heardMs }: { askedMs: number; heardMs: number },
  serverMs: number,
): PhoneClock {
  return { aheadMs: (askedMs + heardMs) / 2 - serverMs, unsureMs: Math.abs(heardMs - askedMs) / 2 };
}

/**
 * What to believe after another reading: the surer of two that agree; where they cannot both be right the clock was set meanwhile, and
 * the newer holds.
 */
export function believedClock(before: PhoneClock | null, now: PhoneClock): PhoneClock {
  if (before === null) return now;
  const agree = Math.abs(before.aheadMs - now.aheadMs) <= before.unsureMs + now.unsureMs + RIGHT_MS;
  return agree && before.unsureMs < now.unsureMs ? before : now;
}

/** By how much the phone's clock is put back, ms: nothing where it may be right. Taps of two phones then have one order. */
export const putBackMs = (clock: PhoneClock | null): number =>
  clock !== null && Math.abs(clock.aheadMs) > Math.max(RIGHT_MS, clock.unsureMs) ? Math.round(clock.aheadMs) : 0;
