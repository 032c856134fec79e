'use client';
import { useEffect, useRef, useState } from 'react';

interface Battery extends EventTarget {
  level: number;
}

/** The phone's battery, 0–100; null: it does not tell. */
export function useBattery(): number | null {
  const [level, setLevel] = useState<number | null>(null);
  useEffect(() => {
    const ask = (navigator as { getBattery?: () => Promise<Battery> }).getBattery;
    if (!ask) return;
    let battery: Battery | null = null;
    const read = () => battery && setLevel(Math.round(battery.level * 100));
    void ask.call(navigator).then((b) => {
      battery = b;
      read();
      b.addEventListener('levelchange', read);
    });
    return () => battery?.removeEventListener('levelchange', read);
  }, []);
  return level;
}

/** Keeps the screen on while something is on. Browsers let go when the page is hidden; it is asked for again when it is back. */
export function useAwake(when: 'now' | 'no'): void {
  useEffect(() => {
    if (when === 'no' || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const hold = () =>
      void navigator.wakeLock
        .request('screen')
        .then((l) => (over ? void l.release() : void (lock = l)))
        .catch(() => {});
    const back = () => document.visibilityState === 'visible' && hold();
    hold();
    document.addEventListener('visibilitychange', back);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', back);
      void lock?.release();
    };
  }, [when]);
}

export const buzz = (pattern: number | number[]): void => void navigator.vibrate?.(pattern);

/** Says something aloud, slowly. */
export function sayAloud(text: string): void {
  if (!('speechSynthesis' in window)) return;
  speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(text);
  said.rate = 0.9;
  speechSynthesis.speak(said);
}

/** Minutes over at which a cue is asked for again, louder each time. */
const AGAIN_MIN = [0, 2, 4, 8];

/**
 * Buzzes (and speaks, where that is wanted) when something is due, and again while it is overdue.
 * @param due what is due, by its name, how long it is over, s, and its words; null: nothing
 */
export function useAlert(due: { key: string; overS: number; says: string } | null, aloud: 'aloud' | 'silent'): void {
  const told = useRef(new Map<string, number>());
  const step = due ? AGAIN_MIN.filter((m) => due.overS >= m * 60).length : 0;
  const key = due?.key ?? null;
  const says = due?.says ?? '';
  useEffect(() => {
    if (key === null || step === 0 || (told.current.get(key) ?? 0) >= step) return;
    told.current.set(key, step);
    buzz(Array.from({ length: step * 2 + 1 }, () => 220));
    if (aloud === 'aloud') sayAloud(says);
  }, [key, step, says, aloud]);
}

/** Volume keys, where the browser hands them on; elsewhere the same by other keys. */
export function useHardKeys(up: () => void, down: () => void): void {
  const latest = useRef({ up, down });
  latest.current = { up, down };
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const { up: u, down: d } = latest.current;
      if (e.key === 'AudioVolumeUp' || e.key === 'VolumeUp') u();
      else if (e.key === 'AudioVolumeDown' || e.key === 'VolumeDown') d();
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
