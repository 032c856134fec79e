import { isInside } from '@/core/afterwards/miss';
import { temperatureUnit, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import type { Told } from './filters';
import { CLO, FELT, HIGH, MISS } from './lanes';
import { DayMark } from './Marks';

const heads = 'absolute left-0 leading-tight text-[12px] text-ink-2';

/** Names of the lanes. */
export function Gutter({ units }: { units: Units }) {
  return (
    <div className="sticky left-0 z-10 bg-paper print:bg-transparent" style={{ height: HIGH }}>
      <p className={heads} style={{ top: FELT.top }}>
        <b className="block text-[13px] text-ink">It felt, {temperatureUnit(units)}</b>
        down is harsher
      </p>
      <p className={heads} style={{ top: FELT.top + 128 }}>
        hair: from air
        <br />
        to felt, the
        <br />
        wind’s share
      </p>
      <p className={heads} style={{ top: CLO.top }}>
        <b className="block text-[13px] text-ink">Cloth worn</b>
        clo over the
        <br />
        chest, going
      </p>
      <p className={heads} style={{ top: MISS.top }}>
        <b className="block text-[13px] text-ink">Felt − said</b>
        up: warmer
        <br />
        band: 8 in 10
        <br />
        ring: outside
      </p>
    </div>
  );
}

/** What the marks mean, and how many of what was said held. */
export function Notes({ days }: { days: readonly Told[] }) {
  const misses = days.flatMap((d) => (d.miss ? [d.miss] : []));
  const inside = misses.filter(isInside).length;
  return (
    <div className="relative pl-2 text-[12px] leading-tight text-ink-2" style={{ height: HIGH }}>
      <ul className="absolute space-y-1.5" style={{ top: FELT.top }}>
        {(['right', 'too warm', 'too cold', null] as const).map((was) => (
          <li key={String(was)} className="flex items-center gap-1.5">
            <svg width="24" height="24" viewBox="-12 -13 26 26" aria-hidden="true">
              <DayMark day={{ sport: 'run', was, cameWet: false }} />
            </svg>
            {was ?? 'not told'}
          </li>
        ))}
        <li className="flex items-center gap-1.5">
          <svg width="24" height="18" viewBox="0 -13 18 16" aria-hidden="true">
            <path d="M9 -12c2.6 3.4 3.6 4.8 3.6 6.6a3.6 3.6 0 1 1 -7.2 0c0 -1.8 1 -3.2 3.6 -6.6Z" fill={C.water} />
          </svg>
          came in wet
        </li>
        <li className="flex items-center gap-1.5">
          <svg width="24" height="8" aria-hidden="true">
            <line x1="1" x2="23" y1="4" y2="4" stroke={C.grid2} strokeWidth="5" />
          </svg>
          seven days
        </li>
      </ul>
      {misses.length > 0 && (
        <p className="absolute" style={{ top: MISS.top }}>
          <b className="text-ink">
            {inside} of {misses.length} inside
          </b>
          <br />
          {Math.round((100 * inside) / misses.length)} %; 80 promised
          <br />1 is a word, as
          <br />
          fine to warm
        </p>
      )}
    </div>
  );
}
