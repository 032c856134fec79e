import { LATENT_VAPOUR } from '@/core/quantity/units';

/**
 * The film of liquid sweat on the skin.
 *
 * Skin wettedness is 0.06 by diffusion through dry skin (Gagge), rising with the film to 1. Part of the sweat,
 * `w²/2`, runs off before it evaporates (evaporative efficiency 1 − w²/2, ISO 7933) into what touches the skin, or drips.
 */
export const DRY_WETTEDNESS = 0.06;
/**
 * Vapour conductance of dry skin, g/(s m² Pa): Fanger's diffusion term 3.05e-3 W/m²Pa over the latent heat. It lies in
 * series with whatever is worn, so dry skin under thin cloth does not lose more than dry skin can.
 */
export const DRY_SKIN_CONDUCTANCE = 3.05e-3 / LATENT_VAPOUR;
/** Film at which the skin is fully wet, g/m² (about 0.035 mm; from memory of Gagge and Havenith's estimates). */
export const FULL_FILM = 35;
/** Film beyond which it runs off bare skin, g/m². */
export const DRIP_FILM = 60;

/** A film wicks into cloth as one so many times a full one does, at most (engineering value). */
export const MOST_SHARE = 1.5;

/** Time constants of liquid transport, s: skin to touching cloth, and cloth to touching cloth (engineering values). */
export const WICK_SKIN_S = 90;
export const WICK_CLOTH_S = 300;
