import { temporal, type TemporalState } from 'zundo';
import { createStore, useStore, type StoreApi } from 'zustand';

/** Something that is edited by hand, with every step to go back to. */
export interface Edited<T> {
  /** as it stands */
  value: T;
  /** as it would be while something is dragged; null at rest */
  live: T | null;
  /** one step more, to be undone */
  commit: (next: T) => void;
  /** shows what would be, without a step; null ends it */
  preview: (next: T | null) => void;
  /** another thing altogether: nothing to undo */
  replace: (next: T) => void;
}

type Kept<T> = Pick<Edited<T>, 'value'>;
export type EditedStore<T> = StoreApi<Edited<T>> & { temporal: StoreApi<TemporalState<Kept<T>>> };

/** Steps that are kept: more than anybody goes back. */
const MOST_STEPS = 500;

export function createEdited<T>(first: T): EditedStore<T> {
  const store = createStore<Edited<T>>()(
    temporal(
      (set) => ({
        value: first,
        live: null,
        commit: (value) => set({ value, live: null }),
        preview: (live) => set({ live }),
        replace: (value) => {
          store.temporal.getState().pause();
          set({ value, live: null });
          store.temporal.getState().clear();
          store.temporal.getState().resume();
        },
      }),
      {
        partialize: (s): Kept<T> => ({ value: s.value }),
        equality: (a, b) => a.value === b.value,
        limit: MOST_STEPS,
      },
    ),
  ) as EditedStore<T>;
  return store;
}

/** What a page needs of it. */
export function useEdited<T>(store: EditedStore<T>) {
  const { value, live, commit, preview, replace } = useStore(store);
  const steps = useStore(store.temporal, (s) => s.pastStates.length);
  const undone = useStore(store.temporal, (s) => s.futureStates.length);
  const { undo, redo } = store.temporal.getState();
  return {
    value,
    /** what is to be shown: the one being dragged, else the one at rest */
    shown: live ?? value,
    dragging: live !== null,
    commit,
    preview,
    replace,
    undo: () => undo(),
    redo: () => redo(),
    canUndo: steps > 0,
    canRedo: undone > 0,
  };
}
