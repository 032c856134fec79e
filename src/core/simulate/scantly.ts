import { zoneIndex } from '@/core/body/zones';
import type { GarmentArrays } from '@/core/clothing/garmentArrays';
import { closesAnkle } from '@/core/clothing/purpose';
import { STRIDE, type Stacks } from '@/core/clothing/stack';
import type { Conditions } from '@/core/outing/conditions';
import { feelsLikeC } from '@/core/outing/feelsLike';
import { ramp } from '@/core/quantity/range';

const THIGHS = zoneIndex('thighs');
const ARMS = zoneIndex('arms');
const HANDS = zoneIndex('hands');
const CALVES = zoneIndex('calves');

/** A shell thinner than this has no lining, mm (engineering value). */
const UNLINED_MM = 0.5;

/** Nobody who owns tights wears wind or rain trousers on bare legs in the cold: slick cloth clings and is cold where it touches (common practice, no published source). */
const SLICK = { cloth: 3, membrane: 4 } as const;

function onThighs(s: Stacks, w: GarmentArrays): number {
  let bare = 1;
  for (let k = 1; k <= s.layers[THIGHS]; k++) {
    const i = THIGHS * STRIDE + k;
    const g = w.garments[s.garment[i]];
    const shell = g.role === 'shell' || g.role === 'storm';
    if (shell && g.thicknessMm < UNLINED_MM) return bare * (g.membrane ? SLICK.membrane : SLICK.cloth);
    bare *= 1 - s.cover[i];
  }
  return 0;
}

/** In full rain it clings so many times worse on top (engineering value). */
const CLINGS_WET = 1;
/** Nobody goes with bare arms in the cold, however warm the work: between these, °C, it comes to bother in full (common practice, no published source; how much are engineering values). */
const ARMS_C = [8, -4] as const;
const BARE_ARMS = 3;
/** The same of thighs: whoever owns tights or trousers covers the knees in the cold. Shorts leave nearly half of them bare (common practice, no published source). */
const THIGHS_C = [8, 0] as const;
const BARE_THIGHS = 10;
/**
 * The same of calves, by what the air feels like on them, °C: runners leave them bare down to some degrees of frost out of the wind (the easy run in
 * tests/reference/practice.test.ts), riders, whose legs stand in the wind of their own speed, cover them above freezing (common practice, no published source;
 * from where to where, and how much, are engineering values).
 */
const CALVES_FEEL_C = { rides: [4, -2], others: [-12.5, -17] } as const;
const BARE_CALVES = 5;

function bareCalves(c: Conditions, s: Stacks): number {
  const bare = bareOf(s, CALVES);
  return bare > 0 ? bare * ramp(feelsLikeC(c), CALVES_FEEL_C[c.sport === 'cycle' ? 'rides' : 'others']) : 0;
}

/**
 * A membrane on bare arms sticks to them, as one on bare legs does; thin wind cloth is borne there while it is mild, and in the frost nobody goes in a tee beneath
 * it (common practice, no published source; how much, and between which air, °C, are engineering values).
 */
const ON_ARMS = { membrane: 2, cloth: 1.5 } as const;
const CLOTH_ON_ARMS_C = [2, -8] as const;

function slickOnArms({ airC }: Conditions, s: Stacks, w: GarmentArrays): number {
  let bare = 1;
  for (let k = 1; k <= s.layers[ARMS]; k++) {
    const i = ARMS * STRIDE + k;
    const g = w.garments[s.garment[i]];
    if (g.membrane) return ON_ARMS.membrane * bare * s.cover[i];
    if (g.role === 'shell' && g.thicknessMm < UNLINED_MM)
      return ON_ARMS.cloth * ramp(airC, CLOTH_ON_ARMS_C) * bare * s.cover[i];
    bare *= 1 - s.cover[i];
  }
  return 0;
}

/** Nobody goes downhill on skis with bare hands: whoever falls skins them on the snow (common practice, no published source; how much is an engineering value). */
const BARE_HANDS_ON_SKIS = 3;

const bareHandsOnSkis = ({ sport }: Conditions, s: Stacks): number =>
  sport === 'downhill ski' && s.layers[HANDS] === 0 ? BARE_HANDS_ON_SKIS : 0;

/**
 * On snowshoes, in deep snow, and on a hike while snow falls, in full from so much of it on, mm/h, snow gets into low shoes: boots or gaiters close the ankle (common practice, no
 * published source; how much is an engineering value).
 */
const LOW_SHOES = 2;
const LIES_MM_H = [0, 1.5] as const;

const snowAtAnkles = ({ sport, wetting, precipitation, precipitationMmH }: Conditions): number => {
  if (sport === 'snowshoe' || wetting === 'deep snow') return 1;
  return sport === 'hike' && precipitation.includes('snow') ? ramp(precipitationMmH, LIES_MM_H) : 0;
};

function snowInShoes(c: Conditions, s: Stacks, w: GarmentArrays): number {
  const snow = snowAtAnkles(c);
  if (snow === 0) return 0;
  for (let k = 1; k <= s.layers[CALVES]; k++) {
    if (closesAnkle(w.garments[s.garment[CALVES * STRIDE + k]])) return 0;
  }
  return LOW_SHOES * snow;
}

/** Share of a zone that nothing covers, 0–1. */
function bareOf(s: Stacks, zone: number): number {
  let bare = 1;
  for (let k = 1; k <= s.layers[zone]; k++) bare *= 1 - s.cover[zone * STRIDE + k];
  return bare;
}

/** How scantily limbs are dressed now: see `Weathered.scant`. @param wet how hard rain falls, of what bothers in full, 0–1 */
export const scantly = (c: Conditions, s: Stacks, w: GarmentArrays, wet: number): number =>
  onThighs(s, w) * (1 + CLINGS_WET * wet) +
  BARE_ARMS * bareOf(s, ARMS) * ramp(c.airC, ARMS_C) +
  BARE_THIGHS * bareOf(s, THIGHS) * ramp(c.airC, THIGHS_C) +
  BARE_CALVES * bareCalves(c, s) +
  slickOnArms(c, s, w) +
  bareHandsOnSkis(c, s) +
  snowInShoes(c, s, w);
