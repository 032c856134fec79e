import { CUT } from '@/core/clothing/catalogue/cuts';
import { fromCatalogue } from '@/core/clothing/catalogue';
import { garment, type Entry } from '@/core/clothing/catalogue/entry';
import type { Garment } from '@/core/clothing/garment';

/** Ordinary garments of the standards' tables, in our own terms, so that our physics can be held against their clo. */
const entry = (e: Pick<Entry, 'id' | 'group' | 'role' | 'cut' | 'mm' | 'gap'> & Partial<Entry>): Garment =>
  garment({ name: e.id, fibre: 'cotton', gm2: 200, perm: 300, ret: 7, mass: 200, ...e });

export const STREET: Record<string, Garment> = {
  briefs: fromCatalogue('briefs')!,
  tee: entry({ id: 'tee', group: 'torso', role: 'base', cut: 'tee', mm: 0.7, gap: 4 }),
  'long underwear top': entry({
    id: 'long underwear top',
    group: 'torso',
    role: 'base',
    cut: 'longSleeve',
    mm: 1.2,
    gap: 3.5,
  }),
  'long underwear bottoms': entry({
    id: 'long underwear bottoms',
    group: 'legs',
    role: 'base',
    cut: 'tights',
    mm: 1.2,
    gap: 3,
  }),
  'long-sleeve shirt': entry({
    id: 'long-sleeve shirt',
    group: 'torso',
    role: 'base',
    cut: 'longSleeve',
    mm: 0.6,
    gap: 6,
    order: 15,
  }),
  trousers: entry({ id: 'trousers', group: 'legs', role: 'shell', cut: 'trousers', mm: 0.8, gap: 7 }),
  'thick trousers': entry({ id: 'thick trousers', group: 'legs', role: 'shell', cut: 'trousers', mm: 1.8, gap: 7 }),
  shorts: entry({ id: 'shorts', group: 'legs', role: 'over', cut: 'shorts', mm: 0.5, gap: 8 }),
  sweater: entry({
    id: 'sweater',
    group: 'torso',
    role: 'mid',
    fibre: 'wool',
    cut: 'longSleeve',
    mm: 3,
    gap: 4,
    perm: 600,
  }),
  'thick sweater': entry({
    id: 'thick sweater',
    group: 'torso',
    role: 'mid',
    fibre: 'wool',
    cut: 'longSleeve',
    mm: 5,
    gap: 5,
    perm: 600,
  }),
  'thermo jacket': entry({
    id: 'thermo jacket',
    group: 'torso',
    role: 'shell',
    fibre: 'synthetic fill',
    cut: 'jacket',
    mm: 9,
    gap: 7,
    perm: 20,
    ret: 20,
  }),
  'thermo trousers': entry({
    id: 'thermo trousers',
    group: 'legs',
    role: 'shell',
    fibre: 'synthetic fill',
    cut: 'trousers',
    mm: 6,
    gap: 7,
    perm: 20,
    ret: 15,
  }),
  'quilted parka': entry({
    id: 'quilted parka',
    group: 'torso',
    role: 'warm',
    fibre: 'synthetic fill',
    cut: 'longJacket',
    mm: 24,
    gap: 8,
    perm: 10,
    ret: 40,
  }),
  'quilted overalls': entry({
    id: 'quilted overalls',
    group: 'legs',
    role: 'warm',
    fibre: 'synthetic fill',
    cut: 'bib',
    mm: 18,
    gap: 8,
    perm: 10,
    ret: 40,
  }),
  socks: entry({ id: 'socks', group: 'feet', role: 'base', cut: 'sock', mm: 1.5, gap: 0.3 }),
  shoes: entry({
    id: 'shoes',
    group: 'feet',
    role: 'footwear',
    fibre: 'leather',
    cut: 'shoe',
    mm: 3.5,
    gap: 1,
    perm: 5,
  }),
  gloves: fromCatalogue('wind-gloves')!,
  cap: fromCatalogue('thin-cap')!,
};

export const wear = (...names: string[]): Garment[] =>
  names.map((n) => {
    const g = STREET[n];
    if (!g) throw new Error(`no street garment "${n}"`);
    return g;
  });

/** A tight sleeve of cloth on one part of the body, for questions about a single layer. */
export const patch = (over: Partial<Entry> = {}): Garment =>
  garment({
    id: 'patch',
    name: 'patch',
    group: 'torso',
    role: 'base',
    fibre: 'polyester',
    cut: 'longSleeve',
    mm: 2,
    gm2: 180,
    perm: 300,
    ret: 5,
    gap: 0.5,
    mass: 150,
    panels: CUT.longSleeve,
    ...over,
  });

/**
 * A closed winter outfit for the standard's wind–walk–permeability grid: zips shut, no hood, and everything outermost has
 * the permeability in question (L/m²s at 100 Pa, the same number as mm/s).
 */
export function closedOutfit(permeability: number): Garment[] {
  const outermost = ['lined-windshell', 'wind-trousers', 'wind-gloves', 'warm-hat'];
  const beneath = [
    'midweight-merino-base',
    'grid-fleece',
    'briefs',
    'thin-tights',
    'neck-tube',
    'wool-socks',
    'winter-boots',
  ];
  return [...outermost, ...beneath]
    .map((id) => fromCatalogue(id)!)
    .map((g) => (outermost.includes(g.id) ? { ...g, airPermeability: permeability } : g));
}
