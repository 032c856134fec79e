import { DOOR_SPORTS, type DoorSport } from '@/core/outing/doorDay';
import { LadderView } from '@/features/ladder/LadderView';
import { readTried } from '@/store/book';
import { currentAthlete } from '@/store/athlete';
import { wallClock } from '@/store/clock';
import { knownCloset } from '@/store/knownCloset';
import { weatherOf } from '@/store/weather';

export default async function Page({ searchParams }: { searchParams: Promise<{ sport?: string | string[] }> }) {
  const athlete = await currentAthlete();
  const { sport } = await searchParams;
  const [owned, heard, tried] = await Promise.all([
    knownCloset(athlete),
    weatherOf(athlete.station, wallClock(0)),
    readTried(athlete),
  ]);
  return (
    <LadderView
      sport={DOOR_SPORTS.find((s) => s === sport) ?? ('run' satisfies DoorSport)}
      garments={owned.map((o) => o.garment)}
      wishes={athlete.wishes}
      wishesVersion={athlete.wishesVersion}
      units={athlete.units}
      tried={tried}
      learned={athlete.known?.outings ?? 0}
      nowC={heard?.weather.now.airC ?? null}
    />
  );
}
