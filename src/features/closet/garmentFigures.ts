import { dampWaterGm2, dryingMinutes, DRYING_PLACES, wringWetGm2 } from '@/core/moisture/drying';
import { LATENT_VAPOUR } from '@/core/quantity/units';
import { fabricResistance, wetCapacityG, type Garment, type Group } from '@/core/clothing/garment';

export const GROUP_WORDS: Record<Group, string> = {
  head: 'Head',
  eyes: 'Eyes',
  face: 'Face, neck',
  torso: 'Torso',
  hands: 'Hands',
  legs: 'Legs',
  feet: 'Feet',
};

export const ROLE_WORDS: Record<Garment['role'], string> = {
  short: 'Next to the skin',
  liner: 'Next to the skin',
  base: 'Base',
  mid: 'Mid',
  shell: 'Shell',
  storm: 'Storm',
  warm: 'Warm, over everything',
  footwear: 'Footwear',
  over: 'Over',
  lens: 'Lenses',
  heater: 'Warmers',
};

/** Warmth of the cloth itself, tog: 1 tog = 0.1 m²K/W. */
export const togs = (g: Garment): number => fabricResistance(g) * 10;

/** Vapour it lets through per hour and m² at a driving difference of 2 kPa, g (the skin–air difference in the cold). */
export const breathes = (g: Garment): number => ((2000 / g.ret) * 3600) / LATENT_VAPOUR;

/** Share of a 10 m/s wind's stagnation flow that gets through, against open mesh (3000 mm/s): 0–1. */
export const windThrough = (g: Garment): number => Math.min(1, Math.max(g.airPermeability, 6000 * g.openMesh) / 3000);

export const holds = wetCapacityG;

/** Where this piece dries and how long that takes from the damp it has now (wrung wet where it is dry), h. */
export const dryingPlaces = (g: Garment, dampGm2: number): { place: string; hours: number }[] =>
  Object.entries(DRYING_PLACES).map(([place, air]) => ({
    place,
    hours: dryingMinutes(g, dampGm2 > 0 ? dampWaterGm2(g, dampGm2) : wringWetGm2(g), air) / 60,
  }));

/** Hours on a line indoors from wrung wet. */
export const driesHours = (g: Garment): number =>
  dryingMinutes(g, wringWetGm2(g), DRYING_PLACES['on a line indoors']) / 60;
