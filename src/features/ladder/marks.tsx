import type { Tried } from '@/core/afterwards/tried';
import type { Cell } from '@/core/search/ladderTerms';
import type { Garment } from '@/core/clothing/garment';
import { C } from '@/ui/draw/palette';
import { outingsWords } from '@/formats/sentences';

const MOST_DOTS = 4;

/** How many tried it, and of how many it was right. */
export const triedWords = (list: readonly Tried[]): string =>
  list.length === 0
    ? 'no outing has tried it yet'
    : `${outingsWords(list.length)} tried it, ${list.filter((t) => t.was === 'right').length} right`;

/** One dot, one outing that tried it: full where it was right, hollow where it was not. */
export function TriedDots({ list }: { list: readonly Tried[] }) {
  if (list.length === 0) return <span className="ml-auto self-start text-[11px] text-ink-3">untried</span>;
  const dots = [...list].sort((a, b) => Number(b.was === 'right') - Number(a.was === 'right')).slice(0, MOST_DOTS);
  const says = triedWords(list);
  return (
    <span className="ml-auto flex items-center gap-[3px] self-start pt-0.5" title={says}>
      <span className="sr-only">{says}</span>
      {dots.map((t) => (
        <span
          key={t.id}
          aria-hidden="true"
          className={`size-[8px] rounded-full border border-ink ${t.was === 'right' ? 'bg-ink' : 'bg-sheet'}`}
        />
      ))}
      {list.length > MOST_DOTS && <span className="text-[11px]">+{list.length - MOST_DOTS}</span>}
    </span>
  );
}

/** The number of a rung; in the wet on water's ruling. */
export function RungMark({ n, wet = false }: { n: number; wet?: boolean }) {
  return (
    <svg width="30" height="28" className="shrink-0" role="img" aria-label={`rung ${n}`}>
      <rect
        x="0.75"
        y="0.75"
        width="28.500"
        height="26.500"
        fill={wet ? C.sheet : C.ink}
        stroke={C.ink}
        strokeWidth="1.500"
      />
      {wet && <rect x="1.5" y="1.5" width="27" height="25" fill="url(#water-1)" />}
      <text x="15" y="20" fontSize="17" fontWeight="700" textAnchor="middle" style={{ fill: wet ? C.ink : C.sheet }}>
        {n}
      </text>
    </svg>
  );
}

/** The torso's layers as small bars, from the skin out, as thick as they are. */
export function Cloth({ cell, garments }: { cell: Pick<Cell, 'plan'>; garments: ReadonlyMap<string, Garment> }) {
  const layers = cell.plan.worn
    .flatMap((id) => garments.get(id) ?? [])
    .filter((g) => g.group === 'torso')
    .sort((a, b) => a.order - b.order);
  const widths = layers.map((g) => Math.max(4, Math.min(22, 4 + 2 * g.thicknessMm)));
  const starts = widths.reduce<number[]>((acc, w) => [...acc, acc[acc.length - 1] + w + 1.5], [0.5]);
  return (
    <svg width={starts[starts.length - 1] + 1} height="26" role="img" aria-label={layers.map((g) => g.name).join(', ')}>
      {layers.map((g, i) => (
        <g key={g.id}>
          <title>{g.name}</title>
          <rect
            x={starts[i]}
            y={0.5}
            width={widths[i]}
            height={25}
            fill={g.airPermeability < 15 && g.thicknessMm < 1 ? C.ink : C.sheet}
            stroke={C.ink}
          />
          <rect
            x={starts[i]}
            y={0.5}
            width={widths[i]}
            height={25}
            fill={
              g.openMesh > 0.2 ? 'url(#mesh)' : g.filled ? 'url(#loft)' : g.thicknessMm >= 1 ? 'url(#weave)' : 'none'
            }
          />
        </g>
      ))}
    </svg>
  );
}

/** Height of a band of air in the table, px. */
export const ROW = 78;
/** Headings beside the table. */
export const SIDE_HEAD = 'mt-3 border-t-2 border-ink-3 pt-1 font-semibold';
