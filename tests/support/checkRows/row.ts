/** One line of the table in docs/model.md. `tolerance` is absolute when `absolute`, else a share of theirs. */
export interface CheckRow {
  quantity: string;
  source: string;
  theirs: number;
  ours: number;
  unit: string;
  tolerance: number;
  absolute?: boolean;
}
