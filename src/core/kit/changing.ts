import type { Garment } from '@/core/clothing/garment';
import { isWornOnHands } from '@/core/clothing/purpose';
import type { KitAction } from './plan';

/** Taking boots off and putting them on again, and the pack, s; shaking frost out of a garment (engineering values). */
const BOOTS_S = 100;
const PACK_S = 25;
export const SHAKE_S = 15;
/** What lies over a layer being changed comes off and goes on again: a little slower than each alone. */
const OVER_SHARE = 1.2;
/** Hands cannot work zips, straps and laces in mittens or in gloves thicker than this, mm. */
const WORKS_IN_MM = 3;

/** A change of the kit as hands do it: how long it takes, and what is off meanwhile. */
export interface Changing {
  seconds: number;
  /** nobody does it while moving */
  halt: boolean;
  /** off at once */
  first: KitAction[];
  /** on and set when the hands are done */
  last: KitAction[];
  /** ids of what is only laid aside: layers over the one changed, boots, thick gloves */
  aside: string[];
}

/** Hats, gloves, what covers the face, and eyewear are changed on the move; layers and socks are not. */
export const onTheMove = (g: Garment): boolean =>
  g.group === 'head' || g.group === 'hands' || g.group === 'face' || g.group === 'eyes';

/** Who changes: ids of what they have on, what there is by id, and whether they carry a pack. */
export interface Changer {
  on: ReadonlySet<string>;
  garments: ReadonlyMap<string, Garment>;
  packOn: boolean;
}

/** What carrying out some actions takes of a person. Unknown garments are passed over: the simulator refuses them. */
export function changing(actions: readonly KitAction[], { on, garments, packOn }: Changer): Changing {
  const first: KitAction[] = [];
  const last: KitAction[] = [];
  const putOn = new Set(actions.flatMap((a) => (a.do === 'putOn' ? [a.garment] : [])));
  const moved = new Set(actions.flatMap((a) => (a.do === 'putOn' || a.do === 'takeOff' ? [a.garment] : [])));
  const aside = new Set<string>();
  let seconds = 0;
  let halt = false;
  let boots = false;
  for (const a of actions) {
    (a.do === 'takeOff' ? first : last).push(a);
    const g = garments.get(a.garment);
    if (!g) continue;
    if (a.do === 'set') {
      if (!putOn.has(g.id)) seconds += g.openings.find((o) => o.id === a.opening)?.seconds ?? 0;
      continue;
    }
    seconds += a.do === 'brush' ? SHAKE_S : g.changeSeconds;
    if (a.do !== 'brush' && onTheMove(g)) continue;
    halt = true;
    if (a.do === 'brush') continue;
    for (const id of on) {
      const over = garments.get(id);
      if (over && over.group === g.group && over.order > g.order && !moved.has(id)) aside.add(id);
    }
    boots ||= g.group === 'legs' && !g.overBoots;
  }
  if (boots)
    for (const id of on)
      if (garments.get(id)?.group === 'feet' && garments.get(id)!.role === 'footwear' && !moved.has(id)) aside.add(id);
  for (const id of aside) {
    const g = garments.get(id)!;
    seconds += g.role === 'footwear' ? BOOTS_S : OVER_SHARE * g.changeSeconds;
  }
  if (halt && packOn) seconds += PACK_S;
  if (halt)
    for (const id of on) {
      const g = garments.get(id);
      if (g && isWornOnHands(g) && !moved.has(id))
        if (g.handForm === 'mitten' || g.thicknessMm > WORKS_IN_MM) aside.add(id);
    }
  return { seconds, halt, first, last, aside: [...aside] };
}
