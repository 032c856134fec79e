import type { Garment } from '@/core/clothing/garment';
import { isIndoors, isStop } from '@/core/effort/sports';
import { act, isAlong, leaveGarment, swapGarment, takeGarment } from '@/core/kit/edit';
import type { Cue, Plan } from '@/core/kit/plan';
import { isWorn, tidy } from '@/core/kit/replay';
import { phases } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import type { Candidates } from './candidates';
import type { PlanRequest } from './planRequest';
import { LAST_WAY_S } from './haltChanges';
import { anotherLayer, type Change } from './singleChanges';

/** What is tried before all else, once. */
export function* triedFirst(plan: Plan, candidates: Candidates, request: PlanRequest): Generator<Change> {
  yield* pairs(plan, candidates);
  yield* forStops(plan, candidates, request.timeline);
  yield* anotherLayer(plan, request);
  yield* baseWithLayer(plan, candidates);
  yield* forWornJackets(plan, candidates, request.timeline);
}

/**
 * A jacket for stops that is worn on the way, from the start or from a halt on: another layer in its place, or a middle layer with a shell, and the jacket
 * in the pack or at home. Neither half helps alone: a shell by itself is too cold, and the jacket over it too warm.
 */
export function* forWornJackets(
  plan: Plan,
  { mids, shells, warms }: Pick<Candidates, 'mids' | 'shells' | 'warms'>,
  timeline: Timeline,
): Generator<Change> {
  const going = phases(timeline).filter((m) => !m.stop && m.endS - m.startS > LAST_WAY_S);
  const jacket = warms.find((g) => going.some((m) => isWorn(plan, g.id, m.startS)));
  if (!jacket) return;
  const fromS = going.find((m) => isWorn(plan, jacket.id, m.startS))!.startS;
  const cue = plan.cues.findLast((c) => c.atS <= fromS && puts(c, jacket.id));
  const ways = [
    ['carried', (p: Plan) => (isAlong(p, jacket.id) ? p : takeGarment(p, jacket.id, 'carried'))],
    ['left', (p: Plan) => leaveGarment(p, jacket.id)],
  ] as const;
  const layers = [...mids, ...shells].filter((g) => !isAlong(plan, g.id));
  const pairs = mids.flatMap((m) =>
    shells.flatMap((s) => (isAlong(plan, m.id) || isAlong(plan, s.id) ? [] : [[s, m]])),
  );
  for (const [outer, inner] of [...layers.map((g) => [g]), ...pairs])
    for (const [how, along] of ways)
      yield {
        name: `${outer.id} ${inner?.id ?? ''} with ${jacket.id} ${how}`,
        of: 'torso',
        warmer: 0,
        edit: (p) => {
          if (cue)
            return along(
              [outer, inner].reduce((q, g) => (g ? putOnAt(q, g, cue.atS) : q), offFrom(p, jacket, cue.atS)),
            );
          const instead = swapGarment(p, jacket.id, outer);
          return along(inner ? takeGarment(instead, inner.id, 'worn') : instead);
        },
      };
}

const puts = (cue: Cue, id: string): boolean => cue.actions.some((a) => a.do === 'putOn' && a.garment === id);
const putOnAt = (p: Plan, g: Garment, atS: number): Plan =>
  act(takeGarment(p, g.id, 'carried'), { do: 'putOn', garment: g.id }, atS);

/** A plan in which a piece is not put on at a moment, nor taken off afterwards: until it would be put on again. */
function offFrom(plan: Plan, g: Garment, atS: number): Plan {
  const again = plan.cues.find((c) => c.atS > atS && puts(c, g.id))?.atS ?? Infinity;
  const within = (c: Cue) => c.atS >= atS && c.atS < again;
  return tidy({
    ...plan,
    cues: plan.cues.map((c) => (within(c) ? { ...c, actions: c.actions.filter((a) => a.garment !== g.id) } : c)),
  });
}

/**
 * Where a base alone or with one layer over it is worn all the way, and nothing goes on or off: any other base with any one layer, shut or
 * open, or by itself. A thin base under a vest is as warm as a thick one alone, and neither half of that change helps.
 */
function* baseWithLayer(
  plan: Plan,
  { bases, mids, shells, warms }: Pick<Candidates, 'bases' | 'mids' | 'shells' | 'warms'>,
): Generator<Change> {
  const base = bases.find((g) => isAlong(plan, g.id));
  const over = [...mids, ...shells].filter((g) => isAlong(plan, g.id));
  // Where layers go on and off much else hangs on the torso, and a first gain here has led into a hollow.
  const layers = new Set([...bases, ...mids, ...shells, ...warms].map((g) => g.id));
  const changes = plan.cues.some((c) => c.actions.some((a) => a.do !== 'set' && layers.has(a.garment)));
  if (!base || over.length > 1 || changes || warms.some((g) => plan.worn.includes(g.id))) return;
  const bare = (p: Plan) => over.reduce((q, g) => leaveGarment(q, g.id), p);
  for (const b of bases) {
    const swapped = (p: Plan) => (b === base ? bare(p) : swapGarment(bare(p), base.id, b));
    yield { name: `${b.id} by itself`, of: 'torso', warmer: 0, edit: swapped };
    for (const layer of [...mids, ...shells])
      for (const how of layerWays(layer))
        yield { ...how, name: `${b.id} under ${how.name}`, edit: (p) => how.edit(swapped(p)) };
  }
}

/** A layer worn from the start, shut and, where it has vents, open. */
function layerWays(layer: Garment): Change[] {
  const vents = layer.openings.filter((o) => o.kind === 'vent');
  return (vents.length > 0 ? [0, 1] : [0]).map((setting) => ({
    name: `${layer.id} ${setting === 0 ? 'shut' : 'open'}`,
    of: 'torso',
    warmer: 0,
    edit: (p) =>
      vents.reduce(
        (q, o) => act(q, { do: 'set', garment: layer.id, opening: o.id, setting }, 0),
        takeGarment(p, layer.id, 'worn'),
      ),
  }));
}

/**
 * Any other base with any middle layer, or none, beneath what else there is; what stays on all the way only. A thin base under an open vest is as warm as a thicker one
 * alone, and neither half of that change helps; where layers go on and off it is tried only when nothing else helps (`baseWithLayer`).
 */
export function* baseAndMid(plan: Plan, { bases, mids }: Pick<Candidates, 'bases' | 'mids'>): Generator<Change> {
  const base = bases.find((g) => isAlong(plan, g.id));
  const worn = mids.filter((g) => isAlong(plan, g.id));
  const moved = new Set(plan.cues.flatMap((c) => c.actions.flatMap((a) => (a.do === 'set' ? [] : [a.garment]))));
  if (!base || worn.length > 1 || [base, ...worn].some((g) => moved.has(g.id))) return;
  const bare = (p: Plan) => worn.reduce((q, g) => leaveGarment(q, g.id), p);
  for (const b of bases) {
    if (b === base) continue;
    const swapped = (p: Plan) => swapGarment(bare(p), base.id, b);
    yield { name: `${b.id} and no middle layer`, of: 'torso', warmer: 0, edit: swapped };
    for (const mid of mids)
      for (const how of layerWays(mid))
        yield { ...how, name: `${b.id}, ${how.name}`, edit: (p) => how.edit(swapped(p)) };
  }
}

/** Middle layer and shell changed together: layers that only pay, or only are needless, as a pair. */
function* pairs(plan: Plan, { mids, shells }: Pick<Candidates, 'mids' | 'shells'>): Generator<Change> {
  const mid = mids.find((g) => isAlong(plan, g.id));
  const shell = shells.find((g) => isAlong(plan, g.id));
  if (!mid || !shell) return;
  const swap = (p: Plan, g: Garment, to: Garment) => (g === to ? p : swapGarment(p, g.id, to));
  const pair = (name: string, edit: Change['edit']): Change => ({ name, of: 'torso', warmer: 0, edit });
  for (const m of [mid, ...mids.filter((g) => g !== mid)]) {
    yield pair(`${m.id} alone`, (p) => leaveGarment(swap(p, mid, m), shell.id));
    if (m === mid) continue;
    for (const s of shells) if (s !== shell) yield pair(`${m.id} and ${s.id}`, (p) => swap(swap(p, mid, m), shell, s));
  }
  for (const s of shells) yield pair(`${s.id} alone`, (p) => leaveGarment(swap(p, shell, s), mid.id));
}

/** Another jacket for stops together with over-trousers where it is worn, or without those there are: each makes up for the other. */
function* forStops(
  plan: Plan,
  { warms, overLegs }: Pick<Candidates, 'warms' | 'overLegs'>,
  timeline: Timeline,
): Generator<Change> {
  const jacket = warms.find((g) => isAlong(plan, g.id));
  if (!jacket) return;
  for (const legs of overLegs)
    for (const to of warms) {
      const instead = (p: Plan) => (to === jacket ? p : swapGarment(p, jacket.id, to));
      const edit = (p: Plan) =>
        isAlong(plan, legs.id) ? leaveGarment(instead(p), legs.id) : atStopsWith(instead(p), to, legs, timeline);
      yield {
        name: `${to.id} ${isAlong(plan, legs.id) ? 'without' : 'with'} ${legs.id}`,
        of: 'torso',
        warmer: 0,
        edit,
      };
    }
}

/** A plan in which one piece is worn at the stops at which another is, and not on the way. */
function atStopsWith(plan: Plan, one: Garment, also: Garment, t: Timeline): Plan {
  return t.legs.reduce((p, leg, i) => {
    const [from, to] = [t.legStartS[i], t.legStartS[i + 1]];
    if (!isStop(leg) || isIndoors(leg.sport) || from === 0 || !isWorn(plan, one.id, (from + to) / 2)) return p;
    const on = act(p, { do: 'putOn', garment: also.id }, from);
    return to < t.endS ? act(on, { do: 'takeOff', garment: also.id }, to) : on;
  }, plan);
}
