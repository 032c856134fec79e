import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { SITTING_WM2 } from '@/core/body/neutral';
import { bodyArea } from '@/core/body/person';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { MAX_LAYERS } from '@/core/clothing/stack';
import { SHIVERS_W } from '@/core/judge/limits';
import { feelsLikeC } from '@/core/outing/feelsLike';
import type { PlanInPlace } from './question';
import { LEAST_COVER, type Garment } from '@/core/clothing/garment';
import { safetyList, type SafetyItem } from './safetyList';
import { meansFor, type Means } from './shelters';
import { isIndoors } from '@/core/effort/sports';
import { hoursToDoor } from '@/core/outing/doors';
import { stretchAt } from '@/core/outing/moments';
import { truncate } from '@/core/outing/truncate';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import type { Series } from '@/core/simulate/series';
import type { KitAction } from '@/core/kit/plan';
import { Simulator } from '@/core/simulate/simulator';
import { alongOf, isAlong } from '@/core/kit/edit';
import { inReach } from '@/core/kit/raceBag';

/** The body after some hours of not moving. */
export interface StuckState {
  hours: number;
  coreC: number;
  fingersC: number;
  toesC: number;
  shiverW: number;
}

export type Danger = 'cold core' | 'worn out by shivering';

/** What happens to somebody who cannot go on from a place, in everything they have with them. */
export interface Stuck {
  /** 'worst' where it chills most, 'farthest' where help and the door are farthest, 'here' where somebody is */
  place: 'worst' | 'farthest' | 'here';
  atS: number;
  where: string;
  airC: number;
  feelsC: number;
  /** hours until shivering in earnest, useless hands, danger; null within twelve hours never */
  shiversH: number | null;
  handsH: number | null;
  dangerH: number | null;
  /** what the danger is: a core under 35 °C, or muscles worn out by shivering */
  dangerBy: Danger | null;
  after: StuckState[];
  /** hours at the pace of the outing to the nearest door: back to the start, on to the end, or a hut on the way */
  doorH: number;
  /** what a mat, a bag, a snow hole or company would make of it */
  means: { name: string; handsH: number | null; dangerH: number | null; after: StuckState[] }[];
  /** the one more piece from the closet that helps most, and what danger (or, without danger, hands) becomes with it */
  oneMore: { garment: string; name: string; handsH: number | null; dangerH: number | null } | null;
}

export interface StuckOut {
  stuck: Stuck[];
  safety: SafetyItem[];
}

type StuckQuestion = Pick<PlanInPlace, 'person' | 'closet' | 'timeline' | 'plan' | 'damp'>;

const HOURS = [1, 2, 4, 12];
const STEP_S = 60;
const SAMPLE_S = 300;
/** Hands below this cannot work a zip or a stove; ISO 11079 puts loss of dexterity at 15, numbness near 8. */
const USELESS_C = 10;
/** Danger: hypothermia begins near 35 °C of core; and nobody shivers for ever: at the end of endurance the core follows. */
const DANGER_C = 35;
const WORN_OUT = 1;
/** Up to this the ground one sits on is cold enough to count as snow, °C (engineering value). */
const COLD_GROUND_C = 3;

/**
 * Stops a plan dead at its worst and its farthest place, puts everything on that is along, shuts every opening, and waits
 * twelve hours in that air out of the sun, sitting on the pack or on the ground. Shivering warms until it is worn out; nothing is
 * eaten, no shelter is dug. What a mat, a bag, a snow hole or company would change is told beside it.
 * @throws OutOfRange
 */
export function stuckOut(r: StuckQuestion): StuckOut {
  const places = [
    { place: 'worst' as const, stretch: worst(r) },
    { place: 'farthest' as const, stretch: farthest(r.timeline) },
  ];
  const spare = r.closet.filter((g) => !isAlong(r.plan, g.id) && helpsStuck(g));
  // What is handed in for a race is no help half way round, and ticks nothing.
  const far = inReach(r, places[1].stretch.startS);
  return {
    stuck: places.map((p) => stuckAt(r, p, inReach(r, p.stretch.startS), spare)),
    safety: safetyList(r, far),
  };
}

/**
 * The same where somebody is: everything along goes on now.
 * @param nowS s since the start @param people how many are stuck together @throws OutOfRange
 */
export function stuckHere(r: StuckQuestion, nowS: number, people = 1): Stuck {
  const stretch: Stretch = { ...stretchAt(r.timeline, nowS), startS: nowS };
  return stuckAt(r, { place: 'here', stretch, people }, inReach(r, nowS), []);
}

function stuckAt(
  r: StuckQuestion,
  { place, stretch, people }: { place: Stuck['place']; stretch: Stretch; people?: number },
  have: readonly Garment[],
  spare: readonly Garment[],
): Stuck {
  const means = meansFor(people).filter((m) => m.possible?.(stretch) ?? true);
  const waits = new Waiting(
    r,
    [...alongOf(r.closet, r.plan), ...spare, ...means.flatMap((m) => m.cover ?? [])],
    stretch,
  );
  const base = waits.in(have);
  const better = spare
    .map((g) => ({ g, run: waits.in([...have, g]) }))
    .sort((a, b) => score(b.run) - score(a.run) || a.g.massG - b.g.massG)[0];
  const helps = better && score(better.run) > score(base) + 0.25;
  return {
    place,
    atS: stretch.startS,
    where: r.timeline.legs[stretch.leg].name,
    airC: stretch.airC,
    feelsC: feelsLikeC(stillAt(r, stretch)),
    shiversH: base.shiversH,
    handsH: base.handsH,
    dangerH: base.dangerH,
    dangerBy: base.dangerBy,
    after: base.after,
    doorH: hoursToDoor(r.timeline, stretch),
    means: means.map((m) => {
      const { handsH, dangerH, after } = waits.in(m.cover ? [...have, m.cover] : have, m);
      return { name: m.name, handsH, dangerH, after };
    }),
    oneMore: helps
      ? { garment: better.g.id, name: better.g.name, handsH: better.run.handsH, dangerH: better.run.dangerH }
      : null,
  };
}

/** An hour from a door counts like air so many kelvin colder: of places as cold as each other the one at the door is not the worst (engineering value). */
const FROM_DOOR = 0.5;

/** Where the air chills somebody who sits there most, outdoors; what falls counts as a few degrees more. */
function worst(r: StuckQuestion): Stretch {
  const t = r.timeline;
  const out = t.stretches.filter((s) => !isIndoors(s.sport));
  const list = out.length > 0 ? out : t.stretches;
  const chill = (s: Stretch) =>
    feelsLikeC(stillAt(r, s)) - 2 * Math.min(3, s.precipitationMmH) - FROM_DOOR * Math.min(1, hoursToDoor(t, s));
  return list.reduce((a, b) => (chill(b) < chill(a) ? b : a));
}

/** Half way round by distance, outdoors; half way by time where nobody goes anywhere. */
function farthest(t: Timeline): Stretch {
  const out = t.stretches.filter((s) => !isIndoors(s.sport));
  const list = out.length > 0 ? out : t.stretches;
  const length = Math.max(...t.stretches.map((s) => s.distanceM));
  const far = (s: Stretch) => (length > 0 ? -Math.abs(s.distanceM - length / 2) : -Math.abs(s.startS - t.endS / 2));
  return list.reduce((a, b) => (far(b) > far(a) ? b : a));
}

const helpsStuck = (g: Garment): boolean =>
  g.role === 'warm' || g.role === 'heater' || (g.group === 'hands' && g.handForm === 'mitten');

interface Waited {
  shiversH: number | null;
  handsH: number | null;
  dangerH: number | null;
  dangerBy: Danger | null;
  after: StuckState[];
}

/** More is better: hours to danger, then to useless hands, then what the core still is. */
function score(w: Waited): number {
  return (w.dangerH ?? 14) * 2 + (w.handsH ?? 14) + (w.after[w.after.length - 1].coreC - 35) * 0.2;
}

const FINGERS = zoneIndex('fingers');
const TOES = zoneIndex('toes');

/** Somebody sitting at a place, out of the sun: what is simulated there, and what its feels-like is told of. */
const stillAt = (r: StuckQuestion, place: Stretch): Stretch => ({
  ...place,
  sport: 'sit',
  metabolicW: Math.min(SITTING_WM2 * bodyArea(r.person), maximalMetabolicRate(r.person.vo2maxMl, r.person.massKg)),
  externalW: 0,
  pumping: 0,
  speedMs: 0,
  sunWm2: 0,
  packOn: false,
  packUnder: false,
  wetting: place.airC > COLD_GROUND_C ? null : place.packOn ? 'sitting on a mat' : 'sitting on snow',
  // Nobody makes wind while sitting, and a tailwind one ran with blows again: what is met is the wind of standing there.
  relativeWind: place.stillWind ?? place.relativeWind,
});

/** Somebody who has gone along to a place, once, and waits there in one thing or another. */
class Waiting {
  private readonly sim: Simulator;
  private readonly arrived: Float64Array;
  private readonly startS: number;
  private series: Series | undefined;

  /** @param all every garment that may come into it, worn, carried or not along */
  constructor(
    private readonly r: StuckQuestion,
    all: readonly Garment[],
    private readonly place: Stretch,
  ) {
    this.sim = new Simulator(r.person, [...all]);
    this.sim.start(r.plan, r.damp);
    const before = truncate(r.timeline, place.startS)?.stretches ?? [];
    if (before.length > 0) this.sim.run(before, r.plan, { stepS: STEP_S / 2, sampleS: 600 });
    this.startS = before.length > 0 ? before[before.length - 1].endS : 0;
    this.arrived = this.sim.snapshot();
  }

  /** Waits twelve hours in all of these that fit. */
  in(garments: readonly Garment[], means?: Means): Waited {
    const { sim, startS } = this;
    sim.restore(this.arrived);
    sim.wearing.apply(everythingOn(sim, new Set(garments.map((g) => g.id))), this.place.airC);
    const at = stillAt(this.r, this.place);
    const still: Stretch = { ...at, ...means?.air?.(at), startS, endS: startS + 12 * 3600 };
    const nothing = { worn: [], carried: [], openings: {}, cues: [] };
    this.series = sim.run([still], nothing, { stepS: STEP_S, sampleS: SAMPLE_S }, this.series);
    return readWaiting(this.series, startS);
  }
}

/**
 * When somebody who waits begins to shiver in earnest, has useless hands, and is in danger.
 * @param s the run, sampled every few minutes @param startS when the waiting begins, s
 */
export function readWaiting(
  s: Pick<Series, 'rows' | 'stepS' | 'timeS' | 'skinC' | 'coreC' | 'shiverW' | 'fatigue'>,
  startS: number,
): Waited {
  const out: Waited = { shiversH: null, handsH: null, dangerH: null, dangerBy: null, after: [] };
  for (let row = 0; row < s.rows; row++) {
    const hours = (s.timeS[row] - startS) / 3600;
    if (hours < 0 || s.timeS[row] === 0) continue;
    const fingersC = s.skinC[row * ZONE_COUNT + FINGERS];
    const toesC = s.skinC[row * ZONE_COUNT + TOES];
    // A sample before it and this one: between them a value is taken to run straight, so that what helps by a minute shows.
    const earlier = row > 0 && s.timeS[row - 1] >= startS && s.timeS[row - 1] > 0 ? row - 1 : row;
    const when = (read: (r: number) => number, limit: number): number | null => {
      const [before, now] = [read(earlier), read(row)];
      if (now < limit) return null;
      const share = before < limit ? (limit - before) / (now - before) : 0;
      return (s.timeS[earlier] + share * (s.timeS[row] - s.timeS[earlier]) - startS) / 3600;
    };
    out.shiversH ??= when((r) => s.shiverW[r], SHIVERS_W);
    out.handsH ??= when((r) => -s.skinC[r * ZONE_COUNT + FINGERS], -USELESS_C);
    if (out.dangerH === null) {
      const coldH = when((r) => -s.coreC[r], -DANGER_C);
      const wornH = when((r) => s.fatigue[r], WORN_OUT);
      if (coldH !== null || wornH !== null) {
        const byCold = coldH !== null && (wornH === null || coldH <= wornH);
        out.dangerH = byCold ? coldH : wornH;
        out.dangerBy = byCold ? 'cold core' : 'worn out by shivering';
      }
    }
    const next = HOURS[out.after.length];
    if (next !== undefined && hours >= next - SAMPLE_S / 3600)
      out.after.push({ hours: next, coreC: s.coreC[row], fingersC, toesC, shiverW: s.shiverW[row] });
  }
  return out;
}

/** Everything along put on that fits, warmest over all, and every opening shut, hood up. */
function everythingOn(sim: Simulator, along: ReadonlySet<string>): KitAction[] {
  const actions: KitAction[] = [];
  const layers = new Array<number>(ZONE_COUNT).fill(0);
  const covers = (g: number, z: number) => sim.arrays.cover[g * ZONE_COUNT + z] >= LEAST_COVER;
  const { garments } = sim.arrays;
  garments.forEach((_, g) => {
    if (sim.state.worn[g]) for (let z = 0; z < ZONE_COUNT; z++) if (covers(g, z)) layers[z]++;
  });
  garments.forEach((garment, g) => {
    if (!along.has(garment.id)) return;
    if (!sim.state.worn[g]) {
      // Socks and a second base are no quick help to somebody who cannot move.
      if (garment.group === 'feet' && garment.role !== 'heater') return;
      const fits = layers.every((n, z) => !covers(g, z) || n < MAX_LAYERS);
      if (!fits) return;
      for (let z = 0; z < ZONE_COUNT; z++) if (covers(g, z)) layers[z]++;
      actions.push({ do: 'putOn', garment: garment.id });
    }
    for (const o of garment.openings) actions.push({ do: 'set', garment: garment.id, opening: o.id, setting: 0 });
  });
  return actions;
}
