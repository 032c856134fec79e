import type { Person } from '@/core/body/person';
import type { Learned } from '@/core/calibrate/learned';
import { lessonOf, type Lesson } from '@/core/calibrate/learn';
import { teachesMost, type Ask, type Teaches } from '@/core/calibrate/teaches';
import { PARTS } from '@/core/calibrate/words';
import { isStop } from '@/core/effort/sports';
import { isUnderRoof } from '@/core/outing/leg';
import { SETTLE_S } from '@/core/judge/limits';
import { outedOf, openTold, type ToldOuting } from '@/core/underway/outed';
import { baseOf } from './day';
import { spreadOf, type Spread } from './spread';
import { whilesOf, type OneWhile } from './whiles';

/** Everything of an outing that is over, for the screen. */
export interface Afterwards {
  spread: Spread;
  /** null: nothing was told that teaches */
  lesson: Lesson | null;
  /** what would teach the most that was not told, the most first */
  asks: Teaches[];
  whiles: OneWhile[];
}

/** So many of what would teach are worth saying. */
const ASKS = 3;

/** Works out an outing that is over. @param before what was known before it @param person as they give themselves @throws OutOfRange */
export function afterwardsOf(before: Learned, person: Person, told: ToldOuting): Afterwards {
  const { opened, out } = openTold(told, person);
  const o = outedOf(opened, out);
  const lesson = out.nowS < SETTLE_S ? null : lessonOf(before, person, o);
  const whiles = whilesOf(o.timeline);
  const isTold = (a: Ask): boolean => {
    if (a.kind === 'body') return o.body !== undefined;
    if (a.kind === 'weigh') return o.weighed.some((w) => w.garment === a.garment);
    return o.felt.some((f) => f.part === a.felt.part && f.fromS < a.felt.toS && f.toS > a.felt.fromS);
  };
  const base = baseOf(out.plan, o.closet);
  const socks = o.closet.find((g) => out.plan.worn.includes(g.id) && g.group === 'feet' && g.role === 'base');
  const stop = whiles.find((w) => o.timeline.legs.some((l) => l.name === w.name && isStop(l) && !isUnderRoof(l)));
  const asks: Ask[] = [
    ...[base, socks].flatMap((g): Ask[] => (g ? [{ kind: 'weigh', garment: g.id }] : [])),
    { kind: 'body' },
    ...PARTS.map((part): Ask => {
      const w = stop ?? whiles[whiles.length - 1];
      return { kind: 'word', felt: { part, fromS: w.fromS, toS: w.toS }, where: w.name };
    }),
  ];
  const known = lesson?.after ?? before;
  return {
    spread: spreadOf(o, person, { before, after: known }),
    lesson,
    asks: teachesMost(
      known,
      person,
      o,
      asks.filter((a) => !isTold(a)),
    ).slice(0, ASKS),
    whiles,
  };
}
