'use client';
import { useEffect, useRef } from 'react';
import { useStore } from 'zustand';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import { useRefresh } from '@/ui/useRefresh';
import { outbox, startOutbox } from './browserOutbox';
import { readDrafts } from './drafts';
import { differences } from './differences';
import type { Pending } from './outbox';

/** What stands in the way of edits, wherever they were made, and the way on. Starts the outbox of the window. */
export function OutboxSheets() {
  const pending = useStore(outbox().state, (s) => s.pending);
  useEffect(() => startOutbox(), []);
  useEffect(() => void readDrafts(), []);
  // What an earlier page left has just been stored: this one was made without it.
  const adopted = useStore(outbox().state, (s) => s.adoptedStored);
  const refresh = useRefresh();
  const seen = useRef(0);
  useEffect(() => {
    if (adopted === seen.current) return;
    seen.current = adopted;
    refresh();
  }, [adopted, refresh]);
  const changed = Object.values(pending).find((p) => p.place === 'changed');
  return changed ? <ChangedSheet pending={changed} /> : null;
}

/** What two bodies say of a thing, without the one word that holds all of it. */
function inside(mine: Record<string, unknown>, theirs: Record<string, unknown>): [unknown, unknown] {
  const [only, more] = Object.keys(mine);
  return more === undefined ? [mine[only], theirs[only]] : [mine, theirs];
}

/** Differences that are told one by one. */
const MOST_TOLD = 12;

/** Two windows changed one thing: both are shown, and a person decides. */
function ChangedSheet({ pending }: { pending: Pending }) {
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

/** How many things wait on this machine to be sent, on every screen; nothing while all is well. */
export function OutboxNote() {
  const pending = useStore(outbox().state, (s) => s.pending);
  const all = Object.values(pending);
  const waiting = all.filter((p) => p.place === 'waiting').length;
  const refused = all.filter((p) => p.place === 'refused');
  if (waiting === 0 && refused.length === 0) return null;
  return (
    <p role="status" data-testid="outbox" className="no-print mx-4 border-b border-grid-2 py-1 font-semibold text-act">
      {waiting > 0 && `Kept here, ${waiting} to send: the server is not reached. `}
      {waiting > 0 && (
        <button className="cursor-pointer underline" onClick={() => outbox().flush()}>
          Try now
        </button>
      )}
      {refused.map((p) => (
        <span key={p.kept.id} className="block">
          {p.kept.says} is not saved:{' '}
          {p.problems.map((x) => `${x.label ?? x.field} is ${x.value}, allowed: ${x.allowed}`).join('; ')}.{' '}
          <button className="cursor-pointer underline" onClick={() => outbox().again(p.kept.id)}>
            Try again
          </button>{' '}
          <button
            className="cursor-pointer underline"
            onClick={() =>
              void outbox()
                .letGo(p.kept.id)
                .then(() => window.location.reload())
            }
          >
            Let it go
          </button>
        </span>
      ))}
    </p>
  );
}
