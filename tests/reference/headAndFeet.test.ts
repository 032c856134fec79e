import { bareConvection, radiation, skyLoss } from '@/core/atmosphere/boundaryLayer';
import { run } from '#tests/support/runCase';

/** 4 ε σ T³. */
test('radiation falls with temperature as the law says', () => {
  expect(radiation(0) / radiation(-30)).toBeCloseTo((279.15 / 249.15) ** 3, 6);
});

/** Swinbank 1963: the clear sky over air of 0 °C is at −24 °C, and half of the body sees it. */
test('a clear sky takes some tens of watts', () => {
  expect(0.0552 * 273.15 ** 1.5).toBeWithin(247, 251);
  expect(skyLoss(0, 0, 1)).toBeCloseTo(0.5 * radiation(0) * (273.15 - 0.0552 * 273.15 ** 1.5), 6);
  expect(skyLoss(0, 1, 1)).toBe(0);
  expect(skyLoss(0, 0.5, 0.5)).toBeCloseTo(skyLoss(0, 0, 1) / 4, 6);
});

test('bare skin makes its own draught, the stronger the colder the air (Fanger: 2.38 ΔT^0.25)', () => {
  expect(bareConvection(16)).toBeCloseTo(2.38 * 2, 6);
  expect(bareConvection(-49)).toBeCloseTo(2.38 * 3, 6);
  expect(bareConvection(40)).toBeCloseTo(2.38, 6);
});

/**
 * Feet sweat of themselves: 3–10 g/h each at rest in a boot, 10–30 and more at work (from memory of the field). Socks and boots take
 * it up over a day, a vapour barrier keeps it out of them.
 */
describe('feet in boots', () => {
  const BODY = ['thin-merino-base', 'grid-fleece', 'wind-shell', 'soft-trousers', 'thin-cap', 'wind-gloves'];
  const day = (feet: string[], minutes: number, metabolicW: number) =>
    run({ airC: -5, wind: 2, stepS: 20, legs: [{ minutes, sport: 'hike', metabolicW, worn: [...BODY, ...feet] }] });
  const gained = (r: ReturnType<typeof run>, id: string) => {
    const at = (minute: number) => 0.08 * r.water(id, 'feet', minute) + 0.032 * r.water(id, 'toes', minute);
    return at(r.minutes) - at(0);
  };

  test('socks and boots gain water through a working day, and a barrier keeps them dry', () => {
    const open = day(['wool-socks', 'winter-boots'], 360, 380);
    const shut = day(['barrier-socks', 'wool-socks', 'winter-boots'], 360, 380);
    const inCloth = gained(open, 'wool-socks') + gained(open, 'winter-boots');
    expect(inCloth).toBeWithin(25, 200);
    expect(gained(shut, 'wool-socks') + gained(shut, 'winter-boots')).toBeLessThan(0.3 * inCloth);
    // Behind the barrier the skin stands wet.
    expect(shut.wettedness('toes', 350)).toBeGreaterThan(open.wettedness('toes', 350));
  });

  test('at rest a foot in a boot still gives off some grams an hour', () => {
    const rest = run({
      airC: 15,
      wind: 0.3,
      legs: [{ minutes: 120, sport: 'sit', metabolicW: 110, worn: [...BODY, 'wool-socks', 'winter-boots'] }],
    });
    const perFootHour = (gained(rest, 'wool-socks') + gained(rest, 'winter-boots')) / 2 / 2;
    expect(perFootHour).toBeWithin(0.5, 10);
  });
});
