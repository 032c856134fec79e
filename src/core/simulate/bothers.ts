import type { GarmentArrays } from '@/core/clothing/garmentArrays';
import { isCamp, isIndoors, type Sport } from '@/core/effort/sports';

/**
 * What bothers where it is left on in such a place, 0–1 by garment: under a roof what is worn outdoors, in camp and asleep a helmet. Null: nothing does.
 */
export const bothersIn = ({ coat, camp }: Pick<GarmentArrays, 'coat' | 'camp'>, sport: Sport): Float64Array | null =>
  isIndoors(sport) ? coat : isCamp(sport) ? camp : null;
