import { OutOfRange } from '@/core/quantity/range';

/** One thing wrong with what came in: where, what stood there, and what is allowed. Shown to the athlete as it is. */
export interface Problem {
  /** file, or the part of a form */
  where: string;
  line?: number;
  /** its path or name in a file */
  field: string;
  /** its name on the screen, where it has one */
  label?: string;
  value: string;
  allowed: string;
}

/** Input refused whole, with its reasons. */
export class Refused extends Error {
  constructor(readonly problems: Problem[]) {
    super(problems.map(describe).join('\n'));
    this.name = 'Refused';
  }
}

const SHOWN = 60;

/** Shortens a value for a message; control characters are dropped so that a message stays one line. */
export function shown(value: unknown): string {
  const text = (typeof value === 'string' ? value : (JSON.stringify(value) ?? String(value))).replace(/\p{Cc}+/gu, ' ');
  return text.length > SHOWN ? `${text.slice(0, SHOWN)}…` : text;
}

export function describe(p: Problem): string {
  return `${p.where}${p.line ? `, line ${p.line}` : ''}: ${p.field} is ${p.value}; allowed: ${p.allowed}`;
}

export function refuse(where: string, field: string, value: unknown, allowed: string, line?: number): never {
  throw new Refused([{ where, line, field, value: shown(value), allowed }]);
}

/** Turns a core range error into a refusal that also says which file or form it came from. */
export function atDoor<T>(where: string, work: () => T): T {
  try {
    return work();
  } catch (e) {
    if (e instanceof OutOfRange)
      throw new Refused([{ where, field: e.field, value: shown(e.value), allowed: e.allowed }]);
    throw e;
  }
}
