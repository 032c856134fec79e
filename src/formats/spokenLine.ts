// Longer than a file should be: one grammar. Its rules share an alphabet of patterns, and what one takes is gone for the next.
import { UTCDate } from '@date-fns/utc';
import { addDays, startOfDay } from 'date-fns';
import { distance as lettersApart } from 'fastest-levenshtein';
import {
  DOOR_RANGE,
  fallsIn,
  USUAL_DOOR,
  USUAL_FALL_MMH,
  type DoorDay,
  type DoorFall,
  type DoorStop,
  type DoorStopKind,
} from '@/core/outing/doorDay';
import { cToFahrenheit, fahrenheitToC, knotsToMs, kmhToMs, mphToKmh, poundToKg } from '@/core/quantity/units';
import { shown, type Problem } from './problem';
import {
  AMOUNT_WORDS,
  EFFORT_WORDS,
  FALL_WORDS,
  FILLERS,
  SHELTER_WORDS,
  SKY_WORDS,
  SPORT_WORDS,
  WIND_WORDS,
} from './spokenWords';
import type { Units } from './measures';

/** What a line can say; each is a chip on the screen. */
export const DOOR_KEYS = [
  'sport',
  'minutes',
  'exertion',
  'airC',
  'windMs',
  'falls',
  'sky',
  'shelter',
  'stops',
  'startMs',
  'packKg',
] as const;
export type DoorKey = (typeof DOOR_KEYS)[number];

/** A stretch of the line that was understood. */
export interface Said {
  key: DoorKey;
  from: number;
  to: number;
  /** what was taken for granted in it: a unit nobody named, a word that stands for a number */
  taken?: string;
}

/** A stretch that was not, with the nearest that would be. */
export interface NotUnderstood {
  from: number;
  to: number;
  text: string;
  nearest: string[];
}

export interface Spoken {
  text: string;
  day: DoorDay;
  said: Said[];
  /** what nobody said */
  guessed: DoorKey[];
  notUnderstood: NotUnderstood[];
  /** said, but outside what is taken; the guess stands instead */
  refused: (Problem & { key: DoorKey })[];
  /** contradictions, and what was made of them */
  notes: string[];
}

/** Finds the first date or time of day in a text, on the wall clock, and where it stands; null where there is none. */
export type MomentReader = (text: string, nowMs: number) => { ms: number; from: number; to: number } | null;

/** What stands where a line says nothing. */
export interface Unsaid {
  /** the day as it is now, at the place of the athlete */
  day: DoorDay;
  /** local wall clock, ms */
  nowMs: number;
  units: Units;
  /** reads dates and times of day; left out while it is still on its way to the page: none are read then */
  moments?: MomentReader;
}

/** Longest line that is read, letters. */
export const MOST_LETTERS = 300;

const escaped = (word: string): string => word.replace(/ /g, '\\s+');
const anyOf = (table: readonly (readonly [unknown, readonly string[]])[]): string =>
  table
    .flatMap(([, words]) => words)
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join('|');
const meant = <T>(table: readonly (readonly [T, readonly string[]])[], word: string): T =>
  table.find(([, words]) => words.includes(word.replace(/\s+/g, ' ')))![0];

const NUMBER = '\\d+(?:[.,]\\d+)?';
const number = (text: string): number => Number(text.replace(',', '.'));
const START = '(?<![\\p{L}\\d.,/:−–-])';
const END = '(?![\\p{L}\\d/])';
const whole = (inside: string): RegExp => new RegExp(`${START}(?:${inside})${END}`, 'u');

/** A number with a sign that is said, or a sign of its own. */
const SIGNED = `(?:(?<sign>[+−–-]|minus|plus)\\s*)`;

/** One way of saying one thing. Tried in order; the first place it fits is taken. */
interface Rule {
  key: DoorKey;
  pattern: RegExp;
  /** puts what was said into the day; words for what was taken for granted, or nothing */
  take: (m: Record<string, string | undefined>, reading: Reading) => string | undefined | void;
}

/** What has been understood so far. */
interface Reading {
  day: DoorDay;
  stops: DoorStop[];
  unsaid: Unsaid;
  /** the value where it is taken; else null, and a refusal is kept. @param said the unit it was said in, and how that unit says a value */
  number: (
    key: DoorKey,
    value: number,
    field: string,
    range: readonly [number, number, string],
    said?: { unit: string; of: (kept: number) => number },
  ) => number | null;
}

const MINUTES = `(?<n>${NUMBER})\\s*(?:minutes|minute|mins|min|['′])`;
const LENGTH_H = `(?<h>${NUMBER})\\s*(?:hours|hour|hrs|hr|h)(?:(?<attached>\\d{2})|\\s*(?:and\\s+)?(?<m>\\d{1,2})\\s*(?:minutes|mins|min|m(?!/)))?`;

const stop =
  (kind: DoorStopKind, usual: { times: number; minutes: number }): Rule['take'] =>
  (m, r) => {
    const minutes = m.n === undefined ? usual.minutes : number(m.n);
    const times = m.times === undefined ? usual.times : number(m.times);
    const a = r.number('stops', minutes, 'Minutes of a stop', DOOR_RANGE.stopMinutes);
    const b = r.number('stops', times, 'How many stops', DOOR_RANGE.stopTimes);
    if (a === null || b === null) return;
    r.stops = [...r.stops.filter((s) => s.kind !== kind), { kind, minutes: a, times: b }];
    const said = [m.times ?? (kind === 'lights' ? undefined : 'once'), m.n];
    return said.some((x) => x === undefined) ? `${b > 1 ? `${b}, ` : ''}about ${a} min` : undefined;
  };

/** One of a unit of wind, m/s. */
const msOf = (unit: string): number =>
  unit === 'mph' ? kmhToMs(mphToKmh(1)) : /^k(n|t)/.test(unit) ? knotsToMs(1) : /^m\/?s$/.test(unit) ? 1 : kmhToMs(1);

const wind = (m: Record<string, string | undefined>, r: Reading): string | undefined => {
  const unit = (m.unit ?? (r.unsaid.units === 'imperial' ? 'mph' : 'km/h')).replace(/\s/g, '');
  const one = msOf(unit);
  const held = r.number('windMs', number(m.n!) * one, 'Wind', DOOR_RANGE.windMs, { unit, of: (ms) => ms / one });
  if (held !== null) r.day.windMs = held;
  return m.unit === undefined ? unit : undefined;
};
const WIND_UNIT = '(?<unit>km\\/?h|kmh|kph|mph|m\\/?s|knots|kts|kn|kt)';

const air = (m: Record<string, string | undefined>, r: Reading): string | undefined => {
  const n = (m.sign !== undefined && /^(-|−|–|minus)$/.test(m.sign) ? -1 : 1) * number(m.n!);
  const unit = m.unit?.[0] ?? (r.unsaid.units === 'imperial' ? 'f' : 'c');
  const said = unit === 'f' ? { unit: '°F', of: cToFahrenheit } : { unit: '°C', of: (c: number) => c };
  const held = r.number('airC', unit === 'f' ? fahrenheitToC(n) : n, 'Air', DOOR_RANGE.airC, said);
  if (held !== null) r.day.airC = held;
  return m.unit === undefined ? (unit === 'f' ? '°F' : '°C') : undefined;
};

/** A time of day as it is said behind "from" and "until". */
const TIME = '(?:noon|midday|midnight|\\d{1,2}(?::\\d{2})?\\s*(?:am|pm)?|dusk|dawn)';

const RULES: readonly Rule[] = [
  { key: 'stops', pattern: whole('no\\s+stops?|without\\s+stops?|non-?stop'), take: (_, r) => void (r.stops = []) },
  {
    key: 'stops',
    pattern: whole(`(?:(?<times>\\d{1,2})\\s+)?(?:traffic\\s+)?(?:lights|red\\s+lights|traffic\\s+stops?)`),
    take: stop('lights', { times: 3, minutes: 1 }),
  },
  {
    key: 'stops',
    pattern: whole(
      `(?:${MINUTES}\\s+)(?:at\\s+the\\s+start|start\\s+pen|in\\s+the\\s+start\\s+pen)|(?:start\\s+pen|wait(?:ing)?\\s+at\\s+the\\s+start)(?:\\s+(?:of\\s+)?${MINUTES.replace('<n>', '<n2>')})?`,
    ),
    take: (m, r) => stop('start', { times: 1, minutes: 10 })({ ...m, n: m.n ?? m.n2 }, r),
  },
  ...(
    [
      ['lunch', '(?:lunch|picnic|summit)(?:\\s+(?:stop|break))?', 20],
      ['hut', '(?:hut|cafe|café|inn)(?:\\s+(?:stop|break))?', 30],
      ['wait', '(?:wait(?:ing)?|photo\\s+stop|stops?|break|belay)', 5],
    ] as const
  ).map(([kind, words, minutes]): Rule => ({
    key: 'stops',
    pattern: whole(
      `(?:(?<times>\\d{1,2})\\s*(?:x|×|times)\\s+)?(?:${MINUTES}\\s+${words}|${words}(?:\\s+(?:of\\s+|for\\s+)?${MINUTES.replace('<n>', '<n2>')})?)`,
    ),
    take: (m, r) => stop(kind, { times: 1, minutes })({ ...m, n: m.n ?? m.n2 }, r),
  })),
  {
    key: 'packKg',
    pattern: whole(
      `(?:pack|bag|load)\\s+(?:of\\s+)?(?<n>${NUMBER})\\s*(?<unit>kg|lbs?|pounds?)|(?<n2>${NUMBER})\\s*(?<unit2>kg|lbs?|pounds?)(?:\\s+(?:pack|bag|load))?|(?<none>no\\s+pack)`,
    ),
    take: (m, r) => {
      const n = m.none ? 0 : number((m.n ?? m.n2)!);
      const kg = (m.unit ?? m.unit2 ?? 'kg') === 'kg' ? n : poundToKg(n);
      const held = r.number('packKg', kg, 'Pack', DOOR_RANGE.packKg);
      if (held !== null) r.day.packKg = held;
    },
  },
  {
    key: 'falls',
    pattern: whole(
      `(?:(?<amount>${Object.keys(AMOUNT_WORDS).join('|')})\\s+)?(?<word>${anyOf(FALL_WORDS)})(?:\\s+(?<amount2>heavily|heavy|lightly|light))?(?:\\s+(?<mm>${NUMBER})\\s*mm(?:\\/h)?)?(?:\\s+(?:starts?\\s+)?(?:from|after)\\s+(?<from>${TIME}))?(?:\\s+(?:until|till|to)\\s+(?<until>${TIME}))?`,
    ),
    take: (m, r) => {
      const kind = meant(FALL_WORDS, m.word!);
      const amount = m.amount ?? m.amount2?.replace(/i?ly$/, (end) => (end === 'ily' ? 'y' : ''));
      const usual = USUAL_FALL_MMH[kind] * (amount ? AMOUNT_WORDS[amount] : 1);
      const mmH = kind === 'none' ? 0 : r.number('falls', m.mm ? number(m.mm) : usual, 'What falls', DOOR_RANGE.mmH);
      if (mmH === null) return;
      r.day.falls = { kind, mmH, ...clockOf('fromMs', m.from, r), ...clockOf('untilMs', m.until, r) };
      return kind !== 'none' && m.mm === undefined ? `about ${mmH} mm/h` : undefined;
    },
  },
  { key: 'windMs', pattern: whole(`winds?\\s+(?:of\\s+|about\\s+)?(?<n>${NUMBER})(?:\\s*${WIND_UNIT})?`), take: wind },
  { key: 'windMs', pattern: whole(`(?<n>${NUMBER})\\s*${WIND_UNIT}(?:\\s+wind)?`), take: wind },
  {
    key: 'windMs',
    pattern: whole(`(?<word>${anyOf(WIND_WORDS)})`),
    take: (m, r) => {
      const kmh = meant(WIND_WORDS, m.word!);
      r.day.windMs = kmhToMs(kmh);
      return `${kmh} km/h`;
    },
  },
  {
    key: 'airC',
    pattern: whole(`${SIGNED}?(?<n>${NUMBER})\\s*(?:°\\s*|degrees\\s+|deg\\s+)?(?<unit>celsius|fahrenheit|c|f)`),
    take: air,
  },
  { key: 'airC', pattern: whole(`${SIGNED}?(?<n>${NUMBER})\\s*(?:°|degrees|deg)`), take: air },
  { key: 'airC', pattern: whole(`${SIGNED}(?<n>${NUMBER})`), take: air },
  {
    key: 'airC',
    pattern: whole('(?<word>zero|freezing\\s+point|freezing)'),
    take: (_, r) => {
      r.day.airC = 0;
      return '0 °C';
    },
  },
  {
    key: 'minutes',
    pattern: whole(`${LENGTH_H}|(?<colon>\\d{1,2}:\\d{2})\\s*h|${MINUTES}`),
    take: (m, r) => {
      const minutes = m.colon
        ? Number(m.colon.split(':')[0]) * 60 + Number(m.colon.split(':')[1])
        : m.h !== undefined
          ? number(m.h) * 60 + Number(m.attached ?? m.m ?? 0)
          : number(m.n!);
      const held = r.number('minutes', minutes, 'Minutes', DOOR_RANGE.minutes);
      if (held !== null) r.day.minutes = held;
    },
  },
  {
    key: 'minutes',
    pattern: whole(
      '(?<half>half\\s+an\\s+hour)|(?<oneHalf>an?\\s+hour\\s+and\\s+a\\s+half)|(?<one>(?:an|one)\\s+hour)|(?<two>two\\s+hours)',
    ),
    take: (m, r) => void (r.day.minutes = m.half ? 30 : m.oneHalf ? 90 : m.one ? 60 : 120),
  },
  {
    key: 'exertion',
    pattern: whole(`(?:effort|rpe)\\s+(?<n>${NUMBER})|(?<n2>${NUMBER})\\s*(?:of|\\/)\\s*10`),
    take: (m, r) => {
      const held = r.number('exertion', number((m.n ?? m.n2)!), 'How hard', DOOR_RANGE.exertion);
      if (held !== null) r.day.exertion = held;
    },
  },
  {
    key: 'exertion',
    pattern: whole(`(?<word>${anyOf(EFFORT_WORDS)})`),
    take: (m, r) => void (r.day.exertion = meant(EFFORT_WORDS, m.word!)),
  },
  {
    key: 'sky',
    pattern: whole(`(?<word>${anyOf(SKY_WORDS)})`),
    take: (m, r) => void (r.day.sky = meant(SKY_WORDS, m.word!)),
  },
  {
    key: 'shelter',
    pattern: whole(`(?:(?:on|in|through)\\s+(?:the\\s+)?)?(?<word>${anyOf(SHELTER_WORDS)})`),
    take: (m, r) => void (r.day.shelter = meant(SHELTER_WORDS, m.word!)),
  },
  {
    key: 'sport',
    pattern: whole(`(?<word>${anyOf(SPORT_WORDS)})`),
    take: (m, r) => void (r.day.sport = meant(SPORT_WORDS, m.word!)),
  },
];

/** The only number left where how long is said and the air is not: it can only be the air, and is said to be taken for it. Null where there is none, or more than one. */
function bareAir(rest: string, said: readonly Said[], refused: Spoken['refused']): RegExpExecArray | null {
  const known = new Set<DoorKey>([...said, ...refused].map(({ key }) => key));
  if (!known.has('minutes') || known.has('airC')) return null;
  const numbers = [...rest.matchAll(new RegExp(`${START}${NUMBER}${END}`, 'gu'))];
  return numbers.length === 1 ? numbers[0] : null;
}

/** A time of day behind "from" or "until", on the day of the outing or, where that is past, the next. */
function clockOf(key: 'fromMs' | 'untilMs', text: string | undefined, r: Reading): Partial<DoorFall> {
  if (text === undefined) return {};
  const at = r.unsaid.moments?.(text, r.unsaid.nowMs) ?? plainHour(text, r.unsaid.nowMs);
  return at === null ? {} : { [key]: at.ms };
}

const plainHour = (text: string, nowMs: number): { ms: number } | null => {
  const m = /^(\d{1,2})(?::(\d{2}))?$/.exec(text.trim());
  if (!m || Number(m[1]) > 23) return null;
  const at = new UTCDate(nowMs);
  at.setHours(Number(m[1]), Number(m[2] ?? 0), 0, 0);
  return { ms: at.getTime() < nowMs - 12 * 3600_000 ? addDays(at, 1).getTime() : at.getTime() };
};

/** Stands where something has been read: a letter that no alphabet has. */
const READ = '\uE000';

/** Blanks a stretch that has been read, so that nothing reads it again; the letters keep their places. */
const blank = (text: string, from: number, to: number): string =>
  text.slice(0, from) + READ.repeat(to - from) + text.slice(to);

/**
 * Reads a line such as "run 50 min steady −6 wind 15 dry, traffic stops": metric or imperial, in any order. What was understood, guessed
 * and not understood is all told; nothing is guessed in silence, and nothing is thrown: a value out of range is refused by name and the
 * guess stands.
 */
export function readLine(text: string, unsaid: Unsaid): Spoken {
  const line = text.slice(0, MOST_LETTERS);
  const said: Said[] = [];
  const refused: Spoken['refused'] = [];
  let rest = line.toLowerCase();
  // A few letters change their length in small: they are left alone.
  if (rest.length !== line.length) rest = line;
  const reading: Reading = {
    day: structuredClone(unsaid.day),
    stops: [],
    unsaid,
    number: (k, value, field, [low, high, unit], as = { unit, of: (v) => v }) => {
      if (value >= low && value <= high) return value;
      const in_ = (v: number) => String(round(as.of(v))).replace('-', '−');
      const allowed = `${in_(low)} to ${in_(high)} ${as.unit}`.trim();
      refused.push({ key: k, where: 'The line', field, value: `${shown(in_(value))} ${as.unit}`.trim(), allowed });
      return null;
    },
  };
  let saidStops = false;
  for (const rule of RULES) {
    // Several kinds of stop may be named; of all else the first place counts, and a second is told as not understood.
    if (rule.key !== 'stops' && said.some((s) => s.key === rule.key)) continue;
    const m = rule.pattern.exec(rest);
    if (!m) continue;
    const { key } = rule;
    const before = refused.length;
    const taken = rule.take({ ...m.groups }, reading) ?? undefined;
    rest = blank(rest, m.index, m.index + m[0].length);
    if (refused.length > before) continue;
    if (key === 'stops') saidStops = true;
    said.push({ key, from: m.index, to: m.index + m[0].length, ...(taken ? { taken } : {}) });
  }
  const moment = unsaid.moments?.(rest.replaceAll(READ, '|'), unsaid.nowMs);
  if (moment) {
    // What falls was told by the clock of the day one goes.
    const days =
      (startOfDay(new UTCDate(moment.ms)).getTime() - startOfDay(new UTCDate(unsaid.nowMs)).getTime()) / DAY_MS;
    const { fromMs, untilMs } = reading.day.falls;
    if (fromMs !== undefined) reading.day.falls.fromMs = fromMs + days * DAY_MS;
    if (untilMs !== undefined) reading.day.falls.untilMs = untilMs + days * DAY_MS;
    reading.day.startMs = moment.ms;
    rest = blank(rest, moment.from, moment.to);
    said.push({ key: 'startMs', from: moment.from, to: moment.to });
  }
  // Before times of day can be read it might be one.
  const bare = unsaid.moments ? bareAir(rest, said, refused) : null;
  if (bare) {
    const taken = air({ n: bare[0] }, reading);
    const to = bare.index + bare[0].length;
    rest = blank(rest, bare.index, to);
    if (!refused.some(({ key }) => key === 'airC')) said.push({ key: 'airC', from: bare.index, to, taken });
  }
  if (saidStops) reading.day.stops = reading.stops;
  said.sort((a, b) => a.from - b.from);
  const keys = new Set(said.map((s) => s.key));
  const usual = USUAL_DOOR[reading.day.sport];
  // What nobody said is as usual for the sport that was said.
  if (keys.has('sport') && reading.day.sport !== unsaid.day.sport)
    for (const k of ['minutes', 'exertion', 'shelter', 'packKg'] as const)
      if (!keys.has(k)) Object.assign(reading.day, { [k]: usual[k] });
  return {
    text: line,
    day: reading.day,
    said,
    guessed: DOOR_KEYS.filter((k) => !keys.has(k)),
    notUnderstood: leftOver(line, rest),
    refused,
    notes: contradictions(reading.day),
  };
}

const DAY_MS = 24 * 3600_000;
const round = (v: number): number => Math.round(v * 10) / 10;

/** Whether what was said can be; what cannot is mended in the day and told. */
function contradictions(day: DoorDay): string[] {
  const notes: string[] = [];
  const { falls } = day;
  // Where neither the line nor the day before it says an air, nothing contradicts it: whoever asked is told that it is missing.
  if (falls.kind === 'none' || Number.isNaN(day.airC)) return notes;
  const kind = fallsIn(day.airC, falls.kind);
  if (kind !== falls.kind) {
    notes.push(`${falls.kind} does not fall in such air: ${kind} is assumed`);
    day.falls = { ...falls, kind };
  }
  return notes;
}

/** Everything a line may say, for the nearest of what it does. */
const VOCABULARY: readonly string[] = [
  ...[SPORT_WORDS, EFFORT_WORDS, WIND_WORDS, FALL_WORDS, SKY_WORDS, SHELTER_WORDS].flatMap((t) =>
    (t as readonly (readonly [unknown, readonly string[]])[]).flatMap(([, words]) => words),
  ),
  ...['wind', 'minutes', 'hours', 'lunch stop', 'hut', 'lights', 'wait', 'tomorrow', 'pack', 'no stops'],
];
/** A word this unlike is no misspelling, share of its letters. */
const TOO_UNLIKE = 0.67;
const READINGS = 3;

function leftOver(line: string, rest: string): NotUnderstood[] {
  return [...rest.matchAll(/[^\s,;.\uE000]+/gu)].flatMap((m) => {
    const word = m[0].replace(/[!?]+$/, '');
    if (word === '' || FILLERS.has(word) || !/[\p{L}\p{N}]/u.test(word)) return [];
    const to = m.index + m[0].length;
    return [{ from: m.index, to, text: line.slice(m.index, to), nearest: nearestTo(word) }];
  });
}

function nearestTo(word: string): string[] {
  if (/^\d+([.,]\d+)?$/.test(word)) return [`${word} min`, `${word} °C`, `wind ${word}`];
  return VOCABULARY.map((v) => ({ v, apart: lettersApart(word, v) / Math.max(word.length, v.length) }))
    .filter((x) => x.apart <= TOO_UNLIKE)
    .sort((a, b) => a.apart - b.apart)
    .slice(0, READINGS)
    .map((x) => x.v);
}
