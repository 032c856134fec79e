import type { Scored } from './score';

/** What a person would name first when two runs differ, °C or g. */
export interface Moved {
  what: 'fingers' | 'toes' | 'face' | 'torso' | 'water' | 'core';
  from: number;
  to: number;
}

/** How much of each is one step a person would notice. */
const STEP: Record<Moved['what'], number> = { fingers: 3, toes: 3, face: 4, torso: 1.2, water: 40, core: 0.4 };

/** The extreme that two runs differ in most, in steps a person would notice. */
export function mostMoved(a: Scored, b: Scored): Moved {
  const of = ({ metrics: m }: Scored): Record<Moved['what'], number> => ({
    fingers: m.fingers.value,
    toes: m.toes.value,
    face: m.face.value,
    torso: m.torso.value,
    water: m.waterPeak.value,
    core: m.coreHigh.value,
  });
  const before = of(a);
  const after = of(b);
  const all = (Object.keys(STEP) as Moved['what'][]).map((what) => ({ what, from: before[what], to: after[what] }));
  const steps = (m: Moved) => Math.abs(m.to - m.from) / STEP[m.what];
  return all.reduce((x, y) => (steps(y) > steps(x) ? y : x));
}
