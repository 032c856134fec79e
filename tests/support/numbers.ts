import { AVERAGE_PERSON } from '@/core/body/person';
import { scorePlan } from '@/core/judge/scorePlan';
import { SKI_CLOSET, upStopDown } from './outings';

/** Every bit of one scored outing as text: the same wherever the same numbers come out. */
export function numbers(): string {
  const plan = {
    worn: SKI_CLOSET.filter((g) => g.role !== 'warm').map((g) => g.id),
    carried: ['standby-puffy'],
    openings: { 'neck-tube': { up: 0 } },
    cues: [{ atS: 4200, actions: [{ do: 'putOn' as const, garment: 'standby-puffy' }] }],
  };
  const { series, metrics, total } = scorePlan(AVERAGE_PERSON, SKI_CLOSET, upStopDown(), plan);
  const bits = (values: Float64Array) =>
    Array.from(new Uint32Array(values.buffer, values.byteOffset, values.length * 2), (v) => v.toString(36)).join('');
  return [series.skinC, series.waterGm2, series.frostGm2, series.coreC, metrics.sensation, Float64Array.of(total)]
    .map(bits)
    .join('\n');
}
