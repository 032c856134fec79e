import { AVERAGE_PERSON } from '@/core/body/person';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { momentOfRow, noMoment } from '@/core/judge/moment';
import { scorePlan } from '@/core/judge/scorePlan';
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
    expect(m).toMatchObject({ scalpC: skin('scalp'), coreC: series.coreC[row], shiverW: series.shiverW[row] });
    expect(m.limbsC).toBe(Math.min(skin('arms'), skin('thighs'), skin('calves')));
  }
});
