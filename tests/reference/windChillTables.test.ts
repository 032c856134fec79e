import { freezingMinutes, windChillC, windChillF, chillHazard } from '@/core/atmosphere/windChill';

/**
 * The two published tables of the 2001 wind chill index, whole grid:
 * US National Weather Service wind chill chart (°F, mph) and Environment Canada wind chill calculation chart (°C, km/h).
 * Both typed from memory of the charts; each cell is the service's own formula rounded, so a wrong memory would show.
 */
const US_AIR = [40, 35, 30, 25, 20, 15, 10, 5, 0, -5, -10, -15, -20, -25, -30, -35, -40, -45];
// prettier-ignore
const US: Record<number, number[]> = {
  5: [36, 31, 25, 19, 13, 7, 1, -5, -11, -16, -22, -28, -34, -40, -46, -52, -57, -63],
  10: [34, 27, 21, 15, 9, 3, -4, -10, -16, -22, -28, -35, -41, -47, -53, -59, -66, -72],
  15: [32, 25, 19, 13, 6, 0, -7, -13, -19, -26, -32, -39, -45, -51, -58, -64, -71, -77],
  20: [30, 24, 17, 11, 4, -2, -9, -15, -22, -29, -35, -42, -48, -55, -61, -68, -74, -81],
  25: [29, 23, 16, 9, 3, -4, -11, -17, -24, -31, -37, -44, -51, -58, -64, -71, -78, -84],
  30: [28, 22, 15, 8, 1, -5, -12, -19, -26, -33, -39, -46, -53, -60, -67, -73, -80, -87],
  35: [28, 21, 14, 7, 0, -7, -14, -21, -27, -34, -41, -48, -55, -62, -69, -76, -82, -89],
  40: [27, 20, 13, 6, -1, -8, -15, -22, -29, -36, -43, -50, -57, -64, -71, -78, -84, -91],
  45: [26, 19, 12, 5, -2, -9, -16, -23, -30, -37, -44, -51, -58, -65, -72, -79, -86, -93],
  50: [26, 19, 12, 4, -3, -10, -17, -24, -31, -38, -45, -52, -60, -67, -74, -81, -88, -95],
  55: [25, 18, 11, 4, -3, -11, -18, -25, -32, -39, -46, -54, -61, -68, -75, -82, -89, -97],
  60: [25, 17, 10, 3, -4, -11, -19, -26, -33, -40, -48, -55, -62, -69, -76, -84, -91, -98],
};
const CA_AIR = [5, 0, -5, -10, -15, -20, -25, -30, -35, -40, -45, -50];
// prettier-ignore
const CANADA: Record<number, number[]> = {
  5: [4, -2, -7, -13, -19, -24, -30, -36, -41, -47, -53, -58],
  10: [3, -3, -9, -15, -21, -27, -33, -39, -45, -51, -57, -63],
  15: [2, -4, -11, -17, -23, -29, -35, -41, -48, -54, -60, -66],
  20: [1, -5, -12, -18, -24, -30, -37, -43, -49, -56, -62, -68],
  25: [1, -6, -12, -19, -25, -32, -38, -44, -51, -57, -64, -70],
  30: [0, -6, -13, -20, -26, -33, -39, -46, -52, -59, -65, -72],
  35: [0, -7, -14, -20, -27, -33, -40, -47, -53, -60, -66, -73],
  40: [-1, -7, -14, -21, -27, -34, -41, -48, -54, -61, -68, -74],
  45: [-1, -8, -15, -21, -28, -35, -42, -48, -55, -62, -69, -75],
  50: [-1, -8, -15, -22, -29, -35, -42, -49, -56, -63, -69, -76],
  55: [-2, -8, -15, -22, -29, -36, -43, -50, -57, -63, -70, -77],
  60: [-2, -9, -16, -23, -30, -36, -43, -50, -57, -64, -71, -78],
  65: [-2, -9, -16, -23, -30, -37, -44, -51, -58, -65, -72, -79],
  70: [-2, -9, -16, -23, -30, -37, -44, -51, -58, -65, -72, -80],
  75: [-3, -10, -17, -24, -31, -38, -45, -52, -59, -66, -73, -80],
  80: [-3, -10, -17, -24, -31, -38, -45, -52, -60, -67, -74, -81],
};

const rounded = (x: number) => Math.sign(x) * Math.round(Math.abs(x)) + 0;

test.each(Object.keys(US).map(Number))('US chart, row %d mph, cell for cell', (mph) => {
  expect(US_AIR.map((f) => rounded(windChillF(f, mph)))).toEqual(US[mph]);
});

test.each(Object.keys(CANADA).map(Number))('Canadian chart, row %d km/h, cell for cell', (kmh) => {
  expect(CA_AIR.map((c) => rounded(windChillC(c, kmh)))).toEqual(CANADA[kmh]);
});

test('the two services agree: the metric form is the imperial one in other units, within half a degree', () => {
  for (const f of US_AIR)
    for (const mph of [5, 15, 30, 45, 60]) {
      const metric = windChillC(((f - 32) * 5) / 9, mph * 1.609344);
      expect(Math.abs(metric * 1.8 + 32 - windChillF(f, mph))).toBeLessThan(0.5);
    }
});

// US National Weather Service chart, frostbite shading (30, 10 and 5 minutes): cells well inside each zone, from memory.
test.each([
  [-5, 20, 10, 30],
  [0, 25, 10, 30],
  [-20, 25, 5, 10],
  [-25, 15, 5, 10],
  [-35, 40, 0, 5],
  [-40, 20, 0, 5],
])('at %d °F and %d mph bare skin freezes in %d to %d minutes', (f, mph, low, high) => {
  const minutes = freezingMinutes(((f - 32) * 5) / 9, mph * 1.609344);
  expect(minutes).toBeGreaterThan(low);
  expect(minutes).toBeLessThanOrEqual(high);
});

// Environment Canada's bands say minutes too: 10–30 from −28, 5–10 from −40, 2–5 from −48.
test('freezing minutes fall into the hazard band of the same air, within a factor of two', () => {
  for (const kmh of [15, 25, 40, 60])
    for (const air of CA_AIR.filter((t) => t <= -20)) {
      const index = windChillC(air, kmh);
      const minutes = freezingMinutes(air, kmh);
      if (index > -28 || minutes === Infinity) continue;
      const [low, high] = index > -40 ? [10, 30] : index > -48 ? [5, 10] : [1, 5];
      expect(minutes).toBeGreaterThan(low / 2);
      expect(minutes).toBeLessThanOrEqual(high * 2);
    }
});

test('no freezing time is claimed where the relation does not hold', () => {
  expect(freezingMinutes(-5, 60)).toBe(Infinity);
  expect(freezingMinutes(-16, 5)).toBe(Infinity);
  expect(freezingMinutes(-55, 80)).toBe(2);
});

// Environment Canada wind chill hazard bands.
test.each([
  [-5, 'low'],
  [-15, 'moderate'],
  [-30, 'high'],
  [-42, 'very high'],
  [-50, 'severe'],
  [-58, 'extreme'],
])('an index of %d is "%s"', (index, hazard) => {
  expect(chillHazard(index).hazard).toBe(hazard);
});

test('more wind and colder air never feel warmer', () => {
  for (let t = 10; t >= -50; t -= 5)
    for (let v = 0; v < 100; v += 5) {
      expect(windChillC(t, v + 5)).toBeLessThanOrEqual(windChillC(t, v) + 0.02 * Math.max(0, t));
      expect(windChillC(t - 5, v)).toBeLessThan(windChillC(t, v));
    }
});

test('values beyond any weather are refused with name, value and range', () => {
  expect(() => windChillC(400, 10)).toThrow('air temperature is 400; allowed: -80 to 60 °C');
  expect(() => windChillC(-10, -3)).toThrow('wind at 10 m is -3');
  expect(() => windChillC(NaN, 10)).toThrow('air temperature is NaN');
});
