'use client';
import { Popover } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { Garment } from '@/core/clothing/garment';
import { act, isWorn, leaveGarment, settingAt, swapGarment, takeGarment } from '@/core/plan/edit';
import type { Plan } from '@/core/simulate/plan';
import { clock, grams, type Units } from '@/formats/words';
import { GROUP_WORDS, togs } from '@/features/closet/figures';
import { Button } from '@/ui/Button';
import { ClothSwatch } from '@/ui/ClothSwatch';

interface Props {
  garment: Garment;
  plan: Plan;
  closet: Garment[];
  cursorS: number;
  units: Units;
  onChange: (p: Plan) => void;
}

/** What can be done with the selected garment at the cursor: on or off, each opening, swapped, left at home. */
export function GarmentBar({ garment, plan, closet, cursorS, units, onChange }: Props) {
  const worn = isWorn(plan, garment.id, cursorS);
  const at = cursorS < 60 ? 'from the start' : `at ${clock(cursorS)}`;
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
      <b className="font-semibold">{garment.name}</b>
      <span className="text-ink-3">
        {grams(garment.massG, units)}, {at}:
      </span>
      <Button
        className="px-2 py-0.5"
        onClick={() => onChange(act(plan, { do: worn ? 'takeOff' : 'putOn', garment: garment.id }, cursorS))}
      >
        {worn ? 'Into the pack' : 'Put on'} <kbd>P</kbd>
      </Button>
      {worn &&
        garment.openings.map((o, i) => {
          const setting = settingAt(plan, garment, o.id, cursorS);
          const next = setting > 0.5 ? 0 : 1;
          const said = next === 1 ? o.openWord : o.closeWord;
          return (
            <Button
              key={o.id}
              className="px-2 py-0.5"
              onClick={() =>
                onChange(act(plan, { do: 'set', garment: garment.id, opening: o.id, setting: next }, cursorS))
              }
            >
              {said[0].toUpperCase() + said.slice(1)}
              {i === 0 && <kbd>V</kbd>}
            </Button>
          );
        })}
      <Pick
        label="Swap for…"
        title={`Instead of ${garment.name.toLowerCase()}`}
        list={closet.filter(
          (g) =>
            g.group === garment.group &&
            g.id !== garment.id &&
            !plan.worn.includes(g.id) &&
            !plan.carried.includes(g.id),
        )}
        units={units}
        onPick={(g) => onChange(swapGarment(plan, garment.id, g))}
        near={garment}
      />
      <Button kind="quiet" className="px-2 py-0.5" onClick={() => onChange(leaveGarment(plan, garment.id))}>
        Leave at home
      </Button>
    </div>
  );
}

/** Takes one more piece along. */
export function TakeMore({ plan, closet, units, onChange }: Omit<Props, 'garment' | 'cursorS'>) {
  const list = closet.filter((g) => !plan.worn.includes(g.id) && !plan.carried.includes(g.id));
  return (
    <Pick
      label="Take another piece…"
      title="Into the pack"
      list={list}
      units={units}
      onPick={(g) => onChange(takeGarment(plan, g.id, false))}
    />
  );
}

function Pick({
  label,
  title,
  list,
  units,
  onPick,
  near,
}: {
  label: string;
  title: string;
  list: Garment[];
  units: Units;
  onPick: (g: Garment) => void;
  near?: Garment;
}) {
  const [find, setFind] = useState('');
  const shown = useMemo(() => {
    const text = find.toLowerCase();
    const matching = list.filter((g) => `${g.name} ${GROUP_WORDS[g.group]}`.toLowerCase().includes(text));
    return near
      ? [...matching].sort(
          (a, b) => Math.abs(a.order - near.order) - Math.abs(b.order - near.order) || togs(a) - togs(b),
        )
      : matching;
  }, [list, find, near]);
  return (
    <Popover.Root onOpenChange={() => setFind('')}>
      <Popover.Trigger asChild>
        <Button className="px-2 py-0.5">{label}</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          align="start"
          collisionPadding={12}
          className="z-20 max-h-[360px] w-[360px] overflow-auto border-2 border-ink bg-paper p-2"
        >
          <div className="flex items-baseline justify-between gap-3">
            <b className="speak text-[16px]">{title}</b>
            <input
              aria-label="Find a garment"
              placeholder="find"
              className="w-28 rounded-[3px] border border-grid-2 bg-sheet px-1.5 py-0.5"
              value={find}
              onChange={(e) => setFind(e.target.value)}
            />
          </div>
          <ul className="mt-1">
            {shown.map((g) => (
              <li key={g.id}>
                <Popover.Close asChild>
                  <button
                    className="flex w-full cursor-pointer items-center gap-2 border-b border-grid py-0.5 text-left hover:bg-worn"
                    onClick={() => onPick(g)}
                  >
                    <ClothSwatch {...g} width={54} />
                    <span className="flex-1 truncate">{g.name}</span>
                    <span className="text-[12px] text-ink-3">
                      {togs(g).toFixed(2)} tog, {grams(g.massG, units)}
                    </span>
                  </button>
                </Popover.Close>
              </li>
            ))}
            {shown.length === 0 && <li className="py-2 text-ink-2">Nothing else in the closet for this.</li>}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
