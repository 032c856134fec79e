import { readFileSync, readdirSync } from 'node:fs';
import { MAX_GPX_BYTES, readGpx } from '@/formats/gpx';
import { describe as words, Refused } from '@/formats/problem';

const point = (lat: number | string, lon: number | string, inner = '') =>
  `<trkpt lat="${lat}" lon="${lon}">${inner}</trkpt>`;
const track = (...points: string[]) =>
  `<?xml version="1.0"?>\n<gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1">\n<trk><name>Beck</name><trkseg>\n${points.join('\n')}\n</trkseg></trk></gpx>`;

function refusal(text: string): string {
  try {
    readGpx(text, 'walk.gpx');
  } catch (e) {
    if (e instanceof Refused) return e.problems.map(words).join('\n');
    throw e;
  }
  throw new Error('it was taken');
}

test('a track with elevation and time', () => {
  const r = readGpx(
    track(
      point(54.1, -3.2, '<ele>210.5</ele><time>2027-01-16T08:10:00Z</time>'),
      point(54.11, -3.2, '<ele>260</ele><time>2027-01-16T08:20:00Z</time>'),
    ),
    'walk.gpx',
  );
  expect(r.name).toBe('Beck');
  expect(r.points).toHaveLength(2);
  expect(r.points[0]).toEqual({ lat: 54.1, lon: -3.2, eleM: 210.5, timeMs: Date.UTC(2027, 0, 16, 8, 10) });
});

test('missing elevation and time are taken as unknown, not as zero', () => {
  expect(readGpx(track(point(1, 2), point(1.01, 2)), 'x').points[0]).toEqual({
    lat: 1,
    lon: 2,
    eleM: null,
    timeMs: null,
  });
});

test('segments are joined; a route counts when there is no track; namespaced tags work', () => {
  const two = `<gpx><trk><trkseg>${point(1, 1)}</trkseg><trkseg>${point(1.1, 1)}</trkseg></trk></gpx>`;
  expect(readGpx(two, 'x').points).toHaveLength(2);
  const route =
    '<gpx><metadata><name>Round</name></metadata><rte><rtept lat="1" lon="1"/><rtept lat="1.1" lon="1"/></rte></gpx>';
  expect(readGpx(route, 'x')).toMatchObject({ name: 'Round', points: [{ lat: 1 }, { lat: 1.1 }] });
  const prefixed =
    '<g:gpx xmlns:g="x"><g:trk><g:trkseg><g:trkpt lat="1" lon="1"/><g:trkpt lat="2" lon="1"/></g:trkseg></g:trk></g:gpx>';
  expect(readGpx(prefixed, 'x').points).toHaveLength(2);
});

test('a track of one point in one segment is a list of one, not a loose object', () => {
  expect(refusal(track(point(1, 1)))).toBe('walk.gpx: points is 1; allowed: at least 2 track or route points');
});

test.each([
  [
    'a latitude of 95',
    track(point(54, 1), point(95, 1)),
    'walk.gpx, line 5: latitude of point 2 is 95; allowed: -90 to 90 °',
  ],
  ['a longitude that is no number', track(point(54, 'east'), point(54, 1)), 'line 4: longitude of point 1 is east'],
  ['a missing latitude', track('<trkpt lon="1"/>', point(54, 1)), 'latitude of point 1 is missing'],
  [
    'a summit above Everest',
    track(point(54, 1, '<ele>9999</ele>'), point(54, 1)),
    'elevation of point 1 is 9999; allowed: -430 to 8850 m',
  ],
  [
    'a time nobody can read',
    track(point(54, 1, '<time>yesterday</time>'), point(54, 1)),
    'time of point 1 is yesterday',
  ],
  ['an empty file', '  \n', 'content is empty; allowed: a GPX track or route'],
  ['another kind of XML', '<kml></kml>', 'root element is kml; allowed: <gpx>'],
  ['a track without points', '<gpx></gpx>', 'points is 0; allowed: at least 2'],
  ['broken XML', '<gpx><trk></gpx>', 'a whole GPX 1.1 file'],
  ['JSON', '{"a": 1}', 'allowed: '],
])('%s is refused with place, value and what is allowed', (_, text, says) => {
  expect(refusal(text)).toContain(says);
});

test('entity bombs and document types are refused before anything is parsed', () => {
  const bomb = '<?xml version="1.0"?>\n<!DOCTYPE lolz [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;">]>\n<gpx>&b;</gpx>';
  expect(refusal(bomb)).toContain('line 2: document type is <!DOCTYPE');
  expect(refusal('<gpx><!ENTITY x SYSTEM "file:///etc/passwd"></gpx>')).toContain('without DOCTYPE or entities');
});

test('what no device writes is refused where it begins, and what one might write is read', () => {
  const attributes = (n: number) =>
    track(point(1, 1), `<trkpt lat="2" lon="1" ${Array.from({ length: n }, (_, i) => `a${i}="x"`).join(' ')}/>`);
  expect(readGpx(attributes(38), 'x').points).toHaveLength(2);
  expect(refusal(attributes(39))).toContain('line 5: attribute a38 is number 41 of one element; allowed: at most 40');
  const deep = (n: number) => track(point(1, 1), point(2, 1, '<x>'.repeat(n) + '</x>'.repeat(n)));
  expect(readGpx(deep(20), 'x').points).toHaveLength(2);
  expect(refusal(deep(21))).toContain('element x is 25 levels deep; allowed: at most 24');
  // Extensions have elements of the same names in them.
  const nested = point(2, 1, '<ele>5</ele><extensions><ele>99999</ele><time>never</time></extensions>');
  expect(readGpx(track(point(1, 1), nested), 'x').points[1].eleM).toBe(5);
  expect(refusal(track(point(1, 1), point(2, 1, '<time>2097-01-01T00:00:00Z</time>')))).toContain('1970 to 2096');
  expect(refusal('<gpx><trk><name>a&nbsp;b</name></trk></gpx>')).toContain('without DOCTYPE or entities');
  expect(readGpx(`\uFEFF${track(point(1, 1), point(2, 1))}`, 'x').points).toHaveLength(2);
});

test('200,000 points are read, one more is refused', () => {
  const many = (n: number) => track('<trkpt lat="1" lon="1"/>\n'.repeat(n));
  expect(readGpx(many(200_000), 'x').points).toHaveLength(200_000);
  expect(refusal(many(200_001))).toContain('points is over 200000');
});

test('a 50 MB file is refused by its size', () => {
  expect(refusal('x'.repeat(MAX_GPX_BYTES + 1))).toContain('size is 16 MB; allowed: at most 16 MB');
});

test('HTML in a name stays text', () => {
  const text = track(point(1, 1), point(1.1, 1)).replace('Beck', '&lt;b&gt;Beck&lt;/b&gt;');
  expect(readGpx(text, 'x').name).toContain('<b>Beck</b>');
  expect(
    readGpx(track(point(1, 1), point(1.1, 1)).replace('Beck', '<![CDATA[<script>alert(1)</script>]]>'), 'x').name,
  ).toBe('<script>alert(1)</script>');
});

test('references in a name are read, also those that a device wrote twice', () => {
  const named = (name: string) => readGpx(track(point(1, 1), point(1.1, 1)).replace('Beck', name), 'x').name;
  expect(named('Beck &amp; Tarn')).toContain('Beck & Tarn');
  expect(named('Beck &amp;amp; Tarn')).toContain('Beck & Tarn');
  expect(named('B&#233;ck')).toContain('Béck');
});

test.each(readdirSync('src/demo/files').filter((f) => f.endsWith('.gpx')))('the shipped route %s reads', (f) => {
  const r = readGpx(readFileSync(`src/demo/files/${f}`, 'utf8'), f);
  expect(r.points.length).toBeGreaterThan(100);
  expect(r.points.every((p) => p.eleM !== null)).toBe(true);
});
