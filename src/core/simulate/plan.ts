/** One change of the kit at a moment: on, off, frost shaken out, or an opening set. Opening `setting` 0 closed to 1 open. */
export type KitAction =
  | { do: 'putOn' | 'takeOff' | 'brush'; garment: string }
  | { do: 'set'; garment: string; opening: string; setting: number };

export interface Cue {
  atS: number;
  actions: KitAction[];
}

/** What is worn at the start, how openings stand, what is carried, and when it changes. */
export interface Plan {
  worn: string[];
  carried: string[];
  /** settings that differ from the garments' usual: garment id -> opening id -> 0–1 */
  openings: Record<string, Record<string, number>>;
  cues: Cue[];
}
