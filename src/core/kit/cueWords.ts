import type { Garment } from '@/core/clothing/garment';
import { onTheMove, SHAKE_S } from './changing';
import type { Cue, KitAction } from './plan';

/** What a person does to one garment: settings of one that goes on at the same time are part of putting it on. */
export interface Change {
  text: string;
  seconds: number;
  /** can be done without stopping: zips, sleeves, hats, gloves, tube */
  onTheMove: boolean;
  kind: 'on' | 'off' | 'open' | 'close';
  garment: string;
}

/** A setting between these is half open in words, 0–1. */
const HALF = { above: 0.05, below: 0.95 } as const;

/** Turns raw actions into what a person does: one line a garment, several openings of one garment together. */
export function changesOf(actions: readonly KitAction[], garments: ReadonlyMap<string, Garment>): Change[] {
  const out: Change[] = [];
  const putOn = new Set(actions.filter((a) => a.do === 'putOn').map((a) => a.garment));
  const words = new Map<string, { open: string[]; close: string[]; seconds: number }>();
  for (const a of actions) {
    const g = garments.get(a.garment);
    if (!g) continue;
    if (a.do === 'brush') {
      const text = `${g.name}: shake the frost out`;
      out.push({ text, seconds: SHAKE_S, onTheMove: false, kind: 'open', garment: g.id });
    } else if (a.do !== 'set') {
      const kind = a.do === 'putOn' ? 'on' : 'off';
      out.push({
        text: `${g.name} ${kind}`,
        seconds: g.changeSeconds,
        onTheMove: onTheMove(g),
        kind,
        garment: g.id,
      });
    } else {
      const o = g.openings.find((x) => x.id === a.opening);
      // What goes on comes closed or as usual, with its hood back; only a setting that differs is worth a word.
      const asItComes = o && (o.kind === 'hood' ? a.setting === 1 : a.setting === o.usual || a.setting === 0);
      if (!o || (putOn.has(g.id) && asItComes)) continue;
      const entry = words.get(g.id) ?? { open: [], close: [], seconds: 0 };
      if (a.setting > HALF.above && a.setting < HALF.below) entry.open.push(`${o.label} half open`);
      else if (a.setting > 0.5) entry.open.push(o.openWord);
      else entry.close.push(o.closeWord);
      entry.seconds += o.seconds;
      words.set(g.id, entry);
    }
  }
  for (const [garment, e] of words)
    out.push({
      text: `${garments.get(garment)!.name}: ${[...e.open, ...e.close].join(', ')}`,
      seconds: e.seconds,
      onTheMove: true,
      kind: e.open.length >= e.close.length ? 'open' : 'close',
      garment,
    });
  return out;
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
