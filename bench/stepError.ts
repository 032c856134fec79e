import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ZONE_COUNT } from '@/core/body/zones';
import { alongOf } from '@/core/kit/edit';
import { applyPace } from '@/core/kit/applyPace';
import type { Plan } from '@/core/kit/plan';
import { Simulator } from '@/core/simulate/simulator';
import { goldenOutings } from '../tests/golden/outings';

/** A zone counts as off beyond this, K. */
const OFF_K = 0.1;

/** How far controlled steps of 10 s are from runs whose steps are at most three seconds, over the golden outings and their plans. */
export function stepError(say: (name: string, value: number, unit: string) => void): void {
  const kept = JSON.parse(readFileSync(join(process.cwd(), 'tests/golden/numbers.json'), 'utf8')) as { plan: Plan }[];
  let [squares, values, off, worstK, worstG] = [0, 0, 0, 0, 0];
  for (const [i, o] of goldenOutings(process.cwd()).entries()) {
    const { plan } = kept[i];
    const garments = alongOf(o.closet, plan);
    const { stretches } = applyPace(o.timeline, plan.cues);
    const run = (stepS: number) => {
      const sim = new Simulator(o.person, garments);
      sim.start(plan, o.damp);
      return { sim, s: sim.run(stretches, plan, { stepS, sampleS: 60 }) };
    };
    const [{ s: ours, sim }, { s: fine }] = [run(10), run(0.5)];
    fine.skinC.forEach((v, k) => {
      const d = Math.abs(v - ours.skinC[k]);
      squares += d * d;
      values++;
      if (d > OFF_K) off++;
      worstK = Math.max(worstK, d);
    });
    for (let j = 0; j < fine.rows * garments.length; j++) {
      if (!fine.worn[j]) continue;
      let g = 0;
      for (let z = 0; z < ZONE_COUNT; z++)
        g += (fine.waterGm2[j * ZONE_COUNT + z] - ours.waterGm2[j * ZONE_COUNT + z]) * sim.body.area[z];
      worstG = Math.max(worstG, Math.abs(g));
    }
  }
  say('step error of the skin, root mean square', Math.sqrt(squares / values), 'K');
  say('step error of the skin, at the worst', worstK, 'K');
  say('zones and minutes more than 0.1 K off', (100 * off) / values, '%');
  say('step error of the water of a layer, at the worst', worstG, 'g');
}
