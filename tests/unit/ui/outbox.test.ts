import 'fake-indexeddb/auto';
import { NotDone } from '@/ui/api';
import { differences } from '@/ui/outbox/differences';
import { editStore, type KeptEdits } from '@/ui/outbox/kept';
import { createOutbox, pendingOf, type Lately, type World } from '@/ui/outbox/outbox';

beforeEach(async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  for (const e of await editStore.all()) await editStore.drop(e.id);
});
afterEach(() => jest.useRealTimers());

const lost = () => new NotDone([{ where: 'Connection', field: 'server', value: 'away', allowed: 'start it' }], 0);
const refusal = () => new NotDone([{ where: 'Plan', field: 'name', value: 'empty', allowed: 'a name' }], 400);
/** A server as ours is: versions, keys that are answered once, and ways to fail. */
function aServer() {
  const things = new Map<string, { version: number; value: unknown }>();
  const answers = new Map<string, { version: number }>();
  const server = {
    things,
    log: [] as string[],
    /** what happens to the next requests: the answer is lost after the work, or the request before it */
    next: [] as ('lose answer' | 'lose request' | 'refuse')[],
    send: async (path: string, key: string, body: object) => {
      const fate = server.next.shift();
      if (fate === 'lose request') throw lost();
      if (fate === 'refuse') throw refusal();
      const known = answers.get(key);
      const { version, ...value } = body as { version: number; n: number };
      server.log.push(`${known ? 'again ' : ''}${value.n}`);
      if (!known) {
        const now = things.get(path) ?? { version: 1, value: {} };
        if (now.version !== version) throw new NotDone([], 409, { now });
        things.set(path, { version: version + 1, value });
        answers.set(key, { version: version + 1 });
      }
      if (fate === 'lose answer') throw lost();
      return answers.get(key)!;
    },
  };
  return server;
}

let keys = 0;
function aWindow(server: ReturnType<typeof aServer>, over: Partial<World> = {}) {
  return createOutbox({
    store: editStore,
    send: server.send,
    newKey: () => `key ${++keys}`,
    nowMs: () => keys,
    windows: async () => null,
    window: `window ${++keys}`,
    ...over,
  });
}

const edit = (n: number, version = 1) => ({ thing: 'plan a', says: 'Plan A', path: '/a', version, value: { n } });
/** Lets timers and the browser's database go on for a while. */
async function wait(ms: number) {
  for (let t = 0; t <= ms; t += 50) {
    await jest.advanceTimersByTimeAsync(50);
    for (let i = 0; i < 6; i++) await new Promise((go) => setImmediate(go));
  }
}
const placeOf = (box: ReturnType<typeof aWindow>) => pendingOf(box.state.getState(), 'plan a')?.place ?? 'saved';

test('an edit is on this machine before it is sent, goes once it rests, and is forgotten when the server has it', async () => {
  const server = aServer();
  const box = aWindow(server);
  await box.edit(edit(1));
  expect((await editStore.all()).map((k) => k.edits[0].value)).toEqual([{ n: 1 }]);
  expect(server.log).toEqual([]);
  void box.edit(edit(2));
  await wait(600);
  expect(server.log).toEqual(['2']);
  expect(server.things.get('/a')).toEqual({ version: 2, value: { n: 2 } });
  expect(await editStore.all()).toEqual([]);
  expect(placeOf(box)).toBe('saved');
});

test('what was edited while one is on its way goes after it, over the version it made', async () => {
  const server = aServer();
  let answer = () => {};
  const slow = new Promise<void>((go) => (answer = go));
  const box = aWindow(server, {
    send: async (...a) => {
      await slow;
      return server.send(a[0], a[1], a[2]);
    },
  });
  void box.edit(edit(1));
  await wait(500);
  void box.edit(edit(2));
  void box.edit(edit(3));
  await wait(500);
  answer();
  await wait(600);
  expect(server.log).toEqual(['1', '3']);
  expect(server.things.get('/a')).toEqual({ version: 3, value: { n: 3 } });
});

test('an edit made while the browser still forgets the one before is a change of what was just stored', async () => {
  const server = aServer();
  let forgotten = () => {};
  const slow = new Promise<void>((go) => (forgotten = go));
  const box = aWindow(server, { store: { ...editStore, drop: (id) => slow.then(() => editStore.drop(id)) } });
  void box.edit(edit(1));
  await wait(600);
  void box.edit(edit(2));
  await wait(600);
  forgotten();
  await wait(600);
  expect(server.log).toEqual(['1', '2']);
  expect(placeOf(box)).toBe('saved');
});

test('an answer that was not heard is asked for again with the same key: nothing is done twice', async () => {
  const server = aServer();
  server.next = ['lose answer', 'lose request'];
  const box = aWindow(server);
  void box.edit(edit(1));
  await wait(600);
  expect(placeOf(box)).toBe('waiting');
  void box.edit(edit(2));
  await wait(5000);
  expect(server.log).toEqual(['1', 'again 1', '2']);
  expect(server.things.get('/a')).toEqual({ version: 3, value: { n: 2 } });
  expect(placeOf(box)).toBe('saved');
});

test('a window that is gone leaves its edits to the next one; those of a window that is open are left alone', async () => {
  const server = aServer();
  server.next = Array(9).fill('lose request');
  const gone = aWindow(server, { window: 'gone' });
  const open = aWindow(server, { window: 'open' });
  await gone.edit(edit(1));
  await open.edit({ ...edit(7), thing: 'plan b', path: '/b' });
  await wait(500);
  jest.clearAllTimers();
  server.next = [];
  // The lock of a page that was left is given back a moment later.
  let looks = 0;
  const next = aWindow(server, { windows: async () => (++looks < 3 ? ['gone', 'open'] : ['open']) });
  void next.adopt();
  await wait(500);
  expect(next.state.getState().ready).toBe(false);
  await wait(1500);
  expect(next.state.getState().ready).toBe(true);
  await wait(1000);
  expect(server.log).toEqual(['1']);
  expect((await editStore.all()).map((k: KeptEdits) => k.thing)).toEqual(['plan b']);
});

test('what another window changed meanwhile is kept with both until a person decides: mine, or theirs', async () => {
  for (const decision of ['mine', 'theirs'] as const) {
    const server = aServer();
    server.things.set('/a', { version: 5, value: { n: 50 } });
    const box = aWindow(server);
    const theirs = jest.fn();
    box.listen('plan a', { stored: () => {}, theirs });
    void box.edit(edit(1));
    await wait(1000);
    expect(placeOf(box)).toBe('changed');
    const pending = pendingOf(box.state.getState(), 'plan a')!;
    expect(pending.now).toEqual({ version: 5, value: { n: 50 } });
    expect(server.things.get('/a')!.value).toEqual({ n: 50 });
    if (decision === 'mine') await box.keepMine(pending.kept.id);
    else await box.letGo(pending.kept.id);
    await wait(1000);
    expect(server.things.get('/a')!.value).toEqual({ n: decision === 'mine' ? 1 : 50 });
    expect(theirs).toHaveBeenCalledTimes(decision === 'mine' ? 0 : 1);
    expect(await editStore.all()).toEqual([]);
  }
});

test('what the server refuses stays here, is not sent again by itself, and goes when it is edited', async () => {
  const server = aServer();
  server.next = ['refuse'];
  const box = aWindow(server);
  void box.edit(edit(1));
  await wait(90_000);
  expect(placeOf(box)).toBe('refused');
  expect(server.log).toEqual([]);
  expect(await editStore.all()).toHaveLength(1);
  void box.edit(edit(2));
  await wait(1000);
  expect(server.log).toEqual(['2']);
  expect(placeOf(box)).toBe('saved');
});

test('a page that goes sends at once what rests, under the key it is kept by', async () => {
  const server = aServer();
  const box = aWindow(server);
  await box.edit(edit(1));
  const key = (await editStore.all())[0].edits[0].key;
  const sent: string[] = [];
  const left = aWindow(server, {
    send: (path, key, body) => {
      sent.push(key);
      return server.send(path, key, body);
    },
  });
  await left.edit(edit(2));
  left.flush('goes');
  expect(sent).toEqual([expect.any(String)]);
  expect(sent[0]).not.toBe(key);
  await wait(0);
  expect(server.log).toEqual(['2']);
});

test('what differs between two windows is told by name, counted from one', () => {
  const mine = { name: 'A', legs: [{ packOn: true }, { packOn: false }] };
  const theirs = { name: 'A', legs: [{ packOn: true }, { packOn: true }, { packOn: true }] };
  expect(differences(mine, theirs)).toEqual([
    { where: 'legs, 2, pack on', mine: 'false', theirs: 'true' },
    { where: 'legs, 3', mine: 'none', theirs: '{"packOn":true}' },
  ]);
  expect(differences(mine, { ...mine })).toEqual([]);
});

test('a page loaded anew knows for a minute what its window stored as the old one was left, and no longer', async () => {
  const server = aServer();
  let kept: Lately[] = [];
  let now = 1_000_000;
  const lately = { read: () => kept, write: (all: Lately[]) => void (kept = all) };
  const window = () => aWindow(server, { lately, nowMs: () => now });
  const box = window();
  await box.edit(edit(7));
  await wait(1000);
  expect(server.things.get('/a')).toEqual({ version: 2, value: { n: 7 } });
  // The server made the new page before it had the edit: it shows version 1.
  now += 59_000;
  const anew = window();
  expect(anew.known('plan a')).toMatchObject({ version: 2, value: { n: 7 } });
  await anew.edit(edit(8, 1));
  await wait(1000);
  expect(server.things.get('/a')).toEqual({ version: 3, value: { n: 8 } });
  now += 61_000;
  expect(window().known('plan a')).toBeUndefined();
});
