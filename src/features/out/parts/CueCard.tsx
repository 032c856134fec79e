'use client';
import { useState } from 'react';
import { nextLee } from '@/core/outing/wayClock';
import type { CueNow } from '@/core/underway/outThere';
import { REASONS, type Reason } from '@/core/underway/taps';
import { clock } from '@/formats/dates';
import type { Units } from '@/formats/measures';
import { Big, useHold } from './Big';
import { Triangle } from './Icons';
import { OverdueChart } from './OverdueChart';
import type { Out } from '@/features/out/state/useOut';
import { howFar, howLong, metresNow, upper, whenWords, whyWords } from '@/features/out/words';

/** A cue that is near, due or over: in letters read at arm's length, with its two answers. */
export function CueCard({
  o,
  c,
  units,
  lines,
  onDone,
  told,
}: {
  o: Out;
  c: CueNow;
  units: Units;
  lines: string[];
  onDone: () => void;
  told: (word: string, ...what: Parameters<Out['tell']>) => Promise<void>;
}) {
  const [cannot, setCannot] = useState(false);
  const { out, now } = o;
  const far = c.metres - metresNow(o.opened.timeline, out.wayS).gone;
  const over = c.stands === 'overdue';
  const help = helpWords(o, c, units);
  const hold = useHold(() => setCannot(true));
  const later = (reason: Reason) => {
    setCannot(false);
    void told(upper(reason), { kind: 'later', cue: c.key, reason });
  };
  return (
    <section aria-live="assertive" aria-label={`Cue ${c.number}`}>
      <div className={`overflow-hidden rounded-[0.6rem] border-2 ${over ? 'border-act' : 'border-ink'} bg-sheet`}>
        <p className="flex items-center gap-3 bg-act px-4 py-2 text-[1.25rem] font-bold text-on-act">
          {over ? (
            <Triangle size={24} />
          ) : (
            <span className="grid size-9 place-items-center rounded-full bg-on-act text-act">{c.number}</span>
          )}
          {whenWords(c, out.nowS)}
          <span className="ml-auto">{over ? `due ${clock(c.dueS)}` : far > 30 ? howFar(far, units) : ''}</span>
        </p>
        <div className="px-4 py-3">
          {help && <p className="narrow mb-2 text-[2.1rem] leading-[1.02] font-extrabold">{help}</p>}
          {lines.map((l, i) => (
            <p
              key={l}
              className={`narrow font-extrabold ${i < 3 && !help ? 'text-[2.1rem] leading-[1.02]' : 'text-[1.25rem] leading-tight'}`}
            >
              {l}.
            </p>
          ))}
          <p className="mt-2 text-[1.05rem] leading-snug">{whyWords(c, o.reasons, units)}</p>
        </div>
      </div>
      {over && now?.overdue && <OverdueChart curves={now.overdue} nowS={out.nowS} units={units} />}
      <div className="mt-2 flex flex-wrap gap-2 *:first:flex-[2] *:last:flex-1 *:last:basis-[6rem]">
        <Big kind="go" size="main" onClick={onDone}>
          Done
        </Big>
        <Big
          size="main"
          className="text-[1.15rem]"
          {...hold.on}
          onClick={() => (over ? setCannot(!cannot) : hold.wasHeld() || later('not yet'))}
        >
          {over ? 'I cannot now' : 'Not yet'}
        </Big>
      </div>
      {cannot && (
        <div
          className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-2"
          role="group"
          aria-label="Why not now?"
        >
          {REASONS.map((r) => (
            <Big key={r} size="small" onClick={() => later(r)}>
              {REASON_WORDS[r]}
            </Big>
          ))}
        </div>
      )}
    </section>
  );
}
/** What helps against the reason for which it was put off, while that lasts; empty otherwise. */
function helpWords({ out, opened }: Out, c: CueNow, units: Units): string {
  if (!c.later || out.nowS >= c.later.untilS) return '';
  const left = howLong(c.later.untilS - out.nowS);
  switch (c.later.reason) {
    case 'hands too cold':
      return `Hands in your armpits, ${left}. Then:`;
    case 'group moves':
      return `Hood up, mitts on, go. In ${left}:`;
    case 'no shelter': {
      const lee = nextLee(opened.timeline, out.wayS);
      return lee === null ? `Backs to the wind, close together. In ${left}:` : `Lee in ${howFar(lee, units)}. There:`;
    }
    default:
      return '';
  }
}
const REASON_WORDS: Record<Reason, string> = {
  'not yet': 'Not yet: in 2 min',
  'no shelter': 'No shelter here: in 5 min',
  'hands too cold': 'Hands too cold: armpits 3 min',
  'group moves': 'The group moves: in 4 min',
};
