'use client';
import { cva, type VariantProps } from 'class-variance-authority';
import { RadioGroup } from 'radix-ui';
import { twMerge } from 'tailwind-merge';
import { useRef, type ButtonHTMLAttributes, type ReactNode } from 'react';

const look = cva(
  'flex cursor-pointer select-none items-center justify-center gap-2 rounded-[0.6rem] border-2 px-2 text-center leading-tight font-bold disabled:opacity-50',
  {
    variants: {
      kind: {
        go: 'border-go bg-go text-on-go',
        plain: 'border-ink bg-sheet text-ink',
        act: 'border-act bg-act text-on-act',
        quiet: 'border-grid-2 bg-transparent text-ink font-semibold',
      },
      size: {
        main: 'min-h-[84px] text-[1.6rem]',
        feel: 'min-h-[84px] flex-col text-[1.05rem]',
        row: 'min-h-[64px] text-[1.1rem]',
        small: 'min-h-[44px] text-[0.95rem]',
      },
    },
    defaultVariants: { kind: 'plain', size: 'row' },
  },
);

/** A button for a mitten. */
export function Big({
  kind,
  size,
  className,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & VariantProps<typeof look>) {
  return <button type="button" className={twMerge(look({ kind, size }), className)} {...rest} />;
}

/** How long a finger rests before it counts as held, ms. */
const HELD_MS = 550;

/** Something that does another thing when it is held. Keys do it with Shift and Enter. */
export function useHold(held: () => void, ms = HELD_MS) {
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const was = useRef(false);
  const end = () => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
  };
  return {
    /** whether the press that ends now was a hold */
    wasHeld: () => was.current,
    on: {
      onPointerDown: () => {
        was.current = false;
        end();
        timer.current = setTimeout(() => {
          was.current = true;
          held();
        }, ms);
      },
      onPointerUp: end,
      onPointerLeave: end,
      onPointerCancel: end,
      onContextMenu: (e: { preventDefault: () => void }) => e.preventDefault(),
      onKeyDown: (e: { key: string; shiftKey: boolean; preventDefault: () => void }) => {
        if (e.key !== 'Enter' || !e.shiftKey) return;
        e.preventDefault();
        held();
      },
    },
  };
}

/** One choice of a few, large; arrows move among them. */
export function Choice<T extends string>({
  label,
  options,
  value,
  words,
  onPick,
}: {
  label: string;
  options: readonly T[];
  value: T;
  words: Record<T, ReactNode>;
  onPick: (v: T) => void;
}) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      onValueChange={(v) => onPick(v as T)}
      className="flex flex-wrap items-center gap-x-1"
    >
      <span className="w-[3rem] text-[1rem] font-semibold" aria-hidden="true">
        {label}
      </span>
      <span className="flex min-w-[min(100%,15rem)] flex-1 flex-wrap gap-1">
        {options.map((o) => (
          <RadioGroup.Item
            key={o}
            value={o}
            className={`min-h-[46px] cursor-pointer rounded-[0.4rem] border px-1 text-[0.95rem] leading-tight ${o === 'as said' ? 'flex-[1.5] basis-[6.5rem]' : 'flex-1 basis-[4rem]'} ${o === value ? 'border-go bg-go font-bold text-on-go' : 'border-grid-2 bg-sheet text-ink'}`}
          >
            {words[o]}
          </RadioGroup.Item>
        ))}
      </span>
    </RadioGroup.Root>
  );
}
