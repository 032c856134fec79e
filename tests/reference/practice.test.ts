import { fromCatalogue } from '@/core/clothing/catalogue';
import { run, type Run, type TestCase } from '#tests/support/runCase';

/**
 * Facts of the trade: common practice, no published source. Rules of thumb, each with its stated tolerance, through the
 * public entry, with closets and legs as somebody would write them down.
 */
const HIKE_FEET = ['wool-socks', 'winter-boots'];
const SKI_FEET = ['thin-socks', 'nordic-boots'];

/** Air in which `make(air)` ends with the skin as warm as the reference does, °C. */
function equallyWarmAir(make: (airC: number) => Run, reference: number): number {
  let low = -40;
  let high = 15;
  for (let k = 0; k < 24; k++) {
    const mid = (low + high) / 2;
    const r = make(mid);
    if (r.meanSkin(r.minutes) > reference) high = mid;
    else low = mid;
  }
  return (low + high) / 2;
}

describe('1. a light wind shell over a normal moving kit is worth about 5–6 °C in moving air (3–9 °C)', () => {
  const kit = [
    'thin-merino-base',
    'grid-fleece',
    'briefs',
    'brushed-tights',
    'wind-gloves',
    'thin-cap',
    'neck-tube',
    'wool-socks',
    'riding-shoes',
  ];
  const hikeKit = [...kit.slice(0, -1), 'winter-boots'];
  test.each([
    ['riding at 6 m/s of wind', 6, { sport: 'cycle', metabolicW: 520 }, kit, 'wind-shell'],
    [
      'running in the open',
      4,
      { sport: 'run', metabolicW: 620 },
      [
        'thin-merino-base',
        'thin-fleece',
        'briefs',
        'brushed-tights',
        'liner-gloves',
        'thin-cap',
        'thin-socks',
        'running-shoes',
      ],
      'wind-shell',
    ],
    ['walking on an open fell', 5, { sport: 'hike', metabolicW: 480 }, hikeKit, 'wind-shell'],
  ] as const)('%s', (_, wind, effort, worn, shell) => {
    const at = (airC: number, extra: string[]) =>
      run({ airC, wind, legs: [{ minutes: 75, ...effort, worn: [...worn, ...extra] }] });
    const without = at(-2, []);
    const worth = -2 - equallyWarmAir((air) => at(air, [shell]), without.meanSkin(without.minutes));
    expect(worth).toBeWithin(3, 9);
  });
});

describe('3. dressed to stand at the trailhead, too warm within 5–10 minutes of walking uphill', () => {
  const outer = ['brushed-tights', 'soft-trousers', 'briefs', 'warm-hat', 'fleece-mitts', ...HIKE_FEET];
  const stander = ['midweight-merino-base', 'pile-fleece', 'wind-shell', 'belay-parka', ...outer, 'puffy-overtrousers'];
  const walker = [
    'thin-merino-base',
    'wind-shell',
    'briefs',
    'soft-trousers',
    'thin-cap',
    'liner-gloves',
    ...HIKE_FEET,
  ];
  const uphill = { sport: 'hike', speedMs: 1.17, grade: 0.15 };

  test('the stander is comfortable standing and warm ten minutes up the hill', () => {
    const r = run({
      airC: -2,
      wind: 1,
      legs: [
        { minutes: 25, sport: 'stand', worn: stander },
        { minutes: 30, ...uphill },
      ],
    });
    expect(r.sensation(25)).toBeWithin(-1, 1);
    expect(r.sensation(35)).toBeGreaterThan(0.7);
    expect(r.sensation(45)).toBeGreaterThan(2);
    expect(r.sweatGh(50)).toBeGreaterThan(300);
  });

  test('the walker feels cool for the first five to ten minutes and right after', () => {
    const r = run({ airC: -2, wind: 1, legs: [{ minutes: 60, ...uphill, worn: walker }] });
    expect(r.sensation(5)).toBeWithin(-2.2, -0.5);
    expect(r.sensation(10)).toBeLessThan(-0.3);
    // Right is what is right after an hour too; with tights under the trousers it ends at +2.
    expect(r.sensation(40)).toBeWithin(-0.7, 1.5);
    expect(r.sensation(60)).toBeWithin(-0.7, 1.5);
  });
});

test('4. a thick wool sweater under a uniform and a pack near 0 °C: overheating within about 30 minutes of marching', () => {
  const uniform = (mid: string[]): TestCase => ({
    airC: 0,
    wind: 1.7,
    legs: [
      {
        minutes: 60,
        sport: 'hike',
        speedMs: 1.67,
        loadKg: 22,
        pack: true,
        worn: [
          'cotton-tee',
          ...mid,
          'lined-windshell',
          'merino-longs',
          'briefs',
          'soft-trousers',
          'warm-hat',
          'wind-gloves',
          ...HIKE_FEET,
        ],
      },
    ],
  });
  const r = run(uniform(['wool-pullover']));
  expect(r.sensation(30)).toBeGreaterThan(0.8);
  expect(r.sensation(40)).toBeGreaterThan(1.4);
  expect(r.sweatGh(30)).toBeGreaterThan(100);
  expect(r.sweatGh(45)).toBeGreaterThan(run(uniform([])).sweatGh(45));
});

test('5. an easy run of 45 minutes at −6 °C: warm, slightly sweating, gloves off before the end', () => {
  const r = run({
    airC: -6,
    wind: 2.6,
    legs: [
      {
        minutes: 45,
        sport: 'run',
        speedMs: 2.6,
        worn: [
          'thin-merino-base',
          'lined-windshell',
          'briefs',
          'capris',
          'running-shorts',
          'liner-gloves',
          'thin-cap',
          'thin-socks',
          'running-shoes',
        ],
      },
    ],
  });
  expect(r.sensation(45)).toBeWithin(0.5, 2);
  expect(r.sweatGh(45)).toBeWithin(100, 450);
  // Hands warm enough that gloves are too much: past the 24 °C comfort of ISO 11079 and rising.
  expect(r.skin('fingers', 40)).toBeGreaterThan(24);
  expect(r.skin('fingers', 45)).toBeGreaterThan(r.skin('fingers', 30));
  expect(r.scored.findings.filter((f) => f.severity === 3)).toEqual([]);
});

test('6. after about an hour of hard work well below freezing frost forms in the outer layers, none next to the skin', () => {
  const r = run({
    airC: -18,
    wind: 3,
    legs: [
      {
        minutes: 75,
        sport: 'classic ski',
        metabolicW: 850,
        worn: [
          'thin-merino-base',
          'grid-fleece',
          'wind-shell',
          'merino-longs',
          'ski-tights',
          'wind-gloves',
          'thin-cap',
          'neck-tube',
          ...SKI_FEET,
        ],
      },
    ],
  });
  expect(r.frost('wind-shell', 'chest', 75)).toBeGreaterThan(5);
  expect(r.frost('wind-shell', 'chest', 20)).toBeLessThan(r.frost('wind-shell', 'chest', 75));
  for (const zone of ['chest', 'back', 'arms'] as const)
    for (let m = 1; m <= 75; m++) {
      expect(r.layerC('thin-merino-base', zone, m)).toBeGreaterThan(0);
      expect(r.frost('thin-merino-base', zone, m)).toBe(0);
    }
});

test('7. a damp thin base under a shell dries on the body in roughly 20 minutes at easy effort (10–40)', () => {
  const damp = 45;
  const base = { catalogue: 'thin-synthetic-base', dampGm2: damp };
  const r = run({
    airC: 3,
    humidity: 0.6,
    wind: 1.5,
    garments: [base],
    legs: [
      {
        minutes: 60,
        sport: 'walk',
        metabolicW: 330,
        worn: [
          'thin-synthetic-base',
          'wind-shell',
          'briefs',
          'thin-tights',
          'soft-trousers',
          'thin-cap',
          'liner-gloves',
          ...HIKE_FEET,
        ],
      },
    ],
  });
  const left = (m: number) => r.water('thin-synthetic-base', 'chest', m);
  let dry = 0;
  while (dry < 60 && left(dry) > 0.1 * left(0)) dry++;
  expect(left(0)).toBeGreaterThan(30);
  expect(dry).toBeWithin(10, 40);
});

test('10. open mesh under a closed weave leaves the skin drier than the closed weave alone', () => {
  const under = (base: string[]) =>
    run({
      airC: -6,
      wind: 2,
      legs: [
        {
          minutes: 60,
          sport: 'classic ski',
          metabolicW: 780,
          worn: [...base, 'lined-soft-shell', 'merino-longs', 'ski-tights', 'thin-cap', 'wind-gloves', ...SKI_FEET],
        },
      ],
    });
  const mesh = under(['mesh-base']);
  const weave = under(['midweight-merino-base']);
  // Same weave over the skin directly and over the mesh: less water next to the skin.
  const touching = (r: Run, id: string) => r.water(id, 'chest', 60) + r.water(id, 'back', 60);
  expect(touching(mesh, 'mesh-base')).toBeLessThan(0.6 * touching(weave, 'midweight-merino-base'));
  // And the skin itself: over the mesh the same weave leaves it drier, though it is warmer and more is sweated.
  const both = under(['mesh-base', 'midweight-merino-base']);
  expect(both.torsoWettedness(60)).toBeLessThan(weave.torsoWettedness(60) - 0.01);
  expect(both.sweatGh(60)).toBeGreaterThan(weave.sweatGh(60));
});

/** Common practice, no published source: the shirt is wet where the pack was, and cold there once it is off. */
test('under a pack the back is warmer and far wetter than the back beside it; without one both are alike', () => {
  const walk = (pack: boolean) =>
    run({
      airC: -8,
      wind: 2,
      legs: [
        {
          minutes: 90,
          sport: 'ski tour',
          metabolicW: 650,
          pack,
          worn: [
            'thin-synthetic-base',
            'wind-shell',
            'thin-tights',
            'soft-trousers',
            'thin-cap',
            'liner-gloves',
            ...SKI_FEET,
          ],
        },
      ],
    });
  const packed = walk(true);
  const free = walk(false);
  expect(packed.skin('underPack', 90)).toBeGreaterThan(packed.skin('chest', 90) + 3);
  expect(packed.wettedness('underPack', 90)).toBeGreaterThan(1.5 * packed.wettedness('chest', 90));
  expect(packed.water('thin-synthetic-base', 'underPack', 90)).toBeGreaterThan(
    5 * packed.water('thin-synthetic-base', 'chest', 90),
  );
  expect(free.skin('underPack', 90)).toBeCloseTo(free.skin('back', 90), 6);
  expect(free.water('thin-synthetic-base', 'underPack', 90)).toBeCloseTo(
    free.water('thin-synthetic-base', 'back', 90),
    6,
  );
});

test('11. a hooded jacket with 100 g/m² fill over active layers holds a standing pause to about −12 °C; below −18 °C it takes two', () => {
  const active = [
    'thin-merino-base',
    'grid-fleece',
    'wind-shell',
    'briefs',
    'brushed-tights',
    'soft-trousers',
    'warm-hat',
    'wind-gloves',
    'warm-mitts',
    'neck-tube',
    ...HIKE_FEET,
  ];
  const jacket = {
    ...fromCatalogue('standby-puffy')!,
    id: 'pause-jacket',
    name: 'Pause jacket',
    thicknessMm: 16,
    weightGm2: 190,
  };
  const second = { ...jacket, id: 'second-jacket', name: 'Second jacket', order: 76 };
  const hoods = { 'pause-jacket': { hood: 0 } };
  // The fact says nothing of wind: light air, 1 m/s.
  const pause = (airC: number, jackets: string[]) =>
    run({
      airC,
      wind: 1,
      garments: [jacket, second].map((g) => ({ ...g })),
      legs: [
        { minutes: 45, sport: 'hike', metabolicW: 480, worn: active },
        { minutes: 15, sport: 'stand', worn: [...active, ...jackets], openings: hoods },
      ],
    });
  const end = (r: Run) => r.sensation(60);
  expect(end(pause(-12, ['pause-jacket']))).toBeGreaterThan(-1.5);
  expect(end(pause(-18, ['pause-jacket']))).toBeLessThan(-1.5);
  expect(end(pause(-18, ['pause-jacket', 'second-jacket']))).toBeGreaterThan(-1.5);
});

test('12. tight boots or doubled thick socks make feet colder than one sock in a loose boot', () => {
  const feet = (garments: (string | Record<string, unknown>)[], worn: string[]) =>
    run({
      airC: -12,
      wind: 1.5,
      garments,
      legs: [
        {
          minutes: 90,
          sport: 'hike',
          metabolicW: 380,
          worn: [
            'thin-merino-base',
            'grid-fleece',
            'wind-shell',
            'briefs',
            'thin-tights',
            'soft-trousers',
            'thin-cap',
            'wind-gloves',
            ...worn,
          ],
        },
      ],
    }).skin('toes', 90);
  const loose = feet([{ catalogue: 'winter-boots', tightness: 0.05 }], ['thick-socks', 'winter-boots']);
  const tight = feet([{ catalogue: 'winter-boots', tightness: 0.6 }], ['thick-socks', 'winter-boots']);
  const doubled = feet(
    [
      { catalogue: 'winter-boots', tightness: 0.05 },
      { catalogue: 'thick-socks', id: 'second-socks', order: 22 },
    ],
    ['thick-socks', 'second-socks', 'winter-boots'],
  );
  expect(tight).toBeLessThan(loose - 0.5);
  expect(doubled).toBeLessThan(loose);
});

test('13. adding a torso layer warms fingers without touching the gloves', () => {
  const hands = (mid: string[]) =>
    run({
      airC: -8,
      wind: 2,
      legs: [
        {
          minutes: 60,
          sport: 'hike',
          metabolicW: 350,
          worn: [
            'thin-merino-base',
            ...mid,
            'wind-shell',
            'briefs',
            'thin-tights',
            'soft-trousers',
            'thin-cap',
            'wind-gloves',
            ...HIKE_FEET,
          ],
        },
      ],
    }).skin('fingers', 60);
  expect(hands(['pile-fleece'])).toBeGreaterThan(hands([]) + 1);
});

test('14. a covered mouth gives warmth back', () => {
  const breath = (up: number) => {
    const r = run({
      airC: -15,
      wind: 3,
      legs: [
        {
          minutes: 40,
          sport: 'run',
          metabolicW: 750,
          worn: [
            'thin-merino-base',
            'wind-shell',
            'briefs',
            'brushed-tights',
            'thin-cap',
            'wind-gloves',
            'neck-tube',
            'thin-socks',
            'running-shoes',
          ],
          openings: { 'neck-tube': { up } },
        },
      ],
    });
    return { loss: r.scored.series.breathLossW[40], face: r.skin('face', 40) };
  };
  const covered = breath(0);
  const bare = breath(1);
  expect(covered.loss).toBeLessThan(0.9 * bare.loss);
  expect(covered.face).toBeGreaterThan(bare.face + 1);
});

test('15. a stop on the ridge after a sweaty climb is colder than after a drier climb, in the same layers at the stop', () => {
  const stop = [
    'thin-merino-base',
    'pile-fleece',
    'wind-shell',
    'briefs',
    'thin-tights',
    'soft-trousers',
    'wind-gloves',
    'thin-cap',
    'wool-socks',
    'touring-boots',
  ];
  const dry = stop.filter((id) => id !== 'pile-fleece');
  const climb = (worn: string[]) =>
    run({
      airC: -8,
      wind: 3,
      legs: [
        { minutes: 75, sport: 'ski tour', metabolicW: 760, worn },
        { minutes: 25, sport: 'stand', wind: 8, worn: stop },
      ],
    });
  const sweaty = climb(stop);
  const drier = climb(dry);
  const fall = (r: Run) => r.torso(75) - r.torso(100);
  expect(sweaty.scored.metrics.waterPeak.value).toBeGreaterThan(drier.scored.metrics.waterPeak.value);
  expect(fall(sweaty)).toBeGreaterThan(fall(drier) + 1);
  expect(sweaty.loss(80)).toBeGreaterThan(drier.loss(80));
  expect(sweaty.torso(100)).toBeLessThan(drier.torso(100) + 0.2);
});
