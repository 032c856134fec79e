import { LOOPBACK, refusalOf } from '@/app/gate';

const HOSTS = [...LOOPBACK, 'fell.example'];
const ask = (method: string, path: string, headers: Record<string, string>) =>
  refusalOf(method, path, new Headers({ host: '127.0.0.1:3000', ...headers }), HOSTS)?.status ?? 'let in';

test('only names of this application are answered: another name that leads here is a page of somebody else', () => {
  for (const host of ['localhost:3000', '127.0.0.1', '[::1]:3000', 'LOCALHOST:1', 'fell.example'])
    expect(ask('GET', '/', { host })).toBe('let in');
  for (const host of ['evil.example', 'localhost.evil.example', '127.0.0.1.evil.example:3000', '', '[::2]:3000'])
    expect(ask('GET', '/', { host })).toBe(421);
});

test('a page of another site may open ours by a link, and nothing else', () => {
  const elsewhere = { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' };
  expect(ask('GET', '/closet', elsewhere)).toBe('let in');
  expect(ask('GET', '/api/archive', elsewhere)).toBe(403);
  expect(ask('POST', '/closet', elsewhere)).toBe(403);
  expect(ask('GET', '/closet', { ...elsewhere, 'sec-fetch-mode': 'no-cors' })).toBe(403);
  expect(ask('GET', '/api/archive', { 'sec-fetch-site': 'same-site' })).toBe(403);
  for (const site of ['same-origin', 'none'])
    expect(ask('PUT', '/api/athlete', { 'sec-fetch-site': site })).toBe('let in');
});

test('an origin that is not ours is refused, readable or not; a program without one is let in', () => {
  expect(ask('PUT', '/api/athlete', { origin: 'http://127.0.0.1:3000' })).toBe('let in');
  expect(ask('PUT', '/api/athlete', {})).toBe('let in');
  for (const origin of ['null', 'http://evil.example', 'http://127.0.0.1:3001', 'file://', 'x', ''])
    expect(ask('PUT', '/api/athlete', { origin })).toBe(403);
});

test('methods nobody offers are refused by name', () => {
  expect(ask('PROPFIND', '/', {})).toBe(405);
  expect(ask('HEAD', '/', {})).toBe('let in');
});
