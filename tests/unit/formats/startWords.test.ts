import { openingWords } from '@/formats/startWords';
import { garmentsOf } from '#tests/support/outings';

const garments = new Map(garmentsOf('wind-shell', 'grid-fleece').map((g) => [g.id, g]));
const worn = ['grid-fleece', 'wind-shell'];
const said = (openings: Record<string, Record<string, number>>) =>
  openingWords({ worn, carried: [], openings, cues: [] }, garments);

test('what is open or shut from the start is said with the piece, and nothing where all is as usual', () => {
  expect(said({})).toEqual([]);
  expect(said({ 'wind-shell': { zip: 1 } })).toEqual([expect.stringMatching(/^Wind shell: .*open/)]);
  expect(said({ 'wind-shell': { zip: 0.5 } })[0]).toContain('half open');
  const usual = Object.fromEntries(garments.get('wind-shell')!.openings.map((o) => [o.id, o.usual]));
  expect(said({ 'wind-shell': usual })).toEqual([]);
});

test('of pieces that are not worn at the start, or that nobody knows, nothing is said', () => {
  const carried = { worn: ['grid-fleece'], carried: ['wind-shell'], openings: { 'wind-shell': { zip: 1 } }, cues: [] };
  expect(openingWords(carried, garments)).toEqual([]);
  expect(
    openingWords(
      { ...carried, worn: ['a-piece-that-is-gone'], openings: { 'a-piece-that-is-gone': { zip: 1 } } },
      garments,
    ),
  ).toEqual([]);
});
