import { ClosetView } from '@/features/closet/ClosetView';
import { currentAthlete } from '@/store/athlete';
import { listCloset } from '@/store/closet';

export default async function Page() {
  const athlete = await currentAthlete();
  return <ClosetView owned={await listCloset(athlete.id)} units={athlete.units} />;
}
