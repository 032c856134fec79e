import fc from 'fast-check';
import { DOOR_SPORTS, type DoorDay } from '@/core/outing/doorDay';
import { mphToKmh } from '@/core/quantity/units';
import { momentIn } from '@/formats/moments';
import { DOOR_KEYS, MOST_LETTERS, readLine, type DoorKey, type Unsaid } from '@/formats/spokenLine';
import { lineOf, rewriteLine, wordsOf } from '@/formats/spokenWrite';
import { aDoorDay } from '#tests/support/door';

const NOW = Date.UTC(2027, 0, 12, 7, 5);
const unsaid = (units: Unsaid['units'] = 'metric'): Unsaid => ({
  day: aDoorDay({ airC: -3 }),
  nowMs: NOW,
  units,
  moments: momentIn,
});
const read = (line: string, units: Unsaid['units'] = 'metric') => readLine(line, unsaid(units));
const kmh = (d: DoorDay) => Math.round(d.windMs * 36) / 10;

test('a line without an air reads as it is where none is known either, whatever it says of snow or rain', () => {
  const nothing = { ...unsaid(), day: { ...aDoorDay(), airC: NaN } };
  for (const falls of ['dry', 'snow', 'rain', 'sleet', 'wet snow', 'drizzle']) {
    const { day, notes } = readLine(`hike 4 h easy wind 30 ${falls}`, nothing);
    expect([day.airC, notes]).toEqual([NaN, []]);
  }
});

test('the line of the front door: everything said is understood, the rest is told to be a guess', () => {
  const s = read('run 50 min steady −6 wind 15 dry, traffic stops');
  expect(s.day).toMatchObject({
    sport: 'run',
    minutes: 50,
    exertion: 5,
    airC: -6,
    falls: { kind: 'none', mmH: 0 },
    stops: [{ kind: 'lights', times: 3, minutes: 1 }],
  });
  expect(kmh(s.day)).toBe(15);
  expect(s.said.map((x) => s.text.slice(x.from, x.to))).toEqual([
    'run',
    '50 min',
    'steady',
    '−6',
    'wind 15',
    'dry',
    'traffic stops',
  ]);
  expect(s.guessed).toEqual(['sky', 'shelter', 'startMs', 'packKg']);
  expect([s.notUnderstood, s.refused, s.notes]).toEqual([[], [], []]);
});

test('any order, with the units that are named', () => {
  const s = read('ski tour 3h, -12c, 25 km/h on the ridge, lunch stop 20 min, wet snow from noon');
  expect(s.day).toMatchObject({ sport: 'ski tour', minutes: 180, airC: -12, shelter: 'ridge' });
  expect(s.day.stops).toEqual([{ kind: 'lunch', times: 1, minutes: 20 }]);
  expect(s.day.falls.fromMs).toBe(Date.UTC(2027, 0, 12, 12));
  expect(s.notes).toEqual(['wet snow does not fall in such air: dry snow is assumed']);
  const ride = read('ride 90min easy 20F 12mph');
  expect(ride.day.airC).toBeCloseTo(-6.67, 2);
  expect(kmh(ride.day)).toBeCloseTo(mphToKmh(12), 1);
});

test.each([
  ['hike 4h30', { minutes: 270 }],
  ['hike 1:30 h', { minutes: 90 }],
  ['run half an hour', { minutes: 30 }],
  ['run an hour and a half', { minutes: 90 }],
  ['run 1.5 h', { minutes: 90 }],
  ['run 3h 20 km/h', { minutes: 180 }],
  ['run effort 6.5', { exertion: 6.5 }],
  ['run 7 of 10', { exertion: 7 }],
  ['run race', { exertion: 8.5 }],
  ['skate', { sport: 'skate ski' }],
  ['track ski', { sport: 'classic ski' }],
  ['biking', { sport: 'cycle' }],
  ['run minus 11', { airC: -11 }],
  ['run +3', { airC: 3 }],
  ['run 0 degrees', { airC: 0 }],
  ['run freezing', { airC: 0 }],
  ['hike pack 8 kg', { packKg: 8 }],
  ['hike no pack', { packKg: 0 }],
  ['run overcast in the forest', { sky: 'overcast', shelter: 'forest' }],
  ['run 3 x 5 min photo stop', { stops: [{ kind: 'wait', times: 3, minutes: 5 }] }],
  ['run 10 min start pen', { stops: [{ kind: 'start', times: 1, minutes: 10 }] }],
  ['run no stops', { stops: [] }],
  ['run heavy rain +4', { falls: { kind: 'rain', mmH: 5 } }],
  ['run snow 3 mm', { falls: { kind: 'dry snow', mmH: 3 } }],
] as const)('“%s”', (line, part) => {
  const s = read(line);
  expect(s.day).toMatchObject(part);
  expect(s.notUnderstood).toEqual([]);
});

test.each([
  ['tomorrow 7:30', Date.UTC(2027, 0, 13, 7, 30)],
  ['saturday 10:30', Date.UTC(2027, 0, 16, 10, 30)],
  ['at 18:00', Date.UTC(2027, 0, 12, 18)],
  // A time of day that has just gone by is tomorrow's.
  ['at 6am', Date.UTC(2027, 0, 13, 6)],
])('“run %s” begins then', (words, ms) => {
  expect(read(`run 40 min ${words}`).day.startMs).toBe(ms);
});

test('what falls at noon falls on the day one goes', () => {
  const s = read('hike 3h saturday 9:00, wet snow from noon until 14:00, +1');
  expect(s.day.falls).toMatchObject({ fromMs: Date.UTC(2027, 0, 16, 12), untilMs: Date.UTC(2027, 0, 16, 14) });
});

test('a unit nobody named is the athlete’s, and said to be taken', () => {
  const s = read('run −6 wind 15', 'imperial');
  expect(s.day.airC).toBeCloseTo(-21.1, 1);
  expect(kmh(s.day)).toBeCloseTo(24.1, 1);
  expect(s.said.map((x) => x.taken)).toEqual([undefined, '°F', 'mph']);
});

test('what was not said is as usual for the sport', () => {
  expect(read('ski tour').day).toMatchObject({ minutes: 180, packKg: 6, shelter: 'open' });
  expect(read('run').day).toMatchObject({ minutes: 50, shelter: 'street' });
});

test('what is not understood is named with the nearest that is; the rest counts', () => {
  const s = read('rnu 1h hrad 7 −6');
  expect(s.day.minutes).toBe(60);
  expect(s.notUnderstood.map((n) => [n.text, n.nearest.slice(0, 1)])).toEqual([
    ['rnu', ['run']],
    ['hrad', ['hard']],
    ['7', ['7 min']],
  ]);
});

test('the only number left is the air where how long is said and the air is not, and is said to be taken for it', () => {
  const s = read('cycle 60 min steady 2 wind 20 rain');
  expect([s.day.airC, s.said.find((x) => x.key === 'airC')?.taken, s.notUnderstood]).toEqual([2, '°C', []]);
  expect(read('hike 5 h 34 dry', 'imperial').day.airC).toBeCloseTo(1.1, 1);
  // Two of them, one beside an air that is said, and one that may be minutes, stay what nobody understands.
  for (const line of ['run 1h 5 7', 'run 1h 5 −6', 'run 50'])
    expect(read(line).notUnderstood.map((n) => n.text)).toEqual(line.match(/(?<= )\d(?= |$)|50/g));
  expect(read('run 1h 26').refused).toMatchObject([{ field: 'Air', value: '26 °C' }]);
  expect(read('run 1h 26').guessed).toContain('airC');
  expect(read('run 1h 25').refused).toEqual([]);
});

test('a second time of the same thing is no silent choice', () => {
  const s = read('run 50 min −6 −9');
  expect(s.day.airC).toBe(-6);
  expect(s.notUnderstood.map((n) => n.text)).toEqual(['−9']);
});

test.each([
  ['run −80', 'Air', '−80 °C', '−50 to 25 °C'],
  ['run −51', 'Air', '−51 °C', '−50 to 25 °C'],
  ['run 26c', 'Air', '26 °C', '−50 to 25 °C'],
  ['run wind 500', 'Wind', '500 km/h', '0 to 108 km/h'],
  ['run 200 mph', 'Wind', '200 mph', '0 to 67.1 mph'],
  ['run 4 min', 'Minutes', '4 min', '5 to 1440 min'],
  ['run 25 h', 'Minutes', '1500 min', '5 to 1440 min'],
  ['run effort 11', 'How hard', '11 of 10', '1 to 10 of 10'],
])('“%s” is refused by field, value and what is allowed, and the guess stands', (line, field, value, allowed) => {
  const s = read(line);
  expect(s.refused).toMatchObject([{ field, value, allowed }]);
  expect(s.guessed).toContain(s.refused[0].key);
});

test.each(['run −50', 'run 25c', 'run wind 108', 'run 5 min', 'run 24 h', 'run effort 1', 'run effort 10'])(
  '“%s” is still taken',
  (line) => expect(read(line).refused).toEqual([]),
);

test('whatever is typed is read without a fault, within its length', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 400, unit: 'grapheme' }), (line) => {
      const s = read(line);
      expect(s.text.length).toBeLessThanOrEqual(MOST_LETTERS);
      for (const x of [...s.said, ...s.notUnderstood]) expect(x.from).toBeLessThan(x.to);
    }),
    { numRuns: 300 },
  );
});

const anyDay: fc.Arbitrary<DoorDay> = fc.record({
  sport: fc.constantFrom(...DOOR_SPORTS),
  minutes: fc.integer({ min: 5, max: 600 }),
  exertion: fc.integer({ min: 2, max: 20 }).map((n) => n / 2),
  airC: fc.integer({ min: -40, max: 20 }),
  windMs: fc.integer({ min: 0, max: 90 }).map((k) => k / 3.6),
  falls: fc.constantFrom<DoorDay['falls']>({ kind: 'none', mmH: 0 }, { kind: 'dry snow', mmH: 1.5 }),
  sky: fc.constantFrom('clear', 'some cloud', 'overcast'),
  shelter: fc.constantFrom('open', 'forest', 'street', 'ridge'),
  stops: fc.constantFrom<DoorDay['stops']>(
    [],
    [{ kind: 'lights', times: 4, minutes: 1 }],
    [
      { kind: 'lunch', times: 1, minutes: 25 },
      { kind: 'hut', times: 2, minutes: 30 },
    ],
  ),
  startMs: fc.integer({ min: 0, max: 200 }).map((h) => Date.UTC(2027, 0, 13) + h * 1800_000),
  packKg: fc.integer({ min: 0, max: 20 }),
});

test('a dial writes the line anew, and the line then says what the dial does: in both units, whatever stood there', () => {
  const same = (key: DoorKey, a: DoorDay, b: DoorDay, units: Unsaid['units']) => {
    if (key === 'airC') return Math.abs(a.airC - b.airC) <= (units === 'imperial' ? 0.3 : 1e-9);
    if (key === 'windMs') return Math.abs(a.windMs - b.windMs) <= (units === 'imperial' ? 0.23 : 1e-9);
    // Only a warm air makes other snow of it.
    if (key === 'falls') return a.falls.mmH === b.falls.mmH;
    if (key === 'stops') return JSON.stringify(sorted(a.stops)) === JSON.stringify(sorted(b.stops));
    return JSON.stringify(a[key]) === JSON.stringify(b[key]);
  };
  const sorted = (s: DoorDay['stops']) => s.map((x) => `${x.kind} ${x.times} x ${x.minutes}`).sort();
  fc.assert(
    fc.property(
      anyDay,
      anyDay,
      fc.constantFrom(...DOOR_KEYS),
      fc.constantFrom('metric', 'imperial'),
      (had, now, key, units) => {
        const before = read(lineOf(had, units), units);
        const after = rewriteLine(before, key, { ...before.day, [key]: now[key] }, unsaid(units));
        expect(after.notUnderstood).toEqual([]);
        expect({ key, text: after.text, same: same(key, after.day, now, units) }).toMatchObject({ same: true });
      },
    ),
    { numRuns: 150 },
  );
});

test('only the words of that thing change', () => {
  const s = read('run 50 min steady −6 wind 15 dry, traffic stops');
  const next = rewriteLine(s, 'windMs', { ...s.day, windMs: 25 / 3.6 }, unsaid());
  expect(next.text).toBe('run 50 min steady −6 wind 25 dry, traffic stops');
  expect(wordsOf('exertion', aDoorDay({ exertion: 5 }), 'metric')).toBe('steady');
  expect(wordsOf('exertion', aDoorDay({ exertion: 5.5 }), 'metric')).toBe('effort 5.5');
});
