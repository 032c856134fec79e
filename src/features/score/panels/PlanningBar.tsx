'use client';
import { useStore } from 'zustand';
import { Button } from '@/ui/Button';
import { ProgressBar } from '@/ui/ProgressBar';
import type { Score } from '@/features/score/state/useScore';

/** How far planning is, at the foot of the page: drawn apart from all else, so that the score is not drawn again for it. */
export function PlanningBar({ score }: { score: Score }) {
  const { done, says, soFar } = useStore(score.search);
  return (
    <div
      role="status"
      className="no-print fixed right-4 bottom-4 z-30 w-[360px] max-w-[92vw] border-2 border-ink bg-sheet p-3"
    >
      <div className="flex items-center justify-between gap-3">
        <span>
          <b>{Math.round(done * 100)} %</b> {says}
        </span>
        <span className="flex shrink-0 gap-1.5">
          {soFar && (
            <Button size="small" title="End the search with the best plan so far" onClick={() => score.stop(soFar)}>
              Take it now
            </Button>
          )}
          <Button size="small" onClick={() => score.stop(null)}>
            Cancel
          </Button>
        </span>
      </div>
      <div className="mt-2">
        <ProgressBar done={done} label="Planning" />
      </div>
    </div>
  );
}
