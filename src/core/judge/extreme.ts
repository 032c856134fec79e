/** A lowest or highest value and when, s. */
export interface Extreme {
  value: number;
  atS: number;
}

export const lowest = (): Extreme => ({ value: Infinity, atS: 0 });
export const highest = (): Extreme => ({ value: -Infinity, atS: 0 });

export function lower(e: Extreme, v: number, t: number): void {
  if (v < e.value) {
    e.value = v;
    e.atS = t;
  }
}

export function raise(e: Extreme, v: number, t: number): void {
  if (v > e.value) {
    e.value = v;
    e.atS = t;
  }
}
