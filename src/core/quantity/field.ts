import { Type, type Static, type TObject, type TProperties, type TSchema } from '@sinclair/typebox';
import { within } from './range';

/**
 * One property of a stored thing, said once: its type and range, its column in the database, and the words of its form.
 * TypeScript's type, the JSON Schema at the door, the SQL columns and the forms are all read from it.
 */
export interface Field {
  column: string;
  /** as a form says it; left out: not in a form */
  label?: string;
  /** how one finds the number */
  how?: string;
  step?: number;
  /** words for the two ends of a slider */
  ends?: readonly [low: string, high: string];
}

const FIELD = 'x-field';

/** A number in a range; the unit is its description. */
export const numberField = (low: number, high: number, unit: string, field: Field) =>
  Type.Number({ minimum: low, maximum: high, ...(unit ? { description: unit } : {}), [FIELD]: field });
export const booleanField = (field: Field) => Type.Boolean({ [FIELD]: field });
/** One of some words. */
export const wordField = <T extends string>(words: readonly T[], field: Field) =>
  Type.Unsafe<T>({ enum: [...words], [FIELD]: field });
/** Anything else, by its own schema. */
export const field = <T extends TSchema>(schema: T, said: Field): T => ({ ...schema, [FIELD]: said });

/** [low, high, unit] of every number of a schema, by key. */
export type Ranges<K extends string = string> = Record<K, readonly [low: number, high: number, unit: string]>;

type NumberKeys<T extends TProperties> = {
  [K in keyof T]: NonNullable<Static<T[K]>> extends number ? K : never;
}[keyof T] &
  string;

export function rangesOf<T extends TProperties>(schema: TObject<T>): Ranges<NumberKeys<T>> {
  const numbers = Object.entries(schema.properties).filter(([, p]) => p.type === 'number');
  return Object.fromEntries(
    numbers.map(([k, p]) => [k, [p.minimum as number, p.maximum as number, (p.description as string) ?? ''] as const]),
  ) as unknown as Ranges<NumberKeys<T>>;
}

/** What is said of each property, by key, in the order of the schema. */
export const fieldsOf = <T extends TProperties>(schema: TObject<T>): Record<keyof T & string, Field> =>
  Object.fromEntries(Object.entries(schema.properties).map(([k, p]) => [k, p[FIELD] as Field])) as Record<
    keyof T & string,
    Field
  >;

/**
 * Holds every number of a thing against its range.
 * @param name puts the field in words, for the message @param optional keys that may be left out
 * @throws OutOfRange naming field, value and range
 */
export function withinRanges<T extends object>(
  value: T,
  ranges: Ranges,
  name: (key: string) => string,
  optional: readonly string[] = [],
): void {
  for (const [key, [low, high, unit]] of Object.entries(ranges)) {
    const v = (value as Record<string, unknown>)[key];
    if (v !== undefined || !optional.includes(key)) within(name(key), v as number, low, high, unit);
  }
}
