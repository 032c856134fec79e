import { MeView } from '@/features/me/MeView';
import { currentAthlete } from '@/store/athlete';

export default async function Page() {
  return <MeView athlete={await currentAthlete()} />;
}
