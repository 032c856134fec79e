import { CUT, OPENING } from './cuts';
import { garment } from './entry';

/**
 * Torso garments of a generic kind. Typical physical values for their class, from memory of textile tables and our own
 * rulers: thickness under light pressure, Ret by ISO 11092, permeability by ISO 9237.
 */
const { chestZip, frontZip, lowerZip, pitZips, sleeves, cuffs, collar, hood } = OPENING;

// prettier-ignore
export const TORSO_GARMENTS = [
  garment({ id: 'mesh-base', name: 'Mesh base', group: 'torso', role: 'base', fibre: 'polypropylene', cut: 'longSleeve', mm: 2.6, gm2: 130, perm: 3000, ret: 3, gap: 0.6, mass: 118, openMesh: 0.5, opens: [sleeves], order: 8, price: 55 }),
  garment({ id: 'mesh-wool-base', name: 'Wool mesh base', group: 'torso', role: 'base', fibre: 'merino', cut: 'longSleeve', mm: 2.4, gm2: 150, perm: 2500, ret: 3.5, gap: 0.6, mass: 140, openMesh: 0.4, opens: [sleeves], order: 8, price: 90 }),
  garment({ id: 'thin-synthetic-base', name: 'Thin synthetic base', group: 'torso', role: 'base', fibre: 'polyester', cut: 'longSleeve', mm: 0.8, gm2: 120, perm: 900, ret: 3.5, gap: 0.7, mass: 125, opens: [chestZip, sleeves], price: 45 }),
  garment({ id: 'thin-merino-base', name: 'Thin merino base', group: 'torso', role: 'base', fibre: 'merino', cut: 'longSleeve', mm: 0.9, gm2: 160, perm: 700, ret: 4, gap: 0.7, mass: 170, opens: [sleeves], price: 80 }),
  garment({ id: 'midweight-merino-base', name: 'Midweight merino base', group: 'torso', role: 'base', fibre: 'merino', cut: 'halfZipTop', mm: 1.5, gm2: 240, perm: 450, ret: 5.5, gap: 0.8, mass: 260, opens: [chestZip, sleeves], price: 100 }),
  garment({ id: 'cotton-tee', name: 'Cotton shirt', group: 'torso', role: 'base', fibre: 'cotton', cut: 'longSleeve', mm: 0.8, gm2: 170, perm: 500, ret: 5, gap: 1.2, mass: 210, opens: [sleeves], price: 15 }),
  garment({ id: 'synthetic-tee', name: 'Synthetic tee', group: 'torso', role: 'base', fibre: 'polyester', cut: 'tee', mm: 0.7, gm2: 110, perm: 900, ret: 3.5, gap: 1.2, mass: 95, price: 25 }),
  garment({ id: 'grid-fleece', name: 'Grid fleece', group: 'torso', role: 'mid', fibre: 'polyester', cut: 'halfZipTop', mm: 3.0, gm2: 200, perm: 520, ret: 7, gap: 1.5, mass: 268, opens: [chestZip, sleeves], price: 85 }),
  garment({ id: 'thin-fleece', name: 'Thin fleece', group: 'torso', role: 'mid', fibre: 'polyester', cut: 'halfZipTop', mm: 2.0, gm2: 160, perm: 600, ret: 6, gap: 1.5, mass: 210, opens: [chestZip, sleeves], price: 45 }),
  garment({ id: 'pile-fleece', name: 'Pile fleece', group: 'torso', role: 'mid', fibre: 'polyester', cut: 'jacket', mm: 6.2, gm2: 290, perm: 700, ret: 13, gap: 2, mass: 380, opens: [frontZip, sleeves], order: 35, price: 95 }),
  garment({ id: 'wool-pullover', name: 'Wool pullover', group: 'torso', role: 'mid', fibre: 'wool', cut: 'longSleeve', mm: 4.5, gm2: 380, perm: 500, ret: 11, gap: 2, mass: 480, opens: [sleeves, collar], order: 35, price: 70 }),
  garment({ id: 'active-vest', name: 'Active insulated vest', group: 'torso', role: 'mid', fibre: 'synthetic fill', cut: 'vest', mm: 8, gm2: 150, perm: 90, ret: 13, gap: 2, mass: 190, filled: true, opens: [frontZip], order: 40, price: 110 }),
  garment({ id: 'active-jacket', name: 'Active insulated jacket', group: 'torso', role: 'mid', fibre: 'synthetic fill', cut: 'jacket', mm: 7, gm2: 150, perm: 120, ret: 12, gap: 2.5, mass: 320, filled: true, opens: [frontZip], order: 40, price: 160 }),
  garment({ id: 'wind-shell', name: 'Wind shell', group: 'torso', role: 'shell', fibre: 'nylon', cut: 'hoodedJacket', mm: 0.15, gm2: 55, perm: 8, ret: 5, gap: 3.5, mass: 140, waterResistance: 0.5, liquidCapacity: 0.35, opens: [frontZip, hood, sleeves], price: 95 }),
  garment({ id: 'wind-shell-pits', name: 'Wind shell, pit zips', group: 'torso', role: 'shell', fibre: 'nylon', cut: 'hoodedJacket', mm: 0.2, gm2: 80, perm: 5, ret: 6, gap: 4, mass: 214, waterResistance: 0.55, liquidCapacity: 0.35, opens: [frontZip, pitZips, hood], price: 140 }),
  garment({ id: 'wind-vest', name: 'Wind vest', group: 'torso', role: 'shell', fibre: 'nylon', cut: 'vest', mm: 0.15, gm2: 55, perm: 10, ret: 5, gap: 3, mass: 75, waterResistance: 0.5, liquidCapacity: 0.35, opens: [frontZip], price: 60 }),
  garment({ id: 'lined-windshell', name: 'Lined windproof shell', group: 'torso', role: 'shell', fibre: 'polyester', cut: 'jacket', mm: 1.4, gm2: 170, perm: 6, ret: 9, gap: 2.5, mass: 260, waterResistance: 0.5, opens: [frontZip, sleeves], price: 90 }),
  garment({ id: 'soft-shell', name: 'Soft shell', group: 'torso', role: 'shell', fibre: 'nylon', cut: 'hoodedJacket', mm: 0.9, gm2: 190, perm: 40, ret: 8, gap: 3, mass: 430, waterResistance: 0.6, opens: [frontZip, pitZips, hood, cuffs], price: 150 }),
  garment({ id: 'lined-soft-shell', name: 'Lined soft shell', group: 'torso', role: 'shell', fibre: 'polyester', cut: 'hoodedJacket', mm: 2.6, gm2: 280, perm: 60, ret: 10, gap: 1.5, mass: 520, waterResistance: 0.55, opens: [frontZip, pitZips, hood], price: 180 }),
  garment({ id: 'front-wind-jacket', name: 'Ski jacket, windproof front', group: 'torso', role: 'shell', fibre: 'polyester', cut: 'jacket', mm: 1.1, gm2: 170, perm: 350, ret: 5.5, gap: 2, mass: 290, waterResistance: 0.3, opens: [frontZip], panels: { ...CUT.jacket, chest: { coverage: 1, airPermeability: 5, ret: 9 }, arms: { coverage: 1, airPermeability: 60, ret: 7 } }, price: 130 }),
  garment({ id: 'storm-shell', name: 'Storm shell, membrane', group: 'torso', role: 'storm', fibre: 'nylon', cut: 'hoodedJacket', mm: 0.4, gm2: 130, perm: 0.3, ret: 12, gap: 5, mass: 386, waterResistance: 1, membrane: true, liquidCapacity: 0.3, opens: [frontZip, pitZips, hood, lowerZip], price: 260 }),
  garment({ id: 'light-rain-shell', name: 'Light rain shell', group: 'torso', role: 'storm', fibre: 'nylon', cut: 'hoodedJacket', mm: 0.25, gm2: 90, perm: 0.5, ret: 20, gap: 4.5, mass: 210, waterResistance: 1, membrane: true, liquidCapacity: 0.25, opens: [frontZip, hood], price: 120 }),
  garment({ id: 'standby-puffy', name: 'Standby puffy', group: 'torso', role: 'warm', fibre: 'synthetic fill', cut: 'hoodedJacket', mm: 22, gm2: 230, perm: 4, ret: 32, gap: 4, mass: 460, filled: true, waterResistance: 0.6, opens: [frontZip, hood, lowerZip], price: 180 }),
  garment({ id: 'down-puffy', name: 'Down puffy', group: 'torso', role: 'warm', fibre: 'down', cut: 'hoodedJacket', mm: 30, gm2: 180, perm: 3, ret: 34, gap: 4, mass: 380, filled: true, waterResistance: 0.35, opens: [frontZip, hood], price: 240 }),
  garment({ id: 'belay-parka', name: 'Big parka', group: 'torso', role: 'warm', fibre: 'synthetic fill', cut: 'longJacket', mm: 38, gm2: 330, perm: 2, ret: 48, gap: 5, mass: 860, filled: true, waterResistance: 0.7, opens: [frontZip, hood, lowerZip], order: 75, price: 320 }),
];
