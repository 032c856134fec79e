import { outingFromRoute, timelineOf, type Outing } from '@/core/outing/outing';
import type { RoutePoint } from '@/core/outing/route';
import { readForecastCsv, MAX_CSV_BYTES } from '@/formats/forecastCsv';
import { MAX_GPX_BYTES, readGpx } from '@/formats/gpx';
import { effortOf, outingByHand, readNewOuting, startOf, steadyAir, type NewOutingForm } from '@/formats/newOuting';
import { atDoor, refuse } from '@/formats/problem';
import type { Athlete } from '@/store/athlete';
import { createOuting } from '@/store/outings';
import { door } from '@/app/api/door';

const FILES = ['route', 'forecast'];

/** A new outing from files: a forecast, and a route or one leg by hand. Stored whole or not at all. */
export async function POST(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const data = await request
      .formData()
      .catch(() => refuse('Form', 'body', 'unreadable', 'a form with a forecast and a route'));
    const form = readNewOuting(
      [...data].filter((f): f is [string, string] => !FILES.includes(f[0]) && typeof f[1] === 'string'),
    );
    const forecast = chosen(data.get('forecast'));
    const route = chosen(data.get('route'));
    const taken = route ? await fromRoute(form, athlete, route, forecast) : await byHand(form, forecast);
    atDoor('Outing', () => timelineOf(taken.outing, athlete.person));
    return { id: await createOuting(athlete.id, taken.outing, taken.points) };
  });
}

interface Taken {
  outing: Outing;
  points: RoutePoint[] | null;
}

async function fromRoute(form: NewOutingForm, athlete: Athlete, route: File, csv: File | null): Promise<Taken> {
  if (!csv) refuse('Form', 'Hourly forecast', 'not chosen', 'an hourly forecast as CSV');
  const forecast = readForecastCsv(await textOf(csv, MAX_CSV_BYTES), csv.name);
  const { name, points } = readGpx(await textOf(route, MAX_GPX_BYTES), route.name);
  const utcOffsetMin = (form.utcOffsetH ?? 0) * 60;
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
  return { outing: atDoor(route.name, () => outingFromRoute(going, athlete.person)), points };
}

async function byHand(form: NewOutingForm, csv: File | null): Promise<Taken> {
  if (!csv && form.airC === undefined)
    refuse('Form', 'Hourly forecast', 'not chosen', 'an hourly forecast as CSV, or the air of the day by hand');
  const forecast = csv ? readForecastCsv(await textOf(csv, MAX_CSV_BYTES), csv.name) : steadyAir(form);
  return { outing: outingByHand(form, startOf(form, forecast, null), forecast), points: null };
}

const chosen = (value: FormDataEntryValue | null): File | null =>
  value instanceof File && value.size > 0 ? value : null;

/** @throws Refused when the file is larger than `most` bytes */
function textOf(file: File, most: number): Promise<string> {
  if (file.size > most)
    refuse(file.name, 'size', `${(file.size / 1048576).toFixed(0)} MB`, `at most ${most / 1048576} MB`);
  return file.text();
}
