'use client';
import { useState } from 'react';
import type { Wishes } from '@/core/search/wishes';
import { WISH_RANGE } from '@/core/search/wishes';
import { fromTemperature, temperatureUnit, toTemperature, type Units } from '@/formats/measures';
import { NumberCell } from '@/ui/NumberCell';
import { SaveNote } from '@/ui/SaveNote';
import { useOutbox } from '@/ui/outbox/useOutbox';

/** A person's own rules beside the ladder: stored, obeyed by every plan, and said where the model disagrees. */
export function OwnRules({
  stored,
  version,
  units,
  onStored,
}: {
  stored: Wishes;
  version: number;
  units: Units;
  onStored: () => void;
}) {
  const [wishes, setWishes] = useState(stored);
  const kept = useOutbox<Wishes>({
    thing: 'wishes',
    says: 'How you want it',
    path: '/api/athlete/wishes',
    value: wishes,
    stored,
    version,
    wrap: (w) => ({ wishes: w }),
    unwrap: (body) => body.wishes as Wishes,
    onStored,
    onTaken: setWishes,
  });
  const shown = (c: number | null | undefined) => (c == null ? null : Math.round(fromTemperature(c, units)));
  const cell = (
    label: string,
    range: readonly [number, number],
    value: number | null | undefined,
    take: (c: number | null) => void,
  ) => (
    <NumberCell
      rule={{
        label,
        low: fromTemperature(range[0], units),
        high: fromTemperature(range[1], units),
        unit: temperatureUnit(units),
        optional: true,
      }}
      value={shown(value)}
      placeholder="–"
      onTake={(v) => take(v === null ? null : toTemperature(v, units))}
    />
  );
  return (
    <section aria-labelledby="own-rules" className="mt-3 border-t-2 border-ink-3 pt-1">
      <h3 id="own-rules" className="flex items-baseline justify-between font-semibold">
        Your own rules <SaveNote state={kept.state} onAgain={kept.saveNow} />
      </h3>
      <p className="mt-1 flex flex-wrap items-center gap-x-1.5">
        Below{' '}
        {cell('Mouth covered below', WISH_RANGE.mouthBelowC, wishes.mouthBelowC, (c) =>
          setWishes({ ...wishes, mouthBelowC: c }),
        )}{' '}
        {temperatureUnit(units)} I cover my mouth.
      </p>
      <p className="mt-1 flex flex-wrap items-center gap-x-1.5">
        Never out where it feels below{' '}
        {cell('Never below', WISH_RANGE.floorC, wishes.floorC, (c) => setWishes({ ...wishes, floorC: c }))}{' '}
        {temperatureUnit(units)}.
      </p>
      <p className="mt-1 text-[12px] text-ink-2">{obeyed(wishes)}</p>
    </section>
  );
}

/** What keeping them means. */
function obeyed(w: Wishes): string {
  if (w.mouthBelowC == null && w.floorC === null)
    return 'None kept. Every plan, answer and rung would obey what you write here.';
  return 'Every plan, answer and rung obeys them. Where the model would leave the mouth bare, the front door says so.';
}
