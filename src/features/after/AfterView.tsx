'use client';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { afterWords } from '@/core/afterwards/afterWords';
import type { Person } from '@/core/body/person';
import type { Lesson } from '@/core/calibrate/learn';
import type { Learned } from '@/core/calibrate/learned';
import { CAUTIONS } from '@/core/judge/verdict';
import { SPORT } from '@/core/effort/sports';
import { plannedStartMs } from '@/core/underway/pack';
import { outedOf, openTold, type ToldOuting } from '@/core/underway/outed';
import type { CueNow } from '@/core/underway/outThere';
import { Header } from '@/features/shell/Header';
import { clock, day } from '@/formats/dates';
import type { Units } from '@/formats/measures';
import { problemsOf } from '@/ui/api';
import { Patterns } from '@/ui/draw/Patterns';
import { Problems } from '@/ui/Problems';
import { afterInWorker } from '@/workers/outThereClient';
import type { KnownNow } from '@/features/learned/useLearning';
import { FeltChart } from './FeltChart';
import { Figures } from './Figures';
import { KeepLine } from './KeepLine';
import { NotGone } from './NotGone';
import { ScaleTable } from './ScaleTable';
import { Taught } from './Taught';
import { TellPanel } from './TellPanel';
import { useTold, type ToldHere } from './useTold';
import { askWords } from './words';
import { WornList } from './WornList';

/** Afterwards: what was said, what was felt, and what it teaches. */
export function AfterView({
  told: stored,
  given,
  before,
  over,
  lesson: keptLesson,
  leftOut,
  units,
}: {
  told: ToldOuting;
  given: Person;
  /** what was known before this outing */
  before: Learned;
  /** what is known by now, as this page has it */
  over: KnownNow;
  /** as it was kept; null: it was not */
  lesson: Lesson | null;
  leftOut: boolean;
  units: Units;
}) {
  const { pack } = stored;
  const told = useTold(pack.outingId, stored.taps);
  const now = useMemo((): ToldOuting => ({ pack, taps: told.taps }), [pack, told.taps]);
  const { opened, out } = useMemo(() => openTold(now, given), [now, given]);
  const isOver = out.stage === 'home';
  const outed = useMemo(() => (isOver ? outedOf(opened, out) : null), [isOver, opened, out]);
  const garments = useMemo(() => new Map(pack.closet.map((g) => [g.id, g])), [pack]);
  const query = useQuery({
    queryKey: ['after', pack.outingId, before, now.taps],
    enabled: isOver,
    placeholderData: (last) => last,
    queryFn: () => afterInWorker(before, given, now),
  });
  const after = query.data ?? null;
  const words = afterWords(after?.lesson ?? null);
  const startMs = (out.startMs ?? plannedStartMs(pack)) + pack.outing.utcOffsetMin * 60_000;
  return (
    <>
      <svg width="0" height="0" className="absolute" aria-hidden="true">
        <Patterns />
      </svg>
      <Header
        screen="book"
        outingId={pack.outingId}
        right={
          <div className="leading-tight">
            <b className="speak block max-w-[320px] truncate text-[15px]" title={pack.outing.name}>
              {pack.outing.name}
            </b>
            <span className="text-[12px] text-ink-2">
              {SPORT[pack.outing.sport].label}, {day(startMs)}
              {isOver && `; ${clock(out.nowS)} h`}
            </span>
          </div>
        }
      />
      <main className="mx-4 pt-2 pb-6">
        <Problems problems={told.refused} title="Not taken by the server." />
        {told.trouble && <p className="font-semibold text-act">{told.trouble}</p>}
        {!isOver ? (
          <NotGone told={told} opened={opened} out={out} />
        ) : (
          <>
            <div className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-6 max-[900px]:grid-cols-1 max-[900px]:gap-2">
              <div>
                <h1 className="speak text-[24px] leading-tight">
                  <b className="font-semibold">{words.lead}</b> {words.rest}
                </h1>
                <KeepLine
                  outingId={pack.outingId}
                  lesson={after?.lesson ?? null}
                  kept={keptLesson}
                  leftOut={leftOut}
                  over={over}
                  told={told}
                  busy={query.isFetching}
                />
              </div>
              {after && <Figures after={after} out={out} garments={garments} units={units} />}
            </div>
            {query.error && <Problems problems={problemsOf(query.error)} title="Not worked out." />}
            <div className="mt-2 grid grid-cols-[minmax(0,1fr)_380px] gap-x-6 gap-y-3 max-[1100px]:grid-cols-1">
              <div className="min-w-0 space-y-3">
                <section aria-labelledby="felt" className="border-t border-ink pt-1">
                  <h2 id="felt" className="mb-1 flex flex-wrap items-baseline justify-between font-semibold">
                    Said and felt
                    <span className="text-[12px] font-normal text-ink-3">
                      drag a disc to when you did it, or use the arrow keys; Delete: not done; a click: done as meant
                    </span>
                  </h2>
                  {after && outed ? (
                    <FeltChart
                      after={after}
                      out={out}
                      timeline={outed.timeline}
                      weighedG={weighedOf(after, out, garments)}
                      units={units}
                      onMove={(c, atS) => void moveCue(told, out.startMs!, c, atS)}
                      onLeave={(c) => void told.untell((t) => t.kind === 'done' && t.cue === c.key)}
                    />
                  ) : (
                    <p className="speak py-8 text-[16px] text-ink-2">Going through it again…</p>
                  )}
                </section>
                <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6 max-[760px]:grid-cols-1">
                  {after && (
                    <ScaleTable pieces={after.spread.pieces} garments={garments} out={out} told={told} units={units} />
                  )}
                  <Taught
                    lesson={after?.lesson ?? null}
                    garments={garments}
                    units={units}
                    asks={
                      after
                        ? askWords(
                            after.asks.map((a) => a.ask),
                            garments,
                          )
                        : ''
                    }
                  />
                </div>
              </div>
              <aside className="min-w-0 space-y-3 border-l border-grid-2 pl-4 max-[1100px]:border-l-0 max-[1100px]:pl-0">
                {after && (
                  <TellPanel
                    outingId={pack.outingId}
                    out={out}
                    whiles={after.whiles}
                    told={told}
                    opened={opened}
                    units={units}
                  />
                )}
                <WornList out={out} garments={garments} told={told} />
                <p className="text-[12px] text-ink-3">{CAUTIONS[0]}</p>
              </aside>
            </div>
          </>
        )}
      </main>
    </>
  );
}

const moveCue = (told: ToldHere, startMs: number, c: CueNow, atS: number): Promise<unknown> =>
  told.retell((t) => t.kind === 'done' && t.cue === c.key, {
    told: { kind: 'done', cue: c.key },
    atMs: startMs + Math.round(atS) * 1000,
  });

type After = NonNullable<Awaited<ReturnType<typeof afterInWorker>>>;
type Out = ReturnType<typeof openTold>['out'];

/** Water by the scale in all that was weighed, laid on the line of all layers: what was not weighed counts as said. */
function weighedOf(after: After, out: Out, garments: ReadonlyMap<string, { massG: number }>) {
  const list = after.spread.pieces.filter((p) => out.weighed[p.garment] !== undefined);
  if (list.length === 0) return null;
  const end = after.spread.rows[after.spread.rows.length - 1].said.waterG;
  const more = list.reduce(
    (sum, p) => sum + Math.max(0, out.weighed[p.garment] - (garments.get(p.garment)?.massG ?? 0)) - p.said,
    0,
  );
  return { g: Math.max(0, end + more), saidG: end };
}
