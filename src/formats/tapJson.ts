import { PERSON_RANGE } from '@/core/body/person';
import { FEELINGS } from '@/core/calibrate/votes';
import { FELT, PARTS } from '@/core/calibrate/words';
import {
  AIR_STEPS,
  FALL_STEPS,
  MOST_RECORDED,
  MOST_STUCK,
  MOST_TAPS,
  REASONS,
  SEEN,
  SEEN_AT,
  SIGNS,
  STUCK_FOR_H,
  WIND_STEPS,
  type Tap,
  type Told,
} from '@/core/underway/taps';
import { Refused, refuse, type Problem } from './problem';
import { id, number, object, orNull, uuid } from './schemaParts';
import { actionsSchema, planSchema } from './schemas';
import { validated } from './validate';

const text = { type: 'string', minLength: 1, maxLength: 200 };
const flag = { type: 'boolean' };
/** Longer than any outing that can be laid out. */
const seconds = number(0, 400_000);
const wallMs = number(0, Date.UTC(2096, 11, 31));
const massKg = number(PERSON_RANGE.massKg[0], PERSON_RANGE.massKg[1]);
const told = (kind: Told['kind'], properties: Record<string, object> = {}) =>
  object({ kind: { const: kind }, ...properties }, ['kind', ...Object.keys(properties)]);

/** What may be told, by its kind: each is checked by its own schema, so that a fault names its field. */
export const TOLD_SCHEMAS: Record<Told['kind'], ReturnType<typeof told>> = {
  sky: told('sky', {
    sky: object({ air: { enum: [...AIR_STEPS] }, wind: { enum: [...WIND_STEPS] }, falls: { enum: [...FALL_STEPS] } }, [
      'air',
      'wind',
      'falls',
    ]),
  }),
  ticked: told('ticked', { item: text, on: flag }),
  with: told('with', { garment: id, along: flag }),
  dressed: told('dressed', { plan: planSchema }),
  started: told('started', { by: { enum: ['button', 'moving'] } }),
  done: told('done', { cue: text }),
  did: told('did', { actions: actionsSchema }),
  later: told('later', { cue: text, reason: { enum: [...REASONS] } }),
  feels: told('feels', { feels: { enum: [...FEELINGS] } }),
  stopped: told('stopped'),
  going: told('going'),
  late: told('late', { minutes: number(-240, 240) }),
  replanned: told('replanned', { cues: planSchema.properties.cues as object }),
  fix: told('fix', { metres: number(0, 1_000_000), offM: number(0, 1_000_000) }),
  pulse: told('pulse', { bpm: number(20, 250) }),
  stuck: told('stuck'),
  unstuck: told('unstuck'),
  'stuck so': told('stuck so', {
    so: object(
      {
        people: { type: 'integer', minimum: 1, maximum: MOST_STUCK },
        shelter: orNull(text),
        helpFromH: number(0, STUCK_FOR_H),
        helpToH: number(0, STUCK_FOR_H),
      },
      ['people', 'shelter', 'helpFromH', 'helpToH'],
    ),
  }),
  sign: told('sign', { sign: { enum: [...SIGNS] }, seen: flag }),
  'turned back': told('turned back'),
  'goes on': told('goes on', { danger: text, why: text }),
  home: told('home'),
  felt: object(
    {
      kind: { const: 'felt' },
      part: { enum: [...PARTS] },
      felt: { enum: [...FELT] },
      during: object({ fromS: seconds, toS: seconds }, ['fromS', 'toS']),
    },
    ['kind', 'part', 'felt'],
  ),
  saw: told('saw', {
    saw: object({ what: { enum: [...SEEN] }, where: { enum: [...SEEN_AT] } }, ['what', 'where']),
    seen: flag,
  }),
  body: told('body', {
    weights: object(
      {
        beforeKg: massKg,
        afterKg: massKg,
        drankL: number(0, 30),
        ateKg: number(0, 15),
        passedL: number(0, 15),
      },
      ['beforeKg', 'afterKg', 'drankL', 'ateKg', 'passedL'],
    ),
  }),
  note: told('note', { text: { type: 'string', maxLength: 2000 } }),
  was: told('was', { airC: orNull(number(-60, 45)), windMs: orNull(number(0, 60)) }),
  recorded: told('recorded', {
    startMs: wallMs,
    endMs: wallMs,
    moments: {
      type: 'array',
      minItems: 2,
      maxItems: MOST_RECORDED,
      items: object(
        {
          atS: seconds,
          metres: orNull(number(0, 1_000_000)),
          bpm: orNull(number(20, 250)),
          airC: orNull(number(-60, 60)),
          powerW: orNull(number(0, 3000)),
          cadence: orNull(number(0, 400)),
        },
        ['atS', 'metres', 'bpm', 'airC', 'powerW', 'cadence'],
      ),
    },
  }),
  weighed: told('weighed', { garment: id, grams: number(0, 100_000) }),
  hung: told('hung', { garment: id, hung: flag }),
  wet: told('wet', { garment: id, dampGm2: number(0, 2000) }),
  kept: told('kept'),
  undo: told('undo', { tap: uuid }),
};

/** A tap without what it tells. */
const frame = object(
  {
    id: uuid,
    atMs: wallMs,
    device: { type: 'string', minLength: 1, maxLength: 80 },
    told: { type: 'object', required: ['kind'], properties: { kind: { enum: Object.keys(TOLD_SCHEMAS) } } },
  },
  ['id', 'atMs', 'device', 'told'],
);

const list = object({ taps: { type: 'array', minItems: 1, maxItems: MOST_TAPS } }, ['taps']);

/** One tap as JSON, for the published schema. */
export const tapSchema = {
  ...frame,
  properties: { ...frame.properties, told: { oneOf: Object.values(TOLD_SCHEMAS) } },
};

/** Reads one tap. @throws Refused naming the field that does not fit */
export function readTap(value: unknown, where: string): Tap {
  const tap = validated<Tap>(frame, value, where);
  validated<Told>(TOLD_SCHEMAS[tap.told.kind], tap.told, `${where}, ${tap.told.kind}`);
  return tap;
}

/** A tap that cannot be taken, and why: the phone shows it and keeps it. */
export interface RefusedTap {
  id: string;
  problems: Problem[];
}

/**
 * Reads taps that a phone sends. One that does not fit holds up no other: it is told by its id with the reason.
 * @throws Refused when it is no list of taps at all, or one has no id to answer to
 */
export function readTaps(body: unknown): { taps: Tap[]; refused: RefusedTap[] } {
  const { taps: sent } = validated<{ taps: unknown[] }>(list, body, 'Taps');
  const taps: Tap[] = [];
  const refused: RefusedTap[] = [];
  sent.forEach((value, i) => {
    const where = `Tap ${i + 1}`;
    try {
      taps.push(readTap(value, where));
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      const named = value as { id?: unknown } | null;
      if (typeof named?.id !== 'string') refuse(where, 'id', String(named?.id ?? 'missing'), 'a UUID');
      refused.push({ id: String(named!.id), problems: e.problems });
    }
  });
  return { taps, refused };
}
