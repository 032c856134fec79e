/** One change of the kit at a moment: on, off, frost shaken out, or an opening set. Opening `setting` 0 closed to 1 open. */
export type KitAction =
  | { do: 'putOn' | 'takeOff' | 'brush'; garment: string }
  | { do: 'set'; garment: string; opening: string; setting: number };

export interface Cue {
  atS: number;
  actions: KitAction[];
  /** go at a share of the planned effort until then: slow down before the top, press on in the cold */
  pace?: { share: number; untilS: number };
  /** hold the stop in shelter nearby instead of in the open, until then */
  shelter?: { untilS: number };
}

export const PACE_RANGE = [0.4, 1.3] as const;

/** What is worn at the start, how openings stand, what is carried, and when it changes. */
export interface Plan {
  worn: string[];
  carried: string[];
  /** settings that differ from the garments' usual: garment id -> opening id -> 0–1 */
  openings: Record<string, Record<string, number>>;
  cues: Cue[];
}
