import type { Garment } from '@/core/clothing/garment';
import type { Cue, KitAction, Plan } from './plan';

/** A cue this near ahead of a moment counts as done, s: moments are asked for on the second. */
const DONE_WITHIN_S = 0.5;

/** Puts on and takes off in a set of garment ids what some actions say; openings and frost change nothing there. */
export function carryOut(on: Set<string>, actions: readonly KitAction[]): void {
  for (const a of actions) {
    if (a.do === 'putOn') on.add(a.garment);
    if (a.do === 'takeOff') on.delete(a.garment);
  }
}

/** The cues of a plan that are done by a moment, in the order of time. */
const doneBy = (plan: Plan, atS: number): Cue[] =>
  [...plan.cues].sort((a, b) => a.atS - b.atS).filter((c) => c.atS <= atS + DONE_WITHIN_S);

/** Ids of what is on at a moment, s: those worn from the start first. */
export function wornAt(plan: Plan, atS: number): Set<string> {
  const on = new Set(plan.worn);
  for (const cue of doneBy(plan, atS)) carryOut(on, cue.actions);
  return on;
}

/** Whether a garment is on at a moment, s. */
export const isWorn = (plan: Plan, garment: string, atS: number): boolean => wornAt(plan, atS).has(garment);

/** How far an opening stands open at a moment, s: 0 closed to 1. */
export function settingAt(plan: Plan, g: Garment, opening: string, atS: number): number {
  let v = plan.openings[g.id]?.[opening] ?? g.openings.find((o) => o.id === opening)?.usual ?? 0;
  for (const c of doneBy(plan, atS))
    for (const a of c.actions) if (a.garment === g.id && a.do === 'set' && a.opening === opening) v = a.setting;
  return v;
}

/**
 * Tidies a plan: cues in order, cues at one moment joined, actions that change nothing dropped, and everything that goes
 * on later carried from the start. Openings of what a cue takes off stay as they are told: it may go on again.
 */
export function tidy(plan: Plan): Plan {
  const on = new Set(plan.worn);
  const setting = new Map<string, Map<string, number>>();
  const needed = new Set<string>();
  const changes = (a: KitAction): boolean => {
    switch (a.do) {
      case 'set': {
        const known = setting.get(a.garment) ?? new Map<string, number>();
        const before = known.get(a.opening) ?? plan.openings[a.garment]?.[a.opening];
        setting.set(a.garment, known.set(a.opening, a.setting));
        return before !== a.setting;
      }
      case 'putOn':
        if (on.has(a.garment)) return false;
        on.add(a.garment);
        if (!plan.worn.includes(a.garment)) needed.add(a.garment);
        return true;
      case 'takeOff':
        return on.delete(a.garment);
      case 'brush':
        return on.has(a.garment);
    }
  };
  const cues = joined(plan.cues).flatMap((cue): Cue[] => {
    const { pace, shelter, ...rest } = cue;
    const actions = lastWord(cue.actions).filter(changes);
    const going = {
      ...(pace && pace.untilS > cue.atS ? { pace } : {}),
      ...(shelter && shelter.untilS > cue.atS ? { shelter } : {}),
    };
    return actions.length > 0 || going.pace || going.shelter ? [{ ...rest, ...going, actions }] : [];
  });
  const carried = [...new Set([...plan.carried, ...needed])].filter((g) => !plan.worn.includes(g));
  return { ...plan, carried, cues };
}

/** Cues in the order of time, those of one second made one. */
function joined(list: readonly Cue[]): Cue[] {
  const cues: Cue[] = [];
  for (const cue of [...list].sort((a, b) => a.atS - b.atS)) {
    const last = cues[cues.length - 1];
    if (last && Math.abs(last.atS - cue.atS) < 1)
      cues[cues.length - 1] = { ...last, ...cue, atS: last.atS, actions: [...last.actions, ...cue.actions] };
    else cues.push({ ...cue, actions: [...cue.actions] });
  }
  return cues;
}

/** Within one moment the last word on a garment or opening counts. */
function lastWord(actions: readonly KitAction[]): KitAction[] {
  const about = (a: KitAction) =>
    JSON.stringify(a.do === 'set' ? [a.garment, a.opening] : [a.garment, a.do === 'brush' ? 1 : 2, 0]);
  const last = new Map<string, KitAction>();
  for (const a of actions) {
    last.delete(about(a));
    last.set(about(a), a);
  }
  return [...last.values()];
}
