'use client';
import { Check } from 'lucide-react';
import { useEffect, useState } from 'react';
import { SIGNS, type Sign } from '@/core/underway/taps';
import { placeOf } from '@/core/outing/track';
import { STUCK } from '@/core/judge/judgement';
import { clock } from '@/formats/dates';
import { degrees, height, temperature, windSpeed, type Units } from '@/formats/measures';
import { Big } from '@/features/out/parts/Big';
import { Triangle } from '@/features/out/parts/Icons';
import { sayAloud } from '@/features/out/state/useAid';
import { kept, type KeptContact } from '@/features/out/state/kept';
import type { Out } from '@/features/out/state/useOut';
import { coordinates, dayClock, homeMessage, howLong, metresNow, upper } from '@/features/out/words';
import { stretchAt } from '@/core/outing/moments';
import { useToasts } from '@/ui/toasts';

/** What each sign asks for, as first-aid guidance for the public says it (from memory); a doctor's or a rescuer's word comes first. */
const SIGN_WORDS: Record<Sign, string> = {
  'white skin': 'Cover it, warm it with a bare hand or in an armpit. Do not rub, no snow.',
  fumbles: 'Hands in armpits, mitts on, sugar. Somebody else does zips and stove.',
  mumbles:
    'Hypothermia begins: out of the wind, dry, insulated from the ground, warm sweet drink if awake. Call for help.',
  'no shiver':
    'Grave when cold: lie flat, handle gently, insulate all round, nothing by mouth if drowsy. Call for help now.',
};
/** Callers to mountain rescue wait two to four hours and longer in bad weather (common practice, no published source). */
const HELP_H = [2, 6] as const;
const FAR_H = 12;
const DUE_EVERY_S = 600;

/** Somebody cannot go on: how long each shelter holds, what to put on in which order, what to watch, and the words to call with. */
export function StuckScreen({ o, units }: { o: Out; units: Units }) {
  const { out, opened, stuck } = o;
  const { pack } = opened;
  const say = useToasts((t) => t.say);
  const sinceS = out.nowS - out.stuckS!;
  const here = stretchAt(opened.timeline, out.wayS);
  const track = pack.track;
  const { gone } = metresNow(opened.timeline, out.wayS);
  const place = track && gone > 0 ? placeOf(track, out.place?.metres ?? gone) : null;
  const at = place ? coordinates(place.lat, place.lon) : null;
  const leg = opened.timeline.legs[here.leg].name;
  const bars = stuck
    ? [{ name: 'As you are', ...stuck.stuck }, ...stuck.stuck.means.map((m) => ({ shiversH: null, ...m }))]
    : [];
  const best = [...bars].sort((a, b) => (b.dangerH ?? 99) - (a.dangerH ?? 99))[0];
  const due = dayClock(out.startMs!, pack.outing.utcOffsetMin, o.now?.endS ?? opened.timeline.endS);
  const signs = [...out.signs].map((s) => s.toLowerCase());
  const message = homeMessage({
    name: pack.outing.name,
    place: `${leg}, ${height(here.eleM, units)}${at ? `, near ${at}` : ''}, stopped ${dayClock(out.startMs!, pack.outing.utcOffsetMin, out.stuckS!)}.`,
    says: `cannot go on.${signs.length > 0 ? ` Seen: ${signs.join(', ')}.` : ''}`,
    due,
  });
  const nextS = DUE_EVERY_S - (sinceS % DUE_EVERY_S);
  return (
    <main className="px-3 pb-3">
      <header className="flex items-start justify-between gap-3 pt-2">
        <h1 className="text-[2rem] leading-none font-bold">
          {clock(sinceS)} <span className="text-[1rem] font-semibold">stopped</span>
        </h1>
        <p className="text-right text-[0.95rem] leading-tight">
          <b className="speak">{leg}</b>, {height(here.eleM, units)}
          <br />
          {o.now ? `${temperature(o.now.airC, units)}, wind ${windSpeed(o.now.windMs, units)}` : ''}
        </p>
      </header>
      <p className="speak mt-1 text-[1.5rem] font-semibold">We are stuck.</p>
      <p aria-live="polite" className="text-[1rem] leading-snug">
        {bars.length === 0
          ? 'Working out how long it holds…'
          : `${holdsWords(bars[0])} ${best === bars[0] ? '' : `Better, if you have it: ${best.name.toLowerCase()}.`}`}
      </p>
      {bars.length > 0 && (
        <section aria-label="It holds" className="mt-1">
          <h2 className="grid grid-cols-[7rem_1fr_3rem] items-baseline text-[0.95rem] font-bold">
            It holds{' '}
            <span className="font-normal">
              help may take {HELP_H[0]} to {HELP_H[1]} h, or longer
            </span>{' '}
            <span className="text-right">hours</span>
          </h2>
          {bars.map((b) => (
            <HoldsBar
              key={b.name}
              name={b.name}
              handsH={b.handsH}
              dangerH={b.dangerH}
              fingersC={b.after.find((a) => a.hours === 4)?.fingersC ?? null}
              units={units}
            />
          ))}
          <p className="text-[0.85rem] text-ink-2">
            Bar: to danger ▲. Ruled: hands useless. The box: when help may come; in it your fingers after 4 h.
          </p>
        </section>
      )}
      {stuck && (
        <section aria-label="Put on, in this order" className="mt-2 border-t border-ink pt-1">
          <h2 className="text-[1.05rem] font-bold">Put on, in this order</h2>
          <div className="grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-x-3">
            {[
              ...stuck.steps.map((s) => s.says),
              'Sit on the pack, out of the wind',
              'Eat, drink warm',
              'Stay awake: talk',
            ].map((says, i) => {
              const on = out.ticked.has(`stuck ${says}`);
              return (
                <button
                  key={says}
                  type="button"
                  role="checkbox"
                  aria-checked={on}
                  className="flex min-h-[46px] cursor-pointer items-center gap-2 text-left text-[0.98rem] leading-tight"
                  onClick={() => void o.tell({ kind: 'ticked', item: `stuck ${says}`, on: !on })}
                >
                  <span
                    className={`grid size-8 shrink-0 place-items-center rounded-[0.35rem] border-2 font-bold ${on ? 'border-go bg-go text-on-go' : 'border-ink'}`}
                  >
                    {on ? <Check size={18} aria-hidden="true" /> : i + 1}
                  </span>
                  {says}
                </button>
              );
            })}
          </div>
        </section>
      )}
      <section aria-label="Watch each other" className="mt-2 border-t border-ink pt-1">
        <h2 className="flex items-baseline justify-between text-[1.05rem] font-bold">
          Watch each other <span className="text-[0.9rem] font-normal text-ink-2">tap what you see</span>
        </h2>
        <div className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-2">
          {SIGNS.map((s) => (
            <Big
              key={s}
              aria-pressed={out.signs.has(s)}
              kind={out.signs.has(s) ? 'act' : 'plain'}
              onClick={() => void o.tell({ kind: 'sign', sign: s, seen: !out.signs.has(s) })}
            >
              {out.signs.has(s) && <Triangle size={18} />} {upper(s)}
            </Big>
          ))}
        </div>
        {[...out.signs].map((s) => (
          <p key={s} role="status" className="mt-1 text-[1rem] leading-snug">
            <b className="text-act">{upper(s)}:</b> {SIGN_WORDS[s]}
          </p>
        ))}
      </section>
      <CallForHelp message={message} at={at} offM={out.place?.offM ?? null} onCopied={() => say('Copied')} />
      <p
        role="timer"
        className="mt-2 rounded-[0.6rem] bg-go px-4 py-3 text-[1.15rem] leading-tight font-bold text-on-go"
      >
        In {howLong(nextS)}: move toes, count to 20. Look: cheeks, nose, fingers.
      </p>
      <div className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-2">
        <Big onClick={() => void o.tell({ kind: 'unstuck' }).then(() => o.replanFromHere())}>We go on</Big>
        <Big onClick={() => sayAloud(`${message} ${message}`)}>Read it aloud, twice</Big>
      </div>
      <p className="mt-2 text-[0.9rem] text-ink-2">
        A calculation for people sitting still in what is along. Danger under {STUCK.unsafeH} h counts as no time at
        all. What rescue says comes first.
      </p>
    </main>
  );
}

/** How long it holds in what there is. */
const holdsWords = ({ dangerH }: { dangerH: number | null }): string =>
  dangerH === null
    ? `As you are, all on: no danger within ${FAR_H} hours by this calculation.`
    : `As you are, all on: danger after ${dangerH.toFixed(1)} h.`;

/** Hours as a bar, with the window in which help may come drawn through all of them. */
function HoldsBar({
  name,
  handsH,
  dangerH,
  fingersC,
  units,
}: {
  name: string;
  handsH: number | null;
  dangerH: number | null;
  fingersC: number | null;
  units: Units;
}) {
  const pc = (h: number) => `${(100 * Math.min(FAR_H, h)) / FAR_H}%`;
  const to = dangerH ?? FAR_H;
  return (
    <div
      className="grid grid-cols-[7rem_1fr_3rem] items-center gap-x-1 py-[3px]"
      aria-label={`${name}: hands useless ${handsH === null ? 'not within 12' : `after ${handsH.toFixed(1)}`} hours, danger ${dangerH === null ? 'not within 12' : `after ${dangerH.toFixed(1)}`} hours`}
    >
      <span className="narrow text-[0.95rem] leading-tight font-semibold">{upper(name)}</span>
      <span className="relative block h-7 bg-worn">
        <span className="absolute inset-y-0 left-0 bg-heat-3" style={{ width: pc(to) }} />
        {handsH !== null && handsH < to && (
          <span
            className="absolute inset-y-0"
            style={{
              left: pc(handsH),
              width: pc(to - handsH),
              backgroundImage: 'repeating-linear-gradient(0deg, var(--color-cold) 0 2px, transparent 2px 5px)',
            }}
          />
        )}
        <span
          className="absolute inset-y-0 border-x-2 border-ink"
          style={{ left: pc(HELP_H[0]), width: pc(HELP_H[1] - HELP_H[0]) }}
        >
          {fingersC !== null && (
            <span className="absolute inset-y-1 left-1/2 -translate-x-1/2 bg-sheet px-1 text-[0.85rem] leading-[1.25rem] font-bold">
              {degrees(fingersC, units)}
            </span>
          )}
        </span>
        {dangerH !== null && (
          <span className="absolute top-1 -translate-x-1/2 text-act" style={{ left: pc(dangerH) }}>
            <Triangle size={18} />
          </span>
        )}
      </span>
      <span className="text-right text-[1.05rem] font-bold">{dangerH === null ? `${FAR_H}+` : dangerH.toFixed(1)}</span>
    </div>
  );
}

/** The words to call with, by every way the phone has. */
function CallForHelp({
  message,
  at,
  offM,
  onCopied,
}: {
  message: string;
  at: string | null;
  offM: number | null;
  onCopied: () => void;
}) {
  const [contact, setContact] = useState<KeptContact>({ name: '', number: '' });
  useEffect(() => {
    void kept.own<KeptContact>('contact').then((c) => c && setContact(c));
  }, []);
  const number = contact.number.replace(/[^\d+]/g, '');
  const link = `sms:${number}?&body=${encodeURIComponent(message)}`;
  return (
    <section aria-label="Call for help" className="mt-2 rounded-[0.6rem] border-2 border-grid-2 bg-sheet px-3 py-2">
      <h2 className="text-[1.05rem] font-bold">Call for help</h2>
      <p className="text-[0.95rem]">The emergency number of the place first: speaking is better than writing.</p>
      <p className="text-[1.4rem] leading-tight font-bold">{at ?? 'place not known: say the leg and the time'}</p>
      {at && (
        <p className="text-[0.9rem] text-ink-2">
          {offM === null
            ? 'by the clock, on the route: say that it is a guess'
            : `place as last heard, ${offM.toFixed(0)} m beside the route`}
        </p>
      )}
      <blockquote className="speak my-1 text-[1.05rem] leading-snug">“{message}”</blockquote>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-2">
        <a
          href={link}
          className="flex min-h-[64px] items-center justify-center rounded-[0.6rem] border-2 border-go bg-go px-2 text-center text-[1.1rem] leading-tight font-bold text-on-go"
        >
          Text to {contact.name || 'somebody'}
        </a>
        <Big onClick={() => void navigator.clipboard?.writeText(message).then(onCopied)}>Copy the words</Big>
      </div>
    </section>
  );
}
