'use client';
import { useId, useState, type InputHTMLAttributes, type ReactNode, type Ref } from 'react';
import { useController, useFormContext, type FieldValues, type Path } from 'react-hook-form';
import { twMerge } from 'tailwind-merge';
import type { Turn } from '@/formats/turns';
import { numberRules, type NumberRule } from './numbers';

const box =
  'rounded-[3px] border border-grid-2 bg-sheet px-2 py-1.5 hover:border-ink aria-invalid:border-2 aria-invalid:border-act';

/** The one text box. */
export function Input({ className, ...rest }: InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }) {
  return <input className={twMerge(box, className)} {...rest} />;
}

/** A field with its name above, a hint beside it, and what is wrong with it beneath. */
export function Labelled({
  label,
  hint,
  error,
  htmlFor,
  children,
}: {
  label: string;
  hint?: string;
  error?: string;
  htmlFor: string;
  children: ReactNode;
}) {
  return (
    <div className="min-w-0">
      <label htmlFor={htmlFor} className="font-semibold">
        {label}
      </label>
      {hint && <span className="ml-2 text-[12px] text-ink-3">{hint}</span>}
      <div className="mt-1">{children}</div>
      {error && <FieldError id={`${htmlFor}-error`}>{error}</FieldError>}
    </div>
  );
}

export function FieldError({ id, children }: { id: string; children: string }) {
  return (
    <p id={id} role="alert" className="mt-0.5 text-[12px] leading-tight font-semibold text-act">
      {children}
    </p>
  );
}

/** Registers a text field of the form around it. */
export function TextField<T extends FieldValues>({
  name,
  label,
  hint,
  required,
  maxLength = 120,
  ...rest
}: { name: Path<T>; label: string; hint?: string } & Omit<InputHTMLAttributes<HTMLInputElement>, 'name'>) {
  const id = useId();
  const { register, getFieldState, getValues, formState } = useFormContext<T>();
  const error = getFieldState(name, formState).error?.message;
  return (
    <Labelled label={label} hint={hint} error={error} htmlFor={id}>
      <Input
        id={id}
        className="w-full"
        maxLength={maxLength}
        // The server draws the page before the form is alive: what is stored stands there from the first moment.
        defaultValue={getValues(name) as string}
        aria-invalid={!!error}
        aria-describedby={error ? `${id}-error` : undefined}
        {...rest}
        {...register(name, {
          validate: (v) => !required || String(v ?? '').trim() !== '' || `${label} is empty. Give it a word.`,
        })}
      />
    </Labelled>
  );
}

/** A number field of the form around it: label, unit, and what is wrong with it. The form keeps the number in the unit it is stored in. */
export function NumberField<T extends FieldValues>({
  name,
  rule: kept,
  turn = SAME,
  hint,
  layout = 'above',
  width = 'w-full',
  ...rest
}: {
  name: Path<T>;
  /** in the unit it is kept in */
  rule: NumberRule;
  /** how it is shown and typed */
  turn?: Pick<Turn, 'show' | 'keep'> & { unit?: string };
  hint?: string;
  /** the label above, or only said to those who do not see the row's own */
  layout?: 'above' | 'cell';
  width?: string;
} & Omit<InputHTMLAttributes<HTMLInputElement>, 'name' | 'width' | 'value' | 'onChange'>) {
  const id = useId();
  const rule = { ...kept, low: turn.show(kept.low), high: turn.show(kept.high), unit: turn.unit ?? kept.unit };
  const rules = numberRules(rule);
  const { field, fieldState } = useController<T>({
    name,
    rules: { validate: (v: unknown) => rules.validate(typeof v === 'number' ? turn.show(v) : v) },
  });
  const asText = (v: unknown): string => (typeof v === 'number' && !Number.isNaN(v) ? rounded(turn.show(v)) : '');
  const [text, setText] = useState(asText(field.value));
  const [known, setKnown] = useState<{ value: unknown; unit: string }>({ value: field.value, unit: rule.unit });
  // The form was put back, or the units were changed: the text follows. What is being typed stays as it is typed.
  if (!Object.is(known.value, field.value) || known.unit !== rule.unit) {
    setKnown({ value: field.value, unit: rule.unit });
    setText(asText(field.value));
  }
  const type = (typed: string) => {
    const v = rules.setValueAs(typed);
    const value = v === null ? null : turn.keep(v);
    setText(typed);
    setKnown({ value, unit: rule.unit });
    field.onChange(value);
  };
  const error = fieldState.error?.message;
  const input = (
    <Input
      id={id}
      inputMode="decimal"
      autoComplete="off"
      className={`${width} ${layout === 'cell' ? 'text-right' : ''}`}
      aria-label={layout === 'cell' ? rule.label : undefined}
      aria-invalid={!!error}
      aria-describedby={error ? `${id}-error` : undefined}
      {...rest}
      ref={field.ref}
      name={field.name}
      value={text}
      onBlur={field.onBlur}
      onChange={(e) => type(e.target.value)}
    />
  );
  if (layout === 'cell')
    return (
      <>
        {input}
        {error && <FieldError id={`${id}-error`}>{error}</FieldError>}
      </>
    );
  return (
    <Labelled label={rule.unit ? `${rule.label}, ${rule.unit}` : rule.label} hint={hint} error={error} htmlFor={id}>
      {input}
    </Labelled>
  );
}

const SAME = { show: (v: number) => v, keep: (v: number) => v };

/** Four figures are more than anybody measures at home. */
const rounded = (v: number): string => String(Number(v.toPrecision(4)));
