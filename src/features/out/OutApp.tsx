'use client';
import { useEffect, useState } from 'react';
import type { Pack } from '@/core/underway/pack';
import { sunPosition } from '@/core/atmosphere/sun';
import { ask, NotDone } from '@/ui/api';
import { Packed } from './Packed';
import { IconPatterns } from './parts/Icons';
import { RehearsalBar } from './parts/RehearsalBar';
import { ThemeChoice } from './parts/ThemeChoice';
import { DangerScreen } from './screens/DangerScreen';
import { DoorScreen } from './screens/DoorScreen';
import { HomeScreen } from './screens/HomeScreen';
import { StuckScreen } from './screens/StuckScreen';
import { WayScreen } from './screens/WayScreen';
import { kept } from './state/kept';
import { useAwake } from './state/useAid';
import { useOut, type Out } from './state/useOut';
import { useSensors } from './state/useSensors';
import { useServiceWorker } from './state/useServiceWorker';
import { useTheme } from './state/useTheme';

/** The screen for the way: which outing is in the address; without one, what is packed on this phone. */
export function OutApp() {
  const [address, setAddress] = useState<{ outing: string | null; plan: string | null; rehearse: boolean } | null>(
    null,
  );
  const worker = useServiceWorker();
  useEffect(() => {
    const read = () => {
      const q = new URLSearchParams(window.location.search);
      setAddress({ outing: q.get('outing'), plan: q.get('plan'), rehearse: q.has('rehearse') });
    };
    read();
    window.addEventListener('popstate', read);
    return () => window.removeEventListener('popstate', read);
  }, []);
  if (!address) return <div data-out className="min-h-dvh" />;
  return (
    <div data-out className="@container mx-auto min-h-dvh max-w-[480px]">
      <IconPatterns />
      {address.outing ? (
        <OneOuting
          key={address.outing + address.rehearse}
          outingId={address.outing}
          planId={address.plan}
          how={address.rehearse ? 'rehearsal' : 'real'}
          worker={worker}
        />
      ) : (
        <Packed worker={worker} />
      )}
    </div>
  );
}

/** Takes an outing in, or opens what is here already. */
function OneOuting({
  outingId,
  planId,
  how,
  worker,
}: {
  outingId: string;
  planId: string | null;
  how: 'real' | 'rehearsal';
  worker: ReturnType<typeof useServiceWorker>;
}) {
  const [pack, setPack] = useState<Pack | null>(null);
  const [says, setSays] = useState('Packing…');
  useEffect(() => {
    let gone = false;
    void (async () => {
      const here = await kept.pack(outingId).catch(() => undefined);
      if (here && !gone) setPack(here);
      const begun = here ? (await kept.taps(outingId)).some((t) => t.told.kind === 'started') : false;
      // On the way nothing changes under somebody's hand; at the door the newest is taken in.
      if (begun) return;
      try {
        const fresh = await ask<Pack>('GET', `/api/outings/${outingId}/pack${planId ? `?plan=${planId}` : ''}`, {});
        await kept.putPack(fresh);
        if (!gone && JSON.stringify({ ...fresh, packedMs: 0 }) !== JSON.stringify({ ...here, packedMs: 0 }))
          setPack(fresh);
        void navigator.storage?.persist?.();
      } catch (e) {
        if (here || gone) return;
        setSays(
          e instanceof NotDone && e.status !== 0
            ? `It cannot be packed: ${e.problems.map((p) => `${p.field} is ${p.value}; allowed: ${p.allowed}`).join('; ')}`
            : 'This outing is not on this phone, and the server is not reached. Open the link once where there is a network.',
        );
      }
    })();
    return () => {
      gone = true;
    };
  }, [outingId, planId]);
  if (!pack)
    return (
      <main className="p-4">
        <p role="status" className="speak text-[1.3rem]">
          {says}
        </p>
        <a href="/out" className="mt-3 inline-flex min-h-[44px] items-center underline">
          What is packed on this phone
        </a>
      </main>
    );
  return <OnScreen pack={pack} how={how} worker={worker} />;
}

function OnScreen({
  pack,
  how,
  worker,
}: {
  pack: Pack;
  how: 'real' | 'rehearsal';
  worker: ReturnType<typeof useServiceWorker>;
}) {
  const o = useOut(pack, how);
  const s = useSensors(o);
  const [theme, setTheme] = useTheme(o && isNight(o) ? 'night' : 'day');
  const [aloud, setAloud] = useState<'aloud' | 'silent'>('silent');
  useEffect(() => {
    void kept.own<'aloud' | 'silent'>('aloud').then((a) => a && setAloud(a));
  }, []);
  const turnAloud = () => {
    const next = aloud === 'aloud' ? 'silent' : 'aloud';
    setAloud(next);
    void kept.putOwn('aloud', next);
  };
  useAwake(o?.out.stage === 'way' ? 'now' : 'no');
  if (!o) return <p className="p-4 text-[1.2rem]">Opening…</p>;
  const { units } = pack;
  return (
    <>
      {o.rehearsal && <RehearsalBar o={o} />}
      {o.trouble && (
        <p
          role="alert"
          className="flex items-start gap-3 border-2 border-act bg-sheet px-3 py-2 text-[1.05rem] font-semibold"
        >
          <span className="flex-1">{o.trouble}</span>
          <button type="button" className="min-h-[44px] cursor-pointer px-2 underline" onClick={o.clearTrouble}>
            Read
          </button>
        </p>
      )}
      {o.out.stage === 'home' ? (
        <HomeScreen o={o} units={units} />
      ) : o.out.stuckS !== null ? (
        <StuckScreen o={o} units={units} />
      ) : o.now?.danger ? (
        <DangerScreen o={o} units={units} aloud={aloud} />
      ) : (
        <main className="px-3">
          {o.out.stage === 'door' ? (
            <DoorScreen o={o} units={units} />
          ) : (
            <WayScreen o={o} s={s} units={units} aloud={aloud} onAloud={turnAloud} />
          )}
        </main>
      )}
      <nav
        aria-label="This phone"
        className="flex flex-wrap items-center gap-x-4 border-t border-grid-2 px-3 py-1 text-[0.92rem]"
      >
        <ThemeChoice theme={theme} onTheme={setTheme} />
        <a href="/out" className="inline-flex min-h-[44px] items-center underline">
          Packed
        </a>
        <a
          href={how === 'rehearsal' ? `/out?outing=${pack.outingId}` : `/out?outing=${pack.outingId}&rehearse`}
          className="inline-flex min-h-[44px] items-center underline"
        >
          {how === 'rehearsal' ? 'End the rehearsal' : 'Rehearse'}
        </a>
        <span className="text-ink-2">{worker.says}</span>
      </nav>
    </>
  );
}

/** Sun below the horizon where one is. */
function isNight({ opened, nowMs }: Out): boolean {
  const place = opened.pack.outing.profile ?? opened.pack.outing.place;
  return place ? sunPosition(nowMs, place.latitude, place.longitude).altitudeDeg < 0 : false;
}
