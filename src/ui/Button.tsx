import { cva, type VariantProps } from 'class-variance-authority';
import type { ButtonHTMLAttributes } from 'react';
import { twMerge } from 'tailwind-merge';

const look = cva(
  'inline-flex cursor-pointer items-center justify-center gap-1.5 rounded-[3px] border leading-tight font-semibold whitespace-nowrap disabled:cursor-default disabled:opacity-45',
  {
    variants: {
      /** `act` is the proposal on the page, `strong` the main thing to do, `plain` another, `quiet` a small one */
      kind: {
        act: 'border-act bg-act text-on-act hover:brightness-110',
        strong: 'border-ink bg-ink text-sheet hover:bg-ink-2',
        plain: 'border-ink bg-sheet text-ink hover:bg-worn',
        quiet: 'border-transparent bg-transparent text-ink-2 hover:bg-worn hover:text-ink',
      },
      size: {
        usual: 'px-3 py-1.5 text-[13px]',
        small: 'min-h-[24px] px-2 py-0.5 text-[12.5px]',
        large: 'px-5 py-2 text-[15px]',
      },
    },
    defaultVariants: { kind: 'plain', size: 'usual' },
  },
);

/** The one button. */
export function Button({
  kind,
  size,
  className,
  type = 'button',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & VariantProps<typeof look>) {
  return <button type={type} className={twMerge(look({ kind, size }), className)} {...rest} />;
}
