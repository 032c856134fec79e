// Which process is which: by number and by when it was started, since numbers are given out again.
import { existsSync, readdirSync, readFileSync, readlinkSync } from 'node:fs';

/** Whether this system tells of its processes in files. */
const TELLS = existsSync('/proc/self/stat');

/** When a process was started, in ticks since the machine was; null: there is no such process, or this system does not say. */
export function startOf(pid) {
  try {
    // The name in brackets may hold blanks and brackets: what follows the last one is counted.
    const text = readFileSync(`/proc/${pid}/stat`, 'utf8');
    const fields = text.slice(text.lastIndexOf(')') + 2).split(' ');
    // A zombie is gone in all but name.
    return fields[0] === 'Z' ? null : Number(fields[19]);
  } catch {
    return null;
  }
}

export const me = () => ({ pid: process.pid, start: startOf(process.pid) });

/** Whether the process that was noted is still there, and no other one under its number. */
export const isAlive = ({ pid, start }) => isThere(pid) && (!TELLS || start === null || startOf(pid) === start);

function isThere(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (e) {
    return e.code === 'EPERM';
  }
}

/** Whether a process is a PostgreSQL server of a folder. Where the system does not say, one that is there is taken for it. */
export function isServerOf(pid, folder) {
  if (!isThere(pid)) return false;
  if (!TELLS) return true;
  try {
    return readlinkSync(`/proc/${pid}/cwd`) === folder;
  } catch {
    try {
      return readFileSync(`/proc/${pid}/comm`, 'utf8').trim() === 'postgres';
    } catch {
      return false;
    }
  }
}

/** Processes that work in a folder: a database server and everything it started. */
export const processesIn = (folder) =>
  !TELLS
    ? []
    : readdirSync('/proc')
        .filter((n) => /^\d+$/.test(n))
        .filter((pid) => {
          try {
            return readlinkSync(`/proc/${pid}/cwd`) === folder;
          } catch {
            return false;
          }
        })
        .map(Number);
