import type { KeyboardEvent } from 'react';
import type { useDrag } from '@use-gesture/react';

/** What is held: the cursor, a whole cue, or one garment's part of it. */
export type Held = { what: 'cursor' } | HeldCue;
export type HeldCue = { what: 'cue'; cue: number } | { what: 'part'; cue: number; garment: string };

/** Handlers of pointer and finger for what is held. */
export type Hold = (held: Held) => ReturnType<ReturnType<typeof useDrag>>;
/** Handler of keys for what has the focus. */
export type OnKeys = (held: HeldCue) => (e: KeyboardEvent) => void;
