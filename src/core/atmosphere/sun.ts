import { cosine, power, sine, steady } from '@/core/quantity/exact';
import { getPosition } from 'suncalc';
import { clamp } from '@/core/quantity/range';

export interface Sun {
  /** degrees above the horizon */
  altitudeDeg: number;
  /** degrees from north, clockwise */
  azimuthDeg: number;
}

/** Sun position from the solar library. `when` is milliseconds since 1970 UTC. */
export function sunPosition(when: number, latitude: number, longitude: number): Sun {
  // The library wants a Date; the core holds no clock, so the caller gives the instant.
  const p = getPosition(when as unknown as Date, latitude, longitude);
  return { altitudeDeg: steady(p.altitude), azimuthDeg: steady(p.azimuth) };
}

export type Light = 'sun' | 'shade';

/** Light of the clear sky on level ground, a share of the beam (handbook value, from memory: 0.1 to 0.2). */
const DIFFUSE = 0.15;

/** Share of the body's surface that takes part in radiation when standing (Fanger 1970). */
const RADIATES = 0.725;

/**
 * Area that a standing person turns to the sun, as a share of the body's surface and a mean over all bearings:
 * 0.308 cos(h (1 − h²/48402)) of the surface that radiates, h in degrees (Jendritzky 1990 and VDI 3787-2, from memory).
 */
const projectedArea = (altitudeDeg: number): number =>
  RADIATES * 0.308 * cosine((altitudeDeg * (1 - (altitudeDeg * altitudeDeg) / 48402) * Math.PI) / 180);

/**
 * Short-wave radiation on an upright clothed person, W per m² of body surface.
 * Direct beam by the clear-sky attenuation of Meinel (1367·0.7^(AM^0.678)) on the projected area of a standing person, diffuse
 * 15 % of the beam, and what the ground reflects of both by its albedo. Cloud scales by `1 − 0.75 c^3.4` (Kasten & Czeplak 1980).
 * Simplified: no horizon profile beyond `shaded`, no ozone; about ±20 %.
 * @param altitudeDeg sun altitude  @param cloud 0 to 1  @param albedo 0 to 1 (fresh snow about 0.8)
 * @param light on the shaded side or under trees: diffuse only
 */
export function sunOnBody(altitudeDeg: number, cloud: number, albedo: number, light: Light): number {
  const shaded = light === 'shade';
  if (altitudeDeg <= 0) return 0;
  const sinA = sine((altitudeDeg * Math.PI) / 180);
  const airMass = 1 / (sinA + 0.50572 * power(altitudeDeg + 6.07995, -1.6364));
  const beam = 1367 * power(0.7, power(airMass, 0.678));
  const cloudFactor = 1 - 0.75 * power(clamp(cloud, 0, 1), 3.4);
  const globalHorizontal = beam * (sinA + DIFFUSE) * cloudFactor;
  const direct = shaded ? 0 : beam * (1 - clamp(cloud, 0, 1)) * projectedArea(altitudeDeg);
  const diffuse = 0.5 * (DIFFUSE * beam * cloudFactor);
  const reflected = 0.5 * albedo * globalHorizontal * (shaded ? 0.3 : 1);
  return direct + diffuse + reflected;
}

/** Share of short-wave that ordinary dark to mid-coloured outdoor cloth takes up (handbook absorptance 0.6 to 0.8). */
export const CLOTH_ABSORPTANCE = 0.7;
/** Skin absorptance for sunlight (about 0.65 for fair skin, from memory of handbook tables). */
export const SKIN_ABSORPTANCE = 0.65;
