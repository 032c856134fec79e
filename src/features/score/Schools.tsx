'use client';
import { useEffect, useRef, useState } from 'react';
import type { Garment } from '@/core/clothing/garment';
import { SCHOOLS, type Compared, type Parting, type SchoolPlan } from '@/core/plan/schools';
import { clock, degrees, grams, kilograms, type Units } from '@/formats/words';
import { Button } from '@/ui/Button';
import { schoolsInWorker } from '@/workers/client';
import type { Score } from './useScore';

const LEAST = 2;
const MOST = 4;

/** Where good practitioners disagree: two to four ways of thinking, planned on this outing and laid side by side. */
export function Schools({ score, units }: { score: Score; units: Units }) {
  const [chosen, setChosen] = useState<string[]>(['start-cold', 'err-warm']);
  const [running, setRunning] = useState<{ done: number; says: string } | null>(null);
  const [found, setFound] = useState<Compared | null>(null);
  const [failed, setFailed] = useState('');
  const cancel = useRef<(() => void) | null>(null);
  useEffect(() => () => cancel.current?.(), []);
  const toggle = (id: string) =>
    setChosen((c) => (c.includes(id) ? c.filter((x) => x !== id) : c.length < MOST ? [...c, id] : c));
  const stop = () => {
    cancel.current?.();
    cancel.current = null;
    setRunning(null);
  };
  const compare = () => {
    stop();
    setFailed('');
    setRunning({ done: 0, says: 'Laying out the day' });
    let wanted = true;
    const work = schoolsInWorker(score.ask(), chosen, (done, says) => wanted && setRunning({ done, says }));
    cancel.current = () => {
      wanted = false;
      work.cancel();
    };
    work.result.then(
      (c) => {
        wanted = false;
        cancel.current = null;
        setRunning(null);
        setFound(c);
      },
      (e: Error) => {
        wanted = false;
        stop();
        setFailed(e.message);
      },
    );
  };
  return (
    <div className="min-w-0">
      <h2 className="speak text-[19px] font-semibold">Schools of thought, on this outing</h2>
      <fieldset className="mt-1.5 flex flex-wrap gap-1" disabled={running !== null}>
        <legend className="sr-only">Two to four schools to compare</legend>
        {SCHOOLS.map((s) => (
          <button
            key={s.id}
            type="button"
            aria-pressed={chosen.includes(s.id)}
            disabled={!chosen.includes(s.id) && chosen.length >= MOST}
            onClick={() => toggle(s.id)}
            className={`cursor-pointer rounded-[3px] border px-1.5 py-0.5 text-[12px] disabled:cursor-default disabled:text-ink-3 ${chosen.includes(s.id) ? 'border-ink bg-ink font-semibold text-white' : 'border-grid-2 bg-sheet'}`}
          >
            {s.name}
          </button>
        ))}
      </fieldset>
      <div className="mt-2 flex items-center gap-3">
        {running ? (
          <Button onClick={stop}>Cancel</Button>
        ) : (
          <Button kind="strong" disabled={chosen.length < LEAST} onClick={compare}>
            Compare {chosen.length >= LEAST ? chosen.length : ''}
          </Button>
        )}
        <span role="status" className="min-w-0 truncate text-ink-2">
          {running
            ? `${Math.round(running.done * 100)} % ${running.says}`
            : failed || (chosen.length < LEAST ? 'Choose two to four.' : chosen.length === MOST ? 'Four at most.' : '')}
        </span>
      </div>
      {found && <Side found={found} score={score} units={units} />}
    </div>
  );
}

function Side({ found, score, units }: { found: Compared; score: Score; units: Units }) {
  const best = Math.min(...found.plans.map((p) => p.planned.scored.total));
  const rows: [string, (p: SchoolPlan) => string][] = [
    ['cost, points', ({ planned: p }) => p.scored.total.toFixed(2)],
    ['water in layers, most', ({ planned: p }) => grams(p.scored.metrics.waterPeak.value, units)],
    ['fingers, lowest', ({ planned: p }) => degrees(p.scored.metrics.fingers.value, units, 1)],
    ['torso, lowest', ({ planned: p }) => degrees(p.scored.metrics.torso.value, units, 1)],
    ['cues', ({ planned: p }) => String(p.plan.cues.length)],
    ['worn and carried', ({ planned: p }) => kilograms(p.scored.massG / 1000, units)],
  ];
  return (
    <div className="mt-3 overflow-x-auto">
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-ink align-bottom">
            <th className="w-[24%] py-1 font-normal text-ink-3">the same day</th>
            {found.plans.map((p) => (
              <th key={p.school.id} className="py-1 pr-3 font-semibold">
                {p.school.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, show]) => (
            <tr key={label} className="border-b border-grid align-baseline">
              <th scope="row" className="py-[3px] pr-2 text-left font-normal text-ink-2">
                {label}
              </th>
              {found.plans.map((p) => (
                <td key={p.school.id} className={`pr-3 ${p.planned.scored.total === best ? 'font-semibold' : ''}`}>
                  {show(p)}
                </td>
              ))}
            </tr>
          ))}
          <tr className="align-top">
            <th scope="row" className="py-1.5 text-left font-normal text-ink-2">
              in a word
            </th>
            {found.plans.map((p) => (
              <td key={p.school.id} className="py-1.5 pr-3">
                <span className={`block leading-tight ${p.planned.safe ? '' : 'font-semibold text-act'}`}>
                  {p.planned.scored.verdict.lead.replace(/:$/, '.')}
                </span>
                <Button className="mt-1 px-2 py-0.5 text-[12px]" onClick={() => score.commit(p.planned.plan)}>
                  Take this plan
                </Button>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      {found.partings.map((x) => (
        <PartingNote key={x.b} x={x} found={found} garments={score.garments} units={units} />
      ))}
      {found.impossible.map((x) => (
        <p key={x.id} className="mt-1 text-ink-2">
          <b>{x.name}</b> cannot be followed: {x.why}.
        </p>
      ))}
    </div>
  );
}

interface NoteProps {
  x: Parting;
  found: Compared;
  garments: ReadonlyMap<string, Garment>;
  units: Units;
}

/** The moment two schools part most, what each wears there, and what follows. */
function PartingNote({ x, found, garments, units }: NoteProps) {
  const name = (id: string) => found.plans.find((p) => p.school.id === id)!.school.name;
  const list = (ids: readonly string[]) =>
    ids.map((id) => garments.get(id)?.name.toLowerCase() ?? 'a piece').join(', ') || 'nothing the other lacks';
  return (
    <p className="mt-1.5 leading-snug">
      <b>
        {name(x.a)} and {name(x.b).toLowerCase()} part most at {clock(x.atS)}.
      </b>{' '}
      {name(x.a)}: {list(x.wornOnly[0])}; torso {degrees(x.torsoC[0], units, 1)}, {grams(x.waterG[0], units)} of water.{' '}
      {name(x.b)}: {list(x.wornOnly[1])}; torso {degrees(x.torsoC[1], units, 1)}, {grams(x.waterG[1], units)}.
    </p>
  );
}
