'use client';
import { useMemo, useState } from 'react';

/** What the hand points at: a moment, a garment, a cue. */
export interface Pointing {
  cursorS: number;
  /** id of the selected garment */
  selected: string | null;
  /** index of the selected cue */
  cue: number | null;
  setCursor: (s: number) => void;
  select: (id: string) => void;
  setCue: (i: number | null) => void;
  letGo: () => void;
}

/** @param worstS where the cursor stands until it is moved, s */
export function usePointing(endS: number, worstS: number): Pointing {
  const [cursor, setCursor] = useState<number | null>(null);
  const [selected, setSelected] = useState<string | null>(null);
  const [cue, setCue] = useState<number | null>(null);
  return useMemo(
    () => ({
      cursorS: Math.min(endS, cursor ?? worstS),
      selected,
      cue,
      setCursor,
      select: setSelected,
      setCue,
      letGo: () => {
        setSelected(null);
        setCue(null);
      },
    }),
    [endS, cursor, worstS, selected, cue],
  );
}
