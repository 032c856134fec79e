import { expose, releaseProxy, type Remote } from 'comlink';
import { AVERAGE_PERSON } from '@/core/body/person';
import type { Outing } from '@/core/outing/outing';
import type { Beside } from '@/workers/ember.worker';
import { PLAIN_WISHES } from '@/core/search/wishes';
import { practise } from '@/workers/warmUp';

/** A worker in this process: the link is real, what it is asked is answered by hand. */
class NearWorker extends EventTarget {
  static all: NearWorker[] = [];
  static practised = 0;
  static opened = 0;
  onerror: ((e: { message: string }) => void) | null = null;
  ended = false;
  readonly progress: Remote<(...told: unknown[]) => void>[] = [];
  questions: ((answer: unknown) => void)[] = [];
  /** what a planner is to ask for the parts that others make */
  beside: Remote<Beside> | null = null;
  private readonly given: Remote<Beside>[] = [];
  private readonly channel = new MessageChannel();

  constructor() {
    super();
    NearWorker.all.push(this);
    const ask = (...given: unknown[]) => {
      const links = given.filter((x) => typeof x === 'function') as unknown[];
      const [tell, beside] = links as [Remote<(...told: unknown[]) => void>, Remote<Beside>?];
      this.progress.push(tell);
      if (beside) this.given.push((this.beside = beside));
      return new Promise((done) => this.questions.push(done));
    };
    const { port1, port2 } = this.channel;
    const open = () => void NearWorker.opened++;
    const score = () => new Promise((done) => this.questions.push(done));
    const practise = () => void NearWorker.practised++;
    const parts = { descendFromOther: ask, fitBeside: ask, lookAlone: ask };
    expose({ open, plan: ask, ...parts, school: ask, score, practise }, port2 as never);
    port1.onmessage = (e) => this.dispatchEvent(Object.assign(new Event('message'), { data: e.data as unknown }));
  }

  postMessage(message: unknown, transfer: never[]): void {
    this.channel.port1.postMessage(message, transfer);
  }

  terminate(): void {
    if (this.ended) return;
    this.ended = true;
    for (const p of [...this.progress, ...this.given]) p[releaseProxy]();
    this.channel.port1.close();
  }
}

const setting = {
  person: AVERAGE_PERSON,
  closet: [],
  inCloset: [],
  outing: {} as Outing,
  damp: {},
  wishes: PLAIN_WISHES,
};
const until = async (holds: () => boolean) => {
  while (!holds()) await new Promise((r) => setTimeout(r, 1));
};
/** The worker that plans, once it is asked, and the one that it has made the other half. */
const bothHalves = async () => {
  await until(() => NearWorker.all.length === 1 && NearWorker.all[0].questions.length === 1);
  const [whole] = NearWorker.all;
  const descended = whole.beside!.descended();
  descended.catch(() => 'told to whoever awaits it');
  await until(() => NearWorker.all.length === 2 && latest().questions.length === 1);
  return { whole, half: latest(), descended };
};
const latest = () => NearWorker.all[NearWorker.all.length - 1];

/** Lets time pass on a clock that stands still, and what follows from it happen. */
const wait = async (ms: number) => {
  await jest.advanceTimersByTimeAsync(ms);
  for (let i = 0; i < 20; i++) await new Promise((go) => setImmediate(go));
};

/** The page's side, each time as a page has it that was just loaded. */
let page: typeof import('@/workers/client');
let begun: { cancel: () => void }[] = [];
const plan = () => {
  const asked = page.planInWorker(setting, 1, () => undefined);
  begun.push(asked);
  return asked;
};
const compare = () => {
  const asked = page.schoolsInWorker(setting, 1, ['a', 'b'], () => undefined);
  begun.push(asked);
  return asked;
};

/** Loads the page's side on a machine of so many cores. */
const onCores = async (hardwareConcurrency: number) => {
  jest.resetModules();
  Object.defineProperty(globalThis, 'navigator', { value: { hardwareConcurrency }, configurable: true });
  page = await import('@/workers/client');
};

beforeEach(async () => {
  Object.assign(globalThis, { Worker: NearWorker });
  NearWorker.all = [];
  NearWorker.practised = 0;
  NearWorker.opened = 0;
  await onCores(1);
});
afterEach(() => {
  for (const asked of begun) asked.cancel();
  begun = [];
  NearWorker.all.forEach((w) => w.terminate());
});

test('a worker practises once, and the first question goes to it', async () => {
  await page.warmUp();
  expect(NearWorker.practised).toBeGreaterThan(5);
  const before = NearWorker.practised;
  await page.warmUp();
  expect(NearWorker.practised).toBe(before);
  const { result } = plan();
  await until(() => latest().questions.length === 1);
  expect(NearWorker.all).toHaveLength(1);
  latest().questions[0]('done');
  expect(await result).toBe('done');
  expect(latest().ended).toBe(false);
});

const impossible = (id: string) => ({ kind: 'impossible', of: { id, name: id, why: 'no' } });
test('a worker is asked one thing at a time; a cancelled one is ended and never asked again', async () => {
  const first = plan();
  const second = compare();
  await until(() => NearWorker.all.length === 2 && NearWorker.all.every((w) => w.questions.length > 0));
  const [old, young] = NearWorker.all;
  first.cancel();
  expect(old.ended).toBe(true);
  // With one core the second school waits for the first.
  young.questions[0](impossible('a'));
  await until(() => young.questions.length === 2);
  young.questions[1](impossible('b'));
  expect((await second.result).impossible.map((i) => i.id)).toEqual(['a', 'b']);
  plan();
  await until(() => young.questions.length === 3);
  expect(NearWorker.all).toHaveLength(2);
});

test('schools are planned beside one another where there are cores, in their order whichever is first; cancelled all end', async () => {
  await onCores(4);
  const compared = compare();
  await until(() => NearWorker.all.length === 2 && NearWorker.all.every((w) => w.questions.length > 0));
  const [a, b] = NearWorker.all;
  b.questions[0](impossible('b'));
  a.questions[0](impossible('a'));
  expect((await compared.result).impossible.map((i) => i.id)).toEqual(['a', 'b']);
  const again = compare();
  await until(() => a.questions.length + b.questions.length === 4);
  again.cancel();
  expect([a.ended, b.ended]).toEqual([true, true]);
  expect(NearWorker.all).toHaveLength(2);
});

test('where there is a second core, another worker makes half of a plan once it is asked for it, so that it holds up no first answer; both end together', async () => {
  await onCores(2);
  const asked = plan();
  const { whole, half, descended } = await bothHalves();
  expect([whole.beside === null, half.beside === null]).toEqual([false, true]);
  half.questions[0]('the other half');
  expect(await descended).toBe('the other half');
  const alone = whole.beside!.alone();
  await until(() => half.questions.length === 2);
  half.questions[1]('the day by itself');
  expect(await alone).toBe('the day by itself');
  whole.questions[0]('a plan');
  expect(await asked.result).toBe('a plan');
  expect([whole.ended, half.ended]).toEqual([false, false]);
  const again = plan();
  await until(() => half.questions.length === 3);
  half.beside!.descended().catch(() => 'ended');
  await until(() => whole.questions.length === 2);
  again.cancel();
  await until(() => whole.ended && half.ended);
  expect(NearWorker.all).toHaveLength(2);
});

/** A plan under way whose other half is made, and what was found so far being fitted to the day beside it. */
const fittingBeside = async () => {
  await onCores(2);
  const asked = plan();
  const { whole, half, descended } = await bothHalves();
  half.questions[0]('the other half');
  await descended;
  const fitted = whole.beside!.fitted(FOUND);
  await until(() => half.questions.length === 2);
  return { asked, whole, half, fitted };
};
const FOUND = { plan: { worn: [], carried: [], openings: {}, cues: [] }, curve: [], others: [] };

test('what is fitted beside comes before the look at the day itself, which follows unasked where that is dear, once', async () => {
  const { asked, whole, half, fitted } = await fittingBeside();
  const alone = whole.beside!.alone();
  // It waits for the same worker, and starts no third one.
  await new Promise((r) => setTimeout(r, 20));
  expect([half.questions.length, NearWorker.all.length]).toEqual([2, 2]);
  half.questions[1]({ ...FOUND, dear: true });
  expect(await fitted).toEqual({ ...FOUND, dear: true });
  await until(() => half.questions.length === 3);
  half.questions[2]('the day by itself');
  expect(await alone).toBe('the day by itself');
  expect(await whole.beside!.alone()).toBe('the day by itself');
  expect(half.questions).toHaveLength(3);
  whole.questions[0]('a plan');
  await asked.result;
});

test.each([
  [true, 3],
  [false, 2],
])('what is fitted beside and is dear or not (%s) asks for the day itself', async (dear, questions) => {
  const { asked, whole, half, fitted } = await fittingBeside();
  half.questions[1]({ ...FOUND, dear });
  await fitted;
  await new Promise((r) => setTimeout(r, 20));
  expect(half.questions).toHaveLength(questions);
  whole.questions[0]('a plan');
  await asked.result;
});

test('what is still made beside a plan that is done is ended with it', async () => {
  await onCores(2);
  const asked = plan();
  const { whole, half, descended } = await bothHalves();
  half.questions[0]('the other half');
  await descended;
  whole.beside!.alone().catch(() => 'ended');
  await until(() => half.questions.length === 2);
  whole.questions[0]('a plan');
  expect(await asked.result).toBe('a plan');
  await until(() => half.ended);
});

test('where the worker of the other half breaks, the planner hears of it and goes on; where the planner breaks, the other is ended', async () => {
  await onCores(2);
  const asked = plan();
  const { whole, half, descended } = await bothHalves();
  half.onerror!({ message: 'out of memory' });
  await expect(descended).rejects.toThrow('out of memory');
  whole.questions[0]('a plan, made alone');
  expect(await asked.result).toBe('a plan, made alone');
  const again = plan();
  await until(() => NearWorker.all.length === 3 && latest().questions.length > 0);
  whole.onerror!({ message: 'out of memory' });
  await expect(again.result).rejects.toThrow(page.WorkerBroke);
  expect(latest().ended).toBe(true);
});

test('where there is a second core, two workers practise', async () => {
  await onCores(2);
  await page.warmUp();
  expect(NearWorker.all).toHaveLength(2);
  const { result } = plan();
  await until(() => NearWorker.all.every((w) => w.questions.length === 1));
  NearWorker.all.forEach((w) => w.questions[0]('done'));
  await result;
  expect(NearWorker.all).toHaveLength(2);
});

test('what questions rest on crosses once to each worker, and again only when it changes', async () => {
  const answer = async (work: { result: Promise<unknown> }) => {
    const asked = latest().questions.length;
    await until(() => latest().questions.length > asked);
    latest().questions[asked]('done');
    await work.result;
  };
  const first = plan();
  await until(() => latest().questions.length === 1);
  latest().questions[0]('done');
  await first.result;
  await answer(plan());
  expect(NearWorker.opened).toBe(1);
  await answer(page.planInWorker({ ...setting }, 1, () => undefined));
  expect(NearWorker.opened).toBe(2);
  expect(NearWorker.all).toHaveLength(1);
});

test('a worker that breaks while it waits is not asked; one that breaks at work says so', async () => {
  const warming = page.warmUp();
  const [practising] = NearWorker.all;
  practising.onerror!({ message: 'cannot be loaded' });
  await warming;
  const { result } = plan();
  await until(() => latest().questions.length === 1);
  expect(latest()).not.toBe(practising);
  latest().onerror!({ message: 'out of memory' });
  await expect(result).rejects.toThrow(page.WorkerBroke);
  expect(latest().ended).toBe(true);
});

test('what a worker practises on is an outing that can be planned', () => {
  expect(practise).not.toThrow();
});

test('a simulation that does not answer within five seconds is given to another worker once, and then said to be broken', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] });
  try {
    const told: string[] = [];
    const scorer = new page.Scorer();
    const empty = { worn: [], carried: [], openings: {}, cues: [] };
    const before = NearWorker.all.length;
    const score = () =>
      scorer.score(
        setting,
        empty,
        10,
        (s) => told.push(String(s)),
        (e) => told.push(`${e.constructor.name}: ${e.message}`),
      );
    score();
    await wait(4900);
    expect(NearWorker.all.length - before).toBe(1);
    await wait(200);
    expect(NearWorker.all[before].ended).toBe(true);
    expect(NearWorker.all.length - before).toBe(2);
    latest().questions.pop()!('scored by the second');
    await wait(10);
    expect(told).toEqual(['scored by the second']);
    score();
    await wait(5100);
    await wait(5100);
    expect(told[1]).toBe('WorkerBroke: it does not answer');
    // The next plan gets a new one.
    score();
    await wait(10);
    latest().questions.pop()!('scored again');
    await wait(10);
    expect(told[2]).toBe('scored again');
    scorer.close();
  } finally {
    jest.useRealTimers();
  }
});

test('a planner that says nothing for five seconds is begun anew once, which is said; one that says something may take as long as it likes', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] });
  try {
    const told: string[] = [];
    const says = (_: number, what: string) => void told.push(what);
    const { result } = page.planInWorker(setting, 1, says);
    const failed = result.catch((e: Error) => `${e.constructor.name}: ${e.message}`);
    await wait(10);
    const first = latest();
    for (let i = 0; i < 4; i++) {
      await wait(4500);
      void first.progress[0](0.1 * i, 'Choosing layers');
      await wait(10);
    }
    expect([NearWorker.all.length, first.ended, told.length]).toEqual([1, false, 4]);
    await wait(4900);
    expect(NearWorker.all).toHaveLength(1);
    await wait(300);
    expect([NearWorker.all.length, first.ended]).toEqual([2, true]);
    expect(told[4]).toMatch(/fell silent and was started again/);
    await wait(5300);
    expect(await failed).toBe('WorkerBroke: it does not answer');
    // Cancelled, nobody is called silent.
    const again = page.planInWorker(setting, 1, says);
    await wait(10);
    const workers = NearWorker.all.length;
    again.cancel();
    await wait(20_000);
    expect([NearWorker.all.length, told.length]).toEqual([workers, 5]);
  } finally {
    jest.useRealTimers();
  }
});
