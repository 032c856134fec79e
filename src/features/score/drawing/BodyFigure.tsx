import { toldOf, ZONE_COUNT, type Zone } from '@/core/body/zones';
import type { Series } from '@/core/simulate/series';
import { degrees, type Units } from '@/formats/measures';
import { C, skinColour } from '@/ui/draw/palette';

/** Outline pieces of a standing figure, by zone; a calm pictogram, not anatomy. */
export const SHAPES: { zone: Zone; d: string }[] = [
  { zone: 'scalp', d: 'M150 6c-11 0-16 8-16 17h32c0-9-5-17-16-17z' },
  { zone: 'face', d: 'M134 23h32c0 12-6 20-16 20s-16-8-16-20z' },
  { zone: 'neck', d: 'M143 42h14v9h-14z' },
  { zone: 'chest', d: 'M126 53c6-3 42-3 48 0l-2 38h-44z' },
  { zone: 'pelvis', d: 'M128 92h44l2 24h-48z' },
  { zone: 'arms', d: 'M124 54c-8 3-11 12-13 24l-6 28 9 3 11-34zM176 54c8 3 11 12 13 24l6 28-9 3-11-34z' },
  { zone: 'hands', d: 'M104 107l9 3-2 9-9-2zM196 107l-9 3 2 9 9-2z' },
  { zone: 'fingers', d: 'M101 118l10 2-4 9-8-3zM199 118l-10 2 4 9 8-3z' },
  { zone: 'thighs', d: 'M126 118h22l-2 34h-16zM152 118h22l-4 34h-16z' },
  { zone: 'calves', d: 'M130 154h16l-2 30h-10zM154 154h16l-4 30h-10z' },
  { zone: 'feet', d: 'M133 185h11v8h-13zM156 185h11l2 8h-13z' },
  { zone: 'toes', d: 'M131 194h13v5h-20c0-3 3-5 7-5zM156 194h13c4 0 7 2 7 5h-20z' },
];

const LABELS: { zone: Zone; label: string; x: number; y: number; tx: number; ty: number; end: boolean }[] = [
  { zone: 'scalp', label: 'Head', x: 160, y: 14, tx: 208, ty: 12, end: false },
  { zone: 'face', label: 'Face', x: 138, y: 32, tx: 92, ty: 30, end: true },
  { zone: 'chest', label: 'Chest', x: 166, y: 66, tx: 208, ty: 54, end: false },
  { zone: 'back', label: 'Back', x: 170, y: 84, tx: 208, ty: 78, end: false },
  { zone: 'arms', label: 'Arms', x: 115, y: 78, tx: 92, ty: 66, end: true },
  { zone: 'fingers', label: 'Fingers', x: 104, y: 124, tx: 92, ty: 110, end: true },
  { zone: 'pelvis', label: 'Hips', x: 168, y: 104, tx: 208, ty: 104, end: false },
  { zone: 'thighs', label: 'Thighs', x: 166, y: 134, tx: 208, ty: 134, end: false },
  { zone: 'calves', label: 'Shins', x: 164, y: 168, tx: 208, ty: 164, end: false },
  { zone: 'toes', label: 'Toes', x: 128, y: 196, tx: 92, ty: 186, end: true },
];

/** The whole body by zone: skin temperature, and wetness as hatch. */
export function BodyFigure({
  series,
  row,
  units,
  cold,
}: {
  series: Series;
  row: number;
  units: Units;
  cold: (zone: Zone, c: number) => boolean;
}) {
  const t = (z: Zone) => toldOf(z, series.skinC, row * ZONE_COUNT);
  const wet = (z: Zone) => toldOf(z, series.wettedness, row * ZONE_COUNT);
  return (
    <svg width="100%" viewBox="0 0 300 204" role="img" aria-label="Skin temperature by zone">
      {SHAPES.map(({ zone, d }) => {
        const w = wet(zone);
        return (
          <g key={zone}>
            <path d={d} fill={skinColour(t(zone))} stroke={C.ink} strokeWidth="0.9" strokeLinejoin="round" />
            {w > 0.2 && <path d={d} fill={`url(#water-${w < 0.35 ? 1 : w < 0.5 ? 2 : w < 0.8 ? 3 : 4})`} />}
            {cold(zone, t(zone)) && <path d={d} fill="url(#too-cold)" />}
          </g>
        );
      })}
      {LABELS.map((l) => (
        <g key={l.zone}>
          <path
            d={`M${l.x} ${l.y}L${l.tx + (l.end ? 3 : -3)} ${l.ty - 4}`}
            stroke={C.ink3}
            strokeWidth="0.7"
            fill="none"
          />
          <circle cx={l.x} cy={l.y} r="1.500" fill={C.ink} />
          <text x={l.tx} y={l.ty} fontSize="11.500" textAnchor={l.end ? 'end' : 'start'}>
            {l.label}{' '}
            <tspan fontWeight="700" style={{ fill: cold(l.zone, t(l.zone)) ? C.cold : C.ink }}>
              {cold(l.zone, t(l.zone)) ? '▼ ' : ''}
              {degrees(t(l.zone), units)}
            </tspan>
          </text>
        </g>
      ))}
    </svg>
  );
}
