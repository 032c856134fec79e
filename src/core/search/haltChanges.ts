import {
  isHelmet,
  isLegBase,
  isOuterLayer,
  bothersIndoors,
  isOverTrousers,
  isStandby,
  isUnderwear,
  isWarmHat,
  leavesLegsBare,
} from '@/core/clothing/purpose';
import type { Garment, Opening } from '@/core/clothing/garment';
import { isCamp, isIndoors } from '@/core/effort/sports';
import { act, isAlong, swapGarment, takeGarment } from '@/core/kit/edit';
import { staysFollowable } from '@/core/kit/followable';
import type { Plan } from '@/core/kit/plan';
import { isWorn, settingAt, tidy, wornAt } from '@/core/kit/replay';
import { legAt, phases, stretchAt, type Phase } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import { leeIsNear, standbyGoesOn } from './course';
import { FEW } from './finishing';
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
  { timeline, person, closet }: PlanRequest,
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
  // Few pieces are worn in nearly every way while cues are placed.
  const may = closet.length > FEW ? spells(timeline) : spells(timeline).filter(({ does }) => does === 'shut');
  yield* ventsForAWhile(plan, along, may, asked);
  for (const m of halts) {
    const { startS } = m;
    const endS = stopEnds(m, moments, timeline);
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
    const off = (g: Garment) => (p: Plan) => {
      const without = act(p, { do: 'takeOff', garment: g.id }, startS);
      return endS < timeline.endS ? act(without, { do: 'putOn', garment: g.id }, endS) : without;
    };
    const { sport } = stretchAt(timeline, startS + 1);
    if (isCamp(sport)) {
      const hats = takes.filter((o) => isWarmHat(o) && !worn.has(o.id));
      for (const g of along.filter((o) => isHelmet(o) && worn.has(o.id))) {
        yield change(g, 'off in camp', off(g));
        for (const hat of hats)
          yield change(g, `off for ${hat.id}`, (p) =>
            forStop(hat)(isAlong(p, hat.id) ? off(g)(p) : takeGarment(off(g)(p), hat.id, 'carried')),
          );
      }
    }
    if (isIndoors(sport)) {
      for (const g of along.filter((o) => bothersIndoors(o) && worn.has(o.id))) {
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

/** When a stop that begins with a phase is over, s: one stays until one goes on or dresses for the way, whatever moments there are meanwhile. */
function stopEnds({ startS }: Phase, moments: readonly Phase[], timeline: Timeline): number {
  const leg = legAt(timeline, startS + 1);
  const isOver = (n: Phase) => n.startS > startS && (!n.stop || legAt(timeline, n.startS + 1) !== leg);
  return moments.find(isOver)?.startS ?? timeline.endS;
}

/**
 * Vents that are set otherwise for a while and then as they were: what stands open on the way, shut for a stop, a wait at the start too (trousers that are worn with open
 * vents through a race are shut in its pen); and what is shut, opened from a stop to the next or for one leg (a shell is open on the climb and shut at the top).
 */
function* ventsForAWhile(
  plan: Plan,
  along: readonly Garment[],
  may: readonly Spell[],
  asked: (edit: Change['edit']) => Change['edit'],
): Generator<Change> {
  for (const { startS, endS, goesOn, does } of may)
    for (const g of along) {
      if (!isWorn(plan, g.id, startS + 1)) continue;
      const other = does === 'shut' ? 0 : 1;
      const vents = g.openings.filter((o) => o.kind === 'vent' && settingAt(plan, g, o.id, startS + 1) !== other);
      if (vents.length === 0) continue;
      const set = (p: Plan, atS: number, to: (o: Opening) => number) =>
        vents.reduce((q, o) => act(q, { do: 'set', garment: g.id, opening: o.id, setting: to(o) }, atS), p);
      yield {
        name: `${g.id} ${does} from ${startS} until ${endS}`,
        of: g.group,
        warmer: 0,
        edit: asked((p) => {
          // The piece may have gone since the change was thought of.
          if (!isAlong(p, g.id)) return p;
          const during = set(p, startS, () => other);
          return goesOn ? set(during, endS, (o) => settingAt(p, g, o.id, endS)) : during;
        }),
      };
    }
}

/** A while for which vents are set otherwise, s, and whether the outing goes on after it. */
interface Spell {
  startS: number;
  endS: number;
  goesOn: boolean;
  does: 'shut' | 'open';
}

/** Stops outdoors, for which vents are shut, and ways from one stop to the next and single legs of them, for which they are opened; the ends of ways are where stops begin, s. */
function spells(timeline: Timeline): Spell[] {
  const moments = phases(timeline);
  const spell = (does: Spell['does'], startS: number, endS: number): Spell => ({
    does,
    startS,
    endS,
    goesOn: endS < timeline.endS,
  });
  const shut = moments.flatMap((m) =>
    m.stop && !isIndoors(stretchAt(timeline, m.startS + 1).sport)
      ? [spell('shut', m.startS, stopEnds(m, moments, timeline))]
      : [],
  );
  const open = moments.flatMap((m, i) => {
    if (m.stop || (i > 0 && !moments[i - 1].stop && legOf(timeline, m) === legOf(timeline, moments[i - 1]))) return [];
    const begins = (found: Phase | undefined): number => found?.startS ?? timeline.endS;
    const after = moments.slice(i + 1);
    const leg = begins(after.find((n) => n.stop || legOf(timeline, n) !== legOf(timeline, m)));
    const way = i === 0 || moments[i - 1].stop ? begins(after.find((n) => n.stop)) : leg;
    return [...new Set([leg, way])].map((endS) => spell('open', m.startS, endS));
  });
  return [...shut, ...open];
}

const legOf = (timeline: Timeline, { startS }: Phase): number => legAt(timeline, startS + 1);
