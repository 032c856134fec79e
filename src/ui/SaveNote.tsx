'use client';
import type { SaveState } from './outbox/useOutbox';

const WORDS: Record<SaveState, string> = {
  opening: 'Opening…',
  saved: 'Saved',
  kept: 'Saving…',
  sending: 'Saving…',
  waiting: 'Kept here, not sent yet',
  refused: 'Not saved',
  changed: 'Changed in another window',
};

/** Where an edit is: stored, on its way, or kept on this machine. */
export function SaveNote({ state, onAgain }: { state: SaveState; onAgain: () => void }) {
  const bad = state === 'refused' || state === 'waiting' || state === 'changed';
  return (
    <span role="status" data-testid="save-state" className={bad ? 'font-semibold text-act' : 'text-ink-3'}>
      {WORDS[state]}
      {state === 'refused' && (
        <button className="ml-1 cursor-pointer underline" onClick={onAgain}>
          try again
        </button>
      )}
    </span>
  );
}
