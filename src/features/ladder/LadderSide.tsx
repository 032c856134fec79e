'use client';
import { type Cell, type Ladder, LADDER_EFFORTS, type LadderEffort } from '@/core/search/ladderTerms';
import { triedIn, type Tried } from '@/core/afterwards/tried';
import { hoodIsUp } from '@/core/kit/hood';
import { day } from '@/formats/dates';
import Link from 'next/link';
import type { Garment, Group } from '@/core/clothing/garment';
import { degrees, temperature, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import { linear } from '@/ui/draw/scale';
import { cellAt, WINDS, works, type Looked } from './cellWords';
import { RungMark, triedWords, SIDE_HEAD } from './marks';
import { Further } from './Further';

const PARTS: readonly { label: string; groups: readonly Group[] }[] = [
  { label: 'Head', groups: ['head'] },
  { label: 'Face', groups: ['face', 'eyes'] },
  { label: 'Torso', groups: ['torso'] },
  { label: 'Hands', groups: ['hands'] },
  { label: 'Legs', groups: ['legs'] },
  { label: 'Feet', groups: ['feet'] },
];

/** The cell under the frame: what it wears, where its rung works by effort, how effort moves the table, and what would carry further. */
export function LadderSide({
  ladder,
  at,
  onLook,
  garments,
  units,
  tryHref,
  tried,
}: {
  tried: readonly Tried[];
  ladder: Ladder;
  at: Looked;
  onLook: (l: Looked) => void;
  garments: ReadonlyMap<string, Garment>;
  units: Units;
  tryHref: (l: Looked) => string;
}) {
  const cell = cellAt(ladder, at);
  const band = ladder.bands[at.band];
  const list = triedIn(tried, { ...at, sport: ladder.sport, band });
  if (!cell) return <p className="text-ink-2">Here it falls dry: brush it off. Take the dry column.</p>;
  const worn = cell.plan.worn.flatMap((id) => garments.get(id) ?? []);
  const carried = cell.plan.carried.flatMap((id) => garments.get(id)?.name ?? []);
  return (
    <>
      <div className="flex items-center gap-2">
        <RungMark n={cell.rung} wet={at.wet === 'wet'} />
        <div className="leading-tight">
          <h2 className="speak text-[18px] font-semibold">
            {degrees(band.warmC, units)} to {degrees(band.coldC, units)}, {at.wind}, {at.wet}
          </h2>
          <p className="text-[12px] text-ink-2">the cell under the frame; {triedWords(list)}</p>
        </div>
      </div>
      <dl className="mt-1.5 grid grid-cols-[52px_minmax(0,1fr)] gap-x-2 border-t border-ink pt-1">
        {PARTS.map((p) => {
          const pieces = worn.filter((g) => p.groups.includes(g.group)).sort((a, b) => a.order - b.order);
          const bare = p.groups.includes('head') && hoodIsUp(cell.plan, worn) ? 'hood up' : 'bare';
          const fails = cell.fails.some((f) => p.groups.some((g) => FAILS_IN[f.zone]?.includes(g)));
          return (
            <div key={p.label} className="contents">
              <dt className="text-ink-2">{p.label}</dt>
              <dd className={`font-semibold ${fails ? 'text-cold' : ''}`}>
                {fails && '▼ '}
                {pieces.length > 0 ? pieces.map((g) => g.name).join(', ') : bare}
              </dd>
            </div>
          );
        })}
        <dt className="text-ink-2">Pocket</dt>
        <dd>{carried.length > 0 ? carried.join(', ') : 'nothing more'}</dd>
      </dl>
      {cell.fails.length > 0 && (
        <p className="mt-1 text-[12.5px] text-act">
          <b>{cell.fails[0].what}</b>: {cell.fails[0].says}. Shorter, in the trees, easier or not today.
        </p>
      )}
      {list.length > 0 && (
        <ul className="mt-1 border-t border-grid pt-1 text-[12.5px]">
          {list.slice(-3).map((t) => (
            <li key={t.id}>
              <Link href={`/outing/${t.id}/after`} className="underline">
                {t.name}, {day(t.startMs)}
              </Link>
              : {t.was}
              {t.cameWet && ', came home wet'}
            </li>
          ))}
        </ul>
      )}
      <p className="mt-1.5">
        <Link href={tryHref(at)} className="font-semibold text-act underline">
          Try it at the front door
        </Link>{' '}
        <span className="text-[12px] text-ink-3">or Enter</span>
      </p>
      <ByEffort ladder={ladder} at={at} rung={cell.rung} units={units} />
      <EffortMoves ladder={ladder} at={at} onLook={onLook} units={units} />
      <Further ladder={ladder} effort={at.effort} units={units} />
    </>
  );
}

const FAILS_IN: Partial<Record<Cell['fails'][number]['zone'], readonly Group[]>> = {
  torso: ['torso'],
  face: ['face'],
  head: ['head'],
  hands: ['hands'],
  limbs: ['legs'],
  feet: ['feet'],
};

const EFFORTS = Object.keys(LADDER_EFFORTS) as LadderEffort[];

/** Where this rung works, by effort; the word is what fails at its cold end. */
function ByEffort({ ladder, at, rung, units }: { ladder: Ladder; at: Looked; rung: number; units: Units }) {
  const list = EFFORTS.map((effort) => ({
    effort,
    r: ladder.reach.find((x) => x.rung === rung && x.wind === at.wind && x.effort === effort),
  }));
  const said = (c: number | null | undefined) => (c == null ? 'never' : temperature(c, units));
  const W = 340;
  const x = linear(-35, 20, 62, W - 6);
  const ticks = [-30, -20, -10, 0, 10];
  return (
    <section>
      <h3 className={SIDE_HEAD}>Where rung {rung} works, by effort</h3>
      <svg
        viewBox={`0 0 ${W} 96`}
        width="100%"
        role="img"
        aria-label={list.map(({ effort, r }) => `${effort}: ${said(r?.coldC)} to ${said(r?.warmC)}`).join('; ')}
      >
        <rect
          x={x(ladder.bands[at.band].coldC)}
          width={x(ladder.bands[at.band].warmC) - x(ladder.bands[at.band].coldC)}
          y={2}
          height={74}
          fill="var(--color-heat-0)"
        />
        {list.map(({ effort, r }, i) => {
          const own = effort === at.effort;
          const yTop = 6 + i * 24;
          if (!r)
            return (
              <text key={effort} x={0} y={yTop + 12} fontSize="12">
                {effort} <tspan style={{ fill: C.ink3 }}>…</tspan>
              </text>
            );
          if (r.coldC === null || r.warmC === null || r.warmC < r.coldC)
            return (
              <text key={effort} x={0} y={yTop + 12} fontSize="12">
                {effort} <tspan style={{ fill: C.ink3 }}>never right</tspan>
              </text>
            );
          const a = x(Math.max(-35, r.coldC));
          const b = x(Math.min(20, r.warmC));
          return (
            <g key={effort}>
              <text x={0} y={yTop + 12} fontSize="12" fontWeight={own ? 700 : 400}>
                {effort}
              </text>
              <rect x={a} y={yTop} width={Math.max(2, b - a)} height={15} fill={own ? C.ink : C.sheet} stroke={C.ink} />
              <text x={a + 4} y={yTop + 11.5} fontSize="11.500" style={{ fill: own ? C.sheet : C.ink }}>
                {b - a > 44 ? (r.first ?? '') : ''}
              </text>
              <text
                x={b > W - 80 ? a - 4 : b + 4}
                y={yTop + 12}
                fontSize="11.500"
                fontWeight="600"
                textAnchor={b > W - 80 ? 'end' : 'start'}
              >
                {degrees(r.coldC, units)} to {degrees(r.warmC, units)}
              </text>
            </g>
          );
        })}
        {ticks.map((t) => (
          <text key={t} x={x(t)} y={92} fontSize="11.500" textAnchor="middle" style={{ fill: C.ink3 }}>
            {degrees(t, units)}
          </text>
        ))}
      </svg>
    </section>
  );
}

/** The dry table at each effort, in small. */
function EffortMoves({
  ladder,
  at,
  onLook,
  units,
}: {
  ladder: Ladder;
  at: Looked;
  onLook: (l: Looked) => void;
  units: Units;
}) {
  return (
    <section>
      <h3 className={SIDE_HEAD}>Effort moves you</h3>
      <p className="text-[12px] text-ink-2">rung by air and wind; ruled: nothing owned works, and what fails</p>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {EFFORTS.map((effort) => (
          <table
            key={effort}
            className={`w-full table-fixed border-collapse text-center text-[12px] ${effort === at.effort ? 'outline-2 outline-ink' : ''}`}
          >
            <caption className="text-left text-[12px] font-semibold">{effort}</caption>
            <thead className="sr-only">
              <tr>
                {WINDS.map((w) => (
                  <th key={w} scope="col">
                    {w}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {ladder.bands.map((b, band) => (
                <tr key={b.warmC} title={`${degrees(b.warmC, units)} to ${degrees(b.coldC, units)}`}>
                  {WINDS.map((wind) => {
                    const here: Looked = { effort, wind, wet: 'dry', band };
                    const c = cellAt(ladder, here);
                    const on = c && at.band === band && at.wind === wind && at.effort === effort;
                    return (
                      <td key={wind} className="border border-grid-2 p-0">
                        <button
                          type="button"
                          tabIndex={-1}
                          onClick={() => c && onLook(here)}
                          aria-label={`${effort}, ${wind}, ${degrees(b.warmC, units)}: ${c ? (works(c) ? `rung ${c.rung}` : `${c.fails[0].zone} fails`) : 'not known yet'}`}
                          className={`relative block h-[24px] w-full cursor-pointer leading-[24px] ${on ? 'outline-2 -outline-offset-1 outline-act' : ''} ${c?.hot ? 'bg-heat-1' : ''}`}
                        >
                          {c && !works(c) && (
                            <svg className="absolute inset-0 h-full w-full" aria-hidden="true">
                              <rect width="100%" height="100%" fill="url(#too-cold)" />
                            </svg>
                          )}
                          <span className="relative">
                            {c ? works(c) ? <b>{c.rung}</b> : c.fails[0].zone.slice(0, 2) : '·'}
                          </span>
                        </button>
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        ))}
      </div>
      <p className="mt-0.5 text-[11px] text-ink-3">each: calm, breezy, windy; down is colder</p>
    </section>
  );
}
