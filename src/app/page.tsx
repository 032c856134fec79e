import { FirstRunLater } from '@/features/first/FirstRunLater';
import { FrontView } from '@/features/front/FrontView';
import { homeLines } from '@/app/homeLines';
import { dampWaterGm2, dryingMinutes, DRYING_PLACES } from '@/core/moisture/drying';
import { unsureOf } from '@/core/calibrate/unsure';
import { MOST_LETTERS } from '@/formats/spokenLine';
import { readTried } from '@/store/book';
import { currentAthlete } from '@/store/athlete';
import { wallClock } from '@/store/clock';
import { listCloset } from '@/store/closet';
import { asFound } from '@/store/knownCloset';
import { listLines } from '@/store/lines';
import { lastUntold } from '@/store/told';
import { weatherOf } from '@/store/weather';

/** Outings that are shown beside the answer. */
const NEXT = 3;
const HOUR_MS = 3600_000;

export default async function Page({ searchParams }: { searchParams: Promise<{ line?: string | string[] }> }) {
  const { line } = await searchParams;
  const athlete = await currentAthlete();
  const heard = await weatherOf(athlete.station, wallClock(0));
  const nowMs = wallClock(heard?.weather.station.utcOffsetMin ?? 0);
  const [owned, lines, untold, outings, tried] = await Promise.all([
    listCloset(athlete.id),
    listLines(athlete.id),
    lastUntold(athlete.id, nowMs),
    homeLines(athlete),
    readTried(athlete),
  ]);
  if (owned.length === 0)
    return <FirstRunLater person={athlete.person} wishes={athlete.wishes} heard={heard} nowMs={nowMs} />;
  const ahead = outings.lines.filter((o) => o.startMs + o.seconds * 1000 > nowMs - HOUR_MS);
  const last = lines.filter((l) => l.name === null)[0] ?? lines[0];
  return (
    <FrontView
      person={athlete.person}
      unsure={unsureOf(athlete.known)}
      closet={owned.map((o) => asFound(o.garment, athlete))}
      damp={Object.fromEntries(owned.filter((o) => o.dampGm2 > 0).map((o) => [o.garment.id, o.dampGm2]))}
      wishes={athlete.wishes}
      units={athlete.units}
      nowMs={nowMs}
      heard={heard}
      firstLine={typeof line === 'string' ? line.slice(0, MOST_LETTERS) : (last?.line ?? '')}
      lines={lines}
      next={ahead.slice(0, NEXT)}
      more={Math.max(0, ahead.length - NEXT) + outings.more.length}
      // Things dry by their own numbers, here as on the rack.
      dampPieces={owned
        .filter((o) => o.dampGm2 > 0)
        .map((o) => ({
          name: o.garment.name,
          dampGm2: o.dampGm2,
          minutes: dryingMinutes(o.garment, dampWaterGm2(o.garment, o.dampGm2), DRYING_PLACES['on a line indoors']),
        }))}
      untold={untold}
      tried={tried}
      winterCues={athlete.winterCues}
      learned={athlete.known?.outings ?? 0}
    />
  );
}
