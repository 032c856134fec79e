import type { Chance, Chances } from '@/core/questions/chances';

const MOST_SAID = 2;

/** What goes wrong on other days, as there is room for beside the buttons: what is not safe first, then what happens most often. What happened once counts. */
export const oftenSaid = ({ list }: Pick<Chances, 'list'>): Chance[] =>
  list
    .filter((c) => c.share > 0)
    .sort((a, b) => Number(b.kind === 'unsafe') - Number(a.kind === 'unsafe') || b.share - a.share)
    .slice(0, MOST_SAID);

/** The same where none of it happened. */
export const noneSaid = ({ members }: Pick<Chances, 'members'>): string => `no alarm on any of ${members} other days`;
