import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import type { Lesson } from '@/core/calibrate/learn';
import { PARAMETER_NAMES, type Learned } from '@/core/calibrate/learned';
import { FELT, PARTS } from '@/core/calibrate/words';
import { refuse } from './problem';
import { id, number, object, orNull } from './schemaParts';
import { validated } from './validate';

const COUNT = PARAMETER_NAMES.length;
const list = (items: object) => ({ type: 'array', minItems: COUNT, maxItems: COUNT, items });
const count = { type: 'integer', minimum: 0, maximum: 5000 };
const factor = object({ mean: number(-5, 5), sd: number(0, 5) }, ['mean', 'sd']);
/** What is known of an athlete: means and covariances in the order of the parameters. */
export const learnedSchema = object(
  {
    mean: list(number(-20, 20)),
    covariance: list(list(number(-100, 100))),
    outings: count,
    garments: {
      type: 'object',
      propertyNames: id,
      maxProperties: 2000,
      additionalProperties: object({ loft: factor, wets: factor, outings: count }, ['loft', 'wets', 'outings']),
    },
  },
  ['mean', 'covariance', 'outings'],
);

const reading = { said: number(-1e5, 1e5), sd: number(0, 1e5), after: number(-1e5, 1e5) };
const grams = number(0, 100_000);
const seconds = number(0, 400_000);
const whole = (properties: Record<string, object>) => object(properties, Object.keys(properties));

/** What one outing taught. */
export const lessonSchema = whole({
  before: learnedSchema,
  after: learnedSchema,
  felt: {
    type: 'array',
    maxItems: 2000,
    items: whole({ part: { enum: [...PARTS] }, word: { enum: [...FELT] }, fromS: seconds, toS: seconds, ...reading }),
  },
  weighed: { type: 'array', maxItems: 60, items: whole({ garment: id, waterG: grams, scaleG: grams, ...reading }) },
  body: orNull(whole({ lossG: grams, scaleG: grams, ...reading })),
});

/** Reads what is known. @throws Refused also where its covariance is none: not symmetric, or with a direction of less than no spread */
export function readLearned(value: unknown, where: string): Learned {
  const learned = validated<Learned>(learnedSchema, value, where);
  const { covariance } = learned;
  const odd = covariance.some((row, i) => row.some((v, j) => Math.abs(v - covariance[j][i]) > 1e-9));
  const least = odd ? 0 : Math.min(...new EigenvalueDecomposition(new Matrix(covariance)).realEigenvalues);
  if (odd || least < -1e-9)
    refuse(where, 'covariance', odd ? 'not symmetric' : String(least), 'a covariance, as learning gives it');
  return learned;
}

/** @throws Refused */
export function readLesson(value: unknown, where: string): Lesson {
  const lesson = validated<Lesson>(lessonSchema, value, where);
  readLearned(lesson.before, `${where}, before`);
  readLearned(lesson.after, `${where}, after`);
  return lesson;
}
