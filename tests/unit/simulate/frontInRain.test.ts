import { AVERAGE_PERSON } from '@/core/body/person';
import type { PrecipitationKind } from '@/core/atmosphere/precipitation';
import { Simulator } from '@/core/simulate/simulator';
import { dayOf, aLeg, garmentsOf } from '#tests/support/outings';

/** Rain at a front that is wide open (common practice, no published source): as much of a bother as on bare hair. */
describe('rain and the front of a shell', () => {
  const rain = {
    ...dayOf([aLeg({ sport: 'run', minutes: 30 })], 7, 4).stretches[0],
    precipitation: 'rain' as PrecipitationKind,
    precipitationMmH: 2,
  };
  const reaches = (shell: string, zip: number, hood = 0, falls: Partial<typeof rain> = rain, ...more: string[]) => {
    const worn = ['synthetic-tee', 'briefs', 'thin-tights', 'thin-socks', 'running-shoes', shell, ...more];
    const garments = garmentsOf(...worn);
    const hooded = garments.some((g) => g.id === shell && g.openings.some((o) => o.kind === 'hood'));
    const sim = new Simulator(AVERAGE_PERSON, garments);
    sim.start({ worn, carried: [], openings: { [shell]: hooded ? { zip, hood } : { zip } }, cues: [] });
    sim.dress({ ...rain, ...falls });
    return sim.weather.rained;
  };
  it('half open it keeps the rain off, wide open it runs in; without a hood hair is wet in any case', () => {
    expect(reaches('light-rain-shell', 0)).toBeLessThan(0.3);
    expect(reaches('light-rain-shell', 0.5)).toBeCloseTo(reaches('light-rain-shell', 0), 9);
    expect(reaches('light-rain-shell', 1)).toBeGreaterThan(0.8);
    expect(reaches('light-rain-shell', 0, 1)).toBe(1);
  });
  it('bibs under a shut shell let nothing in, and by themselves are no front', () => {
    expect(reaches('light-rain-shell', 0, 0, {}, 'storm-trousers')).toBeLessThan(0.3);
    expect(reaches('light-rain-shell', 1, 0, {}, 'storm-trousers')).toBeGreaterThan(0.8);
    expect(reaches('thin-fleece', 0, 0, {}, 'storm-trousers')).toBe(reaches('thin-fleece', 0));
  });
  it('dry flakes roll off a hood and bother in at an open front, less than wet ones, and those less than rain', () => {
    const open = (precipitation: PrecipitationKind, zip = 1) =>
      reaches('light-rain-shell', zip, 0, { precipitation, precipitationMmH: 1.5 });
    expect(open('dry snow', 0)).toBe(0);
    expect(open('dry snow')).toBeGreaterThan(0.2);
    expect(open('wet snow')).toBeGreaterThan(1.5 * open('dry snow'));
    expect(open('rain')).toBeGreaterThan(open('wet snow') + 0.2);
  });
});
