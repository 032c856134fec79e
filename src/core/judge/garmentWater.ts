import { ZONES } from '@/core/body/zones';
import { panelOver, type Garment } from '@/core/clothing/garment';
import { holdsLiquid, sorbs } from '@/core/clothing/garmentArrays';
import { beyondDry, wetShare } from '@/core/moisture/beyondDry';
import type { Scored } from './scorePlan';

/** Water in one garment at one moment, over the body: beyond dry storage, g; frost in it, g; and how full of liquid it is, 0–1. */
export interface GarmentWater {
  waterG: number;
  frostG: number;
  share: number;
}

const DRY: GarmentWater = { waterG: 0, frostG: 0, share: 0 };

/** @param area of the zones, m² @param row of the run's series */
export function garmentWater(scored: Scored, area: readonly number[], g: Garment, row: number): GarmentWater {
  const index = scored.garmentIds.indexOf(g.id);
  if (index < 0) return DRY;
  const s = scored.series;
  const all = { waterG: 0, frostG: 0, share: 0 };
  let covered = 0;
  ZONES.forEach((zone, z) => {
    const panel = panelOver(g, zone);
    if (!panel) return;
    const k = (row * s.garments + index) * ZONES.length + z;
    const weight = panel.weightGm2 ?? g.weightGm2;
    all.waterG += beyondDry(s.waterGm2[k], sorbs(g, weight)) * area[z];
    all.frostG += s.frostGm2[k] * area[z];
    all.share += wetShare(s.waterGm2[k], sorbs(g, weight), holdsLiquid(g, weight)) * area[z];
    covered += area[z];
  });
  return covered > 0 ? { ...all, share: all.share / covered } : DRY;
}
