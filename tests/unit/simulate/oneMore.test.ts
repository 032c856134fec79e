import { AVERAGE_PERSON } from '@/core/body/person';
import { ZONE_COUNT, ZONES } from '@/core/body/zones';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { panelOver, type Garment } from '@/core/clothing/garment';
import { scorePlan } from '@/core/judge/scorePlan';
import type { Timeline } from '@/core/outing/timeline';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

/** Kelvin that a piece may cost the part it covers: air that it leads to the edge of what lies beside it. */
const HARDLY_K = 0.45;

const LIGHT = ['synthetic-tee', 'briefs', 'thin-tights', 'thin-socks', 'running-shoes'];
const WARM = [
  'midweight-merino-base',
  'pile-fleece',
  'storm-shell',
  'briefs',
  'merino-longs',
  'storm-trousers',
  'wool-socks',
  'winter-boots',
  'fleece-mitts',
  'balaclava',
];
const standing = dayOf([aLeg({ sport: 'stand', minutes: 40, effort: { by: 'usual' } })], -5, 3);
const hiking = dayOf([aLeg({ sport: 'hike', minutes: 40, effort: { by: 'metabolic', value: 350 } })], -10, 5);

const endSkin = (worn: Garment[], day: Timeline) => {
  const { series } = scorePlan(AVERAGE_PERSON, worn, day, {
    worn: worn.map((g) => g.id),
    carried: [],
    openings: {},
    cues: [],
  });
  return (z: number) => series.skinC[(series.rows - 1) * ZONE_COUNT + z];
};

test.each([
  ['standing lightly dressed', LIGHT, standing],
  ['hiking lightly dressed', LIGHT, hiking],
  ['standing warmly dressed', WARM, standing],
  ['hiking warmly dressed', WARM, hiking],
])(
  '%s: any piece more of the catalogue leaves the parts it covers as warm, however little it covers of them',
  (_, ids, day) => {
    const before = endSkin(garmentsOf(...ids), day);
    // A second pair of socks presses, a second pair of shoes cannot be worn.
    const more = CATALOGUE.filter(
      (g) => !ids.includes(g.id) && !(g.group === 'feet' && g.role !== 'over' && g.role !== 'shell'),
    );
    expect(more.length).toBeGreaterThan(40);
    for (const g of more) {
      const after = endSkin([...garmentsOf(...ids), g], day);
      ZONES.forEach((zone, z) => {
        if ((panelOver(g, zone)?.coverage ?? 0) < 0.1) return;
        expect({ id: g.id, zone, gains: after(z) - before(z) }).toEqual({
          id: g.id,
          zone,
          gains: expect.toBeWithin(-HARDLY_K, 40),
        });
      });
    }
  },
);
