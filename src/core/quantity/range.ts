/** A value outside the range for which a function is believed. Carries the name, the value and the range. */
export class OutOfRange extends Error {
  constructor(
    readonly field: string,
    readonly value: unknown,
    readonly allowed: string,
  ) {
    super(`${field} is ${String(value)}; allowed: ${allowed}`);
    this.name = 'OutOfRange';
  }
}

/**
 * Returns `value` when it is a finite number in [low, high].
 * @throws OutOfRange naming the field, the value and the range.
 */
export function within(field: string, value: number, low: number, high: number, unit = ''): number {
  if (!(value >= low && value <= high))
    throw new OutOfRange(field, value, `${low} to ${high}${unit ? ' ' + unit : ''}`);
  return value;
}

/** Limits a value to [low, high]; for physical saturation, never for hiding bad input. */
export function clamp(value: number, low: number, high: number): number {
  return value < low ? low : value > high ? high : value;
}

/** How far `value` is on its way from one end to the other, 0–1; the ends may fall as well as rise. */
export const ramp = (value: number, [from, to]: readonly [number, number]): number =>
  clamp((value - from) / (to - from), 0, 1);
