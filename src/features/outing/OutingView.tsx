'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { Person } from '@/core/body/person';
import { chillSplit } from '@/core/atmosphere/chillSplit';
import { SHELTER_FACTOR } from '@/core/atmosphere/windAtBody';
import { chillHazard, freezingMinutes, windChillC } from '@/core/atmosphere/windChill';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { buildProfile } from '@/core/outing/route';
import type { Timeline } from '@/core/outing/timeline';
import { OutOfRange } from '@/core/quantity/range';
import { localTimeText, readLocalTime } from '@/formats/forecastCsv';
import type { Problem } from '@/formats/problem';
import { poundToKg } from '@/core/quantity/units';
import {
  clock,
  day,
  degrees,
  difference,
  fall,
  fallUnit,
  height,
  temperature,
  timeOfDay,
  windSpeed,
  type Units,
} from '@/formats/words';
import type { StoredOuting } from '@/store/outings';
import { Header } from '@/features/shell/Header';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { send } from '@/ui/send';
import { useWidth } from '@/ui/useWidth';
import { warmUp } from '@/workers/client';
import { LandProfile } from './LandProfile';
import { LegTable } from './LegTable';
import { sportWord } from './words';

const cell = 'rounded-[3px] border border-grid-2 bg-sheet px-1.5 py-1';

/** One outing: legs and stops on one clock, and the air on them. Edits are laid out at once and kept on Save. */
export function OutingView({ stored, person, units }: { stored: StoredOuting; person: Person; units: Units }) {
  const router = useRouter();
  const [history, setHistory] = useState<Outing[]>([stored]);
  const [at, setAt] = useState(0);
  const [savedAt, setSavedAt] = useState(0);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  // The planner comes next.
  useEffect(() => void warmUp(), []);
  const [ref, width] = useWidth(1248);
  const outing = history[at];
  const edit = (next: Outing) => {
    setHistory([...history.slice(0, at + 1), next]);
    setAt(at + 1);
  };
  const notes = useMemo(() => (stored.route ? buildProfile(stored.route).notes : []), [stored.route]);
  const laid = useMemo((): { timeline: Timeline } | { problem: Problem } => {
    try {
      return { timeline: timelineOf(outing, person) };
    } catch (e) {
      if (e instanceof OutOfRange)
        return { problem: { where: 'Outing', field: e.field, value: String(e.value), allowed: e.allowed } };
      throw e;
    }
  }, [outing, person]);
  const dirty = at !== savedAt;

  async function save(): Promise<boolean> {
    setBusy(true);
    const body = Object.fromEntries(Object.entries(outing).filter(([k]) => k !== 'id' && k !== 'route'));
    const sent = await send('PUT', `/api/outings/${stored.id}`, body);
    setBusy(false);
    setProblems(sent.ok ? [] : sent.problems);
    if (sent.ok) {
      setSavedAt(at);
      router.refresh();
    }
    return sent.ok;
  }

  return (
    <>
      <Header
        screen="outing"
        outingId={stored.id}
        right={
          <>
            <Button kind="quiet" disabled={at === 0} onClick={() => setAt(at - 1)} aria-label="Undo">
              Undo
            </Button>
            <Button kind="quiet" disabled={at === history.length - 1} onClick={() => setAt(at + 1)} aria-label="Redo">
              Redo
            </Button>
            <Button disabled={!dirty || busy || 'problem' in laid} onClick={() => void save()}>
              {busy ? 'Saving…' : dirty ? 'Save' : 'Saved'}
            </Button>
            <Button
              kind="strong"
              disabled={busy || 'problem' in laid}
              onClick={async () => {
                if (!dirty || (await save())) router.push(`/outing/${stored.id}/score`);
              }}
            >
              What to wear
            </Button>
          </>
        }
      />
      <main className="mx-4 pt-3" ref={ref}>
        <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
          <input
            aria-label="Name of the outing"
            className="speak min-w-0 flex-1 border-b border-transparent bg-transparent text-[26px] font-semibold hover:border-grid-2 focus:border-ink"
            value={outing.name}
            maxLength={120}
            onChange={(e) => edit({ ...outing, name: e.target.value })}
          />
          <label>
            Start{' '}
            <input
              type="datetime-local"
              className={cell}
              value={localTimeText(outing.startMs)}
              onChange={(e) => e.target.value && edit({ ...outing, startMs: readLocalTime(e.target.value, 'Outing') })}
            />
          </label>
          <NumberField
            label="Pack"
            unit={units === 'metric' ? 'kg' : 'lb'}
            value={units === 'metric' ? outing.loadKg : Math.round((outing.loadKg / poundToKg(1)) * 10) / 10}
            low={0}
            high={units === 'metric' ? 60 : 132}
            step={0.5}
            onChange={(v) => edit({ ...outing, loadKg: units === 'metric' ? v : Math.min(60, poundToKg(v)) })}
          />
          <NumberField
            label="Snow brightness"
            unit=""
            value={outing.albedo}
            low={0}
            high={1}
            step={0.05}
            onChange={(albedo) => edit({ ...outing, albedo })}
          />
        </div>
        {'timeline' in laid ? (
          <Summary outing={outing} timeline={laid.timeline} units={units} />
        ) : (
          <Problems problems={[laid.problem]} title="These legs cannot be walked as they stand." />
        )}
        <Problems problems={problems} title="Not saved." />
        {'timeline' in laid && <LandProfile timeline={laid.timeline} width={width} units={units} />}
        {notes.length > 0 && <p className="mb-2 border-l-[3px] border-grid-2 pl-2 text-ink-2">{notes.join(' ')}</p>}
        <div
          className={`grid grid-cols-[minmax(0,1fr)_auto] gap-4 ${outing.route ? 'max-[1260px]:grid-cols-1' : 'max-[1480px]:grid-cols-1'}`}
        >
          <LegTable outing={outing} laid={laid} units={units} edit={edit} />
          <Hours outing={outing} units={units} />
        </div>
      </main>
    </>
  );
}

function Summary({ outing, timeline, units }: { outing: Outing; timeline: Timeline; units: Units }) {
  const coldest = timeline.stretches.reduce((a, b) =>
    windChillC(b.airC, b.wind10 * 3.6) < windChillC(a.airC, a.wind10 * 3.6) ? b : a,
  );
  const chill = windChillC(coldest.airC, coldest.wind10 * 3.6);
  const minutes = freezingMinutes(coldest.airC, coldest.wind10 * 3.6);
  return (
    <p className="speak mt-1 max-w-[95ch] text-[17px] leading-snug">
      {sportWord(outing.sport)}, {day(outing.startMs)}, {timeOfDay(outing.startMs)} to{' '}
      {timeOfDay(outing.startMs + timeline.endS * 1000)}, {clock(timeline.endS)} h out. Coldest{' '}
      {temperature(coldest.airC, units)} with {windSpeed(coldest.wind10, units)} at 10 m at {clock(coldest.startS)},
      feels like {temperature(chill, units)}: {chillHazard(chill).hazard} risk,{' '}
      {Number.isFinite(minutes) ? `bare cheeks may freeze in ${minutes.toFixed(0)} min` : chillHazard(chill).says}.{' '}
      {coldOrWind(timeline, units)}
    </p>
  );
}

/** Is it cold or is it the wind? At the stretch where bare skin loses most. */
function coldOrWind(timeline: Timeline, units: Units): string {
  const out = timeline.stretches.filter((s) => s.airC < 12 && s.sport !== 'hut' && s.sport !== 'drive');
  if (out.length === 0) return '';
  const split = (s: (typeof out)[number]) =>
    chillSplit({
      airC: s.airC,
      windMs: s.wind10 * SHELTER_FACTOR[timeline.legs[s.leg].shelter],
      relativeMs: s.relativeWind,
      sunWm2: s.sunWm2,
    });
  const worst = out.reduce((a, b) => (split(b).feelsC < split(a).feelsC ? b : a));
  const s = split(worst);
  if (s.windK + s.ownK < 2 && s.sunK > -1)
    return `It is the cold, hardly any wind: at worst ${temperature(worst.airC, units)} on bare skin.`;
  const parts = [
    s.windK > 0.5 && `${difference(s.windK, units, 0)} is the wind`,
    s.ownK > 0.5 && `${difference(s.ownK, units, 0)} your own speed`,
    s.ownK < -0.5 && `your own speed takes ${difference(-s.ownK, units, 0)} off`,
    s.sunK < -1 && `the sun gives ${difference(-s.sunK, units, 0)} back`,
  ].filter(Boolean);
  return `On bare skin at ${clock(worst.startS)}, beyond the air’s ${temperature(worst.airC, units)}, ${parts.join(' and ')}.`;
}

function NumberField({
  label,
  unit,
  value,
  low,
  high,
  step,
  onChange,
}: {
  label: string;
  unit: string;
  value: number;
  low: number;
  high: number;
  step: number;
  onChange: (v: number) => void;
}) {
  return (
    <label>
      {label}{' '}
      <input
        type="number"
        className={`${cell} w-16 text-right`}
        min={low}
        max={high}
        step={step}
        value={value}
        onChange={(e) => Number.isFinite(e.target.valueAsNumber) && onChange(e.target.valueAsNumber)}
      />{' '}
      {unit}
    </label>
  );
}

function Hours({ outing, units }: { outing: Outing; units: Units }) {
  return (
    <section aria-label="Forecast" className="max-h-[360px] overflow-y-auto">
      <table className="border-collapse text-right">
        <caption className="pb-1 text-left font-semibold">Forecast for {height(outing.forecastEleM, units)}</caption>
        <thead>
          <tr className="border-b-2 border-ink text-[12px] text-ink-3">
            {[
              'Hour',
              `Air, ${units === 'metric' ? '°C' : '°F'}`,
              'Feels',
              `Wind, ${units === 'metric' ? 'm/s' : 'mph'}`,
              'Gust',
              'Humid',
              'Falls',
            ].map((h) => (
              <th key={h} className="px-1.5 py-0.5 font-medium whitespace-nowrap">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {outing.forecast.map((h) => (
            <tr key={h.timeMs} className="border-b border-grid">
              <td className="px-2 font-semibold">{timeOfDay(h.timeMs)}</td>
              <td className="px-1.5">{degrees(h.airC, units)}</td>
              <td className="px-1.5">{degrees(windChillC(h.airC, h.wind * 3.6), units)}</td>
              <td className="px-1.5">{windSpeed(h.wind, units).replace(/ .*/, '')}</td>
              <td className="px-1.5">{windSpeed(h.gust, units).replace(/ .*/, '')}</td>
              <td className="px-1.5">{(h.humidity * 100).toFixed(0)} %</td>
              <td className="px-1.5 text-left whitespace-nowrap">
                {h.kind === 'none' ? '–' : `${fall(h.precipitationMmH, units)} ${fallUnit(units)}/h ${h.kind}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
