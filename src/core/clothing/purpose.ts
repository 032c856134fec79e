import { SPORT, type Sport } from '@/core/effort/sports';
import { CLOTHED_ZONES } from '@/core/body/zones';
import { LEAST_COVER, type Garment } from './garment';

/** Whether a garment may be worn for a sport: made for anything, or for what that sport asks of boots, helmets and bar covers. */
export const suitsSport = (g: Garment, sport: Sport): boolean =>
  g.suits.length === 0 || g.suits.includes(SPORT[sport].purpose);

/** Ret from which cloth is a vapour barrier, m²Pa/W: worn next to the skin only by those who mean to (engineering value). */
export const BARRIER_RET = 100;

export const isBarrier = (g: Garment): boolean => g.ret >= BARRIER_RET;

/** A vapour barrier next to the skin of hands or feet: a habit, not the next thinner liner. */
export const isBarrierLiner = (g: Garment): boolean => g.role === 'liner' && isBarrier(g);

/** What is kept dry for stops: the jacket and the over-trousers. */
export const isStandby = (g: Garment): boolean => (g.group === 'torso' || g.group === 'legs') && g.role === 'warm';

/** What anybody hangs up on coming in: shells, jackets and whatever has fill for the torso, over-trousers. */
export const isCoat = (g: Garment): boolean =>
  (g.group === 'torso' && (g.role === 'shell' || g.role === 'storm' || g.role === 'warm' || g.filled)) ||
  (g.group === 'legs' && (g.role === 'storm' || g.role === 'warm'));

/** Helmets come off under a roof, and where one settles down outdoors: in camp and asleep (common practice, no published source). */
export const isHelmet = (g: Pick<Garment, 'group' | 'role'>): boolean => g.group === 'head' && g.role === 'over';

/** What anybody takes off on coming in: coats, gloves, helmets, and what is before face and eyes. */
export const isOutdoorWear = (g: Garment): boolean =>
  isCoat(g) || g.group === 'face' || g.group === 'eyes' || isHelmet(g) || (g.group === 'hands' && g.role !== 'heater');

/** What bothers who leaves it on under a roof: all that, and what is on the head. */
export const bothersIndoors = (g: Garment): boolean => isOutdoorWear(g) || g.group === 'head';

const SMALL: ReadonlySet<Garment['group']> = new Set(['eyes', 'face', 'head', 'hands']);
const SMALL_FOR_FEET: ReadonlySet<Garment['role']> = new Set(['shell', 'heater']);
/** Small things for eyes, face, head and hands, gaiters and warmers, which stay at home where they are of no use; a helmet is none. */
export const isSmall = (g: Garment): boolean =>
  (SMALL.has(g.group) && !isHelmet(g)) || (g.group === 'feet' && SMALL_FOR_FEET.has(g.role));

const OF_ANKLES: ReadonlySet<Garment['role']> = new Set(['footwear', 'shell', 'over']);
/** What closes the ankle against snow: boots, gaiters and overboots. */
export const closesAnkle = (g: Garment): boolean =>
  g.group === 'feet' && OF_ANKLES.has(g.role) && (g.panels.calves?.coverage ?? 0) > 0;

/** Layers over the base of the torso, but for a jacket for stops. */
export const isOuterLayer = (g: Garment): boolean =>
  g.group === 'torso' && (g.role === 'mid' || g.role === 'shell' || g.role === 'storm');
/** Trousers with fill, for stops. */
export const isOverTrousers = (g: Garment): boolean => g.group === 'legs' && isStandby(g);
/** What of the legs lies next to the skin. */
export const isLegBase = (g: Garment): boolean => g.group === 'legs' && g.role === 'base';

/** Long underwear lies further in than tights do, which are worn alone (places of the catalogue). */
const TIGHTS_ORDER = 15;
/** What is not worn as the outermost layer: open mesh anywhere, and long underwear on the legs (common practice, no published source). */
export const isUnderwear = (g: Garment): boolean =>
  (g.openMesh > 0 && (g.group === 'torso' || g.group === 'legs')) ||
  (g.group === 'legs' && g.role === 'base' && g.order < TIGHTS_ORDER);

const isCottonBase = (g: Garment): boolean => g.fibre === 'cotton' && g.role === 'base';

/**
 * A closet without cotton next to the skin, where there is anything else for that part of the body that can be worn by itself (common practice,
 * no published source: it is the last to dry).
 */
export const withoutCotton = (closet: readonly Garment[]): Garment[] =>
  closet.filter(
    (g) =>
      !isCottonBase(g) ||
      !closet.some((o) => o.group === g.group && o.role === 'base' && !isCottonBase(o) && !isUnderwear(o)),
  );

/** Where underwear shows; the pelvis is under briefs and hems. */
const SHOWS = ['chest', 'back', 'arms', 'thighs', 'calves'] as const;
/** A piece is on a part of the body when it covers so much of it: rolled hems and collars do not count. */
const COVERS = 0.5;

/**
 * Whether nothing is worn as the outermost layer of torso or legs that is underwear: a vest leaves the sleeves of a mesh bare, shorts the
 * calves of long johns. @param on what is worn
 */
export function coversUnderwear(on: Iterable<Garment>): boolean {
  const worn = [...on].filter((g) => g.group === 'torso' || g.group === 'legs');
  const covers = (g: Garment, zone: (typeof SHOWS)[number]): boolean => (g.panels[zone]?.coverage ?? 0) >= COVERS;
  const over = worn.filter((g) => !isUnderwear(g));
  return worn
    .filter(isUnderwear)
    .every((g) => SHOWS.every((zone) => !covers(g, zone) || over.some((o) => o.group === g.group && covers(o, zone))));
}

/** Whether another of the layers that are worn lies over the sleeves of a garment: then nobody rolls them. */
export const sleevesLieUnder = (g: Garment, worn: readonly Garment[]): boolean =>
  worn.some((o) => o !== g && o.group === 'torso' && o.order > g.order && (o.panels.arms?.coverage ?? 0) >= COVERS);

/** Whether taking a piece off leaves the legs in nothing but shorts. @param among garments  @param on ids of what is worn, that piece too */
export const leavesLegsBare = (g: Garment, among: readonly Garment[], on: ReadonlySet<string>): boolean =>
  g.group === 'legs' && !among.some((o) => o !== g && o.group === 'legs' && o.role !== 'short' && on.has(o.id));

/** Nobody wears more than so many layers on one part of the body (engineering value: the hips of somebody who stands in deep cold carry nine or ten). */
const MOST_LAYERS = 10;

/** Whether no part of the body is under more layers than people wear. @param worn what is worn */
export const fewEnoughLayers = (worn: readonly Garment[]): boolean =>
  worn.length <= MOST_LAYERS ||
  CLOTHED_ZONES.every(
    (zone) => worn.filter((g) => (g.panels[zone]?.coverage ?? 0) >= LEAST_COVER).length <= MOST_LAYERS,
  );

/**
 * Whether somebody has on what nobody goes without: shoes, and a base beneath the layers of the torso (common practice, no published source).
 * @param worn what is worn  @param owned what there is: of what nobody owns none is asked for
 */
export function hasEssentials(worn: readonly Garment[], owned: { footwear: boolean; base: boolean }): boolean {
  return (
    (!owned.footwear || worn.some((g) => g.role === 'footwear')) &&
    (!owned.base || worn.some(isTorsoBase) || worn.every((g) => g.group !== 'torso'))
  );
}

/** What lies next to the skin of the torso. */
export const isTorsoBase = (g: Garment): boolean => g.group === 'torso' && g.role === 'base';

/** What is worn over the body by choice; boots and helmets are what the sport asks for. */
export const isLayer = (g: Garment): boolean => g.group === 'torso' || g.group === 'legs' || g.group === 'hands';

/** What decides which pieces are worn with which. */
type Worn = Pick<Garment, 'group' | 'role' | 'ret' | 'mouthCover' | 'order' | 'handForm'>;

/** Liners of cloth for the hands: a vapour barrier goes under one, a second of cloth does not (common practice, no published source). */
const isClothLiner = (g: Worn): boolean => g.role === 'liner' && g.ret < BARRIER_RET;

/** Head bands and caps: over a balaclava or under a hat there is one of them (common practice, no published source). */
const isBandOrCap = (g: Worn): boolean =>
  g.group === 'head' && (g.role === 'base' || (g.role === 'liner' && g.mouthCover === 0));

/** A thick hat, for stops and deep cold. */
export const isWarmHat = (g: Pick<Garment, 'group' | 'role'>): boolean => g.group === 'head' && g.role === 'warm';

/** A helmet has no room for a thick hat under it (common practice, no published source). */
const isHatAndHelmet = (a: Worn, b: Worn): boolean => isWarmHat(a) && isHelmet(b);

/** Mittens go over gloves; nobody gets fingers into gloves over mittens (common practice, no published source). */
const isGloveOverMitten = (inner: Worn, outer: Worn): boolean =>
  inner.handForm === 'mitten' && outer.handForm === 'fingers' && inner.order < outer.order && outer.role !== 'over';

/** Whether of two pieces only one is worn at a time: pairs before the eyes, padded ones or liners of cloth on the hands, gloves over mittens, bands and caps on the head, hat and helmet. */
export const oneAtATime = (a: Worn, b: Worn): boolean =>
  a.group === b.group &&
  (a.group === 'eyes' ||
    (isBandOrCap(a) && isBandOrCap(b)) ||
    isHatAndHelmet(a, b) ||
    isHatAndHelmet(b, a) ||
    (a.group === 'hands' &&
      ((a.role === 'warm' && b.role === 'warm') ||
        (isClothLiner(a) && isClothLiner(b)) ||
        isGloveOverMitten(a, b) ||
        isGloveOverMitten(b, a))));

/** What hands are dressed in: neither warmers nor covers on the bars. */
export const isWornOnHands = (g: Garment): boolean => g.group === 'hands' && g.role !== 'heater' && g.role !== 'over';

/** So many pairs of cloth go over one another on the hands: a liner, a glove and a mitten (common practice, no published source). */
const MOST_ON_HANDS = 3;

/** Whether no more gloves and mittens are worn over one another than hands can move in; warmers, vapour barriers and covers on the bars do not count. */
export const fewEnoughOnHands = (worn: readonly Garment[]): boolean =>
  worn.filter((g) => isWornOnHands(g) && !isBarrier(g)).length <= MOST_ON_HANDS;
