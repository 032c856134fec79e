'use client';
import type { Chance, Chances } from '@/core/questions/chances';
import { Chart, PlainTable } from '@/ui/chart/Chart';
import { axisStyle, unsafeStyle, type Tokens } from '@/ui/chart/theme';
import { outingsWords } from '@/formats/sentences';
import { sentence } from './sentence';

const GRAVE: ReadonlySet<Chance['kind']> = new Set(['unsafe', 'fingers numb']);
const ROW_PX = 25;

/** How often each thing happens over the spread of forecast and athlete. @param learned outings the athlete is known by */
export function ChancesChart({ c, learned }: { c: Chances; learned: number }) {
  return (
    <>
      <p className="text-ink-2">
        {c.members} runs over the spread of the forecast and of you,{' '}
        {learned === 0 ? 'as unsure as of anybody' : `as ${outingsWords(learned)} taught`}. What matters most is{' '}
        {c.matters.says}.
      </p>
      <Chart
        label={`Chances: ${c.list.map((x) => `${x.what}: ${x.often}`).join('; ')}`}
        height={c.list.length * ROW_PX + 28}
        points={c.list.length}
        option={(t) => option(t, c.list)}
        table={
          <PlainTable
            head={['what may happen', 'how often', 'share']}
            rows={c.list.map((x) => [sentence(x.what), x.often, `${(100 * x.share).toFixed(0)} %`])}
          />
        }
      />
    </>
  );
}

function option(t: Tokens, list: readonly Chance[]) {
  return {
    grid: { left: 236, right: 92, top: 4, bottom: 24 },
    xAxis: {
      type: 'value',
      min: 0,
      max: 100,
      interval: 25,
      ...axisStyle(t),
      axisLabel: { ...axisStyle(t).axisLabel, formatter: '{value} %' },
    },
    yAxis: {
      type: 'category',
      inverse: true,
      data: list.map((x) => sentence(x.what)),
      ...axisStyle(t),
      axisTick: { show: false },
      axisLabel: { ...axisStyle(t).axisLabel, color: t.ink, fontSize: 12.5, width: 226, overflow: 'truncate' },
    },
    tooltip: {
      trigger: 'item',
      formatter: ({ dataIndex: i }: { dataIndex: number }) =>
        `${sentence(list[i].what)}: ${list[i].often}, ${(100 * list[i].share).toFixed(0)} %`,
    },
    series: [
      {
        type: 'bar',
        barWidth: 11,
        data: list.map((x) => ({
          value: 100 * x.share,
          itemStyle: GRAVE.has(x.kind) ? unsafeStyle(t) : { color: t.heat[3] },
          label: {
            show: true,
            position: 'right',
            formatter: x.often,
            color: x.share > 0 ? t.ink : t.ink3,
            fontWeight: x.share > 0 ? 700 : 400,
            fontSize: 12,
          },
        })),
      },
    ],
  };
}
