import { notFound } from 'next/navigation';
import { OutingView } from '@/features/outing/OutingView';
import { currentAthlete } from '@/store/athlete';
import { getOuting } from '@/store/outings';

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const athlete = await currentAthlete();
  const outing = /^[0-9a-f-]{36}$/i.test(id) ? await getOuting(athlete.id, id) : null;
  if (!outing) notFound();
  return <OutingView key={id} stored={outing} person={athlete.person} units={athlete.units} />;
}
