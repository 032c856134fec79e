'use client';
import { Battery } from 'lucide-react';
import { useMemo, useState } from 'react';
import { FEELINGS, type Feeling } from '@/core/calibrate/votes';
import type { CueNow } from '@/core/underway/outThere';
import { wayHome } from '@/core/underway/wayHome';
import { helpNow } from '@/core/underway/helpNow';
import { clock } from '@/formats/dates';
import { degrees, type Units } from '@/formats/measures';
import { Big } from '@/features/out/parts/Big';
import { BodyRows } from '@/features/out/parts/BodyRows';
import { FeelIcon } from '@/features/out/parts/Icons';
import { allFindings } from '@/features/out/parts/PlanStands';
import { Profile } from '@/features/out/parts/Profile';
import { CueCard } from '@/features/out/parts/CueCard';
import { Foot } from '@/features/out/parts/Foot';
import { buzz, sayAloud, useAlert, useBattery, useHardKeys } from '@/features/out/state/useAid';
import type { Out } from '@/features/out/state/useOut';
import type { Sensors } from '@/features/out/state/useSensors';
import { asksNow, cueLine, cueLines, dayClock, howFar, metresNow, quietWords, upper } from '@/features/out/words';
import { useToasts } from '@/ui/toasts';
import { AfterThat, BackNote, StoppedWords } from '@/features/out/parts/WayNotes';

const UNDO_WORDS: Record<Feeling, string> = {
  'too hot': 'Too hot: heard',
  fine: 'Fine: heard',
  cold: 'Cold: heard',
  'hands cold': 'Hands cold: heard',
  'feet cold': 'Feet cold: heard',
  sweating: 'Sweating: heard',
};
/** Two of one kind since the last plan, and the plan is made anew. */
const TWICE = 2;
const LATE_STEPS = [5, 10, 20, 40];

/** On the way: what to do next, how it is, and what to say back. */
export function WayScreen({
  o,
  s,
  units,
  aloud,
  onAloud,
}: {
  o: Out;
  s: Sensors;
  units: Units;
  aloud: 'aloud' | 'silent';
  onAloud: () => void;
}) {
  const { out, opened, now } = o;
  const garments = useMemo(() => new Map(opened.pack.closet.map((g) => [g.id, g])), [opened]);
  const battery = useBattery();
  const say = useToasts((t) => t.say);
  const [lateOpen, setLateOpen] = useState(false);
  const { next, nowS } = out;
  const cold = helpNow(out);
  const home = useMemo(() => wayHome(opened, out), [opened, out]);
  const { gone, left } = home ? { gone: home.goneM, left: home.metres } : metresNow(opened.timeline, out.wayS);
  const asks = asksNow(next);
  const says = next ? cueLine(next.cue, garments) : '';
  const due = next && (next.stands === 'due' || next.stands === 'overdue') ? next : null;
  useAlert(due ? { key: due.key, overS: Math.max(0, nowS - due.dueS), says } : null, aloud);

  const told = async (word: string, ...what: Parameters<Out['tell']>) => {
    const id = await o.tell(...what);
    if (!id) return;
    buzz(60);
    say(word, () => o.undo(id));
  };
  const done = (c: CueNow) => told('Done', { kind: 'done', cue: c.key });
  useHardKeys(
    () => due && void done(due),
    () => sayAloud(says || 'Nothing to do now.'),
  );
  const feels = async (f: Feeling) => {
    await told(UNDO_WORDS[f], { kind: 'feels', feels: f });
    const since = out.heard.filter((h) => 'feels' in h && h.feels === f && nowS - h.atS < 1800).length;
    if (f !== 'fine' && since + 1 >= TWICE) await o.replanFromHere();
  };

  return (
    <>
      <header className="flex flex-wrap items-baseline justify-between gap-x-2 pt-2 leading-none">
        <h1 className="text-[2.1rem] font-bold">
          {clock(nowS)}{' '}
          <span className="text-[1.05rem] font-semibold">{out.stoppedS !== null ? 'stopped' : 'out'}</span>
        </h1>
        <span className="narrow text-[1.05rem] font-semibold">{howFar(gone, units)}</span>
        <span className="narrow text-[1.05rem] font-semibold">
          {now ? `${degrees(s.thermometerC ?? now.airC, units)}, feels ${degrees(now.feelsC, units)}` : '…'}
        </span>
        {battery !== null && (
          <span className="narrow flex items-center gap-1 text-[1.05rem] font-semibold">
            <Battery size={18} aria-label="battery" /> {battery} %
          </span>
        )}
      </header>
      <Profile timeline={opened.timeline} wayS={out.wayS} cues={out.cues} next={next} />
      {home && <BackNote home={home} units={units} />}
      {out.place?.off && (
        <p role="status" className="border-y-2 border-act py-1 text-[1.05rem] font-bold text-act">
          {howFar(out.place.offM, units)} off the route: the clock counts till you are back on it.
        </p>
      )}
      {asks ? (
        <CueCard
          o={o}
          c={next}
          units={units}
          lines={cueLines(next.cue, garments)}
          onDone={() => void done(next)}
          told={told}
        />
      ) : (
        <Quiet o={o} units={units} then={next ? says : null} left={left} />
      )}
      <AfterThat o={o} lineOf={(c) => cueLine(c.cue, garments)} skip={asks ? next : null} />
      {now && next?.stands !== 'overdue' && (
        <BodyRows
          body={now.body}
          nowS={nowS}
          units={units}
          to={next && next.dueS <= now.body.toS + 1 ? 'at the cue' : `at ${clock(now.body.toS)}`}
          pulse={{ bpm: s.bpm, says: s.bpm === null ? 'guessed from the plan' : 'from the strap' }}
        />
      )}
      <section aria-label="How is it right now?" className="border-t border-ink pt-1">
        <h2 className="mb-1 flex items-baseline justify-between text-[1.05rem] font-bold">
          How is it right now? <span className="text-[0.85rem] font-normal text-ink-2">one tap</span>
        </h2>
        <div className="grid grid-cols-[repeat(auto-fit,minmax(6.6rem,1fr))] gap-2">
          {FEELINGS.map((f) => (
            <Big key={f} size="feel" onClick={() => void feels(f)}>
              <FeelIcon feels={f} /> {upper(f)}
            </Big>
          ))}
        </div>
        <p aria-live="polite" className="mt-1 min-h-[1.3em] text-[0.92rem]">
          {cold && <b className="font-semibold">{upper(cold)}. </b>}
          {o.belief?.says}
        </p>
      </section>
      <div className="flex flex-wrap gap-2 *:flex-1 *:last:basis-[9.5rem]">
        {out.stoppedS === null ? (
          <Big onClick={() => void told('Stopped', { kind: 'stopped' })}>Stopped</Big>
        ) : (
          <Big kind="go" onClick={() => void told('Going on', { kind: 'going' })}>
            Going
          </Big>
        )}
        <Big onClick={() => setLateOpen(!lateOpen)} aria-expanded={lateOpen}>
          Late
        </Big>
        <Big
          kind="go"
          disabled={o.busy !== null}
          onClick={() => void o.replanFromHere().then(() => say('Planned from here'))}
        >
          {o.busy ?? 'Replan from here'}
        </Big>
      </div>
      {out.stoppedS !== null && <StoppedWords o={o} units={units} />}
      {lateOpen && (
        <div
          className="mt-2 grid grid-cols-[repeat(auto-fit,minmax(4rem,1fr))] gap-2"
          role="group"
          aria-label="How late?"
        >
          {LATE_STEPS.map((m) => (
            <Big
              key={m}
              size="small"
              onClick={() => {
                setLateOpen(false);
                void told(`${m} min later`, { kind: 'late', minutes: m });
              }}
            >
              {m} min
            </Big>
          ))}
        </div>
      )}
      <Foot o={o} s={s} units={units} aloud={aloud} onAloud={onAloud} />
    </>
  );
}

/** Nothing asked for: for how long, what then, and what lies ahead. */
function Quiet({ o, units, then, left }: { o: Out; units: Units; then: string | null; left: number }) {
  const { out, now } = o;
  const { next } = out;
  const turn = turnWords(o);
  const far = next ? next.metres - metresNow(o.opened.timeline, out.wayS).gone : left;
  const { head, then: nothing } = quietWords(out, allFindings(o), units, {
    endS: now?.endS ?? o.opened.timeline.endS,
    farM: far,
  });
  return (
    <section className="rounded-[0.6rem] border-2 border-ink bg-sheet px-4 py-3" aria-live="polite">
      <p className="narrow text-[2.3rem] leading-none font-extrabold">{now ? head : 'One moment.'}</p>
      <p className="mt-1 text-[1.15rem] leading-snug font-semibold">{nothing}</p>
      <p className="text-[1rem] text-ink-2">
        {then
          ? `Then: ${then}, at ${clock(next!.dueS)}.`
          : `${howFar(left, units)} to the end, about ${clock(now?.endS ?? 0)} out.`}
      </p>
      {turn && <p className="text-[1rem] text-ink-2">{turn}</p>}
    </section>
  );
}

/** When to turn at the latest, while that still lies ahead and matters; empty otherwise. */
function turnWords({ out, now, opened }: Out): string {
  const light = now?.light;
  if (!light || light.darkS === null || light.turnByS === null || light.meant || out.turnedBackWayS !== null) return '';
  if (light.turnByS <= out.nowS || light.endS < light.darkS - SPARE_S) return '';
  const at = (s: number) => dayClock(out.startMs!, opened.pack.outing.utcOffsetMin, s);
  return `Turn back by ${at(light.turnByS)}: night from ${at(light.darkS)}.`;
}
/** Home so long before night, and nobody need think of turning, s. */
const SPARE_S = 3600;
