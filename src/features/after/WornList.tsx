'use client';
import type { Garment } from '@/core/clothing/garment';
import type { OutThere } from '@/core/underway/outThere';
import { Check } from '@/ui/Check';
import { Select } from '@/ui/Select';
import type { ToldHere } from './useTold';

/** What was worn and carried: what was left at home is unticked, what was worn beside the plan is added. */
export function WornList({
  out,
  garments,
  told,
}: {
  out: OutThere;
  garments: ReadonlyMap<string, Garment>;
  told: ToldHere;
}) {
  const along = [...out.plan.worn, ...out.plan.carried, ...out.notWith];
  const list = [...new Set(along)].flatMap((id) => garments.get(id) ?? []);
  const isCarried = (id: string) => out.plan.carried.includes(id);
  const beside = out.done
    .flatMap((c) => c.actions)
    .flatMap((a) => (a.do === 'putOn' && !along.includes(a.garment) ? [a.garment] : []));
  const others = [...garments.values()].filter((g) => !along.includes(g.id) && !beside.includes(g.id));
  // What one had on beside the plan was put on in the first second.
  const add = (id: string) =>
    void told.tell({
      told: { kind: 'did', actions: [{ do: 'putOn', garment: id }] },
      atMs: (out.startMs ?? 0) + 1000,
    });
  return (
    <details className="border-t border-grid-2 pt-2">
      <summary className="cursor-pointer font-semibold">What was really worn: {list.length} pieces of the plan</summary>
      <ul className="mt-1 columns-2 gap-3 text-[12.5px]">
        {list.map((g) => (
          <li key={g.id} className="break-inside-avoid py-0.5">
            <Check
              checked={!out.notWith.has(g.id)}
              onChange={(on) => void told.tell({ told: { kind: 'with', garment: g.id, along: on } })}
            >{`${g.name}${isCarried(g.id) ? ', in the pack' : ''}`}</Check>
          </li>
        ))}
      </ul>
      {beside.length > 0 && (
        <p className="mt-1 flex flex-wrap items-center gap-x-2 text-[12.5px]">
          Beside the plan: {beside.map((id) => garments.get(id)?.name ?? 'a piece').join(', ')}.
          <button
            type="button"
            className="cursor-pointer underline"
            onClick={() =>
              void told.untell((t) => t.kind === 'did' && t.actions.every((a) => beside.includes(a.garment)))
            }
          >
            Take that back
          </button>
        </p>
      )}
      {others.length > 0 && (
        <div className="mt-1.5 w-64">
          <Select
            label="Also worn from the start"
            value=""
            options={[
              { value: '', label: 'also worn from the start…' },
              ...others.map((g) => ({ value: g.id, label: g.name })),
            ]}
            onChange={(id) => id !== '' && add(id)}
          />
        </div>
      )}
    </details>
  );
}
