import { unsureOf } from '@/core/calibrate/unsure';
import { notFound } from 'next/navigation';
import { NotLaidOut } from '@/features/score/NotLaidOut';
import { problemOf } from '@/features/score/problemOf';
import { ScoreView } from '@/features/score/ScoreView';
import { currentAthlete } from '@/store/athlete';
import { knownCloset } from '@/store/knownCloset';
import { getOuting } from '@/store/outings';
import { outingWishes } from '@/store/outingWishes';
import { listPlans } from '@/store/plans';

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const athlete = await currentAthlete();
  const outing = /^[0-9a-f-]{36}$/i.test(id) ? await getOuting(athlete.id, id) : null;
  if (!outing) notFound();
  const problem = problemOf(outing, athlete.person);
  if (problem) return <NotLaidOut outing={outing} problem={problem} />;
  const [owned, plans, wishes] = await Promise.all([
    knownCloset(athlete, 'all'),
    listPlans(athlete.id, id),
    outingWishes(athlete.id, id),
  ]);
  if (!wishes) notFound();
  const current = new Set((await knownCloset(athlete)).map((o) => o.garment.id));
  return (
    <ScoreView
      wishes={wishes}
      usual={{ wishes: athlete.wishes, version: athlete.wishesVersion }}
      key={id}
      outing={outing}
      person={athlete.person}
      unsure={unsureOf(athlete.known)}
      winterCues={athlete.winterCues}
      learned={athlete.known?.outings ?? 0}
      units={athlete.units}
      owned={owned}
      closetIds={[...current]}
      plans={plans}
    />
  );
}
