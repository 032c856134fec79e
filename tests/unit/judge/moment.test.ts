import { AVERAGE_PERSON } from '@/core/body/person';
import { ZONE_COUNT, zoneIndex, type Zone } from '@/core/body/zones';
import { garmentArrays } from '@/core/clothing/garmentArrays';
import { momentOfRow, noMoment, readMoment } from '@/core/judge/moment';
import { scorePlan } from '@/core/judge/scorePlan';
import { Simulator } from '@/core/simulate/simulator';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const KIT = ['thin-merino-base', 'wind-shell', 'briefs', 'thin-tights', 'wool-socks', 'winter-boots'];
const plan = { worn: KIT, carried: [], openings: {}, cues: [] };

test('a moment of a run is that of its own row, zone by zone', () => {
  const day = dayOf([aLeg({ minutes: 60, effort: { by: 'metabolic', value: 600 } })], -15, 4);
  const { series, metrics } = scorePlan(AVERAGE_PERSON, garmentsOf(...KIT), day, plan);
  for (const row of [1, 20, series.rows - 1]) {
    const skin = (zone: Parameters<typeof zoneIndex>[0]) => series.skinC[row * ZONE_COUNT + zoneIndex(zone)];
    const m = momentOfRow(series, metrics, row, noMoment());
    expect(m).toMatchObject({
      fingersC: skin('fingers'),
      toesC: skin('toes'),
      faceC: Math.min(skin('face'), series.bareFaceC[row]),
    });
    expect(m).toMatchObject({
      scalpC: skin('scalp'),
      coreC: series.coreC[row],
      hotCoreC: metrics.hotCoreC[row],
      shiverW: series.shiverW[row],
    });
    expect(m.limbsC).toBe(Math.min(skin('arms'), skin('thighs'), skin('calves')));
  }
});

test('water on legs and feet is told apart from the rest, in a finished run and in a search', () => {
  const day = dayOf([aLeg({ minutes: 30, air: { precipitation: 'rain', precipitationMmH: 6 } })], 4, 3);
  const both = (...worn: string[]) => {
    const garments = garmentsOf(...worn);
    const plain = { worn, carried: [], openings: {}, cues: [] };
    const { series, metrics } = scorePlan(AVERAGE_PERSON, garments, day, plain);
    const sim = new Simulator(AVERAGE_PERSON, garments);
    sim.start(plain);
    sim.run(day.stretches, plain);
    return [momentOfRow(series, metrics, series.rows - 1, noMoment()), readMoment(sim, noMoment())];
  };
  for (const m of both('synthetic-tee', 'storm-shell', 'briefs', 'thin-tights', 'wool-socks', 'running-shoes')) {
    expect(m.legWaterG).toBeWithin(40, m.waterG);
    expect(m.feetWaterG).toBeWithin(20, m.legWaterG - 20);
  }
  for (const m of both('cotton-tee', 'briefs', 'wool-socks', 'storm-trousers', 'winter-boots'))
    expect(m.legWaterG).toBeLessThan(0.5 * m.waterG);
  for (const m of both('synthetic-tee', 'briefs', 'thin-tights')) expect(m.feetWaterG).toBe(0);
});

test('what trousers hold about the hips is on the legs, what a shirt holds there is not', () => {
  const [tights, tee] = garmentsOf('thin-tights', 'synthetic-tee');
  const w = garmentArrays([tights, tee]);
  const on = (g: number, zone: Zone) => w.onLegs[g * ZONE_COUNT + zoneIndex(zone)];
  expect((['pelvis', 'thighs', 'calves'] as const).map((z) => on(0, z))).toEqual([1, 1, 1]);
  expect((['pelvis', 'chest', 'back'] as const).map((z) => on(1, z))).toEqual([0, 0, 0]);
  const socks = garmentArrays(garmentsOf('wool-socks'));
  expect((['feet', 'toes'] as const).map((z) => socks.onLegs[zoneIndex(z)])).toEqual([1, 1]);
});

test('a shell over a shell counts as a layer more, in a finished run and while it is searched', () => {
  const day = dayOf([aLeg({ minutes: 20 })], 0, 3);
  const layers = (...torso: string[]) => {
    const worn = [...torso, 'briefs', 'thin-tights', 'wool-socks', 'winter-boots'];
    const garments = garmentsOf(...worn);
    const plain = { worn, carried: [], openings: {}, cues: [] };
    const { metrics } = scorePlan(AVERAGE_PERSON, garments, day, plain);
    const sim = new Simulator(AVERAGE_PERSON, garments);
    sim.start(plain);
    sim.dress(day.stretches[0]);
    return [metrics.layersOn[10], readMoment(sim, noMoment()).layers];
  };
  expect(layers('synthetic-tee', 'wind-shell')).toEqual([2, 2]);
  expect(layers('synthetic-tee', 'grid-fleece', 'wind-shell')).toEqual([3, 3]);
  expect(layers('synthetic-tee', 'wind-shell', 'light-rain-shell')).toEqual([4, 4]);
});
