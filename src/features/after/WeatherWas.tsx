'use client';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { measuredOver, meansOf, type Means } from '@/core/underway/measured';
import type { OutThere } from '@/core/underway/outThere';
import { plannedStartMs, type Opened } from '@/core/underway/pack';
import { localTimeText } from '@/formats/dates';
import {
  fromTemperature,
  fromWind,
  minus,
  temperature,
  temperatureUnit,
  toTemperature,
  toWind,
  windUnit,
  type Units,
} from '@/formats/measures';
import type { StationObserved } from '@/formats/stationJson';
import { ask } from '@/ui/api';
import { Button } from '@/ui/Button';
import { NumberCell } from '@/ui/NumberCell';
import type { ToldHere } from './useTold';

type Was = NonNullable<OutThere['was']>;
const HOUR_MS = 3600_000;

/** The weather that really was: by hand, or as the station measured it. */
export function WeatherWas({
  opened,
  out,
  told,
  units,
}: {
  opened: Opened;
  out: OutThere;
  told: ToldHere;
  units: Units;
}) {
  const meant = useMemo(() => meansOf(opened.timeline.stretches), [opened]);
  const was = out.was ?? { airC: null, windMs: null };
  const take = (next: Was) =>
    next.airC === null && next.windMs === null
      ? void told.untell((t) => t.kind === 'was')
      : void told.tell({ told: { kind: 'was', ...next } });
  return (
    <div role="group" aria-label="The weather that really was" className="border-t border-grid-2 pt-2">
      <h3 className="font-semibold">The weather that really was, in the mean</h3>
      <div className="mt-1 flex flex-wrap gap-x-3 gap-y-1 text-[12px] text-ink-2">
        <label>
          air, {temperatureUnit(units)}{' '}
          <NumberCell
            rule={{
              label: 'Air, mean',
              low: fromTemperature(-60, units),
              high: fromTemperature(45, units),
              unit: temperatureUnit(units),
              optional: true,
            }}
            value={was.airC === null ? null : Number(fromTemperature(was.airC, units).toFixed(1))}
            placeholder={minus(fromTemperature(meant.airC, units), 1)}
            onTake={(v) => take({ ...was, airC: v === null ? null : toTemperature(v, units) })}
          />
        </label>
        <label>
          wind, {windUnit(units)}{' '}
          <NumberCell
            rule={{ label: 'Wind, mean', low: 0, high: fromWind(60, units), unit: windUnit(units), optional: true }}
            value={was.windMs === null ? null : Number(fromWind(was.windMs, units).toFixed(1))}
            placeholder={fromWind(meant.windMs, units).toFixed(1)}
            onTake={(v) => take({ ...was, windMs: v === null ? null : toWind(v, units) })}
          />
        </label>
        <span className="self-end pb-1">empty: as forecast</span>
      </div>
      <FromStation opened={opened} out={out} meant={meant} was={was} onTake={take} units={units} />
    </div>
  );
}

/** What the station measured of those hours, brought to the heights of the outing; one tap takes it. */
function FromStation({
  opened,
  out,
  meant,
  was,
  onTake,
  units,
}: {
  opened: Opened;
  out: OutThere;
  meant: Means;
  was: Was;
  onTake: (was: Was) => void;
  units: Units;
}) {
  const { pack, timeline } = opened;
  const startMs = out.startMs ?? plannedStartMs(pack);
  const fromMs = startMs + pack.outing.utcOffsetMin * 60_000;
  const toMs = fromMs + timeline.endS * 1000 + HOUR_MS;
  const { data, isPending } = useQuery({
    queryKey: ['measured', pack.outingId, fromMs, toMs],
    queryFn: async () => {
      const address = `/api/weather/observed?from=${localTimeText(fromMs)}&to=${localTimeText(toMs)}`;
      const { observed } = await ask<{ observed: StationObserved | null }>('GET', address, {});
      if (!observed) return null;
      const { station, hours } = observed;
      const means = measuredOver(opened, { eleM: station.eleM, hours }, startMs);
      return means && { name: station.name, means };
    },
  });
  const words = (m: Means) =>
    `${temperature(m.airC, units, 1)}, ${fromWind(m.windMs, units).toFixed(1)} ${windUnit(units)}`;
  if (isPending) return <p className="mt-1 text-[12px] text-ink-3">Asking the station…</p>;
  if (!data) return <p className="mt-1 text-[12px] text-ink-3">The station says nothing of those hours.</p>;
  const { name, means } = data;
  const taken = was.airC !== null && was.windMs !== null && isNear(means, { airC: was.airC, windMs: was.windMs });
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-2 text-[12px] text-ink-2">
      <span>
        Station {name} measured {words(means)} at your heights; forecast {words(meant)}.
      </span>
      {taken ? (
        <b>Taken.</b>
      ) : (
        <Button size="small" onClick={() => onTake({ airC: means.airC, windMs: means.windMs })}>
          Take it as it was
        </Button>
      )}
    </p>
  );
}

const isNear = (a: Means, b: Means): boolean =>
  Math.abs(a.airC - b.airC) < 0.05 && Math.abs(a.windMs - b.windMs) < 0.05;
