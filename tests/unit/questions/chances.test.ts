import { AVERAGE_PERSON } from '@/core/body/person';
import {
  athleteOfMember,
  chances,
  dayOfMember,
  HAPPENS,
  inWords,
  members,
  UNKNOWNS,
  type ChanceKind,
} from '@/core/questions/chances';
import { LIMIT, WEAK } from '@/core/judge/limits';
import { calm } from '#tests/support/calm';
import { SPREAD } from '@/core/questions/daySpread';
import type { Plan } from '@/core/kit/plan';
import { aLeg, dayOf, SKI_CLOSET, upStopDown } from '#tests/support/outings';

const at = (value: number) => ({ value, atS: 1200 });
const PLAN: Plan = {
  worn: SKI_CLOSET.filter((g) => g.role !== 'warm').map((g) => g.id),
  carried: ['standby-puffy'],
  openings: {},
  cues: [{ atS: 4200, actions: [{ do: 'putOn', garment: 'standby-puffy' }] }],
};
const ask = (over: Partial<Parameters<typeof chances>[0]> = {}) =>
  chances({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: upStopDown(), plan: PLAN, ...over });

test('members spread like the normal distribution they stand for, and are always the same', () => {
  const all = members(512);
  for (const u of UNKNOWNS) {
    const z = all.map((m) => m.z[u]);
    const mean = z.reduce((a, b) => a + b, 0) / z.length;
    const deviation = Math.sqrt(z.reduce((a, b) => a + (b - mean) ** 2, 0) / z.length);
    expect(mean).toBeWithin(-0.06, 0.06);
    expect(deviation).toBeWithin(0.93, 1.05);
    // 68 % of a normal distribution lie within one deviation.
    expect(z.filter((v) => Math.abs(v) < 1).length / z.length).toBeWithin(0.64, 0.73);
  }
  expect(members(64)).toEqual(members(64));
  expect(Object.values(members(1)[0].z)).toEqual(UNKNOWNS.map(() => 0));
  expect(() => members(0)).toThrow('members is 0; allowed: 1 to 512');
});

test('a member’s day is colder, windier, wetter, harder as its numbers say; huts stay huts', () => {
  const day = dayOf([
    aLeg({ air: { precipitation: 'wet snow', precipitationMmH: 1 }, effort: { by: 'metabolic', value: 500 } }),
    aLeg({ sport: 'hut', minutes: 20, air: { airC: 19, wind: 0 } }),
  ]);
  const z = { air: -1, wind: 1, precipitation: 1, effort: 1, sweat: 1, 'hands and feet': 1, comfort: 1 };
  const other = dayOfMember(day, { z }, 2);
  const [a, b] = [day.stretches[0], other.stretches[0]];
  expect(b.airC).toBeCloseTo(a.airC - SPREAD.airK(2), 9);
  expect(b.relativeWind).toBeGreaterThan(a.relativeWind);
  expect(b.precipitationMmH).toBeGreaterThan(a.precipitationMmH);
  expect(b.metabolicW / a.metabolicW).toBeCloseTo(1.07, 9);
  expect(other.stretches[other.stretches.length - 1].airC).toBe(19);
  expect(athleteOfMember(AVERAGE_PERSON, { z }).sweatGain).toBeCloseTo(Math.exp(0.25), 9);
});

test('farther ahead the spread is wider, and with it the range of costs', () => {
  const now = ask({ leadDays: 0 });
  const later = ask({ leadDays: 7 });
  expect(later.badCost - later.meanCost).toBeGreaterThan(now.badCost - now.meanCost);
  expect(now.members).toBe(64);
});

test('a plan on its edge has a chance between never and always, and the unknown that decides is named', () => {
  // Bare hands at −8 °C: whether fingers get clumsy hangs on the day and on the hands.
  const bare: Plan = { ...PLAN, worn: PLAN.worn.filter((id) => !id.includes('glove') && !id.includes('mitt')) };
  const c = ask({ plan: bare });
  const clumsy = c.list.find((x) => x.kind === 'fingers clumsy')!;
  expect(clumsy.share).toBeGreaterThan(0.3);
  expect(c.matters.share).toBeWithin(0.1, 1);
  expect(UNKNOWNS).toContain(c.matters.unknown);
  expect(ask().list.find((x) => x.kind === 'fingers clumsy')!.share).toBeLessThan(clumsy.share);
});

test('stopping early keeps what ran', () => {
  expect(chancesStoppedAfter(5).members).toBe(5);
});

function chancesStoppedAfter(n: number) {
  let ran = 0;
  return chances({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: upStopDown(), plan: PLAN }, () => ++ran < n);
}

test('chances in words', () => {
  expect([0, 0.17, 0.5, 0.66, 0.75, 0.95, 1].map(inWords)).toEqual([
    'in no run',
    '1 in 6',
    '1 in 2',
    '2 in 3',
    '3 in 4',
    'nearly always',
    'in every run',
  ]);
});

/** Just short of each limit, and just past it. */
test.each<[ChanceKind, object, object]>([
  ['soaked', { basePeak: at(LIMIT.baseSoaked) }, { basePeak: at(LIMIT.baseSoaked + 0.001) }],
  ['damp', { basePeak: at(LIMIT.baseDamp) }, { basePeak: at(LIMIT.baseDamp + 0.001) }],
  ['fingers clumsy', { fingers: at(LIMIT.fingerClumsy) }, { fingers: at(LIMIT.fingerClumsy - 0.01) }],
  ['fingers numb', { fingers: at(LIMIT.fingerNumb) }, { fingers: at(LIMIT.fingerNumb - 0.01) }],
  ['toes', { toes: at(LIMIT.toeClumsy) }, { toes: at(LIMIT.toeClumsy - 0.01) }],
  ['cold', { shiverMinutes: WEAK.shiverMinutes }, { shiverMinutes: WEAK.shiverMinutes + 0.1 }],
  ['hot', { hotMinutes: WEAK.hotMinutes }, { hotMinutes: WEAK.hotMinutes + 0.1 }],
])('%s is counted past its limit, not at it', (kind, short, past) => {
  expect(HAPPENS[kind]({ metrics: calm(short), findings: [] })).toBe(false);
  expect(HAPPENS[kind]({ metrics: calm(past), findings: [] })).toBe(true);
});
