'use client';
import { FAULTS, LEAST_DAYS, SUSPECTS, hasFault, type Cause, type Fault } from '@/core/afterwards/causes';
import type { Units } from '@/formats/measures';
import { fillSlots } from '@/formats/sentences';
import { C } from '@/ui/draw/palette';
import { Button } from '@/ui/Button';
import type { Told } from './filters';
import { DayMark } from './Marks';

const OF: Record<Fault, string> = { wet: 'wet', 'too cold': 'cold', 'too warm': 'warm' };
const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** What the days that went wrong have in common, always against the days that went well. */
export function CausesPanel({
  days,
  causes,
  refused,
  cues,
  onLight,
  onCall,
  onCue,
  units,
}: {
  units: Units;
  days: readonly Told[];
  causes: readonly Cause[];
  refused: readonly string[];
  /** causes that are a cue for the next winter */
  cues: readonly string[];
  onCue: (cause: string, it: 'a cue' | 'no cue') => void;
  onLight: (cause: string | null) => void;
  onCall: (cause: string, it: 'chance' | 'a cause') => void;
}) {
  const wrong = days.filter((d) => FAULTS.some((f) => hasFault(d.day, f))).length;
  const silent = FAULTS.filter((f) => !causes.some((c) => c.fault === f));
  return (
    <section aria-labelledby="causes" className="border-t-2 border-ink pt-2">
      <h2 id="causes" className="speak text-[20px] leading-tight">
        <b className="font-semibold">
          {wrong === 0 ? 'No day went wrong' : wrong === 1 ? 'One day went wrong' : `${wrong} days went wrong`}
        </b>
        {causes.length > 0 ? ', and they repeat.' : wrong > 0 ? '.' : ' of those shown.'}
      </h2>
      {causes.map((c) => (
        <article
          key={c.id}
          className="mt-2 grid grid-cols-[30px_minmax(0,1fr)] gap-x-2 border-b border-grid pb-2"
          onMouseEnter={() => onLight(c.id)}
          onMouseLeave={() => onLight(null)}
        >
          <svg width="26" height="28" viewBox="-13 -14 28 28" aria-hidden="true">
            <DayMark day={{ sport: 'run', was: c.fault === 'wet' ? 'right' : c.fault, cameWet: c.fault === 'wet' }} />
          </svg>
          <div>
            <h3 className="font-semibold">
              {c.had} of {c.days} {OF[c.fault]} days: {fillSlots(c.says, units)}
            </h3>
            <Counted had={c.had} all={c.days} says={OF[c.fault]} />
            <Counted had={c.othersHad} all={c.others} says="others" />
            <p className="mt-0.5 flex flex-wrap items-center gap-x-2">
              <b>{c.then}</b>
              <Button
                size="small"
                className="no-print"
                aria-pressed={cues.includes(c.id)}
                onClick={() => onCue(c.id, cues.includes(c.id) ? 'no cue' : 'a cue')}
              >
                {cues.includes(c.id) ? 'A cue: take it off' : 'Make it a cue'}
              </Button>
              <Button size="small" kind="quiet" className="no-print" onClick={() => onCall(c.id, 'chance')}>
                That is chance
              </Button>
            </p>
          </div>
        </article>
      ))}
      <p className="mt-1.5 text-[12px] text-ink-3">
        A cause is named only if chance would part the days as cleanly less than once in a hundred, with all that was
        looked for.
        {silent.map((f) => {
          const n = days.filter((d) => hasFault(d.day, f)).length;
          if (n === 0) return null;
          return (
            <span key={f}>
              {' '}
              {upper(OF[f])}: {n} {n === 1 ? 'day' : 'days'},{' '}
              {n < LEAST_DAYS ? 'too few to say' : 'nothing that chance would not do as well'}.
            </span>
          );
        })}
      </p>
      <KeptCues cues={cues} shown={causes} onCue={onCue} />
      {refused.length > 0 && (
        <p className="mt-1 text-[12px]">
          {refused.length === 1 ? 'One cause is' : `${refused.length} causes are`} called chance.{' '}
          <button
            type="button"
            className="cursor-pointer underline"
            onClick={() => refused.forEach((id) => onCall(id, 'a cause'))}
          >
            Look for {refused.length === 1 ? 'it' : 'them'} again
          </button>
        </p>
      )}
    </section>
  );
}

/** Cues that were made of causes which these days no longer show: they go on until they are taken off. */
function KeptCues({
  cues,
  shown,
  onCue,
}: {
  cues: readonly string[];
  shown: readonly Cause[];
  onCue: (cause: string, it: 'a cue' | 'no cue') => void;
}) {
  const others = SUSPECTS.filter((s) => cues.includes(s.id) && !shown.some((c) => c.id === s.id));
  if (others.length === 0) return null;
  return (
    <ul className="no-print mt-1.5" aria-label="Cues from other days">
      {others.map((s) => (
        <li key={s.id} className="flex flex-wrap items-center gap-x-2">
          <b>{s.then}</b> <span className="text-[12px] text-ink-2">a cue from other days</span>
          <Button size="small" kind="quiet" onClick={() => onCue(s.id, 'no cue')}>
            Take it off
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** So many of so many as boxes: counted, not a share. */
function Counted({ had, all, says }: { had: number; all: number; says: string }) {
  const wide = Math.min(9, 150 / Math.max(1, all));
  return (
    <p className="flex items-center gap-2 text-[12px] leading-[15px] text-ink-2">
      <svg
        width={wide * all + 1}
        height={11}
        role="img"
        aria-label={`${had} of ${all} ${says === 'others' ? 'other' : says} days`}
      >
        {Array.from({ length: all }, (_, i) => (
          <rect
            key={i}
            x={i * wide + 0.5}
            y={0.5}
            width={Math.max(2, wide - 1.5)}
            height={10}
            fill={i < had ? C.ink : C.sheet}
            stroke={C.ink3}
            strokeWidth={0.8}
          />
        ))}
      </svg>
      {had} of {all} {says}
    </p>
  );
}
