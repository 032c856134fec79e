import { EventEmitter } from 'node:events';
import { readFileSync } from 'node:fs';

/** The line in which pages stand: a module of the launcher, so that its text is read here as it is. */
const text = readFileSync('scripts/pageQueue.mjs', 'utf8').replace('export function', 'return function');
const pageQueue = new Function(text)() as (most: number) => (res: EventEmitter, make: () => void) => void;

function line(most: number) {
  const queued = pageQueue(most);
  const begun: string[] = [];
  const ask = (name: string) => {
    const res = new EventEmitter();
    queued(res, () => begun.push(name));
    return res;
  };
  return { begun, ask };
}

test('so many are made at once, the next when one is done, in the order in which they came', () => {
  const { begun, ask } = line(2);
  const [a, b] = ['a', 'b', 'c', 'd'].map(ask);
  expect(begun).toEqual(['a', 'b']);
  b.emit('close');
  expect(begun).toEqual(['a', 'b', 'c']);
  a.emit('close');
  expect(begun).toEqual(['a', 'b', 'c', 'd']);
});

test('who goes while waiting is not made, and takes nobody’s place', () => {
  const { begun, ask } = line(1);
  const [a, b] = ['a', 'b', 'c'].map(ask);
  b.emit('close');
  a.emit('close');
  expect(begun).toEqual(['a', 'c']);
});

test('an end that is told twice lets in one only', () => {
  const { begun, ask } = line(1);
  const [a] = ['a', 'b', 'c'].map(ask);
  a.emit('close');
  a.emit('close');
  expect(begun).toEqual(['a', 'b']);
});
