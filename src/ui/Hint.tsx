'use client';
import { Tooltip } from 'radix-ui';
import type { ReactElement } from 'react';

/** A pointer that only passes by opens nothing, ms. */
const DELAY_MS = 250;

/** What a word of the trade means: on hover, and on focus by keyboard. */
export function Hint({ says, children }: { says: string; children: ReactElement }) {
  return (
    // Each brings its own provider: a page without hints loads nothing of them.
    <Tooltip.Provider delayDuration={DELAY_MS}>
      <Tooltip.Root>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content
            sideOffset={4}
            collisionPadding={8}
            className="z-50 max-w-[300px] border border-ink bg-paper px-2 py-1 text-[12px] leading-snug"
          >
            {says}
            <Tooltip.Arrow className="fill-ink" />
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}

/** A word with its explanation. */
export function Term({ says, children }: { says: string; children: string }) {
  return (
    <Hint says={says}>
      <button type="button" className="min-h-[24px] cursor-help underline decoration-dotted underline-offset-2">
        {children}
      </button>
    </Hint>
  );
}
