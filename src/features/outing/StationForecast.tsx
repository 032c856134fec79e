'use client';
import { useMutation, useQuery } from '@tanstack/react-query';
import { forecastStated, stationHours, withStations } from '@/core/outing/fromStations';
import type { Outing } from '@/core/outing/outing';
import { OutOfRange } from '@/core/quantity/range';
import { day, timeOfDay } from '@/formats/dates';
import { height, type Units } from '@/formats/measures';
import type { Heard } from '@/store/weather';
import { ask, NotDone } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import type { Problem } from '@/formats/problem';

interface Around {
  own: Heard;
  others: Heard[];
}
const fetchAround = async (): Promise<Around | null> =>
  (await ask<{ around: Around | null }>('GET', '/api/weather/around', {})).around;

const SILENT: Problem = {
  where: 'Station',
  field: 'forecast',
  value: 'silent',
  allowed: 'a station that was heard once: choose one at the front door',
};

/** How old what a station said is. */
const heardWords = ({ weather, ageMs, state, simulated }: Heard): string =>
  `${state === 'silent' ? 'silent now, last heard' : 'heard'} ${
    ageMs < 90_000 ? 'just now' : `${Math.round(ageMs / 60_000)} min ago`
  }, issued ${day(weather.issuedMs)} ${timeOfDay(weather.issuedMs)}${simulated ? '; simulated' : ''}`;

/** Takes the forecast of one's station for an outing that is there already; undone as any edit. */
export function StationForecast({
  outing,
  seconds,
  edit,
  units,
}: {
  outing: Outing;
  seconds: number;
  edit: (next: Outing) => void;
  units: Units;
}) {
  const take = useMutation({
    mutationFn: async (): Promise<string> => {
      const around = await fetchAround();
      if (!around) throw new NotDone([SILENT], 0);
      const own = stationHours(around.own.weather);
      const others = around.others.map((o) => stationHours(o.weather));
      const next = withStations(outing, own, others, seconds);
      edit(next);
      const { air, wind } = forecastStated(own, others, next.forecastEleM);
      return `${own.name}, ${height(own.eleM, units)}, ${heardWords(around.own)}. Brought to ${height(next.forecastEleM, units)}: air ${air}; wind ${wind}.`;
    },
  });
  const { error } = take;
  const problems =
    error instanceof NotDone
      ? error.problems
      : error instanceof OutOfRange
        ? [{ where: 'Station', field: error.field, value: String(error.value), allowed: error.allowed }]
        : error
          ? [{ ...SILENT, value: error.message }]
          : [];
  return (
    <div className="no-print mt-1">
      <Button size="small" disabled={take.isPending} onClick={() => take.mutate()}>
        {take.isPending ? 'Asking the station…' : 'Take the forecast of your station'}
      </Button>
      {take.data && !error && (
        <p role="status" className="mt-1 text-[12.5px] text-ink-2">
          {take.data}
        </p>
      )}
      <Problems problems={problems} title="Not taken." />
    </div>
  );
}

/** Which station a new outing's forecast will be from, and what is made of it. */
export function StationNote() {
  const { data, isPending } = useQuery({ queryKey: ['around'], queryFn: fetchAround });
  if (isPending) return <p className="text-ink-2">Asking the station…</p>;
  if (!data)
    return (
      <p className="font-semibold text-act">
        The station is silent and was never heard: take a file, or the air by hand.
      </p>
    );
  const { own } = data;
  const { hours } = own.weather;
  return (
    <p className="text-ink-2">
      <b className="text-ink">{own.weather.station.name}</b>, {heardWords(own)}: {hours.length} hours, to{' '}
      {day(hours[hours.length - 1].timeMs)}. Brought to the height of the route: air by 6.5 K a kilometre, wind between
      the stations about it. Without a start below it begins now.
    </p>
  );
}
