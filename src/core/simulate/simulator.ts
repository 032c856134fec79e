import { exp } from '@/core/quantity/exact';
import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import { CLOTH_ABSORPTANCE } from '@/core/atmosphere/sun';
import { bodyParameters, type BodyParameters } from '@/core/body/bodyParameters';
import { control, type ControlInput, type ControlOutput } from '@/core/body/control';
import { CENTRAL_SHARE, neutralState, readyState, type NeutralState } from '@/core/body/neutral';
import { checkPerson, type Person } from '@/core/body/person';
import { breathHeatShare, breathLatentShare } from '@/core/body/respiration';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { MAX_OPENINGS, type Garment } from '@/core/clothing/garment';
import {
  buildStacks,
  LEAST_COVER,
  MAX_LAYERS,
  newStacks,
  STRIDE,
  type Ambient,
  type Contact,
  type Stacks,
} from '@/core/clothing/stack';
import { compileWardrobe, type Wardrobe } from '@/core/clothing/wardrobe';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { OutOfRange, within } from '@/core/quantity/range';
import { LATENT_FUSION, LATENT_VAPOUR } from '@/core/quantity/units';
import { touchedC, WETTING_BY_ZONE } from '@/core/outing/wetting';
import { atHalt, checkConditions, type Conditions } from '@/core/outing/conditions';
import { changing, type Changing } from './changing';
import type { KitAction, Plan } from './plan';
import { Ledger } from './ledger';
import { MUSCLE_BY_ZONE } from './muscles';
import * as L from './layout';
import { rehearse, SOMEBODY } from './rehearse';
import { packLayers } from './packLayers';
import { breathDeposit } from './breathCover';
import { newSeries, type Series } from './series';
import { HEAD, newState, restBody, type State } from './state';
import { stepHeat } from './zoneHeat';
import { moveLiquid, takeFall } from './zoneLiquid';
import { stepVapour } from './zoneVapour';

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
  a.packUnder !== b.packUnder ||
  a.wetting !== b.wetting ||
  Math.abs(a.metabolicW - b.metabolicW) > 40 ||
  Math.abs(a.airC - b.airC) > 1.5 ||
  Math.abs(a.relativeWind - b.relativeWind) > 1 ||
  Math.abs(a.precipitationMmH - b.precipitationMmH) > 0.5;

/** Comfort follows effort slowly, s: ten minutes in, a cool skin begins to feel right (common practice, no published source). */
const HABIT_S = 600;

/** g/s m² in a mm/h of water. */
const PER_MM_H = 1000 / 3600;
const FACE = zoneIndex('face');
/** Share of the frost in a garment that falls off when it is shaken out or taken off (engineering value). */
const SHAKEN_OFF = 0.7;
/** A heater gives its full heat until this share of its charge is left, then fades with what remains. */
const FADES_BELOW = 0.25;
/** Charge in hours of full heat for each hour it gives at least half: it halves when an eighth of the charge is left. */
const CHARGE_HOURS = 1 / (1 - FADES_BELOW + FADES_BELOW * Math.LN2);

/** Whether this process has shown its engine every branch of a step. */
let rehearsed = false;

export interface RunOptions {
  /** integration step, s, 1–60 */
  stepS?: number;
  /** sampling of the series, s; a multiple of the step */
  sampleS?: number;
  /** changes of kit take no time: what is worn in each stretch is given, not planned */
  atOnce?: boolean;
}

/**
 * A dressed athlete that can be run through conditions under any plan over one set of garments.
 * All memory is taken when it is made (and when a longer run needs longer series); steps allocate nothing.
 * Deterministic: same input, same numbers, in Node and in a browser worker.
 */
export class Simulator {
  readonly body: BodyParameters;
  readonly neutral: NeutralState;
  /** the body as it goes out */
  private readonly ready: ReturnType<typeof readyState>;
  readonly wardrobe: Wardrobe;
  readonly state: State;
  readonly ledger = new Ledger();
  readonly stacks: Stacks = newStacks();
  private readonly output: ControlOutput;
  private readonly wet: Float64Array;
  private readonly worn: Uint8Array;
  /** laid aside for a moment while something under it is changed: still counts as worn in the record */
  private readonly aside: Uint8Array;
  private readonly byId: ReadonlyMap<string, Garment>;
  private readonly maxMetabolic: number;
  private ambient: Ambient = {
    airC: 0.5,
    pressurePa: 0.5,
    relativeWind: 0.5,
    pumping: 0.5,
    packOn: false,
    packUnder: undefined,
    touch: undefined,
    heatW: undefined,
    bodyArea: 0.5,
  };
  /** what the breath loses in this air over the metabolic rate, heat in all and latent alone */
  private breathShare = 0.5;
  /** the work that is done now, W: read once when the conditions change, so that a step sees numbers only */
  private readonly now = { metabolicW: 0.5, externalW: 0.5 };
  private muscles = MUSCLE_BY_ZONE.stand;
  private readonly metabolicBias: number;
  private falling = false;
  private burning = false;
  private readonly heatW: Float64Array;
  private readonly contact: Contact = {
    share: new Float64Array(ZONE_COUNT),
    conductance: 0.5,
    surfaceC: 0.5,
    squeeze: 0.5,
  };
  private breathLatent = 0.5;
  private breathW = 0.5;
  /** the step that the relaxations below are for, s, and how far effort rises, falls and is got used to in it, 0–1 */
  private relaxedFor = 0.5;
  private rise = 0.5;
  private fall = 0.5;
  private habit = 0.5;
  /** share of the basal heat made in each zone's tissue */
  private readonly basalHeat: Float64Array;
  private readonly control: ControlInput;
  private readonly restEnergy: number;

  constructor(person: Person, garments: Garment[]) {
    if (!rehearsed) {
      rehearsed = true;
      rehearse((kit) => new Simulator(SOMEBODY, kit));
    }
    this.body = bodyParameters(checkPerson(person));
    this.neutral = neutralState(this.body);
    this.ready = readyState(this.body, MUSCLE_BY_ZONE.sit);
    this.wardrobe = compileWardrobe(garments);
    this.state = newState(garments.length, garments.length * MAX_OPENINGS);
    this.worn = new Uint8Array(garments.length);
    this.aside = new Uint8Array(garments.length);
    this.byId = new Map(garments.map((g) => [g.id, g]));
    this.heatW = new Float64Array(garments.length);
    const zones = (from: number) => this.state.memory.subarray(from, from + ZONE_COUNT);
    zones(L.AREA).set(this.body.area);
    zones(L.PER_AREA).set(this.body.perArea);
    zones(L.TISSUE_CAPACITY).set(this.body.tissueC);
    zones(L.SKIN_CAPACITY).set(this.body.skinC);
    zones(L.CONDUCTION).set(this.body.conduction);
    this.wet = zones(L.WETNESS);
    // Fractions first, so that the engine keeps such fields as doubles and writes them in place.
    this.output = {
      skinBlood: zones(L.SKIN_BLOOD),
      tissueBlood: zones(L.TISSUE_BLOOD),
      sweat: zones(L.SWEAT),
      shiverW: 0.5,
      sweatTotal: 0.5,
    };
    this.metabolicBias = person.metabolicBias;
    this.maxMetabolic = maximalMetabolicRate(person.vo2maxMl, person.massKg);
    const tissueTotal = this.body.tissueC.reduce((a, b) => a + b, 0);
    this.basalHeat = this.body.tissueC.map((c) => ((1 - CENTRAL_SHARE) * c) / tissueTotal);
    this.control = {
      centralC: 0.5,
      setCentral: this.neutral.centralC,
      setSkin: this.neutral.skinC,
      muscleW: zones(L.MUSCLE_W),
      flowFactor: this.stacks.flowFactor,
      exerciseShare: 0.5,
    };
    restBody(this.state, this.ready, this.ready.metabolicW);
    this.restEnergy = this.bodyEnergy();
  }

  /**
   * Puts a rested body into the start kit. Garments begin at room temperature with the regain of 50 % humidity, plus
   * `damp` g/m² where the closet says so.
   * @throws OutOfRange for unknown garments or openings, or more than MAX_LAYERS layers on one zone
   */
  start(plan: Plan, dampGm2: Record<string, number> = {}, roomC = 18): void {
    const { state: s, wardrobe: w } = this;
    restBody(s, this.ready, this.ready.metabolicW);
    s.evaporation.fill(0);
    s.slope.fill(0);
    s.owed.fill(0);
    s.ice.fill(0);
    s.temperature.fill(roomC);
    s.worn.fill(0);
    this.aside.fill(0);
    for (let g = 0; g < w.count; g++) s.fuel[g] = this.charge(g);
    this.ledger.reset();
    this.output.sweatTotal = this.output.shiverW = this.breathW = 0;
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

  /** Heat in a fresh heater, J; 0 for any other garment. */
  private charge(g: number): number {
    const { heatW, heatHours } = this.wardrobe.garments[g];
    return heatW && heatHours ? heatW * heatHours * CHARGE_HOURS * 3600 : 0;
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
    return this.wet;
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
      else if (a.do === 'brush') this.shakeOff(g);
      else {
        const on = a.do === 'putOn' ? 1 : 0;
        if (!on && this.state.worn[g]) this.shakeOff(g);
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

  /** What some actions would take of the person as dressed now. */
  changing(actions: readonly KitAction[], packOn: boolean): Changing {
    const on = new Set<string>();
    for (let g = 0; g < this.wardrobe.count; g++) if (this.state.worn[g]) on.add(this.wardrobe.garments[g].id);
    return changing(actions, on, this.byId, packOn);
  }

  /** Begins a change: what comes off is off, and what is in the way is laid aside, keeping its warmth and water. */
  beginChange(c: Changing, airC: number): void {
    this.apply(c.first, airC);
    this.layAside(c.aside, true);
  }

  /** Ends it: everything is on and set. */
  endChange(c: Changing, airC: number): void {
    this.layAside(c.aside, false);
    this.apply(c.last, airC);
  }

  private layAside(ids: readonly string[], off: boolean): void {
    if (ids.length === 0) return;
    const before = this.wornEnergy();
    for (const id of ids) {
      const g = this.index(id);
      this.aside[g] = off ? 1 : 0;
      this.state.worn[g] = off ? 0 : 1;
    }
    this.ledger.swapped += this.wornEnergy() - before;
  }

  /** Frost falls off a garment that is shaken out. */
  private shakeOff(g: number): void {
    const { state: s, body } = this;
    for (let z = 0; z < ZONE_COUNT; z++) {
      const j = g * ZONE_COUNT + z;
      const off = SHAKEN_OFF * s.ice[j];
      s.ice[j] -= off;
      s.water[j] -= off;
      this.ledger.brushed += off * body.area[z];
    }
  }

  /** Sets what each heater gives off now. Once opened it burns on, worn or not. */
  private stoke(): void {
    const { state: s, wardrobe: w, heatW } = this;
    this.burning = false;
    for (let g = 0; g < w.count; g++) {
      const full = this.charge(g);
      const opened = full > 0 && (s.worn[g] > 0 || s.fuel[g] < full);
      const share = opened ? s.fuel[g] / full : 0;
      heatW[g] = opened ? w.garments[g].heatW! * Math.min(1, Math.max(0, share / FADES_BELOW)) : 0;
      if (heatW[g] > 0) this.burning = true;
    }
  }

  /** Rebuilds the stacks for what is worn now under these conditions. */
  dress(c: Conditions): void {
    for (let g = 0; g < this.worn.length; g++) this.worn[g] = this.state.worn[g];
    this.ambient.airC = c.airC;
    this.ambient.pressurePa = c.pressurePa;
    this.ambient.relativeWind = c.relativeWind;
    this.ambient.pumping = c.pumping;
    this.ambient.packOn = c.packOn;
    this.ambient.packUnder = c.packUnder;
    this.stoke();
    this.ambient.heatW = this.burning ? this.heatW : undefined;
    this.ambient.bodyArea = this.body.totalArea;
    this.ambient.touch = this.touch(c);
    const m = this.state.memory;
    m[L.AIR_C] = c.airC;
    m[L.AIR_VAPOUR] = c.vapourPa;
    m[L.SUN] = c.sunWm2 * CLOTH_ABSORPTANCE;
    this.now.metabolicW = c.metabolicW * this.metabolicBias;
    this.now.externalW = c.externalW;
    this.muscles = MUSCLE_BY_ZONE[c.sport];
    this.breathLatent = breathLatentShare(c.airC, c.vapourPa);
    this.breathShare = breathHeatShare(c.airC) + this.breathLatent;
    buildStacks(this.wardrobe, { worn: this.worn, open: this.state.open }, this.ambient, this.stacks);
    packLayers(this.state.memory, this.stacks, this.wardrobe);
    this.readFall(c);
    // Heat still owed by layers that are off now is settled at once, so that nothing is forgotten.
    for (let g = 0; g < this.worn.length; g++) {
      if (this.worn[g]) continue;
      for (let z = 0; z < ZONE_COUNT; z++) {
        const j = g * ZONE_COUNT + z;
        this.state.owed[j] = this.state.evaporation[j] = this.state.slope[j] = 0;
      }
    }
  }

  /** What falls on each zone under these conditions. An upright body catches about 0.3 of the fall (engineering value). */
  private readFall(c: Conditions): void {
    const m = this.state.memory;
    const fall = 0.3 * c.precipitationMmH * PER_MM_H;
    const liquid = fall * LIQUID_SHARE[c.precipitation];
    this.falling = fall > 0 || c.wetting !== null;
    m.fill(liquid, L.FALL_LIQUID, L.FALL_LIQUID + ZONE_COUNT);
    m.fill(fall - liquid, L.FALL_SNOW, L.FALL_SNOW + ZONE_COUNT);
    m.fill(0, L.PRESSED, L.MELTS + ZONE_COUNT);
    if (c.wetting === null) return;
    const { touch } = WETTING_BY_ZONE[c.wetting];
    for (let z = 0; z < ZONE_COUNT; z++) {
      const { share, liquidMmH, snowMmH, pressed, melts } = touch[z];
      m[L.FALL_LIQUID + z] += share * liquidMmH * PER_MM_H;
      m[L.FALL_SNOW + z] += share * snowMmH * PER_MM_H;
      m[L.PRESSED + z] = pressed;
      m[L.MELTS + z] = share * melts;
    }
  }

  /** What zones touch instead of the air under these conditions. */
  private touch(c: Conditions): Contact | undefined {
    if (c.wetting === null) return undefined;
    const { touch, touches, squeeze } = WETTING_BY_ZONE[c.wetting];
    const conductance = Math.max(...touch.map((t) => t.conductance));
    if (conductance === 0) return undefined;
    for (let z = 0; z < ZONE_COUNT; z++) this.contact.share[z] = touch[z].share;
    this.contact.conductance = conductance;
    this.contact.squeeze = squeeze;
    this.contact.surfaceC = touchedC(touches, c.airC);
    return this.contact;
  }

  /** Relaxations over a step, kept as long as the step stays the same. */
  private relax(dt: number): void {
    this.relaxedFor = dt;
    this.rise = 1 - exp(-dt / EFFORT_RISE_S);
    this.fall = 1 - exp(-dt / EFFORT_FALL_S);
    this.habit = 1 - exp(-dt / HABIT_S);
  }

  /** One step of `dt` seconds under the conditions that `dress` was called for. */
  step(dt: number): void {
    const { body, output: o, stacks, ledger, now } = this;
    const m = this.state.memory;
    const at = this.state.at;
    if (dt !== this.relaxedFor) this.relax(dt);
    const wanted = now.metabolicW;
    const move = wanted > m[L.METABOLIC] ? this.rise : this.fall;
    const metabolic = m[L.METABOLIC] + (wanted - m[L.METABOLIC]) * move;
    const external = m[L.EXTERNAL] + (now.externalW - m[L.EXTERNAL]) * move;
    m[L.METABOLIC] = metabolic;
    m[L.EXTERNAL] = external;
    const basal = body.basal < metabolic ? body.basal : metabolic;
    const spare = metabolic - external - basal;
    const work = spare > 0 ? spare : 0;
    const { muscles } = this;
    const posture = MUSCLE_BY_ZONE.stand;
    for (let z = 0; z < ZONE_COUNT; z++) m[L.MUSCLE_W + z] = work * muscles[z];

    const central = m[L.CENTRAL];
    this.control.centralC = central;
    this.control.exerciseShare = (metabolic - basal) / this.maxMetabolic;
    control(body, this.state.skin, this.control, o);
    for (let z = 0; z < ZONE_COUNT; z++)
      m[L.TISSUE_HEAT + z] = m[L.MUSCLE_W + z] + basal * this.basalHeat[z] + o.shiverW * posture[z];

    m[L.DT] = dt;
    m[L.RATE] = 1 / dt;
    m[L.DRAWN] = m[L.EVAPORATED] = m[L.PRODUCED] = m[L.DRIPPED] = m[L.FALLEN] = m[L.TO_FALLEN] = 0;
    const falling = this.falling;
    let dry = 0;
    for (let z = 0; z < ZONE_COUNT; z++) {
      stepHeat(m, z, at);
      dry += m[L.DRY_LOSS + z] * m[L.AREA + z];
      stepVapour(m, z, at);
      if (falling) takeFall(m, z, at);
      moveLiquid(m, z, at);
    }
    const made = basal + work + o.shiverW;
    const keep = 1 - stacks.mouth;
    this.breathW = metabolic * this.breathShare * keep;
    ledger.breath += this.breathW * dt;
    if (stacks.mouthGarment >= 0) this.breathW += this.wetCover(metabolic, dt);
    m[L.CENTRAL] = central + ((CENTRAL_SHARE * basal - this.breathW - m[L.DRAWN]) * dt) / body.centralC;
    m[L.TIME] += dt;
    m[L.HABIT] += (made - m[L.HABIT]) * this.habit;
    ledger.dry += dry * dt;
    ledger.made += made * dt;
    ledger.sun += m[L.SUN] * body.totalArea * dt;
    ledger.breathWater += ((metabolic * this.breathLatent * keep) / LATENT_VAPOUR) * dt;
    ledger.sweat += o.sweatTotal * dt;
    ledger.produced += m[L.PRODUCED];
    ledger.evaporated += m[L.EVAPORATED];
    ledger.latent += LATENT_VAPOUR * m[L.EVAPORATED];
    ledger.dripped += m[L.DRIPPED];
    ledger.precipitation += m[L.FALLEN];
    ledger.toPrecipitation += m[L.TO_FALLEN];
    if (this.burning) this.burn(dt);
  }

  /** Breath leaves water in what covers the mouth, and the heat of condensing it; returns what that costs the body, W. */
  private wetCover(metabolicW: number, dt: number): number {
    const { state: s, body, stacks, wardrobe: w } = this;
    const airC = s.memory[L.AIR_C];
    const vapourPa = s.memory[L.AIR_VAPOUR];
    const j = stacks.mouthGarment * ZONE_COUNT + FACE;
    let left = breathDeposit(metabolicW, airC, vapourPa, s.temperature[j], stacks.mouth) * dt * body.perArea[FACE];
    // Breath in can take only free liquid; breath out cannot fill what is full.
    const free = s.water[j] - s.ice[j] - w.sorb[j];
    const room = w.sorb[j] + w.liquid[j] - s.water[j];
    if (left < 0) left = Math.max(left, free > 0 ? -free : 0);
    else left = Math.min(left, room > 0 ? room : 0);
    s.water[j] += left;
    s.owed[j] -= LATENT_VAPOUR * left;
    this.ledger.produced += left * body.area[FACE];
    return (LATENT_VAPOUR * left * body.area[FACE]) / dt;
  }

  private burn(dt: number): void {
    const { state: s, heatW, ledger } = this;
    for (let g = 0; g < heatW.length; g++) {
      if (heatW[g] === 0) continue;
      s.fuel[g] -= heatW[g] * dt;
      if (s.worn[g]) ledger.warmed += heatW[g] * dt;
    }
  }

  /**
   * Runs conditions under a plan from the present state and returns the series.
   * The step shortens at the end of each stretch so that changes fall on their second. A change of kit takes its time: what
   * comes off is off at once, what goes on is on when the hands are done, and whoever must stop for it stands still.
   * @throws OutOfRange for air, effort, step or sampling outside their range
   * @param into a series to reuse when it is long enough
   */
  run(conditions: readonly Conditions[], plan: Plan, options: RunOptions = {}, into?: Series): Series {
    checkConditions(conditions);
    const stepS = within('step', options.stepS ?? 10, 0.5, 60, 's');
    const sampleS = within('sampling', options.sampleS ?? 60, stepS, 86400, 's');
    const end = conditions[conditions.length - 1].endS;
    const rows = Math.floor(end / sampleS + 1e-9) + 1;
    const out =
      into && into.rows === rows && into.garments === this.wardrobe.count && into.stepS === sampleS
        ? into
        : newSeries(rows, sampleS, this.wardrobe.count);
    const cues = [...plan.cues].sort((a, b) => a.atS - b.atS);
    let nextCue = 0;
    /** the change hands are busy with, and until when */
    let busy: Changing | null = null;
    let doneS = Infinity;
    let t = this.state.head[HEAD.time];
    let row = Math.ceil(t / sampleS - 1e-9);
    let changedS = t;
    let changed = true;
    let last: Conditions | null = null;
    for (const here of conditions) {
      if (here.endS <= t + 1e-9) continue;
      let dressed = false;
      if (last === null || isAbrupt(last, here)) changed = true;
      last = here;
      while (t < here.endS - 1e-9) {
        if (busy && t >= doneS - 1e-6) {
          this.endChange(busy, here.airC);
          busy = null;
          doneS = Infinity;
          dressed = false;
          changed = true;
        }
        while (!busy && nextCue < cues.length && cues[nextCue].atS <= t + 1e-6) {
          const cue = cues[nextCue++];
          if (cue.atS < t - 1e-6 && t !== 0) continue;
          dressed = false;
          changed = true;
          const change = this.changing(cue.actions, here.packOn);
          const untilS = Math.min(t + change.seconds, nextCue < cues.length ? cues[nextCue].atS : end, end);
          this.beginChange(change, here.airC);
          // At the door everything is as the day begins; a change that has no time left is done at once.
          if (t === 0 || options.atOnce || untilS < t + 1) this.endChange(change, here.airC);
          else {
            busy = change;
            doneS = untilS;
          }
        }
        if (!dressed) {
          this.dress(busy?.halt ? atHalt(here) : here);
          dressed = true;
          if (changed) changedS = t;
          changed = false;
          if (row === 0 && t === 0) this.record(out, row++);
        }
        let until = Math.min(here.endS, t + settlingStep(t - changedS, stepS), doneS);
        if (!busy && nextCue < cues.length && cues[nextCue].atS < until) until = cues[nextCue].atS;
        const nextSample = row * sampleS;
        if (row < rows && nextSample > t + 1e-9 && nextSample < until) until = nextSample;
        this.step(until - t);
        t = until;
        if (row < rows && t >= row * sampleS - 1e-9) this.record(out, row++);
      }
    }
    if (busy && last) this.endChange(busy, last.airC);
    return out;
  }

  private record(out: Series, row: number): void {
    const { state: s, output: o, body, wardrobe: w } = this;
    const m = s.memory;
    out.timeS[row] = s.head[HEAD.time];
    out.coreC[row] = s.head[HEAD.central];
    out.metabolicW[row] = s.head[HEAD.metabolic];
    out.heatW[row] = s.head[HEAD.metabolic] - s.head[HEAD.external] + o.shiverW;
    out.habitW[row] = s.head[HEAD.habit];
    out.shiverW[row] = o.shiverW;
    out.mouth[row] = this.stacks.mouth;
    out.sweatGh[row] = o.sweatTotal * 3600;
    let dry = 0;
    let wet = 0;
    for (let z = 0; z < ZONE_COUNT; z++) {
      const k = row * ZONE_COUNT + z;
      out.skinC[k] = s.skin[z];
      out.wettedness[k] = m[L.WETNESS + z];
      out.filmGm2[k] = s.film[z];
      out.zoneLossWm2[k] = m[L.DRY_LOSS + z] + m[L.EVAPORATIVE_LOSS + z];
      dry += m[L.DRY_LOSS + z] * body.area[z];
      wet += m[L.EVAPORATIVE_LOSS + z] * body.area[z];
    }
    out.dryLossW[row] = dry;
    out.evaporativeLossW[row] = wet;
    out.evaporationGh[row] = (wet / LATENT_VAPOUR) * 3600;
    // Before the first step the breath is that of the body at rest.
    out.breathLossW[row] = this.breathW || m[L.METABOLIC] * this.breathShare * (1 - this.stacks.mouth);
    out.bodyHeatJ[row] = this.bodyHeat();
    const at = row * w.count * ZONE_COUNT;
    out.garmentC.set(s.temperature, at);
    out.waterGm2.set(s.water, at);
    out.frostGm2.set(s.ice, at);
    for (let g = 0; g < w.count; g++) out.worn[row * w.count + g] = s.worn[g] | this.aside[g];
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

  /** Heat gained by the body's own tissues since rest, J; negative: lost. */
  bodyHeat(): number {
    return this.bodyEnergy() - this.restEnergy;
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
