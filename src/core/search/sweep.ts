import type { Garment, Group } from '@/core/clothing/garment';
import { isBarrierLiner, isHelmet, suitsSport } from '@/core/clothing/purpose';
import { isAlong, leaveGarment, swapGarment, takeGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { everWorn } from '@/core/kit/replay';
import { byPlace } from './candidates';
import { alike } from './changes';
import type { PlanRequest } from './planRequest';
import { isSpare, type Change } from './singleChanges';

/** Parts of the body that are dressed in several small pieces at once. */
export const HEAD: readonly Group[] = ['head', 'face', 'eyes'];
export const HANDS: readonly Group[] = ['hands'];
const FEET: readonly Group[] = ['feet'];
const PARTS: readonly (readonly Group[])[] = [HEAD, HANDS, FEET];

/** More ways to dress one of them than these are not tried. */
const MOST_WAYS = 400;

/**
 * Every way to dress head, hands or feet from the closet, of each kind one piece, or none where one may go without: a balaclava with glasses may be better than a nose strip under a
 * hood, or toe warmers with thin socks than thick socks, which leave them no room, and no single piece leads from one to the other. What is in the pack as a spare stays there, what waits there to be put on stays with its like, and so do helmets, warmers for the hands and what goes over shoes.
 * @param parts groups that are dressed together, each part by itself
 */
export function* sweep(
  plan: Plan,
  { closet, sport, barriers = false }: PlanRequest,
  parts: readonly (readonly Group[])[] = PARTS,
): Generator<Change> {
  const worn = everWorn(plan);
  const spare = (g: Garment) => plan.carried.includes(g.id) && !worn.has(g.id);
  const may = [...closet]
    .sort(byPlace)
    .filter((g) => suitsSport(g, sport) && (barriers || !isBarrierLiner(g)) && !spare(g));
  for (const groups of parts) {
    const pieces = may.filter((g) => groups.includes(g.group) && !staysAsItIs(g));
    const kinds = kindsOf(pieces).filter((kind) => !kind.some((g) => plan.carried.includes(g.id)));
    // In a closet with very many of them it would take longer than all else.
    if (kinds.reduce((count, kind) => count * (kind.length + 1), 1) > MOST_WAYS) continue;
    const ways = kinds.reduce<Garment[][]>(
      (all, kind) => all.flatMap((chosen) => [chosen, ...kind.map((g) => [...chosen, g])]),
      [[]],
    );
    const elsewhere = closet.filter((g) => isAlong(plan, g.id) && !kinds.some((kind) => kind.includes(g)));
    const goesWithout = (chosen: readonly Garment[]) => (kind: readonly Garment[]) => {
      const had = kind.find((g) => isAlong(plan, g.id));
      return !had || kind.some((g) => chosen.includes(g)) || isSpare(had, [...elsewhere, ...chosen]);
    };
    for (const chosen of ways.filter((some) => kinds.every(goesWithout(some))))
      yield {
        name: `dressed in ${chosen.map((g) => g.id).join(' ')}`,
        of: groups[0],
        warmer: 0,
        edit: (p) =>
          kinds.reduce(
            (q, kind) =>
              dressedIn(
                q,
                kind,
                chosen.find((g) => kind.includes(g)),
              ),
            p,
          ),
      };
  }
}

/** Helmets, warmers for the hands, and what goes over shoes. */
const staysAsItIs = (g: Garment): boolean =>
  g.group === 'feet' ? g.role === 'shell' || g.role === 'over' : g.role === 'heater' || isHelmet(g);

/** Pieces in groups of which one stands for another. */
function kindsOf(pieces: readonly Garment[]): Garment[][] {
  const kinds: Garment[][] = [];
  for (const g of pieces) {
    const kind = kinds.find(([first]) => alike(first, g));
    if (kind) kind.push(g);
    else kinds.push([g]);
  }
  return kinds;
}

/** The plan with this piece of a kind in place of what it has of that kind, put on and off as that was; undefined: with none. */
function dressedIn(plan: Plan, kind: readonly Garment[], chosen: Garment | undefined): Plan {
  const has = kind.filter((g) => isAlong(plan, g.id));
  if (chosen && has.includes(chosen)) return has.reduce((p, g) => (g === chosen ? p : leaveGarment(p, g.id)), plan);
  const [instead, ...more] = has;
  const rest = more.reduce((p, g) => leaveGarment(p, g.id), plan);
  if (!instead) return chosen ? takeGarment(rest, chosen.id, 'worn') : rest;
  return chosen ? swapGarment(rest, instead.id, chosen) : leaveGarment(rest, instead.id);
}
