/**
 * Limits that verdict, advice, chances and the search read, each with its source: the one table, printed in docs/model.md.
 * Skin temperatures °C.
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
  /** arms and legs this cold are named, and stiff (engineering values beside ISO 11079's 15 °C for dexterity of hands) */
  limbNamed: 13,
  limbStiff: 10,
  skinFreezing: -0.5,
  /** wettedness felt, and clammy (Gagge; Fukazawa & Havenith, from memory) */
  wetFelt: 0.3,
  wetClammy: 0.5,
  /** share of a base layer's capacity */
  baseDamp: 0.3,
  baseSoaked: 0.7,
  /** water in the worn layers beyond which a stop chills and nothing dries on the body within the hour, g (engineering value) */
  wetLayersG: 300,
  /** water on legs and feet that is worth a word, g (engineering value: about what soaked tights hold) */
  wetLegsG: 150,
  /** in air that feels warmer a wet shirt chills nobody, °C (engineering value) */
  wetChillsC: 18,
  /** water in the clothes below which one stays dry, and below which there is hardly any, g (engineering values) */
  staysDryG: 60,
  hardlyWetG: 3,
  /** share of a mouth cover's capacity that is ice (engineering value) */
  mouthIced: 0.3,
  /** eyewear that fogs for longer is worth a word, min (engineering value) */
  fogMinutes: 5,
  coreHot: 38.5,
  coreCold: 35.5,
  /** ISO 11079 duration limit, Wh/m² */
  heatDebt: 40,
  /** heat lost at a stop that is felt, Wh/m² (engineering value: a quarter of ISO 11079's limit) */
  stopLossFelt: 10,
  /** vote of sensation beyond which warmth bothers (engineering value; ISO 10551: 1 warm, 2 hot) */
  feltWarm: 1.2,
  /** vote of sensation that is worth a word (ISO 10551: −1 cool, −2 cold) */
  feltCool: -1.5,
  /** hazard bands of the wind chill index, °C (Environment Canada) */
  chillModerate: -10,
  chillHigh: -28,
  chillVeryHigh: -40,
  chillSevere: -48,
  /** share by which a leg's effort may be cut before it is a weak point (engineering value) */
  slowed: 0.1,
  /** sun below this is night, degrees (civil twilight) */
  darkDeg: -6,
  /** frozen ground: rain at or below this makes ice, °C, from this much fall, mm/h (engineering values) */
  iceC: 0.5,
  iceFallMmH: 0.05,
  /** wind at 10 m that impedes whoever walks against it, and that uproots trees, m/s (Beaufort 8, gale, and 10, storm: World Meteorological Organization) */
  galeMs: 17.2,
  stormMs: 24.5,
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
  stopLossWhM2: 20,
  waterG: LIMIT.wetLayersG,
  feltHot: 2,
  feltCold: -2,
  hotMinutes: 10,
} as const;

/** Shivering up to this goes unnoticed, W; from the other on it is shaking and counts by the minute (engineering values). */
export const SHIVER_FREE_W = 15;
export const SHIVERS_W = 60;

/** The first ten minutes may feel cool and do not count as hot or cold, s: right clothes do (common practice, no published source). */
export const SETTLE_S = 600;
/** The chill of a stop is read in its first twenty minutes, s. */
export const CHILL_S = 1200;
