'use client';
import { useEffect, useState } from 'react';
import { kept } from './kept';

export const THEMES = ['by itself', 'sheet', 'dusk', 'glare'] as const;
export type ThemeName = (typeof THEMES)[number];

/** The theme by hand, or by itself: Dusk at night and where the phone is set dark. */
export function useTheme(sky: 'night' | 'day'): [ThemeName, (t: ThemeName) => void] {
  const [chosen, setChosen] = useState<ThemeName>('by itself');
  const [dark, setDark] = useState(false);
  useEffect(() => {
    void kept.own<ThemeName>('theme').then((t) => t && THEMES.includes(t) && setChosen(t));
    const asks = window.matchMedia('(prefers-color-scheme: dark)');
    const read = () => setDark(asks.matches);
    read();
    asks.addEventListener('change', read);
    return () => asks.removeEventListener('change', read);
  }, []);
  const shown = chosen === 'by itself' ? (sky === 'night' || dark ? 'dusk' : 'sheet') : chosen;
  useEffect(() => {
    const { dataset } = document.documentElement;
    const before = dataset.theme;
    dataset.theme = shown;
    // The other pages have a choice of their own.
    return () => {
      if (before === undefined) delete dataset.theme;
      else dataset.theme = before;
    };
  }, [shown]);
  return [
    chosen,
    (t) => {
      setChosen(t);
      void kept.putOwn('theme', t);
    },
  ];
}
