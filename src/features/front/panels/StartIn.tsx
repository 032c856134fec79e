'use client';
import { useLayoutEffect, useRef, useState } from 'react';
import { ZONE_COUNT, zoneIndex, type Zone } from '@/core/body/zones';
import type { Garment, Group } from '@/core/clothing/garment';
import { coldestByPart, DRESSED_PARTS, type DressedPart } from '@/core/judge/coldestByPart';
import { LIMIT } from '@/core/judge/limits';
import type { Scored } from '@/core/judge/scorePlan';
import { hoodIsUp } from '@/core/kit/hood';
import type { Plan } from '@/core/kit/plan';
import { LayerBand, layersOver } from '@/features/front/drawing/LayerBand';
import { SHAPES } from '@/features/score/drawing/BodyFigure';
import { clock } from '@/formats/dates';
import { degrees, thickness, type Units } from '@/formats/measures';
import { inchToMm } from '@/core/quantity/units';
import { openingsOf } from '@/formats/startWords';
import { C, skinColour } from '@/ui/draw/palette';

/** Where each part is cut, what clothes it, and where its line begins on the figure. */
const PARTS: Record<DressedPart, { label: string; zone: Zone; groups: readonly Group[]; y: number; x: number }> = {
  head: { label: 'Head', zone: 'scalp', groups: ['head'], x: 158, y: 14 },
  face: { label: 'Face', zone: 'face', groups: ['face', 'eyes'], x: 160, y: 32 },
  torso: { label: 'Torso', zone: 'chest', groups: ['torso'], x: 168, y: 72 },
  hands: { label: 'Hands', zone: 'hands', groups: ['hands'], x: 193, y: 113 },
  legs: { label: 'Legs', zone: 'thighs', groups: ['legs'], x: 168, y: 136 },
  feet: { label: 'Feet', zone: 'feet', groups: ['feet'], x: 166, y: 192 },
};
/** Under this a part is named as too cold, °C. */
const TOO_COLD: Partial<Record<DressedPart, number>> = {
  hands: LIMIT.fingerClumsy,
  feet: LIMIT.toeClumsy,
  face: LIMIT.faceNumb,
  legs: LIMIT.limbNamed,
};
/** A piece of cloth is drawn at most so wide, px, and so much to the millimetre. */
const WIDEST_PX = 142;
const NARROW_PX = 52;
const MOST_PX_MM = 9;
/** What the bar beside the skin stands for, mm: five, or a fifth of an inch. */
const SCALE_MM = { metric: 5, imperial: inchToMm(0.2) } as const;

/** What to start in, zone by zone: cloth on the body, with the coldest skin of each and when. */
export function StartIn({
  scored,
  plan,
  garments,
  airC,
  units,
  room = 'wide',
}: {
  scored: Scored;
  plan: Plan;
  garments: ReadonlyMap<string, Garment>;
  airC: number;
  units: Units;
  /** 'narrow': beside something else, without the figure */
  room?: 'wide' | 'narrow';
}) {
  const coldest = coldestByPart(scored.series);
  const worn = plan.worn.flatMap((id) => garments.get(id) ?? []).sort((a, b) => a.order - b.order);
  const rows = DRESSED_PARTS.map((part) => {
    const { zone, groups } = PARTS[part];
    const row = Math.min(1, scored.series.rows - 1);
    return {
      part,
      layers: layersOver(scored, garments, zone, row),
      pieces: worn.filter((g) => groups.includes(g.group)),
      skinC: scored.series.skinC[row * ZONE_COUNT + zoneIndex(zone)],
      cold: coldest[part],
    };
  });
  const thickest = Math.max(3, ...rows.map((r) => r.layers.reduce((s, l) => s + l.mm, 0)));
  const pxPerMm = Math.min(MOST_PX_MM, (room === 'wide' ? WIDEST_PX : NARROW_PX) / thickest);
  const scaleMm = (pxPerMm > 5 ? 1 : 2) * SCALE_MM[units];
  const words = wordsFor(plan);
  const { figure, list, ys } = useRowHeights(rows.length);
  return (
    <section aria-labelledby="start-in" className="mt-2 border-t border-ink pt-1">
      <div
        className={`grid gap-x-2 max-[500px]:grid-cols-1 ${room === 'wide' ? 'grid-cols-[104px_minmax(0,1fr)]' : 'grid-cols-1'}`}
      >
        <h2 id="start-in" className="font-semibold">
          Start in
        </h2>
        <div className="flex items-baseline justify-between text-[12px] text-ink-2">
          <span className="flex items-center gap-1.5 pl-[46px] max-[500px]:pl-0">
            skin
            <svg width={scaleMm * pxPerMm + 2} height="9" aria-hidden="true">
              <path d={`M1 1v7M1 4.500h${scaleMm * pxPerMm}M${scaleMm * pxPerMm + 1} 1v7`} stroke={C.ink} />
            </svg>
            {thickness(scaleMm, units)}
          </span>
          <span>coldest skin, when</span>
        </div>
        {room === 'wide' && (
          <div ref={figure} className="relative max-[500px]:hidden">
            <Figure rows={rows} ys={ys} />
          </div>
        )}
        <ul ref={list}>
          {rows.map(({ part, layers, pieces, skinC, cold }) => {
            const tooCold = cold.value < (TOO_COLD[part] ?? -Infinity);
            return (
              <li
                key={part}
                className={`grid min-h-[30px] items-center gap-x-2 border-t border-grid-2 py-[3px] first:border-t-0 max-[500px]:grid-cols-[42px_minmax(50px,110px)_minmax(0,1fr)_max-content] ${room === 'wide' ? 'grid-cols-[46px_minmax(58px,160px)_minmax(0,1fr)_max-content]' : 'grid-cols-[46px_104px_minmax(0,1fr)_max-content]'}`}
              >
                <span className="font-semibold">{PARTS[part].label}</span>
                <LayerBand
                  layers={layers}
                  pxPerMm={pxPerMm}
                  height={part === 'torso' ? 40 : 22}
                  units={units}
                  temps={part === 'torso' ? { skinC, airC } : undefined}
                />
                <span className="min-w-0 text-[13px] leading-[1.25] font-semibold break-words">
                  {pieces.length === 0
                    ? part === 'head' && hoodIsUp(plan, worn)
                      ? 'hood up'
                      : 'bare'
                    : part === 'torso'
                      ? pieces.map((g) => (
                          <span key={g.id} className="block">
                            {words(g)}
                          </span>
                        ))
                      : pieces.map(words).join(', ')}
                </span>
                <span className={`text-right whitespace-nowrap ${tooCold ? 'text-cold' : ''}`}>
                  <b>
                    {tooCold && '▼ '}
                    {degrees(cold.value, units)}
                  </b>{' '}
                  <span className="text-[12px]">{clock(cold.atS)}</span>
                </span>
              </li>
            );
          })}
        </ul>
      </div>
    </section>
  );
}

/** A piece as it is worn at the start: its name, and how it stands where that is not as usual. */
const wordsFor =
  (plan: Plan) =>
  (g: Garment): string =>
    [g.name, ...openingsOf(plan, g)].join(', ');

/** Where the middle of each row is, from the top of the figure, px: so that a line leads from the body to its row. */
function useRowHeights(rows: number) {
  const figure = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLUListElement>(null);
  const [ys, setYs] = useState<number[]>([]);
  useLayoutEffect(() => {
    const measure = () => {
      const top = figure.current?.getBoundingClientRect().top ?? 0;
      const next = [...(list.current?.children ?? [])].map((li) => {
        const box = li.getBoundingClientRect();
        return Math.round(box.top + box.height / 2 - top);
      });
      setYs((old) => (old.join() === next.join() ? old : next));
    };
    measure();
    const watch = new ResizeObserver(measure);
    if (list.current) watch.observe(list.current);
    return () => watch.disconnect();
  }, [rows]);
  return { figure, list, ys };
}

const FIGURE = { x: 92, y: 2, w: 116, h: 200, px: 104 } as const;

/** The figure in the colours of the first minutes, with a line to each row. */
function Figure({ rows, ys }: { rows: readonly { part: DressedPart; skinC: number }[]; ys: readonly number[] }) {
  const tone = new Map(rows.map((r) => [PARTS[r.part].zone, r.skinC]));
  const of = (zone: Zone): number => tone.get(zone) ?? tone.get(NEAR[zone] ?? 'chest') ?? 30;
  const high = Math.max(180, ys.length > 0 ? ys[ys.length - 1] + 14 : 0);
  const k = Math.min((FIGURE.px - 8) / FIGURE.w, (high - 4) / FIGURE.h);
  const top = (high - FIGURE.h * k) / 2;
  return (
    <svg width={FIGURE.px} height={high} className="absolute inset-0 overflow-visible" aria-hidden="true">
      <g transform={`translate(${-FIGURE.x * k - 6} ${top - FIGURE.y * k}) scale(${k})`}>
        {SHAPES.map(({ zone, d }) => (
          <path
            key={zone}
            d={d}
            fill={skinColour(of(zone))}
            stroke={C.ink}
            strokeWidth="1.200"
            strokeLinejoin="round"
          />
        ))}
      </g>
      {rows.map((r, i) => {
        const p = PARTS[r.part];
        const x = (p.x - FIGURE.x) * k - 6;
        const y = (p.y - FIGURE.y) * k + top;
        return (
          <g key={r.part}>
            <circle cx={x} cy={y} r="2" fill={C.ink} />
            {ys[i] !== undefined && (
              <path
                d={`M${x} ${y}L${FIGURE.px - 12} ${ys[i]}H${FIGURE.px + 5}`}
                fill="none"
                stroke={C.ink3}
                strokeWidth="0.8"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}

/** Parts that are not listed take the tone of their neighbour. */
const NEAR: Partial<Record<Zone, Zone>> = {
  neck: 'face',
  pelvis: 'chest',
  arms: 'chest',
  fingers: 'hands',
  calves: 'thighs',
  toes: 'feet',
};
