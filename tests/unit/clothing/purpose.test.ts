import type { Sport } from '@/core/effort/sports';
import { bothersIn } from '@/core/simulate/bothers';
import {
  coversUnderwear,
  isCoat,
  isOutdoorWear,
  isSmall,
  isUnderwear,
  leavesLegsBare,
  withoutCotton,
} from '@/core/clothing/purpose';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { garmentArrays } from '@/core/clothing/garmentArrays';
import { staysWearable } from '@/core/kit/followable';
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
  // A vest leaves the sleeves of a mesh bare, shorts the calves of long johns; a base that is worn alone may show them.
  expect(covered('mesh-base', 'active-vest')).toBe(false);
  expect(covered('mesh-base', 'active-vest', 'wind-shell')).toBe(true);
  expect(covered('thin-merino-base', 'active-vest')).toBe(true);
  expect(covered('thin-merino-base', 'mesh-longs', 'running-shorts')).toBe(false);
  // What covers the legs covers no chest.
  expect(covered('mesh-base', 'wind-trousers')).toBe(false);
});

test('rain trousers come off over tights, not over briefs alone', () => {
  const bare = (...ids: string[]) => {
    const [storm, ...rest] = garmentsOf('storm-trousers', ...ids);
    return leavesLegsBare(storm, [storm, ...rest], new Set(['storm-trousers', ...ids]));
  };
  expect(bare('briefs')).toBe(true);
  expect(bare('briefs', 'thin-tights')).toBe(false);
  expect(leavesLegsBare(garmentsOf('wind-shell')[0], [], new Set())).toBe(false);
});

test('coats are shells and jackets of the torso, what has fill, and what goes over trousers', () => {
  const coats = idsWhere(isCoat);
  for (const id of [
    'wind-shell',
    'storm-shell',
    'standby-puffy',
    'active-jacket',
    'puffy-overtrousers',
    'storm-trousers',
  ])
    expect(coats).toContain(id);
  for (const id of ['grid-fleece', 'mesh-base', 'wind-trousers', 'warm-hat', 'shell-mitts'])
    expect(coats).not.toContain(id);
  // Whoever comes in takes these off too; warmers and trousers stay, and hats may.
  const off = idsWhere(isOutdoorWear);
  for (const id of [...coats, 'shell-mitts', 'liner-gloves', 'goggles', 'nose-strip', 'ski-helmet'])
    expect(off).toContain(id);
  for (const id of ['grid-fleece', 'wind-trousers', 'warm-hat', 'hand-warmers']) expect(off).not.toContain(id);
  // A coat bothers in full there, what is small, hats too, a fifth of that, the rest not.
  const arrays = garmentArrays(
    garmentsOf('storm-shell', 'liner-gloves', 'goggles', 'ski-helmet', 'warm-hat', 'pile-fleece'),
  );
  const bothers = (sport: Sport) => Array.from(bothersIn(arrays, sport) ?? []);
  expect(bothers('hut')).toEqual([1, 0.2, 0.2, 0.2, 0.2, 0]);
  // In camp and asleep a helmet does, and nothing else; at a stop by the way nothing.
  for (const camp of ['camp', 'sleep'] as const) expect(bothers(camp)).toEqual([0, 0, 0, 0.5, 0, 0]);
  for (const out of ['stand', 'sit', 'chairlift', 'ski tour'] as const) expect(bothers(out)).toEqual([]);
});

test('small things of no use stay at home: gaiters and warmers too; socks, shoes, overshoes and helmets are no such things', () => {
  const small = idsWhere(isSmall);
  for (const id of ['sun-glasses', 'nose-strip', 'head-band', 'liner-gloves', 'gaiters', 'toe-warmers'])
    expect(small).toContain(id);
  for (const id of ['wool-socks', 'barrier-socks', 'running-shoes', 'overshoes', 'ski-helmet', 'wind-vest'])
    expect(small).not.toContain(id);
});

test('a plan cannot be worn that puts padded mitts over padded gloves or glasses under goggles; liners and shells go under and over', () => {
  const can = staysWearable(new Map(CATALOGUE.map((g) => [g.id, g])));
  const wears = (...ids: string[]) =>
    can({ worn: ['thin-merino-base', 'winter-boots', ...ids], carried: [], openings: {}, cues: [] });
  expect(wears('warm-mitts', 'liner-gloves', 'shell-mitts', 'goggles')).toBe(true);
  expect(wears('warm-mitts', 'ski-gloves')).toBe(false);
  expect(wears('sun-glasses', 'goggles')).toBe(false);
  const later = (...actions: Plan['cues'][0]['actions']): Plan => ({
    worn: ['thin-merino-base', 'winter-boots', 'sun-glasses'],
    carried: ['goggles'],
    openings: {},
    cues: [{ atS: 1800, actions }],
  });
  expect(can(later({ do: 'putOn', garment: 'goggles' }))).toBe(false);
  expect(can(later({ do: 'takeOff', garment: 'sun-glasses' }, { do: 'putOn', garment: 'goggles' }))).toBe(true);
});

test('hands hold a liner, a glove and a mitten: no fourth pair, and no gloves over mittens; barriers, warmers and covers come besides', () => {
  const can = staysWearable(new Map(CATALOGUE.map((g) => [g.id, g])));
  const wears = (...ids: string[]) =>
    can({ worn: ['thin-merino-base', 'winter-boots', ...ids], carried: [], openings: {}, cues: [] });
  expect(wears('wind-gloves', 'fleece-mitts')).toBe(true);
  expect(wears('fleece-mitts', 'warm-mitts')).toBe(true);
  expect(wears('wind-gloves', 'ski-gloves')).toBe(true);
  expect(wears('fleece-mitts', 'ski-gloves')).toBe(false);
  expect(wears('liner-gloves', 'wind-gloves', 'warm-mitts')).toBe(true);
  expect(wears('liner-gloves', 'wind-gloves', 'fleece-mitts', 'shell-mitts')).toBe(false);
  expect(wears('barrier-gloves', 'liner-gloves', 'wind-gloves', 'warm-mitts', 'hand-warmers', 'bar-covers')).toBe(true);
});

test('a plan that takes off what covers underwear does not stay dressed, whenever it does so', () => {
  const dressed = staysWearable(new Map(CATALOGUE.map((g) => [g.id, g])));
  const plan = (over: Partial<Plan>): Plan => ({
    worn: ['mesh-base', 'wind-shell', 'mesh-longs', 'wind-trousers', 'winter-boots'],
    carried: [],
    openings: {},
    cues: [],
    ...over,
  });
  const off = (garment: string, atS: number) => ({ atS, actions: [{ do: 'takeOff' as const, garment }] });
  expect(dressed(plan({}))).toBe(true);
  expect(dressed(plan({ worn: ['mesh-base', 'wind-trousers', 'winter-boots'] }))).toBe(false);
  expect(dressed(plan({ cues: [off('wind-shell', 1800)] }))).toBe(false);
  expect(dressed(plan({ cues: [off('mesh-longs', 1800)] }))).toBe(true);
  const fleece = { do: 'putOn' as const, garment: 'grid-fleece' };
  expect(
    dressed(plan({ cues: [{ ...off('wind-shell', 1800), actions: [fleece, ...off('wind-shell', 0).actions] }] })),
  ).toBe(true);
});

test('cotton next to the skin is left where something else can be worn there by itself', () => {
  const left = (...ids: string[]) => withoutCotton(garmentsOf(...ids)).map((g) => g.id);
  expect(left('cotton-tee', 'synthetic-tee', 'thin-tights')).toEqual(['synthetic-tee', 'thin-tights']);
  expect(left('cotton-tee', 'thin-tights')).toEqual(['cotton-tee', 'thin-tights']);
  expect(left('cotton-tee', 'mesh-base')).toEqual(['cotton-tee', 'mesh-base']);
});
