'use client';
import { useEffect, useRef, type ReactNode } from 'react';
import type { BestStart } from '@/core/plan/bestStart';
import type { Chances } from '@/core/plan/members';
import type { Stuck, StuckOut } from '@/core/plan/stuckOut';
import type { Remedy } from '@/core/plan/wouldBeSafe';
import type { Instead, Why } from '@/core/plan/whyThis';
import {
  clock,
  day,
  degrees,
  fall,
  fallUnit,
  fillSlots,
  movedText,
  temperature,
  temperatureUnit,
  timeOfDay,
  type Units,
} from '@/formats/words';
import { barTop } from '@/ui/scale';
import type { Behind as Parts } from '@/workers/client';

/** What lies behind the plan: its chances, what if nobody can go on, when to go, and why each piece. */
export function Behind({
  parts,
  failed,
  startMs,
  unsafe,
  units,
}: {
  parts: Partial<Parts>;
  failed: string | null;
  /** the plan raises an alarm */
  unsafe: boolean;
  startMs: number;
  units: Units;
}) {
  const waiting = (
    <p className="py-2 text-ink-3">{failed ? `Could not be worked out: ${failed}` : 'Working it out…'}</p>
  );
  return (
    <section
      aria-label="Behind the plan"
      className="mt-4 grid grid-cols-2 gap-x-10 gap-y-6 border-t-2 border-ink pt-2 max-[900px]:grid-cols-1"
    >
      {unsafe && parts.wouldBeSafe && (
        <div className="col-span-full border-l-4 border-act pl-3">
          <Part title="This plan is not safe. What would be:">
            {parts.wouldBeSafe.length > 0 ? (
              <Remedies list={parts.wouldBeSafe} />
            ) : (
              <p>No single piece, no earlier return and no shorter stop makes it safe. Not today, and not like this.</p>
            )}
          </Part>
        </div>
      )}
      <div className="min-w-0 space-y-6">
        <Part title="What the day may do with it">{parts.chances ? <ChancesList c={parts.chances} /> : waiting}</Part>
        <Part title="Why this piece and not the next">
          {parts.why ? <WhyTable list={parts.why} units={units} /> : waiting}
        </Part>
      </div>
      <div className="min-w-0 space-y-6">
        <Part title="If you cannot go on">
          {parts.stuckOut ? <StuckList s={parts.stuckOut} units={units} /> : waiting}
        </Part>
        <Part title="When to go">
          {parts.bestStart ? <Starts b={parts.bestStart} startMs={startMs} units={units} /> : waiting}
        </Part>
      </div>
    </section>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="min-w-0">
      <h2 className="speak text-[19px] font-semibold">{title}</h2>
      {children}
    </div>
  );
}

/** What takes alarms away, most helpful first. */
function Remedies({ list }: { list: readonly Remedy[] }) {
  return (
    <ul className="mt-1 grid grid-cols-2 gap-x-10 max-[900px]:grid-cols-1">
      {list.map((r) => (
        <li key={r.text} className="flex justify-between gap-3 border-b border-grid py-[3px]">
          <b>{sentence(r.text)}</b>
          <span className="shrink-0 text-ink-2">
            {r.alarms === 0 ? 'safe then' : `${r.alarms} alarm${r.alarms === 1 ? '' : 's'} left`}
          </span>
        </li>
      ))}
    </ul>
  );
}

function ChancesList({ c }: { c: Chances }) {
  return (
    <>
      <p className="text-ink-2">
        {c.members} runs over the spread of the forecast and of you. What matters most is {c.matters.says}.
      </p>
      <ul className="mt-1.5">
        {c.list.map((x) => (
          <li
            key={x.kind}
            className="grid grid-cols-[minmax(0,1fr)_132px_96px] items-center gap-3 border-b border-grid py-[3px]"
          >
            <span className={x.share > 0 ? '' : 'text-ink-3'}>{sentence(x.what)}</span>
            <span className="h-[9px] border border-ink bg-sheet">
              <span
                className={`block h-full ${x.kind === 'unsafe' || x.kind === 'fingers numb' ? 'bg-act' : 'bg-heat-3'}`}
                style={{ width: `${(100 * x.share).toFixed(1)}%` }}
              />
            </span>
            <span
              className={`text-right ${x.share > 0 ? 'font-semibold' : 'text-ink-3'}`}
              title={`${(100 * x.share).toFixed(0)} %`}
            >
              {x.often}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

const sentence = (s: string): string => s[0].toUpperCase() + s.slice(1);

const HOURS = 12;

function StuckList({ s, units }: { s: StuckOut; units: Units }) {
  return (
    <>
      <p className="text-ink-2">Sitting still in everything along, out of the sun, for twelve hours.</p>
      {places(s.stuck).map(([title, x]) => (
        <StuckPlace key={x.place} title={title} x={x} units={units} />
      ))}
      <ul className="mt-2 grid grid-cols-2 gap-x-5">
        {s.safety.map((i) => (
          <li key={i.item} className="border-b border-grid py-[3px] leading-tight">
            <b className={i.have ? '' : 'text-ink-2'}>
              <span aria-hidden="true">{i.have ? '■' : '□'}</span> {i.item}
            </b>
            <span className="sr-only">{i.have ? ', along' : ', not in this plan'}</span>
            <span className="block text-[12px] text-ink-2">{i.says}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Where the worst place is also the farthest, it is told once. */
function places([worst, farthest]: readonly Stuck[]): [string, Stuck][] {
  return worst.atS === farthest.atS
    ? [['Where it bites most, and farthest out', worst]]
    : [
        ['Where it bites most', worst],
        ['Farthest out', farthest],
      ];
}

function StuckPlace({ title, x, units }: { title: string; x: Stuck; units: Units }) {
  const at = (h: number) => `${((100 * Math.min(HOURS, h)) / HOURS).toFixed(1)}%`;
  const hours = (h: number | null) =>
    h === null ? 'never in 12 h' : h < 2 ? `${Math.round(h * 60)} min` : `${h.toFixed(1)} h`;
  const marks: [string, number | null, string, string?][] = [
    ['shivering', x.shiversH, 'bg-cold'],
    ['useless hands', x.handsH, 'bg-ink'],
    ['danger', x.dangerH, 'bg-act', x.dangerBy ?? undefined],
  ];
  return (
    <div className="mt-1.5">
      <p>
        <b>{title}</b>, {x.where}, {clock(x.atS)}: {temperature(x.airC, units)}, feels {temperature(x.feelsC, units)}
      </p>
      <div
        className="relative mt-1 h-[14px] border border-ink bg-heat-1"
        role="img"
        aria-label={marks.map(([w, h]) => `${w} ${hours(h)}`).join(', ')}
      >
        {x.dangerH !== null && <span className="absolute inset-y-0 right-0 bg-worn" style={{ left: at(x.dangerH) }} />}
        {[1, 2, 4].map((h) => (
          <span key={h} className="absolute inset-y-0 w-px bg-ink-3" style={{ left: at(h) }} />
        ))}
        {marks.map(([w, h, colour]) =>
          h === null ? null : (
            <span key={w} className={`absolute inset-y-[-3px] w-[3px] ${colour}`} style={{ left: at(h) }} />
          ),
        )}
      </div>
      <p className="mt-0.5 flex flex-wrap gap-x-3 text-[12px]">
        {marks.map(([w, h, colour, how]) => (
          <span key={w} className="whitespace-nowrap">
            <span className={`mr-1 inline-block h-[9px] w-[9px] ${colour}`} aria-hidden="true" />
            {w} <b>{hours(h)}</b>
            {how && `, ${how}`}
          </span>
        ))}
        <span className="text-ink-3">rules at 1, 2, 4 of 12 h</span>
      </p>
      <ul className="mt-0.5 flex flex-wrap gap-x-3 text-[12px]">
        {x.after.map((a) => (
          <li key={a.hours} className="whitespace-nowrap">
            {a.hours} h: core <b>{degrees(a.coreC, units, 1)}</b>, fingers <b>{degrees(a.fingersC, units)}</b>
          </li>
        ))}
      </ul>
      {x.oneMore && (
        <p className="text-[12px]">
          With <b>{x.oneMore.name.toLowerCase()}</b> in the pack: useless hands {hours(x.oneMore.handsH)}, danger{' '}
          {hours(x.oneMore.dangerH)}.
        </p>
      )}
    </div>
  );
}

const ADVICE = { go: 'Go.', 'go shorter': 'Go shorter.', 'not today': 'Not today.' } as const;

function Starts({ b, startMs, units }: { b: BestStart; startMs: number; units: Units }) {
  const planned = b.starts.findIndex((s) => s.startMs === startMs);
  const most = barTop(
    b.starts.map((s) => s.cost),
    b.starts[planned]?.cost,
  );
  const better = b.best.startMs !== startMs && b.saves > 0.15;
  // On a forecast of many days the planned start is shown first; where it is scrolled to then is left alone.
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const bar = list.current?.children[planned] as HTMLElement | undefined;
    if (bar) list.current!.scrollLeft = bar.offsetLeft - list.current!.offsetLeft - list.current!.clientWidth / 2;
  }, [planned]);
  return (
    <>
      <p>
        <b className={b.advice.go === 'not today' ? 'text-act' : ''}>{ADVICE[b.advice.go]}</b>{' '}
        {sentence(fillSlots(b.advice.reason, units))}
        {b.advice.minutes !== undefined && `; be back within ${clock(b.advice.minutes * 60)} h`}.{' '}
        {better
          ? `Leaving ${day(b.best.startMs)} at ${timeOfDay(b.best.startMs)} would be easier on you.`
          : 'No other start within this forecast is clearly better for this plan.'}
      </p>
      <ol
        ref={list}
        tabIndex={0}
        className="mt-2 flex h-[132px] items-end gap-[3px] overflow-x-auto"
        aria-label="Cost of this plan by hour of start"
      >
        {b.starts.map((s, i) => (
          <li
            key={s.startMs}
            className="flex w-[30px] shrink-0 flex-col items-center justify-end text-[11px] leading-tight whitespace-nowrap"
          >
            <span className="text-ink-2">{degrees(s.feelsC, units)}</span>
            {!s.safe && (
              <b className="text-act" role="img" aria-label="not safe">
                ▲
              </b>
            )}
            <span
              className={`relative w-full border ${s.startMs === startMs ? 'border-ink' : 'border-transparent'} ${s.safe ? 'bg-heat-2' : 'bg-act'}`}
              style={{ height: `${Math.max(3, (56 * Math.min(s.cost, most)) / most).toFixed(0)}px` }}
              title={`${day(s.startMs)}, ${timeOfDay(s.startMs)}: ${s.cost.toFixed(1)} points${s.safe ? '' : ', not safe'}`}
            >
              {s.cost > most && (
                <span className="absolute -inset-x-px top-2 h-1.5 -skew-y-12 border-y-2 border-ink bg-paper" />
              )}
            </span>
            <span className={s.startMs === startMs ? 'font-bold' : 'text-ink-2'}>
              {timeOfDay(s.startMs).slice(0, 5)}
            </span>
            <span className="text-ink-3">{s.fallsMm < 0.05 ? '–' : fall(s.fallsMm, units)}</span>
            <b className="h-[14px]">
              {i > 0 && day(b.starts[i - 1].startMs) === day(s.startMs) ? '' : day(s.startMs).slice(0, 3)}
            </b>
          </li>
        ))}
      </ol>
      <p className="text-[12px] text-ink-3">
        Height: what this plan costs when you leave then, very dear ones cut off. Above: coldest it feels,{' '}
        {temperatureUnit(units)}. Below: what falls on you, {fallUnit(units)}. ▲ not safe.
      </p>
    </>
  );
}

function WhyTable({ list, units }: { list: readonly Why[]; units: Units }) {
  return (
    <table className="mt-1 w-full border-collapse text-left">
      <thead>
        <tr className="border-b border-ink text-[12px] text-ink-3">
          <th className="py-0.5 font-medium">Piece</th>
          <th className="font-medium">The next cooler</th>
          <th className="font-medium">The next warmer</th>
        </tr>
      </thead>
      <tbody>
        {list.map((w) => (
          <tr key={w.garment} className="border-b border-grid align-baseline">
            <th scope="row" className="py-[3px] pr-3 font-semibold">
              {w.name}
            </th>
            <td className="pr-3">{instead(w.cooler, units)}</td>
            <td>{instead(w.warmer, units)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function instead(i: Instead | null, units: Units): ReactNode {
  if (!i) return <span className="text-ink-3">you own none</span>;
  const points =
    Math.abs(i.adds) < 0.005 ? 'no difference' : `${i.adds > 0 ? '+' : '−'}${Math.abs(i.adds).toFixed(2)} points`;
  return (
    <>
      {i.name}: <b className={i.adds < -0.005 ? 'text-act' : ''}>{points}</b>
      <span className="block text-[12px] text-ink-2">{movedText(i.moves, units)}</span>
    </>
  );
}
