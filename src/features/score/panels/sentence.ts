/** The same words with a capital at the beginning. */
export const sentence = (s: string): string => s[0].toUpperCase() + s.slice(1);
