import { readFileSync } from 'node:fs';
import { checkRows, checkTable, limitTable } from '#tests/support/checkTable';

test.each(checkRows())('$quantity: within the tolerance stated in the table ($source)', (r) => {
  const off = r.absolute ? Math.abs(r.ours - r.theirs) : Math.abs(r.ours / r.theirs - 1);
  expect({ theirs: r.theirs, ours: r.ours, off }).toEqual({
    theirs: r.theirs,
    ours: r.ours,
    off: expect.toBeWithin(0, r.tolerance),
  });
});

test('docs/model.md shows the tables as they come out now; `npm run model-table` renews it', () => {
  const text = readFileSync('docs/model.md', 'utf8');
  expect(text).toContain(checkTable());
  expect(text).toContain(limitTable());
});
