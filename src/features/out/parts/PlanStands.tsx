'use client';
import { inOrder, type Finding } from '@/core/judge/findings';
import { findingSentence } from '@/core/judge/verdict';
import { planDifference } from '@/core/kit/difference';
import { isAsSaid } from '@/core/underway/taps';
import type { Units } from '@/formats/measures';
import { fillSlots } from '@/formats/sentences';
import type { Out } from '@/features/out/state/useOut';
import { lower, upper } from '@/features/out/words';

/** All that is known, the gravest first: of the one run, and of what may go otherwise. */
export const allFindings = ({ now, otherwise }: Out): Finding[] =>
  inOrder([...(now?.findings ?? []), ...(otherwise?.findings ?? [])]);

/** What becomes of the plan under this sky: the gravest thing first, never rosier than it. */
export function PlanStands({ o, units }: { o: Out; units: Units }) {
  const { out, now } = o;
  if (!now) return <>One moment…</>;
  const list = allFindings(o);
  const [worst] = list;
  const grave = worst?.severity ?? 0;
  const d = planDifference(o.opened.pack.plan, out.plan);
  const names = (ids: readonly string[]) =>
    o.opened.pack.closet
      .filter((g) => ids.includes(g.id))
      .map((g) => lower(g.name))
      .join(', ');
  const along = (which: 0 | 1) => [...new Set([...d.worn[which], ...d.carried[which]])];
  const [less, more] = [along(0).filter((g) => !along(1).includes(g)), along(1).filter((g) => !along(0).includes(g))];
  const changed = [more.length > 0 && `now with ${names(more)}`, less.length > 0 && `without ${names(less)}`]
    .filter(Boolean)
    .join(', ');
  const fitted =
    isAsSaid(out.sky) && changed === ''
      ? 'As said: the plan stands.'
      : changed === ''
        ? d.cues[0].length + d.cues[1].length > 0
          ? 'Other cues, the same clothes.'
          : 'The plan stands in that too.'
        : `${upper(changed)}.`;
  return (
    <>
      <b className={grave === 3 ? 'text-act' : ''}>
        {grave === 3 ? 'Not safe as it is.' : grave === 2 ? `With care. ${fitted}` : fitted}
      </b>{' '}
      {worst ? fillSlots(findingSentence(worst), units) : 'You should feel a little cool for ten minutes.'}
      {!o.otherwise && ' Looking at other weather…'}
    </>
  );
}
