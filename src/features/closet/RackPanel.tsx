'use client';
import { useMutation } from '@tanstack/react-query';
import Link from 'next/link';
import { DRYING_PLACE_NAMES, type DryingPlace } from '@/core/moisture/drying';
import { day, timeOfDay } from '@/formats/dates';
import type { Units } from '@/formats/measures';
import { turnOf } from '@/formats/turns';
import type { Rack, RackPiece } from '@/store/rack';
import { problemsOf, request } from '@/ui/api';
import { Problems } from '@/ui/Problems';
import { Select } from '@/ui/Select';
import { useToasts } from '@/ui/toasts';
import { useRefresh } from '@/ui/useRefresh';

/** Longer than this a bar would flatten all others, h. */
const SCALE_H = 24;

/** What is damp: where it hangs, when it is dry, and what the next outing will miss. */
export function RackPanel({ rack, units }: { rack: Rack; units: Units }) {
  const refresh = useRefresh();
  const say = useToasts((t) => t.say);
  const hang = useMutation({
    mutationFn: ({ id, place }: { id: string; place: DryingPlace | null }) =>
      request('PATCH', `/api/garments/${id}`, { hung: place }),
    onSuccess: () => refresh(),
  });
  if (rack.pieces.length === 0) return null;
  const weight = turnOf('g/m²', units);
  const when = (ms: number) => (day(ms) === day(rack.nowMs) ? timeOfDay(ms) : `${day(ms)} ${timeOfDay(ms)}`);
  const hours = (p: RackPiece) => (p.dryMs === null ? SCALE_H : (p.dryMs - rack.nowMs) / 3600_000);
  const longest = Math.min(SCALE_H, Math.max(1, ...rack.pieces.map(hours)));
  const take = (p: RackPiece, place: DryingPlace | null) =>
    hang.mutate(
      { id: p.id, place },
      {
        onSuccess: () =>
          say(place ? `${p.name} hangs ${place}.` : `${p.name} is off the rack.`, () =>
            hang.mutate({ id: p.id, place: p.place }),
          ),
      },
    );
  return (
    <section aria-labelledby="rack" className="mt-3 border-y border-ink py-2">
      <h2 id="rack" className="flex flex-wrap items-baseline justify-between gap-x-4 font-semibold">
        On the rack
        <span className="text-[12px] font-normal text-ink-2">
          never on the heater; what is damp is planned as damp.{' '}
          <a href="/api/rack" download className="underline">
            Reminders, iCalendar
          </a>
        </span>
      </h2>
      {hang.error && <Problems problems={problemsOf(hang.error)} title="Not done." />}
      <ul>
        {rack.pieces.map((p) => (
          <li
            key={p.id}
            className="grid grid-cols-[minmax(110px,200px)_170px_minmax(0,1fr)] items-center gap-3 border-t border-grid py-1 max-[640px]:grid-cols-[minmax(0,1fr)_150px]"
          >
            <span className="leading-tight">
              <b className="font-semibold">{p.name}</b>{' '}
              <span className="text-water">
                {p.dampGm2 > 0
                  ? `${weight.show(p.dampGm2).toFixed(units === 'imperial' ? 1 : 0)} ${weight.unit}`
                  : 'dry'}
              </span>
            </span>
            <Select<DryingPlace | ''>
              label={`Where ${p.name} hangs`}
              value={p.place ?? ''}
              options={[
                { value: '', label: 'in a heap, not hung' },
                ...DRYING_PLACE_NAMES.filter(
                  (n) => (n !== 'by the stove' || p.hot) && (n !== 'with paper inside' || p.footwear),
                ).map((n) => ({ value: n, label: n })),
              ]}
              onChange={(v) => take(p, v === '' ? null : v)}
            />
            <span className="flex items-center gap-2 max-[640px]:col-span-2">
              <span
                aria-hidden="true"
                className="h-[10px] border border-water"
                style={{
                  width: `${Math.max(1, (60 * Math.min(longest, hours(p))) / longest)}%`,
                  backgroundImage: 'repeating-linear-gradient(45deg, var(--color-water) 0 1px, transparent 1px 4px)',
                }}
              />
              <span className="text-[12.5px] whitespace-nowrap">
                {p.dampGm2 <= 0 ? 'take it off' : p.dryMs === null ? 'never dry there' : `dry ${when(p.dryMs)}`}
              </span>
            </span>
          </li>
        ))}
      </ul>
      {rack.next && (
        <p className="mt-1 text-[12.5px]">
          <Link href={`/outing/${rack.next.id}/score`} className="underline">
            {rack.next.name}, {day(rack.next.startMs)} {timeOfDay(rack.next.startMs)}
          </Link>
          :{' '}
          {rack.next.missed.length === 0 ? (
            'all that it wants is dry by then.'
          ) : (
            <b className="text-act">
              {rack.next.missed
                .map(
                  (m) =>
                    `${m.name} still damp${m.instead ? ('place' in m.instead ? `; ${m.instead.place} it would be dry` : `; take the ${m.insteadName?.toLowerCase()}`) : '; nothing else of its kind is dry'}`,
                )
                .join('. ')}
              .
            </b>
          )}
        </p>
      )}
    </section>
  );
}
