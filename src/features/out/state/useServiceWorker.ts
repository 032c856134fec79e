'use client';
import { useEffect, useState } from 'react';

export interface WorkerState {
  ready: boolean;
  /** in a sentence: whether the screen opens without a network */
  says: string;
}

/** What a browser that can install hands over, once. */
interface InstallOffer extends Event {
  prompt: () => Promise<void>;
}

/** A way to put the application beside the phone's others, where the browser offers one; null: it does not, or it is there already. */
export function useInstall(): (() => void) | null {
  const [offer, setOffer] = useState<InstallOffer | null>(null);
  useEffect(() => {
    const hear = (e: Event) => {
      e.preventDefault();
      setOffer(e as InstallOffer);
    };
    window.addEventListener('beforeinstallprompt', hear);
    return () => window.removeEventListener('beforeinstallprompt', hear);
  }, []);
  return offer && (() => void offer.prompt().then(() => setOffer(null)));
}

/** Takes the screen in, so that it opens without a network; says whether it will. */
export function useServiceWorker(): WorkerState {
  const [state, setState] = useState<WorkerState>({ ready: false, says: '' });
  useEffect(() => {
    if (!('serviceWorker' in navigator))
      return setState({
        ready: false,
        says: 'This browser cannot keep the screen without a network here: open it by https, or on this machine.',
      });
    let gone = false;
    const set = (s: WorkerState) => !gone && setState(s);
    set({ ready: false, says: 'Packing the screen…' });
    navigator.serviceWorker
      .register('/sw.js', { scope: '/', updateViaCache: 'none' })
      .then(() => navigator.serviceWorker.ready)
      .then(
        () => set({ ready: true, says: 'Packed: works without a network.' }),
        () =>
          set(
            navigator.serviceWorker.controller
              ? { ready: true, says: 'Packed: works without a network.' }
              : { ready: false, says: 'The screen could not be kept: it needs a network.' },
          ),
      );
    return () => {
      gone = true;
    };
  }, []);
  return state;
}
