'use client';
import type { BestStart, Start } from '@/core/questions/bestStart';
import { day, timeOfDay } from '@/formats/dates';
import { degrees, fall, fallUnit, temperature, type Units } from '@/formats/measures';
import { Chart, PlainTable } from '@/ui/chart/Chart';
import { axisStyle, unsafeStyle, type Tokens } from '@/ui/chart/theme';
import { barTop } from '@/ui/draw/scale';

/** Beyond so many starts at once their words run into each other: a day is shown, and the rest by dragging. */
const MOST_AT_ONCE = 18;
/** A start must be this much better to be named, points. */
const WORTH_NAMING = 0.15;

/** What this plan costs when one leaves at another hour. */
export function StartsChart({ b, startMs, units }: { b: BestStart; startMs: number; units: Units }) {
  const better = b.best.startMs !== startMs && b.saves > WORTH_NAMING;
  const falls = (s: Start) => (s.fallsMm < 0.05 ? 'nothing' : `${fall(s.fallsMm, units)} ${fallUnit(units)}`);
  return (
    <>
      <p>
        {better
          ? `Leaving ${day(b.best.startMs)} at ${timeOfDay(b.best.startMs)} would be easier on you.`
          : 'No other start within this forecast is clearly better for this plan.'}
      </p>
      <Chart
        label={`Cost of this plan by hour of start, ${b.starts.length} starts`}
        height={b.starts.length > MOST_AT_ONCE ? 218 : 188}
        points={b.starts.length}
        option={(t) => option(t, b.starts, startMs, units)}
        table={
          <PlainTable
            head={['leaving', 'points', 'feels at worst', 'falls', 'safe']}
            rows={b.starts.map((s) => [
              `${day(s.startMs)} ${timeOfDay(s.startMs)}`,
              s.cost.toFixed(2),
              temperature(s.feelsC, units),
              falls(s),
              s.safe ? 'yes' : 'no',
            ])}
          />
        }
      />
      <p className="text-[12px] text-ink-3">
        Height: what this plan costs when you leave then, very dear ones cut off. Above each: the coldest it feels.
        Ruled with ▲: not safe. Outlined: as planned.
      </p>
    </>
  );
}

function option(t: Tokens, starts: readonly Start[], startMs: number, units: Units) {
  const planned = Math.max(
    0,
    starts.findIndex((s) => s.startMs === startMs),
  );
  const top = barTop(
    starts.map((s) => s.cost),
    starts[planned]?.cost,
  );
  const many = starts.length > MOST_AT_ONCE;
  const from = Math.max(0, Math.min(starts.length - MOST_AT_ONCE, planned - Math.floor(MOST_AT_ONCE / 2)));
  return {
    grid: { left: 44, right: 8, top: 30, bottom: many ? 62 : 36 },
    ...(many
      ? {
          dataZoom: [
            {
              type: 'slider',
              startValue: from,
              endValue: from + MOST_AT_ONCE - 1,
              height: 16,
              bottom: 4,
              brushSelect: false,
              showDetail: false,
              borderColor: t.ink3,
              fillerColor: `${t.worn}aa`,
              handleStyle: { color: t.ink },
            },
          ],
        }
      : {}),
    xAxis: {
      type: 'category',
      data: starts.map((s) => s.startMs),
      ...axisStyle(t),
      axisLabel: {
        ...axisStyle(t).axisLabel,
        interval: 0,
        hideOverlap: true,
        lineHeight: 14,
        formatter: (v: string, i: number) =>
          `${timeOfDay(Number(v))}\n${i === 0 || day(starts[i - 1].startMs) !== day(Number(v)) ? day(Number(v)) : ''}`,
      },
    },
    yAxis: {
      type: 'value',
      name: 'points',
      min: 0,
      max: top * 1.12,
      splitNumber: 3,
      ...axisStyle(t),
      axisLabel: {
        ...axisStyle(t).axisLabel,
        showMaxLabel: false,
        // Two digits where one would write two ticks alike.
        formatter: (v: number) => v.toFixed(top < 1 ? 2 : 1),
      },
    },
    tooltip: {
      trigger: 'item',
      formatter: ({ dataIndex: i }: { dataIndex: number }) => {
        const s = starts[i];
        return `${day(s.startMs)}, ${timeOfDay(s.startMs)}: ${s.cost.toFixed(2)} points${s.safe ? '' : ', not safe'}; feels ${temperature(s.feelsC, units)} at worst`;
      },
    },
    series: [
      {
        type: 'bar',
        barCategoryGap: '22%',
        data: starts.map((s, i) => ({
          value: Math.min(s.cost, top),
          itemStyle: {
            ...(s.safe ? { color: t.heat[2] } : unsafeStyle(t)),
            ...(i === planned ? { borderColor: t.ink, borderWidth: 2 } : {}),
          },
          label: {
            show: true,
            position: 'top',
            color: t.ink2,
            fontSize: 11,
            formatter: `${s.safe ? '' : '▲ '}${degrees(s.feelsC, units)}${s.cost > top ? ' ↑' : ''}`,
          },
        })),
      },
    ],
  };
}
