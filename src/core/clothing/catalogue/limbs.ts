import { CUT, OPENING } from './cuts';
import { garment } from './entry';

/** Legs, hands and feet; typical values for generic classes, from memory of textile tables and our own rulers. */
const { thighVents } = OPENING;

// prettier-ignore
export const LEG_GARMENTS = [
  garment({ id: 'briefs', name: 'Synthetic briefs', group: 'legs', role: 'short', fibre: 'polyester', cut: 'briefs', mm: 0.8, gm2: 140, perm: 700, ret: 4, gap: 0.5, mass: 60, price: 20 }),
  garment({ id: 'wind-briefs', name: 'Briefs, windproof front', group: 'legs', role: 'short', fibre: 'polyester', cut: 'briefs', mm: 1.0, gm2: 180, perm: 20, ret: 8, gap: 0.5, mass: 80, price: 40 }),
  garment({ id: 'running-shorts', suits: ['run'], name: 'Running shorts', group: 'legs', role: 'over', fibre: 'polyester', cut: 'shorts', mm: 0.4, gm2: 100, perm: 150, ret: 4, gap: 5, mass: 110, order: 40, price: 30 }),
  garment({ id: 'capris', suits: ['run', 'ride'], name: 'Capri tights', group: 'legs', role: 'base', fibre: 'polyester', cut: 'capris', mm: 0.9, gm2: 210, perm: 200, ret: 5, gap: 0.4, mass: 170, order: 20, price: 45 }),
  garment({ id: 'thin-tights', name: 'Thin tights', group: 'legs', role: 'base', fibre: 'polyester', cut: 'tights', mm: 0.9, gm2: 210, perm: 200, ret: 5, gap: 0.4, mass: 200, order: 20, price: 50 }),
  garment({ id: 'brushed-tights', name: 'Brushed tights', group: 'legs', role: 'base', fibre: 'polyester', cut: 'tights', mm: 1.8, gm2: 270, perm: 150, ret: 7, gap: 0.4, mass: 270, order: 20, price: 70 }),
  garment({ id: 'wind-tights', name: 'Tights, windproof front', group: 'legs', role: 'base', fibre: 'polyester', cut: 'tights', mm: 1.7, gm2: 270, perm: 30, ret: 9, gap: 0.5, mass: 290, order: 20, price: 90 }),
  garment({ id: 'mesh-longs', name: 'Mesh long johns', group: 'legs', role: 'base', fibre: 'polypropylene', cut: 'tights', mm: 2.4, gm2: 130, perm: 3000, ret: 3, gap: 0.6, mass: 115, openMesh: 0.5, price: 50 }),
  garment({ id: 'merino-longs', name: 'Merino long johns', group: 'legs', role: 'base', fibre: 'merino', cut: 'tights', mm: 1.0, gm2: 180, perm: 600, ret: 4.5, gap: 0.7, mass: 190, price: 75 }),
  garment({ id: 'ski-tights', suits: ['nordic', 'ride', 'run'], name: 'Ski tights, windproof front', group: 'legs', role: 'shell', fibre: 'polyester', cut: 'trousers', mm: 1.1, gm2: 200, perm: 60, ret: 7, gap: 1.5, mass: 310, price: 95 }),
  garment({ id: 'soft-trousers', name: 'Soft shell trousers', group: 'legs', role: 'shell', fibre: 'nylon', cut: 'trousers', mm: 0.8, gm2: 200, perm: 60, ret: 7, gap: 4, mass: 480, waterResistance: 0.6, opens: [thighVents], price: 120 }),
  garment({ id: 'wind-trousers', name: 'Wind trousers', group: 'legs', role: 'shell', fibre: 'nylon', cut: 'trousers', mm: 0.15, gm2: 60, perm: 8, ret: 5, gap: 4.5, mass: 150, waterResistance: 0.5, changeSeconds: 60, overBoots: true, price: 70 }),
  garment({ id: 'storm-trousers', name: 'Storm trousers, membrane', group: 'legs', role: 'storm', fibre: 'nylon', cut: 'bib', mm: 0.4, gm2: 130, perm: 0.3, ret: 12, gap: 5, mass: 420, waterResistance: 1, membrane: true, liquidCapacity: 0.3, opens: [thighVents], changeSeconds: 90, overBoots: true, price: 210 }),
  garment({ id: 'puffy-overtrousers', name: 'Puffy overtrousers', group: 'legs', role: 'warm', fibre: 'synthetic fill', cut: 'trousers', mm: 14, gm2: 180, perm: 5, ret: 24, gap: 4, mass: 420, filled: true, waterResistance: 0.5, changeSeconds: 90, overBoots: true, price: 150 }),
];

// prettier-ignore
export const HAND_GARMENTS = [
  garment({ id: 'liner-gloves', name: 'Liner gloves', group: 'hands', role: 'liner', fibre: 'polyester', cut: 'glove', mm: 1.0, gm2: 180, perm: 500, ret: 4, gap: 0.5, mass: 36, handForm: 'fingers', price: 20 }),
  garment({ id: 'merino-liners', name: 'Merino liners', group: 'hands', role: 'liner', fibre: 'merino', cut: 'glove', mm: 1.2, gm2: 220, perm: 500, ret: 5, gap: 0.5, mass: 42, handForm: 'fingers', price: 28 }),
  garment({ id: 'barrier-gloves', name: 'Barrier gloves', group: 'hands', role: 'liner', fibre: 'rubber', cut: 'glove', mm: 0.12, gm2: 110, perm: 0, ret: 600, gap: 0.3, mass: 12, handForm: 'fingers', waterResistance: 1, order: 6, price: 2 }),
  garment({ id: 'wind-gloves', name: 'Windproof gloves', group: 'hands', role: 'mid', fibre: 'polyester', cut: 'glove', mm: 2.2, gm2: 260, perm: 15, ret: 11, gap: 0.7, mass: 75, handForm: 'fingers', price: 45 }),
  garment({ id: 'ski-gloves', name: 'Insulated gloves', group: 'hands', role: 'warm', fibre: 'synthetic fill', cut: 'glove', mm: 8, gm2: 450, perm: 3, ret: 30, gap: 1, mass: 180, handForm: 'fingers', filled: true, waterResistance: 0.9, order: 50, price: 80 }),
  garment({ id: 'fleece-mitts', name: 'Fleece mitts', group: 'hands', role: 'mid', fibre: 'polyester', cut: 'glove', mm: 5, gm2: 290, perm: 500, ret: 10, gap: 2, mass: 70, handForm: 'mitten', order: 40, price: 30 }),
  garment({ id: 'shell-mitts', name: 'Shell mitts', group: 'hands', role: 'shell', fibre: 'nylon', cut: 'glove', mm: 0.3, gm2: 110, perm: 3, ret: 8, gap: 3, mass: 62, handForm: 'mitten', waterResistance: 0.8, order: 60, price: 45 }),
  garment({ id: 'warm-mitts', name: 'Insulated mitts', group: 'hands', role: 'warm', fibre: 'synthetic fill', cut: 'glove', mm: 14, gm2: 480, perm: 3, ret: 34, gap: 3, mass: 190, handForm: 'mitten', filled: true, waterResistance: 0.8, order: 62, price: 90 }),
  garment({ id: 'hand-warmers', name: 'Hand warmers', group: 'hands', role: 'heater', fibre: 'polyester', cut: 'handWarmer', mm: 6, gm2: 2600, perm: 20, ret: 60, gap: 0.5, mass: 54, heatW: 4, heatHours: 10, price: 2 }),
  garment({ id: 'bar-covers', suits: ['ride'], name: 'Bar covers', group: 'hands', role: 'over', fibre: 'polyester', cut: 'glove', mm: 5, gm2: 350, perm: 2, ret: 26, gap: 15, mass: 320, handForm: 'mitten', waterResistance: 0.9, price: 60 }),
];

// prettier-ignore
export const FOOT_GARMENTS = [
  garment({ id: 'thin-socks', name: 'Thin socks', group: 'feet', role: 'base', fibre: 'polyester', cut: 'sock', mm: 1.2, gm2: 220, perm: 500, ret: 5, gap: 0.3, mass: 45, price: 12 }),
  garment({ id: 'wool-socks', name: 'Wool socks', group: 'feet', role: 'base', fibre: 'merino', cut: 'kneeSock', mm: 2.8, gm2: 380, perm: 400, ret: 9, gap: 0.3, mass: 92, price: 22 }),
  garment({ id: 'thick-socks', name: 'Thick wool socks', group: 'feet', role: 'mid', fibre: 'wool', cut: 'kneeSock', mm: 4.5, gm2: 560, perm: 350, ret: 13, gap: 0.3, mass: 140, order: 20, price: 28 }),
  garment({ id: 'liner-socks', name: 'Liner socks', group: 'feet', role: 'liner', fibre: 'polypropylene', cut: 'sock', mm: 0.7, gm2: 130, perm: 700, ret: 4, gap: 0.2, mass: 28, order: 7, price: 12 }),
  garment({ id: 'barrier-socks', name: 'Barrier socks', group: 'feet', role: 'liner', fibre: 'nylon', cut: 'sock', mm: 0.1, gm2: 70, perm: 0, ret: 600, gap: 0.2, mass: 30, order: 8, waterResistance: 1, price: 18 }),
  garment({ id: 'running-shoes', liquidCapacity: 0.6, suits: ['run'], name: 'Running shoes', group: 'feet', role: 'footwear', fibre: 'polyester', cut: 'shoe', mm: 3, gm2: 900, perm: 150, ret: 20, gap: 0.8, mass: 640, waterResistance: 0.2, tightness: 0.2, price: 120 }),
  garment({ id: 'winter-running-shoes', liquidCapacity: 0.6, suits: ['run', 'hike'], name: 'Membrane running shoes', group: 'feet', role: 'footwear', fibre: 'polyester', cut: 'shoe', mm: 3.5, gm2: 1000, perm: 2, ret: 45, gap: 0.8, mass: 720, waterResistance: 0.9, tightness: 0.18, price: 150 }),
  garment({ id: 'nordic-boots', liquidCapacity: 0.5, suits: ['nordic'], name: 'Nordic ski boots', group: 'feet', role: 'footwear', fibre: 'polyester', cut: 'boot', mm: 6, gm2: 1400, perm: 3, ret: 60, gap: 1, mass: 980, waterResistance: 0.8, tightness: 0.15, price: 160 }),
  garment({ id: 'touring-boots', liquidCapacity: 0.3, suits: ['tour'], name: 'Ski touring boots', group: 'feet', role: 'footwear', fibre: 'synthetic fill', cut: 'boot', mm: 11, gm2: 2600, perm: 0.5, ret: 150, gap: 1, mass: 2700, waterResistance: 1, tightness: 0.25, price: 480 }),
  garment({ id: 'winter-boots', suits: ['hike'], name: 'Insulated hiking boots', group: 'feet', role: 'footwear', fibre: 'leather', cut: 'boot', mm: 15, gm2: 1900, perm: 1, ret: 80, gap: 1, mass: 1500, waterResistance: 0.9, tightness: 0.12, price: 210 }),
  garment({ id: 'riding-shoes', liquidCapacity: 0.5, suits: ['ride'], name: 'Winter riding shoes', group: 'feet', role: 'footwear', fibre: 'synthetic fill', cut: 'boot', mm: 6, gm2: 1500, perm: 2, ret: 70, gap: 0.8, mass: 1050, waterResistance: 0.8, tightness: 0.18, price: 230 }),
  garment({ id: 'overshoes', suits: ['ride'], name: 'Foam overshoes', group: 'feet', role: 'over', fibre: 'rubber', cut: 'overboot', mm: 4, gm2: 700, perm: 0.5, ret: 120, gap: 1, mass: 240, waterResistance: 0.9, changeSeconds: 60, overBoots: true, price: 55 }),
  garment({ id: 'toe-warmers', name: 'Toe warmers', group: 'feet', role: 'heater', fibre: 'polyester', cut: 'toeWarmer', mm: 3, gm2: 1500, perm: 20, ret: 60, gap: 0.3, mass: 36, heatW: 2.4, heatHours: 6, order: 15, price: 2 }),
  garment({ id: 'gaiters', suits: ['hike', 'tour'], name: 'Gaiters', group: 'feet', role: 'shell', fibre: 'nylon', cut: 'gaiter', mm: 0.4, gm2: 150, perm: 4, ret: 10, gap: 3, mass: 180, waterResistance: 0.8, order: 66, changeSeconds: 50, overBoots: true, panels: CUT.gaiter, price: 50 }),
];
