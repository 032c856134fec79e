import { within } from '@/core/quantity/range';

/** What a bare or dressed surface loses to the air, and what each cause adds; W/m² of skin. */
export interface ChillSplit {
  /** in still air at this temperature */
  airWm2: number;
  /** more by the true wind */
  windWm2: number;
  /** more by one's own speed on top of it */
  ownWm2: number;
  /** the air temperature that would take as much in calm air, °C, and the share of that fall due to wind and own speed, K */
  feelsC: number;
  windK: number;
  ownK: number;
}

/**
 * The body behind the skin as the 2001 wind chill index has it: core 38 °C behind 0.091 m²K/W of tissue, in air never calmer
 * than a walk of 1.34 m/s (Osczevski & Bluestein 2005, from memory).
 */
const CORE = 38;
const TISSUE = 0.091;
const CALM = 1.34;
const NATURAL = 3.9;
const RADIATION = 4;

const coefficient = (v: number): number => Math.max(NATURAL, 8.3 * Math.pow(v, 0.6)) + RADIATION;

/**
 * Is it cold or is it the wind? Splits the heat taken from skin through `resistance` of cloth (0 bare) into what the air
 * temperature costs in calm, what the true wind adds and what the own speed adds; each also as equivalent degrees.
 * Convection 8.3 v^0.6 (Mitchell 1974), radiation 4 W/m²K; wind through the cloth is left out (a windproof outer layer).
 * @param airC −60 to 20  @param windMs true wind at the body, m/s, 0–40  @param relativeMs wind relative to the moving body
 * @param resistance cloth between skin and air, m²K/W, 0–2
 */
export function chillSplit(airC: number, windMs: number, relativeMs: number, resistance = 0): ChillSplit {
  within('air temperature', airC, -60, 40, '°C');
  within('wind', windMs, 0, 60, 'm/s');
  within('relative wind', relativeMs, 0, 60, 'm/s');
  within('cloth', resistance, 0, 2, 'm²K/W');
  const conductance = (v: number) => 1 / (TISSUE + resistance + 1 / coefficient(Math.max(CALM, v)));
  const still = conductance(CALM);
  const fall = CORE - airC;
  const air = still * fall;
  const all = conductance(relativeMs) * fall;
  // Riding with the wind the own speed gives back what the wind took; the parts still add up.
  const own = all - conductance(windMs) * fall;
  const wind = all - own - air;
  return {
    airWm2: air,
    windWm2: wind,
    ownWm2: own,
    feelsC: CORE - all / still,
    windK: wind / still,
    ownK: own / still,
  };
}
