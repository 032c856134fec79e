import { chillSplit } from '@/core/atmosphere/chillSplit';
import { SHELTER_FACTOR } from '@/core/atmosphere/windAtBody';
import { coldestFelt, feelsLikeC } from '@/core/outing/feelsLike';
import { isIndoors } from '@/core/effort/sports';
import type { Timeline } from '@/core/outing/timeline';
import { clock } from '@/formats/dates';
import { difference, temperature, type Units } from '@/formats/measures';

/** The index is about the cold: milder air is left out, °C. */
const COLD_C = 12;
/** What is less than this is not worth a word, K. */
const WORTH_K = { wind: 0.5, sun: 1, calm: 2 } as const;

/** Is it cold or is it the wind? In a sentence, at the moment that feels coldest. */
export function coldOrWind(timeline: Timeline, units: Units): string {
  const out = timeline.stretches.filter((s) => s.airC < COLD_C && !isIndoors(s.sport));
  if (out.length === 0) return '';
  const split = (s: (typeof out)[number]) =>
    chillSplit({
      airC: s.airC,
      windMs: s.wind10 * SHELTER_FACTOR[timeline.legs[s.leg].shelter],
      relativeMs: s.relativeWind,
      sunWm2: s.sunWm2,
    });
  // One scale: wind and own speed share what the wind chill index takes off the air, at the moment it says is coldest.
  const worst = coldestFelt(out);
  const parted = split(worst);
  const moving = parted.windK + parted.ownK;
  const scale = moving > 0.01 ? Math.max(0, worst.airC - feelsLikeC(worst)) / moving : 1;
  const s = { windK: parted.windK * scale, ownK: parted.ownK * scale, sunK: parted.sunK * scale };
  if (s.windK + s.ownK < WORTH_K.calm && s.sunK > -WORTH_K.sun)
    return `It is the cold, hardly any wind: at worst ${temperature(worst.airC, units)} on bare skin.`;
  const parts = [
    s.windK > WORTH_K.wind && `${difference(s.windK, units, 0)} is the wind`,
    s.ownK > WORTH_K.wind && `${difference(s.ownK, units, 0)} your own speed`,
    s.ownK < -WORTH_K.wind && `your own speed takes ${difference(-s.ownK, units, 0)} off`,
    s.sunK < -WORTH_K.sun && `the sun gives ${difference(-s.sunK, units, 0)} back`,
  ].filter(Boolean);
  return `On bare skin at ${clock(worst.startS)}, beyond the air’s ${temperature(worst.airC, units)}, ${parts.join(' and ')}.`;
}
