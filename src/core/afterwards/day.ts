import type { Felt, Part } from '@/core/calibrate/words';
import type { Person } from '@/core/body/person';
import { fabricResistance, type Garment } from '@/core/clothing/garment';
import { isTorsoBase } from '@/core/clothing/purpose';
import { everWorn, wornAt } from '@/core/kit/replay';
import type { Plan } from '@/core/kit/plan';
import { feelsLikeC } from '@/core/outing/feelsLike';
import { isInRoom, meanOver } from '@/core/outing/meanOver';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import { isStop, type Sport } from '@/core/effort/sports';
import { runPlan } from '@/core/questions/question';
import { CLO } from '@/core/quantity/units';
import { wetPieces, type WetPiece } from '@/core/underway/homeAgain';
import { outedOf, openTold, type ToldOuting } from '@/core/underway/outed';
import type { OutThere } from '@/core/underway/outThere';
import type { Saw } from '@/core/underway/taps';
import { factsOf, overChest, type Facts } from './facts';

/** How a day was, by what was told of it. */
export const WAS = ['right', 'too warm', 'too cold'] as const;
export type Was = (typeof WAS)[number];

/** A whole day told in one word, at the door. */
export type OneWord = Was | 'wet';

/** One day of the book: what it was like out there, what was worn, and how it was. */
export interface BookDay {
  sport: Sport;
  seconds: number;
  distanceM: number;
  climbM: number;
  /** means over the time outside: °C, m/s at 10 m, and what the air feels like to somebody who moves so, °C */
  airC: number;
  windMs: number;
  feelsC: number;
  /** ids of garments worn at any time, and those only carried */
  worn: string[];
  carried: string[];
  /** cloth over the chest after ten minutes, clo, by thickness and fibre alone */
  chestClo: number;
  /** what comes home wet by the run, the wettest first */
  wet: WetPiece[];
  cuesDone: number;
  cues: number;
  /** null: nobody told */
  was: Was | null;
  /** came home wet: by what was seen or weighed */
  cameWet: boolean;
  /** the worst that was told, by part */
  worst: { part: Part; word: Felt } | null;
  saw: Saw[];
  note: string;
  /** water by the scale in the innermost torso piece, g; null: not weighed */
  baseG: number | null;
  facts: Facts;
}

/** Water in the innermost torso piece that is felt as wet, as a share of its dry mass (engineering value: about what drips into a hand). */
export const WET_SHARE = 0.12;
const DRESSED_S = 600;

/** Mean over the time outside. */
function outside(stretches: readonly Stretch[], of: (s: Stretch) => number): number {
  const out = stretches.filter((s) => !isInRoom(s));
  return meanOver(out.length > 0 ? out : stretches, of);
}

/** Cloth over the chest at a moment, clo: thickness over conductivity, without air between (ISO 9920 counts that too). */
export function chestClo(plan: Plan, closet: readonly Garment[], atS: number): number {
  const on = wornAt(plan, atS);
  return closet.filter((g) => on.has(g.id) && overChest(g)).reduce((sum, g) => sum + fabricResistance(g) / CLO, 0);
}

/** What was told in a word, or the whole of it: cold anywhere goes before warm. */
function wasOf(felt: readonly { part: Part; word: Felt }[], word: OneWord | null): Pick<BookDay, 'was' | 'worst'> {
  if (felt.length === 0) return { was: word === 'wet' ? 'right' : word, worst: null };
  const cold = felt.find((f) => f.word === 'cold');
  if (cold) return { was: 'too cold', worst: { part: cold.part, word: cold.word } };
  const hot = felt.find((f) => f.part === 'torso' && f.word === 'hot');
  return hot ? { was: 'too warm', worst: { part: hot.part, word: hot.word } } : { was: 'right', worst: null };
}

/** The piece on the skin of the torso that was worn. */
export const baseOf = (plan: Plan, closet: readonly Garment[]): Garment | undefined =>
  closet.find((g) => plan.worn.includes(g.id) && isTorsoBase(g));

function cameWet(out: OutThere, base: Garment | undefined, baseG: number | null): boolean {
  if (out.saw.some((s) => s.what === 'wet' && s.where !== 'socks' && s.where !== 'gloves')) return true;
  return base !== undefined && baseG !== null && baseG > WET_SHARE * base.massG;
}

/**
 * One day as the book has it. @param person as they are known by now @param word what was told of it in one word; null: nothing
 * @throws OutOfRange where it cannot be laid out any more
 */
export function bookDay(told: ToldOuting, person: Person, word: OneWord | null = null): BookDay {
  const { opened, out } = openTold(told, person);
  const { pack } = opened;
  const outed = outedOf(opened, out);
  const { timeline, plan } = outed;
  const scored = runPlan({ person, closet: pack.closet, timeline, plan, damp: pack.damp }, plan, { stepS: 60 });
  const base = baseOf(out.plan, pack.closet);
  const weighed = base ? out.weighed[base.id] : undefined;
  const baseG = base && weighed !== undefined ? Math.max(0, weighed - base.massG) : null;
  const worn = everWorn(plan);
  const along = new Set(pack.closet.map((g) => g.id));
  return {
    sport: pack.outing.sport,
    seconds: timeline.endS,
    ...wayOf(timeline),
    airC: outside(timeline.stretches, (s) => s.airC),
    windMs: outside(timeline.stretches, (s) => s.wind10),
    feelsC: outside(timeline.stretches, feelsLikeC),
    worn: [...worn].filter((id) => along.has(id)),
    carried: plan.carried.filter((id) => !worn.has(id) && along.has(id)),
    chestClo: chestClo(plan, pack.closet, DRESSED_S),
    wet: wetPieces(scored, person, pack.closet),
    cuesDone: out.cues.filter((c) => c.stands === 'done').length,
    cues: out.cues.length,
    ...wasOf(outed.felt, word),
    cameWet: word === 'wet' || cameWet(out, base, baseG),
    saw: out.saw,
    note: out.note,
    baseG,
    facts: factsOf({ timeline, plan, closet: pack.closet, out, person }),
  };
}

const wayOf = ({ legs }: Timeline): Pick<BookDay, 'distanceM' | 'climbM'> => ({
  distanceM: legs.reduce((sum, l) => sum + (isStop(l) ? 0 : l.distanceM), 0),
  climbM: legs.reduce((sum, l) => sum + Math.max(0, l.climbM), 0),
});
