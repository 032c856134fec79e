import { quickHelp, helpFor } from '@/core/judge/quickHelp';

/** Common practice, no published source: facts 22 and 26 of the trade; the face by public frostbite advice. */
test('cold fingers go to the belly or are swung warm; for toes swinging is said to do nothing', () => {
  expect(helpFor('fingers')).toMatch(/belly/);
  expect(helpFor('fingers')).toMatch(/swing the arms/);
  expect(helpFor('toes')).toMatch(/does nothing for the feet/);
});

test('a frosted face is warmed and not rubbed', () => {
  expect(quickHelp({ kind: 'face', severity: 3 })).toMatch(/do not rub/);
});

test.each([
  ['fingers', 1, false],
  ['fingers', 2, true],
  ['fingers', 3, true],
  ['slowed', 3, false],
] as const)('help against %s of severity %d: %s', (kind, severity, there) => {
  expect(quickHelp({ kind, severity }) !== null).toBe(there);
});
