import { garmentKnown, withLoft } from '@/core/calibrate/garments';
import type { Garment } from '@/core/clothing/garment';
import type { Athlete } from './athlete';
import { listCloset, type OwnedGarment } from './closet';

/** A piece as thick as the athlete's outings found it. */
export const asFound = (garment: Garment, { known }: Pick<Athlete, 'known'>): Garment =>
  withLoft(garment, garmentKnown(known?.garments, garment.id).loft.mean);

/**
 * What the athlete owns, each piece as thick as outings found it: what everything is worked out with. The closet itself shows the
 * numbers that were given, with what was learned beside them.
 */
export async function knownCloset(
  athlete: Pick<Athlete, 'id' | 'known'>,
  which: 'owned' | 'all' = 'owned',
): Promise<OwnedGarment[]> {
  const owned = await listCloset(athlete.id, which);
  return owned.map((o) => ({ ...o, garment: asFound(o.garment, athlete) }));
}
