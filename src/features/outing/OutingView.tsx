'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Person } from '@/core/body/person';
import { SPORT } from '@/core/effort/sports';
import { ofTheOuting } from '@/core/judge/findings';
import { findingSentence } from '@/core/judge/verdict';
import { coldestFelt, exposureAt } from '@/core/outing/feelsLike';
import { timelineOf, type Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { OutOfRange } from '@/core/quantity/range';
import { poundToKg } from '@/core/quantity/units';
import { clock, day, FIRST_TIME_MS, LAST_TIME_MS, localTimeText, readLocalTime, timeOfDay } from '@/formats/dates';
import { temperature, windSpeed, type Units } from '@/formats/measures';
import type { Problem } from '@/formats/problem';
import { fillSlots } from '@/formats/sentences';
import { Header } from '@/features/shell/Header';
import type { StoredOuting } from '@/store/outings';
import { Button } from '@/ui/Button';
import { useWidth } from '@/ui/draw/useWidth';
import { createEdited, useEdited } from '@/ui/edited';
import { Input } from '@/ui/fields';
import { Term } from '@/ui/Hint';
import { NumberCell } from '@/ui/NumberCell';
import { Problems } from '@/ui/Problems';
import { useOutbox } from '@/ui/outbox/useOutbox';
import { SaveNote } from '@/ui/SaveNote';
import { warmUp } from '@/workers/client';
import { coldOrWind } from './coldOrWind';
import { HoursPanel } from './HoursPanel';
import { LandProfile } from './LandProfile';
import { LegTable } from './LegTable';
import { StationForecast } from './StationForecast';

/** Width before the page is measured, px. */
const FIRST_WIDTH = 1248;

/** One outing: legs and stops on one clock, and the air on them. Edits are laid out at once, stored by themselves, and undone with Z. */
export function OutingView({ stored, person, units }: { stored: StoredOuting; person: Person; units: Units }) {
  const router = useRouter();
  const [store] = useState(() => createEdited<Outing>(stored));
  const { value: outing, commit: edit, undo, redo, canUndo, canRedo } = useEdited(store);
  const [ref, width] = useWidth(FIRST_WIDTH);
  // The planner comes next.
  useEffect(() => void warmUp(), []);
  useHotkeys(['z', 'mod+z'], undo, { useKey: true, preventDefault: true });
  useHotkeys(['shift+z', 'mod+shift+z'], redo, { useKey: true, preventDefault: true });

  const laid = useMemo((): { timeline: Timeline; problem: null } | { timeline: null; problem: Problem } => {
    try {
      return { timeline: timelineOf(outing, person), problem: null };
    } catch (e) {
      if (!(e instanceof OutOfRange)) throw e;
      return {
        timeline: null,
        problem: { where: 'Outing', field: e.field, value: String(e.value), allowed: e.allowed },
      };
    }
  }, [outing, person]);
  // What cannot be laid out is not stored: the server would refuse it, and it says already why.
  const saving = useOutbox<Outing>({
    thing: `outing ${stored.id}`,
    says: outing.name,
    path: `/api/outings/${stored.id}`,
    value: laid.timeline ? outing : null,
    stored,
    version: stored.version,
    wrap: (o) => ({ outing: bodyOf(o) }),
    unwrap: (body) => ({ ...(body.outing as Outing), profile: stored.profile }),
    onStored: () => {},
    onTaken: edit,
  });
  const { timeline } = laid;

  return (
    <>
      <Header
        screen="outing"
        outingId={stored.id}
        right={
          <>
            <SaveNote state={saving.state} onAgain={saving.saveNow} />
            <Button kind="quiet" disabled={!canUndo} onClick={undo} title="Undo (Z)">
              Undo
            </Button>
            <Button kind="quiet" disabled={!canRedo} onClick={redo} title="Redo (Shift+Z)">
              Redo
            </Button>
            <Button
              kind="strong"
              disabled={!timeline}
              onClick={() => {
                saving.saveNow();
                router.push(`/outing/${stored.id}/score`);
              }}
            >
              What to wear
            </Button>
          </>
        }
      />
      <main className="mx-4 min-w-0 pt-3 pb-8" ref={ref}>
        <h1 className="sr-only">{outing.name}</h1>
        <OutingHead outing={outing} units={units} edit={edit} />
        {timeline ? (
          <Summary outing={outing} timeline={timeline} units={units} />
        ) : (
          <Problems
            problems={[laid.problem]}
            title="These legs cannot be walked as they stand. They are not stored like this."
          />
        )}
        {timeline && <LandProfile timeline={timeline} width={width} units={units} />}
        {outing.profile && outing.profile.notes.length > 0 && (
          <p className="mb-2 border-l-[3px] border-grid-2 pl-2 text-ink-2">{outing.profile.notes.join(' ')}</p>
        )}
        <LegTable outing={outing} timeline={timeline} units={units} edit={edit} />
        <div className="mt-5 max-w-[860px]">
          <HoursPanel
            hours={outing.forecast}
            eleM={outing.forecastEleM}
            outing={{ startMs: outing.startMs, endMs: outing.startMs + (timeline?.endS ?? 0) * 1000 }}
            units={units}
          />
          <StationForecast
            outing={outing}
            // Legs that cannot be laid out, for want of weather, take what they say.
            seconds={timeline?.endS ?? outing.legs.reduce((sum, l) => sum + l.minutes * 60, 0)}
            edit={edit}
            units={units}
          />
        </div>
      </main>
    </>
  );
}

/** What the server takes of an outing: all that can be edited. */
const bodyOf = (o: Outing) =>
  Object.fromEntries(Object.entries(o).filter(([k]) => k !== 'id' && k !== 'profile' && k !== 'version'));

const MOST_LOAD_KG = 60;

function OutingHead({ outing, units, edit }: { outing: Outing; units: Units; edit: (next: Outing) => void }) {
  const metric = units === 'metric';
  const load = (kg: number) => Math.round((metric ? kg : kg / poundToKg(1)) * 10) / 10;
  return (
    <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
      <Input
        aria-label="Name of the outing"
        className="speak min-w-[260px] flex-1 border-transparent bg-transparent px-0 text-[26px] leading-tight font-semibold max-[560px]:basis-full max-[560px]:text-[21px]"
        key={outing.name}
        defaultValue={outing.name}
        maxLength={120}
        onBlur={(e) =>
          e.target.value.trim() !== '' && e.target.value !== outing.name && edit({ ...outing, name: e.target.value })
        }
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
      <label>
        Start{' '}
        <Input
          type="datetime-local"
          className="px-1.5 py-1"
          value={localTimeText(outing.startMs)}
          min={localTimeText(FIRST_TIME_MS)}
          max={localTimeText(LAST_TIME_MS)}
          onChange={(e) => e.target.value && edit({ ...outing, startMs: readLocalTime(e.target.value, 'Outing') })}
        />
      </label>
      <span className="whitespace-nowrap">
        Pack{' '}
        <NumberCell
          rule={{ label: 'Pack', low: 0, high: load(MOST_LOAD_KG), unit: metric ? 'kg' : 'lb' }}
          value={load(outing.loadKg)}
          onTake={(v) => edit({ ...outing, loadKg: Math.min(MOST_LOAD_KG, metric ? v! : poundToKg(v!)) })}
        />{' '}
        {metric ? 'kg' : 'lb'}
      </span>
      <span className="whitespace-nowrap">
        <Term says="How much of the sun the ground throws back: fresh snow 0.8, old snow 0.6, bare ground 0.2.">
          Snow brightness
        </Term>{' '}
        <NumberCell
          rule={{ label: 'Snow brightness', low: 0, high: 1, unit: '' }}
          value={outing.albedo}
          onTake={(v) => edit({ ...outing, albedo: v! })}
        />
      </span>
    </div>
  );
}

function Summary({ outing, timeline, units }: { outing: Outing; timeline: Timeline; units: Units }) {
  const coldest = coldestFelt(timeline.stretches);
  const e = exposureAt(coldest);
  return (
    <p className="speak mt-1 max-w-[95ch] text-[17px] leading-snug">
      {SPORT[outing.sport].label}, {day(outing.startMs)}, {timeOfDay(outing.startMs)} to{' '}
      {timeOfDay(outing.startMs + timeline.endS * 1000)}, {clock(timeline.endS)} h out. Coldest{' '}
      {temperature(coldest.airC, units)} with {windSpeed(coldest.relativeWind, units)} on you at {clock(coldest.startS)}
      , feels like {temperature(e.feelsC, units)}: {e.hazard} risk,{' '}
      {Number.isFinite(e.freezesMin) ? `bare cheeks may freeze in ${e.freezesMin.toFixed(0)} min` : e.says}.{' '}
      {coldOrWind(timeline, units)}
      {ofTheOuting(timeline).map((f) => (
        <span key={`${f.kind}${f.atS}`} className={f.severity > 1 ? 'font-semibold' : ''}>
          {' '}
          {fillSlots(findingSentence(f), units)}
        </span>
      ))}
    </p>
  );
}
