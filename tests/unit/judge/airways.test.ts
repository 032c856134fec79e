import { AVERAGE_PERSON } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { BREATH, hurtsAirways } from '@/core/judge/airways';

/** Common practice, no published source: race effort below −15 °C, hard breathing below −20 °C. */
test.each([
  [0.71, -15, true],
  [0.69, -15, false],
  [0.71, -14.9, false],
  [0.51, -20, true],
  [0.49, -20, false],
  [0.51, -19.9, false],
])('breathing at %f of the maximum in air of %f °C hurts in time: %s', (share, airC, hurts) => {
  const most = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);
  expect(BREATH.race).toMatchObject({ share: 0.7, airC: -15 });
  expect(hurtsAirways(share * most, airC, AVERAGE_PERSON)).toBe(hurts);
});
