'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import { inForce, type Tap, type Told } from '@/core/underway/taps';
import { kept, type KeptTap } from '@/features/out/state/kept';
import { sendTaps } from '@/features/out/state/sending';
import type { Problem } from '@/formats/problem';

/** Whoever tells at a desk is a device of its own. */
const DEVICE = 'at home';
/** Something to be told, and when it was, ms since 1970 UTC; left out: now. */
export interface Telling {
  told: Told;
  atMs?: number;
}

/** All taps once: those of the server, and those of here. */
function together(server: readonly Tap[], here: readonly KeptTap[]): Tap[] {
  const known = new Map(server.map((t) => [t.id, t]));
  for (const { id, atMs, device, told } of here) known.set(id, { id, atMs, device, told });
  return [...known.values()];
}

/** How long one waits before what is not sent is sent again, ms. */
const AGAIN_MS = 4000;

/**
 * Everything that was told of an outing, on whichever phone and here. It is on this disk before the screen says so, and is sent when there
 * is a way, as the phone does it.
 */
export function useTold(outingId: string, server: readonly Tap[]) {
  const [here, setHere] = useState<readonly KeptTap[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [offline, setOffline] = useState(false);
  const sending = useRef(false);
  const gone = useRef(false);
  /** the newest, also before the page has drawn it; and what is told goes one after the other */
  const newest = useRef<readonly KeptTap[]>([]);
  const turn = useRef<Promise<unknown>>(Promise.resolve());
  const put = useCallback((change: (list: readonly KeptTap[]) => readonly KeptTap[]) => {
    newest.current = change(newest.current);
    setHere(newest.current);
  }, []);

  const send = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      const { changed, offline: off } = await sendTaps();
      if (gone.current) return;
      setOffline(off);
      const now = new Map(changed.map((t) => [t.id, t]));
      put((list) => list.map((t) => now.get(t.id) ?? t));
    } catch (e) {
      setTrouble((e as Error).message);
    } finally {
      sending.current = false;
    }
  }, [put]);

  useEffect(() => {
    gone.current = false;
    void kept
      .taps(outingId)
      .then((list) => {
        put((now) => [...now, ...list.filter((t) => !now.some((n) => n.id === t.id))]);
        return send();
      })
      .catch((e: Error) => setTrouble(e.message));
    const timer = setInterval(() => void send(), AGAIN_MS);
    return () => {
      gone.current = true;
      clearInterval(timer);
    };
  }, [outingId, put, send]);

  const taps = useMemo(() => together(server, here), [server, here]);

  const store = async (list: readonly Telling[]): Promise<string[]> => {
    if (list.length === 0) return [];
    const fresh = list.map(({ told, atMs }, i): KeptTap => ({
      id: uuid(),
      // Told together, in this order.
      atMs: atMs ?? Date.now() + i,
      device: DEVICE,
      told,
      session: outingId,
      place: 'here',
    }));
    try {
      await kept.putTaps(fresh);
    } catch (e) {
      setTrouble(`This could not be kept: ${(e as Error).message}. Make room on this device and tell it again.`);
      return [];
    }
    setTrouble(null);
    put((now) => [...now, ...fresh]);
    void send();
    return fresh.map((t) => t.id);
  };
  /** Takes back what holds by then and is like that, and tells something else in its place: one step, whatever is told meanwhile. */
  const retell = (is: (told: Told) => boolean, ...list: Telling[]): Promise<string[]> => {
    const next = turn.current.then(() => {
      const old = inForce(together(server, newest.current)).filter((t) => is(t.told));
      return store([...old.map((t) => ({ told: { kind: 'undo' as const, tap: t.id } })), ...list]);
    });
    turn.current = next.catch(() => {});
    return next;
  };
  const tell = (...list: Telling[]) => retell(() => false, ...list);
  const untell = (is: (told: Told) => boolean) => retell(is);
  const refused: Problem[] = here.flatMap((t) => (t.place === 'refused' ? (t.problems ?? []) : []));
  const waiting = here.filter((t) => t.place === 'here').length;
  return { taps, tell, untell, retell, refused, waiting, offline, trouble };
}

export type ToldHere = ReturnType<typeof useTold>;
