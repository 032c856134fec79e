import type { Group } from '@/core/clothing/garment';
import type { Finding, FindingKind } from './findings';
import type { Scored } from './scorePlan';

/** What may give out first, as one says it. */
export type BodyPart = 'torso' | 'face' | 'head' | 'hands' | 'limbs' | 'feet';

/** Which part of the body a finding of cold is about: what other clothes could mend. */
const COLD: Partial<Record<FindingKind, BodyPart>> = {
  face: 'face',
  exposure: 'face',
  head: 'head',
  fingers: 'hands',
  limbs: 'limbs',
  toes: 'feet',
  'core cold': 'torso',
  'torso cold': 'torso',
  'felt cold': 'torso',
  'heat debt': 'torso',
  'after-chill': 'torso',
  shivering: 'torso',
};
/** Which findings say that the clothes are too much. */
const HOT: ReadonlySet<FindingKind> = new Set(['too hot', 'overheated', 'wet layers', 'soaked base']);
/** Which pieces clothe a part. */
export const CLOTHES_OF: Record<BodyPart, readonly Group[]> = {
  torso: ['torso'],
  face: ['face', 'eyes'],
  head: ['head', 'face'],
  hands: ['hands'],
  limbs: ['legs', 'torso'],
  feet: ['feet'],
};

/** A weak point or worse. */
const isGrave = (f: Finding): boolean => f.severity >= 2;
export const isCold = (f: Finding): boolean => COLD[f.kind] !== undefined;
export const isHot = (f: Finding): boolean => HOT.has(f.kind);
/** The part a finding of cold is about; the torso for any other. */
export const partOf = (f: Finding): BodyPart => COLD[f.kind] ?? 'torso';

type Found = Pick<Scored, 'findings'>;
/** The gravest weak point that is about cold; undefined: nothing gets too cold. */
export const coldIn = (s: Found): Finding | undefined => s.findings.find((f) => isGrave(f) && isCold(f));
export const hotIn = (s: Found): Finding | undefined => s.findings.find((f) => isGrave(f) && isHot(f));

/** How grave the worst is that other clothes could mend: 0 nothing, 1 a note, 2 a weak point, 3 not safe. */
export const clothesGravity = (s: Found): number =>
  s.findings.reduce((n, f) => (isCold(f) || isHot(f) ? Math.max(n, f.severity) : n), 0);

/** Of two runs the one whose clothes hold better: fewer grave faults first, then by cost with so many points to spare. */
export function holdsBetter(b: Scored, a: Scored, byPoints = 1e-9): boolean {
  const [gb, ga] = [Math.max(1, clothesGravity(b)), Math.max(1, clothesGravity(a))];
  return gb < ga || (gb === ga && b.total < a.total - byPoints);
}
