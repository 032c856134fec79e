/** One place where two values of a thing are not the same, in words. */
export interface Difference {
  where: string;
  mine: string;
  theirs: string;
}

const LETTERS = 60;

/** `packOn` and `legs.2.packOn` as people read them: counted from one. */
const inWords = (path: readonly string[]): string =>
  path
    .map((p) => (/^\d+$/.test(p) ? String(Number(p) + 1) : p.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase()))
    .join(', ');

function shown(v: unknown): string {
  if (v === undefined || v === null) return 'none';
  const text = typeof v === 'object' ? JSON.stringify(v) : String(v);
  return text.length > LETTERS ? `${text.slice(0, LETTERS)}…` : text;
}

const isThing = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null;

/** Every leaf in which two JSON values differ, in the order of the first. */
export function differences(mine: unknown, theirs: unknown, path: readonly string[] = []): Difference[] {
  if (Object.is(mine, theirs)) return [];
  if (!isThing(mine) || !isThing(theirs))
    return [{ where: inWords(path) || 'all of it', mine: shown(mine), theirs: shown(theirs) }];
  const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])];
  return keys.flatMap((k) => differences(mine[k], theirs[k], [...path, k]));
}
