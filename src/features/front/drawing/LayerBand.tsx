import { ZONE_COUNT, zoneIndex, type Zone } from '@/core/body/zones';
import { panelOver, type Garment } from '@/core/clothing/garment';
import type { Scored } from '@/core/judge/scorePlan';
import { degrees, temperature, thickness, type Units } from '@/formats/measures';
import { C, heat } from '@/ui/draw/palette';

/** One layer over a place of the body at a moment: how thick, and how warm. */
export interface Layer {
  garment: Garment;
  mm: number;
  celsius: number;
}

/** What is worn over a zone at a sample of the run, from the skin out. */
export function layersOver(scored: Scored, garments: ReadonlyMap<string, Garment>, zone: Zone, row: number): Layer[] {
  const { series: s, garmentIds } = scored;
  const z = zoneIndex(zone);
  return garmentIds
    .flatMap((id, g): Layer[] => {
      const garment = garments.get(id);
      const panel = garment && panelOver(garment, zone);
      if (!garment || !panel || panel.coverage < 0.1 || s.worn[row * s.garments + g] !== 1) return [];
      const at = (row * s.garments + g) * ZONE_COUNT + z;
      return [{ garment, mm: panel.thicknessMm ?? garment.thicknessMm, celsius: s.garmentC[at] }];
    })
    .sort((a, b) => a.garment.order - b.garment.order);
}

/** Colour of cloth at a temperature: from the air to the skin, °C. */
const warmth = (c: number): string => heat((c + 6) / 40);
const SKIN_PX = 8;
/** A shell is drawn as a line, px. */
const LEAST_PX = 3;

/** Cloth in section: skin at the left, open air at the right, each layer as thick as it is and coloured by how warm. */
export function LayerBand({
  layers,
  pxPerMm,
  height,
  units,
  temps,
}: {
  layers: readonly Layer[];
  pxPerMm: number;
  height: number;
  units: Units;
  /** with the temperatures as a line and in numbers below; for the torso */
  temps?: { skinC: number; airC: number };
}) {
  const said = (l: Layer) => `${l.garment.name}, ${thickness(l.mm, units)}, ${temperature(l.celsius, units)}`;
  const widths = layers.map((l) => Math.max(LEAST_PX, l.mm * pxPerMm));
  const starts = widths.reduce<number[]>((acc, w) => [...acc, acc[acc.length - 1] + w], [SKIN_PX]);
  const end = starts[starts.length - 1];
  const total = end + (temps ? 40 : 8);
  const full = height + (temps ? 15 : 0);
  const y = (c: number) => 4 + ((34 - c) / (34 - Math.min(-2, temps?.airC ?? 0))) * (height - 8);
  const points: [number, number][] = temps
    ? [
        [SKIN_PX, temps.skinC],
        ...layers.map((l, i): [number, number] => [starts[i] + widths[i] / 2, l.celsius]),
        [end + 18, temps.airC],
      ]
    : [];
  return (
    <svg
      width={total}
      height={full}
      className="block max-w-full"
      role="img"
      aria-label={layers.map(said).join('; ') || 'bare'}
    >
      <rect x={0.5} y={0.5} width={SKIN_PX} height={height - 1} fill="var(--color-heat-3)" stroke={C.ink} />
      {layers.map((l, i) => (
        <g key={l.garment.id}>
          <title>{said(l)}</title>
          <rect x={starts[i]} y={0.5} width={widths[i]} height={height - 1} fill={warmth(l.celsius)} stroke={C.ink} />
          <rect x={starts[i]} y={0.5} width={widths[i]} height={height - 1} fill={fillOf(l.garment)} />
        </g>
      ))}
      {temps && points.length > 2 && (
        <>
          <path
            d={points.map(([x, c], i) => `${i === 0 ? 'M' : 'L'}${x} ${y(c)}`).join('')}
            fill="none"
            stroke={C.ink}
            strokeWidth="1.500"
          />
          {points.map(([x, c], i) => (
            <circle key={i} cx={x} cy={y(c)} r="2.500" fill={C.sheet} stroke={C.ink} strokeWidth="1.200" />
          ))}
          {numbers(points).map(({ x, c }) => (
            <text
              key={x}
              x={Math.max(8, x)}
              y={height + 12}
              fontSize="11"
              textAnchor="middle"
              fontWeight={x === SKIN_PX || x > end ? 700 : 400}
            >
              {degrees(c, units)}
            </text>
          ))}
        </>
      )}
    </svg>
  );
}

/** Numbers that have room beside each other: skin and air always, of the rest what fits, px. */
const ROOM_PX = 24;
function numbers(points: readonly [number, number][]): { x: number; c: number }[] {
  const last = points[points.length - 1];
  const out = [{ x: points[0][0], c: points[0][1] }];
  for (const [x, c] of points.slice(1, -1))
    if (x - out[out.length - 1].x >= ROOM_PX && last[0] - x >= ROOM_PX) out.push({ x, c });
  return last[0] - out[out.length - 1].x < ROOM_PX ? out : [...out, { x: last[0], c: last[1] }];
}

function fillOf(g: Garment): string {
  if (g.openMesh > 0.2) return 'url(#mesh)';
  if (g.filled) return 'url(#loft)';
  return g.airPermeability < 15 && g.thicknessMm < 1 ? C.ink : 'url(#weave)';
}
