import { MOST_REPORT, readAviation } from '@/formats/aviation';
import { knotsToMs } from '@/core/quantity/units';

const around = { nowMs: Date.UTC(2027, 0, 12, 7, 5), utcOffsetMin: 0, airC: -3, humidity: 0.8 };

/** Shapes of groups after WMO-No. 306, FM 15 METAR and FM 51 TAF (from memory); the places are none. */
test('a METAR: wind in knots with its gusts, air and dew point, snow, sky', () => {
  const a = readAviation('METAR XXXX 120650Z 24015G28KT 4000 -SN BR BKN008 OVC012 M06/M08 Q1008', around);
  expect(a.kind).toBe('METAR');
  expect(a.now!.airC).toBe(-6);
  expect(a.now!.wind).toBeCloseTo(knotsToMs(15), 9);
  expect(a.now!.gust).toBeCloseTo(knotsToMs(28), 9);
  expect(a.now!.fromDeg).toBe(240);
  // Magnus over water: 335 Pa at -8 °C over 391 Pa at -6 °C.
  expect(a.now!.humidity).toBeCloseTo(0.86, 1);
  expect(a.now).toMatchObject({
    kind: 'dry snow',
    precipitationMmH: 0.5,
    cloud: 1,
    timeMs: Date.UTC(2027, 0, 12, 6, 50),
  });
  expect([a.notRead, a.taken]).toEqual([[], []]);
});

test.each([
  ['METAR XXXX 120650Z 00000KT CAVOK M10/M14 Q1030', 'none', 0],
  ['METAR XXXX 120650Z 30008MPS 3000 RA OVC010 04/03 Q0998', 'rain', 4],
  ['METAR XXXX 120650Z 30008KT 3000 -RA OVC010 04/03 Q0998', 'rain', 1],
  ['METAR XXXX 120650Z 30008KT 1000 +SN OVC010 01/00 Q0998', 'wet snow', 4],
  ['METAR XXXX 120650Z 30008KT 3000 RASN OVC010 01/00 Q0998', 'sleet', 4],
  ['METAR XXXX 120650Z 30008KT 3000 FZRA OVC010 M01/M02 Q0998', 'freezing drizzle', 4],
  ['METAR XXXX 120650Z 30008KT 9999 VCSH SCT020 03/01 Q0998', 'none', 0],
])('%s: %s', (text, kind, mmH) => {
  expect(readAviation(text, around).now).toMatchObject({ kind, precipitationMmH: mmH });
});

test('metres a second are metres a second', () => {
  expect(readAviation('METAR XXXX 120650Z 30008MPS 9999 SCT020 M02/M05 Q1008', around).now!.wind).toBeCloseTo(8, 9);
});

test('what nobody can read is shown and not dropped, and what is missing is said', () => {
  const a = readAviation('METAR XXXX 120650Z 24015KT 9999 ZZTOP SCT020 M06/M08 Q1008 WIBBLE2 RMK ANYTHING', around);
  expect(a.notRead).toEqual(['ZZTOP', 'WIBBLE2']);
  const b = readAviation('METAR XXXX 120650Z 24015KT 9999 SN SCT020', around);
  expect(b.now!.airC).toBe(-3);
  expect(b.taken).toEqual(['the air', 'the humidity']);
});

const TAF =
  'TAF XXXX 120500Z 1206/1312 24015KT 9999 SCT020 TX02/1213Z TNM07/1306Z BECMG 1210/1212 28025G40KT 3000 SN OVC010 TEMPO 1214/1218 1000 +SN';

test('a TAF: hour by hour, the later group and the worse of two, air between its highest and lowest', () => {
  const a = readAviation(TAF, around);
  const at = (day: number, hour: number) => a.hours.find((h) => h.timeMs === Date.UTC(2027, 0, day, hour))!;
  expect(a.hours[0].timeMs).toBe(Date.UTC(2027, 0, 12, 6));
  expect(a.hours[a.hours.length - 1].timeMs).toBeLessThanOrEqual(Date.UTC(2027, 0, 13, 12));
  expect(at(12, 7)).toMatchObject({ kind: 'none', precipitationMmH: 0 });
  expect(at(12, 11).wind).toBeCloseTo(knotsToMs(25), 9);
  expect(at(12, 12).precipitationMmH).toBe(1.5);
  expect(at(12, 15).precipitationMmH).toBe(4);
  expect(at(12, 19).precipitationMmH).toBe(1.5);
  expect(at(12, 13).airC).toBeCloseTo(2, 6);
  expect(Math.min(...a.hours.map((h) => h.airC))).toBeCloseTo(-7, 0);
  expect(a.now).toBeNull();
  expect(a.taken).toEqual(['the humidity']);
});

test('a TAF without its highest and lowest takes the air as it is, and says so', () => {
  const a = readAviation('TAF XXXX 120500Z 1206/1218 24015KT 9999 SCT020', around);
  expect(a.hours.every((h) => h.airC === -3)).toBe(true);
  expect(a.taken).toContain('the air, as it is now');
});

test('a clock ahead of UTC is reckoned with', () => {
  const a = readAviation('METAR XXXX 120650Z 24015KT CAVOK M06/M08 Q1008', { ...around, utcOffsetMin: 60 });
  expect(a.now!.timeMs).toBe(Date.UTC(2027, 0, 12, 7, 50));
});

test.each(['', 'hello', '   ', 'X'.repeat(MOST_REPORT + 1)])('%s is refused in a sentence', (text) => {
  expect(() => readAviation(text, around)).toThrow(/allowed/);
});
