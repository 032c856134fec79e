import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** One change of one thing, under the key by which the server does it once. */
export interface Edit {
  key: string;
  /** what is stored of the thing: the body of the request without its version */
  value: Record<string, unknown>;
  /** sent at least once: it may be stored already, and goes out again with the same key until that is known */
  sent: boolean;
}

/** What of one thing is not known to be stored yet, as one window edited it. */
export interface KeptEdits {
  id: string;
  /** the window that edits it */
  window: string;
  /** such as `plan 7f…`: edits of one thing follow each other */
  thing: string;
  /** the thing by its name, for people */
  says: string;
  path: string;
  /** the version on the server that the first edit is a change of */
  version: number;
  /** at most two: one on its way, and all that was edited since */
  edits: Edit[];
  /** ms, when it was last edited */
  at: number;
}

/** Where edits are kept on this machine until the server has them. */
export interface EditStore {
  all(): Promise<KeptEdits[]>;
  put(kept: KeptEdits): Promise<void>;
  drop(id: string): Promise<void>;
}

interface Schema extends DBSchema {
  edits: { key: string; value: KeptEdits };
  drafts: { key: string; value: unknown };
}

const NAME = 'lofted-ember';
let opened: Promise<IDBPDatabase<Schema>> | null = null;

/** This application's database in the browser. */
function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>(NAME, 1, {
    upgrade(db) {
      db.createObjectStore('edits', { keyPath: 'id' });
      db.createObjectStore('drafts');
    },
  });
  return opened;
}

/** Edits in IndexedDB: acknowledged when the browser has them on disk. */
export const editStore: EditStore = {
  all: async () => (await database()).getAll('edits'),
  put: async (kept) => {
    const tx = (await database()).transaction('edits', 'readwrite', { durability: 'strict' });
    await tx.store.put(kept);
    await tx.done;
  },
  drop: async (id) => (await database()).delete('edits', id),
};

/** What is typed and not sent yet, by the name of its form; files too. */
export const draftStore = {
  all: async (): Promise<Record<string, unknown>> => {
    const tx = (await database()).transaction('drafts');
    const [names, values] = await Promise.all([tx.store.getAllKeys(), tx.store.getAll()]);
    return Object.fromEntries(names.map((name, i) => [name, values[i]]));
  },
  put: async (name: string, value: unknown): Promise<void> => {
    await (await database()).put('drafts', value, name);
  },
  drop: async (name: string): Promise<void> => (await database()).delete('drafts', name),
};
