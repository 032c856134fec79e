/** What a key does on the score. */
export type ScoreKey =
  | 'back'
  | 'on'
  | 'back far'
  | 'on far'
  | 'cue before'
  | 'cue after'
  | 'vent'
  | 'pack'
  | 'undo'
  | 'redo'
  | 'take'
  | 'let go'
  | 'help';

interface KeyRow {
  does: ScoreKey;
  /** as the key library names it: by what the key produces */
  keys: string;
  /** another way of saying the same: a layout that needs no Shift for it, one that does, or what hands know from elsewhere */
  also?: string;
  /** as the help shows it */
  shown: string;
  says: string;
}

/** The one table of keys: what is listened to, and what the help lists. */
export const SCORE_KEYS: readonly KeyRow[] = [
  { does: 'back', keys: 'arrowleft', shown: '←', says: 'the cursor a minute back' },
  { does: 'on', keys: 'arrowright', shown: '→', says: 'the cursor a minute on' },
  { does: 'back far', keys: 'shift+arrowleft', shown: 'Shift ←', says: 'ten minutes back' },
  { does: 'on far', keys: 'shift+arrowright', shown: 'Shift →', says: 'ten minutes on' },
  { does: 'cue before', keys: '[', shown: '[', says: 'cue before' },
  { does: 'cue after', keys: ']', shown: ']', says: 'cue after' },
  { does: 'vent', keys: 'v', shown: 'V', says: 'open or close the selected garment at the cursor' },
  { does: 'pack', keys: 'p', shown: 'P', says: 'put it into the pack, or on' },
  { does: 'undo', keys: 'z', also: 'mod+z', shown: 'Z, Ctrl Z', says: 'undo' },
  { does: 'redo', keys: 'shift+z', also: 'mod+shift+z', shown: 'Shift Z', says: 'redo' },
  { does: 'take', keys: 'enter', shown: 'Enter', says: 'take the proposal' },
  { does: 'let go', keys: 'escape', shown: 'Esc', says: 'let go of what is selected' },
  { does: 'help', keys: 'shift+?', also: '?', shown: '?', says: 'this list' },
];

/** What the help says beside the keys: hands on the picture. */
export const SCORE_HANDS: readonly { shown: string; says: string }[] = [
  { shown: '← → on a cue', says: 'move it by half a minute; with Shift by five' },
  { shown: 'Del on a cue', says: 'drop it' },
  { shown: 'Alt while dragging', says: 'do not snap to other cues' },
];
