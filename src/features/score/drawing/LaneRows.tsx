import type { Garment } from '@/core/clothing/garment';
import type { Scored } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import { clock } from '@/formats/dates';
import { grams, type Units } from '@/formats/measures';
import { GROUP_WORDS } from '@/features/closet/garmentFigures';
import { C } from '@/ui/draw/palette';
import { fit, runsOf, type Scale } from '@/ui/draw/scale';
import { garmentWater } from '@/core/judge/garmentWater';
import type { Hold, OnKeys } from '@/features/score/hands';
import { wetLevel, type Lane } from './laneSegments';

export const LANE = 14;
export const GROUP_GAP = 3;

interface Props {
  groups: { group: Garment['group']; lanes: Lane[] }[];
  plan: Plan;
  scored: Scored | null;
  area: readonly number[];
  x: Scale;
  y: number;
  endS: number;
  row: number;
  cursorS: number;
  selected: string | null;
  units: Units;
  onSelect: (id: string) => void;
  hold: Hold;
  onKeys: OnKeys;
}

export function lanesHeight(groups: Props['groups']): number {
  return groups.reduce((h, g) => h + g.lanes.length * LANE + GROUP_GAP, 0);
}

/** One lane a garment: when it is worn, vented or carried, and how wet it is. */
export function LaneRows(props: Props) {
  const { groups, plan, scored, area, x, y, endS, row, cursorS, selected, units, onSelect, hold, onKeys } = props;
  const rowOf = scored && row < scored.series.rows ? row : 0;
  const placed = groups.reduce<{ at: number; list: { y: number; group: Props['groups'][number] }[] }>(
    (acc, group) => ({ at: acc.at + group.lanes.length * LANE + GROUP_GAP, list: [...acc.list, { y: acc.at, group }] }),
    { at: y, list: [] },
  ).list;
  return (
    <g>
      {placed.map(({ y: groupY, group }) => (
        <g key={group.group}>
          <line x1={0} x2={x(endS)} y1={groupY - 1.5} y2={groupY - 1.5} stroke={C.grid} />
          {group.lanes.map((lane, k) => {
            const top = groupY + k * LANE;
            const w = scored ? garmentWater(scored, area, lane.garment, rowOf) : null;
            const on = selected === lane.garment.id;
            const carriedNow = lane.segments.find((s) => s.fromS <= cursorS && cursorS < s.toS)?.state === 'off';
            return (
              <g key={lane.garment.id}>
                {on && <rect x={0} y={top} width={x(endS)} height={LANE} fill={C.act} opacity="0.07" />}
                {on && <rect x={0} y={top} width={3} height={LANE} fill={C.act} />}
                {k === 0 && (
                  <text x={5} y={top + 11} fontSize="11.500" fontWeight="700">
                    {GROUP_WORDS[group.group].split(',')[0]}
                  </text>
                )}
                <g
                  role="button"
                  tabIndex={0}
                  aria-label={`${lane.garment.name}${w ? `, ${grams(w.waterG, units)} of water` : ''}. Select to change it.`}
                  onClick={() => onSelect(lane.garment.id)}
                  onFocus={() => onSelect(lane.garment.id)}
                  style={{ cursor: 'pointer', outlineOffset: -1 }}
                >
                  <rect x={40} y={top} width={120} height={LANE} fill="transparent" />
                  <text
                    x={44}
                    y={top + 11}
                    fontSize="11.500"
                    fontWeight={on ? 700 : 500}
                    style={{ fontStretch: '82%' }}
                  >
                    <title>{lane.garment.name}</title>
                    {fit(lane.garment.name, 92, 4.7)}
                  </text>
                </g>
                <text
                  x={158}
                  y={top + 11}
                  fontSize="11"
                  textAnchor="end"
                  fontWeight={carriedNow ? 400 : 600}
                  style={{ fill: carriedNow ? C.ink3 : C.water, fontStretch: '85%' }}
                >
                  {carriedNow ? 'pack' : w ? grams(w.waterG, units) : ''}
                </text>
                <LaneBar lane={lane} top={top} scored={scored} area={area} x={x} />
                {lane.cues.map((i, nth) => (
                  <Diamond
                    // Not by its cue: a change moved alone makes a cue of its own, and must not be let go of by that.
                    key={nth}
                    x={x(plan.cues[i].atS)}
                    y={top + LANE / 2}
                    label={`${lane.garment.name} at ${clock(plan.cues[i].atS)}. Drag it or use the arrow keys to move this change alone.`}
                    onKeyDown={onKeys({ what: 'part', cue: i, garment: lane.garment.id })}
                    {...hold({ what: 'part', cue: i, garment: lane.garment.id })}
                  />
                ))}
              </g>
            );
          })}
        </g>
      ))}
    </g>
  );
}

/** Where a cue changes a garment: a diamond, with room around it for a finger. */
function Diamond({
  x,
  y,
  label,
  ...handlers
}: { x: number; y: number; label: string } & React.SVGAttributes<SVGGElement>) {
  return (
    <g role="button" tabIndex={0} aria-label={label} style={{ cursor: 'ew-resize', touchAction: 'none' }} {...handlers}>
      <rect x={x - 11} y={y - 8} width={22} height={16} fill="transparent" />
      <path d={`M${x} ${y - 4.6}l4.6 4.6-4.6 4.6-4.6-4.6z`} fill={C.act} />
      <title>Drag to move this change alone</title>
    </g>
  );
}

function LaneBar({
  lane,
  top,
  scored,
  area,
  x,
}: {
  lane: Lane;
  top: number;
  scored: Scored | null;
  area: readonly number[];
  x: Scale;
}) {
  const mid = top + LANE / 2;
  return (
    <g pointerEvents="none">
      {lane.segments.map((s, i) => {
        const a = x(s.fromS);
        const b = x(s.toS);
        const w = Math.max(0.5, b - a);
        if (s.state === 'off')
          return (
            <line
              key={i}
              x1={a + 2}
              x2={b}
              y1={mid}
              y2={mid}
              stroke={C.ink3}
              strokeWidth="1.300"
              strokeDasharray="1.300 4"
            />
          );
        const h = s.state === 'worn' ? 9 : s.state === 'part' ? 6 : 4;
        const bar = top + 11.5 - h;
        return (
          <g key={i}>
            <rect x={a} y={bar} width={w} height={h} fill={C.worn} />
            {scored && (
              <WetRuns lane={lane} from={s.fromS} to={s.toS} y={bar} h={h} scored={scored} area={area} x={x} />
            )}
            <rect x={a} y={bar} width={w} height={h} fill="none" stroke={C.ink} strokeWidth="1" />
            {s.state !== 'worn' && (
              <rect
                x={a}
                y={bar - (s.state === 'part' ? 4 : 5)}
                width={w}
                height={s.state === 'part' ? 4 : 5}
                fill={`url(#teeth-${s.state === 'part' ? 'part' : 'open'})`}
              />
            )}
          </g>
        );
      })}
    </g>
  );
}

function WetRuns({
  lane,
  from,
  to,
  y,
  h,
  scored,
  area,
  x,
}: {
  lane: Lane;
  from: number;
  to: number;
  y: number;
  h: number;
  scored: Scored;
  area: readonly number[];
  x: Scale;
}) {
  const step = scored.series.stepS;
  const first = Math.ceil(from / step);
  const last = Math.min(scored.series.rows - 1, Math.floor(to / step));
  if (last < first) return null;
  const waters = Array.from({ length: last - first + 1 }, (_, i) =>
    garmentWater(scored, area, lane.garment, first + i),
  );
  const px = (i: number) => Math.min(x(to), Math.max(x(from), x((first + i) * step)));
  return (
    <>
      {runsOf(waters.length, (i) => wetLevel(waters[i].share)).map(
        (r) =>
          r.level > 0 && (
            <rect
              key={`w${r.from}`}
              x={px(r.from)}
              y={y}
              width={Math.max(0.5, px(r.to) - px(r.from))}
              height={h}
              fill={`url(#water-${r.level})`}
            />
          ),
      )}
      {runsOf(waters.length, (i) => waters[i].frostG > 1.5).map(
        (r) =>
          r.level && (
            <rect
              key={`f${r.from}`}
              x={px(r.from)}
              y={y}
              width={Math.max(0.5, px(r.to) - px(r.from))}
              height={h}
              fill="url(#frost)"
            />
          ),
      )}
    </>
  );
}
