'use client';
import { useCallback, useState } from 'react';

/** Width of an element in px, following its size. @returns a ref callback and the width (the fallback until measured) */
export function useWidth(fallback: number): [(node: HTMLElement | null) => (() => void) | undefined, number] {
  const [width, setWidth] = useState(fallback);
  const ref = useCallback((node: HTMLElement | null) => {
    if (!node) return undefined;
    // Before anything is painted: a drawing as wide as the fallback would stand off the page of a phone for a moment.
    const style = getComputedStyle(node);
    const inside = Math.round(node.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight));
    if (inside > 0) setWidth(inside);
    const observer = new ResizeObserver((entries) => {
      const w = Math.round(entries[0].contentRect.width);
      if (w > 0) setWidth(w);
    });
    observer.observe(node);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
