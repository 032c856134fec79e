import { coldTorso, comfortableSkin, sensation, shaken } from '@/core/judge/sensation';

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

const at = (over: { skin?: number; heat?: number; core?: number; wet?: number; warmth?: number; shiver?: number }) => {
  const { skin = 0, heat = 200, core = 37.1, wet = 0.1, warmth = 0, shiver = 0 } = over;
  return shaken(sensation(comfortableSkin(heat) + skin, heat, core, wet, warmth), shiver);
};

test('neutral at comfortable skin; cooler skin feels cool, warmer skin warm, and warmth is felt sooner', () => {
  expect(at({})).toBeCloseTo(0, 9);
  expect(at({ skin: -2 })).toBeCloseTo(-0.84, 6);
  expect(at({ skin: 2 })).toBeCloseTo((3 * 2) / (36 - 30.2), 6);
  expect(at({ skin: 2, heat: 100 })).toBeCloseTo(1.2, 6);
});

test('warmth is a way to skin of 36 °C, very hot at any work, of which who works hard feels the less', () => {
  const perK = (heat: number) => at({ skin: 1, heat }) - at({ heat });
  // At ease 0.6 votes a kelvin, until the way to 36 °C asks for less.
  expect(perK(100)).toBeCloseTo(0.6, 6);
  expect(perK(170)).toBeCloseTo(0.6, 6);
  expect(perK(175)).toBeLessThan(0.6);
  expect(perK(232)).toBeCloseTo(3 / (36 - comfortableSkin(232)), 6);
  // Beyond 232 W/m² the less, down to 55 % from 420 on.
  expect(perK(240)).toBeLessThan(3 / (36 - comfortableSkin(240)) - 0.001);
  expect(perK(326)).toBeCloseTo((0.775 * 3) / (36 - comfortableSkin(326)), 6);
  expect(perK(420)).toBeCloseTo((0.55 * 3) / (36 - comfortableSkin(420)), 6);
  expect(perK(419)).not.toBeCloseTo(perK(420), 4);
  expect(perK(900)).toBeCloseTo(perK(420), 9);
  expect(at({ skin: -2, heat: 400 })).toBeCloseTo(at({ skin: -2, heat: 100 }), 9);
});

test('whoever shivers is cold however warm the torso is, from 15 W on and in full from 60', () => {
  const warm = { skin: 1, heat: 90 };
  expect(at({ ...warm, shiver: 15 })).toBe(at(warm));
  expect(at({ ...warm, shiver: 16 })).toBeLessThan(at(warm));
  expect(at({ ...warm, shiver: 59 })).toBeGreaterThan(-2);
  for (const shiver of [60, 400]) expect(at({ ...warm, shiver })).toBeCloseTo(-2, 9);
  // What is colder than that stays so.
  expect(at({ skin: -6, shiver: 200 })).toBeCloseTo(at({ skin: -6 }), 9);
});

test('skin of 36 °C is very hot at moderate work', () => {
  for (const heat of [172, 200, 232]) expect(sensation(36, heat, 37, 0.1, 0)).toBeCloseTo(3, 6);
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
  // The less the harder the work, down to a seventh.
  expect(gain(175)).toBeCloseTo(0.8 * 1.2 * 0.5, 9);
  expect(gain(290)).toBeGreaterThan(gain(310));
  expect(gain(310)).toBeCloseTo(0.8 * 1.2 * 0.15, 9);
  const lost = at({ heat: 70, core: 36.2 }) - at({ heat: 70, core: 36.7 });
  expect(lost).toBeCloseTo(-0.5 * 1.2 * 0.8, 9);
});

test('clammy skin makes warm warmer and cold colder, from a wettedness of 0.4', () => {
  expect(at({ wet: 0.4 })).toBeCloseTo(at({ wet: 0 }), 9);
  expect(at({ wet: 0.9 })).toBeGreaterThan(at({}) + 0.3);
  const by = (skin: number, wet: number) => at({ skin, wet }) - at({ skin });
  expect([by(0, 0.9), by(0.5, 0.65), by(-1, 0.9), by(-4, 0.9)].map((x) => Math.round(x * 1e6) / 1e6)).toEqual([
    0.4, 0.2, 0.08, -0.24,
  ]);
});

test('who runs warm feels warmer at the same skin, and no vote leaves the scale', () => {
  expect(at({ warmth: 2 })).toBeGreaterThan(at({}) + 1);
  expect(at({ skin: -30 })).toBe(-3);
  expect(at({ skin: 30 })).toBe(3);
});
