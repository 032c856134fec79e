/** Pieces that schemas are made of. */
export const number = (low: number, high: number) => ({ type: 'number', minimum: low, maximum: high });
export const text = { type: 'string', minLength: 1, maxLength: 120 };
export const id = { type: 'string', minLength: 1, maxLength: 80 };
export const share = number(0, 1);
export const ranged = (ranges: Record<string, readonly [number, number, string]>) =>
  Object.fromEntries(
    Object.entries(ranges).map(([k, [low, high, unit]]) => [
      k,
      { ...number(low, high), ...(unit ? { description: unit } : {}) },
    ]),
  );
export const object = (properties: Record<string, unknown>, required: string[]) => ({
  type: 'object',
  properties,
  required,
  additionalProperties: false,
});
