'use client';
import type { Timeline } from '@/core/outing/timeline';
import { clock } from '@/formats/dates';
import { degrees, height, windSpeed, type Units } from '@/formats/measures';
import { areaPath, linear, linePath } from '@/ui/draw/scale';
import { C, effortColour, onEffort } from '@/ui/draw/palette';

/** The land along the clock, coloured by body heat, with the air under it. */
export function LandProfile({ timeline, width, units }: { timeline: Timeline; width: number; units: Units }) {
  const left = 60;
  const x = linear(0, timeline.endS, left, width - 8);
  const pts = timeline.stretches.map((s) => ({ t: (s.startS + s.endS) / 2, e: s.eleM }));
  const low = Math.min(...pts.map((p) => p.e));
  const high = Math.max(low + 80, ...pts.map((p) => p.e));
  const y = linear(low, high, 128, 34);
  const xs = [x(0), ...pts.map((p) => x(p.t)), x(timeline.endS)];
  const ys = [y(pts[0].e), ...pts.map((p) => y(p.e)), y(pts[pts.length - 1].e)];
  const hours = Math.floor(timeline.endS / 1800);
  const step = hours > 16 ? 4 : hours > 8 ? 2 : 1;
  return (
    <svg width={width} height={206} role="img" aria-label="Height, effort and air along the outing">
      <rect x={left} y={14} width={width - left - 8} height={128} fill={C.sheet} stroke={C.grid2} />
      {timeline.legs.map((leg, i) => {
        const a = x(timeline.legStartS[i]);
        const b = x(timeline.legStartS[i + 1]);
        const s = timeline.stretches.find((q) => q.leg === i)!;
        return (
          <g key={i}>
            <clipPath id={`leg${i}`}>
              <rect x={a} y={0} width={b - a} height={150} />
            </clipPath>
            <path
              d={areaPath(
                xs,
                ys,
                xs.map(() => 142),
              )}
              fill={effortColour(s.metabolicW)}
              clipPath={`url(#leg${i})`}
            />
            <line x1={a} x2={a} y1={14} y2={142} stroke={C.ink} strokeWidth="0.7" strokeDasharray="1 3" />
            {b - a > 46 && (
              <>
                <text className="place" x={a + 5} y={28} fontSize="13">
                  {leg.name.length * 6.5 > b - a
                    ? `${leg.name.slice(0, Math.max(3, Math.floor((b - a) / 6.5) - 1))}…`
                    : leg.name}
                </text>
                <text
                  x={(a + b) / 2}
                  y={138}
                  fontSize="11"
                  textAnchor="middle"
                  fontWeight="600"
                  style={{ fill: onEffort(s.metabolicW) }}
                >
                  {s.metabolicW.toFixed(0)} W
                </text>
              </>
            )}
          </g>
        );
      })}
      <path d={linePath(xs, ys)} fill="none" stroke={C.ink} strokeWidth="1.6" />
      <text x={left - 6} y={y(high) + 4} fontSize="11" textAnchor="end">
        {height(high, units)}
      </text>
      <text x={left - 6} y={y(low) + 4} fontSize="11" textAnchor="end">
        {height(low, units)}
      </text>
      {['Time out, h', `Air, ${units === 'metric' ? '°C' : '°F'}`, `Wind, ${units === 'metric' ? 'm/s' : 'mph'}`].map(
        (t, i) => (
          <text key={t} x={0} y={158 + i * 16} fontSize="11" style={{ fill: C.ink3 }}>
            {t}
          </text>
        ),
      )}
      {Array.from({ length: Math.floor(hours / step) + 1 }, (_, i) => {
        const t = i * step * 1800;
        const s = timeline.stretches.find((q) => t < q.endS) ?? timeline.stretches[timeline.stretches.length - 1];
        return (
          <g key={t} fontSize="11" textAnchor={i === 0 ? 'start' : x(t) > width - 30 ? 'end' : 'middle'}>
            <line x1={x(t)} x2={x(t)} y1={142} y2={147} stroke={C.ink} />
            <text x={x(t) + (i === 0 ? 2 : 0)} y={158} fontWeight="600">
              {clock(t)}
            </text>
            <text x={x(t) + (i === 0 ? 2 : 0)} y={174}>
              {degrees(s.airC, units)}
            </text>
            <text x={x(t) + (i === 0 ? 2 : 0)} y={190}>
              {windSpeed(s.relativeWind, units).replace(/ .*/, '')}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
