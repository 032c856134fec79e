import type { AddressInfo } from 'node:net';
import { LAPSE_K_PER_M } from '@/core/outing/forecast';
import { MOST_OBSERVED_H, readStations, readStationWeather, stationWeatherJson } from '@/formats/stationJson';
import { RECORD } from '@/standins/weather/record';
import { weatherService } from '@/standins/weather/server';
import { FORECAST_HOURS, stationWeather, weatherOf } from '@/standins/weather/simulate';
import { SITES } from '@/standins/weather/stations';
import { httpSource } from '@/store/weather';

const AT = Date.UTC(2027, 0, 12, 7, 5);
const HOUR = 3600_000;

test('the same seed and moment give the same weather; another seed another', () => {
  expect(stationWeather('lang-tarn', AT, 12)).toEqual(stationWeather('lang-tarn', AT, 12));
  expect(stationWeather('lang-tarn', AT, 12).hours).not.toEqual(stationWeather('lang-tarn', AT, 13).hours);
});

test('ten days of hours, less sure the further off, and believable all winter', () => {
  const w = stationWeather('tarnholt-valley', AT, 12);
  expect(w.hours).toHaveLength(FORECAST_HOURS + 1);
  for (let i = 1; i < w.hours.length; i++) {
    expect(w.hours[i].timeMs - w.hours[i - 1].timeMs).toBe(HOUR);
    expect(w.spread[i].airK).toBeGreaterThanOrEqual(w.spread[i - 1].airK);
  }
  for (let d = 0; d < 120; d++) {
    const h = weatherOf('skarn-head', Date.UTC(2026, 10, 1) + d * 24 * HOUR + 9 * HOUR, 12);
    expect(h.airC).toBeGreaterThan(-25);
    expect(h.airC).toBeLessThan(15);
    expect(h.wind).toBeLessThan(35);
    expect(h.gust).toBeGreaterThanOrEqual(h.wind);
    expect(h.precipitationMmH === 0).toBe(h.kind === 'none');
  }
});

test('it is colder and windier up there, by the lapse rate in the mean', () => {
  const days = Array.from({ length: 200 }, (_, d) => Date.UTC(2026, 9, 1) + d * 24 * HOUR + 12 * HOUR);
  const mean = (id: string, of: 'airC' | 'wind') =>
    days.reduce((s, t) => s + weatherOf(id, t, 12)[of], 0) / days.length;
  const [low, , high] = SITES.map((s) => s.station);
  const fall = mean(low.id, 'airC') - mean(high.id, 'airC');
  expect(Math.abs(fall - LAPSE_K_PER_M * (high.eleM - low.eleM))).toBeLessThan(1.5);
  expect(mean(high.id, 'wind')).toBeGreaterThan(1.5 * mean(low.id, 'wind'));
});

test('what it says over HTTP is read back whole; what is not there or no time is refused', async () => {
  const service = weatherService().listen(0, '127.0.0.1');
  await new Promise((go) => service.once('listening', go));
  const base = `http://127.0.0.1:${(service.address() as AddressInfo).port}`;
  const get = async (path: string) => {
    const answer = await fetch(base + path);
    return { status: answer.status, body: (await answer.json()) as unknown };
  };
  try {
    expect(readStations((await get('/stations')).body).map((s) => s.id)).toEqual(SITES.map((s) => s.station.id));
    const said = await get('/stations/lang-tarn/weather?at=2027-01-12T07:05');
    expect(readStationWeather(said.body)).toEqual(stationWeather('lang-tarn', AT, 12));
    expect((await get('/stations/nowhere/weather')).status).toBe(404);
    expect((await get('/stations/lang-tarn/weather?at=soon')).status).toBe(400);
    expect((await fetch(`${base}/stations`, { method: 'POST' })).status).toBe(405);
  } finally {
    service.close();
  }
});

test.each([
  ['no hours', (s: Said) => ({ ...s, hours: [] })],
  ['air beyond belief', (s: Said) => ({ ...s, now: { ...s.now, airC: -80 } })],
  ['a field nobody knows', (s: Said) => ({ ...s, secret: 1 })],
  ['hours that do not rise', (s: Said) => ({ ...s, hours: [s.hours[1], s.hours[0]] })],
  ['a time that is none', (s: Said) => ({ ...s, issued: 'soon' })],
])('a service that says %s is refused whole', (_, spoil) => {
  const said = stationWeatherJson(stationWeather('lang-tarn', AT, 12));
  expect(() => readStationWeather(said)).not.toThrow();
  expect(() => readStationWeather(spoil(said))).toThrow(/allowed/);
});
type Said = ReturnType<typeof stationWeatherJson>;

describe('what was measured', () => {
  test('the valley measured what is on record, and the days between are as they were made up', () => {
    for (const [time, airC, windMs, falls] of RECORD) {
      const h = weatherOf('tarnholt-valley', Date.parse(`${time}Z`), 12);
      expect({ time, airC: h.airC, wind: h.wind, falls: h.precipitationMmH }).toEqual({
        time,
        airC: expect.closeTo(airC, 6),
        wind: expect.closeTo(windMs, 6),
        falls: expect.closeTo(falls, 6),
      });
    }
    // The other sites differ from the valley then as they always do.
    const [low, , high] = SITES.map((s) => s.station);
    const at = Date.parse(`${RECORD[10][0]}Z`);
    const fall = weatherOf(low.id, at, 12).airC - weatherOf(high.id, at, 12).airC;
    expect(Math.abs(fall - LAPSE_K_PER_M * (high.eleM - low.eleM))).toBeLessThan(4);
  });

  test('hour by hour, over HTTP and back; an hour too many and a wrong order are refused', async () => {
    const service = weatherService().listen(0, '127.0.0.1');
    await new Promise((go) => service.once('listening', go));
    const source = httpSource(`http://127.0.0.1:${(service.address() as AddressInfo).port}`);
    const from = Date.UTC(2026, 0, 10, 9, 20);
    try {
      const { hours } = await source.observed('lang-tarn', from, from + 2 * HOUR);
      expect(hours.map((h) => (h.timeMs - from) / HOUR + 1 / 3)).toEqual([0, 1, 2, 3].map((n) => expect.closeTo(n, 6)));
      expect(hours[1]).toEqual(weatherOf('lang-tarn', hours[1].timeMs, 12));
      expect((await source.observed('lang-tarn', from, from + MOST_OBSERVED_H * HOUR)).hours.length).toBeGreaterThan(
        MOST_OBSERVED_H,
      );
      await expect(source.observed('lang-tarn', from, from + MOST_OBSERVED_H * HOUR + 60_000)).rejects.toThrow('400');
      await expect(source.observed('lang-tarn', from, from - 60_000)).rejects.toThrow('400');
      await expect(source.observed('nowhere', from, from)).rejects.toThrow('404');
    } finally {
      service.close();
    }
  });
});
