import type { Garment } from '@/core/clothing/garment';
import { goesOver, type Candidates } from './candidates';
import type { Kit } from './kit';
import { FEET, HANDS, HEAD, LEGS, TORSO } from './waysToWear';

/** One part of a kit: what may take its place, and which way of wearing depends on it. */
export interface KitPart {
  name: string;
  choice: number;
  options: (kit: Kit) => Kit[];
  /** a torso layer: one that nobody wears yet is also tried wherever the base is worn */
  layer?: 'mid' | 'shell';
  /** what else is worn another way with it */
  with?: readonly number[];
}

const one = <K extends keyof Kit>(key: K, list: readonly Kit[K][]) => {
  return (kit: Kit): Kit[] => list.filter((x) => x !== kit[key]).map((x) => ({ ...kit, [key]: x }));
};
const two = <A extends keyof Kit, B extends keyof Kit>(a: A, as: readonly Kit[A][], b: B, bs: readonly Kit[B][]) => {
  return (kit: Kit): Kit[] => one(a, as)(kit).flatMap(one(b, bs));
};
const none = <T>(list: readonly T[]): (T | null)[] => [null, ...list];
const sameSet = (a: readonly Garment[], b: readonly Garment[]) =>
  a.length === b.length && a.every((g, i) => g === b[i]);

/** What clothes each part of the body, to be taken over from another kit. */
export const BODY_PARTS: readonly { choices: readonly number[]; keys: readonly (keyof Kit)[] }[] = [
  { choices: [TORSO], keys: ['mid', 'shell', 'base'] },
  { choices: [TORSO], keys: ['mid', 'shell', 'base', 'warm'] },
  { choices: [TORSO, LEGS], keys: ['mid', 'shell', 'base', 'warm', 'legs', 'overLegs'] },
  { choices: [LEGS], keys: ['legs', 'overLegs'] },
  { choices: [HANDS], keys: ['liner', 'mitts', 'handWarmers'] },
  { choices: [HEAD], keys: ['cap', 'hat', 'tube', 'helmet', 'eyes'] },
  { choices: [FEET], keys: ['feet', 'dry', 'toeWarmers'] },
];

/** Whether two kits have the same for one part. */
export const sameParts = (a: Kit[keyof Kit], b: Kit[keyof Kit]): boolean =>
  Array.isArray(a) && Array.isArray(b) ? sameSet(a, b) : a === b;

/** The parts of a kit in the order they are chosen: what decides most comes first. @param round in later ones two layers change at once as well */
export function kitParts(c: Candidates, round: 'first' | 'later'): KitPart[] {
  const gloves = (kit: Kit): Kit[] =>
    none(c.liners)
      .flatMap((liner) => none(c.mitts).map((mitts) => ({ ...kit, liner, mitts })))
      .filter((k) => k.liner !== kit.liner || k.mitts !== kit.mitts);
  const hats = (kit: Kit): Kit[] =>
    none(c.caps)
      .flatMap((cap) => none(c.hats).map((hat) => ({ ...kit, cap, hat })))
      .filter((k) => k.cap !== kit.cap || k.hat !== kit.hat);
  const sets = (key: 'legs' | 'feet', list: Garment[][]) => (kit: Kit) =>
    list
      .filter((set) => !sameSet(set, kit[key]))
      // Socks that are worn from the start are no dry ones for later.
      .map((set) => ({ ...kit, [key]: set, dry: kit.dry && set.includes(kit.dry) ? null : kit.dry }));
  const parts: KitPart[] = [
    { name: 'legs', choice: LEGS, with: [TORSO], options: sets('legs', c.legs) },
    { name: 'mid layer', choice: TORSO, options: one('mid', none(c.mids)), layer: 'mid' },
    { name: 'shell', choice: TORSO, options: one('shell', none(c.shells)), layer: 'shell' },
    { name: 'base', choice: TORSO, options: one('base', c.bases) },
    { name: 'feet', choice: FEET, options: sets('feet', c.feet) },
    { name: 'gloves', choice: HANDS, options: gloves },
    { name: 'head', choice: HEAD, options: hats },
    { name: 'tube', choice: HEAD, options: one('tube', none(c.tubes)) },
    { name: 'eyes', choice: HEAD, options: one('eyes', none(c.eyes)) },
    { name: 'hand warmers', choice: HANDS, options: one('handWarmers', none(c.handWarmers)) },
    { name: 'toe warmers', choice: FEET, options: one('toeWarmers', none(c.toeWarmers)) },
    {
      name: 'dry socks',
      choice: FEET,
      options: (kit) => none(c.dry.filter((g) => !kit.feet.includes(g))).map((dry) => ({ ...kit, dry })),
    },
  ];
  // Two layers that only pay together.
  if (round === 'later')
    parts.splice(
      4,
      0,
      {
        name: 'mid layer and shell',
        choice: TORSO,
        options: two('mid', none(c.mids), 'shell', none(c.shells)),
      },
      { name: 'base and mid layer', choice: TORSO, options: two('base', c.bases, 'mid', none(c.mids)) },
    );
  const all: KitPart[] = [
    ...parts,
    { name: 'jacket for stops', choice: TORSO, options: one('warm', none(c.warms)) },
    { name: 'over-trousers', choice: LEGS, options: one('overLegs', none(c.overLegs)) },
  ];
  return all.map((part) => ({ ...part, options: (kit: Kit) => part.options(kit).filter((k) => goesOver(k, c)) }));
}
