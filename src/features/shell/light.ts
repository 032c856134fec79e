/** How the pages look: by itself they follow the machine. The screen for the way has a choice of its own, and glare. */
export const LIGHTS = ['by itself', 'sheet', 'dusk'] as const;
export type Light = (typeof LIGHTS)[number];
/** Kept where the server reads it, so that a page comes in the right colours at once. */
export const LIGHT_COOKIE = 'light';
