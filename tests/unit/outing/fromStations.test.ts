import {
  forecastAtHeight,
  forecastStated,
  heightOf,
  windAtHeight,
  withStations,
  type StationHours,
} from '@/core/outing/fromStations';
import { LAPSE_K_PER_M, type ForecastHour } from '@/core/outing/forecast';
import { tourOuting } from '#tests/support/aPack';

const HOUR = 3600_000;
const START = tourOuting.startMs;
const hour = (i: number, over: Partial<ForecastHour> = {}): ForecastHour => ({
  timeMs: Math.floor(START / HOUR) * HOUR + i * HOUR,
  airC: -4,
  humidity: 0.8,
  wind: 4,
  gust: 6,
  fromDeg: 250,
  precipitationMmH: 0,
  kind: 'none',
  cloud: 0.5,
  ...over,
});
const hours = (over: Partial<ForecastHour> = {}, from = -30, to = 60) =>
  Array.from({ length: to - from + 1 }, (_, i) => hour(from + i, over));
const valley: StationHours = { name: 'Valley', eleM: 200, hours: hours() };
const head: StationHours = { name: 'Head', eleM: 900, hours: hours({ wind: 12, gust: 16, airC: -9 }) };

describe('wind between stations', () => {
  const at = [
    { eleM: 900, wind: 12 },
    { eleM: 200, wind: 4 },
  ];
  it('is theirs where they stand, on the line between, and held beyond', () => {
    expect(windAtHeight(at, 200)).toBe(4);
    expect(windAtHeight(at, 900)).toBe(12);
    expect(windAtHeight(at, 550)).toBeCloseTo(8, 12);
    expect(windAtHeight(at, 0)).toBe(4);
    expect(windAtHeight(at, 2000)).toBe(12);
    expect(windAtHeight([at[1]], 1500)).toBe(4);
  });
});

describe('a forecast at another height', () => {
  it('is colder by the lapse rate and windier by what the other stations say; gusts keep their share', () => {
    const [h] = forecastAtHeight(valley, [head], 550);
    expect(h.airC).toBeCloseTo(-4 - 350 * LAPSE_K_PER_M, 9);
    expect(h.wind).toBeCloseTo(8, 9);
    expect(h.gust / h.wind).toBeCloseTo(1.5, 9);
  });
  it('takes wind of the same hour only', () => {
    const late = { ...head, hours: head.hours.map((h) => ({ ...h, timeMs: h.timeMs + 1800_000 })) };
    expect(forecastAtHeight(valley, [late], 550)[0].wind).toBe(4);
  });
  it('rain in the valley is snow on the hill', () => {
    const rain = { ...valley, hours: hours({ airC: 2, precipitationMmH: 1, kind: 'rain', humidity: 0.95 }) };
    expect(forecastAtHeight(rain, [], 200)[0].kind).toBe('rain');
    expect(forecastAtHeight(rain, [], 900)[0].kind).toBe('dry snow');
  });
});

describe('an outing in the weather of the stations', () => {
  const seconds = 2 * 3600;
  it('has the hours about it, for the mean height of its route', () => {
    const o = withStations(tourOuting, valley, [head], seconds);
    const eleM = heightOf(tourOuting);
    expect(o.forecastEleM).toBe(eleM ?? 200);
    expect(o.forecast[0].timeMs).toBeLessThanOrEqual(START);
    expect(o.forecast[o.forecast.length - 1].timeMs).toBeGreaterThanOrEqual(START + seconds * 1000);
    expect(o.forecast.length).toBeLessThan(30);
  });
  it('legs by hand begin where the station stands', () => {
    const o = withStations({ ...tourOuting, profile: null }, valley, [], seconds);
    expect([o.forecastEleM, o.startEleM]).toEqual([200, 200]);
    expect(o.forecast[0].wind).toBe(4);
  });
  it('is refused where the forecast does not reach, with how far it does', () => {
    const short = { ...valley, hours: hours({}, -3, 1) };
    expect(() => withStations(tourOuting, short, [], seconds)).toThrow(/within the forecast of Valley/);
    const later = { ...valley, hours: hours({}, 3, 40) };
    expect(() => withStations(tourOuting, later, [], seconds)).toThrow(/within the forecast of Valley/);
    expect(() => withStations(tourOuting, { ...valley, hours: hours({}, -3, 3) }, [], seconds)).not.toThrow();
  });
});

describe('how it was brought there, in words', () => {
  it.each([
    [200, 'as there', 'as at Valley'],
    [100, 'by 6.5 K a kilometre', 'as at Valley'],
    [550, 'by 6.5 K a kilometre', 'between Valley and Head'],
    [1200, 'by 6.5 K a kilometre', 'as at Head'],
  ])('at %i m: air %s, wind %s', (eleM, air, wind) => {
    expect(forecastStated(valley, [head], eleM)).toEqual({ air, wind });
  });
});
