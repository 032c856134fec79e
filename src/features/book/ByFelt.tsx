'use client';
import { useMemo } from 'react';
import { byFelt, type FeltBand } from '@/core/afterwards/byFelt';
import { fromTemperature, minus, temperatureUnit, type Units } from '@/formats/measures';
import { Chart, PlainTable } from '@/ui/chart/Chart';
import { axisStyle, type Tokens } from '@/ui/chart/theme';
import type { Told } from './filters';

/** Bands that people think in: five degrees Celsius, ten Fahrenheit. */
const WIDE = { metric: 5, imperial: 10 } as const;
/** Fewer days make no picture. */
const LEAST = 5;

/** How the days were, by what it felt like: where one dresses right, and where not. */
export function ByFelt({ days, units }: { days: readonly Told[]; units: Units }) {
  const bands = useMemo(
    () =>
      byFelt(
        days.map((d) => d.day),
        (d) => fromTemperature(d.feelsC, units),
        WIDE[units],
      ),
    [days, units],
  );
  const told = bands.reduce((sum, b) => sum + b.right + b.warm + b.cold, 0);
  if (told < LEAST) return null;
  const name = (b: FeltBand) => `${minus(b.from, 0)} to ${minus(b.from + WIDE[units], 0)}`;
  return (
    <section aria-labelledby="by-felt" className="border-t border-ink pt-2">
      <h2 id="by-felt" className="font-semibold">
        How it was, by what it felt like
      </h2>
      <p className="text-[12px] text-ink-3">
        days in bands of {WIDE[units]} {temperatureUnit(units)}; black: right, amber: too warm, ruled: too cold
      </p>
      <Chart
        label={`Days by what it felt like, ${temperatureUnit(units)}: ${bands.map((b) => `${name(b)}, ${b.right} right, ${b.warm} too warm, ${b.cold} too cold`).join('; ')}`}
        height={150}
        points={bands.length}
        option={(t) => option(t, bands, units)}
        table={
          <PlainTable
            head={[`felt, ${temperatureUnit(units)}`, 'right', 'too warm', 'too cold']}
            rows={bands.map((b) => [name(b), b.right, b.warm, b.cold])}
          />
        }
      />
    </section>
  );
}

/** Cold is ruled across, as everywhere. */
const ruled = (t: Tokens) => ({ symbol: 'line', dashArrayX: [1, 0], dashArrayY: [2, 3], rotation: 0, color: t.cold });

function option(t: Tokens, bands: readonly FeltBand[], units: Units) {
  const series = (name: string, { color, decal }: { color: string; decal?: object }, of: (b: FeltBand) => number) => ({
    name,
    type: 'bar',
    stack: 'days',
    barCategoryGap: '18%',
    itemStyle: { color, decal, borderColor: t.ink, borderWidth: 0.8 },
    data: bands.map(of),
  });
  return {
    grid: { left: 34, right: 8, top: 22, bottom: 34 },
    xAxis: {
      type: 'category',
      data: bands.map((b) => minus(b.from, 0)),
      name: `felt from, ${temperatureUnit(units)}`,
      nameLocation: 'middle',
      nameGap: 20,
      ...axisStyle(t),
    },
    yAxis: { type: 'value', name: 'days', minInterval: 1, ...axisStyle(t) },
    tooltip: { trigger: 'axis', axisPointer: { type: 'shadow' } },
    series: [
      series('right', { color: t.ink }, (b) => b.right),
      series('too warm', { color: t.heat[2] }, (b) => b.warm),
      series('too cold', { color: t.sheet, decal: ruled(t) }, (b) => b.cold),
    ],
  };
}
