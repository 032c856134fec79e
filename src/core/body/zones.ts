/**
 * The zones of the body: the table of the model.
 *
 * Eleven zones lumped from the 17-segment set of the multi-node models (Tanabe 65MN 2002, JOS-3 2021), for a person of
 * 1.87 m² and 74.4 kg. Hands and feet carry an extremity node of their own (fingers, toes) with the same clothing but
 * more curvature and less blood, and the part of the back on which a pack lies is a column of its own, because skin that is
 * covered and skin that is open differ in temperature and wetness: the integrator has fourteen columns.
 */
export type Zone =
  | 'scalp'
  | 'face'
  | 'neck'
  | 'chest'
  | 'back'
  | 'underPack'
  | 'pelvis'
  | 'arms'
  | 'hands'
  | 'fingers'
  | 'thighs'
  | 'calves'
  | 'feet'
  | 'toes';

export const ZONES: readonly Zone[] = [
  'scalp',
  'face',
  'neck',
  'chest',
  'back',
  'underPack',
  'pelvis',
  'arms',
  'hands',
  'fingers',
  'thighs',
  'calves',
  'feet',
  'toes',
];
export const ZONE_COUNT = 14;
/** The zones that clothes are made for: what is worn on the back is worn under a pack as well. */
export type ClothedZone = Exclude<Zone, 'underPack'>;
export const CLOTHED_ZONES: readonly ClothedZone[] = ZONES.filter((z) => z !== 'underPack');
/** What a zone is dressed like. */
export const clothedAs = (z: Zone): ClothedZone => (z === 'underPack' ? 'back' : z);
export const TORSO: readonly Zone[] = ['chest', 'back', 'underPack', 'pelvis'];
export const zoneIndex = (z: Zone): number => ZONES.indexOf(z);

export interface ZoneRow {
  zone: Zone;
  /** skin area, m², of the reference person. 65MN/JOS-3 areas; fingers are 45 % of the hand, toes 28 % of the foot. */
  areaM2: number;
  /** heat capacity of the tissue under the skin (muscle and fat), Wh/K. Stolwijk 1971 table, from memory, split by area. */
  tissueWhK: number;
  /** heat capacity of skin, Wh/K. Stolwijk 1971, from memory. */
  skinWhK: number;
  /** conduction tissue to skin, W/m²K. Between Stolwijk's muscle–fat–skin series and the 10–16 of lean people. */
  conductance: number;
  /** resting perfusion and conduction central pool to tissue, W/K: twice Stolwijk's muscle flow × 1.163 Wh/LK in the large
   * muscles, towards the 2–3 ml per 100 g and minute measured since. */
  perfusionWK: number;
  /**
   * resting skin blood flow, L/h. Stolwijk 1971 (head 1.44, trunk 2.1, arms 0.5, hands 2.0, legs 2.85, feet 3.0); the scalp's is
   * what a bare head's measured loss asks for, and hardly closes in the cold (Froese & Burton 1957).
   */
  skinFlowLh: number;
  /** share of sweat drive, dilation, constriction; weight as skin thermoreceptor. 65MN 2002 tables, from memory. */
  sweat: number;
  dilate: number;
  constrict: number;
  sensor: number;
  /** counter-current exchange conductance, W/K: warms returning blood, starves the extremity when flow is small. */
  counterCurrentWK: number;
  /** mean radius of curvature, mm, for the insulation of a bent layer. Anthropometric, engineering value. */
  radiusMm: number;
  /** convection relative to the whole-body mean: small cylinders and the face lose more. */
  convection: number;
}

/** The columns of the table below, in order. */
const COLUMNS = [
  'areaM2',
  'tissueWhK',
  'skinWhK',
  'conductance',
  'perfusionWK',
  'skinFlowLh',
  'sweat',
  'dilate',
  'constrict',
  'sensor',
  'counterCurrentWK',
  'radiusMm',
  'convection',
] as const satisfies readonly (keyof ZoneRow)[];

const row = (zone: Zone, ...values: number[]): ZoneRow =>
  ({ zone, ...Object.fromEntries(COLUMNS.map((c, i) => [c, values[i]])) }) as ZoneRow;

/** Share of the back on which a pack lies (engineering value). */
export const UNDER_PACK = 0.65;
/** What belongs to a zone as a whole is divided with it; the rest is the same in both parts. */
const DIVIDED: readonly (typeof COLUMNS)[number][] = [
  'areaM2',
  'tissueWhK',
  'skinWhK',
  'perfusionWK',
  'skinFlowLh',
  'sweat',
  'dilate',
  'sensor',
];

/** The back in two parts: what stays open behind a pack, and what it lies on. */
const inTwo = (back: ZoneRow): ZoneRow[] =>
  (
    [
      ['back', 1 - UNDER_PACK],
      ['underPack', UNDER_PACK],
    ] as const
  ).map(([zone, share]) => ({ ...back, ...Object.fromEntries(DIVIDED.map((c) => [c, back[c] * share])), zone }));

// prettier-ignore
export const ZONE_TABLE: readonly ZoneRow[] = [
  //   zone       area   tissue skin   cond perf  flow  sweat  dilate constr sensor ccx  radius conv
  row('scalp',   0.075, 0.35,  0.16,  11,  1.9,  3.00, 0.044, 0.080, 0.002, 0.035, 0,   90,   1.00),
  row('face',    0.035, 0.20,  0.08,  14,  1.6,  0.60, 0.025, 0.040, 0.012, 0.035, 0,   80,   1.25),
  row('neck',    0.029, 0.35,  0.07,  13,  0.9,  0.20, 0.016, 0.020, 0.022, 0.010, 0,   60,   1.00),
  row('chest',   0.175, 7.40,  0.44,  13,  5.0,  0.66, 0.146, 0.098, 0.065, 0.145, 0,  150,   0.90),
  ...inTwo(row('back', 0.161, 6.90, 0.41, 13,  4.7,  0.61, 0.129, 0.086, 0.065, 0.130, 0,  150,   0.90)),
  row('pelvis',  0.221, 9.40,  0.56,  12,  6.5,  0.83, 0.206, 0.138, 0.065, 0.206, 0,  150,   0.90),
  row('arms',    0.318, 5.84,  0.60,  16,  3.5,  0.60, 0.154, 0.094, 0.022, 0.070, 0.6, 45,   1.10),
  row('hands',   0.055, 0.21,  0.11,  16,  0.30, 1.00, 0.018, 0.061, 0.152, 0.092, 0.3, 25,   1.30),
  row('fingers', 0.045, 0.12,  0.09,  20,  0.12, 1.00, 0.014, 0.061, 0.152, 0.090, 0.3,  8,   1.80),
  row('thighs',  0.418, 11.90, 0.84,  15,  8.0,  1.85, 0.146, 0.184, 0.022, 0.100, 0.6, 80,   1.00),
  row('calves',  0.224, 5.40,  0.42,  16,  3.5,  1.00, 0.066, 0.046, 0.022, 0.050, 0.7, 55,   1.05),
  row('feet',    0.080, 0.32,  0.18,  16,  0.30, 1.90, 0.026, 0.066, 0.152, 0.024, 0.4, 35,   1.20),
  row('toes',    0.032, 0.10,  0.07,  19,  0.10, 0.90, 0.010, 0.034, 0.152, 0.013, 0.3, 14,   1.30),
];

const BACK = zoneIndex('back');
const LIES_UNDER = zoneIndex('underPack');

/**
 * What is told of a zone: of the back the mean of both its parts by area, since people have one back.
 * @param values of all zones, per m² or a temperature  @param from place of the first zone
 */
export const toldOf = (zone: Zone, values: Float64Array, from = 0): number =>
  zone === 'back'
    ? (1 - UNDER_PACK) * values[from + BACK] + UNDER_PACK * values[from + LIES_UNDER]
    : values[from + zoneIndex(zone)];

/**
 * Arterio-venous shunts of hands, fingers, feet and toes: flow when fully open, L/h (JOS-3: hand 1.71, foot 2.16 each side,
 * from memory, split by area and vessel density). They open with core and mean skin temperature, not with their own.
 */
export const SHUNT_FLOW_LH: Partial<Record<Zone, number>> = { hands: 1.7, fingers: 1.7, feet: 2.6, toes: 1.7 };
/** Nutritive flow left in those zones, L/h. */
export const EXTREMITY_NUTRITIVE_LH = 0.12;
/**
 * Opening of the shunts before any error signal: JOS-3 (after Takemori) opens hands at `0.265 (err_sk + 0.43) + 0.953
 * (err_cr + 0.19) + 0.913` and feet with −1.0 and +0.01 inside the brackets, which comes to these constants (from memory).
 * Clamped to 0–1 when used: at comfort hands stand wide open, feet two thirds.
 */
export const SHUNT_OFFSET: Partial<Record<Zone, number>> = { hands: 1.208, fingers: 1.208, feet: 0.658, toes: 0.658 };

/** Heat capacity of the central pool (viscera, brain, blood), Wh/K: Stolwijk head core 2.57 + trunk core 11.44 + blood 2.6. */
export const CENTRAL_WHK = 16.6;
/** The person the table is for. */
export const REFERENCE_MASS_KG = 74.4;
export const REFERENCE_AREA_M2 = 1.868;
