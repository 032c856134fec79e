'use client';
import { useSyncExternalStore } from 'react';

const DARK = '(prefers-color-scheme: dark)';

function listen(changed: () => void): () => void {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  const asks = window.matchMedia(DARK);
  asks.addEventListener('change', changed);
  return () => {
    observer.disconnect();
    asks.removeEventListener('change', changed);
  };
}

/** Which colours the page has now, as a mark that changes with them: charts are painted anew then, all else follows by itself. */
export const useLook = (): string =>
  useSyncExternalStore(
    listen,
    () => `${document.documentElement.dataset.theme ?? ''} ${window.matchMedia(DARK).matches}`,
    () => '',
  );
