import { AVERAGE_PERSON } from '@/core/body/person';
import { durationLimit, requiredInsulation, type ColdTask } from '@/core/judge/ireq';
import { iso11079ByLeg } from '@/core/judge/iso11079ByLeg';
import { aLeg, dayOf, SKI_CLOSET, upStopDown } from '#tests/support/outings';
import { run } from '#tests/support/runCase';
import { wornAt } from '@/core/kit/replay';

/** ISO 11079:2007. Its charts are read from memory to about a tenth of their height, hence 20 %. */
const task = (metabolicWm2: number, airC: number, over: Partial<ColdTask> = {}): ColdTask => ({
  metabolicWm2,
  airC,
  humidity: 0.85,
  windMs: 0.4,
  walkMs: 0,
  permeability: 8,
  ...over,
});

/** ISO 7730: sedentary at 1.2 met in 1 clo is neutral at about 21–22 °C; the cold standard must meet it there. */
test('at its warm end IREQ meets ISO 7730: about 1 clo at 21 °C and 1.2 met', () => {
  expect(requiredInsulation(task(70, 21, { humidity: 0.5 }), 'neutral').ireqClo).toBeWithin(0.75, 1.25);
});

test.each([
  [115, -10, 2.9],
  [145, -10, 2.1],
  [175, -10, 1.6],
  [230, -10, 1.1],
  [145, -30, 3.1],
])('IREQ neutral at %d W/m² and %d °C is near %d clo', (m, t, clo) => {
  expect(requiredInsulation(task(m, t, { walkMs: 0.3 }), 'neutral').ireqClo / clo).toBeWithin(0.8, 1.2);
});

test('work done outside the body is no heat: who pedals away 40 of 230 W/m² needs more on', () => {
  const clo = (workWm2?: number) => requiredInsulation(task(230, -10, { workWm2 }), 'neutral').ireqClo;
  expect(clo(40)).toBeGreaterThan(1.1 * clo());
  expect(clo(0)).toBe(clo());
});

test('minimal asks for less than neutral, harder work for less, colder air and more wind for more', () => {
  for (const m of [90, 145, 230])
    for (const t of [0, -15, -35]) {
      const neutral = requiredInsulation(task(m, t), 'neutral');
      expect(requiredInsulation(task(m, t), 'minimal').ireqClo).toBeLessThan(neutral.ireqClo);
      expect(requiredInsulation(task(m + 30, t), 'neutral').ireqClo).toBeLessThan(neutral.ireqClo);
      expect(requiredInsulation(task(m, t - 10), 'neutral').ireqClo).toBeGreaterThan(neutral.ireqClo);
      expect(requiredInsulation(task(m, t, { windMs: 6 }), 'neutral').intrinsicClo).toBeGreaterThan(
        neutral.intrinsicClo,
      );
    }
});

test('clothing of just the needed insulation lasts for ever, less lasts a while', () => {
  const t = task(145, -15);
  const needed = requiredInsulation(t, 'neutral').intrinsicClo;
  expect(durationLimit(t, needed + 0.05)).toBe(Infinity);
  const short = durationLimit(t, needed * 0.7);
  expect(short).toBeWithin(0.3, 6);
  expect(durationLimit(t, needed * 0.5)).toBeLessThan(short);
});

test('outside its range it refuses with the name', () => {
  expect(() => requiredInsulation(task(145, -90), 'neutral')).toThrow('air temperature is -90');
  expect(() => durationLimit(task(145, -10), 20)).toThrow('intrinsic insulation is 20');
});

test('on every cold leg of a day: what is asked, what is worn, how long it lasts', () => {
  const plan = {
    worn: [
      'thin-merino-base',
      'grid-fleece',
      'wind-shell-pits',
      'briefs',
      'thin-tights',
      'soft-trousers',
      'wool-socks',
      'touring-boots',
      'liner-gloves',
      'thin-cap',
    ],
    carried: ['standby-puffy'],
    openings: {},
    cues: [{ atS: 4200, actions: [{ do: 'putOn' as const, garment: 'standby-puffy' }] }],
  };
  const byId = new Map(SKI_CLOSET.map((g) => [g.id, g]));
  const legs = iso11079ByLeg(upStopDown(), plan, byId, AVERAGE_PERSON);
  expect(legs.map((l) => l.name)).toEqual(['Rake', 'Top', 'Shoulder']);
  expect(legs[0].limitHours).toBeNull();
  expect(legs[1].neededClo).toBeGreaterThan(legs[1].wornClo);
  expect(legs[1].limitHours).toBeGreaterThan(0.15);
  expect(legs[1].wornClo).toBeGreaterThan(legs[0].wornClo);
  expect(wornAt(plan, 4199)).not.toContain('standby-puffy');
  const warm = dayOf([aLeg({ air: { airC: 15 } })]);
  expect(iso11079ByLeg(warm, plan, byId, AVERAGE_PERSON)).toEqual([]);
});

/** The standard and the simulation are independent; where the standard calls clothing right, ours must be near neutral. */
test('dressed to IREQ neutral, the simulated person feels near neutral after an hour', () => {
  const worn = [
    'midweight-merino-base',
    'pile-fleece',
    'wind-shell',
    'briefs',
    'brushed-tights',
    'soft-trousers',
    'warm-hat',
    'neck-tube',
    'wind-gloves',
    'wool-socks',
    'winter-boots',
  ];
  const r = run({ airC: -8, humidity: 0.7, wind: 1.5, legs: [{ minutes: 75, sport: 'hike', metabolicW: 360, worn }] });
  const [leg] = iso11079ByLeg(
    r.input.timeline,
    r.input.plan,
    new Map(r.input.garments.map((g) => [g.id, g])),
    r.input.person,
  );
  expect(Math.abs(leg.neededClo - leg.wornClo)).toBeLessThan(0.6);
  expect(Math.abs(r.sensation(75))).toBeLessThan(1.3);
});
