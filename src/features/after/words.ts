import type { Ask } from '@/core/calibrate/teaches';
import type { Garment } from '@/core/clothing/garment';

/** What would teach the most, in a sentence. */
export function askWords(asks: readonly Ask[], garments: ReadonlyMap<string, Garment>): string {
  const one = (a: Ask): string =>
    a.kind === 'weigh'
      ? `weigh the ${lower(garments.get(a.garment)?.name ?? 'piece')}`
      : a.kind === 'body'
        ? 'stand on the scale before and after, and note what you drink'
        : `say how your ${a.felt.part === 'torso' ? 'body' : a.felt.part} felt at ${a.where}`;
  return asks.length === 0 ? '' : `Worth most next time: ${asks.map(one).join('; ')}.`;
}

const lower = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1);
