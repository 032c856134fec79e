'use client';
import type { Out } from '@/features/out/state/useOut';

const SPEEDS = [0, 1, 10, 60];

/** A rehearsal: the planned outing played on this screen with simulated walker, strap and thermometer. Nothing of it is sent. */
export function RehearsalBar({ o }: { o: Out }) {
  const speed = o.clock?.speed ?? 1;
  return (
    <div
      role="group"
      aria-label="Rehearsal"
      className="flex flex-wrap items-center gap-x-1 border-b-2 border-dashed border-ink bg-worn px-3 py-1 text-[0.92rem]"
    >
      <b>Rehearsal</b>
      {SPEEDS.map((v) => (
        <button
          key={v}
          type="button"
          aria-pressed={v === speed}
          onClick={() => o.setSpeed(v)}
          className={`min-h-[40px] min-w-[44px] cursor-pointer rounded-[0.3rem] border px-1 ${v === speed ? 'border-go bg-go font-bold text-on-go' : 'border-grid-2 bg-sheet'}`}
        >
          {v === 0 ? 'Hold' : `${v}×`}
        </button>
      ))}
      <button
        type="button"
        onClick={o.restart}
        title="From the door again"
        className="ml-auto min-h-[40px] min-w-[44px] cursor-pointer underline"
      >
        Again
      </button>
    </div>
  );
}
