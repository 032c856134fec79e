import type { Garment } from '@/core/clothing/garment';

/** The garments a plan may use, by the part each plays. */
export interface Kit {
  base: Garment;
  mid: Garment | null;
  shell: Garment | null;
  /** the jacket that stands by in the pack */
  warm: Garment | null;
  legs: Garment[];
  /** goes over everything at stops */
  overLegs: Garment | null;
  feet: Garment[];
  /** socks to change into at a stop */
  dry: Garment | null;
  toeWarmers: Garment | null;
  liner: Garment | null;
  mitts: Garment | null;
  handWarmers: Garment | null;
  cap: Garment | null;
  hat: Garment | null;
  tube: Garment | null;
  helmet: Garment | null;
  eyes: Garment | null;
}

export function kitGarments(k: Kit): Garment[] {
  const all = [
    k.base,
    k.mid,
    k.shell,
    k.warm,
    ...k.legs,
    k.overLegs,
    ...k.feet,
    k.dry,
    k.toeWarmers,
    k.liner,
    k.mitts,
    k.handWarmers,
    k.cap,
    k.hat,
    k.tube,
    k.helmet,
    k.eyes,
  ];
  return all.filter((g): g is Garment => g !== null);
}

/** What the planner chooses in each phase, one mode of each; the last is how one goes, not what one wears. */
export const CHOICES = ['torso', 'hands', 'head', 'legs', 'feet', 'going'] as const;
export type Choice = (typeof CHOICES)[number];
export const TORSO = 0;
export const HANDS = 1;
export const HEAD = 2;
export const LEGS = 3;
export const FEET = 4;
export const GOING = 5;

/** One way of wearing the garments of one group, or of going. */
export interface Mode {
  choice: Choice;
  /** names the way whatever the garments are, so that another kit can be worn the same way */
  key: string;
  worn: string[];
  /** garment id -> opening id -> setting */
  open: Record<string, Record<string, number>>;
  /** share of the planned effort, where it is not as planned */
  pace?: number;
  shelter?: boolean;
}

const openings = (g: Garment, setting: number): Record<string, number> =>
  Object.fromEntries(g.openings.filter((o) => o.id !== 'hood' && o.id !== 'sleeves').map((o) => [o.id, setting]));

type Layers = { b: Garment; m: Garment | null; s: Garment | null; w: Garment | null };

/**
 * Ways to wear the torso kit, lightest first. Keys name the layers (base, mid, shell, warm) and how they stand: rolled, open,
 * half open, closed; `shell open` lets air through the shell only.
 */
export function torsoModes(k: Kit): Mode[] {
  const modes: Mode[] = [];
  const l: Layers = { b: k.base, m: k.mid, s: k.shell, w: k.warm };
  const add = (layers: (keyof Layers)[], how: string, set: Partial<Record<keyof Layers, number>>, rolled = false) => {
    const worn = layers.flatMap((x) => l[x] ?? []);
    if (worn.length < layers.length) return;
    const open: Mode['open'] = {};
    for (const x of layers) if (set[x] !== undefined) open[l[x]!.id] = openings(l[x]!, set[x]);
    if (rolled) open[l.b.id] = { ...open[l.b.id], sleeves: 1 };
    modes.push({ choice: 'torso', key: `${layers.join('')} ${how}`, worn: worn.map((g) => g.id), open });
  };
  if (k.base.openings.some((o) => o.id === 'sleeves')) add(['b'], 'rolled', { b: 1 }, true);
  add(['b'], 'closed', { b: 0 });
  add(['b', 'm'], 'open', { b: 1, m: 1 });
  add(['b', 'm'], 'closed', { m: 0 });
  add(['b', 's'], 'open', { s: 1 });
  add(['b', 's'], 'half', { s: 0.5 });
  add(['b', 's'], 'closed', { s: 0 });
  add(['b', 'm', 's'], 'open', { m: 1, s: 1 });
  add(['b', 'm', 's'], 'shell open', { m: 0, s: 1 });
  add(['b', 'm', 's'], 'closed', { m: 0, s: 0 });
  for (const under of [['b'], ['b', 'm'], ['b', 's'], ['b', 'm', 's']] as (keyof Layers)[][])
    add([...under, 'w'], 'closed', { w: 0 });
  return dedupe(modes);
}

export function handModes(k: Kit): Mode[] {
  const modes: Mode[] = [];
  const add = (key: string, ...worn: (Garment | null)[]) => {
    if (worn.every((g) => g !== null)) modes.push({ choice: 'hands', key, worn: ids(worn), open: {} });
  };
  add('bare');
  add('l', k.liner);
  add('m', k.mitts);
  add('lm', k.liner, k.mitts);
  // Warmers want something to lie in; inside mitts they do most.
  add('mh', k.mitts, k.handWarmers);
  add('lmh', k.liner, k.mitts, k.handWarmers);
  if (!k.mitts) add('lh', k.liner, k.handWarmers);
  return modes;
}

/** Head and face together: cap or hat, tube up or down, hood up or down, eyewear. */
export function headModes(k: Kit): Mode[] {
  const hooded = [k.shell, k.warm].filter((g): g is Garment => !!g && g.openings.some((o) => o.id === 'hood'));
  const hood = (up: boolean) => Object.fromEntries(hooded.map((g) => [g.id, { hood: up ? 0 : 1 }]));
  const tube = (up: boolean): Mode['open'] =>
    k.tube && k.tube.openings.length > 0 ? { [k.tube.id]: { up: up ? 0 : 1 } } : {};
  const fixed = [k.tube, k.helmet];
  const vents = (open: boolean): Mode['open'] => (k.helmet ? { [k.helmet.id]: { vents: open ? 1 : 0 } } : {});
  const tops: [string, Garment | null][] = [
    ['bare', null],
    ['cap', k.cap],
    ['hat', k.hat],
  ];
  const modes: Mode[] = [];
  for (const [name, top] of tops)
    for (const up of [false, true])
      for (const hoodUp of [false, true])
        for (const lens of k.eyes ? [null, k.eyes] : [null])
          if (top || name === 'bare')
            modes.push({
              choice: 'head',
              key: [name, up ? 'up' : 'down', hoodUp ? 'hood' : 'no hood', lens ? 'lens' : 'no lens'].join(),
              worn: ids([top, ...fixed, lens]),
              open: { ...tube(up), ...hood(hoodUp), ...vents(!hoodUp && !up) },
            });
  return dedupe(modes);
}

export function legModes(k: Kit): Mode[] {
  const vented = k.legs.filter((g) => g.openings.length > 0);
  const set = (v: number): Mode['open'] => Object.fromEntries(vented.map((g) => [g.id, openings(g, v)]));
  const modes: Mode[] = [{ choice: 'legs', key: 'closed', worn: ids(k.legs), open: set(0) }];
  if (vented.length > 0) modes.push({ choice: 'legs', key: 'open', worn: ids(k.legs), open: set(1) });
  if (k.overLegs) modes.push({ choice: 'legs', key: 'over', worn: ids([...k.legs, k.overLegs]), open: set(0) });
  return modes;
}

/** As they are, with warmers in the boots, and in dry socks (which replace the outermost pair). */
export function footModes(k: Kit): Mode[] {
  const mode = (key: string, worn: (Garment | null)[]): Mode => ({ choice: 'feet', key, worn: ids(worn), open: {} });
  const modes = [mode('as they are', k.feet)];
  if (k.toeWarmers) modes.push(mode('warmed', [...k.feet, k.toeWarmers]));
  if (k.dry) {
    const rest = k.feet.filter((g) => g.role !== 'base' && g.role !== 'mid');
    modes.push(mode('dry', [...rest, k.dry]));
    if (k.toeWarmers) modes.push(mode('dry, warmed', [...rest, k.dry, k.toeWarmers]));
  }
  return modes;
}

/** Shares of the planned effort worth thinking about: easing off before the top, pressing on in the cold. */
const EASY = 0.75;
const BRISK = 1.12;

export function goingModes(): Mode[] {
  const mode = (key: string, more: Partial<Mode> = {}): Mode => ({
    choice: 'going',
    key,
    worn: [],
    open: {},
    ...more,
  });
  return [
    mode('as planned'),
    mode('easy', { pace: EASY }),
    mode('brisk', { pace: BRISK }),
    mode('lee', { shelter: true }),
  ];
}

export const allModes = (k: Kit): Mode[][] => [
  torsoModes(k),
  handModes(k),
  headModes(k),
  legModes(k),
  footModes(k),
  goingModes(),
];

/**
 * The mode among others that comes nearest to one made for another kit: the same way if there is one, else the same layers, else
 * the same with what is missing left out, else the second lightest.
 */
export function sameWay(mode: Mode, modes: readonly Mode[]): Mode {
  const exact = modes.find((m) => m.key === mode.key);
  if (exact) return exact;
  if (mode.key.includes(',')) {
    const parts = mode.key.split(',');
    const alike = (m: Mode) => m.key.split(',').filter((x, i) => x === parts[i]).length;
    return modes.reduce((a, b) => (alike(b) > alike(a) ? b : a));
  }
  const [layers, ...how] = mode.key.split(' ');
  const known = new Set(modes.flatMap((m) => m.key.split(' ')[0].split('')));
  const left = [...layers].filter((c) => known.has(c)).join('');
  return (
    modes.find((m) => m.key === `${left} ${how.join(' ')}`.trim()) ??
    modes.find((m) => m.key.split(' ')[0] === left && m.key.endsWith('closed')) ??
    modes.find((m) => m.key.split(' ')[0] === left) ??
    modes[Math.min(1, modes.length - 1)]
  );
}

/** The layers a way of wearing the torso has on, a letter each: base, mid, shell, warm. */
export const layersOf = (torso: Mode): string => torso.key.split(' ')[0];

/**
 * A way of wearing the torso with one more layer on, to be looked for among another kit's modes.
 * @param airy with everything open that was closed, but at stops
 */
export const withLayer = (m: Mode, layer: 'm' | 's', airy: boolean): Mode => {
  const [layers, ...how] = m.key.split(' ');
  const all = [...'bmsw'].filter((l) => l === layer || layers.includes(l)).join('');
  const open = how.includes('rolled') || (airy && !layers.includes('w'));
  return { ...m, key: `${all} ${open ? 'open' : how.join(' ')}` };
};

function ids(list: (Garment | null)[]): string[] {
  return list.filter((g): g is Garment => g !== null).map((g) => g.id);
}

function dedupe(modes: Mode[]): Mode[] {
  const seen = new Set<string>();
  return modes.filter((m) => {
    const key = JSON.stringify([m.worn, m.open]);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}
