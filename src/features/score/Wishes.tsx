'use client';
import { useState } from 'react';
import { cueText } from '@/core/plan/dress';
import type { CurvePoint } from '@/core/plan/planner';
import { WISH_RANGE, type Wishes as Wanted } from '@/core/plan/wishes';
import type { Weights } from '@/core/judge/cost';
import type { Plan } from '@/core/simulate/plan';
import { clock, fromTemperature, toTemperature, temperatureUnit, type Units } from '@/formats/words';
import { Button } from '@/ui/Button';
import { barTop } from '@/ui/scale';
import type { Score } from './useScore';

const SLIDERS: { key: keyof Weights; label: string; low: string; high: string }[] = [
  { key: 'caution', label: 'Cold', low: 'bear it', high: 'never cold' },
  { key: 'fuss', label: 'Changes', low: 'any time', high: 'hardly ever' },
  { key: 'weight', label: 'Grams', low: 'carry all', high: 'travel light' },
];

/** How the athlete wants plans made, what each further cue is worth, and the button that plans again. */
export function Wishes({ score, units }: { score: Score; units: Units }) {
  const [wishes, setWishes] = useState<Wanted>(score.wishes);
  const changed = JSON.stringify(wishes) !== JSON.stringify(score.wishes);
  const keep = (next: Wanted) => {
    setWishes(next);
    if (JSON.stringify(next) !== JSON.stringify(score.wishes)) void score.wish(next);
  };
  const count = (key: 'maxCues' | 'waiting', text: string) => {
    const [low, high] = WISH_RANGE[key];
    const n = Math.round(Number(text));
    if (text !== '' && Number.isFinite(n)) keep({ ...wishes, [key]: Math.min(high, Math.max(low, n)) });
  };
  const floor = (text: string) => {
    const c = text === '' ? null : toTemperature(Number(text), units);
    const [low, high] = WISH_RANGE.floorC;
    keep({ ...wishes, floorC: c === null || !Number.isFinite(c) ? null : Math.min(high, Math.max(low, c)) });
  };
  return (
    <div className="min-w-0">
      <h2 className="speak text-[19px] font-semibold">How you want it</h2>
      <div className="mt-1.5 space-y-1.5">
        {SLIDERS.map(({ key, label, low, high }) => (
          <label key={key} className="grid grid-cols-[64px_74px_minmax(0,1fr)_84px_44px] items-center gap-2">
            <b className="font-semibold">{label}</b>
            <span className="text-right text-[12px] text-ink-3">{low}</span>
            <input
              type="range"
              aria-label={`${label}: from ${low} to ${high}`}
              className="accent-ink"
              min={Math.log(WISH_RANGE.weight[0])}
              max={Math.log(WISH_RANGE.weight[1])}
              step={0.01}
              value={Math.log(wishes.weights[key])}
              onChange={(e) => setWishes({ ...wishes, weights: { ...wishes.weights, [key]: round(e.target.value) } })}
              onPointerUp={() => keep(wishes)}
              onKeyUp={() => keep(wishes)}
              onBlur={() => changed && keep(wishes)}
            />
            <span className="text-[12px] text-ink-3">{high}</span>
            <b className="text-right">{wishes.weights[key].toFixed(1)} ×</b>
          </label>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
        <Field
          label="At most"
          unit="cues"
          value={wishes.maxCues}
          range={WISH_RANGE.maxCues}
          onChange={(t) => count('maxCues', t)}
        />
        <Field
          label="Waiting for you"
          unit="people"
          value={wishes.waiting}
          range={WISH_RANGE.waiting}
          onChange={(t) => count('waiting', t)}
        />
        <Field
          label="Not below, feels"
          unit={temperatureUnit(units)}
          value={wishes.floorC === null ? '' : Math.round(fromTemperature(wishes.floorC, units))}
          range={WISH_RANGE.floorC.map((c) => Math.round(fromTemperature(c, units)))}
          onChange={floor}
        />
        <Button kind="strong" className="ml-auto" disabled={score.planning} onClick={score.replan}>
          Plan again
        </Button>
      </div>
      <Curve score={score} />
    </div>
  );
}

const round = (logText: string): number => Math.round(Math.exp(Number(logText)) * 20) / 20 || WISH_RANGE.weight[0];

interface FieldProps {
  label: string;
  unit: string;
  value: number | '';
  range: readonly number[];
  onChange: (text: string) => void;
}

function Field({ label, unit, value, range, onChange }: FieldProps) {
  return (
    <label className="whitespace-nowrap">
      {label}{' '}
      <input
        type="number"
        className="w-16 rounded-[3px] border border-grid-2 bg-sheet px-1.5 py-1 text-right"
        min={range[0]}
        max={range[1]}
        value={value}
        placeholder="–"
        onChange={(e) => onChange(e.target.value)}
      />{' '}
      {unit}
    </label>
  );
}

/** What each number of cues costs at best, and when they fall: all from one search. A row takes that plan. */
function Curve({ score }: { score: Score }) {
  const { curve, plan } = score;
  if (curve.length === 0) return <p className="mt-3 text-ink-3">Plan again to see what each further cue is worth.</p>;
  const most = barTop(curve.map((p) => p.cost));
  return (
    <div className="mt-3">
      <p>
        <b>Cost by number of cues, points.</b>{' '}
        <span className="text-ink-2">
          {curve.length === 1
            ? 'No cue pays for itself on this day.'
            : `More than ${curve[curve.length - 1].cues} would not pay.`}
        </span>
      </p>
      <ul className="mt-1">
        {curve.map((p, i) => (
          <Row
            key={p.cues}
            p={p}
            most={most}
            chosen={plan?.cues.length === p.cues}
            further={furtherCues(p.plan, curve[i - 1]?.plan, score.garments)}
            onTake={score.commit}
          />
        ))}
      </ul>
    </div>
  );
}

/** What a plan does at moments at which the one with fewer cues does nothing, a line each. */
function furtherCues(plan: Plan, before: Plan | undefined, garments: Score['garments']): string[] {
  const known = new Set(before?.cues.map((c) => c.atS));
  return plan.cues.filter((c) => !known.has(c.atS)).map((c) => `${clock(c.atS)} ${cueText(c, garments).join('; ')}`);
}

interface RowProps {
  p: CurvePoint;
  most: number;
  chosen: boolean;
  further: readonly string[];
  onTake: Score['commit'];
}

function Row({ p, most, chosen, further, onTake }: RowProps) {
  return (
    <li>
      <button
        className="grid w-full cursor-pointer grid-cols-[56px_minmax(0,5fr)_48px_minmax(0,4fr)] items-center gap-x-2 border-b border-grid py-0.5 text-left hover:bg-grid"
        aria-pressed={chosen}
        aria-label={`The plan with ${p.cues} cues, ${p.cost.toFixed(2)} points`}
        onClick={() => onTake(p.plan)}
      >
        <span className={chosen ? 'font-bold' : 'text-ink-2'}>
          {p.cues} {p.cues === 1 ? 'cue' : 'cues'}
        </span>
        <span
          className={`relative block h-4 border bg-heat-2 ${chosen ? 'border-2 border-ink' : 'border-transparent'}`}
          style={{ width: `${Math.max(1, (100 * Math.min(p.cost, most)) / most)}%` }}
        >
          {p.cost > most && (
            <span className="absolute -inset-y-1 right-3 w-1.5 -skew-x-12 border-x-2 border-ink bg-paper" />
          )}
        </span>
        <b className="text-right">{p.cost.toFixed(2)}</b>
        <span className="truncate text-[12px] text-ink-2">{p.plan.cues.map((c) => clock(c.atS)).join(' · ')}</span>
        {further.map((text) => (
          <span key={text} className="col-span-3 col-start-2 text-[12px] leading-snug text-ink-2">
            {text}
          </span>
        ))}
      </button>
    </li>
  );
}
