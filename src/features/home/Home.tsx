import Link from 'next/link';
import type { OutingLine } from '@/store/outings';
import { clock, day, distance, height, timeOfDay, type Units } from '@/formats/words';
import { Header } from '@/features/shell/Header';
import { sportWord } from '@/features/outing/words';

/** Home: the outings ahead, and what is damp. */
export function Home({
  outings,
  units,
  damp,
  garments,
}: {
  outings: OutingLine[];
  units: Units;
  damp: string[];
  garments: number;
}) {
  return (
    <>
      <Header
        screen="home"
        right={
          <Link
            href="/outing/new"
            className="rounded-[3px] border border-ink bg-ink px-3 py-1.5 font-semibold text-white hover:bg-ink-2"
          >
            New outing
          </Link>
        }
      />
      <main className="mx-4 grid grid-cols-[minmax(0,1fr)_300px] gap-10 pt-6 max-[860px]:grid-cols-1">
        <section aria-labelledby="outings">
          <h1 id="outings" className="speak text-[28px] leading-tight font-semibold">
            {outings.length > 0 ? 'Where to next?' : 'No outing yet.'}
          </h1>
          {outings.length === 0 && (
            <p className="mt-3 max-w-[62ch] text-[15px]">
              Bring a route (GPX) and an hourly forecast (CSV). You get what to start in, what to carry, when to change,
              and what will go wrong.{' '}
              <Link href="/outing/new" className="font-semibold text-act underline">
                Make the first one
              </Link>
            </p>
          )}
          {outings.length > 0 && (
            <table className="mt-4 w-full border-collapse text-left">
              <thead>
                <tr className="border-b-2 border-ink text-[12px] text-ink-3">
                  <th className="py-1 font-medium">Outing</th>
                  <th className="font-medium">Start</th>
                  <th className="text-right font-medium">Time out, h</th>
                  <th className="text-right font-medium">Distance</th>
                  <th className="text-right font-medium">Up</th>
                  <th className="text-right font-medium">Plans</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {outings.map((o) => (
                  <tr key={o.id} className="border-b border-grid-2 align-baseline">
                    <td className="max-w-[360px] truncate py-2.5 pr-4">
                      <Link
                        href={`/outing/${o.id}/score`}
                        className="speak text-[18px] font-semibold hover:text-act"
                        title={o.name}
                      >
                        {o.name}
                      </Link>
                      <span className="ml-2 text-ink-3">{sportWord(o.sport)}</span>
                    </td>
                    <td className="whitespace-nowrap">
                      {day(o.startMs)} <b>{timeOfDay(o.startMs)}</b>
                    </td>
                    <td className="text-right font-semibold">{clock(o.minutes * 60)}</td>
                    <td className="text-right">{o.distanceM > 0 ? distance(o.distanceM, units) : '–'}</td>
                    <td className="text-right">{height(o.climbM, units)}</td>
                    <td className="text-right">{o.plans || '–'}</td>
                    <td className="pl-4 text-right whitespace-nowrap">
                      <Link
                        href={`/outing/${o.id}`}
                        className="text-ink-2 underline decoration-grid-2 underline-offset-2 hover:text-ink"
                      >
                        route and weather
                      </Link>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
        <aside className="border-l border-grid-2 pl-5 max-[860px]:border-l-0 max-[860px]:pl-0">
          <h2 className="font-semibold">The closet</h2>
          <p className="mt-1 text-ink-2">
            {garments} pieces. {damp.length === 0 ? 'All dry.' : `Still damp: ${damp.join(', ')}.`}{' '}
            <Link href="/closet" className="underline">
              Open it
            </Link>
          </p>
          <h2 className="mt-6 font-semibold">Before you trust it</h2>
          <p className="mt-1 text-ink-2">
            This calculates heat and water from physics and published standards; it does not know you yet and never
            claims certainty. Medical, avalanche, rescue and local advice come first.
          </p>
        </aside>
      </main>
    </>
  );
}
