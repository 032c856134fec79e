import type { ButtonHTMLAttributes } from 'react';

type Kind = 'act' | 'strong' | 'plain' | 'quiet';

const LOOK: Record<Kind, string> = {
  act: 'bg-act text-white border-act hover:brightness-110',
  strong: 'bg-ink text-white border-ink hover:bg-ink-2',
  plain: 'bg-sheet text-ink border-ink hover:bg-worn',
  quiet: 'bg-transparent text-ink-2 border-transparent hover:bg-worn hover:text-ink',
};

/** The one button: `act` is the proposal on the page, `strong` the main thing to do, `plain` another, `quiet` a small one. */
export function Button({
  kind = 'plain',
  className = '',
  type = 'button',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { kind?: Kind }) {
  return (
    <button
      type={type}
      className={`inline-flex cursor-pointer items-center gap-1.5 rounded-[3px] border px-3 py-1.5 text-[13px] leading-tight font-semibold whitespace-nowrap disabled:cursor-default disabled:opacity-45 ${LOOK[kind]} ${className}`}
      {...rest}
    />
  );
}
