import type { Garment } from '@/core/clothing/garment';
import type { Candidates } from './candidates';
import { FEET, HANDS, HEAD, LEGS, TORSO, type Kit } from './modes';

/** One part of a kit: what may take its place, and which way of wearing depends on it. */
export interface KitPart {
  name: string;
  choice: number;
  options: (kit: Kit) => Kit[];
  /** whether an option brings a middle layer where there was none: then it is also tried worn wherever the base is */
  addsMid?: (option: Kit, before: Kit) => boolean;
}

const one = <K extends keyof Kit>(key: K, list: readonly Kit[K][]) => {
  return (kit: Kit): Kit[] => list.filter((x) => x !== kit[key]).map((x) => ({ ...kit, [key]: x }));
};
const none = <T>(list: readonly T[]): (T | null)[] => [null, ...list];
const sameSet = (a: readonly Garment[], b: readonly Garment[]) =>
  a.length === b.length && a.every((g, i) => g === b[i]);

/** The parts of a kit in the order they are chosen: what decides most comes first. */
export function kitParts(c: Candidates, hasWarm: boolean): KitPart[] {
  const gloves = (kit: Kit): Kit[] =>
    none(c.liners)
      .flatMap((liner) => none(c.mitts).map((mitts) => ({ ...kit, liner, mitts })))
      .filter((k) => k.liner !== kit.liner || k.mitts !== kit.mitts);
  const hats = (kit: Kit): Kit[] =>
    none(c.caps)
      .flatMap((cap) => none(c.hats).map((hat) => ({ ...kit, cap, hat })))
      .filter((k) => k.cap !== kit.cap || k.hat !== kit.hat);
  const sets = (key: 'legs' | 'feet', list: Garment[][]) => (kit: Kit) =>
    list.filter((set) => !sameSet(set, kit[key])).map((set) => ({ ...kit, [key]: set }));
  const addsMid = (option: Kit, before: Kit): boolean => option.mid !== null && option.mid !== before.mid;
  const parts: KitPart[] = [
    { name: 'legs', choice: LEGS, options: sets('legs', c.legs) },
    { name: 'mid layer', choice: TORSO, options: one('mid', none(c.mids)), addsMid },
    { name: 'shell', choice: TORSO, options: one('shell', none(c.shells)) },
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
  if (!hasWarm) return parts;
  return [
    ...parts,
    { name: 'jacket for stops', choice: TORSO, options: one('warm', c.warms) },
    { name: 'over-trousers', choice: LEGS, options: one('overLegs', none(c.overLegs)) },
  ];
}
