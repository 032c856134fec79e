'use client';
import { useMutation } from '@tanstack/react-query';
import { ArrowDown, ArrowUp, Check, Droplet } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import { SPORT } from '@/core/effort/sports';
import type { Door } from '@/features/front/state/useDoor';
import { LandStrip } from '@/features/home/LandStrip';
import type { HomeLine } from '@/features/home/lines';
import { clock, day, timeOfDay } from '@/formats/dates';
import { degrees, type Units } from '@/formats/measures';
import { turnOf } from '@/formats/turns';
import { fillSlots, outingsWords } from '@/formats/sentences';
import type { FeltWord, Untold } from '@/store/told';
import { problemsOf, request } from '@/ui/api';
import { Danger } from '@/ui/Danger';
import { C } from '@/ui/draw/palette';
import { Problems } from '@/ui/Problems';
import { useToasts } from '@/ui/toasts';

const head = 'flex items-baseline justify-between border-t-2 border-ink-3 pt-1';

/** What comes next, with what its newest plan comes to. */
export function Next({ lines, more, units }: { lines: HomeLine[]; more: number; units: Units }) {
  return (
    <section aria-labelledby="next" className="mt-2.5">
      <div className={head}>
        <h2 id="next" className="font-semibold">
          Next
        </h2>
        <Link href="/outings" className="text-[12px] underline">
          all outings{more > 0 ? `, ${more} more` : ''}
        </Link>
      </div>
      {lines.length === 0 && (
        <p className="text-[12.5px] text-ink-2">Nothing ahead. Lay a line out as a score, or bring a route.</p>
      )}
      {lines.map((o) => (
        <article
          key={o.id}
          className="grid grid-cols-[86px_minmax(0,1fr)_84px] gap-x-2 border-b border-grid-2 py-1 last:border-b-0"
        >
          <div className="text-[12px] leading-tight">
            <b className="block">
              {day(o.startMs)}, {timeOfDay(o.startMs)}
            </b>
            <span className="text-ink-2">
              {SPORT[o.sport].label}
              {o.problem === null && `, ${clock(o.seconds)}`}
            </span>
          </div>
          <div className="min-w-0 leading-tight">
            <Link
              href={`/outing/${o.id}/score`}
              className="speak block text-[15px] font-semibold break-words hover:text-act"
            >
              {o.name}
            </Link>
            <p className="speak text-[13px]">
              {o.problem ? (
                <span className="text-act">cannot be laid out: {o.problem}</span>
              ) : o.verdict ? (
                <>
                  <b className={o.verdict.tone === 'fails' ? 'text-act' : ''}>
                    {o.verdict.tone !== 'holds' && <Danger />}
                    {o.verdict.lead}
                  </b>
                  <span className="line-clamp-1 text-[12px] text-ink-2">{fillSlots(o.verdict.rest, units)}</span>
                </>
              ) : (
                <span className="text-ink-2">not planned yet</span>
              )}
            </p>
          </div>
          <LandStrip line={o} width={84} height={32} />
        </article>
      ))}
    </section>
  );
}

const HOUR_W = 250;
const MOST_HOURS = 12;

/** What is still damp, and when it is dry on a line indoors. */
export function StillDamp({
  damp,
  nowMs,
  units,
}: {
  damp: { name: string; minutes: number; dampGm2: number }[];
  nowMs: number;
  units: Units;
}) {
  if (damp.length === 0) return null;
  const weight = turnOf('g/m²', units);
  const hours = Math.min(
    MOST_HOURS,
    Math.max(2, ...damp.map((d) => (Number.isFinite(d.minutes) ? d.minutes / 60 : MOST_HOURS))),
  );
  return (
    <section aria-labelledby="damp" className="mt-2.5">
      <div className={head}>
        <h2 id="damp" className="font-semibold">
          Still damp
        </h2>
        <span className="text-[12px] text-ink-2">on a line indoors; never on the heater</span>
      </div>
      <ul>
        {damp.map((d) => {
          const wide = Number.isFinite(d.minutes) ? Math.max(4, (d.minutes / 60 / hours) * (HOUR_W - 74)) : HOUR_W - 74;
          return (
            <li key={d.name} className="grid grid-cols-[120px_minmax(0,1fr)] items-center gap-2 py-px text-[12.5px]">
              <Link href="/closet" className="min-w-0 break-words hover:text-act">
                {d.name}, {weight.show(d.dampGm2).toFixed(units === 'imperial' ? 1 : 0)} {weight.unit}
              </Link>
              <svg
                viewBox={`0 0 ${HOUR_W} 18`}
                width="100%"
                height="18"
                role="img"
                aria-label={
                  Number.isFinite(d.minutes) ? `dry at ${timeOfDay(nowMs + d.minutes * 60_000)}` : 'does not dry there'
                }
              >
                <rect x={0.5} y={3} width={wide} height={12} fill="url(#water-2)" stroke={C.water} />
                <text x={wide + 5} y={13} fontSize="11.500" fontWeight="600">
                  {Number.isFinite(d.minutes) ? `dry ${timeOfDay(nowMs + d.minutes * 60_000)}` : 'never there'}
                </text>
              </svg>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const FELT: { felt: FeltWord; label: string; icon: typeof Check; tone: string }[] = [
  { felt: 'right', label: 'Right', icon: Check, tone: '' },
  { felt: 'too warm', label: 'Too warm', icon: ArrowUp, tone: 'text-heat-4' },
  { felt: 'too cold', label: 'Too cold', icon: ArrowDown, tone: 'text-cold' },
  { felt: 'wet', label: 'Wet', icon: Droplet, tone: 'text-water' },
];

/** The last outing that waits to be told: one tap stores it, and can be taken back. */
export function HowWasIt({ untold }: { untold: Untold | null }) {
  const [told, setTold] = useState<FeltWord | null>(null);
  const say = useToasts((s) => s.say);
  const send = useMutation({
    mutationFn: (felt: FeltWord | null) => request('PUT', `/api/outings/${untold!.id}/told`, { felt }),
    onSuccess: (_, felt) => {
      setTold(felt);
      if (felt !== null) say(`“${untold!.name}” was ${felt}.`, () => send.mutate(null));
    },
  });
  if (!untold) return null;
  return (
    <section aria-labelledby="how-was-it" className="mt-2.5">
      <div className={head}>
        <h2 id="how-was-it" className="speak text-[16px] font-semibold">
          {untold.name}, {day(untold.startMs)}: how was it?
        </h2>
      </div>
      {send.error && <Problems problems={problemsOf(send.error)} title="Not stored." />}
      {told === null ? (
        <div className="mt-1 grid grid-cols-4 gap-1.5">
          {FELT.map(({ felt, label, icon: Icon, tone }) => (
            <button
              key={felt}
              type="button"
              disabled={send.isPending}
              onClick={() => send.mutate(felt)}
              className="flex min-h-[52px] cursor-pointer flex-col items-center justify-center gap-0.5 border border-ink bg-sheet text-[13px] font-semibold hover:bg-worn"
            >
              <Icon size={20} className={tone} aria-hidden="true" />
              {label}
            </button>
          ))}
        </div>
      ) : (
        <p className="text-[13px]">
          Kept: <b>{told}</b>.{' '}
          <button type="button" className="min-h-[24px] cursor-pointer underline" onClick={() => send.mutate(null)}>
            take it back
          </button>{' '}
          <Link href={`/outing/${untold.id}/after`} className="underline">
            tell more of it
          </Link>
        </p>
      )}
    </section>
  );
}

/** Which rung of the ladder this is, and how far it is believed. */
export function RungNote({ door, learned, units }: { door: Door; learned: number; units: Units }) {
  const { ladder, told, rungs } = door;
  const own = told.around?.reach.find((r) => r.rung === told.answer?.rung);
  const working = ladder.data?.working;
  return (
    <section className="mt-2.5">
      <div className={head}>
        <h2 className="flex items-center gap-2 font-semibold">
          {rungs.length > 0 && told.answer ? (
            <>
              <span className="inline-flex h-[22px] w-[22px] items-center justify-center rounded-full bg-ink text-[12px] text-sheet">
                {told.answer.rung}
              </span>
              Rung {told.answer.rung} of {rungs.length} on your ladder
            </>
          ) : (
            'Your ladder'
          )}
        </h2>
        <Link href={`/ladder?sport=${encodeURIComponent(door.day.sport)}`} className="text-[12px] underline">
          open it
        </Link>
      </div>
      {working ? (
        <p className="text-[12.5px]" aria-live="polite">
          Being worked out from your closet: {Math.round(working.done * 100)} %. Till then this is a first answer.
        </p>
      ) : ladder.error ? (
        <p className="text-[12.5px]">It cannot be worked out now; this is an answer without it.</p>
      ) : own && own.coldC !== null && own.warmC !== null ? (
        <p className="text-[12.5px]">
          Works here from {degrees(own.coldC, units)} to {degrees(own.warmC, units)}
          {own.first && `; ${own.first} gives up first`}.{' '}
          {learned === 0 ? 'From physics only.' : `With you as ${outingsWords(learned)} taught.`}
        </p>
      ) : null}
    </section>
  );
}
