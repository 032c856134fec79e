import { SPORTS, type Sport } from '@/core/effort/sports';
import type { Effort } from '@/core/outing/leg';
import type { ForecastHour } from '@/core/outing/forecast';
import { outingFromRoute, timelineOf, type Outing } from '@/core/outing/outing';
import type { RoutePoint } from '@/core/outing/route';
import { SNOW_ALBEDO } from '@/core/outing/timeline';
import { readLocalTime } from '@/formats/dates';
import { readForecastCsv, MAX_CSV_BYTES } from '@/formats/forecastCsv';
import { MAX_GPX_BYTES, readGpx } from '@/formats/gpx';
import { atDoor, refuse } from '@/formats/problem';
import { createOuting } from '@/store/outings';
import { door } from '@/app/api/door';

/** A new outing from files: a forecast always, a route or one leg by hand. Stored whole or not at all. */
export async function POST(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const form = await request
      .formData()
      .catch(() => refuse('Form', 'body', 'unreadable', 'a form with a forecast and a route'));
    const text = (name: string): string => {
      const v = form.get(name);
      return typeof v === 'string' ? v.trim() : '';
    };
    const sport = text('sport') as Sport;
    if (!SPORTS.includes(sport)) refuse('Form', 'sport', sport || 'missing', SPORTS.join(', '));
    const effort = readEffort(text('effortBy'), text('effortValue'), sport);
    const loadKg = number('Form', 'pack mass', text('loadKg') || '0', 0, 60, 'kg');
    const utcOffsetMin = number('Form', 'hours from UTC', text('utcOffsetH') || '0', -12, 14, 'h') * 60;
    const byHand = !((f) => f instanceof File && f.size > 0)(form.get('route'));
    const forecast = await readAir(form, text, byHand);
    const startMs = text('start') === '' ? forecast[0].timeMs : readLocalTime(text('start'), 'Form');
    const last = forecast[forecast.length - 1].timeMs + 3600_000;
    if (startMs < forecast[0].timeMs - 3600_000 || startMs > last)
      refuse('Form', 'start', text('start'), `within the forecast, ${when(forecast[0].timeMs)} to ${when(last)}`);

    const gpx = form.get('route');
    let outing: Outing;
    let points: RoutePoint[] | null = null;
    if (gpx instanceof File && !byHand) {
      const routeFile = file(gpx, MAX_GPX_BYTES, 'route', 'a GPX file');
      const route = readGpx(await routeFile.text(), routeFile.name);
      points = route.points;
      outing = atDoor(routeFile.name, () =>
        outingFromRoute(
          {
            name: name(text('name')) ?? route.name,
            sport,
            effort,
            startMs,
            utcOffsetMin,
            loadKg,
            clock: text('useRecorded') === 'yes' ? 'recorded' : 'by effort',
            route: route.points,
            forecast,
          },
          athlete.person,
        ),
      );
    } else {
      if (text('minutes') === '')
        refuse('Form', 'route', 'no file chosen', 'a GPX file, or choose "Legs by hand" above');
      const minutes = number('Form', 'minutes', text('minutes'), 5, 1440, 'min');
      const climbM = number('Form', 'climb', text('climbM') || '0', -3000, 3000, 'm');
      outing = {
        name: name(text('name')) ?? 'Outing by hand',
        sport,
        startMs,
        utcOffsetMin,
        loadKg,
        forecastEleM: 0,
        startEleM: 0,
        albedo: SNOW_ALBEDO,
        profile: null,
        forecast,
        legs: [
          {
            name: 'First leg',
            sport,
            minutes,
            distanceM: 0,
            climbM,
            effort,
            shelter: 'open',
            packOn: loadKg > 0,
            noStopping: false,
          },
        ],
      };
    }
    atDoor('Outing', () => timelineOf(outing, athlete.person));
    return { id: await createOuting(athlete.id, outing, points) };
  });
}

/** The forecast file; or, for legs by hand without one, the same air all day from three numbers. */
async function readAir(form: FormData, text: (name: string) => string, byHand: boolean): Promise<ForecastHour[]> {
  const csv = form.get('forecast');
  if (!byHand || (csv instanceof File && csv.size > 0) || text('airC') === '') {
    const forecastFile = file(csv, MAX_CSV_BYTES, 'forecast', 'an hourly forecast as CSV');
    return readForecastCsv(await forecastFile.text(), forecastFile.name);
  }
  const airC = number('Form', 'air', text('airC'), -60, 40, '°C');
  const humidity = number('Form', 'humidity', text('humidity') || '75', 2, 100, '%') / 100;
  const wind = number('Form', 'wind', text('wind') || '0', 0, 60, 'm/s at 10 m');
  if (text('start') === '')
    refuse('Form', 'start', 'empty', 'a local date and time, since there is no forecast to take it from');
  const startMs = readLocalTime(text('start'), 'Form');
  const hour = {
    airC,
    humidity,
    wind,
    gust: wind * 1.5,
    fromDeg: 0,
    precipitationMmH: 0,
    kind: 'none' as const,
    cloud: 0.5,
  };
  return [0, 24].map((h) => ({ ...hour, timeMs: startMs + h * 3600_000 }));
}

const name = (text: string): string | null => (text === '' ? null : text.slice(0, 120));
const when = (ms: number): string => new Date(ms).toISOString().slice(0, 16).replace('T', ' ');

function number(where: string, field: string, value: string, low: number, high: number, unit: string): number {
  const n = value === '' ? NaN : Number(value);
  if (!Number.isFinite(n) || n < low || n > high) refuse(where, field, value || 'empty', `${low} to ${high} ${unit}`);
  return n;
}

function file(value: FormDataEntryValue | null, most: number, field: string, allowed: string): File {
  if (!(value instanceof File) || value.size === 0) refuse('Form', field, 'missing or empty', allowed);
  if (value.size > most)
    refuse(value.name, 'size', `${(value.size / 1048576).toFixed(0)} MB`, `at most ${most / 1048576} MB`);
  return value;
}

function readEffort(by: string, value: string, sport: Sport): Effort {
  switch (by) {
    case '':
    case 'usual':
      return { by: 'usual' };
    case 'exertion':
      return { by, value: number('Form', 'exertion', value, 0, 10, 'of 10') };
    case 'heartRate':
      return { by, value: number('Form', 'heart rate', value, 40, 220, 'bpm') };
    case 'speed':
      return { by, value: number('Form', 'speed', value, 0.5, 60, 'km/h') / 3.6 };
    case 'power':
      if (sport !== 'cycle') refuse('Form', 'effort', 'power', 'power only for cycling');
      return { by, value: number('Form', 'power', value, 20, 600, 'W') };
    default:
      return refuse('Form', 'effort', by, 'usual, exertion, heartRate, speed, power');
  }
}
