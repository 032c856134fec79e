'use client';
import { Pause, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Recorded } from '@/core/afterwards/recorded';
import type { OutThere } from '@/core/underway/outThere';
import { clock } from '@/formats/dates';
import type { Problem } from '@/formats/problem';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import type { ToldHere } from './useTold';

/** What a watch recorded: read by the server, shown, and told like any tap. */
export function WatchTrack({ outingId, out, told }: { outingId: string; out: OutThere; told: ToldHere }) {
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [read, setRead] = useState<Recorded | null>(null);
  const bring = async (file: File) => {
    const form = new FormData();
    form.set('track', file);
    setBusy(true);
    setProblems([]);
    try {
      const recorded = await request<Recorded>('POST', `/api/outings/${outingId}/track`, form);
      setRead(recorded);
      const { startMs, endMs, moments } = recorded;
      await told.tell(
        { told: { kind: 'started', by: 'moving' }, atMs: startMs },
        { told: { kind: 'recorded', startMs, endMs, moments } },
      );
    } catch (e) {
      setProblems(problemsOf(e));
    } finally {
      setBusy(false);
      if (input.current) input.current.value = '';
    }
  };
  const pulses = (out.recorded ?? []).flatMap((m) => m.bpm ?? []);
  const mean = pulses.reduce((a, b) => a + b, 0) / Math.max(1, pulses.length);
  return (
    <div className="border-t border-grid-2 pt-2">
      <h3 className="font-semibold">What a watch recorded</h3>
      <Problems problems={problems} title="Not read." />
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <input
          ref={input}
          type="file"
          accept=".gpx,.csv,.txt,application/gpx+xml,text/csv"
          aria-label="Recorded track, GPX or CSV of time and pulse"
          className="sr-only"
          onChange={(e) => e.target.files?.[0] && void bring(e.target.files[0])}
        />
        <Button size="small" disabled={busy} onClick={() => input.current?.click()}>
          <Upload size={13} aria-hidden="true" />
          {busy ? 'Reading…' : out.recorded ? 'Another track' : 'GPX, or CSV of time and pulse'}
        </Button>
        {out.recorded && (
          <>
            <span className="text-[12.5px]">
              {clock(out.nowS)} h, {out.recorded.length} moments
              {pulses.length > 0 && `, pulse ${mean.toFixed(0)} in the mean`}
              {read?.onRoute != null && `, ${Math.round(100 * read.onRoute)} % on the route`}
            </span>
            <Button size="small" kind="quiet" onClick={() => void told.untell((t) => t.kind === 'recorded')}>
              Take it out
            </Button>
          </>
        )}
        {!out.recorded && (
          <span className="flex items-center gap-1 text-[12px] text-ink-3">
            <Pause size={12} aria-hidden="true" />
            it brings the real clock, stops and pulse
          </span>
        )}
      </div>
    </div>
  );
}
