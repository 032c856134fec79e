/** Colours by role, as CSS variables so that a theme can change them all. */
export const C = {
  paper: 'var(--color-paper)',
  sheet: 'var(--color-sheet)',
  ink: 'var(--color-ink)',
  ink2: 'var(--color-ink-2)',
  ink3: 'var(--color-ink-3)',
  grid: 'var(--color-grid)',
  grid2: 'var(--color-grid-2)',
  worn: 'var(--color-worn)',
  water: 'var(--color-water)',
  frost: 'var(--color-frost)',
  cold: 'var(--color-cold)',
  act: 'var(--color-act)',
  /** hours of sun and of night, and what is written on them */
  sun: 'var(--color-sun)',
  onSun: 'var(--color-on-sun)',
  night: 'var(--color-night)',
  onNight: 'var(--color-on-night)',
} as const;

const HEAT = [
  'var(--color-heat-0)',
  'var(--color-heat-1)',
  'var(--color-heat-2)',
  'var(--color-heat-3)',
  'var(--color-heat-4)',
];

/** Step of the heat ramp, 0–1. */
export function heat(share: number): string {
  return HEAT[Math.max(0, Math.min(4, Math.floor(share * 5)))];
}

/** What is written on a step of it: the ramp runs the other way at dusk. */
const onHeat = (share: number): string =>
  share < 0.6 ? C.ink : share < 0.8 ? 'var(--color-on-heat-3)' : 'var(--color-on-heat-4)';

const effort = (w: number): number => (w - 80) / 900;
/** Heat ramp for a metabolic rate, W, and what is written on it. */
export const effortColour = (w: number): string => heat(effort(w));
export const onEffort = (w: number): string => onHeat(effort(w));
/** Heat ramp for skin, °C. */
export const skinColour = (c: number): string => heat((c - 12) / 24);
