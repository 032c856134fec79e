'use client';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useMemo } from 'react';
import { metresAt } from '@/core/outing/wayClock';
import type { Timeline } from '@/core/outing/timeline';
import { C } from '@/ui/draw/palette';
import { useWidth } from '@/ui/draw/useWidth';
import type { CueNow } from '@/core/underway/outThere';

const H = 46;
const TOP = 12;
/** A disc and the number in it. */
const R = 9.5;

/** The land from start to end, black where one has been; done cues as ticks, those ahead as discs. */
export function Profile({
  timeline,
  wayS,
  cues,
  next,
}: {
  timeline: Timeline;
  wayS: number;
  cues: readonly CueNow[];
  next: CueNow | null;
}) {
  const [box, width] = useWidth(358);
  const land = useMemo(() => {
    const n = 120;
    const flat = metresAt(timeline, timeline.endS) < 1;
    const at = (s: number) => (flat ? s : metresAt(timeline, s));
    const points = Array.from({ length: n + 1 }, (_, i) => {
      const s = (i / n) * timeline.endS;
      const here = timeline.stretches.find((x) => s <= x.endS) ?? timeline.stretches[timeline.stretches.length - 1];
      return { x: at(s), y: here.eleM };
    });
    return { points, at };
  }, [timeline]);
  const far = land.points[land.points.length - 1].x;
  const heights = land.points.map((p) => p.y);
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const x = scaleLinear([0, far], [R, Math.max(2 * R, width - R)]);
  const y = scaleLinear([low, Math.max(low + 60, high)], [TOP + H - 8, TOP + 2]);
  const here = x(land.at(wayS));
  const shape = area<{ x: number; y: number }>()
    .x((p) => x(p.x))
    .y0(TOP + H)
    .y1((p) => y(p.y));
  const top = line<{ x: number; y: number }>()
    .x((p) => x(p.x))
    .y((p) => y(p.y));
  const gone = land.points.filter((p) => p.x <= land.at(wayS));
  // Discs stand beside each other, however near their moments are.
  const discs: number[] = [];
  for (const c of cues) discs.push(Math.max(x(land.at(c.cue.atS)), (discs[discs.length - 1] ?? -Infinity) + 2 * R + 1));
  const words = `${cues.filter((c) => c.stands === 'done').length} of ${cues.length} cues done`;
  return (
    <div ref={box} className="w-full">
      <svg
        width={width}
        height={TOP + H + 24}
        role="img"
        aria-label={`Way: ${Math.round((100 * land.at(wayS)) / far)} % behind you, ${words}`}
      >
        <path d={shape(land.points) ?? ''} fill={C.worn} />
        {gone.length > 1 && <path d={shape(gone) ?? ''} fill={C.ink} />}
        <path d={top(land.points) ?? ''} fill="none" stroke={C.ink} strokeWidth={2} />
        <line x1={0} x2={width} y1={TOP + H} y2={TOP + H} stroke={C.ink} strokeWidth={1.5} />
        <path d={`M${here - 6} 0h12l-6 9z`} fill={C.act} />
        {cues.map((c, i) => {
          const cx = discs[i];
          const cy = TOP + H + 13;
          if (c.stands === 'done')
            return <path key={c.key} d={`M${cx - 6} ${cy}l4 5 8-9`} fill="none" stroke={C.ink} strokeWidth={2.4} />;
          const is = c.key === next?.key;
          return (
            <g key={c.key}>
              {is && <line x1={cx} x2={cx} y1={TOP} y2={cy} stroke={C.act} strokeWidth={2} />}
              <circle cx={cx} cy={cy} r={R} fill={is ? C.act : C.sheet} stroke={C.act} strokeWidth={is ? 0 : 1.5} />
              <text
                x={cx}
                y={cy + 4.5}
                textAnchor="middle"
                fontSize={12.5}
                fontWeight={700}
                style={{ fill: is ? 'var(--color-on-act)' : C.act }}
              >
                {c.stands === 'missed' ? '–' : c.number}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
