'use client';
import { useEffect, useRef } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';

/**
 * Where a form is refused, the focus goes to the first field at fault as they stand on the page. The form's own way is the order in
 * which fields came to it, which differs wherever a field appears later than its neighbours. Give the form `shouldFocusError: false`.
 *
 * @returns for the form's `ref`
 */
export function useFirstFault<T extends FieldValues>({ formState }: UseFormReturn<T>) {
  const ref = useRef<HTMLFormElement>(null);
  const { submitCount, isSubmitSuccessful } = formState;
  useEffect(() => {
    if (submitCount > 0 && !isSubmitSuccessful)
      ref.current?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }, [submitCount, isSubmitSuccessful]);
  return ref;
}
