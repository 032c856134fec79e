/** What a key does at the front door. */
export type FrontKey =
  | 'type'
  | 'colder'
  | 'warmer'
  | 'windier'
  | 'calmer'
  | 'much colder'
  | 'much warmer'
  | 'much windier'
  | 'much calmer'
  | 'harder'
  | 'easier'
  | 'wet'
  | 'cue before'
  | 'cue after'
  | 'lay out'
  | 'print'
  | 'undo'
  | 'redo'
  | 'stop'
  | 'help';

interface KeyRow {
  does: FrontKey;
  keys: string;
  also?: string;
  shown: string;
  says: string;
}

/** The one table of keys: what is listened to, and what the help lists. */
export const FRONT_KEYS: readonly KeyRow[] = [
  { does: 'type', keys: '/', shown: '/', says: 'type the line' },
  { does: 'colder', keys: 'arrowleft', shown: '←', says: 'a degree colder' },
  { does: 'warmer', keys: 'arrowright', shown: '→', says: 'a degree warmer' },
  { does: 'windier', keys: 'arrowdown', shown: '↓', says: 'more wind' },
  { does: 'calmer', keys: 'arrowup', shown: '↑', says: 'less wind' },
  { does: 'much colder', keys: 'shift+arrowleft', shown: 'Shift ←', says: 'five degrees colder' },
  { does: 'much warmer', keys: 'shift+arrowright', shown: 'Shift →', says: 'five degrees warmer' },
  { does: 'much windier', keys: 'shift+arrowdown', shown: 'Shift ↓', says: 'five more of wind' },
  { does: 'much calmer', keys: 'shift+arrowup', shown: 'Shift ↑', says: 'five less of wind' },
  { does: 'harder', keys: 'e', shown: 'E', says: 'harder' },
  { does: 'easier', keys: 'shift+e', shown: 'Shift E', says: 'easier' },
  { does: 'wet', keys: 'w', shown: 'W', says: 'the next that falls' },
  { does: 'cue before', keys: '[', shown: '[', says: 'cue before' },
  { does: 'cue after', keys: ']', shown: ']', says: 'cue after' },
  { does: 'lay out', keys: 'enter', shown: 'Enter', says: 'lay it out as a score' },
  { does: 'print', keys: 'p', shown: 'P', says: 'print' },
  { does: 'undo', keys: 'z', also: 'mod+z', shown: 'Z, Ctrl Z', says: 'undo' },
  { does: 'redo', keys: 'shift+z', also: 'mod+shift+z', shown: 'Shift Z', says: 'redo' },
  { does: 'stop', keys: 'escape', shown: 'Esc', says: 'stop looking: what stands is enough' },
  { does: 'help', keys: 'shift+?', also: '?', shown: '?', says: 'this list' },
];
