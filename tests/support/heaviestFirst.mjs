import sequencer from '@jest/test-sequencer';

/** What runs longest: begun last, one of them would keep one core busy while the others wait. */
const HEAVY = [
  'install/prove',
  'search/going',
  'install/cluster',
  'questions/reasons',
  'calibrate/belief',
  'unit/search',
  'install/',
];
const place = ({ path }) => {
  const at = HEAVY.findIndex((name) => path.includes(name));
  return at < 0 ? HEAVY.length : at;
};

/** The usual order of tests, but the heaviest first. */
export default class HeaviestFirst extends sequencer {
  sort(tests) {
    return [...super.sort(tests)].sort((a, b) => place(a) - place(b));
  }
}
