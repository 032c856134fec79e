import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import type { Garment } from '@/core/clothing/garment';
import { LIMIT } from '@/core/judge/limits';
import { coldTorso } from '@/core/judge/sensation';
import type { Scored } from '@/core/judge/scorePlan';
import { degrees, grams, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import { areaPath, linear, linePath, runsOf, type Scale } from '@/ui/draw/scale';

import { WaterStack } from './WaterStack';

export const TRACES_HEIGHT = 184;

interface Props {
  scored: Scored;
  garments: ReadonlyMap<string, Garment>;
  area: readonly number[];
  x: Scale;
  y: number;
  endS: number;
  row: number;
  units: Units;
}

/** What follows for the body: sweat made and carried off, water in the layers, and the skin that matters. */
export function Traces({ scored, garments, area, x, y, endS, row, units }: Props) {
  const s = scored.series;
  const m = scored.metrics;
  const xs = Float64Array.from({ length: s.rows }, (_, i) => x(s.timeS[i]));
  const bodyArea = area.reduce((a, b) => a + b, 0);
  const skin = (zone: 'fingers' | 'toes' | 'face') =>
    Float64Array.from({ length: s.rows }, (_, i) => s.skinC[i * ZONE_COUNT + zoneIndex(zone)]);
  const zones: {
    label: string;
    values: Float64Array;
    limit: (i: number) => number;
    says: string;
    low: number;
    high: number;
  }[] = [
    {
      label: 'Fingers',
      values: skin('fingers'),
      limit: () => LIMIT.fingerClumsy,
      says: 'clumsy',
      low: 0,
      high: 36,
    },
    {
      label: 'Torso skin',
      values: m.torsoSkin,
      limit: (i) => coldTorso(s.habitW[i] / bodyArea),
      says: 'chilled',
      low: 18,
      high: 36,
    },
    { label: 'Toes', values: skin('toes'), limit: () => LIMIT.toeClumsy, says: 'painful', low: 0, high: 36 },
    { label: 'Face', values: skin('face'), limit: () => LIMIT.facePain, says: 'stings', low: -4, high: 36 },
  ];
  return (
    <g>
      <rect x={x(0)} y={y} width={x(endS) - x(0)} height={TRACES_HEIGHT} fill={C.sheet} stroke={C.ink} />
      <Sweat s={s} xs={xs} y={y} row={row} units={units} />
      <WaterStack scored={scored} garments={garments} area={area} xs={xs} x={x} y={y + 41} row={row} units={units} />
      {zones.map((z, i) => (
        <SkinTrace key={z.label} {...z} xs={xs} x={x} y={y + 96 + i * 22} row={row} units={units} endS={endS} />
      ))}
    </g>
  );
}

function Sweat({
  s,
  xs,
  y,
  row,
  units,
}: {
  s: Scored['series'];
  xs: Float64Array;
  y: number;
  row: number;
  units: Units;
}) {
  const high = Math.max(100, ...s.sweatGh, ...s.evaporationGh);
  const f = linear(0, high, y + 40, y + 6);
  const made = Float64Array.from(s.sweatGh, f);
  const gone = Float64Array.from(s.evaporationGh, (v) => f(Math.max(0, v)));
  let peak = 0;
  for (let i = 0; i < s.rows; i++) if (s.sweatGh[i] > s.sweatGh[peak]) peak = i;
  const unit = units === 'metric' ? 'g/h' : 'oz/h';
  return (
    <g>
      <text x={0} y={y + 14} fontSize="11">
        Sweat made, {unit}
      </text>
      <text x={158} y={y + 14} fontSize="12" fontWeight="700" textAnchor="end">
        {grams(s.sweatGh[row], units).replace(/ \w+$/, '')}
      </text>
      <text x={0} y={y + 28} fontSize="11" style={{ fill: C.water }}>
        carried off
      </text>
      <text x={158} y={y + 28} fontSize="12" fontWeight="700" textAnchor="end" style={{ fill: C.water }}>
        {grams(Math.max(0, s.evaporationGh[row]), units).replace(/ \w+$/, '')}
      </text>
      <path d={areaPath(xs, made, gone)} fill="url(#water-1)" opacity="0.8" />
      <path d={linePath(xs, gone)} fill="none" stroke={C.water} strokeWidth="1.300" />
      <path d={linePath(xs, made)} fill="none" stroke={C.ink} strokeWidth="1.500" />
      {s.sweatGh[peak] > 30 && (
        <text
          x={Math.min(xs[peak], xs[s.rows - 1] - 40)}
          y={Math.max(y + 12, made[peak] - 4)}
          fontSize="11"
          fontWeight="700"
          textAnchor="middle"
          style={{ paintOrder: 'stroke', stroke: C.sheet, strokeWidth: 3 }}
        >
          {grams(s.sweatGh[peak], units)}/h
        </text>
      )}
    </g>
  );
}

interface SkinProps {
  label: string;
  values: Float64Array;
  limit: (i: number) => number;
  says: string;
  low: number;
  high: number;
  xs: Float64Array;
  x: Scale;
  y: number;
  row: number;
  units: Units;
  endS: number;
}

function SkinTrace({ label, values, limit, says, low, high, xs, x, y, row, units, endS }: SkinProps) {
  const n = values.length;
  const floor = Math.min(low, ...values);
  const f = linear(floor, high, y + 21, y + 2);
  const ys = Float64Array.from(values, f);
  const limits = Float64Array.from({ length: n }, (_, i) => f(limit(i)));
  const cold = runsOf(n, (i) => values[i] < limit(i)).filter((r) => r.level);
  let lowest = 0;
  for (let i = 0; i < n; i++) if (values[i] < values[lowest]) lowest = i;
  return (
    <g>
      <line x1={x(0)} x2={x(endS)} y1={y + 21.5} y2={y + 21.5} stroke={C.grid2} />
      <text x={0} y={y + 16} fontSize="11.500" fontWeight="600">
        {label}
      </text>
      <text x={124} y={y + 16} fontSize="11" textAnchor="end" style={{ fill: C.ink3, fontStretch: '80%' }}>
        {says} &lt; {degrees(limit(row), units)}
      </text>
      <text
        x={158}
        y={y + 16}
        fontSize="12.500"
        fontWeight="700"
        textAnchor="end"
        style={{ fill: values[row] < limit(row) ? C.cold : C.ink }}
      >
        {degrees(values[row], units)}
      </text>
      <path
        d={areaPath(
          xs,
          ys,
          xs.map(() => y + 21.5),
        )}
        fill="url(#warm)"
      />
      {cold.map((r) => (
        <rect
          key={r.from}
          x={xs[r.from]}
          y={y + 0.5}
          width={Math.max(2, xs[Math.min(n - 1, r.to)] - xs[r.from])}
          height={24}
          fill="url(#too-cold)"
        />
      ))}
      <path d={linePath(xs, limits)} fill="none" stroke={C.ink3} strokeWidth="0.8" strokeDasharray="2 3" />
      <path d={linePath(xs, ys)} fill="none" stroke={C.ink} strokeWidth="1.600" />
      <circle cx={xs[lowest]} cy={ys[lowest]} r="2.800" fill={C.sheet} stroke={C.ink} strokeWidth="1.400" />
      <text
        x={xs[lowest] + (xs[lowest] > x(endS) - 60 ? -6 : 6)}
        y={Math.min(y + 20, Math.max(y + 11, ys[lowest] + 4))}
        fontSize="11"
        fontWeight="700"
        textAnchor={xs[lowest] > x(endS) - 60 ? 'end' : 'start'}
        style={{
          fill: values[lowest] < limit(lowest) ? C.cold : C.ink,
          paintOrder: 'stroke',
          stroke: C.sheet,
          strokeWidth: 3,
        }}
      >
        {degrees(values[lowest], units)}
      </text>
    </g>
  );
}
