'use client';
import { THEMES, type ThemeName } from '@/features/out/state/useTheme';

const WORDS: Record<ThemeName, string> = {
  'by itself': 'Light: by itself',
  sheet: 'Light: day',
  dusk: 'Light: dusk',
  glare: 'Light: glare',
};

/** One button that goes round: by itself, day, dusk, glare. */
export function ThemeChoice({ theme, onTheme }: { theme: ThemeName; onTheme: (t: ThemeName) => void }) {
  const next = THEMES[(THEMES.indexOf(theme) + 1) % THEMES.length];
  return (
    <button
      type="button"
      className="min-h-[44px] cursor-pointer underline"
      onClick={() => onTheme(next)}
      title={`Next: ${WORDS[next]}`}
    >
      {WORDS[theme]}
    </button>
  );
}
