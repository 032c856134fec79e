import { run } from '#tests/support/runCase';

const WORN = [
  'synthetic-tee',
  'lined-windshell',
  'thin-tights',
  'wind-trousers',
  'wool-socks',
  'winter-boots',
  'balaclava',
  'warm-mitts',
];
const FACE = ['vented-mask', 'goggles'];
const bare = (c: Parameters<typeof run>[0], minute: number) => {
  const { series } = run(c).scored;
  return series.bareFaceC[Math.round((minute * 60) / series.stepS)];
};
const wind = (worn: string[]) => ({ minutes: 20, sport: 'downhill ski', airC: -15, wind: 14, worn });
const hut = (worn: string[]) => ({ minutes: 10, sport: 'hut', airC: 19, wind: 0.1, worn });

test('a face that was covered in the wind is as warm as its cover kept it when it is bared under a roof', () => {
  const covered = { airC: -15, legs: [wind([...WORN, ...FACE]), hut(WORN)] };
  const { series } = run(covered).scored;
  expect(series.bareFaceC.subarray(0, 19).every((c) => c === Infinity)).toBe(true);
  // Nothing near freezing, and warmer than the skin that was bare all the way.
  expect(bare(covered, 21)).toBeGreaterThan(20);
  expect(bare({ airC: -15, legs: [wind(WORN), hut(WORN)] }, 21)).toBeLessThan(15);
});

test('a face that is bared in the wind cools as one that was bare cools: most of the way within ten minutes', () => {
  const later = { airC: -15, legs: [wind([...WORN, ...FACE]), wind(WORN)] };
  const at = [21, 24, 30].map((m) => bare(later, m));
  expect(at[1]).toBeLessThan(at[0]);
  expect(at[2]).toBeLessThan(at[1]);
  expect(at[2]).toBeLessThan(bare({ airC: -15, legs: [wind(WORN), wind(WORN)] }, 38) + 6);
});
