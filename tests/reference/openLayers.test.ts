import { AVERAGE_PERSON } from '@/core/body/person';
import { zoneIndex, ZONE_COUNT } from '@/core/body/zones';
import { EXCHANGE, openingFlow, takenUp } from '@/core/clothing/airExchange';
import { Simulator } from '@/core/simulate/simulator';
import type { Plan } from '@/core/kit/plan';
import { dayOf, aLeg, garmentsOf } from '#tests/support/outings';

/**
 * A layer opened wide cools more than the same layer shut, and never more than no layer: what a stream takes up along a surface is bounded
 * by the convection of that surface (Incropera & DeWitt, Fundamentals of Heat and Mass Transfer, internal flow at constant surface
 * temperature: 1 − exp(−hA/ṁc); from memory).
 */
const CHEST = zoneIndex('chest');
const HEAT = 1250;

describe('air through an opening', () => {
  it('takes up all it could where it is little, and what the surface gives where it is much', () => {
    expect(takenUp(1e-4, 12, HEAT)).toBeCloseTo(1e-4, 8);
    expect(takenUp(1, 12, HEAT) * HEAT).toBeCloseTo(12, 0);
    // One transfer unit: 1 − 1/e.
    expect(takenUp(12 / HEAT, 12, HEAT) * HEAT).toBeCloseTo(12 * (1 - Math.exp(-1)), 9);
    expect(takenUp(0, 12, HEAT)).toBe(0);
    expect(openingFlow(0.1, 0)).toBeCloseTo(0.1 * EXCHANGE.openingStill, 12);
  });
});

describe.each([
  [22, 1],
  [10, 3],
  [0, 3],
  [0, 8],
  [-10, 3],
])('on an hour’s hike at %i °C and %i m/s', (airC, wind) => {
  const chest = (worn: string[], openings: Plan['openings']) => {
    const ids = ['briefs', 'thin-socks', 'thin-tights', 'running-shoes', ...worn];
    const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...ids));
    const { stretches } = dayOf(
      [aLeg({ sport: 'hike', minutes: 60, effort: { by: 'exertion', value: 3.5 } })],
      airC,
      wind,
    );
    const plan: Plan = { worn: ids, carried: [], openings, cues: [] };
    sim.start(plan);
    const s = sim.run(stretches, plan, { stepS: 10 });
    return s.skinC[(s.rows - 1) * ZONE_COUNT + CHEST];
  };
  it.each([
    ['mesh-base', 'storm-shell', { zip: 1, pits: 1, lower: 1 }],
    ['synthetic-tee', 'wind-shell', { zip: 1 }],
    ['synthetic-tee', 'grid-fleece', { zip: 1 }],
  ])('over %s: %s', (base, layer, open) => {
    const none = chest([base], {});
    const opened = chest([base, layer], { [layer]: open });
    const shut = chest([base, layer], {});
    expect(opened).toBeLessThan(shut);
    expect(opened).toBeGreaterThan(none - 0.3);
  });
});
