'use client';
import { SPORT } from '@/core/effort/sports';
import { type Effort, type Leg } from '@/core/outing/leg';
import type { Timeline } from '@/core/outing/timeline';
import {
  fromTemperature,
  fromWind,
  temperatureUnit,
  toTemperature,
  toWind,
  windUnit,
  type Units,
} from '@/formats/measures';
import { NumberCell } from '@/ui/NumberCell';
import { Select } from '@/ui/Select';
import { EFFORT_WORDS } from './legChoices';

/** Air and wind of one leg by hand; empty means the forecast's, which stands in grey. */
export function AirCells({
  leg,
  n,
  timeline,
  units,
  onChange,
}: {
  leg: Leg;
  n: number;
  timeline: Timeline | null;
  units: Units;
  onChange: (air: Leg['air']) => void;
}) {
  const now = timeline?.stretches.find((s) => s.leg === n - 1);
  const tenth = (v: number) => Math.round(v * 10) / 10;
  const put = (key: 'airC' | 'wind', v: number | null) => {
    const { [key]: _old, ...rest } = leg.air ?? {};
    const next = v === null ? rest : { ...rest, [key]: v };
    onChange(Object.keys(next).length > 0 ? next : undefined);
  };
  const cells = [
    {
      key: 'airC' as const,
      rule: { label: `Air of leg ${n}`, low: fromTemperature(-60, units), high: fromTemperature(40, units) },
      unit: temperatureUnit(units),
      from: (v: number) => fromTemperature(v, units),
      back: (v: number) => toTemperature(v, units),
      said: now?.airC,
    },
    {
      key: 'wind' as const,
      rule: { label: `Wind of leg ${n}, at 10 m`, low: 0, high: Math.floor(fromWind(60, units)) },
      unit: windUnit(units),
      from: (v: number) => fromWind(v, units),
      back: (v: number) => toWind(v, units),
      said: now?.wind10,
    },
  ];
  return cells.map(({ key, rule, unit, from, back, said }) => (
    <td key={key} className="py-1 pr-1.5">
      <NumberCell
        rule={{ ...rule, unit, optional: true }}
        value={leg.air?.[key] === undefined ? null : tenth(from(leg.air[key]))}
        placeholder={said === undefined ? '' : String(tenth(from(said)))}
        width="w-[4.0em]"
        onTake={(v) => put(key, v === null ? null : back(v))}
      />
    </td>
  ));
}

export function EffortCell({
  leg,
  n,
  units,
  onChange,
}: {
  leg: Leg;
  n: number;
  units: Units;
  onChange: (e: Effort) => void;
}) {
  const { by } = leg.effort;
  // Speed is kept in m/s and shown as people say it.
  const factor = by !== 'speed' ? 1 : units === 'metric' ? 3.6 : fromWind(1, 'imperial');
  const { low, high, unit: said } = EFFORT_WORDS[by];
  const unit = by === 'speed' ? (units === 'metric' ? 'km/h' : 'mph') : said;
  const choices = (Object.keys(EFFORT_WORDS) as Effort['by'][]).filter(
    (k) => k !== 'power' || SPORT[leg.sport].mechanics?.by === 'ride',
  );
  return (
    <span className="flex items-start gap-1">
      <Select<Effort['by']>
        label={`How hard in leg ${n}`}
        className="w-[7.5em]"
        value={by}
        options={choices.map((value) => ({ value, label: EFFORT_WORDS[value].label }))}
        onChange={(next) => onChange(next === 'usual' ? { by: next } : { by: next, value: EFFORT_WORDS[next].start })}
      />
      {leg.effort.by !== 'usual' && (
        <span className="whitespace-nowrap">
          <NumberCell
            rule={{ label: `Value of effort in leg ${n}`, low: low * factor, high: high * factor, unit }}
            value={Math.round(leg.effort.value * factor * 100) / 100}
            width="w-[4.3em]"
            onTake={(v) => onChange({ by, value: v! / factor } as Effort)}
          />{' '}
          <span className="text-[12px] text-ink-3">{unit}</span>
        </span>
      )}
    </span>
  );
}
