'use client';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { isInside } from '@/core/afterwards/miss';
import { EIGHT_IN_TEN } from '@/core/quantity/normal';
import { stretched, weekMean } from '@/core/afterwards/season';
import { dayOfMonth, month, wholeDay } from '@/formats/dates';
import { degrees, minus, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import { useWidth } from '@/ui/draw/useWidth';
import type { Told } from './filters';
import { CLO, DATES, FELT, GUTTER, HIGH, MISS, MONTHS, NOTES, PAD } from './lanes';
import { DayMark } from './Marks';
import { Gutter, Notes } from './SeasonSides';
import { feelsTicks } from './ticks';
import { useHand } from './useHand';

/** Room a mark needs, px. */
const MARK = 21;

export interface ChartProps {
  days: readonly Told[];
  shown: ReadonlySet<string>;
  chosen: string | null;
  onChoose: (id: string) => void;
  onOpen: (id: string) => void;
  /** the day under the pointer, whose line runs through all lanes */
  pointed: string | null;
  onPoint: (id: string | null) => void;
  /** a dragged stretch, by its first and last day, is looked at by itself */
  onStretch: (first: string, last: string) => void;
  units: Units;
}

/** Places of the days along the axis, px from the left of the lanes. */
export function places(days: readonly Told[], width: number): number[] {
  const inner = width - PAD.left - PAD.right;
  return stretched(
    days.map((d) => d.startMs),
    MARK / inner,
  ).map((x) => PAD.left + x * inner);
}

/** The winter on one stretched axis: what it felt like, how much was worn, and felt minus said inside its band. */
export function SeasonChart(p: ChartProps) {
  const [ref, width] = useWidth(640);
  return (
    <div className="grid" style={{ gridTemplateColumns: `${GUTTER}px minmax(0, 1fr) ${NOTES}px` }}>
      <Gutter {...p} />
      <div ref={ref} className="min-w-0">
        <Lanes {...p} width={width} />
      </div>
      <Notes {...p} />
    </div>
  );
}

const HEAT = (c: number): string =>
  c > 0 ? 'var(--color-heat-2)' : c > -8 ? 'var(--color-heat-1)' : c > -16 ? 'var(--color-heat-0)' : C.cold;

function Lanes({
  days,
  shown,
  chosen,
  onChoose,
  onOpen,
  pointed,
  onPoint,
  onStretch,
  units,
  width,
}: ChartProps & { width: number }) {
  const xs = places(days, width);
  const { drag, hand, lanes } = useHand(days, xs, { onPoint, onStretch });
  const felt = days.map((d) => d.day.feelsC);
  const airs = days.map((d) => d.day.airC);
  const [low, high] = [Math.min(...felt) - 3, Math.max(...airs, ...felt) + 2];
  const y = scaleLinear([high, low], [FELT.top + 6, FELT.top + FELT.high - 6]);
  const most = Math.max(1, ...days.map((d) => d.day.chestClo));
  const clo = scaleLinear([0, most], [CLO.top + CLO.high - 4, CLO.top + 6]);
  const far = Math.max(1.5, ...days.map((d) => (d.miss ? Math.abs(d.miss.votes) : 0))) + 0.2;
  const off = scaleLinear([far, -far], [MISS.top + 3, MISS.top + MISS.high - 3]);
  const mean = weekMean(days.map((d) => ({ startMs: d.startMs, feelsC: d.day.feelsC })));
  const grey = (d: Told) => (shown.has(d.id) ? 1 : 0.18);
  const at = days.findIndex((d) => d.id === chosen);
  const banded = days.map((d, i) => ({ d, x: xs[i] })).filter(({ d }) => d.miss);
  return (
    <svg
      ref={lanes}
      width={width}
      height={HIGH}
      role="group"
      aria-label="Days of the winter: choose one, or go through them with the arrow keys"
      className="block select-none"
      {...hand()}
    >
      {[FELT, CLO, MISS].map((lane) => (
        <rect
          key={lane.top}
          x={0.5}
          y={lane.top + 0.5}
          width={width - 1}
          height={lane.high - 1}
          fill={C.sheet}
          stroke={C.ink}
        />
      ))}
      {at >= 0 && (
        <rect x={xs[at] - 10} y={FELT.top} width={20} height={HIGH - FELT.top} fill="var(--color-act)" opacity={0.09} />
      )}
      {drag && (
        <rect
          x={Math.min(...drag)}
          y={FELT.top}
          width={Math.abs(drag[1] - drag[0])}
          height={HIGH - FELT.top}
          fill="var(--color-act)"
          opacity={0.16}
        />
      )}
      <PointedLine x={xs[days.findIndex((d) => d.id === pointed)]} y1={FELT.top} y2={HIGH - DATES.high} />
      {monthsOf(days, xs, width).map((m) => (
        <g key={m.name}>
          {m.x > 1 && <line x1={m.x} x2={m.x} y1={MONTHS.top + 2} y2={HIGH - DATES.high} stroke={C.grid2} />}
          {m.wide > 40 && (
            <text x={m.x + 4} y={13} fontSize={12.5}>
              <tspan fontWeight={700}>{m.wide > 84 ? m.name : m.name.slice(0, 3)}</tspan> {m.count}
            </text>
          )}
        </g>
      ))}
      {feelsTicks(low, high, units).map((t) => (
        <g key={t}>
          <line
            x1={7}
            x2={width - 1}
            y1={y(t)}
            y2={y(t)}
            stroke={t === 0 ? C.ink3 : C.grid}
            strokeDasharray={t === 0 ? '2 3' : undefined}
          />
          <rect x={1} y={y(t) - 1} width={6} height={3} fill={HEAT(t)} />
          <text x={10} y={y(t) - 2} fontSize={11} fill={C.ink3}>
            {degrees(t, units)}
          </text>
        </g>
      ))}
      <path
        d={
          line<number>()
            .x((_, i) => xs[i])
            .y((v) => y(v))(mean) ?? ''
        }
        fill="none"
        stroke={C.grid2}
        strokeWidth={5}
        strokeLinejoin="round"
        opacity={0.8}
      />
      <CloSteps days={days} xs={xs} clo={clo} grey={grey} />
      <path
        d={bandOf(
          banded.map(({ d, x }) => ({ x, r: EIGHT_IN_TEN * d.miss!.sd })),
          off,
        )}
        fill="var(--color-heat-1)"
        opacity={0.75}
      />
      <line x1={1} x2={width - 1} y1={off(0)} y2={off(0)} stroke={C.ink2} />
      {[1, -1].map((v) => (
        <g key={v}>
          <line x1={1} x2={width - 1} y1={off(v)} y2={off(v)} stroke={C.grid2} strokeDasharray="2 3" />
          <text x={4} y={off(v) + 4} fontSize={11} fill={C.ink3}>
            {v > 0 ? '+1' : minus(v, 0)}
          </text>
        </g>
      ))}
      {days.map((d, i) => (
        <g key={d.id} opacity={grey(d)}>
          {d.miss && (
            <>
              <line x1={xs[i]} x2={xs[i]} y1={off(0)} y2={off(d.miss.votes)} stroke={C.ink} />
              <circle
                cx={xs[i]}
                cy={off(d.miss.votes)}
                r={isInside(d.miss) ? 3.4 : 4.2}
                fill={isInside(d.miss) ? C.ink : C.sheet}
                stroke={C.ink}
                strokeWidth={1.6}
              />
            </>
          )}
          <text x={xs[i]} y={DATES.top + 11} fontSize={11} textAnchor="middle" fontWeight={d.id === chosen ? 700 : 400}>
            {dayOfMonth(d.startMs)}
          </text>
          <line x1={xs[i]} x2={xs[i]} y1={y(d.day.airC)} y2={y(d.day.feelsC)} stroke={C.ink2} />
          <line x1={xs[i] - 3} x2={xs[i] + 3} y1={y(d.day.airC)} y2={y(d.day.airC)} stroke={C.ink2} />
          <g
            transform={`translate(${xs[i]} ${y(d.day.feelsC)})`}
            role="button"
            tabIndex={d.id === chosen || (chosen === null && i === days.length - 1) ? 0 : -1}
            aria-pressed={d.id === chosen}
            aria-label={`${d.name}, ${wholeDay(d.startMs)}, felt ${degrees(d.day.feelsC, units)}, ${d.day.was ?? 'not told'}${d.day.cameWet ? ', came home wet' : ''}`}
            onClick={() => onChoose(d.id)}
            onDoubleClick={() => onOpen(d.id)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              e.preventDefault();
              e.stopPropagation();
              if (e.key === 'Enter' && d.id === chosen) onOpen(d.id);
              else onChoose(d.id);
            }}
            className="cursor-pointer"
          >
            <circle r={12} fill="transparent" />
            {d.id === chosen && <circle r={13.5} fill="none" stroke="var(--color-act)" strokeWidth={2} />}
            <DayMark day={d.day} />
            {d.leftOut && <line x1={-10} x2={10} y1={10} y2={-10} stroke="var(--color-act)" strokeWidth={2} />}
          </g>
        </g>
      ))}
    </svg>
  );
}

/** The line of the day under the pointer; no place: none. */
export function PointedLine({ x, y1, y2 }: { x: number | undefined; y1: number; y2: number }) {
  if (x === undefined) return null;
  return <line x1={x} x2={x} y1={y1} y2={y2} stroke={C.ink} strokeDasharray="1 2" pointerEvents="none" />;
}

function CloSteps({
  days,
  xs,
  clo,
  grey,
}: {
  days: readonly Told[];
  xs: readonly number[];
  clo: ScaleLinear<number, number>;
  grey: (d: Told) => number;
}) {
  return (
    <>
      <path
        d={days.map((d, i) => `${i === 0 ? 'M' : 'L'}${xs[i]} ${clo(d.day.chestClo)}`).join('')}
        fill="none"
        stroke={C.grid2}
      />
      {clo.ticks(3).map((t) => (
        <g key={t}>
          {t > 0 && <line x1={16} x2={xs[xs.length - 1] + PAD.right - 1} y1={clo(t)} y2={clo(t)} stroke={C.grid} />}
          <text x={4} y={clo(t) + 3} fontSize={11} fill={C.ink3}>
            {t}
          </text>
        </g>
      ))}
      {days.map((d, i) => (
        <g key={d.id} opacity={grey(d)}>
          <rect
            x={xs[i] - 3}
            y={clo(d.day.chestClo)}
            width={6}
            height={Math.max(1, clo(0) - clo(d.day.chestClo))}
            fill={C.ink2}
          />
        </g>
      ))}
    </>
  );
}

/** A band round nothing, as wide as was known. */
function bandOf(list: readonly { x: number; r: number }[], off: (v: number) => number): string {
  if (list.length < 2) return '';
  const up = list.map(({ x, r }) => `${x} ${off(r)}`);
  const down = [...list].reverse().map(({ x, r }) => `${x} ${off(-r)}`);
  return `M${[...up, ...down].join('L')}Z`;
}

/** Where each month begins, between its first day and the last before it, and how many days it has. */
function monthsOf(days: readonly Told[], xs: readonly number[], width: number) {
  const starts = days.flatMap((d, i) => (i === 0 || month(d.startMs) !== month(days[i - 1].startMs) ? [i] : []));
  return starts.map((i, k) => {
    const x = i === 0 ? 0 : (xs[i - 1] + xs[i]) / 2;
    const next = starts[k + 1];
    const end = next === undefined ? width : (xs[next - 1] + xs[next]) / 2;
    return { name: month(days[i].startMs), x, wide: end - x, count: (next ?? days.length) - i };
  });
}
