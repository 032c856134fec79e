import type { Garment } from '@/core/clothing/garment';
import type { KitAction, Plan } from './plan';
import { tidy } from './replay';

/** Edits of a plan by hand. Each returns a new, tidy plan; the old one is kept for undo. */

/** Cues closer than this to an edit are joined rather than made twice, s. */
export const SNAP_S = 120;

/** Moves a cue in time. */
export function moveCue(plan: Plan, index: number, atS: number): Plan {
  return tidy({ ...plan, cues: plan.cues.map((c, i) => (i === index ? { ...c, atS } : c)) });
}

/** Moves one garment's part of a cue to another time, leaving the rest of the cue where it was. */
export function moveAction(plan: Plan, index: number, garment: string, atS: number): Plan {
  const cue = plan.cues[index];
  const moved = cue.actions.filter((a) => a.garment === garment);
  const stays = cue.actions.filter((a) => a.garment !== garment);
  const cues = plan.cues.map((c, i) => (i === index ? { ...c, actions: stays } : c));
  return tidy({ ...plan, cues: [...cues, { atS, actions: moved }] });
}

export function removeCue(plan: Plan, index: number): Plan {
  return tidy({ ...plan, cues: plan.cues.filter((_, i) => i !== index) });
}

/** Uses one garment wherever another was; settings of openings the new one lacks fall away. */
export function swapGarment(plan: Plan, from: string, to: Garment): Plan {
  const rename = (id: string) => (id === from ? to.id : id);
  const has = (opening: string) => to.openings.some((o) => o.id === opening);
  const openings: Plan['openings'] = {};
  for (const [id, set] of Object.entries(plan.openings)) {
    if (id !== from) openings[id] = set;
    else openings[to.id] = Object.fromEntries(Object.entries(set).filter(([o]) => has(o)));
  }
  const cues = plan.cues.map((c) => ({
    ...c,
    actions: c.actions
      .filter((a) => a.garment !== from || a.do !== 'set' || has(a.opening))
      .map((a) => ({ ...a, garment: rename(a.garment) })),
  }));
  return tidy({ worn: unique(plan.worn.map(rename)), carried: unique(plan.carried.map(rename)), openings, cues });
}

/** Leaves a garment at home. */
export function leaveGarment(plan: Plan, id: string): Plan {
  const { [id]: _gone, ...openings } = plan.openings;
  return tidy({
    worn: plan.worn.filter((g) => g !== id),
    carried: plan.carried.filter((g) => g !== id),
    openings,
    cues: plan.cues.map((c) => ({ ...c, actions: c.actions.filter((a) => a.garment !== id) })),
  });
}

/** Takes a garment along, worn from the start or in the pack. */
export function takeGarment(plan: Plan, id: string, how: 'worn' | 'carried'): Plan {
  const without = leaveGarment(plan, id);
  return tidy(
    how === 'worn' ? { ...without, worn: [...without.worn, id] } : { ...without, carried: [...without.carried, id] },
  );
}

/** Whether a garment is worn or carried at all. */
export const isAlong = (plan: Plan, id: string): boolean => plan.worn.includes(id) || plan.carried.includes(id);

/** Everything of a closet that a plan takes along. */
export const alongOf = (closet: readonly Garment[], plan: Plan): Garment[] => closet.filter((g) => isAlong(plan, g.id));

/**
 * Adds an action at a moment, joining a cue that is near. At the very start it changes the start kit instead.
 * @param afterS cues up to here are over, and nothing joins them, s
 */
export function act(plan: Plan, action: KitAction, atS: number, afterS = -Infinity): Plan {
  if (atS < SNAP_S / 2) return atStart(plan, action);
  const near = plan.cues.find((c) => c.atS > afterS && Math.abs(c.atS - atS) <= SNAP_S);
  const time = near ? near.atS : atS;
  return tidy({ ...plan, cues: [...plan.cues, { atS: time, actions: [action] }] });
}

function atStart(plan: Plan, a: KitAction): Plan {
  if (a.do === 'set')
    return tidy({
      ...plan,
      openings: { ...plan.openings, [a.garment]: { ...plan.openings[a.garment], [a.opening]: a.setting } },
    });
  if (a.do === 'putOn')
    return tidy({
      ...plan,
      worn: unique([...plan.worn, a.garment]),
      carried: plan.carried.filter((g) => g !== a.garment),
    });
  return tidy({
    ...plan,
    worn: plan.worn.filter((g) => g !== a.garment),
    carried: unique([...plan.carried, a.garment]),
  });
}

const unique = (list: string[]): string[] => [...new Set(list)];
