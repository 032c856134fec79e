import type { Engine } from '@/core/effort/legEffort';
import type { Sport } from '@/core/effort/sports';
import type { Effort, Leg } from './leg';
import { paceFor } from './pace';
import { climbOf, type Profile } from './route';

type Slope = 'climb' | 'flat' | 'descent';

/** How a route is gone. */
export interface Going {
  sport: Sport;
  effort: Effort;
  /** pack beyond clothing, kg */
  loadKg: number;
  /** minutes from the track's own times where it has them, or from the effort */
  clock: 'recorded' | 'by effort';
}

/** Slope beyond which a stretch counts as climb or descent. */
const STEEP = 0.035;

/**
 * Cuts a route into legs of one kind of going and gives each its minutes.
 *
 * Short wiggles (under 4 % of the route or 300 m) join their neighbour. Ski tours turn to downhill skiing on descents.
 * A ten-minute stop is put on the highest point when it lies well above the start and more than an hour in.
 */
export function legsFromRoute(profile: Profile, engine: Engine, { sport, effort, loadKg, clock }: Going): Leg[] {
  const n = profile.eleM.length;
  const window = Math.max(1, Math.round(120 / profile.stepM));
  const slopes: Slope[] = profile.eleM.map((_, i) => {
    const a = Math.max(0, i - window);
    const b = Math.min(n - 1, i + window);
    const slope = (profile.eleM[b] - profile.eleM[a]) / ((b - a) * profile.stepM);
    return slope > STEEP ? 'climb' : slope < -STEEP ? 'descent' : 'flat';
  });
  const total = profile.distanceM[n - 1];
  const shortest = Math.max(300, total * 0.04);
  const pieces = mergeShort(runs(slopes), profile.stepM, shortest);

  const legs: Leg[] = pieces.map(({ kind, from, to }) => {
    const distance = (to - from) * profile.stepM;
    const { up, down } = climbOf(profile, from, to);
    const climb = up - down;
    const slope = climb / Math.max(1, distance);
    const goingSport: Sport = sport === 'ski tour' && kind === 'descent' && slope < -0.06 ? 'downhill ski' : sport;
    const legEffort: Effort = goingSport === sport ? effort : { by: 'usual' };
    const recorded =
      clock === 'recorded' && profile.recordedS ? (profile.recordedS[to] - profile.recordedS[from]) / 60 : 0;
    const minutes = recorded > 0.5 ? recorded : distance / paceFor(engine, goingSport, slope, legEffort, loadKg) / 60;
    return {
      name:
        kind === 'climb'
          ? `Climb ${Math.round(climb)} m`
          : kind === 'descent'
            ? `Descent ${Math.round(-climb)} m`
            : 'Level',
      sport: goingSport,
      minutes: Math.max(1, Math.round(minutes * 2) / 2),
      distanceM: distance,
      climbM: climb,
      effort: legEffort,
      shelter: 'open',
      packOn: sport === 'ski tour' || sport === 'hike' || sport === 'snowshoe',
      noStopping: false,
      profileFrom: from,
      profileTo: to,
    };
  });
  return withSummitStop(legs, profile);
}

interface Piece {
  kind: Slope;
  from: number;
  to: number;
}

function runs(slopes: Slope[]): Piece[] {
  const out: Piece[] = [];
  for (let i = 0; i < slopes.length - 1; i++) {
    const last = out[out.length - 1];
    if (last && last.kind === slopes[i]) last.to = i + 1;
    else out.push({ kind: slopes[i], from: i, to: i + 1 });
  }
  return out;
}

function mergeShort(pieces: Piece[], stepM: number, shortest: number): Piece[] {
  const out = pieces.map((p) => ({ ...p }));
  for (;;) {
    let k = -1;
    let length = Infinity;
    out.forEach((p, i) => {
      const l = (p.to - p.from) * stepM;
      if (l < shortest && l < length && out.length > 1) {
        k = i;
        length = l;
      }
    });
    if (k < 0) break;
    const into =
      k === 0
        ? 1
        : k === out.length - 1
          ? k - 1
          : out[k - 1].to - out[k - 1].from > out[k + 1].to - out[k + 1].from
            ? k - 1
            : k + 1;
    out[into].from = Math.min(out[into].from, out[k].from);
    out[into].to = Math.max(out[into].to, out[k].to);
    out.splice(k, 1);
    for (let i = out.length - 1; i > 0; i--) {
      if (out[i].kind === out[i - 1].kind) {
        out[i - 1].to = out[i].to;
        out.splice(i, 1);
      }
    }
  }
  return out;
}

function withSummitStop(legs: Leg[], profile: Profile): Leg[] {
  let top = 0;
  profile.eleM.forEach((e, i) => {
    if (e > profile.eleM[top]) top = i;
  });
  let minutes = 0;
  for (let i = 0; i < legs.length - 1; i++) {
    minutes += legs[i].minutes;
    const end = legs[i].profileTo!;
    const near = Math.abs(end - top) * profile.stepM < 500;
    if (near && minutes > 60 && profile.eleM[top] - profile.eleM[0] > 120) {
      const stop: Leg = {
        name: 'Summit stop',
        sport: 'stand',
        minutes: 15,
        distanceM: 0,
        climbM: 0,
        effort: { by: 'usual' },
        shelter: 'open',
        packOn: false,
        noStopping: false,
        profileFrom: end,
        profileTo: end,
      };
      return [...legs.slice(0, i + 1), stop, ...legs.slice(i + 1)];
    }
  }
  return legs;
}
