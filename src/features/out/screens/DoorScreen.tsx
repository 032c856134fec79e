'use client';
import { winterCues } from '@/core/afterwards/causes';
import { factsOf } from '@/core/afterwards/facts';
import { WinterCues } from '@/ui/WinterCues';
import { useMemo, useState } from 'react';
import type { Garment } from '@/core/clothing/garment';
import { safetyList } from '@/core/questions/safetyList';
import { bagOf, raceOf } from '@/core/kit/raceBag';
import { goneNow, meantNow } from '@/core/underway/gone';
import { OLD_FORECAST_H, plannedStartMs } from '@/core/underway/pack';
import { AIR_STEPS, FALL_STEPS, isAsSaid, WIND_STEPS, type Sky } from '@/core/underway/taps';
import { isSafe } from '@/core/judge/findings';
import { weatherAt } from '@/core/outing/forecast';
import { day, timeOfDay } from '@/formats/dates';
import { temperature, windSpeed, type Units } from '@/formats/measures';
import { Big, Choice } from '@/features/out/parts/Big';
import { Triangle } from '@/features/out/parts/Icons';
import { allFindings, PlanStands } from '@/features/out/parts/PlanStands';
import { Safety } from '@/features/out/parts/Safety';
import { SentLine } from '@/features/out/parts/Foot';
import { buzz } from '@/features/out/state/useAid';
import type { Out } from '@/features/out/state/useOut';
import { howLong, openWords } from '@/features/out/words';
import { useToasts } from '@/ui/toasts';
import { PackRow, TickRow } from '@/features/out/parts/CheckRows';

/** From head to foot, as one dresses in the hall. */
const ROWS: { name: string; groups: Garment['group'][] }[] = [
  { name: 'Head', groups: ['head'] },
  { name: 'Face', groups: ['face', 'eyes'] },
  { name: 'Torso', groups: ['torso'] },
  { name: 'Hands', groups: ['hands'] },
  { name: 'Legs', groups: ['legs'] },
  { name: 'Feet', groups: ['feet'] },
];
const MINUTE_MS = 60_000;

/** At the door: answer the sky, tick oneself head to foot, go. */
export function DoorScreen({ o, units }: { o: Out; units: Units }) {
  const { out, opened, now, nowMs } = o;
  const { pack } = opened;
  const say = useToasts((t) => t.say);
  const [missing, setMissing] = useState(false);
  const startMs = plannedStartMs(pack);
  const offset = pack.outing.utcOffsetMin * MINUTE_MS;
  const inMs = startMs - nowMs;
  const w = weatherAt(pack.outing.forecast, pack.outing.startMs, 0);
  const byId = useMemo(() => new Map(pack.closet.map((g) => [g.id, g])), [pack]);
  const { worn, carried } = out.plan;
  const of = (ids: readonly string[]) => ids.flatMap((id) => byId.get(id) ?? []);
  const rows = ROWS.map((r) => ({
    ...r,
    list: of(worn)
      .filter((g) => r.groups.includes(g.group))
      .sort((a, b) => a.order - b.order),
  })).filter((r) => r.list.length > 0);
  const { timeline } = meantNow(opened, out);
  const asked = safetyList({ timeline, plan: out.plan }, of([...worn, ...carried])).filter((i) => ASKED.has(i.item));
  const { person, winterCues: ids = [] } = pack;
  const own = winterCues(ids, () => factsOf({ timeline, plan: out.plan, closet: pack.closet, out, person }));
  const packed = [
    ...of(carried).map((g) => ({ key: g.id, name: g.name, garment: g.id as string | null, why: '' })),
    ...asked.map((i) => ({ key: i.item, name: i.item, garment: null, why: i.says })),
  ];
  const wornTicked = rows.filter((r) => out.ticked.has(r.name)).length;
  const packTicked = packed.filter((p) => out.ticked.has(p.key)).length;
  const bag = of([...bagOf(out.plan, raceOf(timeline, person))]);
  const problem = startProblem(o);

  const undo = (...ids: (string | null)[]) => ids.forEach((id) => id && o.undo(id));
  const sky = async (next: Sky) => {
    const id = await o.tell({ kind: 'sky', sky: next });
    if (!id) return;
    buzz(40);
    const dressed = await o.redress();
    say(isAsSaid(next) ? 'As said' : 'Heard', () => undo(id, dressed));
  };
  const leave = async (g: string) => {
    const id = await o.tell({ kind: 'with', garment: g, along: false });
    if (!id) return;
    buzz(80);
    const dressed = await o.redress();
    say(`${byId.get(g)?.name ?? g}: not with me`, () => undo(id, dressed));
  };
  const tick = (item: string) => void o.tell({ kind: 'ticked', item, on: !out.ticked.has(item) });
  const ageH = pack.forecastMs === null ? null : (nowMs - pack.forecastMs) / 3600_000;

  return (
    <>
      <header className="flex items-start justify-between gap-3 border-b border-ink py-2">
        <h1 className="text-[2.1rem] leading-none font-bold">{timeOfDay(nowMs + offset)}</h1>
        <p className="min-w-0 text-right leading-tight">
          <b className="speak block text-[1.1rem]">{pack.outing.name}</b>
          <span className="text-[0.95rem] text-ink-2">
            {inMs > 0
              ? inMs < 20 * 3600_000
                ? `you start at ${timeOfDay(pack.outing.startMs)}, in ${howLong(inMs / 1000)}`
                : `${day(pack.outing.startMs)}, ${timeOfDay(pack.outing.startMs)}`
              : inMs > -90_000
                ? 'you start now'
                : `${howLong(-inMs / 1000)} after ${timeOfDay(pack.outing.startMs)}`}
          </span>
        </p>
      </header>
      <section aria-label="Look outside" className="border-b border-ink py-2">
        <h2 className="mb-1 flex items-baseline justify-between text-[1.05rem] font-bold">
          Look outside
          <span
            className={`text-[0.9rem] font-normal ${ageH !== null && ageH > OLD_FORECAST_H ? 'font-bold text-act' : 'text-ink-2'}`}
          >
            {ageH === null
              ? 'forecast of unknown age'
              : ageH > OLD_FORECAST_H
                ? `forecast ${ageH < 48 ? `${ageH.toFixed(0)} h` : `${(ageH / 24).toFixed(0)} days`} old`
                : `forecast of ${timeOfDay(pack.forecastMs! + offset)}`}
          </span>
        </h2>
        <div className="grid gap-1">
          <Choice
            label="Air"
            options={AIR_STEPS}
            value={out.sky.air}
            onPick={(air) => void sky({ ...out.sky, air })}
            words={{ colder: 'colder', 'as said': `${temperature(w.airC, units)}, as said`, warmer: 'warmer' }}
          />
          <Choice
            label="Wind"
            options={WIND_STEPS}
            value={out.sky.wind}
            onPick={(wind) => void sky({ ...out.sky, wind })}
            words={{ less: 'less', 'as said': `${windSpeed(w.wind, units)}, as said`, more: 'more' }}
          />
          <Choice
            label="Falls"
            options={FALL_STEPS}
            value={out.sky.falls}
            onPick={(falls) => void sky({ ...out.sky, falls })}
            words={{
              'as said': w.precipitationMmH < 0.05 ? 'nothing, as said' : `${w.kind}, as said`,
              dry: 'dry',
              wet: 'it falls',
            }}
          />
        </div>
        <p aria-live="polite" className="mt-1 text-[0.98rem]">
          {o.busy ? `${o.busy}…` : <PlanStands o={o} units={units} />}
        </p>
      </section>
      <section aria-label="On you, from the skin out" className="py-1">
        <h2 className="flex items-baseline justify-between text-[1.05rem] font-bold">
          On you, from the skin out{' '}
          <span className="text-[0.9rem] font-normal text-ink-2">
            {wornTicked} of {rows.length}
          </span>
        </h2>
        {rows.map((r) => (
          <TickRow key={r.name} on={out.ticked.has(r.name)} onTick={() => tick(r.name)} name={r.name}>
            {r.list.map((g, i) => {
              const open = openWords(g, out.plan);
              return (
                <span key={g.id}>
                  {i > 0 && ', '}
                  {g.name}
                  {open && <b>, {open}</b>}
                </span>
              );
            })}
          </TickRow>
        ))}
      </section>
      <section aria-label="In the pack" className="border-t border-ink py-1">
        <h2 className="flex items-baseline justify-between text-[1.05rem] font-bold">
          In the pack{' '}
          <span className="text-[0.9rem] font-normal text-ink-2">
            {packTicked} of {packed.length}
          </span>
        </h2>
        <div className="grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-x-3">
          {packed.map((p) => (
            <PackRow
              key={p.key}
              on={out.ticked.has(p.key)}
              name={p.name}
              why={p.why}
              onTick={() => tick(p.key)}
              onMissing={p.garment ? () => void leave(p.garment!) : null}
            />
          ))}
        </div>
        {bag.length > 0 && (
          <p className="mt-1 text-[1.05rem]">
            <b>Hand in at the start, for the finish:</b> {bag.map((g) => g.name).join(', ')}
          </p>
        )}
        <WinterCues says={own} className="mt-2 space-y-1 text-[1.05rem]" />
        <Big
          size="small"
          kind="quiet"
          className="mt-2 w-full"
          aria-expanded={missing}
          onClick={() => setMissing(!missing)}
        >
          Something is not with me
        </Big>
        {missing && (
          <div
            className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-2"
            role="group"
            aria-label="What is not with you?"
          >
            {of([...worn, ...carried]).map((g) => (
              <Big key={g.id} size="small" disabled={o.busy !== null} onClick={() => void leave(g.id)}>
                {g.name}
              </Big>
            ))}
          </div>
        )}
        {out.notWith.size > 0 && (
          <p className="mt-1 text-[0.95rem]">
            Without{' '}
            {of([...out.notWith])
              .map((g) => g.name)
              .join(', ')}
            .{' '}
            <button
              type="button"
              className="min-h-[40px] cursor-pointer font-semibold underline"
              onClick={() =>
                void Promise.all([...out.notWith].map((g) => o.tell({ kind: 'with', garment: g, along: true })))
              }
            >
              They are here after all
            </button>
          </p>
        )}
      </section>
      <Safety o={o} units={units} />
      <SentLine o={o} />
      <div className="sticky bottom-0 bg-paper pt-1 pb-2">
        {problem ? (
          <p role="alert" className="rounded-[0.6rem] border-2 border-act px-3 py-2 text-[1rem]">
            <b className="text-act">It cannot be started now.</b> {problem}
          </p>
        ) : (
          <Big kind="go" size="main" className="w-full flex-col gap-0" onClick={() => void o.start('button')}>
            Start
            <span className="text-[0.9rem] font-normal">
              {pack.track ? 'or go: it starts when you move' : 'the clock begins'}
              {packed.length > packTicked && `. ${packed.length - packTicked} not ticked`}
            </span>
          </Big>
        )}
        {now && !isSafe(allFindings(o)) && (
          <p className="mt-1 flex items-center gap-1 text-[0.95rem] font-bold text-act">
            <Triangle size={18} /> As it is now this plan is not safe: see above.
          </p>
        )}
      </div>
    </>
  );
}

/** Things no closet knows, that are asked for at every door. */
const ASKED: ReadonlySet<string> = new Set([
  'A light',
  'Drink that does not freeze',
  'A way to call for help',
  'Somebody who knows',
]);

/** Why it cannot be started at this hour, if so: there must be weather to go in. */
function startProblem(o: Out): string | null {
  try {
    goneNow(o.opened, { ...o.out, startMs: o.nowMs });
    return null;
  } catch (e) {
    const days = Math.abs(o.nowMs - plannedStartMs(o.opened.pack)) / 86_400_000;
    return days > 0.5
      ? `The forecast is for ${day(o.opened.pack.outing.startMs)}. Rehearse it, or give the outing a new start and send it again.`
      : (e as Error).message;
  }
}
