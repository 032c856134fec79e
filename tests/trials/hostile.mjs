// What a hostile or broken program might send: numbers, texts, shapes and whole requests. The same for the same seed.

/** A small generator of chance (mulberry32), so that a fault can be sent again. */
export function chance(seed) {
  let s = seed >>> 0;
  const next = () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = Math.imul(s ^ (s >>> 15), s | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  return { next, pick: (list) => list[Math.floor(next() * list.length)], whole: (n) => Math.floor(next() * n) };
}

const NUMBERS = [
  0,
  -0,
  -1,
  1.5,
  1e-320,
  1e308,
  -1e308,
  2 ** 31,
  2 ** 31 - 1,
  2 ** 53,
  -(2 ** 63),
  4e12,
  8.64e15,
  9e15,
  0.1 + 0.2,
];
const TEXTS = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\udfff x',
  '💧'.repeat(70),
  'x'.repeat(121),
  'x'.repeat(100_000),
  '<script>alert(1)</script>',
  "'; drop table athlete; --",
  '${7*7}{{7*7}}',
  '../../../../etc/passwd',
  '%00%2e%2e',
  '__proto__',
  'constructor',
  '\u202egnp.exe',
  'NaN',
  'Infinity',
  'null',
  '2027-02-30T08:00:00Z',
  '00000000-0000-4000-8000-000000000000',
];
const deep = (n, inner) => '['.repeat(n) + inner + ']'.repeat(n);
const RAW = [
  '',
  '{',
  '{"a":',
  '[]',
  'null',
  '"text"',
  '1e999',
  '{"name":"\\ud800"}',
  '\ufeff{}',
  '{"__proto__":{"a":1}}',
  '{"constructor":{"prototype":{"a":1}}}',
  deep(100_000, ''),
  `{"a":${deep(5000, '1')}}`,
  '{"a":1,"a":2}',
  '\u0000\u0001\u0002',
  '{'.repeat(50_000),
];
const odd = (c) => c.pick([null, true, [], {}, c.pick(NUMBERS), c.pick(TEXTS), [[[]]], { a: { b: c.pick(TEXTS) } }]);

/** A copy of a value with one thing wrong, somewhere in it. */
export function mutated(value, c) {
  if (typeof value !== 'object' || value === null || c.next() < 0.08) return odd(c);
  const copy = Array.isArray(value) ? [...value] : { ...value };
  const keys = Object.keys(copy);
  const roll = c.next();
  if (keys.length === 0 || roll < 0.1) {
    if (Array.isArray(copy)) copy.push(odd(c));
    else
      Object.defineProperty(copy, c.pick(['extra', '__proto__', 'constructor', 'version', ...TEXTS.slice(0, 6)]), {
        value: odd(c),
        enumerable: true,
        configurable: true,
        writable: true,
      });
    return copy;
  }
  const key = c.pick(keys);
  if (roll < 0.2) {
    if (Array.isArray(copy)) copy.splice(Number(key), 1);
    else delete copy[key];
  } else if (roll < 0.25 && Array.isArray(copy)) for (let i = 0; i < 1000; i++) copy.push(copy[0]);
  else copy[key] = mutated(copy[key], c);
  return copy;
}

/** A body for a request, in JSON or not quite. */
export function hostileBody(valid, c) {
  const roll = c.next();
  if (roll < 0.12) return c.pick(RAW);
  if (roll < 0.2) return JSON.stringify(odd(c));
  if (roll < 0.28) return JSON.stringify(valid);
  let value = mutated(valid, c);
  if (c.next() < 0.3) value = mutated(value, c);
  return JSON.stringify(value) ?? '';
}

/** An id in a path. */
export const hostileId = (ids, c) =>
  c.next() < 0.7
    ? c.pick(ids)
    : c.pick([
        'x',
        '%00',
        '%E0%A4%A',
        '..%2f..',
        '00000000-0000-4000-8000-000000000000',
        'x'.repeat(5000),
        '[id]',
        '💧',
        "'",
      ]);

/** Headers that do not belong to an honest request; most have none of them. */
export function hostileHeaders(c, key) {
  const headers = { 'content-type': 'application/json' };
  if (c.next() < 0.12)
    headers['content-type'] = c.pick([
      'text/plain',
      'application/json; charset=utf-16',
      'multipart/form-data',
      'multipart/form-data; boundary=x',
      'application/xml',
      '',
    ]);
  if (c.next() < 0.08) headers.origin = c.pick(['null', 'http://evil.example', 'file://', 'http://', 'x'.repeat(5000)]);
  if (c.next() < 0.05) headers['sec-fetch-site'] = c.pick(['cross-site', 'same-site', 'none', 'x']);
  if (c.next() < 0.2) headers['idempotency-key'] = c.pick([key, key, 'x', '', '00000000-0000-4000-8000-00000000000g']);
  if (c.next() < 0.03) headers.host = c.pick(['evil.example', '', 'localhost:1', '127.0.0.1.evil.example']);
  if (c.next() < 0.03) headers['content-encoding'] = 'gzip';
  return headers;
}
