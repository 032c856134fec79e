// Longer than a file should be: a table of ways for each part of the body, and how one is found again in another kit.
import type { Garment, OpeningKind } from '@/core/clothing/garment';
import { coversUnderwear } from '@/core/clothing/purpose';
import type { Habits } from './candidates';
import type { Kit } from './kit';

/** Layers of the torso from the skin out. */
export type Layer = 'base' | 'mid' | 'shell' | 'warm';
export const LAYERS: readonly Layer[] = ['base', 'mid', 'shell', 'warm'];

/** How the openings of the torso stand; `shell open` lets air through the shell only, `rolled` has the sleeves up as well. */
export type Vent = 'rolled' | 'open' | 'half' | 'shell open' | 'closed';

/** Settings of openings: garment id -> opening id -> 0 closed to 1 open. */
type Open = Record<string, Record<string, number>>;

interface AnyWay {
  /** the same for the same way with other garments, and different for any other way of the same part */
  name: string;
  /** ids of what is on */
  worn: string[];
  open: Open;
}

export interface TorsoWay extends AnyWay {
  choice: 'torso';
  layers: readonly Layer[];
  vent: Vent;
}
export type HandPiece = 'liner' | 'mitts' | 'warmers';
export interface HandWay extends AnyWay {
  choice: 'hands';
  pieces: readonly HandPiece[];
}
export interface HeadWay extends AnyWay {
  choice: 'head';
  top: 'bare' | 'cap' | 'hat';
  tube: 'up' | 'down';
  hood: 'up' | 'down';
  lens: 'on' | 'off';
}
export interface LegWay extends AnyWay {
  choice: 'legs';
  vents: 'closed' | 'open';
  over: 'on' | 'off';
}
export interface FootWay extends AnyWay {
  choice: 'feet';
  socks: 'as they are' | 'dry';
  warmers: 'on' | 'off';
}
export interface GoingWay extends AnyWay {
  choice: 'going';
  going: 'as planned' | 'easy' | 'brisk' | 'lee';
  /** share of the planned effort, where it is not as planned */
  pace?: number;
  shelter?: true;
}

/** One way of wearing the garments of one part of the body, or of going. */
export type Way = TorsoWay | HandWay | HeadWay | LegWay | FootWay | GoingWay;

/** What the planner chooses in each phase, one way of each, by its place in a list; the last is how one goes, not what one wears. */
export const TORSO = 0;
export const HANDS = 1;
export const HEAD = 2;
export const LEGS = 3;
export const FEET = 4;
export const GOING = 5;

const openingOf = (g: Garment, kind: OpeningKind) => g.openings.find((o) => o.kind === kind);
/** What lets air in; a hood is worn or not, and sleeves are rolled by hand. */
const vents = (g: Garment, setting: number): Record<string, number> =>
  Object.fromEntries(g.openings.filter((o) => o.kind !== 'hood' && o.kind !== 'sleeves').map((o) => [o.id, setting]));

/** Ways to wear the torso kit, lightest first. */
export function torsoWays(k: Kit): TorsoWay[] {
  const ways: TorsoWay[] = [];
  const of: Record<Layer, Garment | null> = { base: k.base, mid: k.mid, shell: k.shell, warm: k.warm };
  /** @param set how far the layers named stand open, 0–1; the others as usual */
  const add = (layers: readonly Layer[], vent: Vent, set: Partial<Record<Layer, number>>) => {
    const worn = layers.flatMap((x) => of[x] ?? []);
    if (worn.length < layers.length || !(never || covered(...layers))) return;
    const open: Open = {};
    for (const x of layers) {
      const setting = set[x];
      if (setting !== undefined) open[of[x]!.id] = vents(of[x]!, setting);
    }
    const sleeves = openingOf(k.base, 'sleeves');
    if (vent === 'rolled' && sleeves) open[k.base.id] = { ...open[k.base.id], [sleeves.id]: 1 };
    ways.push({
      choice: 'torso',
      name: `${layers.join('+')} ${vent}`,
      layers,
      vent,
      worn: worn.map((g) => g.id),
      open,
    });
  };
  // Mesh is worn under what covers it, sleeves too; only where nothing here does, as it is.
  const covered = (...layers: Layer[]): boolean => coversUnderwear(layers.flatMap((x) => of[x] ?? []));
  const never = !covered('base', 'mid', 'shell');
  const alone = never || covered('base');
  if (alone && openingOf(k.base, 'sleeves')) add(['base'], 'rolled', { base: 1 });
  if (alone) add(['base'], 'closed', { base: 0 });
  add(['base', 'mid'], 'open', { base: 1, mid: 1 });
  add(['base', 'mid'], 'closed', { mid: 0 });
  add(['base', 'shell'], 'open', { shell: 1 });
  add(['base', 'shell'], 'half', { shell: 0.5 });
  add(['base', 'shell'], 'closed', { shell: 0 });
  add(['base', 'mid', 'shell'], 'open', { mid: 1, shell: 1 });
  add(['base', 'mid', 'shell'], 'shell open', { mid: 0, shell: 1 });
  add(['base', 'mid', 'shell'], 'half', { mid: 1, shell: 0.5 });
  add(['base', 'mid', 'shell'], 'closed', { mid: 0, shell: 0 });
  const under: Layer[][] = [['base'], ['base', 'mid'], ['base', 'shell'], ['base', 'mid', 'shell']];
  for (const layers of under) add([...layers, 'warm'], 'closed', { warm: 0 });
  return dedupe(ways);
}

export function handWays(k: Kit): HandWay[] {
  const of: Record<HandPiece, Garment | null> = { liner: k.liner, mitts: k.mitts, warmers: k.handWarmers };
  const ways: HandWay[] = [];
  const add = (...pieces: HandPiece[]) => {
    const worn = pieces.map((p) => of[p]);
    if (worn.every((g) => g !== null))
      ways.push({ choice: 'hands', name: pieces.join('+') || 'bare', pieces, worn: ids(worn), open: {} });
  };
  add();
  add('liner');
  add('mitts');
  add('liner', 'mitts');
  // Warmers want something to lie in; inside mitts they do most.
  add('mitts', 'warmers');
  add('liner', 'mitts', 'warmers');
  if (!k.mitts) add('liner', 'warmers');
  return ways;
}

/** Head and face together: cap or hat, tube up or down, hood up or down, eyewear. */
export function headWays(k: Kit, { mouthCovered = false }: Pick<Habits, 'mouthCovered'> = {}): HeadWay[] {
  const hoods = [k.shell, k.warm].flatMap((g) => {
    const hood = g && openingOf(g, 'hood');
    return g && hood ? [{ id: g.id, opening: hood.id }] : [];
  });
  const hoodOpen = (hood: 'up' | 'down'): Open =>
    Object.fromEntries(hoods.map((h) => [h.id, { [h.opening]: hood === 'up' ? 0 : 1 }]));
  const tube = k.tube && openingOf(k.tube, 'tube');
  const tubeOpen = (at: 'up' | 'down'): Open =>
    k.tube && tube ? { [k.tube.id]: { [tube.id]: at === 'up' ? 0 : 1 } } : {};
  const vent = k.helmet && openingOf(k.helmet, 'vent');
  const ventOpen = (setting: number): Open => (k.helmet && vent ? { [k.helmet.id]: { [vent.id]: setting } } : {});
  const tops: [HeadWay['top'], Garment | null][] = [
    ['bare', null],
    ['cap', k.cap],
    ['hat', k.hat],
  ];
  const ways: HeadWay[] = [];
  for (const [top, piece] of tops)
    for (const at of mouthCovered ? (['up'] as const) : (['down', 'up'] as const))
      for (const hood of ['down', 'up'] as const)
        for (const eyes of k.eyes ? [null, k.eyes] : [null])
          if (piece || top === 'bare') {
            const lens = eyes ? 'on' : 'off';
            ways.push({
              choice: 'head',
              name: `${top}, tube ${at}, hood ${hood}, lens ${lens}`,
              top,
              tube: at,
              hood,
              lens,
              // What cannot be pulled down is taken off instead.
              worn: ids([piece, tube || at === 'up' ? k.tube : null, k.helmet, eyes]),
              // A helmet's vents are shut once the hood or the tube is up.
              open: { ...tubeOpen(at), ...hoodOpen(hood), ...ventOpen(hood === 'down' && at === 'down' ? 1 : 0) },
            });
          }
  return dedupe(ways);
}

export function legWays(k: Kit): LegWay[] {
  const vented = k.legs.filter((g) => g.openings.length > 0);
  const set = (v: number): Open => Object.fromEntries(vented.map((g) => [g.id, vents(g, v)]));
  const ways: LegWay[] = [
    { choice: 'legs', name: 'closed', vents: 'closed', over: 'off', worn: ids(k.legs), open: set(0) },
  ];
  if (vented.length > 0)
    ways.push({ choice: 'legs', name: 'open', vents: 'open', over: 'off', worn: ids(k.legs), open: set(1) });
  if (k.overLegs) {
    const worn = ids([...k.legs, k.overLegs]);
    ways.push({ choice: 'legs', name: 'over', vents: 'closed', over: 'on', worn, open: set(0) });
  }
  return ways;
}

/** As they are, with warmers in the boots, and in dry socks (which replace the outermost pair). */
export function footWays(k: Kit): FootWay[] {
  const way = (socks: FootWay['socks'], warmers: FootWay['warmers'], worn: (Garment | null)[]): FootWay => ({
    choice: 'feet',
    name: `${socks}, warmers ${warmers}`,
    socks,
    warmers,
    worn: ids(worn),
    open: {},
  });
  const ways = [way('as they are', 'off', k.feet)];
  if (k.toeWarmers) ways.push(way('as they are', 'on', [...k.feet, k.toeWarmers]));
  if (k.dry) {
    const rest = k.feet.filter((g) => g.role !== 'base' && g.role !== 'mid');
    ways.push(way('dry', 'off', [...rest, k.dry]));
    if (k.toeWarmers) ways.push(way('dry', 'on', [...rest, k.dry, k.toeWarmers]));
  }
  return ways;
}

/** Shares of the planned effort worth thinking about: easing off before the top, pressing on in the cold (engineering values). */
const EASY = 0.75;
export const BRISK = 1.12;

export function goingWays(): GoingWay[] {
  const way = (going: GoingWay['going'], more: Pick<GoingWay, 'pace' | 'shelter'> = {}): GoingWay => ({
    choice: 'going',
    name: going,
    going,
    worn: [],
    open: {},
    ...more,
  });
  return [way('as planned'), way('easy', { pace: EASY }), way('brisk', { pace: BRISK }), way('lee', { shelter: true })];
}

/** All ways of each choice, in the order of their places. */
export type Ways = readonly [TorsoWay[], HandWay[], HeadWay[], LegWay[], FootWay[], GoingWay[]];
export const allWays = (k: Kit, habits: Habits = {}): Ways => [
  torsoWays(k),
  handWays(k),
  headWays(k, habits),
  legWays(k),
  footWays(k),
  goingWays(),
];

const equal = <T>(a: readonly T[], b: readonly T[]): boolean => a.length === b.length && a.every((x, i) => x === b[i]);

/**
 * The way among others that comes nearest to one made for another kit: the same way if there is one, else the same layers or
 * pieces, else the same with what is missing left out, else the second lightest.
 */
export function sameWay(way: Way, ways: readonly Way[]): Way {
  return ways.find((w) => w.name === way.name) ?? nearest(way, ways) ?? ways[Math.min(1, ways.length - 1)];
}

function nearest(way: Way, ways: readonly Way[]): Way | undefined {
  switch (way.choice) {
    case 'torso': {
      const others = ways as readonly TorsoWay[];
      const layers = way.layers.filter((l) => others.some((w) => w.layers.includes(l)));
      const alike = others.filter((w) => equal(w.layers, layers));
      return alike.find((w) => w.vent === way.vent) ?? alike.find((w) => w.vent === 'closed') ?? alike[0];
    }
    case 'hands': {
      const others = ways as readonly HandWay[];
      const pieces = way.pieces.filter((p) => others.some((w) => w.pieces.includes(p)));
      return pieces.length > 0 ? others.find((w) => equal(w.pieces, pieces)) : undefined;
    }
    case 'head': {
      return nearestHead(way, ways as readonly HeadWay[]);
    }
    case 'feet': {
      if (way.socks !== 'dry' || way.warmers !== 'on') return undefined;
      return (ways as readonly FootWay[]).find((w) => w.socks === 'dry') ?? ways[0];
    }
    default:
      return undefined;
  }
}

/** The one of some ways to wear head and face that has most in common with a given one. @throws TypeError where there are none */
export function nearestHead(way: HeadWay, ways: readonly HeadWay[]): HeadWay {
  const alike = (w: HeadWay) => (['top', 'tube', 'hood', 'lens'] as const).filter((k) => w[k] === way[k]).length;
  return ways.reduce((a, b) => (alike(b) > alike(a) ? b : a));
}

/**
 * A way of wearing the torso with one more layer on, to be looked for among another kit's ways.
 * @param airy with everything open that was closed, but at stops
 */
export function withLayer(w: TorsoWay, layer: 'mid' | 'shell', vents: 'airy' | 'as they were'): TorsoWay {
  const layers = LAYERS.filter((l) => l === layer || w.layers.includes(l));
  const open = w.vent === 'rolled' || (vents === 'airy' && !w.layers.includes('warm'));
  const vent = open ? 'open' : w.vent;
  return { ...w, name: `${layers.join('+')} ${vent}`, layers, vent };
}

/** A way of wearing the torso with the middle layer in place of the shell, to be looked for among another kit's ways. */
export function insteadOfShell(w: TorsoWay): TorsoWay {
  const layers = LAYERS.filter((l) => l === 'mid' || (l !== 'shell' && w.layers.includes(l)));
  return { ...w, name: `${layers.join('+')} ${w.vent}`, layers };
}

/** The same without the jacket for stops, or as light as it goes where that cannot be. */
export function plainer(way: Way, allowed: readonly Way[]): Way {
  if (way.choice !== 'torso') return allowed[0];
  const layers = way.layers.filter((l) => l !== 'warm');
  const alike = (allowed as readonly TorsoWay[]).filter((w) => equal(w.layers, layers));
  return alike.find((w) => w.vent === way.vent) ?? alike[0] ?? allowed[0];
}

function ids(list: readonly (Garment | null)[]): string[] {
  return list.filter((g): g is Garment => g !== null).map((g) => g.id);
}

function dedupe<T extends Way>(ways: T[]): T[] {
  const seen = new Set<string>();
  return ways.filter((w) => {
    const key = JSON.stringify([w.worn, w.open]);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}
