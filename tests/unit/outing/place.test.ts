import { convection, lewis, LEWIS_PER_PA } from '@/core/atmosphere/boundaryLayer';
import { AVERAGE_PERSON, engineOf } from '@/core/body/person';
import { buildTimeline } from '@/core/outing/timeline';
import { ensemble } from '@/core/clothing/ensembleInsulation';
import type { Leg } from '@/core/outing/leg';
import { aLeg, garmentsOf } from '#tests/support/outings';

/** Where on the hill a leg runs: sunny or shaded side, high or low. */
const at = (leg: Partial<Leg>, startEleM = 300) =>
  buildTimeline({
    legs: [aLeg({ sport: 'hike', effort: { by: 'usual' }, ...leg })],
    forecast: [
      {
        timeMs: 0,
        airC: -6,
        humidity: 0.6,
        wind: 2,
        gust: 3,
        fromDeg: 0,
        precipitationMmH: 0,
        kind: 'none',
        cloud: 0.1,
      },
    ],
    // Noon on the fifth of February.
    startMs: Date.UTC(2027, 1, 5, 12),
    utcOffsetMin: 0,
    engine: engineOf(AVERAGE_PERSON),
    loadKg: 5,
    forecastEleM: startEleM,
    startEleM,
    latitude: 55,
    longitude: 0,
    albedo: 0.8,
  }).stretches[0];

test('the shaded side gets a fraction of the sun, a sunny glade more than closed forest', () => {
  const open = at({}).sunWm2;
  expect(open).toBeGreaterThan(100);
  expect(at({ side: 'sunny' }).sunWm2).toBe(open);
  expect(at({ side: 'shaded' }).sunWm2).toBeWithin(0.05 * open, 0.5 * open);
  expect(at({ shelter: 'forest', side: 'sunny' }).sunWm2).toBeGreaterThan(at({ shelter: 'forest' }).sunWm2);
});

test('a hut takes neither the wetting nor the sun of the hill it stands on', () => {
  const hut = at({ sport: 'hut', wetting: 'spindrift', side: 'sunny' });
  expect(hut.wetting).toBeNull();
  expect(hut.sunWm2).toBe(0);
  expect(at({ wetting: 'spindrift' }).wetting).toBe('spindrift');
});

test('a pack worn under the shell only counts while it is on', () => {
  expect(at({ packOn: false, packUnder: true }).packUnder).toBe(false);
  expect(at({ packOn: true, packUnder: true }).packUnder).toBe(true);
});

/** ASHRAE Fundamentals ch. 9 (from memory): convection by (p/p₀)^0.55, the Lewis ratio by p₀/p. */
test('thin air carries less heat and lets vapour go more easily', () => {
  expect(at({}, 3000).pressurePa).toBeWithin(69000, 71500);
  expect(convection(4, 70000) / convection(4)).toBeCloseTo(Math.pow(70000 / 101325, 0.55), 9);
  expect(lewis(70000) / LEWIS_PER_PA).toBeCloseTo(101325 / 70000, 9);
  const kit = garmentsOf('thin-merino-base', 'thin-tights');
  const air = { airC: -6, relativeWind: 3, pumping: 0.4, packOn: false };
  const low = ensemble(kit, air);
  const high = ensemble(kit, { ...air, pressurePa: 70000 });
  expect(high.totalM2KW).toBeGreaterThan(low.totalM2KW);
});
