import type { Moved } from './mostMoved';

/** A cue of a plan, and what follows when it is missed. */
export interface CueReason {
  atS: number;
  where: string;
  text: string[];
  /** what the plan's total cost rises by when this cue is missed, and the plainest consequence */
  missCost: number;
  miss: Moved;
}

/** Index of the cue whose missing costs most; −1 without cues. */
export const mustNotMiss = (cues: readonly CueReason[]): number =>
  cues.reduce((worst, c, i) => (worst < 0 || c.missCost > cues[worst].missCost ? i : worst), -1);
