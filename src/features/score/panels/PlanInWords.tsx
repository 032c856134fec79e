'use client';
import { winterCues } from '@/core/afterwards/causes';
import { factsOfPlan } from '@/core/afterwards/facts';
import { sensationWord } from '@/core/judge/sensation';
import { quickHelp } from '@/core/judge/quickHelp';
import { CAUTIONS } from '@/core/judge/verdict';
import type { Finding } from '@/core/judge/findings';
import { cueText } from '@/core/kit/cueWords';
import { bagOf, raceOf } from '@/core/kit/raceBag';
import { distanceAt } from '@/core/outing/distance';
import { mustNotMiss, type CueReason } from '@/core/questions/cueReason';
import { clock } from '@/formats/dates';
import { degrees, distance, minus, type Units } from '@/formats/measures';
import { fillSlots, movedText } from '@/formats/sentences';
import { openingWords } from '@/formats/startWords';
import { WinterCues } from '@/ui/WinterCues';
import { garmentName, type Score } from '@/features/score/state/useScore';

/** When the start is judged by how one feels, s: five to ten minutes out (common practice, no published source). */
const SOON_S = 420;

/** The cues in words, with why: the table behind the picture, and what is printed. */
export function PlanInWords({
  score,
  missed,
  winterCues: ids,
  units,
}: {
  score: Score;
  missed: readonly CueReason[];
  /** causes in the book that were made a cue of */
  winterCues: readonly string[];
  units: Units;
}) {
  const { plan, garments, scored, timeline } = score;
  if (!plan || !scored) return null;
  const vital = missed[mustNotMiss(missed)];
  const names = (ids: readonly string[]) => ids.map((id) => garmentName(garments, id)).join(', ') || 'nothing';
  const opened = openingWords(plan, garments);
  const bag = [...bagOf(plan, raceOf(timeline, score.setting.person))];
  const soonS = Math.min(SOON_S, timeline.endS);
  const soon = scored.metrics.sensation[Math.min(scored.series.rows - 1, Math.round(soonS / scored.series.stepS))];
  return (
    <section
      className="mt-4 grid grid-cols-[minmax(0,1fr)_minmax(0,360px)] gap-10 border-t-2 border-ink pt-2 pb-10 max-[900px]:grid-cols-1 print:mt-2 print:grid-cols-1 print:gap-3 print:pb-0"
      aria-label="The plan in words"
    >
      <div className="min-w-0">
        <h2 className="speak text-[19px] font-semibold">The plan in words</h2>
        <p className="mt-1">
          <b>Start in:</b> {names(plan.worn)}.{opened.length > 0 && ` ${opened.join('; ')}.`}
        </p>
        <p>
          <b>Carry:</b> {names(plan.carried)}.
        </p>
        {bag.length > 0 && (
          <p>
            <b>Hand in at the start, for the finish:</b> {names(bag)}.
          </p>
        )}
        <WinterCues
          says={winterCues(ids, () =>
            factsOfPlan({ timeline, plan, closet: [...garments.values()], person: score.setting.person }),
          )}
          className="mt-1"
        />
        <p className="text-ink-2">
          {soonS < SOON_S ? 'At the end' : 'Seven minutes out'} you feel <b>{sensationWord(soon).toLowerCase()}</b>; a
          little cool is right at the start.
        </p>
        {plan.cues.length === 0 ? (
          <p className="mt-2">Nothing to change on the way.</p>
        ) : (
          <table className="mt-2 w-full border-collapse text-left">
            <thead>
              <tr className="border-b border-ink text-[12px] text-ink-3">
                <th scope="col" className="py-0.5 font-medium">
                  Cue, time out
                </th>
                <th scope="col" className="font-medium">
                  What to do
                </th>
                <th scope="col" className="font-medium">
                  Where, and what missing it costs
                </th>
              </tr>
            </thead>
            <tbody>
              {plan.cues.map((c, i) => {
                const why = missed.find((r) => Math.abs(r.atS - c.atS) < 1);
                return (
                  <tr key={i} className="border-b border-grid align-baseline">
                    <th scope="row" className="w-24 py-1 text-left font-bold text-act">
                      {i + 1}&ensp;{clock(c.atS)}
                    </th>
                    <td className="pr-4">{cueText(c, garments).join('; ')}</td>
                    <td className="w-[38%] text-ink-2">
                      {why
                        ? `${why.where[0].toUpperCase()}${why.where.slice(1)}. Missed: ${movedText(why.miss, units)}, ${why.missCost.toFixed(2)} points${why === vital ? '; the one not to miss' : ''}.`
                        : `${distance(distanceAt(timeline, c.atS), units)} along.`}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
        {scored.findings.length > 0 && (
          <>
            <h3 className="mt-4 font-semibold print:mt-2">What was found, and against which limit</h3>
            <ul className="mt-1 list-disc pl-4">
              {scored.findings.map((f) => (
                <li key={`${f.kind}${f.atS}`}>
                  {f.what}, {clock(f.atS)}: <b>{measured(f.value, f.unit, units)}</b> (limit{' '}
                  {measured(f.limit, f.unit, units)}): {f.means}.
                  {quickHelp(f) && <span className="text-ink-2"> At once: {quickHelp(f)}.</span>}
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
      <div className="min-w-0 print:text-[10px] print:leading-tight">
        <h2 className="font-semibold">Cautions</h2>
        <ul className="mt-1 list-disc space-y-1 pl-4 text-ink-2 print:space-y-0">
          {CAUTIONS.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      </div>
    </section>
  );
}

/** A finding's number in the athlete's units. */
function measured(value: number, unit: Finding['unit'], units: Units): string {
  switch (unit) {
    case '°C':
      return degrees(value, units, 1);
    case 'share':
      return fillSlots(`{share:${value}}`, units);
    case 'K':
      return fillSlots(`{delta:${value}}`, units);
    case 'g':
      return fillSlots(`{mass:${value}}`, units);
    default:
      return `${minus(value, value < 10 ? 1 : 0)} ${unit}`;
  }
}
