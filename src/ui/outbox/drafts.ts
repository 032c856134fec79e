'use client';
import { useEffect } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { create } from 'zustand';
import { draftStore } from './kept';

interface Drafts {
  byName: Record<string, unknown>;
  /** what was kept before has been read */
  ready: boolean;
  keep: (name: string, value: unknown) => void;
  drop: (name: string) => void;
}

/** What is typed into forms and not sent yet, by the form's name: another screen, a reload and a closed window keep it. */
export const useDrafts = create<Drafts>()((set) => ({
  byName: {},
  ready: false,
  keep: (name, value) => {
    set((s) => ({ byName: { ...s.byName, [name]: value } }));
    void draftStore.put(name, value);
  },
  drop: (name) => {
    set(({ byName: { [name]: _gone, ...byName } }) => ({ byName }));
    void draftStore.drop(name);
  },
}));

/** Reads what was kept. A browser that keeps nothing (a private window may not) has none. */
export async function readDrafts(): Promise<void> {
  const kept = await draftStore.all().catch(() => ({}));
  useDrafts.setState((s) => ({ byName: { ...kept, ...s.byName }, ready: true }));
}

/** Keeps what is typed into a form, and fills it with what was kept. @returns the draft, if there is one, and a way to drop it */
export function useFormDraft<T extends FieldValues>(name: string, form: UseFormReturn<T>) {
  const ready = useDrafts((s) => s.ready);
  const draft = useDrafts((s) => s.byName[name]) as T | undefined;
  const { keep, drop } = useDrafts.getState();
  useEffect(() => {
    const kept = useDrafts.getState().byName[name];
    if (ready && kept) form.reset(kept as T, { keepDefaultValues: true });
    return form.subscribe({
      formState: { values: true },
      callback: ({ values }) => {
        const differs = JSON.stringify(values) !== JSON.stringify(form.formState.defaultValues);
        if (differs) keep(name, structuredClone(values));
        else if (useDrafts.getState().byName[name]) drop(name);
      },
    });
  }, [ready, name, form, keep, drop]);
  return { draft, drop: () => drop(name) };
}
