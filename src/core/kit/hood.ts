import type { Garment } from '@/core/clothing/garment';
import type { Plan } from './plan';
import { settingAt } from './replay';

/** Whether a hood is up as one sets out: the head is then not bare. @param worn pieces worn from the start */
export const hoodIsUp = (plan: Plan, worn: readonly Garment[]): boolean =>
  worn.some((g) => g.openings.some((o) => o.kind === 'hood' && settingAt(plan, g, o.id, 0) < 1));
