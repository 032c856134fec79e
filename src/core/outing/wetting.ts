import { LATENT_FUSION } from '@/core/quantity/units';
import { clothedAs, ZONES, ZONE_COUNT, type ClothedZone } from '@/core/body/zones';

/** Ways to get wet or chilled by touch that no forecast knows: what a leg can say of its ground and its trees. */
export type Wetting =
  | 'dripping trees'
  | 'slush'
  | 'spindrift'
  | 'deep snow'
  | 'sitting on snow'
  | 'kneeling in snow'
  | 'sitting on a mat'
  | 'wading'
  | 'a dunking';

export const WETTINGS: Wetting[] = [
  'dripping trees',
  'slush',
  'spindrift',
  'deep snow',
  'sitting on snow',
  'kneeling in snow',
  'sitting on a mat',
  'wading',
  'a dunking',
];

/** What one such event does to a zone. */
interface Touch {
  /** share of the zone it reaches, 0–1 */
  share: number;
  /** liquid and snow arriving, mm/h of water on that share; snow wets only as far as the surface melts it */
  liquidMmH: number;
  snowMmH: number;
  /** how far pressure overcomes the cloth's water resistance, 0–1 */
  pressed: number;
  /** conductance to what is touched instead of the air, W/m²K; 0 where nothing is touched */
  conductance: number;
  /** melt water per kelvin of the surface above 0 °C, g/(s m² K): the heat that goes into touched snow melts it */
  melts: number;
}

interface Row {
  zones: Partial<Record<ClothedZone, number>>;
  liquidMmH?: number;
  snowMmH?: number;
  pressed?: number;
  conductance?: number;
  /** water near freezing, or snow: at the air's temperature but never above 0 °C */
  touches?: 'water' | 'snow';
  /** body weight rests on it */
  weight?: boolean;
  /** something waterproof lies between */
  dry?: boolean;
}

/** Snow takes in heat at about its conductivity (0.3 W/mK) over the depth it is warmed in ten minutes (2 cm). */
const SNOW = 15;
/** A foam mat of 10 mm at 0.04 W/mK over snow. */
const MAT = 1 / (0.01 / 0.04 + 1 / SNOW);
/** Moving cold water on wet cloth: hundreds; what lies beneath limits the loss long before. */
const WATER = 200;

/** Engineering values throughout: which parts, how much, how hard. */
const TABLE: Record<Wetting, Row> = {
  'dripping trees': { zones: { scalp: 0.8, neck: 0.5, back: 0.4, chest: 0.3, arms: 0.4, thighs: 0.3 }, liquidMmH: 1.2 },
  // Ankle-deep in water and snow: it is thrown up, and stands in the shoe.
  slush: { zones: { toes: 1, feet: 1, calves: 0.3 }, liquidMmH: 60, pressed: 0.4, conductance: 40, touches: 'water' },
  spindrift: {
    zones: { face: 1, neck: 0.8, scalp: 0.6, chest: 0.5, arms: 0.5, thighs: 0.4 },
    snowMmH: 3,
    pressed: 0.2,
  },
  'deep snow': {
    zones: { toes: 1, feet: 1, calves: 0.8, thighs: 0.2 },
    pressed: 0.3,
    conductance: SNOW,
    touches: 'snow',
  },
  'sitting on snow': {
    weight: true,
    zones: { pelvis: 0.35, thighs: 0.25 },
    pressed: 0.5,
    conductance: SNOW,
    touches: 'snow',
  },
  'kneeling in snow': {
    weight: true,
    zones: { calves: 0.35, thighs: 0.1, toes: 0.5, feet: 0.3 },
    pressed: 0.6,
    conductance: SNOW,
    touches: 'snow',
  },
  'sitting on a mat': {
    weight: true,
    zones: { pelvis: 0.35, thighs: 0.25 },
    conductance: MAT,
    touches: 'snow',
    dry: true,
  },
  wading: {
    zones: { toes: 1, feet: 1, calves: 0.6 },
    liquidMmH: 20000,
    pressed: 1,
    conductance: WATER,
    touches: 'water',
  },
  'a dunking': {
    zones: {
      neck: 1,
      chest: 1,
      back: 1,
      pelvis: 1,
      arms: 1,
      hands: 1,
      fingers: 1,
      thighs: 1,
      calves: 1,
      feet: 1,
      toes: 1,
    },
    liquidMmH: 20000,
    pressed: 1,
    conductance: WATER,
    touches: 'water',
  },
};

/** Loft pressed out of what one sits or kneels on (engineering value). */
const WEIGHT = 0.6;
const WATER_C = 0.5;

/** One event over all zones. */
export interface WettingByZone {
  touch: Touch[];
  touches: 'air' | 'water' | 'snow';
  /** loft that body weight presses out where it touches, 0–1 */
  squeeze: number;
}

export const WETTING_BY_ZONE = Object.fromEntries(
  WETTINGS.map((name) => {
    const row = TABLE[name];
    const touch = Array.from({ length: ZONE_COUNT }, (_, z): Touch => ({
      share: row.zones[clothedAs(ZONES[z])] ?? 0,
      liquidMmH: row.liquidMmH ?? 0,
      snowMmH: row.snowMmH ?? 0,
      pressed: row.pressed ?? 0,
      conductance: row.conductance ?? 0,
      melts: row.touches === 'snow' && !row.dry ? (row.conductance ?? 0) / LATENT_FUSION : 0,
    }));
    return [name, { touch, touches: row.touches ?? 'air', squeeze: row.weight ? WEIGHT : 0 }];
  }),
) as Record<Wetting, WettingByZone>;

/** Temperature of what is touched, °C. */
export function touchedC(touches: WettingByZone['touches'], airC: number): number {
  return touches === 'water' ? WATER_C : touches === 'snow' ? Math.min(0, airC) : airC;
}
