import { survives } from '#tests/support/survives';

/**
 * Tikuisis, "Predicting survival time for cold exposure", Int J Biometeorol 39:94, 1995 (from memory of the abstract): sitting nude in calm air, and
 * dressed. Nothing in the model was fitted to them. The colder rows are in the table of docs/model.md.
 */
test('nude in calm air of 10 °C it is most of a day or more', () => {
  expect(survives(10, 0.15)).toBeGreaterThan(18);
});

/** The same, in two to three layers of loose clothing: 15.6 h at −30 °C and 20 h at −20 °C; ours brackets them by what is worn. */
test.each([
  [-30, 15.6],
  [-20, 20],
])('dressed, at %d °C, survival lies on both sides of %d h with little and with much on', (airC, hours) => {
  const layers = [
    'midweight-merino-base',
    'pile-fleece',
    'wind-shell',
    'brushed-tights',
    'soft-trousers',
    'wool-socks',
    'winter-boots',
    'warm-hat',
    'fleece-mitts',
  ];
  const light = survives(airC, 1.4, layers);
  const full = survives(airC, 1.4, [...layers, 'belay-parka', 'puffy-overtrousers']);
  expect(light).toBeLessThan(hours);
  expect(full).toBeGreaterThan(hours);
  expect(light).toBeGreaterThan(hours / 3);
});

/** Nobody shivers hard for half a day: in a gale at −40 °C without shelter it ends within hours (from memory of the field). */
test('in a gale at −40 °C shivering does not last the night', () => {
  expect(
    survives(-40, 13, ['midweight-merino-base', 'pile-fleece', 'wind-shell', 'soft-trousers', 'winter-boots']),
  ).toBeLessThan(4);
});
