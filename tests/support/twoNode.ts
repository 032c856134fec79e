/**
 * Gagge's two-node model (Gagge, Fobelets & Berglund, ASHRAE Trans. 92:709, 1986; the algorithm of ASHRAE 55 appendix),
 * typed from memory as an independent second opinion. Nude or lightly dressed, uniform skin.
 */
export interface TwoNode {
  coreC: number;
  skinC: number;
  sweatGm2h: number;
  wettedness: number;
}

export function twoNode(
  minutes: number,
  airC: number,
  humidity: number,
  airMs: number,
  metWm2: number,
  clo: number,
): TwoNode {
  const pa = humidity * saturationTorr(airC);
  const skinSet = 33.7;
  const coreSet = 36.8;
  const bodySet = 36.49;
  let skin = skinSet;
  let core = coreSet;
  let alpha = 0.1;
  let flow = 6.3;
  let sweat = 0;
  let w = 0.06;
  const iClo = clo * 0.155;
  const fcl = 1 + 0.15 * clo;
  const hc = Math.max(3.0, 8.600001 * Math.pow(airMs, 0.53));
  const hr = 4.7;
  const lewis = 2.2;
  for (let t = 0; t < minutes; t++) {
    const ra = 1 / (fcl * (hc + hr));
    const dry = (skin - airC) / (ra + iClo);
    const res = 0.0023 * metWm2 * (44 - pa);
    const cres = 0.0014 * metWm2 * (34 - airC);
    const heatFlow = (core - skin) * (5.28 + 1.163 * flow);
    const coreStore = metWm2 - heatFlow - res - cres;
    const recl = iClo > 0 ? iClo / (lewis * 0.45) : 0;
    const emax = (saturationTorr(skin) - pa) / (1 / (lewis * fcl * hc) + recl);
    const regulatory = 0.68 * sweat;
    const prsw = Math.min(regulatory / emax, 1);
    w = Math.min(1, 0.06 + 0.94 * prsw);
    const evaporation = w * emax;
    const skinStore = heatFlow - dry - evaporation;
    skin += (skinStore * 1.87 * 60) / (0.97 * alpha * 70 * 3600);
    core += (coreStore * 1.87 * 60) / (0.97 * (1 - alpha) * 70 * 3600);
    const body = alpha * skin + (1 - alpha) * core;
    const warmSkin = Math.max(0, skin - skinSet);
    const coldSkin = Math.max(0, skinSet - skin);
    const warmCore = Math.max(0, core - coreSet);
    flow = Math.min(90, Math.max(0.5, (6.3 + 120 * warmCore) / (1 + 0.5 * coldSkin)));
    sweat = Math.min(500, 170 * Math.max(0, body - bodySet) * Math.exp(warmSkin / 10.7));
    alpha = 0.0417737 + 0.7451833 / (flow + 0.585417);
  }
  return { coreC: core, skinC: skin, sweatGm2h: sweat, wettedness: w };
}

/** Saturation pressure, torr, in the model's own form. */
function saturationTorr(t: number): number {
  return Math.exp(18.6686 - 4030.183 / (t + 235));
}
