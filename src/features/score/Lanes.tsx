import type { Garment } from '@/core/clothing/garment';
import type { Scored } from '@/core/plan/score';
import type { Plan } from '@/core/simulate/plan';
import { grams, type Units } from '@/formats/words';
import { GROUP_WORDS } from '@/features/closet/figures';
import { C } from '@/ui/palette';
import { runsOf, type Scale } from '@/ui/scale';
import { fit } from './Land';
import { garmentWater, wetLevel, type Lane } from './lanes';

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
  selected: string | null;
  units: Units;
  onSelect: (id: string) => void;
  onEdge: (cue: number, garment: string, e: React.PointerEvent) => void;
}

export function lanesHeight(groups: Props['groups']): number {
  return groups.reduce((h, g) => h + g.lanes.length * LANE + GROUP_GAP, 0);
}

/** One lane a garment: when it is worn, vented or carried, and how wet it is. */
export function Lanes({ groups, plan, scored, area, x, y, endS, row, selected, units, onSelect, onEdge }: Props) {
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
            const carriedNow =
              lane.segments.find((s) => x.invert(0) !== Infinity && s.fromS <= row * 60 && row * 60 < s.toS)?.state ===
              'off';
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
                  aria-label={`${lane.garment.name}${w ? `, ${grams(w.waterG, 'metric')} of water` : ''}. Select to change it.`}
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
                {lane.cues.map((i) => (
                  <path
                    key={i}
                    d={`M${x(plan.cues[i].atS)} ${top + 2.2}l4.600 4.600-4.600 4.600-4.600-4.600z`}
                    fill={C.act}
                    style={{ cursor: 'ew-resize', touchAction: 'none' }}
                    onPointerDown={(e) => {
                      onSelect(lane.garment.id);
                      onEdge(i, lane.garment.id, e);
                    }}
                  >
                    <title>Drag to move this change alone</title>
                  </path>
                ))}
              </g>
            );
          })}
        </g>
      ))}
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
