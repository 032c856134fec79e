'use client';
import { garmentWords, type GarmentLearned, type GarmentsLearned } from '@/core/calibrate/garments';
import { grams, minus, type Units } from '@/formats/measures';
import { turnOf } from '@/formats/turns';
import type { OwnedGarment } from '@/store/closet';
import { DataTable, type Column } from '@/ui/DataTable';
import { ClothSwatch } from '@/ui/draw/ClothSwatch';
import { outingsWords } from '@/formats/sentences';
import { breathes, driesHours, holds, ROLE_WORDS, togs, windThrough } from './garmentFigures';

/** The pieces of a zone from the skin out; any head sorts. */
export function GarmentTable({
  owned,
  taught,
  edited,
  chosen,
  onChoose,
  units,
}: {
  owned: OwnedGarment[];
  /** what outings taught of pieces */
  taught: GarmentsLearned;
  /** pieces with something typed that is not saved */
  edited: ReadonlySet<string>;
  chosen: string | null;
  onChoose: (id: string) => void;
  units: Units;
}) {
  const most = Math.max(4, ...owned.map((o) => togs(o.garment)));
  const columns: Column<OwnedGarment>[] = [
    { id: 'cloth', head: 'Section, skin below', cell: ({ garment: g }) => <ClothSwatch {...g} /> },
    {
      id: 'name',
      head: 'Piece',
      by: (o) => o.garment.name,
      width: 'min-w-[10.0em]',
      cell: ({ garment: g }) => (
        <>
          <span className="block text-[11px] leading-tight text-ink-3">{ROLE_WORDS[g.role]}</span>
          <button
            className={`block max-w-[16.9em] cursor-pointer truncate text-left ${g.id === chosen ? 'font-semibold' : 'font-medium'}`}
            title={g.name}
            onClick={() => onChoose(g.id)}
          >
            {g.name}
          </button>
          <Taught known={taught[g.id]} />
          {edited.has(g.id) && <span className="block text-[11px] font-semibold text-act">not saved</span>}
        </>
      ),
    },
    {
      id: 'warmth',
      head: 'Warmth',
      unit: 'tog',
      says: 'Insulation of the cloth itself: 1 tog is 0.1 m²K/W, a thin blanket.',
      by: (o) => togs(o.garment),
      cell: ({ garment: g }) => (
        <span className="flex items-center gap-1.5">
          <span className="w-8 text-right">{togs(g).toFixed(2)}</span>
          <span
            className="h-[7px] border border-ink/40 bg-heat-2"
            style={{ width: Math.max(2, (46 * togs(g)) / most) }}
          />
        </span>
      ),
    },
    {
      id: 'breathes',
      head: 'Breathes',
      unit: 'g/m²h',
      says: 'Vapour it lets through at a difference of 2 kPa, as between skin and cold air.',
      by: (o) => breathes(o.garment),
      align: 'right',
      cell: ({ garment: g }) => breathes(g).toFixed(0),
    },
    {
      id: 'wind',
      head: 'Wind gets',
      unit: 'through',
      says: 'Share of the wind that passes the cloth, against open mesh.',
      by: (o) => windThrough(o.garment),
      align: 'right',
      cell: ({ garment: g }) => `${(100 * windThrough(g)).toFixed(windThrough(g) < 0.01 ? 1 : 0)} %`,
    },
    {
      id: 'holds',
      head: 'Holds',
      unit: 'water',
      says: 'Water in it when it is wrung wet.',
      by: (o) => holds(o.garment),
      align: 'right',
      cell: ({ garment: g }) => grams(holds(g), units),
    },
    {
      id: 'dries',
      head: 'Dries',
      unit: 'in, h',
      says: 'On a line indoors, from wrung wet.',
      by: (o) => driesHours(o.garment),
      align: 'right',
      cell: ({ garment: g }) => (driesHours(g) < 100 ? driesHours(g).toFixed(1) : '–'),
    },
    {
      id: 'mass',
      head: 'Mass',
      by: (o) => o.garment.massG,
      align: 'right',
      cell: ({ garment: g }) => grams(g.massG, units),
    },
    {
      id: 'now',
      head: 'Now',
      by: (o) => o.dampGm2,
      cell: ({ dampGm2 }) => (
        <span className={`whitespace-nowrap ${dampGm2 > 0 ? 'font-semibold text-water' : 'text-ink-3'}`}>
          {dampGm2 > 0
            ? `damp, ${minus(turnOf('g/m²', units).show(dampGm2), units === 'metric' ? 0 : 1)} ${turnOf('g/m²', units).unit}`
            : 'dry'}
        </span>
      ),
    },
  ];
  if (owned.length === 0) return <p className="text-ink-2">Nothing for this zone yet.</p>;
  return (
    <DataTable
      label="Pieces"
      rows={owned}
      columns={columns}
      id={(o) => o.garment.id}
      chosen={chosen}
      onChoose={onChoose}
    />
  );
}

/** What a piece does not deliver, where outings say so clearly. */
function Taught({ known }: { known: GarmentLearned | undefined }) {
  const words = known && garmentWords(known);
  if (!words) return null;
  return (
    <span className="block max-w-[20em] text-[11px] leading-tight text-act">
      {words}, by {outingsWords(known.outings)}: plans count with it
    </span>
  );
}
