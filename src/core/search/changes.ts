import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { isBarrierLiner, isHelmet, isTorsoBase, suitsSport, withoutCotton } from '@/core/clothing/purpose';
import type { Sport } from '@/core/effort/sports';
import { act, alongOf, isAlong, leaveGarment, swapGarment, takeGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { isWorn, settingAt } from '@/core/kit/replay';
import { phases } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import { byPlace } from './candidates';
import { onTheMove } from '@/core/kit/changing';
import { staysFollowable, staysWearable } from '@/core/kit/followable';

/** One change of a plan: another piece, or the same pieces worn another way. */
export interface Change {
  of: 'kit' | 'wearing';
  /** the pieces that come, go or are worn otherwise */
  pieces: readonly Garment[];
  edit: (plan: Plan) => Plan;
}

/** What somebody is to dress from, for which sport. */
export interface Wardrobe {
  closet: readonly Garment[];
  sport: Sport;
  /** vapour barriers next to the skin of hands and feet are wanted */
  barriers?: boolean;
}

/** Everything owned that may be worn for the sport, from the skin out and from thin to thick; cotton only where there is nothing else. */
export const wearable = ({ closet, sport, barriers = false }: Wardrobe): Garment[] =>
  withoutCotton([...closet].sort(byPlace).filter((g) => suitsSport(g, sport) && (barriers || !isBarrierLiner(g))));

function part(g: Garment): string {
  if (g.group === 'hands') return g.role === 'liner' || g.role === 'heater' || g.role === 'over' ? g.role : 'gloves';
  if (g.group === 'head') return g.role === 'warm' ? 'hat' : g.role === 'over' ? 'helmet' : 'cap';
  if (g.group === 'face') return 'face';
  if (g.group === 'torso' || g.group === 'legs') return g.role === 'storm' ? 'shell' : g.role;
  return g.group === 'feet' && (g.role === 'base' || g.role === 'mid') ? 'sock' : g.role;
}
/** Whether two pieces play the same part on the body, so that one may stand for the other. */
export const alike = (a: Garment, b: Garment): boolean => a.group === b.group && part(a) === part(b);

/** What nobody goes without, and what the sport asks for. */
const isNeeded = (g: Garment): boolean =>
  isTorsoBase(g) ||
  isHelmet(g) ||
  (g.group === 'feet' && ['sock', 'footwear'].includes(part(g))) ||
  (g.group === 'legs' && g.role === 'short');
const coversLegs = (g: Garment): boolean => g.group === 'legs' && g.role !== 'short' && g.role !== 'warm';
/** Shorts come in the place of other legs: over tights they are no layer that a rung gains. */
const isShorts = (g: Garment): boolean => g.group === 'legs' && g.role === 'over';

/** Pieces swapped for their like, left at home, or taken along; layers over the torso also two at a time. */
export function kitChanges(w: Wardrobe, plan: Plan): Change[] {
  const owned = wearable(w);
  const along = alongOf(owned, plan);
  const out: Change[] = [];
  const covered = staysWearable(new Map(owned.map((g) => [g.id, g])));
  const add = (pieces: readonly Garment[], edit: Change['edit']) =>
    out.push({
      of: 'kit',
      pieces,
      edit: (p) => {
        const next = edit(p);
        return covered(p) && !covered(next) ? p : next;
      },
    });
  for (const g of along) {
    for (const o of owned) if (!isAlong(plan, o.id) && alike(o, g)) add([g, o], (p) => swapGarment(p, g.id, o));
    // Of two things on the legs either may go, but not both: so it is asked of the plan as it then is.
    const legs = (p: Plan) => owned.filter((o) => coversLegs(o) && isAlong(p, o.id)).length;
    for (const o of owned)
      if (coversLegs(g) && coversLegs(o) && isShorts(g) !== isShorts(o) && !isAlong(plan, o.id))
        add([g, o], (p) => (legs(p) < 2 ? swapGarment(p, g.id, o) : p));
    if (!isNeeded(g)) add([g], (p) => (coversLegs(g) && legs(p) < 2 ? p : leaveGarment(p, g.id)));
  }
  for (const o of owned) {
    if (isAlong(plan, o.id) || along.some((g) => alike(g, o)) || isNeeded(o) || isShorts(o)) continue;
    if (o.role === 'heater') continue;
    // A jacket for stops is carried; what is small may be worn or carried; layers are worn.
    if (o.role !== 'warm') add([o], (p) => takeGarment(p, o.id, 'worn'));
    if (o.role === 'warm' || o.group === 'hands' || o.group === 'head')
      add([o], (p) => takeGarment(p, o.id, 'carried'));
  }
  for (const { pieces, edit } of layerPairs(owned, along)) add(pieces, edit);
  return out;
}

/** Middle layer and shell changed together: layers that pay, or are needless, only as a pair. */
function layerPairs(owned: readonly Garment[], along: readonly Garment[]): Change[] {
  const isMid = (g: Garment) => g.group === 'torso' && g.role === 'mid';
  const isShell = (g: Garment) => g.group === 'torso' && part(g) === 'shell';
  const mid = along.find(isMid);
  const shell = along.find(isShell);
  const out: Change[] = [];
  const set = (p: Plan, had: Garment | undefined, to: Garment | null): Plan =>
    had ? (to ? swapGarment(p, had.id, to) : leaveGarment(p, had.id)) : to ? takeGarment(p, to.id, 'worn') : p;
  for (const m of [null, ...owned.filter(isMid)])
    for (const s of [null, ...owned.filter(isShell)]) {
      if ((m ?? undefined) === mid || (s ?? undefined) === shell) continue;
      out.push({
        of: 'kit',
        pieces: [mid, m, shell, s].flatMap((g) => g ?? []),
        edit: (p) => set(set(p, mid, m), shell, s),
      });
    }
  return out;
}

/** A stop worth a jacket, s. */
const JACKET_STOP_S = 240;

/** Openings set otherwise from the start or from a natural moment on; small things on or off there; the jacket on for a stop. */
export function wearingChanges(w: Wardrobe & { person: Person }, timeline: Timeline, plan: Plan): Change[] {
  const along = alongOf(wearable(w), plan);
  const out: Change[] = [];
  const moments = phases(timeline);
  const can = staysFollowable(timeline, w.person);
  const add = (piece: Garment, edit: Change['edit']) =>
    out.push({
      of: 'wearing',
      pieces: [piece],
      edit: (p) => {
        const next = edit(p);
        return can(p, next) ? next : p;
      },
    });
  for (const m of moments)
    for (const g of along) {
      if (onTheMove(g) && !isHelmet(g)) {
        const worn = isWorn(plan, g.id, m.startS);
        add(g, (p) => act(p, { do: worn ? 'takeOff' : 'putOn', garment: g.id }, m.startS));
      }
      if (!isWorn(plan, g.id, m.startS)) continue;
      for (const o of g.openings) {
        const now = settingAt(plan, g, o.id, m.startS);
        for (const setting of now > 0.05 && now < 0.95 ? [0, 1] : [now > 0.5 ? 0 : 1])
          add(g, (p) => act(p, { do: 'set', garment: g.id, opening: o.id, setting }, m.startS));
      }
    }
  for (const m of moments)
    if (m.stop && m.halted && m.endS - m.startS > JACKET_STOP_S)
      for (const g of along)
        if (g.role === 'warm' && !isWorn(plan, g.id, m.startS))
          add(g, (p) => {
            const on = act(p, { do: 'putOn', garment: g.id }, m.startS);
            return m.endS < timeline.endS ? act(on, { do: 'takeOff', garment: g.id }, m.endS) : on;
          });
  return out;
}
