import {
  AIR_VAPOUR,
  COMES,
  DT,
  HELD,
  INDEX,
  INFLOW,
  PER_HUMIDITY,
  PLACE,
  PRESSURE,
  RATE,
  RECORD,
  RIGHT,
  SATURATION,
  UPPER,
  VAPOUR_LINK,
  VENT_VAPOUR,
} from './layout';

/** A conductance so large that a saturated layer keeps its own saturation pressure, g/(s m² Pa). */
export const HOLD = 1e3;

/**
 * Whether a layer ends the step otherwise than it was solved for: a saturated one with less than its sorption line has at saturation, or one on the
 * line above saturation. A thin layer holds no more than leaves it in half a minute: solved as it began, it would dry out and fill up by turns.
 */
export const changesOver = (m: Float64Array, node: number, water: number): boolean =>
  m[node + HELD] === 1
    ? m[node + INFLOW] < 0 && leftIn(m, node, water) < m[node + PER_HUMIDITY]
    : m[node + PRESSURE] > m[node + SATURATION];

/** Water of a layer after the step, g/m². */
const leftIn = (m: Float64Array, node: number, water: number): number =>
  m[water + (m[node + PLACE] & INDEX)] + m[DT] * (m[node + INFLOW] + m[node + COMES]);

/**
 * Solves the zone again with every layer that changes over within the step as it ends: one that dries out on its sorption line, where its pressure
 * falls with its water, one that fills up at its saturation pressure. Where that goes to and fro, layers only dry out any more, since none may end
 * with less than nothing.
 */
export function solveChangedOver(m: Float64Array, skinNode: number, n: number, water: number): void {
  const rate = m[RATE];
  const air = m[AIR_VAPOUR];
  for (let pass = 0; pass < 3 * n; pass++) {
    let changed = false;
    for (let k = 1; k <= n; k++) {
      const node = (skinNode + k * RECORD) & INDEX;
      if (!changesOver(m, node, water) || (pass >= n && m[node + HELD] === 0)) continue;
      m[node + HELD] = 1 - m[node + HELD];
      changed = true;
    }
    if (!changed) return;
    for (let k = n; k >= 1; k--) {
      const node = (skinNode + k * RECORD) & INDEX;
      const inner = m[node - RECORD + VAPOUR_LINK];
      const outer = m[node + VAPOUR_LINK];
      const held = m[node + HELD] === 1;
      const curve = m[node + SATURATION];
      const vent = m[node + VENT_VAPOUR];
      let d = (held ? HOLD : (m[node + PER_HUMIDITY] * rate) / curve) + inner + vent + outer;
      let r = (held ? HOLD * curve : m[water + (m[node + PLACE] & INDEX)] * rate + m[node + COMES]) + vent * air;
      if (k === n) r += outer * air;
      else {
        d -= outer * m[node + RECORD + UPPER];
        r += outer * m[node + RECORD + RIGHT];
      }
      m[node + UPPER] = inner / d;
      m[node + RIGHT] = r / d;
    }
    for (let k = 1; k <= n; k++) {
      const node = (skinNode + k * RECORD) & INDEX;
      m[node + PRESSURE] = m[node + RIGHT] + m[node + UPPER] * m[node - RECORD + PRESSURE];
    }
    for (let k = 1; k <= n; k++) {
      const node = (skinNode + k * RECORD) & INDEX;
      const p = m[node + PRESSURE];
      const outside = k === n ? air : m[node + RECORD + PRESSURE];
      m[node + INFLOW] =
        m[node - RECORD + VAPOUR_LINK] * (m[node - RECORD + PRESSURE] - p) -
        m[node + VAPOUR_LINK] * (p - outside) -
        m[node + VENT_VAPOUR] * (p - air);
    }
  }
}
