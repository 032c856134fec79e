import { checkGarment, type Garment } from '@/core/clothing/garment';
import { EYE_GARMENTS, FACE_GARMENTS, HEAD_GARMENTS } from './head';
import { FOOT_GARMENTS, HAND_GARMENTS, LEG_GARMENTS } from './limbs';
import { TORSO_GARMENTS } from './torso';

/** The generic catalogue: invented garments of common classes, skin out within each group. */
export const CATALOGUE: readonly Garment[] = [
  ...HEAD_GARMENTS,
  ...EYE_GARMENTS,
  ...FACE_GARMENTS,
  ...TORSO_GARMENTS,
  ...HAND_GARMENTS,
  ...LEG_GARMENTS,
  ...FOOT_GARMENTS,
].map(checkGarment);

const BY_ID = new Map(CATALOGUE.map((g) => [g.id, g]));

export function fromCatalogue(id: string): Garment | undefined {
  return BY_ID.get(id);
}
