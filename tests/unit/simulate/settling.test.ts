import { bodyParameters } from '@/core/body/bodyParameters';
import { AVERAGE_PERSON } from '@/core/body/person';
import type { Plan } from '@/core/kit/plan';
import type { Conditions } from '@/core/outing/conditions';
import { ZONES, zoneIndex } from '@/core/body/zones';
import { runThrough } from '@/core/simulate/run';
import { Simulator } from '@/core/simulate/simulator';
import { garmentsOf } from '#tests/support/outings';

const KIT = ['thin-merino-base', 'wind-shell', 'briefs', 'thin-tights', 'wool-socks', 'winter-boots'];
const plan = { worn: KIT, carried: [], openings: {}, cues: [] };
const calm: Conditions = {
  ...{ startS: 0, endS: 3600, airC: -5, pressurePa: 101325, vapourPa: 300, relativeWind: 2, sunWm2: 0 },
  skyWm2: 0,
  ...{ precipitation: 'none', precipitationMmH: 0, sport: 'hike', metabolicW: 400, externalW: 0, pumping: 1 },
  ...{ packOn: true, packUnder: false, wetting: null },
};

/** The first step after a change in steps of 40 s, s: three eighths of them. */
const SHORT_S = 15;

/** The length of every step, s, of an hour in calm air and half an hour in other air, in steps of 40 s. @param always what holds all the time */
function stepsOf(over: Partial<Conditions>, always: Partial<Conditions> = {}): { atS: number; dt: number }[] {
  const steps: { atS: number; dt: number }[] = [];
  const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...KIT));
  // Sitting down to begin with takes steps of its own.
  sim.start(plan);
  let t = 0;
  const step = Simulator.prototype.step;
  const spy = jest.spyOn(Simulator.prototype, 'step').mockImplementation(function (this: Simulator, dt: number) {
    steps.push({ atS: t, dt });
    t += dt;
    step.call(this, dt);
  });
  try {
    const [before, next] = [
      { ...calm, ...always },
      { ...calm, ...always, ...over, startS: 3600, endS: 5400 },
    ];
    runThrough(sim, { conditions: [before, next], plan, options: { stepS: 40, sampleS: 1800 } });
  } finally {
    spy.mockRestore();
  }
  return steps;
}

const first = (over: Partial<Conditions>, always?: Partial<Conditions>): number =>
  stepsOf(over, always).find((s) => s.atS >= 3600 - 1e-6)!.dt;

test('after a change steps begin short and double as their error allows; quiet hours are crossed in long ones', () => {
  const steps = stepsOf({ metabolicW: 600 });
  const after = steps.filter((s) => s.atS >= 3600 - 1e-6).map((s) => s.dt);
  expect(after[0]).toBe(SHORT_S);
  for (let i = 1; i < after.length; i++) expect([0.5, 1, 2]).toContain(after[i] / after[i - 1]);
  const calmHour = steps.filter((s) => s.atS > 2400 && s.atS < 3500).map((s) => s.dt);
  expect(Math.max(...calmHour)).toBeGreaterThanOrEqual(80);
  expect(Math.max(...steps.map((s) => s.dt))).toBeLessThanOrEqual(120);
});

/** The steps of two hours at one pace in steps of ten seconds, s. */
function quietSteps(over: Partial<Conditions>, worn: readonly string[] = KIT): number[] {
  const seen: number[] = [];
  const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...worn));
  const openings: Plan['openings'] = worn.includes('fleece-tube') ? { 'fleece-tube': { up: 0 } } : {};
  const p = { ...plan, worn: [...worn], openings };
  sim.start(p);
  const step = Simulator.prototype.step;
  const spy = jest.spyOn(Simulator.prototype, 'step').mockImplementation(function (this: Simulator, dt: number) {
    seen.push(dt);
    step.call(this, dt);
  });
  try {
    sim.run([{ ...calm, endS: 7200, ...over }], p, { stepS: 10, sampleS: 60 });
  } finally {
    spy.mockRestore();
  }
  return seen;
}

test('a quiet hour is crossed in minutes, with ice before the mouth in half minutes at most', () => {
  const quiet = quietSteps({});
  expect(Math.max(...quiet)).toBe(60);
  expect(quiet.filter((dt) => dt === 60).length).toBeGreaterThan(30);
  const covered = [...KIT, 'fleece-tube', 'warm-hat'];
  expect(Math.max(...quietSteps({ airC: -26, vapourPa: 40 }, covered).slice(-60))).toBe(30);
  // Where breath does not freeze the cover is no reason.
  expect(Math.max(...quietSteps({ airC: 5, vapourPa: 600 }, covered).slice(-60))).toBe(60);
});

/** Water that comes while it goes: rain on mitts that give it on to the hands, and a soaked hood that wets a thin collar. */
test.each<[string, readonly string[], Partial<Conditions>]>([
  [
    'soaked mitts in the rain',
    [...KIT, 'shell-mitts'],
    { airC: 4, precipitation: 'rain', precipitationMmH: 4, metabolicW: 650 },
  ],
  [
    'a soaked balaclava',
    [...KIT, 'balaclava'],
    { airC: 1, precipitation: 'rain', precipitationMmH: 3, metabolicW: 700, relativeWind: 8 },
  ],
])('%s: long steps stay near short ones', (_, kit, air) => {
  const at = (stepS: number) => {
    const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...kit));
    const p = { ...plan, worn: [...kit] };
    sim.start(p);
    const wet: Conditions = { ...calm, vapourPa: 650, ...air, endS: 6000 };
    const dry: Conditions = {
      ...wet,
      startS: 6000,
      endS: 7800,
      airC: 19,
      vapourPa: 900,
      precipitation: 'none',
      precipitationMmH: 0,
      sport: 'hut',
      metabolicW: 130,
      relativeWind: 0.1,
    };
    return sim.run([wet, dry], p, { stepS, sampleS: 60 });
  };
  const [ours, fine] = [at(10), at(0.5)];
  const { area } = bodyParameters(AVERAGE_PERSON);
  let [skin, layer] = [0, 0];
  ours.skinC.forEach((v, k) => (skin = Math.max(skin, Math.abs(v - fine.skinC[k]))));
  for (let row = 0; row < ours.rows; row++)
    for (let g = 0; g < kit.length; g++) {
      const at = (row * kit.length + g) * ZONES.length;
      const grams = area.reduce((sum, a, z) => sum + a * (ours.waterGm2[at + z] - fine.waterGm2[at + z]), 0);
      layer = Math.max(layer, Math.abs(grams));
    }
  expect(skin).toBeLessThan(0.1);
  expect(layer).toBeLessThan(1);
});

/** Held against short steps: an hour of work, a stop, and work again, as a run of ten-second steps has them. */
test.each([1, 0.5])('the controlled steps stay near a run at steps of %d s', (short) => {
  const conditions = [
    calm,
    { ...calm, startS: 3600, endS: 4500, sport: 'stand' as const, metabolicW: 150 },
    { ...calm, startS: 4500, endS: 7200, metabolicW: 550 },
  ];
  const at = (stepS: number) => {
    const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...KIT));
    sim.start(plan);
    return sim.run(conditions, plan, { stepS, sampleS: 60 });
  };
  const [ours, fine] = [at(10), at(short)];
  const worst = (of: 'skinC' | 'waterGm2') => ours[of].reduce((w, v, k) => Math.max(w, Math.abs(v - fine[of][k])), 0);
  expect(worst('skinC')).toBeLessThan(0.1);
  expect(worst('waterGm2')).toBeLessThan(1);
});

/** Breath freezes in a cover, thaws and refreezes about its melting point, and in the end the cover can hold no more. */
test.each([
  ['fills with ice', -26, 439, 200],
  ['hangs about its melting point', -13, 912, 30],
])(
  'a mouth cover that %s: long steps stay near short ones, and never is more frozen than is there',
  (_, airC, w, min) => {
    const kit = [...KIT, 'fleece-tube', 'warm-hat'];
    const tube = kit.indexOf('fleece-tube');
    const sky: Conditions = { ...calm, endS: min * 60, airC, vapourPa: 40, metabolicW: w, relativeWind: 5 };
    const at = (stepS: number) => {
      const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...kit));
      const worn = { ...plan, worn: kit, openings: { 'fleece-tube': { up: 0 } } };
      sim.start(worn);
      return sim.run([sky], worn, { stepS, sampleS: 60 });
    };
    const [ours, fine] = [at(10), at(0.5)];
    let frozen = 0;
    for (let row = 0; row < ours.rows; row++) {
      const k = row * ZONES.length + zoneIndex('face');
      expect(Math.abs(ours.skinC[k] - fine.skinC[k])).toBeLessThan(0.1);
      const j = (row * kit.length + tube) * ZONES.length + zoneIndex('face');
      expect(ours.frostGm2[j]).toBeLessThanOrEqual(ours.waterGm2[j] + 1e-9);
      frozen = Math.max(frozen, ours.frostGm2[j]);
    }
    expect(frozen).toBeGreaterThan(10);
  },
);

test.each<[string, Partial<Conditions>, Partial<Conditions>]>([
  ['effort', { metabolicW: 439 }, { metabolicW: 441 }],
  ['air', { airC: -6.4 }, { airC: -6.6 }],
  ['light wind', { relativeWind: 2.6 }, { relativeWind: 2.7 }],
  ['wind that drops', { relativeWind: 1.55 }, { relativeWind: 1.48 }],
  ['what falls', { precipitationMmH: 0.4, precipitation: 'rain' }, { precipitationMmH: 0.6, precipitation: 'rain' }],
  ['sport', { sport: 'hike' }, { sport: 'run' }],
  ['the pack', { packOn: true }, { packOn: false }],
  ['what is over the pack', { packUnder: false }, { packUnder: true }],
  ['what wets', { wetting: null }, { wetting: 'deep snow' }],
])('a drift of %s is gone through in long steps, a jump is not', (_, drift, jump) => {
  expect(first(drift)).toBeGreaterThanOrEqual(40);
  expect(first(jump)).toBe(SHORT_S);
});

test('in more wind a metre a second more is gone through in long steps, and beyond that in short ones', () => {
  const windy = { relativeWind: 8 };
  expect(first({ relativeWind: 8.9 }, windy)).toBeGreaterThanOrEqual(40);
  expect(first({ relativeWind: 9.1 }, windy)).toBe(SHORT_S);
  // In still air what stirs in any case counts with it.
  const still = { relativeWind: 0.1 };
  expect(first({ relativeWind: 0.15 }, still)).toBeGreaterThanOrEqual(40);
  expect(first({ relativeWind: 0.17 }, still)).toBe(SHORT_S);
});

test('rain on bare skin is warmed from the air’s temperature to the skin’s, and what does not stay takes nothing along', () => {
  const nude = { worn: [], carried: [], openings: {}, cues: [] };
  const wet = (airC: number, minutes: number) => {
    const sim = new Simulator(AVERAGE_PERSON, []);
    sim.start(nude);
    const rain: Conditions = {
      ...calm,
      airC,
      precipitation: 'rain',
      precipitationMmH: 20,
      sport: 'stand',
      metabolicW: 150,
    };
    sim.run([{ ...rain, endS: minutes * 60 }], nude, { stepS: 4, sampleS: 60 });
    return { ...sim.ledger, skin: [...sim.state.skin] };
  };
  for (const airC of [4, 20]) {
    const { precipitation, toPrecipitation, skin } = wet(airC, 1);
    expect(precipitation).toBeGreaterThan(10);
    // 4.18 J for each gram and kelvin.
    const warmedK = toPrecipitation / precipitation / 4.18;
    expect(warmedK).toBeGreaterThan(Math.min(...skin) - airC - 0.5);
    expect(warmedK).toBeLessThan(36 - airC);
  }
  // A film as thick as skin holds; the rest runs off.
  const [minute, hour] = [wet(4, 1), wet(4, 60)];
  expect(hour.precipitation).toBeLessThan(minute.precipitation * 20);
});
