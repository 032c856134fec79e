import type { GarmentArrays } from '@/core/clothing/garmentArrays';
import type { State } from './state';

/** A heater gives its full heat until this share of its charge is left, then fades with what remains (engineering value). */
const FADES_BELOW = 0.25;
/** Charge in hours of full heat for each hour it gives at least half: it halves when an eighth of the charge is left. */
const CHARGE_HOURS = 1 / (1 - FADES_BELOW + FADES_BELOW * Math.LN2);

/** Warmers for hands and boots: what each gives off now, and what is left in it. */
export class Heaters {
  /** heat each garment gives off now, W */
  readonly heatW: Float64Array;
  /** whether any gives off heat */
  burning = false;

  constructor(
    private readonly arrays: GarmentArrays,
    private readonly state: State,
  ) {
    this.heatW = new Float64Array(arrays.count);
  }

  /** Heat in a fresh heater, J; 0 for any other garment. */
  private charge(g: number): number {
    const { heatW, heatHours } = this.arrays.garments[g];
    return heatW && heatHours ? heatW * heatHours * CHARGE_HOURS * 3600 : 0;
  }

  /** Puts a fresh charge into every one. */
  fill(): void {
    for (let g = 0; g < this.arrays.count; g++) this.state.fuel[g] = this.charge(g);
  }

  /** Sets what each gives off now. Once opened it burns on, worn or not. */
  stoke(): void {
    const { state: s, arrays: w, heatW } = this;
    this.burning = false;
    for (let g = 0; g < w.count; g++) {
      const full = this.charge(g);
      const opened = full > 0 && (s.worn[g] > 0 || s.fuel[g] < full);
      const share = opened ? s.fuel[g] / full : 0;
      heatW[g] = opened ? w.garments[g].heatW! * Math.min(1, Math.max(0, share / FADES_BELOW)) : 0;
      if (heatW[g] > 0) this.burning = true;
    }
  }

  /** Takes a step's heat out of what burns. @returns heat given to the body by those worn, J */
  burn(dt: number): number {
    const { state: s, heatW } = this;
    let given = 0;
    for (let g = 0; g < heatW.length; g++) {
      if (heatW[g] === 0) continue;
      s.fuel[g] -= heatW[g] * dt;
      if (s.worn[g]) given += heatW[g] * dt;
    }
    return given;
  }
}
