import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import type { Garment } from '@/core/clothing/garment';

/** A piece as it is being edited: what differs from it in the closet is not stored yet. */
export interface Draft {
  garment: Garment;
  dampGm2: number;
}

interface Drafts {
  byId: Record<string, Draft>;
  keep: (id: string, draft: Draft) => void;
  drop: (id: string) => void;
}

/** Edits of pieces that are not stored yet, by piece: choosing another piece, another screen or a reload keeps them. */
export const useDrafts = create<Drafts>()(
  persist(
    (set) => ({
      byId: {},
      keep: (id, draft) => set((s) => ({ byId: { ...s.byId, [id]: draft } })),
      drop: (id) =>
        set((s) => {
          const { [id]: _gone, ...byId } = s.byId;
          return { byId };
        }),
    }),
    { name: 'ember closet drafts', storage: createJSONStorage(() => sessionStorage) },
  ),
);
