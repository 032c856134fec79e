import Link from 'next/link';
import { Header } from '@/features/shell/Header';
import type { Problem } from '@/formats/problem';
import type { StoredOuting } from '@/store/outings';
import { Problems } from '@/ui/Problems';

/** A stored outing that the model cannot follow: what is wrong, and where to mend it. */
export function NotLaidOut({ outing, problem }: { outing: StoredOuting; problem: Problem }) {
  return (
    <>
      <Header screen="score" outingId={outing.id} />
      <main className="mx-4 mt-16 max-w-[60ch] space-y-3">
        <h1 className="speak text-[26px] leading-tight font-semibold">
          {outing.name} cannot be simulated as it stands.
        </h1>
        <Problems problems={[problem]} title="Nothing is lost." />
        <Link href={`/outing/${outing.id}`} className="underline">
          Mend its legs and weather
        </Link>
      </main>
    </>
  );
}
