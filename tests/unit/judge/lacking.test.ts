import { lackPrice, needOf } from '@/core/judge/lacking';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

/** A cold long day, at which everything is asked for in full. */
const COLD = { feelsC: -20, hours: 5 };
const price = (ids: string[], need = COLD) => lackPrice(garmentsOf(...ids), { ...need, farHours: need.hours });
const takesOff = (had: string[], more: string[], need = COLD) => price(had, need) - price([...had, ...more], need);

/** Footwear in which somebody can stand in any cold. */
const BOOTS = ['thick-socks', 'winter-boots'];

test('what is along covers what is asked for, each thing its own part', () => {
  expect(takesOff([], ['thin-cap'])).toBeCloseTo(0.35, 9);
  // At −20 °C felt fingers ask for 0.23 m²K/W, at three quarters of what that can count.
  const holds = (0.4 * 0.75 * 0.055) / 0.23;
  expect(takesOff([], ['wind-gloves'])).toBeCloseTo(0.4 + holds, 3);
  expect(takesOff(['wind-gloves'], ['warm-mitts'])).toBeCloseTo(0.25 + 0.4 * 0.75 - holds, 3);
  expect(takesOff(['wind-gloves', 'warm-mitts'], ['fleece-mitts'])).toBe(0);
  // A hood is half a hat, beside what the shell is by itself.
  expect(takesOff([], ['wind-shell'])).toBeCloseTo(0.35 / 2 + 0.3, 9);
  expect(takesOff(['thin-cap'], ['wind-shell'])).toBeCloseTo(0.3, 9);
  // A band over the ears is about half a hat; with a hat it is nothing more.
  expect(takesOff([], ['head-band'])).toBeCloseTo((0.35 * 0.45) / 0.85, 9);
  expect(takesOff(['thin-cap'], ['head-band'])).toBe(0);
});

test('a helmet alone is no hat, and a shell no warmth for somebody who stands', () => {
  expect(takesOff([], ['ski-helmet'])).toBe(0);
  expect(takesOff(['thin-cap', 'wind-shell'], ['storm-shell'])).toBe(0);
});

test('warmth counts by what it insulates, until it holds', () => {
  const fleece = takesOff([], ['grid-fleece']);
  expect(fleece).toBeGreaterThan(0);
  expect(takesOff(['thin-cap'], ['down-puffy'])).toBeGreaterThan(fleece);
  expect(takesOff(['thin-cap', 'belay-parka'], ['down-puffy', 'active-jacket'])).toBeLessThan(0.9);
  expect(price(['thin-cap', 'wind-gloves', 'warm-mitts', 'belay-parka', 'down-puffy', 'wind-shell', ...BOOTS])).toBe(0);
});

test('fingers that no work warms ask for more the colder it is, and it counts together what goes one over the other', () => {
  const lacks = (feelsC: number, ...ids: string[]) =>
    price([...ids, 'thin-cap', 'belay-parka', 'down-puffy', 'wind-shell', ...BOOTS], { feelsC, hours: 5 });
  // From the table of the closet: mitts of fleece 0.125 m²K/W, thick liners 0.031, insulated gloves 0.222.
  expect(lacks(-9, 'fleece-mitts', 'liner-gloves')).toBe(0);
  expect(lacks(-14, 'fleece-mitts', 'liner-gloves')).toBeGreaterThan(0);
  expect(lacks(-21, 'ski-gloves', 'liner-gloves')).toBe(0);
  expect(lacks(-24, 'ski-gloves', 'liner-gloves')).toBeGreaterThan(0);
  expect(lacks(-40, 'warm-mitts', 'liner-gloves')).toBe(0);
  // Neither warmers nor covers on the bars go over the fingers of somebody who stands.
  expect(lacks(-24, 'ski-gloves', 'liner-gloves', 'hand-warmers', 'bar-covers')).toBe(
    lacks(-24, 'ski-gloves', 'liner-gloves'),
  );
});

test('toes that no work warms ask for more the colder it is: socks, footwear and what goes over it count together', () => {
  const lacks = (feelsC: number, ...ids: string[]) =>
    price([...ids, 'thin-cap', 'wind-gloves', 'warm-mitts', 'belay-parka', 'down-puffy', 'wind-shell'], {
      feelsC,
      hours: 5,
    });
  // From the table of the closet: membrane running shoes 0.088 m²K/W, thin socks 0.03, thick ones 0.113; insulated boots 0.25.
  expect(lacks(-14, 'winter-running-shoes', 'thick-socks')).toBe(0);
  expect(lacks(-16, 'winter-running-shoes', 'thick-socks')).toBeGreaterThan(0);
  expect(lacks(-8, 'winter-running-shoes', 'thin-socks')).toBeGreaterThan(0);
  expect(lacks(-24, 'winter-boots', 'thin-socks')).toBe(0);
  expect(lacks(-27, 'winter-boots', 'thin-socks')).toBeGreaterThan(0);
  expect(lacks(-40, 'winter-boots', 'thick-socks')).toBe(0);
  // Neither warmers, which burn out, nor gaiters hold toes.
  expect(lacks(-27, 'winter-boots', 'thin-socks', 'toe-warmers', 'gaiters')).toBe(
    lacks(-27, 'winter-boots', 'thin-socks'),
  );
});

test('far from doors a shell is along: a vest is half of one, and a jacket for stops or a fleece is none', () => {
  const hat = ['thin-cap'];
  expect(takesOff(hat, ['wind-shell'])).toBeCloseTo(0.3, 9);
  expect(takesOff(hat, ['storm-shell'])).toBeCloseTo(0.3, 9);
  expect(takesOff(hat, ['wind-vest'])).toBeCloseTo(0.15, 9);
  expect(takesOff([...hat, 'wind-shell'], ['wind-vest', 'storm-shell'])).toBe(0);
  // One that covers half of the arms is a whole shell, one that covers less a half of one.
  const [vest] = garmentsOf('wind-vest');
  const need = { ...COLD, farHours: COLD.hours };
  const sleeved = (coverage: number) =>
    lackPrice(garmentsOf(...hat), need) -
    lackPrice([...garmentsOf(...hat), { ...vest, panels: { ...vest.panels, arms: { coverage } } }], need);
  expect(sleeved(0.49)).toBeCloseTo(0.15, 9);
  expect(sleeved(0.51)).toBeCloseTo(0.3, 9);
  const jacket = ['belay-parka', 'down-puffy'];
  expect(takesOff([...hat, ...jacket], ['wind-shell'])).toBeCloseTo(0.3, 9);
});

/** Both ends of every ramp: on the mild or short side nothing is asked for, on the other all of it, and in between a part. */
test.each([
  ['a hat', [], ['thin-cap'], { feelsC: 1, hours: 9 }, { feelsC: 0.9, hours: 9 }, { feelsC: -9, hours: 1.5 }],
  ['a hat', [], ['thin-cap'], { feelsC: -30, hours: 0.3 }, { feelsC: -30, hours: 0.31 }, { feelsC: -9, hours: 1.5 }],
  ['gloves', [], ['wind-gloves'], { feelsC: 5, hours: 9 }, { feelsC: 4.9, hours: 9 }, { feelsC: -12, hours: 3 }],
  ['gloves', [], ['wind-gloves'], { feelsC: -30, hours: 0.2 }, { feelsC: -30, hours: 0.21 }, { feelsC: -12, hours: 3 }],
  ['dry gloves', ['warm-mitts'], ['wind-gloves'], { feelsC: 0, hours: 9 }, { feelsC: -0.1, hours: 9 }, COLD],
  ['dry gloves', ['warm-mitts'], ['wind-gloves'], { feelsC: -30, hours: 0.75 }, { feelsC: -30, hours: 0.76 }, COLD],
  [
    'warm hands',
    ['liner-gloves', 'merino-liners'],
    ['warm-mitts'],
    { feelsC: -5, hours: 9 },
    { feelsC: -5.1, hours: 9 },
    { feelsC: -25, hours: 3 },
  ],
  [
    'warm hands',
    ['liner-gloves', 'merino-liners'],
    ['warm-mitts'],
    { feelsC: -25, hours: 38 / 55 - 0.01 },
    { feelsC: -25, hours: 38 / 55 + 0.01 },
    { feelsC: -25, hours: 3 },
  ],
  [
    'a shell',
    ['thin-cap'],
    ['wind-shell'],
    { feelsC: 12, hours: 9 },
    { feelsC: 11.9, hours: 9 },
    { feelsC: 2, hours: 3.5 },
  ],
  [
    'a shell',
    ['thin-cap'],
    ['wind-shell'],
    { feelsC: 2, hours: 1.5 },
    { feelsC: 2, hours: 1.51 },
    { feelsC: 2, hours: 3.5 },
  ],
  ['warm feet', [], BOOTS, { feelsC: -5, hours: 9 }, { feelsC: -5.1, hours: 9 }, { feelsC: -25, hours: 3 }],
  [
    'warm feet',
    [],
    BOOTS,
    { feelsC: -25, hours: 38 / 55 - 0.01 },
    { feelsC: -25, hours: 38 / 55 + 0.01 },
    { feelsC: -25, hours: 3 },
  ],
  ['warmth', [], ['pile-fleece'], { feelsC: 10, hours: 9 }, { feelsC: 9.9, hours: 9 }, { feelsC: -8, hours: 3 }],
  // At −30 °C felt the fall from the skin is 60 K in place of 38, and an hour counts for so much more.
  [
    'warmth',
    [],
    ['pile-fleece'],
    { feelsC: -30, hours: 38 / 60 - 0.01 },
    { feelsC: -30, hours: 38 / 60 + 0.01 },
    { feelsC: -8, hours: 3 },
  ],
  ['warmth', [], ['pile-fleece'], { feelsC: -8, hours: 1 }, { feelsC: -8, hours: 1.01 }, { feelsC: -8, hours: 3 }],
])('%s: nothing at the mild end, little just past it, all at the far end', (_, had, more, mild, past, far) => {
  expect(takesOff(had, more, mild)).toBe(0);
  const little = takesOff(had, more, past);
  expect(little).toBeGreaterThan(0);
  expect(little).toBeLessThan(0.05 * takesOff(had, more, far));
  expect(takesOff(had, more, far)).toBeGreaterThan(0.2);
});

test('the need is that of somebody standing outdoors, not of the wind of their speed', () => {
  const at = (airC: number) => needOf(dayOf([aLeg({ minutes: 90 })], airC));
  expect(at(-8).hours).toBeCloseTo(1.5, 9);
  expect(at(-18).feelsC).toBeLessThan(at(-8).feelsC);
  const inside = needOf(dayOf([aLeg({ minutes: 90, sport: 'hut' })], -8));
  expect(inside).toEqual({ feelsC: Infinity, hours: 0, farHours: 0 });
});

test('among houses a door is near: as cold and as long, less is asked for to stand in', () => {
  const at = (shelter: 'street' | 'open') => needOf(dayOf([aLeg({ minutes: 120, shelter })], -8));
  expect(at('street').hours).toBeCloseTo(at('open').hours, 9);
  expect(at('street').farHours).toBeLessThan(0.5 * at('open').farHours);
  const jacket = (shelter: 'street' | 'open') =>
    lackPrice([], at(shelter)) - lackPrice(garmentsOf('belay-parka'), at(shelter));
  expect(jacket('street')).toBeLessThan(0.5 * jacket('open'));
});
