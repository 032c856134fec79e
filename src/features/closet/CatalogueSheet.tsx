'use client';
import { Command } from 'cmdk';
import { useState } from 'react';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Garment, Group } from '@/core/clothing/garment';
import { grams, type Units } from '@/formats/measures';
import { ClothSwatch } from '@/ui/draw/ClothSwatch';
import { Sheet } from '@/ui/Sheet';
import { GROUP_WORDS, togs } from './garmentFigures';

/** Pieces of a generic kind to start from: those of the zone, or of any zone by name. */
export function CatalogueSheet({
  open,
  onOpen,
  group,
  units,
  onAdd,
}: {
  open: boolean;
  onOpen: (open: boolean) => void;
  group: Group;
  units: Units;
  onAdd: (g: Garment) => void;
}) {
  const [find, setFind] = useState('');
  const list = CATALOGUE.filter((g) => find.trim() !== '' || g.group === group);
  return (
    <Sheet open={open} onOpen={onOpen} title="From the catalogue">
      <Command label="Find a garment" className="mt-2">
        <Command.Input
          placeholder={`Find by name; showing ${GROUP_WORDS[group].toLowerCase()}`}
          className="w-full rounded-[3px] border border-grid-2 bg-sheet px-2 py-1.5"
          value={find}
          onValueChange={setFind}
        />
        <Command.List className="mt-2 max-h-[60vh] overflow-auto">
          <Command.Empty className="py-3 text-ink-2">
            No piece of that name. Add the nearest one and change its numbers.
          </Command.Empty>
          {list.map((g) => (
            <Command.Item
              key={g.id}
              value={`${g.name} ${GROUP_WORDS[g.group]} ${g.id}`}
              onSelect={() => {
                onAdd(g);
                setFind('');
                onOpen(false);
              }}
              className="flex cursor-pointer items-center gap-3 border-b border-grid py-1 data-[selected=true]:bg-worn"
            >
              <ClothSwatch {...g} />
              <span className="min-w-0 flex-1">
                <b className="font-semibold">{g.name}</b>
                <span className="block text-[12px] text-ink-3">
                  {GROUP_WORDS[g.group].toLowerCase()}, {g.fibre}, {grams(g.massG, units)}, {togs(g).toFixed(2)} tog
                </span>
              </span>
              <span className="pr-2 font-semibold">Add</span>
            </Command.Item>
          ))}
        </Command.List>
      </Command>
    </Sheet>
  );
}
