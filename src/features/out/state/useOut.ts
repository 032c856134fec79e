'use client';
// Longer than a file should be: one state for all screens on the way; each effect reads what the others keep.
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { CueReason } from '@/core/questions/cueReason';
import { foldTaps } from '@/core/underway/foldTaps';
import { standingAt, type OutThere } from '@/core/underway/outThere';
import { openPack, plannedStartMs, type Opened, type Pack } from '@/core/underway/pack';
import type { HomeAgain } from '@/core/underway/homeAgain';
import { putBackMs, SAID_MS, type PhoneClock } from '@/core/underway/phoneClock';
import { nextTapMs, type Tap, type Told } from '@/core/underway/taps';
import { newKey } from '@/ui/api';
import { Companion, type BelievedNow, type Now, type Otherwise, type StuckNow } from '@/workers/outThereClient';
import { deviceName, isRehearsal, kept, rehearsalOf, type KeptSession, type KeptTap } from './kept';
import { fetchTaps, knownClock, sendTaps } from './sending';

/** How often the picture of the body is worked out anew, s of the outing's clock; and the belief, without a new word. */
const NOW_EVERY_S = 30;
const BELIEVE_EVERY_S = 300;
/** How often what is kept here is sent, and other phones are asked about, ms. */
const SEND_EVERY_MS = 20_000;
/** Of a rehearsal the door is seen so long before the start, ms. */
const BEFORE_MS = 18 * 60_000;

export interface Out {
  opened: Opened;
  out: OutThere;
  taps: readonly KeptTap[];
  session: string;
  rehearsal: boolean;
  nowMs: number;
  now: Now | null;
  belief: BelievedNow | null;
  reasons: readonly CueReason[];
  stuck: StuckNow | null;
  home: HomeAgain | null;
  /** what may go otherwise than the one run says; null: not worked out yet */
  otherwise: Otherwise | null;
  /** what the phone is busy with, for people; null: nothing */
  busy: string | null;
  /** something that went wrong, in a sentence */
  trouble: string | null;
  offline: boolean;
  /** by how much this phone's clock is put back, ms, where people would see it; else 0 */
  putBackMs: number;
  waiting: number;
  refused: readonly KeptTap[];
  /** stores what is told, then acknowledges it. @returns its id; null where it could not be kept */
  tell: (...told: Told[]) => Promise<string | null>;
  /** begins, with the plan as it is at that moment: what was worn is known whatever becomes of the plan at home */
  start: (by: 'button' | 'moving') => Promise<string | null>;
  undo: (id: string) => void;
  replanFromHere: () => Promise<void>;
  /** fits the plan to sky and pieces. @returns the tap that did it; null: the plan stays */
  redress: () => Promise<string | null>;
  clock: KeptSession['clock'] | null;
  setSpeed: (speed: number) => void;
  restart: () => void;
  clearTrouble: () => void;
}

/** The clock of a session: the phone's own, put right by the server's, or that of a rehearsal. */
const readClock = (clock: KeptSession['clock'] | null, phone: PhoneClock | null, realMs: number): number =>
  clock ? clock.atMs + (realMs - clock.sinceMs) * clock.speed : realMs - putBackMs(phone);

const inWords = (e: unknown): string =>
  e instanceof DOMException && e.name === 'QuotaExceededError'
    ? 'The phone is full: this is not kept. Make room, and tap again.'
    : `This could not be kept: ${(e as Error).message}. Tap again.`;

/** All that the screen of one packed outing knows. Everything follows from the pack and the taps; both lie on this phone. */
export function useOut(pack: Pack, how: 'real' | 'rehearsal'): Out | null {
  const session = how === 'rehearsal' ? rehearsalOf(pack.outingId) : pack.outingId;
  const opened = useMemo(() => openPack(pack), [pack]);
  const [taps, setTaps] = useState<KeptTap[] | null>(null);
  const [clock, setClock] = useState<KeptSession['clock'] | null>(null);
  const [realMs, setRealMs] = useState(() => Date.now());
  const [now, setNow] = useState<Now | null>(null);
  const [belief, setBelief] = useState<BelievedNow | null>(null);
  const [reasons, setReasons] = useState<CueReason[]>([]);
  const [stuck, setStuck] = useState<StuckNow | null>(null);
  const [home, setHome] = useState<HomeAgain | null>(null);
  const [otherwise, setOtherwise] = useState<Otherwise | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [offline, setOffline] = useState(false);
  const [phone, setPhone] = useState<PhoneClock | null>(null);
  const companion = useRef<Companion | null>(null);
  /** over when a rehearsal that was begun anew has been forgotten on disk: what is kept of the new one waits for it */
  const forgotten = useRef(Promise.resolve());
  const latest = useRef<{ taps: KeptTap[]; clockMs: (realMs: number) => number; belief: BelievedNow | null }>({
    taps: [],
    clockMs: (realMs) => realMs,
    belief: null,
  });
  latest.current = { taps: taps ?? [], clockMs: (realMs) => readClock(clock, phone, realMs), belief };

  useEffect(() => {
    const c = new Companion(pack);
    companion.current = c;
    return () => c.close();
  }, [pack]);

  useEffect(() => {
    let gone = false;
    void (async () => {
      const [before, s, known] = await Promise.all([kept.taps(session), kept.session(session), knownClock()]);
      if (gone) return;
      setPhone(known);
      if (how === 'rehearsal') {
        // A rehearsal that was closed stands where it was left.
        const c = s.clock ?? { atMs: plannedStartMs(pack) - BEFORE_MS, sinceMs: Date.now(), speed: 1 };
        const last = Math.max(c.atMs, ...before.map((t) => t.atMs));
        const resumed = s.clock ? { atMs: last, sinceMs: Date.now(), speed: c.speed } : c;
        await kept.putSession({ ...s, clock: resumed });
        if (!gone) setClock(resumed);
      }
      setTaps(before);
    })().catch((e) => setTrouble(inWords(e)));
    return () => {
      gone = true;
    };
  }, [session, how, pack]);

  // The second hand.
  useEffect(() => {
    const fast = (clock?.speed ?? 1) > 1;
    const timer = setInterval(() => setRealMs(Date.now()), fast ? 250 : 1000);
    return () => clearInterval(timer);
  }, [clock?.speed]);

  const nowMs = readClock(clock, phone, realMs);
  const told = useMemo(() => taps && foldTaps(opened, taps), [opened, taps]);
  const out = useMemo(() => told && standingAt(opened, told, nowMs), [opened, told, nowMs]);

  const tell = useCallback(
    async (...told: Told[]): Promise<string | null> => {
      try {
        const device = await deviceName(() => `phone ${newKey().slice(0, 8)}`);
        const atMs = nextTapMs(latest.current.taps, device, latest.current.clockMs(Date.now()));
        const place = isRehearsal(session) ? 'sent' : 'here';
        const made = told.map((t, i): KeptTap => ({ id: newKey(), atMs: atMs + i, device, told: t, session, place }));
        // On disk first: only then does the screen say that it heard.
        await forgotten.current;
        await kept.putTaps(made);
        setTaps((list) => [...(list ?? []), ...made]);
        return made[0].id;
      } catch (e) {
        setTrouble(inWords(e));
        return null;
      }
    },
    [session],
  );

  const asked = useCallback((): { taps: Tap[]; nowMs: number } => {
    const { taps: list, clockMs } = latest.current;
    return { taps: list, nowMs: clockMs(Date.now()) };
  }, []);

  // The picture of the body: after each tap, and now and then.
  const tick = Math.floor((out?.nowS ?? 0) / NOW_EVERY_S);
  const count = taps?.length ?? -1;
  useEffect(() => {
    if (count < 0) return;
    let gone = false;
    companion.current?.now(asked(), latest.current.belief).then(
      (n) => !gone && setNow(n),
      (e: Error) => !gone && setTrouble(e.message),
    );
    return () => {
      gone = true;
    };
  }, [count, tick, belief, asked, pack]);

  const heard = out?.heard.length ?? 0;
  const believeTick = Math.floor((out?.nowS ?? 0) / BELIEVE_EVERY_S);
  useEffect(() => {
    if (heard === 0) return;
    let gone = false;
    companion.current?.believe(asked()).then(
      (b) => !gone && setBelief(b),
      () => {},
    );
    return () => {
      gone = true;
    };
  }, [heard, believeTick, asked, pack]);

  const planMark = JSON.stringify(out?.plan.cues ?? null);
  useEffect(() => {
    if (count < 0) return;
    let gone = false;
    companion.current?.reasons(asked()).then(
      (r) => !gone && setReasons(r),
      () => {},
    );
    return () => {
      gone = true;
    };
    // `planMark`: reasons belong to the cues of the plan.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [planMark, count < 0, pack]);

  const before = out !== null && out.stage !== 'home';
  const packMark = JSON.stringify([out?.plan.worn, out?.plan.carried, out?.sky]);
  useEffect(() => {
    if (!before) return;
    let gone = false;
    companion.current?.otherwise(asked()).then(
      (f) => !gone && setOtherwise(f),
      () => {},
    );
    return () => {
      gone = true;
    };
    // `packMark`: it depends on what is along and on the sky alone.
  }, [before, packMark, asked, pack]);

  const isStuck = out?.stuckS != null;
  const people = out?.stuckSo.people;
  useEffect(() => {
    if (!isStuck) return setStuck(null);
    let gone = false;
    companion.current?.stuck(asked(), latest.current.belief).then(
      (s) => !gone && setStuck(s),
      (e: Error) => !gone && setTrouble(e.message),
    );
    return () => {
      gone = true;
    };
    // Company is one of the ways to wait.
  }, [isStuck, people, asked, pack]);

  const isHome = out?.stage === 'home';
  useEffect(() => {
    if (!isHome) return setHome(null);
    let gone = false;
    companion.current?.home(asked(), latest.current.belief).then(
      (h) => !gone && setHome(h),
      (e: Error) => !gone && setTrouble(e.message),
    );
    return () => {
      gone = true;
    };
  }, [isHome, asked, pack]);

  // To the server and to other phones, when there is a way.
  useEffect(() => {
    if (isRehearsal(session)) return;
    let gone = false;
    const exchange = async () => {
      const { changed, offline: nobody } = await sendTaps();
      const place = new Map(changed.map((t) => [t.id, t]));
      if (gone) return;
      setOffline(nobody);
      if (place.size > 0) setTaps((list) => list && list.map((t) => place.get(t.id) ?? t));
      if (nobody) return;
      const { fresh, clock: read } = await fetchTaps(session, new Set(latest.current.taps.map((t) => t.id)));
      if (!gone) setPhone(read);
      if (!gone && fresh.length > 0) setTaps((list) => [...(list ?? []), ...fresh]);
    };
    const go = () => void exchange().catch(() => !gone && setOffline(true));
    go();
    const timer = setInterval(go, SEND_EVERY_MS);
    window.addEventListener('online', go);
    return () => {
      gone = true;
      clearInterval(timer);
      window.removeEventListener('online', go);
    };
  }, [session, count < 0]); // eslint-disable-line react-hooks/exhaustive-deps

  const work = async (says: string, what: () => Promise<void>) => {
    setBusy(says);
    try {
      await what();
    } catch (e) {
      setTrouble((e as Error).message);
    } finally {
      setBusy(null);
    }
  };

  const keepClock = (next: KeptSession['clock']) =>
    void forgotten.current.then(() => kept.putSession({ session, clock: next })).catch((e) => setTrouble(inWords(e)));

  if (!taps || !out) return null;
  return {
    opened,
    out,
    taps,
    session,
    rehearsal: how === 'rehearsal',
    nowMs,
    now,
    belief,
    reasons,
    stuck,
    home,
    otherwise,
    busy,
    trouble,
    offline,
    putBackMs: clock === null && Math.abs(putBackMs(phone)) >= SAID_MS ? putBackMs(phone) : 0,
    waiting: taps.filter((t) => t.place === 'here').length,
    refused: taps.filter((t) => t.place === 'refused'),
    tell,
    start: (by) => tell({ kind: 'dressed', plan: out.plan }, { kind: 'started', by }),
    undo: (id) => void tell({ kind: 'undo', tap: id }),
    replanFromHere: () =>
      work('Planning the rest from here', async () => {
        const rest = await companion.current!.replan(asked(), latest.current.belief);
        await tell({ kind: 'replanned', cues: rest.cues });
      }),
    redress: async () => {
      let made: string | null = null;
      await work('Fitting the plan to it', async () => {
        const plan = await companion.current!.redress(asked());
        if (plan) made = await tell({ kind: 'dressed', plan });
      });
      return made;
    },
    clock,
    setSpeed: (speed) => {
      const real = Date.now();
      const next = { atMs: latest.current.clockMs(real), sinceMs: real, speed };
      setClock(next);
      keepClock(next);
    },
    restart: () => {
      const next = { atMs: plannedStartMs(pack) - BEFORE_MS, sinceMs: Date.now(), speed: 1 };
      // At once: whoever holds the clock the next moment must not see it run on when the disk has forgotten.
      setTaps([]);
      setBelief(null);
      setClock(next);
      forgotten.current = kept.forgetSession(session).catch((e) => setTrouble(inWords(e)));
      keepClock(next);
    },
    clearTrouble: () => setTrouble(null),
  };
}
