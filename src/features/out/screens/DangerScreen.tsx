'use client';
import { useState } from 'react';
import { findingSentence } from '@/core/judge/verdict';
import { clock } from '@/formats/dates';
import { fillSlots } from '@/formats/sentences';
import { degrees, type Units } from '@/formats/measures';
import { Big, useHold } from '@/features/out/parts/Big';
import { Triangle } from '@/features/out/parts/Icons';
import { sayAloud, useAlert } from '@/features/out/state/useAid';
import type { Out } from '@/features/out/state/useOut';
import { DANGER_WORDS, dangerSays, dayClock, howLong } from '@/features/out/words';

/** Held this long, ms, a danger may be answered with a reason. */
const HOLD_MS = 2000;
const REASONS = ['The hut is nearer', 'The light is longer', 'I am not there', 'We sleep out'];

/** Danger: words before any picture, what to do in which order, and a way out that takes two seconds of holding. */
export function DangerScreen({ o, units, aloud }: { o: Out; units: Units; aloud: 'aloud' | 'silent' }) {
  const [why, setWhy] = useState(false);
  const hold = useHold(() => setWhy(true), HOLD_MS);
  const { danger, steps, actions } = o.now!.danger!;
  const { out, now } = o;
  const words = DANGER_WORDS[danger.kind];
  useAlert({ key: danger.kind, overS: 0, says: words.head }, aloud);
  const seconds = steps.reduce((sum, s) => sum + s.seconds, 0);
  const { utcOffsetMin } = o.opened.pack.outing;
  const answer = async (reason: string) => {
    await o.tell({ kind: 'goes on', danger: danger.kind, why: reason });
    setWhy(false);
  };
  const act = async () => {
    if (danger.kind !== 'turn back') {
      if (actions.length > 0) await o.tell({ kind: 'did', actions });
      await answer('done what was said');
      return o.replanFromHere();
    }
    await o.tell({ kind: 'turned back' }, { kind: 'goes on', danger: danger.kind, why: 'turned back' });
    await o.replanFromHere();
  };
  return (
    <main
      role="alertdialog"
      aria-label={words.head}
      className="flex min-h-dvh flex-col border-4 border-act px-3 pt-2 pb-3"
    >
      <div className="flex items-end justify-between gap-3">
        <h1 className="narrow text-[4rem] leading-[0.92] font-extrabold">{words.head}</h1>
        <span className="text-act">
          <Triangle size={72} />
        </span>
      </div>
      {danger.kind === 'turn back' ? (
        <LightAndWay o={o} />
      ) : (
        <p className="mt-2 text-[1.35rem] leading-snug font-semibold">{dangerSays(danger, out.nowS, units)}</p>
      )}
      {steps.length > 0 && (
        <section className="mt-3 border-t-2 border-ink pt-2" aria-label="Put on, in this order">
          <h2 className="flex items-baseline justify-between text-[1.1rem] font-bold">
            Put on, in this order <span>{howLong(seconds)}</span>
          </h2>
          <ol>
            {steps.slice(0, 6).map((s, i) => (
              <li
                key={s.garment + s.says}
                className="grid grid-cols-[2.4rem_1fr_auto] items-center gap-2 py-1 text-[1.3rem] leading-tight font-bold"
              >
                <span className="grid size-9 place-items-center rounded-full bg-ink text-[1.1rem] text-paper">
                  {i + 1}
                </span>
                {s.says}
                <span className="text-[1.05rem] font-normal">{s.seconds.toFixed(0)} s</span>
              </li>
            ))}
          </ol>
        </section>
      )}
      <Big kind="go" size="main" className="mt-3 min-h-[110px] text-[2.2rem]" onClick={() => void act()}>
        {words.goes}
      </Big>
      <section className="mt-3" aria-label="Why">
        <h2 className="text-[1.1rem] font-bold">Why</h2>
        <ul className="text-[1.02rem] leading-snug">
          <li>
            {clock(danger.atS)} out, {dayClock(out.startMs!, utcOffsetMin, danger.atS)}:{' '}
            {o.opened.timeline.legs.length > 0 && now
              ? `air ${degrees(now.airC, units)}, feels ${degrees(now.feelsC, units)}`
              : ''}
          </li>
          {now!.findings.slice(0, 3).map((f) => (
            <li key={f.kind + f.atS}>{fillSlots(findingSentence(f), units)}</li>
          ))}
          <li>This is a calculation. What rescue, locals and your companions say comes first.</li>
        </ul>
      </section>
      <div className="mt-auto pt-3">
        <Big className="w-full flex-col border-dashed" {...hold.on} onClick={() => {}} aria-expanded={why}>
          Wrong? Hold here 2 s
          <span className="text-[0.9rem] font-normal">
            or Shift and Enter; it comes back if the numbers still say so
          </span>
        </Big>
        {why && (
          <div
            className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-2"
            role="group"
            aria-label="Why do you go on?"
          >
            {REASONS.map((r) => (
              <Big key={r} size="row" onClick={() => void answer(r)}>
                {r}
              </Big>
            ))}
          </div>
        )}
        <Big
          size="small"
          kind="quiet"
          className="mt-2 w-full"
          onClick={() => sayAloud(`${words.head} ${steps.map((s) => s.says).join('. ')}`)}
        >
          Say it aloud
        </Big>
      </div>
    </main>
  );
}

/** Two bars of the same minutes: how long there is light, and how long the way is. */
function LightAndWay({ o }: { o: Out }) {
  const { light } = o.now!;
  const { nowS, startMs } = o.out;
  const left = Math.max(0, (light.darkS ?? nowS) - nowS);
  const way = Math.max(0, light.endS - nowS);
  const far = Math.max(left, way, light.backS, 1);
  const { utcOffsetMin } = o.opened.pack.outing;
  const bar = (s: number) => `${Math.max(2, (100 * s) / far)}%`;
  return (
    <section className="mt-2" aria-label="Light and way">
      <p className="text-[1.8rem] leading-tight font-bold">
        {howLong(left)} of light, {howLong(way)} to the end, {howLong(light.backS)} back.
      </p>
      {[
        {
          name: 'light',
          s: left,
          says: `till ${light.darkS === null ? '?' : dayClock(startMs!, utcOffsetMin, light.darkS)}`,
          full: false,
        },
        { name: 'on', s: way, says: dayClock(startMs!, utcOffsetMin, light.endS), full: true },
        { name: 'back', s: light.backS, says: dayClock(startMs!, utcOffsetMin, nowS + light.backS), full: true },
      ].map((b) => (
        <p key={b.name} className="mt-1 grid grid-cols-[3rem_1fr] items-center gap-2 text-[1.05rem] font-semibold">
          {b.name}
          <span className="relative block h-8 border-2 border-ink">
            <span
              className={`absolute inset-y-0 left-0 ${b.full ? 'bg-ink' : 'bg-worn'}`}
              style={{ width: bar(b.s) }}
            />
            <span className="absolute inset-y-0 left-1 flex items-center bg-sheet px-1 text-[0.95rem]">{b.says}</span>
          </span>
        </p>
      ))}
    </section>
  );
}
