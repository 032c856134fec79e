import { C } from '@/ui/draw/palette';
import { Patterns } from '@/ui/draw/Patterns';
import type { Feeling } from '@/core/calibrate/votes';

/** Drawings by shape and pattern, so that colour is never alone: an arrow up of heat, a ruled arrow down, a ruled mitt and boot, a hatched drop. */
const SHAPE: Record<Feeling, { d: string; fill: string; line?: boolean }> = {
  'too hot': { d: 'M16 4l11 12h-6v11h-10v-11h-6z', fill: 'url(#warm)' },
  fine: { d: 'M5 17l8 8L27 7', fill: 'none', line: true },
  cold: { d: 'M16 28l11-12h-6v-11h-10v11h-6z', fill: 'url(#too-cold)' },
  'hands cold': {
    d: 'M7 27v-12c0-7 3-10 8-10s8 3 8 10c1-3 6-2 5 1l-4 7v4zM7 23h17',
    fill: 'url(#too-cold)',
  },
  'feet cold': { d: 'M9 4h9v13c3 2 9 2 10 6v4H9zM9 23h19', fill: 'url(#too-cold)' },
  sweating: { d: 'M16 3c5 8 8 11 8 16a8 8 0 0 1-16 0c0-5 3-8 8-16z', fill: 'url(#water-4)' },
};

export function FeelIcon({ feels, size = 34 }: { feels: Feeling; size?: number }) {
  const s = SHAPE[feels];
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <path d={s.d} fill={s.fill} stroke={C.ink} strokeWidth={s.line ? 4 : 2} strokeLinejoin="round" />
    </svg>
  );
}

/** The patterns that drawings of the screen refer to, once. */
export const IconPatterns = () => (
  <svg width={0} height={0} className="absolute" aria-hidden="true">
    <Patterns />
  </svg>
);

/** Danger has this shape whatever its colour. */
export const Triangle = ({ size = 28 }: { size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true" className="shrink-0">
    <path d="M16 3L31 29H1z" fill="currentColor" />
  </svg>
);
