'use client';
import { useState } from 'react';
import type { OneWhile } from '@/core/afterwards/whiles';
import { FELT, PARTS, type Felt, type Part } from '@/core/calibrate/words';
import type { OutThere } from '@/core/underway/outThere';
import type { Opened } from '@/core/underway/pack';
import { SEEN_AT, type Saw } from '@/core/underway/taps';
import { clock } from '@/formats/dates';
import type { Units } from '@/formats/measures';
import { BodyOnScale } from './BodyOnScale';
import type { ToldHere } from './useTold';
import { WatchTrack } from './WatchTrack';
import { WeatherWas } from './WeatherWas';

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
  opened,
  units,
}: {
  outingId: string;
  out: OutThere;
  whiles: readonly OneWhile[];
  told: ToldHere;
  opened: Opened;
  units: Units;
}) {
  return (
    <section aria-labelledby="tell" className="space-y-2.5">
      <h2 id="tell" className="speak text-[20px] leading-tight font-semibold">
        How was it?
      </h2>
      <Words out={out} whiles={whiles} told={told} />
      <Seen out={out} told={told} />
      <BodyOnScale out={out} told={told} units={units} />
      <WeatherWas opened={opened} out={out} told={told} units={units} />
      <WatchTrack outingId={outingId} out={out} told={told} />
      <Note key={out.note} out={out} told={told} />
    </section>
  );
}

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
            className={`-ml-px min-h-[26px] max-w-[150px] cursor-pointer truncate border border-ink px-2 text-[12.5px] first:ml-0 ${x === w ? 'bg-ink font-semibold text-sheet' : 'bg-sheet hover:bg-worn'}`}
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
              className={`min-h-[28px] cursor-pointer rounded-[3px] border text-[12.5px] ${wordOf(part) === f ? 'border-ink bg-ink font-semibold text-sheet' : `border-grid-2 bg-sheet hover:bg-worn ${TONE[f]}`}`}
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
              className={`min-h-[26px] cursor-pointer rounded-[3px] border px-2 text-[12.5px] ${has({ what, where }) ? 'border-water bg-water font-semibold text-sheet' : 'border-grid-2 bg-sheet hover:bg-worn'}`}
            >
              {where}: {what}
            </button>
          )),
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
