import { newStacks, buildStacks } from '@/core/clothing/stack';
import { garmentArrays } from '@/core/clothing/garmentArrays';
import { MAX_OPENINGS, type Garment } from '@/core/clothing/garment';
import type { Conditions } from '@/core/outing/conditions';
import { weathered, type Weathered } from '@/core/simulate/outOfTheWeather';
import { fromCatalogue } from '@/core/clothing/catalogue';
import { dayOf, aLeg, garmentsOf } from '#tests/support/outings';

/** How far the hood is open: closed is up over the head. */
const UP = { hood: 0 };
const DOWN = { hood: 1 };
const AIR: Conditions = {
  ...dayOf([aLeg({ minutes: 10 })], -12, 3).stretches[0],
  precipitation: 'none',
  wetting: null,
};

const head = (ids: string[], over: Partial<Conditions> = {}, open: Record<string, number> = {}): Weathered =>
  dressedIn(garmentsOf(...ids), over, open);

function dressedIn(garments: Garment[], over: Partial<Conditions>, open: Record<string, number>): Weathered {
  const settings = new Float64Array(garments.length * MAX_OPENINGS);
  garments.forEach((g, i) => g.openings.forEach((o, k) => (settings[i * MAX_OPENINGS + k] = open[o.id] ?? o.usual)));
  const w = garmentArrays(garments);
  const s = newStacks();
  const c = { ...AIR, ...over };
  const ambient = { airC: c.airC, relativeWind: c.relativeWind, pumping: c.pumping, packOn: false };
  buildStacks(w, { worn: new Uint8Array(garments.length).fill(1), open: settings }, ambient, s);
  const out: Weathered = { earC: 0, eyes: 0, rained: 0, masked: 0, scant: 0, hinders: 0, flaps: 0, lens: -1 };
  weathered(c, s, w, out);
  return out;
}

test('ears are covered by a hat, a hood up and a closed helmet; not by a vented one or a hood down', () => {
  const bare = head([]).earC;
  expect(bare).toBeLessThan(20);
  for (const hat of ['head-band', 'thin-cap', 'ski-helmet']) expect(head([hat]).earC).toBe(Infinity);
  expect(head(['cycle-helmet']).earC).toBe(bare);
  expect(head(['wind-shell'], {}, UP).earC).toBe(Infinity);
  expect(head(['wind-shell'], {}, DOWN).earC).toBe(bare);
  expect(head([], { relativeWind: 9 }).earC).toBeLessThan(bare);
});

test.each([
  ['flakes', { precipitation: 'dry snow', airC: 10 }, 4, 10],
  ['drifting snow', { wetting: 'spindrift', airC: 10 }, 4, 10],
  ['cold wind alone', { airC: -10 }, 7, 16],
] as const)('eyes in %s: nothing below the first wind, all at the last', (_, over, from, to) => {
  const eyes = (relativeWind: number) => head([], { ...over, relativeWind }).eyes;
  expect(eyes(from)).toBe(0);
  expect(eyes(from + 0.1)).toBeGreaterThan(0);
  expect(eyes(to - 0.1)).toBeLessThan(1);
  expect(eyes(to)).toBe(1);
  // Glasses keep off most of it, goggles all; each bothers a little by itself.
  const glasses = head(['sun-glasses'], { ...over, relativeWind: to });
  expect(glasses.lens).toBe(0);
  expect(glasses.eyes).toBeWithin(0.05, 0.7);
  expect(head(['goggles'], { ...over, relativeWind: to }).eyes).toBeLessThan(glasses.eyes);
  const still = { ...over, relativeWind: 0 };
  expect(head(['goggles'], still).eyes).toBeGreaterThan(head(['sun-glasses'], still).eyes);
  expect(head(['sun-glasses'], still).eyes).toBeGreaterThan(eyes(0));
});

test.each([
  ['snow', { precipitation: 'dry snow', airC: 10 }, 5, 0.4, 1],
  ['cold wind alone', { airC: -10 }, 8, 0.2, 0.5],
] as const)(
  'the faster %s comes the more of it gets round glasses, up to 16 m/s, and none round goggles',
  (_, over, slow, least, most) => {
    const eyes = (relativeWind: number, ids: string[]) =>
      head(ids, { ...over, relativeWind, sport: 'downhill ski' }).eyes;
    const round = (relativeWind: number) => eyes(relativeWind, ['sun-glasses']) / eyes(relativeWind, []);
    expect(round(slow)).toBeWithin(least, least + 0.2 * (most - least) + 1e-9);
    expect([round(16), round(20)].map((x) => Number(x.toFixed(9)))).toEqual([most, most]);
    expect(round(15.9)).toBeLessThan(most);
    expect(eyes(16, ['goggles'])).toBe(0);
  },
);

test('of snow a fifth, twice over, gets round glasses up to 6 m/s, and more from there on', () => {
  const eyes = (relativeWind: number, ids: string[]) =>
    head(ids, { precipitation: 'dry snow', airC: 10, relativeWind, sport: 'downhill ski' }).eyes;
  const round = (relativeWind: number) => eyes(relativeWind, ['sun-glasses']) / eyes(relativeWind, []);
  expect([round(5), round(6)].map((x) => Number(x.toFixed(9)))).toEqual([0.4, 0.4]);
  expect(round(6.1)).toBeGreaterThan(0.4);
});

test('sun dazzles bare eyes, from an open field on and in full at noon in snow; anything before them helps', () => {
  const eyes = (sunWm2: number, ids: string[] = []) => head(ids, { sunWm2, relativeWind: 0 }).eyes;
  expect([eyes(119), eyes(350)]).toEqual([0, 1]);
  expect(eyes(125)).toBeGreaterThan(0);
  expect(eyes(345)).toBeLessThan(1);
  for (const id of ['sun-glasses', 'goggles']) expect(eyes(400, [id])).toBeLessThan(0.2);
  // Drops bother whoever looks through them, and nobody who wears nothing.
  const rain = { precipitation: 'rain', precipitationMmH: 3, airC: 6, relativeWind: 0 } as const;
  expect(head(['sun-glasses'], rain).eyes).toBeCloseTo(0.2, 9);
  expect(head([], rain).eyes).toBe(0);
});

test('what covers less than half of the chest is a bib and no front: rain does not come in at it', () => {
  const rained = (coverage: number) => {
    const [bib] = garmentsOf('storm-trousers');
    const panels = { ...bib.panels, chest: { ...bib.panels.chest, coverage } };
    return dressedIn([{ ...bib, panels }], { precipitation: 'rain', precipitationMmH: 2, airC: 3 }, {}).rained;
  };
  expect(rained(0.49)).toBe(1);
  expect(rained(0.51)).toBe(3);
  // One that covers nearly all of it is a front that is shut.
  expect(rained(0.86)).toBe(1);
  expect(rained(0.8)).toBeWithin(1.1, 2.9);
});

test('wind hurts eyes only in cold air, in full 15 K below where it begins', () => {
  const eyes = (airC: number) => head([], { airC, relativeWind: 20 }).eyes;
  expect([eyes(5), eyes(-10), eyes(-20)]).toEqual([0, 1, 1]);
  expect(eyes(4.9)).toBeGreaterThan(0);
  expect(eyes(-9.9)).toBeLessThan(1);
});

test('rain reaches the hair, hardly under a storm hood that is up; of dry snow less, and none under any hat', () => {
  const rain = { precipitation: 'rain', precipitationMmH: 2, airC: 3 } as const;
  const on = (ids: string[], over: Partial<Conditions> = {}, open: Record<string, number> = {}) =>
    head(ids, { ...rain, ...over }, open).rained;
  expect(on([])).toBe(1);
  expect(on([], { precipitationMmH: 1.4 })).toBeWithin(0.9, 0.99);
  expect(on(['storm-shell'], {}, UP)).toBeLessThan(0.3);
  expect(on(['storm-shell'], {}, DOWN)).toBe(1);
  // A front that is wide open lets it in as well, which bothers twice as much; half open hardly.
  expect(on(['storm-shell'], {}, { ...DOWN, zip: 1 })).toBeWithin(2.5, 3);
  expect(on(['storm-shell'], {}, { ...DOWN, zip: 0.5 })).toBe(1);
  const snow = { precipitation: 'dry snow', airC: -12 } as const;
  expect(on([], snow)).toBeWithin(0.3, 0.5);
  expect(on(['thin-cap'], snow)).toBeLessThan(0.1);
  expect(on([], { ...snow, precipitation: 'wet snow' })).toBeGreaterThan(on([], snow) + 0.2);
});

test('a mask bothers whoever works under it: not who stands, and not a tube that is pulled down', () => {
  const masked = (id: string, sport: Conditions['sport'], open = {}) => head([id], { sport }, open).masked;
  expect(masked('nose-strip', 'run')).toBe(1);
  expect(masked('nose-strip', 'stand')).toBe(0);
  expect([masked('neck-tube', 'run', { up: 0 }), masked('neck-tube', 'run', { up: 1 })]).toEqual([1, 0]);
  expect(masked('thin-cap', 'run')).toBe(0);
});

test('in mild air a mask bothers more, and a balaclava there: from what feels like −12 °C on to whoever stands there, in full from −2', () => {
  const masked = (airC: number, id: string, over: Partial<Conditions> = {}) =>
    head([id], { sport: 'run', airC, relativeWind: 0, stillWind: 0, ...over }).masked;
  const at = [-20, -12, -7, -2, 8];
  expect(at.map((c) => masked(c, 'nose-strip'))).toEqual([1, 1, 4, 7, 7]);
  expect(at.map((c) => masked(c, 'balaclava'))).toEqual([0, 0, 2.5, 5, 5]);
  expect([masked(-11.9, 'nose-strip') - 1, masked(-11.9, 'balaclava')].every((m) => m > 0)).toBe(true);
  expect(masked(-2.1, 'nose-strip')).toBeLessThan(7);
  expect(masked(-2.1, 'balaclava')).toBeLessThan(5);
  expect([masked(2, 'balaclava', { sport: 'stand' }), masked(2, 'warm-hat')]).toEqual([0, 0]);
  // The wind of the place makes it colder, that of one's own speed on a bicycle alone.
  expect(masked(-6, 'balaclava', { relativeWind: 9, stillWind: 9 })).toBe(0);
  const ownWind = { relativeWind: 9, stillWind: 0 };
  expect(masked(-6, 'balaclava', ownWind)).toBe(masked(-6, 'balaclava'));
  expect(masked(-6, 'balaclava', { ...ownWind, sport: 'cycle' })).toBe(0);
  // Over a balaclava a mask bothers as it does by itself.
  expect(head(['balaclava', 'nose-strip'], { sport: 'run', airC: 2, relativeWind: 0, stillWind: 0 }).masked).toBe(7);
});

test('wind trousers on bare legs are clammy, a membrane more; over tights, and lined ones, are not', () => {
  const scant = (...ids: string[]) => head(ids, { airC: 10 }).scant;
  expect(scant('briefs', 'wind-trousers')).toBe(3);
  expect(scant('briefs', 'storm-trousers')).toBe(4);
  const rain = (mmH: number, ...ids: string[]) =>
    head(ids, { airC: 10, precipitation: 'rain', precipitationMmH: mmH }).scant;
  expect(rain(20, 'briefs', 'wind-trousers')).toBe(6);
  expect(rain(0.5, 'briefs', 'wind-trousers')).toBeWithin(3.01, 5.99);
  expect(rain(20, 'thin-tights', 'wind-trousers')).toBe(0);
  expect(scant('briefs', 'thin-tights', 'storm-trousers')).toBe(0);
  expect(scant('briefs', 'soft-trousers')).toBe(0);
  expect(scant('briefs', 'running-shorts')).toBe(0);
});

test('rain trousers bind the stride of whoever runs or skis a track, not of hikers and riders, nor of who stands', () => {
  const hinders = (sport: Conditions['sport'], ...ids: string[]) => head(['thin-tights', ...ids], { sport }).hinders;
  for (const sport of ['run', 'classic ski', 'skate ski'] as const) {
    expect(hinders(sport, 'storm-trousers')).toBe(1);
    expect(hinders(sport, 'wind-trousers')).toBe(0);
    expect(hinders(sport)).toBe(0);
  }
  for (const sport of ['hike', 'ski tour', 'cycle', 'stand', 'downhill ski'] as const)
    expect(hinders(sport, 'storm-trousers')).toBe(0);
});

test('padded gloves hinder whoever works hard, not in hard frost, nor at rest, nor over what is thin', () => {
  const hinders = (airC: number, metabolicW: number, ...ids: string[]) =>
    head(ids, { sport: 'run', airC, metabolicW }).hinders;
  expect(hinders(-4, 550, 'ski-gloves')).toBeCloseTo(0.2, 9);
  expect(hinders(6, 900, 'liner-gloves', 'warm-mitts')).toBeCloseTo(0.2, 9);
  expect(hinders(-8, 550, 'ski-gloves')).toBeCloseTo(0.1, 9);
  expect(hinders(-12, 900, 'ski-gloves')).toBe(0);
  expect(hinders(-4, 450, 'ski-gloves')).toBeCloseTo(0.1, 9);
  expect(hinders(-4, 350, 'ski-gloves')).toBe(0);
  expect(hinders(-4, 900, 'wind-gloves', 'shell-mitts')).toBe(0);
  for (const sport of ['downhill ski', 'cycle'] as const)
    expect(head(['ski-gloves'], { sport, airC: -4, metabolicW: 700 }).hinders).toBe(0);
});

test('on snowshoes snow gets into low shoes, whatever socks are in them; boots, gaiters and overboots keep it out', () => {
  const scant = (sport: Conditions['sport'], ...ids: string[]) =>
    head(['thin-merino-base', 'thin-tights', 'wool-socks', ...ids], { sport }).scant;
  const plain = scant('hike', 'winter-running-shoes');
  expect(scant('snowshoe', 'winter-running-shoes')).toBeCloseTo(plain + 2, 9);
  expect(scant('snowshoe', 'winter-running-shoes', 'gaiters')).toBeWithin(0, plain);
  expect(scant('snowshoe', 'winter-running-shoes', 'overshoes')).toBeWithin(0, plain);
  expect(scant('snowshoe', 'winter-boots')).toBeWithin(0, plain);
});

test('so it does on a hike while snow falls, in full from 1.5 mm/h on, and in deep snow; not on a cleared way, and not in rain', () => {
  const scant = (over: Partial<Conditions>, shoes = 'winter-running-shoes') =>
    head(['thin-merino-base', 'thin-tights', 'wool-socks', shoes], over).scant;
  const plain = scant({ sport: 'hike' });
  const falls = (precipitationMmH: number, over: Partial<Conditions> = {}, shoes?: string) =>
    scant({ sport: 'hike', precipitation: 'dry snow', precipitationMmH, ...over }, shoes) - plain;
  expect([falls(0), falls(1.5), falls(3)].map((x) => Number(x.toFixed(9)))).toEqual([0, 2, 2]);
  expect(falls(0.1)).toBeGreaterThan(0);
  expect(falls(1.4)).toBeLessThan(2);
  for (const over of [{ sport: 'walk' }, { sport: 'run' }, { precipitation: 'rain' }] as const)
    expect(falls(1.5, over)).toBeLessThan(1);
  expect(falls(1.5, {}, 'winter-boots')).toBeLessThan(1e-9);
  expect(scant({ sport: 'run', wetting: 'deep snow' }) - scant({ sport: 'run' })).toBeCloseTo(2, 9);
});

test('rain trousers bother a little in mild air while nothing falls: not in frost, rain or wet ground, nor who rides down', () => {
  const hinders = (over: Partial<Conditions>, ...ids: string[]) => head(['thin-tights', ...ids], over).hinders;
  const mild = { sport: 'hike', airC: 4 } as const;
  expect(hinders(mild, 'storm-trousers')).toBeCloseTo(0.2, 9);
  expect(hinders({ ...mild, airC: 15 }, 'storm-trousers')).toBeCloseTo(0.2, 9);
  expect(hinders({ ...mild, airC: 1 }, 'storm-trousers')).toBeCloseTo(0.1, 9);
  expect(hinders({ ...mild, airC: -2 }, 'storm-trousers')).toBe(0);
  expect(hinders({ ...mild, precipitation: 'rain', precipitationMmH: 0.15 }, 'storm-trousers')).toBeCloseTo(0.1, 9);
  expect(hinders({ ...mild, precipitation: 'rain', precipitationMmH: 0.3 }, 'storm-trousers')).toBe(0);
  expect(hinders({ ...mild, wetting: 'slush' }, 'storm-trousers')).toBe(0);
  expect(hinders({ ...mild, sport: 'downhill ski' }, 'storm-trousers')).toBe(0);
  expect(hinders(mild, 'soft-trousers')).toBe(0);
});

test('mitts hinder whoever brakes and shifts, the less the harder the frost, and not under covers on the bars', () => {
  const hinders = (airC: number, sport: Conditions['sport'], ...ids: string[]) => head(ids, { sport, airC }).hinders;
  expect(hinders(-4, 'cycle', 'fleece-mitts')).toBeCloseTo(0.4, 9);
  expect(hinders(8, 'cycle', 'liner-gloves', 'shell-mitts')).toBeCloseTo(0.4, 9);
  expect(hinders(-11, 'cycle', 'fleece-mitts')).toBeCloseTo(0.2, 9);
  expect(hinders(-17.9, 'cycle', 'fleece-mitts')).toBeGreaterThan(0);
  expect(hinders(-18, 'cycle', 'fleece-mitts')).toBe(0);
  expect(hinders(-4, 'cycle', 'ski-gloves')).toBe(0);
  expect(hinders(-4, 'cycle')).toBe(0);
  expect(hinders(-4, 'cycle', 'fleece-mitts', 'bar-covers')).toBe(0);
  for (const sport of ['run', 'classic ski', 'stand'] as const) expect(hinders(-4, sport, 'fleece-mitts')).toBe(0);
});

test('mitts hinder whoever works in mild air, in full from 12 °C on and not up to 6; gloves do not, nor mitts where one stands', () => {
  const hinders = (airC: number, sport: Conditions['sport'], ...ids: string[]) => head(ids, { sport, airC }).hinders;
  for (const sport of ['run', 'hike', 'classic ski'] as const) {
    expect([hinders(6, sport, 'shell-mitts'), hinders(20, sport, 'shell-mitts')]).toEqual([0, 0.2]);
    expect(hinders(6.1, sport, 'liner-gloves', 'shell-mitts')).toBeGreaterThan(0);
    expect(hinders(12, sport, 'fleece-mitts')).toBeCloseTo(0.2, 9);
    expect(hinders(11.9, sport, 'fleece-mitts')).toBeLessThan(0.2);
    expect(hinders(12, sport, 'wind-gloves')).toBe(0);
  }
  expect(hinders(12, 'stand', 'shell-mitts')).toBe(0);
});

test('bare arms bother in the cold, in full from −4 °C on and not from 8; a tee leaves two thirds of them bare', () => {
  const scant = (id: string, airC: number, open = {}) =>
    head([id, 'thin-tights', 'wool-socks', 'winter-boots'], { airC }, open).scant;
  expect(scant('synthetic-tee', 8)).toBe(0);
  expect(scant('synthetic-tee', 7)).toBeGreaterThan(0);
  expect(scant('synthetic-tee', -4)).toBeCloseTo(3 * 0.65, 1);
  expect(scant('synthetic-tee', -20)).toBeCloseTo(3 * 0.65, 1);
  expect(scant('synthetic-tee', -3)).toBeLessThan(3 * 0.65);
  expect(scant('thin-merino-base', -20)).toBeLessThan(0.2);
  expect(scant('thin-merino-base', -20, { sleeves: 1 })).toBeGreaterThan(0.5);
});

test('bare thighs bother in the cold, in full from 0 °C on and not from 8; shorts leave nearly half of them bare, and wind trousers cling to that half', () => {
  const scant = (airC: number, ...ids: string[]) =>
    head(['thin-merino-base', 'wool-socks', ...ids], { airC, relativeWind: 0 }).scant;
  const bare = 1 - fromCatalogue('running-shorts')!.panels.thighs!.coverage;
  expect(bare).toBeWithin(0.4, 0.5);
  expect(scant(8, 'running-shorts')).toBe(scant(8, 'thin-tights'));
  expect(scant(7.9, 'running-shorts')).toBeGreaterThan(scant(7.9, 'thin-tights'));
  const colder = (airC: number) => scant(airC, 'running-shorts') - scant(airC, 'thin-tights');
  expect(colder(0)).toBeCloseTo(10 * bare, 9);
  expect(colder(-8)).toBeCloseTo(10 * bare, 9);
  expect(colder(0.1)).toBeLessThan(10 * bare);
  expect(scant(10, 'running-shorts', 'wind-trousers')).toBeCloseTo(3 * bare, 9);
});

test('bare calves bother by what the air feels like: others in hard frost, riders from just above freezing', () => {
  const calves = (over: Partial<Conditions>, id = 'capris') =>
    head(['thin-merino-base', id], over).scant - head(['thin-merino-base', 'thin-tights'], over).scant;
  // In still air it feels as cold as it is.
  const still = { relativeWind: 0 };
  const runs = (airC: number) => calves({ ...still, sport: 'run', airC });
  expect(runs(-12.5)).toBe(0);
  expect(runs(-12.6)).toBeGreaterThan(0);
  expect(runs(-16.9)).toBeLessThan(runs(-17));
  expect(runs(-17)).toBeGreaterThan(1);
  expect(runs(-30)).toBeCloseTo(runs(-17), 9);
  const rides = (airC: number) => calves({ ...still, sport: 'cycle', airC });
  expect(rides(4)).toBe(0);
  expect(rides(3.9)).toBeGreaterThan(0);
  expect(rides(-1.9)).toBeLessThan(rides(-2));
  expect(rides(-2)).toBeCloseTo(runs(-17), 9);
  // The easy run of practice at −6 °C stays free of it; an hour on a ridge at the same does not.
  expect(calves({ sport: 'run', airC: -6, relativeWind: 3 })).toBe(0);
  expect(calves({ sport: 'run', airC: -6, relativeWind: 9 })).toBeGreaterThan(1);
});

test('heavy trousers bind strides by their mass, and what is made for running or track skiing does not', () => {
  const hinders = (sport: Conditions['sport'], massG: number, over: Partial<Garment> = {}) =>
    dressedIn([{ ...garmentsOf('soft-trousers')[0], massG, ...over }], { sport }, {}).hinders;
  for (const [sport, most] of [
    ['run', 1],
    ['classic ski', 0.5],
    ['skate ski', 0.5],
  ] as const) {
    expect(hinders(sport, 200)).toBe(0);
    expect(hinders(sport, 210)).toBeGreaterThan(0);
    expect(hinders(sport, 325)).toBeCloseTo(most / 2, 9);
    expect(hinders(sport, 450)).toBeCloseTo(most, 9);
    expect(hinders(sport, 700)).toBeCloseTo(most, 9);
    expect(hinders(sport, 450, { suits: ['run', 'nordic'] })).toBe(0);
  }
  for (const sport of ['hike', 'ski tour', 'stand'] as const) expect(hinders(sport, 480)).toBe(0);
});

test('a membrane sticks to bare arms, the less of them the longer the sleeves beneath; wind cloth does only in the frost', () => {
  const mild = { airC: 12 };
  const scant = (...ids: string[]) => head([...ids, 'thin-tights'], mild).scant;
  const bare = scant('light-rain-shell');
  expect(bare).toBeWithin(1.5, 2);
  expect(scant('synthetic-tee', 'light-rain-shell')).toBeWithin(0.3 * bare, 0.9 * bare);
  expect(scant('thin-merino-base', 'light-rain-shell')).toBeLessThan(0.1 * bare);
  expect(scant('thin-merino-base', 'synthetic-tee')).toBe(0);
  expect(scant('wind-shell')).toBe(0);
  const frost = (airC: number, ...ids: string[]) =>
    head([...ids, 'thin-tights', 'wool-socks', 'winter-boots'], { airC, relativeWind: 0 }).scant;
  expect(frost(2, 'wind-shell')).toBe(0);
  expect(frost(1.9, 'wind-shell')).toBeGreaterThan(0);
  expect(frost(-8, 'wind-shell')).toBeGreaterThan(frost(-7.9, 'wind-shell'));
  expect(frost(-12, 'wind-shell')).toBe(frost(-8, 'wind-shell'));
  expect(frost(-8, 'synthetic-tee', 'wind-shell')).toBeWithin(0.3 * frost(-8, 'wind-shell'), 1);
  expect(frost(-8, 'thin-merino-base', 'wind-shell')).toBeLessThan(0.1);
  // A shell with a lining is a sleeve like any other.
  expect(frost(-8, 'synthetic-tee', 'lined-soft-shell')).toBeLessThan(0.1);
});

test('driven snow lodges in knits: from a wind that drives it, not in calm air, nor in dense cloth, nor under a shell', () => {
  // What lodges in the cap is the same each time.
  const rainedIn = (worn: Garment[], over: Partial<Conditions>) =>
    dressedIn([...worn, ...garmentsOf('thin-cap')], over, {}).rained - head(['thin-cap'], over).rained;
  const rained = (over: Partial<Conditions>, ...ids: string[]) =>
    rainedIn(garmentsOf(...ids), { precipitation: 'dry snow', precipitationMmH: 2, airC: -8, ...over });
  const gale = rained({ relativeWind: 7 }, 'pile-fleece');
  expect(gale).toBeGreaterThan(0.5);
  expect(rained({ relativeWind: 9 }, 'pile-fleece')).toBe(gale);
  expect(rained({ relativeWind: 6.9 }, 'pile-fleece')).toBeLessThan(gale);
  expect(rained({ relativeWind: 3 }, 'pile-fleece')).toBe(0);
  expect(rained({ relativeWind: 3.1 }, 'pile-fleece')).toBeGreaterThan(0);
  for (const ids of [['pile-fleece', 'wind-shell'], ['active-jacket'], ['pile-fleece', 'down-puffy']])
    expect(rained({ relativeWind: 9 }, ...ids)).toBe(0);
  const knit = (airPermeability: number) =>
    rainedIn([{ ...garmentsOf('pile-fleece')[0], airPermeability }], {
      precipitation: 'dry snow',
      precipitationMmH: 2,
      airC: -8,
      relativeWind: 9,
    });
  expect([knit(150), knit(450)]).toEqual([0, gale]);
  expect(knit(160)).toBeGreaterThan(0);
  expect(knit(440)).toBeLessThan(gale);
  // Off the ground it does the same; while nothing is driven the wind alone is for the body to tell.
  const ground = { precipitation: 'none', precipitationMmH: 0, relativeWind: 9 } as const;
  expect(rained({ ...ground, wetting: 'spindrift' }, 'pile-fleece')).toBeGreaterThan(0.3);
  expect(rained(ground, 'pile-fleece')).toBe(0);
});

test('bare hands on a descent on skis bother, in any glove not, and elsewhere their cold alone counts', () => {
  const scant = (sport: Conditions['sport'], ...ids: string[]) =>
    head(['thin-merino-base', 'thin-tights', ...ids], { sport, airC: 5 }).scant;
  expect(scant('downhill ski') - scant('downhill ski', 'liner-gloves')).toBe(3);
  for (const sport of ['ski tour', 'run', 'chairlift'] as const)
    expect(scant(sport)).toBe(scant(sport, 'liner-gloves'));
});

test('a front that stands open flaps in a gale: nothing at the first wind, all at the last, half open hardly', () => {
  const flaps = (relativeWind: number, zip: number, ...ids: string[]) =>
    head(['synthetic-tee', ...ids], { relativeWind }, { zip }).flaps;
  expect(flaps(7, 1, 'wind-shell')).toBe(0);
  expect(flaps(7.1, 1, 'wind-shell')).toBeGreaterThan(0);
  const gale = flaps(14, 1, 'wind-shell');
  expect(gale).toBeWithin(0.5, 1);
  expect(flaps(13.9, 1, 'wind-shell')).toBeLessThan(gale);
  expect(flaps(30, 1, 'wind-shell')).toBe(gale);
  expect(flaps(14, 0, 'wind-shell')).toBe(0);
  expect(flaps(14, 0.5, 'wind-shell')).toBeLessThan(0.5);
  expect(flaps(14, 1)).toBe(0);
});
