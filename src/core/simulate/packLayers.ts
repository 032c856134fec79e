import { ZONE_COUNT } from '@/core/body/zones';
import { STRIDE, THROUGH_VAPOUR, type Stacks } from '@/core/clothing/stack';
import type { GarmentArrays } from '@/core/clothing/garmentArrays';
import { FULL_FILM, WICK_CLOTH_S, WICK_SKIN_S } from '@/core/moisture/film';
import * as L from './layout';

/** Writes the stacks of all zones into the records the step reads. Done whenever what is worn, or the air, changes. */
export function packLayers(m: Float64Array, stacks: Stacks, w: GarmentArrays): void {
  for (let z = 0; z < ZONE_COUNT; z++) {
    const base = z * STRIDE;
    const n = stacks.layers[z];
    const skin = L.NODES + z * L.NODES_A_ZONE * L.RECORD;
    m[L.LAYERS + z] = n;
    m[L.GIVES + z] = 0;
    // Nothing is known of these layers yet: the first step looks whether any is wet.
    m[L.WET_LAYERS + z] = 1;
    m[L.OUTSIDE_C + z] = stacks.outsideC[z];
    m[skin + L.VENT_HEAT] = stacks.ventHeat[base];
    m[skin + L.VENT_VAPOUR] = stacks.ventVapour[base];
    for (let k = 1; k <= n; k++) {
      const i = base + k;
      const j = stacks.place[i];
      const g = stacks.garment[i];
      const node = skin + k * L.RECORD;
      m[node + L.PLACE] = j;
      m[node + L.HEAT] = w.heat[j];
      m[node + L.SORB] = w.sorb[j];
      m[node + L.PER_SORB] = w.perSorb[j];
      m[node + L.LIQUID] = w.liquid[j];
      m[node + L.PER_LIQUID] = 1 / w.liquid[j];
      m[node + L.BRIDGES] = w.bridges[j];
      m[node + L.COLLAPSE] = w.collapse[g];
      m[node + L.CLING] = w.cling[g];
      m[node + L.R_IN] = stacks.rIn[i];
      m[node + L.R_OUT] = stacks.rOut[i];
      m[node + L.R_GAP] = stacks.rGap[i];
      m[node + L.THROUGH] = stacks.through[i];
      m[node + L.DRY_LINK] = stacks.dryLink[i];
      m[node + L.VENT_HEAT] = stacks.ventHeat[i];
      m[node + L.SOURCE] = stacks.source[i];
      m[node + L.V_IN] = stacks.vIn[i];
      m[node + L.V_OUT] = stacks.vOut[i];
      m[node + L.V_GAP] = stacks.vGap[i];
      m[node + L.THROUGH_VAPOUR] = stacks.through[i] * THROUGH_VAPOUR;
      m[node + L.CLEAR_LINK] = stacks.clearLink[i];
      m[node + L.VENT_VAPOUR] = stacks.ventVapour[i];
      m[node + L.WATER_RESISTANCE] = w.waterResistance[g];
      m[node + L.SHIELDS] = stacks.shields[i];
      m[node + L.HOLDS_BACK] = w.waterResistance[g];
      m[node + L.MELTS_AT] = 0;
      m[node + L.COMES] = 0;
      m[node + L.WICK_OUT] = 0;
      if (k < n) {
        const b = stacks.garment[i + 1];
        const room = Math.min(w.liquid[j], w.liquid[stacks.place[i + 1]]);
        m[node + L.WICK_OUT] =
          ((1 - w.waterResistance[g]) * w.contact[b] * Math.min(w.wicking[g], w.wicking[b]) * room) / WICK_CLOTH_S;
      }
      // The film reaches the first layer, and through the holes of an open mesh the second.
      const reach = k === 1 ? 1 : k === 2 ? w.mesh[stacks.garment[base + 1]] : 0;
      m[node + L.WICK_SKIN] = (reach * w.contact[g] * w.wicking[g] * FULL_FILM) / WICK_SKIN_S;
    }
    const air = skin + (n + 1) * L.RECORD;
    m[air + L.DRY_LINK] = stacks.dryLink[base + n + 1];
    m[air + L.CLEAR_LINK] = stacks.clearLink[base + n + 1];
    m[air + L.R_GAP] = 1 / stacks.boundary[z];
    m[air + L.V_GAP] = 1 / stacks.boundaryVapour[z];
    m[air + L.THROUGH] = n > 0 ? stacks.throughOuter[z] : 0;
    m[air + L.THROUGH_VAPOUR] = n > 0 ? stacks.throughOuter[z] * THROUGH_VAPOUR : 0;
  }
}
