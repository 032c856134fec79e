import { ClosetView } from '@/features/closet/ClosetView';
import { currentAthlete } from '@/store/athlete';
import { listCloset } from '@/store/closet';
import { readRack } from '@/store/rack';

export default async function Page() {
  const athlete = await currentAthlete();
  const [owned, rack] = await Promise.all([listCloset(athlete.id), readRack(athlete)]);
  return <ClosetView owned={owned} rack={rack} taught={athlete.known?.garments ?? {}} units={athlete.units} />;
}
