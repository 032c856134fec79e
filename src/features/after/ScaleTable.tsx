'use client';
import { scaleLinear } from 'd3-scale';
import type { SpreadPiece } from '@/core/afterwards/spread';
import type { Garment } from '@/core/clothing/garment';
import type { OutThere } from '@/core/underway/outThere';
import { grams, minus, OUNCE_G, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import { NumberCell } from '@/ui/NumberCell';
import type { ToldHere } from './useTold';

const W = 150;
const H = 22;
/** More pieces than these nobody weighs. */
const MOST = 7;

/** On the kitchen scale: what each piece weighed, and how that lies to what was said. */
export function ScaleTable({
  pieces,
  garments,
  out,
  told,
  units,
}: {
  pieces: readonly SpreadPiece[];
  garments: ReadonlyMap<string, Garment>;
  out: OutThere;
  told: ToldHere;
  units: Units;
}) {
  const rows = pieces.filter((p, i) => i < MOST || out.weighed[p.garment] !== undefined);
  const waterOf = (p: SpreadPiece): number | null => {
    const g = garments.get(p.garment);
    const after = out.weighed[p.garment];
    return g && after !== undefined ? after - g.massG : null;
  };
  const most = Math.max(10, ...rows.map((p) => Math.max(p.high, waterOf(p) ?? 0)));
  const x = scaleLinear([0, most * 1.1], [2, W - 2]);
  const unit = units === 'imperial' ? OUNCE_G : 1;
  const sign = units === 'imperial' ? 'oz' : 'g';
  const digits = units === 'imperial' ? 1 : 0;
  return (
    <section aria-labelledby="scale" className="min-w-0 overflow-x-auto">
      <h2 id="scale" className="flex items-baseline justify-between font-semibold">
        On the kitchen scale
        <span className="text-[12px] font-normal text-ink-3">solid dot: outside the 8 in 10</span>
      </h2>
      <table className="mt-1 w-full border-collapse border-t border-ink">
        <thead className="text-[12px] text-ink-3">
          <tr>
            <th scope="col" className="text-left font-medium">
              {sign}
            </th>
            <th scope="col" className="text-right font-medium">
              dry
            </th>
            <th scope="col" className="pr-2 text-right font-medium">
              after
            </th>
            <th scope="col" className="text-left font-medium">
              water, 0 to {grams(most * 1.1, units)}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((p) => {
            const g = garments.get(p.garment);
            if (!g) return null;
            const water = waterOf(p);
            const out8 = water !== null && (water < p.low - 1 || water > p.high + 1);
            return (
              <tr key={p.garment} className="border-t border-grid-2">
                <th scope="row" className="max-w-[130px] truncate py-0.5 text-left font-semibold" title={g.name}>
                  {g.name}
                </th>
                <td className="pr-2 text-right">{(g.massG / unit).toFixed(digits)}</td>
                <td className="pr-2 text-right">
                  <NumberCell
                    rule={{
                      label: `${g.name}, after`,
                      low: Number(((g.massG * 0.7) / unit).toFixed(digits)),
                      high: Number(((g.massG * 6) / unit).toFixed(digits)),
                      unit: sign,
                      optional: true,
                    }}
                    width="w-[4.2em]"
                    value={
                      out.weighed[p.garment] === undefined
                        ? null
                        : Number((out.weighed[p.garment] / unit).toFixed(digits))
                    }
                    onTake={(v) =>
                      v === null
                        ? void told.untell((t) => t.kind === 'weighed' && t.garment === p.garment)
                        : void told.tell({ told: { kind: 'weighed', garment: p.garment, grams: v * unit } })
                    }
                  />
                </td>
                <td>
                  <svg
                    width={W + 40}
                    height={H}
                    role="img"
                    aria-label={`said ${grams(p.said, units)}, 8 in 10 from ${grams(p.low, units)} to ${grams(p.high, units)}${water === null ? '' : `; weighed ${grams(water, units)}`}`}
                  >
                    <line x1={x(0)} x2={x(0)} y1={0} y2={H} stroke={C.ink} />
                    <rect
                      x={x(p.low)}
                      y={5}
                      width={Math.max(2, x(p.high) - x(p.low))}
                      height={12}
                      fill="url(#water-3)"
                      stroke={C.water}
                    />
                    <line x1={x(p.said)} x2={x(p.said)} y1={5} y2={17} stroke={C.water} strokeWidth={2} />
                    {water !== null && (
                      <>
                        <circle
                          cx={x(water)}
                          cy={11}
                          r={4.6}
                          fill={out8 ? C.ink : C.sheet}
                          stroke={C.ink}
                          strokeWidth={2}
                        />
                        <text x={x(water) + 8} y={15} fontSize={12}>
                          {water > 0 ? '+' : ''}
                          {minus(water / unit, digits)}
                        </text>
                      </>
                    )}
                  </svg>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
