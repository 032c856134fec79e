import type { Metrics } from './metrics';

/** Votes between which one is right, neither too cool nor too warm (ISO 10551: −1 cool, +1 warm; half way to each). */
export const RIGHT = { from: -0.6, to: 1 } as const;
/** Votes from which one is hot, and down to which one is cold (ISO 10551). */
export const FELT = { hot: 1.6, cold: -1.5 } as const;

/** How an outing feels as a whole: what one says of it afterwards in a word and a time. */
export interface Felt {
  /** the coolest vote of the first five minutes */
  atDoor: number;
  /** from when on it is right, s; null: never */
  rightAtS: number | null;
  /** from when on it is hot, and for how long altogether, s and min; null: never */
  hotAtS: number | null;
  hotMinutes: number;
  coldAtS: number | null;
  coldMinutes: number;
}

/** Within so many seconds one is still at the door. */
const AT_DOOR_S = 300;

/** Reads how it feels from a run. @param stepS of its samples, s */
export function feltOf(m: Pick<Metrics, 'sensation'>, stepS: number): Felt {
  const votes = m.sensation;
  const minutes = (of: (v: number) => boolean) => (votes.reduce((n, v) => n + (of(v) ? 1 : 0), 0) * stepS) / 60;
  const first = (of: (v: number) => boolean, from = 0): number | null => {
    for (let i = from; i < votes.length; i++) if (of(votes[i])) return i * stepS;
    return null;
  };
  const hot = (v: number) => v >= FELT.hot;
  const cold = (v: number) => v <= FELT.cold;
  // The first sample is still indoors.
  let coolest = Math.min(1, votes.length - 1);
  for (let i = coolest; i < votes.length && i * stepS <= AT_DOOR_S; i++) if (votes[i] < votes[coolest]) coolest = i;
  const right = (v: number) => v >= RIGHT.from && v <= RIGHT.to;
  return {
    atDoor: votes[coolest],
    rightAtS: right(votes[coolest]) ? 0 : first(right, coolest),
    hotAtS: first(hot),
    hotMinutes: minutes(hot),
    coldAtS: first(cold),
    coldMinutes: minutes(cold),
  };
}
