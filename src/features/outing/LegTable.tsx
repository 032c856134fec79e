import { SPORTS, type Sport } from '@/core/effort/activity';
import { WETTINGS } from '@/core/outing/wetting';
import { isStop, type Effort, type Leg } from '@/core/outing/leg';
import type { Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { cToFahrenheit, fahrenheitToC, feetToM } from '@/core/quantity/units';
import type { Problem } from '@/formats/problem';
import { distance, type Units } from '@/formats/words';
import { Button } from '@/ui/Button';
import { EFFORT_WORDS, placeOf, PLACES, sportWord } from './words';

const cell = 'rounded-[3px] border border-grid-2 bg-sheet px-1.5 py-1';

/** Legs and stops as rows to be edited; what is laid out stands in grey where the athlete has said nothing. */
export function LegTable({
  outing,
  laid,
  units,
  edit,
}: {
  outing: Outing;
  laid: { timeline: Timeline } | { problem: Problem };
  units: Units;
  edit: (next: Outing) => void;
}) {
  const setLeg = (i: number, patch: Partial<Leg>) =>
    edit({ ...outing, legs: outing.legs.map((l, k) => (k === i ? { ...l, ...patch } : l)) });
  const addStop = (i: number) => {
    const before = outing.legs[i];
    const stop: Leg = {
      name: 'Stop',
      sport: 'stand',
      minutes: 10,
      distanceM: 0,
      climbM: 0,
      effort: { by: 'usual' },
      shelter: before.shelter,
      packOn: false,
      noStopping: false,
      ...(before.profileTo !== undefined ? { profileFrom: before.profileTo, profileTo: before.profileTo } : {}),
    };
    edit({ ...outing, legs: [...outing.legs.slice(0, i + 1), stop, ...outing.legs.slice(i + 1)] });
  };
  const addLeg = () => {
    const { profileFrom: _f, profileTo: _t, ...last } = outing.legs[outing.legs.length - 1];
    edit({ ...outing, legs: [...outing.legs, { ...last, name: 'Next leg', distanceM: 0, climbM: 0, minutes: 30 }] });
  };

  return (
    <section aria-label="Legs" className="overflow-x-auto">
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b-2 border-ink text-[12px] text-ink-3">
            {[
              'Leg',
              'Going',
              'Min',
              ...(outing.route
                ? ['Distance']
                : [`Air, ${units === 'metric' ? '°C' : '°F'}`, `Wind, ${units === 'metric' ? 'm/s' : 'mph'}`]),
              `Climb, ${units === 'metric' ? 'm' : 'ft'}`,
              'How hard',
              'Shelter and sun',
              'Wets, chills',
              'Pack',
              'No stop',
              '',
            ].map((h) => (
              <th key={h} className="py-1 pr-2 font-medium">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {outing.legs.map((leg, i) => (
            <tr key={i} className="border-b border-grid">
              <td className="py-1 pr-2">
                <input
                  aria-label={`Name of leg ${i + 1}`}
                  className={`${cell} speak w-[112px]`}
                  value={leg.name}
                  maxLength={120}
                  onChange={(e) => setLeg(i, { name: e.target.value })}
                />
              </td>
              <td className="pr-1.5">
                <select
                  aria-label={`Going of leg ${i + 1}`}
                  className={`${cell} w-[98px]`}
                  value={leg.sport}
                  onChange={(e) => setLeg(i, { sport: e.target.value as Sport })}
                >
                  {SPORTS.map((s) => (
                    <option key={s} value={s}>
                      {sportWord(s)}
                    </option>
                  ))}
                </select>
              </td>
              <td className="pr-1.5">
                <LegNumber
                  label={`Minutes of leg ${i + 1}`}
                  value={leg.minutes}
                  onChange={(minutes) => setLeg(i, { minutes })}
                />
              </td>
              {outing.route ? (
                <td className="pr-1.5 whitespace-nowrap text-ink-2">
                  {leg.distanceM > 0 ? distance(leg.distanceM, units) : '–'}
                </td>
              ) : (
                <LegAirCells leg={leg} index={i} laid={laid} units={units} onChange={(air) => setLeg(i, { air })} />
              )}
              <td className="pr-1.5">
                <LegNumber
                  label={`Climb of leg ${i + 1}`}
                  value={Math.round(units === 'metric' ? leg.climbM : leg.climbM / 0.3048)}
                  onChange={(v) => setLeg(i, { climbM: units === 'metric' ? v : feetToM(v) })}
                />
              </td>
              <td className="pr-1.5">
                <EffortField leg={leg} index={i} units={units} onChange={(effort) => setLeg(i, { effort })} />
              </td>
              <td className="pr-1.5">
                <select
                  aria-label={`Shelter of leg ${i + 1}`}
                  className={`${cell} w-[92px]`}
                  value={placeOf(leg)}
                  onChange={(e) => setLeg(i, PLACES[e.target.value].leg)}
                >
                  {Object.entries(PLACES).map(([k, v]) => (
                    <option key={k} value={k}>
                      {v.label}
                    </option>
                  ))}
                </select>
              </td>
              <td className="pr-1.5">
                <select
                  aria-label={`What wets or chills by touch in leg ${i + 1}`}
                  className={`${cell} w-[92px]`}
                  value={leg.wetting ?? ''}
                  onChange={(e) => setLeg(i, { wetting: (e.target.value || undefined) as Leg['wetting'] })}
                >
                  <option value="">Nothing</option>
                  {WETTINGS.map((w) => (
                    <option key={w} value={w}>
                      {w[0].toUpperCase() + w.slice(1)}
                    </option>
                  ))}
                </select>
              </td>
              <td className="pr-1.5">
                <select
                  aria-label={`Pack in leg ${i + 1}`}
                  className={`${cell} w-[60px]`}
                  value={!leg.packOn ? 'off' : leg.packUnder ? 'under' : 'over'}
                  onChange={(e) =>
                    setLeg(i, { packOn: e.target.value !== 'off', packUnder: e.target.value === 'under' || undefined })
                  }
                >
                  <option value="off">Off</option>
                  <option value="over">On</option>
                  <option value="under">Under the shell</option>
                </select>
              </td>
              <td className="pr-1.5 text-center">
                <input
                  type="checkbox"
                  aria-label={`No stopping in leg ${i + 1}`}
                  checked={leg.noStopping}
                  onChange={(e) => setLeg(i, { noStopping: e.target.checked })}
                />
              </td>
              <td className="whitespace-nowrap">
                <Button
                  kind="quiet"
                  className="px-1 py-0.5"
                  onClick={() => addStop(i)}
                  title="Put a stop after this leg"
                >
                  + stop
                </Button>
                {outing.legs.length > 1 && (isStop(leg) || leg.profileFrom === undefined) && (
                  <Button
                    kind="quiet"
                    className="px-1 py-0.5"
                    aria-label={`Remove leg ${i + 1}`}
                    title="Remove this leg"
                    onClick={() => edit({ ...outing, legs: outing.legs.filter((_, k) => k !== i) })}
                  >
                    ×
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button className="mt-2" onClick={addLeg}>
        Add a leg
      </Button>
    </section>
  );
}

function LegNumber({ label, value, onChange }: { label: string; value: number; onChange: (v: number) => void }) {
  return (
    <input
      aria-label={label}
      type="number"
      step="any"
      className={`${cell} w-[54px] text-right`}
      value={value}
      onChange={(e) => Number.isFinite(e.target.valueAsNumber) && onChange(e.target.valueAsNumber)}
    />
  );
}

/** Air and wind of one leg by hand; empty means the forecast's, which stands in grey. */
function LegAirCells({
  leg,
  index,
  laid,
  units,
  onChange,
}: {
  leg: Leg;
  index: number;
  laid: { timeline: Timeline } | { problem: Problem };
  units: Units;
  onChange: (air: Leg['air']) => void;
}) {
  const now = 'timeline' in laid ? laid.timeline.stretches.find((s) => s.leg === index) : undefined;
  const metric = units === 'metric';
  const show = (v: number | undefined, f: (x: number) => number) =>
    v === undefined ? '' : String(Math.round(f(v) * 10) / 10);
  const air = (c: number) => (metric ? c : cToFahrenheit(c));
  const wind = (v: number) => (metric ? v : v * 2.236936);
  const put = (key: 'airC' | 'wind', text: string, back: (x: number) => number) => {
    const { [key]: _old, ...rest } = leg.air ?? {};
    const v = Number(text);
    const next = text.trim() === '' || !Number.isFinite(v) ? rest : { ...rest, [key]: back(v) };
    onChange(Object.keys(next).length > 0 ? next : undefined);
  };
  return (
    <>
      <td className="pr-1.5">
        <input
          aria-label={`Air of leg ${index + 1}`}
          inputMode="decimal"
          className={`${cell} w-[52px] text-right`}
          placeholder={show(now?.airC, air)}
          defaultValue={show(leg.air?.airC, air)}
          onBlur={(e) => put('airC', e.target.value, (x) => (metric ? x : fahrenheitToC(x)))}
        />
      </td>
      <td className="pr-1.5">
        <input
          aria-label={`Wind of leg ${index + 1}, at 10 m`}
          inputMode="decimal"
          className={`${cell} w-[52px] text-right`}
          placeholder={show(now?.wind10, wind)}
          defaultValue={show(leg.air?.wind, wind)}
          onBlur={(e) => put('wind', e.target.value, (x) => (metric ? x : x / 2.236936))}
        />
      </td>
    </>
  );
}

function EffortField({
  leg,
  index,
  units,
  onChange,
}: {
  leg: Leg;
  index: number;
  units: Units;
  onChange: (e: Effort) => void;
}) {
  const by = leg.effort.by;
  // Speed is kept in m/s and shown as people say it.
  const factor = by !== 'speed' ? 1 : units === 'metric' ? 3.6 : 2.236936;
  const unit = by === 'speed' ? (units === 'metric' ? 'km/h' : 'mph') : EFFORT_WORDS[by].unit;
  return (
    <span className="flex items-center gap-1">
      <select
        aria-label={`How hard in leg ${index + 1}`}
        className={`${cell} w-[90px]`}
        value={by}
        onChange={(e) => {
          const next = e.target.value as Effort['by'];
          onChange(next === 'usual' ? { by: next } : { by: next, value: EFFORT_WORDS[next].start });
        }}
      >
        {Object.entries(EFFORT_WORDS)
          .filter(([k]) => k !== 'power' || leg.sport === 'cycle')
          .map(([k, v]) => (
            <option key={k} value={k}>
              {v.label}
            </option>
          ))}
      </select>
      {leg.effort.by !== 'usual' && (
        <>
          <LegNumber
            label={`Value of effort in leg ${index + 1}`}
            value={Math.round(leg.effort.value * factor * 100) / 100}
            onChange={(value) => onChange({ by: leg.effort.by, value: value / factor } as Effort)}
          />
          <span className="text-[12px] whitespace-nowrap text-ink-3">{unit}</span>
        </>
      )}
    </span>
  );
}
