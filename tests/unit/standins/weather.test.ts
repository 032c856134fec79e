import type { AddressInfo } from 'node:net';
import { LAPSE_K_PER_M } from '@/core/outing/forecast';
import { readStations, readStationWeather, stationWeatherJson } from '@/formats/stationJson';
import { weatherService } from '@/standins/weather/server';
import { FORECAST_HOURS, stationWeather, weatherOf } from '@/standins/weather/simulate';
import { SITES } from '@/standins/weather/stations';

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
