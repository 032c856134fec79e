import type { Garment } from '@/core/clothing/garment';
import { changing, onTheMove, SHAKE_S } from '@/core/simulate/changing';
import type { Timeline } from '@/core/outing/timeline';
import type { Cue, KitAction, Plan } from '@/core/simulate/plan';
import type { Mode } from './modes';
import { phases, stretchAt } from './moments';

/** How everything is worn at one moment: one mode a group. */
export type Dress = readonly Mode[];

/** Which garments are on, and settings of their openings (usual where no mode says otherwise). */
export interface Worn {
  on: Set<string>;
  open: Map<string, number>;
}

const key = (garment: string, opening: string): string => `${garment}\n${opening}`;

export function wornOf(dress: Dress, garments: ReadonlyMap<string, Garment>): Worn {
  const on = new Set<string>();
  for (const m of dress) for (const id of m.worn) on.add(id);
  const open = new Map<string, number>();
  for (const id of on) for (const o of garments.get(id)!.openings) open.set(key(id, o.id), o.usual);
  for (const m of dress)
    for (const id of Object.keys(m.open))
      if (on.has(id)) for (const o of Object.keys(m.open[id])) open.set(key(id, o), m.open[id][o]);
  return { on, open };
}

/** Actions that turn one way of dressing into another. A garment newly on gets its openings set in the same moment. */
export function actionsBetween(from: Worn, to: Worn): KitAction[] {
  const actions: KitAction[] = [];
  for (const id of from.on) if (!to.on.has(id)) actions.push({ do: 'takeOff', garment: id });
  for (const id of to.on) if (!from.on.has(id)) actions.push({ do: 'putOn', garment: id });
  for (const [k, setting] of to.open) {
    const [garment, opening] = k.split('\n');
    const before = from.open.get(k);
    if (before === undefined || before !== setting) actions.push({ do: 'set', garment, opening, setting });
  }
  return actions;
}

/** What a cue says and costs: settings on a garment that goes on at the same time are part of putting it on. */
export interface Change {
  text: string;
  seconds: number;
  /** can be done without stopping: zips, sleeves, hats, gloves, tube */
  onTheMove: boolean;
  kind: 'on' | 'off' | 'open' | 'close';
  garment: string;
}

/** Turns raw actions into what a person does: one line a garment, several openings of one garment together. */
export function changesOf(actions: readonly KitAction[], garments: ReadonlyMap<string, Garment>): Change[] {
  const out: Change[] = [];
  const putOn = new Set(actions.filter((a) => a.do === 'putOn').map((a) => a.garment));
  const words = new Map<string, { open: string[]; close: string[]; seconds: number }>();
  for (const a of actions) {
    const g = garments.get(a.garment);
    if (!g) continue;
    if (a.do === 'brush') {
      out.push({
        text: `${g.name}: shake the frost out`,
        seconds: SHAKE_S,
        onTheMove: false,
        kind: 'open',
        garment: g.id,
      });
      continue;
    }
    if (a.do !== 'set') {
      const text = `${g.name} ${a.do === 'putOn' ? 'on' : 'off'}`;
      out.push({
        text,
        seconds: g.changeSeconds,
        onTheMove: onTheMove(g),
        kind: a.do === 'putOn' ? 'on' : 'off',
        garment: g.id,
      });
      continue;
    }
    const o = g.openings.find((x) => x.id === a.opening);
    if (!o) continue;
    // What goes on comes closed or as usual; only a setting that differs is worth a word.
    if (putOn.has(g.id) && (a.setting === o.usual || a.setting === 0) && o.id !== 'hood') continue;
    if (putOn.has(g.id) && o.id === 'hood' && a.setting === 1) continue;
    const entry = words.get(g.id) ?? { open: [], close: [], seconds: 0 };
    const half = a.setting > 0.05 && a.setting < 0.95;
    if (half) entry.open.push(`${o.label} half open`);
    else (a.setting > 0.5 ? entry.open : entry.close).push(a.setting > 0.5 ? o.openWord : o.closeWord);
    entry.seconds += o.seconds;
    words.set(g.id, entry);
  }
  for (const [garment, e] of words) {
    const kind = e.open.length >= e.close.length ? 'open' : 'close';
    out.push({
      text: `${garments.get(garment)!.name}: ${[...e.open, ...e.close].join(', ')}`,
      seconds: e.seconds,
      onTheMove: true,
      kind,
      garment,
    });
  }
  return out;
}

/** Points for a cue to remember, for each piece handled, and for the seconds it takes (engineering values, as all prices). */
const CUE_POINTS = 0.1;
const PIECE_POINTS = 0.025;
const SECONDS_A_POINT = 2400;
/** A halt made only for this: points, and seconds to a point of it; and what each companion who must wait adds to that. */
const HALT_POINTS = 0.12;
const HALT_SECONDS_A_POINT = 900;
const WAITING_SHARE = 0.25;
/** Minutes lost by going slower, and minutes gone harder than planned, points each a minute; the way to a sheltered spot. */
const LATE_POINTS = 0.03;
const HARDER_POINTS = 0.02;
const SHELTER_POINTS = 0.15;

/** What one cue does, for its price: pieces handled and the change of kit, pace or place. */
export interface CueWork {
  pieces: number;
  seconds: number;
  halt: boolean;
  pace?: Cue['pace'];
  shelter?: boolean;
  atS: number;
}

/**
 * Price of one cue, points. The cold that hands and body suffer meanwhile is not in it: that is simulated.
 * @param halted nobody has to stop for it @param waiting people who must wait meanwhile
 */
export function cuePrice(w: CueWork, halted: boolean, waiting: number): number {
  if (w.pieces === 0 && !w.pace && !w.shelter) return 0;
  let price = CUE_POINTS + PIECE_POINTS * w.pieces + w.seconds / SECONDS_A_POINT;
  if (w.halt && !halted) price += (HALT_POINTS + w.seconds / HALT_SECONDS_A_POINT) * (1 + WAITING_SHARE * waiting);
  if (w.pace) {
    const minutes = (w.pace.untilS - w.atS) / 60;
    price += w.pace.share < 1 ? LATE_POINTS * (1 - w.pace.share) * minutes : HARDER_POINTS * minutes;
  }
  return w.shelter ? price + SHELTER_POINTS : price;
}

/** Pieces that some actions handle. */
export const piecesOf = (actions: readonly KitAction[]): number => new Set(actions.map((a) => a.garment)).size;

/** Price of all cues of a plan, points. */
export function cuesPrice(
  plan: Plan,
  garments: ReadonlyMap<string, Garment>,
  timeline: Timeline,
  waiting: number,
): number {
  const halted = haltedAt(timeline);
  const on = new Set(plan.worn);
  let price = 0;
  for (const cue of plan.cues) {
    const { seconds, halt } = changing(cue.actions, on, garments, stretchAt(timeline, cue.atS).packOn);
    const work = { pieces: piecesOf(cue.actions), seconds, halt, pace: cue.pace, shelter: !!cue.shelter, atS: cue.atS };
    price += cuePrice(work, halted(cue.atS), waiting);
    for (const a of cue.actions) {
      if (a.do === 'putOn') on.add(a.garment);
      if (a.do === 'takeOff') on.delete(a.garment);
    }
  }
  return price;
}

/** Whether a change at a moment needs no extra halt. */
function haltedAt(timeline: Timeline): (atS: number) => boolean {
  const list = phases(timeline);
  return (atS) =>
    list.some((p) => Math.abs(p.startS - atS) < 1 && p.halted) ||
    list.some((p) => p.stop && atS >= p.startS && atS < p.endS);
}

/** What a cue asks besides the kit, in words. */
function goingWords(cue: Pick<Cue, 'pace' | 'shelter'>): string[] {
  const out: string[] = [];
  if (cue.pace)
    out.push(`${cue.pace.share < 1 ? 'Slow down' : 'Press on'}: ${Math.round(cue.pace.share * 100)} % of your effort`);
  if (cue.shelter) out.push('Stop in the lee nearby, not in the open');
  return out;
}

/** A cue as a person reads it, a line for each thing to do. */
export const cueText = (cue: Cue, garments: ReadonlyMap<string, Garment>): string[] => [
  ...goingWords(cue),
  ...changesOf(cue.actions, garments).map((c) => c.text),
];

/** Price of carrying and wearing mass, points per kg and hour; and of a pair of warmers used up. */
const MASS_POINTS = 0.035;
const WARMER_POINTS = 0.12;

/** Price of all that is along, points. */
export function alongPrice(garments: Iterable<Garment>, hours: number): number {
  let price = 0;
  for (const g of garments) price += (g.massG / 1000) * MASS_POINTS * hours + (g.role === 'heater' ? WARMER_POINTS : 0);
  return price;
}
