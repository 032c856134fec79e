'use client';
import { Copy, Plus, X } from 'lucide-react';
import { isStop, SPORT, SPORTS, type Sport } from '@/core/effort/sports';
import { LEG_RANGE, type Leg } from '@/core/outing/leg';
import type { Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { WETTINGS } from '@/core/outing/wetting';
import { feetToM } from '@/core/quantity/units';
import { distance, temperatureUnit, windUnit, type Units } from '@/formats/measures';
import { Button } from '@/ui/Button';
import { Check } from '@/ui/Check';
import { Input } from '@/ui/fields';
import { NumberCell } from '@/ui/NumberCell';
import { Select } from '@/ui/Select';
import { SortableRow, SortableRows } from '@/ui/SortableRows';
import { placeOf, PLACES } from './legChoices';
import { addLeg, addStop, duplicateLeg, moveLeg, removeLeg, setLeg } from './legEdits';

import { AirCells, EffortCell } from './LegInputs';

interface Props {
  outing: Outing;
  /** laid out; null while it cannot be */
  timeline: Timeline | null;
  units: Units;
  edit: (next: Outing) => void;
}

/** Legs and stops as rows to be edited; what is laid out stands in grey where the athlete has said nothing. */
export function LegTable({ outing, timeline, units, edit }: Props) {
  const ids = outing.legs.map((_, i) => `leg-${i}`);
  const heads = [
    'Leg',
    'Going',
    'Min',
    ...(outing.profile ? ['Distance'] : [`Air, ${temperatureUnit(units)}`, `Wind, ${windUnit(units)}`]),
    `Up − down, ${units === 'metric' ? 'm' : 'ft'}`,
    'How hard',
    'Shelter and sun',
    'Wets, chills',
    'Pack',
    'No stop',
  ];
  return (
    <section aria-label="Legs" className="relative min-w-0 overflow-x-auto" tabIndex={0}>
      <SortableRows ids={ids} onMove={(from, to) => edit(moveLeg(outing, from, to))}>
        <table className="w-full border-collapse text-left">
          <thead>
            <tr className="border-b-2 border-ink text-[12px] text-ink-3">
              <th scope="col">
                <span className="sr-only">Order</span>
              </th>
              {heads.map((h) => (
                <th key={h} scope="col" className="py-1 pr-2 font-medium">
                  {h}
                </th>
              ))}
              <th scope="col">
                <span className="sr-only">What to do with it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {outing.legs.map((leg, i) => (
              <SortableRow key={ids[i]} id={ids[i]} label={`Move leg ${i + 1}, ${leg.name}`}>
                <LegCells leg={leg} index={i} outing={outing} timeline={timeline} units={units} edit={edit} />
              </SortableRow>
            ))}
          </tbody>
        </table>
      </SortableRows>
      <Button className="mt-2" onClick={() => edit(addLeg(outing))}>
        <Plus size={14} aria-hidden="true" /> Add a leg
      </Button>
    </section>
  );
}

function LegCells({ leg, index, outing, timeline, units, edit }: Props & { leg: Leg; index: number }) {
  const n = index + 1;
  const set = (patch: Partial<Leg>) => edit(setLeg(outing, index, patch));
  const [leastMin, mostMin] = LEG_RANGE.minutes;
  const metric = units === 'metric';
  const [leastM, mostM] = LEG_RANGE.climbM;
  const height = (m: number) => Math.round(metric ? m : m / feetToM(1));
  return (
    <>
      <td className="py-1 pr-1.5">
        <Input
          aria-label={`Name of leg ${n}`}
          className="speak w-[9.1em] px-1.5 py-1"
          key={leg.name}
          defaultValue={leg.name}
          maxLength={120}
          onBlur={(e) => e.target.value.trim() !== '' && e.target.value !== leg.name && set({ name: e.target.value })}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        />
      </td>
      <td className="py-1 pr-1.5">
        <Select<Sport>
          label={`Going of leg ${n}`}
          className="w-[8.6em]"
          value={leg.sport}
          options={SPORTS.map((s) => ({ value: s, label: SPORT[s].label }))}
          onChange={(sport) => set({ sport })}
        />
      </td>
      <td className="py-1 pr-1.5">
        <NumberCell
          rule={{ label: `Minutes of leg ${n}`, low: leastMin, high: mostMin, unit: 'min' }}
          value={leg.minutes}
          width="w-[4.3em]"
          onTake={(minutes) => set({ minutes: minutes! })}
        />
      </td>
      {outing.profile ? (
        <td className="py-2 pr-1.5 whitespace-nowrap text-ink-2">
          {leg.distanceM > 0 ? distance(leg.distanceM, units) : '–'}
        </td>
      ) : (
        <AirCells leg={leg} n={n} timeline={timeline} units={units} onChange={(air) => set({ air })} />
      )}
      <td className="py-1 pr-1.5">
        <NumberCell
          rule={{ label: `Climb of leg ${n}`, low: height(leastM), high: height(mostM), unit: metric ? 'm' : 'ft' }}
          value={height(leg.climbM)}
          width="w-[4.5em]"
          onTake={(v) => set({ climbM: metric ? v! : feetToM(v!) })}
        />
      </td>
      <td className="py-1 pr-1.5">
        <EffortCell leg={leg} n={n} units={units} onChange={(effort) => set({ effort })} />
      </td>
      <td className="py-1 pr-1.5">
        <Select
          label={`Shelter of leg ${n}`}
          className="w-[8.6em]"
          value={placeOf(leg)}
          options={Object.entries(PLACES).map(([value, p]) => ({ value, label: p.label }))}
          onChange={(place) => set(PLACES[place].leg)}
        />
      </td>
      <td className="py-1 pr-1.5">
        <Select
          label={`What wets or chills by touch in leg ${n}`}
          className="w-[7.7em]"
          value={leg.wetting ?? ''}
          options={[
            { value: '', label: 'Nothing' },
            ...WETTINGS.map((w) => ({ value: w as string, label: w[0].toUpperCase() + w.slice(1) })),
          ]}
          onChange={(w) => set({ wetting: (w || undefined) as Leg['wetting'] })}
        />
      </td>
      <td className="py-1 pr-1.5">
        <Select<'off' | 'over' | 'under'>
          label={`Pack in leg ${n}`}
          className="w-[5.7em]"
          value={!leg.packOn ? 'off' : leg.packUnder ? 'under' : 'over'}
          options={[
            { value: 'off', label: 'Off' },
            { value: 'over', label: 'On' },
            { value: 'under', label: 'Under the shell' },
          ]}
          onChange={(p) => set({ packOn: p !== 'off', packUnder: p === 'under' || undefined })}
        />
      </td>
      <td className="py-1.5 pr-1.5 text-center">
        <Check
          label={`No stopping in leg ${n}`}
          checked={leg.noStopping}
          onChange={(noStopping) => set({ noStopping })}
        />
      </td>
      <td className="py-1 whitespace-nowrap">
        <Button
          kind="quiet"
          size="small"
          onClick={() => edit(addStop(outing, index))}
          title="Put a stop after this leg"
        >
          + stop
        </Button>
        {leg.profileFrom === undefined && (
          <Button
            kind="quiet"
            size="small"
            aria-label={`Duplicate leg ${n}`}
            title="The same leg once more"
            onClick={() => edit(duplicateLeg(outing, index))}
          >
            <Copy size={13} aria-hidden="true" />
          </Button>
        )}
        {outing.legs.length > 1 && (isStop(leg) || leg.profileFrom === undefined) && (
          <Button
            kind="quiet"
            size="small"
            aria-label={`Remove leg ${n}`}
            title="Remove this leg"
            onClick={() => edit(removeLeg(outing, index))}
          >
            <X size={14} aria-hidden="true" />
          </Button>
        )}
      </td>
    </>
  );
}
