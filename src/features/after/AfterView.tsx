'use client';
import { useQuery } from '@tanstack/react-query';
import Link from 'next/link';
import { useMemo } from 'react';
import { afterWords, MOVED } from '@/core/afterwards/afterWords';
import { baseOf } from '@/core/afterwards/day';
import type { Person } from '@/core/body/person';
import { weighedLossG } from '@/core/calibrate/bodyLoss';
import { garmentKnown, garmentWords } from '@/core/calibrate/garments';
import type { Lesson } from '@/core/calibrate/learn';
import { of, PARAMETER_NAMES, type Learned } from '@/core/calibrate/learned';
import { learnedWords } from '@/core/calibrate/learnedWords';
import { CAUTIONS } from '@/core/judge/verdict';
import { SPORT } from '@/core/effort/sports';
import { plannedStartMs } from '@/core/underway/pack';
import { outedOf, openTold, type ToldOuting } from '@/core/underway/outed';
import type { CueNow } from '@/core/underway/outThere';
import { Curves, TITLES } from '@/features/learned/Curves';
import { useLearning } from '@/features/learned/useLearning';
import { Header } from '@/features/shell/Header';
import { clock, day } from '@/formats/dates';
import { degrees, grams, minus, type Units } from '@/formats/measures';
import { fillSlots } from '@/formats/sentences';
import { turnOf } from '@/formats/turns';
import { problemsOf } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Patterns } from '@/ui/draw/Patterns';
import { Problems } from '@/ui/Problems';
import { ProgressBar } from '@/ui/ProgressBar';
import { afterInWorker } from '@/workers/outThereClient';
import { FeltChart } from './FeltChart';
import { ScaleTable } from './ScaleTable';
import { TellPanel } from './TellPanel';
import { useTold, type ToldHere } from './useTold';
import { askWords } from './words';
import { WornList } from './WornList';

const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** Afterwards: what was said, what was felt, and what it teaches. */
export function AfterView({
  told: stored,
  given,
  before,
  lesson: keptLesson,
  leftOut,
  units,
}: {
  told: ToldOuting;
  given: Person;
  /** what was known before this outing */
  before: Learned;
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
                    meant={meansOf(opened.timeline.stretches)}
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

const meansOf = (list: readonly { startS: number; endS: number; airC: number; wind10: number }[]) => {
  const all = Math.max(
    1,
    list.reduce((sum, s) => sum + s.endS - s.startS, 0),
  );
  const mean = (key: 'airC' | 'wind10') => list.reduce((sum, s) => sum + s[key] * (s.endS - s.startS), 0) / all;
  return { airC: mean('airC'), windMs: mean('wind10') };
};

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

/** Three figures: what the scale says beside what was said. */
function Figures({
  after,
  out,
  garments,
  units,
}: {
  after: After;
  out: Out;
  garments: ReadonlyMap<string, { id: string; name: string; massG: number }>;
  units: Units;
}) {
  const { lesson } = after;
  const base = baseOf(out.plan, [...garments.values()] as never);
  const piece = base && after.spread.pieces.find((p) => p.garment === base.id);
  const kg = turnOf('kg', units);
  const body = lesson?.body;
  const rows = after.spread.rows;
  const coldest = rows.reduce((a, b) => (b.after.fingersC < a.after.fingersC ? b : a));
  const list: { figure: string; unit: string; says: string }[] = [
    ...(body && out.body
      ? [
          {
            figure: minus(kg.show(weighedLossG(out.body) / 1000), 2),
            unit: `${kg.unit} lost`,
            says: `said ${minus(kg.show(body.said / 1000), 2)}`,
          },
        ]
      : []),
    ...(piece && out.weighed[piece.garment] !== undefined
      ? [
          {
            figure: `+${grams(Math.max(0, out.weighed[piece.garment] - garments.get(piece.garment)!.massG), units)}`,
            unit: 'on the skin',
            says: `said ${grams(piece.said, units)}, ${grams(piece.low, units)} to ${grams(piece.high, units)}`,
          },
        ]
      : []),
    {
      figure: degrees(coldest.after.fingersC, units),
      unit: 'coldest fingers',
      says: `at ${clock(coldest.atS)}, said ${degrees(coldest.said.fingersC, units)}`,
    },
  ];
  return (
    <dl className="flex flex-wrap gap-x-5">
      {list.map((f) => (
        <div key={f.unit} className="border-l border-grid-2 pl-3">
          <dt className="text-[12px] text-ink-2">{f.unit}</dt>
          <dd className="text-[22px] leading-tight font-bold">{f.figure}</dd>
          <dd className="text-[12px] text-ink-2">{f.says}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What it taught, as curves before and after; what hardly moved is one line. */
function Taught({
  lesson,
  garments,
  units,
  asks,
}: {
  lesson: Lesson | null;
  garments: ReadonlyMap<string, { name: string }>;
  units: Units;
  asks: string;
}) {
  const moved = lesson
    ? PARAMETER_NAMES.filter(
        (p) => Math.abs(of(lesson.after, p).mean - of(lesson.before, p).mean) > (MOVED / 3) * of(lesson.before, p).sd,
      )
    : [];
  const still = PARAMETER_NAMES.filter((p) => !moved.includes(p));
  return (
    <section aria-labelledby="taught">
      <h2 id="taught" className="flex items-baseline justify-between font-semibold">
        What it teaches about you
        {lesson && (
          <span className="text-[12px] font-normal text-ink-3">{lesson.after.outings} outings; dashed: before</span>
        )}
      </h2>
      <div className="mt-1 border-t border-ink">
        {moved.map((p) => (
          <div
            key={p}
            className="grid grid-cols-[minmax(0,1fr)_150px] items-center gap-2 border-b border-grid-2 py-0.5"
          >
            <p className="leading-tight">
              <b className="speak text-[15px]">{upper(fillSlots(learnedWords(lesson!.after, p), units))}</b>
            </p>
            <Curves before={lesson!.before} after={lesson!.after} p={p} />
          </div>
        ))}
        {lesson && still.length > 0 && (
          <p className="border-b border-grid-2 py-1 text-ink-2">
            Nothing new: {still.map((p) => TITLES[p].toLowerCase()).join('; ')}.
          </p>
        )}
        {lesson && <Pieces lesson={lesson} garments={garments} />}
        {!lesson && <p className="py-1 text-ink-2">Nothing was told yet that teaches.</p>}
        {asks && <p className="speak py-1.5 text-[14.5px]">{asks}</p>}
      </div>
    </section>
  );
}

/** What was told teaches otherwise when a number moves by this share of what is unsure of it. */
const OTHERWISE = 0.03;

/** Pieces of which this outing clearly says that they are not as their numbers say. */
function Pieces({ lesson, garments }: { lesson: Lesson; garments: ReadonlyMap<string, { name: string }> }) {
  const list = Object.entries(lesson.after.garments ?? {}).flatMap(([id, known]) => {
    const before = garmentKnown(lesson.before.garments, id);
    const words = known.outings > before.outings ? garmentWords(known) : null;
    return words ? [{ id, words }] : [];
  });
  return list.map(({ id, words }) => (
    <p key={id} className="border-b border-grid-2 py-1">
      <b>{garments.get(id)?.name ?? 'A piece'}</b>: {words}
    </p>
  ));
}

/** Keep it, or an unusual day; kept: forget it, or learn it anew where it was told otherwise since. */
function KeepLine({
  outingId,
  lesson,
  kept,
  leftOut,
  told,
  busy,
}: {
  outingId: string;
  lesson: Lesson | null;
  kept: Lesson | null;
  leftOut: boolean;
  told: ToldHere;
  busy: boolean;
}) {
  const learning = useLearning();
  const { working } = learning;
  const changed =
    kept !== null &&
    lesson !== null &&
    lesson.after.mean.some(
      (m, i) => Math.abs(m - kept.after.mean[i]) > OTHERWISE * Math.sqrt(kept.after.covariance[i][i]),
    );
  const keep = async () => {
    await told.tell({ told: { kind: 'kept' } });
    await learning.keep({ learned: lesson!.after, lessons: [{ outingId, lesson: lesson! }] });
  };
  return (
    <div className="mt-1.5 flex flex-wrap items-center gap-2">
      <Problems problems={learning.problems} title="Not done." />
      {working !== null ? (
        <span className="w-56" aria-live="polite">
          <ProgressBar label="Learning anew" done={working} />
          Learning anew, {Math.round(100 * working)} %
        </span>
      ) : kept ? (
        <>
          <b>Kept.</b>
          {changed && (
            <Button kind="strong" disabled={busy} onClick={() => void learning.again()}>
              Told otherwise since: learn it anew
            </Button>
          )}
          <Button onClick={() => void learning.forget(outingId)}>Unusual day: forget it</Button>
        </>
      ) : leftOut ? (
        <>
          <b>Left out as an unusual day.</b>
          <Button onClick={() => void learning.leave(outingId, 'usual')}>Count it after all</Button>
        </>
      ) : (
        <>
          <Button kind="strong" disabled={!lesson || busy} onClick={() => void keep()}>
            Keep what it taught
          </Button>
          <Button disabled={!lesson} onClick={() => void learning.leave(outingId, 'unusual')}>
            Unusual day: leave me as I was
          </Button>
        </>
      )}
      <Link href="/book" className="inline-flex min-h-[24px] items-center underline">
        The book
      </Link>
      <Where told={told} />
    </div>
  );
}

/** Where what was told lies now. */
function Where({ told: { waiting, offline } }: { told: ToldHere }) {
  if (waiting === 0) return null;
  return (
    <span className="text-[12.5px] text-ink-2" aria-live="polite">
      Kept here, {waiting} to send{offline ? '; the server is not reached' : ''}.
    </span>
  );
}

/** An outing of which nobody said that it was gone. */
function NotGone({ told, opened, out }: { told: ToldHere; opened: ReturnType<typeof openTold>['opened']; out: Out }) {
  const { pack, timeline } = opened;
  const startMs = out.startMs ?? plannedStartMs(pack);
  const asPlanned = () =>
    told.tell(
      ...(out.startMs === null ? [{ told: { kind: 'started' as const, by: 'button' as const }, atMs: startMs }] : []),
      ...out.cues
        .filter((c) => c.stands !== 'done')
        .map((c) => ({ told: { kind: 'done' as const, cue: c.key }, atMs: startMs + Math.round(c.dueS) * 1000 })),
      { told: { kind: 'home' as const }, atMs: startMs + Math.round(timeline.endS) * 1000 },
      { told: { kind: 'kept' as const } },
    );
  return (
    <section className="max-w-[66ch] pt-4">
      <h1 className="speak text-[26px] leading-tight font-semibold">
        {out.stage === 'way' ? 'Begun, and nobody said it is over.' : 'Was it gone?'}
      </h1>
      <p className="mt-2 text-[15px]">
        Take the plan as the first guess: gone as planned, {clock(timeline.endS)} h
        {out.cues.length > 0 && ` with ${out.cues.length === 1 ? 'its cue' : `all ${out.cues.length} cues`} done`}. Then
        drag what was different, say how it felt, and put on the scale what you can. Or bring what your watch recorded.
      </p>
      <p className="mt-3 flex gap-2">
        <Button kind="strong" size="large" onClick={() => void asPlanned()}>
          It was gone as planned
        </Button>
      </p>
    </section>
  );
}
