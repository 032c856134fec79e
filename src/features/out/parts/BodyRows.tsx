'use client';
import { scaleLinear } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';
import { LIMIT } from '@/core/judge/limits';
import type { BodyNow, Trace } from '@/core/underway/bodyNow';
import { clock } from '@/formats/dates';
import { degrees, grams, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';

const W = 112;
const H = 34;
const PAD = 5;
/** A finger is drawn on no finer scale than this, so that a hair's breadth does not look like a fall: units of each line. */
const LEAST_SPAN: Record<Trace['name'], number> = { pulse: 40, sweat: 150, fingers: 10, toes: 10, water: 30 };
const NAMES: Record<Trace['name'], string> = {
  pulse: 'Pulse',
  sweat: 'Sweat',
  fingers: 'Fingers',
  toes: 'Toes',
  water: 'Water',
};

function shown(t: Trace, units: Units): string {
  if (t.name === 'water' || t.name === 'sweat') return grams(t.now, units);
  if (t.name === 'fingers' || t.name === 'toes') return degrees(t.now, units);
  return t.now.toFixed(0);
}

/** Two short lines: what the number is, and what becomes of it till the end of the window. */
function words(t: Trace, units: Units, { cue, pulse }: { cue: string; pulse: string }): [string, string] {
  switch (t.name) {
    case 'pulse':
      return ['bpm', pulse];
    case 'sweat':
      return [
        'an hour',
        t.end > 1.15 * t.now + 20 || t.end < 0.85 * t.now - 20 ? `${grams(t.end, units)} ${cue}` : 'about the same',
      ];
    case 'water':
      return [
        'in your clothes',
        t.end > t.now + 3 ? `${grams(t.end, units)} ${cue}` : t.end < t.now - 3 ? 'drying' : 'no more',
      ];
    default: {
      const falls = t.now - t.least.value > 1 && t.end < t.now;
      const rises = t.end > t.now + 1;
      return [
        rises ? 'warming' : falls ? 'cooling' : 'steady',
        falls ? `lowest ${degrees(t.least.value, units)} at ${clock(t.least.atS)}` : `${degrees(t.end, units)} ${cue}`,
      ];
    }
  }
}

/** Five lines of the body: how it came, how it is, and where eight in ten possible days go till the next cue. */
export function BodyRows({
  body,
  nowS,
  units,
  to,
  pulse,
}: {
  body: BodyNow;
  nowS: number;
  units: Units;
  /** `at the cue`, or `at 0:56` */
  to: string;
  /** the strap's own number, or where the guess comes from */
  pulse: { bpm: number | null; says: string };
}) {
  const x = scaleLinear([body.fromS, body.toS], [PAD, W - PAD]);
  return (
    <section aria-label="Your body now" className="@container">
      <h2 className="flex items-baseline justify-between text-[1.05rem] font-bold">
        Your body now
        <span className="text-[0.8rem] font-normal text-ink-2">
          {clock(body.fromS)} to {clock(body.toS)}
        </span>
      </h2>
      {body.traces.map((raw) => {
        const t = raw.name === 'pulse' && pulse.bpm !== null ? { ...raw, now: pulse.bpm } : raw;
        const values = [...t.points.map((p) => p.value), ...t.band.flatMap((b) => [b.low, b.high])];
        const span = Math.max(LEAST_SPAN[t.name], Math.max(...values) - Math.min(...values));
        const mid = (Math.max(...values) + Math.min(...values)) / 2;
        const low = t.name === 'sweat' || t.name === 'water' ? Math.max(0, mid - span / 2) : mid - span / 2;
        const y = scaleLinear([low, low + span], [H - PAD, PAD]);
        const d = line<{ atS: number; value: number }>()
          .x((p) => x(p.atS))
          .y((p) => y(p.value))
          .curve(curveMonotoneX);
        const band = area<{ atS: number; low: number; high: number }>()
          .x((b) => x(b.atS))
          .y0((b) => y(b.low))
          .y1((b) => y(b.high));
        const wet = t.name === 'sweat' || t.name === 'water';
        const limit = t.name === 'fingers' ? LIMIT.fingerClumsy : t.name === 'toes' ? LIMIT.toeClumsy : null;
        const [one, two] = words(t, units, { cue: to, pulse: pulse.says });
        return (
          <div
            key={t.name}
            className="grid grid-cols-[4.4rem_3.6rem_auto_1fr] items-center gap-x-2 @max-[18rem]:grid-cols-[1fr_auto] border-t border-grid-2 py-[1px]"
          >
            <span className="text-[1rem] font-semibold">{NAMES[t.name]}</span>
            <span className="text-right text-[1.35rem] leading-none font-bold whitespace-nowrap">
              {shown(t, units)}
            </span>
            <svg width={W} height={H} aria-hidden="true">
              {t.band.length > 1 && <path d={band(t.band) ?? ''} fill={wet ? C.water : C.ink3} opacity={0.18} />}
              {limit !== null && limit > low && limit < low + span && (
                <line x1={0} x2={W} y1={y(limit)} y2={y(limit)} stroke={C.cold} strokeDasharray="2 3" />
              )}
              <path
                d={d(t.points.filter((p) => p.atS <= nowS)) ?? ''}
                fill="none"
                stroke={wet ? C.water : C.ink}
                strokeWidth={2.2}
              />
              <path
                d={d(t.points.filter((p) => p.atS >= nowS)) ?? ''}
                fill="none"
                stroke={wet ? C.water : C.ink}
                strokeWidth={2.2}
                strokeDasharray="3 3"
              />
              <line x1={x(nowS)} x2={x(nowS)} y1={0} y2={H} stroke={C.ink3} />
              <circle cx={x(nowS)} cy={y(raw.now)} r={3.2} fill={C.sheet} stroke={C.ink} strokeWidth={1.6} />
            </svg>
            <span className="narrow text-[0.82rem] leading-[1.15]">
              <b className="block font-semibold">{one}</b>
              <span className="text-ink-2">{two}</span>
            </span>
          </div>
        );
      })}
    </section>
  );
}
