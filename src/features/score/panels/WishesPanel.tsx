'use client';
import { useState } from 'react';
import { useStore } from 'zustand';
import type { Weights } from '@/core/judge/cost';
import { cueText } from '@/core/kit/cueWords';
import type { Plan } from '@/core/kit/plan';
import type { CurvePoint } from '@/core/search/planRequest';
import { WISH_RANGE } from '@/core/search/wishes';
import { clock } from '@/formats/dates';
import { fromTemperature, temperatureUnit, toTemperature, type Units } from '@/formats/measures';
import type { Score } from '@/features/score/state/useScore';
import { Button } from '@/ui/Button';
import { Chart, PlainTable } from '@/ui/chart/Chart';
import { axisStyle, type Tokens } from '@/ui/chart/theme';
import { barTop } from '@/ui/draw/scale';
import { Term } from '@/ui/Hint';
import { NumberCell } from '@/ui/NumberCell';
import { Slider } from '@/ui/Slider';

const SLIDERS: { key: keyof Weights; label: string; low: string; high: string }[] = [
  { key: 'caution', label: 'Cold', low: 'bear it', high: 'never cold' },
  { key: 'fuss', label: 'Changes', low: 'any time', high: 'hardly ever' },
  { key: 'weight', label: 'Grams', low: 'carry all', high: 'travel light' },
];
const [LEAST, MOST] = WISH_RANGE.weight;
/** Weights are moved by their logarithm, so that half and double lie equally far from one; rounded to a twentieth. */
const STEP = 0.02;
const toWeight = (log: number): number => Math.min(MOST, Math.max(LEAST, Math.round(Math.exp(log) * 20) / 20));

/** How the athlete wants plans of this outing made, what each further cue is worth, and the button that plans again. */
export function WishesPanel({ score, units }: { score: Score; units: Units }) {
  const { wishes, wish } = score;
  // While a slider moves only its own number follows: every rest of it is a new question to the planner.
  const [moving, setMoving] = useState<Partial<Weights>>({});
  const [floorLow, floorHigh] = WISH_RANGE.floorC;
  return (
    <div className="min-w-0">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="speak text-[19px] font-semibold">How you want it</h2>
        {score.ownWishes ? (
          <>
            <span className="mr-auto text-ink-2">this time</span>
            <button className="cursor-pointer underline" onClick={() => wish(null)}>
              As usual
            </button>
            <button className="cursor-pointer underline" onClick={score.makeUsual}>
              Make it my usual
            </button>
          </>
        ) : (
          <span className="text-ink-2">as usual; what you change here holds for this outing</span>
        )}
      </div>
      <div className="mt-1.5 space-y-1.5">
        {SLIDERS.map(({ key, label, low, high }) => {
          const value = moving[key] ?? wishes.weights[key];
          return (
            <div
              key={key}
              className="grid grid-cols-[minmax(64px,max-content)_minmax(74px,max-content)_minmax(0,1fr)_minmax(84px,max-content)_minmax(44px,max-content)] items-center gap-2"
            >
              <b className="font-semibold">{label}</b>
              <span className="text-right text-[12px] text-ink-3">{low}</span>
              <Slider
                label={`${label}: from ${low} to ${high}`}
                value={Math.log(value)}
                range={[Math.log(LEAST), Math.log(MOST)]}
                step={STEP}
                says={`${value.toFixed(1)} times`}
                onChange={(v) => setMoving((m) => ({ ...m, [key]: toWeight(v) }))}
                onRest={(v) => {
                  wish({ ...wishes, weights: { ...wishes.weights, [key]: toWeight(v) } });
                  setMoving({});
                }}
              />
              <span className="text-[12px] text-ink-3">{high}</span>
              <b className="text-right">{value.toFixed(1)} ×</b>
            </div>
          );
        })}
      </div>
      <div className="mt-2 flex flex-wrap items-start gap-x-5 gap-y-2">
        <span className="whitespace-nowrap">
          At most{' '}
          <NumberCell
            rule={{ label: 'At most cues', low: WISH_RANGE.maxCues[0], high: WISH_RANGE.maxCues[1], unit: 'cues' }}
            value={wishes.maxCues}
            onTake={(v) => wish({ ...wishes, maxCues: Math.round(v!) })}
          />{' '}
          cues
        </span>
        <span className="whitespace-nowrap">
          Waiting for you{' '}
          <NumberCell
            rule={{ label: 'Waiting for you', low: WISH_RANGE.waiting[0], high: WISH_RANGE.waiting[1], unit: 'people' }}
            value={wishes.waiting}
            onTake={(v) => wish({ ...wishes, waiting: Math.round(v!) })}
          />{' '}
          people
        </span>
        <span className="whitespace-nowrap">
          <Term says="Wind chill on bare skin, with your own speed in it: where it feels colder than this anywhere on the way you do not go.">
            Not below, feels
          </Term>{' '}
          <NumberCell
            rule={{
              label: 'Not below, feels',
              low: fromTemperature(floorLow, units),
              high: fromTemperature(floorHigh, units),
              unit: temperatureUnit(units),
              optional: true,
            }}
            value={wishes.floorC === null ? null : Math.round(fromTemperature(wishes.floorC, units) * 10) / 10}
            placeholder="–"
            onTake={(v) => wish({ ...wishes, floorC: v === null ? null : toTemperature(v, units) })}
          />{' '}
          {temperatureUnit(units)}
        </span>
        <Button kind="strong" className="ml-auto" disabled={score.busy !== null} onClick={score.replan}>
          Plan again
        </Button>
      </div>
      <Curve score={score} />
    </div>
  );
}

/** What each number of cues costs at best, and when they fall: all from one search. A dot or a row takes that plan. */
function Curve({ score }: { score: Score }) {
  const curve = useStore(score.search, (s) => s.curve);
  const { settled, garments, commit } = score;
  if (curve.length === 0) return <p className="mt-3 text-ink-3">Plan again to see what each further cue is worth.</p>;
  const own = curve.find((p) => p.cues === settled?.cues.length);
  return (
    <div className="mt-3">
      <p>
        <b>Cost by number of cues.</b>{' '}
        <span className="text-ink-2">
          {curve.length === 1
            ? 'No cue pays for itself on this day.'
            : curve[curve.length - 1].cues >= score.setting.wishes.maxCues
              ? `More than your ${score.setting.wishes.maxCues} might pay: they were not looked for.`
              : `More than ${curve[curve.length - 1].cues} would not pay.`}
        </span>
      </p>
      <Chart
        label={`Cost in points by number of cues: ${curve.map((p) => `${p.cues} cues ${p.cost.toFixed(2)}`).join(', ')}`}
        height={170}
        points={curve.length}
        option={(t) => curveOption(t, curve, own)}
        onPick={(i) => curve[i] && commit(curve[i].plan)}
        table={<PlainTable head={['cues', 'points']} rows={curve.map((p) => [p.cues, p.cost.toFixed(2)])} />}
      />
      <ul className="mt-1">
        {curve.map((p, i) => (
          <li key={p.cues}>
            <button
              className="grid w-full cursor-pointer grid-cols-[56px_52px_minmax(0,1fr)] items-baseline gap-x-2 border-b border-grid py-0.5 text-left hover:bg-grid"
              aria-pressed={p === own}
              aria-label={`The plan with ${p.cues} cues, ${p.cost.toFixed(2)} points`}
              onClick={() => commit(p.plan)}
            >
              <span className={p === own ? 'font-bold' : 'text-ink-2'}>
                {p.cues} {p.cues === 1 ? 'cue' : 'cues'}
              </span>
              <b className="text-right">{p.cost.toFixed(2)}</b>
              <span className="text-[12px] leading-snug text-ink-2">
                {furtherCues(p.plan, curve[i - 1]?.plan, garments).join(' · ') || 'points; nothing to do on the way'}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function curveOption(t: Tokens, curve: readonly CurvePoint[], own: CurvePoint | undefined) {
  const top = barTop(curve.map((p) => p.cost));
  const cut = (v: number) => Math.min(v, top);
  return {
    grid: { left: 44, right: 16, top: 26, bottom: 34 },
    xAxis: {
      type: 'category',
      name: 'cues',
      nameLocation: 'middle',
      nameGap: 22,
      data: curve.map((p) => String(p.cues)),
      ...axisStyle(t),
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: 'points',
      min: 0,
      max: top,
      splitNumber: 3,
      ...axisStyle(t),
      axisLabel: { ...axisStyle(t).axisLabel, formatter: (v: number) => v.toFixed(v < 10 ? 1 : 0) },
    },
    tooltip: {
      trigger: 'item',
      formatter: ({ dataIndex }: { dataIndex: number }) =>
        `${curve[dataIndex].cues} cues: ${curve[dataIndex].cost.toFixed(2)} points`,
    },
    series: [
      {
        type: 'line',
        lineStyle: { color: t.ink, width: 1.6 },
        symbol: 'circle',
        data: curve.map((p) => ({
          value: cut(p.cost),
          symbolSize: p === own ? 15 : 10,
          itemStyle: { color: p === own ? t.act : t.sheet, borderColor: p === own ? t.act : t.ink, borderWidth: 1.6 },
          label: {
            show: true,
            position: 'top',
            // A very dear plan is cut off, and says so.
            formatter: p.cost > top ? `${p.cost.toFixed(1)} ↑` : p.cost.toFixed(2),
            color: t.ink,
            fontSize: 11.5,
            fontWeight: p === own ? 700 : 400,
          },
        })),
      },
    ],
  };
}

/** What a plan does at moments at which the one with fewer cues does nothing. */
function furtherCues(plan: Plan, before: Plan | undefined, garments: Score['garments']): string[] {
  const known = new Set(before?.cues.map((c) => c.atS));
  return plan.cues.filter((c) => !known.has(c.atS)).map((c) => `${clock(c.atS)} ${cueText(c, garments).join('; ')}`);
}
