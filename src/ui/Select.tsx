'use client';
import { getNonce } from 'get-nonce';
import { Check, ChevronDown } from 'lucide-react';
import { Select as Radix } from 'radix-ui';
import { twMerge } from 'tailwind-merge';

export interface Option<T extends string> {
  value: T;
  label: string;
}

/** Empty is no value of the primitive's: it stands for "none" here. */
const NONE = '—';

/** One of a list. */
export function Select<T extends string>({
  label,
  value,
  options,
  onChange,
  className,
  invalid,
  ...rest
}: {
  /** said to those who do not see it */
  label: string;
  value: T;
  options: readonly Option<T>[];
  onChange: (value: T) => void;
  className?: string;
  /** what is chosen is at fault; it says so beneath */
  invalid?: boolean;
  disabled?: boolean;
  name?: string;
}) {
  return (
    <Radix.Root
      value={value === '' ? NONE : value}
      onValueChange={(v) => onChange((v === NONE ? '' : v) as T)}
      {...rest}
    >
      <Radix.Trigger
        aria-label={label}
        aria-invalid={invalid}
        className={twMerge(
          'inline-flex w-full cursor-pointer items-center justify-between gap-1 overflow-hidden rounded-[3px] border border-grid-2 bg-sheet px-1.5 py-1 text-left whitespace-nowrap hover:border-ink aria-invalid:border-2 aria-invalid:border-act',
          className,
        )}
      >
        <span className="min-w-0 truncate">
          <Radix.Value />
        </span>
        <ChevronDown size={13} className="shrink-0 text-ink-3" aria-hidden="true" />
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          position="popper"
          sideOffset={2}
          collisionPadding={8}
          className="z-50 max-h-[min(420px,var(--radix-select-content-available-height))] min-w-[var(--radix-select-trigger-width)] overflow-auto border-2 border-ink bg-paper p-1"
        >
          <Radix.Viewport nonce={getNonce()}>
            {options.map((o) => (
              <Radix.Item
                key={o.value}
                value={o.value === '' ? NONE : o.value}
                className="flex cursor-pointer items-center justify-between gap-4 px-2 py-1 outline-none data-[highlighted]:bg-worn data-[state=checked]:font-semibold"
              >
                <Radix.ItemText>{o.label}</Radix.ItemText>
                <Radix.ItemIndicator>
                  <Check size={13} aria-hidden="true" />
                </Radix.ItemIndicator>
              </Radix.Item>
            ))}
          </Radix.Viewport>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
