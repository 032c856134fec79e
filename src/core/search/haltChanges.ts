import {
  isLegBase,
  isOuterLayer,
  isOutdoorWear,
  isOverTrousers,
  isStandby,
  isUnderwear,
  leavesLegsBare,
} from '@/core/clothing/purpose';
import type { Garment } from '@/core/clothing/garment';
import { isIndoors } from '@/core/effort/sports';
import { act, swapGarment, takeGarment } from '@/core/kit/edit';
import { staysFollowable } from '@/core/kit/followable';
import type { Plan } from '@/core/kit/plan';
import { isWorn, tidy, wornAt } from '@/core/kit/replay';
import { legAt, phases, stretchAt, type Phase } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import { leeIsNear, standbyGoesOn } from './course';
import type { PlanRequest } from './planRequest';
import type { Change } from './singleChanges';

/** On the last way to a stop, no longer than this, a jacket may go on before one cools, s; over-trousers only where one stands. */
export const LAST_WAY_S = 360;
export const mayGoOn = (g: Garment, timeline: Timeline, m: Phase): boolean =>
  !isStandby(g) ||
  standbyGoesOn(timeline, m, g.group === 'legs' ? 'legs' : 'torso') ||
  (g.group === 'torso' &&
    m.endS - m.startS <= LAST_WAY_S &&
    phases(timeline).some((next) => next.stop && Math.abs(next.startS - m.endS) < 1));

/** Where one halts: layers on or off from there on, and on for the stop alone; and a stop held in the lee. */
export function* atHalts(
  plan: Plan,
  { along, takes }: { along: readonly Garment[]; takes: readonly Garment[] },
  { timeline, person }: PlanRequest,
): Generator<Change> {
  const can = staysFollowable(timeline, person);
  const asked = (edit: Change['edit']) => (p: Plan) => {
    const next = edit(p);
    return can(p, next) ? next : p;
  };
  const moments = phases(timeline);
  // Trousers come off under a roof over what can be seen there.
  const legs = along.find(isLegBase);
  const inRoom = takes.filter(isLegBase);
  const halts = moments.filter((m) => m.halted && m.startS > 0);
  for (const m of halts) {
    const { startS } = m;
    // One stays until one goes on or dresses for the way, whatever moments there are meanwhile.
    const leg = legAt(timeline, startS + 1);
    const isOver = (n: Phase) => n.startS > startS && (!n.stop || legAt(timeline, n.startS + 1) !== leg);
    const endS = moments.find(isOver)?.startS ?? timeline.endS;
    const change = (g: Garment, name: string, edit: Change['edit']): Change => ({
      name: `${g.id} ${name} ${startS}`,
      of: g.group,
      warmer: 0,
      edit: asked(edit),
    });
    const forStop = (g: Garment) => (p: Plan) => {
      const on = act(p, { do: 'putOn', garment: g.id }, startS);
      return endS < timeline.endS ? act(on, { do: 'takeOff', garment: g.id }, endS) : on;
    };
    for (const g of along.filter((o) => isOuterLayer(o) || isStandby(o))) {
      const worn = isWorn(plan, g.id, startS);
      if (!worn && !mayGoOn(g, timeline, m)) continue;
      const does = worn ? 'takeOff' : 'putOn';
      yield change(g, does, (p) => act(p, { do: does, garment: g.id }, startS));
      if (!worn && m.stop) yield change(g, 'for', forStop(g));
    }
    if (!m.stop) continue;
    for (const o of takes.filter(isOverTrousers))
      yield change(o, 'for', (p) => forStop(o)(takeGarment(p, o.id, 'carried')));
    const worn = wornAt(plan, startS);
    if (isIndoors(stretchAt(timeline, startS + 1).sport)) {
      const off = (g: Garment) => (p: Plan) => {
        const without = act(p, { do: 'takeOff', garment: g.id }, startS);
        return endS < timeline.endS ? act(without, { do: 'putOn', garment: g.id }, endS) : without;
      };
      for (const g of along.filter((o) => isOutdoorWear(o) && worn.has(o.id))) {
        if (!leavesLegsBare(g, along, worn)) yield change(g, 'off under the roof', off(g));
        if (g.group !== 'legs' || (legs && !isUnderwear(legs))) continue;
        for (const o of inRoom) {
          const over = (p: Plan) => (legs ? swapGarment(p, legs.id, o) : takeGarment(p, o.id, 'worn'));
          yield change(g, `over ${o.id}, off under the roof`, (p) => off(g)(over(p)));
        }
      }
    }
    if (leeIsNear(timeline, m) && !plan.cues.some((c) => c.shelter && Math.abs(c.atS - startS) < 1))
      yield {
        name: `lee at ${startS}`,
        of: 'going',
        warmer: 0,
        edit: (p) => tidy({ ...p, cues: [...p.cues, { atS: startS, actions: [], shelter: { untilS: endS } }] }),
      };
  }
}
