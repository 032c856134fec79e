import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterwardsOf } from '@/core/afterwards/afterwards';
import { bookDay } from '@/core/afterwards/day';
import { lessonFrom, type ToldOuting } from '@/core/underway/outed';
import { WINTER_FILE, winterWith } from '@/demo/winter';
import { performance } from 'node:perf_hooks';
import { phs } from 'jsthermalcomfort';
import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import { phases } from '@/core/outing/moments';
import { makePlan } from '@/core/search/planner';
import { chances } from '@/core/questions/chances';
import { scorePlan } from '@/core/judge/scorePlan';
import { Simulator } from '@/core/simulate/simulator';
import { stuckOut } from '@/core/questions/stuckOut';
import type { Series } from '@/core/simulate/series';
import type { Plan } from '@/core/kit/plan';
import { closetOf, KIT, loggedPack, timelineFor } from './cases';
import { stepError } from './stepError';

/** Speed and memory, printed as JSON lines { name, value, unit }. Never part of the tests. */
const say = (name: string, value: number, unit: string) =>
  process.stdout.write(JSON.stringify({ name, value: Number(value.toPrecision(4)), unit }) + '\n');

function medianMs(work: () => void, times: number): number {
  const all: number[] = [];
  for (let i = 0; i < times; i++) {
    const t = performance.now();
    work();
    all.push(performance.now() - t);
  }
  return all.sort((a, b) => a - b)[times >> 1];
}

const collect = (globalThis as { gc?: () => void }).gc ?? (() => {});
const planOf = (garments: readonly Garment[]): Plan => ({
  worn: garments.map((g) => g.id),
  carried: [],
  openings: {},
  cues: [{ atS: 3600, actions: [{ do: 'set', garment: garments[0].id, opening: 'sleeves', setting: 1 }] }],
});

function simulation(): void {
  const stretches = timelineFor(4).stretches;
  const worn = KIT.filter((g) => !['thin-merino-base', 'puffy-overtrousers', 'standby-puffy', 'briefs'].includes(g.id));
  const sim = new Simulator(AVERAGE_PERSON, worn);
  const plan = planOf(worn);
  let series: Series | undefined;
  const once = (hours = stretches) => {
    sim.start(plan);
    series = sim.run(hours, plan, { stepS: 10, sampleS: 60 }, series);
  };
  for (let i = 0; i < 60; i++) once();
  const four = medianMs(once, 60);
  say('simulate 4 h, 13 zones, up to 5 layers, 10 s steps', four, 'ms');
  const layers = Math.max(...Array.from({ length: 13 }, (_, z) => sim.stacks.layers[z]));
  say('most layers on a zone in that run', layers, '1');
  for (const hours of [1, 2, 8]) {
    const s = timelineFor(hours).stretches;
    let own: Series | undefined;
    const run = () => {
      sim.start(plan);
      own = sim.run(s, plan, { stepS: 10 }, own);
    };
    run();
    say(`simulate ${hours} h`, medianMs(run, 25), 'ms');
  }
  for (const n of [2, 6, 12]) {
    const few = new Simulator(AVERAGE_PERSON, worn.slice(0, n));
    const p = planOf(worn.slice(0, n));
    let own: Series | undefined;
    const run = () => {
      few.start(p);
      own = few.run(stretches, p, { stepS: 10 }, own);
    };
    for (let i = 0; i < 5; i++) run();
    say(`simulate 4 h with ${n} garments`, medianMs(run, 25), 'ms');
  }
  const copy = sim.snapshot();
  const pair = () => {
    for (let i = 0; i < 1000; i++) {
      sim.snapshot(copy);
      sim.restore(copy);
    }
  };
  pair();
  say('snapshot and restore', medianMs(pair, 15), 'µs');

  const reference = () => phs(25, 25, 50, 0.3, 250, 0.6, 2, 0, 0.38, 0.54, 1, 72, 1.76, 0, 0, 0, 480);
  for (let i = 0; i < 50; i++) reference();
  const theirs = medianMs(reference, 100) / 480;
  say('our cost of a simulated minute over the reference heat-strain library’s', four / 240 / theirs, '×');

  const c = stretches[0];
  sim.start(plan);
  sim.dress(c);
  for (let i = 0; i < 20000; i++) sim.step(10);
  collect();
  const before = process.memoryUsage().heapUsed;
  for (let i = 0; i < 200000; i++) sim.step(10);
  const grown = process.memoryUsage().heapUsed - before;
  say('heap growth over 200 000 steps before any collection', grown / 1024, 'KiB');
  for (let i = 0; i < 1000; i++) once();
  collect();
  say('heap growth over 1000 runs', (process.memoryUsage().heapUsed - before) / 1024, 'KiB');
}

function planning(): void {
  const timeline = timelineFor(4);
  const whole = medianMs(() => scorePlan(AVERAGE_PERSON, KIT, timeline, planOf(KIT.slice(1))), 9);
  say('simulate and judge one plan of 4 h', whole, 'ms');
  for (const size of [20, 45, CATALOGUE.length]) {
    // Every n-th piece, so that a small closet still has something for every part of the body.
    const closet = size === CATALOGUE.length ? [...CATALOGUE] : closetOf(size);
    const request = { person: AVERAGE_PERSON, closet, timeline, sport: 'ski tour' as const };
    const t = performance.now();
    let first = 0;
    const planned = makePlan(request, (_done, _says, soFar) => {
      if (soFar && first === 0) first = performance.now() - t;
      return true;
    });
    const ms = performance.now() - t;
    const plans = planned.simulations / phases(timeline).length;
    say(`first usable plan of 4 h from a closet of ${closet.length}`, first / 1000, 's');
    say(`plan 4 h from a closet of ${closet.length}`, ms / 1000, 's');
    say(`simulated plans for a closet of ${closet.length}`, plans, '1');
    say(`simulated plans a second, closet of ${closet.length}`, plans / (ms / 1000), '1/s');
    const used = new Set([...planned.plan.worn, ...planned.plan.carried]);
    chances({ ...request, closet: closet.filter((g) => used.has(g.id)), plan: planned.plan, count: 64 });
    say(`plan 4 h from a closet of ${closet.length}, with 64 members`, (performance.now() - t) / 1000, 's');
  }
  const kit = planOf(KIT.slice(1));
  for (const count of [16, 64, 128]) {
    const run = () => chances({ person: AVERAGE_PERSON, closet: KIT, timeline, plan: kit, count });
    run();
    say(`chances of a plan of 4 h over ${count} members`, medianMs(run, 5) / 1000, 's');
  }
  say(
    'stuck-out check from a closet of 45',
    medianMs(() => void stuckOut({ person: AVERAGE_PERSON, closet: closetOf(45), timeline, plan: kit }), 3) / 1000,
    's',
  );
  for (const hours of [1, 2, 8, 12]) {
    const t = performance.now();
    makePlan({ person: AVERAGE_PERSON, closet: closetOf(45), timeline: timelineFor(hours), sport: 'ski tour' });
    say(`plan ${hours} h from a closet of 45`, (performance.now() - t) / 1000, 's');
  }
  say('resident memory at the end', process.memoryUsage().rss / 1048576, 'MiB');
}

/** What it takes to go through outings that are over: the logged winter that ships. */
function afterwards(): void {
  const { days, lessons } = winterWith(
    readFileSync(join(process.cwd(), 'src/demo/files', WINTER_FILE), 'utf8'),
    new Map(),
  );
  const told = days.map((d): ToldOuting => ({ taps: d.taps, pack: loggedPack(d, AVERAGE_PERSON) }));
  const known = lessons[0].lesson.before;
  const ms = (work: (t: ToldOuting) => unknown) =>
    told.map((t) => medianMs(() => void work(t), 1)).sort((a, b) => a - b);
  const learned = ms((t) => lessonFrom(known, AVERAGE_PERSON, t));
  say('one logged outing learned, median', learned[Math.floor(learned.length / 2)] / 1000, 's');
  say('one logged outing learned, worst', learned[learned.length - 1] / 1000, 's');
  const worked = ms((t) => afterwardsOf(known, AVERAGE_PERSON, t));
  say('one outing worked out for Afterwards, worst', worked[worked.length - 1] / 1000, 's');
  say(
    'a winter of 34 days worked out for the book',
    ms((t) => bookDay(t, AVERAGE_PERSON)).reduce((a, b) => a + b, 0) / 1000,
    's',
  );
}

simulation();
stepError(say);
planning();
afterwards();
