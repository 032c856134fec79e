import { run } from '#tests/support/runCase';

/**
 * What comfort is held against follows work as working muscles warm: nearly two thirds of the way in six minutes (Saltin, Gagge & Stolwijk 1968, from
 * memory), and back more slowly, in ten.
 */
test('comfort follows work up with a time constant of six minutes, and down of ten', () => {
  const r = run({
    airC: 22,
    legs: [
      { minutes: 60, sport: 'hike', metabolicW: 400, worn: ['thin-merino-base', 'thin-tights', 'running-shoes'] },
      { minutes: 60, sport: 'stand', metabolicW: 130 },
    ],
  });
  const { habitW } = r.scored.series;
  const rises = (minute: number) => (habitW[minute] - habitW[0]) / (habitW[60] - habitW[0]);
  // Oxygen uptake takes a minute to follow the work itself.
  expect(rises(7)).toBeWithin(0.6, 0.66);
  expect(rises(13)).toBeWithin(0.84, 0.89);
  const left = (minute: number) => (habitW[60 + minute] - habitW[120]) / (habitW[60] - habitW[120]);
  expect(left(11)).toBeWithin(0.34, 0.4);
  expect(left(21)).toBeWithin(0.11, 0.16);
});
