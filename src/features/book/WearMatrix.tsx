'use client';
import { wearOf, type Wear } from '@/core/afterwards/season';
import type { Garment } from '@/core/clothing/garment';
import { C } from '@/ui/draw/palette';
import { useWidth } from '@/ui/draw/useWidth';
import type { Told } from './filters';
import { GUTTER, NOTES } from './lanes';
import { places, PointedLine } from './SeasonChart';

export interface Piece {
  garment: Garment;
  /** on a line, from what a day usually brings home, min */
  dryMin: number;
}

const ROW = 20;
const CELL = 10;
/** Columns beside the lanes: days, hours to dry, money a day; px. */
const COLUMNS = [26, 66, 102] as const;

/** What came along, day by day: worn, worn and home wet, or only carried; how often, how long it dries, what a day of it costs. */
export function WearMatrix({
  days,
  shown,
  chosen,
  pointed,
  pieces,
  picked,
  onPick,
  most,
}: {
  days: readonly Told[];
  shown: ReadonlySet<string>;
  chosen: string | null;
  pointed: string | null;
  pieces: readonly Piece[];
  /** garments by which days are filtered */
  picked: ReadonlySet<string>;
  onPick: (garment: string) => void;
  /** rows; null: all */
  most: number | null;
}) {
  const [ref, width] = useWidth(640);
  const xs = places(days, width);
  const rows = rowsOf(days, pieces).slice(0, most ?? undefined);
  const at = days.findIndex((d) => d.id === chosen);
  const high = rows.length * ROW;
  return (
    <div className="grid" style={{ gridTemplateColumns: `${GUTTER}px minmax(0, 1fr) ${NOTES}px` }}>
      <b className="self-end text-[13px] whitespace-nowrap">What came along</b>
      <span />
      <span className="relative h-[15px] text-[11px] text-ink-3">
        {['days', 'dries, h', 'a day'].map((t, i) => (
          <span key={t} className="absolute" style={{ right: NOTES - COLUMNS[i] }}>
            {t}
          </span>
        ))}
      </span>
      <ul className="sticky left-0 z-10 bg-paper print:bg-transparent" style={{ height: high }}>
        {rows.map(({ piece: { garment } }) => (
          <li key={garment.id} style={{ height: ROW }}>
            <button
              type="button"
              aria-pressed={picked.has(garment.id)}
              title={`${garment.name}: show its days`}
              onClick={() => onPick(garment.id)}
              className={`narrow block w-full cursor-pointer truncate text-left text-[12px] leading-[20px] hover:underline ${picked.has(garment.id) ? 'bg-ink px-1 font-semibold text-sheet' : ''}`}
            >
              {garment.name}
            </button>
          </li>
        ))}
      </ul>
      <div ref={ref} className="min-w-0">
        <svg
          width={width}
          height={high}
          className="block"
          role="img"
          aria-label="Days on which each piece came along; the numbers stand beside"
        >
          {at >= 0 && <rect x={xs[at] - 10} y={0} width={20} height={high} fill="var(--color-act)" opacity={0.09} />}
          <PointedLine x={xs[days.findIndex((d) => d.id === pointed)]} y1={0} y2={high} />
          {rows.map(({ wear, piece }, r) => (
            <g key={piece.garment.id} transform={`translate(0 ${r * ROW})`}>
              <line x1={0} x2={width} y1={ROW - 0.5} y2={ROW - 0.5} stroke={C.grid} />
              {days.map((d, i) => (
                <Cell key={d.id} wear={wear} id={d.id} x={xs[i]} opacity={shown.has(d.id) ? 1 : 0.18} />
              ))}
            </g>
          ))}
        </svg>
      </div>
      <div style={{ height: high }}>
        {rows.map(({ wear, piece: { garment, dryMin } }) => (
          <p key={garment.id} className="relative text-[12px]" style={{ height: ROW }}>
            {[
              String(wear.worn.size),
              Number.isFinite(dryMin) ? Math.max(0.1, dryMin / 60).toFixed(1) : 'days',
              wear.worn.size > 0 && garment.price > 0 ? (garment.price / wear.worn.size).toFixed(1) : '–',
            ].map((t, i) => (
              <span
                key={i}
                className={`absolute leading-[20px] ${i === 0 ? 'font-semibold' : ''}`}
                style={{ right: NOTES - COLUMNS[i] }}
              >
                {t}
              </span>
            ))}
          </p>
        ))}
      </div>
    </div>
  );
}

function Cell({ wear, id, x, opacity }: { wear: Wear; id: string; x: number; opacity: number }) {
  const box = { x: x - CELL / 2, y: (ROW - CELL) / 2, width: CELL, height: CELL, opacity };
  if (wear.wet.has(id))
    return (
      <g opacity={opacity}>
        <rect {...box} opacity={1} fill={C.sheet} />
        <rect {...box} opacity={1} fill="url(#water-3)" stroke={C.water} />
      </g>
    );
  if (wear.worn.has(id)) return <rect {...box} fill={C.ink2} />;
  if (wear.carried.has(id)) return <rect {...box} fill="none" stroke={C.ink2} strokeDasharray="2 1.6" />;
  return null;
}

/** Pieces that came along, those of torso and hands first: they are what one changes. The most worn come first. */
function rowsOf(days: readonly Told[], pieces: readonly Piece[]): { wear: Wear; piece: Piece }[] {
  const wears = wearOf(
    days,
    pieces.map((p) => p.garment.id),
  );
  const first = (g: Garment) => (g.group === 'torso' || g.group === 'hands' ? 0 : 1);
  return pieces
    .map((piece, i) => ({ piece, wear: wears[i] }))
    .sort(
      (a, b) =>
        first(a.piece.garment) - first(b.piece.garment) ||
        b.wear.worn.size - a.wear.worn.size ||
        b.wear.carried.size - a.wear.carried.size,
    );
}
