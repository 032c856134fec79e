'use client';
import { Danger } from '@/ui/Danger';
import type { ReactNode } from 'react';
import type { Advice } from '@/core/questions/advise';
import type { Remedy } from '@/core/questions/wouldBeSafe';
import { clock, day, timeOfDay } from '@/formats/dates';
import { type Units } from '@/formats/measures';
import { fillSlots } from '@/formats/sentences';
import type { Behind as Parts } from '@/workers/client';
import { ChancesChart } from './ChancesChart';
import { sentence } from './sentence';
import { StartsChart } from './StartsChart';
import { StuckPart } from './StuckPart';
import { WhyTable } from './WhyTable';

/** What lies behind the plan: whether to go, its chances, what if nobody can go on, when to go, and why each piece. */
export function BehindPanel({
  parts,
  failed,
  startMs,
  verdict,
  learned,
  units,
}: {
  /** outings the athlete is known by */
  learned: number;
  parts: Partial<Parts>;
  failed: string | null;
  verdict: 'safe' | 'not safe';
  startMs: number;
  units: Units;
}) {
  const waiting = (
    <p className="py-2 text-ink-3">{failed ? `Could not be worked out: ${failed}` : 'Working it out…'}</p>
  );
  return (
    <section
      aria-label="Behind the plan"
      className="no-print mt-4 grid grid-cols-2 gap-x-10 gap-y-6 border-t-2 border-ink pt-2 pb-10 max-[900px]:grid-cols-1"
    >
      {verdict === 'not safe' && parts.wouldBeSafe && (
        <div className="col-span-full border-l-4 border-act pl-3">
          <Part title="This plan is not safe. What would be:">
            {parts.wouldBeSafe.length > 0 ? (
              <Remedies list={parts.wouldBeSafe} />
            ) : (
              <p>No single piece, no earlier return and no shorter stop makes it safe. Not today, and not like this.</p>
            )}
          </Part>
        </div>
      )}
      <div className="min-w-0 space-y-6">
        <Part title="What the day may do with it">
          {parts.chances ? <ChancesChart c={parts.chances} learned={learned} /> : waiting}
        </Part>
        <Part title="Why this piece and not the next">
          {parts.why ? <WhyTable list={parts.why} units={units} /> : waiting}
        </Part>
      </div>
      <div className="min-w-0 space-y-6">
        <Part title="If you cannot go on">
          {parts.stuckOut ? <StuckPart s={parts.stuckOut} units={units} /> : waiting}
        </Part>
        <Part title="When to go">
          {parts.advice ? <AdviceNote a={parts.advice} units={units} /> : waiting}
          {parts.bestStart && <StartsChart b={parts.bestStart} startMs={startMs} units={units} />}
        </Part>
      </div>
    </section>
  );
}

const ADVICE = {
  go: 'Go.',
  'with care': 'Go, with care.',
  'go shorter': 'Go shorter.',
  'not today': 'Not today.',
} as const;

/** Go or not, by the gravest of all that is known. */
function AdviceNote({ a, units }: { a: Advice; units: Units }) {
  const grave = a.go === 'not today' || a.go === 'go shorter';
  return (
    <p>
      <b className={grave ? 'text-act' : ''}>
        {grave && <Danger />}
        {ADVICE[a.go]}
      </b>{' '}
      {sentence(fillSlots(a.reason, units))}
      {a.minutes !== undefined && ` Be back within ${clock(a.minutes * 60)} h.`}
      {a.nextStartMs !== undefined && ` Leaving ${day(a.nextStartMs)}, ${timeOfDay(a.nextStartMs)} would do.`}
    </p>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="min-w-0">
      <h2 className="speak text-[19px] font-semibold">{title}</h2>
      {children}
    </div>
  );
}

/** What takes alarms away, most helpful first. */
function Remedies({ list }: { list: readonly Remedy[] }) {
  return (
    <ul className="mt-1 grid grid-cols-2 gap-x-10 max-[900px]:grid-cols-1">
      {list.map((r) => (
        <li key={r.text} className="flex justify-between gap-3 border-b border-grid py-[3px]">
          <b>{sentence(r.text)}</b>
          <span className="shrink-0 text-ink-2">
            {r.alarms === 0 ? 'safe then' : `${r.alarms} alarm${r.alarms === 1 ? '' : 's'} left`}
          </span>
        </li>
      ))}
    </ul>
  );
}
