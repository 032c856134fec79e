import { lensFog } from '@/core/moisture/lensFog';
import { run, type Run } from '#tests/support/runCase';

/** Facts of the trade: common practice, no published source. Hand warmers and covered mouths, through the public entry. */
const STANDING = [
  'midweight-merino-base',
  'pile-fleece',
  'wind-shell',
  'belay-parka',
  'briefs',
  'brushed-tights',
  'soft-trousers',
  'puffy-overtrousers',
  'warm-hat',
  'thick-socks',
  'winter-boots',
];
const camp = (hands: string[], hours: number): Run =>
  run({
    airC: -16,
    wind: 1,
    stepS: 30,
    legs: [{ minutes: hours * 60, sport: 'stand', metabolicW: 150, worn: [...STANDING, ...hands] }],
  });

test('9. one pair of warmers warms the fingers for about ten hours, and is cold before the sixteenth', () => {
  const plain = camp(['warm-mitts'], 17);
  const warmed = camp(['warm-mitts', 'hand-warmers'], 17);
  const gain = (hour: number) => warmed.skin('fingers', hour * 60) - plain.skin('fingers', hour * 60);
  expect(gain(1)).toBeGreaterThan(1.5);
  expect(gain(8) / gain(2)).toBeGreaterThan(0.7);
  expect(gain(10) / gain(2)).toBeWithin(0.3, 0.8);
  expect(gain(16)).toBeLessThan(0.3 * gain(2));
});

const walk = (airC: number, face: string[], openings = {}, wind = 1.5, minutes = 90): Run =>
  run({
    airC,
    wind,
    legs: [
      {
        minutes,
        sport: 'hike',
        metabolicW: 480,
        worn: [
          'thin-merino-base',
          'grid-fleece',
          'wind-shell',
          'briefs',
          'brushed-tights',
          'soft-trousers',
          'warm-hat',
          'warm-mitts',
          'wool-socks',
          'winter-boots',
          'sun-glasses',
          ...face,
        ],
        openings,
      },
    ],
  });

test('14. a covered mouth fogs eyewear in the cold; a bare one and a vented mask do not', () => {
  const up = { 'neck-tube': { up: 0 } };
  expect(walk(-18, ['neck-tube'], up).scored.metrics.fogMinutes).toBeGreaterThan(15);
  expect(walk(-18, ['neck-tube'], { 'neck-tube': { up: 1 } }).scored.metrics.fogMinutes).toBe(0);
  expect(walk(-18, ['vented-mask']).scored.metrics.fogMinutes).toBe(0);
  expect(walk(3, ['neck-tube'], up, 3).scored.metrics.fogMinutes).toBe(0);
  const said = walk(-18, ['neck-tube'], up).scored.findings.find((f) => f.kind === 'fog');
  expect(said?.means).toContain('mouth');
});

test('14. a covered mouth ices up in deep cold and stays free of ice in mild air', () => {
  const ice = (airC: number, face: string[], openings = {}) => walk(airC, face, openings).scored.metrics.mouthIce.value;
  const up = { 'fleece-tube': { up: 0 } };
  expect(ice(-30, ['fleece-tube'], up)).toBeGreaterThan(0.3);
  expect(ice(-2, ['fleece-tube'], up)).toBe(0);
  expect(ice(-30, ['vented-mask'])).toBeLessThan(ice(-30, ['fleece-tube'], up));
});

test('23. a thick cover is iced within the hour by hard breath at −25 °C, and its ice stays while the breath warms the cover', () => {
  const at = (airC: number) =>
    run({
      airC,
      wind: 2,
      legs: [
        {
          minutes: 60,
          sport: 'classic ski',
          metabolicW: 700,
          worn: [
            'fleece-tube',
            'midweight-merino-base',
            'lined-soft-shell',
            'ski-tights',
            'warm-hat',
            'shell-mitts',
            'wool-socks',
            'nordic-boots',
          ],
          openings: { 'fleece-tube': { up: 0 } },
        },
      ],
    });
  const deep = at(-25);
  expect(deep.scored.metrics.mouthIce.value).toBeGreaterThan(0.3);
  expect(deep.frost('fleece-tube', 'face', 30)).toBeGreaterThan(30);
  // The cover as a whole is above freezing by then: the ice lies in its outer part.
  expect(deep.layerC('fleece-tube', 'face', 60)).toBeGreaterThan(0);
  expect(deep.frost('fleece-tube', 'face', 60)).toBeGreaterThan(deep.frost('fleece-tube', 'face', 30));
  expect(at(-6).frost('fleece-tube', 'face', 60)).toBe(0);
});

test('wind clears a lens, a closed mouth and a colder day fog it, goggles stay clear longer than glasses', () => {
  const at = (airC: number, relativeWind: number, mouth: number, eyewear: 'goggles' | 'glasses' = 'glasses') =>
    lensFog({ airC, vapourPa: 0.8 * 260, relativeWind }, { eyewear, faceC: 22, mouth });
  expect(at(-10, 6, 0.25)).toBeLessThan(at(-10, 1, 0.25));
  expect(at(-10, 1, 0.3)).toBeGreaterThan(at(-10, 1, 0.1));
  expect(at(-10, 1, 0.25, 'goggles')).toBeLessThan(at(-10, 1, 0.25));
});
