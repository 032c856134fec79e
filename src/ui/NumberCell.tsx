'use client';
import { useId } from 'react';
import { useForm } from 'react-hook-form';
import { FieldError, Input } from './fields';
import { numberRules, type NumberRule } from './numbers';

/**
 * One number of a table, taken when one leaves it or presses Enter, and only when it is allowed; what is wrong stands under it
 * and the old value holds until then. Esc brings the old value back.
 */
export function NumberCell({
  rule,
  value,
  placeholder,
  width = 'w-[4.6em]',
  onTake,
}: {
  rule: NumberRule;
  /** null: nothing said */
  value: number | null;
  /** what holds while nothing is said */
  placeholder?: string;
  width?: string;
  onTake: (value: number | null) => void;
}) {
  const id = useId();
  const form = useForm<{ v: number | null }>({ values: { v: value }, mode: 'onChange' });
  const error = form.formState.errors.v?.message;
  const take = form.handleSubmit(({ v }) => v !== value && onTake(v));
  const { onBlur, ...field } = form.register('v', numberRules(rule) as never);
  return (
    <>
      <Input
        inputMode="decimal"
        autoComplete="off"
        className={`${width} px-1.5 py-1 text-right`}
        aria-label={rule.label}
        placeholder={placeholder}
        aria-invalid={!!error}
        aria-describedby={error ? id : undefined}
        onKeyDown={(e) => {
          if (e.key === 'Enter') void take();
          if (e.key === 'Escape') form.reset();
        }}
        {...field}
        onBlur={(e) => {
          void onBlur(e);
          void take();
        }}
      />
      {error && <FieldError id={id}>{error}</FieldError>}
    </>
  );
}
