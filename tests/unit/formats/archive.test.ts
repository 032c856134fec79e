import { readFileSync } from 'node:fs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { buildDemoOutings, DEMO_PERSON } from '@/demo/scenario';
import { packArchive, routeFile, unpackArchive, type Archive, type Whole } from '@/formats/archive';
import { readForecastCsv } from '@/formats/forecastCsv';
import { describe as words, Refused } from '@/formats/problem';

const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const AT = '2026-11-26T08:00:00.123456Z';

/** The demo's outings and some pieces, as somebody would have them. */
function everything(): Whole {
  const outings = buildDemoOutings((name) => readFileSync(`src/demo/files/${name}`, 'utf8'), DEMO_PERSON);
  const garments = CATALOGUE.slice(0, 5).map((garment, i) => ({
    ...{ id: id(i), catalogueId: garment.id, dampGm2: i * 1.1, removedAt: i === 4 ? AT : null, createdAt: AT },
    garment: { ...garment, id: id(i) },
  }));
  const plan = { worn: [id(0), id(1)], carried: [id(4)], openings: {}, cues: [] };
  const weights = { caution: 1, fuss: 0.3, weight: 2 };
  const archive: Archive = {
    format: 'lofted-ember archive',
    version: 1,
    athlete: {
      name: 'Demo',
      units: 'imperial',
      person: DEMO_PERSON,
      wishes: { weights, maxCues: 3, waiting: 0, floorC: -21.5 },
    },
    garments,
    outings: outings.map(({ outing, route }, i) => ({
      ...{ id: id(100 + i), createdAt: AT, archivedAt: null, deletedAt: i === 1 ? AT : null, outing },
      route: route ? routeFile(id(100 + i), outing.name) : null,
      plans: i === 0 ? [{ id: id(200), name: 'Plan A', createdAt: AT, deletedAt: null, plan }] : [],
    })),
  };
  const routes = Object.fromEntries(outings.flatMap(({ route }, i) => (route ? [[id(100 + i), route]] : [])));
  return { archive, routes };
}

function refusal(bytes: Uint8Array): string {
  try {
    unpackArchive(bytes, 'all.zip');
  } catch (e) {
    if (e instanceof Refused) return e.problems.map(words).join('\n');
    throw e;
  }
  throw new Error('it was taken');
}

/** The archive with `archive.json` changed. */
function changed(how: (a: Archive) => unknown): Uint8Array {
  const files = unzipSync(packArchive(everything()));
  const main = JSON.parse(new TextDecoder().decode(files['archive.json'])) as Archive;
  const other = how(main) ?? main;
  return zipSync({ ...files, 'archive.json': strToU8(JSON.stringify(other)) });
}

test('everything goes out and comes in again as it was, to the last bit, with every point of every route', () => {
  const all = everything();
  const zip = packArchive(all);
  const back = unpackArchive(zip, 'all.zip');
  expect(back.archive).toEqual(JSON.parse(JSON.stringify(all.archive)));
  expect(back.routes).toEqual(all.routes);
  expect(Buffer.from(packArchive(back)).equals(Buffer.from(zip))).toBe(true);
});

test('the forecasts in it are CSV that is read, by ours and by other programs', () => {
  const all = everything();
  const files = unzipSync(packArchive(all));
  const csv = Object.keys(files).filter((f) => f.endsWith('.csv'));
  expect(csv).toHaveLength(all.archive.outings.length);
  const hours = readForecastCsv(new TextDecoder().decode(files[csv[0]]), csv[0]);
  const { forecast } = all.archive.outings[0].outing;
  expect(hours.map((h) => h.timeMs)).toEqual(forecast.map((h) => h.timeMs));
  hours.forEach((h, i) => expect(Math.abs(h.humidity - forecast[i].humidity)).toBeLessThan(1e-9));
});

test.each([
  ['no zip', strToU8('hello'), 'no zip, or a broken one'],
  ['half an archive', packArchive(everything()).slice(0, 5000), 'no zip, or a broken one'],
  ['a zip of something else', zipSync({ 'a.txt': strToU8('a') }), 'archive.json is missing'],
  ['another version', changed((a) => ({ ...a, version: 2 })), 'version is 2; allowed: 1'],
  ['an unknown field', changed((a) => ({ ...a, more: 1 })), 'more is unknown field'],
  ['a wrong number', changed((a) => void (a.garments[0].dampGm2 = -1)), 'garments.0.dampGm2 is -1; allowed: 0 to 2000'],
  ['a time that is none', changed((a) => void (a.outings[0].createdAt = 'noon')), 'outings.0.createdAt is noon'],
  ['an id twice', changed((a) => void (a.garments[1].id = a.garments[0].id)), 'allowed: each id once'],
  ['a plan of strange pieces', changed((a) => void a.outings[0].plans[0].plan.worn.push(id(9))), 'in the archive'],
  [
    'a cue of a strange piece',
    changed((a) => void a.outings[0].plans[0].plan.cues.push({ atS: 9, actions: [{ do: 'putOn', garment: id(9) }] })),
    'in the archive',
  ],
  [
    'a pulse at rest above the highest',
    changed((a) => void (a.athlete.person.restBpm = a.athlete.person.maxBpm)),
    'archive.json',
  ],
  [
    'an hour twice',
    changed((a) => void (a.outings[0].outing.forecast[1].timeMs = a.outings[0].outing.forecast[0].timeMs)),
    'rising times',
  ],
  ['a heater without its hours', changed((a) => void (a.garments[0].garment.heatW = 5)), 'heatHours'],
  ['a route that is not there', changed((a) => void (a.outings[0].route = 'routes/x.gpx')), 'routes/x.gpx'],
])('%s is refused whole, with the reason', (_, bytes, says) => {
  expect(refusal(bytes)).toContain(says);
});

test('what is small packed and large unpacked is refused before it is unpacked', () => {
  // What the directory at the end says of the size (APPNOTE.TXT 4.3.12: signature, and 24 bytes on the size unpacked).
  const saying = (size: number) => {
    const zip = Buffer.from(zipSync({ 'archive.json': strToU8('{}') }));
    zip.writeUInt32LE(size, zip.indexOf(Buffer.from([0x50, 0x4b, 1, 2])) + 24);
    return new Uint8Array(zip);
  };
  expect(refusal(saying(400 * 1024 * 1024 + 1))).toContain('size unpacked is too large; allowed: at most 400 MB');
  expect(refusal(saying(2))).toContain('format is missing');
});
