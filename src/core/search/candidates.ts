import { fabricResistance, type Garment, type Group, type Role } from '@/core/clothing/garment';
import { isIndoors, SPORT, type Sport } from '@/core/effort/sports';
import { comfortableSkin } from '@/core/judge/sensation';
import { byText } from '@/core/quantity/exact';
import { OutOfRange } from '@/core/quantity/range';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import { coversUnderwear, isBarrier, isUnderwear, suitsSport } from '@/core/clothing/purpose';
import type { Kit } from './kit';
import { MOUTH_COVERED } from './wishes';

/** Ways of dressing that are more than a choice of garments. */
export interface Habits {
  /** vapour barriers next to the skin of hands and feet */
  barriers?: boolean;
  /** always a liner under the sock */
  twoSocks?: boolean;
  /** the mouth covered all the way, with whatever does it best */
  mouthCovered?: boolean;
}

/** The closet sorted for one use: what may be chosen for each part of the kit. */
export interface Candidates {
  bases: Garment[];
  mids: Garment[];
  shells: Garment[];
  warms: Garment[];
  /** whole leg outfits, skin out */
  legs: Garment[][];
  overLegs: Garment[];
  /** sock systems with footwear */
  feet: Garment[][];
  liners: Garment[];
  mitts: Garment[];
  /** socks to change into, and warmers for hands and boots */
  dry: Garment[];
  handWarmers: Garment[];
  toeWarmers: Garment[];
  caps: Garment[];
  hats: Garment[];
  tubes: Garment[];
  helmets: Garment[];
  eyes: Garment[];
}

const falls = (s: Stretch): boolean =>
  s.precipitationMmH > 0.2 && s.precipitation !== 'dry snow' && s.precipitation !== 'none';
const wet = (t: Timeline): boolean => t.stretches.some(falls);

/** Outfits for legs and feet that are tried as wholes, at most; of more, so many evenly over their warmth. */
const MOST_SETS = { legs: 32, feet: 12 } as const;

/**
 * Sorts a closet into candidates.
 * @param habits vapour barriers next to the skin of hands and feet where one is owned; always a liner under the sock
 * @throws OutOfRange naming what the closet lacks: something for the torso's skin, for the legs, and footwear
 */
export function candidates(
  closet: readonly Garment[],
  sport: Sport,
  timeline: Timeline,
  habits: Habits = {},
): Candidates {
  const fits = [...closet].sort(byPlace).filter((g) => suitsSport(g, sport));
  const of = (group: Group, ...roles: Role[]) => fits.filter((g) => g.group === group && roles.includes(g.role));
  const byWarmth = (a: Garment, b: Garment) => a.thicknessMm - b.thicknessMm || byText(a.id, b.id);
  const shorts = of('legs', 'short').sort(byWarmth);
  const inner = of('legs', 'base').sort(byWarmth);
  const outer = [...of('legs', 'shell'), ...(wet(timeline) ? of('legs', 'storm') : [])];
  const legs: Garment[][] = [];
  // One pair of briefs is as good as another here: the last betterment tries the others.
  const short = shorts.slice(0, 1);
  for (const s of of('legs', 'over')) legs.push([...short, s]);
  for (const i of inner) if (!isUnderwear(i) || outer.length === 0) legs.push([...short, i]);
  for (const o of outer) {
    legs.push([...short, o]);
    for (const i of inner) if (i.order < o.order) legs.push([...short, i, o]);
  }
  const footwear = fits.filter((g) => g.group === 'feet' && g.role === 'footwear');
  const socks = of('feet', 'base', 'mid');
  const liners = lined(of('feet', 'liner'), habits);
  const over = of('feet', 'over', 'shell');
  const feet = footwear.flatMap((f) =>
    [
      ...(habits.twoSocks && liners.length > 0 ? [] : socks.map((s) => [s])),
      ...liners.flatMap((l) => socks.map((s) => [l, s])),
    ].flatMap((s) => [[...s, f], ...over.map((o) => [...s, f, o])]),
  );
  const bases = of('torso', 'base');
  if (habits.mouthCovered && !fits.some((g) => g.group === 'face' && g.mouthCover >= MOUTH_COVERED))
    throw new OutOfRange('closet', 'without anything that covers the mouth', 'a neck tube, a mask or a balaclava');
  if (bases.length === 0)
    throw new OutOfRange('closet', 'without anything for the torso next to the skin', 'at least one base layer');
  if (legs.length === 0)
    throw new OutOfRange('closet', 'without anything for the legs', 'at least one pair of tights or trousers');
  if (feet.length === 0)
    throw new OutOfRange(
      'closet',
      `without footwear for "${SPORT[sport].label}"`,
      'footwear and socks that suit the sport',
    );
  const warmth = (set: Garment[]) => set.reduce((s, g) => s + fabricResistance(g), 0);
  return {
    bases,
    mids: of('torso', 'mid'),
    shells: [...of('torso', 'shell'), ...of('torso', 'storm')],
    warms: of('torso', 'warm'),
    legs: spread(legs, warmth, MOST_SETS.legs),
    overLegs: of('legs', 'warm'),
    feet: spread(feet, warmth, MOST_SETS.feet),
    liners: lined(of('hands', 'liner'), habits),
    mitts: of('hands', 'mid', 'shell', 'warm', 'over'),
    dry: socks,
    handWarmers: of('hands', 'heater'),
    toeWarmers: of('feet', 'heater'),
    caps: of('head', 'base', 'liner'),
    hats: of('head', 'warm'),
    tubes: of('face', 'base', 'shell', 'liner').filter((g) => !habits.mouthCovered || g.mouthCover >= MOUTH_COVERED),
    helmets: of('head', 'over'),
    eyes: of('eyes', 'lens'),
  };
}

/** From the skin out and from thin to thick: the plan must not depend on the order in which a closet is listed. */
export const byPlace = (a: Garment, b: Garment): number =>
  a.order - b.order || a.thicknessMm - b.thicknessMm || byText(a.name, b.name) || byText(a.id, b.id);

/** Liners as the athlete wants them: breathing, or barriers where there are any. */
function lined(liners: Garment[], { barriers = false }: Habits): Garment[] {
  const wanted = liners.filter((g) => isBarrier(g) === barriers);
  return wanted.length > 0 ? wanted : liners.filter((g) => !isBarrier(g));
}

/** At most `most` of a list, evenly over its warmth: neighbours differ too little to be worth a search each. */
const spread = <T>(list: T[], warmth: (x: T) => number, most: number): T[] =>
  evenly(
    [...list].sort((a, b) => warmth(a) - warmth(b)),
    most,
  );

/** At most `most` of a list, evenly over it. */
export function evenly<T>(list: readonly T[], most: number): T[] {
  if (list.length <= most) return [...list];
  return Array.from({ length: most }, (_, i) => list[Math.round((i * (list.length - 1)) / (most - 1))]);
}

const middle = <T>(list: readonly T[]): T | null => (list.length > 0 ? list[Math.floor(list.length / 2)] : null);

/** A plain kit to start the search from: the middle of each list. @param standby whether a jacket for stops is along */
export function firstKit(c: Candidates, standby: 'jacket' | 'none'): Kit {
  return {
    base: middle(c.bases)!,
    mid: middle(c.mids),
    shell: c.shells[0] ?? null,
    warm: standby === 'jacket' ? (c.warms[0] ?? null) : null,
    legs: middle(c.legs)!,
    overLegs: null,
    feet: middle(c.feet)!,
    dry: null,
    toeWarmers: null,
    liner: c.liners[0] ?? null,
    mitts: middle(c.mitts),
    handWarmers: null,
    cap: c.caps[0] ?? null,
    hat: null,
    tube: c.tubes[0] ?? null,
    helmet: c.helmets[0] ?? null,
    eyes: null,
  };
}

/** Whether something goes over a base of open mesh: a kit of mesh alone is tried only where nobody owns another base. */
export const goesOver = (k: Kit, c: Pick<Candidates, 'bases'>): boolean =>
  coversUnderwear([k.base, k.mid, k.shell].flatMap((g) => g ?? [])) || c.bases.every(isUnderwear);

/** The air about a moving body and what each layer adds with the air it holds, m²K/W; share of the heat that leaves dry (engineering values). */
const AIR_LAYER = 0.08;
const EACH_LAYER = 0.02;
const DRY_SHARE = 0.75;
/** Keeps rain off, 0–1. */
const KEEPS_OFF = 0.8;

const keepsOff = (g: Garment): boolean => g.waterResistance >= KEEPS_OFF;
const goes = (s: Stretch): boolean => !isIndoors(s.sport) && s.speedMs > 0;

/**
 * The same with base, middle layer and shell whose insulation comes nearest to a steady balance for the mean air and effort of the way:
 * (comfortable skin − air) over the dry part of the heat (after ISO 11079). Somewhere sensible to begin.
 * @param areaM2 of the body
 */
export function balancedKit(c: Candidates, timeline: Timeline, areaM2: number): Kit {
  const plain = firstKit(c, 'jacket');
  const way = timeline.stretches.filter(goes);
  if (!wet(timeline)) return balanced(c, way, areaM2, plain, [null, ...c.shells]);
  // In the wet one begins under something that keeps it off, where it is owned.
  const shells = c.shells.filter(keepsOff);
  const legs = c.legs.filter((set) => keepsOff(set[set.length - 1]));
  const mitts = c.mitts.filter(keepsOff);
  if (legs.length > 0) plain.legs = legs[Math.floor(legs.length / 2)];
  if (mitts.length > 0) plain.mitts = mitts[0];
  return balanced(c, way, areaM2, plain, shells.length > 0 ? shells : [null, ...c.shells]);
}

/** Dry going that is worth dressing for, s. */
const DRY_PART_S = 1200;

/**
 * For a way that is dry in part and wet in part: base and middle layer in balance with the dry part, and something along that keeps rain
 * off. Null where all of it is wet, or none.
 */
export function dryPartKit(c: Candidates, timeline: Timeline, areaM2: number): Kit | null {
  const dry = timeline.stretches.filter((s) => goes(s) && !falls(s));
  const shell = c.shells.find(keepsOff);
  if (!wet(timeline) || !shell || dry.reduce((sum, s) => sum + s.endS - s.startS, 0) < DRY_PART_S) return null;
  return { ...balanced(c, dry, areaM2, firstKit(c, 'jacket'), [null]), shell };
}

/** A kit whose base, middle layer and shell are in balance with the mean of some stretches; as it is where there are none. */
function balanced(
  c: Candidates,
  way: readonly Stretch[],
  areaM2: number,
  plain: Kit,
  shells: readonly (Garment | null)[],
): Kit {
  const mean = (of: (s: Stretch) => number) =>
    way.reduce((sum, s) => sum + of(s) * (s.endS - s.startS), 0) / way.reduce((sum, s) => sum + s.endS - s.startS, 0);
  if (way.length === 0) return plain;
  const wm2 = mean((s) => s.metabolicW - s.externalW) / areaM2;
  const needed = Math.max(0, (comfortableSkin(wm2) - mean((s) => s.airC)) / (DRY_SHARE * wm2) - AIR_LAYER);
  const warmth = (k: Kit) =>
    [k.base, k.mid, k.shell].reduce((sum, g) => sum + (g ? fabricResistance(g) + EACH_LAYER : 0), 0);
  const kits = c.bases.flatMap((base) =>
    [null, ...c.mids].flatMap((mid) => shells.map((shell): Kit => ({ ...plain, base, mid, shell }))),
  );
  const off = (k: Kit) => Math.abs(warmth(k) - needed);
  return kits.filter((k) => goesOver(k, c)).reduce((a, b) => (off(b) < off(a) - 1e-12 ? b : a));
}

/**
 * Torso and legs dressed the other way: without a middle layer where there was one, in the base least like it, another shell,
 * warmer legs where they were light.
 */
export function otherKit(c: Candidates, kit: Kit): Kit {
  const unlike = (g: Garment) => Math.abs(g.thicknessMm - kit.base.thicknessMm);
  const at = c.legs.indexOf(kit.legs) < c.legs.length / 2 ? 0.75 : 0.25;
  const inside: Kit = {
    ...kit,
    base: c.bases.reduce((a, b) => (unlike(b) > unlike(a) ? b : a)),
    mid: kit.mid ? null : middle(c.mids),
    legs: c.legs[Math.floor(c.legs.length * at)],
  };
  const shell = c.shells.find((s) => s !== kit.shell && goesOver({ ...inside, shell: s }, c)) ?? kit.shell;
  const other = { ...inside, shell };
  return goesOver(other, c) ? other : { ...other, mid: kit.mid };
}
