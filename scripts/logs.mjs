// Logs that do not grow without end.
import { chmodSync, copyFileSync, existsSync, statSync, truncateSync } from 'node:fs';

/** A log is put aside at this size, bytes; one before it is kept. */
const MOST = 5 * 1024 * 1024;

/** Puts a log aside when it has grown large. Whoever writes it appends, and goes on in the emptied file. */
export function turnOver(file) {
  if (!existsSync(file)) return;
  chmodSync(file, 0o600);
  if (statSync(file).size < MOST) return;
  copyFileSync(file, `${file}.1`);
  truncateSync(file);
}
