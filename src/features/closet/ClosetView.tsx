'use client';
import { Dialog } from 'radix-ui';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { GROUPS, type Garment, type Group } from '@/core/clothing/garment';
import { grams, minus, type Units } from '@/formats/words';
import type { Problem } from '@/formats/problem';
import type { OwnedGarment } from '@/store/closet';
import { Header } from '@/features/shell/Header';
import { Button } from '@/ui/Button';
import { ClothSwatch } from '@/ui/ClothSwatch';
import { Problems } from '@/ui/Problems';
import { send } from '@/ui/send';
import { breathes, driesHours, GROUP_WORDS, holds, ROLE_WORDS, togs, windThrough } from './figures';
import { GarmentEditor } from './GarmentEditor';

/** The closet: zone by zone, skin out, with what matters drawn and measured. */
export function ClosetView({ owned, units }: { owned: OwnedGarment[]; units: Units }) {
  const router = useRouter();
  const [group, setGroup] = useState<Group>('torso');
  const [chosen, setChosen] = useState<string | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [removed, setRemoved] = useState<{ id: string; name: string } | null>(null);
  const [adding, setAdding] = useState(false);
  const here = useMemo(() => owned.filter((o) => o.garment.group === group), [owned, group]);
  const selected = here.find((o) => o.garment.id === chosen) ?? here[0];
  const damp = owned.filter((o) => o.dampGm2 > 0);

  async function change(path: string, body: unknown, method: 'PUT' | 'POST' = 'PUT'): Promise<Problem[]> {
    const sent = await send<{ id?: string }>(method, path, body);
    if (sent.ok) {
      router.refresh();
      if (sent.value.id) setChosen(sent.value.id);
    }
    return sent.ok ? [] : sent.problems;
  }

  return (
    <>
      <Header
        screen="closet"
        right={
          <Button kind="strong" onClick={() => setAdding(true)}>
            Add from the catalogue
          </Button>
        }
      />
      <main className="mx-4 pt-4">
        <h1 className="speak text-[26px] leading-tight font-semibold">
          {owned.length === 0
            ? 'The closet is empty. Add what you own from the catalogue, then put your own numbers in.'
            : `${owned.length} pieces${damp.length === 0 ? ', all dry.' : `, ${damp.length} still damp.`}`}
        </h1>
        <div className="mt-1 min-h-6">
          {removed && (
            <p role="status">
              {removed.name} is out of the closet.{' '}
              <button
                className="cursor-pointer font-semibold text-act underline"
                onClick={async () => {
                  setProblems(await change(`/api/garments/${removed.id}`, { removed: false }));
                  setRemoved(null);
                }}
              >
                Undo
              </button>
            </p>
          )}
          <Problems problems={problems} title="Not done." />
        </div>
        <div className="mt-2 grid grid-cols-[120px_minmax(0,1fr)_300px] gap-6 max-[1000px]:grid-cols-1">
          <nav aria-label="Zones" className="flex flex-col max-[1000px]:flex-row max-[1000px]:flex-wrap">
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
                  <span className="flex justify-between">
                    {GROUP_WORDS[g]} <span>{n.length}</span>
                  </span>
                  {wet > 0 && <span className="block text-[12px] font-normal text-water">{wet} damp</span>}
                </button>
              );
            })}
          </nav>
          <GarmentTable owned={here} chosen={selected?.garment.id ?? null} onChoose={setChosen} units={units} />
          <aside className="border-l border-grid-2 pl-5 max-[1000px]:border-l-0 max-[1000px]:pl-0">
            {selected ? (
              <GarmentEditor
                key={`${selected.garment.id} ${selected.dampGm2}`}
                owned={selected}
                onSave={(garment, dampGm2) => change(`/api/garments/${selected.garment.id}`, { garment, dampGm2 })}
                onRemove={async () => {
                  const found = await change(`/api/garments/${selected.garment.id}`, { removed: true });
                  setProblems(found);
                  if (found.length === 0) setRemoved({ id: selected.garment.id, name: selected.garment.name });
                }}
              />
            ) : (
              <p className="text-ink-2">Nothing for this zone yet.</p>
            )}
          </aside>
        </div>
      </main>
      <Catalogue
        open={adding}
        onOpen={setAdding}
        group={group}
        onAdd={async (g) => {
          setGroup(g.group);
          setProblems(await change('/api/garments', { catalogueId: g.id }, 'POST'));
        }}
      />
    </>
  );
}

const head = 'pb-1 align-bottom text-[12px] font-medium leading-tight text-ink-3';

function GarmentTable({
  owned,
  chosen,
  onChoose,
  units,
}: {
  owned: OwnedGarment[];
  chosen: string | null;
  onChoose: (id: string) => void;
  units: Units;
}) {
  const most = Math.max(4, ...owned.map((o) => togs(o.garment)));
  let role = '';
  return (
    <table className="w-full border-collapse self-start">
      <thead>
        <tr className="border-b-2 border-ink text-left">
          <th className={head}>Section, skin below</th>
          <th className={head}>Piece</th>
          <th className={`${head} w-[92px]`}>
            Warmth
            <br />
            tog
          </th>
          <th className={`${head} text-right`} title="Vapour it lets through at a difference of 2 kPa">
            Breathes
            <br />
            g/m²h
          </th>
          <th className={`${head} text-right`} title="Against open mesh">
            Wind gets
            <br />
            through
          </th>
          <th className={`${head} text-right`}>
            Holds
            <br />
            water
          </th>
          <th className={`${head} text-right`} title="on a line indoors, from wrung wet">
            Dries
            <br />
            in, h
          </th>
          <th className={`${head} text-right`}>Mass</th>
          <th className={`${head} pl-4`}>Now</th>
        </tr>
      </thead>
      <tbody>
        {owned.map(({ garment: g, dampGm2 }) => {
          const first = ROLE_WORDS[g.role] !== role;
          role = ROLE_WORDS[g.role];
          const on = g.id === chosen;
          return (
            <tr
              key={g.id}
              onClick={() => onChoose(g.id)}
              className={`cursor-pointer border-b border-grid align-middle ${on ? 'bg-worn' : 'hover:bg-sheet'}`}
            >
              <td className="py-[5px] pr-3 pl-1">
                <ClothSwatch {...g} />
              </td>
              <td className="max-w-[220px]">
                {first && <span className="block text-[11px] text-ink-3">{role}</span>}
                <button
                  className={`block max-w-full cursor-pointer truncate text-left ${on ? 'font-semibold' : 'font-medium'}`}
                  title={g.name}
                  onClick={() => onChoose(g.id)}
                >
                  {g.name}
                </button>
              </td>
              <td>
                <span className="flex items-center gap-1.5">
                  <span className="w-8 text-right">{togs(g).toFixed(2)}</span>
                  <span
                    className="h-[7px] border border-ink/40"
                    style={{ width: Math.max(2, (46 * togs(g)) / most), background: 'var(--color-heat-2)' }}
                  />
                </span>
              </td>
              <td className="text-right">{breathes(g).toFixed(0)}</td>
              <td className="text-right">{(100 * windThrough(g)).toFixed(windThrough(g) < 0.01 ? 1 : 0)} %</td>
              <td className="text-right">{grams(holds(g), units)}</td>
              <td className="text-right">{driesHours(g) < 100 ? driesHours(g).toFixed(1) : '–'}</td>
              <td className="text-right">{grams(g.massG, units)}</td>
              <td className={`pl-4 ${dampGm2 > 0 ? 'font-semibold text-water' : 'text-ink-3'}`}>
                {dampGm2 > 0 ? `damp, ${minus(dampGm2, 0)} g/m²` : 'dry'}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Catalogue({
  open,
  onOpen,
  group,
  onAdd,
}: {
  open: boolean;
  onOpen: (o: boolean) => void;
  group: Group;
  onAdd: (g: Garment) => void;
}) {
  const [find, setFind] = useState('');
  const list = CATALOGUE.filter((g) => (find ? g.name.toLowerCase().includes(find.toLowerCase()) : g.group === group));
  return (
    <Dialog.Root open={open} onOpenChange={onOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/35" />
        <Dialog.Content
          className="fixed top-[8vh] left-1/2 max-h-[80vh] w-[560px] max-w-[94vw] -translate-x-1/2 overflow-auto border-2 border-ink bg-paper p-5"
          aria-describedby={undefined}
        >
          <Dialog.Title className="speak text-[22px] font-semibold">From the catalogue</Dialog.Title>
          <input
            aria-label="Find a garment"
            placeholder={`Find by name; showing ${GROUP_WORDS[group].toLowerCase()}`}
            className="mt-2 w-full rounded-[3px] border border-grid-2 bg-sheet px-2 py-1.5"
            value={find}
            onChange={(e) => setFind(e.target.value)}
          />
          <ul className="mt-3">
            {list.map((g) => (
              <li key={g.id} className="flex items-center gap-3 border-b border-grid py-1">
                <ClothSwatch {...g} />
                <span className="flex-1">
                  <b className="font-semibold">{g.name}</b>
                  <span className="block text-[12px] text-ink-3">
                    {g.fibre}, {g.massG} g, {togs(g).toFixed(2)} tog
                  </span>
                </span>
                <Dialog.Close asChild>
                  <Button onClick={() => onAdd(g)} aria-label={`Add ${g.name}`}>
                    Add
                  </Button>
                </Dialog.Close>
              </li>
            ))}
            {list.length === 0 && (
              <li className="py-3 text-ink-2">No piece of that name. Add the nearest one and change its numbers.</li>
            )}
          </ul>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
