'use client';
import { useDrag } from '@use-gesture/react';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { Afterwards } from '@/core/afterwards/afterwards';
import type { SpreadRow, Trace } from '@/core/afterwards/spread';
import { FELT, type Felt } from '@/core/calibrate/words';
import { LIMIT } from '@/core/judge/limits';
import type { Timeline } from '@/core/outing/timeline';
import type { CueNow, OutThere } from '@/core/underway/outThere';
import { clock } from '@/formats/dates';
import { degrees, grams, temperatureUnit, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import { useWidth } from '@/ui/draw/useWidth';

const LEFT = 108;
const RIGHT = 8;
const CUES = { top: 0, high: 30 };
const LAND = { top: 32, high: 34 };
const WATER = { top: 68, high: 92 };
const FINGERS = { top: 162, high: 82 };
const BODY = { top: 246, high: 72 };
const AXIS = BODY.top + BODY.high;
const HIGH = AXIS + 18;
const SNAP_S = 60;

/** Predicted and felt on one clock: eight in ten before, the line after, and what was told where it was told. */
export function FeltChart({
  after,
  out,
  timeline,
  weighedG,
  units,
  onMove,
  onLeave,
}: {
  after: Afterwards;
  out: OutThere;
  timeline: Timeline;
  /** water by the scale in all that was weighed, and what was said of the same, g; null: nothing was */
  weighedG: { g: number; saidG: number } | null;
  units: Units;
  /** a cue was done at another time, s */
  onMove: (cue: CueNow, atS: number) => void;
  /** a cue was not done at all */
  onLeave: (cue: CueNow) => void;
}) {
  const [box, width] = useWidth(760);
  const { rows } = after.spread;
  const endS = Math.max(60, timeline.endS);
  const x = scaleLinear([0, endS], [LEFT, width - RIGHT]);
  const most = Math.max(20, ...rows.map((r) => Math.max(r.high.waterG, r.after.waterG)), weighedG?.g ?? 0);
  const water = scaleLinear([0, most * 1.12], [WATER.top + WATER.high - 2, WATER.top + 2]);
  const cold = Math.min(8, ...rows.map((r) => Math.min(r.low.fingersC, r.after.fingersC)));
  const fingers = scaleLinear([Math.floor(cold) - 1, 37], [FINGERS.top + FINGERS.high - 2, FINGERS.top + 2]);
  const vote = scaleLinear([-3.1, 3.1], [BODY.top + BODY.high - 2, BODY.top + 2]).clamp(true);
  const torso = [
    ...out.feltIn.filter((f) => f.part === 'torso').map((f) => ({ atS: (f.fromS + f.toS) / 2, word: f.word })),
    ...(out.felt.torso ? [{ atS: endS / 2, word: out.felt.torso }] : []),
  ];
  const hands = out.feltIn.filter((f) => f.part === 'hands');
  const taps = out.heard.flatMap((h) => ('feels' in h ? [h] : []));
  const ticks = scaleLinear([0, endS / 1800], [0, 1])
    .ticks(Math.min(10, Math.max(2, Math.round(endS / 1800))))
    .map((t) => t * 1800);
  return (
    <div ref={box} className="min-w-0 overflow-x-auto">
      <svg width={width} height={HIGH} role="group" aria-label="Predicted and felt over the outing" className="block">
        {[LAND, WATER, FINGERS, BODY].map((lane) => (
          <rect
            key={lane.top}
            x={LEFT}
            y={lane.top}
            width={width - RIGHT - LEFT}
            height={lane.high}
            fill={C.sheet}
            stroke={C.ink}
          />
        ))}
        {after.whiles.slice(1).map((w) => (
          <line
            key={w.fromS}
            x1={x(w.fromS)}
            x2={x(w.fromS)}
            y1={LAND.top}
            y2={AXIS}
            stroke={C.grid2}
            strokeDasharray="2 3"
          />
        ))}
        <Land timeline={timeline} x={x} />
        <Lane rows={rows} of="waterG" x={x} y={water} fill="url(#water-2)" />
        {weighedG && (
          <g>
            <line x1={x(endS)} x2={x(endS)} y1={water(weighedG.saidG)} y2={water(weighedG.g)} stroke={C.ink} />
            <circle cx={x(endS) - 5} cy={water(weighedG.g)} r={4.5} fill={C.sheet} stroke={C.ink} strokeWidth={2} />
          </g>
        )}
        <Lane rows={rows} of="fingersC" x={x} y={fingers} fill="var(--color-heat-1)" />
        <line
          x1={LEFT}
          x2={width - RIGHT}
          y1={fingers(LIMIT.fingerClumsy)}
          y2={fingers(LIMIT.fingerClumsy)}
          stroke={C.cold}
          strokeDasharray="3 3"
        />
        <text x={width - RIGHT - 4} y={fingers(LIMIT.fingerClumsy) - 3} textAnchor="end" fontSize={11} fill={C.cold}>
          clumsy below {degrees(LIMIT.fingerClumsy, units)}
        </text>
        <Lane rows={rows} of="vote" x={x} y={vote} fill="var(--color-worn)" />
        <line x1={LEFT} x2={width - RIGHT} y1={vote(0)} y2={vote(0)} stroke={C.grid2} />
        {torso.map((t, i) => (
          <Word key={i} x={x(t.atS)} y={vote(FELT.indexOf(t.word) - 2)} word={t.word} />
        ))}
        {hands.map((t) => (
          <Word key={t.fromS} x={x((t.fromS + t.toS) / 2)} y={FINGERS.top + 11} word={t.word} />
        ))}
        {taps.map((t, i) => (
          <text key={i} x={x(t.atS)} y={BODY.top + 12} fontSize={11} textAnchor="middle">
            {t.feels}
          </text>
        ))}
        {out.cues.map((c) => (
          <CueMark key={c.key} c={c} x={x} endS={endS} onMove={onMove} onLeave={onLeave} />
        ))}
        <Heads units={units} most={most} />
        {ticks.map((t) => (
          <text key={t} x={x(t)} y={HIGH - 3} fontSize={11} textAnchor={t === 0 ? 'start' : 'middle'}>
            {clock(t)}
          </text>
        ))}
      </svg>
    </div>
  );
}

type X = (s: number) => number;

function Lane({ rows, of, x, y, fill }: { rows: readonly SpreadRow[]; of: Trace; x: X; y: X; fill: string }) {
  const band = area<SpreadRow>()
    .x((r) => x(r.atS))
    .y0((r) => y(r.low[of]))
    .y1((r) => y(r.high[of]));
  const drawn = (which: 'said' | 'after') =>
    line<SpreadRow>()
      .x((r) => x(r.atS))
      .y((r) => y(r[which][of]))(rows) ?? '';
  return (
    <>
      <path d={band(rows) ?? ''} fill={fill} opacity={0.9} />
      <path
        d={drawn('said')}
        fill="none"
        stroke={of === 'waterG' ? C.water : of === 'fingersC' ? 'var(--color-heat-4)' : C.ink3}
        strokeWidth={1.3}
      />
      <path d={drawn('after')} fill="none" stroke={C.ink} strokeWidth={2} />
    </>
  );
}

/** The land, or where it is not known the work, as heights over time. */
function Land({ timeline, x }: { timeline: Timeline; x: X }) {
  const { stretches } = timeline;
  const low = Math.min(...stretches.map((s) => s.eleM));
  const high = Math.max(low + 40, ...stretches.map((s) => s.eleM));
  const y = scaleLinear([low, high], [LAND.top + LAND.high - 3, LAND.top + 4]);
  const shape = area<(typeof stretches)[number]>()
    .x((s) => x((s.startS + s.endS) / 2))
    .y0(LAND.top + LAND.high)
    .y1((s) => y(s.eleM));
  // The first and the last stretch reach to the ends of the lane.
  const first = { ...stretches[0], endS: -stretches[0].startS };
  const last = stretches[stretches.length - 1];
  const list = [first, ...stretches, { ...last, startS: last.endS }];
  return <path d={shape(list) ?? ''} fill="var(--color-heat-0)" stroke={C.ink} />;
}

/** A word as it was told: a tick right, a house too warm, a shield too cold. */
function Word({ x, y, word }: { x: number; y: number; word: Felt }) {
  const shape =
    word === 'fine'
      ? 'M-7 0A7 7 0 1 0 7 0A7 7 0 1 0 -7 0'
      : word === 'warm' || word === 'hot'
        ? 'M-7 6L0 -7L7 6Z'
        : 'M-7 -6H7L0 7Z';
  const fill = word === 'hot' ? 'var(--color-heat-3)' : word === 'cold' ? C.cold : C.sheet;
  return (
    <g transform={`translate(${x} ${y})`}>
      <path d={shape} fill={fill} stroke={C.ink} strokeWidth={1.4} />
      {word === 'fine' && <path d="M-3 0L-0.8 2.4L3.4 -2.6" fill="none" stroke={C.ink} strokeWidth={1.6} />}
      <text x={11} y={4} fontSize={11} stroke={C.sheet} strokeWidth={3} paintOrder="stroke">
        {word}
      </text>
    </g>
  );
}

/** One cue: where it was meant, a diamond, and when it was done, a disc; the disc is dragged, moved by arrows, or left out. */
function CueMark({
  c,
  x,
  endS,
  onMove,
  onLeave,
}: {
  c: CueNow;
  x: ReturnType<typeof scaleLinear<number, number>>;
  endS: number;
  onMove: (cue: CueNow, atS: number) => void;
  onLeave: (cue: CueNow) => void;
}) {
  const at = c.doneS ?? c.dueS;
  const snap = (s: number) => Math.max(0, Math.min(endS, Math.round(s / SNAP_S) * SNAP_S));
  const bind = useDrag(({ last, movement: [mx], tap }) => {
    if (!last) return;
    if (tap) {
      if (c.doneS === null) onMove(c, snap(c.dueS));
      return;
    }
    if (Math.abs(mx) > 2) onMove(c, snap(x.invert(x(at) + mx)));
  });
  const says = c.doneS === null ? `cue ${c.number}, not done` : `cue ${c.number}, done at ${clock(c.doneS)}`;
  return (
    <g>
      <line x1={x(at)} x2={x(at)} y1={CUES.top + 18} y2={AXIS} stroke={C.act} strokeDasharray="1 3" />
      <path d={`M${x(c.dueS)} ${CUES.top + 8}l6 6l-6 6l-6 -6Z`} fill={C.sheet} stroke={C.act} />
      <g
        {...bind()}
        transform={`translate(${x(at)} ${CUES.top + 14})`}
        role="slider"
        tabIndex={0}
        aria-label={says}
        aria-valuemin={0}
        aria-valuemax={Math.round(endS / 60)}
        aria-valuenow={Math.round(at / 60)}
        aria-valuetext={says}
        className="cursor-ew-resize touch-none outline-offset-2"
        onKeyDown={(e) => {
          const by = e.key === 'ArrowRight' ? SNAP_S : e.key === 'ArrowLeft' ? -SNAP_S : 0;
          if (by !== 0) onMove(c, snap(at + by));
          else if (e.key === 'Enter' || e.key === ' ') onMove(c, snap(at));
          else if (e.key === 'Delete' || e.key === 'Backspace') onLeave(c);
          else return;
          e.preventDefault();
          e.stopPropagation();
        }}
      >
        <circle r={13} fill="transparent" />
        <circle
          r={9}
          fill={c.doneS === null ? C.sheet : C.act}
          stroke={C.act}
          strokeWidth={1.5}
          strokeDasharray={c.doneS === null ? '2 2' : undefined}
        />
        <text
          y={4}
          fontSize={11.5}
          fontWeight={700}
          textAnchor="middle"
          style={{ fill: c.doneS === null ? C.act : C.sheet }}
        >
          {c.number}
        </text>
      </g>
    </g>
  );
}

function Heads({ units, most }: { units: Units; most: number }) {
  const rows: [number, string, string[]][] = [
    [CUES.top + 18, 'Cues', []],
    [LAND.top + 14, 'Land', []],
    [
      WATER.top + 14,
      'Water in layers',
      [`0 to ${grams(most * 1.12, units)}`, 'band: 8 in 10,', 'as I said', 'black: now'],
    ],
    [FINGERS.top + 14, `Fingers, ${temperatureUnit(units)}`, ['band: 8 in 10', 'words: hands']],
    [BODY.top + 14, 'Whole body', ['cold to hot,', 'words: torso']],
  ];
  return (
    <>
      {rows.map(([y, head, more]) => (
        <text key={head} x={0} y={y} fontSize={12.5}>
          <tspan fontWeight={700}>{head}</tspan>
          {more.map((m, i) => (
            <tspan key={m} x={0} dy={i === 0 ? 15 : 14} fontSize={11.5} fill={C.ink2}>
              {m}
            </tspan>
          ))}
        </text>
      ))}
    </>
  );
}
