import { saturationFast } from '@/core/atmosphere/humidity';
import { BREATH_LATENT, exhaledC } from '@/core/body/respiration';
import { clamp } from '@/core/quantity/range';
import { LATENT_VAPOUR } from '@/core/quantity/units';

/**
 * Water a covered mouth leaves in its cover, g/s: breath out is saturated at its own temperature and leaves what the cover's
 * temperature cannot hold; breath in takes up again what dry air can at that temperature. In the cold more is left than
 * taken, so the cover gets wet and then ices up; in mild air the two balance and it stays dry.
 *
 * Negative while the breath in dries the cover. The balance is by flow and saturation alone: mixing in the mouth and the
 * droplets a wet cover passes on are left out, which makes it ice somewhat early.
 * @param metabolicW M, W  @param share of the breath that passes the cover, 0–0.6  @param coverC its temperature, °C
 */
export function breathDeposit(
  metabolicW: number,
  airC: number,
  vapourPa: number,
  coverC: number,
  share: number,
): number {
  const flow = (share * metabolicW * BREATH_LATENT) / LATENT_VAPOUR;
  const out = saturationFast(exhaledC(airC));
  const cover = saturationFast(coverC);
  const most = out - vapourPa;
  return flow * clamp(out - 2 * cover + vapourPa, -most, most);
}
