import { object, text } from '@/formats/schemaParts';
import { validated } from '@/formats/validate';
import { chooseStation } from '@/store/athlete';
import { wallClock } from '@/store/clock';
import { listStations, weatherOf } from '@/store/weather';
import { door, readBody } from '@/app/api/door';

/** What the athlete's station says, and the stations there are. */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => ({
    heard: await weatherOf(athlete.station, wallClock(0)),
    station: athlete.station,
    stations: await listStations(),
  }));
}

const schema = object({ station: text }, ['station']);

/** Chooses another station; one that nobody has heard of stays silent, and is said to. */
export async function PUT(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const { station } = validated<{ station: string }>(schema, await readBody(request), 'Station');
    await chooseStation(athlete.id, station);
    return { heard: await weatherOf(station, wallClock(0)) };
  });
}
