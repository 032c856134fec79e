'use client';
import { SAVE_WORDS, type SaveState } from './autosave';

/** Where an edit is: stored, on its way, or kept here. */
export function SaveNote({ state, onAgain }: { state: SaveState; onAgain: () => void }) {
  const bad = state === 'failed' || state === 'waiting';
  return (
    <span role="status" data-testid="save-state" className={bad ? 'font-semibold text-act' : 'text-ink-3'}>
      {SAVE_WORDS[state]}
      {state === 'failed' && (
        <button className="ml-1 cursor-pointer underline" onClick={onAgain}>
          try again
        </button>
      )}
    </span>
  );
}
