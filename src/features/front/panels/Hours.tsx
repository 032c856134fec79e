'use client';
import { type DoorHour } from '@/core/search/aroundDoor';
import type { Door } from '@/features/front/state/useDoor';
import type { Heard } from '@/store/weather';
import { LIMIT } from '@/core/judge/limits';
import { sunPosition } from '@/core/atmosphere/sun';
import { timeOfDay } from '@/formats/dates';
import { degrees, fall, fallUnit, fromWind, grams, minus, temperatureUnit, type Units } from '@/formats/measures';
import { cToFahrenheit, msToKmh } from '@/core/quantity/units';
import { C } from '@/ui/draw/palette';
import { linear } from '@/ui/draw/scale';

const W = 384;
const LEFT = 62;
const HOUR_MS = 3600_000;
const AIR = { top: 22, high: 40 };
const WATER = { top: 112, high: 52 };
const H = 198;
/** What costs so much more than the best is not "any hour", points. */
const ABOUT_AS_GOOD = 0.35;

/** The hours of today in these clothes: air, wind, what falls, light, water, and the best start. */
export function Hours({
  door,
  hours,
  heard,
  units,
}: {
  door: Door;
  hours: DoorHour[];
  heard: Heard | null;
  units: Units;
}) {
  if (!heard) return <NoWeather />;
  if (hours.length === 0)
    return (
      <section>
        <h2 className="speak text-[19px] leading-tight font-semibold">The hours of today</h2>
        <p className="text-[12.5px] text-ink-2">Worked out when the answer stands.</p>
        {/* As high as what comes: what lies beneath stays where it is, or a tap on it would miss. */}
        <svg viewBox={`0 0 ${W} ${H}`} width="100%" className="mt-1 block" aria-hidden="true">
          <path d={`M${LEFT} ${WATER.top + WATER.high}H${W}`} stroke={C.grid2} />
        </svg>
      </section>
    );
  const ahead = hours.filter((h) => h.startMs >= door.unsaid.nowMs - HOUR_MS / 2);
  const rank = (h: DoorHour) => h.cost + (h.safe ? 0 : 1000);
  const best = (ahead.length > 0 ? ahead : hours).reduce((a, b) => (rank(b) < rank(a) - 1e-9 ? b : a));
  const wide = (W - LEFT) / hours.length;
  const mid = (i: number) => LEFT + (i + 0.5) * wide;
  const airs = hours.map((h) => h.day.airC);
  const y = linear(Math.max(...airs) + 1, Math.min(...airs) - 1, AIR.top + 12, AIR.top + AIR.high);
  const most = Math.max(30, ...hours.map((h) => h.waterG));
  const nowAt = LEFT + ((door.day.startMs - hours[0].startMs) / HOUR_MS) * wide;
  const place = door.place;
  const light = (ms: number) =>
    place ? sunPosition(ms - place.utcOffsetMin * 60_000, place.latitude, place.longitude).altitudeDeg : 0;
  return (
    <section aria-labelledby="hours">
      <h2 id="hours" className="speak text-[19px] leading-tight font-semibold">
        {headline(ahead, best)}
      </h2>
      <p className="text-[12.5px]">
        <b className="text-act">Best {timeOfDay(best.startMs)}</b>: {degrees(best.day.airC, units)},{' '}
        {reasonOf(best, units)}
      </p>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        width="100%"
        className="mt-1 block"
        role="group"
        aria-label="Leave at another hour"
      >
        {hours.map((h, i) => {
          const sun = light(h.startMs + HOUR_MS / 2);
          return (
            <rect
              key={h.startMs}
              x={LEFT + i * wide}
              y={0}
              width={wide + 0.5}
              height={14}
              fill={sun > 0 ? C.sun : sun > LIMIT.darkDeg ? C.grid2 : C.night}
            />
          );
        })}
        {runs(hours.map((h) => (light(h.startMs + HOUR_MS / 2) > 0 ? 'sun' : 'dark'))).map((r) => (
          <text
            key={r.from}
            x={LEFT + ((r.from + r.to) / 2) * wide}
            y={11}
            fontSize="11"
            textAnchor="middle"
            style={{ fill: r.of === 'sun' ? C.onSun : C.onNight }}
          >
            {r.to - r.from > 1 ? r.of : ''}
          </text>
        ))}
        <g fontSize="11" style={{ fill: C.ink2 }}>
          <text x={0} y={AIR.top + 22}>
            air, {temperatureUnit(units)}
          </text>
          <text x={0} y={83}>
            {units === 'imperial' ? 'mph' : 'km/h'}
          </text>
          <text x={0} y={100}>
            falls, {fallUnit(units)}
          </text>
          <text x={0} y={WATER.top + 16}>
            water in
          </text>
          <text x={0} y={WATER.top + 29}>
            these
          </text>
          <text x={0} y={WATER.top + 42}>
            clothes, {units === 'imperial' ? 'oz' : 'g'}
          </text>
        </g>
        <path
          d={`M${hours.map((h, i) => `${mid(i)} ${y(h.day.airC)}`).join('L')}`}
          fill="none"
          stroke={C.ink}
          strokeWidth="1.400"
        />
        {hours.map((h, i) => {
          const chosen = Math.abs(h.startMs - door.day.startMs) < HOUR_MS / 2;
          const isBest = h === best;
          const high = Math.max(1.5, (h.waterG / most) * (WATER.high - 14));
          const foot = WATER.top + WATER.high;
          return (
            <g key={h.startMs} fontSize="11" textAnchor="middle" fontWeight={chosen ? 700 : 400}>
              <text x={mid(i)} y={y(h.day.airC) - 4}>
                {minus(units === 'imperial' ? cToFahrenheit(h.day.airC) : h.day.airC, 0)}
              </text>
              <text x={mid(i)} y={83}>
                {(units === 'imperial' ? fromWind(h.day.windMs, units) : msToKmh(h.day.windMs)).toFixed(0)}
              </text>
              {h.day.falls.mmH > 0 && (
                <>
                  <rect
                    x={LEFT + i * wide}
                    y={89}
                    width={wide}
                    height={14}
                    fill={`url(#water-${h.day.falls.mmH > 1.5 ? 3 : 2})`}
                  />
                  <text x={mid(i)} y={100}>
                    {fall(h.day.falls.mmH, units)}
                  </text>
                </>
              )}
              <rect
                x={mid(i) - wide / 2 + 3}
                y={foot - high}
                width={wide - 6}
                height={high}
                fill={`url(#water-${h.waterG < 15 ? 1 : h.waterG < 60 ? 2 : 4})`}
                stroke={C.water}
                strokeWidth="0.800"
              />
              {(i % 2 === 0 || h.waterG > most * 0.4) && (
                <text x={mid(i)} y={foot - high - 3}>
                  {units === 'imperial' ? grams(h.waterG, units).split(' ')[0] : h.waterG.toFixed(0)}
                </text>
              )}
              <text
                x={mid(i)}
                y={foot + 13}
                fontWeight={isBest || chosen ? 700 : 400}
                style={{ fill: isBest ? C.act : C.ink }}
              >
                {timeOfDay(h.startMs).slice(0, 2)}
              </text>
              {!h.safe && (
                <text x={mid(i)} y={foot + 26} style={{ fill: C.act }} fontWeight="700">
                  ▲
                </text>
              )}
            </g>
          );
        })}
        {nowAt >= LEFT && nowAt <= W && (
          <path d={`M${nowAt} 14V${WATER.top + WATER.high}`} stroke={C.ink} strokeDasharray="2 2" />
        )}
        <path d={`M${LEFT} ${WATER.top + WATER.high}H${W}`} stroke={C.ink} />
        {hours.map((h, i) => (
          <rect
            key={h.startMs}
            x={LEFT + i * wide}
            y={0}
            width={wide}
            height={H}
            fill="transparent"
            role="button"
            tabIndex={0}
            aria-label={`Leave at ${timeOfDay(h.startMs)}: ${degrees(h.day.airC, units)}, ${grams(h.waterG, units)} of water${h.safe ? '' : ', not safe'}`}
            className="cursor-pointer"
            onClick={() => door.set('startMs', { startMs: h.startMs })}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              e.preventDefault();
              e.stopPropagation();
              door.set('startMs', { startMs: h.startMs });
            }}
          />
        ))}
      </svg>
    </section>
  );
}

function NoWeather() {
  return (
    <section>
      <h2 className="speak text-[19px] font-semibold">No weather was heard yet.</h2>
      <p className="text-[12.5px] text-ink-2">
        The station does not answer and has never been heard. The dials alone do: say how it is outside.
      </p>
    </section>
  );
}

/** Which hours are about as good as the best, in words. */
function headline(ahead: readonly DoorHour[], best: DoorHour): string {
  if (ahead.length === 0) return 'The day is over; these are its hours.';
  if (!best.safe) return 'No hour of today is safe in these clothes.';
  const good = ahead.map((h) => h.safe && h.cost <= best.cost + ABOUT_AS_GOOD);
  if (good.every((g) => g)) return 'Any hour will do.';
  const span = (r: { from: number; to: number }): string => {
    const from = timeOfDay(ahead[r.from].startMs);
    return r.to - r.from === 1 ? from : `${from} to ${timeOfDay(ahead[r.to - 1].startMs + HOUR_MS)}`;
  };
  const all = runs(good);
  const few = good.filter((g) => g).length * 2 <= good.length;
  const said = all
    .filter((r) => r.of === few)
    .slice(0, 2)
    .map(span)
    .join(' or ');
  return few ? `Go at ${said}.` : `Go any hour but ${said.replace(' or ', ' and ')}.`;
}

function reasonOf(h: DoorHour, units: Units): string {
  const falls = h.day.falls.mmH > 0 ? `${h.day.falls.kind}` : 'dry';
  return `${falls}, ${grams(h.waterG, units)} of water in these clothes.`;
}

function runs<T>(list: readonly T[]): { from: number; to: number; of: T }[] {
  const out: { from: number; to: number; of: T }[] = [];
  list.forEach((of, i) => {
    const last = out[out.length - 1];
    if (last && last.of === of) last.to = i + 1;
    else out.push({ from: i, to: i + 1, of });
  });
  return out;
}
