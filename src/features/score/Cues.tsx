import { cueText } from '@/core/plan/dress';
import type { Garment } from '@/core/clothing/garment';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/simulate/plan';
import { clock, distance, type Units } from '@/formats/words';
import { C } from '@/ui/palette';
import type { Scale } from '@/ui/scale';
import { distanceAt, fit } from './Land';

export const CUES_HEIGHT = 58;

interface Props {
  plan: Plan;
  garments: ReadonlyMap<string, Garment>;
  timeline: Timeline;
  x: Scale;
  width: number;
  left: number;
  y: number;
  bottom: number;
  selected: number | null;
  units: Units;
  onSelect: (i: number) => void;
  onDrag: (i: number, e: React.PointerEvent) => void;
}

/** Numbered cues along the top: what to do, with a leader down through everything they change. */
export function Cues({
  plan,
  garments,
  timeline,
  x,
  width,
  left,
  y,
  bottom,
  selected,
  units,
  onSelect,
  onDrag,
}: Props) {
  const slots = slotsFor(
    plan.cues.map((c) => x(c.atS)),
    left,
    width,
  );
  return (
    <g>
      {plan.cues.map((cue, i) => {
        const lines = cueText(cue, garments);
        const slot = slots[i];
        const px = x(cue.atS);
        const strong = selected === i;
        const shown = lines.length > 2 ? [lines[0], `${lines[1]} +${lines.length - 2}`] : lines;
        return (
          <g key={i}>
            <path
              d={`M${slot.x + 1} ${y + 20}V${y + CUES_HEIGHT - 10}L${px} ${y + CUES_HEIGHT + 4}V${bottom}`}
              fill="none"
              stroke={C.act}
              strokeWidth={strong ? 1.8 : 1}
            />
            <g
              role="button"
              tabIndex={0}
              aria-label={`Cue ${i + 1} at ${clock(cue.atS)}: ${lines.join(', ')}. Drag or use arrow keys to move it.`}
              onFocus={() => onSelect(i)}
              onPointerDown={(e) => {
                onSelect(i);
                onDrag(i, e);
              }}
              style={{ cursor: 'ew-resize', touchAction: 'none' }}
            >
              <rect x={slot.x - 9} y={y} width={slot.width} height={CUES_HEIGHT - 12} fill="transparent" />
              <circle cx={slot.x} cy={y + 11} r="8.500" fill={C.act} />
              <text x={slot.x} y={y + 15} fontSize="12" fontWeight="700" textAnchor="middle" style={{ fill: '#fff' }}>
                {i + 1}
              </text>
              <text x={slot.x + 12} y={y + 15} fontSize="13" fontWeight="700" style={{ fill: C.act }}>
                {slot.width > 44 ? clock(cue.atS) : ''}
                {slot.width > 84 && (
                  <tspan fontSize="11" fontWeight="400" style={{ fill: C.ink2 }}>
                    {'  '}
                    {distance(distanceAt(timeline, cue.atS), units)}
                  </tspan>
                )}
              </text>
              {(slot.width > 60 ? shown : []).map((t, k) => (
                <text key={k} x={slot.x + 6} y={y + 29 + k * 12.5} fontSize="11" style={{ fontStretch: '80%' }}>
                  <title>{lines.join('\n')}</title>
                  {fit(t, slot.width - 6, 4.55)}
                </text>
              ))}
            </g>
          </g>
        );
      })}
    </g>
  );
}

/** Places labels in order, as near to their moments as their widths allow. */
function slotsFor(px: number[], left: number, width: number): { x: number; width: number }[] {
  const n = px.length;
  if (n === 0) return [];
  const each = Math.min(150, (width - left) / n);
  const xs = px.map((p) => Math.max(left + 9, p));
  for (let i = 1; i < n; i++) xs[i] = Math.max(xs[i], xs[i - 1] + each);
  let limit = width - each + 9;
  for (let i = n - 1; i >= 0; i--) {
    xs[i] = Math.min(xs[i], limit);
    limit = xs[i] - each;
  }
  return xs.map((v, i) => ({ x: v, width: Math.min(190, (i + 1 < n ? xs[i + 1] : width + 6) - v) }));
}
