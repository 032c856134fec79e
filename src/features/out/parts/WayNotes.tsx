'use client';
import { Navigation2 } from 'lucide-react';
import type { CueNow } from '@/core/underway/outThere';
import { type WayHome } from '@/core/underway/wayHome';
import { clock } from '@/formats/dates';
import { degrees, type Units } from '@/formats/measures';
import type { Out } from '@/features/out/state/useOut';
import { howFar, howLong } from '@/features/out/words';

/** The one after, and what was missed and what follows from that. */
export function AfterThat({ o, lineOf, skip }: { o: Out; lineOf: (c: CueNow) => string; skip: CueNow | null }) {
  const { out } = o;
  const missed = out.cues.filter((c) => c.stands === 'missed');
  const after = skip ? out.cues.find((c) => c.stands !== 'done' && c.stands !== 'missed' && c.key !== skip.key) : null;
  return (
    <>
      {missed.map((c) => (
        <p key={c.key} className="flex items-baseline gap-2 border-b border-grid-2 py-1 text-[1rem]">
          <b className="text-act">Missed</b>
          <span className="min-w-0 flex-1">{lineOf(c)}: too long ago to be right. Replan from here.</span>
        </p>
      ))}
      {after && (
        <p className="flex items-baseline gap-2 border-b border-grid-2 py-1 text-[1.05rem]">
          <span className="grid size-7 shrink-0 place-items-center self-center rounded-full border-2 border-act text-[0.9rem] font-bold text-act">
            {after.number}
          </span>
          <span className="min-w-0 flex-1">{lineOf(after)}</span>
          <span className="whitespace-nowrap">{clock(after.dueS)}</span>
        </p>
      )}
    </>
  );
}

/** Counts up while one stands, and says what standing does. */
export function StoppedWords({ o, units }: { o: Out; units: Units }) {
  const { out, now } = o;
  const fingers = now?.body.traces.find((t) => t.name === 'fingers');
  return (
    <p role="status" className="mt-1 text-[1rem]">
      Stopped for {howLong(out.nowS - out.stoppedS!)}.
      {fingers &&
        fingers.end < fingers.now - 1 &&
        ` Fingers ${degrees(fingers.end, units)} by ${clock(now!.body.toS)} if you stand on.`}
    </p>
  );
}

const COMPASS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];

/** The way home of somebody who turned back: how far, and where it leads. The arrow stands with north at the top. */
export function BackNote({ home: { metres, towardsDeg }, units }: { home: WayHome; units: Units }) {
  return (
    <p
      role="status"
      className="flex items-center gap-3 border-y-2 border-ink py-1.5 text-[1.15rem] leading-tight font-bold"
    >
      {towardsDeg !== null && (
        <Navigation2
          size={30}
          aria-hidden="true"
          className="shrink-0"
          style={{ transform: `rotate(${towardsDeg}deg)` }}
        />
      )}
      <span>
        Back the way you came: {howFar(metres, units)} to the start
        {towardsDeg !== null && (
          <span className="block text-[1rem] font-normal">
            it leads {COMPASS[Math.round(towardsDeg / 45) % 8]}; the arrow has north at the top
          </span>
        )}
      </span>
    </p>
  );
}
