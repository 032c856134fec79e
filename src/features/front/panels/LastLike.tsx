import Link from 'next/link';
import { lastLike, type Tried } from '@/core/afterwards/tried';
import { day } from '@/formats/dates';
import { degrees, type Units } from '@/formats/measures';
import type { Door } from '@/features/front/state/useDoor';

/** The last day like this one: what was worn, and how it was. */
export function LastLike({ door, tried, units }: { door: Door; tried: readonly Tried[]; units: Units }) {
  const { sport, airC, windMs, falls } = door.day;
  const isWet = falls.kind !== 'none' && falls.kind !== 'dry snow' && falls.mmH > 0;
  const last = lastLike(tried, { sport, airC, windMs, wet: isWet ? 'wet' : 'dry' });
  if (!last) return null;
  const torso = last.worn.flatMap((id) => {
    const g = door.garments.get(id);
    return g && (g.group === 'torso' || g.group === 'hands') ? [g.name.toLowerCase()] : [];
  });
  return (
    <section aria-labelledby="last-like" className="mt-2.5">
      <h2 id="last-like" className="border-t border-ink pt-1 font-semibold">
        Last time at {degrees(last.airC, units)}
      </h2>
      <p className="text-[12.5px]">
        {torso.length > 0 && <>{torso.join(', ')}: </>}
        <b>{last.was === 'right' && last.cameWet ? 'right, but it came home wet' : last.was}</b>.{' '}
        <Link href={`/outing/${last.id}/after`} className="underline">
          {last.name}, {day(last.startMs)}
        </Link>
      </p>
    </section>
  );
}
