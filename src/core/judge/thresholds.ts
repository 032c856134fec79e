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

/**
 * Beyond these a plan is not safe, whatever it is otherwise; the places on skin take theirs from LIMIT. Torso skin under what
 * is chilled through at that effort, K; heat debt, Wh/m²; shivering, min; core, °C (engineering values beside ISO 11079's
 * limits for heat debt and the 38.5–39 °C at which guidance on work in heat ends).
 */
export const ALARM = {
  faceC: LIMIT.skinFreezing,
  fingersC: LIMIT.fingerNumb,
  toesC: LIMIT.toeNumb,
  coreLowC: LIMIT.coreCold,
  coreHighC: 39.2,
  torsoMarginK: -3,
  heatDebtWhM2: 1.6 * LIMIT.heatDebt,
  shiverMinutes: 45,
} as const;
/** Beyond these it is a weak point: what the verdict names first when nothing is unsafe. Units as above, water g, votes of sensation. */
export const WEAK = {
  faceC: LIMIT.faceNumb,
  fingersC: LIMIT.fingerClumsy,
  toesC: LIMIT.toeClumsy,
  torsoMarginK: 0,
  heatDebtWhM2: LIMIT.heatDebt,
  shiverMinutes: 10,
  afterChillK: 4,
  waterG: LIMIT.wetLayersG,
  feltHot: 2,
  hotMinutes: 10,
} as const;
/** Shivering at this rate counts by the minute, W. */
export const SHIVERS_W = 60;

/** ISO 10551 perceptual words, −3 to 3. */
export const SENSATION_WORDS = ['very cold', 'cold', 'cool', 'neutral', 'warm', 'hot', 'very hot'] as const;
