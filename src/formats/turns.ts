import { inchToMm, poundToKg } from '@/core/quantity/units';
import { OUNCE_G, type Units } from './measures';

/** How a number kept in one unit is shown and typed in the athlete's. */
export interface Turn {
  unit: string;
  /** kept → shown */
  show: (kept: number) => number;
  /** shown → kept */
  keep: (shown: number) => number;
}

const times = (unit: string, factor: number): Turn => ({ unit, show: (v) => v * factor, keep: (v) => v / factor });

const YARD_MM = 36 * inchToMm(1);
const SQUARE_YARD_M2 = (YARD_MM / 1000) ** 2;

/** Units of the tables of properties that are said otherwise in imperial; the rest (Ret, shares, bpm) is the same in both. */
const IMPERIAL: Record<string, Turn> = {
  kg: times('lb', 1 / poundToKg(1)),
  g: times('oz', 1 / OUNCE_G),
  m: times('in', 1000 / inchToMm(1)),
  mm: times('in', 1 / inchToMm(1)),
  'g/m²': times('oz/yd²', SQUARE_YARD_M2 / OUNCE_G),
  // Air permeability: cubic feet a minute through a square foot is a foot a minute.
  'mm/s at 100 Pa': times('ft/min', 60 / (12 * inchToMm(1))),
  K: times('°F', 1.8),
};

/** How a property kept in `unit` is shown. @param unit as the tables of properties name it */
export const turnOf = (unit: string, units: Units): Turn =>
  (units === 'imperial' ? IMPERIAL[unit] : undefined) ?? times(unit, 1);
