'use client';
import { type Beside } from '@/core/search/aroundDoor';
import type { Door } from '@/features/front/state/useDoor';
import { gravestStuck } from '@/core/judge/judgement';
import { CAUTIONS } from '@/core/judge/verdict';
import { feltWords } from '@/formats/doorWords';
import { degrees, grams, temperature, type Units } from '@/formats/measures';
import { planDifference } from '@/core/kit/difference';

/** What is carried, and what it is for. */
export function Pocket({ door, units }: { door: Door; units: Units }) {
  const { told, garments } = door;
  const plan = told.answer?.plan;
  if (!plan) return null;
  const names = plan.carried.map((id) => garments.get(id)?.name ?? 'a piece');
  // The place that the verdict above speaks of; where it speaks of none, the farthest.
  const stuck = told.stuckOut?.stuck ?? [];
  const there = gravestStuck(stuck) ?? stuck.find((s) => s.place === 'farthest') ?? stuck[0];
  const hour = there?.after[0];
  return (
    <p className="mt-1.5 border border-dotted border-ink bg-sheet px-2 py-1.5 text-[13px] leading-snug">
      <b>In the pocket</b> <b className="ml-1">{names.length > 0 ? names.join(', ') : 'nothing more'}</b>
      {names.length > 0 ? '' : stuck.some((s) => s.dangerH !== null) ? '.' : ': what you wear will do.'}
      {hour && (
        <>
          {' '}
          Stuck an hour at {there.place === 'farthest' ? 'the far end' : 'the worst place'}: fingers{' '}
          {degrees(hour.fingersC, units)}, core {degrees(hour.coreC, units, 1)}
          {there.dangerH !== null && (
            <b className={there.dangerH < 4 ? 'text-act' : ''}>
              , danger after{' '}
              {there.dangerH < 2 ? `${Math.round(there.dangerH * 60)} min` : `${there.dangerH.toFixed(1)} h`}
            </b>
          )}
          .
        </>
      )}
    </p>
  );
}

/** Light, traction, drink and the like: one line each when they matter. */
export function Needs({ door }: { door: Door }) {
  const needs = door.told.answer?.needs ?? [];
  if (needs.length === 0) return null;
  return (
    <p className="mt-1 text-[12.5px] leading-snug">
      {needs.map((n, i) => (
        <span key={n.kind}>
          {i > 0 && ' · '}
          <b>{n.says}</b> <span className="text-ink-2">({n.why})</span>
        </span>
      ))}
    </p>
  );
}

/** Why this, and one rung cooler and warmer. */
export function Beside3({ door, units }: { door: Door; units: Units }) {
  const { told, garments, timeline } = door;
  const { answer, around } = told;
  if (!answer || !timeline) return null;
  const going = timeline.stretches.find((s) => s.sport === door.day.sport);
  const m = answer.scored.metrics;
  return (
    <div className="mt-2 grid grid-cols-3 gap-x-4 border-t-2 border-ink-3 pt-1 text-[12.5px] leading-snug max-[500px]:grid-cols-1 max-[500px]:gap-y-2">
      <section>
        <h3 className="font-semibold">Why this</h3>
        <p>
          {going
            ? `${going.metabolicW.toFixed(0)} W of heat leave through this cloth at ${temperature(door.day.airC, units)}. `
            : ''}
          You sweat {grams(m.sweatG, units)}; at most {grams(m.waterPeak.value, units)} stay in it.
          {answer.ruleCosts > 0.03 && ' Your own rule covers the mouth; the model would leave it bare.'}
        </p>
      </section>
      {around && door.rungs.length > 0 && (
        <RungBeside which="cooler" of={around.cooler} from={answer.plan} {...{ units, garments }} />
      )}
      {around && door.rungs.length > 0 && (
        <RungBeside which="warmer" of={around.warmer} from={answer.plan} {...{ units, garments }} />
      )}
    </div>
  );
}

function RungBeside({
  which,
  of,
  from,
  units,
  garments,
}: {
  which: 'cooler' | 'warmer';
  of: Beside | null;
  from: Parameters<typeof planDifference>[0];
  units: Units;
  garments: Door['garments'];
}) {
  const name = (id: string) => garments.get(id)?.name.toLowerCase() ?? 'a piece';
  if (!of)
    return (
      <section>
        <h3 className="font-semibold">One rung {which}</h3>
        <p className="text-ink-2">{which === 'cooler' ? 'You own no lighter rung.' : 'You own no warmer rung.'}</p>
      </section>
    );
  const [less, more] = planDifference(from, of.plan).worn;
  const change = [
    less.length > 0 ? `without ${less.map(name).join(', ')}` : '',
    more.length > 0 ? `with ${more.map(name).join(', ')}` : '',
  ].filter((x) => x !== '');
  return (
    <section>
      <h3 className="flex items-center gap-1.5 font-semibold">
        <span className="inline-flex h-[18px] w-[18px] items-center justify-center rounded-full border border-ink text-[11px]">
          {of.rung}
        </span>
        One rung {which}
      </h3>
      <p>
        {change.length > 0 ? `${change.join('; ')}. ` : ''}
        {feltWords(of.felt)} {grams(of.waterG, units)}, fingers {degrees(of.fingersC, units)}.
        {of.gravity >= 2 && (
          <b className="text-act"> {of.fails === 'too hot' ? 'Too hot.' : `${of.fails} gives up first.`}</b>
        )}
      </p>
    </section>
  );
}

/** The cautions, when something on this day calls for them. */
export function Cautions({ door }: { door: Door }) {
  const grave = door.judged?.findings.some((f) => f.severity >= 2) ?? false;
  return (
    <details className="mt-2 text-[12px] text-ink-2" open={grave || undefined}>
      <summary className="cursor-pointer">
        Before you trust it: a calculation, no promise. Rescue, avalanche and medical advice come first.
      </summary>
      <ul className="mt-1 space-y-1">
        {CAUTIONS.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
    </details>
  );
}
