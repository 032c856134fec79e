'use client';
import { Check as Tick } from 'lucide-react';
import { Checkbox } from 'radix-ui';
import { useId, type ReactNode } from 'react';

/** Something that holds or not. */
export function Check({
  checked,
  onChange,
  children,
  name,
  label,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  /** what it says beside the box; left out: `label` alone names it */
  children?: ReactNode;
  name?: string;
  label?: string;
}) {
  const id = useId();
  return (
    <span className="inline-flex items-center gap-2.5">
      <Checkbox.Root
        id={id}
        name={name}
        value="yes"
        aria-label={label ?? (typeof children === 'string' ? children : undefined)}
        checked={checked}
        onCheckedChange={(c) => onChange(c === true)}
        className="-m-[3px] flex h-[24px] w-[24px] shrink-0 cursor-pointer items-center justify-center"
      >
        <span className="flex h-[18px] w-[18px] items-center justify-center rounded-[2px] border border-ink bg-sheet">
          <Checkbox.Indicator>
            <Tick size={14} strokeWidth={3} aria-hidden="true" />
          </Checkbox.Indicator>
        </span>
      </Checkbox.Root>
      {children && (
        <label htmlFor={id} className="cursor-pointer">
          {children}
        </label>
      )}
    </span>
  );
}
