'use client';
import { type Tried } from '@/core/afterwards/tried';
import { type Ladder, LADDER_WINDS, type LadderWind } from '@/core/search/ladderTerms';
import type { Garment } from '@/core/clothing/garment';
import { degrees, minus, type Units } from '@/formats/measures';
import { cToFahrenheit } from '@/core/quantity/units';
import { C, heat } from '@/ui/draw/palette';
import { cellAt, WINDS, works, type Looked } from './cellWords';
import { DryCell, WetCell } from './LadderCells';
import { ROW } from './marks';

const BARS = 84;

/** The table: bands down, winds across; in front of each wind the rungs as bars on the true axis of the air. */
export function LadderTable({
  ladder,
  at,
  onLook,
  onTry,
  garments,
  units,
  nowC,
  tried,
}: {
  ladder: Ladder;
  /** logged days, of all sports */
  tried: readonly Tried[];
  at: Looked;
  onLook: (l: Looked) => void;
  onTry: (l: Looked) => void;
  garments: ReadonlyMap<string, Garment>;
  units: Units;
  /** air now, °C, where a station was heard */
  nowC: number | null;
}) {
  const { bands } = ladder;
  const high = bands.length * ROW;
  const top = bands[0].warmC;
  const foot = bands[bands.length - 1].coldC;
  const y = (c: number) => ((top - Math.min(top, Math.max(foot, c))) / (top - foot)) * high;
  const move = (e: React.KeyboardEvent) => {
    const columns = WINDS.flatMap((wind) => (['dry', 'wet'] as const).map((wet) => ({ wind, wet })));
    const k = columns.findIndex((c) => c.wind === at.wind && c.wet === at.wet);
    const by = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[e.key];
    if (e.key === 'Enter') {
      e.preventDefault();
      onTry(at);
      return;
    }
    if (!by) return;
    e.preventDefault();
    for (let i = 1; i <= columns.length; i++) {
      const next = {
        ...at,
        ...columns[Math.min(columns.length - 1, Math.max(0, k + by[0] * i))],
        band: at.band + by[1],
      };
      if (next.band < 0 || next.band >= bands.length) return;
      if (cellAt(ladder, next)) return onLook(next);
      if (by[0] === 0) return onLook({ ...next, wet: 'dry' });
    }
  };
  return (
    <div className="overflow-x-auto print:overflow-visible">
      <table
        className="w-full min-w-[820px] table-fixed border-collapse print:min-w-0"
        onKeyDown={move}
        aria-label="What to wear by air and wind"
      >
        <colgroup>
          <col style={{ width: 74 }} />
          {WINDS.map((w) => [
            <col key={`${w} bars`} style={{ width: BARS }} />,
            <col key={w} />,
            <col key={`${w} wet`} style={{ width: 84 }} />,
          ])}
        </colgroup>
        <thead>
          <tr className="text-left align-bottom">
            <th scope="col">
              <span className="sr-only">air</span>
            </th>
            {WINDS.map((w) => (
              <th key={w} colSpan={3} scope="colgroup" className="pb-0.5 pl-1 font-normal">
                <b className="text-[15px] capitalize">{w}</b>{' '}
                <span className="text-[12px] text-ink-2">
                  {windRange(w, units)}, {LADDER_WINDS[w].says}
                </span>
              </th>
            ))}
          </tr>
          <tr className="border-b-2 border-ink text-left text-[12px]">
            <th scope="col" className="font-normal text-ink-2">
              air, {units === 'imperial' ? '°F' : '°C'}
            </th>
            {WINDS.map((w) => [
              <th key={`${w} bars`} scope="col" className="pl-1 font-normal">
                rungs 1 to {ladder.rungs.length}
              </th>,
              <th key={w} scope="col" className="pl-2 font-normal">
                dry
              </th>,
              <th key={`${w} wet`} scope="col" className="pl-2 font-semibold text-water">
                wet
              </th>,
            ])}
          </tr>
        </thead>
        <tbody>
          {bands.map((b, i) => (
            <tr key={b.warmC} style={{ height: ROW }} className="border-b-2 border-ink">
              <th scope="row" className="relative border-r border-ink p-0 pl-4 text-left leading-tight font-normal">
                <span
                  className="absolute inset-y-0 left-0 w-2 print:hidden"
                  style={{ background: bandColour(b.warmC) }}
                />
                <b className="block text-[15px]">{signed(b.warmC, units)}</b>
                <span className="text-[13px]">
                  to <b>{signed(b.coldC, units)}</b>
                </span>
                {nowC !== null && nowC <= b.warmC && nowC > b.coldC && (
                  <b className="block text-[11px] text-act">
                    <span
                      aria-hidden="true"
                      className="absolute left-0 h-[3px] w-3.5 bg-act"
                      style={{ top: `${(100 * (b.warmC - nowC)) / (b.warmC - b.coldC)}%` }}
                    />
                    now {degrees(nowC, units)}
                  </b>
                )}
              </th>
              {WINDS.map((w) => [
                i === 0 ? (
                  <td
                    key={`${w} bars`}
                    rowSpan={bands.length}
                    className="border-r border-grid-2 bg-paper p-0 align-top"
                  >
                    <Bars ladder={ladder} wind={w} effort={at.effort} y={y} high={high} units={units} />
                  </td>
                ) : null,
                <DryCell
                  key={w}
                  {...{ ladder, garments, units, at, onLook, onTry, tried }}
                  here={{ ...at, wind: w, wet: 'dry', band: i }}
                />,
                <WetCell
                  key={`${w} wet`}
                  {...{ ladder, garments, at, onLook, onTry, tried }}
                  here={{ ...at, wind: w, wet: 'wet', band: i }}
                />,
              ])}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const signed = (c: number, units: Units): string => {
  const v = Math.round(units === 'imperial' ? cToFahrenheit(c) : c);
  return v > 0 ? `+${v}` : minus(v, 0);
};
const bandColour = (c: number): string =>
  c > 5 ? heat(0.7) : c > 0 ? heat(0.45) : c > -5 ? heat(0.25) : c > -10 ? heat(0) : c > -15 ? C.grid2 : C.cold;

function windRange(w: LadderWind, units: Units): string {
  const { from, to } = LADDER_WINDS[w];
  const k = (v: number) => Math.round(units === 'imperial' ? v / 1.609 : v);
  const unit = units === 'imperial' ? 'mph' : 'km/h';
  return from === 0 ? `under ${k(to)} ${unit}` : w === 'windy' ? `over ${k(from)}` : `${k(from)} to ${k(to)}`;
}

/** Where every rung works, black where it is the one to take. */
function Bars({
  ladder,
  wind,
  effort,
  y,
  high,
  units,
}: {
  ladder: Ladder;
  wind: LadderWind;
  effort: Looked['effort'];
  y: (c: number) => number;
  high: number;
  units: Units;
}) {
  const list = ladder.reach.filter(
    (r) => r.wind === wind && r.effort === effort && r.coldC !== null && r.warmC !== null,
  );
  const wide = (BARS - 6) / Math.max(1, ladder.rungs.length);
  const taken = (rung: number) =>
    ladder.cells.filter(
      (c) => c.rung === rung && c.wind === wind && c.effort === effort && c.wet === 'dry' && works(c),
    );
  return (
    <svg
      width={BARS}
      height={high}
      className="block"
      role="img"
      aria-label={list
        .map((r) => `rung ${r.rung}: ${degrees(r.coldC!, units)} to ${degrees(r.warmC!, units)}`)
        .join('; ')}
    >
      {list.map((r) => {
        const x = 3 + (r.rung - 1) * wide;
        const a = y(Math.max(r.warmC!, r.coldC!));
        const b = y(r.coldC!);
        const cells = taken(r.rung);
        const w = Math.max(3, wide - 2);
        return (
          <g key={r.rung}>
            <title>{`Rung ${r.rung}: ${degrees(r.coldC!, units)} to ${degrees(r.warmC!, units)}${r.first ? `, ${r.first} first` : ''}`}</title>
            <rect x={x} y={a} width={w} height={Math.max(1, b - a)} fill={C.sheet} stroke={C.ink} strokeWidth="0.900" />
            {cells.map((c) => {
              const t = y(ladder.bands[c.band].warmC);
              const f = y(ladder.bands[c.band].coldC);
              return (
                <g key={c.band}>
                  <rect x={x} y={t} width={w} height={f - t} fill={C.ink} />
                  <text
                    x={x + w / 2}
                    y={t + 11}
                    fontSize={Math.min(11, w + 3)}
                    fontWeight="700"
                    textAnchor="middle"
                    style={{ fill: C.sheet }}
                  >
                    {w >= 6 ? r.rung : ''}
                  </text>
                </g>
              );
            })}
            <path d={`M${x - 1} ${b}h${w + 2}`} stroke={C.ink} strokeWidth="1.800" />
          </g>
        );
      })}
    </svg>
  );
}
