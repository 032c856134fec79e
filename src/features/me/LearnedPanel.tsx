'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import { area } from 'd3-shape';
import { useState } from 'react';
import type { Person } from '@/core/body/person';
import { athleteAs, nothingLearned, of, PARAMETER_NAMES, type Learned, type Parameter } from '@/core/calibrate/learned';
import { learnedWords } from '@/core/calibrate/learnedWords';
import type { ToldOuting } from '@/core/underway/outed';
import { day } from '@/formats/dates';
import type { Problem } from '@/formats/problem';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { C } from '@/ui/draw/palette';
import { Problems } from '@/ui/Problems';
import { useToasts } from '@/ui/toasts';
import { learnInWorker } from '@/workers/outThereClient';

interface Teaching {
  outings: { id: string; name: string; startMs: number; leftOut: boolean; learned: boolean }[];
  told: ToldOuting[];
}
const TITLES: Record<Parameter, string> = {
  sweat: 'Sweat',
  heat: 'Heat for the same pace',
  closing: 'Hands and feet close',
  comfort: 'You run',
  hands: 'Hands, comfort',
  feet: 'Feet, comfort',
  face: 'Face, comfort',
};
const KEY = ['learning'];

/** What the outings that were told say of the athlete, with how sure it is; taken over by a button, and back by another. */
export function LearnedPanel({ person, onTake }: { person: Person; onTake: (learned: Person) => () => void }) {
  const client = useQueryClient();
  const say = useToasts((t) => t.say);
  const [problems, setProblems] = useState<Problem[]>([]);
  const { data } = useQuery({
    queryKey: [...KEY, person],
    queryFn: async () => {
      const teaching = await request<Teaching>('GET', '/api/learning');
      const found = teaching.told.length > 0 ? await learnInWorker(person, teaching.told) : null;
      return { teaching, found };
    },
  });
  const mark = async (outings: string[], what: { leftOut?: boolean; learned?: boolean }) => {
    try {
      await request('PATCH', '/api/learning', { outings, ...what });
      setProblems([]);
    } catch (e) {
      setProblems(problemsOf(e));
    }
    await client.invalidateQueries({ queryKey: KEY });
  };
  if (!data) return <p className="text-ink-2">Reading what your outings say…</p>;
  const { teaching, found } = data;
  const fresh = teaching.outings.filter((o) => !o.leftOut && !o.learned);
  const take = async () => {
    const ids = fresh.map((o) => o.id);
    const back = onTake(athleteAs(person, found!.learned));
    await mark(ids, { learned: true });
    say('Taken over.', () => {
      back();
      void mark(ids, { learned: false });
    });
  };
  return (
    <section aria-labelledby="learned">
      <h2 id="learned" className="font-semibold text-ink">
        What your outings say
      </h2>
      <Problems problems={problems} title="Not done." />
      {teaching.outings.length === 0 ? (
        <p>
          Nothing yet. Take an outing along on the phone, tap how it is, and tell in the hall how it was: each tap and
          each weight teaches.
        </p>
      ) : (
        <>
          {found ? (
            <>
              <p>
                From {found.learned.outings} {found.learned.outings === 1 ? 'outing' : 'outings'}; the grey curve is
                what people differ by, the black one what is known now.
              </p>
              <table className="mt-1 w-full border-collapse">
                <tbody>
                  {PARAMETER_NAMES.map((p) => (
                    <tr key={p} className="border-t border-grid-2">
                      <th scope="row" className="py-1 pr-2 text-left font-semibold text-ink">
                        {TITLES[p]}
                      </th>
                      <td>
                        <Curves learned={found.learned} p={p} />
                      </td>
                      <td className="py-1 pl-2">{learnedWords(found.learned, p)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <p className="mt-2 flex flex-wrap items-center gap-2">
                <Button kind="act" onClick={() => void take()}>
                  Take these numbers over
                </Button>
                <span className="text-[12.5px]">Plans, chances and the ladder then count with them.</span>
              </p>
              {found.failed.length > 0 && <p className="mt-1">Not to be read any more: {found.failed.join(', ')}.</p>}
            </>
          ) : (
            <p>Nothing new since you took over what was known.</p>
          )}
          <ul className="mt-2">
            {teaching.outings.map((o) => (
              <li key={o.id} className="flex items-center justify-between gap-2 border-t border-grid py-1">
                <span className={o.leftOut ? 'line-through' : ''}>
                  {o.name}, {day(o.startMs)}
                  {o.learned && ', taken over'}
                </span>
                {!o.learned && (
                  <Button size="small" kind="quiet" onClick={() => void mark([o.id], { leftOut: !o.leftOut })}>
                    {o.leftOut ? 'Count it' : 'Unusual day: leave it out'}
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

const W = 150;
const H = 30;
/** Height of the curve before; one that is narrower is as much higher, as bells are, up to the top. */
const LOW = 11;
const HIGH = 25;

/** Two bells on one axis: before and after. */
function Curves({ learned, p }: { learned: Learned; p: Parameter }) {
  const before = of(nothingLearned(), p);
  const after = of(learned, p);
  const far = 2.6 * before.sd;
  const x = scaleLinear([-far, far], [0, W]);
  const bell = ({ mean, sd }: { mean: number; sd: number }, top: number) => {
    const points = Array.from({ length: 61 }, (_, i) => -far + (2 * far * i) / 60);
    const y = (v: number) => H - 3 - top * Math.exp(-0.5 * ((v - mean) / sd) ** 2);
    return (
      area<number>()
        .x(x)
        .y0(H - 3)
        .y1(y)(points) ?? ''
    );
  };
  return (
    <svg width={W} height={H} role="img" aria-label={`${TITLES[p]}: before and after`}>
      <path d={bell(before, LOW)} fill={C.grid2} opacity={0.7} />
      <path
        d={bell(after, Math.min(HIGH, (LOW * before.sd) / after.sd))}
        fill="none"
        stroke={C.ink}
        strokeWidth={1.6}
      />
      <line x1={0} x2={W} y1={H - 3} y2={H - 3} stroke={C.ink3} />
      <line x1={x(0)} x2={x(0)} y1={H - 6} y2={H} stroke={C.ink} />
    </svg>
  );
}
