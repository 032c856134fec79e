'use client';
import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { Garment } from '@/core/clothing/garment';
import { act, leaveGarment, swapGarment, takeGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { clock } from '@/formats/dates';
import { grams, type Units } from '@/formats/measures';
import { GROUP_WORDS, togs } from '@/features/closet/garmentFigures';
import { Button } from '@/ui/Button';
import { ClothSwatch } from '@/ui/draw/ClothSwatch';
import { isWorn, settingAt } from '@/core/kit/replay';

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
        size="small"
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
              size="small"
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
      <Button kind="quiet" size="small" onClick={() => onChange(leaveGarment(plan, garment.id))}>
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
      onPick={(g) => onChange(takeGarment(plan, g.id, 'carried'))}
    />
  );
}

/** A list to choose a piece from, by typing or by keys. */
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
  /** the piece it would take the place of: its likes come first */
  near?: Garment;
}) {
  const [open, setOpen] = useState(false);
  const sorted = useMemo(
    () =>
      near
        ? [...list].sort((a, b) => Math.abs(a.order - near.order) - Math.abs(b.order - near.order) || togs(a) - togs(b))
        : list,
    [list, near],
  );
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button size="small">{label}</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          align="start"
          collisionPadding={12}
          className="z-20 w-[380px] max-w-[94vw] border-2 border-ink bg-paper"
        >
          <Command label="Find a garment">
            <div className="flex items-baseline justify-between gap-3 p-2">
              <b className="speak text-[16px]">{title}</b>
              <Command.Input
                placeholder="find"
                className="w-32 rounded-[3px] border border-grid-2 bg-sheet px-1.5 py-0.5"
              />
            </div>
            <Command.List className="max-h-[320px] overflow-auto px-2 pb-2">
              <Command.Empty className="py-2 text-ink-2">Nothing else in the closet for this.</Command.Empty>
              {sorted.map((g) => (
                <Command.Item
                  key={g.id}
                  value={`${g.name} ${GROUP_WORDS[g.group]} ${g.id}`}
                  onSelect={() => {
                    setOpen(false);
                    onPick(g);
                  }}
                  className="flex cursor-pointer items-center gap-2 border-b border-grid py-0.5 data-[selected=true]:bg-worn"
                >
                  <ClothSwatch {...g} width={54} />
                  <span className="flex-1 truncate">{g.name}</span>
                  <span className="text-[12px] text-ink-3">
                    {togs(g).toFixed(2)} tog, {grams(g.massG, units)}
                  </span>
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
