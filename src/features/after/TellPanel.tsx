'use client';
import { useRef, useState } from 'react';
import { Pause, Upload } from 'lucide-react';
import type { OneWhile } from '@/core/afterwards/whiles';
import type { Recorded } from '@/core/afterwards/recorded';
import { weighedLossG } from '@/core/calibrate/bodyLoss';
import { FELT, PARTS, type Felt, type Part } from '@/core/calibrate/words';
import type { OutThere } from '@/core/underway/outThere';
import { SEEN_AT, type Saw } from '@/core/underway/taps';
import { PERSON_RANGE } from '@/core/body/person';
import { clock } from '@/formats/dates';
import type { Problem } from '@/formats/problem';
import { turnOf } from '@/formats/turns';
import {
  fromTemperature,
  fromWind,
  minus,
  temperatureUnit,
  toTemperature,
  toWind,
  windUnit,
  type Units,
} from '@/formats/measures';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { NumberCell } from '@/ui/NumberCell';
import { Problems } from '@/ui/Problems';
import type { ToldHere } from './useTold';

const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
const PLACE: Record<(typeof SEEN_AT)[number], readonly Saw['what'][]> = {
  chest: ['wet'],
  back: ['wet'],
  'under the pack': ['wet'],
  'shell inside': ['wet', 'frost'],
  'mouth cover': ['wet', 'ice'],
  gloves: ['wet'],
  socks: ['wet'],
};

/** What was: by words, by what one saw, by weights, by a track. Each is kept the moment it is told; told again it is taken back. */
export function TellPanel({
  outingId,
  out,
  whiles,
  told,
  meant,
  units,
}: {
  outingId: string;
  out: OutThere;
  whiles: readonly OneWhile[];
  told: ToldHere;
  /** means of the forecast over the outing: °C, m/s */
  meant: { airC: number; windMs: number };
  units: Units;
}) {
  return (
    <section aria-labelledby="tell" className="space-y-2.5">
      <h2 id="tell" className="speak text-[20px] leading-tight font-semibold">
        How was it?
      </h2>
      <Words out={out} whiles={whiles} told={told} />
      <Seen out={out} told={told} />
      <Weights out={out} told={told} units={units} />
      <Weather out={out} told={told} meant={meant} units={units} />
      <Track outingId={outingId} out={out} told={told} />
      <Note key={out.note} out={out} told={told} />
    </section>
  );
}

const LOOK: Record<Felt, string> = {
  cold: 'url(#too-cold)',
  cool: 'none',
  fine: 'none',
  warm: 'none',
  hot: 'none',
};
const TONE: Record<Felt, string> = { cold: 'text-cold', cool: 'text-cold', fine: '', warm: '', hot: '' };

/** Five words by part and while. */
function Words({ out, whiles, told }: { out: OutThere; whiles: readonly OneWhile[]; told: ToldHere }) {
  const [at, setAt] = useState(0);
  const w = whiles[Math.min(at, whiles.length - 1)];
  if (!w) return null;
  const wordOf = (part: Part): Felt | null =>
    out.feltIn.find((f) => f.part === part && Math.abs(f.fromS - w.fromS) < 60)?.word ?? null;
  const count = (x: OneWhile) => out.feltIn.filter((f) => Math.abs(f.fromS - x.fromS) < 60).length;
  const say = (part: Part, felt: Felt) => {
    const old = out.feltIn.find((f) => f.part === part && Math.abs(f.fromS - w.fromS) < 60);
    if (old?.word === felt)
      void told.untell((t) => t.kind === 'felt' && t.part === part && t.during?.fromS === old.fromS);
    else
      void told.tell({
        told: { kind: 'felt', part, felt, during: { fromS: old?.fromS ?? w.fromS, toS: w.toS } },
      });
  };
  return (
    <div>
      <div role="group" aria-label="Which while" className="flex flex-wrap">
        {whiles.map((x, i) => (
          <button
            key={x.fromS}
            type="button"
            aria-pressed={x === w}
            onClick={() => setAt(i)}
            className={`-ml-px min-h-[26px] max-w-[150px] cursor-pointer truncate border border-ink px-2 text-[12.5px] first:ml-0 ${x === w ? 'bg-ink font-semibold text-white' : 'bg-sheet hover:bg-worn'}`}
            title={`${x.name}, ${clock(x.fromS)} to ${clock(x.toS)}`}
          >
            {x.name} {count(x) > 0 && `· ${count(x)}`}
          </button>
        ))}
      </div>
      <p className="text-[12px] text-ink-3">
        {w.name}, {clock(w.fromS)} to {clock(w.toS)}
      </p>
      {PARTS.map((part) => (
        <div
          key={part}
          role="group"
          aria-label={`${upper(part)}, ${w.name}`}
          className="grid grid-cols-[minmax(58px,4.6em)_repeat(5,minmax(0,1fr))] items-center gap-1 py-0.5"
        >
          <span className="font-semibold">{upper(part)}</span>
          {FELT.map((f) => (
            <button
              key={f}
              type="button"
              aria-pressed={wordOf(part) === f}
              onClick={() => say(part, f)}
              className={`min-h-[28px] cursor-pointer rounded-[3px] border text-[12.5px] ${wordOf(part) === f ? 'border-ink bg-ink font-semibold text-white' : `border-grid-2 bg-sheet hover:bg-worn ${TONE[f]}`}`}
              style={{ backgroundImage: wordOf(part) === f ? 'none' : LOOK[f] }}
            >
              {f}
            </button>
          ))}
        </div>
      ))}
    </div>
  );
}

function Seen({ out, told }: { out: OutThere; told: ToldHere }) {
  const has = (saw: Saw) => out.saw.some((s) => s.what === saw.what && s.where === saw.where);
  return (
    <div role="group" aria-label="What you saw when it came off" className="border-t border-grid-2 pt-2">
      <h3 className="font-semibold">When it came off</h3>
      <div className="mt-1 flex flex-wrap gap-1">
        {SEEN_AT.flatMap((where) =>
          PLACE[where].map((what) => (
            <button
              key={where + what}
              type="button"
              aria-pressed={has({ what, where })}
              onClick={() =>
                void told.tell({ told: { kind: 'saw', saw: { what, where }, seen: !has({ what, where }) } })
              }
              className={`min-h-[26px] cursor-pointer rounded-[3px] border px-2 text-[12.5px] ${has({ what, where }) ? 'border-water bg-water font-semibold text-white' : 'border-grid-2 bg-sheet hover:bg-worn'}`}
            >
              {where}: {what}
            </button>
          )),
        )}
      </div>
    </div>
  );
}

const EMPTY = { beforeKg: null, afterKg: null, drankL: null, ateKg: null, passedL: null };
type Half = Record<keyof typeof EMPTY, number | null>;

/** The body on the scale. It counts once both weights stand; what is not filled in beside them is nothing. */
function Weights({ out, told, units }: { out: OutThere; told: ToldHere; units: Units }) {
  const [half, setHalf] = useState<Half>(out.body ?? EMPTY);
  const kg = turnOf('kg', units);
  const litre = turnOf('L', units);
  const rows: [keyof Half, string, typeof kg, readonly [number, number]][] = [
    ['beforeKg', 'before', kg, [PERSON_RANGE.massKg[0], PERSON_RANGE.massKg[1]]],
    ['afterKg', 'after', kg, [PERSON_RANGE.massKg[0], PERSON_RANGE.massKg[1]]],
    ['drankL', 'drunk', litre, [0, 30]],
    ['ateKg', 'eaten', kg, [0, 15]],
    ['passedL', 'passed', litre, [0, 15]],
  ];
  const take = (key: keyof Half, value: number | null) => {
    const next = { ...half, [key]: value };
    setHalf(next);
    const { beforeKg, afterKg, drankL, ateKg, passedL } = next;
    if (beforeKg === null || afterKg === null) {
      if (out.body) void told.untell((t) => t.kind === 'body');
      return;
    }
    void told.tell({
      told: {
        kind: 'body',
        weights: { beforeKg, afterKg, drankL: drankL ?? 0, ateKg: ateKg ?? 0, passedL: passedL ?? 0 },
      },
    });
  };
  const lost = out.body ? weighedLossG(out.body) / 1000 : null;
  return (
    <div role="group" aria-label="Your body on the scale" className="border-t border-grid-2 pt-2">
      <h3 className="flex items-baseline justify-between font-semibold">
        You on the scale
        {lost !== null && (
          <span className={`text-[12px] font-normal ${lost < 0 ? 'text-act' : 'text-ink-2'}`}>
            {lost < 0
              ? 'you cannot have gained: look again'
              : `lost ${minus(kg.show(lost), 2)} ${kg.unit}: sweat, breath and what burns`}
          </span>
        )}
      </h3>
      <div className="mt-1 flex flex-wrap gap-x-2 gap-y-1">
        {rows.map(([key, label, turn, [low, high]]) => (
          <label key={key} className="text-[12px] text-ink-2">
            {label}, {turn.unit}
            <span className="block">
              <NumberCell
                rule={{
                  label: `${label}, ${turn.unit}`,
                  low: turn.show(low),
                  high: turn.show(high),
                  unit: turn.unit,
                  optional: true,
                }}
                value={half[key] === null ? null : Number(turn.show(half[key]).toFixed(2))}
                width="w-[4.4em]"
                onTake={(v) => take(key, v === null ? null : turn.keep(v))}
              />
            </span>
          </label>
        ))}
      </div>
    </div>
  );
}

function Weather({
  out,
  told,
  meant,
  units,
}: {
  out: OutThere;
  told: ToldHere;
  meant: { airC: number; windMs: number };
  units: Units;
}) {
  const was = out.was ?? { airC: null, windMs: null };
  const take = (next: { airC: number | null; windMs: number | null }) =>
    next.airC === null && next.windMs === null
      ? void told.untell((t) => t.kind === 'was')
      : void told.tell({ told: { kind: 'was', ...next } });
  return (
    <div role="group" aria-label="The weather that really was" className="border-t border-grid-2 pt-2">
      <h3 className="font-semibold">The weather that really was, in the mean</h3>
      <div className="mt-1 flex flex-wrap gap-x-3 gap-y-1 text-[12px] text-ink-2">
        <label>
          air, {temperatureUnit(units)}{' '}
          <NumberCell
            rule={{
              label: 'Air, mean',
              low: fromTemperature(-60, units),
              high: fromTemperature(45, units),
              unit: temperatureUnit(units),
              optional: true,
            }}
            value={was.airC === null ? null : Number(fromTemperature(was.airC, units).toFixed(1))}
            placeholder={minus(fromTemperature(meant.airC, units), 1)}
            onTake={(v) => take({ ...was, airC: v === null ? null : toTemperature(v, units) })}
          />
        </label>
        <label>
          wind, {windUnit(units)}{' '}
          <NumberCell
            rule={{ label: 'Wind, mean', low: 0, high: fromWind(60, units), unit: windUnit(units), optional: true }}
            value={was.windMs === null ? null : Number(fromWind(was.windMs, units).toFixed(1))}
            placeholder={fromWind(meant.windMs, units).toFixed(1)}
            onTake={(v) => take({ ...was, windMs: v === null ? null : toWind(v, units) })}
          />
        </label>
        <span className="self-end pb-1">empty: as forecast</span>
      </div>
    </div>
  );
}

/** What a watch recorded: read by the server, shown, and told like any tap. */
function Track({ outingId, out, told }: { outingId: string; out: OutThere; told: ToldHere }) {
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

function Note({ out, told }: { out: OutThere; told: ToldHere }) {
  const [text, setText] = useState(out.note);
  return (
    <label className="block border-t border-grid-2 pt-2 font-semibold">
      What I would change
      <textarea
        value={text}
        maxLength={2000}
        rows={2}
        onChange={(e) => setText(e.target.value)}
        onBlur={() => text !== out.note && void told.tell({ told: { kind: 'note', text } })}
        className="mt-1 w-full border border-grid-2 bg-sheet p-1.5 text-[13px] font-normal"
      />
    </label>
  );
}
