import type { Cue, KitAction, Plan } from './plan';

/** Which garments are on, and how their openings stand: garment id -> opening id -> 0 closed to 1 open. */
export interface Worn {
  on: Set<string>;
  open: Map<string, Map<string, number>>;
}

/** Actions that turn one way of dressing into another. A garment newly on gets its openings set in the same moment. */
export function actionsBetween(from: Worn, to: Worn): KitAction[] {
  const actions: KitAction[] = [];
  for (const id of from.on) if (!to.on.has(id)) actions.push({ do: 'takeOff', garment: id });
  for (const id of to.on) if (!from.on.has(id)) actions.push({ do: 'putOn', garment: id });
  for (const [garment, settings] of to.open)
    for (const [opening, setting] of settings)
      if (from.open.get(garment)?.get(opening) !== setting) actions.push({ do: 'set', garment, opening, setting });
  return actions;
}

/** Garments that some actions handle. */
export const piecesOf = (actions: readonly KitAction[]): number => new Set(actions.map((a) => a.garment)).size;

/** What each of two plans has that the other has not: at the start, in the pack, and among its cues. */
export interface PlanDifference {
  worn: [string[], string[]];
  carried: [string[], string[]];
  cues: [Cue[], Cue[]];
}

/** Cues of two plans that do the same this near to each other are one, s. */
const SAME_CUE_S = 60;

export function planDifference(a: Plan, b: Plan): PlanDifference {
  const only = (x: readonly string[], y: readonly string[]) => x.filter((id) => !y.includes(id));
  const does = (c: Cue) => JSON.stringify([c.actions, c.pace?.share, !!c.shelter]);
  const cuesOnly = (x: Plan, y: Plan) =>
    x.cues.filter((c) => !y.cues.some((o) => Math.abs(o.atS - c.atS) <= SAME_CUE_S && does(o) === does(c)));
  return {
    worn: [only(a.worn, b.worn), only(b.worn, a.worn)],
    carried: [only(a.carried, b.carried), only(b.carried, a.carried)],
    cues: [cuesOnly(a, b), cuesOnly(b, a)],
  };
}

/** Things to be done with the hands: each piece put on or taken off, each opening set on a piece that is on already. */
export function operations(actions: readonly KitAction[]): number {
  const putOn = new Set(actions.flatMap((a) => (a.do === 'putOn' ? [a.garment] : [])));
  return actions.filter((a) => a.do !== 'set' || !putOn.has(a.garment)).length;
}
