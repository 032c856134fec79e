import type { NeutralState } from '@/core/body/neutral';
import { ZONE_COUNT } from '@/core/body/zones';

/**
 * The whole state of a dressed athlete as views into one flat array, so that snapshot and restore are one copy.
 * Water is g per m² of skin under the garment; `ice` is the frozen part of `water`.
 */
export interface State {
  all: Float64Array;
  /** see HEAD */
  head: Float64Array;
  tissue: Float64Array;
  skin: Float64Array;
  film: Float64Array;
  /** last evaporation from the skin, g/s m², its slope per K, and latent heat still owed, J/m² */
  skinEvaporation: Float64Array;
  skinSlope: Float64Array;
  skinOwed: Float64Array;
  /** per garment and zone, g*13+z */
  temperature: Float64Array;
  water: Float64Array;
  ice: Float64Array;
  evaporation: Float64Array;
  slope: Float64Array;
  owed: Float64Array;
  /** 1 while worn */
  worn: Float64Array;
  /** opening settings g*4+o */
  open: Float64Array;
}

/** Places in `head`: central °C, metabolic and external W, seconds, and the heat production the skin is used to, W. */
export const HEAD = { central: 0, metabolic: 1, external: 2, time: 3, habit: 4 } as const;

export function newState(garments: number, openings: number): State {
  const z = ZONE_COUNT;
  const gz = garments * z;
  const sizes = [5, z, z, z, z, z, z, gz, gz, gz, gz, gz, gz, garments, openings];
  const all = new Float64Array(sizes.reduce((a, b) => a + b, 0));
  let at = 0;
  const views = sizes.map((n) => {
    const v = all.subarray(at, at + n);
    at += n;
    return v;
  });
  return {
    all,
    head: views[0],
    tissue: views[1],
    skin: views[2],
    film: views[3],
    skinEvaporation: views[4],
    skinSlope: views[5],
    skinOwed: views[6],
    temperature: views[7],
    water: views[8],
    ice: views[9],
    evaporation: views[10],
    slope: views[11],
    owed: views[12],
    worn: views[13],
    open: views[14],
  };
}

/** Puts a rested, comfortable body into the state; garments are left as they are. */
export function restBody(s: State, neutral: NeutralState, restingW: number): void {
  s.head[HEAD.central] = neutral.centralC;
  s.head[HEAD.metabolic] = restingW;
  s.head[HEAD.external] = 0;
  s.head[HEAD.time] = 0;
  s.head[HEAD.habit] = restingW;
  s.tissue.set(neutral.tissueC);
  s.skin.set(neutral.skinC);
  s.film.fill(0);
  s.skinEvaporation.fill(0);
  s.skinSlope.fill(0);
  s.skinOwed.fill(0);
}
