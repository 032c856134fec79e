import { Home } from '@/features/home/Home';
import { currentAthlete } from '@/store/athlete';
import { listCloset } from '@/store/closet';
import { listOutings } from '@/store/outings';

export default async function Page() {
  const athlete = await currentAthlete();
  const [outings, closet] = await Promise.all([listOutings(athlete.id), listCloset(athlete.id)]);
  return (
    <Home
      outings={outings}
      units={athlete.units}
      damp={closet.filter((o) => o.dampGm2 > 0).map((o) => o.garment.name)}
      garments={closet.length}
    />
  );
}
