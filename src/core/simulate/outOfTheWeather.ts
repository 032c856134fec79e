import { bareSkinC } from '@/core/atmosphere/bareSkin';
import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import { zoneIndex } from '@/core/body/zones';
import type { GarmentArrays } from '@/core/clothing/garmentArrays';
import { STRIDE, type Stacks } from '@/core/clothing/stack';
import type { Conditions } from '@/core/outing/conditions';
import { clamp, ramp } from '@/core/quantity/range';

/** What weather does to ears, eyes and hair, which no zone of the body stands for. */
export interface Weathered {
  /** ears, °C; Infinity where they are covered */
  earC: number;
  /** how badly eyes are hurt by what drives into them or by the wind of speed, 0–1 */
  eyes: number;
  /** liquid that reaches the hair or a hat that soaks, or runs in at a front that is wide open, mm/h */
  hair: number;
  /** index of what is worn before the eyes, −1 for nothing */
  lens: number;
}

const SCALP = zoneIndex('scalp');
const CHEST = zoneIndex('chest');
const FACE = zoneIndex('face');
/** Ears stand out and hold little blood: tissue behind them, m²K/W (engineering value, beside the cheek's 0.091). */
const EAR_TISSUE = 0.12;
/** A hood covers ears once it covers this much of the scalp; a helmet lets wind to them above this permeability, mm/s at 100 Pa. */
const HOODED = 0.5;
const VENTED = 100;
/** Wind in which flakes begin to hurt eyes, and hurt them in full; the same for dry cold air alone, m/s (engineering values). */
const FLAKES = [4, 10] as const;
const COLD_WIND = [7, 16] as const;
/** Wind alone hurts below this, and in full so much below, °C. */
const EYES_C = 5;
const EYES_SPAN_K = 15;

/** What is worn against the rain keeps off from this much of it on, and leaves so much of the chest to it where its front is half and wide open. */
const KEEPS_OFF = 0.5;
const FRONT_OPEN = [0.15, 0.3] as const;

/** How far rain runs in at the front of what is worn against it, 0–1: nobody leaves it wide open (common practice, no published source). */
function runsIn(s: Stacks, w: GarmentArrays): number {
  for (let k = s.layers[CHEST]; k >= 1; k--) {
    const i = CHEST * STRIDE + k;
    if (w.garments[s.garment[i]].waterResistance >= KEEPS_OFF) return ramp(1 - s.cover[i], FRONT_OPEN);
  }
  return 0;
}

/** Fills in what the weather does now to what is bare of the head. */
export function weathered(c: Conditions, s: Stacks, w: GarmentArrays, into: Weathered): void {
  let ears = true;
  let reaches = 1;
  for (let k = 1; k <= s.layers[SCALP]; k++) {
    const i = SCALP * STRIDE + k;
    const g = w.garments[s.garment[i]];
    const hat = g.group === 'head' && (g.role !== 'over' || g.airPermeability < VENTED);
    if (hat || (g.group !== 'head' && s.cover[i] >= HOODED)) ears = false;
    reaches *= 1 - s.shields[i] * g.waterResistance;
  }
  into.lens = -1;
  for (let k = 1; k <= s.layers[FACE]; k++) {
    const g = s.garment[FACE * STRIDE + k];
    if (w.garments[g].group === 'eyes') into.lens = g;
  }
  into.earC = ears ? bareSkinC(c.airC, c.relativeWind, EAR_TISSUE) : Infinity;
  into.hair = c.precipitationMmH * LIQUID_SHARE[c.precipitation] * Math.max(reaches, runsIn(s, w));
  const flakes = c.precipitation.includes('snow') || c.wetting === 'spindrift' ? ramp(c.relativeWind, FLAKES) : 0;
  const cold = clamp((EYES_C - c.airC) / EYES_SPAN_K, 0, 1) * ramp(c.relativeWind, COLD_WIND);
  into.eyes = into.lens >= 0 ? 0 : Math.max(flakes, cold);
}
