import type { Sport } from '@/core/effort/sports';
import type { BookDay } from '@/core/afterwards/day';
import { C } from '@/ui/draw/palette';

/** What a way of going is drawn as in the book. */
export type Going = 'run' | 'ski' | 'tour' | 'ride' | 'foot';
const GOING: Partial<Record<Sport, Going>> = {
  run: 'run',
  'classic ski': 'ski',
  'skate ski': 'ski',
  'ski tour': 'tour',
  'downhill ski': 'tour',
  cycle: 'ride',
};
export const goingOf = (sport: Sport): Going => GOING[sport] ?? 'foot';
export const GOING_WORDS: Record<Going, string> = {
  run: 'run',
  ski: 'track ski',
  tour: 'ski tour',
  ride: 'ride',
  foot: 'on foot',
};

const GLYPH: Record<Going, string> = {
  run: 'M-3.6 3L-0.8 -3M0.8 3L3.6 -3',
  ski: 'M-4 2.6L3 -0.8M-3 4L4 0.6M-1 -3.6L1.6 -3.6',
  tour: 'M-4 3.2L3.6 3.2L3.6 -3.4Z',
  ride: 'M-4.4 1a2 2 0 1 0 4 0a2 2 0 1 0 -4 0M0.4 1a2 2 0 1 0 4 0a2 2 0 1 0 -4 0',
  foot: 'M-4 3.2H-1.4V0.6H1.2V-2H3.8',
};

/** The glyph of a way of going. */
export const Glyph = ({ going, colour }: { going: Going; colour: string }) => (
  <path
    d={GLYPH[going]}
    fill={going === 'tour' ? colour : 'none'}
    stroke={colour}
    strokeWidth={1.5}
    strokeLinecap="round"
    strokeLinejoin="round"
  />
);

const SHAPE = {
  right: 'M-8 0A8 8 0 1 0 8 0A8 8 0 1 0 -8 0',
  'too warm': 'M-8 8V-3L0 -10L8 -3V8Z',
  'too cold': 'M-8 -8H8V3L0 10L-8 3Z',
} as const;

/** One day: disc right, house too warm, shield too cold, hollow not told; a drop where it came home wet. */
export function DayMark({ day }: { day: Pick<BookDay, 'sport' | 'was' | 'cameWet'> }) {
  const going = goingOf(day.sport);
  const { was } = day;
  const fill = was === 'right' ? C.ink : was === 'too warm' ? 'var(--color-heat-3)' : C.sheet;
  return (
    <>
      <path
        d={SHAPE[was ?? 'right']}
        fill={fill}
        stroke={was === 'too cold' ? C.cold : C.ink}
        strokeWidth={was === 'too cold' ? 1.6 : 1.1}
        strokeDasharray={was === null ? '2 2' : undefined}
      />
      {was === 'too cold' && <path d={SHAPE['too cold']} fill="url(#too-cold)" />}
      <Glyph going={going} colour={was === 'right' ? C.sheet : C.ink} />
      {day.cameWet && (
        <path
          d="M9 -12c2.6 3.4 3.6 4.8 3.6 6.6a3.6 3.6 0 1 1 -7.2 0c0 -1.8 1 -3.2 3.6 -6.6Z"
          fill={C.water}
          stroke={C.sheet}
        />
      )}
    </>
  );
}
