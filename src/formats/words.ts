import type { Moved } from '@/core/plan/mostMoved';
import type { Verdict } from '@/core/judge/verdict';
import { cToFahrenheit, inchToMm } from '@/core/quantity/units';

export type Units = 'metric' | 'imperial';

/** Numbers with units in the athlete's system. A real minus sign, no decimals that nobody can feel. */
export function temperature(c: number, units: Units, digits = 0): string {
  const v = units === 'metric' ? c : cToFahrenheit(c);
  return `${minus(v, digits)} ${units === 'metric' ? '°C' : '°F'}`;
}

/** Just the degree sign, where the unit stands at the head of the column. */
export const temperatureUnit = (units: Units): string => (units === 'imperial' ? '°F' : '°C');
/** °C as the number a form shows, and back. */
export const fromTemperature = (c: number, units: Units): number => (units === 'imperial' ? c * 1.8 + 32 : c);
export const toTemperature = (shown: number, units: Units): number =>
  units === 'imperial' ? (shown - 32) / 1.8 : shown;

export function degrees(c: number, units: Units, digits = 0): string {
  return `${minus(units === 'metric' ? c : cToFahrenheit(c), digits)}°`;
}

export function difference(k: number, units: Units, digits = 1): string {
  return `${minus(units === 'metric' ? k : k * 1.8, digits)} ${units === 'metric' ? '°C' : '°F'}`;
}

export function minus(v: number, digits: number): string {
  const text = Math.abs(v).toFixed(digits);
  return v < 0 && Number(text) !== 0 ? `−${text}` : text;
}

export function distance(m: number, units: Units, digits = 1): string {
  return units === 'metric' ? `${(m / 1000).toFixed(digits)} km` : `${(m / 1609.344).toFixed(digits)} mi`;
}

export function height(m: number, units: Units): string {
  return units === 'metric' ? `${minus(m, 0)} m` : `${minus(m / 0.3048, 0)} ft`;
}

export function windSpeed(ms: number, units: Units): string {
  return units === 'metric' ? `${ms.toFixed(0)} m/s` : `${(ms * 2.236936).toFixed(0)} mph`;
}

/** Water and small masses: grams, or ounces. */
export function grams(g: number, units: Units): string {
  return units === 'metric' ? `${minus(g, 0)} g` : `${minus(g / 28.349523, 1)} oz`;
}

export function kilograms(kg: number, units: Units): string {
  return units === 'metric' ? `${kg.toFixed(1)} kg` : `${(kg / 0.45359237).toFixed(1)} lb`;
}

/** Time out, `1:05`. */
export function clock(seconds: number): string {
  const m = Math.round(seconds / 60);
  return `${Math.floor(m / 60)}:${String(m % 60).padStart(2, '0')}`;
}

/** Time of day from wall-clock milliseconds, `08:10`. */
export function timeOfDay(ms: number): string {
  return new Date(ms).toISOString().slice(11, 16);
}

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** `Sat 16 Jan`. */
export function day(ms: number): string {
  const d = new Date(ms);
  return `${DAYS[d.getUTCDay()]} ${d.getUTCDate()} ${MONTHS[d.getUTCMonth()]}`;
}

/** Fills the number slots of a verdict. */
export function fillSlots(text: string, units: Units): string {
  return text.replace(/\{(\w+):(-?[\d.]+)\}/g, (_, kind: string, value: string) => {
    const v = Number(value);
    switch (kind) {
      case 'temp':
        return temperature(v, units);
      case 'delta':
        return difference(v, units);
      case 'time':
        return clock(v);
      case 'share':
        return `${Math.round(v * 100)} %`;
      case 'mass':
        return grams(v, units);
      default:
        return value;
    }
  });
}

export function plainVerdict(v: Verdict): string {
  return `${v.lead} ${fillSlots(v.rest, 'metric')}`;
}

const MOVED_WORDS: Record<Moved['what'], string> = {
  fingers: 'fingers',
  toes: 'toes',
  face: 'face',
  torso: 'torso skin',
  core: 'core, highest',
  water: 'water in layers, most',
  shivering: 'shivering',
};

/** What a change moves most, with both values: `fingers 25.4° → 21.0°`. */
export function movedText(m: Moved, units: Units): string {
  const show = (v: number) =>
    m.what === 'water' ? grams(v, units) : m.what === 'shivering' ? `${v.toFixed(0)} min` : degrees(v, units, 1);
  return `${MOVED_WORDS[m.what]} ${show(m.from)} → ${show(m.to)}`;
}

/** Water that falls as the number a column shows, mm or in, and what stands at the head of that column. */
export const fall = (mm: number, units: Units): string =>
  units === 'metric' ? mm.toFixed(1) : (mm / inchToMm(1)).toFixed(2);
export const fallUnit = (units: Units): string => (units === 'metric' ? 'mm' : 'in');
