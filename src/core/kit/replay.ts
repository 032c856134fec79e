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

/** Ids of what is worn at any time: from the start, or put on later. */
export function everWorn(plan: Plan): Set<string> {
  const worn = new Set(plan.worn);
  for (const cue of plan.cues) for (const a of cue.actions) if (a.do === 'putOn') worn.add(a.garment);
  return worn;
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
 * on later carried from the start. A stop in the lee and a pace that are still held are not told again. An opening is set while its garment is on: what is told of one that is in the pack waits
 * until it goes on, and is dropped where it never does.
 */
export function tidy(plan: Plan): Plan {
  const on = new Set(plan.worn);
  const openings = new Openings(plan);
  const needed = new Set<string>();
  let lee: { untilS: number } | undefined;
  let gait: { share: number; untilS: number } | undefined;
  const changes = (a: KitAction): boolean => {
    switch (a.do) {
      case 'set':
        return openings.set(a);
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
    const actions = openings.whileOn(lastWord(cue.actions), on).filter(changes);
    const stops = told(shelter, lee, cue.atS);
    const goes = told(pace, pace?.share === gait?.share ? gait : undefined, cue.atS);
    lee = stops ?? lee;
    gait = goes ?? gait;
    const going = { ...(goes ? { pace: goes } : {}), ...(stops ? { shelter: stops } : {}) };
    return actions.length > 0 || going.pace || going.shelter ? [{ ...rest, ...going, actions }] : [];
  });
  const carried = [...new Set([...plan.carried, ...needed])].filter((g) => !plan.worn.includes(g));
  return { ...plan, carried, cues };
}

/** What a cue asks to be held until later, as far as it must be told: where the like is held already, that only lasts longer. @param held changed where it does */
function told<T extends { untilS: number }>(asked: T | undefined, held: T | undefined, atS: number): T | undefined {
  if (!asked || asked.untilS <= atS) return undefined;
  if (!held || held.untilS < atS) return { ...asked };
  held.untilS = Math.max(held.untilS, asked.untilS);
  return undefined;
}

type SetAction = Extract<KitAction, { do: 'set' }>;

/** How openings stand as a plan goes on, and what is told of those in the pack. */
class Openings {
  private readonly now = new Map<string, number>();
  private readonly waiting = new Map<string, SetAction>();
  constructor(private readonly plan: Plan) {}

  /** @returns whether it changes how the opening stands */
  set(a: SetAction): boolean {
    const before = this.now.get(openingKey(a)) ?? this.plan.openings[a.garment]?.[a.opening];
    this.now.set(openingKey(a), a.setting);
    return before !== a.setting;
  }

  /** The actions of a moment: settings of garments that are not on then are kept back, those of what goes on now added. */
  whileOn(actions: readonly KitAction[], on: ReadonlySet<string>): KitAction[] {
    const after = new Set(on);
    carryOut(after, actions);
    const out: KitAction[] = [];
    for (const a of actions) {
      if (a.do !== 'set' || on.has(a.garment) || after.has(a.garment)) out.push(a);
      else this.waiting.set(openingKey(a), a);
    }
    for (const [key, a] of this.waiting) {
      if (!after.has(a.garment)) continue;
      this.waiting.delete(key);
      if (!out.some((o) => o.do === 'set' && openingKey(o) === key)) out.push(a);
    }
    return out;
  }
}

const openingKey = (a: SetAction): string => JSON.stringify([a.garment, a.opening]);

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
