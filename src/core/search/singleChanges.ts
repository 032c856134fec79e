import {
  isBarrierLiner,
  isLegBase,
  isOuterLayer,
  isOverTrousers,
  isStandby,
  isUnderwear,
  suitsSport,
  isHelmet,
  isWarmHat,
} from '@/core/clothing/purpose';
import { fabricResistance, type Garment, type Group } from '@/core/clothing/garment';
import { act, alongOf, isAlong, leaveGarment, swapGarment, takeGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { everWorn, isWorn, settingAt, tidy } from '@/core/kit/replay';
import { sleevesDown } from '@/core/kit/sleeves';
import { phases } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import { alike } from './changes';
import { atHalts } from './haltChanges';
import { inThePack } from './inThePack';
import type { PlanRequest } from './planRequest';

/** One change of a plan, its name, and what of the body it dresses. */
export interface Change {
  name: string;
  of: Group | 'going';
  /** insulation that comes with it, m²K/W; negative: goes */
  warmer: number;
  edit: (plan: Plan) => Plan;
  /** points it must gain, where that is more than a swap must */
  least?: number;
}

/**
 * One piece swapped for another of its like, or left at home; a layer or long underwear put on, over-trousers for a stop; or one cue
 * without its pace or its shelter. What has vents comes with them shut and with them open: a vest that is right open may be far too
 * warm shut.
 */
export function* singleChanges(plan: Plan, request: PlanRequest): Generator<Change> {
  const byId = new Map(request.closet.map((g) => [g.id, g]));
  for (const c of asTheyCome(plan, request)) yield { ...c, edit: (p) => sleevesDown(c.edit(p), byId) };
}

function* asTheyCome(plan: Plan, request: PlanRequest): Generator<Change> {
  const { closet, sport, barriers = false } = request;
  const along = alongOf(closet, plan);
  const suits = (o: Garment) => !isAlong(plan, o.id) && suitsSport(o, sport) && (barriers || !isBarrierLiner(o));
  for (const g of along) {
    for (const other of closet.filter((o) => alike(o, g) && suits(o)))
      yield* shutAndOpen(
        other,
        {
          name: `${g.id} to ${other.id}`,
          of: g.group,
          warmer: fabricResistance(other) - fabricResistance(g),
          edit: (p) => swapGarment(p, g.id, other),
        },
        g,
      );
    // What is along already may be worn again in the place of another that is worn at other times.
    for (const other of along)
      if (other !== g && alike(other, g) && !wornTogether(plan, g.id, other.id))
        yield {
          name: `${other.id} again for ${g.id}`,
          of: g.group,
          warmer: 0,
          edit: (p) => (isAlong(p, other.id) ? swapGarment(p, g.id, other) : p),
        };
    // One of two things kept dry for stops may be enough there: the jacket that is along and stays in the pack.
    if (isOverTrousers(g))
      for (const jacket of along)
        if (jacket.group === 'torso' && isStandby(jacket) && !everWorn(plan).has(jacket.id))
          yield {
            name: `${jacket.id} for ${g.id} at stops`,
            of: 'torso',
            warmer: fabricResistance(jacket) - fabricResistance(g),
            edit: (p) => (isAlong(p, g.id) ? swapGarment(leaveGarment(p, jacket.id), g.id, jacket) : p),
          };
    // What is small may wait in the pocket while its like is worn.
    if (WAITS.has(g.group) && g.role !== 'over' && plan.worn.includes(g.id))
      for (const other of closet.filter((o) => o.group === g.group && alike(o, g) && suits(o)))
        yield {
          name: `${other.id}, ${g.id} carried`,
          of: g.group,
          warmer: fabricResistance(other) - fabricResistance(g),
          edit: (p) => act(takeGarment(p, other.id, 'worn'), { do: 'takeOff', garment: g.id }, 0),
        };
    // Padded ones may come over thinner ones later.
    if (g.group === 'hands' && g.role === 'warm' && plan.worn.includes(g.id))
      for (const other of closet.filter((o) => o.group === 'hands' && o.role === 'mid' && suits(o)))
        for (const { startS } of phases(request.timeline).slice(1))
          yield {
            name: `${other.id}, ${g.id} from ${startS}`,
            of: g.group,
            warmer: 0,
            edit: (p) => {
              const without = act(takeGarment(p, other.id, 'worn'), { do: 'takeOff', garment: g.id }, 0);
              return act(without, { do: 'putOn', garment: g.id }, startS);
            },
          };
    if (isSpare(g, along))
      yield { name: `no ${g.id}`, of: g.group, warmer: -fabricResistance(g), edit: (p) => leaveGarment(p, g.id) };
  }
  for (const o of closet)
    if (isOuterLayer(o) && suits(o) && !along.some((g) => alike(o, g)))
      yield* shutAndOpen(o, {
        name: `${o.id} too`,
        of: o.group,
        warmer: fabricResistance(o),
        edit: (p) => takeGarment(p, o.id, 'worn'),
      });
  yield* oneForTwo(
    along.filter(isOuterLayer),
    closet.filter((o) => (isOuterLayer(o) || (o.group === 'torso' && isStandby(o))) && suits(o)),
  );
  yield* untilItFalls(plan, along, request.timeline);
  yield* inThePack(along, request);
  yield* withoutChanging(plan, closet, 'hands');
  yield* atHalts(
    plan,
    {
      along,
      takes: closet.filter((o) => (isOverTrousers(o) || isWarmHat(o) || (isLegBase(o) && !isUnderwear(o))) && suits(o)),
    },
    request,
  );
  if (!along.some(isLegBase))
    for (const o of closet)
      if (isLegBase(o) && suits(o))
        yield {
          name: `${o.id} too`,
          of: 'legs',
          warmer: fabricResistance(o),
          edit: (p) => takeGarment(p, o.id, 'worn'),
        };
  for (const { atS, pace, shelter } of plan.cues)
    if (pace || shelter)
      yield {
        name: `${atS} as planned`,
        of: 'going',
        warmer: 0,
        edit: (p) => tidy({ ...p, cues: p.cues.map((c) => (c.atS === atS ? { atS, actions: c.actions } : c)) }),
      };
}
/**
 * Another layer of the torso in the place of one, whether that was a middle layer or a shell; and, of those that are along, one other in the
 * place of all, put on and off as one of them was.
 */
export function* anotherLayer(plan: Plan, { closet, sport }: PlanRequest): Generator<Change> {
  const outer = alongOf(closet, plan).filter(isOuterLayer);
  for (const g of outer) {
    const others = outer.filter((x) => x !== g);
    for (const o of closet) {
      if (!isOuterLayer(o) || isAlong(plan, o.id) || !suitsSport(o, sport)) continue;
      const instead = (p: Plan) => swapGarment(p, g.id, o);
      const change = {
        name: `${g.id} to ${o.id}`,
        of: 'torso' as const,
        warmer: fabricResistance(o) - fabricResistance(g),
        edit: instead,
      };
      if (!outer.some((x) => alike(o, x))) yield* shutAndOpen(o, change, g);
      if (others.length > 0)
        yield* shutAndOpen(
          o,
          {
            ...change,
            name: `${o.id} for ${outer.map((x) => x.id).join(' and ')} as ${g.id}`,
            warmer: change.warmer - others.reduce((sum, x) => sum + fabricResistance(x), 0),
            edit: (p) => others.reduce((q, x) => leaveGarment(q, x.id), instead(p)),
          },
          g,
        );
    }
  }
}

/**
 * Tights in the place of trousers and the other way about: other pieces of the legs that are worn over nothing, or over long underwear, in the place of one. Each
 * with its vents shut and open, since trousers that are shut may be far too warm.
 */
export function* otherLegs(plan: Plan, { closet, sport }: PlanRequest): Generator<Change> {
  const isOuter = (g: Garment) => g.group === 'legs' && LEGS_OVER.has(g.role) && !isUnderwear(g);
  const along = alongOf(closet, plan);
  for (const g of along.filter(isOuter))
    for (const o of closet)
      if (isOuter(o) && !along.some((x) => x === o || alike(x, o)) && suitsSport(o, sport))
        yield* shutAndOpen(
          o,
          {
            name: `${g.id} to ${o.id}`,
            of: 'legs',
            warmer: fabricResistance(o) - fabricResistance(g),
            edit: (p) => swapGarment(p, g.id, o),
          },
          g,
        );
}
const LEGS_OVER: ReadonlySet<Garment['role']> = new Set(['base', 'shell', 'storm', 'over']);

/** From so many layers over the base on two of them may give way to one: two shells over each other warm less than a fleece or a second jacket. */
const MANY_LAYERS = 4;

function* oneForTwo(outer: readonly Garment[], takes: readonly Garment[]): Generator<Change> {
  if (outer.length < MANY_LAYERS) return;
  for (const [a, b] of outer.flatMap((x) => outer.flatMap((y) => (x === y ? [] : [[x, y]]))))
    for (const o of takes)
      yield {
        name: `${o.id} for ${a.id} and ${b.id}`,
        of: 'torso',
        warmer: fabricResistance(o) - fabricResistance(a) - fabricResistance(b),
        edit: (p) => leaveGarment(swapGarment(p, a.id, o), b.id),
      };
}

/** What keeps rain off and is worn from the start waits in the pack until something falls, or until the last halt before that. */
function* untilItFalls(plan: Plan, along: readonly Garment[], timeline: Timeline): Generator<Change> {
  const falls = timeline.stretches.find((s) => s.precipitationMmH > 0);
  if (!falls || falls.startS === 0) return;
  const before = phases(timeline).filter((m) => m.startS > 0 && m.startS <= falls.startS + 1);
  const moments = new Set([before.filter((m) => m.halted).at(-1), before.at(-1)]);
  for (const g of along)
    for (const m of moments)
      if (m && g.role === 'storm' && plan.worn.includes(g.id))
        yield {
          name: `${g.id} from ${m.startS}`,
          of: g.group,
          warmer: 0,
          edit: (p) => act(act(p, { do: 'takeOff', garment: g.id }, 0), { do: 'putOn', garment: g.id }, m.startS),
        };
}

/** Whether two pieces are ever worn at one time. */
const wornTogether = (plan: Plan, a: string, b: string): boolean =>
  [0, ...plan.cues.map((c) => c.atS)].some((atS) => isWorn(plan, a, atS) && isWorn(plan, b, atS));

/**
 * A change as it is and, where the piece that comes has vents that the one it stands for has not, with those set the other way from the
 * start: how the others stand was found before.
 */
function* shutAndOpen(g: Garment, change: Change, before?: Garment): Generator<Change> {
  yield change;
  const vents = g.openings.filter((o) => o.kind === 'vent' && !before?.openings.some((b) => b.id === o.id));
  if (vents.length === 0) return;
  yield {
    ...change,
    name: `${change.name}, vents the other way`,
    edit: (p) => {
      const next = change.edit(p);
      // The piece it stands for may have gone since the change was thought of.
      if (!isAlong(next, g.id)) return next;
      const setting = vents.some((o) => settingAt(next, g, o.id, 0) > 0.5) ? 0 : 1;
      return vents.reduce((q, { id }) => act(q, { do: 'set', garment: g.id, opening: id, setting }, 0), next);
    },
  };
}

const WAITS: ReadonlySet<Group> = new Set(['hands', 'head', 'face']);

/** Layers of the torso, or gloves, kept as they are where a cue takes them off or puts them on. */
export function* withoutChanging(
  plan: Plan,
  closet: readonly Garment[],
  of: 'torso' | 'hands' = 'torso',
): Generator<Change> {
  const pieces = new Map(closet.flatMap((g) => (g.group === of ? [[g.id, fabricResistance(g)] as const] : [])));
  for (const cue of plan.cues)
    for (const a of cue.actions)
      if (a.do !== 'set' && pieces.has(a.garment))
        yield {
          name: `${cue.atS} not ${a.do} ${a.garment}`,
          of,
          warmer: pieces.get(a.garment)! * (a.do === 'takeOff' ? 1 : -1),
          edit: (p) =>
            tidy({
              ...p,
              cues: p.cues.map((c) =>
                c.atS === cue.atS
                  ? { ...c, actions: c.actions.filter((b) => b.do !== a.do || b.garment !== a.garment) }
                  : c,
              ),
            }),
        };
}

/** Whether somebody may go without it at all: nobody goes without shoes, briefs, a helmet, a base, or the one layer over the legs or feet. */
export function isSpare(g: Garment, along: readonly Garment[]): boolean {
  if (g.role === 'footwear' || g.role === 'short' || isHelmet(g)) return false;
  if (g.group === 'torso') return g.role !== 'base';
  if (g.group !== 'legs' && g.group !== 'feet') return true;
  const covers = COVERS[g.group];
  if (!covers.has(g.role)) return true;
  return along.some((o) => o !== g && o.group === g.group && covers.has(o.role));
}
/** What is a layer of its own there, and not a liner, shorts or something over it: of the feet a shell is a gaiter. */
const COVERS: Record<'legs' | 'feet', ReadonlySet<Garment['role']>> = {
  legs: new Set(['base', 'mid', 'shell', 'over']),
  feet: new Set(['base', 'mid']),
};
