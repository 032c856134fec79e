'use client';
import { useState } from 'react';
import { FIBRES, type Fibre } from '@/core/clothing/fibres';
import { GARMENT_RANGE, HEATER_RANGE, type Garment } from '@/core/clothing/garment';
import type { Problem } from '@/formats/problem';
import type { OwnedGarment } from '@/store/closet';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { dryingPlaces } from './figures';

type NumberKey = keyof typeof GARMENT_RANGE | keyof typeof HEATER_RANGE;
const RANGE = { ...GARMENT_RANGE, ...HEATER_RANGE };

const FIELDS: { key: NumberKey; label: string; how: string; step: number }[] = [
  { key: 'thicknessMm', label: 'Thickness', how: 'under a ruler and a light book', step: 0.1 },
  { key: 'massG', label: 'Mass', how: 'dry, on the kitchen scale', step: 1 },
  { key: 'weightGm2', label: 'Cloth weight', how: 'label', step: 5 },
  { key: 'ret', label: 'Ret', how: 'label; lower breathes better', step: 0.5 },
  { key: 'airPermeability', label: 'Wind through', how: '0 membrane, 8 wind shell, 500 fleece', step: 1 },
  { key: 'gapMm', label: 'Air beneath', how: 'loose 5, close 0.6', step: 0.1 },
  { key: 'liquidCapacity', label: 'Holds water', how: '(wrung wet − dry) ÷ dry', step: 0.1 },
  { key: 'waterResistance', label: 'Keeps rain off', how: '0 none, 1 all', step: 0.05 },
  { key: 'tightness', label: 'Tight', how: '0 loose, 1 squeezes', step: 0.05 },
  { key: 'price', label: 'Price', how: 'bought used or new', step: 1 },
];

/** Only for what gives off heat of itself. */
const HEATER_FIELDS: typeof FIELDS = [
  { key: 'heatW', label: 'Gives off', how: 'the pair together', step: 0.1 },
  { key: 'heatHours', label: 'For', how: 'until half of that is left', step: 0.5 },
];

/** The properties of one piece, as measured at home or read off its label. */
export function GarmentEditor({
  owned,
  onSave,
  onRemove,
}: {
  owned: OwnedGarment;
  onSave: (g: Garment, dampGm2: number) => Promise<Problem[]>;
  onRemove: () => void;
}) {
  const [garment, setGarment] = useState(owned.garment);
  const [damp, setDamp] = useState(owned.dampGm2);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [saved, setSaved] = useState('');
  const set = (patch: Partial<Garment>) => {
    setGarment({ ...garment, ...patch });
    setSaved('');
  };
  return (
    <form
      className="space-y-2"
      onSubmit={async (e) => {
        e.preventDefault();
        const found = await onSave(garment, damp);
        setProblems(found);
        setSaved(found.length === 0 ? 'Saved.' : '');
      }}
    >
      <Problems problems={problems} title="Not saved." />
      <label className="block">
        <span className="text-[12px] text-ink-3">Name</span>
        <input
          className="speak w-full border-b border-ink bg-transparent text-[19px] font-semibold"
          value={garment.name}
          maxLength={120}
          onChange={(e) => set({ name: e.target.value })}
        />
      </label>
      <div className="flex gap-4">
        <label>
          <span className="block text-[12px] text-ink-3">Fibre</span>
          <select
            className="rounded-[3px] border border-grid-2 bg-sheet px-1 py-0.5"
            value={garment.fibre}
            onChange={(e) => set({ fibre: e.target.value as Fibre })}
          >
            {Object.keys(FIBRES).map((f) => (
              <option key={f}>{f}</option>
            ))}
          </select>
        </label>
        <label>
          <span className="block text-[12px] text-ink-3">Damp now, g/m²</span>
          <input
            type="number"
            min={0}
            max={2000}
            className="w-20 rounded-[3px] border border-grid-2 bg-sheet px-1 py-0.5 text-right"
            value={Number.isNaN(damp) ? '' : damp}
            onChange={(e) => setDamp(e.target.valueAsNumber)}
          />
        </label>
      </div>
      <table className="w-full border-collapse">
        <tbody>
          {[...FIELDS, ...(garment.heatW === undefined ? [] : HEATER_FIELDS)].map((f) => (
            <tr key={f.key} className="border-b border-grid">
              <th scope="row" className="py-[3px] text-left font-medium">
                {f.label}
                <span className="block text-[11px] leading-tight font-normal text-ink-3">{f.how}</span>
              </th>
              <td className="w-20 text-right">
                <input
                  type="number"
                  aria-label={f.label}
                  step="any"
                  className="w-[74px] rounded-[3px] border border-grid-2 bg-sheet px-1 py-0.5 text-right"
                  value={Number.isNaN(garment[f.key] ?? NaN) ? '' : garment[f.key]}
                  onChange={(e) => set({ [f.key]: e.target.valueAsNumber } as Partial<Garment>)}
                />
              </td>
              <td className="w-[70px] pl-1 text-[11px] text-ink-3">{RANGE[f.key][2].replace(' at 100 Pa', '')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {Number.isFinite(damp) && <Dries garment={garment} dampGm2={damp} />}
      <div className="flex items-center gap-2 pt-1">
        <Button kind="strong" type="submit">
          Save
        </Button>
        <Button kind="quiet" onClick={onRemove}>
          Take out of the closet
        </Button>
        <span role="status" className="text-ink-2">
          {saved}
        </span>
      </div>
    </form>
  );
}

/** How long it takes to dry, place by place, on one scale of hours. */
function Dries({ garment, dampGm2 }: { garment: Garment; dampGm2: number }) {
  let places: ReturnType<typeof dryingPlaces>;
  try {
    places = dryingPlaces(garment, dampGm2);
  } catch {
    // A value half typed: the form says what is wrong with it when it is saved.
    return null;
  }
  const longest = Math.max(1, ...places.map((p) => p.hours).filter((h) => h < 48));
  return (
    <section aria-label="Drying">
      <h3 className="text-[12px] text-ink-3">
        Dry again {dampGm2 > 0 ? `from ${dampGm2.toFixed(0)} g/m²` : 'from wrung wet'}
      </h3>
      <ul className="mt-1 space-y-[3px]">
        {places.map(({ place, hours }) => (
          <li key={place} className="grid grid-cols-[112px_1fr_58px] items-center gap-2 text-[12px]">
            <span>{place}</span>
            <span className="h-[7px] bg-grid">
              <span
                className="block h-full bg-water"
                style={{ width: `${Math.min(100, (100 * hours) / longest).toFixed(1)}%` }}
              />
            </span>
            <span className="text-right whitespace-nowrap">{hoursText(hours)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const hoursText = (h: number): string =>
  !Number.isFinite(h) ? 'never' : h < 2 ? `${Math.round(h * 60)} min` : h < 48 ? `${h.toFixed(1)} h` : 'days';
