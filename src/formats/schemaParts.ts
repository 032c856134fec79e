import { NAME_LENGTH } from '@/core/clothing/garment';

/** Pieces that schemas are made of. */
export const number = (low: number, high: number) => ({ type: 'number', minimum: low, maximum: high });
export const text = { type: 'string', minLength: 1, maxLength: NAME_LENGTH };
/** A version of something stored: what the database's whole number holds. */
export const VERSION = { type: 'integer', minimum: 1, maximum: 2 ** 31 - 1 };
export const id = { type: 'string', minLength: 1, maxLength: 80 };
export const uuid = { type: 'string', format: 'uuid' };
export const orNull = (schema: object) => ({ anyOf: [schema, { type: 'null' }] });
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
