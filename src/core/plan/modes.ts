import type { Garment, Group } from '@/core/clothing/garment';

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
  liner: Garment | null;
  mitts: Garment | null;
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
    k.liner,
    k.mitts,
    k.cap,
    k.hat,
    k.tube,
    k.helmet,
    k.eyes,
  ];
  return all.filter((g): g is Garment => g !== null);
}

/** One way of wearing the garments of one group. */
export interface Mode {
  group: Group;
  worn: string[];
  /** garment id -> opening id -> setting */
  open: Record<string, Record<string, number>>;
}

const openings = (g: Garment, setting: number): Record<string, number> =>
  Object.fromEntries(g.openings.filter((o) => o.id !== 'hood' && o.id !== 'sleeves').map((o) => [o.id, setting]));

/** Ways to wear the torso kit, lightest first. The standby jacket only over everything, and only at stops. */
export function torsoModes(k: Kit): Mode[] {
  const modes: Mode[] = [];
  const add = (layers: (Garment | null)[], open: Mode['open']) => {
    const worn = layers.filter((g): g is Garment => g !== null).map((g) => g.id);
    modes.push({ group: 'torso', worn, open });
  };
  const { base, mid, shell, warm } = k;
  if (base.openings.some((o) => o.id === 'sleeves')) add([base], { [base.id]: { ...openings(base, 1), sleeves: 1 } });
  add([base], { [base.id]: openings(base, 0) });
  if (mid) {
    add([base, mid], { [mid.id]: openings(mid, 1), [base.id]: openings(base, 1) });
    add([base, mid], { [mid.id]: openings(mid, 0) });
  }
  if (shell) {
    add([base, shell], { [shell.id]: openings(shell, 1) });
    add([base, shell], { [shell.id]: openings(shell, 0) });
    if (mid) {
      add([base, mid, shell], { [shell.id]: openings(shell, 1), [mid.id]: openings(mid, 1) });
      add([base, mid, shell], { [shell.id]: openings(shell, 0), [mid.id]: openings(mid, 0) });
    }
  }
  return modes.concat(warm ? warmModes(k, warm) : []);
}

function warmModes(k: Kit, warm: Garment): Mode[] {
  const under = [[k.base], [k.base, k.mid], [k.base, k.shell], [k.base, k.mid, k.shell]];
  const seen = new Set<string>();
  return under.flatMap((layers) => {
    const worn = [...layers.filter((g): g is Garment => g !== null), warm].map((g) => g.id);
    const key = worn.join();
    if (seen.has(key)) return [];
    seen.add(key);
    return [{ group: 'torso' as const, worn, open: { [warm.id]: openings(warm, 0) } }];
  });
}

export function handModes(k: Kit): Mode[] {
  const sets: (Garment | null)[][] = [[], [k.liner], [k.mitts], [k.liner, k.mitts]];
  return dedupe(sets.map((s) => ({ group: 'hands' as const, worn: ids(s), open: {} })));
}

/** Head and face together: cap or hat, tube up or down, hood up or down. */
export function headModes(k: Kit): Mode[] {
  const hooded = [k.shell, k.warm].filter((g): g is Garment => !!g && g.openings.some((o) => o.id === 'hood'));
  const hood = (up: boolean) => Object.fromEntries(hooded.map((g) => [g.id, { hood: up ? 0 : 1 }]));
  const tube = (up: boolean): Mode['open'] =>
    k.tube && k.tube.openings.length > 0 ? { [k.tube.id]: { up: up ? 0 : 1 } } : {};
  const fixed = [k.tube, k.helmet];
  const lenses: (Garment | null)[] = k.eyes ? [null, k.eyes] : [null];
  const vents = (open: boolean): Mode['open'] => (k.helmet ? { [k.helmet.id]: { vents: open ? 1 : 0 } } : {});
  const tops: (Garment | null)[][] = k.hat ? [[], [k.cap], [k.hat]] : [[], [k.cap]];
  const modes: Mode[] = [];
  for (const top of tops)
    for (const up of [false, true])
      for (const hoodUp of [false, true])
        for (const lens of lenses)
          modes.push({
            group: 'head',
            worn: ids([...top, ...fixed, lens]),
            open: { ...tube(up), ...hood(hoodUp), ...vents(!hoodUp && !up) },
          });
  return dedupe(modes);
}

export function legModes(k: Kit): Mode[] {
  const vented = k.legs.filter((g) => g.openings.length > 0);
  const set = (v: number): Mode['open'] => Object.fromEntries(vented.map((g) => [g.id, openings(g, v)]));
  const modes: Mode[] = [{ group: 'legs', worn: ids(k.legs), open: set(0) }];
  if (vented.length > 0) modes.push({ group: 'legs', worn: ids(k.legs), open: set(1) });
  if (k.overLegs) modes.push({ group: 'legs', worn: ids([...k.legs, k.overLegs]), open: set(0) });
  return modes;
}

export function footModes(k: Kit): Mode[] {
  return [{ group: 'feet', worn: ids(k.feet), open: {} }];
}

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
