import { createStore, type StoreApi } from 'zustand';
import type { Problem } from '@/formats/problem';
import { NotDone, problemsOf } from '@/ui/api';
import type { Edit, EditStore, KeptEdits } from './kept';

/** Where the edits of one thing are. */
export type Place =
  /** on this machine, at rest for a moment */
  | 'kept'
  | 'sending'
  /** on this machine until the server can be reached */
  | 'waiting'
  /** the server would not take it */
  | 'refused'
  /** it was changed in another window: a person decides */
  | 'changed';

/** What stands on the server now, where it is not what the edit was made from. */
export interface Now {
  version: number;
  value: Record<string, unknown>;
}

export interface Pending {
  kept: KeptEdits;
  place: Place;
  problems: Problem[];
  now: Now | null;
  tries: number;
  /** left by a window that is gone */
  adopted?: true;
}

interface State {
  pending: Record<string, Pending>;
  /** edits of windows that are gone have been looked for */
  ready: boolean;
  /** how many edits of windows that are gone were stored: what this page shows may be older */
  adoptedStored: number;
}

/** What the outbox needs of the world; a test brings its own. */
export interface World {
  store: EditStore;
  /** sends one edit and answers with the new version @throws NotDone */
  send: (path: string, key: string, body: object, page: 'stays' | 'goes') => Promise<{ version: number }>;
  newKey: () => string;
  nowMs: () => number;
  /** @returns windows that are open, this one among them; null: the browser cannot say */
  windows: () => Promise<string[] | null>;
  window: string;
  /** what this window stored, kept over a reload */
  lately?: { read: () => Lately[]; write: (all: Lately[]) => void };
}

/** What a window stored last of a thing, and when, ms. */
export interface Lately extends Now {
  thing: string;
  at: number;
}

export interface NewEdit {
  thing: string;
  says: string;
  path: string;
  /** the version on the server that was edited */
  version: number;
  value: Record<string, unknown>;
}

/** An edit rests this long before it is sent, ms: a drag is one edit, not fifty. */
const REST_MS = 400;
const FIRST_RETRY_MS = 500;
const LAST_RETRY_MS = 30_000;
/** A page that is loaded anew may have been made before the server had what was sent as the old one was left: for so long, ms, the window knows better. */
const LATELY_MS = 60_000;
/** The page that was here a moment ago may still count as open: a new one looks so often, so far apart, ms, before it goes on. */
const FIRST_LOOKS = 8;
const LOOK_AGAIN_MS = 200;

/** What wants to know that something was stored, or that the other window's was taken. */
export interface Listener {
  stored: (value: Record<string, unknown>, version: number) => void;
  theirs: (now: Now) => void;
}

export type Outbox = ReturnType<typeof createOutbox>;

/**
 * The one way of edits to the server. An edit is kept on this machine first, then sent under a key by which the server does it
 * once, again after every failure that may pass, and after a reload. Edits of one thing go one after the other; what was edited
 * while one is on its way goes as one. Nothing is given up by itself: what the server refuses, and what another window changed
 * meanwhile, stays until a person decides.
 */
export function createOutbox(world: World) {
  const state: StoreApi<State> = createStore<State>(() => ({ pending: {}, ready: false, adoptedStored: 0 }));
  const timers = new Map<string, ReturnType<typeof setTimeout>>();
  const listeners = new Map<string, Set<Listener>>();
  const busy = new Set<string>();
  const newest = new Map<string, Now>();
  const isLate = ({ at }: Lately) => Math.abs(world.nowMs() - at) < LATELY_MS;
  for (const l of world.lately?.read().filter(isLate) ?? []) newest.set(l.thing, l);

  const get = (id: string): Pending | undefined => state.getState().pending[id];
  const set = (id: string, p: Pending | null) =>
    state.setState((s) => {
      const { [id]: _old, ...others } = s.pending;
      return { pending: p ? { ...others, [id]: p } : others };
    });
  const change = (id: string, over: Partial<Pending>) => {
    const p = get(id);
    if (p) set(id, { ...p, ...over });
  };
  const tell = (thing: string, what: (l: Listener) => void) => [...(listeners.get(thing) ?? [])].forEach(what);

  /** Those of one thing, the oldest first. */
  const of = (thing: string): Pending[] =>
    Object.values(state.getState().pending)
      .filter((p) => p.kept.thing === thing)
      .sort((a, b) => a.kept.at - b.kept.at);

  function remember(thing: string, now: Now) {
    newest.set(thing, now);
    const others = world.lately?.read().filter((l) => l.thing !== thing && isLate(l)) ?? [];
    world.lately?.write([...others, { ...now, thing, at: world.nowMs() }]);
  }

  function later(id: string, ms: number) {
    clearTimeout(timers.get(id));
    timers.set(
      id,
      setTimeout(() => void drain(id), ms),
    );
  }

  /** Keeps an edit on this machine. @returns when it is on disk */
  async function edit(e: NewEdit): Promise<void> {
    const fresh: Edit = { key: world.newKey(), value: e.value, sent: false };
    const last = of(e.thing).at(-1);
    const at = world.nowMs();
    if (!last) {
      const { value: _value, ...thing } = e;
      // The page may not have heard yet of what this window stored a moment ago.
      const version = Math.max(e.version, newest.get(e.thing)?.version ?? 0);
      const kept = { ...thing, version, id: `${world.window} ${fresh.key}`, window: world.window, edits: [fresh], at };
      set(kept.id, { kept, place: 'kept', problems: [], now: null, tries: 0 });
      await world.store.put(kept);
      later(kept.id, REST_MS);
      return;
    }
    const { id } = last.kept;
    const before = last.kept.edits.filter((x) => x.sent && last.place !== 'refused' && last.place !== 'changed');
    const kept = { ...last.kept, says: e.says, edits: [...before.slice(0, 1), fresh], at };
    // A conflict stays one, with the newest words of this window; anything else is tried anew.
    const place = last.place === 'changed' || last.place === 'sending' ? last.place : 'kept';
    set(id, { ...last, kept, place, problems: place === 'changed' ? last.problems : [], tries: 0 });
    await world.store.put(kept);
    if (place === 'kept') later(id, REST_MS);
  }

  /** Sends what there is of one entry until nothing is left, or something stands in the way. */
  async function drain(id: string, page: 'stays' | 'goes' = 'stays'): Promise<void> {
    clearTimeout(timers.get(id));
    if (busy.has(id)) return;
    busy.add(id);
    try {
      for (let p = get(id); p && p.place !== 'changed' && p.kept.edits.length > 0; p = get(id)) {
        // Edits of one thing by two windows go in the order they were made.
        if (of(p.kept.thing)[0].kept.id !== id) return;
        if (!(await sendFirst(p, page))) return;
      }
    } finally {
      busy.delete(id);
    }
  }

  /** @returns whether to go on */
  async function sendFirst(p: Pending, page: 'stays' | 'goes'): Promise<boolean> {
    const { id, thing } = p.kept;
    const [first, ...rest] = p.kept.edits;
    const kept = { ...p.kept, edits: [{ ...first, sent: true }, ...rest] };
    set(id, { ...p, kept, place: 'sending' });
    // When the page goes there is no time to wait for the disk: the edit is there under its key already.
    const noted = first.sent ? null : world.store.put(kept);
    if (page === 'stays') await noted;
    try {
      const { version } = await world.send(kept.path, first.key, { ...first.value, version: kept.version }, page);
      if (version > (newest.get(thing)?.version ?? 0)) remember(thing, { version, value: first.value });
      await stored(id, version);
      tell(thing, (l) => l.stored(first.value, version));
      if (p.adopted) state.setState((s) => ({ adoptedStored: s.adoptedStored + 1 }));
      const next = of(thing)[0];
      if (next && next.kept.id !== id) void drain(next.kept.id);
      return true;
    } catch (e) {
      await failed(id, e);
      return false;
    }
  }

  async function stored(id: string, version: number): Promise<void> {
    const p = get(id);
    if (!p) return;
    const edits = p.kept.edits.slice(1);
    if (edits.length === 0) {
      set(id, null);
      await world.store.drop(id);
      return;
    }
    const kept = { ...p.kept, version, edits };
    set(id, { ...p, kept, place: 'kept', problems: [], tries: 0 });
    await world.store.put(kept);
  }

  async function failed(id: string, e: unknown): Promise<void> {
    const p = get(id);
    if (!p) return;
    const problems = problemsOf(e);
    if (!(e instanceof NotDone) || e.mayPass) {
      const tries = p.tries + 1;
      set(id, { ...p, place: 'waiting', problems, tries });
      later(id, Math.min(LAST_RETRY_MS, FIRST_RETRY_MS * 2 ** (tries - 1)));
      return;
    }
    // An answer: this edit is not stored. Only the newest is kept, to go out under a new key.
    const last = { ...p.kept.edits[p.kept.edits.length - 1], key: world.newKey(), sent: false };
    const kept = { ...p.kept, edits: [last] };
    const overtaken = p.kept.edits.length > 1 && e.status !== 409;
    const now = (e.answer as { now?: Now } | undefined)?.now ?? null;
    set(id, { ...p, kept, place: overtaken ? 'kept' : now ? 'changed' : 'refused', problems, now, tries: 0 });
    await world.store.put(kept);
    if (overtaken) later(id, REST_MS);
  }

  return {
    state,
    window: world.window,
    edit,
    /** what this window stored last of a thing */
    known: (thing: string): Now | undefined => newest.get(thing),
    /** sends what waits, at once @param page whether the page stays to hear the answer */
    flush(page: 'stays' | 'goes' = 'stays', thing?: string): void {
      for (const p of Object.values(state.getState().pending))
        if ((p.place === 'kept' || p.place === 'waiting') && (!thing || p.kept.thing === thing))
          void drain(p.kept.id, page);
    },
    /** tries again what was refused */
    again(id: string): void {
      change(id, { place: 'kept', problems: [] });
      void drain(id);
    },
    /** gives up what was refused: the server's stays */
    async letGo(id: string): Promise<void> {
      const p = get(id);
      set(id, null);
      await world.store.drop(id);
      if (!p?.now) return;
      remember(p.kept.thing, p.now);
      tell(p.kept.thing, (l) => l.theirs(p.now!));
    },
    /** puts this window's over what another one stored */
    async keepMine(id: string): Promise<void> {
      const p = get(id);
      if (!p?.now) return;
      const kept = { ...p.kept, version: p.now.version };
      set(id, { ...p, kept, place: 'kept', problems: [], now: null });
      await world.store.put(kept);
      void drain(id);
    },
    listen(thing: string, listener: Listener): () => void {
      const all = listeners.get(thing) ?? new Set();
      listeners.set(thing, all.add(listener));
      return () => void all.delete(listener);
    },
    /** takes over what windows that are gone could not send; once in a while, since a window takes a moment to be gone */
    async adopt(): Promise<void> {
      for (let looks = state.getState().ready ? 1 : FIRST_LOOKS; looks > 0; looks--) {
        const open = await world.windows();
        const others = (await world.store.all().catch(() => [])).filter((k) => k.window !== world.window);
        const left = others.filter((k) => !open?.includes(k.window) && !get(k.id));
        for (const kept of left.sort((a, b) => a.at - b.at)) {
          const mine = { ...kept, window: world.window };
          await world.store.put(mine);
          set(kept.id, { kept: mine, place: 'kept', problems: [], now: null, tries: 0, adopted: true });
        }
        if (others.length === left.length) break;
        if (looks > 1) await new Promise((go) => setTimeout(go, LOOK_AGAIN_MS));
      }
      state.setState({ ready: true });
      this.flush();
    },
  };
}

/** The newest of a thing that is not known to be stored. */
export const pendingOf = (s: State, thing: string): Pending | undefined =>
  Object.values(s.pending)
    .filter((p) => p.kept.thing === thing)
    .sort((a, b) => b.kept.at - a.kept.at)[0];
