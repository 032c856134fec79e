import { wallClock } from '@/store/clock';
import { weatherAround } from '@/store/weather';
import { door } from '@/app/api/door';

/** What the athlete's station forecasts, and the stations about it: what an outing's forecast is taken from. */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => ({ around: await weatherAround(athlete.station, wallClock(0)) }));
}
