'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState, type FormEvent, type ReactNode } from 'react';
import { SPORTS, isMoving, type Sport } from '@/core/effort/activity';
import { fahrenheitToC, feetToM, kmhToMs, mphToKmh, poundToKg } from '@/core/quantity/units';
import type { Units } from '@/formats/words';
import type { Problem } from '@/formats/problem';
import { Header } from '@/features/shell/Header';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { send } from '@/ui/send';
import { warmUp } from '@/workers/client';
import { sportWord } from './words';

const input = 'w-full rounded-[3px] border border-grid-2 bg-sheet px-2 py-1.5';

function Field({ label, hint, children }: { label: string; hint?: string; children: ReactNode }) {
  return (
    <label className="block">
      <span className="font-semibold">{label}</span>
      {hint && <span className="ml-2 text-[12px] text-ink-3">{hint}</span>}
      <span className="mt-1 block">{children}</span>
    </label>
  );
}

/** Numbers typed in imperial units, turned into what the server takes. What is no number stays as it is and is refused by name. */
function toMetric(form: FormData): void {
  const turn = (field: string, f: (x: number) => number) => {
    const text = String(form.get(field) ?? '').trim();
    if (text !== '' && Number.isFinite(Number(text))) form.set(field, String(f(Number(text))));
  };
  turn('airC', fahrenheitToC);
  turn('wind', (x) => kmhToMs(mphToKmh(x)));
  turn('climbM', feetToM);
  turn('loadKg', poundToKg);
  if (form.get('effortBy') === 'speed') turn('effortValue', mphToKmh);
}

/** A new outing from a route and a forecast, or from one leg by hand. */
export function NewOuting({ units }: { units: Units }) {
  const metric = units === 'metric';
  const router = useRouter();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const [sport, setSport] = useState<Sport>('ski tour');
  const [by, setBy] = useState('usual');
  const [withRoute, setWithRoute] = useState(true);
  // The planner comes next.
  useEffect(() => void warmUp(), []);

  async function submit(e: FormEvent<HTMLFormElement>) {
    e.preventDefault();
    setBusy(true);
    setProblems([]);
    const form = new FormData(e.currentTarget);
    if (!withRoute) form.delete('route');
    if (!metric) toMetric(form);
    const sent = await send<{ id: string }>('POST', '/api/outings', form);
    if (sent.ok) router.push(`/outing/${sent.value.id}`);
    else {
      setProblems(sent.problems);
      setBusy(false);
    }
  }

  return (
    <>
      <Header screen="outing" />
      <main className="mx-4 grid grid-cols-[minmax(0,620px)_minmax(0,1fr)] gap-12 pt-6 max-[900px]:grid-cols-1">
        <form onSubmit={submit} className="space-y-4" noValidate>
          <h1 className="speak text-[28px] leading-tight font-semibold">A day out: the way, and the air on it.</h1>
          <Problems problems={problems} />
          <Field
            label="Hourly forecast"
            hint={withRoute ? 'CSV; metric or imperial headers' : 'CSV; or give the air below instead'}
          >
            <input
              className={input}
              type="file"
              name="forecast"
              accept=".csv,text/csv,text/plain"
              required={withRoute}
            />
          </Field>
          <div className="flex gap-1" role="radiogroup" aria-label="Way">
            {[true, false].map((v) => (
              <Button
                key={String(v)}
                kind={withRoute === v ? 'strong' : 'plain'}
                role="radio"
                aria-checked={withRoute === v}
                onClick={() => setWithRoute(v)}
              >
                {v ? 'Route from a GPX file' : 'Legs by hand'}
              </Button>
            ))}
          </div>
          {withRoute ? (
            <div className="space-y-2">
              <Field label="Route" hint="GPX track or route">
                <input className={input} type="file" name="route" accept=".gpx,application/gpx+xml,text/xml" />
              </Field>
              <label className="flex items-center gap-2">
                <input type="checkbox" name="useRecorded" value="yes" /> use the times recorded in the track for the
                pace
              </label>
            </div>
          ) : (
            <div className="grid grid-cols-2 gap-4">
              <Field label={metric ? 'Air, °C' : 'Air, °F'} hint="each leg may have its own later">
                <input className={input} name="airC" type="number" step="any" />
              </Field>
              <div className="grid grid-cols-2 gap-4">
                <Field label={metric ? 'Wind, m/s' : 'Wind, mph'} hint="at 10 m">
                  <input className={input} name="wind" type="number" min={0} step="any" />
                </Field>
                <Field label="Humidity, %">
                  <input className={input} name="humidity" type="number" min={2} max={100} placeholder="75" />
                </Field>
              </div>
              <Field label="First leg, minutes" hint="more legs on the next screen">
                <input className={input} name="minutes" type="number" min={5} max={1440} defaultValue={60} />
              </Field>
              <Field label={metric ? 'Climb, m' : 'Climb, ft'}>
                <input className={input} name="climbM" type="number" step="any" defaultValue={0} />
              </Field>
            </div>
          )}
          <div className="grid grid-cols-2 gap-4">
            <Field label="Sport">
              <select className={input} name="sport" value={sport} onChange={(e) => setSport(e.target.value as Sport)}>
                {SPORTS.filter((s) => isMoving(s)).map((s) => (
                  <option key={s} value={s}>
                    {sportWord(s)}
                  </option>
                ))}
              </select>
            </Field>
            <Field label="Name" hint="else the route’s">
              <input className={input} name="name" maxLength={120} />
            </Field>
            <Field label="How hard">
              <select className={input} name="effortBy" value={by} onChange={(e) => setBy(e.target.value)}>
                <option value="usual">As usual</option>
                <option value="exertion">Exertion, 0–10</option>
                <option value="heartRate">Heart rate, bpm</option>
                <option value="speed">{metric ? 'Speed, km/h' : 'Speed, mph'}</option>
                {sport === 'cycle' && <option value="power">Power, W</option>}
              </select>
            </Field>
            {by === 'usual' ? (
              <span />
            ) : (
              <Field label="Value">
                <input className={input} name="effortValue" type="number" step="any" />
              </Field>
            )}
            <Field label="Start" hint="local; empty: first hour of the forecast">
              <input className={input} name="start" type="datetime-local" />
            </Field>
            <Field label={metric ? 'Pack beyond clothes, kg' : 'Pack beyond clothes, lb'}>
              <input className={input} name="loadKg" type="number" min={0} step="any" defaultValue={metric ? 5 : 11} />
            </Field>
            <Field label="Clock ahead of UTC, h" hint="for the sun">
              <input className={input} name="utcOffsetH" type="number" min={-12} max={14} step={0.5} defaultValue={1} />
            </Field>
          </div>
          <Button kind="strong" type="submit" disabled={busy} className="px-5 py-2 text-[15px]">
            {busy ? 'Reading…' : 'Take it in'}
          </Button>
        </form>
        <aside className="max-w-[52ch] space-y-3 border-l border-grid-2 pl-6 text-ink-2 max-[900px]:border-l-0 max-[900px]:pl-0">
          <h2 className="font-semibold text-ink">The forecast file</h2>
          <p>
            One line an hour. Needed: time, temperature, humidity, wind. Better with gust, direction, precipitation,
            kind and cloud.
          </p>
          <pre
            tabIndex={0}
            className="overflow-x-auto border-y border-grid-2 bg-sheet px-2 py-2 text-[12px] leading-relaxed text-ink"
          >
            {
              'time,temperature_c,humidity_pct,wind_ms,direction_deg\n2027-01-16T08:00,-9.5,86,3,240\n2027-01-16T09:00,-9,84,4,240'
            }
          </pre>
          <p>
            Imperial: <code>temperature_f</code>, <code>wind_mph</code>, <code>precipitation_in</code>. Kinds: dry snow,
            wet snow, sleet, rain, freezing drizzle.
          </p>
          <h2 className="font-semibold text-ink">The route file</h2>
          <p>
            GPX 1.1. Elevation is smoothed; if there is none the way is taken as flat and you are told. Without times
            the pace follows from your effort.
          </p>
        </aside>
      </main>
    </>
  );
}
