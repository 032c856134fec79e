import type { Garment } from '@/core/clothing/garment';
import type { Worn } from '@/core/kit/difference';
import type { FootWay, GoingWay, HandWay, HeadWay, LegWay, TorsoWay, Way } from './waysToWear';

/** How everything is worn at one moment, and how one goes: one way of each choice. */
export type Dress = readonly [TorsoWay, HandWay, HeadWay, LegWay, FootWay, GoingWay];

/** A dress with each way turned into another of the same choice. */
export const mapDress = (dress: Dress, turn: (way: Way, choice: number) => Way): Dress =>
  dress.map(turn) as unknown as Dress;

/** The dress with one choice made another way. */
export const withWay = (dress: Dress, choice: number, way: Way): Dress =>
  mapDress(dress, (w, i) => (i === choice ? way : w));

/** Whether two dresses, of one kit or of two, are the same clothes worn the same way. */
export const wornAlike = (a: Dress, b: Dress): boolean =>
  JSON.stringify(a.map((w) => [w.worn, w.open])) === JSON.stringify(b.map((w) => [w.worn, w.open]));

/** What a dress comes to: what is on, and how every opening stands (as usual where no way says otherwise). */
export function wornOf(dress: Dress, garments: ReadonlyMap<string, Garment>): Worn {
  const on = new Set<string>();
  for (const w of dress) for (const id of w.worn) on.add(id);
  const open: Worn['open'] = new Map();
  for (const id of on) open.set(id, new Map(garments.get(id)!.openings.map((o) => [o.id, o.usual])));
  for (const w of dress)
    for (const id of Object.keys(w.open)) {
      const settings = open.get(id);
      if (settings) for (const o of Object.keys(w.open[id])) settings.set(o, w.open[id][o]);
    }
  return { on, open };
}

/** The first phase in which two paths are dressed differently; the last one where they are the same. */
export function firstDifference(a: readonly Dress[], b: readonly Dress[]): number {
  let p = 0;
  while (p < a.length - 1 && a[p] === b[p]) p++;
  return p;
}
