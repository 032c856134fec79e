// Longer than a file should be: one script that is run once; most of it is the table of the winter's days and ways.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import seedrandom from 'seedrandom';
import { v4 } from 'uuid';
import { closetAs } from '@/core/calibrate/garments';
import { expects } from '@/core/calibrate/learn';
import { SCALES, type FeltThen } from '@/core/calibrate/readings';
import { athleteAs, nothingLearned, PARAMETER_NAMES, PARAMETERS, type Parameter } from '@/core/calibrate/learned';
import { oddsOf } from '@/core/calibrate/ordinal';
import { FELT, PARTS } from '@/core/calibrate/words';
import { kindFromWetBulb } from '@/core/atmosphere/precipitation';
import { isStop } from '@/core/effort/sports';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { KitAction, Plan } from '@/core/kit/plan';
import type { Leg } from '@/core/outing/leg';
import type { Outing } from '@/core/outing/outing';
import { makePlan } from '@/core/search/planner';
import { baseOf, WET_SHARE } from '@/core/afterwards/day';
import { learnFromAll, openTold, outedOf, type Learning, type ToldOuting } from '@/core/underway/outed';
import { keyOf } from '@/core/underway/foldTaps';
import { openPack } from '@/core/underway/pack';
import type { Saw, Tap, Told } from '@/core/underway/taps';
import { DEMO_PERSON } from '@/demo/scenario';
import { loggedPack } from './cases';
import type { Winter } from '@/demo/winter';

/**
 * Makes the logged winter of the demo athlete: each day is planned as the application plans it, gone by an athlete who is secretly another
 * one, told with the errors of people and scales, and learned from. `npm run winter` writes it anew; nothing else reads the secret.
 */

/** Who the demo athlete really is, in standard deviations of what people differ by. */
const SECRET: Record<Parameter, number> = {
  sweat: 0.8,
  heat: 0.4,
  closing: 0.4,
  comfort: 0.5,
  hands: 0.3,
  feet: 0.2,
  face: 0.5,
};
const truth = PARAMETER_NAMES.map((p) => SECRET[p] * PARAMETERS[p].sd);

/** What was done otherwise than it should have been. */
type Habit = 'well' | 'fast' | 'liners' | 'jacket';
type Way = 'run' | 'nordic' | 'tour' | 'rake' | 'ride' | 'hike';
/** Day, hour, way, °C, m/s, mm/h, habit, and what one said of it. */
type Row = [string, number, Way, number, number, number, Habit, string?];

// prettier-ignore
const ROWS: Row[] = [
  ['2025-11-08', 10, 'run',    5,  3, 0,   'well'],
  ['2025-11-11', 18, 'run',    3,  4, 0,   'fast',   'Soaked at the mill, cold on the way back.'],
  ['2025-11-15', 9,  'hike',   2,  5, 0,   'well'],
  ['2025-11-18', 18, 'run',   -1,  4, 0,   'well'],
  ['2025-11-21', 9,  'ride',   0,  9, 0,   'liners', 'Fingers gone at Kiln Bank.'],
  ['2025-11-25', 18, 'run',   -2,  3, 0,   'fast'],
  ['2025-11-29', 9,  'hike',  -4,  5, 0,   'well'],
  ['2025-12-02', 18, 'run',   -3,  5, 0,   'well'],
  ['2025-12-06', 9,  'nordic',-6,  4, 0,   'fast',   'Raced the lads to the bridge.'],
  ['2025-12-09', 18, 'run',   -5,  3, 0,   'jacket', 'Jacket on to the mill: too much.'],
  ['2025-12-13', 9,  'tour',  -9,  8, 0,   'liners', 'White fingertips on the top.'],
  ['2025-12-16', 18, 'run',   -7,  4, 0,   'well'],
  ['2025-12-20', 9,  'nordic',-8,  3, 0,   'jacket'],
  ['2025-12-23', 10, 'run',   -6,  6, 0,   'well'],
  ['2025-12-27', 9,  'tour', -10,  7, 0,   'fast',   'Warm from the car, soaked at the larches, fine after.'],
  ['2025-12-30', 10, 'hike',  -7,  5, 0,   'well'],
  ['2026-01-03', 9,  'nordic',-9,  4, 0,   'well'],
  ['2026-01-06', 18, 'run',   -8,  4, 0,   'well'],
  ['2026-01-10', 9,  'tour', -12,  6, 0,   'well'],
  ['2026-01-13', 18, 'run',   -6,  3, 0,   'jacket', 'Would leave the vest at home.'],
  ['2026-01-17', 8,  'rake', -14, 10, 0,   'liners', 'Stood for photographs.'],
  ['2026-01-20', 18, 'run',   -5,  5, 0,   'well'],
  ['2026-01-24', 9,  'nordic',-7,  5, 0,   'well'],
  ['2026-01-27', 10, 'ride',  -3,  9, 0,   'liners'],
  ['2026-01-31', 9,  'hike',   1,  6, 1.8, 'well',   'Rain from the tarn on.'],
  ['2026-02-03', 18, 'run',   -4,  4, 0,   'jacket'],
  ['2026-02-07', 9,  'tour', -11,  5, 0,   'fast'],
  ['2026-02-11', 18, 'run',   -6,  6, 0,   'well'],
  ['2026-02-14', 8,  'rake', -15,  9, 0,   'well'],
  ['2026-02-18', 18, 'run',   -3,  3, 0,   'jacket'],
  ['2026-02-21', 9,  'nordic',-5,  4, 0,   'well'],
  ['2026-02-28', 10, 'ride',   2,  6, 0,   'well'],
  ['2026-03-07', 9,  'tour',  -4,  5, 0,   'fast',   'Should have opened at the car.'],
  ['2026-03-14', 9,  'hike',   4,  4, 0,   'well'],
];

const leg = (over: Partial<Leg> & Pick<Leg, 'name' | 'sport' | 'minutes'>): Leg => ({
  distanceM: 0,
  climbM: 0,
  effort: { by: 'usual' },
  shelter: 'open',
  packOn: false,
  noStopping: false,
  ...over,
});
const hard = (value: number) => ({ by: 'exertion' as const, value });

/** The ways of the Tarnholt fells: name, sport, load, and its legs. */
const WAYS: Record<Way, { name: string; sport: Outing['sport']; loadKg: number; legs: Leg[] }> = {
  run: {
    name: 'Mill Lane run',
    sport: 'run',
    loadKg: 0,
    legs: [
      leg({ name: 'Mill Lane', sport: 'run', minutes: 30, distanceM: 5400, effort: hard(4.5), shelter: 'street' }),
      leg({ name: 'Back by the beck', sport: 'run', minutes: 25, distanceM: 4400, effort: hard(4.5) }),
    ],
  },
  nordic: {
    name: 'Birkshaw loop',
    sport: 'classic ski',
    loadKg: 1,
    legs: [
      leg({
        name: 'Birkshaw wood',
        sport: 'classic ski',
        minutes: 55,
        distanceM: 9000,
        effort: hard(4.5),
        shelter: 'forest',
      }),
      leg({ name: 'Bridge', sport: 'stand', minutes: 7 }),
      leg({ name: 'Home track', sport: 'classic ski', minutes: 30, distanceM: 5500, effort: hard(4) }),
    ],
  },
  tour: {
    name: 'Long Shoulder from Mill Lane',
    sport: 'ski tour',
    loadKg: 6,
    legs: [
      leg({
        name: 'Larches',
        sport: 'ski tour',
        minutes: 40,
        distanceM: 2400,
        climbM: 260,
        effort: hard(4.2),
        shelter: 'forest',
        packOn: true,
      }),
      leg({
        name: 'Long Shoulder',
        sport: 'ski tour',
        minutes: 50,
        distanceM: 2900,
        climbM: 350,
        effort: hard(4.2),
        packOn: true,
      }),
      leg({ name: 'Cairn', sport: 'stand', minutes: 9, shelter: 'ridge' }),
      leg({ name: 'Down', sport: 'downhill ski', minutes: 25, distanceM: 5300, climbM: -610, packOn: true }),
    ],
  },
  rake: {
    name: 'Skarn Head by the Rake',
    sport: 'ski tour',
    loadKg: 7,
    legs: [
      leg({
        name: 'Birkshaw wood',
        sport: 'ski tour',
        minutes: 45,
        distanceM: 2900,
        climbM: 280,
        effort: hard(4),
        shelter: 'forest',
        packOn: true,
      }),
      leg({
        name: 'Skarn Rake',
        sport: 'ski tour',
        minutes: 70,
        distanceM: 3700,
        climbM: 480,
        effort: hard(4.2),
        packOn: true,
      }),
      leg({ name: 'Skarn Head', sport: 'stand', minutes: 12, shelter: 'ridge' }),
      leg({ name: 'Down', sport: 'downhill ski', minutes: 35, distanceM: 6600, climbM: -760, packOn: true }),
    ],
  },
  ride: {
    name: 'Tarnholt valley ride',
    sport: 'cycle',
    loadKg: 1,
    legs: [
      leg({ name: 'Valley road', sport: 'cycle', minutes: 55, distanceM: 22000, effort: { by: 'power', value: 150 } }),
      leg({ name: 'Kiln Bank', sport: 'stand', minutes: 8 }),
      leg({
        name: 'Ravenbeck road',
        sport: 'cycle',
        minutes: 40,
        distanceM: 17000,
        effort: { by: 'power', value: 140 },
      }),
    ],
  },
  hike: {
    name: 'Lang Tarn',
    sport: 'hike',
    loadKg: 6,
    legs: [
      leg({
        name: 'Up through Birkshaw',
        sport: 'hike',
        minutes: 70,
        distanceM: 4200,
        climbM: 340,
        effort: hard(3.6),
        shelter: 'forest',
        packOn: true,
      }),
      leg({ name: 'Tarn', sport: 'stand', minutes: 10 }),
      leg({
        name: 'Down by the beck',
        sport: 'hike',
        minutes: 55,
        distanceM: 4200,
        climbM: -340,
        effort: hard(2.6),
        packOn: true,
      }),
    ],
  },
};

const OFFSET_MIN = 60;
const HOUR_MS = 3600_000;
const PLACE = { latitude: 56.2, longitude: 13.4 };

function outingOf([date, hour, way, airC, wind, mmH]: Row, r: () => number): Outing {
  const { legs, ...head } = WAYS[way];
  const startMs = Date.parse(`${date}T${String(hour).padStart(2, '0')}:00:00Z`) + Math.floor(r() * 6) * 5 * 60_000;
  const first = Math.floor(startMs / HOUR_MS) - 1;
  return {
    ...head,
    startMs,
    utcOffsetMin: OFFSET_MIN,
    forecastEleM: 250,
    startEleM: 250,
    albedo: 0.6,
    legs,
    profile: null,
    place: PLACE,
    forecast: Array.from({ length: 8 }, (_, h) => {
      const at = Math.round(10 * (airC + 0.4 * Math.sin(h / 2) + (r() - 0.5) * 0.6)) / 10;
      const blows = Math.round(10 * wind * (0.85 + 0.3 * r())) / 10;
      const falls = h >= 2 ? mmH : 0;
      return {
        timeMs: (first + h) * HOUR_MS,
        airC: at,
        humidity: 0.72,
        wind: blows,
        gust: Math.round(14 * blows) / 10,
        fromDeg: 250,
        precipitationMmH: falls,
        kind: falls > 0 ? kindFromWetBulb(at, 0.9) : ('none' as const),
        cloud: 0.6,
      };
    }),
  };
}

/** The plan as somebody with a habit goes: what is shut is opened late or never, mitts stay in the pack, the jacket stays on. */
function withHabit(plan: Plan, habit: Habit): { plan: Plan; skips: (actions: readonly KitAction[]) => boolean } {
  const groupOf = (id: string) => CATALOGUE.find((g) => g.id === id)!;
  if (habit === 'fast') {
    const shut = { ...plan.openings };
    for (const id of plan.worn)
      for (const o of groupOf(id).openings)
        if (groupOf(id).group === 'torso' && o.kind === 'vent') shut[id] = { ...shut[id], [o.id]: 0 };
    const shell = plan.worn.some(
      (id) => groupOf(id).group === 'torso' && ['shell', 'storm'].includes(groupOf(id).role),
    );
    const worn = shell ? plan.worn : [...plan.worn, 'wind-shell'];
    return {
      plan: { ...plan, worn, openings: shut, carried: plan.carried.filter((id) => !worn.includes(id)) },
      skips: (actions) => actions.some((a) => groupOf(a.garment).group === 'torso'),
    };
  }
  if (habit === 'liners') {
    const thick = (id: string) => groupOf(id).group === 'hands' && groupOf(id).role !== 'liner';
    const worn = plan.worn.filter((id) => !thick(id));
    const liners = worn.some((id) => groupOf(id).group === 'hands') ? worn : [...worn, 'liner-gloves'];
    const carried = [...new Set([...plan.carried.filter((id) => !liners.includes(id)), 'warm-mitts'])];
    return {
      plan: { ...plan, worn: liners, carried, cues: withoutHands(plan, liners) },
      skips: (actions) => actions.some((a) => groupOf(a.garment).group === 'hands'),
    };
  }
  if (habit === 'jacket' && !plan.worn.includes('standby-puffy')) {
    const cues = plan.cues.map((c) => ({ ...c, actions: c.actions.filter((a) => a.garment !== 'standby-puffy') }));
    return {
      plan: {
        ...plan,
        worn: [...plan.worn, 'standby-puffy'],
        carried: plan.carried.filter((id) => id !== 'standby-puffy'),
        cues: cues.filter((c) => c.actions.length > 0),
      },
      skips: () => false,
    };
  }
  return { plan, skips: () => false };
}

/** Cues that no longer put on or take off what is not along. */
const withoutHands = (plan: Plan, worn: readonly string[]) =>
  plan.cues
    .map((c) => ({
      ...c,
      actions: c.actions.filter(
        (a) =>
          CATALOGUE.find((g) => g.id === a.garment)!.group !== 'hands' ||
          (a.do === 'putOn' && !worn.includes(a.garment)),
      ),
    }))
    .filter((c) => c.actions.length > 0);

const normal = (r: () => number): number => Math.sqrt(-2 * Math.log(1 - r())) * Math.cos(2 * Math.PI * r());
const ANSWERED = 0.8;

const list: Winter['days'] = [];
let learning: Learning = { learned: nothingLearned(), lessons: [], failed: [] };
ROWS.forEach((row, i) => {
  const [, , , , , , habit, note] = row;
  const r = seedrandom(`winter ${i}`);
  const id = v4({ random: Uint8Array.from({ length: 16 }, () => Math.floor(r() * 256)) });
  const ideal = outingOf(row, r);
  // Who stands about stands longer than was meant.
  const meant =
    habit === 'liners'
      ? { ...ideal, legs: ideal.legs.map((l) => (isStop(l) ? { ...l, minutes: l.minutes + 7 } : l)) }
      : ideal;
  const opening = openPack({
    ...loggedPack({ id, outing: meant, plan: { worn: [], carried: [], openings: {}, cues: [] } }, DEMO_PERSON),
  });
  // As the application would: with what was learned so far.
  const planned = makePlan({
    person: athleteAs(DEMO_PERSON, learning.learned),
    closet: closetAs(CATALOGUE, learning.learned.garments),
    timeline: opening.timeline,
    sport: meant.sport,
    maxCues: 4,
  }).plan;
  const { plan, skips } = withHabit(planned, habit);
  // Who starts fast works harder than was said: the recorded effort says so afterwards.
  const outing =
    habit === 'fast'
      ? { ...meant, legs: meant.legs.map((l, k) => (k === 0 ? { ...l, effort: hard(6.2) } : l)) }
      : meant;
  const pack = loggedPack({ id, outing, plan }, DEMO_PERSON);
  const opened = openPack(pack);
  const startMs = outing.startMs - OFFSET_MIN * 60_000;
  const taps: Tap[] = [];
  const tell = (atS: number, what: Told) =>
    taps.push({
      id: v4({ random: Uint8Array.from({ length: 16 }, () => Math.floor(r() * 256)) }),
      atMs: startMs + Math.round(atS) * 1000,
      device: 'demo phone',
      told: what,
    });
  tell(0, { kind: 'started', by: 'button' });
  plan.cues.forEach((c) => {
    if (!skips(c.actions)) tell(c.atS + Math.floor(r() * 150), { kind: 'done', cue: keyOf(0, c) });
  });
  const endS = Math.round(opened.timeline.endS);
  tell(endS, { kind: 'home' });
  // What the athlete who is secretly another one would feel and weigh.
  const soFar: ToldOuting = { pack, taps: [...taps] };
  const { out } = openTold(soFar, DEMO_PERSON);
  const outed = outedOf(opened, out);
  const { legStartS, legs } = outed.timeline;
  const asked = PARTS.flatMap((part) =>
    legs.map((_, k): FeltThen => ({ part, word: 'fine', fromS: legStartS[k], toS: legStartS[k + 1] })),
  );
  const base = baseOf(plan, CATALOGUE);
  const weighed = [base?.id, plan.worn.find((w) => w.endsWith('socks'))]
    .flatMap((g) => (g ? [g] : []))
    .map((garment) => ({ garment, waterG: 0, scaleG: 1 }));
  const is = expects({ ...outed, felt: asked, weighed, body: { lossG: 0, scaleG: 1 } }, DEMO_PERSON, truth);
  asked.forEach((f, k) => {
    if (r() > ANSWERED) return;
    let left = r();
    const word = FELT.find((_, w) => (left -= oddsOf({ ...SCALES[f.part], slip: 0.01 }, w, is.felt[k])) <= 0) ?? 'fine';
    tell(endS + 120 + k, { kind: 'felt', part: f.part, felt: word, during: { fromS: f.fromS, toS: f.toS } });
  });
  weighed.forEach((w, k) => {
    const g = CATALOGUE.find((c) => c.id === w.garment)!;
    const grams = Math.max(0, is.weighed[k] * (1 + 0.15 * normal(r)) + normal(r));
    if (k === 0 || r() < 0.6)
      tell(endS + 300 + k, { kind: 'weighed', garment: g.id, grams: Math.round(g.massG + grams) });
    if (k === 0 && grams > WET_SHARE * g.massG)
      tell(endS + 310, { kind: 'saw', saw: { what: 'wet', where: 'back' }, seen: true });
  });
  if (endS > 5400 && r() < 0.7) {
    const drankL = Math.round(2 * r() + 1) / 4;
    const lossKg = (is.bodyG / 1000) * (1 + 0.08 * normal(r));
    const beforeKg = DEMO_PERSON.massKg + Math.round(6 * (r() - 0.5)) / 10;
    const afterKg = Math.round(10 * (beforeKg - lossKg + drankL)) / 10;
    tell(endS + 330, { kind: 'body', weights: { beforeKg, afterKg, drankL, ateKg: 0, passedL: 0 } });
  }
  if (row[3] < -8 && r() < 0.5) {
    const saw: Saw = { what: 'frost', where: 'shell inside' };
    tell(endS + 340, { kind: 'saw', saw, seen: true });
  }
  if (note) tell(endS + 360, { kind: 'note', text: note });
  tell(endS + 400, { kind: 'kept' });
  list.push({ id, outing, plan, taps });
  // The last one waits to be kept, so that a new user sees how that is.
  if (i < ROWS.length - 1) learning = taught(learning, { pack, taps });
  process.stdout.write(`${row[0]} ${outing.name}, ${habit}: ${plan.cues.length} cues, ${taps.length} taps\n`);
});

function taught(before: Learning, day: ToldOuting): Learning {
  const { learned, lessons, failed } = learnFromAll(before.learned, DEMO_PERSON, [day]);
  if (failed.length > 0) throw new Error(`could not be learned: ${failed.join(', ')}`);
  return { learned, lessons: [...before.lessons, ...lessons], failed };
}

const rounded = (_: string, v: unknown) =>
  typeof v === 'number' && !Number.isInteger(v) ? Number(v.toPrecision(9)) : v;
const winter: Winter = { days: list, lessons: learning.lessons };
writeFileSync(join(process.cwd(), 'src/demo/files/winter.json'), JSON.stringify(winter, rounded) + '\n');
const known = learning.learned;
PARAMETER_NAMES.forEach((p, i) =>
  process.stdout.write(
    `${p}: truth ${truth[i].toFixed(2)}, learned ${known.mean[i].toFixed(2)} ± ${Math.sqrt(known.covariance[i][i]).toFixed(2)}\n`,
  ),
);
