import type { Moved } from '@/core/questions/mostMoved';
import type { Verdict } from '@/core/judge/verdict';
import { clock } from './dates';
import { degrees, difference, grams, temperature, windSpeed, type Units } from './measures';

/** How many outings, in words. */
export const outingsWords = (n: number): string => (n === 1 ? 'one outing' : `${n} outings`);

/** Fills the number slots of a verdict. */
export function fillSlots(text: string, units: Units): string {
  return text.replace(/\{(\w+):(-?[\d.]+)\}/g, (_, kind: string, value: string) => {
    const v = Number(value);
    switch (kind) {
      case 'temp':
        return temperature(v, units);
      case 'core':
        return temperature(v, units, 1);
      case 'delta':
        return difference(v, units);
      case 'time':
        return clock(v);
      case 'share':
        return `${Math.round(v * 100)} %`;
      case 'mass':
        return grams(v, units);
      case 'wind':
        return windSpeed(v, units);
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

const movedValue = (m: Moved, v: number, units: Units): string =>
  m.what === 'water' ? grams(v, units) : m.what === 'shivering' ? `${v.toFixed(0)} min` : degrees(v, units, 1);

/** The same as a consequence: `torso skin 13.6°, not 23.5°`. */
export const insteadText = (m: Moved, units: Units): string =>
  `${MOVED_WORDS[m.what]} ${movedValue(m, m.to, units)}, not ${movedValue(m, m.from, units)}`;

/** What a change moves most, with both values: `fingers 25.4° → 21.0°`. */
export function movedText(m: Moved, units: Units): string {
  return `${MOVED_WORDS[m.what]} ${movedValue(m, m.from, units)} → ${movedValue(m, m.to, units)}`;
}
