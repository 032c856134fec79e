'use client';
import { Check, Minus, Plus } from 'lucide-react';
import { RadioGroup } from 'radix-ui';
import { useMemo } from 'react';
import { FELT, PARTS, type Felt, type Part } from '@/core/calibrate/words';
import { day, timeOfDay } from '@/formats/dates';
import { grams, type Units } from '@/formats/measures';
import { Big } from '@/features/out/parts/Big';
import { SentLine } from '@/features/out/parts/Foot';
import { Triangle } from '@/features/out/parts/Icons';
import { buzz } from '@/features/out/state/useAid';
import type { Out } from '@/features/out/state/useOut';
import { howLong, upper } from '@/features/out/words';

const LOOK: Record<Felt, string> = {
  cold: 'repeating-linear-gradient(0deg, var(--color-cold) 0 2px, transparent 2px 4px)',
  cool: 'repeating-linear-gradient(0deg, var(--color-cold) 0 1px, transparent 1px 5px)',
  fine: 'none',
  warm: 'linear-gradient(var(--color-heat-1), var(--color-heat-1))',
  hot: 'linear-gradient(var(--color-heat-2), var(--color-heat-2))',
};

/** In the hall: four taps, one weight and the drying list. */
export function HomeScreen({ o, units }: { o: Out; units: Units }) {
  const { out, opened } = o;
  const { pack } = opened;
  const offset = pack.outing.utcOffsetMin * 60_000;
  const homeMs = out.startMs! + out.nowS * 1000;
  const done = out.cues.filter((c) => c.stands === 'done').length;
  const garments = useMemo(() => new Map(pack.closet.map((g) => [g.id, g])), [pack]);
  const wet = (o.home?.wet ?? []).map((w) => ({ ...w, garment: garments.get(w.garment)! })).slice(0, MOST_PIECES);
  const thought = o.home?.thought ?? null;
  const left = PARTS.filter((p) => !out.felt[p]);
  // What lies on the skin of the torso says most of the sweat, wet or not.
  const base = [...out.plan.worn.flatMap((id) => garments.get(id) ?? [])].find(
    (g) => g.group === 'torso' && g.role === 'base',
  );
  // What is wet is told once, with the last word: the closet then plans with it.
  const keep = () =>
    o.tell(
      { kind: 'kept' },
      ...(o.home?.wet ?? []).map((w) => ({
        kind: 'wet' as const,
        garment: w.garment,
        dampGm2: Math.min(2000, w.dampGm2),
      })),
    );
  const feel = (part: Part, felt: Felt) => {
    buzz(30);
    void o.tell({ kind: 'felt', part, felt });
  };
  return (
    <main className="px-3 pb-2">
      <header className="flex items-start justify-between gap-3 border-b border-ink py-2">
        <h1 className="text-[2.1rem] leading-none font-bold">{timeOfDay(homeMs + offset)}</h1>
        <p className="text-right leading-tight">
          <b className="speak block text-[1.1rem]">{pack.outing.name}</b>
          <span className="text-[0.95rem] text-ink-2">
            {howLong(out.nowS)} out
            {Math.abs(out.lateS) > 90 && `, ${howLong(Math.abs(out.lateS))} ${out.lateS > 0 ? 'late' : 'early'}`},{' '}
            {done} of {out.cues.length} cues done
          </span>
        </p>
      </header>
      <section aria-label="How was it?" className="border-b border-ink py-2">
        <h2 className="mb-1 flex items-baseline justify-between text-[1.25rem] font-bold">
          How was it?
          <span className="flex items-center gap-1 text-[0.9rem] font-normal text-ink-2">
            <span className="text-act">
              <Triangle size={11} />
            </span>
            what I expected
          </span>
        </h2>
        {PARTS.map((p) => (
          <RadioGroup.Root
            key={p}
            aria-label={upper(p)}
            value={out.felt[p] ?? ''}
            onValueChange={(v) => feel(p, v as Felt)}
            className="grid grid-cols-[4rem_1fr] items-start gap-x-1"
          >
            <span className={`pt-3 text-[1.05rem] font-semibold ${out.felt[p] ? '' : 'text-act'}`}>{upper(p)}</span>
            <span className="grid grid-cols-5 gap-1">
              {FELT.map((f) => (
                <span key={f}>
                  <RadioGroup.Item
                    value={f}
                    className={`flex min-h-[48px] w-full cursor-pointer items-center justify-center rounded-[0.4rem] bg-sheet text-[0.98rem] ${out.felt[p] === f ? 'border-[3px] border-ink font-bold' : 'border border-grid-2'}`}
                    style={{ backgroundImage: LOOK[f] }}
                  >
                    <span
                      className={`rounded-[0.25rem] px-1 ${out.felt[p] === f ? 'bg-go text-on-go' : f === 'cold' || f === 'cool' ? 'bg-sheet' : ''}`}
                    >
                      {f}
                    </span>
                  </RadioGroup.Item>
                  <span className="flex h-[14px] justify-center text-act">
                    {thought?.[p] === f && (
                      <>
                        <Triangle size={11} />
                        <span className="sr-only">what I expected</span>
                      </>
                    )}
                  </span>
                </span>
              ))}
            </span>
          </RadioGroup.Root>
        ))}
        <p aria-live="polite" className="text-[0.98rem]">
          {left.length === 0 ? 'All told.' : `${left.map(upper).join(', ')} left. Skip what you like.`}
        </p>
      </section>
      {base && o.home && (
        <Weigh o={o} garment={base} expectedG={wet.find((w) => w.garment === base)?.waterG ?? 0} units={units} />
      )}
      <section aria-label="Hang to dry" className="py-1">
        <h2 className="flex items-baseline justify-between text-[1.1rem] font-bold">
          Hang to dry
          <span className="text-[0.9rem] font-normal text-ink-2">
            {grams(
              wet.reduce((sum, w) => sum + w.waterG, 0),
              units,
            )}{' '}
            in it; never on the heater
          </span>
        </h2>
        {!o.home && <p className="text-[1rem]">One moment…</p>}
        {o.home && wet.length === 0 && (
          <p className="text-[1rem]">Nothing worth hanging: all of it is dry to the touch by this calculation.</p>
        )}
        {wet.map((w) => {
          const on = out.hung.has(w.garment.id);
          return (
            <button
              key={w.garment.id}
              type="button"
              role="checkbox"
              aria-checked={on}
              onClick={() => void o.tell({ kind: 'hung', garment: w.garment.id, hung: !on })}
              className="grid min-h-[44px] w-full cursor-pointer grid-cols-[1.9rem_1fr_auto] items-center gap-2 border-b border-grid-2 py-1 text-left leading-tight"
            >
              <span
                className={`grid size-[1.7rem] place-items-center rounded-[0.35rem] border-2 ${on ? 'border-go bg-go text-on-go' : 'border-ink'}`}
              >
                {on && <Check size={18} strokeWidth={3.2} aria-hidden="true" />}
              </span>
              <span>
                <b className="block text-[1.05rem] font-semibold">{w.garment.name}</b>
                <span className="text-[0.92rem] text-ink-2">
                  {w.dryMin === null
                    ? 'on the line, not dry for days: the stove side'
                    : w.dryMin < SOON_MIN
                      ? 'dry to the hand soon'
                      : `on the line, dry ${dryAt(homeMs + offset, w.dryMin)}`}
                  {w.garment.role === 'footwear' && ', liners out'}
                </span>
              </span>
              <b className="text-[1.1rem] text-water">{grams(w.waterG, units)}</b>
            </button>
          );
        })}
      </section>
      <SentLine o={o} />
      <div className="sticky bottom-0 bg-paper pt-1 pb-2">
        <Big kind="go" size="main" className="w-full flex-col gap-0" disabled={out.kept} onClick={() => void keep()}>
          {out.kept ? 'Kept' : 'Keep'}
          <span className="text-[0.9rem] font-normal">
            {out.kept
              ? 'it is in what you have told; change it as you like'
              : 'what you told; the closet then knows what is damp'}
          </span>
        </Big>
      </div>
    </main>
  );
}

const dryAt = (localMs: number, minutes: number): string => {
  const at = localMs + minutes * 60_000;
  return day(at) === day(localMs) ? timeOfDay(at) : `${day(at)}, ${timeOfDay(at)}`;
};

/** Sooner than this nobody looks at a clock, min. */
const SOON_MIN = 5;
/** More than these nobody reads in the hall; the closet has them all. */
const MOST_PIECES = 8;

/** One weight by steps: what it says of the sweat is worth more than any tap. */
function Weigh({
  o,
  garment,
  expectedG,
  units,
}: {
  o: Out;
  garment: { id: string; name: string; massG: number };
  expectedG: number;
  units: Units;
}) {
  const value = o.out.weighed[garment.id] ?? null;
  const shownG = value ?? Math.round(garment.massG + expectedG);
  const step = (by: number) => void o.tell({ kind: 'weighed', garment: garment.id, grams: Math.max(0, shownG + by) });
  return (
    <section aria-label={`Weigh: ${garment.name}`} className="border-b border-ink py-2">
      <h2 className="flex items-baseline justify-between text-[1.1rem] font-bold">
        Weigh: {garment.name}{' '}
        <span className="text-[0.9rem] font-normal text-ink-2">{grams(garment.massG, units)} dry</span>
      </h2>
      <div className="grid grid-cols-[64px_1fr_64px] items-center">
        <Big aria-label="A gram less" onClick={() => step(-1)}>
          <Minus aria-hidden="true" />
        </Big>
        <p className="text-center text-[2.6rem] leading-none font-bold" aria-live="polite">
          {grams(shownG, units)}
        </p>
        <Big aria-label="A gram more" onClick={() => step(1)}>
          <Plus aria-hidden="true" />
        </Big>
      </div>
      <p className="text-center text-[0.92rem] text-ink-2">
        {value === null
          ? `expected; step to what the scale says`
          : `${grams(value - garment.massG, units)} of water, expected ${grams(expectedG, units)}`}
      </p>
    </section>
  );
}
