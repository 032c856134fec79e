import { withReport } from '@/features/front/state/dayNow';
import { readPasted } from '@/formats/pasted';
import { Refused } from '@/formats/problem';

const NOW = Date.UTC(2027, 0, 13, 8, 5);
const around = { nowMs: NOW, utcOffsetMin: 60, airC: -3, humidity: 0.7 };
const csv = (first: string, second: string) =>
  `time,temperature_c,humidity_pct,wind_ms\n${first},-7,80,4\n${second},-6,78,5`;
const why = (text: string): string => {
  try {
    readPasted(text, around);
    return 'taken';
  } catch (e) {
    if (e instanceof Refused) return e.message;
    throw e;
  }
};

it('a forecast as CSV is read hour by hour, and stands in the place of the station', () => {
  const p = readPasted(csv('2027-01-13T08:00', '2027-01-13T09:00'), around);
  expect(p).toMatchObject({ kind: 'forecast', now: null });
  const heard = withReport(null, p, NOW)!;
  expect(heard.weather.station.name).toBe('your forecast');
  expect(heard.weather.now).toMatchObject({ airC: -7, wind: 4 });
  expect(heard.weather.hours).toHaveLength(2);
});
it('semicolons and a mark of byte order are no hindrance', () => {
  const text = '\uFEFFtime;temperature_c;humidity_pct;wind_ms\n2027-01-13T08:00;-7,5;80;4\n2027-01-13T09:00;-6;80;4';
  expect(readPasted(text, around).hours[0].airC).toBe(-7.5);
});
it('one that is over is refused with its last hour, and one that ends within this hour is not', () => {
  expect(why(csv('2027-01-13T06:00', '2027-01-13T07:04'))).toMatch(
    /last hour is 2027-01-13 07:04; allowed: hours from now/,
  );
  expect(why(csv('2027-01-13T06:00', '2027-01-13T07:05'))).toBe('taken');
});
it('a wrong hour is named with its line, as in a file', () => {
  expect(why('time,temperature_c,humidity_pct,wind_ms\n2027-01-13T08:00,-400,80,4')).toMatch(/line 2/);
});
it('all else is read as a report of the aviation codes', () => {
  expect(readPasted('METAR XXXX 130650Z 24015KT 9999 OVC012 M06/M08 Q1008', around).kind).toBe('METAR');
  expect(why('timely greetings')).not.toBe('taken');
});
