import type { Afterwards } from '@/core/afterwards/afterwards';
import { baseOf } from '@/core/afterwards/day';
import { weighedLossG } from '@/core/calibrate/bodyLoss';
import type { Garment } from '@/core/clothing/garment';
import type { OutThere } from '@/core/underway/outThere';
import { clock } from '@/formats/dates';
import { degrees, grams, minus, type Units } from '@/formats/measures';
import { turnOf } from '@/formats/turns';

/** Three figures: what the scale says beside what was said. */
export function Figures({
  after,
  out,
  garments,
  units,
}: {
  after: Afterwards;
  out: OutThere;
  garments: ReadonlyMap<string, Garment>;
  units: Units;
}) {
  const { lesson } = after;
  const base = baseOf(out.plan, [...garments.values()]);
  const piece = base && after.spread.pieces.find((p) => p.garment === base.id);
  const kg = turnOf('kg', units);
  const body = lesson?.body;
  const rows = after.spread.rows;
  const coldest = rows.reduce((a, b) => (b.after.fingersC < a.after.fingersC ? b : a));
  const list: { figure: string; unit: string; says: string }[] = [
    ...(body && out.body
      ? [
          {
            figure: minus(kg.show(weighedLossG(out.body) / 1000), 2),
            unit: `${kg.unit} lost`,
            says: `said ${minus(kg.show(body.said / 1000), 2)}`,
          },
        ]
      : []),
    ...(piece && out.weighed[piece.garment] !== undefined
      ? [
          {
            figure: `+${grams(Math.max(0, out.weighed[piece.garment] - garments.get(piece.garment)!.massG), units)}`,
            unit: 'on the skin',
            says: `said ${grams(piece.said, units)}, ${grams(piece.low, units)} to ${grams(piece.high, units)}`,
          },
        ]
      : []),
    {
      figure: degrees(coldest.after.fingersC, units),
      unit: 'coldest fingers',
      says: `at ${clock(coldest.atS)}, said ${degrees(coldest.said.fingersC, units)}`,
    },
  ];
  return (
    <dl className="flex flex-wrap gap-x-5">
      {list.map((f) => (
        <div key={f.unit} className="border-l border-grid-2 pl-3">
          <dt className="text-[12px] text-ink-2">{f.unit}</dt>
          <dd className="text-[22px] leading-tight font-bold">{f.figure}</dd>
          <dd className="text-[12px] text-ink-2">{f.says}</dd>
        </div>
      ))}
    </dl>
  );
}
