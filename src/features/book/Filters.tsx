'use client';
import { Search } from 'lucide-react';
import type { RefObject } from 'react';
import { temperature, windSpeed, type Units } from '@/formats/measures';
import { RangeSlider } from '@/ui/RangeSlider';
import { EVERYTHING, FEELINGS, feels, goingsOf, type Feeling, type Filter, type Told } from './filters';
import { DayMark, Glyph, GOING_WORDS, goingOf, type Going } from './Marks';

/** What of the book is looked at. What is filtered out greys and never moves; with Alt only that one counts. */
export function Filters({
  days,
  filter,
  onFilter,
  find,
  shown,
  units,
}: {
  days: readonly Told[];
  filter: Filter;
  onFilter: (f: Filter) => void;
  find: RefObject<HTMLInputElement | null>;
  shown: number;
  units: Units;
}) {
  const goings = goingsOf(days);
  const flip = <T,>(set: ReadonlySet<T>, v: T, how: 'add' | 'only'): Set<T> => {
    if (how === 'only') return set.size === 1 && set.has(v) ? new Set() : new Set([v]);
    const next = new Set(set);
    if (!next.delete(v)) next.add(v);
    return next;
  };
  const airs = days.map((d) => d.day.airC);
  const winds = days.map((d) => d.day.windMs);
  const ends = (list: number[]): [number, number] => [Math.floor(Math.min(...list)), Math.ceil(Math.max(...list)) || 1];
  const all = JSON.stringify({
    ...filter,
    goings: [...filter.goings],
    feelings: [...filter.feelings],
    pieces: [...filter.pieces],
  });
  const nothing = JSON.stringify({ ...EVERYTHING, goings: [], feelings: [], pieces: [] });
  return (
    <div className="no-print mt-1.5 space-y-1">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5">
        <label className="flex h-[28px] items-center gap-1.5 border border-ink bg-sheet px-2">
          <Search size={14} aria-hidden="true" />
          <input
            ref={find}
            value={filter.find}
            onChange={(e) => onFilter({ ...filter, find: e.target.value })}
            aria-label="Find a place, a piece or a word"
            placeholder="place, piece or word"
            maxLength={80}
            className="w-[140px] bg-transparent outline-none"
            type="search"
          />
          <kbd className="border border-grid-2 px-1 text-[11px] text-ink-3">/</kbd>
        </label>
        <span className="flex flex-wrap" role="group" aria-label="Ways of going">
          <Toggle on={filter.goings.size === 0} onClick={() => onFilter({ ...filter, goings: new Set() })}>
            All {days.length}
          </Toggle>
          {goings.map((g: Going) => (
            <Toggle
              key={g}
              on={filter.goings.has(g)}
              onClick={(how) => onFilter({ ...filter, goings: flip(filter.goings, g, how) })}
            >
              <svg width="14" height="12" viewBox="-6 -5.5 12 11" aria-hidden="true">
                <Glyph going={g} colour="currentColor" />
              </svg>
              {GOING_WORDS[g]} {days.filter((d) => goingOf(d.day.sport) === g).length}
            </Toggle>
          ))}
        </span>
        <span className="flex flex-wrap" role="group" aria-label="How it was">
          {FEELINGS.map((f: Feeling) => (
            <Toggle
              key={f}
              on={filter.feelings.has(f)}
              onClick={(how) => onFilter({ ...filter, feelings: flip(filter.feelings, f, how) })}
            >
              {f !== 'wet' && (
                <svg width="14" height="14" viewBox="-12 -12 24 24" aria-hidden="true">
                  <DayMark day={{ sport: 'run', was: f, cameWet: false }} />
                </svg>
              )}
              {f} {days.filter((d) => feels(d, f)).length}
            </Toggle>
          ))}
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 text-[12.5px]">
        {(
          [
            ['Air', ends(airs), airs, filter.air, (v: number) => temperature(v, units), 'air'],
            ['Wind', ends(winds), winds, filter.wind, (v: number) => windSpeed(v, units), 'wind'],
          ] as const
        ).map(([label, range, heap, value, says, key]) => (
          <span key={label} className="flex items-center gap-2">
            <span>
              {label} <b>{says((value ?? range)[0])}</b>
            </span>
            <span className="w-[130px]">
              <RangeSlider
                label={label}
                value={value ?? range}
                range={range}
                step={0.5}
                says={says}
                heap={heap}
                onChange={(v) => onFilter({ ...filter, [key]: v[0] <= range[0] && v[1] >= range[1] ? null : v })}
              />
            </span>
            <b>{says((value ?? range)[1])}</b>
          </span>
        ))}
        <span aria-live="polite">
          <b>
            {shown} of {days.length} shown.
          </b>{' '}
          {all === nothing ? (
            <span className="text-ink-3">A filter greys and never moves.</span>
          ) : (
            <button
              type="button"
              className="min-h-[24px] cursor-pointer underline"
              onClick={() => onFilter(EVERYTHING)}
            >
              Show all
            </button>
          )}
        </span>
      </div>
    </div>
  );
}

function Toggle({
  on,
  onClick,
  children,
}: {
  on: boolean;
  /** with Alt: this one only */
  onClick: (how: 'add' | 'only') => void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={(e) => onClick(e.altKey ? 'only' : 'add')}
      className={`-ml-px inline-flex min-h-[28px] cursor-pointer items-center gap-1 border border-ink px-2 text-[12.5px] first:ml-0 ${on ? 'bg-ink font-semibold text-sheet' : 'bg-sheet hover:bg-worn'}`}
    >
      {children}
    </button>
  );
}
