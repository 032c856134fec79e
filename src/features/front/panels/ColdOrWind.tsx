import { feltSplit } from '@/core/outing/feltSplit';
import type { Timeline } from '@/core/outing/timeline';
import { coldOrWind } from '@/features/outing/coldOrWind';
import { degrees, minus, temperature, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';

const W = 290;
/** Where the bar of the air begins, °C: what is milder than this is no cold. */
const MILD_C = 10;

/** Is it the cold or the wind? A bar of what takes the air down to what it feels like, and the sentence. */
export function ColdOrWind({ timeline, units }: { timeline: Timeline | null; units: Units }) {
  const s = timeline && feltSplit(timeline);
  if (!s) return null;
  const k = units === 'imperial' ? 1.8 : 1;
  const parts = [
    {
      says: `air ${degrees(s.worst.airC, units)}`,
      wide: Math.max(2, MILD_C - s.worst.airC),
      fill: C.cold,
      text: C.sheet,
    },
    { says: `wind ${minus(s.windK * k, 0)}`, wide: Math.max(0, s.windK), fill: C.grid2, text: C.ink },
    { says: `your own speed ${minus(s.ownK * k, 0)}`, wide: Math.max(0, s.ownK), fill: C.sheet, text: C.ink },
  ].filter((p) => p.wide > 0.3);
  const all = parts.reduce((sum, p) => sum + p.wide, 0);
  let x = 0;
  return (
    <section aria-labelledby="cold-or-wind" className="mt-2 border-t-2 border-ink-3 pt-1.5">
      <h2 id="cold-or-wind" className="font-semibold">
        Is it the cold or the wind?
      </h2>
      <svg
        viewBox={`0 0 ${W} 22`}
        width="100%"
        className="mt-1 block"
        role="img"
        aria-label={parts.map((p) => p.says).join(', ')}
      >
        {parts.map((p) => {
          const wide = (p.wide / all) * (W - 1);
          const at = x;
          x += wide;
          return (
            <g key={p.says}>
              <rect x={at + 0.5} y={0.5} width={wide} height={20} fill={p.fill} stroke={C.ink} />
              {wide > p.says.length * 5.8 && (
                <text
                  x={at + wide / 2}
                  y={15}
                  fontSize="11.500"
                  fontWeight="600"
                  textAnchor="middle"
                  style={{ fill: p.text }}
                >
                  {p.says}
                </text>
              )}
            </g>
          );
        })}
      </svg>
      <p className="mt-1 text-[12.5px] leading-snug">
        {coldOrWind(timeline, units)} It feels like <b>{temperature(s.feelsC, units)}</b>.
      </p>
    </section>
  );
}
