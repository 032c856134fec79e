import { distanceAt, timeAtDistance } from '@/core/outing/distance';
import { feelsLikeC } from '@/core/outing/feelsLike';
import { stretchAt } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import { clock, timeOfDay } from '@/formats/dates';
import { fromWind, height, minus, type Units } from '@/formats/measures';
import { cToFahrenheit, milesToM } from '@/core/quantity/units';
import { C, effortColour, onEffort } from '@/ui/draw/palette';
import { areaPath, fit, linePath, runsOf, type Scale } from '@/ui/draw/scale';

export const LAND_HEIGHT = 154;
/** Height of the profile itself, px; the weather rows stand below. */
const LAND_PLOT = 84;

interface Props {
  timeline: Timeline;
  startMs: number;
  x: Scale;
  y: number;
  cursorS: number;
  units: Units;
}

/** Wind relative to the body above which a stretch is marked exposed, m/s. */
const EXPOSED = 6;

/** Land and weather on the time axis: height coloured by body heat, trees, exposed stretches, distance, air, wind. */
export function Land({ timeline, startMs, x, y, cursorS, units }: Props) {
  const pts = timeline.stretches.map((s) => ({ t: (s.startS + s.endS) / 2, e: s.eleM }));
  const low = Math.min(...pts.map((p) => p.e));
  const high = Math.max(low + 60, ...pts.map((p) => p.e));
  const base = y + LAND_PLOT;
  const top = y + 40;
  const yOf = (e: number) => base - 12 - ((e - low) / (high - low)) * (base - 12 - top);
  const xs = [x(0), ...pts.map((p) => x(p.t)), x(timeline.endS)];
  const ys = [yOf(pts[0].e), ...pts.map((p) => yOf(p.e)), yOf(pts[pts.length - 1].e)];
  const yAt = (t: number) => {
    let i = 0;
    while (i < pts.length - 1 && pts[i + 1].t < t) i++;
    return yOf(pts[i].e);
  };
  const now = stretchAt(timeline, cursorS);
  const temp = (c: number) => minus(units === 'metric' ? c : cToFahrenheit(c), 0);
  const wind = (v: number) => fromWind(v, units).toFixed(0);
  const unitT = units === 'metric' ? '°C' : '°F';
  const unitV = units === 'metric' ? 'm/s' : 'mph';
  const perKm = units === 'metric' ? 1000 : milesToM(1);
  const columns = weatherColumns(timeline, x);
  // The cursor's own tag takes the place of a tick it would cover.
  const tag = Math.min(x(timeline.endS) - 21, x(cursorS));
  const ticks = clockTicks(timeline.endS, x).filter((t) => Math.abs(x(t) + (t === 0 ? 31 : 0) - tag) > 53);
  const rows: [string, string][] = [
    [`Distance, ${units === 'metric' ? 'km' : 'mi'}`, (distanceAt(timeline, cursorS) / perKm).toFixed(1)],
    [`Air, ${unitT}`, temp(now.airC)],
    [`Bare skin feels, ${unitT}`, temp(feelsLikeC(now))],
    [`Wind on you, ${unitV}`, wind(now.relativeWind)],
  ];
  return (
    <g>
      <rect x={x(0)} y={y} width={x(timeline.endS) - x(0)} height={LAND_PLOT} fill={C.sheet} stroke={C.ink} />
      <text x={0} y={y + 12} fontSize="11">
        Height, {units === 'metric' ? 'm' : 'ft'}
      </text>
      <text x={158} y={y + 12} fontSize="12" fontWeight="700" textAnchor="end">
        {height(now.eleM, units).replace(/ \w+$/, '')}
      </text>
      <text x={0} y={y + 26} fontSize="11">
        Body heat, W
      </text>
      <text x={158} y={y + 26} fontSize="12" fontWeight="700" textAnchor="end">
        {(now.metabolicW - now.externalW).toFixed(0)}
      </text>
      {timeline.legs.map((leg, i) => {
        const a = x(timeline.legStartS[i]);
        const b = x(timeline.legStartS[i + 1]);
        const s = timeline.stretches.filter((q) => q.leg === i);
        const heat = s[Math.floor(s.length / 2)];
        const trees = leg.shelter === 'forest' ? Math.floor((b - a) / 13) : 0;
        return (
          <g key={i}>
            <clipPath id={`land${i}`}>
              <rect x={a} y={y} width={Math.max(0, b - a)} height={LAND_PLOT + 2} />
            </clipPath>
            <path
              d={areaPath(
                xs,
                ys,
                xs.map(() => base),
              )}
              fill={effortColour(heat.metabolicW)}
              clipPath={`url(#land${i})`}
            />
            {Array.from({ length: trees }, (_, k) => {
              const px = a + 8 + k * 13;
              const py = yAt(x.invert(px));
              return (
                <path
                  key={k}
                  d={`M${px} ${py - 1}v-3m-3 0h6l-3-3.500zm.6-2.500h4.800l-2.400-3.500z`}
                  fill={C.ink2}
                  stroke={C.ink2}
                  strokeWidth="0.5"
                />
              );
            })}
            {b - a > 40 && (
              <>
                <text
                  className="place"
                  x={Math.min((a + b) / 2, x(timeline.endS) - leg.name.length * 3 - 4)}
                  y={nameY(timeline, i, yAt, y, b - a)}
                  fontSize="13"
                  textAnchor="middle"
                  style={{ paintOrder: 'stroke', stroke: C.sheet, strokeWidth: 3 }}
                >
                  {fit(leg.name, Math.max(80, b - a), 6.2)}
                </text>
                <text
                  x={(a + b) / 2}
                  y={base - 3}
                  fontSize="11"
                  fontWeight="700"
                  textAnchor="middle"
                  style={{
                    paintOrder: 'stroke',
                    stroke: effortColour(heat.metabolicW),
                    strokeWidth: 3,
                    fill: onEffort(heat.metabolicW),
                  }}
                >
                  {heat.metabolicW.toFixed(0)}
                  {b - a > 60 ? ' W' : ''}
                </text>
              </>
            )}
          </g>
        );
      })}
      <Exposed timeline={timeline} x={x} y={y} />
      <path d={linePath(xs, ys)} fill="none" stroke={C.ink} strokeWidth="1.800" />
      <DistanceBar timeline={timeline} x={x} y={base} perKm={perKm} />
      {rows.map(([label, value], i) => (
        <g key={label}>
          <text x={0} y={base + 16 + i * 13} fontSize="11">
            {label}
          </text>
          <text x={158} y={base + 16 + i * 13} fontSize="12" fontWeight="700" textAnchor="end">
            {value}
          </text>
        </g>
      ))}
      {columns.map(({ px, s }) => (
        <g key={px} fontSize="11" textAnchor="middle">
          <text x={px} y={base + 29}>
            {temp(s.airC)}
          </text>
          <text
            x={px}
            y={base + 42}
            fontWeight={feelsLikeC(s) < -20 ? 700 : 400}
            style={{ fill: feelsLikeC(s) < -20 ? C.cold : C.ink }}
          >
            {temp(feelsLikeC(s))}
          </text>
          <text x={px - 4} y={base + 55} fontWeight={s.relativeWind >= EXPOSED ? 700 : 400}>
            {wind(s.relativeWind)}
          </text>
          <Barb x={px + 4} y={base + 51} v={s.relativeWind} />
        </g>
      ))}
      <text x={0} y={base + 71} fontSize="11">
        Time out, clock
      </text>
      {ticks.map((t) => (
        <g key={t}>
          <text
            x={x(t) + (t === 0 ? 1 : 0)}
            y={base + 70}
            fontSize="11.500"
            fontWeight="700"
            textAnchor={t === 0 ? 'start' : 'middle'}
          >
            {clock(t)}
            <tspan fontWeight="400" style={{ fill: C.ink3 }}>
              {' '}
              {timeOfDay(startMs + t * 1000)}
            </tspan>
          </text>
        </g>
      ))}
    </g>
  );
}

/** Height of a place name: above the land, and one row up where a narrow neighbour would collide. */
function nameY(timeline: Timeline, i: number, yAt: (t: number) => number, y: number, width: number): number {
  const from = timeline.legStartS[i];
  const to = timeline.legStartS[i + 1];
  // The highest land anywhere under the word, so that a slope does not run through it.
  const half = Math.min(1.2, (timeline.legs[i].name.length * 3.4) / Math.max(1, width)) * (to - from);
  const under = [-1, -0.5, 0, 0.5, 1].map((k) => yAt(Math.max(0, (from + to) / 2 + k * half)));
  const above = Math.min(...under) - (timeline.legs[i].shelter === 'forest' ? 14 : 6);
  // Narrow neighbours take turns in two rows so that their names do not run into each other.
  const high = width < 130 && i % 2 === 1;
  return Math.max(y + (high ? 22 : 34), Math.min(y + 66, high ? above - 12 : above));
}

/** Brackets over stretches where the wind on the body is strong, joined where they touch. */
function Exposed({ timeline, x, y }: { timeline: Timeline; x: Scale; y: number }) {
  const runs = runsOf(timeline.stretches.length, (i) => timeline.stretches[i].relativeWind >= EXPOSED).filter(
    (r) => r.level,
  );
  return runs.map((r) => {
    const a = x(timeline.stretches[r.from].startS) + 2;
    const b = x(timeline.stretches[r.to - 1].endS) - 2;
    return (
      <g key={r.from}>
        <path d={`M${a} ${y + 9}v-4H${b}v4`} fill="none" stroke={C.cold} strokeWidth="1.5" />
        {b - a > 70 && (
          <text
            x={(a + b) / 2}
            y={y + 9}
            fontSize="11"
            fontWeight="600"
            textAnchor="middle"
            style={{ fill: C.cold, paintOrder: 'stroke', stroke: C.sheet, strokeWidth: 6 }}
          >
            exposed
          </text>
        )}
      </g>
    );
  });
}

/** Alternating bar, one piece a kilometre or mile: where the pieces are long you are slow. */
function DistanceBar({ timeline, x, y, perKm }: { timeline: Timeline; x: Scale; y: number; perKm: number }) {
  const total = distanceAt(timeline, timeline.endS);
  if (total < 1) return null;
  const n = Math.floor(total / perKm);
  const every = n > 60 ? 10 : n > 30 ? 5 : n > 14 ? 2 : 1;
  const at = (k: number) => x(k === 0 ? 0 : k > n ? timeline.endS : timeAtDistance(timeline, k * perKm));
  return (
    <g>
      <rect
        x={x(0)}
        y={y}
        width={x(timeline.endS) - x(0)}
        height={4.5}
        fill={C.sheet}
        stroke={C.ink}
        strokeWidth="0.8"
      />
      {Array.from({ length: Math.ceil((n + 1) / every) }, (_, i) => {
        const a = at(i * every);
        const b = Math.min(x(timeline.endS), at((i + 1) * every));
        return (
          <g key={i}>
            {i % 2 === 0 && <rect x={a} y={y} width={Math.max(0, b - a)} height={4.5} fill={C.ink} />}
            {i > 0 && a < x(timeline.endS) - 8 && (i === 1 || a - at((i - 1) * every) > 13) && (
              <text x={a} y={y + 16} fontSize="11" textAnchor="middle">
                {i * every}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Wind barb: one long feather each 5 m/s, a short one for 2.5. */
function Barb({ x, y, v }: { x: number; y: number; v: number }) {
  const full = Math.floor(v / 5);
  const half = v - full * 5 >= 2.5;
  let d = `M${x} ${y}h14`;
  for (let i = 0; i < Math.min(5, full); i++) d += `M${x + 14 - i * 2.8} ${y}l2-4.500`;
  if (half) d += `M${x + 14 - full * 2.8} ${y}l1.200-2.600`;
  return <path d={d} stroke={C.ink} strokeWidth="1" fill="none" />;
}

function weatherColumns(timeline: Timeline, x: Scale) {
  const out: { px: number; s: Timeline['stretches'][number] }[] = [];
  let last = -Infinity;
  for (const s of timeline.stretches) {
    const px = x((s.startS + s.endS) / 2);
    if (px - last < 34 || px < x(0) + 14 || px > x(timeline.endS) - 16) continue;
    out.push({ px, s });
    last = px;
  }
  return out;
}

function clockTicks(endS: number, x: Scale): number[] {
  const step = [900, 1800, 3600, 7200, 14400, 21600].find((s) => x(s) - x(0) > 104) ?? 43200;
  const out: number[] = [];
  for (let t = 0; t < endS - step * 0.35; t += step) out.push(t);
  return out;
}
