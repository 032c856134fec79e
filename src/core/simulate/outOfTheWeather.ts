import { bareSkinC } from '@/core/atmosphere/bareSkin';
import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import type { Garment } from '@/core/clothing/garment';
import type { GarmentArrays } from '@/core/clothing/garmentArrays';
import { STRIDE, type Stacks } from '@/core/clothing/stack';
import { SPORT, type Purpose } from '@/core/effort/sports';
import type { Conditions } from '@/core/outing/conditions';
import { feelsLikeC } from '@/core/outing/feelsLike';
import { clamp, ramp } from '@/core/quantity/range';
import { scantly } from './scantly';

/** What weather does to ears, eyes, hair and limbs that no zone of the body stands for. */
export interface Weathered {
  /** ears, °C; Infinity where they are covered */
  earC: number;
  /** how badly eyes are hurt by what drives into them, by the wind of speed or by the glare of sun, or bothered by what is worn before them, 0–1 */
  eyes: number;
  /** how much rain, and snow that melts, bothers: on the hair or a hat that soaks, 0–1, and twice that in at a front that is wide open or, driven, in a knit that nothing covers, so 0–3 */
  rained: number;
  /** what is before the face of whoever works gets damp and makes breath harder, 0 for nothing, 1 in the frost and up to 7 in mild air, a balaclava up to 5 there */
  masked: number;
  /** how scantily limbs are dressed: 3 for a thin shell on bare thighs, 4 for a membrane, twice that in full rain, up to 3 for arms bare in the cold, up to 10 for thighs, up to 5 for calves in hard frost, 2 for a membrane on bare arms, 1.5 there for wind cloth in the frost, 2 for low shoes in snow, 3 for bare hands on a descent on skis */
  scant: number;
  /** what hinders the work: 1 for rain trousers on whoever runs or skis a track, since they bind every stride, less for other heavy trousers there and for them in dry mild air, for mitts at brakes and gears or in mild air and for padded gloves at work */
  hinders: number;
  /** how much a front that stands open flaps in the wind, 0–1 */
  flaps: number;
  /** index of what is worn before the eyes, −1 for nothing */
  lens: number;
}

const SCALP = zoneIndex('scalp');
const CHEST = zoneIndex('chest');
const FACE = zoneIndex('face');
const THIGHS = zoneIndex('thighs');
const HANDS = zoneIndex('hands');
/** Ears stand out and hold little blood: tissue behind them, m²K/W (engineering value, beside the cheek's 0.091). */
const EAR_TISSUE = 0.12;
/** A hood covers ears once it covers this much of the scalp; a helmet lets wind to them above this permeability, mm/s at 100 Pa. */
const HOODED = 0.5;
const VENTED = 100;
/** Wind in which flakes begin to hurt eyes, and hurt them in full; the same for dry cold air alone, m/s (engineering values). */
const FLAKES = [4, 10] as const;
const COLD_WIND = [7, 16] as const;
/** Wind alone hurts below this, and in full so much below, °C. */
const EYES_C = 5;
const EYES_SPAN_K = 15;
/** Sun on the body from which eyes are dazzled, and hurt in full, W/m²: an open field, and the same in snow at noon (engineering values). */
const GLARE_WM2 = [120, 350] as const;
/** Eyewear that lets less through than this is sealed to the face, mm/s at 100 Pa (engineering value). */
export const SEALED = 100;
/** How much of what drives at the eyes gets round glasses, the more the faster it comes: between these winds, m/s (engineering values; common practice, no published source: descents on skis are gone in goggles). */
const ROUND_GLASSES_MS = [6, 16] as const;
const ROUND_GLASSES = [0.2, 0.5] as const;
/** Of flakes so many times as much: they lodge behind the lenses and melt on them (engineering value). */
const FLAKES_ROUND = 2;
/** How much goggles and glasses bother by themselves whoever works (engineering values; common practice, no published source: goggles are pushed up on climbs). */
const GOGGLES_BOTHER = 0.12;
const GLASSES_BOTHER = 0.04;
const roundGlasses = ({ relativeWind }: Conditions): number =>
  ROUND_GLASSES[0] + (ROUND_GLASSES[1] - ROUND_GLASSES[0]) * ramp(relativeWind, ROUND_GLASSES_MS);
/** What of the face's own covers this much of it is a mask (engineering value). */
const MASKS = 0.15;
/**
 * In mild air, by what it feels like there to whoever stands, °C, nobody works with something before the face: it bothers so much more there, from none to in full; nor in a balaclava, which bothers so
 * much there and not at all in the frost: a cap or a band is worn. Only riders' own wind makes weather (common practice, no published source; engineering values).
 */
const MILD_C = [-12, -2] as const;
const MILD_MASK = 6;
const MILD_BALACLAVA = 5;
/** Drops on what is before the eyes in rain (engineering value). */
const DROPS = 0.2;

/** Rain that bothers in full, mm/h (engineering value). */
const RAIN_MM_H = [0, 1.5] as const;

/** What is worn against the rain keeps off from this much of it on, and leaves so much of the chest to it where its front is half and wide open. */
const KEEPS_OFF = 0.5;
const FRONT_OPEN = [0.15, 0.3] as const;
/** What covers less of the chest than this is a bib, and no front (engineering value). */
const BIB = 0.5;
/** Rain on the chest bothers so many times as much as on the hair (engineering value). */
const IN_AT_FRONT = 2;
/** What of the water of flakes in bare hair, or driven in at an open front, melts there before it is brushed off (engineering values). */
const INSIDE = { ...LIQUID_SHARE, 'dry snow': 0.3, 'wet snow': 0.6 } as const;

/**
 * How far rain runs in at the front of what is worn against it, 0–1: nobody leaves it wide open (common practice, no published source). What
 * covers the chest best decides: a bib under or over a shell lets nothing in.
 */
function runsIn(s: Stacks, w: GarmentArrays): number {
  let most = -1;
  for (let k = s.layers[CHEST]; k >= 1; k--) {
    const i = CHEST * STRIDE + k;
    if (w.garments[s.garment[i]].waterResistance >= KEEPS_OFF && s.cover[i] > most) most = s.cover[i];
  }
  return most < BIB ? 0 : ramp(1 - most, FRONT_OPEN);
}

/**
 * Flakes that the wind drives lodge in knits and fleece, and melt there: one puts a shell over them (common practice, no published source; between which
 * winds, m/s, and air permeabilities, mm/s at 100 Pa, are engineering values).
 */
const DRIVEN = [3, 7] as const;
const LOOSE = [150, 450] as const;
/** Snow off the ground that is driven along counts as so much of falling water, mm/h (engineering value). */
const SPINDRIFT_MM_H = 0.5;

/** The outermost layer of the chest that is a front and no bib, 0 where there is none. */
function frontLayer(s: Stacks, w: GarmentArrays): number {
  let k = s.layers[CHEST];
  while (k > 0 && w.cover[s.garment[CHEST * STRIDE + k] * ZONE_COUNT + CHEST] < BIB) k--;
  return k;
}

/** How far driven snow lodges in what is outermost on the chest, 0–1. */
function lodges(c: Conditions, s: Stacks, w: GarmentArrays): number {
  const k = frontLayer(s, w);
  if (k === 0) return 0;
  const { role, airPermeability } = w.garments[s.garment[CHEST * STRIDE + k]];
  return role === 'base' || role === 'mid' ? ramp(airPermeability, LOOSE) * ramp(c.relativeWind, DRIVEN) : 0;
}

/** Wind in which a front that stands wide open begins to flap, and flaps in full, m/s: nobody goes so in a gale (common practice, no published source). */
const FLAPS = [7, 14] as const;

/** How far the outermost layer of the torso stands open in front, 0–1: see `FRONT_OPEN`. */
function frontOpen(s: Stacks, w: GarmentArrays): number {
  const k = frontLayer(s, w);
  if (k === 0) return 0;
  const i = CHEST * STRIDE + k;
  return ramp(w.cover[s.garment[i] * ZONE_COUNT + CHEST] - s.cover[i], FRONT_OPEN);
}

/** Nobody runs or skis a track in rain trousers while legs work: they bind and flap, and wet tights are borne (common practice, no published source). */
const STRIDES = ['run', 'nordic'] as const satisfies Purpose[];
const bindsStrides = (p: Purpose): p is (typeof STRIDES)[number] => STRIDES.some((s) => s === p);
/**
 * Elsewhere rain trousers stay in the pack while nothing falls and it is mild: they rustle, stick and wear out (common practice, no published source; between
 * which air, °C, and fall, mm/h, and how much of that are engineering values).
 */
const DRY_MILD_C = [-2, 4] as const;
const DRY_FALL = [0.3, 0] as const;
const DRY_RAIN_TROUSERS = 0.2;

/**
 * Heavy trousers bind and flap on whoever runs or skis a track, the less the lighter they are; what is made for that does not (common practice, no
 * published source; between which masses, g, and how much of that, more at a run than on a track, are engineering values).
 */
const HEAVY_TROUSERS_G = [200, 450] as const;
const HEAVY_TROUSERS = { run: 1, nordic: 0.5 } as const;

/** Whether a piece is made for a sport whose strides bind. */
const isForStrides = (g: Garment): boolean => g.suits.some(bindsStrides);

function inTrousers(c: Conditions, s: Stacks, w: GarmentArrays): number {
  const { going, purpose } = SPORT[c.sport];
  if (going !== 'own effort') return 0;
  let hinders = 0;
  for (let k = 1; k <= s.layers[THIGHS]; k++) {
    const g = w.garments[s.garment[THIGHS * STRIDE + k]];
    if (g.role === 'storm') {
      if (bindsStrides(purpose)) return 1;
      return c.wetting ? 0 : DRY_RAIN_TROUSERS * ramp(c.airC, DRY_MILD_C) * ramp(c.precipitationMmH, DRY_FALL);
    }
    if (bindsStrides(purpose) && g.role === 'shell' && !isForStrides(g))
      hinders = Math.max(hinders, HEAVY_TROUSERS[purpose] * ramp(g.massG, HEAVY_TROUSERS_G));
  }
  return hinders;
}

/**
 * Brakes and gears ask for fingers: riders wear mitts in hard frost only, or under covers on the bars. In mild air nobody wears mitts at work: gloves do, also in rain
 * (common practice, no published source; from where to where, °C, and how much are engineering values).
 */
const MITTS_C = { atBars: [-18, -4], elsewhere: [6, 12] } as const;
const MITTS_HINDER = { atBars: 0.4, elsewhere: 0.2 } as const;

function inMitts({ sport, airC }: Conditions, s: Stacks, w: GarmentArrays): number {
  const outer = s.layers[HANDS];
  if (outer === 0) return 0;
  const g = w.garments[s.garment[HANDS * STRIDE + outer]];
  if (g.handForm !== 'mitten' || g.role === 'over') return 0;
  const where = sport === 'cycle' ? 'atBars' : 'elsewhere';
  return MITTS_HINDER[where] * ramp(airC, MITTS_C[where]);
}

/**
 * Hands that work warms sweat into padded gloves and mitts, which stay in the pack for stops and for hard frost (common practice, no published source; from
 * where to where, °C and W, and how much are engineering values).
 */
const PADDED_C = [-12, -4] as const;
const PADDED_W = [350, 550] as const;
const PADDED_HINDERS = 0.2;

function padded(c: Conditions, s: Stacks, w: GarmentArrays): number {
  // Hands on a bar do not work, and stand in the wind.
  if (c.sport === 'cycle') return 0;
  let warm = false;
  for (let k = 1; k <= s.layers[HANDS]; k++) if (w.garments[s.garment[HANDS * STRIDE + k]].role === 'warm') warm = true;
  return warm ? PADDED_HINDERS * ramp(c.airC, PADDED_C) * ramp(c.metabolicW, PADDED_W) : 0;
}

/** How much a piece before the face bothers whoever works. */
function masks(c: Conditions, { group, mouthCover }: Garment): number {
  const felt = c.sport === 'cycle' ? c : { airC: c.airC, relativeWind: c.stillWind ?? c.relativeWind };
  const mild = ramp(feelsLikeC(felt), MILD_C);
  if (group === 'face') return 1 + MILD_MASK * mild;
  return group === 'head' && mouthCover > 0 ? MILD_BALACLAVA * mild : 0;
}

/** Fills in what the weather does now to head, chest and bare limbs. */
export function weathered(c: Conditions, s: Stacks, w: GarmentArrays, into: Weathered): void {
  let ears = true;
  let reaches = 1;
  let bare = 1;
  for (let k = 1; k <= s.layers[SCALP]; k++) {
    const i = SCALP * STRIDE + k;
    const g = w.garments[s.garment[i]];
    const hat = g.group === 'head' && (g.role !== 'over' || g.airPermeability < VENTED);
    if (hat || (g.group !== 'head' && s.cover[i] >= HOODED)) ears = false;
    reaches *= 1 - s.shields[i] * g.waterResistance;
    bare *= 1 - s.shields[i];
  }
  const works = SPORT[c.sport].going === 'own effort';
  into.lens = -1;
  into.masked = 0;
  for (let k = 1; k <= s.layers[FACE]; k++) {
    const g = s.garment[FACE * STRIDE + k];
    if (w.garments[g].group === 'eyes') into.lens = g;
    if (works && s.cover[FACE * STRIDE + k] >= MASKS) into.masked = Math.max(into.masked, masks(c, w.garments[g]));
  }
  const falls = c.precipitationMmH * LIQUID_SHARE[c.precipitation];
  into.hinders = inTrousers(c, s, w) + (works ? inMitts(c, s, w) + padded(c, s, w) : 0);
  into.scant = scantly(c, s, w, ramp(falls, RAIN_MM_H));
  into.earC = ears ? bareSkinC(c.airC, c.relativeWind, EAR_TISSUE) : Infinity;
  const snows = c.precipitation.includes('snow');
  const inside = c.precipitationMmH * INSIDE[c.precipitation];
  const driven = (snows ? inside : 0) + (c.wetting === 'spindrift' ? SPINDRIFT_MM_H : 0);
  // Flakes melt in bare hair and roll off any hat.
  into.rained =
    ramp(falls * reaches + (inside - falls) * bare, RAIN_MM_H) +
    IN_AT_FRONT *
      (ramp(inside * runsIn(s, w), RAIN_MM_H) + (driven > 0 ? ramp(driven * lodges(c, s, w), RAIN_MM_H) : 0));
  into.flaps = frontOpen(s, w) * ramp(c.relativeWind, FLAPS);
  const flakes = snows || c.wetting === 'spindrift' ? ramp(c.relativeWind, FLAKES) : 0;
  const cold = clamp((EYES_C - c.airC) / EYES_SPAN_K, 0, 1) * ramp(c.relativeWind, COLD_WIND);
  const drives = Math.max(flakes, cold);
  const round = Math.max(Math.min(1, FLAKES_ROUND * roundGlasses(c)) * flakes, roundGlasses(c) * cold);
  const sealed = into.lens >= 0 && w.garments[into.lens].airPermeability < SEALED;
  const bothers = works ? (sealed ? GOGGLES_BOTHER : GLASSES_BOTHER) : 0;
  if (into.lens < 0) into.eyes = Math.max(drives, ramp(c.sunWm2, GLARE_WM2));
  else into.eyes = Math.max(bothers, sealed ? 0 : round, ramp(falls, RAIN_MM_H) * DROPS);
}
