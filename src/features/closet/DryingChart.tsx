'use client';
import { useMemo } from 'react';
import type { Garment } from '@/core/clothing/garment';
import { OutOfRange } from '@/core/quantity/range';
import { Chart, PlainTable } from '@/ui/chart/Chart';
import { axisStyle, type Tokens } from '@/ui/chart/theme';
import { dryingPlaces } from './garmentFigures';

type Places = ReturnType<typeof dryingPlaces>;
/** Beyond this nobody waits, and the axis would hide the rest, h. */
const LONGEST = 48;

/** How long a piece takes to dry, place by place, on one scale of hours. */
export function DryingChart({ garment, dampGm2 }: { garment: Garment; dampGm2: number }) {
  const places = useMemo((): Places | null => {
    try {
      return dryingPlaces(garment, dampGm2);
    } catch (e) {
      // A value half typed: the form says what is wrong with it.
      if (e instanceof OutOfRange) return null;
      throw e;
    }
  }, [garment, dampGm2]);
  if (!places) return null;
  return (
    <section aria-label="Drying">
      <h3 className="text-[12px] text-ink-3">
        Dry again {dampGm2 > 0 ? `from ${dampGm2.toFixed(0)} g/m²` : 'from wrung wet'}, hours
      </h3>
      <Chart
        label={`Hours to dry: ${places.map((p) => `${p.place} ${hoursText(p.hours)}`).join(', ')}`}
        height={places.length * 24 + 26}
        points={places.length}
        option={(t) => option(t, places)}
        table={<PlainTable head={['where', 'dry in']} rows={places.map((p) => [p.place, hoursText(p.hours)])} />}
      />
    </section>
  );
}

function option(t: Tokens, places: Places) {
  const within = places.map((p) => p.hours).filter((h) => h < LONGEST);
  const top = Math.max(1, ...within);
  return {
    grid: { left: 112, right: 58, top: 2, bottom: 22 },
    xAxis: {
      type: 'value',
      min: 0,
      max: top,
      splitNumber: 3,
      ...axisStyle(t),
      axisLabel: {
        ...axisStyle(t).axisLabel,
        formatter: (v: number) => String(Math.round(v * 10) / 10),
        showMaxLabel: false,
      },
    },
    yAxis: {
      type: 'category',
      inverse: true,
      data: places.map((p) => p.place),
      ...axisStyle(t),
      axisTick: { show: false },
      axisLabel: { ...axisStyle(t).axisLabel, color: t.ink, fontSize: 12 },
    },
    tooltip: {
      trigger: 'item',
      formatter: ({ dataIndex: i }: { dataIndex: number }) => `${places[i].place}: ${hoursText(places[i].hours)}`,
    },
    series: [
      {
        type: 'bar',
        barWidth: 8,
        data: places.map((p) => ({
          value: Math.min(top, p.hours),
          itemStyle: { color: t.water },
          label: { show: true, position: 'right', formatter: hoursText(p.hours), color: t.ink, fontSize: 12 },
        })),
      },
    ],
  };
}

const hoursText = (h: number): string =>
  !Number.isFinite(h) ? 'never' : h < 2 ? `${Math.round(h * 60)} min` : h < LONGEST ? `${h.toFixed(1)} h` : 'days';
