import Link from 'next/link';
import { SPORT } from '@/core/effort/sports';
import { CAUTIONS } from '@/core/judge/verdict';
import { clock, day, timeOfDay } from '@/formats/dates';
import { degrees, distance, height, temperature, windSpeed, type Units } from '@/formats/measures';
import { fillSlots } from '@/formats/sentences';
import { Header } from '@/features/shell/Header';
import { LandStrip } from './LandStrip';
import type { HomeLine } from './lines';
import { OutingMenu } from './OutingMenu';
import type { Trashed } from '@/store/trash';
import { PutAway, Trash } from './PutAway';
import { Danger } from '@/ui/Danger';
import { outingsWords } from '@/formats/sentences';

/** The outings at hand, those put away, and what was deleted. */
export function Home({
  outings,
  more,
  away,
  trash,
  over,
  learned,
  units,
}: {
  /** outings the athlete is known by */
  learned: number;
  outings: HomeLine[];
  /** further outings, by name only */
  more: { id: string; name: string; startMs: number }[];
  /** put away */
  away: { id: string; name: string; startMs: number }[];
  /** deleted, or taken out of the closet */
  trash: Trashed[];
  /** how many are over, and in the book */
  over: number;
  units: Units;
}) {
  return (
    <>
      <Header
        screen="outing"
        right={
          <Link
            href="/outing/new"
            className="rounded-[3px] border border-ink bg-ink px-3 py-1.5 font-semibold text-sheet hover:bg-ink-2"
          >
            New outing
          </Link>
        }
      />
      <main className="mx-4 grid grid-cols-[minmax(0,1fr)_300px] gap-10 pt-6 max-[860px]:grid-cols-1">
        <section aria-labelledby="outings">
          <h1 id="outings" className="speak text-[28px] leading-tight font-semibold">
            {outings.length > 0 ? 'Where to next?' : over > 0 ? 'Nothing ahead.' : 'No outing yet.'}
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
          {outings.map((o) => (
            <OutingRow key={o.id} line={o} units={units} />
          ))}
          {more.length > 0 && (
            <p className="mt-3 text-ink-2">
              Also ahead:{' '}
              {more.map((o, i) => (
                <span key={o.id}>
                  {i > 0 && ', '}
                  <Link href={`/outing/${o.id}/score`} className="underline">
                    {o.name}
                  </Link>{' '}
                  ({day(o.startMs)})
                </span>
              ))}
            </p>
          )}
          {over > 0 && (
            <p className="mt-3 text-ink-2">
              <Link href="/book" className="underline">
                {over === 1 ? 'One outing that is over' : `${over} outings that are over`}
              </Link>{' '}
              {over === 1 ? 'is' : 'are'} in the book.
            </p>
          )}
          {away.length > 0 && <PutAway outings={away} />}
          {trash.length > 0 && <Trash things={trash} />}
        </section>
        <aside className="border-l border-grid-2 pl-5 max-[860px]:border-l-0 max-[860px]:pl-0">
          <h2 className="font-semibold">No route at hand?</h2>
          <p className="mt-1 text-ink-2">
            <Link href="/" className="underline">
              Say it in a line
            </Link>{' '}
            at the front door, and lay it out as a score from there.
          </p>
          <h2 className="mt-5 font-semibold">Before you trust it</h2>
          <p className="mt-1 text-ink-2">
            This calculates heat and water from physics and published standards. It knows of you what you gave and{' '}
            {learned === 0 ? 'nothing more yet' : `what ${outingsWords(learned)} taught`}, and never claims certainty.
          </p>
          <ul className="mt-2 space-y-1.5 text-[12.5px] text-ink-2">
            {CAUTIONS.map((c) => (
              <li key={c} className="border-t border-grid pt-1.5">
                {c}
              </li>
            ))}
          </ul>
        </aside>
      </main>
    </>
  );
}

/** One outing: when, what land, what air, and what the newest plan comes to. */
function OutingRow({ line: o, units }: { line: HomeLine; units: Units }) {
  const v = o.verdict;
  return (
    <article className="grid grid-cols-[minmax(0,1fr)_168px_minmax(232px,max-content)] gap-x-6 border-b border-grid-2 py-3 max-[1000px]:grid-cols-1 max-[1000px]:gap-y-2">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline gap-x-2">
          <h2 className="min-w-0 break-words">
            <Link
              href={`/outing/${o.id}/score`}
              className="speak text-[20px] leading-tight font-semibold hover:text-act"
              title={o.name}
            >
              {o.name}
            </Link>
          </h2>
          <span className="text-ink-2">
            {SPORT[o.sport].label}, {day(o.startMs)} <b>{timeOfDay(o.startMs)}</b>
          </span>
        </div>
        <p className="speak mt-0.5 text-[15px] leading-snug">
          {o.problem ? (
            <span className="text-act">This outing cannot be laid out: {o.problem}.</span>
          ) : v ? (
            <>
              <b className={v.tone === 'fails' ? 'text-act' : ''}>
                {v.tone === 'fails' && <Danger />}
                {v.lead}
              </b>{' '}
              {fillSlots(v.rest, units)}
            </>
          ) : (
            <span className="text-ink-2">Not planned yet. Open it and your closet is tried on.</span>
          )}
        </p>
        <div className="mt-1 flex items-center gap-3 text-[12px]">
          <Link
            href={`/outing/${o.id}`}
            className="inline-flex min-h-[24px] items-center underline decoration-grid-2 underline-offset-2 hover:text-act"
          >
            route and weather
          </Link>
          <Link
            href={`/outing/${o.id}/after`}
            prefetch={false}
            className="inline-flex min-h-[24px] items-center underline decoration-grid-2 underline-offset-2 hover:text-act"
          >
            how it was
          </Link>
          <OutingMenu id={o.id} name={o.name} route={o.hasRoute} />
        </div>
      </div>
      <LandStrip line={o} />
      {o.problem === null && (
        <dl className="grid grid-cols-[auto_auto_auto_1fr] content-start gap-x-2.5 gap-y-0.5">
          <dt className="text-ink-3">out</dt>
          <dd className="font-semibold">{clock(o.seconds)} h</dd>
          <dt className="text-ink-3">air</dt>
          <dd className="font-semibold whitespace-nowrap">
            {degrees(o.airLowC, units)} to {temperature(o.airHighC, units)}
          </dd>
          <dt className="text-ink-3">way</dt>
          <dd className="font-semibold">{o.distanceM > 0 ? distance(o.distanceM, units) : '–'}</dd>
          <dt className="text-ink-3">feels</dt>
          <dd className={`font-semibold ${o.feelsC < -20 ? 'text-cold' : ''}`}>{temperature(o.feelsC, units)}</dd>
          <dt className="text-ink-3">up</dt>
          <dd className="font-semibold">{height(o.climbM, units)}</dd>
          <dt className="text-ink-3">wind</dt>
          <dd className="font-semibold">{windSpeed(o.windMs, units)}</dd>
          <dt className="text-ink-3">cues</dt>
          <dd className="font-semibold">{o.cues ?? '–'}</dd>
          <dt className="text-ink-3">falls</dt>
          <dd className="font-semibold whitespace-nowrap">{o.falls ?? 'nothing'}</dd>
        </dl>
      )}
    </article>
  );
}
