import Link from 'next/link';
import { notFound } from 'next/navigation';
import { nothingLearned } from '@/core/calibrate/learned';
import { AfterView } from '@/features/after/AfterView';
import { Header } from '@/features/shell/Header';
import { currentAthlete } from '@/store/athlete';
import { isLeftOut, lessonKept, toldOuting } from '@/store/learning';
import { getOuting } from '@/store/outings';

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const athlete = await currentAthlete();
  const outing = /^[0-9a-f-]{36}$/i.test(id) ? await getOuting(athlete.id, id) : null;
  if (!outing) notFound();
  const told = await toldOuting(athlete, id);
  if (!told)
    return (
      <>
        <Header screen="book" outingId={id} />
        <main className="mx-4 max-w-[60ch] pt-8">
          <h1 className="speak text-[26px] font-semibold break-words">{outing.name}</h1>
          <p className="mt-2 text-[15px]">
            What was worn is told against a plan, and this outing has none.{' '}
            <Link href={`/outing/${id}/score`} className="font-semibold text-act underline">
              Make one on its score
            </Link>
            ; then it can be told.
          </p>
        </main>
      </>
    );
  const [lesson, leftOut] = await Promise.all([lessonKept(athlete.id, id), isLeftOut(athlete.id, id)]);
  return (
    <AfterView
      key={id}
      told={told}
      given={athlete.given}
      before={lesson?.before ?? athlete.known ?? nothingLearned()}
      over={{ version: athlete.version, known: athlete.known }}
      lesson={lesson}
      leftOut={leftOut}
      units={athlete.units}
    />
  );
}
