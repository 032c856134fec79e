'use client';
import { DOOR_RANGE } from '@/core/outing/doorDay';
import { effortWord, talk } from '@/features/front/panels/words';
import type { Door } from '@/features/front/state/useDoor';
import { feltBrief } from '@/formats/doorWords';
import { grams, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import { Slider } from '@/ui/Slider';

const W = 290;
const H = 96;

/** The same clothes at other efforts: water in them, and how it feels; a dial for one's own. */
export function Efforts({ door, units }: { door: Door; units: Units }) {
  const list = door.told.around?.efforts ?? [];
  const most = Math.max(40, ...list.map((e) => e.waterG));
  const wide = W / Math.max(1, list.length);
  const { exertion } = door.day;
  return (
    <section aria-labelledby="how-hard" className="mt-2 border-t-2 border-ink-3 pt-1.5">
      <h2 id="how-hard" className="font-semibold">
        How hard, in these clothes
      </h2>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        width="100%"
        className="mt-1 block"
        role="img"
        aria-label={`Water in the clothes by effort: ${list.map((e) => `${effortWord(e.exertion)} ${grams(e.waterG, units)}, ${feltBrief(e.felt)}`).join('; ')}`}
      >
        {list.map((e, i) => {
          const high = Math.max(1, (e.waterG / most) * 52);
          const own = Math.abs(e.exertion - exertion) < 0.01;
          const x = i * wide;
          return (
            <g key={e.exertion} fontWeight={own ? 700 : 400}>
              <rect
                x={x + 16}
                width={wide - 32}
                y={68 - high}
                height={high}
                fill={`url(#water-${e.waterG < 10 ? 1 : e.waterG < 40 ? 2 : e.waterG < 90 ? 3 : 4})`}
                stroke={C.water}
              />
              <text x={x + wide / 2} y={64 - high} fontSize="11.500" textAnchor="middle">
                {grams(e.waterG, units)}
              </text>
              <text x={x + wide / 2} y={81} fontSize="11" textAnchor="middle">
                {feltBrief(e.felt)}
              </text>
              <text x={x + wide / 2} y={93} fontSize="11" textAnchor="middle" style={{ fill: C.ink3 }}>
                {e.metabolicW.toFixed(0)} W
              </text>
            </g>
          );
        })}
        <path d={`M0 68.500H${W}`} stroke={C.ink} />
      </svg>
      <div className="mt-0.5 grid grid-cols-[max-content_1fr_max-content] items-center gap-2 text-[12px]">
        <span>easy</span>
        <Slider
          label="How hard"
          value={exertion}
          range={[DOOR_RANGE.exertion[0], DOOR_RANGE.exertion[1]]}
          step={0.5}
          says={`${exertion} of 10, ${effortWord(exertion)}: ${talk(exertion)}`}
          onChange={(v) => door.drag('exertion', { exertion: v })}
          onRest={(v) => door.set('exertion', { exertion: v })}
        />
        <span>hard</span>
      </div>
      <p className="text-center text-[12.5px]">
        <b>{effortWord(exertion)}</b>, {exertion} of 10: {talk(exertion)}
      </p>
    </section>
  );
}
