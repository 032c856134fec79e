'use client';
import Link from 'next/link';
import type { Garment } from '@/core/clothing/garment';
import { isInside } from '@/core/afterwards/miss';
import { SPORT } from '@/core/effort/sports';
import { clock, day as dayWords } from '@/formats/dates';
import { degrees, distance, grams, height, minus, temperature, windSpeed, type Units } from '@/formats/measures';
import type { Told } from './filters';

/** The chosen day: what it was like, what was worn, what was said and felt, and where to go from here. */
export function DayPanel({ d, garments, units }: { d: Told; garments: ReadonlyMap<string, Garment>; units: Units }) {
  const { day } = d;
  const names = (ids: readonly string[]) =>
    ids
      .flatMap((id) => garments.get(id) ?? [])
      .filter((g) => g.group === 'torso' || g.group === 'hands' || g.group === 'head')
      .map((g) => g.name)
      .join(', ');
  const wettest = day.wet[0];
  const rows: [string, string][] = [
    [
      'It was',
      `${day.was ?? 'not told'}${day.worst ? `, ${day.worst.part} ${day.worst.word}` : ''}${day.cameWet ? '; came home wet' : ''}`,
    ],
    ...(d.miss
      ? [
          [
            'Felt − said',
            `${d.miss.votes > 0 ? '+' : ''}${minus(d.miss.votes, 1)} of a word, ${isInside(d.miss) ? 'inside' : 'outside'} the 8 in 10; ${minus(d.miss.after, 1)} after learning`,
          ] as [string, string],
        ]
      : []),
    ...(day.baseG !== null
      ? [['On the scale', `${grams(day.baseG, units)} in the piece on the skin`] as [string, string]]
      : []),
    ...(wettest
      ? [
          [
            'By the run',
            `${garments.get(wettest.garment)?.name ?? 'a piece'} the wettest, ${grams(wettest.waterG, units)}`,
          ] as [string, string],
        ]
      : []),
    ['Worn', names(day.worn) || '–'],
    ['Carried', names(day.carried) || '–'],
    ['Cues', day.cues === 0 ? 'none were meant' : `${day.cuesDone} of ${day.cues} done`],
  ];
  return (
    <section aria-labelledby="the-day" aria-live="polite">
      <h2 id="the-day" className="speak text-[22px] leading-tight font-semibold break-words">
        {d.name}
      </h2>
      <p className="text-ink-2">
        {dayWords(d.startMs)}, {SPORT[day.sport].label} {clock(day.seconds)} h
        {day.climbM > 20 && `, ${height(day.climbM, units)} up`}
        {day.distanceM > 0 && `, ${distance(day.distanceM, units)}`}. {temperature(day.airC, units)}, wind{' '}
        {windSpeed(day.windMs, units)}, felt {degrees(day.feelsC, units)}.
      </p>
      <dl className="mt-1.5 grid grid-cols-[86px_minmax(0,1fr)] gap-x-2">
        {rows.map(([k, v]) => (
          <div key={k} className="contents">
            <dt className="border-t border-grid py-0.5 text-ink-3">{k}</dt>
            <dd className="border-t border-grid py-0.5">{v}</dd>
          </div>
        ))}
      </dl>
      {day.note && <p className="speak mt-1 text-[16px] leading-snug italic">“{day.note}”</p>}
      <p className="no-print mt-2 flex flex-wrap gap-2">
        <Link
          prefetch={false}
          href={`/outing/${d.id}/after`}
          className="rounded-[3px] border border-ink bg-ink px-3 py-1.5 font-semibold text-sheet hover:bg-ink-2"
        >
          Open the day
        </Link>
        <Link
          prefetch={false}
          href={`/outing/${d.id}/score`}
          className="rounded-[3px] border border-ink px-3 py-1.5 font-semibold hover:bg-worn"
        >
          Its score
        </Link>
      </p>
    </section>
  );
}
