import { MAX_LAYERS } from '@/core/clothing/stack';
import { ZONE_COUNT } from '@/core/body/zones';

/**
 * Where everything the integrator touches lies in its one array of numbers.
 *
 * One array and not forty: the engine then keeps its address and length in registers, where each further array costs eight
 * instructions an access. That halves the time of a step. The order is: the step's own numbers, tables and results by zone,
 * records of the dressed layers, and last the state (what `snapshot` copies), whose garment part grows with the arrays.
 */

/**
 * Places are below this. `place & INDEX` changes nothing, but tells the engine that sums of places do not overflow, which
 * saves it two checks an access.
 */
export const INDEX = 0xffffff;

/** The step's own numbers. */
export const DT = 0;
/** 1/DT, 1/s */
export const RATE = 1;
export const AIR_C = 2;
export const AIR_VAPOUR = 3;
/** short-wave taken up less what the sky takes, W/m² of skin */
export const SUN = 4;
/** mean temperature of the central pool over the step, °C */
export const POOL_MEAN = 5;
/** books of the step, whole body: g and J */
export const EVAPORATED = 7;
export const PRODUCED = 8;
export const DRIPPED = 9;
export const FALLEN = 10;
export const TO_FALLEN = 11;
/** heat that all zones so far draw from the central pool: POOL_PER_K for each kelvin of its mean, less POOL_FIXED, W */
export const POOL_FIXED = 12;
export const POOL_PER_K = 13;
const NUMBERS = 16;

/** One value a zone: table of the body, what it wears, what controls it, what the step found. */
const zones = (nth: number): number => NUMBERS + nth * ZONE_COUNT;
export const AREA = zones(0);
export const PER_AREA = zones(1);
/** heat capacities, J/K, and conduction between tissue and skin, W/K */
export const TISSUE_CAPACITY = zones(2);
export const SKIN_CAPACITY = zones(3);
export const CONDUCTION = zones(4);
/** number of layers */
export const LAYERS = zones(5);
/** what the outer surface faces, °C */
export const OUTSIDE_C = zones(6);
/** central to skin and to tissue, W/K; sweat, g/s */
export const SKIN_BLOOD = zones(7);
export const TISSUE_BLOOD = zones(8);
export const SWEAT = zones(9);
export const MUSCLE_W = zones(10);
export const TISSUE_HEAT = zones(11);
/** loss to the air, W/m² */
export const DRY_LOSS = zones(12);
export const EVAPORATIVE_LOSS = zones(13);
/** what falls or is pressed on the outer surface, liquid and snow, g/s m², and how hard it is pressed, 0–1 */
export const FALL_LIQUID = zones(14);
export const FALL_SNOW = zones(15);
export const PRESSED = zones(16);
/** snow in contact that melts per kelvin of the surface above 0 °C, g/(s m² K) */
export const MELTS = zones(17);
/** what runs down onto the zone from above, g/s m² */
export const RUNS_DOWN = zones(18);
/** mean skin over the step, °C */
export const SKIN_MEAN = zones(19);
/** means of tissue and skin over the step: so much, °C, and so much for each kelvin of the pool's mean */
export const TISSUE_FIXED = zones(20);
export const TISSUE_PER_POOL = zones(21);
export const SKIN_FIXED = zones(22);
export const SKIN_PER_POOL = zones(23);
/** whole change of tissue and skin over the change to that mean, 1 to 2 */
export const TISSUE_WHOLE = zones(24);
export const SKIN_WHOLE = zones(25);
/** outermost link, W/(m² K) */
export const TO_AIR = zones(26);
/** what the controller goes by: skin as it will be in the middle of the step, °C */
export const SKIN_AHEAD = zones(27);
/** film of sweat as it is while the step lasts, share of a full one; more than 1 where it is thicker */
export const FILM_SHARE = zones(28);
/** liquid that the innermost layer gave to the skin in the last step, g/(m² s) */
export const GIVES = zones(29);
/** 1 when a layer of the zone holds free liquid or ice */
export const WET_LAYERS = zones(30);

/**
 * One record a layer, `NODES + (zone · NODES_A_ZONE + k) · RECORD`: k = 0 the skin, 1 to n the layers, n + 1 the air.
 * Resistances m²K/W, conductances W/m²K, their vapour twins s m² Pa/g and g/(s m² Pa), water g/m².
 */
export const NODES = zones(31);
export const NODES_A_ZONE = MAX_LAYERS + 2;
export const RECORD = 41;
/** place of the layer in arrays over garments and zones, garment · ZONE_COUNT + zone */
export const PLACE = 0;
export const HEAT = 1;
export const SORB = 2;
export const PER_SORB = 3;
export const LIQUID = 4;
export const PER_LIQUID = 5;
/** rise of the cloth's conductance with each g/m² of liquid */
export const BRIDGES = 6;
/** inside and outside the node's water, and of the gap beneath it */
export const R_IN = 7;
export const R_OUT = 8;
export const R_GAP = 9;
export const THROUGH = 10;
/** link beneath while all is dry */
export const DRY_LINK = 11;
export const VENT_HEAT = 12;
export const SOURCE = 13;
export const V_IN = 14;
export const V_OUT = 15;
export const V_GAP = 16;
export const THROUGH_VAPOUR = 17;
/** vapour link beneath while nothing is frozen */
export const CLEAR_LINK = 18;
export const VENT_VAPOUR = 19;
/** liquid to the next layer out per difference of filling, and from the skin's film, g/s m² */
export const WICK_OUT = 20;
export const WICK_SKIN = 21;
/** share of what meets the cloth that it keeps off */
export const WATER_RESISTANCE = 22;
/** working values: elimination, links to what lies outside, pressure, saturation, inflow, filling, 1 while saturated */
export const UPPER = 23;
export const RIGHT = 24;
export const VAPOUR_LINK = 25;
export const PRESSURE = 26;
export const SATURATION = 27;
export const INFLOW = 28;
export const HELD = 29;
/** share of loft, and of the air beneath, lost when full of liquid */
export const COLLAPSE = 31;
export const CLING = 32;
/** working value: water over the humidity it is in balance with, g/m² */
export const PER_HUMIDITY = 33;
/** share of the liquid on its inside that cannot cross the layer: 1 for a membrane or a barrier */
export const HOLDS_BACK = 34;
/** share of what falls on the layer that meets its cloth; the rest goes past it */
export const SHIELDS = 35;
/** temperature of the layer at which its ice melts, °C: 0, but more where breath freezes at the cold side of a mouth cover */
export const MELTS_AT = 36;
/** working values: mean temperature over the step, °C, and the whole change over the change to that mean, 1 to 2 */
export const MEAN_C = 37;
export const WHOLE = 38;
/** liquid that comes into the layer while the step lasts, g/(s m²): what falls on it, what the layers that touch it give, and the breath in what covers the mouth */
export const COMES = 39;
/** working values of a layer that stays at its melting point: what flows in from elsewhere than beneath, W/m², and the link beneath */
export const MELT_FLOW = 40;
export const MELT_LINK = 30;

/**
 * The state. Head: central °C, metabolic and external W, seconds, the heat production the skin is used to, W, how used up
 * shivering muscles are, 1 at their end, carbohydrate left, J, the bare part of the face, °C, and how fast the central pool warms, K/s.
 */
const STATE = NODES + ZONE_COUNT * NODES_A_ZONE * RECORD;
export const CENTRAL = STATE;
export const METABOLIC = STATE + 1;
export const EXTERNAL = STATE + 2;
export const TIME = STATE + 3;
export const HABIT = STATE + 4;
export const FATIGUE = STATE + 5;
export const FUEL = STATE + 6;
export const BARE_FACE = STATE + 7;
export const CENTRAL_RATE = STATE + 8;
const HEAD_LENGTH = 9;
const zoneState = (nth: number): number => STATE + HEAD_LENGTH + nth * ZONE_COUNT;
export const TISSUE = zoneState(0);
export const SKIN = zoneState(1);
export const FILM = zoneState(2);
/** last evaporation from the skin, g/s m², its slope per K, and latent heat still owed, J/m² */
export const SKIN_EVAPORATION = zoneState(3);
export const SKIN_SLOPE = zoneState(4);
export const SKIN_OWED = zoneState(5);
/** skin wettedness of the last step, 0–1: what the feet's sweating reads */
export const WETNESS = zoneState(6);
/** how fast skin warmed in the last step, K/s */
export const SKIN_RATE = zoneState(7);
/** where the arrays over garments begin */
export const GARMENTS = zoneState(8);
