'use client';
import { windChillC } from '@/core/atmosphere/windChill';
import type { ForecastHour } from '@/core/outing/forecast';
import { msToKmh } from '@/core/quantity/units';
import { day, timeOfDay } from '@/formats/dates';
import {
  degrees,
  fall,
  fallUnit,
  fromTemperature,
  fromWind,
  height,
  temperatureUnit,
  windUnit,
  type Units,
} from '@/formats/measures';
import { Chart } from '@/ui/chart/Chart';
import { axisStyle, type Tokens } from '@/ui/chart/theme';
import { DataTable, type Column } from '@/ui/DataTable';

/** What the air of the forecast would feel like to somebody standing in the open, °C: the published index. */
const openChillC = (h: ForecastHour): number => windChillC(h.airC, msToKmh(h.wind));

/** The hours of the forecast: air and what it feels like in the open, wind, and what falls. */
export function HoursPanel({
  hours,
  eleM,
  outing,
  units,
}: {
  hours: readonly ForecastHour[];
  /** height it is for, m */
  eleM: number;
  /** when the outing is, wall-clock ms: its hours are marked */
  outing: { startMs: number; endMs: number };
  units: Units;
}) {
  const wind = (v: number) => fromWind(v, units).toFixed(0);
  const columns: Column<ForecastHour>[] = [
    {
      id: 'hour',
      head: 'Hour',
      cell: (h, i) => (
        <span className={h.timeMs >= outing.startMs - 1800_000 && h.timeMs <= outing.endMs ? 'font-semibold' : ''}>
          {(i === 0 || day(hours[i - 1].timeMs) !== day(h.timeMs)) && `${day(h.timeMs)} `}
          {timeOfDay(h.timeMs)}
        </span>
      ),
    },
    { id: 'air', head: `Air, ${temperatureUnit(units)}`, align: 'right', cell: (h) => degrees(h.airC, units) },
    {
      id: 'feels',
      head: 'In the open',
      says: 'Wind chill of somebody standing in the open. On the way shelter and your own speed change it.',
      align: 'right',
      cell: (h) => degrees(openChillC(h), units),
    },
    { id: 'wind', head: `Wind, ${windUnit(units)}`, align: 'right', cell: (h) => wind(h.wind) },
    { id: 'gust', head: 'Gust', align: 'right', cell: (h) => wind(h.gust) },
    { id: 'humid', head: 'Humid', align: 'right', cell: (h) => `${(h.humidity * 100).toFixed(0)} %` },
    {
      id: 'falls',
      head: 'Falls',
      cell: (h) => (h.kind === 'none' ? '–' : `${fall(h.precipitationMmH, units)} ${fallUnit(units)}/h ${h.kind}`),
    },
  ];
  return (
    <section aria-label="Forecast" className="min-w-0">
      <h2 className="font-semibold">Forecast for {height(eleM, units)}</h2>
      <p className="text-[12px] text-ink-2">
        Line: air. <span className="text-cold">Dashed: what it feels like in the open.</span> Bars: wind at 10 m.
      </p>
      <Chart
        label={`Air and wind of the forecast, ${hours.length} hours`}
        height={170}
        points={hours.length}
        option={(t) => option(t, hours, outing, units)}
        table={
          <div className="max-h-[320px] overflow-y-auto" tabIndex={0} role="region" aria-label="Hours">
            <DataTable
              label="Hours of the forecast"
              rows={hours}
              columns={columns}
              id={(h) => String(h.timeMs)}
              dense
            />
          </div>
        }
      />
    </section>
  );
}

function option(t: Tokens, hours: readonly ForecastHour[], outing: { startMs: number; endMs: number }, units: Units) {
  const temp = (c: number) => Math.round(fromTemperature(c, units) * 10) / 10;
  const at = (ms: number) =>
    Math.max(
      0,
      hours.findIndex((h) => h.timeMs >= ms - 1800_000),
    );
  const last = hours.findIndex((h) => h.timeMs >= outing.endMs);
  return {
    grid: { left: 40, right: 40, top: 26, bottom: 34 },
    xAxis: {
      type: 'category',
      data: hours.map((h) => h.timeMs),
      ...axisStyle(t),
      axisLabel: {
        ...axisStyle(t).axisLabel,
        hideOverlap: true,
        lineHeight: 14,
        formatter: (v: string, i: number) =>
          `${timeOfDay(Number(v))}\n${i === 0 || day(hours[i - 1].timeMs) !== day(Number(v)) ? day(Number(v)) : ''}`,
      },
    },
    yAxis: [
      { type: 'value', name: temperatureUnit(units), scale: true, splitNumber: 4, ...axisStyle(t) },
      { type: 'value', name: windUnit(units), min: 0, splitNumber: 4, ...axisStyle(t), splitLine: { show: false } },
    ],
    tooltip: { trigger: 'axis' },
    series: [
      {
        name: 'air',
        type: 'line',
        data: hours.map((h) => temp(h.airC)),
        symbol: 'circle',
        symbolSize: 6,
        lineStyle: { color: t.ink, width: 1.8 },
        itemStyle: { color: t.sheet, borderColor: t.ink, borderWidth: 1.5 },
        markLine: {
          silent: true,
          symbol: 'none',
          label: { show: true, color: t.ink2, fontSize: 11 },
          lineStyle: { color: t.act, type: 'solid', width: 1.2 },
          data: [
            { xAxis: at(outing.startMs), label: { formatter: 'start' } },
            ...(last >= 0 ? [{ xAxis: last, label: { formatter: 'back' } }] : []),
          ],
        },
      },
      {
        name: 'feels in the open',
        type: 'line',
        data: hours.map((h) => temp(openChillC(h))),
        symbol: 'none',
        lineStyle: { color: t.cold, width: 1.6, type: 'dashed' },
        itemStyle: { color: t.cold },
      },
      {
        name: `wind, ${windUnit(units)}`,
        type: 'bar',
        yAxisIndex: 1,
        barWidth: '46%',
        data: hours.map((h) => Math.round(fromWind(h.wind, units) * 10) / 10),
        itemStyle: { color: t.worn, borderColor: t.ink3, borderWidth: 0.7 },
        z: 0,
      },
    ],
  };
}
