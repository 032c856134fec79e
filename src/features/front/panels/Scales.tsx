'use client';
// Longer than a file should be: one drawing, whose scales, rungs and knobs share one set of coordinates.
import { useDrag } from '@use-gesture/react';
import { useRef } from 'react';
import { CHILL_BANDS, freezingMinutes } from '@/core/atmosphere/windChill';
import { chillWindKmh, coldestFelt, feelsLikeC } from '@/core/outing/feelsLike';
import { LIMIT } from '@/core/judge/limits';
import { DOOR_RANGE } from '@/core/outing/doorDay';
import { fahrenheitToC, kmhToMs, mphToKmh, msToKmh } from '@/core/quantity/units';
import { windWords } from '@/features/front/panels/words';
import type { Door } from '@/features/front/state/useDoor';
import { degrees, temperature, type Units } from '@/formats/measures';
import { C, heat } from '@/ui/draw/palette';
import { linear, type Scale } from '@/ui/draw/scale';

const W = 290;
const H = 372;
const TOP = 26;
const BOTTOM = H - 12;
const AIR_X = 112;
const FEELS_X = 160;
const WIND_X = 212;
/** Wind at the foot of its scale, km/h. */
const MOST_KMH = 60;
const WARM_C = 12;
const COLD_C = -32;

const BEAUFORT = ['calm', 'leaves', 'twigs', 'saplings', 'boughs', 'trees', 'gale'] as const;

/** Temperatures that get a tick, °C, with their words. */
function airTicks(low: number, units: Units): { c: number; says: string }[] {
  const out: { c: number; says: string }[] = [];
  if (units === 'imperial') {
    for (let f = 50; fahrenheitToC(f) >= low; f -= 10)
      out.push({ c: fahrenheitToC(f), says: f % 20 === 10 ? `${f}` : '' });
    return out;
  }
  for (let c = 10; c >= low; c -= 5) out.push({ c, says: c % 10 === 0 ? String(c).replace('-', '−') : '' });
  return out;
}

/** How the air is coloured on its scale: warm to cold by the ramp, cold by ruling. */
const airColour = (c: number): string =>
  c >= 5 ? heat(0.7) : c >= 0 ? heat(0.45) : c >= -5 ? heat(0.25) : c >= -10 ? heat(0.05) : C.cold;

/**
 * Air, what it feels like, and wind as one alignment chart where down is always harsher; the rungs as bars on the same axis as the air,
 * so that a drag shows which clothes still hold.
 */
export function Scales({ door, units }: { door: Door; units: Units }) {
  const { day, timeline, told } = door;
  const feelsC = timeline ? feelsLikeC(coldestFelt(timeline.stretches)) : day.airC;
  const low = Math.min(COLD_C, Math.floor(Math.min(day.airC, feelsC) / 5) * 5 - 3);
  const y = linear(WARM_C, low, TOP, BOTTOM);
  const windY = linear(0, Math.max(MOST_KMH, msToKmh(day.windMs)), TOP, BOTTOM);
  const ticks = airTicks(low, units);
  const windStep = units === 'imperial' ? mphToKmh(10) : 10;
  const winds = Array.from({ length: Math.floor(windY.domain()[1] / windStep) + 1 }, (_, i) => i * windStep);
  const worst = timeline ? coldestFelt(timeline.stretches) : null;
  const freezes = worst ? freezingMinutes(worst.airC, chillWindKmh(worst)) : Infinity;
  const bands = CHILL_BANDS.filter((b) => b.below <= LIMIT.chillHigh && b.below > low);
  const reach = told.around?.reach ?? [];
  // What bare skin does is written across the axis of the wind: its figures make room.
  const written = (at: number) => at > y(feelsC) + 8 && at < y(feelsC) + 40;
  return (
    <section aria-labelledby="outside">
      <div className="flex items-baseline justify-between">
        <h2 id="outside" className="font-semibold">
          Outside
        </h2>
        <span className="text-[12px] text-ink-2">drag either knob</span>
      </div>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        width="100%"
        className="block touch-none overflow-visible"
        role="group"
        aria-label="Air, what it feels like, and wind"
      >
        <g fontSize="12">
          <text x={0} y={13}>
            rungs that hold
          </text>
          <text x={AIR_X} y={13} textAnchor="middle" fontWeight="600">
            air
          </text>
          <text x={FEELS_X} y={13} textAnchor="middle" fontWeight="600">
            feels
          </text>
          <text x={WIND_X} y={13} textAnchor="middle" fontWeight="600">
            wind
          </text>
        </g>
        <Rungs reach={reach} own={told.answer?.rung ?? 0} y={y} low={low} units={units} />
        {ticks.slice(0, -1).map((t, i) => (
          <rect
            key={t.c}
            x={AIR_X - 4}
            width={8}
            y={y(t.c)}
            height={Math.max(0, y(ticks[i + 1].c) - y(t.c))}
            fill={airColour(t.c - 0.1)}
            opacity={t.c <= -10 ? 0.25 + Math.min(0.7, -t.c / 40) : 1}
          />
        ))}
        <path d={`M${AIR_X - 4} ${y(WARM_C)}V${BOTTOM}M${AIR_X + 4} ${y(WARM_C)}V${BOTTOM}`} stroke={C.ink} />
        {ticks.map((t) => (
          <g key={t.c}>
            <path d={`M${AIR_X - 4} ${y(t.c)}h-5`} stroke={C.ink} />
            <text x={AIR_X - 12} y={y(t.c) + 4} fontSize="11.500" textAnchor="end">
              {t.says}
            </text>
          </g>
        ))}
        <path d={`M${FEELS_X} ${TOP}V${BOTTOM}`} stroke={C.ink2} />
        {bands.map((b, i) => {
          const to = i === 0 ? low : bands[i - 1].below;
          return (
            <g key={b.below}>
              <rect
                x={FEELS_X - 7}
                width={14}
                y={y(b.below)}
                height={Math.max(0, y(to) - y(b.below))}
                fill="url(#too-cold)"
                stroke={C.cold}
              />
              <text x={FEELS_X + 11} y={y(b.below) + 12} fontSize="11.500" style={{ fill: C.cold }}>
                {FREEZES_IN[b.below]}
              </text>
            </g>
          );
        })}
        {winds.map((k, i) => (
          <g key={k}>
            <path d={`M${WIND_X - 4} ${windY(k)}h8`} stroke={C.ink} />
            {!written(windY(k)) && (
              <text x={WIND_X + 8} y={windY(k) + 4} fontSize="11.500">
                {units === 'imperial' ? i * 10 : k}
              </text>
            )}
            {units === 'metric' && !written(windY(k)) && Math.abs(windY(k) - windY(msToKmh(day.windMs))) > 15 && (
              <text x={W} y={windY(k) + 4} fontSize="11.500" textAnchor="end" style={{ fill: C.ink3 }}>
                {BEAUFORT[i] ?? ''}
              </text>
            )}
          </g>
        ))}
        <path d={`M${WIND_X} ${TOP}V${BOTTOM}`} stroke={C.ink} />
        <path
          d={`M${AIR_X} ${y(day.airC)}L${FEELS_X} ${y(feelsC)}L${WIND_X} ${windY(msToKmh(day.windMs))}`}
          fill="none"
          stroke={C.act}
          strokeWidth="1.4"
        />
        <circle cx={FEELS_X} cy={y(feelsC)} r="4.500" fill={C.sheet} stroke={C.act} strokeWidth="1.600" />
        <g style={{ paintOrder: 'stroke' }}>
          <text
            x={FEELS_X + 8}
            y={y(feelsC) + 19}
            fontSize="16"
            fontWeight="700"
            stroke={C.paper}
            strokeWidth="4"
            paintOrder="stroke"
          >
            {temperature(feelsC, units)}
          </text>
          <text
            x={FEELS_X + 8}
            y={y(feelsC) + 33}
            fontSize="11.500"
            stroke={C.paper}
            strokeWidth="3.500"
            paintOrder="stroke"
          >
            {freezes < Infinity ? `bare skin: ${Math.round(freezes)} min` : bareSkin(feelsC)}
          </text>
        </g>
        <Knob
          label="Air"
          says={temperature(day.airC, units)}
          short={degrees(day.airC, units)}
          side="left"
          x={AIR_X}
          at={y}
          value={day.airC}
          step={units === 'imperial' ? 1 / 1.8 : 1}
          range={DOOR_RANGE.airC}
          onMove={(airC) => door.drag('airC', { airC })}
          onRest={(airC) => door.set('airC', { airC })}
        />
        <Knob
          label="Wind"
          says={windWords(day.windMs, units)}
          short={windWords(day.windMs, units)}
          side="right"
          x={WIND_X}
          at={windY}
          value={msToKmh(day.windMs)}
          step={units === 'imperial' ? mphToKmh(1) : 1}
          range={[0, msToKmh(DOOR_RANGE.windMs[1]), 'km/h']}
          onMove={(kmh) => door.drag('windMs', { windMs: kmhToMs(kmh) })}
          onRest={(kmh) => door.set('windMs', { windMs: kmhToMs(kmh) })}
        />
      </svg>
    </section>
  );
}

/** What such air does to bare skin where no freezing time is stated, after the bands of the index. */
const bareSkin = (feelsC: number): string =>
  feelsC > LIMIT.chillModerate
    ? 'bare skin bears it'
    : feelsC > LIMIT.chillHigh
      ? 'bare skin chills'
      : 'bare skin may freeze';

/** From which index on bare skin freezes in how long (the bands of the index). */
const FREEZES_IN: Record<number, string> = { [-28]: '30 min', [-40]: '10 min', [-48]: '5 min', [-55]: '2 min' };

/** Where this rung and its neighbours hold, on the axis of the air; black the one that is worn. */
function Rungs({
  reach,
  own,
  y,
  low,
  units,
}: {
  reach: { rung: number; coldC: number | null; warmC: number | null }[];
  own: number;
  y: Scale;
  low: number;
  units: Units;
}) {
  return (
    <g>
      {reach.map((r, i) => {
        const x = 12 + i * 26;
        if (r.coldC === null || r.warmC === null) return null;
        const top = y(Math.min(WARM_C, Math.max(r.warmC, r.coldC)));
        const foot = y(Math.max(low, r.coldC));
        const mine = r.rung === own;
        return (
          <g key={r.rung}>
            <rect
              x={x - 6}
              width={12}
              y={top}
              height={Math.max(2, foot - top)}
              fill={mine ? C.ink : C.sheet}
              stroke={C.ink}
              strokeWidth="1.200"
            />
            <circle cx={x} cy={top + 2} r="9" fill={mine ? C.ink : C.sheet} stroke={C.ink} strokeWidth="1.200" />
            <text
              x={x}
              y={top + 6}
              fontSize="11.500"
              fontWeight="700"
              textAnchor="middle"
              style={{ fill: mine ? C.sheet : C.ink }}
            >
              {r.rung}
            </text>
            {foot < BOTTOM - 4 && (
              <text x={x} y={foot + 13} fontSize="11.500" textAnchor="middle" fontWeight={mine ? '700' : '400'}>
                {degrees(r.coldC, units)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** A knob on a scale: dragged anywhere in its strip, or by the arrow keys; down is harsher. */
function Knob({
  label,
  says,
  short,
  side,
  x,
  at,
  value,
  step,
  range,
  onMove,
  onRest,
}: {
  label: string;
  says: string;
  short: string;
  side: 'left' | 'right';
  x: number;
  at: Scale;
  value: number;
  step: number;
  range: readonly [number, number, string];
  onMove: (v: number) => void;
  onRest: (v: number) => void;
}) {
  const from = useRef({ v: value, px: 1 });
  const strip = useRef<SVGRectElement>(null);
  const held = (v: number) => Math.min(range[1], Math.max(range[0], Math.round(v / step) * step));
  const drag = useDrag(({ first, last, movement: [, my], event }) => {
    event.stopPropagation();
    if (first) {
      const high = strip.current?.getBoundingClientRect().height ?? BOTTOM - TOP;
      const [d0, d1] = at.domain();
      from.current = { v: value, px: (d1 - d0) / high };
    }
    const next = held(from.current.v + my * from.current.px);
    if (last) onRest(next);
    else onMove(next);
  });
  const y = at(value);
  const wide = short.length * 7.4 + 12;
  const box = side === 'left' ? x - 16 - wide : x + 14;
  // Down the scale is colder and windier: that is what the arrow down does.
  const down = Math.sign(at.domain()[1] - at.domain()[0]);
  return (
    <g
      {...drag()}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation="vertical"
      aria-valuemin={range[0]}
      aria-valuemax={range[1]}
      aria-valuenow={Math.round(value * 10) / 10}
      aria-valuetext={says}
      onKeyDown={(e) => {
        const by = { ArrowDown: down, ArrowUp: -down, ArrowLeft: -1, ArrowRight: 1 }[e.key];
        if (!by) return;
        e.preventDefault();
        e.stopPropagation();
        onRest(held(value + by * step * (e.shiftKey ? 5 : 1)));
      }}
      className="cursor-ns-resize touch-none"
    >
      <rect ref={strip} x={x - 20} y={TOP} width={40} height={BOTTOM - TOP} fill="transparent" />
      <rect x={box} y={y - 11} width={wide} height={22} fill={C.ink} />
      <text x={box + wide / 2} y={y + 4.5} fontSize="13" fontWeight="700" textAnchor="middle" style={{ fill: C.sheet }}>
        {short}
      </text>
      <circle cx={x} cy={y} r="10.500" fill={C.ink} stroke={C.paper} strokeWidth="1.500" />
      <path
        d={`M${x - 3.5} ${y - 2.5}l3.500 -3.500l3.500 3.500M${x - 3.5} ${y + 2.5}l3.500 3.500l3.500 -3.500`}
        fill="none"
        stroke={C.sheet}
        strokeWidth="1.600"
      />
    </g>
  );
}
