'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { Lesson } from '@/core/calibrate/learn';
import { useKeeping, type KnownNow } from '@/features/learned/useLearning';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { ProgressBar } from '@/ui/ProgressBar';
import type { ToldHere } from './useTold';

/** What was told teaches otherwise when a number moves by this share of what is unsure of it. */
const OTHERWISE = 0.03;

/** Keep it, or an unusual day; kept: forget it, or learn it anew where it was told otherwise since. */
export function KeepLine({
  outingId,
  lesson,
  kept,
  leftOut,
  over,
  told,
  busy,
}: {
  outingId: string;
  lesson: Lesson | null;
  kept: Lesson | null;
  leftOut: boolean;
  /** what the lesson was worked out on: kept over anything else it would undo what another window kept meanwhile */
  over: KnownNow;
  told: ToldHere;
  busy: boolean;
}) {
  const learning = useKeeping();
  const { working } = learning;
  const changed =
    kept !== null &&
    lesson !== null &&
    lesson.after.mean.some(
      (m, i) => Math.abs(m - kept.after.mean[i]) > OTHERWISE * Math.sqrt(kept.after.covariance[i][i]),
    );
  const [tried, setTried] = useState<number | null>(null);
  // What was refused as older is worked out on the newer first: until the page has that, the same again would be refused again.
  const stale = tried === over.version && learning.problems.some((p) => p.field === 'version');
  const keep = async () => {
    setTried(over.version);
    await told.tell({ told: { kind: 'kept' } });
    await learning.keep({ learned: lesson!.after, lessons: [{ outingId, lesson: lesson! }] }, over);
  };
  return (
    <div className="mt-1.5 flex flex-wrap items-center gap-2">
      <Problems problems={learning.problems} title="Not done." />
      {working !== null ? (
        <span className="w-56" aria-live="polite">
          <ProgressBar label="Learning anew" done={working} />
          Learning anew, {Math.round(100 * working)} %
        </span>
      ) : kept ? (
        <>
          <b>Kept.</b>
          {changed && (
            <Button kind="strong" disabled={busy} onClick={() => void learning.again()}>
              Told otherwise since: learn it anew
            </Button>
          )}
          <Button onClick={() => void learning.forget(outingId)}>Unusual day: forget it</Button>
        </>
      ) : leftOut ? (
        <>
          <b>Left out as an unusual day.</b>
          <Button onClick={() => void learning.leave(outingId, 'usual')}>Count it after all</Button>
        </>
      ) : (
        <>
          <Button kind="strong" disabled={!lesson || busy || stale} onClick={() => void keep()}>
            Keep what it taught
          </Button>
          <Button disabled={!lesson} onClick={() => void learning.leave(outingId, 'unusual')}>
            Unusual day: leave me as I was
          </Button>
        </>
      )}
      <Link href="/book" className="inline-flex min-h-[24px] items-center underline">
        The book
      </Link>
      <Where told={told} />
    </div>
  );
}

/** Where what was told lies now. */
function Where({ told: { waiting, offline } }: { told: ToldHere }) {
  if (waiting === 0) return null;
  return (
    <span className="text-[12.5px] text-ink-2" aria-live="polite">
      Kept here, {waiting} to send{offline ? '; the server is not reached' : ''}.
    </span>
  );
}
