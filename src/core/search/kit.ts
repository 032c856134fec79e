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

export const kitGarments = (k: Kit): Garment[] =>
  PARTS.flatMap((part) => k[part] ?? []).filter((g): g is Garment => g !== null);
