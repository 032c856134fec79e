import { AVERAGE_PERSON } from '@/core/body/person';
import { noCost } from '@/core/judge/cost';
import { EXTREME, newExtremes } from '@/core/judge/extremes';
import { phases } from '@/core/outing/moments';
import { runPhase } from '@/core/questions/phaseRunner';
import { Simulator } from '@/core/simulate/simulator';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const KIT = ['thin-merino-base', 'wind-shell', 'briefs', 'thin-tights', 'wool-socks', 'winter-boots', 'liner-gloves'];
const plan = { worn: KIT, carried: [], openings: {}, cues: [] };

/** Most heat lost at a stop of 33 minutes, Wh/m², gone phase by phase in steps of so many seconds. */
function lost(stepS: number): number {
  const timeline = dayOf([aLeg({ minutes: 30 }), aLeg({ sport: 'stand', minutes: 33, effort: { by: 'usual' } })]);
  const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...KIT));
  sim.start(plan);
  const [cost, extremes] = [noCost(), newExtremes()];
  for (const phase of phases(timeline)) runPhase(sim, { timeline, phase, stepS }, null, cost, extremes);
  return extremes[EXTREME.stopLossWhM2];
}

test.each([70, 90, 110])('the chill of a stop is that of its first twenty minutes in steps of %d s too', (stepS) => {
  // Read up to the last step that fits, it would be a minute short: 3 to 5 %.
  expect(lost(20)).toBeGreaterThan(10);
  expect(Math.abs(lost(stepS) / lost(20) - 1)).toBeLessThan(0.015);
});
