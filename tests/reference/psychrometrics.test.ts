import psychrolib from 'psychrolib';
import { airDensity, pressureAt } from '@/core/atmosphere/air';
import {
  dewPoint,
  humidityRatio,
  saturationFast,
  saturationPressure,
  vapourPressure,
  wetBulb,
} from '@/core/atmosphere/humidity';

/** Against the handbook engineers' library (psychrolib, ASHRAE Handbook Fundamentals 2017 ch. 1), over winter's whole range. */
psychrolib.SetUnitSystem(psychrolib.SI);

const AIR = [-45, -30, -20, -10, -5, -1, 0.02, 5, 10, 20, 33];
const HUMIDITY = [0.1, 0.4, 0.7, 0.95, 1];

test.each(AIR)('saturation pressure at %d °C within 0.01 %%', (t) => {
  expect(Math.abs(saturationPressure(t) / psychrolib.GetSatVapPres(t) - 1)).toBeLessThan(1e-4);
});

test('the fast table follows the curve within 0.05 % from −60 to 45 °C', () => {
  for (let t = -60; t <= 45; t += 0.037)
    expect(Math.abs(saturationFast(t) / saturationPressure(t) - 1)).toBeLessThan(5e-4);
});

test('the fast table holds its ends and never returns NaN', () => {
  expect(saturationFast(-500)).toBe(saturationFast(-80));
  expect(saturationFast(500)).toBe(saturationFast(89.75));
  expect(saturationFast(NaN)).toBe(saturationFast(-80));
});

test.each(AIR.flatMap((t) => HUMIDITY.map((rh) => [t, rh])))('wet bulb at %d °C and %d within 0.05 K', (t, rh) => {
  expect(Math.abs(wetBulb(t, rh) - psychrolib.GetTWetBulbFromRelHum(t, rh, 101325))).toBeLessThan(0.05);
});

test.each(AIR.flatMap((t) => HUMIDITY.slice(1).map((rh) => [t, rh])))('dew point at %d °C and %d', (t, rh) => {
  expect(Math.abs(dewPoint(vapourPressure(t, rh)) - psychrolib.GetTDewPointFromRelHum(t, rh))).toBeLessThan(0.05);
});

test('humidity ratio, standard pressure and dry air density', () => {
  for (const v of [20, 300, 1200, 4000])
    expect(humidityRatio(v, 95000)).toBeCloseTo(psychrolib.GetHumRatioFromVapPres(v, 95000), 7);
  for (const h of [0, 400, 1184, 3000])
    expect(Math.abs(pressureAt(h) / psychrolib.GetStandardAtmPressure(h) - 1)).toBeLessThan(1e-4);
  for (const t of AIR)
    expect(Math.abs(airDensity(t, 90000) / psychrolib.GetDryAirDensity(t, 90000) - 1)).toBeLessThan(1e-3);
});
