'use client';
import type { Tried } from '@/core/afterwards/tried';
import {
  DRY_BELOW_C,
  type Ladder,
  wetIn,
  LADDER_EFFORTS,
  LADDER_MINUTES,
  LADDER_WINDS,
  type LadderEffort,
} from '@/core/search/ladderTerms';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Garment } from '@/core/clothing/garment';
import { SPORT } from '@/core/effort/sports';
import { DOOR_SPORTS, USUAL_FALL_MMH, type DoorDay, type DoorSport } from '@/core/outing/doorDay';
import type { Wishes } from '@/core/search/wishes';
import { kmhToMs } from '@/core/quantity/units';
import { Header } from '@/features/shell/Header';
import { temperature, type Units } from '@/formats/measures';
import { lineOf, wordsOf } from '@/formats/spokenWrite';
import { problemsOf } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Patterns } from '@/ui/draw/Patterns';
import { Problems } from '@/ui/Problems';
import { ProgressBar } from '@/ui/ProgressBar';
import { Segments } from '@/ui/Segments';
import { Select } from '@/ui/Select';
import { outingsWords } from '@/formats/sentences';
import { ladderHeadline, changeWords, type Looked } from './cellWords';
import { LadderSide } from './LadderSide';
import { LadderTable } from './LadderTable';
import { OwnRules } from './OwnRules';
import { useLadder } from './useLadder';

const PLACES = ['open', 'forest', 'street'] as const;

/** The ladder: what to wear by air, wind and wetness, for one sport, from the closet as it is. */
export function LadderView({
  sport: first,
  garments: list,
  wishes,
  wishesVersion,
  units,
  nowC,
  tried,
  learned,
}: {
  /** logged days, and how many outings the athlete is known by */
  tried: Tried[];
  learned: number;
  sport: DoorSport;
  garments: Garment[];
  wishes: Wishes;
  wishesVersion: number;
  units: Units;
  nowC: number | null;
}) {
  const [sport, setSport] = useState<DoorSport>(first);
  const [shelter, setShelter] = useState<(typeof PLACES)[number]>('open');
  const [at, setAt] = useState<Looked>({ effort: 'steady', wind: 'breezy', wet: 'dry', band: 3 });
  const query = useLadder({ sport, shelter, units });
  const { data, error } = query;
  const client = useQueryClient();
  const router = useRouter();
  const garments = useMemo(() => new Map(list.map((g) => [g.id, g])), [list]);
  const ladder = data?.ladder ?? null;
  const words = ladder && ladderHeadline(ladder, at.effort, units);
  const tryHref = (l: Looked) => `/?line=${encodeURIComponent(lineFor(ladder!, l, { sport, shelter, units }))}`;
  return (
    <>
      <svg width="0" height="0" className="absolute" aria-hidden="true">
        <Patterns />
      </svg>
      <Header
        screen="ladder"
        right={
          <div className="text-right leading-tight">
            <b className="speak block text-[15px]">My ladder</b>
            <span className="text-[12px] text-ink-2">
              from physics, {list.length} pieces and {learned === 0 ? 'no outing yet' : outingsWords(learned)}
            </span>
          </div>
        }
      />
      <main className="mx-4 grid grid-cols-[minmax(0,1fr)_344px] gap-x-6 pt-2 pb-4 max-[1180px]:grid-cols-1 print:grid-cols-1 print:[zoom:0.8]">
        <div className="min-w-0">
          <h1 className="speak text-[22px] leading-tight">
            <b className="font-semibold">{words?.lead ?? 'Climbing your ladder.'}</b>{' '}
            {words?.rest ?? 'From light to warm, a piece or two at a time.'}
          </h1>
          <div className="no-print mt-1.5 flex flex-wrap items-center gap-x-4 gap-y-1.5">
            <span className="w-36">
              <Select
                label="Sport"
                value={sport}
                options={DOOR_SPORTS.map((s) => ({ value: s, label: SPORT[s].label }))}
                onChange={setSport}
              />
            </span>
            <Segments
              label="Effort"
              size="small"
              value={at.effort}
              options={(Object.keys(LADDER_EFFORTS) as LadderEffort[])
                .sort((a, b) => LADDER_EFFORTS[a] - LADDER_EFFORTS[b])
                .map((e) => ({ value: e, label: e }))}
              onChange={(effort) => setAt({ ...at, effort })}
            />
            <Segments
              label="Where"
              size="small"
              value={shelter}
              options={PLACES.map((p) => ({ value: p, label: p }))}
              onChange={setShelter}
            />
            <span className="text-[12px] text-ink-2">an hour, without stops</span>
            <span className="ml-auto flex gap-2">
              <a
                className="self-center text-[12.5px] underline"
                href={exportHref('csv', sport, shelter, units)}
                download
              >
                CSV
              </a>
              <a
                className="self-center text-[12.5px] underline"
                href={exportHref('json', sport, shelter, units)}
                download
              >
                JSON
              </a>
              <Button kind="strong" size="small" onClick={() => window.print()} disabled={!data?.holds}>
                Print it
              </Button>
            </span>
          </div>
          {error && <Problems problems={problemsOf(error)} title="The ladder is not to be had now." />}
          {data?.working && (
            <div className="no-print mt-1.5" aria-live="polite">
              <ProgressBar label="The ladder" done={data.working.done} />
              <p className="text-[12.5px] text-ink-2">
                {Math.round(data.working.done * 100)} %: {data.working.says}. You may leave; it goes on.
              </p>
            </div>
          )}
          {data && !data.holds && !data.working && ladder && (
            <p className="text-[12.5px] text-ink-2">This one is of an older closet or self; a new one is begun.</p>
          )}
          <p className="speak hidden text-[15px] print:block">
            {SPORT[sport].label}, {at.effort}, {shelter}; an hour without stops
          </p>
          {ladder && ladder.cells.length > 0 ? (
            <div className="mt-2">
              <LadderTable
                ladder={ladder}
                at={at}
                onLook={setAt}
                onTry={(l) => router.push(tryHref(l))}
                garments={garments}
                units={units}
                nowC={nowC}
                tried={tried}
              />
              <p className="mt-1.5 text-[12.5px]">
                A cell says what changes against the cell above. Bars: where each rung works, black where it is the one
                to take.{' '}
                <span className="text-ink-2">
                  Below {temperature(DRY_BELOW_C, units)} snow falls dry: brush it off, no storm shell.
                </span>
              </p>
              <RungList ladder={ladder} garments={garments} />
            </div>
          ) : (
            !error && <p className="mt-8 speak text-[18px] text-ink-2">Trying on what hangs in your closet…</p>
          )}
        </div>
        <aside className="no-print min-w-0 border-l border-grid-2 pl-4 max-[1180px]:mt-4 max-[1180px]:border-l-0 max-[1180px]:pl-0">
          {ladder && ladder.cells.length > 0 && (
            <LadderSide
              ladder={ladder}
              at={at}
              onLook={setAt}
              garments={garments}
              units={units}
              tryHref={tryHref}
              tried={tried}
            />
          )}
          <OwnRules
            stored={wishes}
            version={wishesVersion}
            units={units}
            onStored={() => void client.invalidateQueries({ queryKey: ['ladder'] })}
          />
        </aside>
      </main>
    </>
  );
}

const exportHref = (as: string, sport: string, shelter: string, units: Units): string =>
  `/api/ladders/export?${new URLSearchParams({ as, sport, shelter, units }).toString()}`;

/** A cell as a line for the front door. */
function lineFor(
  l: Ladder,
  { effort, wind, wet, band }: Looked,
  here: { sport: DoorSport; shelter: DoorDay['shelter']; units: Units },
): string {
  const { warmC, coldC } = l.bands[band];
  const falls = wet === 'wet' ? wetIn(l.bands[band]) : null;
  const day: DoorDay = {
    sport: here.sport,
    shelter: here.shelter,
    minutes: LADDER_MINUTES,
    exertion: LADDER_EFFORTS[effort],
    airC: (warmC + coldC) / 2,
    windMs: kmhToMs(LADDER_WINDS[wind].kmh),
    falls: falls ?? { kind: 'none', mmH: USUAL_FALL_MMH.none },
    sky: 'overcast',
    stops: [],
    startMs: 0,
    packKg: 0,
  };
  return `${lineOf(day, here.units)}, ${wordsOf('shelter', day, here.units)}, ${wordsOf('sky', day, here.units)}, no stops`;
}

/** Every rung in words, from light to warm; what the page prints below the table. */
function RungList({ ladder, garments }: { ladder: Ladder; garments: ReadonlyMap<string, Garment> }) {
  return (
    <ol className="mt-2 columns-2 gap-6 text-[12.5px] max-[760px]:columns-1" aria-label="The rungs">
      {ladder.rungs.map((r, i) => (
        <li key={r.n} className="mb-0.5 break-inside-avoid">
          <b>
            {r.n} <span className="font-normal text-ink-3">{r.clo.toFixed(1)} clo</span>
          </b>{' '}
          {changeWords(ladder.rungs[i - 1]?.plan, r.plan, garments).text}
        </li>
      ))}
    </ol>
  );
}
