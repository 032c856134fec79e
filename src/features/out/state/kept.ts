import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Pack } from '@/core/underway/pack';
import type { Tap } from '@/core/underway/taps';
import type { Problem } from '@/formats/problem';

/** A tap as it lies on this phone. */
export interface KeptTap extends Tap {
  /** which session it belongs to: an outing by its id, or its rehearsal */
  session: string;
  /** `sent`: the server has it. A rehearsal stays here */
  place: 'here' | 'sent' | 'refused';
  problems?: Problem[];
}

/** What of a session is not a tap: where a rehearsal's clock stands, and how far the server's taps are known. */
export interface KeptSession {
  session: string;
  /** the clock of a rehearsal: at `sinceMs` of the phone it was `atMs`, and runs so many times as fast */
  clock?: { atMs: number; sinceMs: number; speed: number };
  /** place of the last tap heard from the server */
  lastSeq?: number;
}

/** Safety words that stay on this phone: who knows, and where to send. */
export interface KeptContact {
  name: string;
  number: string;
}

interface Schema extends DBSchema {
  packs: { key: string; value: Pack };
  taps: { key: string; value: KeptTap; indexes: { session: string; place: string } };
  sessions: { key: string; value: KeptSession };
  own: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;

/** What this phone carries: a database of its own, so that nothing else ever has to be opened out there. */
function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('lofted-ember-out', 1, {
    upgrade(db) {
      db.createObjectStore('packs', { keyPath: 'outingId' });
      const taps = db.createObjectStore('taps', { keyPath: 'id' });
      taps.createIndex('session', 'session');
      taps.createIndex('place', 'place');
      db.createObjectStore('sessions', { keyPath: 'session' });
      db.createObjectStore('own');
    },
  });
  return opened;
}

export const REHEARSAL = ' rehearsal';
export const rehearsalOf = (outingId: string): string => outingId + REHEARSAL;
export const isRehearsal = (session: string): boolean => session.endsWith(REHEARSAL);

export const kept = {
  packs: async () => (await database()).getAll('packs'),
  pack: async (outingId: string) => (await database()).get('packs', outingId),
  putPack: async (pack: Pack) => {
    await (await database()).put('packs', pack);
  },
  /** Everything of an outing but taps that are not sent. */
  dropPack: async (outingId: string) => {
    const db = await database();
    await db.delete('packs', outingId);
    for (const t of await db.getAllFromIndex('taps', 'session', outingId))
      if (t.place === 'sent') await db.delete('taps', t.id);
    await forget(db, rehearsalOf(outingId));
  },
  taps: async (session: string) => (await database()).getAllFromIndex('taps', 'session', session),
  /** Stores taps; they are on disk when this is over. @throws the browser's own QuotaExceededError when the phone is full */
  putTaps: async (taps: readonly KeptTap[]) => {
    const tx = (await database()).transaction('taps', 'readwrite', { durability: 'strict' });
    await Promise.all([...taps.map((t) => tx.store.put(t)), tx.done]);
  },
  /** Taps that the server does not have, the oldest first. */
  unsent: async () => {
    const list = await (await database()).getAllFromIndex('taps', 'place', 'here');
    return list.filter((t) => !isRehearsal(t.session)).sort((a, b) => a.atMs - b.atMs);
  },
  session: async (session: string): Promise<KeptSession> =>
    (await (await database()).get('sessions', session)) ?? { session },
  putSession: async (s: KeptSession) => {
    await (await database()).put('sessions', s);
  },
  forgetSession: async (session: string) => forget(await database(), session),
  own: async <T>(name: string) => (await (await database()).get('own', name)) as T | undefined,
  putOwn: async (name: string, value: unknown) => {
    await (await database()).put('own', value, name);
  },
};

async function forget(db: IDBPDatabase<Schema>, session: string): Promise<void> {
  const tx = db.transaction(['taps', 'sessions'], 'readwrite');
  const taps = tx.objectStore('taps');
  for (const id of await taps.index('session').getAllKeys(session)) await taps.delete(id);
  await tx.objectStore('sessions').delete(session);
  await tx.done;
}

/** The name of this phone among others of one athlete. */
export async function deviceName(fresh: () => string): Promise<string> {
  const before = await kept.own<string>('device');
  if (before) return before;
  const made = fresh();
  await kept.putOwn('device', made);
  return made;
}
