/**
 * What a fibre sorbs from the air, one curve for all kinds: regain R at relative humidity φ (0–1) over regain at 65 %,
 * `R(φ)/R65 = 0.578 φ (1/(0.321 + φ) + 1/(1.262 − φ))` (Lotens 1993; Gibson 1996, from memory). An S: steep at first, flat, and
 * steep again towards saturation.
 */
export const regainOver65 = (humidity: number): number =>
  0.578 * humidity * (1 / (0.321 + humidity) + 1 / (1.262 - humidity));

/** Regain at saturation over regain at 65 %. */
export const SATURATION_OVER_65 = regainOver65(1);

/** Share of what a cloth sorbs at saturation that it holds at a humidity. @param humidity 0–1 @returns 0–1 */
export const filledAt = (humidity: number): number => regainOver65(humidity) / SATURATION_OVER_65;

/** The humidity at which a cloth holds a share of what it sorbs at saturation, by halving. */
function humidityAt(filled: number): number {
  let low = 0;
  let high = 1;
  for (let k = 0; k < 50; k++) {
    const mid = (low + high) / 2;
    if (filledAt(mid) < filled) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

const STEPS = 64;
/** Humidity over filling at even fillings; at none the curve's own slope there. */
const OVER_FILLING = Float64Array.from({ length: STEPS + 2 }, (_, i) =>
  i === 0 ? humidityAt(1e-6) / 1e-6 : i >= STEPS ? 1 : humidityAt(i / STEPS) / (i / STEPS),
);

/** The inverse of that, filling over humidity, at the same fillings: the integrator's inner loop needs it without a division. */
export const FILLING_OVER_HUMIDITY = OVER_FILLING.map((x) => 1 / x);
export const SORPTION_STEPS = STEPS;

/**
 * Relative humidity of the air a cloth is in balance with, over its filling: 1.18 when nearly dry, more in the middle, 1 when
 * saturated. From a table of 64 steps (within 0.002).
 * @param filled share of what it sorbs at saturation, 0–1, held beyond
 */
export function humidityOverFilling(filled: number): number {
  const x = (filled < 0 ? 0 : filled > 1 ? 1 : filled) * STEPS;
  const i = x | 0;
  return OVER_FILLING[i] + (OVER_FILLING[i + 1] - OVER_FILLING[i]) * (x - i);
}
