/** Parts of the body that people are asked about, and the words they answer with, coldest first: on the phone and in what is learned. */
export const PARTS = ['torso', 'hands', 'feet', 'face'] as const;
export type Part = (typeof PARTS)[number];
export const FELT = ['cold', 'cool', 'fine', 'warm', 'hot'] as const;
export type Felt = (typeof FELT)[number];
