import { Type, type Static } from '@sinclair/typebox';
import { NAME_LENGTH } from '@/core/clothing/garment';
import { SPORT, SPORTS, type Sport } from '@/core/effort/sports';
import type { Effort } from '@/core/outing/leg';
import type { ForecastHour } from '@/core/outing/forecast';
import { UNSAID } from '@/core/outing/forecast';
import type { Outing } from '@/core/outing/outing';
import { SNOW_ALBEDO } from '@/core/outing/timeline';
import { kmhToMs } from '@/core/quantity/units';
import { readLocalTime } from './dates';
import { refuse } from './problem';
import { validated } from './validate';

/** A form's field: its type and range, and its name on the screen. */
const said = (label: string, description?: string) => ({
  'x-field': { label },
  ...(description ? { description } : {}),
});
const number = (label: string, minimum: number, maximum: number, unit: string) =>
  Type.Optional(Type.Number({ minimum, maximum, ...said(label, unit) }));

const EFFORT_WORDS = ['usual', 'exertion', 'heartRate', 'speed', 'power'] as const;

/** What a new outing says beside its files. Numbers are metric. */
const NEW_OUTING = Type.Object(
  {
    sport: Type.Unsafe<Sport>({ enum: SPORTS, ...said('Sport') }),
    name: Type.Optional(Type.String({ maxLength: NAME_LENGTH, ...said('Name') })),
    forecastFrom: Type.Optional(
      Type.Unsafe<'file' | 'station'>({ enum: ['file', 'station'], ...said('Where the forecast is from') }),
    ),
    start: Type.Optional(Type.String({ maxLength: 40, ...said('Start') })),
    effortBy: Type.Optional(Type.Unsafe<(typeof EFFORT_WORDS)[number]>({ enum: EFFORT_WORDS, ...said('How hard') })),
    effortValue: Type.Optional(Type.Number(said('How hard'))),
    loadKg: number('Pack beyond clothes', 0, 60, 'kg'),
    utcOffsetH: number('Clock ahead of UTC', -12, 14, 'h'),
    useRecorded: Type.Optional(Type.Unsafe<'yes'>({ enum: ['yes'], ...said('Times recorded in the track') })),
    minutes: number('First leg', 5, 1440, 'min'),
    climbM: number('Climb', -3000, 3000, 'm'),
    airC: number('Air', -60, 40, '°C'),
    wind: number('Wind', 0, 60, 'm/s at 10 m'),
    humidity: number('Humidity', 2, 100, '%'),
  },
  { additionalProperties: false },
);
export type NewOutingForm = Static<typeof NEW_OUTING>;

const NUMBERS: readonly string[] = Object.entries(NEW_OUTING.properties)
  .filter(([, p]) => p.type === 'number')
  .map(([key]) => key);

/**
 * Reads the text fields of the form for a new outing; empty ones are as if left out.
 * @throws Refused with every fault
 */
export function readNewOuting(fields: Iterable<[string, string]>): NewOutingForm {
  const form: Record<string, unknown> = {};
  for (const [key, text] of fields) {
    const value = text.trim();
    if (value === '') continue;
    // What is no number stays text: the schema then says so beside its field.
    form[key] = NUMBERS.includes(key) && Number.isFinite(Number(value)) ? Number(value) : value;
  }
  return validated<NewOutingForm>(NEW_OUTING, form, 'Form');
}

/** What each way of saying the effort may be: [low, high, unit], and how it becomes the core's number. */
const EFFORT_RANGE: Record<
  Exclude<(typeof EFFORT_WORDS)[number], 'usual'>,
  readonly [number, number, string, (x: number) => number]
> = {
  exertion: [0, 10, 'of 10', (x) => x],
  heartRate: [40, 220, 'bpm', (x) => x],
  speed: [0.5, 60, 'km/h', kmhToMs],
  power: [20, 600, 'W', (x) => x],
};

/** The effort a form asks for. @throws Refused when its number is missing or out of range, or power is asked off a bicycle */
export function effortOf({ effortBy = 'usual', effortValue, sport }: NewOutingForm): Effort {
  if (effortBy === 'usual') return { by: 'usual' };
  if (effortBy === 'power' && SPORT[sport].mechanics?.by !== 'ride')
    refuse('Form', 'How hard', 'power', 'power only for cycling');
  const [low, high, unit, turn] = EFFORT_RANGE[effortBy];
  if (effortValue === undefined || effortValue < low || effortValue > high)
    refuse('Form', 'How hard', effortValue ?? 'empty', `${low} to ${high} ${unit}`);
  return { by: effortBy, value: turn(effortValue) };
}

const HOUR_MS = 3600_000;
const SAID = (ms: number): string => new Date(ms).toISOString().slice(0, 16).replace('T', ' ');

/**
 * When a new outing begins: as asked; else as recorded, where the forecast covers that; else at the forecast's first hour.
 * @param recordedMs local wall clock of the track's first point, where it has one @throws Refused outside the forecast
 */
export function startOf(form: NewOutingForm, forecast: readonly ForecastHour[], recordedMs: number | null): number {
  const first = forecast[0].timeMs;
  const last = forecast[forecast.length - 1].timeMs + HOUR_MS;
  const covers = (ms: number) => ms >= first - HOUR_MS && ms <= last;
  if (form.start === undefined) return recordedMs !== null && covers(recordedMs) ? recordedMs : first;
  const startMs = readLocalTime(form.start, 'Form');
  if (!covers(startMs)) refuse('Form', 'Start', form.start, `within the forecast, ${SAID(first)} to ${SAID(last)}`);
  return startMs;
}

/** Where the athlete does not know the humidity, %. */
const USUAL_HUMIDITY = 75;

/** The same air all day from three numbers, for legs by hand without a forecast. @throws Refused without a start */
export function steadyAir(form: NewOutingForm): ForecastHour[] {
  if (form.start === undefined)
    refuse('Form', 'Start', 'empty', 'a local date and time, since there is no forecast to take it from');
  const startMs = readLocalTime(form.start, 'Form');
  const wind = form.wind ?? 0;
  const hour = {
    airC: form.airC!,
    humidity: (form.humidity ?? USUAL_HUMIDITY) / 100,
    wind,
    gust: wind * UNSAID.gust,
    fromDeg: 0,
    precipitationMmH: 0,
    kind: 'none' as const,
    cloud: UNSAID.cloud,
  };
  return [0, 24].map((h) => ({ ...hour, timeMs: startMs + h * HOUR_MS }));
}

/** An outing of one leg, for legs by hand; more legs are added on its page. @throws Refused without its minutes */
export function outingByHand(form: NewOutingForm, startMs: number, forecast: ForecastHour[]): Outing {
  if (form.minutes === undefined)
    refuse('Form', 'Route', 'not chosen', 'a GPX file, or “Legs by hand” with the minutes of the first leg');
  const loadKg = form.loadKg ?? 0;
  return {
    name: form.name ?? 'Outing by hand',
    sport: form.sport,
    startMs,
    utcOffsetMin: Math.round((form.utcOffsetH ?? 0) * 60),
    loadKg,
    forecastEleM: 0,
    startEleM: 0,
    albedo: SNOW_ALBEDO,
    profile: null,
    forecast,
    legs: [
      {
        name: 'First leg',
        sport: form.sport,
        minutes: form.minutes,
        distanceM: 0,
        climbM: form.climbM ?? 0,
        effort: effortOf(form),
        shelter: 'open',
        packOn: loadKg > 0,
        noStopping: false,
      },
    ],
  };
}
