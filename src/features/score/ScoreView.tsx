'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import { bodyParameters } from '@/core/body/bodyParameters';
import { SPORT } from '@/core/effort/sports';
import { isSafe } from '@/core/judge/findings';
import { judge } from '@/core/judge/judgement';
import { besideOf } from '@/core/questions/beside';
import { day, timeOfDay } from '@/formats/dates';
import { type Units } from '@/formats/measures';
import { Header } from '@/features/shell/Header';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { SaveNote } from '@/ui/SaveNote';
import { Actions } from './panels/Actions';
import { SCORE_HANDS, SCORE_KEYS } from './keys';
import { KeysSheet } from '@/ui/KeysSheet';
import { MomentPanel } from './panels/MomentPanel';
import { PlanInWords } from './panels/PlanInWords';
import { PlanningBar } from './panels/PlanningBar';
import { Top } from './panels/Top';
import { usePointing } from './pointing';
import { ScoreSheet } from './ScoreSheet';
import { useBehind } from './state/useBehind';
import { useScore, type Score, type ScoreProps } from './state/useScore';
import { useScoreKeys } from './useScoreKeys';

// A code is drawn when it is asked for.
// What lies below the sheet comes after it.
const BehindPanel = dynamic(() => import('./panels/BehindPanel').then((m) => m.BehindPanel), { ssr: false });
const Schools = dynamic(() => import('./panels/Schools').then((m) => m.Schools), { ssr: false });
const WishesPanel = dynamic(() => import('./panels/WishesPanel').then((m) => m.WishesPanel), { ssr: false });
const SendToPhone = dynamic(() => import('@/features/out/SendToPhone').then((m) => m.SendToPhone), { ssr: false });

/** The score: land and weather, cues, the clothes as lanes, and what follows for the body, on one clock. */
export function ScoreView(props: ScoreProps & { units: Units; learned: number; winterCues: string[] }) {
  const { outing, units, person } = props;
  const score = useScore(props);
  const { plan, scored, timeline, busy, kept } = score;
  const behind = useBehind(score.setting, score.settled, busy ? 'later' : 'now');
  const at = usePointing(timeline.endS, scored?.findings[0]?.atS ?? scored?.metrics.waterPeak.atS ?? 0);
  const [help, setHelp] = useState(false);
  const [sending, setSending] = useState(false);
  useScoreKeys(score, at, () => setHelp(true));
  const floorC = score.setting.wishes.floorC ?? undefined;
  const row = scored ? Math.min(scored.series.rows - 1, Math.round(at.cursorS / scored.series.stepS)) : 0;

  // The headline is the judgement of all that is known by now, so that nothing below it is graver.
  const judged = scored && judge(scored.findings, scored.metrics, besideOf({ timeline }, { floorC, ...behind.parts }));

  const plannedOnce = useRef(false);
  const { replan } = score;
  useEffect(() => {
    // An outing without a plan is planned at once: that is what the athlete came for.
    if (plannedOnce.current || props.plans.length > 0) return;
    plannedOnce.current = true;
    replan();
  }, [props.plans.length, replan]);

  return (
    <>
      <Header
        screen="score"
        outingId={outing.id}
        right={
          <>
            <div className="min-w-0 max-w-[330px] leading-[1.15]">
              <b className="speak block truncate text-[14.5px] leading-[1.2]" title={outing.name}>
                {outing.name}
              </b>
              <span className="text-[12px] text-ink-2">
                {SPORT[outing.sport].label}, {day(outing.startMs)}, leaving {timeOfDay(outing.startMs)}
              </span>
            </div>
            {kept.shown && <SaveNote state={kept.saveState} onAgain={kept.saveNow} />}
            <Button kind="quiet" disabled={!score.canUndo} onClick={score.undo} title="Undo (Z)">
              Undo
            </Button>
            <Button kind="quiet" disabled={!score.canRedo} onClick={score.redo} title="Redo (Shift+Z)">
              Redo
            </Button>
            <Button
              onClick={() => {
                kept.saveNow();
                setSending(true);
              }}
              disabled={busy !== null || !kept.shown}
              title="Take it along: a code for the phone"
            >
              Send to phone
            </Button>
            <Button kind="strong" onClick={replan} disabled={busy !== null}>
              Replan
            </Button>
          </>
        }
      />
      <main className="mx-4">
        <Problems problems={score.problems} title="Something went wrong." />
        {plan && scored && score.scoredPlan ? (
          <>
            <Top score={score} outing={outing} verdict={judged!.verdict} units={units} />
            <div className="no-print mt-0.5 grid grid-cols-[minmax(0,1fr)_300px] gap-5 max-[1060px]:grid-cols-1">
              <ScoreSheet
                score={score}
                area={[...bodyParameters(person).area]}
                outing={outing}
                units={units}
                at={at}
                row={row}
              />
              <MomentPanel
                scored={scored}
                garments={score.garments}
                timeline={timeline}
                cursorS={at.cursorS}
                row={row}
                units={units}
              />
            </div>
            <div className="no-print sticky bottom-0 z-10 border-t border-ink bg-paper">
              <Actions score={score} at={at} units={units} onHelp={() => setHelp(true)} />
            </div>
            <PlanInWords score={score} missed={behind.parts.missed ?? []} winterCues={props.winterCues} units={units} />
            <section
              aria-label="The search"
              className="no-print mt-4 grid grid-cols-2 gap-x-10 gap-y-6 border-t-2 border-ink pt-2 max-[900px]:grid-cols-1"
            >
              <WishesPanel score={score} units={units} />
              <Schools score={score} units={units} />
            </section>
            <BehindPanel
              learned={props.learned}
              {...behind}
              startMs={outing.startMs}
              verdict={isSafe(scored.findings) ? 'safe' : 'not safe'}
              units={units}
            />
          </>
        ) : (
          <Waiting score={score} outingId={outing.id} />
        )}
      </main>
      {busy === 'planning' && <PlanningBar score={score} />}
      {kept.shown && sending && (
        <SendToPhone open={sending} onOpen={setSending} outingId={outing.id} planId={kept.shown.id} />
      )}
      <KeysSheet rows={[...SCORE_KEYS, ...SCORE_HANDS]} open={help} onOpen={setHelp} />
    </>
  );
}

function Waiting({ score, outingId }: { score: Score; outingId: string }) {
  if (score.busy || score.plan)
    return (
      <h1 className="speak mt-16 text-[24px] font-semibold">
        {score.plan ? 'Simulating…' : 'Trying on what you own.'}
      </h1>
    );
  return (
    <div className="mt-16 max-w-[60ch]">
      <h1 className="speak text-[26px] font-semibold">No plan for this outing yet.</h1>
      <p className="mt-2 text-[15px]">
        The planner tries on what is in your closet, leg by leg, and proposes what to start in, what to carry and when
        to change.
      </p>
      <div className="mt-4 flex flex-wrap gap-2">
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
