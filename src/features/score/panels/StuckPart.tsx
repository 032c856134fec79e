'use client';
import { Square, SquareCheckBig } from 'lucide-react';
import type { Stuck, StuckOut } from '@/core/questions/stuckOut';
import { clock } from '@/formats/dates';
import { degrees, temperature, type Units } from '@/formats/measures';
import { Chart, PlainTable } from '@/ui/chart/Chart';
import { axisStyle, unsafeStyle, type Tokens } from '@/ui/chart/theme';

const HOURS = 12;
const ROW_PX = 34;

/** What if one cannot go on: hours to shivering, useless hands, danger; and what should be along. */
export function StuckPart({ s, units }: { s: StuckOut; units: Units }) {
  const list = places(s.stuck);
  return (
    <>
      <p className="text-ink-2">Sitting still in everything along, out of the sun, for twelve hours.</p>
      {list.map(([title, x]) => (
        <div key={x.place} className="mt-1.5">
          <p>
            <b>{title}</b>, {x.where}, {clock(x.atS)}: {temperature(x.airC, units)}, feels{' '}
            {temperature(x.feelsC, units)} standing still. Shivering {hours(x.shiversH)}, useless hands{' '}
            {hours(x.handsH)}, danger <b className={x.dangerH === null ? '' : 'text-act'}>{hours(x.dangerH)}</b>
            {x.dangerBy && ` (${x.dangerBy})`}.
          </p>
          {x.means.length > 0 && (
            <p className="text-[12px] text-ink-2">
              The nearest door is {x.doorH.toFixed(1)} h away.{' '}
              {x.means
                .map(
                  (m, i) =>
                    `${i === 0 ? 'With' : 'with'} ${m.name}: useless hands ${hours(m.handsH)}, danger ${hours(m.dangerH)}`,
                )
                .join('; ')}
              .
            </p>
          )}
          <p className="text-[12px] text-ink-2">
            {x.after
              .map(
                (a) => `after ${a.hours} h core ${degrees(a.coreC, units, 1)}, fingers ${degrees(a.fingersC, units)}`,
              )
              .join('; ')}
            .
            {x.oneMore &&
              ` With ${x.oneMore.name.toLowerCase()} in the pack: useless hands ${hours(x.oneMore.handsH)}, danger ${hours(x.oneMore.dangerH)}.`}
          </p>
        </div>
      ))}
      <Chart
        label={`Hours one holds out: ${list.map(([t, x]) => `${t}: shivering ${hours(x.shiversH)}, useless hands ${hours(x.handsH)}, danger ${hours(x.dangerH)}`).join('; ')}`}
        height={list.length * ROW_PX + 66}
        points={list.length}
        option={(t) => option(t, list)}
        table={
          <PlainTable
            head={['where', 'shivering', 'useless hands', 'danger']}
            rows={list.map(([t, x]) => [t, hours(x.shiversH), hours(x.handsH), hours(x.dangerH)])}
          />
        }
      />
      <ul className="mt-2 grid grid-cols-2 gap-x-5 max-[560px]:grid-cols-1">
        {s.safety.map((i) => (
          <li key={i.item} className="border-b border-grid py-[3px] leading-tight">
            <b className={i.have ? '' : 'text-ink-2'}>
              {i.have ? (
                <SquareCheckBig size={14} className="mr-1 inline" aria-hidden="true" />
              ) : (
                <Square size={14} className="mr-1 inline" aria-hidden="true" />
              )}
              {i.item}
            </b>
            <span className="sr-only">{i.have ? ', along' : ', not in this plan'}</span>
            <span className="block text-[12px] text-ink-2">{i.says}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Where the worst place is also the farthest, it is told once. */
function places([worst, farthest]: readonly Stuck[]): [string, Stuck][] {
  return worst.atS === farthest.atS
    ? [['Where it bites most, and farthest out', worst]]
    : [
        ['Where it bites most', worst],
        ['Farthest out', farthest],
      ];
}

const hours = (h: number | null): string =>
  h === null ? 'never in 12 h' : h < 2 ? `in ${Math.round(h * 60)} min` : `in ${h.toFixed(1)} h`;

/** One bar a place: warm enough, shivering, hands useless, danger, each to where the next begins. */
function option(t: Tokens, list: readonly [string, Stuck][]) {
  const marks = (x: Stuck) => {
    const danger = x.dangerH ?? HOURS;
    const shivers = Math.min(x.shiversH ?? HOURS, danger);
    const hands = Math.min(Math.max(x.handsH ?? HOURS, shivers), danger);
    return [shivers, hands - shivers, danger - hands, HOURS - danger];
  };
  const ruled = (color: string, rotation: number) => ({
    color: t.sheet,
    borderColor: t.ink,
    borderWidth: 0.8,
    decal: { symbol: 'line', dashArrayX: [1, 0], dashArrayY: [1.5, 3.5], rotation, color },
  });
  const parts = [
    { name: 'not shivering hard', itemStyle: { color: t.heat[1], borderColor: t.ink, borderWidth: 0.8 } },
    { name: 'shivering', itemStyle: ruled(t.cold, 0) },
    { name: 'hands useless', itemStyle: ruled(t.ink, Math.PI / 2) },
    { name: '▲ danger', itemStyle: unsafeStyle(t) },
  ];
  return {
    grid: { left: 126, right: 14, top: 26, bottom: 34 },
    xAxis: {
      type: 'value',
      min: 0,
      max: HOURS,
      interval: 2,
      name: 'hours without moving',
      nameLocation: 'middle',
      nameGap: 22,
      ...axisStyle(t),
    },
    yAxis: {
      type: 'category',
      inverse: true,
      data: list.map(([title]) => title),
      ...axisStyle(t),
      axisTick: { show: false },
    },
    tooltip: {
      trigger: 'item',
      formatter: ({ seriesName, dataIndex }: { seriesName: string; dataIndex: number }) =>
        `${list[dataIndex][0]}: ${seriesName}`,
    },
    series: parts.map((p, k) => ({
      ...p,
      type: 'bar',
      stack: 'hours',
      barWidth: 16,
      data: list.map(([, x]) => Math.max(0, marks(x)[k])),
      label: {
        show: true,
        position: 'insideLeft',
        formatter: ({ value }: { value: number }) => (value > 1.6 ? p.name : ''),
        color: k === 3 ? t.sheet : t.ink,
        fontSize: 11,
        fontWeight: 600,
        textBorderColor: k === 3 ? t.act : t.sheet,
        textBorderWidth: 3,
      },
    })),
  };
}
