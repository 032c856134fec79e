import { exp, ln } from '@/core/quantity/exact';
import { within } from '@/core/quantity/range';
import { KELVIN } from '@/core/quantity/units';

/**
 * Saturation vapour pressure over liquid water (t ≥ 0) or ice (t < 0), Pa.
 * Hyland & Wexler 1983 as given in ASHRAE Handbook Fundamentals 2017, chapter 1, eq. 5 and 6.
 * @param tC −100 to 200 °C
 * @throws OutOfRange
 */
export function saturationPressure(tC: number): number {
  within('temperature', tC, -100, 200, '°C');
  const T = tC + KELVIN;
  const logarithm =
    tC <= 0.01
      ? -5.6745359e3 / T +
        6.3925247 -
        9.677843e-3 * T +
        6.2215701e-7 * T * T +
        2.0747825e-9 * T * T * T -
        9.484024e-13 * T * T * T * T +
        4.1635019 * ln(T)
      : -5.8002206e3 / T +
        1.3914993 -
        4.8640239e-2 * T +
        4.1764768e-5 * T * T -
        1.4452093e-8 * T * T * T +
        6.5459673 * ln(T);
  return exp(logarithm);
}

const TABLE_LOW = -80;
const TABLE_STEP = 0.125;
const TABLE = Float64Array.from({ length: (80 + 90) / TABLE_STEP + 2 }, (_, i) =>
  saturationPressure(TABLE_LOW + i * TABLE_STEP),
);

/**
 * The same curve, linearly interpolated in a table of 1/8 K, for the integrator's inner loop (−80 to 90 °C, held at the
 * ends). The simplification costs less than 0.01 % between nodes.
 */
export function saturationFast(tC: number): number {
  let x = (tC - TABLE_LOW) * (1 / TABLE_STEP);
  if (!(x > 0)) x = 0;
  else if (x > 1358) x = 1358;
  const i = x | 0;
  const a = TABLE[i];
  return a + (TABLE[i + 1] - a) * (x - i);
}

/** Vapour pressure, Pa, from temperature, °C, and relative humidity, 0 to 1. */
export function vapourPressure(tC: number, relativeHumidity: number): number {
  within('relative humidity', relativeHumidity, 0, 1);
  return saturationPressure(tC) * relativeHumidity;
}

/** Humidity ratio, kg/kg dry air. ASHRAE 2017 ch. 1 eq. 20. */
export function humidityRatio(vapourPa: number, pressurePa: number): number {
  return (0.621945 * vapourPa) / (pressurePa - vapourPa);
}

/**
 * Thermodynamic wet bulb, °C, by bisection on ASHRAE 2017 ch. 1 eq. 33 (above 0 °C) and 35 (below).
 * @param tC −60 to 60 °C  @param relativeHumidity 0 to 1  @param pressurePa 30 000 to 110 000
 */
export function wetBulb(tC: number, relativeHumidity: number, pressurePa = 101325): number {
  within('air temperature', tC, -60, 60, '°C');
  const w = humidityRatio(vapourPressure(tC, relativeHumidity), pressurePa);
  let low = tC - 45;
  let high = tC;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    const ws = humidityRatio(saturationPressure(mid), pressurePa);
    const wAt =
      mid >= 0
        ? ((2501 - 2.326 * mid) * ws - 1.006 * (tC - mid)) / (2501 + 1.86 * tC - 4.186 * mid)
        : ((2830 - 0.24 * mid) * ws - 1.006 * (tC - mid)) / (2830 + 1.86 * tC - 2.1 * mid);
    if (wAt > w) high = mid;
    else low = mid;
  }
  return (low + high) / 2;
}

/** Dew or frost point, °C, by bisection on the saturation curve. */
export function dewPoint(vapourPa: number): number {
  within('vapour pressure', vapourPa, 0.01, 20000, 'Pa');
  let low = -90;
  let high = 60;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (saturationPressure(mid) > vapourPa) high = mid;
    else low = mid;
  }
  return (low + high) / 2;
}
