import type { Scored } from '@/core/judge/scorePlan';

/** What a person would name first when two runs differ: °C, g of water, or minutes of shivering. */
export interface Moved {
  what: 'fingers' | 'toes' | 'face' | 'torso' | 'water' | 'core' | 'shivering';
  from: number;
  to: number;
}

/** How much of each is one step a person would notice. */
const STEP: Record<Moved['what'], number> = {
  fingers: 3,
  toes: 3,
  face: 4,
  torso: 1.2,
  water: 40,
  core: 0.4,
  shivering: 6,
};
/** Of these more is worse; of the rest, less. */
const MORE_IS_WORSE: ReadonlySet<Moved['what']> = new Set(['water', 'core', 'shivering']);

function moves(a: Scored, b: Scored): Moved[] {
  const of = ({ metrics: m }: Scored): Record<Moved['what'], number> => ({
    fingers: m.fingers.value,
    toes: m.toes.value,
    face: m.face.value,
    torso: m.torso.value,
    water: m.waterPeak.value,
    core: m.coreHigh.value,
    shivering: m.shiverMinutes,
  });
  const before = of(a);
  const after = of(b);
  return (Object.keys(STEP) as Moved['what'][]).map((what) => ({ what, from: before[what], to: after[what] }));
}

const steps = (m: Moved): number => Math.abs(m.to - m.from) / STEP[m.what];
const largest = (list: readonly Moved[], of: (m: Moved) => number): Moved =>
  list.reduce((x, y) => (of(y) > of(x) ? y : x));

/** The extreme that two runs differ in most, in steps a person would notice. */
export const mostMoved = (a: Scored, b: Scored): Moved => largest(moves(a, b), steps);

/** The extreme that is worse by most in the second run; where none is, the one that differs most. */
export function mostWorse(a: Scored, b: Scored): Moved {
  const worse = (m: Moved) => (m.to > m.from === MORE_IS_WORSE.has(m.what) ? steps(m) : 0);
  const list = moves(a, b);
  const worst = largest(list, worse);
  return worse(worst) > 0 ? worst : largest(list, steps);
}
