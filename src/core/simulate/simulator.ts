// Longer than a file should be: the state of one run and the step that moves it; what could be told apart (heaters, wearing,
// surroundings, the run over an outing) already is.
import { exp } from '@/core/quantity/exact';
import { CLOTH_ABSORPTANCE } from '@/core/atmosphere/sun';
import { bodyParameters, type BodyParameters } from '@/core/body/bodyParameters';
import { coldRate, control, type ControlInput, type ControlOutput } from '@/core/body/control';
import {
  FUEL_J_PER_KG,
  fuelAfter,
  peakShivering,
  shiverFatigue,
  shiverLeft,
  type Burning,
} from '@/core/body/shivering';
import { CENTRAL_SHARE, neutralState, readyState, type NeutralState } from '@/core/body/neutral';
import { checkPerson, type Person } from '@/core/body/person';
import { bareSkinC } from '@/core/atmosphere/bareSkin';
import { breathHeatShare, breathLatentShare } from '@/core/body/respiration';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { MAX_OPENINGS, type Garment } from '@/core/clothing/garment';
import { buildStacks, newStacks, type Ambient, type Stacks } from '@/core/clothing/stack';
import { garmentArrays, type GarmentArrays } from '@/core/clothing/garmentArrays';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { LATENT_VAPOUR } from '@/core/quantity/units';
import type { Conditions } from '@/core/outing/conditions';
import { feelsLikeC, feltByPart } from '@/core/outing/feelsLike';
import type { Plan } from '@/core/kit/plan';
import { Ledger } from './ledger';
import { MouthCover } from './mouthCover';
import { MUSCLE_BY_ZONE } from './muscles';
import * as L from './layout';
import { rehearse, SOMEBODY } from './rehearse';
import { packLayers } from './packLayers';
import { storedWater } from '@/core/moisture/beyondDry';
import { lensFog } from '@/core/moisture/lensFog';
import { bothersIn } from './bothers';
import { Heaters } from './heaters';
import { noContact, readFall, readTouch } from './surroundings';
import { SEALED, weathered, type Weathered } from './outOfTheWeather';
import { Wearing } from './wearing';
import { runThrough, type RunOptions } from './run';
import type { Series } from './series';
import { HEAD, newState, restBody, type State } from './state';
import { eliminateHeat, settleHeat, wholeOverMean } from './zoneHeat';
import { moveLiquid, takeFall, wickAcross } from './zoneLiquid';
import { stepVapour } from './zoneVapour';

/** Time constants of the metabolic rate following the work, s: oxygen uptake rises over 2–3 min and decays a little faster. */
const EFFORT_RISE_S = 60;
const EFFORT_FALL_S = 45;
/** A cheek cools with this time constant, s (cheek cooling curves of Tikuisis et al. 2007, from memory: most of it within ten minutes). */
const BARE_FACE_S = 240;
/** The controller looks ahead half a step, of steps up to so long, s: further than that a straight line is no guess. */
const AHEAD_S = 120;
/**
 * Comfort follows effort as working muscles warm and cool, s: most of the way up within ten minutes (quadriceps of Saltin, Gagge & Stolwijk 1968, from
 * memory; right clothes begin to feel right after five to ten minutes: common practice, no published source), and back more slowly.
 */
const COMFORT_RISE_S = 360;
const COMFORT_FALL_S = 600;

/** Below this core temperature the body makes less heat at rest, °C. */
const SLOWS_C = 36;

const FACE = zoneIndex('face');
interface Body {
  body: BodyParameters;
  neutral: NeutralState;
  ready: ReturnType<typeof readyState>;
}
/** A search dresses one person hundreds of times: what is theirs is worked out, and checked, once. */
const bodies = new WeakMap<Person, Body>();

function bodyOf(person: Person): Body {
  let known = bodies.get(person);
  if (!known) {
    const body = bodyParameters(checkPerson(person));
    known = { body, neutral: neutralState(body), ready: readyState(body, MUSCLE_BY_ZONE.sit) };
    bodies.set(person, known);
  }
  return known;
}

/** How many were made in this process. The engine is shown every branch of a step before the second one: the first makes the plan that is shown at once, in few steps. */
let made = 0;

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
  readonly arrays: GarmentArrays;
  readonly state: State;
  readonly ledger = new Ledger();
  readonly stacks: Stacks = newStacks();
  /** what the controller wrote last */
  readonly output: ControlOutput;
  private readonly wet: Float64Array;
  private readonly worn: Uint8Array;
  /** what is on, and how it is changed */
  readonly wearing: Wearing;
  /** W */
  readonly maxMetabolic: number;
  /** the most heat of shivering when rested, W, and carbohydrate when fed, J */
  private readonly peakShiverW: number;
  private readonly mostFuel: number;
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
  private readonly heaters: Heaters;
  /** what the weather does to ears, eyes and hair, and the air of the last `dress` */
  readonly weather: Weathered = {
    earC: 0.5,
    eyes: 0.5,
    rained: 0.5,
    masked: 0.5,
    scant: 0.5,
    hinders: 0.5,
    flaps: 0.5,
    lens: -1,
  };
  private air: Conditions | null = null;
  /** what the air of the last `dress` feels like to bare skin, °C */
  feelsC = 0.5;
  private readonly contact = noContact();
  private readonly skinAhead: Float64Array;
  /** about how far the last step was off for taking its rate as constant, K, at the worst zone */
  roughK = 0.5;
  private readonly burning: Burning = { workW: 0.5, workShare: 0.5, restW: 0.5, shiverW: 0.5, shiverShare: 0.5 };
  private breathLatent = 0.5;
  private readonly cover: MouthCover;
  private breathW = 0.5;
  /** the step that the relaxations below are for, s (none yet), and how far effort rises and falls by its end and in the mean, and is got used to, 0–1 */
  private relaxedFor = -0.5;
  private rise = 0.5;
  private fall = 0.5;
  private riseMean = 0.5;
  private fallMean = 0.5;
  private comfortRises = 0.5;
  private comfortFalls = 0.5;
  /** how far bare cheeks follow the air in it, 0–1, and what they go towards, °C */
  private bares = 0.5;
  private bareFaceC = 0.5;
  /** what the air of the last `dress` feels like to it, °C */
  private feltBareC = 0.5;
  /** share of the basal heat made in each zone's tissue */
  private readonly basalHeat: Float64Array;
  private readonly control: ControlInput;
  private readonly restEnergy: number;

  constructor(person: Person, garments: Garment[]) {
    if (++made === 2) rehearse((kit) => new Simulator(SOMEBODY, kit));
    const { body, neutral, ready } = bodyOf(person);
    this.body = body;
    this.neutral = neutral;
    this.ready = ready;
    this.arrays = garmentArrays(garments);
    this.state = newState(garments.length, garments.length * MAX_OPENINGS);
    this.worn = new Uint8Array(garments.length);
    this.wearing = new Wearing(this.arrays, this.state, this.body, this.ledger);
    this.heaters = new Heaters(this.arrays, this.state);
    this.cover = new MouthCover(this.state, this.arrays, this.body, this.stacks);
    const zones = (from: number) => this.state.memory.subarray(from, from + ZONE_COUNT);
    zones(L.AREA).set(this.body.area);
    zones(L.PER_AREA).set(this.body.perArea);
    zones(L.TISSUE_CAPACITY).set(this.body.tissueC);
    zones(L.SKIN_CAPACITY).set(this.body.skinC);
    zones(L.CONDUCTION).set(this.body.conduction);
    this.wet = zones(L.WETNESS);
    this.skinAhead = zones(L.SKIN_AHEAD);
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
    this.peakShiverW = peakShivering(person);
    this.mostFuel = FUEL_J_PER_KG * person.massKg;
    const tissueTotal = this.body.tissueC.reduce((a, b) => a + b, 0);
    this.basalHeat = this.body.tissueC.map((c) => ((1 - CENTRAL_SHARE) * c) / tissueTotal);
    this.control = {
      centralC: 0.5,
      setCentral: this.neutral.centralC,
      setSkin: this.neutral.skinC,
      muscleW: zones(L.MUSCLE_W),
      flowFactor: this.stacks.flowFactor,
      exerciseShare: 0.5,
      wettedness: this.wet,
      shiverPeakW: 0.5,
    };
    restBody(this.state, this.ready, this.ready.metabolicW, this.mostFuel);
    this.restEnergy = this.bodyEnergy();
  }

  /**
   * Puts a rested body into the start kit. Garments begin at room temperature with the regain of 50 % humidity, plus
   * `damp` g/m² where the closet says so.
   * @throws OutOfRange for unknown garments or openings, or more than MAX_LAYERS layers on one zone
   */
  start(plan: Plan, dampGm2: Record<string, number> = {}, roomC = 18): void {
    const { state: s, arrays: w } = this;
    restBody(s, this.ready, this.ready.metabolicW, this.mostFuel);
    s.evaporation.fill(0);
    s.slope.fill(0);
    s.owed.fill(0);
    s.ice.fill(0);
    s.temperature.fill(roomC);
    this.heaters.fill();
    this.ledger.reset();
    this.output.sweatTotal = this.output.shiverW = this.breathW = 0;
    for (let g = 0; g < w.count; g++) {
      const damp = dampGm2[w.garments[g].id] ?? 0;
      for (let z = 0; z < ZONE_COUNT; z++) {
        const j = g * ZONE_COUNT + z;
        s.water[j] = w.cover[j] > 0 ? Math.min(storedWater(w.sorb[j]) + damp, w.sorb[j] + w.liquid[j]) : 0;
      }
    }
    this.wearing.start(plan);
  }

  /** Skin wettedness of the last step, one a zone, 0–1. */
  get wettedness(): Float64Array {
    return this.wet;
  }

  /** How near what is worn before the eyes is to fogging, 1 where it does: see `lensFog`. */
  get fog(): number {
    const { lens } = this.weather;
    if (lens < 0 || !this.air) return 0;
    const eyewear = this.arrays.garments[lens].airPermeability < SEALED ? 'goggles' : 'glasses';
    return lensFog(this.air, { eyewear, faceC: this.state.skin[FACE], mouth: this.stacks.mouth });
  }

  /** What is bare of the face, °C; Infinity where all of it is covered. */
  get bareFace(): number {
    return this.stacks.bareFace > 0 ? this.state.head[HEAD.bareFace] : Infinity;
  }

  /** What the air feels like to what is bare of the face, °C; Infinity where all of it is covered. */
  get feelsBare(): number {
    return this.stacks.bareFace > 0 ? this.feltBareC : Infinity;
  }

  /** What bothers where the last `dress` was for, by garment: see `bothersIn`. */
  get bothers(): Float64Array | null {
    return this.air && bothersIn(this.arrays, this.air.sport);
  }

  /** Whether what covers the mouth holds ice, or is about as cold as breath freezes in it. */
  get breathesIce(): boolean {
    return this.cover.on && this.cover.isIcy;
  }

  /** Shivering of the last step, W. */
  get shiverW(): number {
    return this.output.shiverW;
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
    this.heaters.stoke();
    this.ambient.heatW = this.heaters.burning ? this.heaters.heatW : undefined;
    this.ambient.bodyArea = this.body.totalArea;
    this.ambient.touch = readTouch(c, this.contact);
    const m = this.state.memory;
    m[L.AIR_C] = c.airC;
    m[L.AIR_VAPOUR] = c.vapourPa;
    m[L.SUN] = c.sunWm2 * CLOTH_ABSORPTANCE - c.skyWm2;
    this.now.metabolicW = Math.min(this.maxMetabolic, c.metabolicW * this.metabolicBias);
    this.now.externalW = c.externalW;
    this.muscles = MUSCLE_BY_ZONE[c.sport];
    this.breathLatent = breathLatentShare(c.airC, c.vapourPa);
    this.breathShare = breathHeatShare(c.airC) + this.breathLatent;
    buildStacks(this.arrays, { worn: this.worn, open: this.state.open }, this.ambient, this.stacks);
    packLayers(this.state.memory, this.stacks, this.arrays);
    this.cover.find(c.airC);
    this.feelsC = feelsLikeC(c);
    this.air = c;
    weathered(c, this.stacks, this.arrays, this.weather);
    const { bareFace } = this.stacks;
    this.bareFaceC = bareFace > 0 ? bareSkinC(c.airC, c.relativeWind, bareFace) : 0;
    this.feltBareC = bareFace > 0 ? feltByPart(c, bareFace) : 0;
    this.falling = readFall(m, c);
    // Heat still owed by layers that are off now is settled at once, so that nothing is forgotten.
    for (let g = 0; g < this.worn.length; g++) {
      if (this.worn[g]) continue;
      for (let z = 0; z < ZONE_COUNT; z++) {
        const j = g * ZONE_COUNT + z;
        this.state.owed[j] = this.state.evaporation[j] = this.state.slope[j] = 0;
      }
    }
  }

  /** Relaxations over a step, kept as long as the step stays the same. */
  private relax(dt: number): void {
    this.relaxedFor = dt;
    this.rise = 1 - exp(-dt / EFFORT_RISE_S);
    this.fall = 1 - exp(-dt / EFFORT_FALL_S);
    this.riseMean = 1 - (this.rise * EFFORT_RISE_S) / dt;
    this.fallMean = 1 - (this.fall * EFFORT_FALL_S) / dt;
    this.comfortRises = 1 - exp(-dt / COMFORT_RISE_S);
    this.comfortFalls = 1 - exp(-dt / COMFORT_FALL_S);
    this.bares = 1 - exp(-dt / BARE_FACE_S);
  }

  /** One step of `dt` seconds under the conditions that `dress` was called for. */
  step(dt: number): void {
    const { body, output: o, stacks, ledger, now } = this;
    const m = this.state.memory;
    const at = this.state.at;
    if (dt !== this.relaxedFor) this.relax(dt);
    const wanted = now.metabolicW;
    const move = wanted > m[L.METABOLIC] ? this.rise : this.fall;
    const central = m[L.CENTRAL];
    const meanly = wanted > m[L.METABOLIC] ? this.riseMean : this.fallMean;
    const metabolic = m[L.METABOLIC] + (wanted - m[L.METABOLIC]) * meanly;
    const external = m[L.EXTERNAL] + (now.externalW - m[L.EXTERNAL]) * meanly;
    m[L.METABOLIC] += (wanted - m[L.METABOLIC]) * move;
    m[L.EXTERNAL] += (now.externalW - m[L.EXTERNAL]) * move;
    // A cooling body makes less of the heat it makes at rest (Q10 of 2).
    const slowed = central < SLOWS_C ? body.basal * (1 - coldRate(central - SLOWS_C)) : 0;
    const rest = body.basal - slowed;
    const basal = rest < metabolic ? rest : metabolic;
    const spare = metabolic - slowed - external - basal;
    const work = spare > 0 ? spare : 0;
    const { muscles } = this;
    const posture = MUSCLE_BY_ZONE.stand;
    for (let z = 0; z < ZONE_COUNT; z++) m[L.MUSCLE_W + z] = work * muscles[z];

    // Where core and skin will be in the middle of the step, as they moved in the last: what the body does in a step answers to that.
    const ahead = 0.5 * (dt < AHEAD_S ? dt : AHEAD_S);
    for (let z = 0; z < ZONE_COUNT; z++) m[L.SKIN_AHEAD + z] = m[L.SKIN + z] + ahead * m[L.SKIN_RATE + z];
    this.control.centralC = central + ahead * m[L.CENTRAL_RATE];
    this.control.exerciseShare = (metabolic - basal) / this.maxMetabolic;
    this.control.shiverPeakW = this.peakShiverW * shiverLeft(m[L.FATIGUE], m[L.FUEL] / this.mostFuel, central);
    control(body, this.skinAhead, this.control, o);
    for (let z = 0; z < ZONE_COUNT; z++)
      m[L.TISSUE_HEAT + z] = m[L.MUSCLE_W + z] + basal * this.basalHeat[z] + o.shiverW * posture[z];

    m[L.DT] = dt;
    m[L.RATE] = 1 / dt;
    m[L.POOL_FIXED] =
      m[L.POOL_PER_K] =
      m[L.EVAPORATED] =
      m[L.PRODUCED] =
      m[L.DRIPPED] =
      m[L.FALLEN] =
      m[L.TO_FALLEN] =
        0;
    const covered = this.cover.on;
    const falling = this.falling;
    for (let z = 0; z < ZONE_COUNT; z++) eliminateHeat(m, z, at);
    this.breathW = metabolic * this.breathShare * (1 - stacks.mouth);
    const holds = body.centralC / dt;
    const whole = wholeOverMean(holds, m[L.POOL_PER_K]);
    const pool =
      (holds * whole * central + CENTRAL_SHARE * basal - this.breathW + m[L.POOL_FIXED]) /
      (holds * whole + m[L.POOL_PER_K]);
    m[L.POOL_MEAN] = pool;
    m[L.CENTRAL_RATE] = (whole * (pool - central)) / dt;
    m[L.CENTRAL] = central + whole * (pool - central);
    let dry = 0;
    const perStep = 1 / dt;
    let bend = 0;
    for (let z = 0; z < ZONE_COUNT; z++) {
      const before = m[L.SKIN + z];
      settleHeat(m, z, at);
      const rate = (m[L.SKIN + z] - before) * perStep;
      const bent = rate - m[L.SKIN_RATE + z];
      m[L.SKIN_RATE + z] = rate;
      if (bent > bend) bend = bent;
      else if (-bent > bend) bend = -bent;
      dry += m[L.DRY_LOSS + z] * m[L.AREA + z];
      wickAcross(m, z, at);
      if (falling) takeFall(m, z, at);
      if (covered && z === FACE) this.cover.breathe(metabolic, dt);
      stepVapour(m, z, at);
      moveLiquid(m, z, at);
    }
    this.roughK = 0.5 * bend * dt;
    const made = basal + work + o.shiverW;
    this.tire(basal, work, dt);
    const keep = 1 - stacks.mouth;
    ledger.breath += this.breathW * dt;
    if (covered) {
      const left = this.cover.warm(dt);
      ledger.produced += left;
      this.breathW += (LATENT_VAPOUR * left) / dt;
      m[L.CENTRAL] -= (LATENT_VAPOUR * left) / body.centralC;
    }
    // Beneath a cover there is no bare skin: what is bared afterwards begins as warm as the cover kept it.
    const bares = stacks.bareFace > 0 ? this.bareFaceC : m[L.SKIN + FACE];
    m[L.BARE_FACE] += (bares - m[L.BARE_FACE]) * this.bares;
    m[L.TIME] += dt;
    m[L.HABIT] += (made - m[L.HABIT]) * (made > m[L.HABIT] ? this.comfortRises : this.comfortFalls);
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
    if (this.heaters.burning) ledger.warmed += this.heaters.burn(dt);
  }

  /** Shivering tires and work burns: what is left of both for the next step. */
  private tire(basal: number, work: number, dt: number): void {
    const m = this.state.memory;
    const { burning } = this;
    burning.restW = basal;
    burning.workW = work;
    burning.workShare = work / this.maxMetabolic;
    burning.shiverW = this.output.shiverW;
    burning.shiverShare = this.output.shiverW / this.peakShiverW;
    if (m[L.FATIGUE] > 0 || burning.shiverShare > 0)
      m[L.FATIGUE] = shiverFatigue(m[L.FATIGUE], burning.shiverShare, dt);
    m[L.FUEL] = fuelAfter(m[L.FUEL], burning, dt, this.mostFuel);
  }

  /** Runs conditions under a plan from the present state and returns the series: see `runThrough`. */
  run(conditions: readonly Conditions[], plan: Plan, options: RunOptions = {}, into?: Series): Series {
    return runThrough(this, { conditions, plan, options, into });
  }

  /** Heat lost with the breath in the last step, W; before the first that of the body at rest. */
  get breathLossW(): number {
    return this.breathW || this.state.memory[L.METABOLIC] * this.breathShare * (1 - this.stacks.mouth);
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
    return this.bodyEnergy() - owed + this.wearing.wornEnergy();
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

  /** Water on the skin and in all garments, worn or carried, g. */
  heldWater(): number {
    const { state: s, body, arrays: w } = this;
    let held = 0;
    for (let z = 0; z < ZONE_COUNT; z++) {
      held += s.film[z] * body.area[z];
      for (let g = 0; g < w.count; g++) held += s.water[g * ZONE_COUNT + z] * body.area[z];
    }
    return held;
  }
}
