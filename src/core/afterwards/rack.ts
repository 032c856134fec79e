import type { Garment } from '@/core/clothing/garment';
import { dampAfter, dampWaterGm2, DRYING_PLACES, dryingMinutes, type DryingPlace } from '@/core/moisture/drying';
import type { Plan } from '@/core/kit/plan';

const HOUR_MS = 3600_000;
/** Nothing hangs longer than this and is still worth asking about, h. */
const LONGEST_H = 240;
/** Less water than this is dry to the hand, g/m². */
export const DRY_GM2 = 4;

/** How damp a piece is by now that hangs since some time, g/m² beyond dry storage. @throws OutOfRange */
export function dampNow(
  g: Garment,
  { place, sinceMs, fromGm2 }: { place: DryingPlace; sinceMs: number; fromGm2: number },
  nowMs: number,
): number {
  const hours = Math.max(0, (nowMs - sinceMs) / HOUR_MS);
  if (fromGm2 <= 0 || hours > LONGEST_H) return 0;
  const left = dampAfter(g, fromGm2, DRYING_PLACES[place], hours);
  return left < DRY_GM2 ? 0 : left;
}

/** A piece that is damp, and where it hangs or could; null: in a heap, as it was dropped. */
export interface Damp {
  garment: Garment;
  dampGm2: number;
  place: DryingPlace | null;
}

/** Minutes until it is dry there; Infinity: not within five days. */
export const dryIn = ({ garment, dampGm2, place }: Damp): number =>
  dryingMinutes(garment, dampWaterGm2(garment, dampGm2), DRYING_PLACES[place ?? 'in a heap indoors']);

/** Fibres and builds that heat spoils: leather hardens, down clumps and singes (common practice, no published source). */
const NEVER_HOT: ReadonlySet<Garment['fibre']> = new Set(['leather', 'down', 'rubber']);
export const maybeHot = (g: Garment): boolean => !NEVER_HOT.has(g.fibre);

/** What the next outing will miss, and what to do about it. */
export interface Missed {
  garment: string;
  /** how damp it will be at the start, g/m² */
  leftGm2: number;
  /** a place in which it would be dry by then, or a dry piece of its kind; null: neither */
  instead: { place: DryingPlace } | { garment: string } | null;
}

/** Places one may be sent to for it, the gentlest first. */
const BETTER: readonly DryingPlace[] = ['on a line indoors', 'with paper inside', 'by the stove'];

/**
 * Which damp pieces of a plan are not dry at its start, and what would be there instead.
 * @param hours from now to the start @param closet all that is owned
 */
export function missedBy(
  plan: Plan,
  damp: readonly Damp[],
  { hours, closet }: { hours: number; closet: readonly Garment[] },
): Missed[] {
  const named = new Set([...plan.worn, ...plan.carried]);
  const wet = new Set(damp.map((d) => d.garment.id));
  return damp
    .filter((d) => named.has(d.garment.id))
    .flatMap((d): Missed[] => {
      const minutes = dryIn(d);
      if (minutes <= hours * 60) return [];
      const { garment, dampGm2 } = d;
      const leftGm2 = dampAfter(
        garment,
        dampGm2,
        DRYING_PLACES[d.place ?? 'in a heap indoors'],
        Math.min(LONGEST_H, Math.max(0, hours)),
      );
      const place = BETTER.find(
        (p) =>
          (p !== 'by the stove' || maybeHot(garment)) &&
          (p !== 'with paper inside' || garment.role === 'footwear') &&
          dryIn({ ...d, place: p }) <= hours * 60,
      );
      const other = closet.find(
        (g) => g.group === garment.group && g.role === garment.role && !named.has(g.id) && !wet.has(g.id),
      );
      return [{ garment: garment.id, leftGm2, instead: place ? { place } : other ? { garment: other.id } : null }];
    });
}
