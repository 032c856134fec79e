import type { Options } from 'react-hotkeys-hook';

/** Keys of a page: by what they write, and without an Escape that has closed a dialog already. */
export const PAGE_KEYS = {
  useKey: true,
  ignoreEventWhen: (e: KeyboardEvent) => e.key === 'Escape' && e.defaultPrevented,
} satisfies Options;
