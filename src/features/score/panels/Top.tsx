'use client';
import { clock, day, timeOfDay } from '@/formats/dates';
import { ALARM, WEAK } from '@/core/judge/limits';
import { degrees, grams, kilograms, temperature, type Units } from '@/formats/measures';
import { fillSlots, movedText } from '@/formats/sentences';
import type { Verdict } from '@/core/judge/verdict';
import type { StoredOuting } from '@/store/outings';
import { Button } from '@/ui/Button';
import { Danger } from '@/ui/Danger';
import { Hint } from '@/ui/Hint';
import type { Score } from '@/features/score/state/useScore';
import { PlanTabs } from './PlanTabs';

/** The sentence, the plans, the one change that helps most, and the numbers that matter. */
export function Top({
  score,
  outing,
  verdict: v,
  units,
}: {
  score: Score;
  outing: StoredOuting;
  verdict: Verdict;
  units: Units;
}) {
  const { scored, plan, garments } = score;
  if (!scored || !plan) return null;
  const carried = plan.carried.reduce((s, id) => s + (garments.get(id)?.massG ?? 0), 0) / 1000;
  const missing = [...plan.worn, ...plan.carried].filter((id) => !score.setting.inCloset.includes(id));
  const m = scored.metrics;
  const numbers: [label: string, value: string, when: string, says: string][] = [
    [
      'water in layers, most',
      grams(m.waterPeak.value, units),
      clock(m.waterPeak.atS),
      'beyond what dry cloth always holds',
    ],
    [
      'fingers, lowest',
      degrees(m.fingers.value, units),
      clock(m.fingers.atS),
      `skin; clumsy below ${temperature(WEAK.fingersC, units)}, numb below ${temperature(ALARM.fingersC, units)}`,
    ],
    [
      'toes, lowest',
      degrees(m.toes.value, units),
      clock(m.toes.atS),
      `skin; painful below ${temperature(WEAK.toesC, units)}, numb below ${temperature(ALARM.toesC, units)}`,
    ],
    ['torso, lowest', degrees(m.torso.value, units), clock(m.torso.atS), 'mean skin of chest, back and hips'],
    ['sweat', grams(m.sweatG, units), 'in all', 'made over the whole outing'],
    ['cues', String(plan.cues.length), '', 'moments at which something is done'],
    ['in the pack', kilograms(carried, units), '', 'clothes carried at the start'],
  ];
  return (
    <div className="flex items-start justify-between gap-x-6 gap-y-1 pt-1.5 max-[860px]:flex-col">
      <div className="min-w-0 flex-1">
        <p className="hidden print:block">
          <b>{outing.name}</b>, {day(outing.startMs)}, leaving {timeOfDay(outing.startMs)}
          {score.kept.shown && `, ${score.kept.shown.name}`}
        </p>
        <h1 className="speak max-w-[680px] text-[22px] leading-[1.16]" aria-live="polite">
          <b className={`font-bold ${v.tone === 'fails' ? 'text-act' : ''}`}>
            {v.tone === 'fails' && <Danger />}
            {v.lead}
          </b>{' '}
          {fillSlots(v.rest, units)}
        </h1>
        {missing.length > 0 && (
          <p className="mt-1 font-semibold text-act">
            No longer in your closet:{' '}
            {missing.map((id) => garments.get(id)?.name ?? 'a piece no longer known').join(', ')}.
          </p>
        )}
        <div className="no-print mt-1 flex flex-wrap items-center gap-1">
          <PlanTabs score={score} />
          <ProposalNote score={score} units={units} />
        </div>
      </div>
      <dl className="flex shrink-0 flex-wrap gap-x-4 gap-y-1 text-right max-[860px]:shrink max-[860px]:text-left">
        {numbers.map(([label, value, when, says]) => (
          <Hint key={label} says={says}>
            <div tabIndex={0}>
              <dt className="text-[11px] text-ink-3">{label}</dt>
              <dd className="text-[16px] leading-tight font-bold">{value}</dd>
              <dd className="text-[11px] text-ink-3">{when}</dd>
            </div>
          </Hint>
        ))}
      </dl>
    </div>
  );
}

/** The one change that helps most, as a button, with what it does and what it asks. */
function ProposalNote({ score, units }: { score: Score; units: Units }) {
  const p = score.proposal;
  if (p === undefined)
    return <span className="ml-3 text-[12px] text-ink-3">{score.busy ? '' : 'looking for a better change…'}</span>;
  if (p === null) return <span className="ml-3 text-[12px] text-ink-3">No single change helps more.</span>;
  const cues =
    p.moreCues === 0 ? 'no extra cue' : p.moreCues > 0 ? `${p.moreCues} cue more` : `${-p.moreCues} cue fewer`;
  return (
    <span className="ml-3 flex min-w-0 items-center gap-2 max-[860px]:ml-0 max-[860px]:flex-wrap">
      <Button
        kind="act"
        className="max-w-[330px] truncate px-2.5 py-0.5 text-[12.5px]"
        title={p.text}
        onClick={() => score.commit(p.plan)}
      >
        <span className="truncate">
          {p.text}
          {p.atS > 0 && ` at ${clock(p.atS)}`}
        </span>{' '}
        <kbd>Enter</kbd>
      </Button>
      <span className="text-[12.5px] text-ink-2">
        {movedText(p.effect, units)}, {cues}
      </span>
    </span>
  );
}
