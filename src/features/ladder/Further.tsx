'use client';
import { type Ladder, type LadderEffort } from '@/core/search/ladderTerms';
import { degrees, type Units } from '@/formats/measures';
import { WINDS, works } from './cellWords';
import { SIDE_HEAD } from './marks';

/** What gives up first in each wind, and the cheapest piece that fills the gaps. */
export function Further({ ladder, effort, units }: { ladder: Ladder; effort: LadderEffort; units: Units }) {
  const would = ladder.cells.filter((c) => c.effort === effort && c.would).map((c) => c.would!);
  const best = would.length > 0 ? mostNamed(would) : null;
  const fills = best ? ladder.cells.filter((c) => c.effort === effort && c.would?.id === best.id).length : 0;
  return (
    <section>
      <h3 className={SIDE_HEAD}>What would carry you further</h3>
      {best ? (
        <p className="text-[13px]">
          <b>{best.name}</b> fills {fills === 1 ? 'one ruled cell' : `${fills} ruled cells`}; about {best.price} new.
        </p>
      ) : (
        <p className="text-[13px] text-ink-2">
          {ladder.cells.some((c) => c.effort === effort && !works(c))
            ? 'No single piece of the catalogue fills the ruled cells: go shorter, easier, in the trees, or not.'
            : 'Every cell of this table is covered by what you own.'}
        </p>
      )}
      <dl className="mt-1 grid grid-cols-[60px_minmax(0,1fr)] gap-x-2 text-[12.5px]">
        {WINDS.map((w) => {
          const list = ladder.reach.filter((r) => r.wind === w && r.effort === effort && r.coldC !== null);
          const r = list.length > 0 ? list.reduce((a, b) => (b.coldC! < a.coldC! ? b : a)) : null;
          return (
            <div key={w} className="contents">
              <dt className="text-ink-2">{w}</dt>
              <dd>
                {r ? (
                  <>
                    rung {r.rung} to <b>{degrees(r.coldC!, units)}</b>
                    {r.first && `, then ${r.first}`}
                  </>
                ) : (
                  '…'
                )}
              </dd>
            </div>
          );
        })}
      </dl>
    </section>
  );
}

function mostNamed<T extends { id: string }>(list: readonly T[]): T {
  const count = (x: T) => list.filter((y) => y.id === x.id).length;
  return list.reduce((a, b) => (count(b) > count(a) ? b : a));
}
