import type { ForecastHour } from '@/core/outing/forecast';
import { UNSAID } from '@/core/outing/forecast';
import { fileNameOf } from '@/formats/fileName';
import { readGpx } from '@/formats/gpx';
import { gpxOf } from '@/formats/gpxOut';
import { effortOf, outingByHand, readNewOuting, startOf, steadyAir } from '@/formats/newOuting';
import { Refused } from '@/formats/problem';
import { turnOf } from '@/formats/turns';

const form = (fields: Record<string, string>) => readNewOuting(Object.entries({ sport: 'run', ...fields }));
const problems = (work: () => unknown) => {
  try {
    work();
  } catch (e) {
    if (e instanceof Refused) return e.problems.map((p) => `${p.label ?? p.field}: ${p.value}; ${p.allowed}`);
    throw e;
  }
  return [];
};

test('an empty field is as if left out, and numbers are numbers', () => {
  expect(form({ name: '  ', loadKg: '7.5', start: '' })).toEqual({ sport: 'run', loadKg: 7.5 });
});

test('every fault is told at once, by the name its field has on the screen', () => {
  expect(problems(() => form({ sport: 'curling', loadKg: '-5', humidity: '140', minutes: 'long' }))).toEqual([
    expect.stringMatching(/^Sport: curling; run, walk/),
    'Pack beyond clothes: -5; 0 to 60 kg',
    'First leg: long; a number, 5 to 1440 min',
    'Humidity: 140; 2 to 100 %',
  ]);
  expect(problems(() => form({ colour: 'red' }))).toEqual([expect.stringMatching(/^colour: unknown field/)]);
});

test.each([
  ['exertion', '10.1', 'How hard: 10.1; 0 to 10 of 10'],
  ['heartRate', '39', 'How hard: 39; 40 to 220 bpm'],
  ['speed', '', 'How hard: empty; 0.5 to 60 km/h'],
  ['power', '200', 'How hard: power; power only for cycling'],
])('an effort by %s of "%s" on foot is refused', (effortBy, effortValue, says) => {
  expect(problems(() => effortOf(form({ effortBy, effortValue })))).toEqual([says]);
});

test('an effort is taken at its ends, and speed in the core’s unit', () => {
  expect(effortOf(form({ effortBy: 'exertion', effortValue: '10' }))).toEqual({ by: 'exertion', value: 10 });
  expect(effortOf(form({ effortBy: 'speed', effortValue: '36' }))).toEqual({ by: 'speed', value: 10 });
  expect(effortOf(form({ sport: 'cycle', effortBy: 'power', effortValue: '600' }))).toEqual({
    by: 'power',
    value: 600,
  });
  expect(effortOf(form({}))).toEqual({ by: 'usual' });
});

const HOUR = 3600_000;
const EIGHT = Date.UTC(2027, 0, 16, 8);
const hours = [8, 9, 10].map((h) => ({ timeMs: Date.UTC(2027, 0, 16, h) }) as ForecastHour);

test('an empty start takes the recorded one where the forecast covers it, else the first hour of the forecast', () => {
  expect(startOf(form({}), hours, EIGHT + HOUR / 2)).toBe(EIGHT + HOUR / 2);
  expect(startOf(form({}), hours, EIGHT + 365 * 24 * HOUR)).toBe(EIGHT);
  expect(startOf(form({}), hours, null)).toBe(EIGHT);
});

test('a start may lie an hour outside the forecast, and not more', () => {
  expect(startOf(form({ start: '2027-01-16T07:00' }), hours, null)).toBe(EIGHT - HOUR);
  expect(startOf(form({ start: '2027-01-16T11:00' }), hours, null)).toBe(EIGHT + 3 * HOUR);
  for (const start of ['2027-01-16T06:59', '2027-01-16T11:01'])
    expect(problems(() => startOf(form({ start }), hours, null))[0]).toContain('within the forecast, 2027-01-16 08:00');
});

test('air by hand holds all day, and what is not said is what a forecast leaves unsaid', () => {
  const air = steadyAir(form({ airC: '-14', wind: '4', start: '2027-02-01T09:00' }));
  expect(air.map((h) => h.airC)).toEqual([-14, -14]);
  expect(air[1].timeMs - air[0].timeMs).toBe(24 * HOUR);
  expect(air[0]).toMatchObject({ humidity: 0.75, gust: 4 * UNSAID.gust, kind: 'none' });
  expect(problems(() => steadyAir(form({ airC: '-14' })))).toEqual([
    'Start: empty; a local date and time, since there is no forecast to take it from',
  ]);
});

test('an outing by hand is one leg; without its minutes it says what is missing in people’s words', () => {
  const o = outingByHand(form({ minutes: '60', climbM: '200', loadKg: '3', utcOffsetH: '1' }), EIGHT, hours);
  expect(o).toMatchObject({ startMs: EIGHT, utcOffsetMin: 60, profile: null });
  expect(o.legs).toEqual([
    expect.objectContaining({ minutes: 60, climbM: 200, packOn: true, effort: { by: 'usual' } }),
  ]);
  expect(problems(() => outingByHand(form({}), EIGHT, hours))[0]).toMatch(/^Route: not chosen; a GPX file/);
});

test('a route that is saved and read again is the same, with what XML would trip over in its name', () => {
  const points = [
    { lat: 60.5, lon: 10.25, eleM: 512.5, timeMs: Date.UTC(2027, 0, 16, 8, 10) },
    { lat: 60.51, lon: 10.26, eleM: null, timeMs: null },
    { lat: -0.000123, lon: 179.9, eleM: -3, timeMs: null },
  ];
  expect(readGpx(gpxOf('Rake & "Tarn" <west>', points), 'again.gpx')).toEqual({
    name: 'Rake & "Tarn" <west>',
    points,
    measured: [],
  });
});

test.each([
  ['Skarn Head round', 'skarn-head-round.gpx'],
  ['Tårn & Ærø / 2', 'tarn-r-2.gpx'],
  ['../../etc/passwd', 'etc-passwd.gpx'],
  ['雪山', 'outing.gpx'],
])('%s is saved as %s', (name, file) => expect(fileNameOf(name, 'gpx')).toBe(file));

/** Conversion factors as defined (international yard and pound, 1959). */
test.each([
  ['kg', 71, 156.53, 'lb'],
  ['g', 100, 3.527, 'oz'],
  ['mm', 2.54, 0.1, 'in'],
  ['m', 1.778, 70, 'in'],
  ['g/m²', 100, 2.949, 'oz/yd²'],
  ['mm/s at 100 Pa', 5.08, 1, 'ft/min'],
  ['K', 2, 3.6, '°F'],
])('%s: %d is %d in imperial, and back', (unit, kept, shown, said) => {
  const turn = turnOf(unit, 'imperial');
  expect(turn.unit).toBe(said);
  expect(turn.show(kept)).toBeCloseTo(shown, 2);
  expect(turn.keep(turn.show(kept))).toBeCloseTo(kept, 9);
  expect(turnOf(unit, 'metric').show(kept)).toBe(kept);
});

test('what is the same in both is left alone', () => expect(turnOf('m²Pa/W', 'imperial').unit).toBe('m²Pa/W'));
