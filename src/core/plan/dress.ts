import type { Garment } from '@/core/clothing/garment';
import type { KitAction } from '@/core/simulate/plan';
import type { Mode } from './modes';

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

/** Shaking the frost out of a garment takes about this long, s. */
const SHAKE_S = 15;

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
      const moving = g.group === 'head' || g.group === 'hands' || g.group === 'face' || g.group === 'eyes';
      const text = `${g.name} ${a.do === 'putOn' ? 'on' : 'off'}`;
      out.push({
        text,
        seconds: g.changeSeconds,
        onTheMove: moving,
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

/** Price of the changes at one moment, points: a cue to remember, each thing done, and the halt it needs. */
export function changePrice(changes: readonly Change[], halted: boolean): number {
  if (changes.length === 0) return 0;
  let price = 0.1;
  let halt = 0;
  for (const c of changes) {
    price += 0.025 + c.seconds / 2400;
    if (!c.onTheMove) halt += c.seconds;
  }
  if (halt > 0 && !halted) price += 0.12 + halt / 900;
  return price;
}

/** Price of carrying and wearing mass, points per kg and hour. */
export const MASS_PRICE = 0.035;
