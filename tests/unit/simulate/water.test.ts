import { ZONE_COUNT } from '@/core/body/zones';
import { run, type Run } from '#tests/support/runCase';

/** The rules of water in cloth, each in a day anybody can picture. */
const OUTER = [
  'thin-merino-base',
  'grid-fleece',
  'briefs',
  'thin-tights',
  'soft-trousers',
  'thin-cap',
  'wind-gloves',
  'wool-socks',
  'winter-boots',
];
const standing = (airC: number, worn: string[], over: object = {}): Run =>
  run({ airC, humidity: 0.9, wind: 1, legs: [{ minutes: 60, sport: 'hike', metabolicW: 300, worn, ...over }] });
const snow = (kind: string, mmH = 2) => ({ precipitation: { kind, mmH } });

test('dry snow on a cold shell stays dry and is brushed off; the same snow on a warm surface melts and wets', () => {
  const shell = standing(-12, [...OUTER, 'wind-shell'], snow('dry snow'));
  const bare = standing(-12, OUTER, snow('dry snow'));
  const dry = standing(-12, [...OUTER, 'wind-shell']);
  const gain = shell.water('wind-shell', 'chest', 60) - dry.water('wind-shell', 'chest', 60);
  expect(gain).toBeLessThan(3);
  // A hat-less head melts what lands on it.
  const head = standing(
    -3,
    OUTER.filter((id) => id !== 'thin-cap'),
    snow('dry snow'),
  );
  expect(head.scored.series.filmGm2[60 * ZONE_COUNT]).toBeGreaterThan(
    standing(
      -3,
      OUTER.filter((id) => id !== 'thin-cap'),
    ).scored.series.filmGm2[60 * ZONE_COUNT],
  );
  // Fleece alone is warm on its face: snow melts into it, which is the whole case for a shell.
  expect(bare.water('grid-fleece', 'chest', 60)).toBeGreaterThan(5 * Math.max(1, gain));
});

test('rain goes through fleece, part-way through a wind shell, and not through a membrane', () => {
  const rain = snow('rain', 2);
  const fleece = standing(4, OUTER, rain).water('grid-fleece', 'chest', 60);
  const wind = standing(4, [...OUTER, 'wind-shell'], rain).water('grid-fleece', 'chest', 60);
  const storm = standing(4, [...OUTER, 'storm-shell'], rain).water('grid-fleece', 'chest', 60);
  expect(fleece).toBeGreaterThan(2 * wind);
  expect(wind).toBeGreaterThan(storm + 5);
});

test('a wet layer cools: the same fleece soaked from the start leaves the chest colder', () => {
  const at = (dampGm2: number) =>
    run({
      airC: 0,
      wind: 2,
      garments: [{ catalogue: 'grid-fleece', dampGm2 }],
      legs: [{ minutes: 30, sport: 'walk', metabolicW: 280, worn: OUTER }],
    });
  expect(at(180).skin('chest', 30)).toBeLessThan(at(0).skin('chest', 30) - 1);
  // The core itself may hold for a while behind a closed skin: it is the body that has lost heat.
  const heat = (r: Run) => r.scored.series.bodyHeatJ[30];
  expect(heat(at(180))).toBeLessThan(heat(at(0)) - 10_000);
});

test('wet cotton chills more than wet wool of the same water', () => {
  const at = (id: string) =>
    run({
      airC: 2,
      wind: 3,
      garments: [{ catalogue: id, dampGm2: 150 }],
      legs: [{ minutes: 40, sport: 'walk', metabolicW: 280, worn: [id, ...OUTER.slice(2)] }],
    });
  expect(at('cotton-tee').skin('chest', 40)).toBeLessThan(at('midweight-merino-base').skin('chest', 40));
});

test('frost made on the climb thaws in the hut and wets the layer', () => {
  const worn = [
    'thin-merino-base',
    'grid-fleece',
    'wind-shell',
    'merino-longs',
    'ski-tights',
    'wind-gloves',
    'thin-cap',
    'thin-socks',
    'nordic-boots',
  ];
  const r = run({
    airC: -18,
    wind: 3,
    legs: [
      { minutes: 75, sport: 'classic ski', metabolicW: 850, worn },
      { minutes: 20, sport: 'hut', airC: 20, humidity: 0.5, wind: 0.15 },
    ],
  });
  expect(r.frost('wind-shell', 'chest', 75)).toBeGreaterThan(3);
  expect(r.frost('wind-shell', 'chest', 95)).toBe(0);
  expect(r.layerC('wind-shell', 'chest', 95)).toBeGreaterThan(0);
});

test('under a pack the back stays wet while the chest dries', () => {
  const at = (pack: boolean) =>
    run({
      airC: 2,
      wind: 2,
      legs: [
        {
          minutes: 60,
          sport: 'hike',
          metabolicW: 620,
          pack,
          loadKg: 8,
          worn: [
            'thin-synthetic-base',
            'wind-shell',
            'briefs',
            'thin-tights',
            'soft-trousers',
            'thin-cap',
            ...['wool-socks', 'winter-boots'],
          ],
        },
      ],
    });
  const packed = at(true);
  const back = packed.water('thin-synthetic-base', 'back', 60);
  expect(back).toBeGreaterThan(1.5 * packed.water('thin-synthetic-base', 'chest', 60));
  expect(back).toBeGreaterThan(at(false).water('thin-synthetic-base', 'back', 60));
});

test('venting on the climb keeps the layers drier than climbing shut', () => {
  const worn = [
    'thin-synthetic-base',
    'grid-fleece',
    'wind-shell-pits',
    'briefs',
    'thin-tights',
    'soft-trousers',
    'thin-cap',
    'liner-gloves',
    'wool-socks',
    'touring-boots',
  ];
  const climb = (open: number) =>
    run({
      airC: -4,
      wind: 2,
      legs: [
        {
          minutes: 60,
          sport: 'ski tour',
          metabolicW: 720,
          worn,
          openings: {
            'wind-shell-pits': { zip: open, pits: open },
            'grid-fleece': { zip: open },
            'soft-trousers': { vents: open },
          },
        },
      ],
    }).scored.metrics;
  expect(climb(1).waterPeak.value).toBeLessThan(0.75 * climb(0).waterPeak.value);
  expect(climb(1).sweatG).toBeLessThan(climb(0).sweatG);
});

test('through open mesh the sweat film reaches the layer above; through closed knit of the same cloth it does not', () => {
  const climb = (openMesh: number) =>
    run({
      airC: 5,
      garments: [{ catalogue: 'mesh-base', id: 'next-to-skin', openMesh, wicking: 0 }],
      legs: [
        {
          minutes: 25,
          sport: 'run',
          metabolicW: 900,
          worn: ['briefs', 'next-to-skin', 'thin-fleece', 'thin-tights', 'wool-socks', 'running-shoes'],
        },
      ],
    }).water('thin-fleece', 'chest', 24);
  expect(climb(0.5)).toBeGreaterThan(1.5 * climb(0));
});
