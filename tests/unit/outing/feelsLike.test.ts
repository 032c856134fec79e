import { feltAboutEyes } from '@/core/outing/feelsLike';

test('what is bare about the eyes alone counts from −20 °C felt, and in full where bare skin begins to freeze', () => {
  expect([5, -5, -10].map(feltAboutEyes)).toEqual([5, -5, -10]);
  expect([-10.1, -15, -20].map(feltAboutEyes)).toEqual([-10, -10, -10]);
  expect(feltAboutEyes(-20.1)).toBeLessThan(-10);
  expect(feltAboutEyes(-24)).toBeCloseTo(-19, 9);
  expect(feltAboutEyes(-27.9)).toBeGreaterThan(-27.9);
  expect([-28, -35, -60].map(feltAboutEyes)).toEqual([-28, -35, -60]);
});
