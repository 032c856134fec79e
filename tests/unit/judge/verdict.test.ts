import type { Finding } from '@/core/judge/findings';
import { verdict, type RestsOn } from '@/core/judge/verdict';
import { plainVerdict } from '@/formats/sentences';
import { calm } from '#tests/support/calm';

/** The sentence at the top: each word of it on both sides of its limit. */
const found = (what: string, severity: 1 | 2 | 3): Finding => ({
  kind: 'fingers',
  severity,
  what,
  value: 12,
  unit: '°C',
  limit: 15,
  atS: 600,
  means: 'clumsy',
});
const wet = (g: number) => ({ ...calm(), waterPeak: { value: g, atS: 1200 } });
const said = (list: Finding[], g = 10, on: RestsOn = 'all') => plainVerdict(verdict(list, wet(g), on));

test.each([
  [59, true],
  [61, false],
])('with %d g in the clothes at most it says that you stay dry: %s', (g, dry) => {
  expect(/you stay dry/.test(said([], g))).toBe(dry);
  expect(said([], g)).toContain(`At most ${g} g`);
});

test('what rests on the forecast alone never says that it holds, nor that all else does', () => {
  expect(said([], 10, 'all')).toMatch(/^It holds as forecast, and you stay dry/);
  expect(said([], 10, 'forecast')).toMatch(/^Nothing weak as forecast\. At most 10 g/);
  expect(said([found('Your fingers', 2)], 10, 'all')).toContain('Everything else holds.');
  for (const list of [[], [found('Your fingers', 1)], [found('Your fingers', 2)], [found('Your fingers', 3)]])
    expect(said(list, 10, 'forecast')).not.toMatch(/holds|stay dry/);
});

test('hardly any water is said below three grams only', () => {
  expect(said([], 2.9)).toContain('Hardly any water');
  expect(said([], 3.1)).not.toContain('Hardly any water');
});

test('beside the worst only what is a weak point too is named, at most two of them', () => {
  expect(said([found('Your fingers', 2), found('Your toes', 1)])).toContain('Everything else holds.');
  const many = said([found('Your fingers', 3), found('Your toes', 2), found('Your ears', 2), found('Your legs', 2)]);
  expect(many).toContain('this plan is not safe');
  expect(many).toContain('Also: toes');
  expect(many).toContain('ears');
  expect(many).not.toContain('legs');
  expect(many).not.toContain('Everything else holds');
});
