'use client';
import { useState } from 'react';
import { PERSON_RANGE } from '@/core/body/person';
import { weighedLossG } from '@/core/calibrate/bodyLoss';
import type { OutThere } from '@/core/underway/outThere';
import { minus, type Units } from '@/formats/measures';
import { turnOf } from '@/formats/turns';
import { NumberCell } from '@/ui/NumberCell';
import type { ToldHere } from './useTold';

const EMPTY = { beforeKg: null, afterKg: null, drankL: null, ateKg: null, passedL: null };
type Half = Record<keyof typeof EMPTY, number | null>;

/** The body on the scale. It counts once both weights stand; what is not filled in beside them is nothing. */
export function BodyOnScale({ out, told, units }: { out: OutThere; told: ToldHere; units: Units }) {
  const [half, setHalf] = useState<Half>(out.body ?? EMPTY);
  const kg = turnOf('kg', units);
  const litre = turnOf('L', units);
  const rows: [keyof Half, string, typeof kg, readonly [number, number]][] = [
    ['beforeKg', 'before', kg, [PERSON_RANGE.massKg[0], PERSON_RANGE.massKg[1]]],
    ['afterKg', 'after', kg, [PERSON_RANGE.massKg[0], PERSON_RANGE.massKg[1]]],
    ['drankL', 'drunk', litre, [0, 30]],
    ['ateKg', 'eaten', kg, [0, 15]],
    ['passedL', 'passed', litre, [0, 15]],
  ];
  const take = (key: keyof Half, value: number | null) => {
    const next = { ...half, [key]: value };
    setHalf(next);
    const { beforeKg, afterKg, drankL, ateKg, passedL } = next;
    if (beforeKg === null || afterKg === null) {
      if (out.body) void told.untell((t) => t.kind === 'body');
      return;
    }
    void told.tell({
      told: {
        kind: 'body',
        weights: { beforeKg, afterKg, drankL: drankL ?? 0, ateKg: ateKg ?? 0, passedL: passedL ?? 0 },
      },
    });
  };
  const lost = out.body ? weighedLossG(out.body) / 1000 : null;
  return (
    <div role="group" aria-label="Your body on the scale" className="border-t border-grid-2 pt-2">
      <h3 className="flex items-baseline justify-between font-semibold">
        You on the scale
        {lost !== null && (
          <span className={`text-[12px] font-normal ${lost < 0 ? 'text-act' : 'text-ink-2'}`}>
            {lost < 0
              ? 'you cannot have gained: look again'
              : `lost ${minus(kg.show(lost), 2)} ${kg.unit}: sweat, breath and what burns`}
          </span>
        )}
      </h3>
      <div className="mt-1 flex flex-wrap gap-x-2 gap-y-1">
        {rows.map(([key, label, turn, [low, high]]) => (
          <label key={key} className="text-[12px] text-ink-2">
            {label}, {turn.unit}
            <span className="block">
              <NumberCell
                rule={{
                  label: `${label}, ${turn.unit}`,
                  low: turn.show(low),
                  high: turn.show(high),
                  unit: turn.unit,
                  optional: true,
                }}
                value={half[key] === null ? null : Number(turn.show(half[key]).toFixed(2))}
                width="w-[4.4em]"
                onTake={(v) => take(key, v === null ? null : turn.keep(v))}
              />
            </span>
          </label>
        ))}
      </div>
    </div>
  );
}
