'use client';
import { removeCue } from '@/core/kit/edit';
import type { Units } from '@/formats/measures';
import { Button } from '@/ui/Button';
import { Legend } from '@/features/score/drawing/Legend';
import type { Pointing } from '@/features/score/pointing';
import type { Score } from '@/features/score/state/useScore';
import { GarmentBar, TakeMore } from './GarmentBar';

/** What can be done now with the selected garment or cue; with nothing selected, the pattern language. */
export function Actions({
  score,
  at,
  units,
  onHelp,
}: {
  score: Score;
  at: Pointing;
  units: Units;
  onHelp: () => void;
}) {
  const plan = score.plan!;
  const garment = at.selected ? score.garments.get(at.selected) : undefined;
  const inPlan = garment && (plan.worn.includes(garment.id) || plan.carried.includes(garment.id));
  const chosen = at.cue !== null ? plan.cues[at.cue] : undefined;
  const change = { plan, closet: score.closet, units, onChange: score.commit };
  return (
    <div className="flex min-h-8 flex-wrap items-center gap-x-4 gap-y-1 py-1">
      {garment && inPlan ? (
        <GarmentBar garment={garment} cursorS={at.cursorS} {...change} />
      ) : (
        <Legend onKeys={onHelp} />
      )}
      {chosen && (
        <Button
          kind="quiet"
          size="small"
          onClick={() => {
            score.commit(removeCue(plan, at.cue!));
            at.setCue(null);
          }}
        >
          Drop cue {at.cue! + 1}
        </Button>
      )}
      <span className="ml-auto">
        <TakeMore {...change} />
      </span>
    </div>
  );
}
