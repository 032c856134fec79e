import { create } from 'zustand';

/** A word about what was done, with a way back. */
export interface Toasted {
  id: number;
  says: string;
  /** how to take it back */
  undo?: () => void;
}

interface Toasts {
  list: Toasted[];
  say: (says: string, undo?: () => void) => void;
  drop: (id: number) => void;
}

let next = 1;

export const useToasts = create<Toasts>((set) => ({
  list: [],
  say: (says, undo) => set((s) => ({ list: [...s.list, { id: next++, says, undo }] })),
  drop: (id) => set((s) => ({ list: s.list.filter((t) => t.id !== id) })),
}));
