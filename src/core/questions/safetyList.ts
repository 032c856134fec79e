import { fabricResistance, type Garment } from '@/core/clothing/garment';
import type { PlanInPlace } from './question';

export interface SafetyItem {
  item: string;
  have: boolean;
  /** what is there, or what is missing and why today */
  says: string;
}

/** What should be along on this day, and whether it is. Gear that is not clothing can only be asked for. */
export function safetyList(r: Pick<PlanInPlace, 'timeline' | 'plan'>, have: readonly Garment[]): SafetyItem[] {
  const { timeline, plan } = r;
  const worn = new Set(plan.worn);
  const warm = have.filter((g) => g.role === 'warm' && g.group === 'torso');
  const hands = have.filter((g) => g.group === 'hands' && !worn.has(g.id) && g.role !== 'heater');
  const socks = have.filter(
    (g) => g.group === 'feet' && !worn.has(g.id) && g.role !== 'footwear' && g.role !== 'heater',
  );
  const heat = have.filter((g) => g.heatHours);
  const coldest = Math.min(...timeline.stretches.map((s) => s.airC));
  const names = (list: readonly Garment[]) => list.map((g) => g.name).join(', ');
  const hours = timeline.endS / 3600;
  const warmest = [...warm].sort((a, b) => fabricResistance(b) - fabricResistance(a));
  return [
    {
      item: 'A warm layer for standing still',
      have: warm.length > 0,
      says: warm.length > 0 ? names(warmest) : 'none along; nothing here holds a person who cannot move',
    },
    {
      item: 'Dry gloves or mitts in the pack',
      have: hands.length > 0,
      says: hands.length > 0 ? names(hands) : 'none besides the pair worn',
    },
    {
      item: 'Dry socks in the pack',
      have: socks.length > 0,
      says: socks.length > 0 ? names(socks) : hours > 3 ? 'none along on a day this long' : 'none along; short day',
    },
    {
      item: 'Warmers',
      have: heat.length > 0,
      says:
        heat.length > 0
          ? heat.map((g) => `${g.name}, about ${g.heatHours} h`).join('; ')
          : 'none along: no heat but yours',
    },
    {
      item: 'A light',
      have: false,
      says: `${hours > 2 ? 'a day this long can end in the dark' : 'even a short day can end in the dark'}; not in the closet, see to it`,
    },
    {
      item: 'Drink that does not freeze',
      have: false,
      says:
        coldest < -3
          ? 'a bottle freezes in this air: a flask, or carried against the body'
          : 'warm drink does good; it will not freeze today',
    },
    { item: 'A way to call for help', have: false, says: 'charged and kept warm against the body' },
    { item: 'Somebody who knows', have: false, says: 'where you go and when you are due' },
  ];
}
