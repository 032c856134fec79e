import Link from 'next/link';
import { FEW, seasonOf } from '@/core/afterwards/season';
import { day as dayWords, wholeDay } from '@/formats/dates';
import type { BookEntry } from '@/store/book';
import { Button } from '@/ui/Button';
import { isLaidOut, type Told } from './filters';
import { LEAST_STRETCH } from './stretch';

/** The sentence over the book. */
export function Headline({ days }: { days: readonly Told[] }) {
  const s = seasonOf(days);
  const told = days.filter((d) => d.day.was !== null).length;
  if (told === 0) return <>No day of these has been told yet.</>;
  return (
    <>
      <b className="font-semibold">
        {s.rightAndDry} of {told} {told === 1 ? 'day was' : 'days were'} right and dry.
      </b>{' '}
      {s.first !== null && s.last !== null
        ? `I was ${s.first.toFixed(1)} of a word off in the first ${FEW}, ${s.last.toFixed(1)} in the last.`
        : told < 5
          ? 'Too few yet for a band or a cause.'
          : ''}
    </>
  );
}

/** What the boxes of the matrix mean. */
export function Legend() {
  return (
    <>
      {(
        [
          ['worn', <rect key="r" width="10" height="10" fill="var(--color-ink-2)" />],
          [
            'came in wet',
            <rect key="r" x="0.5" y="0.5" width="9" height="9" fill="url(#water-3)" stroke="var(--color-water)" />,
          ],
          [
            'carried only',
            <rect
              key="r"
              x="0.5"
              y="0.5"
              width="9"
              height="9"
              fill="none"
              stroke="var(--color-ink-2)"
              strokeDasharray="2 1.6"
            />,
          ],
        ] as const
      ).map(([says, box]) => (
        <span key={says} className="flex items-center gap-1.5">
          <svg width="10" height="10" aria-hidden="true">
            {box}
          </svg>
          {says}
        </span>
      ))}
      <span>a day: price by the days worn in what is shown, in your money</span>
    </>
  );
}

/** What of the winter is drawn, and the way to more or less of it. */
export function StretchLine({
  days,
  drawn,
  onWhole,
  onMonth,
}: {
  days: readonly Told[];
  drawn: readonly Told[];
  onWhole: () => void;
  /** null: no day is chosen */
  onMonth: (() => void) | null;
}) {
  if (days.length <= LEAST_STRETCH) return null;
  return (
    <p className="no-print mt-1 flex min-h-[26px] flex-wrap items-center gap-x-2 text-[12px] text-ink-2">
      {drawn.length < days.length ? (
        <>
          <b>
            {drawn.length} of {days.length} days, {wholeDay(drawn[0].startMs)} to{' '}
            {wholeDay(drawn[drawn.length - 1].startMs)}
          </b>
          <Button size="small" onClick={onWhole}>
            Whole winter
          </Button>
        </>
      ) : (
        <>
          <span>Drag over some days to see them larger, or</span>
          <Button size="small" kind="quiet" disabled={!onMonth} onClick={() => onMonth?.()}>
            the month about the chosen day
          </Button>
        </>
      )}
    </p>
  );
}

/** Days that cannot be laid out any more are kept, and open. */
export function Damaged({ entries }: { entries: readonly BookEntry[] }) {
  const list = entries.filter((e) => !isLaidOut(e));
  if (list.length === 0) return null;
  return (
    <p className="text-[12.5px]">
      Told without a plan to lay it against, or not to be laid out any more; kept all the same:{' '}
      {list.map((e, i) => (
        <span key={e.id}>
          {i > 0 && ', '}
          <Link href={`/outing/${e.id}`} className="underline">
            {e.name}, {dayWords(e.startMs)}
          </Link>
        </span>
      ))}
      .
    </p>
  );
}

/** The book before its first line. */
export function Empty({ damaged }: { damaged: number }) {
  return (
    <main className="mx-4 max-w-[60ch] pt-8">
      <h1 className="speak text-[28px] leading-tight font-semibold">One outing writes the first line.</h1>
      <p className="mt-2 text-[15px]">
        Take an outing along on the phone and tap, or open one that is over and tell it by hand. The book then shows
        what it felt like, what was worn, and what the days that went wrong have in common.
      </p>
      <p className="mt-2">
        <Link href="/outings" className="font-semibold text-act underline">
          To your outings
        </Link>
      </p>
      {damaged > 0 && <p className="mt-2">{damaged} kept days cannot be worked out any more.</p>}
    </main>
  );
}
