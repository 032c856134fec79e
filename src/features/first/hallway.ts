import type { Sport } from '@/core/effort/sports';

/** What hangs in most hallways, by where it is worn: ids of the catalogue, 24 of them. */
export const HALLWAY_PIECES: readonly { label: string; ids: readonly string[] }[] = [
  { label: 'Head and neck', ids: ['thin-cap', 'wind-cap', 'warm-hat', 'neck-tube'] },
  { label: 'Torso, next to the skin', ids: ['thin-synthetic-base', 'mesh-base', 'thin-merino-base'] },
  {
    label: 'Torso, over it',
    ids: ['grid-fleece', 'wool-pullover', 'wind-shell', 'soft-shell', 'storm-shell', 'standby-puffy'],
  },
  { label: 'Hands', ids: ['liner-gloves', 'wind-gloves', 'shell-mitts', 'warm-mitts'] },
  { label: 'Legs', ids: ['thin-tights', 'brushed-tights', 'wind-trousers'] },
  { label: 'Feet', ids: ['wool-socks', 'thick-socks', 'running-shoes', 'winter-boots'] },
];

/** What nobody is asked about and everybody has. */
export const ALWAYS: readonly string[] = ['briefs', 'thin-socks'];

/** Ticked at first: what most people own, so that an answer stands before anything is ticked. */
export const MOST_OWN: readonly string[] = [
  'thin-cap',
  'neck-tube',
  'thin-synthetic-base',
  'grid-fleece',
  'wind-shell',
  'liner-gloves',
  'wind-gloves',
  'thin-tights',
  'wool-socks',
  'running-shoes',
];

/** Shoes that go with each sport where the hallway has none for it: without them there is no answer. */
export const SHOES_FOR: Partial<Record<Sport, string>> = {
  'classic ski': 'nordic-boots',
  'skate ski': 'nordic-boots',
  'ski tour': 'touring-boots',
  cycle: 'riding-shoes',
  hike: 'winter-boots',
  walk: 'winter-boots',
  snowshoe: 'winter-boots',
  run: 'running-shoes',
};

/** How warm somebody runs, against their friends: K of comfortable skin, and what it does to sweat. */
export const WARMTH_WORDS = [
  { value: 'freezing', label: 'freezing', warmthK: -2, sweat: 0.8 },
  { value: 'cool', label: 'cool', warmthK: -1, sweat: 0.9 },
  { value: 'same', label: 'the same', warmthK: 0, sweat: 1 },
  { value: 'warm', label: 'warm', warmthK: 1, sweat: 1.15 },
  { value: 'hot', label: 'hot', warmthK: 2, sweat: 1.3 },
] as const;

/** What the cold does to fingers and toes: strength of constriction against the mean (engineering values). */
export const HANDS_WORDS = [
  { value: 'never', label: 'never cold', constriction: 0.75 },
  { value: 'usual', label: 'like most', constriction: 1 },
  { value: 'cold', label: 'cold first', constriction: 1.4 },
  { value: 'white', label: 'white, or hurt', constriction: 2 },
] as const;
