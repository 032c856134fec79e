'use client';
import { useCallback, useState } from 'react';

/** Width of an element in px, following its size. @returns a ref callback and the width (the fallback until measured) */
export function useWidth(fallback: number): [(node: HTMLElement | null) => (() => void) | undefined, number] {
  const [width, setWidth] = useState(fallback);
  const ref = useCallback((node: HTMLElement | null) => {
    if (!node) return undefined;
    const observer = new ResizeObserver((entries) => {
      const w = Math.round(entries[0].contentRect.width);
      if (w > 0) setWidth(w);
    });
    observer.observe(node);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
