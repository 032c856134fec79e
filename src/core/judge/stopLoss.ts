import { bodyArea, type Person } from '@/core/body/person';

/** Specific heat of the body, Wh/kgK (0.97; Gagge), and the share of it that is as warm as the core in a working body. */
const WH_PER_KG_K = 0.97;
const CORE_SHARE = 0.7;

/** The body at a moment: heat lost since the start, Wh/m², and core, °C. */
interface Body {
  debtWhM2: number;
  coreC: number;
}

/**
 * What a stop has cost by now, Wh/m²: heat lost since arriving, less what a core hot from work gives back of itself as it comes
 * to rest. A working skin is cool already, so that its further fall says little; the heat does (ISO 11079 ends exposure at 40).
 */
export function stopLoss(arrived: Body, now: Body, person: Person): number {
  const coolsK = Math.max(0, arrived.coreC - now.coreC);
  const own = (coolsK * CORE_SHARE * WH_PER_KG_K * person.massKg) / bodyArea(person);
  return Math.max(0, now.debtWhM2 - arrived.debtWhM2 - own);
}
