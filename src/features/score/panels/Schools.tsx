'use client';
import { ToggleGroup } from 'radix-ui';
import { useState } from 'react';
import { useStore } from 'zustand';
import type { Garment } from '@/core/clothing/garment';
import type { Compared, Parting, SchoolPlan } from '@/core/search/partings';
import { SCHOOLS } from '@/core/search/schools';
import { clock } from '@/formats/dates';
import { degrees, grams, kilograms, type Units } from '@/formats/measures';
import type { Score } from '@/features/score/state/useScore';
import { Button } from '@/ui/Button';
import { ProgressBar } from '@/ui/ProgressBar';

const LEAST = 2;
const MOST = 4;

/** Where good practitioners disagree: two to four ways of thinking, planned on this outing and laid side by side. */
export function Schools({ score, units }: { score: Score; units: Units }) {
  const [chosen, setChosen] = useState<string[]>(['start-cold', 'err-warm']);
  const { busy, done, says, compared } = useStore(score.search);
  const comparing = busy === 'comparing';
  return (
    <div className="min-w-0">
      <h2 className="speak text-[19px] font-semibold">Schools of thought, on this outing</h2>
      <ToggleGroup.Root
        type="multiple"
        aria-label="Two to four schools to compare"
        className="mt-1.5 flex flex-wrap gap-1"
        disabled={busy !== null}
        value={chosen}
        onValueChange={(v) => v.length <= MOST && setChosen(v)}
      >
        {SCHOOLS.map((s) => (
          <ToggleGroup.Item
            key={s.id}
            value={s.id}
            disabled={!chosen.includes(s.id) && chosen.length >= MOST}
            className="cursor-pointer rounded-[3px] border border-grid-2 bg-sheet px-1.5 py-0.5 text-[12px] disabled:cursor-default disabled:text-ink-3 data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:font-semibold data-[state=on]:text-sheet"
          >
            {s.name}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <div className="mt-2 flex items-center gap-3">
        {comparing ? (
          <Button onClick={() => score.stop(null)}>Cancel</Button>
        ) : (
          <Button kind="strong" disabled={chosen.length < LEAST || busy !== null} onClick={() => score.compare(chosen)}>
            Compare {chosen.length >= LEAST ? chosen.length : ''}
          </Button>
        )}
        <div role="status" className="min-w-0 flex-1 text-ink-2">
          {comparing ? (
            <>
              <span className="block truncate">
                {Math.round(done * 100)} % {says}
              </span>
              <ProgressBar done={done} label="Comparing" />
            </>
          ) : chosen.length < LEAST ? (
            'Choose two to four.'
          ) : chosen.length === MOST ? (
            'Four at most.'
          ) : (
            ''
          )}
        </div>
      </div>
      {compared && <Side found={compared} score={score} units={units} />}
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
            <th scope="col" className="w-[24%] py-1 font-normal text-ink-3">
              the same day
            </th>
            {found.plans.map((p) => (
              <th key={p.school.id} scope="col" className="py-1 pr-3 font-semibold">
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
                <Button size="small" className="mt-1" onClick={() => score.commit(p.planned.plan)}>
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
