'use client';
import { RIGHT } from '@/core/judge/felt';
import type { CueReason } from '@/core/questions/cueReason';
import { type DoorAnswer } from '@/core/search/answer';
import { clock } from '@/formats/dates';
import { grams, type Units } from '@/formats/measures';
import { movedText } from '@/formats/sentences';
import { C } from '@/ui/draw/palette';
import { areaPath, linear, linePath } from '@/ui/draw/scale';
import { useWidth } from '@/ui/draw/useWidth';

const LEFT = 78;
const FEEL = { top: 6, high: 44 };
const WATER = { top: 58, high: 46 };
const H = 122;
/** The vote is drawn between these (ISO 10551). */
const VOTES = [-2.4, 2.4] as const;
/** At least so much water fills the scale, g. */
const LEAST_G = 30;

/** On the way: how it feels, and the water in the clothes, with and without the cues. */
export function Way({
  answer,
  cueAt,
  onCue,
  units,
}: {
  answer: DoorAnswer;
  cueAt: number | null;
  onCue: (i: number) => void;
  units: Units;
}) {
  const [ref, width] = useWidth(530);
  const { scored, without, cues, mustNotMiss, timeline } = answer;
  const { series, metrics } = scored;
  const end = timeline.endS;
  const x = linear(0, end, LEFT, width - 2);
  const feel = linear(VOTES[1], VOTES[0], FEEL.top, FEEL.top + FEEL.high);
  const most = Math.max(LEAST_G, metrics.waterPeak.value, without?.metrics.waterPeak.value ?? 0);
  const water = linear(0, most, WATER.top + WATER.high, WATER.top + 4);
  const held = (v: number) => Math.min(VOTES[1], Math.max(VOTES[0], v));
  const path = (of: ArrayLike<number>, t: ArrayLike<number>, y: (v: number) => number) =>
    linePath(
      Array.from(t, (s) => x(Math.min(end, s))),
      Array.from(of, y),
    );
  const xs = Array.from(series.timeS, (s) => x(Math.min(end, s)));
  const step = end > 4 * 3600 ? 3600 : end > 5400 ? 1800 : 600;
  const ticks = Array.from({ length: Math.floor(end / step) + 1 }, (_, i) => i * step);
  return (
    <section aria-labelledby="way" className="mt-2">
      <div className="flex flex-wrap items-start gap-x-4 gap-y-1">
        <h2 id="way" className="w-[70px] font-semibold">
          On the way
        </h2>
        {cues.length === 0 && answer.how !== 'at once' && (
          <p className="text-[13px]">
            <b>Nothing to do</b>: go, and keep going.
          </p>
        )}
        {cues.map((c, i) => (
          <CueWords
            key={c.atS}
            cue={c}
            n={i + 1}
            worst={i === mustNotMiss}
            chosen={i === cueAt}
            onChoose={() => onCue(i)}
            units={units}
          />
        ))}
      </div>
      <div ref={ref} className="mt-1">
        <svg
          width={width}
          height={H}
          role="img"
          aria-label={`How it feels and water in the clothes over ${clock(end)}`}
        >
          <g fontSize="11">
            <text x={0} y={feel(1.4) + 4}>
              too warm
            </text>
            <text x={0} y={feel(0.1) + 4} fontWeight="700">
              right
            </text>
            <text x={0} y={feel(-1.5) + 4}>
              too cool
            </text>
            <text x={0} y={WATER.top + 16}>
              Water <tspan fontWeight="700">{grams(metrics.waterPeak.value, units)}</tspan>
            </text>
            {without && (
              <text x={0} y={WATER.top + 31} style={{ fill: C.ink3 }}>
                dashed: no cue
              </text>
            )}
            <text x={0} y={WATER.top + 46} style={{ fill: C.ink3 }}>
              sweat {grams(metrics.sweatG, units)}
            </text>
          </g>
          <rect
            x={LEFT}
            y={FEEL.top}
            width={Math.max(0, width - 2 - LEFT)}
            height={FEEL.high}
            fill={C.sheet}
            stroke={C.grid2}
          />
          <rect
            x={LEFT}
            y={feel(RIGHT.to)}
            width={Math.max(0, width - 2 - LEFT)}
            height={feel(RIGHT.from) - feel(RIGHT.to)}
            fill="var(--color-heat-1)"
          />
          {without && (
            <path
              d={path(without.metrics.sensation, without.series.timeS, (v) => feel(held(v)))}
              fill="none"
              stroke={C.ink2}
              strokeDasharray="4 3"
            />
          )}
          <path
            d={path(metrics.sensation, series.timeS, (v) => feel(held(v)))}
            fill="none"
            stroke={C.ink}
            strokeWidth="1.700"
          />
          <rect
            x={LEFT}
            y={WATER.top}
            width={Math.max(0, width - 2 - LEFT)}
            height={WATER.high}
            fill={C.sheet}
            stroke={C.grid2}
          />
          <path
            d={areaPath(
              xs,
              Array.from(metrics.waterG, (g) => water(Math.max(0, g))),
              xs.map(() => water(0)),
            )}
            fill="url(#water-2)"
            stroke={C.water}
          />
          {without && (
            <path
              d={path(without.metrics.waterG, without.series.timeS, (g) => water(Math.max(0, g)))}
              fill="none"
              stroke={C.ink2}
              strokeDasharray="4 3"
            />
          )}
          {timeline.legs.map((l, i) =>
            l.distanceM > 0 ? null : (
              <rect
                key={i}
                x={x(timeline.legStartS[i])}
                y={FEEL.top}
                width={Math.max(1.5, x(timeline.legStartS[i + 1]) - x(timeline.legStartS[i]))}
                height={WATER.top + WATER.high - FEEL.top}
                fill={C.ink}
                opacity="0.1"
              >
                <title>{`${l.name}, ${clock(timeline.legStartS[i])}`}</title>
              </rect>
            ),
          )}
          {cues.map((c, i) => (
            <g key={c.atS}>
              <path
                d={`M${x(c.atS)} ${FEEL.top}V${WATER.top + WATER.high}`}
                stroke={C.act}
                strokeWidth={i === cueAt ? 2.4 : 1.2}
              />
              <path d={`M${x(c.atS)} ${FEEL.top - 3}l4 5l-4 5l-4 -5z`} fill={C.act} />
            </g>
          ))}
          {ticks.map((t) => (
            <g key={t}>
              <path d={`M${x(t)} ${WATER.top + WATER.high}v4`} stroke={C.ink} />
              <text x={Math.min(width - 12, Math.max(LEFT + 8, x(t)))} y={H - 4} fontSize="11" textAnchor="middle">
                {clock(t)}
              </text>
            </g>
          ))}
        </svg>
      </div>
    </section>
  );
}

function CueWords({
  cue,
  n,
  worst,
  chosen,
  onChoose,
  units,
}: {
  cue: CueReason;
  n: number;
  worst: boolean;
  chosen: boolean;
  onChoose: () => void;
  units: Units;
}) {
  return (
    <button
      type="button"
      onClick={onChoose}
      aria-pressed={chosen}
      className={`flex max-w-[260px] cursor-pointer items-start gap-1.5 text-left text-[13px] leading-tight hover:bg-worn ${chosen ? 'bg-worn' : ''}`}
    >
      <span className="mt-px inline-flex h-[18px] w-[18px] shrink-0 items-center justify-center rounded-full bg-act text-[12px] font-bold text-on-act">
        {n}
      </span>
      <span>
        <b className="text-act">{clock(cue.atS)}</b> <span className="text-ink-2">{cue.where}</span>
        <b className="block">{cue.text.join('; ')}</b>
        <span className="block text-[12px] text-ink-2">
          {worst && <b className="text-act">▲ not to miss: </b>}
          {movedText(cue.miss, units)}
        </span>
      </span>
    </button>
  );
}
