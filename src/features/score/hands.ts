import type { KeyboardEvent } from 'react';
import type { useDrag } from '@use-gesture/react';
import type { Plan } from '@/core/kit/plan';

/** What is held: the cursor, a whole cue, or one garment's part of it. */
export type Held = { what: 'cursor' } | HeldCue;
export type HeldCue = { what: 'cue'; cue: number } | { what: 'part'; cue: number; garment: string };

/** Handlers of pointer and finger for what is held. */
export type Hold = (held: Held) => ReturnType<ReturnType<typeof useDrag>>;
/** Handler of keys for what has the focus. */
export type OnKeys = (held: HeldCue) => (e: KeyboardEvent) => void;

/** Steps to which a dragged cue falls, the pull of other cues, and how near to the ends a cue may come, s. */
const GRID_S = 30;
const PULL_S = 150;
const EDGE_S = 60;
/** An arrow key moves a cue by so much, s. */
const NUDGE_S = { near: 30, far: 300 };

const inside = (atS: number, endS: number): number => Math.min(endS - EDGE_S, Math.max(EDGE_S, atS));

/** Where a dragged cue comes to rest, s: on another cue that is near, else on the next half minute. */
export function settled(rawS: number, others: readonly number[], endS: number): number {
  const onGrid = Math.round(rawS / GRID_S) * GRID_S;
  const near = others.find((o) => Math.abs(o - onGrid) <= PULL_S);
  return inside(near ?? onGrid, endS);
}

/** Where an arrow key moves a cue, s. @param way −1 back, 1 on */
export const nudged = (atS: number, way: number, how: keyof typeof NUDGE_S, endS: number): number =>
  inside(atS + way * NUDGE_S[how], endS);

/** Number of the cue at a moment, s: what was moved may have passed others, or become a cue of its own. Null where none is. */
export function cueAt(plan: Plan, atS: number): number | null {
  const at = plan.cues.findIndex((c) => Math.abs(c.atS - atS) < 1);
  return at < 0 ? null : at;
}
