import { ask, newKey } from '@/ui/api';
import { editStore } from './kept';
import { createOutbox, type Lately, type Outbox } from './outbox';

/** Windows that are gone are looked for this often, ms. */
const ADOPT_MS = 5000;
const WINDOW = 'lofted-ember window ';

let made: Outbox | null = null;

/** The outbox of this window: one for all its pages. */
export function outbox(): Outbox {
  if (made) return made;
  const window = newKey();
  made = createOutbox({
    store: editStore,
    send: (path, key, body, page) =>
      ask<{ version: number }>('PUT', path, { body, key, also: { keepalive: page === 'goes' } }),
    newKey,
    nowMs: () => Date.now(),
    windows,
    window,
    lately: { read: readLately, write: writeLately },
  });
  return made;
}

const LATELY = 'lofted-ember stored lately';

/** A browser that keeps nothing (a private window may not) remembers nothing over a reload. */
function readLately(): Lately[] {
  try {
    return JSON.parse(sessionStorage.getItem(LATELY) ?? '[]') as Lately[];
  } catch {
    return [];
  }
}

function writeLately(all: Lately[]): void {
  try {
    sessionStorage.setItem(LATELY, JSON.stringify(all));
  } catch {
    // It is a help for a minute, and nothing is lost without it.
  }
}

/** A lock held as long as the page lives tells other windows that this one is open. */
async function windows(): Promise<string[] | null> {
  if (!('locks' in navigator)) return null;
  const { held } = await navigator.locks.query();
  return (held ?? []).flatMap((l) => (l.name?.startsWith(WINDOW) ? [l.name.slice(WINDOW.length)] : []));
}

/** Takes over what is left of windows that are gone, and sends what waits when the network is back or the page is left. */
export function startOutbox(): () => void {
  const box = outbox();
  const over = new AbortController();
  if ('locks' in navigator)
    void navigator.locks
      .request(WINDOW + box.window, { signal: over.signal }, () => new Promise<void>(() => {}))
      .catch(() => {});
  void box.adopt();
  const again = setInterval(() => void box.adopt(), ADOPT_MS);
  const back = () => box.flush();
  const leave = () => box.flush('goes');
  window.addEventListener('online', back);
  window.addEventListener('pagehide', leave);
  return () => {
    clearInterval(again);
    window.removeEventListener('online', back);
    window.removeEventListener('pagehide', leave);
    over.abort();
  };
}
