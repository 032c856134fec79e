/**
 * Limits the verdicts use, each with its source. Skin temperatures °C.
 */
export const LIMIT = {
  /** ISO 11079 annex B (from memory): hand skin 24 comfortable, 15 loss of dexterity; below about 8 numb */
  fingerComfort: 24,
  fingerClumsy: 15,
  fingerNumb: 8,
  toeClumsy: 15,
  toeNumb: 8,
  /** contact and wind-chill literature: skin freezes near −0.6 to −4.8; numb from about 7, painful near 10 */
  facePain: 10,
  faceNumb: 7,
  /** scalp and ears: a head this cold aches (engineering value, beside the 15–24 of hands) */
  scalpCold: 20,
  earPain: 10,
  /** arms and legs below this are felt as cold whatever the torso does (engineering value) */
  limbCold: 19,
  skinFreezing: -0.5,
  /** wettedness felt, and clammy (Gagge; Fukazawa & Havenith, from memory) */
  wetFelt: 0.3,
  wetClammy: 0.5,
  /** share of a base layer's capacity */
  baseDamp: 0.3,
  baseSoaked: 0.7,
  /** water in the worn layers beyond which a stop chills and nothing dries on the body within the hour, g (engineering value) */
  wetLayersG: 300,
  /** share of a mouth cover's capacity that is ice (engineering value) */
  mouthIced: 0.3,
  coreHot: 38.5,
  coreCold: 35.5,
  /** ISO 11079 duration limit: heat debt, Wh/m² */
  heatDebt: 40,
} as const;

/** ISO 10551 perceptual words, −3 to 3. */
export const SENSATION_WORDS = ['very cold', 'cold', 'cool', 'neutral', 'warm', 'hot', 'very hot'] as const;
