'use client';
// Longer than a file should be: one page, whose filters, days, pieces and causes light each other up.
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { PAGE_KEYS } from '@/ui/pageKeys';
import { causes as causesOf, FAULTS, hasFault, SUSPECTS } from '@/core/afterwards/causes';
import { seasonOf } from '@/core/afterwards/season';
import { Header } from '@/features/shell/Header';
import type { Units } from '@/formats/measures';
import type { BookEntry } from '@/store/book';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Patterns } from '@/ui/draw/Patterns';
import { KeysSheet } from '@/ui/KeysSheet';
import { Problems } from '@/ui/Problems';
import { Select } from '@/ui/Select';
import { useToasts } from '@/ui/toasts';
import type { Problem } from '@/formats/problem';
import { ByFelt } from './ByFelt';
import { CausesPanel } from './CausesPanel';
import { DayPanel } from './DayPanel';
import { Filters } from './Filters';
import { EVERYTHING, FEELINGS, goingsOf, isLaidOut, shows, winterOf, type Filter, type Told } from './filters';
import { BOOK_KEYS, type BookKey } from './keys';
import { Damaged, Empty, Headline, Legend, StretchLine } from './parts';
import { SeasonChart } from './SeasonChart';
import { monthRound, movedTo } from './stretch';
import { WearMatrix, type Piece } from './WearMatrix';

/** Rows of the matrix until one asks for all. */
const ROWS = 9;
const MONTH_MS = 30 * 86_400_000;
const winterName = (year: number): string => `winter ${year}/${String((year + 1) % 100).padStart(2, '0')}`;

/** The book: a winter at a glance, the days that went wrong, and what they have in common. */
export function BookView({
  entries,
  pieces,
  units,
  calledChance,
  winterCues,
}: {
  entries: BookEntry[];
  pieces: Piece[];
  units: Units;
  calledChance: string[];
  winterCues: string[];
}) {
  const winters = [...new Set(entries.map((e) => winterOf(e.startMs)))].sort((a, b) => b - a);
  const [winter, setWinter] = useState(winters[0] ?? 0);
  const [filter, setFilter] = useState<Filter>(EVERYTHING);
  const days = useMemo(
    () => entries.filter((e) => winterOf(e.startMs) === winter).filter(isLaidOut),
    [entries, winter],
  );
  const garments = useMemo(() => new Map(pieces.map((p) => [p.garment.id, p.garment])), [pieces]);
  const [chosen, setChosen] = useState<string | null>(days[days.length - 1]?.id ?? null);
  const [lit, setLit] = useState<string | null>(null);
  const [refused, setRefused] = useState<readonly string[]>(calledChance);
  const [cues, setCues] = useState<readonly string[]>(winterCues);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [rows, setRows] = useState<number | null>(ROWS);
  const [pointed, setPointed] = useState<string | null>(null);
  const [stretch, setStretch] = useState<readonly [number, number] | null>(null);
  const [help, setHelp] = useState(false);
  const find = useRef<HTMLInputElement>(null);
  const router = useRouter();
  const say = useToasts((t) => t.say);

  const list = useMemo(() => days.filter((d) => shows(filter, d, garments)), [days, filter, garments]);
  const causes = useMemo(
    () =>
      causesOf(
        list.map((d) => d.day),
        new Set(refused),
      ),
    [list, refused],
  );
  const suspect = SUSPECTS.find((s) => s.id === lit);
  const shown = new Set((suspect ? list.filter((d) => suspect.holds(d.day)) : list).map((d) => d.id));
  const at = days.findIndex((d) => d.id === chosen);
  const open = (id: string) => router.push(`/outing/${id}/after`);
  const go = (i: number) => {
    if (!days[i]) return;
    setChosen(days[i].id);
    if (stretch) setStretch(movedTo(stretch, i, days.length));
  };
  const drawn = stretch ? days.slice(stretch[0], stretch[1] + 1) : days;
  const indexOf = (id: string) => days.findIndex((d) => d.id === id);
  const isWrong = (d: Told) => FAULTS.some((f) => hasFault(d.day, f));
  const byMonth = (sign: number) => {
    const from = days[at]?.startMs ?? 0;
    const far = days.findIndex((d) => d.startMs >= from + MONTH_MS);
    const near = days.findLastIndex((d) => d.startMs <= from - MONTH_MS);
    go(sign > 0 ? (far < 0 ? days.length - 1 : far) : Math.max(0, near));
  };
  const does: Record<BookKey, (key: string) => void> = {
    before: () => go(Math.max(0, at - 1)),
    after: () => go(at + 1),
    'month before': () => byMonth(-1),
    'month after': () => byMonth(1),
    wrong: () => {
      const next = days.findIndex((d, i) => i > at && isWrong(d));
      go(next >= 0 ? next : days.findIndex(isWrong));
    },
    open: () => chosen && open(chosen),
    stretch: () =>
      setStretch(
        stretch || at < 0
          ? null
          : monthRound(
              days.map((d) => d.startMs),
              at,
            ),
      ),
    find: () => find.current?.focus(),
    all: () => {
      setFilter(EVERYTHING);
      setStretch(null);
    },
    going: (key) => {
      const going = goingsOf(days)[Number(key) - 1];
      if (going) setFilter({ ...filter, goings: filter.goings.has(going) ? new Set() : new Set([going]) });
    },
    feeling: () => {
      const [now] = filter.feelings;
      const next = FEELINGS[(now ? FEELINGS.indexOf(now) : -1) + 1];
      setFilter({ ...filter, feelings: next ? new Set([next]) : new Set() });
    },
    print: () => window.print(),
    help: () => setHelp(true),
  };
  useHotkeys(
    BOOK_KEYS.flatMap((k) => [...k.keys.split(','), ...(k.also ? [k.also] : [])]),
    (e, hot) => {
      const pressed = [...(hot.shift ? ['shift'] : []), ...(hot.keys ?? [])].join('+');
      const row = BOOK_KEYS.find((k) => k.keys.split(',').includes(pressed) || k.also === pressed);
      // What is focused has its own keys for itself: a slider all of them, a button or a link the one that presses it.
      const mine =
        pressed === 'enter' ? 'button, a, [role="slider"], [role="combobox"]' : '[role="slider"], [role="combobox"]';
      if (!row || (e.target as HTMLElement | null)?.closest(mine)) return;
      e.preventDefault();
      does[row.does](pressed);
    },
    PAGE_KEYS,
  );
  const call = async (cause: string, it: 'chance' | 'a cause') => {
    const chance = it === 'chance';
    try {
      await request('PATCH', '/api/book', { cause, chance });
      setRefused((r) => (chance ? [...new Set([...r, cause])] : r.filter((id) => id !== cause)));
      setProblems([]);
      if (chance) say('Called chance: it is not looked for any more.', () => void call(cause, 'a cause'));
    } catch (e) {
      setProblems(problemsOf(e));
    }
  };

  const season = seasonOf(list);
  const remind = async (cause: string, it: 'a cue' | 'no cue') => {
    const cue = it === 'a cue';
    try {
      await request('PATCH', '/api/book', { cause, cue });
      setCues((r) => (cue ? [...new Set([...r, cause])] : r.filter((id) => id !== cause)));
      setProblems([]);
      say(
        cue
          ? 'A cue from now on: at the door, on the score and on the phone, on days that may go that way.'
          : 'No cue any more.',
        () => void remind(cause, cue ? 'no cue' : 'a cue'),
      );
    } catch (e) {
      setProblems(problemsOf(e));
    }
  };

  return (
    <>
      <svg width="0" height="0" className="absolute" aria-hidden="true">
        <Patterns />
      </svg>
      <Header
        screen="book"
        right={
          <div className="leading-tight">
            <b className="speak block text-[15px]">The book</b>
            <span className="text-[12px] text-ink-2">
              {season.days} {season.days === 1 ? 'outing' : 'outings'}, {season.hours.toFixed(0)} h
            </span>
          </div>
        }
      />
      {days.length === 0 ? (
        <Empty damaged={entries.length} />
      ) : (
        <main className="mx-4 grid grid-cols-[minmax(0,1fr)_372px] gap-x-6 pt-2 pb-4 max-[1100px]:grid-cols-1 print:grid-cols-1">
          <div className="min-w-0">
            <h1 className="speak text-[23px] leading-tight">
              <Headline days={list} />
            </h1>
            {winters.length > 1 && (
              <span className="no-print mt-1 inline-block w-44">
                <Select
                  label="Winter"
                  value={String(winter)}
                  options={winters.map((w) => ({ value: String(w), label: winterName(w) }))}
                  onChange={(w) => {
                    setWinter(Number(w));
                    setChosen(null);
                    setStretch(null);
                  }}
                />
              </span>
            )}
            <Filters days={days} filter={filter} onFilter={setFilter} find={find} shown={list.length} units={units} />
            {list.length === 0 && (
              <p className="speak mt-2 text-[16px]">
                No day is like that.{' '}
                <Button size="small" onClick={() => setFilter(EVERYTHING)}>
                  Show all
                </Button>
              </p>
            )}
            <StretchLine
              days={days}
              drawn={drawn}
              onWhole={() => setStretch(null)}
              onMonth={at < 0 ? null : () => does.stretch('')}
            />
            <div className="mt-1 overflow-x-auto" tabIndex={0} role="region" aria-label="The winter, day by day">
              <div className="min-w-[760px]">
                <SeasonChart
                  days={drawn}
                  shown={shown}
                  chosen={chosen}
                  onChoose={setChosen}
                  onOpen={open}
                  pointed={pointed}
                  onPoint={setPointed}
                  onStretch={(first, last) => setStretch([indexOf(first), indexOf(last)])}
                  units={units}
                />
                <WearMatrix
                  days={drawn}
                  shown={shown}
                  chosen={chosen}
                  pointed={pointed}
                  pieces={pieces}
                  picked={filter.pieces}
                  onPick={(g) => {
                    const next = new Set(filter.pieces);
                    if (!next.delete(g)) next.add(g);
                    setFilter({ ...filter, pieces: next });
                  }}
                  most={rows}
                />
              </div>
            </div>
            <p className="mt-1.5 flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-ink pt-1.5 text-[12px] text-ink-2">
              <Legend />
              {pieces.length > ROWS && (
                <Button
                  size="small"
                  kind="quiet"
                  className="no-print"
                  onClick={() => setRows(rows === null ? ROWS : null)}
                >
                  {rows === null ? 'Fewer pieces' : `All ${pieces.length} pieces`}
                </Button>
              )}
              <button type="button" className="no-print ml-auto cursor-pointer underline" onClick={() => setHelp(true)}>
                Keys ?
              </button>
            </p>
          </div>
          <aside className="min-w-0 space-y-3 border-l border-grid-2 pl-4 max-[1100px]:mt-4 max-[1100px]:border-l-0 max-[1100px]:pl-0">
            <Problems problems={problems} title="Not done." />
            {at >= 0 ? (
              <DayPanel d={days[at]} garments={garments} units={units} />
            ) : (
              <p className="text-ink-2">Choose a day.</p>
            )}
            <CausesPanel
              units={units}
              days={list}
              causes={causes}
              refused={refused}
              cues={cues}
              onCue={(id, it) => void remind(id, it)}
              onLight={setLit}
              onCall={(id, it) => {
                setLit(null);
                void call(id, it);
              }}
            />
            <ByFelt days={list} units={units} />
            <Damaged entries={entries} />
            <section aria-labelledby="take" className="no-print border-t border-ink pt-2">
              <h2 id="take" className="font-semibold">
                Take it with you
              </h2>
              <p className="mt-1 flex flex-wrap gap-2">
                <Button kind="strong" size="small" onClick={() => window.print()}>
                  Print the winter
                </Button>
                <a className="self-center underline" href={`/api/book?of=${list.map((d) => d.id).join(',')}`} download>
                  Table of what is shown, CSV
                </a>
                <a className="self-center underline" href="/api/archive" download>
                  All of it, JSON in a zip
                </a>
              </p>
            </section>
          </aside>
        </main>
      )}
      <KeysSheet rows={BOOK_KEYS} open={help} onOpen={setHelp} />
    </>
  );
}
