import { catches } from '@/core/simulate/surroundings';
import { run } from '#tests/support/runCase';

const KIT = ['thin-synthetic-base', 'storm-shell', 'storm-trousers', 'wool-socks', 'winter-boots', 'thin-cap'];
const wet = (openings: Record<string, Record<string, number>> = {}, more: Record<string, unknown> = {}) =>
  run({
    airC: 4,
    wind: 3,
    humidity: 0.95,
    legs: [
      {
        minutes: 60,
        sport: 'walk',
        metabolicW: 220,
        worn: KIT,
        precipitation: { kind: 'rain', mmH: 5 },
        openings,
        ...more,
      },
    ],
  });
const OPEN = { 'storm-shell': { zip: 1, pits: 1, lower: 1, hood: 1 } };
const SHUT = { 'storm-shell': { zip: 0, pits: 0, lower: 0, hood: 0 } };

test('an open front zip lets the rain onto the shirt beneath, a shut one does not', () => {
  const shirt = (o: Record<string, Record<string, number>>) => wet(o).water('thin-synthetic-base', 'chest', 59);
  expect(shirt(OPEN)).toBeGreaterThan(shirt(SHUT) + 40);
});

test('a hood up keeps hair and cap dry, down it does not', () => {
  const cap = (o: Record<string, Record<string, number>>) => wet(o).water('thin-cap', 'scalp', 59);
  expect(cap(OPEN)).toBeGreaterThan(cap(SHUT) + 50);
});

test('bib trousers keep the rain off the part of the chest that they cover, and no more', () => {
  const worn = ['thin-synthetic-base', 'storm-trousers', 'wool-socks', 'winter-boots'];
  const bare = wet({}, { worn });
  expect(bare.water('thin-synthetic-base', 'chest', 59)).toBeGreaterThan(80);
});

test('what a jacket sheds runs onto the trousers: they get wetter under it than the same rain alone makes them', () => {
  const legs = (top: string) =>
    wet({}, { worn: ['thin-synthetic-base', top, 'soft-trousers', 'wool-socks', 'winter-boots'] });
  const shed = legs('storm-shell');
  const soaked = legs('pile-fleece');
  expect(shed.water('soft-trousers', 'thighs', 5)).toBeGreaterThan(soaked.water('soft-trousers', 'thighs', 5) + 5);
});

test('wet ground soaks running shoes near freezing; a membrane keeps it out for an hour', () => {
  const sock = (shoe: string) =>
    run({
      airC: 1,
      wind: 3,
      humidity: 0.95,
      legs: [
        {
          minutes: 60,
          sport: 'run',
          metabolicW: 700,
          worn: ['thin-synthetic-base', 'thin-tights', 'thin-socks', shoe],
          precipitation: { kind: 'sleet', mmH: 2 },
        },
      ],
    });
  const open = sock('running-shoes');
  const membrane = sock('winter-running-shoes');
  expect(open.water('thin-socks', 'toes', 59)).toBeGreaterThan(membrane.water('thin-socks', 'toes', 59) + 60);
  expect(open.skin('toes', 59)).toBeLessThan(membrane.skin('toes', 59) - 1);
});

test('slush stands in a running shoe and chills toes within minutes', () => {
  const toes = (wetting?: string) =>
    run({
      airC: 1,
      wind: 3,
      legs: [
        {
          minutes: 20,
          sport: 'walk',
          metabolicW: 300,
          worn: ['thin-synthetic-base', 'thin-tights', 'thin-socks', 'running-shoes'],
          ...(wetting ? { wetting } : {}),
        },
      ],
    }).skin('toes', 19);
  expect(toes('slush')).toBeLessThan(toes() - 4);
});

/**
 * In still air a standing body catches the rain on its own ground plan, about 0.15 m² of 1.87 (seen from above); moving or in wind
 * it catches more, as everybody knows who has run through rain (Bocci 2012, from memory: the front dominates above 2 m/s).
 */
test('more wind drives more rain on, more onto the front than onto the head, within what a body can catch', () => {
  for (const zone of ['chest', 'scalp', 'thighs', 'toes'] as const) {
    expect(catches(zone, 6, 'drops')).toBeGreaterThan(catches(zone, 1, 'drops'));
    expect(catches(zone, 60, 'drops')).toBeLessThanOrEqual(0.6);
    expect(catches(zone, 60, 'flakes')).toBeLessThanOrEqual(0.35);
  }
  expect(catches('chest', 0.15, 'drops')).toBeLessThan(0.1);
  expect(catches('scalp', 0.15, 'drops')).toBeGreaterThan(4 * catches('chest', 0.15, 'drops'));
});

test('what comes from the side grows with the wind: a third of it over the speed at which drops fall, 6 m/s, on an upright cylinder', () => {
  const more = (windMs: number, what: 'drops' | 'flakes') => catches('chest', windMs, what) - catches('chest', 0, what);
  expect(more(3, 'drops')).toBeCloseTo(3 / 6 / Math.PI, 9);
  expect(more(6, 'drops')).toBeCloseTo(2 * more(3, 'drops'), 9);
  // Flakes fall at 1.2 m/s, and half of them go round.
  expect(more(0.6, 'flakes')).toBeCloseTo((0.5 * 0.5) / Math.PI, 9);
});
