import type { Person } from '@/core/body/person';
import type { ForecastHour } from '@/core/outing/forecast';
import { withStations, type StationHours } from '@/core/outing/fromStations';
import { outingFromRoute, timelineOf, type Outing } from '@/core/outing/outing';
import type { RoutePoint } from '@/core/outing/route';
import { MAX_CSV_BYTES, readForecastCsv } from './forecastCsv';
import { MAX_GPX_BYTES, readGpx } from './gpx';
import { effortOf, outingByHand, startOf, steadyAir, type NewOutingForm } from './newOuting';
import { atDoor, refuse } from './problem';

/** A file by its name, with its bytes as they came. */
export interface TextFile {
  name: string;
  bytes: Uint8Array;
}

/** What a new outing is made of. */
export interface Brought {
  form: NewOutingForm;
  person: Person;
  forecast: TextFile | null;
  route: TextFile | null;
  /** what weather stations forecast, where it is wanted from there */
  stations?: Stations;
}

/** The station one looks to, those about it, and how far its clock is ahead of UTC, min. */
export interface Stations {
  own: StationHours;
  others: StationHours[];
  utcOffsetMin: number;
}

/** What was made of it. */
export interface Taken {
  outing: Outing;
  /** every point of the route, for export; null: legs by hand */
  points: RoutePoint[] | null;
}

/** Makes an outing of files: a forecast, and a route or one leg by hand. @throws Refused with the reasons */
export function takeIn(brought: Brought): Taken {
  const taken = brought.route ? fromRoute(brought, brought.route) : byHand(brought);
  const { stations, person } = brought;
  const { endS } = atDoor('Outing', () => timelineOf(taken.outing, person));
  if (!stations) return taken;
  const outing = atDoor('Form', () => withStations(taken.outing, stations.own, stations.others, endS));
  atDoor('Outing', () => timelineOf(outing, person));
  return { ...taken, outing };
}

/** The hours that the start is held against: of a station, or of a file; null: neither was given. */
const hoursOf = ({ stations, forecast }: Brought): ForecastHour[] | null =>
  stations ? [...stations.own.hours] : forecast && readForecastCsv(textOf(forecast, MAX_CSV_BYTES), forecast.name);

function fromRoute(brought: Brought, route: TextFile): Taken {
  const { form, person, stations } = brought;
  const forecast = hoursOf(brought);
  if (!forecast)
    refuse('Form', 'Hourly forecast', 'not chosen', 'an hourly forecast as CSV, or that of your weather station');
  const { name, points } = readGpx(textOf(route, MAX_GPX_BYTES), route.name);
  // A station's hours are on its own clock.
  const utcOffsetMin = stations?.utcOffsetMin ?? Math.round((form.utcOffsetH ?? 0) * 60);
  const recorded = points[0].timeMs;
  const startMs = startOf(form, forecast, recorded === null ? null : recorded + utcOffsetMin * 60_000);
  const going = {
    name: form.name ?? name,
    sport: form.sport,
    effort: effortOf(form),
    startMs,
    utcOffsetMin,
    loadKg: form.loadKg ?? 0,
    clock: form.useRecorded === 'yes' ? ('recorded' as const) : ('by effort' as const),
    route: points,
    forecast,
  };
  return { outing: atDoor(route.name, () => outingFromRoute(going, person)), points };
}

function byHand(brought: Brought): Taken {
  const { form, stations } = brought;
  const hours = hoursOf(brought);
  if (!hours && form.airC === undefined)
    refuse(
      'Form',
      'Hourly forecast',
      'not chosen',
      'an hourly forecast as CSV, that of your weather station, or the air of the day by hand',
    );
  const forecast = hours ?? steadyAir(form);
  const outing = outingByHand(form, startOf(form, forecast, null), forecast);
  return { outing: stations ? { ...outing, utcOffsetMin: stations.utcOffsetMin } : outing, points: null };
}

/** The text of a file. @throws Refused when it is larger than `most` bytes, or no text */
export function textOf({ name, bytes }: TextFile, most: number): string {
  if (bytes.byteLength > most)
    refuse(name, 'size', `${(bytes.byteLength / 1048576).toFixed(0)} MB`, `at most ${most / 1048576} MB`);
  const text = new TextDecoder().decode(bytes);
  if (text.includes('\0'))
    refuse(name, 'content', 'no text: it has bytes in it that no text file has', 'a text file in UTF-8');
  return text;
}
