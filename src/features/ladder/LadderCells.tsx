'use client';
import { triedIn, type Tried } from '@/core/afterwards/tried';
import { wetIn, type Ladder } from '@/core/search/ladderTerms';
import type { Garment } from '@/core/clothing/garment';
import { degrees, type Units } from '@/formats/measures';
import { cellAt, changeWords, spareWords, stormWords, works, type Looked } from './cellWords';
import { Cloth, RungMark, TriedDots, ROW } from './marks';

interface CellProps {
  /** logged days, of all sports */
  tried: readonly Tried[];
  ladder: Ladder;
  garments: ReadonlyMap<string, Garment>;
  at: Looked;
  here: Looked;
  onLook: (l: Looked) => void;
  onTry: (l: Looked) => void;
}

const same = (a: Looked, b: Looked): boolean => a.wind === b.wind && a.wet === b.wet && a.band === b.band;

function Frame({
  wide = false,
  at,
  here,
  onLook,
  onTry,
  ruled,
  children,
  label,
}: Pick<CellProps, 'at' | 'here' | 'onLook' | 'onTry'> & {
  wide?: boolean;
  ruled?: boolean;
  children: React.ReactNode;
  label: string;
}) {
  const chosen = same(at, here);
  return (
    <td
      colSpan={wide ? 2 : 1}
      className={`relative p-0 align-top ${wide || here.wet === 'wet' ? 'border-r border-ink' : 'border-r border-grid-2'}`}
    >
      {ruled && (
        <svg className="absolute inset-0 h-full w-full" aria-hidden="true">
          <rect width="100%" height="100%" fill="url(#too-cold)" />
        </svg>
      )}
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={label}
        tabIndex={chosen ? 0 : -1}
        ref={(el) => {
          if (el && chosen && el.closest('table')?.contains(document.activeElement)) el.focus();
        }}
        onClick={() => onLook(here)}
        onDoubleClick={() => onTry(here)}
        className={`relative block h-full w-full cursor-pointer px-1.5 py-1 text-left align-top hover:bg-worn/60 ${chosen ? 'outline-[3px] -outline-offset-2 outline-act' : ''}`}
        style={{ minHeight: ROW - 4 }}
      >
        {children}
      </button>
    </td>
  );
}

export function DryCell({ ladder, garments, units, ...p }: CellProps & { units: Units }) {
  const cell = cellAt(ladder, p.here);
  if (!cell) return <td className="p-1 text-[12px] text-ink-3">…</td>;
  const above = cellAt(ladder, { ...p.here, band: p.here.band - 1 });
  const change = changeWords(above?.plan, cell.plan, garments);
  const spare = spareWords(cell, units);
  // Where it falls dry there is no wet cell: the dry one has its room.
  const wide = wetIn(ladder.bands[p.here.band]) === null;
  const reach = ladder.reach.find((r) => r.rung === cell.rung && r.wind === cell.wind && r.effort === cell.effort);
  if (!works(cell))
    return (
      <Frame {...p} wide={wide} ruled label={`nothing you own works: ${cell.fails[0].zone}`}>
        <span className="block bg-sheet px-1 py-0.5 text-[12px] leading-tight">
          <b>Nothing you own: {cell.fails[0].zone}</b>
          <span className="block">
            rung {cell.rung} holds to {reach?.coldC != null ? degrees(reach.coldC, units) : 'nowhere'}
            {cell.would ? `; ${cell.would.name.toLowerCase()} would do` : ': shorter, in the trees, or not today'}
          </span>
        </span>
      </Frame>
    );
  return (
    <Frame {...p} wide={wide} label={`rung ${cell.rung}: ${change.text}`}>
      <span className="flex flex-wrap items-center gap-x-1.5">
        <RungMark n={cell.rung} />
        <Cloth cell={cell} garments={garments} />
        <TriedDots list={triedIn(p.tried, { ...p.here, sport: ladder.sport, band: ladder.bands[p.here.band] })} />
      </span>
      <span
        className={`mt-0.5 line-clamp-2 text-[12px] leading-[1.2] ${change.same ? 'text-ink-2' : 'font-semibold'}`}
        title={change.text}
      >
        {change.text}
      </span>
      {cell.hot && <b className="block text-[11px] text-act">too warm even so</b>}
      {spare && <b className="block text-[11px] leading-tight text-cold">{spare}</b>}
    </Frame>
  );
}

export function WetCell({ ladder, garments, ...p }: CellProps) {
  const cell = cellAt(ladder, p.here);
  if (wetIn(ladder.bands[p.here.band]) === null) return null;
  const tried = triedIn(p.tried, { ...p.here, sport: ladder.sport, band: ladder.bands[p.here.band] });
  if (!cell) return <td className="border-r border-ink p-1 text-[12px] text-ink-3">…</td>;
  return (
    <Frame {...p} ruled={!works(cell)} label={`wet: rung ${cell.rung}, ${stormWords(cell, garments)}`}>
      <RungMark n={cell.rung} wet />
      <span className="mt-0.5 block text-[11.5px] leading-[1.2]">
        {works(cell) ? stormWords(cell, garments) : `fails: ${cell.fails[0].zone}`}
      </span>
      {tried.length > 0 && <TriedDots list={tried} />}
      {cell.hot && <b className="block text-[11px] leading-tight text-act">too warm</b>}
    </Frame>
  );
}
