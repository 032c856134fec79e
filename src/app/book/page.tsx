import { BookView } from '@/features/book/BookView';
import { dryingMinutes, dampWaterGm2, DRYING_PLACES, wringWetGm2 } from '@/core/moisture/drying';
import { currentAthlete } from '@/store/athlete';
import { readBook } from '@/store/book';
import { listCloset } from '@/store/closet';

/** How wet a piece is that hangs from one time to the next, as a share of wrung wet: what a day usually brings home. */
const USUAL_SHARE = 0.3;

export default async function Page() {
  const athlete = await currentAthlete();
  const [entries, owned] = await Promise.all([readBook(athlete), listCloset(athlete.id, 'all')]);
  const along = new Set(entries.flatMap((e) => (e.day ? [...e.day.worn, ...e.day.carried] : [])));
  const pieces = owned
    .filter((o) => along.has(o.garment.id))
    .map(({ garment }) => ({
      garment,
      dryMin: dryingMinutes(
        garment,
        Math.max(dampWaterGm2(garment, 0), USUAL_SHARE * wringWetGm2(garment)),
        DRYING_PLACES['on a line indoors'],
      ),
    }));
  return (
    <BookView
      entries={entries}
      pieces={pieces}
      units={athlete.units}
      calledChance={athlete.calledChance}
      winterCues={athlete.winterCues}
    />
  );
}
