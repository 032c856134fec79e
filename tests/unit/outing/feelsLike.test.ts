import { bareSkinC, CHEEK_TISSUE } from '@/core/atmosphere/bareSkin';
import { feelsLikeC, feltByPart } from '@/core/outing/feelsLike';
import { scorePlan } from '@/core/judge/scorePlan';
import { AVERAGE_PERSON } from '@/core/body/person';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const BROW = 0.05;
const EYES = 0.03;
const AIRS = [-5, -15, -25, -35].flatMap((airC) =>
  [0.5, 1.4, 3, 8, 14].map((relativeWind) => ({ airC, relativeWind })),
);

test('for the cheek it is the wind chill index itself, and the air feels milder to what lies nearer to its blood', () => {
  for (const air of AIRS) {
    expect(feltByPart(air, CHEEK_TISSUE)).toBe(feelsLikeC(air));
    expect(feltByPart(air, BROW)).toBeGreaterThan(feelsLikeC(air));
    expect(feltByPart(air, EYES)).toBeGreaterThan(feltByPart(air, BROW));
  }
});

test('a cheek that walks through calm air of that temperature is as cold as the part, as nearly as the index has it for cheeks', () => {
  const walking = (airC: number) => bareSkinC(airC, 4.8 / 3.6, CHEEK_TISSUE);
  for (const air of AIRS) {
    const off = (tissue: number) => walking(feltByPart(air, tissue)) - bareSkinC(air.airC, air.relativeWind, tissue);
    for (const tissue of [BROW, EYES]) expect(Math.abs(off(tissue) - off(CHEEK_TISSUE))).toBeLessThan(1);
  }
});

test('wind and cold count for the eyes too, so that at last they are in danger', () => {
  expect(feltByPart({ airC: -25, relativeWind: 8 }, EYES)).toBeLessThan(
    feltByPart({ airC: -25, relativeWind: 3 }, EYES),
  );
  // Where bare cheeks freeze in less than two minutes lids are where cheeks are at −28 °C felt.
  expect(feltByPart({ airC: -35, relativeWind: 16 }, EYES)).toBeLessThan(-28);
  expect(feltByPart({ airC: -28, relativeWind: 1.4 }, EYES)).toBeGreaterThan(-10);
});

/** Common practice, no published source: nobody needs goggles for a walk in still cold, with the face wrapped up; in a gale of deep cold they do. */
test.each([
  [-28, 2, 'street', false],
  [-33, 15, 'ridge', true],
] as const)('in %s °C and %s m/s, %s, what a balaclava leaves bare endangers: %s', (airC, wind, shelter, endangers) => {
  const kit = garmentsOf(
    'mesh-base',
    'pile-fleece',
    'active-jacket',
    'mesh-longs',
    'wind-trousers',
    'thick-socks',
    'winter-boots',
    'warm-mitts',
    'balaclava',
  );
  const day = dayOf(
    [{ ...aLeg({ sport: 'walk', minutes: 40, effort: { by: 'exertion', value: 3 } }), shelter }],
    airC,
    wind,
  );
  const plan = { worn: kit.map((g) => g.id), carried: [], openings: {}, cues: [] };
  const { findings } = scorePlan(AVERAGE_PERSON, kit, day, plan);
  const bare = findings.filter((f) => f.what === 'Your bare face');
  expect(bare.length > 0).toBe(endangers);
});
