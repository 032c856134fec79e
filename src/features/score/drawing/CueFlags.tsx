import type { Garment } from '@/core/clothing/garment';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/kit/plan';
import { clock } from '@/formats/dates';
import { distance, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import type { Scale } from '@/ui/draw/scale';
import { distanceAt } from '@/core/outing/distance';
import type { Hold, OnKeys } from '@/features/score/hands';
import { fit } from '@/ui/draw/scale';
import { cueText } from '@/core/kit/cueWords';

export const CUES_HEIGHT = 58;

interface Props {
  plan: Plan;
  garments: ReadonlyMap<string, Garment>;
  timeline: Timeline;
  x: Scale;
  width: number;
  left: number;
  bottom: number;
  selected: number | null;
  units: Units;
  onSelect: (i: number) => void;
  hold: Hold;
  onKeys: OnKeys;
}

/** Numbered cues along the top: what to do, with a leader down through everything they change. */
export function CueFlags({
  plan,
  garments,
  timeline,
  x,
  width,
  left,
  bottom,
  selected,
  units,
  onSelect,
  hold,
  onKeys,
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
            {/* its diamonds in the lanes lie beneath this line, and must be reached through it */}
            <path
              pointerEvents="none"
              d={`M${slot.x + 1} 20V${CUES_HEIGHT - 10}L${px} ${CUES_HEIGHT + 4}V${bottom}`}
              fill="none"
              stroke={C.act}
              strokeWidth={strong ? 1.8 : 1}
            />
            <g
              role="button"
              tabIndex={0}
              data-cue={i}
              aria-label={`Cue ${i + 1} at ${clock(cue.atS)}: ${lines.join(', ')}. Drag it or use the arrow keys to move it; Delete drops it.`}
              onFocus={() => onSelect(i)}
              onClick={() => onSelect(i)}
              onKeyDown={onKeys({ what: 'cue', cue: i })}
              {...hold({ what: 'cue', cue: i })}
              style={{ cursor: 'ew-resize', touchAction: 'none' }}
            >
              <rect x={slot.x - 9} y={0} width={slot.width} height={CUES_HEIGHT - 12} fill="transparent" />
              <circle cx={slot.x} cy={11} r="8.5" fill={C.act} />
              <text x={slot.x} y={15} fontSize="12" fontWeight="700" textAnchor="middle" style={{ fill: C.sheet }}>
                {i + 1}
              </text>
              <text x={slot.x + 12} y={15} fontSize="13" fontWeight="700" style={{ fill: C.act }}>
                {slot.width > 44 ? clock(cue.atS) : ''}
                {slot.width > 84 && (
                  <tspan fontSize="11" fontWeight="400" style={{ fill: C.ink2 }}>
                    {'  '}
                    {distance(distanceAt(timeline, cue.atS), units)}
                  </tspan>
                )}
              </text>
              {(slot.width > 60 ? shown : []).map((t, k) => (
                <text key={k} x={slot.x + 6} y={29 + k * 12.5} fontSize="11" style={{ fontStretch: '80%' }}>
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
