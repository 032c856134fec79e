import { coversUnderwear, isCoat, isUnderwear } from '@/core/clothing/purpose';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { staysDressed } from '@/core/kit/followable';
import type { Plan } from '@/core/kit/plan';
import { garmentsOf } from '#tests/support/outings';

/** What is underwear and what a coat: common practice, no published source. */
const idsWhere = (is: (g: (typeof CATALOGUE)[number]) => boolean) => CATALOGUE.filter(is).map((g) => g.id);

test('underwear is open mesh on torso and legs and long johns; tights and plain bases are worn alone', () => {
  expect(idsWhere(isUnderwear).sort()).toEqual(['merino-longs', 'mesh-base', 'mesh-longs', 'mesh-wool-base']);
  const covered = (...ids: string[]) => coversUnderwear(garmentsOf(...ids));
  expect(covered('mesh-base', 'briefs', 'thin-tights')).toBe(false);
  expect(covered('mesh-base', 'grid-fleece', 'thin-tights')).toBe(true);
  expect(covered('thin-merino-base', 'briefs', 'merino-longs')).toBe(false);
  expect(covered('thin-merino-base', 'merino-longs', 'wind-trousers')).toBe(true);
  // What covers the legs covers no chest.
  expect(covered('mesh-base', 'wind-trousers')).toBe(false);
});

test('coats are shells and jackets of the torso and what goes over trousers', () => {
  const coats = idsWhere(isCoat);
  for (const id of ['wind-shell', 'storm-shell', 'standby-puffy', 'puffy-overtrousers', 'storm-trousers'])
    expect(coats).toContain(id);
  for (const id of ['grid-fleece', 'mesh-base', 'wind-trousers', 'warm-hat', 'shell-mitts'])
    expect(coats).not.toContain(id);
});

test('a plan that takes off what covers underwear does not stay dressed, whenever it does so', () => {
  const dressed = staysDressed(new Map(CATALOGUE.map((g) => [g.id, g])));
  const plan = (over: Partial<Plan>): Plan => ({
    worn: ['mesh-base', 'wind-shell', 'mesh-longs', 'wind-trousers'],
    carried: [],
    openings: {},
    cues: [],
    ...over,
  });
  const off = (garment: string, atS: number) => ({ atS, actions: [{ do: 'takeOff' as const, garment }] });
  expect(dressed(plan({}))).toBe(true);
  expect(dressed(plan({ worn: ['mesh-base', 'wind-trousers'] }))).toBe(false);
  expect(dressed(plan({ cues: [off('wind-shell', 1800)] }))).toBe(false);
  expect(dressed(plan({ cues: [off('mesh-longs', 1800)] }))).toBe(true);
  const fleece = { do: 'putOn' as const, garment: 'grid-fleece' };
  expect(
    dressed(plan({ cues: [{ ...off('wind-shell', 1800), actions: [fleece, ...off('wind-shell', 0).actions] }] })),
  ).toBe(true);
});
