import { NewOuting } from '@/features/outing/NewOuting';
import { currentAthlete } from '@/store/athlete';

export default async function Page() {
  return <NewOuting units={(await currentAthlete()).units} />;
}
