'use client';
import { useEffect, useRef } from 'react';
import { useStore } from 'zustand';
import dynamic from 'next/dynamic';
import { useRefresh } from '@/ui/useRefresh';
import { outbox, startOutbox } from './browserOutbox';
import { readDrafts } from './drafts';

// Two windows seldom change one thing: what is then shown comes when it is needed.
const ChangedSheet = dynamic(() => import('./ChangedSheet').then((m) => m.ChangedSheet), { ssr: false });

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
