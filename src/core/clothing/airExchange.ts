import { exp } from '@/core/quantity/exact';

/**
 * Air exchange under clothing: what dries people.
 *
 * Three ways, all m³/s per m² of body:
 *  - through the cloth: wind pressure drives air through the layers in series (ISO 9237 permeability, linear in pressure),
 *    limited by how fast air can run along beneath them;
 *  - pumping: limbs and fit move air in and out of hem, cuffs and collar;
 *  - openings: free area times a share of the air speed.
 * Order of magnitude after Havenith, Lotens and others: closed garments 0.3–1.5 L/s per body, wide open 5–10 L/s.
 *
 * The constants but `pumpStill` and those of openings were fitted together to three published grids: the ISO 11079/9920 wind–walk–permeability
 * correction of insulation, for a shell over a fleece and for jackets and over-trousers with fill (worst cell 15 %), the ISO 9920 i_m rule for
 * evaporative resistance (worst cell 25 %), and ISO 7933 in shirt and trousers at 0.3 to 1 m/s (worst cell 20 %), whose light clothes open far more
 * to walking and wind than cold-weather ones: that is how the gap enters. Pumping at rest was held at what closed garments show on a standing manikin.
 * Among sets of constants that fit all alike one was taken that breaks no other published check. See tests/reference/dynamicInsulation.test.ts and
 * body.test.ts.
 */
export const EXCHANGE = {
  /** share of the stagnation pressure that drives air through cloth, averaged around the body */
  pressureShare: 0.0762,
  /** highest through-flow per relative wind, (m³/s m²)/(m/s): resistance of running along under the cloth */
  throughLimit: 0.00606,
  /** pumping with the body still, m³/s m² at the reference gap */
  pumpStill: 0.0003,
  /** pumping by walking at the reference gap, (m³/s m²)/(m/s of walking speed): cloth moves on the limbs however it fits, so it grows less than the gap */
  pumpWalk: 0.000854,
  /** wind that finds its way in at hem, cuffs and seams at the reference gap, (m³/s m²)/(m/s): with the square of the gap, as flow between plates grows */
  pumpWind: 0.000803,
  /** a garment of this resistance lets half of what walking and wind drive beneath it: loft fills its own gap and closes the edges, m²K/W */
  keeps: 0.32,
  /** effective speed through an opening per relative wind, and from buoyancy alone, m/s */
  openingWind: 0.03,
  openingStill: 0.03,
  /** how much each layer outside slows the air of an inner gap */
  seriesShare: 0.6,
  /** gap, m, at which pumping has its reference value */
  referenceGap: 0.005,
};

/**
 * Flow through cloth into a gap, m³/s m².
 * @param seriesPermeability mm/s at 100 Pa of all layers outside the gap in series
 * @param v relative wind, m/s  @param density air, kg/m³
 */
export function throughFlow(seriesPermeability: number, v: number, density: number): number {
  if (seriesPermeability <= 0) return 0;
  const pressure = EXCHANGE.pressureShare * 0.5 * density * v * v;
  const free = seriesPermeability * 1e-5 * pressure;
  const limit = EXCHANGE.throughLimit * v;
  return (free * limit) / (free + limit + 1e-12);
}

/**
 * Pumping flow of one closed garment, m³/s m². `w` walking-equivalent speed, `v` relative wind, m/s.
 * The standard's correction is the same share of thin clothes and of thick ones; air let in freely beneath a thick jacket would take
 * away what it is worn for.
 * @param resistance of the garment itself, m²K/W
 */
export function pumping(gapM: number, resistance: number, w: number, v: number): number {
  const fit = Math.min(1.6, gapM / EXCHANGE.referenceGap);
  const root = Math.sqrt(fit);
  const driven = EXCHANGE.pumpWalk * root * Math.sqrt(root) * w + EXCHANGE.pumpWind * fit * fit * v;
  return EXCHANGE.pumpStill * fit + driven * (1 - closes(resistance));
}

/** How far loft closes the edges of a garment, 0–1. @param resistance of the garment itself, m²K/W */
export function closes(resistance: number): number {
  const loft = resistance / EXCHANGE.keeps;
  return (loft * loft) / (1 + loft * loft);
}

/**
 * How much a layer slows the air of the gaps further in, s m²/m³: thin cloth by a part of its own flow, closed loft so that no more gets further in than gets
 * beneath it.
 * @param own flow beneath it, through and around it, m³/s m²  @param closed as `closes`
 */
export const slows = (own: number, closed: number): number =>
  (EXCHANGE.seriesShare + (1 - EXCHANGE.seriesShare) * closed) / own;

/** Flow through an opening of `area` m² per m² of zone, m³/s m². */
export function openingFlow(area: number, v: number): number {
  return area * (EXCHANGE.openingStill + EXCHANGE.openingWind * v);
}

/**
 * What a flow along a surface takes from it, as a flow that would leave at the surface's own temperature, m³/s m²: a stream past a wall
 * of constant temperature takes up 1 − exp(−hA/ṁc) of what it could (Incropera & DeWitt, internal flow, constant surface temperature;
 * the same for vapour, Lewis number about 1). So however wide a layer is opened, it does not cool more than air on the bare surface does.
 * @param flow m³/s m² @param h convection that the surface would have uncovered, W/m²K @param heat of the air, J/m³K
 */
export const takenUp = (flow: number, h: number, heat: number): number =>
  flow <= 0 ? 0 : flow * (1 - exp(-h / (heat * flow)));
