'use client';
import { useEffect, useState } from 'react';
import { plannedStartMs } from '@/core/underway/pack';
import { temperature, type Units } from '@/formats/measures';
import { buzz } from '@/features/out/state/useAid';
import { kept, type KeptContact } from '@/features/out/state/kept';
import type { Out } from '@/features/out/state/useOut';
import { dayClock, homeMessage } from '@/features/out/words';
import { Big } from './Big';

/** When one is due, who knows, when to turn, and what happens if one cannot go on. */
export function Safety({ o, units }: { o: Out; units: Units }) {
  const { opened, now } = o;
  const farthest = o.otherwise?.farthest;
  const { outing } = opened.pack;
  const [contact, setContact] = useState<KeptContact>({ name: '', number: '' });
  useEffect(() => {
    void kept.own<KeptContact>('contact').then((c) => c && setContact(c));
  }, []);
  if (!now) return null;
  const startMs = Math.max(o.nowMs, plannedStartMs(opened.pack));
  const at = (s: number) => dayClock(startMs, outing.utcOffsetMin, s);
  const { darkS, turnByS, meant } = now.light;
  const message = homeMessage({
    name: outing.name,
    place: null,
    says: `I leave at ${at(0)}.`,
    due: `${at(now.endS)}; if I am not back by ${at(now.endS + GRACE_S)}, try to reach me, then call for help`,
  });
  return (
    <section aria-label="Should something happen" className="border-t border-ink py-1">
      <h2 className="flex items-baseline justify-between text-[1.05rem] font-bold">
        Due back {at(now.endS)}
        {contact.name && (
          <span className="text-[0.9rem] font-normal text-ink-2">{contact.name} knows once it is sent</span>
        )}
      </h2>
      <p className="text-[0.98rem] leading-snug">
        {darkS !== null && `Night from ${at(darkS)}${meant ? ', as planned: a lamp' : ''}. `}
        {turnByS !== null && turnByS < now.endS && !meant && `Turn back by ${at(turnByS)} at the latest. `}
        {farthest &&
          `If you cannot go on at the farthest place: ${farthest.dangerH === null ? 'no danger within 12 hours by this calculation' : `danger after ${farthest.dangerH.toFixed(1)} h`} in all that is along, ${farthest.doorH.toFixed(1)} h from a door, ${temperature(farthest.airC, units)}.`}
      </p>
      <div className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-2">
        <a
          href={`sms:${contact.number.replace(/[^\d+]/g, '')}?&body=${encodeURIComponent(message)}`}
          className="flex min-h-[44px] items-center justify-center rounded-[0.6rem] border-2 border-grid-2 px-2 text-center text-[0.95rem] leading-tight font-semibold"
        >
          Tell {contact.name || 'somebody'} by text
        </a>
        <Big
          size="small"
          kind="quiet"
          onClick={() => void navigator.clipboard?.writeText(message).then(() => buzz(30))}
        >
          Copy the words
        </Big>
      </div>
    </section>
  );
}
/** Nobody calls for help over a late bus: so long after the time one is due, s (engineering value). */
const GRACE_S = 3600;
