import { parseMetar, parseTAFAsForecast, type IMetar } from 'metar-taf-parser';
import { saturationPressure } from '@/core/atmosphere/humidity';
import { kindFromWetBulb, type PrecipitationKind } from '@/core/atmosphere/precipitation';
import { UNSAID, type ForecastHour } from '@/core/outing/forecast';
import { kmhToMs, knotsToMs } from '@/core/quantity/units';
import { refuse } from './problem';

/** What was read of a pasted report in the public aviation codes (WMO No. 306, FM 15 and FM 51), and what was not. */
export interface Aviation {
  kind: 'METAR' | 'TAF';
  station: string;
  /** what is measured; a forecast measures nothing */
  now: ForecastHour | null;
  /** hour by hour; a report of now has none */
  hours: ForecastHour[];
  /** groups nobody could read, as they stand */
  notRead: string[];
  /** what the report does not say and was taken from elsewhere */
  taken: string[];
}

/** What is known beside the report: the local wall clock, its offset from UTC, and the air, where a forecast says none. */
export interface Around {
  nowMs: number;
  utcOffsetMin: number;
  airC: number;
  humidity: number;
}

const HOUR_MS = 3600_000;
const MIN_MS = 60_000;
const WHERE = 'The report';
/** Longest report that is read, letters. */
export const MOST_REPORT = 4000;

/** Tells which of the two it is and reads it. @throws Refused for what is neither */
export function readAviation(text: string, around: Around): Aviation {
  const plain = text.trim().replace(/\s+/g, ' ').replace(/=$/, '').toUpperCase();
  if (plain.length > MOST_REPORT) refuse(WHERE, 'length', `${plain.length} letters`, `at most ${MOST_REPORT}`);
  if (plain === '') refuse(WHERE, 'text', 'empty', 'a METAR or TAF, as it is published');
  const isTaf = /^TAF\b/.test(plain) || /\b\d{4}\/\d{4}\b/.test(plain);
  return isTaf ? readTaf(plain, around) : readMetar(plain, around);
}

type Groups = Pick<IMetar, 'wind' | 'clouds' | 'weatherConditions' | 'cavok'>;

const SPEED: Record<string, (v: number) => number> = { KT: knotsToMs, MPS: (v) => v, 'KM/H': kmhToMs, KMH: kmhToMs };
/** Octas of a cloud group, as a share of the sky. */
const COVER: Record<string, number> = { SKC: 0, NSC: 0, CLR: 0, FEW: 0.2, SCT: 0.45, BKN: 0.75, OVC: 1 };
/** mm/h of water by intensity: WMO's bounds are 2.5 and 10 mm/h for rain, a third of that for snow. */
const RAIN = { '-': 1, '': 4, '+': 12 } as const;
const SNOW = { '-': 0.5, '': 1.5, '+': 4 } as const;

function windOf(g: Groups): Pick<ForecastHour, 'wind' | 'gust' | 'fromDeg'> | null {
  const w = g.wind;
  if (!w) return null;
  const ms = SPEED[String(w.unit)] ?? knotsToMs;
  const wind = ms(w.speed);
  return {
    wind,
    gust: Math.max(wind, w.gust === undefined ? wind * UNSAID.gust : ms(w.gust)),
    fromDeg: w.degrees ?? 0,
  };
}

function fallOf(g: Groups, airC: number, humidity: number): Pick<ForecastHour, 'kind' | 'precipitationMmH'> {
  for (const c of g.weatherConditions) {
    const of = c.phenomenons.map(String);
    const strength = (String(c.intensity ?? '').replace(/[^+-]/g, '') || '') as keyof typeof RAIN;
    const freezing = String(c.descriptive ?? '') === 'FZ';
    if (String(c.intensity ?? '') === 'VC') continue;
    if (freezing && (of.includes('RA') || of.includes('DZ')))
      return { kind: 'freezing drizzle', precipitationMmH: RAIN[strength] };
    if (of.includes('RA') && of.includes('SN')) return { kind: 'sleet', precipitationMmH: RAIN[strength] };
    if (of.some((p) => ['SN', 'SG', 'PL', 'GS', 'IC'].includes(p))) {
      const wet: PrecipitationKind = kindFromWetBulb(airC, humidity) === 'dry snow' ? 'dry snow' : 'wet snow';
      return { kind: wet, precipitationMmH: SNOW[strength] };
    }
    if (of.includes('RA') || of.includes('UP')) return { kind: 'rain', precipitationMmH: RAIN[strength] };
    if (of.includes('DZ')) return { kind: 'rain', precipitationMmH: RAIN[strength] / 4 };
  }
  return { kind: 'none', precipitationMmH: 0 };
}

const cloudOf = (g: Groups): number | null =>
  g.cavok
    ? 0.1
    : g.clouds.length === 0
      ? null
      : Math.max(...g.clouds.map((c) => COVER[String(c.quantity)] ?? UNSAID.cloud));

/** The local wall clock of a day of the month and a time in UTC, the nearest to now. */
function momentOf(day: number, hour: number, minute: number, { nowMs, utcOffsetMin }: Around): number {
  const utc = new Date(nowMs - utcOffsetMin * MIN_MS);
  const at = (months: number) => Date.UTC(utc.getUTCFullYear(), utc.getUTCMonth() + months, day, hour, minute);
  const nearest = [-1, 0, 1]
    .map(at)
    .reduce((a, b) => (Math.abs(b - utc.getTime()) < Math.abs(a - utc.getTime()) ? b : a));
  return nearest + utcOffsetMin * MIN_MS;
}

function readMetar(text: string, around: Around): Aviation {
  const m = parsed(() => parseMetar(text));
  if (m.temperature === undefined && !m.wind && m.weatherConditions.length === 0)
    refuse(
      WHERE,
      'text',
      text.slice(0, 60),
      'a METAR or TAF, such as METAR XXXX 120650Z 24015KT 9999 SCT020 M06/M08 Q1008',
    );
  const taken: string[] = [];
  if (m.temperature === undefined) taken.push('the air');
  const airC = m.temperature ?? around.airC;
  const humidity =
    m.dewPoint === undefined || m.temperature === undefined
      ? around.humidity
      : Math.min(1, Math.max(0.02, saturationPressure(m.dewPoint) / saturationPressure(m.temperature)));
  if (m.dewPoint === undefined) taken.push('the humidity');
  const wind = windOf(m);
  if (!wind) taken.push('the wind, as calm');
  const cloud = cloudOf(m);
  if (cloud === null) taken.push('the sky, as half covered');
  const timeMs = m.day === undefined ? around.nowMs : momentOf(m.day, m.hour ?? 0, m.minute ?? 0, around);
  const fall = fallOf(m, airC, humidity);
  return {
    kind: 'METAR',
    station: m.station,
    now: {
      timeMs,
      airC,
      humidity,
      ...(wind ?? { wind: 0, gust: 0, fromDeg: 0 }),
      ...fall,
      cloud: fall.precipitationMmH > 0 ? 1 : (cloud ?? UNSAID.cloud),
    },
    hours: [],
    notRead: unreadOf(text),
    taken,
  };
}

function readTaf(text: string, around: Around): Aviation {
  const taf = parsed(() => parseTAFAsForecast(text, { issued: new Date(around.nowMs - around.utcOffsetMin * MIN_MS) }));
  const local = (d: Date) => d.getTime() + around.utcOffsetMin * MIN_MS;
  const air = airOver(taf, around);
  const hours: ForecastHour[] = [];
  const first = Math.ceil(local(taf.start) / HOUR_MS) * HOUR_MS;
  for (let t = first; t <= local(taf.end); t += HOUR_MS) {
    // A temporary group counts where it is on: who goes out wants to know the worse of the two.
    const on = taf.forecast.filter((f) => local(f.start) <= t && local(f.end) > t);
    if (on.length === 0) continue;
    const airC = air.at(t);
    const last = <T>(of: (g: Groups) => T | null): T | null =>
      on.reduce<T | null>((found, f) => of(f as unknown as Groups) ?? found, null);
    const falls = on
      .map((f) => fallOf(f as unknown as Groups, airC, around.humidity))
      .reduce((a, b) => (b.precipitationMmH > a.precipitationMmH ? b : a));
    const cloud = last((g) => cloudOf(g)) ?? UNSAID.cloud;
    const wind = last((g) => windOf(g)) ?? { wind: 0, gust: 0, fromDeg: 0 };
    hours.push({
      timeMs: t,
      airC,
      humidity: falls.precipitationMmH > 0 ? Math.max(0.9, around.humidity) : around.humidity,
      ...wind,
      ...falls,
      cloud: falls.precipitationMmH > 0 ? 1 : cloud,
    });
  }
  if (hours.length === 0) refuse(WHERE, 'hours', 'none', 'a TAF with a period, such as 1206/1312');
  return {
    kind: 'TAF',
    station: taf.station,
    now: null,
    hours,
    notRead: unreadOf(text),
    taken: [air.says, 'the humidity'].filter((s) => s !== ''),
  };
}

/** The air through the day where a forecast gives its highest and lowest: a cosine between them; else as it is now. */
function airOver(
  taf: ReturnType<typeof parseTAFAsForecast>,
  around: Around,
): { at: (ms: number) => number; says: string } {
  const max = taf.maxTemperature;
  const min = taf.minTemperature;
  if (!max || !min) return { at: () => around.airC, says: 'the air, as it is now' };
  const mean = (max.temperature + min.temperature) / 2;
  const half = (max.temperature - min.temperature) / 2;
  const peak = max.hour + around.utcOffsetMin / 60;
  return {
    at: (ms) => mean + half * Math.cos((2 * Math.PI * ((ms % (24 * HOUR_MS)) / HOUR_MS - peak)) / 24),
    says: '',
  };
}

function parsed<T>(work: () => T): T {
  try {
    return work();
  } catch {
    return refuse(
      WHERE,
      'text',
      'not readable',
      'a METAR or TAF, such as METAR XXXX 120650Z 24015KT 9999 SCT020 M06/M08 Q1008',
    );
  }
}

/** Groups of the codes that carry something here or are known to carry nothing. */
const KNOWN: readonly RegExp[] = [
  /^(METAR|SPECI|TAF|AUTO|COR|AMD|NIL|CNL|NOSIG|CAVOK|RMK|BECMG|TEMPO|INTER|NSW|SKC|NSC|NCD|CLR)$/,
  /^[A-Z]{4}$/,
  /^\d{6}Z$/,
  /^\d{4}\/\d{4}$/,
  /^(FM|TL|AT)\d{4,6}$/,
  /^PROB\d{2}$/,
  /^(\d{3}|VRB|\/\/\/)(\d{2,3}|\/\/)(G\d{2,3})?(KT|MPS|KMH)$/,
  /^\d{3}V\d{3}$/,
  /^(\d{4}|\/\/\/\/)([NSEW]{1,2}|NDV)?$/,
  /^(\d+|\d\/\d|M?\d\/\dSM|\d+SM|P6SM)$/,
  /^R\d{2}[LCR]?\/.+$/,
  /^(\+|-|VC|RE)?(MI|PR|BC|DR|BL|SH|TS|FZ)?(DZ|RA|SN|SG|PL|GR|GS|UP|IC|BR|FG|FU|VA|DU|SA|HZ|PY|PO|SQ|FC|SS|DS){0,3}$/,
  /^(FEW|SCT|BKN|OVC|VV|\/\/\/)(\d{3}|\/\/\/)(CB|TCU|\/\/\/)?$/,
  /^M?\d{2}\/(M?\d{2}|\/\/)?$/,
  /^[QA]\d{4}$/,
  /^T[XN]M?\d{2}\/\d{4}Z$/,
  /^WS\d{3}\/\d{5}KT$/,
];

/** What nobody could read, before the remarks. */
const unreadOf = (text: string): string[] =>
  text
    .split(' RMK')[0]
    .split(' ')
    .filter((word) => word !== '' && !KNOWN.some((k) => k.test(word)));
