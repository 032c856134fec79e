import {
  type Cell,
  type Ladder,
  LADDER_WINDS,
  type LadderEffort,
  type LadderWet,
  type LadderWind,
} from '@/core/search/ladderTerms';
import type { Garment } from '@/core/clothing/garment';
import type { Plan } from '@/core/kit/plan';
import { degrees, type Units } from '@/formats/measures';

export const WINDS = Object.keys(LADDER_WINDS) as LadderWind[];

/** Which cells are looked at. */
export interface Looked {
  effort: LadderEffort;
  wind: LadderWind;
  wet: LadderWet;
  band: number;
}

export const cellAt = (l: Ladder, at: Looked): Cell | undefined =>
  l.cells.find((c) => c.band === at.band && c.wind === at.wind && c.wet === at.wet && c.effort === at.effort);

/** Whether what is owned works there. */
export const works = (c: Cell): boolean => c.fails.length === 0;

/** What changes against another outfit, in words: what comes, and what goes without something of its kind in its place. */
export function changeWords(
  from: Plan | undefined,
  to: Plan,
  garments: ReadonlyMap<string, Garment>,
): { text: string; same: boolean } {
  const of = (ids: readonly string[]) => ids.flatMap((id) => garments.get(id) ?? []);
  if (!from) return { text: listed(of(to.worn).filter((g) => g.role !== 'short')), same: false };
  const came = of(to.worn.filter((id) => !from.worn.includes(id)));
  const went = of(from.worn.filter((id) => !to.worn.includes(id)));
  const gone = went.filter((g) => !came.some((c) => c.group === g.group));
  const added = came.filter((g) => !went.some((w) => w.group === g.group));
  const instead = came.filter((g) => !added.includes(g));
  const parts = [
    instead.length > 0 ? listed(instead) : '',
    added.length > 0 ? `+ ${listed(added)}` : '',
    gone.length > 0 ? `no ${listed(gone)}` : '',
  ].filter((x) => x !== '');
  return parts.length === 0 ? { text: 'the same', same: true } : { text: parts.join('; '), same: false };
}

/** What decides most is named first. */
const ORDER: readonly Garment['group'][] = ['torso', 'legs', 'head', 'hands', 'face', 'eyes', 'feet'];
const listed = (list: readonly Garment[]): string =>
  [...list]
    .sort((a, b) => ORDER.indexOf(a.group) - ORDER.indexOf(b.group) || a.order - b.order)
    .map((g) => g.name)
    .join(', ')
    .replace(/, (\w)/g, (_, c: string) => `, ${c.toLowerCase()}`);

/** What of a wet outfit keeps it off. */
export function stormWords(c: Cell, garments: ReadonlyMap<string, Garment>): string {
  const names = c.plan.worn.flatMap((id) => {
    const g = garments.get(id);
    return g && g.role === 'storm' ? [g.name.split(',')[0].toLowerCase()] : [];
  });
  return names.length > 0 ? names.join(', ') : 'no shell needed';
}

/** How near a cell is to its end, where that is near: `face first: 1° to spare`. */
export function spareWords(c: Cell, units: Units): string | null {
  if (c.spareC === null || c.first === null || c.spareC > 3) return null;
  const k = units === 'imperial' ? 1.8 : 1;
  return c.spareC < 0
    ? `${c.first} first, ${Math.round(-c.spareC * k)}° short at its cold end`
    : `${c.first} first: ${Math.round(c.spareC * k)}° to spare`;
}

/** The headline: how far the ladder reaches in still air, and what gives up first in wind. */
export function ladderHeadline(l: Ladder, effort: LadderEffort, units: Units): { lead: string; rest: string } {
  const n = l.rungs.length;
  const reach = (wind: LadderWind) => {
    const list = l.reach.filter((r) => r.wind === wind && r.effort === effort && r.coldC !== null);
    return list.length === 0 ? null : list.reduce((a, b) => (b.coldC! < a.coldC! ? b : a));
  };
  const calm = reach('calm');
  const windy = reach('windy');
  const count = `${NUMBERS[n] ?? n} ${n === 1 ? 'rung' : 'rungs'}`;
  if (!calm) return { lead: `${count} so far.`, rest: 'How far they reach is being worked out.' };
  return {
    lead: `${count} reach ${degrees(calm.coldC!, units)} in still air.`,
    rest: windy?.first ? `In strong wind your ${windy.first} gives up first, at ${degrees(windy.coldC!, units)}.` : '',
  };
}
const NUMBERS = 'No One Two Three Four Five Six Seven Eight Nine Ten Eleven Twelve'.split(' ');
