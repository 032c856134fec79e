import { AVERAGE_PERSON } from '@/core/body/person';
import { Simulator } from '@/core/simulate/simulator';
import { dayOf, aLeg, garmentsOf } from '#tests/support/outings';

/** Rain at a front that is wide open (common practice, no published source): as much of a bother as on bare hair. */
describe('rain and the front of a shell', () => {
  const rain = {
    ...dayOf([aLeg({ sport: 'run', minutes: 30 })], 7, 4).stretches[0],
    precipitation: 'rain' as const,
    precipitationMmH: 2,
  };
  const reaches = (shell: string, zip: number, hood = 0) => {
    const worn = ['synthetic-tee', 'briefs', 'thin-tights', 'thin-socks', 'running-shoes', shell];
    const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...worn));
    sim.start({ worn, carried: [], openings: { [shell]: { zip, hood } }, cues: [] });
    sim.dress(rain);
    return sim.weather.rained;
  };
  it('half open it keeps the rain off, wide open it runs in; without a hood hair is wet in any case', () => {
    expect(reaches('light-rain-shell', 0)).toBeLessThan(0.3);
    expect(reaches('light-rain-shell', 0.5)).toBeCloseTo(reaches('light-rain-shell', 0), 9);
    expect(reaches('light-rain-shell', 1)).toBeGreaterThan(0.8);
    expect(reaches('light-rain-shell', 0, 1)).toBe(1);
  });
});
