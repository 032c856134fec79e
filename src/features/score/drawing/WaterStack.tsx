import type { Garment } from '@/core/clothing/garment';
import type { Scored } from '@/core/judge/scorePlan';
import { grams, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import { areaPath, linear, linePath, type Scale } from '@/ui/draw/scale';
import { garmentWater } from '@/core/judge/garmentWater';

/** Water in what is worn, stacked base, mid, outer; frost shown on top of the stack. */
export function WaterStack({
  scored,
  garments,
  area,
  xs,
  x,
  y,
  row,
  units,
}: {
  scored: Scored;
  garments: ReadonlyMap<string, Garment>;
  area: readonly number[];
  xs: Float64Array;
  x: Scale;
  y: number;
  row: number;
  units: Units;
}) {
  const s = scored.series;
  const bands: { label: string; test: (g: Garment) => boolean; fill: string }[] = [
    { label: 'base', test: (g) => g.order < 25, fill: 'url(#water-4)' },
    { label: 'mid', test: (g) => g.order >= 25 && g.order < 50, fill: 'url(#water-3)' },
    { label: 'outer', test: (g) => g.order >= 50, fill: 'url(#water-1)' },
  ];
  const list = scored.garmentIds.map((id) => garments.get(id)!);
  const sums = bands.map((b) =>
    Float64Array.from({ length: s.rows }, (_, i) => {
      let t = 0;
      list.forEach((g, k) => {
        if (s.worn[i * s.garments + k] && b.test(g)) t += garmentWater(scored, area, g, i).waterG;
      });
      return t;
    }),
  );
  const totals = Float64Array.from({ length: s.rows }, (_, i) => sums.reduce((a, b) => a + b[i], 0));
  const high = Math.max(80, ...totals);
  const f = linear(0, high, y + 54, y + 8);
  let below = new Float64Array(s.rows);
  let peak = 0;
  for (let i = 0; i < s.rows; i++) if (totals[i] > totals[peak]) peak = i;
  return (
    <g>
      <line x1={x(0)} x2={xs[s.rows - 1]} y1={y} y2={y} stroke={C.grid2} />
      <line x1={x(0)} x2={xs[s.rows - 1]} y1={y + 54.5} y2={y + 54.5} stroke={C.grid2} />
      <text x={0} y={y + 13} fontSize="11" fontWeight="700">
        Water in layers
      </text>
      <text x={158} y={y + 13} fontSize="12" fontWeight="700" textAnchor="end">
        {grams(totals[row], units)}
      </text>
      {bands.map((b, i) => (
        <g key={b.label}>
          <rect
            x={(i % 2) * 82}
            y={y + 19 + Math.floor(i / 2) * 15}
            width={18}
            height={9}
            fill={b.fill}
            stroke={C.water}
            strokeWidth="0.8"
          />
          <text x={(i % 2) * 82 + 22} y={y + 27.5 + Math.floor(i / 2) * 15} fontSize="11">
            {b.label}
          </text>
          <text
            x={(i % 2) * 82 + 76}
            y={y + 27.5 + Math.floor(i / 2) * 15}
            fontSize="11"
            fontWeight="700"
            textAnchor="end"
          >
            {grams(sums[i][row], units).replace(/ \w+$/, '')}
          </text>
        </g>
      ))}
      <rect x={82} y={y + 34} width={18} height={9} fill="url(#frost)" stroke={C.frost} strokeWidth="0.8" />
      <text x={104} y={y + 42.5} fontSize="11">
        frost
      </text>
      <text x={158} y={y + 42.5} fontSize="11" fontWeight="700" textAnchor="end">
        {grams(scored.metrics.frostG[row], units).replace(/ \w+$/, '')}
      </text>
      {bands.map((b, i) => {
        const bottom = Float64Array.from(below, f);
        below = below.map((v, k) => v + sums[i][k]);
        const top = Float64Array.from(below, f);
        return <path key={b.label} d={areaPath(xs, top, bottom)} fill={b.fill} stroke={C.water} strokeWidth="0.7" />;
      })}
      <path
        d={areaPath(
          xs,
          Float64Array.from(totals, f),
          Float64Array.from({ length: s.rows }, (_, i) => f(Math.max(0, totals[i] - scored.metrics.frostG[i]))),
        )}
        fill="url(#frost)"
      />
      <path d={linePath(xs, Float64Array.from(totals, f))} fill="none" stroke={C.ink} strokeWidth="1.300" />
      {totals[peak] > 15 && (
        <text
          x={Math.min(xs[peak] - 4, xs[s.rows - 1] - 10)}
          y={Math.max(y + 11, f(totals[peak]) - 3)}
          fontSize="11"
          fontWeight="700"
          textAnchor="end"
          style={{ paintOrder: 'stroke', stroke: C.sheet, strokeWidth: 3 }}
        >
          {grams(totals[peak], units)}
        </text>
      )}
    </g>
  );
}
