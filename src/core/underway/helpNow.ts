import { helpFor } from '@/core/judge/quickHelp';
import type { OutThere } from './outThere';

/** Help is said for so long after the tap, s (engineering value: what helps takes some minutes). */
export const HELPS_S = 600;

/** What helps at once who said last, not long ago, that hands or feet are cold; null otherwise. */
export function helpNow({ heard, nowS }: Pick<OutThere, 'heard' | 'nowS'>): string | null {
  const last = heard.findLast((h) => 'feels' in h);
  if (!last || !('feels' in last) || nowS - last.atS > HELPS_S) return null;
  return last.feels === 'hands cold' ? helpFor('fingers') : last.feels === 'feet cold' ? helpFor('toes') : null;
}
