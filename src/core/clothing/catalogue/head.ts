import { OPENING } from './cuts';
import { garment } from './entry';

/** Head, face and eyes; typical values for generic classes. */
const { tube, helmetVents } = OPENING;

// prettier-ignore
export const HEAD_GARMENTS = [
  garment({ id: 'head-band', name: 'Head band', group: 'head', role: 'liner', fibre: 'polyester', cut: 'band', mm: 2, gm2: 220, perm: 300, ret: 7, gap: 0.5, mass: 30, changeSeconds: 5, price: 18 }),
  garment({ id: 'thin-cap', name: 'Thin cap', group: 'head', role: 'base', fibre: 'polyester', cut: 'cap', mm: 1.1, gm2: 160, perm: 400, ret: 5, gap: 0.6, mass: 38, changeSeconds: 5, price: 22 }),
  garment({ id: 'wind-cap', name: 'Cap, windproof front', group: 'head', role: 'base', fibre: 'polyester', cut: 'cap', mm: 1.8, gm2: 210, perm: 40, ret: 9, gap: 0.6, mass: 52, changeSeconds: 5, price: 30 }),
  garment({ id: 'warm-hat', name: 'Warm hat', group: 'head', role: 'warm', fibre: 'wool', cut: 'cap', mm: 5, gm2: 380, perm: 250, ret: 12, gap: 1, mass: 95, changeSeconds: 5, order: 40, price: 30 }),
  garment({ id: 'balaclava', name: 'Thin balaclava', group: 'head', role: 'liner', fibre: 'merino', cut: 'balaclava', mm: 1.2, gm2: 190, perm: 400, ret: 5, gap: 0.6, mass: 70, mouthCover: 0.3, changeSeconds: 15, price: 35 }),
  garment({ id: 'ski-helmet', suits: ['tour'], liquidCapacity: 0.03, waterResistance: 0.9, name: 'Helmet with vents', group: 'head', role: 'over', fibre: 'synthetic fill', cut: 'helmet', mm: 9, gm2: 2400, perm: 2, ret: 60, gap: 3, mass: 420, opens: [helmetVents], order: 65, changeSeconds: 10, price: 110 }),
  garment({ id: 'cycle-helmet', suits: ['ride'], liquidCapacity: 0.03, waterResistance: 0.4, name: 'Vented riding helmet', group: 'head', role: 'over', fibre: 'synthetic fill', cut: 'helmet', mm: 4, gm2: 1500, perm: 1500, ret: 12, gap: 4, mass: 290, opens: [helmetVents], order: 65, changeSeconds: 10, price: 80 }),
];

// prettier-ignore
export const FACE_GARMENTS = [
  garment({ id: 'neck-tube', name: 'Neck tube', group: 'face', role: 'base', fibre: 'polyester', cut: 'tube', mm: 0.9, gm2: 130, perm: 600, ret: 4, gap: 1, mass: 38, mouthCover: 0.35, opens: [tube], changeSeconds: 5, price: 15 }),
  garment({ id: 'fleece-tube', name: 'Fleece tube', group: 'face', role: 'base', fibre: 'polyester', cut: 'tube', mm: 3, gm2: 220, perm: 400, ret: 8, gap: 1.5, mass: 70, mouthCover: 0.4, opens: [tube], order: 15, changeSeconds: 5, price: 20 }),
  garment({ id: 'vented-mask', name: 'Vented mask', group: 'face', role: 'shell', fibre: 'polyester', cut: 'mask', mm: 2.5, gm2: 280, perm: 20, ret: 14, gap: 2, mass: 60, mouthCover: 0.2, order: 55, changeSeconds: 8, price: 30 }),
  garment({ id: 'nose-strip', name: 'Nose and cheek strip', group: 'face', role: 'liner', fibre: 'cotton', cut: 'noseStrip', mm: 0.6, gm2: 150, perm: 20, ret: 6, gap: 0.1, mass: 3, changeSeconds: 20, price: 5 }),
];

// prettier-ignore
export const EYE_GARMENTS = [
  garment({ id: 'sun-glasses', name: 'Sun glasses', group: 'eyes', role: 'lens', fibre: 'rubber', cut: 'glasses', mm: 2, gm2: 900, perm: 800, ret: 200, gap: 6, mass: 30, changeSeconds: 4, price: 60 }),
  garment({ id: 'goggles', name: 'Goggles', group: 'eyes', role: 'lens', fibre: 'synthetic fill', cut: 'goggles', mm: 6, gm2: 900, perm: 20, ret: 120, gap: 8, mass: 130, changeSeconds: 6, price: 90 }),
];
