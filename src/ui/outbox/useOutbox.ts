'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { outbox as browserOutbox } from './browserOutbox';
import { pendingOf, type Outbox, type Place } from './outbox';

/** 'opening': what windows that are gone have left is still being looked for */
export type SaveState = 'opening' | 'saved' | Place;

interface Told<T> {
  thing: string;
  /** what the outbox was last given, or what is stored */
  value: T;
  version: number;
}

/**
 * Stores whatever is edited by itself, through the one outbox of the window.
 * @param value null: not to be stored as it stands @param stored what the server sent with the page, at `version`
 * @param wrap the value as the body of the request takes it; `unwrap` the way back
 * @param onTaken what now stands there instead: an edit kept from before, or what another window stored
 */
export function useOutbox<T>({
  thing,
  says,
  path,
  value,
  stored,
  version,
  wrap,
  unwrap,
  same = Object.is,
  onStored,
  onTaken,
  outbox = browserOutbox(),
}: {
  thing: string;
  says: string;
  path: string;
  value: T | null;
  stored: T;
  version: number;
  wrap: (value: T) => Record<string, unknown>;
  unwrap: (body: Record<string, unknown>) => T;
  same?: (a: T, b: T) => boolean;
  onStored: (value: T, version: number) => void;
  onTaken: (value: T) => void;
  outbox?: Outbox;
}) {
  const pending = useStore(outbox.state, (s) => pendingOf(s, thing));
  const ready = useStore(outbox.state, (s) => s.ready);
  const told = useRef<Told<T>>({ thing, value: stored, version });
  /** what this page gave to the outbox: other edits of the thing are those of windows that are gone */
  const [own] = useState(() => new WeakSet<object>());
  const latest = useRef({ says, path, wrap, unwrap, onStored, onTaken });
  useEffect(() => {
    latest.current = { says, path, wrap, unwrap, onStored, onTaken };
  });

  useEffect(() => {
    if (told.current.thing !== thing) told.current = { thing, value: stored, version };
    const take = (body: Record<string, unknown>, at: number) => {
      const taken = latest.current.unwrap(body);
      told.current = { thing, value: taken, version: at };
      latest.current.onTaken(taken);
    };
    // A page that comes back by the browser's own memory shows what was there when it was left.
    const known = outbox.known(thing);
    if (known && known.version > told.current.version) take(known.value, known.version);
    const left = pendingOf(outbox.state.getState(), thing);
    // One that was made from an older version than the page shows is for the server to judge: it may be stored long since.
    if (left && left.kept.version >= told.current.version)
      take(left.kept.edits[left.kept.edits.length - 1].value, left.kept.version);
    return outbox.listen(thing, {
      stored: (body, at) => {
        // An answer that is told again may be older than what the page shows.
        if (at <= told.current.version) return;
        // What a window that is gone had left is stored now; what was edited here since goes after it and stays on the page.
        const next = pendingOf(outbox.state.getState(), thing)?.kept.edits.at(-1);
        if (!own.has(body) && !(next && own.has(next.value))) take(body, at);
        told.current.version = at;
        latest.current.onStored(latest.current.unwrap(body), at);
      },
      theirs: (now) => take(now.value, now.version),
    });
    // `ready`: edits of windows that are gone have come in.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [thing, ready, outbox]);

  useEffect(() => {
    const { current } = told;
    if (value === null || current.thing !== thing || same(value, current.value)) return;
    current.value = value;
    const { says, path, wrap } = latest.current;
    const body = wrap(value);
    own.add(body);
    void outbox.edit({ thing, says, path, version: current.version, value: body });
  }, [thing, value, same, outbox, own]);

  return {
    state: (pending?.place ?? (ready ? 'saved' : 'opening')) as SaveState,
    problems: pending?.place === 'refused' ? pending.problems : [],
    /** sends at once */
    saveNow: useCallback(() => outbox.flush('stays', thing), [outbox, thing]),
  };
}
