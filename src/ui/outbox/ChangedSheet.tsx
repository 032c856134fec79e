'use client';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import { outbox } from './browserOutbox';
import { differences } from './differences';
import type { Pending } from './outbox';

/** What two bodies say of a thing, without the one word that holds all of it. */
function inside(mine: Record<string, unknown>, theirs: Record<string, unknown>): [unknown, unknown] {
  const [only, more] = Object.keys(mine);
  return more === undefined ? [mine[only], theirs[only]] : [mine, theirs];
}

/** Differences that are told one by one. */
const MOST_TOLD = 12;

/** Two windows changed one thing: both are shown, and a person decides. */
export function ChangedSheet({ pending }: { pending: Pending }) {
  const { kept, now } = pending;
  const edit = kept.edits[kept.edits.length - 1];
  const all = differences(...inside(edit.value, now!.value));
  return (
    <Sheet open title={`${kept.says} was changed in another window.`} width={720}>
      <p className="mt-1 mb-3 text-ink-2">Nothing is overwritten until you decide. Neither is lost before that.</p>
      {all.length === 0 ? (
        <p>Both say the same.</p>
      ) : (
        <table className="w-full border-collapse text-left" aria-label="What differs">
          <thead>
            <tr className="border-b border-ink">
              <th className="py-1 pr-3">What</th>
              <th className="py-1 pr-3">Here</th>
              <th className="py-1">In the other window</th>
            </tr>
          </thead>
          <tbody>
            {all.slice(0, MOST_TOLD).map((d) => (
              <tr key={d.where} className="border-b border-grid-2 align-top">
                <th scope="row" className="py-1 pr-3 font-semibold">
                  {d.where}
                </th>
                <td className="py-1 pr-3 break-words">{d.mine}</td>
                <td className="py-1 break-words">{d.theirs}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {all.length > MOST_TOLD && <p className="mt-1 text-ink-2">and {all.length - MOST_TOLD} more</p>}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button kind="strong" onClick={() => void outbox().keepMine(kept.id)}>
          Store what is here
        </Button>
        <Button onClick={() => void outbox().letGo(kept.id)}>Take the other window’s</Button>
      </div>
    </Sheet>
  );
}
