'use client';
import { useMutation } from '@tanstack/react-query';
import { useCallback, useEffect, useRef } from 'react';
import { NotDone } from './api';

export type SaveState = 'saved' | 'saving' | 'unsaved' | 'failed' | 'waiting';

/** An edit rests this long before it is sent, ms: a drag is one edit, not fifty. */
const REST_MS = 400;
const MOST_TRIES = 4;

interface Sent<T> {
  value: T;
  /** a page that goes leaves the sending to the browser */
  page: 'stays' | 'goes';
}

/**
 * Stores whatever is edited by itself: a moment after each edit, one request at a time, again after a failure that may pass,
 * and at once when the page is left. What the server refuses is said and not sent again until it is edited or asked for.
 * @param id of what is stored: edits of one thing follow each other @param value null: nothing to store
 * @param stored the value that is known to be stored @param save sends it; leaving: in a way that outlives the page
 */
export function useAutosave<T, R>({
  id,
  value,
  stored,
  save,
  onStored,
}: {
  id: string;
  value: T | null;
  stored: T | null;
  save: (value: T, also: RequestInit) => Promise<R>;
  onStored: (value: T, answer: R) => void;
}) {
  const mutation = useMutation({
    mutationKey: ['save', id],
    scope: { id },
    mutationFn: ({ value, page }: Sent<T>) => save(value, { keepalive: page === 'goes' }),
    retry: (tries, e) => tries < MOST_TRIES && e instanceof NotDone && e.mayPass,
    retryDelay: (tries) => Math.min(8000, 500 * 2 ** tries),
    onSuccess: (answer, { value }) => onStored(value, answer),
  });
  const dirty = value !== null && value !== stored;
  const { mutate, isPending, isPaused, isError, variables, error } = mutation;
  const sending = isPending ? variables?.value : undefined;
  const refused = isError ? variables?.value : undefined;

  const latest = useRef({ dirty, value, sending, refused, mutate });
  useEffect(() => {
    latest.current = { dirty, value, sending, refused, mutate };
  });

  /** Sends what is not stored yet, at once. */
  const flush = useCallback((page: Sent<T>['page']) => {
    const { dirty, value, sending, mutate } = latest.current;
    if (dirty && value !== null && value !== sending) mutate({ value, page });
  }, []);

  useEffect(() => {
    if (!dirty || isPending || value === refused) return;
    const timer = setTimeout(() => flush('stays'), REST_MS);
    return () => clearTimeout(timer);
  }, [dirty, isPending, value, refused, flush]);

  // Leaving the page, by a link or for good, loses nothing: what waits is sent, and a refused edit asks first.
  useEffect(() => {
    const hide = () => flush('goes');
    const warn = (e: BeforeUnloadEvent) =>
      latest.current.dirty && latest.current.refused !== undefined && e.preventDefault();
    window.addEventListener('pagehide', hide);
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('pagehide', hide);
      window.removeEventListener('beforeunload', warn);
      flush('goes');
    };
  }, [flush]);

  const state: SaveState = isPaused
    ? 'waiting'
    : dirty && value === refused
      ? 'failed'
      : isPending
        ? 'saving'
        : dirty
          ? 'unsaved'
          : 'saved';
  return { state, error: isError ? error : null, flush: () => flush('stays') };
}

export const SAVE_WORDS: Record<SaveState, string> = {
  saved: 'Saved',
  saving: 'Saving…',
  unsaved: 'Saving…',
  failed: 'Not saved',
  waiting: 'Not saved: no network. Kept here and sent when it is back',
};
