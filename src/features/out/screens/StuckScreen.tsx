'use client';
import { Check } from 'lucide-react';
import { useEffect, useState } from 'react';
import { MOST_STUCK, SIGNS, type Sign, type StuckSo } from '@/core/underway/taps';
import { placeOf } from '@/core/outing/track';
import { STUCK } from '@/core/judge/judgement';
import { clock } from '@/formats/dates';
import { height, temperature, windSpeed, type Units } from '@/formats/measures';
import { Big } from '@/features/out/parts/Big';
import { AS_IS, HelpWindow, HoldsBar, hoursOf, holdsWords, type Bar } from '@/features/out/parts/HoldsBars';
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
  const so = out.stuckSo;
  const set = (next: Partial<StuckSo>) => void o.tell({ kind: 'stuck so', so: { ...so, ...next } });
  const bars: Bar[] = stuck
    ? [{ name: AS_IS, ...stuck.stuck }, ...stuck.stuck.means.map((m) => ({ shiversH: null, ...m }))]
    : [];
  const chosen = bars.find((b) => b.name === so.shelter) ?? bars[0];
  const best = [...bars].sort((a, b) => (b.dangerH ?? 99) - (a.dangerH ?? 99))[0];
  const due = dayClock(out.startMs!, pack.outing.utcOffsetMin, o.now?.endS ?? opened.timeline.endS);
  const signs = [...out.signs].map((s) => s.toLowerCase());
  const message = homeMessage({
    name: pack.outing.name,
    place: `${leg}, ${height(here.eleM, units)}${at ? `, near ${at}` : ''}, stopped ${dayClock(out.startMs!, pack.outing.utcOffsetMin, out.stuckS!)}.`,
    says: `${so.people > 1 ? `${so.people} people cannot` : 'cannot'} go on.${chosen && chosen.name !== AS_IS ? ` With ${chosen.name}.` : ''}${signs.length > 0 ? ` Seen: ${signs.join(', ')}.` : ''}`,
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
      <div className="mt-1 flex items-center justify-between gap-2">
        <p className="speak text-[1.5rem] font-semibold">We are stuck.</p>
        <div role="group" aria-label="How many of you" className="flex items-center gap-2">
          <Big
            size="small"
            className="w-[46px]"
            disabled={so.people <= 1}
            aria-label="One fewer"
            onClick={() => set({ people: so.people - 1 })}
          >
            −
          </Big>
          <b aria-live="polite" className="text-[1.05rem]">
            {so.people === 1 ? 'alone' : `${so.people} people`}
          </b>
          <Big
            size="small"
            className="w-[46px]"
            disabled={so.people >= MOST_STUCK}
            aria-label="One more"
            onClick={() => set({ people: so.people + 1 })}
          >
            +
          </Big>
        </div>
      </div>
      <p aria-live="polite" className="text-[1rem] leading-snug">
        {bars.length === 0
          ? 'Working out how long it holds…'
          : `${holdsWords(chosen)} ${best === chosen ? '' : `Better, if you have it: ${best.name.toLowerCase()}.`}`}
      </p>
      {bars.length > 0 && (
        <section aria-label="It holds" className="mt-1">
          <h2 className="grid grid-cols-[7rem_1fr_3rem] items-baseline text-[0.95rem] font-bold">
            It holds{' '}
            <span className="font-normal">
              help may take {hoursOf(so.helpFromH)} to {hoursOf(so.helpToH)} h, or longer
            </span>{' '}
            <span className="text-right">hours</span>
          </h2>
          <HelpWindow so={so} onRest={(helpFromH, helpToH) => set({ helpFromH, helpToH })} />
          {bars.map((b) => (
            <HoldsBar
              key={b.name}
              bar={b}
              so={so}
              sinceH={sinceS / 3600}
              chosen={b === chosen}
              onChoose={() => set({ shelter: b.name === AS_IS ? null : b.name })}
              units={units}
            />
          ))}
          <p className="text-[0.85rem] text-ink-2">
            Tap what you do. Bar: to danger ▲. Ruled: hands useless. The box: when help may come, drag its ends; in it
            your fingers after 4 h.
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
