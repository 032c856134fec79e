import { readFileSync, readdirSync } from 'node:fs';
import { readPlanCase, readSimulateCase } from '@/formats/caseFile';
import { describe as words, Refused, shown } from '@/formats/problem';
import { planReport, report } from '@/formats/report';
import { PUBLISHED } from '@/formats/published';
import { MAX_JSON, parseJson, validated } from '@/formats/validate';
import { timelineOf } from '@/core/outing/outing';
import { scorePlan } from '@/core/judge/scorePlan';
import { ZONES } from '@/core/body/zones';

const leg = (over: object = {}) => ({
  minutes: 20,
  sport: 'hike',
  metabolicW: 400,
  airC: -5,
  humidity: 0.7,
  wind: { ms: 2, at: 'body' },
  worn: ['thin-merino-base'],
  ...over,
});
const file = (over: object = {}) => ({ garments: ['thin-merino-base', 'wind-shell'], legs: [leg()], ...over });

function refusal(value: unknown, read = readSimulateCase): string {
  try {
    read(value, 'day.json');
  } catch (e) {
    if (e instanceof Refused) return e.problems.map(words).join('\n');
    throw e;
  }
  throw new Error('it was taken');
}

test('legs become one clock; what changes between them becomes cues; what goes on later is carried', () => {
  const c = readSimulateCase(
    file({
      legs: [
        leg(),
        leg({ worn: ['thin-merino-base', 'wind-shell'], openings: { 'wind-shell': { zip: 0.5 } } }),
        leg({ worn: undefined, openings: { 'wind-shell': { zip: 1 } } }),
      ],
    }),
    'day.json',
  );
  expect(c.timeline.legStartS).toEqual([0, 1200, 2400, 3600]);
  expect(c.plan.worn).toEqual(['thin-merino-base']);
  expect(c.plan.carried).toEqual(['wind-shell']);
  expect(c.plan.cues.map((q) => q.atS)).toEqual([1200, 2400]);
  expect(c.plan.cues[1].actions).toEqual([{ do: 'set', garment: 'wind-shell', opening: 'zip', setting: 1 }]);
});

test('garments by catalogue id, by catalogue id with changes, or whole', () => {
  const whole = readSimulateCase(file(), 'x').garments[1];
  const c = readSimulateCase(
    file({
      garments: [
        'thin-merino-base',
        { catalogue: 'wind-shell', id: 'mine', name: 'My shell', thicknessMm: 0.3, dampGm2: 20 },
        { ...whole, id: 'third' },
      ],
    }),
    'x',
  );
  expect(c.garments.map((g) => g.id)).toEqual(['thin-merino-base', 'mine', 'third']);
  expect(c.garments[1].thicknessMm).toBe(0.3);
  expect(c.garments[1].ret).toBe(whole.ret);
  expect(c.damp).toEqual({ mine: 20 });
});

test('wind at 10 m is sheltered and joined with the own speed; wind at the body is taken as it is', () => {
  const at = (over: object) =>
    readSimulateCase(file({ legs: [leg({ metabolicW: undefined, speedMs: 2, ...over })] }), 'x').timeline.stretches[0]
      .relativeWind;
  expect(at({ wind: { ms: 3, at: 'body' } })).toBeCloseTo(3, 6);
  expect(at({ wind: { ms: 6, at: '10m' } })).toBeCloseTo(Math.hypot(6 * 0.67, 2), 6);
  expect(at({ wind: { ms: 6, at: '10m' }, shelter: 'forest' })).toBeCloseTo(Math.hypot(1.5, 2), 6);
});

test('the report: a row a minute with every zone and garment, totals and judgement, finite throughout', () => {
  const c = readSimulateCase(file(), 'x');
  const r = report(scorePlan(c.person, c.garments, c.timeline, c.plan), c);
  expect(r.minutes).toHaveLength(21);
  expect(Object.keys(r.minutes[3].skinC)).toEqual([...ZONES]);
  expect(r.minutes[3].garments['thin-merino-base'].worn).toBe(true);
  expect(JSON.stringify(r.minutes)).not.toContain('null');
  expect(r.judgement.iso11079[0].wornIntrinsicClo).toBeGreaterThan(0);
  expect(r.judgement.cautions.join(' ')).toMatch(/Frostbite|frostbite/i);
  expect(r.judgement.verdict).not.toContain('{');
});

test.each([
  ['air of 400 °C', file({ legs: [leg({ airC: 400 })] }), 'day.json: legs.0.airC is 400; allowed: -60 to 45'],
  ['a wind of −3', file({ legs: [leg({ wind: { ms: -3, at: 'body' } })] }), 'legs.0.wind.ms is -3; allowed: 0 to 60'],
  ['wind without its place', file({ legs: [leg({ wind: { ms: 3 } })] }), 'legs.0.wind.at is missing'],
  ['an unknown field', file({ legs: [leg({ windchill: -9 })] }), 'legs.0.windchill is unknown field'],
  ['an unknown sport', file({ legs: [leg({ sport: 'curling' })] }), 'legs.0.sport is curling; allowed: run, walk'],
  ['no legs', file({ legs: [] }), 'legs is []'],
  [
    'more numbers than anybody reads',
    file({
      sampleS: 10,
      garments: Array.from({ length: 100 }, (_, i) => ({ catalogue: 'wind-shell', id: `g${i}` })),
      legs: [leg({ minutes: 1440, worn: [] })],
    }),
    'sampleS is 10 s, 8640 samples of 100 garments',
  ],
  ['ten thousand legs', file({ legs: Array.from({ length: 10000 }, () => leg()) }), 'legs is '],
  ['no garments', file({ garments: [] }), 'garments is []'],
  ['a garment of no catalogue', file({ garments: ['cape'] }), 'garments.0 is cape; allowed: a catalogue id'],
  [
    'the same id twice',
    file({ garments: ['wind-shell', 'wind-shell'] }),
    'garments.1.id is wind-shell; allowed: each id once',
  ],
  [
    'worn but not given',
    file({ legs: [leg({ worn: ['down-puffy'] })] }),
    'legs.0.worn is down-puffy; allowed: ids of the garments given',
  ],
  [
    'an opening it does not have',
    file({ legs: [leg({ worn: ['wind-shell'], openings: { 'wind-shell': { pits: 1 } } })] }),
    'legs.0.openings.wind-shell is pits; allowed: zip, hood, sleeves',
  ],
  [
    'an opening wider than open',
    file({ legs: [leg({ openings: { 'wind-shell': { zip: 2 } } })] }),
    'legs.0.openings.wind-shell.zip is 2; allowed: 0 to 1',
  ],
  ['nothing worn on the first leg', file({ legs: [leg({ worn: undefined })] }), 'legs.0.worn is missing'],
  ['a person of 500 kg', file({ athlete: { massKg: 500 } }), 'athlete.massKg is 500; allowed: 35 to 160 kg'],
  ['pulse below rest', file({ athlete: { restBpm: 99, maxBpm: 121 } }), ''],
  ['a thickness of a metre', file({ garments: [{ catalogue: 'wind-shell', thicknessMm: 1000 }] }), 'thicknessMm'],
  ['text for a number', file({ legs: [leg({ minutes: 'twenty' })] }), 'legs.0.minutes is twenty; allowed: a number'],
  ['a list', [], 'the whole is []'],
  ['null', null, 'the whole is empty'],
])('%s is refused with field, value and what is allowed', (_, value, says) => {
  if (says === '') expect(() => readSimulateCase(value, 'day.json')).not.toThrow();
  else expect(refusal(value)).toContain(says);
});

test('power on a hike is refused in words an athlete understands', () => {
  expect(refusal(file({ legs: [leg({ metabolicW: undefined, powerW: 200 })] }))).toContain('cycling legs only');
});

test('the plan case needs no worn list and limits its cues', () => {
  const c = readPlanCase({ garments: ['thin-merino-base'], legs: [{ ...leg(), worn: undefined }], maxCues: 3 }, 'x');
  expect(c.maxCues).toBe(3);
  expect(refusal({ ...file(), maxCues: 40 }, readPlanCase)).toContain('maxCues is 40; allowed: 0 to 12');
});

describe('a plan case with a forecast', () => {
  const airless = { ...leg({ minutes: 60 }), airC: undefined, humidity: undefined, wind: undefined };
  const hours = [
    { hour: -2, airC: 0, humidity: 0.8, windMs: 2 },
    { hour: 3, airC: -10, humidity: 0.8, windMs: 7 },
  ];
  test('legs take their air from it, at the hour they are gone', () => {
    const { timeline, outing } = readPlanCase({ ...file({ legs: [airless] }), forecast: hours }, 'x');
    expect(timeline.stretches[0].airC).toBeCloseTo(-4, 0);
    expect(timeline.stretches[timeline.stretches.length - 1].airC).toBeCloseTo(-6, 0);
    expect(outing!.forecast).toHaveLength(2);
  });
  test('a leg that says its own air keeps it at every hour', () => {
    const { outing, person } = readPlanCase({ ...file(), forecast: hours }, 'x');
    const later = timelineOf({ ...outing!, startMs: 2 * 3600_000 }, person);
    expect(later.stretches.every((s) => s.airC === -5)).toBe(true);
  });
  test.each<[string, object, string]>([
    [
      'no air and no forecast',
      { legs: [airless] },
      'legs.0.airC is missing; allowed: the air of this leg, or a forecast',
    ],
    [
      'half of its air',
      { legs: [{ ...airless, airC: -3 }], forecast: hours },
      'legs.0.humidity is missing, though airC',
    ],
    ['hours that fall', { legs: [airless], forecast: [...hours].reverse() }, 'forecast hour 2 time'],
    ['wind of a hurricane', { legs: [airless], forecast: [{ ...hours[0], windMs: 99 }] }, 'forecast.0.windMs is 99'],
    ['an empty one', { legs: [airless], forecast: [] }, 'forecast'],
  ])('%s is refused', (_, over, says) => {
    expect(refusal(file(over), readPlanCase)).toContain(says);
  });
  test('its report names the best hour: before it turns cold, cheaper than as planned', () => {
    const c = readPlanCase(JSON.parse(readFileSync('docs/examples/forecast.json', 'utf8')), 'x');
    const { starts } = planReport({ ...c, members: 4 });
    expect(starts!.hours.map((h) => h.hour)).toEqual([-3, -2, -1, 0, 1, 2, 3, 4]);
    const cost = (hour: number) => starts!.hours.find((h) => h.hour === hour)!.cost;
    expect(starts!.best.cost).toBe(Math.min(...starts!.hours.map((h) => h.cost)));
    expect(starts!.saves).toBeCloseTo(cost(0) - starts!.best.cost, 2);
    expect(cost(4)).toBeGreaterThan(cost(0));
    expect(starts!.hours.find((h) => h.hour === 4)!.feelsC).toBeLessThan(-13);
  });
});

describe('reading JSON', () => {
  const fails = (text: string) => {
    try {
      parseJson(text, 'day.json');
    } catch (e) {
      return (e as Refused).message;
    }
    return 'taken';
  };
  test('a fault names its line; empty and huge files are refused', () => {
    expect(fails('{\n "a": 1,\n "b": }')).toContain('day.json, line 3: JSON is');
    expect(fails('{' + '\n "a": 1,'.repeat(40) + '\n oops')).toContain('line 42: JSON is');
    expect(fails('{\n')).toContain('day.json, line 2: JSON is');
    expect(fails(' ')).toContain('content is empty');
    expect(fails(`"${'x'.repeat(MAX_JSON)}"`)).toContain('size is 8 MB');
    expect(fails('[1]')).toBe('taken');
  });
  test('messages stay one short line whatever is thrown at them', () => {
    expect(shown('a\n\u0000b'.repeat(100)).length).toBeLessThan(70);
    expect(shown('<img src=x onerror=alert(1)>')).toBe('<img src=x onerror=alert(1)>');
    expect(shown(undefined)).toBe('undefined');
    expect(() => validated({ type: 'object', required: ['a'] }, {}, 'x')).toThrow('x: a is missing');
  });
  test('prototype tricks stay plain data', () => {
    const value = JSON.parse('{"__proto__": {"polluted": true}, "garments": ["wind-shell"], "legs": []}');
    expect(() => readSimulateCase(value, 'x')).toThrow(Refused);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
});

test.each(Object.keys(PUBLISHED))('schemas/%s is what the application checks with', (name) => {
  expect(readdirSync('schemas')).toContain(name);
  expect(JSON.parse(readFileSync(`schemas/${name}`, 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(PUBLISHED[name as keyof typeof PUBLISHED])),
  );
});
