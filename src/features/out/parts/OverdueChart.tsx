'use client';
import { scaleLinear } from 'd3-scale';
import { curveMonotoneX, line } from 'd3-shape';
import { LIMIT } from '@/core/judge/limits';
import type { Curve, Now } from '@/core/underway/now';
import { clock } from '@/formats/dates';
import { degrees, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import { useWidth } from '@/ui/draw/useWidth';

const H = 126;
const LEFT = 34;
const RIGHT = 96;

/** The fingers as planned, if it is done now, and if not: being late is a distance one sees. */
export function OverdueChart({
  curves,
  nowS,
  units,
}: {
  curves: NonNullable<Now['overdue']>;
  nowS: number;
  units: Units;
}) {
  const [box, width] = useWidth(358);
  const all = [...curves.planned, ...curves.now, ...curves.not];
  if (all.length === 0) return null;
  const times = all.map((p) => p.atS);
  const values = all.map((p) => p.value);
  const [low, high] = [Math.min(LIMIT.fingerClumsy - 2, ...values), Math.max(...values) + 1];
  const x = scaleLinear([Math.min(...times), Math.max(...times)], [LEFT, width - RIGHT]);
  const y = scaleLinear([low, high], [H - 16, 20]);
  const d = line<Curve[number]>()
    .x((p) => x(p.atS))
    .y((p) => y(p.value))
    .curve(curveMonotoneX);
  const end = (c: Curve) => c[c.length - 1];
  const labels = [
    { c: curves.planned, says: 'planned', colour: C.ink3, weight: 400 },
    { c: curves.now, says: 'if done now', colour: C.ink, weight: 700 },
    { c: curves.not, says: '▲ if not', colour: C.act, weight: 700 },
  ]
    .filter((l) => l.c.length > 0)
    .map((l) => ({ ...l, at: y(end(l.c).value) }))
    .sort((a, b) => a.at - b.at);
  // Labels stand apart, whatever the lines do.
  labels.forEach((l, i) => {
    if (i > 0) l.at = Math.max(l.at, labels[i - 1].at + 15);
  });
  const foot = H - 22;
  const over = Math.max(0, (labels[labels.length - 1]?.at ?? 0) - foot);
  labels.forEach((l) => (l.at -= over));
  const words = labels.map((l) => `${l.says} ${degrees(end(l.c).value, units)}`).join(', ');
  return (
    <div ref={box} className="w-full">
      <svg width={width} height={H + 8} role="img" aria-label={`Fingers by ${clock(Math.max(...times))}: ${words}`}>
        <rect
          x={LEFT}
          width={width - RIGHT - LEFT}
          y={y(LIMIT.fingerClumsy)}
          height={Math.max(0, H - 16 - y(LIMIT.fingerClumsy))}
          fill="url(#too-cold)"
        />
        <line
          x1={LEFT}
          x2={width - RIGHT}
          y1={y(LIMIT.fingerClumsy)}
          y2={y(LIMIT.fingerClumsy)}
          stroke={C.cold}
          strokeDasharray="2 3"
        />
        <text x={LEFT - 4} y={y(LIMIT.fingerClumsy) + 4} textAnchor="end" fontSize={12}>
          {degrees(LIMIT.fingerClumsy, units)}
        </text>
        <text x={0} y={12} fontSize={12.5} fontWeight={700}>
          Fingers
        </text>
        <path d={d(curves.planned) ?? ''} fill="none" stroke={C.ink3} strokeWidth={1.6} strokeDasharray="5 4" />
        <path d={d(curves.not) ?? ''} fill="none" stroke={C.act} strokeWidth={2.4} strokeDasharray="2 3" />
        <path d={d(curves.now) ?? ''} fill="none" stroke={C.ink} strokeWidth={2.4} />
        <line x1={x(nowS)} x2={x(nowS)} y1={2} y2={H - 14} stroke={C.ink} />
        {[nowS, Math.max(...times)].map((t) => (
          <text key={t} x={x(t)} y={H} textAnchor="middle" fontSize={12}>
            {clock(t)}
          </text>
        ))}
        {labels.map((l) => (
          <text
            key={l.says}
            x={width - RIGHT + 6}
            y={l.at + 4}
            fontSize={12.5}
            fontWeight={l.weight}
            style={{ fill: l.colour }}
          >
            {l.says} {degrees(end(l.c).value, units)}
          </text>
        ))}
      </svg>
    </div>
  );
}
