import { coldTorso, comfortableSkin, sensation } from '@/core/judge/sensation';

/** Fanger 1970 (ISO 7730): comfortable mean skin temperature 35.7 − 0.0275 (M − W), W/m². */
test.each([
  [58, 34.1],
  [116, 32.5],
  [200, 30.2],
])('at %d W/m² people find %d °C of skin comfortable', (heat, theirs) => {
  expect(comfortableSkin(heat)).toBeCloseTo(theirs, 1);
});

test('the line is held beyond where people were measured: 40 and 420 W/m²', () => {
  expect(comfortableSkin(10)).toBe(comfortableSkin(40));
  expect(comfortableSkin(800)).toBe(comfortableSkin(420));
  expect(comfortableSkin(419)).toBeGreaterThan(comfortableSkin(420));
  expect(coldTorso(200)).toBeCloseTo(comfortableSkin(200) - 6.5, 9);
});

const at = (over: { skin?: number; heat?: number; core?: number; wet?: number; warmth?: number }) => {
  const { skin = 0, heat = 200, core = 37.1, wet = 0.1, warmth = 0 } = over;
  return sensation(comfortableSkin(heat) + skin, heat, core, wet, warmth);
};

test('neutral at comfortable skin; cooler skin feels cool, warmer skin warm, and warmth is felt sooner', () => {
  expect(at({})).toBeCloseTo(0, 9);
  expect(at({ skin: -2 })).toBeCloseTo(-0.84, 6);
  expect(at({ skin: 2 })).toBeCloseTo(1.2, 6);
});

test('beyond 232 W/m², where ISO 7730 ends, skin up to what is comfortable there hardly feels warm, and what is warmer less so; coolness is felt as ever', () => {
  // Votes a kelvin, from so many kelvin over what is comfortable.
  const warm = (heat: number, over = 0) => at({ skin: over + 1, heat }) - at({ skin: over, heat });
  expect(warm(231)).toBeCloseTo(warm(100), 9);
  expect(warm(231)).toBeCloseTo(0.6, 6);
  // At 420 W/m² the line lies 5.2 K lower than at 232.
  expect(warm(420)).toBeCloseTo(0.15, 6);
  expect(warm(420, 4.1)).toBeCloseTo(0.15, 6);
  expect(warm(420, 5.2)).toBeCloseTo(0.6 * (232 / 420) ** 2, 3);
  expect(warm(928, 6)).toBeCloseTo(0.6 / 16, 6);
  expect(warm(240, 1)).toBeWithin(warm(300, 2), warm(231));
  expect(at({ skin: -2, heat: 400 })).toBeCloseTo(at({ skin: -2, heat: 100 }), 9);
});

test('votes have no step where the line is carried on, nor between its two parts', () => {
  const vote = (skinC: number, heat: number) => sensation(skinC, heat, 37, 0.1, 0);
  for (const skinC of [28, 30, 33]) expect(Math.abs(vote(skinC, 232.01) - vote(skinC, 231.99))).toBeLessThan(0.001);
  for (const skinC of [comfortableSkin(400), comfortableSkin(232)])
    expect(Math.abs(vote(skinC + 0.001, 400) - vote(skinC - 0.001, 400))).toBeLessThan(0.002);
});

test('a hot core is felt whatever the skin does, from 38.4 °C on', () => {
  const beyond = (core: number) => at({ heat: 600, core }) - at({ heat: 600, core: 38.4 });
  expect(beyond(39)).toBeGreaterThan(1.2);
  expect(beyond(38.3)).toBeGreaterThan(-0.1);
  expect(at({ skin: -3, heat: 500, core: 39.4 })).toBeGreaterThan(0.5);
});

test('a body at rest feels the heat it still holds, one at work hardly', () => {
  const gain = (heat: number) => at({ heat, core: 37.9 }) - at({ heat });
  expect(gain(60)).toBeGreaterThan(0.7);
  expect(gain(400)).toBeLessThan(0.2);
});

test('clammy skin makes warm warmer and cold colder, from a wettedness of 0.4', () => {
  expect(at({ wet: 0.4 })).toBeCloseTo(at({ wet: 0 }), 9);
  expect(at({ wet: 0.9 })).toBeGreaterThan(at({}) + 0.3);
  expect(at({ skin: -4, wet: 0.9 })).toBeLessThan(at({ skin: -4 }) - 0.2);
});

test('who runs warm feels warmer at the same skin, and no vote leaves the scale', () => {
  expect(at({ warmth: 2 })).toBeGreaterThan(at({}) + 1);
  expect(at({ skin: -30 })).toBe(-3);
  expect(at({ skin: 30 })).toBe(3);
});
