import { fabricResistance, type Garment } from '@/core/clothing/garment';
import { isWornOnHands } from '@/core/clothing/purpose';
import { isIndoors } from '@/core/effort/sports';
import { feelsLikeC } from '@/core/outing/feelsLike';
import type { Timeline } from '@/core/outing/timeline';
import { clamp, ramp } from '@/core/quantity/range';

/** What an outing asks for to be along whatever the plan: how cold it feels standing about, and how long one is out. */
export interface Need {
  /** coldest felt standing still outdoors, °C */
  feelsC: number;
  /** hours outdoors, and of them those far from a door */
  hours: number;
  farHours: number;
}

/** Among houses a door is near: an hour there asks for as little to stand in as so much of one elsewhere (engineering value). */
const NEAR_DOORS = 0.3;

export function needOf(t: Timeline): Need {
  let feelsC = Infinity;
  let seconds = 0;
  let far = 0;
  for (const s of t.stretches) {
    if (isIndoors(s.sport)) continue;
    feelsC = Math.min(feelsC, feelsLikeC({ airC: s.airC, relativeWind: s.stillWind ?? s.relativeWind }));
    seconds += s.endS - s.startS;
    far += (s.endS - s.startS) * (t.legs[s.leg].shelter === 'street' ? NEAR_DOORS : 1);
  }
  return { feelsC, hours: seconds / 3600, farHours: far / 3600 };
}

/** Full points for what is not along, and between which felt temperatures, °C, and hours out they grow to that (engineering values). */
const HAT = { points: 0.35, feelsC: [1, -9], hours: [0.3, 1.5] } as const;
const HANDS = { points: 0.4, feelsC: [5, -5], hours: [0.2, 1] } as const;
const SPARE_HANDS = { points: 0.25, feelsC: [0, -12], hours: [0.75, 3] } as const;
const WARMTH = { points: 0.9, feelsC: [10, -8], hours: [1, 3] } as const;
const WARM_HANDS = { points: 0.4, feelsC: [-5, -25], hours: [1, 3] } as const;
const WARM_FEET = { points: 0.4, feelsC: [-5, -25], hours: [1, 3] } as const;
/** A shell against wind and a shower on ground far from a door, where the sky may turn while one is out (common practice, no published source). */
const SHELL = { points: 0.3, feelsC: [12, 2], hours: [1.5, 3.5] } as const;
/** A vest, which covers less than so much of the arms, is half a shell. */
const SLEEVED = 0.5;
const VEST = 0.5;
/**
 * Whoever is within half an hour of a door, at the cold at which warmth counts in full, brings nothing to stand in (common practice, no published source). What somebody who
 * stands loses grows with the fall from skin to air, so an hour counts for more the colder it is. Skin of somebody who stands about, °C.
 */
const SKIN_C = 30;
/** A hood is half a hat; what covers this much of the scalp is a whole one, a band the less. */
const HOOD = 0.5;
const COVERS_SCALP = 0.85;
/** Insulation over the base that holds somebody who stands, m²K/W: at 10 °C felt, and more for each kelvin below, up to the last. */
const HOLDS = { at10: 0.1, perK: 0.022, most: 0.75 } as const;
/** Insulation of all that can go over the fingers, one over the other, that holds them then, m²K/W: at −5 °C felt, and more for each kelvin below, up to the last. */
const HANDS_HOLD = { at5: 0.08, perK: 0.01, most: 0.35 } as const;
/** The same of socks, footwear and what goes over it, which toes stand in, m²K/W. */
const FEET_HOLD = { at5: 0.12, perK: 0.008, most: 0.35 } as const;

const enough = (of: { at5: number; perK: number; most: number }, feelsC: number): number =>
  clamp(of.at5 + of.perK * (-5 - feelsC), of.at5, of.most);

const asks = (
  n: Pick<Need, 'feelsC' | 'hours'>,
  of: { points: number; feelsC: readonly [number, number]; hours: readonly [number, number] },
) => of.points * ramp(n.feelsC, of.feelsC) * ramp(n.hours, of.hours);

/**
 * Points for what ought to be along and is not: something for the head, for the hands, dry gloves, a shell far from doors, and warmth for somebody who must
 * stand, for the torso and for fingers and toes that no work warms. Each grows with cold and hours and without a step, so that no air and no minute decides (common practice, no published
 * source, for what; the ramps are engineering values).
 * @param along worn and carried
 */
export function lackPrice(along: Iterable<Garment>, need: Need): number {
  let hat = 0;
  let hands = 0;
  let warmHands = 0;
  let warmFeet = 0;
  let warmth = 0;
  let shell = 0;
  for (const g of along) {
    if (g.group === 'head' && g.role !== 'over')
      hat = Math.max(hat, Math.min(1, (g.panels.scalp?.coverage ?? 0) / COVERS_SCALP));
    else if (g.openings.some((o) => o.kind === 'hood')) hat = Math.max(hat, HOOD);
    if (isWornOnHands(g)) {
      hands++;
      warmHands += fabricResistance(g);
    }
    if (g.group === 'feet' && g.role !== 'heater' && g.role !== 'shell') warmFeet += fabricResistance(g);
    if (g.group === 'torso' && (g.role === 'mid' || g.role === 'warm')) warmth += fabricResistance(g);
    if (g.group === 'torso' && (g.role === 'shell' || g.role === 'storm'))
      shell = Math.max(shell, (g.panels.arms?.coverage ?? 0) >= SLEEVED ? 1 : VEST);
  }
  const holds = clamp(HOLDS.at10 + HOLDS.perK * (10 - need.feelsC), HOLDS.at10, HOLDS.most);
  const coldness = Math.max(0, (SKIN_C - need.feelsC) / (SKIN_C - WARMTH.feelsC[1]));
  const standing = { feelsC: need.feelsC, hours: need.farHours * coldness };
  return (
    asks(need, HAT) * (1 - hat) +
    (hands === 0 ? asks(need, HANDS) : 0) +
    (hands < 2 ? asks(need, SPARE_HANDS) : 0) +
    asks({ feelsC: need.feelsC, hours: need.farHours }, SHELL) * (1 - shell) +
    asks(standing, WARM_HANDS) * clamp(1 - warmHands / enough(HANDS_HOLD, need.feelsC), 0, 1) +
    asks(standing, WARM_FEET) * clamp(1 - warmFeet / enough(FEET_HOLD, need.feelsC), 0, 1) +
    asks(standing, WARMTH) * clamp(1 - warmth / holds, 0, 1)
  );
}
