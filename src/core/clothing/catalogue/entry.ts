import { FIBRES, type Fibre } from '@/core/clothing/fibres';
import type { Garment, Group, Opening, Role } from '@/core/clothing/garment';
import { CUT, type CutName } from './cuts';

/** The columns a catalogue row must give; the rest has sensible defaults by fibre and role. */
export interface Entry extends Partial<
  Omit<Garment, 'id' | 'name' | 'group' | 'role' | 'fibre' | 'openings' | 'panels'>
> {
  id: string;
  name: string;
  group: Group;
  role: Role;
  fibre: Fibre;
  cut: CutName;
  mm: number;
  gm2: number;
  /** mm/s at 100 Pa */
  perm: number;
  ret: number;
  gap: number;
  mass: number;
  opens?: Opening[];
  panels?: Garment['panels'];
}

const ORDER: Record<Role, number> = {
  short: 5,
  lens: 80,
  heater: 12,
  liner: 10,
  base: 10,
  mid: 30,
  shell: 50,
  storm: 60,
  warm: 70,
  footwear: 60,
  over: 80,
};

/** Seconds to change standing, by role (engineering values). Layers need a stop; footwear needs a seat. */
const CHANGE_SECONDS: Record<Role, number> = {
  short: 120,
  lens: 8,
  heater: 30,
  liner: 15,
  base: 120,
  mid: 60,
  shell: 40,
  storm: 50,
  warm: 40,
  footwear: 180,
  over: 30,
};

/** What hands wear goes on and off faster than a layer of the same role. */
const HAND_SECONDS = 15;

function changeSeconds(group: Group, role: Role): number {
  if (group === 'legs' && role !== 'over') return 150;
  if (group === 'hands' && role !== 'over' && role !== 'heater') return HAND_SECONDS;
  return CHANGE_SECONDS[role];
}

/** Fills a catalogue row to a whole garment. */
export function garment(e: Entry): Garment {
  const fibre = FIBRES[e.fibre];
  const { cut, mm, gm2, perm, ret, gap, mass, opens, panels, ...rest } = e;
  return {
    order: ORDER[e.role],
    liquidCapacity: fibre.liquidCapacity,
    wicking: fibre.wicking,
    openMesh: 0,
    waterResistance: 0,
    membrane: false,
    filled: false,
    tightness: 0,
    mouthCover: 0,
    packedL: Math.max(0.1, (mass / 1000) * (e.filled ? 12 : 5)),
    price: 40,
    suits: [],
    changeSeconds: changeSeconds(e.group, e.role),
    overBoots: e.group !== 'legs' && e.group !== 'feet',
    ...rest,
    thicknessMm: mm,
    weightGm2: gm2,
    airPermeability: perm,
    ret,
    gapMm: gap,
    massG: mass,
    openings: opens ?? [],
    panels: panels ?? CUT[cut],
  };
}
