import { within } from '@/core/quantity/range';
import { convection, LEWIS_PER_PA, radiation } from './boundaryLayer';
import { saturationPressure } from './humidity';
import { SKIN_ABSORPTANCE } from './sun';

/** The air about a patch of skin, bare or dressed. */
export interface ChillAir {
  airC: number;
  /** true wind at the body, m/s */
  windMs: number;
  /** wind relative to the moving body, m/s */
  relativeMs: number;
  /** cloth between skin and air, m²K/W; left out: bare */
  resistance?: number;
  /** share of the outer surface that is wet, 0–1; left out: dry */
  wet?: number;
  /** vapour pressure of the air, Pa; needed where anything is wet */
  vapourPa?: number;
  /** short-wave on the surface, W/m²; a clear sky at night counts negative */
  sunWm2?: number;
}

/** What a bare or dressed surface loses to the air, and what each cause adds; W/m² of skin. */
export interface ChillSplit {
  /** in still air at this temperature, dry and without sun */
  airWm2: number;
  /** more by the true wind */
  windWm2: number;
  /** more by one's own speed on top of it */
  ownWm2: number;
  /** more by wetness, and (mostly less) by sun and sky */
  wetWm2: number;
  sunWm2: number;
  /** the air temperature that would take as much in calm air, °C, and what each cause takes off it, K */
  feelsC: number;
  windK: number;
  ownK: number;
  wetK: number;
  sunK: number;
}

/**
 * The body behind the skin as the 2001 wind chill index has it: core 38 °C behind 0.091 m²K/W of tissue, in air never calmer
 * than a walk of 1.34 m/s (Osczevski & Bluestein 2005, from memory).
 */
const CORE = 38;
const TISSUE = 0.091;
const CALM = 1.34;

/**
 * Is it cold or is it the wind, the wet, the sky? Splits the heat taken from skin into what the air temperature costs in
 * calm, and what true wind, own speed, wetness and sun each add; each also as equivalent degrees. The parts add up.
 * Convection 8.3 v^0.6 (Mitchell 1974), radiation by `radiation`; wind through the cloth is left out (a windproof outer layer).
 * A wet surface evaporates by the Lewis relation at its own temperature, found by halving.
 * @throws OutOfRange for air −60 to 40 °C, wind 0–60 m/s, cloth 0–2 m²K/W, wet 0–1, sun −200 to 1000 W/m²
 */
export function chillSplit(air: ChillAir): ChillSplit {
  const { airC, windMs, relativeMs, resistance = 0, wet = 0, vapourPa = 0, sunWm2 = 0 } = air;
  within('air temperature', airC, -60, 40, '°C');
  within('wind', windMs, 0, 60, 'm/s');
  within('relative wind', relativeMs, 0, 60, 'm/s');
  within('cloth', resistance, 0, 2, 'm²K/W');
  within('wet share', wet, 0, 1);
  within('sun', sunWm2, -200, 1000, 'W/m²');
  const inside = TISSUE + resistance;
  const coefficient = (v: number) => convection(Math.max(CALM, v)) + radiation(airC);
  const conductance = (v: number) => 1 / (inside + 1 / coefficient(v));
  const still = conductance(CALM);
  const fall = CORE - airC;
  const calm = still * fall;
  const dry = conductance(relativeMs) * fall;
  // Riding with the wind the own speed gives back what the wind took; the parts still add up.
  const own = dry - conductance(windMs) * fall;
  const wind = dry - own - calm;

  // The surface temperature at which what comes from inside and the sun goes out dry and as vapour.
  const h = coefficient(relativeMs);
  const evaporates = wet * convection(Math.max(CALM, relativeMs)) * LEWIS_PER_PA;
  const lost = (sun: number, vapour: number): number => {
    let low = airC - 40;
    let high = CORE + 60;
    for (let i = 0; i < 50; i++) {
      const t = (low + high) / 2;
      const out = h * (t - airC) + vapour * (saturationPressure(t) - vapourPa) - sun;
      if (out > (CORE - t) / inside) high = t;
      else low = t;
    }
    return (CORE - (low + high) / 2) / inside;
  };
  const wetWm2 = evaporates > 0 ? lost(0, evaporates) - dry : 0;
  const sun = sunWm2 === 0 ? 0 : lost(sunWm2 * SKIN_ABSORPTANCE, evaporates) - dry - wetWm2;
  const all = dry + wetWm2 + sun;
  return {
    airWm2: calm,
    windWm2: wind,
    ownWm2: own,
    wetWm2,
    sunWm2: sun,
    feelsC: CORE - all / still,
    windK: wind / still,
    ownK: own / still,
    wetK: wetWm2 / still,
    sunK: sun / still,
  };
}
