'use client';
import { useEffect, useState } from 'react';
import type { Pack } from '@/core/underway/pack';
import { day, timeOfDay } from '@/formats/dates';
import { Mark } from '@/ui/Mark';
import { useToasts } from '@/ui/toasts';
import { kept, type KeptContact } from './state/kept';
import { Big } from './parts/Big';
import { useInstall, type useServiceWorker } from './state/useServiceWorker';

/** What is packed on this phone. */
export function Packed({ worker }: { worker: ReturnType<typeof useServiceWorker> }) {
  const [packs, setPacks] = useState<Pack[] | null>(null);
  const say = useToasts((t) => t.say);
  const install = useInstall();
  const read = () =>
    void kept.packs().then((list) => setPacks(list.sort((a, b) => a.outing.startMs - b.outing.startMs)));
  useEffect(read, []);
  const drop = async (p: Pack) => {
    await kept.dropPack(p.outingId);
    read();
    say(`${p.outing.name}: unpacked`, () => void kept.putPack(p).then(read));
  };
  return (
    <main className="px-4 py-3">
      <h1 className="flex items-center gap-2 text-[1.6rem] font-bold">
        <Mark /> Packed on this phone
      </h1>
      <p className="text-[1rem] text-ink-2">{worker.says}</p>
      {packs?.length === 0 && (
        <p className="speak mt-4 text-[1.2rem]">
          Nothing yet. At home, open an outing’s score and choose “Send to phone”; its link opens here and stays.
        </p>
      )}
      <ul className="mt-2">
        {packs?.map((p) => (
          <li key={p.outingId} className="border-b border-grid-2 py-2">
            <a href={`/out?outing=${p.outingId}`} className="block min-h-[44px] no-underline">
              <b className="speak block text-[1.3rem] leading-tight">{p.outing.name}</b>
              <span className="text-[1rem] text-ink-2">
                {day(p.outing.startMs)}, {timeOfDay(p.outing.startMs)}; {p.plan.worn.length} worn,{' '}
                {p.plan.carried.length} in the pack, {p.plan.cues.length} cues;{' '}
                {p.track ? 'with its route' : 'without a route'}; forecast{' '}
                {p.forecastMs === null ? 'of unknown age' : `of ${day(p.forecastMs)}`}
              </span>
            </a>
            <span className="flex gap-4 text-[1rem]">
              <a
                href={`/out?outing=${p.outingId}&rehearse`}
                className="inline-flex min-h-[44px] items-center underline"
              >
                Rehearse
              </a>
              <button type="button" className="min-h-[44px] cursor-pointer underline" onClick={() => void drop(p)}>
                Unpack
              </button>
            </span>
          </li>
        ))}
      </ul>
      {install ? (
        <Big kind="go" className="mt-3 w-full" onClick={install}>
          Put it beside my other applications
        </Big>
      ) : (
        <p className="mt-3 text-[0.95rem] text-ink-2">
          The browser’s menu, “Add to home screen”, puts this beside your other applications: one tap, no address.
        </p>
      )}
      <Contact />
      <p className="mt-4 text-[1rem]">
        <a href="/outings" className="inline-flex min-h-[44px] items-center underline">
          All outings
        </a>
      </p>
    </main>
  );
}

/** Who knows, for the prepared message: on this phone only. */
function Contact() {
  const [c, setC] = useState<KeptContact>({ name: '', number: '' });
  useEffect(() => {
    void kept.own<KeptContact>('contact').then((x) => x && setC(x));
  }, []);
  const change = (over: Partial<KeptContact>) => {
    const next = { ...c, ...over };
    setC(next);
    void kept.putOwn('contact', next);
  };
  const field =
    'mt-1 block min-h-[44px] w-full rounded-[0.4rem] border border-grid-2 bg-sheet px-2 text-[1.05rem] text-ink';
  return (
    <fieldset className="mt-4 border-t border-ink pt-2">
      <legend className="text-[1.1rem] font-bold">Who knows where you go</legend>
      <label className="block text-[1rem]">
        Name
        <input
          className={field}
          value={c.name}
          maxLength={60}
          autoComplete="off"
          onChange={(e) => change({ name: e.target.value })}
        />
      </label>
      <label className="mt-2 block text-[1rem]">
        Number for a text message
        <input
          className={field}
          value={c.number}
          maxLength={30}
          inputMode="tel"
          autoComplete="off"
          onChange={(e) => change({ number: e.target.value })}
        />
      </label>
      <p className="mt-1 text-[0.92rem] text-ink-2">Stays on this phone, and is sent nowhere by itself.</p>
    </fieldset>
  );
}
