'use client';
import { useSyncExternalStore } from 'react';

/** A value that changes often and is shown in one place: only who uses it is drawn again. */
export class Told<T> {
  private readonly listeners = new Set<() => void>();

  constructor(private value: T) {}

  get = (): T => this.value;

  tell(value: T): void {
    this.value = value;
    for (const l of this.listeners) l();
  }

  listen = (l: () => void): (() => void) => {
    this.listeners.add(l);
    return () => this.listeners.delete(l);
  };
}

export function useTold<T>(told: Told<T>): T {
  return useSyncExternalStore(told.listen, told.get, told.get);
}
