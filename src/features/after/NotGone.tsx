'use client';
import type { Opened } from '@/core/underway/pack';
import { plannedStartMs } from '@/core/underway/pack';
import type { OutThere } from '@/core/underway/outThere';
import { clock } from '@/formats/dates';
import { Button } from '@/ui/Button';
import type { ToldHere } from './useTold';
import { WatchTrack } from './WatchTrack';

/** An outing of which nobody said that it was gone. */
export function NotGone({ told, opened, out }: { told: ToldHere; opened: Opened; out: OutThere }) {
  const { pack, timeline } = opened;
  const startMs = out.startMs ?? plannedStartMs(pack);
  const asPlanned = () =>
    told.tell(
      ...(out.startMs === null ? [{ told: { kind: 'started' as const, by: 'button' as const }, atMs: startMs }] : []),
      ...out.cues
        .filter((c) => c.stands !== 'done')
        .map((c) => ({ told: { kind: 'done' as const, cue: c.key }, atMs: startMs + Math.round(c.dueS) * 1000 })),
      { told: { kind: 'home' as const }, atMs: startMs + Math.round(timeline.endS) * 1000 },
      { told: { kind: 'kept' as const } },
    );
  return (
    <section className="max-w-[66ch] pt-4">
      <h1 className="speak text-[26px] leading-tight font-semibold">
        {out.stage === 'way' ? 'Begun, and nobody said it is over.' : 'Have you been?'}
      </h1>
      <p className="mt-2 text-[15px]">
        Take the plan as the first guess: gone as planned, {clock(timeline.endS)} h
        {out.cues.length > 0 && ` with ${out.cues.length === 1 ? 'its cue' : `all ${out.cues.length} cues`} done`}. Then
        drag what was different, say how it felt, and put on the scale what you can. Or bring what your watch recorded.
      </p>
      <p className="mt-3 flex gap-2">
        <Button kind="strong" size="large" onClick={() => void asPlanned()}>
          It was gone as planned
        </Button>
      </p>
      <div className="mt-5">
        <WatchTrack outingId={pack.outingId} out={out} told={told} />
      </div>
    </section>
  );
}
