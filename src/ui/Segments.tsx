'use client';
import { RadioGroup } from 'radix-ui';
import { twMerge } from 'tailwind-merge';

/** A few things of which one holds, side by side; arrows move among them. */
export function Segments<T extends string>({
  label,
  value,
  options,
  onChange,
  size = 'usual',
}: {
  label: string;
  value: T;
  options: readonly { value: T; label: string }[];
  onChange: (value: T) => void;
  size?: 'usual' | 'small';
}) {
  return (
    <RadioGroup.Root
      aria-label={label}
      orientation="horizontal"
      value={value}
      onValueChange={(v) => onChange(v as T)}
      className="flex flex-wrap"
    >
      {options.map((o) => (
        <RadioGroup.Item
          key={o.value}
          value={o.value}
          className={twMerge(
            '-ml-px cursor-pointer border border-ink bg-sheet first:ml-0 hover:bg-worn data-[state=checked]:bg-ink data-[state=checked]:font-semibold data-[state=checked]:text-sheet',
            size === 'small' ? 'min-h-[24px] px-1.5 py-0.5 text-[12px]' : 'px-3 py-1.5 text-[13px] font-semibold',
          )}
        >
          {o.label}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
