'use client';
import Link from 'next/link';
import { nothingLearned, PARAMETER_NAMES } from '@/core/calibrate/learned';
import { learnedWords } from '@/core/calibrate/learnedWords';
import { day } from '@/formats/dates';
import type { Units } from '@/formats/measures';
import { fillSlots, outingsWords } from '@/formats/sentences';
import { problemsOf } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { ProgressBar } from '@/ui/ProgressBar';
import { Curves, TITLES } from './Curves';
import { useKeeping, useLearning } from './useLearning';

const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** What the outings that were told say of the athlete, with how sure it is; kept, left, forgotten or begun again. */
export function LearnedPanel({ units }: { units: Units }) {
  const { data, error } = useLearning();
  const { problems, working, keep, leave, forget, startAgain } = useKeeping();
  if (error) return <Problems problems={problemsOf(error)} title="What was learned is not to be had now." />;
  if (!data) return <p className="text-ink-2">Reading what your outings say…</p>;
  const known = data.known ?? nothingLearned();
  const pending = data.learning && data.learning.lessons.length > 0 ? data.learning : null;
  const shown = pending?.learned ?? known;
  return (
    <section aria-labelledby="learned">
      <h2 id="learned" className="speak text-[19px] leading-tight font-semibold text-ink">
        {shown.outings > 0 ? `What ${outingsWords(shown.outings)} taught of you` : 'What outings teach of you'}
      </h2>
      <Problems problems={problems} title="Not done." />
      {working !== null && (
        <div aria-live="polite">
          <ProgressBar label="Learning anew" done={working} />
          <p>Learning anew from the others, {Math.round(working * 100)} %.</p>
        </div>
      )}
      {shown.outings === 0 ? (
        <p>
          Nothing yet. Take an outing along on the phone, or{' '}
          <Link href="/book" className="underline">
            tell one in the book
          </Link>
          : each word and each weight teaches.
        </p>
      ) : (
        <>
          <p>
            {pending
              ? `Dashed is what is known; the full curve adds ${outingsWords(pending.lessons.length)} that ${pending.lessons.length === 1 ? 'waits' : 'wait'} to be kept.`
              : 'Dashed is what people differ by; the full curve is what is known of you. Everything counts with it: plans, chances, the ladder.'}
          </p>
          <table className="mt-1 w-full border-collapse">
            <tbody>
              {PARAMETER_NAMES.map((p) => (
                <tr key={p} className="border-t border-grid-2">
                  <th scope="row" className="py-1 pr-2 text-left align-middle leading-tight font-semibold text-ink">
                    {TITLES[p]}
                  </th>
                  <td>
                    <Curves before={pending ? known : nothingLearned()} after={shown} p={p} />
                  </td>
                  <td className="py-1 pl-2 leading-tight">{upper(fillSlots(learnedWords(shown, p), units))}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      {pending && (
        <p className="mt-2 flex flex-wrap items-center gap-2">
          <Button kind="strong" onClick={() => void keep(pending, data)}>
            Keep what {outingsWords(pending.lessons.length)} taught
          </Button>
        </p>
      )}
      {data.learning && data.learning.failed.length > 0 && (
        <p className="mt-1">Not to be read any more: {data.learning.failed.join(', ')}.</p>
      )}
      {data.outings.length > 0 && (
        <details className="mt-2" open={pending !== null && data.outings.length < 8}>
          <summary className="w-fit cursor-pointer py-1 font-semibold text-ink">
            The {outingsWords(data.outings.length)} behind it
          </summary>
          <ul className="max-h-[320px] overflow-auto">
            {[...data.outings].reverse().map((o) => (
              <li key={o.id} className="flex items-center justify-between gap-2 border-t border-grid py-0.5">
                <Link
                  prefetch={false}
                  href={`/outing/${o.id}/after`}
                  className={o.stands === 'left out' ? 'line-through' : 'underline'}
                >
                  {o.name}, {day(o.startMs)}
                </Link>
                {o.stands === 'waits' && (
                  <Button size="small" kind="quiet" onClick={() => void leave(o.id, 'unusual')}>
                    Unusual: leave it out
                  </Button>
                )}
                {o.stands === 'left out' && (
                  <Button size="small" kind="quiet" onClick={() => void leave(o.id, 'usual')}>
                    Count it
                  </Button>
                )}
                {o.stands === 'kept' && (
                  <Button size="small" kind="quiet" disabled={working !== null} onClick={() => void forget(o.id)}>
                    Forget it
                  </Button>
                )}
                {o.stands === 'in the numbers' && <span className="text-[12px]">in your numbers</span>}
              </li>
            ))}
          </ul>
          {data.known && (
            <Button size="small" className="mt-1" disabled={working !== null} onClick={() => void startAgain()}>
              Start again from what you gave
            </Button>
          )}
        </details>
      )}
    </section>
  );
}
