import type { Beside } from '@/core/judge/judgement';
import { feelsAtWorst } from '@/core/outing/feelsLike';
import type { Timeline } from '@/core/outing/timeline';
import type { Chances } from './chances';
import type { StuckOut } from './stuckOut';

/** All that is known beside a run, in the terms of the one judgement. Light: a page judges with it and simulates nothing. */
export function besideOf(
  { timeline }: { timeline: Timeline },
  { floorC, chances, stuckOut }: { floorC?: number; chances?: Chances; stuckOut?: StuckOut },
): Beside {
  return {
    unsafeShare: chances?.list.find((c) => c.kind === 'unsafe')?.share,
    stuck: stuckOut?.stuck,
    floor: floorC === undefined ? undefined : { feelsC: feelsAtWorst(timeline), floorC },
  };
}
