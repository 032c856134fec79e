export type BookKey =
  | 'before'
  | 'after'
  | 'month before'
  | 'month after'
  | 'wrong'
  | 'open'
  | 'stretch'
  | 'find'
  | 'print'
  | 'help'
  | 'all'
  | 'going'
  | 'feeling';

interface KeyRow {
  does: BookKey;
  keys: string;
  /** the same on other keyboards */
  also?: string;
  shown: string;
  says: string;
}

/** The one table of keys of the book: what is listened to, and what the help lists. */
export const BOOK_KEYS: readonly KeyRow[] = [
  { does: 'before', keys: 'arrowleft', shown: '←', says: 'the day before' },
  { does: 'after', keys: 'arrowright', shown: '→', says: 'the day after' },
  { does: 'month before', keys: 'shift+arrowleft', shown: 'Shift ←', says: 'a month before' },
  { does: 'month after', keys: 'shift+arrowright', shown: 'Shift →', says: 'a month after' },
  { does: 'wrong', keys: 'n', shown: 'N', says: 'the next that went wrong' },
  { does: 'open', keys: 'enter', shown: 'Enter', says: 'open the day' },
  { does: 'stretch', keys: 'w', shown: 'W', says: 'the month about the day, and the whole winter again' },
  { does: 'find', keys: '/', shown: '/', says: 'find' },
  { does: 'going', keys: '1,2,3,4,5', shown: '1–5', says: 'one way of going, in their order' },
  { does: 'feeling', keys: 'f', shown: 'F', says: 'the next feeling: right, too warm, too cold, wet' },
  { does: 'all', keys: 'escape', shown: 'Esc', says: 'show all again' },
  { does: 'print', keys: 'p', shown: 'P', says: 'print the winter' },
  { does: 'help', keys: 'shift+?', also: '?', shown: '?', says: 'this list' },
];
