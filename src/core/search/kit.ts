import type { Garment } from '@/core/clothing/garment';

/** The garments a plan may use, by the part each plays. */
export interface Kit {
  base: Garment;
  mid: Garment | null;
  shell: Garment | null;
  /** the jacket that stands by in the pack */
  warm: Garment | null;
  legs: Garment[];
  /** goes over everything at stops */
  overLegs: Garment | null;
  feet: Garment[];
  /** socks to change into at a stop */
  dry: Garment | null;
  toeWarmers: Garment | null;
  liner: Garment | null;
  mitts: Garment | null;
  handWarmers: Garment | null;
  cap: Garment | null;
  hat: Garment | null;
  tube: Garment | null;
  helmet: Garment | null;
  eyes: Garment | null;
}

/** The parts in the order in which the garments of a kit are simulated: the same kit, the same numbers. */
const PARTS: readonly (keyof Kit)[] = [
  'base',
  'mid',
  'shell',
  'warm',
  'legs',
  'overLegs',
  'feet',
  'dry',
  'toeWarmers',
  'liner',
  'mitts',
  'handWarmers',
  'cap',
  'hat',
  'tube',
  'helmet',
  'eyes',
];

/** A kit by the ids of its garments. */
export type KitNames = Record<keyof Kit, string[]>;

const listed = (part: Kit[keyof Kit]): readonly Garment[] =>
  Array.isArray(part) ? part : part ? [part as Garment] : [];

export const namesOf = (k: Kit): KitNames =>
  Object.fromEntries(PARTS.map((part) => [part, listed(k[part]).map((g) => g.id)])) as KitNames;

/** The kit that was named so. @throws Error where the closet lacks a piece of it */
export function kitNamed(names: KitNames, closet: readonly Garment[]): Kit {
  const byId = new Map(closet.map((g) => [g.id, g]));
  const pieces = (part: keyof Kit) =>
    names[part].map((id) => {
      const g = byId.get(id);
      if (!g) throw new Error(`the closet has no ${id}`);
      return g;
    });
  const lists: readonly (keyof Kit)[] = ['legs', 'feet'];
  const parts = PARTS.map((part) => [part, lists.includes(part) ? pieces(part) : (pieces(part)[0] ?? null)]);
  return Object.fromEntries(parts) as unknown as Kit;
}

export const kitGarments = (k: Kit): Garment[] =>
  PARTS.flatMap((part) => k[part] ?? []).filter((g): g is Garment => g !== null);
