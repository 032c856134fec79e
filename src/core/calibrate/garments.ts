import { GARMENT_RANGE, type Garment } from '@/core/clothing/garment';
import { exp } from '@/core/quantity/exact';
import { EIGHT_IN_TEN } from '@/core/quantity/normal';
import { clamp } from '@/core/quantity/range';

/** One number that is learned, as a normal distribution of its logarithm. */
export interface Factor {
  mean: number;
  sd: number;
}
export const FACTORS = ['loft', 'wets'] as const;
export type FactorName = (typeof FACTORS)[number];

/** What outings taught of one piece: how thick it is beside its numbers, and how wet it comes home beside what is worked out. */
export interface GarmentLearned extends Record<FactorName, Factor> {
  /** outings it rests on */
  outings: number;
}

/**
 * How far a piece may be from its numbers, one standard deviation of the logarithm: thickness is measured by hand and wears down; water
 * by one cloth differs from that of its fibre (engineering values).
 */
export const FACTOR_SD: Record<FactorName, number> = { loft: 0.15, wets: 0.2 };

/** Pieces by what was learned of them; those not in it are as their numbers say. */
export type GarmentsLearned = Record<string, GarmentLearned>;

const UNKNOWN: GarmentLearned = {
  loft: { mean: 0, sd: FACTOR_SD.loft },
  wets: { mean: 0, sd: FACTOR_SD.wets },
  outings: 0,
};
export const garmentKnown = (known: GarmentsLearned | undefined, id: string): GarmentLearned => known?.[id] ?? UNKNOWN;

/** A piece with its cloth so much thicker (over 0) or thinner, as a logarithm; within what a garment may be. */
export function withLoft(g: Garment, loft: number): Garment {
  if (loft === 0) return g;
  const thicker = (mm: number) => clamp(mm * exp(loft), GARMENT_RANGE.thicknessMm[0], GARMENT_RANGE.thicknessMm[1]);
  const panels = Object.fromEntries(
    Object.entries(g.panels).map(([zone, p]) => [
      zone,
      p.thicknessMm === undefined ? p : { ...p, thicknessMm: thicker(p.thicknessMm) },
    ]),
  );
  return { ...g, thicknessMm: thicker(g.thicknessMm), panels };
}

/** A closet as outings found it. */
export const closetAs = (closet: readonly Garment[], known: GarmentsLearned | undefined): readonly Garment[] =>
  known ? closet.map((g) => withLoft(g, garmentKnown(known, g.id).loft.mean)) : closet;

const percent = (v: number): number => Math.round(100 * (exp(v) - 1));

/**
 * What a piece does not deliver, in words, where eight in ten say so: `18 % thinner than its numbers say, 5 to 30 %`; null: nothing that
 * clear.
 */
export function garmentWords(known: GarmentLearned): string | null {
  const says: string[] = [];
  for (const name of FACTORS) {
    const { mean, sd } = known[name];
    const reach = EIGHT_IN_TEN * sd;
    if (Math.abs(mean) <= reach) continue;
    const [a, b] = [Math.abs(percent(mean - reach)), Math.abs(percent(mean + reach))].sort((x, y) => x - y);
    const what =
      name === 'loft'
        ? mean > 0
          ? 'warmer than its thickness says'
          : 'less warm than its thickness says'
        : mean > 0
          ? 'wetter home than worked out'
          : 'drier home than worked out';
    says.push(`${Math.abs(percent(mean))} % ${what}, ${a} to ${b} %`);
  }
  return says.length > 0 ? says.join('; ') : null;
}
