import { readFileSync, readdirSync } from 'node:fs';
import { localTimeText, readLocalTime } from '@/formats/dates';
import { MAX_CSV_BYTES, readForecastCsv } from '@/formats/forecastCsv';
import { describe as words, Refused } from '@/formats/problem';

const HEAD = 'time,temperature_c,humidity_pct,wind_ms';

function refusal(work: () => unknown): string {
  try {
    work();
  } catch (e) {
    if (e instanceof Refused) return e.problems.map(words).join('\n');
    throw e;
  }
  throw new Error('it was taken');
}
const bad = (text: string) => refusal(() => readForecastCsv(text, 'sat.csv'));

test('needed columns alone, with quiet defaults for the rest', () => {
  const [h] = readForecastCsv(`${HEAD}\n2027-01-16T08:00,-9,86,4`, 'sat.csv');
  expect(h).toEqual({
    timeMs: Date.UTC(2027, 0, 16, 8),
    airC: -9,
    humidity: 0.86,
    wind: 4,
    gust: 6,
    fromDeg: 0,
    precipitationMmH: 0,
    kind: 'none',
    cloud: 0.5,
  });
});

test('imperial headers give the same weather as metric ones', () => {
  const metric = readForecastCsv(
    'time,temperature_c,humidity_pct,wind_kmh,gust_kmh,precipitation_mm\n2027-01-16 08:00,-10,80,16.09344,32.18688,2.54',
    'm.csv',
  );
  const imperial = readForecastCsv(
    'time,temperature_f,humidity_pct,wind_mph,gust_mph,precipitation_in\n2027-01-16 08:00,14,80,10,20,0.1',
    'i.csv',
  );
  for (const k of ['airC', 'wind', 'gust', 'precipitationMmH'] as const)
    expect(imperial[0][k]).toBeCloseTo(metric[0][k], 6);
  expect(imperial[0].kind).toBe(metric[0].kind);
});

test('semicolons, tabs, a byte-order mark, capitals, blank lines and CRLF are all the same table', () => {
  const plain = readForecastCsv(`${HEAD}\n2027-01-16T08:00,-9,86,4\n2027-01-16T09:00,-8,84,5\n`, 'x');
  for (const text of [
    `\uFEFF${HEAD}\r\n2027-01-16T08:00,-9,86,4\r\n\r\n2027-01-16T09:00,-8,84,5\r\n`,
    `${HEAD}\n2027-01-16T08:00,-9,86,4\n2027-01-16T09:00,-8,84,5`.replace(/,/g, ';'),
    `${HEAD}\n2027-01-16T08:00,-9,86,4\n2027-01-16T09:00,-8,84,5`.replace(/,/g, '\t'),
    `TIME, Temperature_C ,HUMIDITY_PCT,wind_ms\n2027-01-16T08:00,-9,86,4\n2027-01-16T09:00,-8,84,5`,
  ])
    expect(readForecastCsv(text, 'x')).toEqual(plain);
});

test('the kind of fall follows the wet bulb when the file gives only an amount', () => {
  const kind = (t: number, rh: number) =>
    readForecastCsv(`${HEAD},precipitation_mm\n2027-01-16T08:00,${t},${rh},2,1`, 'x')[0].kind;
  expect([kind(-8, 90), kind(-0.5, 95), kind(1.2, 95), kind(6, 90)]).toEqual(['dry snow', 'wet snow', 'sleet', 'rain']);
  // Dry air cools falling snow: +3 °C at 35 % still snows.
  expect(kind(3, 35)).toBe('wet snow');
});

test.each([
  ['400 °C', `${HEAD}\n2027-01-16T08:00,400,80,3`, 'sat.csv, line 2: temperature_c is 400; allowed: -60 to 40 °C'],
  ['a wind of −3', `${HEAD}\n2027-01-16T08:00,-4,80,-3`, 'line 2: wind_ms is -3; allowed: 0 to 60 m/s'],
  ['humidity as 120 %', `${HEAD}\n2027-01-16T08:00,-4,120,3`, 'humidity_pct is 120; allowed: 2 to 100 %'],
  [
    'time running backwards',
    `${HEAD}\n2027-01-16T09:00,-4,80,3\n2027-01-16T08:00,-4,80,3`,
    'line 3: time is 2027-01-16T08:00; allowed: times that rise',
  ],
  [
    'the same hour twice',
    `${HEAD}\n2027-01-16T08:00,-4,80,3\n2027-01-16T08:00,-5,80,3`,
    'line 3: time is 2027-01-16T08:00; allowed: each hour once',
  ],
  [
    'a day that does not exist',
    `${HEAD}\n2027-02-30T08:00,-4,80,3`,
    'time is 2027-02-30T08:00; allowed: local date and time',
  ],
  ['an unknown column', 'time,temp,humidity_pct,wind_ms\n', 'line 1: column 2 is temp; allowed: time, temperature_c'],
  [
    'a unit in the header that is not ours',
    `${HEAD.replace('wind_ms', 'wind_furlongs')}\n`,
    'column 4 is wind_furlongs',
  ],
  [
    'a missing column',
    'time,temperature_c,wind_ms\n2027-01-16T08:00,-4,3',
    'column for humidity is missing; allowed: humidity_pct',
  ],
  ['one thing in two units', `${HEAD},wind_mph\n2027-01-16T08:00,-4,80,3,6`, 'column "wind_mph" is given twice'],
  ['a short line', `${HEAD}\n2027-01-16T08:00,-4,80`, 'line 2: number of values is 3; allowed: 4'],
  ['an empty cell', `${HEAD}\n2027-01-16T08:00,,80,3`, 'temperature_c is empty'],
  ['words for numbers', `${HEAD}\n2027-01-16T08:00,cold,80,3`, 'temperature_c is cold'],
  [
    'a gust below the wind',
    `${HEAD},gust_ms\n2027-01-16T08:00,-4,80,8,5`,
    'gust is 5.0 m/s; allowed: at least the wind, 8.0 m/s',
  ],
  ['an unknown fall', `${HEAD},kind\n2027-01-16T08:00,-4,80,8,frogs`, 'kind is frogs; allowed: none, dry snow'],
  ['nothing', '', 'content is empty'],
  ['a header alone', HEAD, 'hours is none'],
])('%s is refused whole with line, field, value and what is allowed', (_, text, says) => {
  expect(bad(text)).toContain(says);
});

test('too many hours and too large a file', () => {
  const rows = Array.from({ length: 745 }, (_, i) => `${localTimeText(Date.UTC(2027, 0, 1) + i * 3600_000)},-4,80,3`);
  expect(bad(`${HEAD}\n${rows.join('\n')}`)).toContain('hours is over 744; allowed: at most 744');
  expect(bad('x'.repeat(MAX_CSV_BYTES + 1))).toContain('size is 2 MB');
});

test('local times go there and back, and the zone of a file is not applied', () => {
  expect(localTimeText(readLocalTime('2027-01-16T08:10', 'x'))).toBe('2027-01-16T08:10');
  expect(readLocalTime('2027-01-16T08:10:00+05:00', 'x')).toBe(readLocalTime('2027-01-16 08:10', 'x'));
});

test.each(readdirSync('src/demo/files').filter((f) => f.endsWith('.csv')))('the shipped forecast %s reads', (f) => {
  const hours = readForecastCsv(readFileSync(`src/demo/files/${f}`, 'utf8'), f);
  expect(hours.length).toBeGreaterThanOrEqual(4);
});
