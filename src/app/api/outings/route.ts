import type { Stations, TextFile } from '@/formats/intake';
import { readNewOuting } from '@/formats/newOuting';
import { refuse } from '@/formats/problem';
import { wallClock } from '@/store/clock';
import { createOuting } from '@/store/outings';
import { stationHours } from '@/core/outing/fromStations';
import { weatherAround } from '@/store/weather';
import { inThread } from '@/workers/intake';
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
    const [forecast, route] = await Promise.all([fileOf(data.get('forecast')), fileOf(data.get('route'))]);
    const stations = form.forecastFrom === 'station' ? await stationsOf(athlete.station) : undefined;
    const brought = { form, person: athlete.person, forecast, route, stations };
    const taken = await inThread('intake', brought, route?.name ?? forecast?.name ?? 'Form');
    return { id: await createOuting(athlete.id, taken.outing, taken.points) };
  });
}

/** A file that was chosen; null: none. */
async function fileOf(value: FormDataEntryValue | null): Promise<TextFile | null> {
  if (!(value instanceof File) || value.size === 0) return null;
  return { name: value.name, bytes: new Uint8Array(await value.arrayBuffer()) };
}

/** What the athlete's station and those about it forecast. @throws Refused where it was never heard */
async function stationsOf(station: string): Promise<Stations> {
  const around = await weatherAround(station, wallClock(0));
  if (!around)
    refuse('Form', 'Where the forecast is from', 'the station is silent', 'a file, or the air of the day by hand');
  const { own, others } = around;
  return {
    own: stationHours(own.weather),
    others: others.map((o) => stationHours(o.weather)),
    utcOffsetMin: own.weather.station.utcOffsetMin,
  };
}
