import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import { CLOTH_ABSORPTANCE } from '@/core/atmosphere/sun';
import { bodyParameters, type BodyParameters } from '@/core/body/bodyParameters';
import { control, newControlOutput } from '@/core/body/control';
import { CENTRAL_SHARE, neutralState, type NeutralState } from '@/core/body/neutral';
import type { Person } from '@/core/body/person';
import { respiratoryHeat, respiratoryLatent } from '@/core/body/respiration';
import { ZONE_COUNT } from '@/core/body/zones';
import { MAX_OPENINGS, type Garment } from '@/core/clothing/garment';
import {
  buildStacks,
  LEAST_COVER,
  MAX_LAYERS,
  newStacks,
  STRIDE,
  type Ambient,
  type Stacks,
} from '@/core/clothing/stack';
import { compileWardrobe, type Wardrobe } from '@/core/clothing/wardrobe';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { MUSCLE_SHARE } from '@/core/effort/muscleShare';
import { OutOfRange } from '@/core/quantity/range';
import { LATENT_FUSION, LATENT_VAPOUR } from '@/core/quantity/units';
import type { Conditions } from '@/core/outing/conditions';
import type { KitAction, Plan } from './plan';
import { Ledger } from './ledger';
import { newScratch } from './scratch';
import { newSeries, type Series } from './series';
import { HEAD, newState, restBody, type State } from './state';
import { linkHeat, solveTemperature } from './zoneHeat';
import { moveLiquid, precipitate } from './zoneLiquid';
import { solveVapour } from './zoneVapour';

/** Time constants of the metabolic rate following the work, s: oxygen uptake rises over 2–3 min and decays a little faster. */
const EFFORT_RISE_S = 60;
const EFFORT_FALL_S = 45;
/** Right after a change of air, effort or clothes everything moves fast: quarter steps, then half steps, to these times, s. */
const SETTLE_QUARTER_S = 60;
const SETTLE_HALF_S = 240;
const settlingStep = (sinceS: number, stepS: number): number =>
  sinceS < SETTLE_QUARTER_S ? stepS / 4 : sinceS < SETTLE_HALF_S ? stepS / 2 : stepS;

/** Whether the world changed at once between two stretches, rather than drifted as forecasts do. */
const isAbrupt = (a: Conditions, b: Conditions): boolean =>
  a.sport !== b.sport ||
  a.packOn !== b.packOn ||
  Math.abs(a.metabolicW - b.metabolicW) > 40 ||
  Math.abs(a.airC - b.airC) > 1.5 ||
  Math.abs(a.relativeWind - b.relativeWind) > 1 ||
  Math.abs(a.precipitationMmH - b.precipitationMmH) > 0.5;

/** Comfort follows effort slowly, s: ten minutes in, a cool skin begins to feel right (common practice, no published source). */
const HABIT_S = 600;

/** Where the muscle-share columns (head, chest, back, pelvis, arms, hands, thighs, calves, feet) go among the 13 zones. */
const SPREAD: readonly [number, number][] = [
  [0, 0.5], // scalp: half of "head"
  [0, 0.3], // face
  [0, 0.2], // neck
  [1, 1],
  [2, 1],
  [3, 1],
  [4, 1],
  [5, 0.7],
  [5, 0.3],
  [6, 1],
  [7, 1],
  [8, 0.8],
  [8, 0.2],
];

export interface RunOptions {
  /** integration step, s, 1–60 */
  stepS?: number;
  /** sampling of the series, s; a multiple of the step */
  sampleS?: number;
}

/**
 * A dressed athlete that can be run through conditions under any plan over one set of garments.
 * All memory is taken when it is made (and when a longer run needs longer series); steps allocate nothing.
 * Deterministic: same input, same numbers, in Node and in a browser worker.
 */
export class Simulator {
  readonly body: BodyParameters;
  readonly neutral: NeutralState;
  readonly wardrobe: Wardrobe;
  readonly state: State;
  readonly ledger = new Ledger();
  readonly stacks: Stacks = newStacks();
  private readonly output = newControlOutput();
  private readonly scratch = newScratch();
  private readonly worn: Uint8Array;
  private readonly maxMetabolic: number;
  private readonly tissueTotal: number;
  private ambient: Ambient = { airC: 0, relativeWind: 0.2, pumping: 0, packOn: false };
  private breathW = 0;
  private readonly restEnergy: number;

  constructor(person: Person, garments: Garment[]) {
    this.body = bodyParameters(person);
    this.neutral = neutralState(this.body);
    this.wardrobe = compileWardrobe(garments);
    this.state = newState(garments.length, garments.length * MAX_OPENINGS);
    this.worn = new Uint8Array(garments.length);
    this.maxMetabolic = maximalMetabolicRate(person.vo2maxMl, person.massKg);
    this.tissueTotal = this.body.tissueC.reduce((a, b) => a + b, 0);
    restBody(this.state, this.neutral, this.body.basal);
    this.restEnergy = this.bodyEnergy();
  }

  /**
   * Puts a rested body into the start kit. Garments begin at room temperature with the regain of 50 % humidity, plus
   * `damp` g/m² where the closet says so.
   * @throws OutOfRange for unknown garments or openings, or more than MAX_LAYERS layers on one zone
   */
  start(plan: Plan, dampGm2: Record<string, number> = {}, roomC = 18): void {
    const { state: s, wardrobe: w } = this;
    restBody(s, this.neutral, this.body.basal * 1.2);
    s.evaporation.fill(0);
    s.slope.fill(0);
    s.owed.fill(0);
    s.ice.fill(0);
    s.temperature.fill(roomC);
    s.worn.fill(0);
    this.ledger.reset();
    for (let g = 0; g < w.count; g++) {
      const damp = dampGm2[w.garments[g].id] ?? 0;
      for (let z = 0; z < ZONE_COUNT; z++) {
        const j = g * ZONE_COUNT + z;
        s.water[j] = w.cover[j] > 0 ? Math.min(w.sorb[j] * 0.5 + damp, w.sorb[j] + w.liquid[j]) : 0;
      }
      const garment = w.garments[g];
      garment.openings.forEach((o, k) => {
        s.open[g * MAX_OPENINGS + k] = plan.openings[garment.id]?.[o.id] ?? o.usual;
      });
    }
    for (const id of plan.worn) s.worn[this.index(id)] = 1;
    for (const id of plan.carried) this.index(id);
    for (const id of Object.keys(plan.openings)) {
      const g = this.index(id);
      for (const o of Object.keys(plan.openings[id])) this.openingIndex(g, o);
    }
    this.checkLayers();
  }

  private index(id: string): number {
    const g = this.wardrobe.indexOf.get(id);
    if (g === undefined) throw new OutOfRange('garment', id, 'an id from the garments given');
    return g;
  }

  private openingIndex(g: number, id: string): number {
    const garment = this.wardrobe.garments[g];
    const k = garment.openings.findIndex((o) => o.id === id);
    if (k < 0)
      throw new OutOfRange(`opening of "${garment.name}"`, id, garment.openings.map((o) => o.id).join(', ') || 'none');
    return g * MAX_OPENINGS + k;
  }

  private checkLayers(): void {
    for (let z = 0; z < ZONE_COUNT; z++) {
      let n = 0;
      for (let g = 0; g < this.wardrobe.count; g++)
        if (this.state.worn[g] && this.wardrobe.cover[g * ZONE_COUNT + z] >= LEAST_COVER) n++;
      if (n > MAX_LAYERS) throw new OutOfRange('layers on one zone', n, `at most ${MAX_LAYERS}`);
    }
  }

  /** Skin wettedness of the last step, one a zone, 0–1. */
  get wettedness(): Float64Array {
    return this.scratch.wetness;
  }

  /** Shivering of the last step, W. */
  get shiverW(): number {
    return this.output.shiverW;
  }

  /** Carries out kit actions now. Garments put on start at air temperature (they come out of the pack). */
  apply(actions: readonly KitAction[], airC: number): void {
    const before = this.wornEnergy();
    for (const a of actions) {
      const g = this.index(a.garment);
      if (a.do === 'set') this.state.open[this.openingIndex(g, a.opening)] = a.setting;
      else {
        const on = a.do === 'putOn' ? 1 : 0;
        if (on && !this.state.worn[g]) {
          for (let z = 0; z < ZONE_COUNT; z++) {
            const j = g * ZONE_COUNT + z;
            this.state.temperature[j] = airC;
            this.state.evaporation[j] = this.state.slope[j] = this.state.owed[j] = 0;
          }
        }
        this.state.worn[g] = on;
      }
    }
    this.checkLayers();
    this.ledger.swapped += this.wornEnergy() - before;
  }

  /** Rebuilds the stacks for what is worn now under these conditions. */
  dress(c: Conditions): void {
    for (let g = 0; g < this.worn.length; g++) this.worn[g] = this.state.worn[g];
    this.ambient.airC = c.airC;
    this.ambient.relativeWind = c.relativeWind;
    this.ambient.pumping = c.pumping;
    this.ambient.packOn = c.packOn;
    buildStacks(this.wardrobe, { worn: this.worn, open: this.state.open }, this.ambient, this.stacks);
    // Heat still owed by layers that are off now is settled at once, so that nothing is forgotten.
    for (let g = 0; g < this.worn.length; g++) {
      if (this.worn[g]) continue;
      for (let z = 0; z < ZONE_COUNT; z++) {
        const j = g * ZONE_COUNT + z;
        this.state.owed[j] = this.state.evaporation[j] = this.state.slope[j] = 0;
      }
    }
  }

  /** One step of `dt` seconds under conditions for which `dress` was called. */
  step(c: Conditions, dt: number): void {
    const { state: s, body, output: o, scratch: x, wardrobe: w, stacks, ledger } = this;
    const rise = c.metabolicW > s.head[HEAD.metabolic] ? EFFORT_RISE_S : EFFORT_FALL_S;
    const move = 1 - Math.exp(-dt / rise);
    s.head[HEAD.metabolic] += (c.metabolicW * body.person.metabolicBias - s.head[HEAD.metabolic]) * move;
    s.head[HEAD.external] += (c.externalW - s.head[HEAD.external]) * move;
    const metabolic = s.head[HEAD.metabolic];
    const basal = Math.min(body.basal, metabolic);
    const work = Math.max(0, metabolic - s.head[HEAD.external] - basal);
    const share = MUSCLE_SHARE[c.sport];
    for (let z = 0; z < ZONE_COUNT; z++) x.muscleW[z] = work * share[SPREAD[z][0]] * SPREAD[z][1];

    const central = s.head[HEAD.central];
    control(
      body,
      central,
      s.skin,
      this.neutral.centralC,
      this.neutral.skinC,
      x.muscleW,
      stacks.flowFactor,
      (metabolic - basal) / this.maxMetabolic,
      o,
    );
    const posture = MUSCLE_SHARE.stand;
    for (let z = 0; z < ZONE_COUNT; z++) {
      x.tissueHeat[z] =
        x.muscleW[z] +
        ((1 - CENTRAL_SHARE) * basal * body.tissueC[z]) / this.tissueTotal +
        o.shiverW * posture[SPREAD[z][0]] * SPREAD[z][1];
    }

    const sun = c.sunWm2 * CLOTH_ABSORPTANCE;
    const liquidShare = LIQUID_SHARE[c.precipitation];
    let drawn = 0;
    for (let z = 0; z < ZONE_COUNT; z++) {
      const area = body.area[z];
      linkHeat(z, w, stacks, s, x);
      drawn += solveTemperature(z, dt, body, o, stacks, s, x, w, c.airC, sun);
      ledger.dry += x.dryLoss[z] * area * dt;
      solveVapour(z, dt, body, o.sweat[z], stacks, s, x, w, c.vapourPa, ledger);
      if (c.precipitationMmH > 0)
        precipitate(z, dt, c.precipitationMmH, liquidShare, c.airC, body, stacks, s, w, ledger);
      moveLiquid(z, dt, body, o.sweat[z], stacks, s, x, w, ledger);
    }
    const keep = 1 - stacks.mouth;
    this.breathW = respiratoryHeat(metabolic, c.airC, c.vapourPa) * keep;
    const made = CENTRAL_SHARE * basal - this.breathW;
    s.head[HEAD.central] = central + ((made - drawn) * dt) / body.centralC;
    s.head[HEAD.time] += dt;
    s.head[HEAD.habit] += (basal + work + o.shiverW - s.head[HEAD.habit]) * (1 - Math.exp(-dt / HABIT_S));
    ledger.made += (basal + work + o.shiverW) * dt;
    ledger.sun += sun * body.totalArea * dt;
    ledger.breath += this.breathW * dt;
    ledger.breathWater += ((respiratoryLatent(metabolic, c.airC, c.vapourPa) * keep) / LATENT_VAPOUR) * dt;
  }

  /**
   * Runs conditions under a plan from the present state and returns the series.
   * The step shortens at the end of each stretch so that changes fall on their second.
   * @param into a series to reuse when it is long enough
   */
  run(conditions: readonly Conditions[], plan: Plan, options: RunOptions = {}, into?: Series): Series {
    const stepS = options.stepS ?? 10;
    const sampleS = options.sampleS ?? 60;
    const end = conditions[conditions.length - 1].endS;
    const rows = Math.floor(end / sampleS + 1e-9) + 1;
    const out =
      into && into.rows === rows && into.garments === this.wardrobe.count && into.stepS === sampleS
        ? into
        : newSeries(rows, sampleS, this.wardrobe.count);
    const cues = [...plan.cues].sort((a, b) => a.atS - b.atS);
    let nextCue = 0;
    let t = this.state.head[HEAD.time];
    let row = Math.ceil(t / sampleS - 1e-9);
    let changedS = t;
    let changed = true;
    let last: Conditions | null = null;
    for (const c of conditions) {
      if (c.endS <= t + 1e-9) continue;
      let dressed = false;
      if (last === null || isAbrupt(last, c)) changed = true;
      last = c;
      while (t < c.endS - 1e-9) {
        while (nextCue < cues.length && cues[nextCue].atS <= t + 1e-6) {
          if (cues[nextCue].atS >= t - 1e-6 || t === 0) {
            this.apply(cues[nextCue].actions, c.airC);
            dressed = false;
            changed = true;
          }
          nextCue++;
        }
        if (!dressed) {
          this.dress(c);
          dressed = true;
          if (changed) changedS = t;
          changed = false;
          if (row === 0 && t === 0) this.record(out, row++, c);
        }
        let until = Math.min(c.endS, t + settlingStep(t - changedS, stepS));
        if (nextCue < cues.length && cues[nextCue].atS < until) until = cues[nextCue].atS;
        const nextSample = row * sampleS;
        if (row < rows && nextSample > t + 1e-9 && nextSample < until) until = nextSample;
        this.step(c, until - t);
        t = until;
        if (row < rows && t >= row * sampleS - 1e-9) this.record(out, row++, c);
      }
    }
    return out;
  }

  private record(out: Series, row: number, c: Conditions): void {
    const { state: s, scratch: x, output: o, body, wardrobe: w } = this;
    out.timeS[row] = s.head[HEAD.time];
    out.coreC[row] = s.head[HEAD.central];
    out.metabolicW[row] = s.head[HEAD.metabolic];
    out.heatW[row] = s.head[HEAD.metabolic] - s.head[HEAD.external] + o.shiverW;
    out.habitW[row] = s.head[HEAD.habit];
    out.shiverW[row] = o.shiverW;
    out.sweatGh[row] = o.sweatTotal * 3600;
    let dry = 0;
    let wet = 0;
    for (let z = 0; z < ZONE_COUNT; z++) {
      const k = row * ZONE_COUNT + z;
      out.skinC[k] = s.skin[z];
      out.wettedness[k] = x.wetness[z];
      out.filmGm2[k] = s.film[z];
      out.zoneLossWm2[k] = x.dryLoss[z] + x.evaporativeLoss[z];
      dry += x.dryLoss[z] * body.area[z];
      wet += x.evaporativeLoss[z] * body.area[z];
    }
    out.dryLossW[row] = dry;
    out.evaporativeLossW[row] = wet;
    out.evaporationGh[row] = (wet / LATENT_VAPOUR) * 3600;
    out.breathLossW[row] = this.breathW || respiratoryHeat(s.head[HEAD.metabolic], c.airC, c.vapourPa);
    out.bodyHeatJ[row] = this.bodyEnergy() - this.restEnergy;
    const at = row * w.count * ZONE_COUNT;
    out.garmentC.set(s.temperature, at);
    out.waterGm2.set(s.water, at);
    out.frostGm2.set(s.ice, at);
    for (let g = 0; g < w.count; g++) out.worn[row * w.count + g] = s.worn[g];
  }

  /** A copy of the whole state, to return to with `restore`. */
  snapshot(into?: Float64Array): Float64Array {
    const copy = into ?? new Float64Array(this.state.all.length);
    copy.set(this.state.all);
    return copy;
  }

  restore(copy: Float64Array): void {
    this.state.all.set(copy);
  }

  /** Heat stored in body and worn clothing, J, relative to 0 °C and liquid water, less what evaporation is still owed. */
  storedEnergy(): number {
    let owed = 0;
    for (let z = 0; z < ZONE_COUNT; z++) owed += this.state.skinOwed[z] * this.body.area[z];
    return this.bodyEnergy() - owed + this.wornEnergy();
  }

  /** Heat in central pool, tissue and skin relative to 0 °C, J. */
  private bodyEnergy(): number {
    const { state: s, body } = this;
    let e = s.head[HEAD.central] * body.centralC;
    for (let z = 0; z < ZONE_COUNT; z++) e += s.tissue[z] * body.tissueC[z] + s.skin[z] * body.skinC[z];
    return e;
  }

  private wornEnergy(): number {
    const { state: s, body, wardrobe: w } = this;
    let e = 0;
    for (let g = 0; g < w.count; g++) {
      if (!s.worn[g]) continue;
      for (let z = 0; z < ZONE_COUNT; z++) {
        const j = g * ZONE_COUNT + z;
        if (w.cover[j] < LEAST_COVER) continue;
        e += (s.temperature[j] * w.heat[j] - LATENT_FUSION * s.ice[j] - s.owed[j]) * body.area[z];
      }
    }
    return e;
  }

  /** Water on the skin and in all garments, worn or carried, g. */
  heldWater(): number {
    const { state: s, body, wardrobe: w } = this;
    let held = 0;
    for (let z = 0; z < ZONE_COUNT; z++) {
      held += s.film[z] * body.area[z];
      for (let g = 0; g < w.count; g++) held += s.water[g * ZONE_COUNT + z] * body.area[z];
    }
    return held;
  }

  /** Water in one garment now beyond what dry storage leaves in it, g. */
  garmentWater(g: number): number {
    const { state: s, body, wardrobe: w } = this;
    let total = 0;
    for (let z = 0; z < ZONE_COUNT; z++) {
      const j = g * ZONE_COUNT + z;
      if (w.cover[j] > 0) total += (s.water[j] - 0.5 * w.sorb[j]) * body.area[z];
    }
    return total;
  }

  /** Nodes a zone of the present stacks, for the section drawing: garment indexes from the skin out. */
  layersOn(z: number): number[] {
    return Array.from({ length: this.stacks.layers[z] }, (_, k) => this.stacks.garment[z * STRIDE + k + 1]);
  }
}
