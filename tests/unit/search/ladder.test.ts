import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { ensemble } from '@/core/clothing/ensembleInsulation';
import { alongOf } from '@/core/kit/edit';
import { buildLadder } from '@/core/search/ladder';
import {
  DRY_BELOW_C,
  IMPERIAL_BANDS,
  LADDER_EFFORTS,
  LADDER_WINDS,
  METRIC_BANDS,
  wetIn,
  type Cell,
  type Ladder,
} from '@/core/search/ladderTerms';
import { lastThatHolds, reachOf } from '@/core/search/reach';
import {
  closedUp,
  keepsMouthRule,
  ladderHour,
  ladderRungs,
  openedLater,
  openedUp,
  type LadderQuestion,
} from '@/core/search/rungs';
import { MOUTH_COVERED } from '@/core/search/wishes';
import { wearable } from '@/core/search/changes';
import { ladderCsv, ladderReport, ladderText } from '@/formats/doorReport';
import type { Finding } from '@/core/judge/findings';
import { HALLWAY } from '#tests/support/door';
import { garmentsOf } from '#tests/support/outings';

const RUN: LadderQuestion = { person: AVERAGE_PERSON, closet: HALLWAY, sport: 'run', shelter: 'open' };
/** Three bands are enough to see a ladder by, and quick. */
const BANDS = [METRIC_BANDS[0], METRIC_BANDS[2], METRIC_BANDS[6]];

const wholeOf = (q: Parameters<typeof buildLadder>[0]): { ladder: Ladder; told: number[] } => {
  let ladder: Ladder | null = null;
  const told: number[] = [];
  for (const p of buildLadder(q)) {
    ladder = p.ladder;
    told.push(p.done);
  }
  return { ladder: ladder!, told };
};
const rungs = ladderRungs(RUN);
const { ladder, told } = wholeOf({ ...RUN, bands: BANDS, rungs, more: CATALOGUE });
const cells = (over: Partial<Cell>) =>
  ladder.cells.filter((c) => Object.entries(over).every(([k, v]) => c[k as keyof Cell] === v));

test('a ladder climbs from light to warm, by few pieces a rung', () => {
  expect(rungs.length).toBeGreaterThanOrEqual(4);
  expect(rungs.map((r) => r.n)).toEqual(rungs.map((_, i) => i + 1));
  expect(rungs[rungs.length - 1].clo).toBeGreaterThan(1.5 * rungs[0].clo);
  const changes = rungs.slice(1).map((r, i) => {
    const had = new Set([...rungs[i].plan.worn, ...rungs[i].plan.carried]);
    return [...r.plan.worn, ...r.plan.carried].filter((id) => !had.has(id)).length;
  });
  expect(changes.reduce((a, b) => a + b, 0) / changes.length).toBeLessThanOrEqual(3);
});

test('a rung’s clo is that of its clothes closed up (ISO 9920)', () => {
  const r = rungs[1];
  const worn = alongOf(HALLWAY, r.plan).filter((g) => r.plan.worn.includes(g.id));
  const shut = closedUp(r.plan, HALLWAY).openings;
  const { intrinsicClo } = ensemble(worn, { airC: 10, relativeWind: 0.4, pumping: 0, packOn: false }, shut);
  expect(r.clo).toBeCloseTo(intrinsicClo, 9);
});

test('the order in which a closet is listed changes nothing', () => {
  const few = garmentsOf(
    'thin-synthetic-base',
    'grid-fleece',
    'wind-shell',
    'thin-tights',
    'wool-socks',
    'running-shoes',
    'liner-gloves',
    'warm-mitts',
    'warm-hat',
  );
  const [a, b] = [few, [...few].reverse()].map((closet) => ladderRungs({ ...RUN, closet }));
  expect(b.map((r) => [...r.plan.worn].sort())).toEqual(a.map((r) => [...r.plan.worn].sort()));
});

test('in colder air nobody is told to wear a lighter rung, and windier asks for no lighter one', () => {
  for (const effort of Object.keys(LADDER_EFFORTS) as Cell['effort'][])
    for (const wind of Object.keys(LADDER_WINDS) as Cell['wind'][]) {
      const column = cells({ effort, wind, wet: 'dry' }).sort((a, b) => a.band - b.band);
      expect(column).toHaveLength(BANDS.length);
      for (let i = 1; i < column.length; i++) expect(column[i].rung).toBeGreaterThanOrEqual(column[i - 1].rung);
    }
  BANDS.forEach((_, band) => {
    for (const effort of Object.keys(LADDER_EFFORTS) as Cell['effort'][])
      for (const wet of ['dry', 'wet'] as const) {
        const rungsOf = (wind: Cell['wind']) => cells({ effort, wind, wet, band }).map((c) => c.rung);
        const row = (Object.keys(LADDER_WINDS) as Cell['wind'][]).flatMap(rungsOf);
        expect(row).toEqual([...row].sort((a, b) => a - b));
      }
  });
});

test('an easy hour asks for more than a hard one', () => {
  const sum = (effort: Cell['effort']) => cells({ effort, wet: 'dry' }).reduce((s, c) => s + c.rung, 0);
  expect(sum('easy')).toBeGreaterThan(sum('steady'));
});

test('wet bands end where snow falls dry, and in the wet a shell keeps it off', () => {
  expect(wetIn({ warmC: DRY_BELOW_C + 2, coldC: DRY_BELOW_C - 2 + 0.1 })).not.toBeNull();
  expect(wetIn({ warmC: DRY_BELOW_C + 2, coldC: DRY_BELOW_C - 2.1 })).toBeNull();
  expect(wetIn(METRIC_BANDS[0])!.kind).toBe('rain');
  const wet = cells({ wet: 'wet', effort: 'steady' });
  expect([...new Set(wet.map((c) => c.band))]).toEqual([0, 1]);
  expect(wet.filter((c) => c.plan.worn.includes('light-rain-shell')).length).toBeGreaterThanOrEqual(wet.length - 1);
});

test('where nothing owned works the part that fails is named, and what would carry further', () => {
  const closet = garmentsOf(
    'thin-synthetic-base',
    'briefs',
    'thin-tights',
    'wool-socks',
    'running-shoes',
    'wind-shell',
  );
  const poor = wholeOf({ ...RUN, closet, bands: [METRIC_BANDS[4]], more: CATALOGUE }).ladder;
  const gaps = poor.cells.filter((c) => c.fails.length > 0);
  expect(gaps.length).toBeGreaterThan(0);
  expect(new Set(gaps.flatMap((c) => c.fails.map((f) => f.zone)))).toContain('hands');
  expect(gaps.every((c) => c.would === null || !closet.some((g) => g.id === c.would!.id))).toBe(true);
});

test('progress rises to the whole, and the ladder is told on the way', () => {
  for (let i = 1; i < told.length; i++) expect(told[i]).toBeGreaterThanOrEqual(told[i - 1]);
  expect(told[told.length - 1]).toBeCloseTo(1, 6);
  expect(() => [...buildLadder({ ...RUN, bands: [], rungs })]).toThrow('bands');
});

test('an own rule about the mouth is kept below its air, and only there', () => {
  const q = { closet: HALLWAY, mouthBelowC: -5 };
  const bare = { worn: ['thin-cap'], carried: [], openings: {}, cues: [] };
  const covered = { ...bare, worn: ['neck-tube'] };
  expect(keepsMouthRule(q, bare, -5)).toBe(true);
  expect(keepsMouthRule(q, bare, -5.1)).toBe(false);
  expect(keepsMouthRule(q, covered, -30)).toBe(true);
  expect(keepsMouthRule({ ...q, mouthBelowC: null }, bare, -30)).toBe(true);
  const ruled = wholeOf({ ...RUN, bands: [METRIC_BANDS[5]], rungs: rungs.slice(-2), mouthBelowC: -10 }).ladder;
  const covers = (c: Cell) => c.plan.worn.some((id) => HALLWAY.find((g) => g.id === id)!.mouthCover >= MOUTH_COVERED);
  expect(ruled.cells.every(covers)).toBe(true);
});

test('shut, open and opened once warm: nothing else of a plan changes', () => {
  const p = rungs[rungs.length - 1].plan;
  for (const way of [closedUp(p, HALLWAY), openedUp(p, HALLWAY), openedLater(p, HALLWAY, 3)])
    expect([way.worn, way.carried]).toEqual([p.worn, p.carried]);
  const shell = HALLWAY.find((g) => g.id === 'wind-shell')!;
  const wearing = { worn: ['wind-shell'], carried: [], openings: {}, cues: [] };
  expect(Object.values(closedUp(wearing, HALLWAY).openings['wind-shell'])).toEqual(shell.openings.map(() => 0));
  expect(openedLater(wearing, HALLWAY, 3).cues).toHaveLength(1);
});

test('how far an outfit reaches is found to the degree, on both sides', () => {
  const cold: Finding = {
    kind: 'fingers',
    severity: 2,
    atS: 0,
    value: 10,
    unit: '°C',
    limit: 15,
    what: 'x',
    means: 'y',
  };
  const hot: Finding = { ...cold, kind: 'overheated' };
  const felt = (value: number) => ({ metrics: { feltHot: { value, atS: 0 } } });
  const at = (airC: number) => ({ findings: airC < -7 ? [cold] : airC > 4 ? [hot] : [], ...felt(1) });
  const plan = { worn: [], carried: [], openings: {}, cues: [] };
  expect(reachOf(plan, [], at, 3)).toEqual({ coldC: -7, warmC: 4, first: 'hands' });
  expect(reachOf(plan, [], () => ({ findings: [], ...felt(1.2) }), 3)).toEqual({ coldC: -45, warmC: 20, first: null });
  expect(reachOf(plan, [], () => ({ findings: [cold], ...felt(1) }), 3)).toMatchObject({
    coldC: null,
    warmC: 20,
    first: 'hands',
  });
  // Warmth that bothers is the warm end, long before it is a weak point: votes over 1.2.
  expect(reachOf(plan, [], (airC) => ({ findings: [], ...felt(1 + airC / 50) }), 3).warmC).toBe(10);
  expect(lastThatHolds(10, -10, (n) => n >= 3)).toBe(3);
  expect(lastThatHolds(-10, 10, (n) => n <= 3)).toBe(3);
  expect(lastThatHolds(0, 9, () => false)).toBeNull();
});

test('cotton next to the skin is not chosen where there is anything else', () => {
  const closet = garmentsOf('cotton-tee', 'thin-merino-base', 'thin-tights');
  expect(wearable({ closet, sport: 'run' }).map((g) => g.id)).not.toContain('cotton-tee');
  expect(wearable({ closet: garmentsOf('cotton-tee'), sport: 'run' }).map((g) => g.id)).toEqual(['cotton-tee']);
});

test('the hour of a ladder is an hour, in that air and wind, in the shade', () => {
  const t = ladderHour(RUN, { airC: -12, windKmh: 20, exertion: 5 });
  expect(t.endS).toBe(3600);
  expect(t.stretches.every((s) => s.airC === -12 && s.sunWm2 === 0 && s.precipitation === 'none')).toBe(true);
  expect(t.stretches[0].wind10).toBeCloseTo(20 / 3.6, 6);
});

test('as text, JSON and CSV it says the same', () => {
  const json = ladderReport(ladder, HALLWAY);
  expect(json.cells).toHaveLength(ladder.cells.length);
  const lines = ladderCsv(ladder, HALLWAY).split(/\r?\n/);
  expect(lines).toHaveLength(ladder.cells.length + 1);
  expect(lines[1].split(',').slice(0, 5)).toEqual(['run', 'open', ladder.cells[0].effort, ladder.cells[0].wind, 'dry']);
  const text = ladderText(ladder, HALLWAY);
  for (const r of json.rungs) expect(text).toContain(r.wears.join(', '));
});

test('imperial bands are of ten degrees Fahrenheit', () => {
  expect(IMPERIAL_BANDS).toHaveLength(METRIC_BANDS.length);
  for (const b of IMPERIAL_BANDS) expect((b.warmC - b.coldC) * 1.8).toBeCloseTo(10, 9);
  expect(IMPERIAL_BANDS[0].warmC).toBeCloseTo(10, 9);
});
