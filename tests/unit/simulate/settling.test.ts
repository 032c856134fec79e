import { AVERAGE_PERSON } from '@/core/body/person';
import type { Conditions } from '@/core/outing/conditions';
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

/** The length of every step, s, of an hour in calm air and half an hour in other air, in steps of 40 s. */
function stepsOf(over: Partial<Conditions>): { atS: number; dt: number }[] {
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
    const next = { ...calm, ...over, startS: 3600, endS: 5400 };
    runThrough(sim, { conditions: [calm, next], plan, options: { stepS: 40, sampleS: 1800 } });
  } finally {
    spy.mockRestore();
  }
  return steps;
}

const first = (over: Partial<Conditions>): number => stepsOf(over).find((s) => s.atS >= 3600 - 1e-6)!.dt;

test('what changes at once is followed in quarters of a step, then halves, then whole', () => {
  const steps = stepsOf({ metabolicW: 600 });
  const between = (from: number, to: number) =>
    new Set(steps.filter((s) => s.atS >= from - 1e-6 && s.atS < to - 1e-6).map((s) => s.dt));
  expect(between(3000, 3600)).toEqual(new Set([40]));
  expect(between(3600, 3660)).toEqual(new Set([10]));
  expect(between(3660, 3840)).toEqual(new Set([20]));
  expect(between(3840, 5400)).toEqual(new Set([40]));
});

test.each<[string, Partial<Conditions>, Partial<Conditions>]>([
  ['effort', { metabolicW: 439 }, { metabolicW: 441 }],
  ['air', { airC: -6.4 }, { airC: -6.6 }],
  ['wind', { relativeWind: 2.9 }, { relativeWind: 3.1 }],
  ['what falls', { precipitationMmH: 0.4, precipitation: 'rain' }, { precipitationMmH: 0.6, precipitation: 'rain' }],
  ['sport', { sport: 'hike' }, { sport: 'run' }],
  ['the pack', { packOn: true }, { packOn: false }],
  ['what is over the pack', { packUnder: false }, { packUnder: true }],
  ['what wets', { wetting: null }, { wetting: 'deep snow' }],
])('a drift of %s is gone through in whole steps, a jump is not', (_, drift, jump) => {
  expect(first(drift)).toBe(40);
  expect(first(jump)).toBe(10);
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
