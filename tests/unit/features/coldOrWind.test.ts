import { AVERAGE_PERSON } from '@/core/body/person';
import { coldestFelt, feelsLikeC } from '@/core/outing/feelsLike';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { coldOrWind } from '@/features/outing/coldOrWind';
import { aLeg } from '#tests/support/outings';

const ride = (wind: number): Outing => ({
  name: 'Ride',
  sport: 'cycle',
  startMs: 0,
  utcOffsetMin: 0,
  loadKg: 0,
  forecastEleM: 0,
  startEleM: 0,
  albedo: 0.6,
  legs: [aLeg({ sport: 'cycle', minutes: 30, distanceM: 9000, climbM: 0, shelter: 'open', effort: { by: 'usual' } })],
  forecast: [
    { timeMs: 0, airC: -8, humidity: 0.7, wind, gust: wind, fromDeg: 0, precipitationMmH: 0, kind: 'none', cloud: 1 },
  ],
  profile: null,
});

test('what wind and own speed take is told on the scale of the index: the parts add up to what the air feels colder by', () => {
  const timeline = timelineOf(ride(6), AVERAGE_PERSON);
  const said = coldOrWind(timeline, 'metric');
  const parts = [...said.matchAll(/([\d.]+) °C (?:is|your)/g)].map((m) => Number(m[1]));
  const worst = coldestFelt(timeline.stretches);
  expect(parts).toHaveLength(2);
  expect(Math.abs(parts[0] + parts[1] - (worst.airC - feelsLikeC(worst)))).toBeLessThanOrEqual(1);
  expect(said).toContain('your own speed');
});

test('in hardly any wind it is the cold', () => {
  const still = { ...ride(0.2), legs: [aLeg({ sport: 'stand', minutes: 20, effort: { by: 'usual' } })] };
  expect(coldOrWind(timelineOf(still, AVERAGE_PERSON), 'metric')).toMatch(/^It is the cold/);
});
