import { STILL_AIR } from '@/core/atmosphere/windAtBody';
import { garment } from '@/core/clothing/catalogue/entry';
import type { Garment } from '@/core/clothing/garment';
import { CLOTHED_ZONES, type ClothedZone } from '@/core/body/zones';
import type { Stretch } from '@/core/outing/timeline';

/** Something that makes waiting less bad: a cover over everything, or other air and another seat. */
export interface Means {
  name: string;
  cover?: Garment;
  air?: (s: Stretch) => Partial<Stretch>;
  /** where it can be had at all */
  possible?: (s: Stretch) => boolean;
}

const every = (coverage: number, zones: readonly ClothedZone[] = CLOTHED_ZONES): Garment['panels'] =>
  Object.fromEntries(zones.map((z) => [z, { coverage }]));

const cover = (
  e: Pick<Parameters<typeof garment>[0], 'id' | 'name' | 'fibre' | 'mm' | 'gm2' | 'perm' | 'ret' | 'gap' | 'panels'>,
): Garment => garment({ ...e, group: 'torso', role: 'warm', cut: 'jacket', mass: 300, order: 95, waterResistance: 1 });

/** A coated sack pulled over everything: hardly any insulation of its own, but no wind, and still air within. */
const BAG = cover({
  id: 'a-bivouac-bag',
  name: 'Bivouac bag',
  fibre: 'nylon',
  mm: 0.2,
  gm2: 80,
  perm: 0.5,
  ret: 30,
  gap: 12,
  panels: { ...every(1), face: { coverage: 0.6 } },
});

/** Others pressed to one: they are as warm as one is, so the share that touches loses next to nothing (engineering values). */
const TOUCHES = { one: 0.25, two: 0.4 } as const;
const others = (how: keyof typeof TOUCHES): Garment =>
  cover({
    id: `${how}-close-by`,
    name: 'Others close by',
    fibre: 'synthetic fill',
    mm: 80,
    gm2: 400,
    perm: 5,
    ret: 100,
    gap: 2,
    panels: every(TOUCHES[how], ['chest', 'back', 'pelvis', 'arms', 'thighs']),
  });

/** Air in a dug hole settles at a few degrees below freezing whatever is outside (field guides, from memory), °C. */
const HOLE_C = -4;
const SNOW_C = 0;

const COMPANY: Record<keyof typeof TOUCHES, Means> = {
  one: { name: 'the other close by', cover: others('one') },
  two: { name: 'two others close by', cover: others('two') },
};

const MEANS: readonly Means[] = [
  { name: 'a foam mat to sit on', air: () => ({ wetting: 'sitting on a mat' }), possible: (s) => !s.packOn },
  { name: 'a bivouac bag', cover: BAG, air: () => ({ precipitation: 'none', precipitationMmH: 0, skyWm2: 0 }) },
  {
    name: 'a hole in the snow',
    air: (s) => ({
      airC: Math.max(s.airC, HOLE_C),
      relativeWind: STILL_AIR,
      precipitation: 'none',
      precipitationMmH: 0,
      skyWm2: 0,
      wetting: 'sitting on a mat',
    }),
    possible: (s) => s.airC < SNOW_C,
  },
];

/**
 * What may be along or done, beside clothes. Each is simulated as the waiting itself is.
 * @param people who are stuck together, 1 and more; left out: not known, and company is one of the means
 */
export function meansFor(people?: number): readonly Means[] {
  if (people === undefined || people > 2) return [...MEANS, COMPANY.two];
  return people === 2 ? [...MEANS, COMPANY.one] : MEANS;
}
