'use client';
import { Dialog } from 'radix-ui';
import Link from 'next/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Person } from '@/core/body/person';
import { bodyParameters } from '@/core/body/bodyParameters';
import { cueText } from '@/core/plan/dress';
import { act, isWorn, moveAction, moveCue, removeCue, settingAt } from '@/core/plan/edit';
import { mustNotMiss, type CueReason } from '@/core/plan/missed';
import { sensationWord } from '@/core/judge/sensation';
import { CAUTIONS } from '@/core/judge/verdict';
import {
  clock,
  day,
  degrees,
  distance,
  fillSlots,
  grams,
  movedText,
  kilograms,
  timeOfDay,
  type Units,
} from '@/formats/words';
import type { Wishes } from '@/core/plan/wishes';
import type { OwnedGarment } from '@/store/closet';
import type { StoredOuting } from '@/store/outings';
import type { StoredPlan } from '@/store/plans';
import { Header } from '@/features/shell/Header';
import { sportWord } from '@/features/outing/words';
import { Button } from '@/ui/Button';
import { Patterns } from '@/ui/Patterns';
import { Problems } from '@/ui/Problems';
import { C } from '@/ui/palette';
import { linear } from '@/ui/scale';
import { useTold } from '@/ui/told';
import { useWidth } from '@/ui/useWidth';
import { Schools } from './Schools';
import { Wishes as WishesPart } from './Wishes';
import { Behind } from './Behind';
import { Cues, CUES_HEIGHT } from './Cues';
import { GarmentBar, TakeMore } from './GarmentBar';
import { Land, LAND_HEIGHT } from './Land';
import { lanesOf } from './lanes';
import { Lanes, lanesHeight } from './Lanes';
import { Legend } from './Legend';
import { MomentPanel } from './MomentPanel';
import { Traces, TRACES_HEIGHT } from './Traces';
import { useBehind } from './useBehind';
import { useScore, type Score } from './useScore';

interface Props {
  outing: StoredOuting;
  person: Person;
  units: Units;
  owned: OwnedGarment[];
  closetIds: string[];
  plans: StoredPlan[];
  wishes: Wishes;
}

/** Plot begins here; labels and numbers at the cursor stand to its left, px. */
const LEFT = 172;

/** The score: land and weather, cues, the clothes as lanes, and what follows for the body, on one clock. */
export function ScoreView(props: Props) {
  const { outing, units, person } = props;
  const score = useScore(props);
  const { plan, scored, timeline, planning } = score;
  const behind = useBehind(person, score.closet, outing, score.damp, score.wishes, score.settled, planning);
  const [cursor, setCursor] = useState<number | null>(null);
  const [selected, setSelected] = useState<string | null>(null);
  const [cue, setCue] = useState<number | null>(null);
  const [keys, setKeys] = useState(false);

  const planOnce = useRef(false);
  useEffect(() => {
    // An outing without a plan is planned at once: that is what the athlete came for.
    if (!planOnce.current && !plan && props.plans.length === 0) {
      planOnce.current = true;
      score.replan();
    }
  }, [plan, props.plans.length, score]);

  const worst = scored?.findings[0]?.atS ?? scored?.metrics.waterPeak.atS ?? 0;
  const cursorS = Math.min(timeline.endS, cursor ?? worst);
  const row = scored ? Math.min(scored.series.rows - 1, Math.round(cursorS / scored.series.stepS)) : 0;

  useKeys({
    score,
    plan,
    cursorS,
    selected,
    endS: timeline.endS,
    setCursor,
    setCue,
    onHelp: () => setKeys(true),
    onDone: () => setSelected(null),
  });

  return (
    <>
      <Header
        screen="score"
        outingId={outing.id}
        right={
          <>
            <div className="max-w-[330px] leading-[1.15]">
              <b className="speak block truncate text-[14.5px] leading-[1.2]" title={outing.name}>
                {outing.name}
              </b>
              <span className="text-[12px] text-ink-2">
                {sportWord(outing.sport)}, {day(outing.startMs)}, leaving {timeOfDay(outing.startMs)}
              </span>
            </div>
            <SaveNote score={score} />
            <Button kind="quiet" disabled={!score.canUndo} onClick={score.undo} title="Undo (Z)">
              Undo
            </Button>
            <Button kind="quiet" disabled={!score.canRedo} onClick={score.redo} title="Redo (Shift+Z)">
              Redo
            </Button>
            <Button kind="strong" onClick={score.replan} disabled={planning}>
              Replan
            </Button>
          </>
        }
      />
      <main className="mx-4">
        <Problems problems={score.problems} title="Something went wrong." />
        {plan && scored && score.scoredPlan ? (
          <>
            <Top score={score} units={units} />
            <div className="mt-0.5 grid grid-cols-[minmax(0,1fr)_300px] gap-5 max-[1060px]:grid-cols-1">
              <Sheet
                score={score}
                area={[...bodyParameters(person).area]}
                outing={outing}
                units={units}
                cursorS={cursorS}
                row={row}
                selected={selected}
                cue={cue}
                onCursor={setCursor}
                onSelect={setSelected}
                onCue={setCue}
              />
              <MomentPanel
                scored={scored}
                garments={score.garments}
                timeline={timeline}
                cursorS={cursorS}
                row={row}
                units={units}
              />
            </div>
            <div className="no-print sticky bottom-0 z-10 border-t border-ink bg-paper">
              <Actions
                score={score}
                selected={selected}
                cue={cue}
                cursorS={cursorS}
                units={units}
                onCue={setCue}
                onKeys={() => setKeys(true)}
              />
            </div>
            <CueTable score={score} missed={behind.parts.missed ?? []} units={units} />
            <section
              aria-label="The search"
              className="no-print mt-4 grid grid-cols-2 gap-x-10 gap-y-6 border-t-2 border-ink pt-2 max-[900px]:grid-cols-1"
            >
              <WishesPart score={score} units={units} />
              <Schools score={score} units={units} />
            </section>
            <Behind {...behind} startMs={outing.startMs} unsafe={scored.verdict.tone === 'fails'} units={units} />
          </>
        ) : (
          <Waiting score={score} outingId={outing.id} />
        )}
      </main>
      {planning && <PlanningBar score={score} />}
      <Keys open={keys} onOpen={setKeys} />
    </>
  );
}

/** The one change that helps most, as a button, with what it does and what it asks. */
function ProposalNote({ score, units }: { score: Score; units: Units }) {
  const p = score.proposal;
  if (p === undefined) return <span className="ml-3 text-[12px] text-ink-3">looking for a better change…</span>;
  if (p === null) return <span className="ml-3 text-[12px] text-ink-3">No single change helps more.</span>;
  const cues =
    p.moreCues === 0 ? 'no extra cue' : p.moreCues > 0 ? `${p.moreCues} cue more` : `${-p.moreCues} cue fewer`;
  return (
    <span className="ml-3 flex min-w-0 items-center gap-2">
      <Button
        kind="act"
        className="max-w-[330px] truncate px-2.5 py-0.5 text-[12.5px]"
        title={p.text}
        onClick={() => score.commit(p.plan)}
      >
        {p.text}
        {p.atS > 0 && ` at ${clock(p.atS)}`} <kbd>Enter</kbd>
      </Button>
      <span className="truncate text-[12.5px] text-ink-2">
        {movedText(p.effect, units)}, {cues}
      </span>
    </span>
  );
}

/** The sentence, the plans, the numbers that matter. */
function Top({ score, units }: { score: Score; units: Units }) {
  const { scored, plan, garments } = score;
  if (!scored || !plan) return null;
  const v = scored.verdict;
  const carried = plan.carried.reduce((s, id) => s + (garments.get(id)?.massG ?? 0), 0) / 1000;
  const m = scored.metrics;
  const numbers: [string, string, string][] = [
    ['water in layers, most', grams(m.waterPeak.value, units), clock(m.waterPeak.atS)],
    ['fingers, lowest', degrees(m.fingers.value, units), clock(m.fingers.atS)],
    ['toes, lowest', degrees(m.toes.value, units), clock(m.toes.atS)],
    ['torso, lowest', degrees(m.torso.value, units), clock(m.torso.atS)],
    ['sweat', grams(m.sweatG, units), 'in all'],
    ['cues', String(plan.cues.length), ''],
    ['in the pack', kilograms(carried, units), ''],
  ];
  return (
    <div className="flex items-start justify-between gap-x-6 gap-y-1 pt-1.5 max-[860px]:flex-col">
      <div className="min-w-0 flex-1">
        <h1 className="speak max-w-[680px] text-[22px] leading-[1.16]" aria-live="polite">
          <b className={`font-bold ${v.tone === 'fails' ? 'text-act' : ''}`}>
            {v.tone === 'fails' ? '▲ ' : ''}
            {v.lead}
          </b>{' '}
          {fillSlots(v.rest, units)}
        </h1>
        <div className="mt-1 flex flex-wrap items-center gap-1">
          {score.plans.map((p) => (
            <button
              key={p.id}
              onClick={() => score.choose(p.id)}
              aria-pressed={p.id === score.planId}
              className={`cursor-pointer rounded-[3px] border px-2 py-0.5 text-[12px] ${p.id === score.planId ? 'border-ink bg-ink font-semibold text-white' : 'border-grid-2 bg-sheet'}`}
            >
              {p.name}
            </button>
          ))}
          <Button
            kind="quiet"
            className="px-2 py-0.5 text-[12px]"
            onClick={score.saveCopy}
            title="Keep this as another plan"
          >
            + keep a copy
          </Button>
          <ProposalNote score={score} units={units} />
        </div>
      </div>
      <div className="shrink-0">
        <dl className="flex flex-wrap gap-x-4 gap-y-1 text-right max-[860px]:text-left">
          {numbers.map(([label, value, when]) => (
            <div key={label}>
              <dt className="text-[11px] text-ink-3">{label}</dt>
              <dd className="text-[16px] leading-tight font-bold">{value}</dd>
              <dd className="text-[11px] text-ink-3">{when}</dd>
            </div>
          ))}
        </dl>
      </div>
    </div>
  );
}

interface SheetProps {
  score: Score;
  area: readonly number[];
  outing: StoredOuting;
  units: Units;
  cursorS: number;
  row: number;
  selected: string | null;
  cue: number | null;
  onCursor: (s: number) => void;
  onSelect: (id: string) => void;
  onCue: (i: number) => void;
}

/** Steps to which a dragged cue falls, and the pull of other cues, s. */
const GRID_S = 30;
const PULL_S = 150;

function Sheet({ score, area, outing, units, cursorS, row, selected, cue, onCursor, onSelect, onCue }: SheetProps) {
  const [ref, width] = useWidth(928);
  const { timeline, garments } = score;
  const scored = score.scored!;
  // While the worker is busy the lanes already show the new plan; the numbers follow within a moment.
  const plan = score.plan!;
  const endS = timeline.endS;
  const x = useMemo(() => linear(0, endS, LEFT, width - 2), [endS, width]);
  const groups = useMemo(() => lanesOf(plan, garments, endS), [plan, garments, endS]);
  const yLand = CUES_HEIGHT;
  const yLanes = yLand + LAND_HEIGHT + 8;
  const yTraces = yLanes + lanesHeight(groups) + 4;
  const height = yTraces + TRACES_HEIGHT + 3;
  const svg = useRef<SVGSVGElement>(null);
  const px = x(cursorS);

  const secondsAt = (e: PointerEvent | React.PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    return Math.min(endS, Math.max(0, x.invert(((e.clientX - box.left) * width) / box.width)));
  };

  /** Follows the pointer until it is let go; the picture is simulated all the way, the edit counts at the end. */
  const drag = (start: React.PointerEvent, change: (atS: number) => ReturnType<typeof moveCue>, others: number[]) => {
    start.preventDefault();
    start.stopPropagation();
    const from = start.clientX;
    let moved = false;
    const settle = (e: PointerEvent) => {
      const raw = Math.round(secondsAt(e) / GRID_S) * GRID_S;
      const near = e.altKey ? undefined : others.find((o) => Math.abs(o - raw) <= PULL_S);
      return Math.min(endS - 60, Math.max(60, near ?? raw));
    };
    const move = (e: PointerEvent) => {
      if (!moved && Math.abs(e.clientX - from) < 3) return;
      moved = true;
      const at = settle(e);
      onCursor(at);
      score.preview(change(at));
    };
    const done = (e: PointerEvent) => {
      stop();
      if (moved) score.commit(change(settle(e)));
    };
    const abandon = () => {
      stop();
      score.preview(null);
    };
    const stop = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', done);
      window.removeEventListener('pointercancel', abandon);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', done);
    window.addEventListener('pointercancel', abandon);
  };

  return (
    <div ref={ref} className="min-w-0">
      <svg
        ref={svg}
        width="100%"
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label="Score of the outing"
        onPointerMove={(e) => e.buttons === 1 && e.target === e.currentTarget && onCursor(secondsAt(e))}
      >
        <Patterns />
        <rect
          x={LEFT}
          y={yLanes - 4}
          width={width - LEFT - 2}
          height={yTraces - yLanes + 2}
          fill={C.sheet}
          stroke={C.grid2}
        />
        {/* pressing anywhere on the plot sets the cursor */}
        <rect
          x={LEFT}
          y={yLand}
          width={width - LEFT}
          height={height - yLand}
          fill="transparent"
          style={{ cursor: 'col-resize' }}
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            onCursor(secondsAt(e));
          }}
          onPointerMove={(e) => e.buttons === 1 && onCursor(secondsAt(e))}
        />
        <g pointerEvents="none">
          <Land timeline={timeline} startMs={outing.startMs} x={x} y={yLand} cursorS={cursorS} units={units} />
          <Traces
            scored={scored}
            garments={garments}
            area={area}
            x={x}
            y={yTraces}
            endS={endS}
            row={row}
            units={units}
          />
        </g>
        <Lanes
          groups={groups}
          plan={plan}
          scored={scored}
          area={area}
          x={x}
          y={yLanes}
          endS={endS}
          row={row}
          selected={selected}
          units={units}
          onSelect={onSelect}
          onEdge={(i, garment, e) => {
            onCue(i);
            drag(
              e,
              (at) => moveAction(plan, i, garment, at),
              plan.cues.filter((_, k) => k !== i).map((c) => c.atS),
            );
          }}
        />
        <Cues
          plan={plan}
          garments={garments}
          timeline={timeline}
          x={x}
          width={width}
          left={LEFT}
          y={0}
          bottom={height - 2}
          selected={cue}
          units={units}
          onSelect={onCue}
          onDrag={(i, e) => {
            onCursor(plan.cues[i].atS);
            drag(e, (at) => moveCue(plan, i, at), []);
          }}
        />
        <g pointerEvents="none">
          <line x1={px} x2={px} y1={yLand} y2={height - 2} stroke={C.ink} strokeWidth="1.600" />
          <rect x={Math.min(width - 42, px - 19)} y={yLand + LAND_HEIGHT - 12} width="38" height="15" fill={C.ink} />
          <text
            x={Math.min(width - 23, px)}
            y={yLand + LAND_HEIGHT}
            fontSize="12"
            fontWeight="700"
            textAnchor="middle"
            style={{ fill: '#fff' }}
          >
            {clock(cursorS)}
          </text>
        </g>
      </svg>
    </div>
  );
}

/** What can be done now with the selected garment or cue; with nothing selected, the pattern language. */
function Actions({
  score,
  selected,
  cue,
  cursorS,
  units,
  onCue,
  onKeys,
}: {
  score: Score;
  selected: string | null;
  cue: number | null;
  cursorS: number;
  units: Units;
  onCue: (i: number | null) => void;
  onKeys: () => void;
}) {
  const plan = score.plan!;
  const garment = selected ? score.garments.get(selected) : undefined;
  const inPlan = garment && (plan.worn.includes(garment.id) || plan.carried.includes(garment.id));
  const chosen = cue !== null ? plan.cues[cue] : undefined;
  return (
    <div className="no-print flex min-h-8 flex-wrap items-center gap-x-4 gap-y-1 py-1">
      {garment && inPlan ? (
        <GarmentBar
          garment={garment}
          plan={plan}
          closet={score.closet}
          cursorS={cursorS}
          units={units}
          onChange={score.commit}
        />
      ) : (
        <Legend onKeys={onKeys} />
      )}
      {chosen && (
        <Button
          kind="quiet"
          className="px-2 py-0.5"
          onClick={() => {
            score.commit(removeCue(plan, cue!));
            onCue(null);
          }}
        >
          Drop cue {cue! + 1}
        </Button>
      )}
      <span className="ml-auto">
        <TakeMore plan={plan} closet={score.closet} units={units} onChange={score.commit} />
      </span>
    </div>
  );
}

/** The cues in words, with why: the table behind the picture, and what is printed. */
/** When the start is judged by how one feels, s: five to ten minutes out (common practice, no published source). */
const SOON_S = 420;

function CueTable({ score, missed, units }: { score: Score; missed: readonly CueReason[]; units: Units }) {
  const { plan, garments, scored, timeline } = score;
  if (!plan || !scored) return null;
  const vital = missed[mustNotMiss(missed)];
  const soon = scored.metrics.sensation[Math.min(scored.series.rows - 1, Math.round(SOON_S / scored.series.stepS))];
  const names = (ids: string[]) => ids.map((id) => garments.get(id)?.name ?? '?').join(', ') || 'nothing';
  return (
    <section
      className="mt-4 grid grid-cols-[minmax(0,1fr)_minmax(0,360px)] gap-10 border-t-2 border-ink pt-2 pb-10 max-[900px]:grid-cols-1"
      aria-label="The plan in words"
    >
      <div>
        <h2 className="speak text-[19px] font-semibold">The plan in words</h2>
        <p className="mt-1">
          <b>Start in:</b> {names(plan.worn)}.
        </p>
        <p>
          <b>Carry:</b> {names(plan.carried)}.
        </p>
        <p className="text-ink-2">
          Seven minutes out you feel <b>{sensationWord(soon).toLowerCase()}</b>; a little cool is right at the start.
        </p>
        <table className="mt-2 w-full border-collapse text-left">
          <tbody>
            {plan.cues.map((c, i) => {
              const why = missed.find((r) => Math.abs(r.atS - c.atS) < 1);
              return (
                <tr key={i} className="border-b border-grid align-baseline">
                  <td className="w-24 py-1 font-bold text-act">
                    {i + 1}&ensp;{clock(c.atS)}
                  </td>
                  <td className="pr-4">{cueText(c, garments).join('; ')}</td>
                  <td className="w-[38%] text-ink-2">
                    {why
                      ? `${why.where[0].toUpperCase()}${why.where.slice(1)}. Missed: ${movedText(why.miss, units)}, ${why.missCost.toFixed(2)} points${why === vital ? '; the one not to miss' : ''}.`
                      : `${distance(
                          timeline.legs.reduce(
                            (d, l, k) =>
                              d +
                              l.distanceM *
                                Math.min(
                                  1,
                                  Math.max(
                                    0,
                                    (c.atS - timeline.legStartS[k]) /
                                      (timeline.legStartS[k + 1] - timeline.legStartS[k]),
                                  ),
                                ),
                            0,
                          ),
                          units,
                        )} along.`}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        {scored.findings.length > 0 && (
          <>
            <h3 className="mt-4 font-semibold">What was found, and against which limit</h3>
            <ul className="mt-1 list-disc pl-4">
              {scored.findings.map((f) => (
                <li key={`${f.kind}${f.atS}`}>
                  {f.what}, {clock(f.atS)}:{' '}
                  <b>
                    {f.unit === '°C'
                      ? degrees(f.value, units, 1)
                      : f.unit === 'share'
                        ? `${Math.round(f.value * 100)} %`
                        : `${f.value.toFixed(1)} ${f.unit}`}
                  </b>{' '}
                  (limit{' '}
                  {f.unit === '°C'
                    ? degrees(f.limit, units, 1)
                    : f.unit === 'share'
                      ? `${Math.round(f.limit * 100)} %`
                      : `${f.limit.toFixed(1)} ${f.unit}`}
                  ): {f.means}.
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
      <div>
        <h2 className="font-semibold">Cautions</h2>
        <ul className="mt-1 list-disc space-y-1 pl-4 text-ink-2">
          {CAUTIONS.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      </div>
    </section>
  );
}

function SaveNote({ score }: { score: Score }) {
  const words = { saved: 'Saved', saving: 'Saving…', unsaved: 'Saving…', failed: 'Not saved' }[score.saveState];
  if (!score.plan || (!score.planId && score.saveState === 'saved')) return null;
  return (
    <span
      role="status"
      data-testid="save-state"
      className={score.saveState === 'failed' ? 'font-semibold text-act' : 'text-ink-3'}
    >
      {words}
      {score.saveState === 'failed' && (
        <button className="ml-1 cursor-pointer underline" onClick={score.saveAgain}>
          try again
        </button>
      )}
    </span>
  );
}

function Waiting({ score, outingId }: { score: Score; outingId: string }) {
  if (score.planning || score.plan)
    return (
      <p className="speak mt-16 text-[24px] font-semibold">{score.plan ? 'Simulating…' : 'Trying on what you own.'}</p>
    );
  return (
    <div className="mt-16 max-w-[60ch]">
      <h1 className="speak text-[26px] font-semibold">No plan for this outing yet.</h1>
      <p className="mt-2 text-[15px]">
        The planner tries on what is in your closet, leg by leg, and proposes what to start in, what to carry and when
        to change.
      </p>
      <div className="mt-4 flex gap-2">
        <Button kind="strong" onClick={score.replan}>
          Plan it
        </Button>
        <Link href={`/outing/${outingId}`} className="self-center underline">
          Look at the route and weather first
        </Link>
      </div>
    </div>
  );
}

function PlanningBar({ score }: { score: Score }) {
  const p = useTold(score.progress);
  return (
    <div role="status" className="fixed right-4 bottom-4 z-30 w-[360px] border-2 border-ink bg-sheet p-3">
      <div className="flex items-center justify-between gap-3">
        <span>
          <b>{Math.round(p.done * 100)} %</b> {p.says}
        </span>
        <span className="flex shrink-0 gap-1.5">
          {p.soFar && (
            <Button
              className="px-2 py-0.5"
              title="End the search with the best plan so far"
              onClick={() => score.stopPlanning(p.soFar)}
            >
              Take it now
            </Button>
          )}
          <Button className="px-2 py-0.5" onClick={() => score.stopPlanning()}>
            Cancel
          </Button>
        </span>
      </div>
      <div
        className="mt-2 h-2 border border-ink"
        role="progressbar"
        aria-label="Planning"
        aria-valuenow={Math.round(p.done * 100)}
        aria-valuemin={0}
        aria-valuemax={100}
      >
        <div className="h-full bg-heat-3" style={{ width: `${p.done * 100}%` }} />
      </div>
    </div>
  );
}

interface KeysArgs {
  score: Score;
  plan: Score['plan'];
  cursorS: number;
  selected: string | null;
  endS: number;
  setCursor: (s: number) => void;
  setCue: (i: number) => void;
  onHelp: () => void;
  /** nothing is selected any more */
  onDone: () => void;
}

function useKeys(args: KeysArgs): void {
  const latest = useRef(args);
  useEffect(() => {
    latest.current = args;
  });
  useEffect(() => {
    const on = (e: KeyboardEvent) => {
      const { score, plan, cursorS, selected, endS, setCursor, setCue, onHelp, onDone } = latest.current;
      const target = e.target as HTMLElement;
      if (/^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName) || e.ctrlKey || e.metaKey || e.altKey || !plan) return;
      const garment = selected ? score.garments.get(selected) : undefined;
      const jump = (way: 1 | -1) => {
        const list = plan.cues.map((c, i) => ({ i, at: c.atS }));
        const next =
          way === 1 ? list.find((c) => c.at > cursorS + 1) : [...list].reverse().find((c) => c.at < cursorS - 1);
        if (next) {
          setCursor(next.at);
          setCue(next.i);
        }
      };
      const step = e.shiftKey ? 600 : 60;
      if (e.key === 'ArrowLeft') setCursor(Math.max(0, cursorS - step));
      else if (e.key === 'ArrowRight') setCursor(Math.min(endS, cursorS + step));
      else if (e.key === '[') jump(-1);
      else if (e.key === ']') jump(1);
      else if (e.key === 'z') score.undo();
      else if (e.key === 'Z') score.redo();
      else if (e.key === '?') onHelp();
      else if (e.key === 'Escape') onDone();
      else if (e.key === 'Enter' && target === document.body && score.proposal) score.commit(score.proposal.plan);
      else if (e.key.toLowerCase() === 'p' && garment)
        score.commit(
          act(plan, { do: isWorn(plan, garment.id, cursorS) ? 'takeOff' : 'putOn', garment: garment.id }, cursorS),
        );
      else if (
        e.key.toLowerCase() === 'v' &&
        garment &&
        garment.openings.length > 0 &&
        isWorn(plan, garment.id, cursorS)
      ) {
        const o = garment.openings[0];
        score.commit(
          act(
            plan,
            {
              do: 'set',
              garment: garment.id,
              opening: o.id,
              setting: settingAt(plan, garment, o.id, cursorS) > 0.5 ? 0 : 1,
            },
            cursorS,
          ),
        );
      } else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', on);
    return () => window.removeEventListener('keydown', on);
  }, []);
}

const KEYS: [string, string][] = [
  ['← →', 'move the cursor a minute; with Shift ten'],
  ['[ ]', 'cue before, cue after'],
  ['V', 'open or close the selected garment at the cursor'],
  ['P', 'put it into the pack, or on'],
  ['Z, Shift+Z', 'undo, redo'],
  ['Alt while dragging', 'do not snap to other cues'],
  ['Enter', 'take the proposal'],
  ['Esc', 'let go of what is selected'],
  ['?', 'this list'],
];

function Keys({ open, onOpen }: { open: boolean; onOpen: (o: boolean) => void }) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/35" />
        <Dialog.Content
          className="fixed top-[18vh] left-1/2 z-50 w-[420px] max-w-[94vw] -translate-x-1/2 border-2 border-ink bg-paper p-5"
          aria-describedby={undefined}
        >
          <Dialog.Title className="speak text-[20px] font-semibold">Keys</Dialog.Title>
          <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            {KEYS.map(([k, says]) => (
              <div key={k} className="contents">
                <dt className="font-semibold">{k}</dt>
                <dd>{says}</dd>
              </div>
            ))}
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
