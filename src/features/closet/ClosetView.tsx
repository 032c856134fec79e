'use client';
import dynamic from 'next/dynamic';
import { useMutation } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { GarmentsLearned } from '@/core/calibrate/garments';
import { GROUPS, type Garment, type Group } from '@/core/clothing/garment';
import type { Units } from '@/formats/measures';
import { Header } from '@/features/shell/Header';
import type { OwnedGarment } from '@/store/closet';
import type { Rack } from '@/store/rack';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { useDrafts } from '@/ui/outbox/drafts';
import { Problems } from '@/ui/Problems';
import { useToasts } from '@/ui/toasts';
import { useRefresh } from '@/ui/useRefresh';
import { GROUP_WORDS } from './garmentFigures';
import { draftOf, GarmentEditor } from './GarmentEditor';
import { GarmentTable } from './GarmentTable';
import { RackPanel } from './RackPanel';

// Everything there is comes when it is asked for.
const CatalogueSheet = dynamic(() => import('./CatalogueSheet').then((m) => m.CatalogueSheet), { ssr: false });

/** The closet: zone by zone, skin out, with what matters drawn and measured. */
export function ClosetView({
  owned,
  rack,
  taught,
  units,
}: {
  owned: OwnedGarment[];
  rack: Rack;
  /** what outings taught of pieces */
  taught: GarmentsLearned;
  units: Units;
}) {
  const refresh = useRefresh();
  const [group, setGroup] = useState<Group>('torso');
  const [chosen, setChosen] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const say = useToasts((t) => t.say);
  const drafts = useDrafts();
  const here = useMemo(() => owned.filter((o) => o.garment.group === group), [owned, group]);
  // Chosen by itself and by nothing else: sorting, renaming and adding never move the editor to another piece.
  const selected = owned.find((o) => o.garment.id === chosen) ?? here[0];
  // The piece shown first is chosen like any other: a new name may not hand the editor to its neighbour in the list.
  if (selected && selected.garment.id !== chosen) setChosen(selected.garment.id);
  const damp = owned.filter((o) => o.dampGm2 > 0);
  const edited = owned.filter((o) => drafts.byName[draftOf(o.garment.id)]);

  const move = useMutation({
    mutationFn: ({ id, removed }: { id: string; removed: boolean }) =>
      request('PATCH', `/api/garments/${id}`, { removed }),
    onSuccess: () => refresh(),
  });
  const add = useMutation({
    mutationFn: (g: Garment) => request<{ id: string }>('POST', '/api/garments', { catalogueId: g.id }),
    onSuccess: ({ id }, g) => {
      setGroup(g.group);
      setChosen(id);
      say(`${g.name} is in the closet.`, () => move.mutate({ id, removed: true }));
      refresh();
    },
  });
  const copy = useMutation({
    mutationFn: (o: OwnedGarment) => request<{ id: string }>('POST', '/api/garments', { copyOf: o.garment.id }),
    onSuccess: ({ id }) => {
      setChosen(id);
      refresh();
    },
  });
  const takeOut = (o: OwnedGarment) =>
    move.mutate(
      { id: o.garment.id, removed: true },
      {
        onSuccess: () => {
          drafts.drop(draftOf(o.garment.id));
          say(`${o.garment.name} is out of the closet.`, () => move.mutate({ id: o.garment.id, removed: false }));
        },
      },
    );
  const error = move.error ?? add.error ?? copy.error;

  return (
    <>
      <Header
        screen="closet"
        right={
          <Button kind="strong" onClick={() => setAdding(true)}>
            <Plus size={15} aria-hidden="true" /> Add from the catalogue
          </Button>
        }
      />
      <main className="mx-4 pt-4">
        <h1 className="speak text-[26px] leading-tight font-semibold">
          {owned.length === 0
            ? 'The closet is empty. Add what you own from the catalogue, then put your own numbers in.'
            : `${owned.length} pieces${damp.length === 0 ? ', all dry.' : `, ${damp.length} still damp.`}`}
        </h1>
        {edited.length > 0 && (
          <p className="mt-1 text-ink-2">
            Not saved yet:{' '}
            {edited.map((o, i) => (
              <span key={o.garment.id}>
                {i > 0 && ', '}
                <button
                  className="cursor-pointer font-semibold underline"
                  onClick={() => {
                    setGroup(o.garment.group);
                    setChosen(o.garment.id);
                  }}
                >
                  {o.garment.name}
                </button>
              </span>
            ))}
          </p>
        )}
        {error && <Problems problems={problemsOf(error)} title="Not done." />}
        <RackPanel rack={rack} units={units} />
        <div className="mt-3 grid grid-cols-[120px_minmax(0,1fr)_320px] gap-6 max-[1000px]:grid-cols-1 max-[1000px]:gap-3">
          <nav
            aria-label="Zones"
            className="flex flex-col max-[1000px]:-order-2 max-[1000px]:flex-row max-[1000px]:flex-wrap"
          >
            {GROUPS.map((g) => {
              const n = owned.filter((o) => o.garment.group === g);
              const wet = n.filter((o) => o.dampGm2 > 0).length;
              return (
                <button
                  key={g}
                  aria-current={g === group}
                  onClick={() => {
                    setGroup(g);
                    setChosen(null);
                  }}
                  className={`cursor-pointer border-l-[3px] px-3 py-2 text-left ${g === group ? 'border-ink bg-worn font-semibold' : 'border-transparent text-ink-2 hover:text-ink'}`}
                >
                  <span className="flex justify-between gap-2">
                    {GROUP_WORDS[g]} <span>{n.length}</span>
                  </span>
                  {wet > 0 && <span className="block text-[12px] font-normal text-water">{wet} damp</span>}
                </button>
              );
            })}
          </nav>
          <div className="relative min-w-0 overflow-x-auto" tabIndex={0} role="region" aria-label="Pieces of this zone">
            <GarmentTable
              owned={here}
              taught={taught}
              edited={new Set(edited.map((o) => o.garment.id))}
              chosen={selected?.garment.id ?? null}
              onChoose={setChosen}
              units={units}
            />
          </div>
          <aside
            aria-label="The chosen piece"
            className="min-w-0 border-l border-grid-2 pl-5 max-[1000px]:-order-1 max-[1000px]:border-b max-[1000px]:border-l-0 max-[1000px]:pb-3 max-[1000px]:pl-0"
          >
            {selected ? (
              <GarmentEditor
                key={selected.garment.id}
                owned={selected}
                units={units}
                onStored={() => refresh()}
                onTakeOut={() => takeOut(selected)}
                onCopy={() => copy.mutate(selected)}
              />
            ) : (
              <p className="text-ink-2">Nothing for this zone yet. Add what you own from the catalogue.</p>
            )}
          </aside>
        </div>
      </main>
      {adding && <CatalogueSheet open onOpen={setAdding} group={group} units={units} onAdd={(g) => add.mutate(g)} />}
    </>
  );
}
