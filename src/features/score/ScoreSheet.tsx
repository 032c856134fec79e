'use client';
import { useDrag } from '@use-gesture/react';
import { useMemo, useRef } from 'react';
import { moveAction, moveCue, removeCue } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { clock } from '@/formats/dates';
import { type Units } from '@/formats/measures';
import type { StoredOuting } from '@/store/outings';
import { C } from '@/ui/draw/palette';
import { Patterns } from '@/ui/draw/Patterns';
import { linear } from '@/ui/draw/scale';
import { useWidth } from '@/ui/draw/useWidth';
import type { Held, HeldCue, OnKeys } from './hands';
import { CueFlags, CUES_HEIGHT } from './drawing/CueFlags';
import { Land, LAND_HEIGHT } from './drawing/Land';
import { LaneRows, lanesHeight } from './drawing/LaneRows';
import { lanesOf } from './drawing/laneSegments';
import { Traces, TRACES_HEIGHT } from './drawing/Traces';
import { cueAt, nudged, settled } from './hands';
import type { Pointing } from './pointing';
import type { Score } from './state/useScore';

/** Plot begins here; labels and numbers at the cursor stand to its left, px. */
const LEFT = 172;
/** Width before the page is measured, px. */
const FIRST_WIDTH = 928;
/** Room above the land where no cue stands, px. */
const NO_CUES = 8;

interface Props {
  score: Score;
  area: readonly number[];
  outing: StoredOuting;
  units: Units;
  at: Pointing;
  row: number;
}

/** Land and weather, cues, lanes and traces on one clock, and the hands on it: mouse, pen, finger and keys alike. */
export function ScoreSheet({ score, area, outing, units, at, row }: Props) {
  const [ref, width] = useWidth(FIRST_WIDTH);
  const { timeline, garments } = score;
  const scored = score.scored!;
  // While the worker is busy the lanes already show the new plan; the numbers follow within a moment.
  const plan = score.plan!;
  const { endS } = timeline;
  const x = useMemo(() => linear(0, endS, LEFT, width - 2), [endS, width]);
  const groups = useMemo(() => lanesOf(plan, garments, endS), [plan, garments, endS]);
  const top = plan.cues.length > 0 ? CUES_HEIGHT : NO_CUES;
  const yLanes = top + LAND_HEIGHT + 8;
  const yTraces = yLanes + lanesHeight(groups) + 4;
  const height = yTraces + TRACES_HEIGHT + 3;
  const svg = useRef<SVGSVGElement>(null);
  const px = x(at.cursorS);

  const secondsAt = (clientX: number) => {
    const box = svg.current!.getBoundingClientRect();
    return Math.min(endS, Math.max(0, x.invert(((clientX - box.left) * width) / box.width)));
  };
  const moved = (from: Plan, held: HeldCue, atS: number): Plan =>
    held.what === 'cue' ? moveCue(from, held.cue, atS) : moveAction(from, held.cue, held.garment, atS);

  // The picture is simulated all the way along; the edit counts when it is let go.
  const hold = useDrag(
    ({ args, xy: [clientX], first, last, canceled, tap, altKey, event, memo }) => {
      event.stopPropagation();
      const now = args[0] as Held;
      if (now.what === 'cursor') {
        at.setCursor(secondsAt(clientX));
        return;
      }
      // The plan and the cue of it that were taken hold of: moved anew at every step, so that steps do not add up, and whatever number
      // the cue has come to meanwhile.
      const taken = first || !memo ? { plan, held: now } : (memo as { plan: Plan; held: HeldCue });
      const { plan: from, held } = taken;
      if (first || tap) at.setCue(held.cue);
      if (held.what === 'part') at.select(held.garment);
      if (tap) return taken;
      const others = altKey || held.what === 'cue' ? [] : from.cues.filter((_, i) => i !== held.cue).map((c) => c.atS);
      const atS = settled(secondsAt(clientX), others, endS);
      const next = moved(from, held, atS);
      if (canceled) score.preview(null);
      else if (last) score.commit(next);
      else if (!first) {
        at.setCursor(atS);
        score.preview(next);
      }
      if (!first) at.setCue(canceled ? held.cue : cueAt(next, atS));
      return taken;
    },
    { filterTaps: true, pointer: { keys: false }, eventOptions: { passive: false } },
  );

  /** Keys on a cue, or on one garment's diamond. */
  const onKeys: OnKeys = (held) => (e) => {
    const way = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (way === undefined && e.key !== 'Delete') return;
    e.preventDefault();
    e.stopPropagation();
    if (way === undefined) {
      score.commit(removeCue(plan, held.cue));
      at.setCue(null);
      return;
    }
    const atS = nudged(plan.cues[held.cue].atS, way, e.shiftKey ? 'far' : 'near', endS);
    const next = moved(plan, held, atS);
    at.setCursor(atS);
    const number = cueAt(next, atS);
    at.setCue(number);
    score.commit(next);
    // A cue that has passed another keeps the keys.
    if (held.what === 'cue' && number !== null && number !== held.cue)
      requestAnimationFrame(() => svg.current?.querySelector<SVGGElement>(`[data-cue="${number}"]`)?.focus());
  };

  return (
    <div ref={ref} className="min-w-0">
      <svg
        ref={svg}
        width="100%"
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label="Score of the outing"
        className="select-none"
      >
        <Patterns />
        <rect
          x={LEFT}
          y={yLanes - 4}
          width={width - LEFT - 2}
          height={yTraces - yLanes + 2}
          fill={C.sheet}
          stroke={C.grid2}
        />
        {/* pressing anywhere on the plot sets the cursor; a finger may still scroll the page up and down */}
        <rect
          x={LEFT}
          y={top}
          width={width - LEFT}
          height={height - top}
          fill="transparent"
          style={{ cursor: 'col-resize', touchAction: 'pan-y' }}
          onPointerDown={(e) => at.setCursor(secondsAt(e.clientX))}
          {...hold({ what: 'cursor' })}
        />
        <g pointerEvents="none">
          <Land timeline={timeline} startMs={outing.startMs} x={x} y={top} cursorS={at.cursorS} units={units} />
          <Traces
            scored={scored}
            garments={garments}
            area={area}
            x={x}
            y={yTraces}
            endS={endS}
            row={row}
            units={units}
          />
        </g>
        <LaneRows
          groups={groups}
          plan={plan}
          scored={scored}
          area={area}
          x={x}
          y={yLanes}
          endS={endS}
          row={row}
          cursorS={at.cursorS}
          selected={at.selected}
          units={units}
          onSelect={at.select}
          hold={hold}
          onKeys={onKeys}
        />
        <CueFlags
          plan={plan}
          garments={garments}
          timeline={timeline}
          x={x}
          width={width}
          left={LEFT}
          bottom={height - 2}
          selected={at.cue}
          units={units}
          onSelect={at.setCue}
          hold={hold}
          onKeys={onKeys}
        />
        <g pointerEvents="none">
          <line x1={px} x2={px} y1={top} y2={height - 2} stroke={C.ink} strokeWidth="1.6" />
          <rect x={Math.min(width - 42, px - 19)} y={top + LAND_HEIGHT - 12} width="38" height="15" fill={C.ink} />
          <text
            x={Math.min(width - 23, px)}
            y={top + LAND_HEIGHT}
            fontSize="12"
            fontWeight="700"
            textAnchor="middle"
            style={{ fill: C.sheet }}
          >
            {clock(at.cursorS)}
          </text>
        </g>
      </svg>
    </div>
  );
}
