import { dangersAhead, DANGER_AHEAD_S } from '@/core/underway/dangers';
import { warmestOrder } from '@/core/underway/dressing';
import { goneNow, meantNow } from '@/core/underway/gone';
import { lightAt, mustTurn, type Light } from '@/core/underway/light';
import { nowOf } from '@/core/underway/now';
import { outThere } from '@/core/underway/outThere';
import { leadDaysOf, openPack } from '@/core/underway/pack';
import { redress } from '@/core/underway/redress';
import { AS_SAID, type Tap } from '@/core/underway/taps';
import { underSky } from '@/core/underway/underSky';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { AVERAGE_PERSON } from '@/core/body/person';
import { runPlan } from '@/core/questions/question';
import { timelineOf } from '@/core/outing/outing';
import { aPack, opened, T0, tap, tourOuting, tourPlan } from '#tests/support/aPack';
import { SKI_CLOSET } from '#tests/support/outings';

const begun = tap(0, { kind: 'started', by: 'button' });
const at = (nowS: number, ...taps: Tap[]) => outThere(opened, [begun, ...taps], T0 + nowS * 1000);
const FIRST = tap(610, { kind: 'done', cue: '0:600' });

describe('the screen on the way', () => {
  const now = nowOf(opened, at(1800, FIRST), null);
  it('shows the body of the plan as it is really done', () => {
    const scored = runPlan(
      { person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: opened.timeline, plan: tourPlan },
      tourPlan,
    );
    const fingers = now.body.traces.find((t) => t.name === 'fingers')!;
    expect(fingers.now).toBeCloseTo(scored.series.skinC[30 * ZONE_COUNT + zoneIndex('fingers')], 1);
    expect(fingers.points[0].atS).toBe(600);
    expect(now.body.traces.map((t) => t.name)).toEqual(['pulse', 'sweat', 'fingers', 'toes', 'water']);
  });
  it('has the air and the end of where one is', () => {
    expect(now.airC).toBeLessThan(-9);
    expect(now.feelsC).toBeLessThan(now.airC);
    expect(now.endS).toBeCloseTo(opened.timeline.endS, 3);
    expect(now.overdue).toBeNull();
  });
  it('draws what is overdue three ways: as planned, done now, and not', () => {
    const late = nowOf(opened, at(4100, FIRST), null);
    const last = (c: { value: number }[]) => c[c.length - 1].value;
    expect(last(late.overdue!.not)).toBeLessThan(last(late.overdue!.now));
    expect(late.overdue!.planned.length).toBeGreaterThan(5);
  });
});

describe('danger', () => {
  const cold = openPack(
    aPack({
      outing: { ...tourOuting, forecast: tourOuting.forecast.map((h) => ({ ...h, airC: -28, wind: 12, gust: 18 })) },
    }),
  );
  const scored = runPlan({
    person: AVERAGE_PERSON,
    closet: SKI_CLOSET,
    timeline: cold.timeline,
    plan: { ...tourPlan, cues: [] },
  });
  it('is read ahead of its moment, and not from farther', () => {
    const [first] = dangersAhead(scored, AVERAGE_PERSON, 0, 7200);
    expect(first).toBeDefined();
    expect(
      dangersAhead(scored, AVERAGE_PERSON, first.atS - DANGER_AHEAD_S - 120).some((d) => d.kind === first.kind),
    ).toBe(false);
    expect(dangersAhead(scored, AVERAGE_PERSON, first.atS - DANGER_AHEAD_S + 60)[0].kind).toBe(first.kind);
  });
  it('comes with what to put on in order, and stays away for a while once answered', () => {
    const out = (...taps: Tap[]) => outThere(cold, [begun, ...taps], T0 + 4300 * 1000);
    const shown = nowOf(cold, out(), null).danger!;
    expect(shown.steps.length).toBeGreaterThan(1);
    const answered = tap(4290, { kind: 'goes on', danger: shown.danger.kind, why: 'hut is nearer' });
    expect(nowOf(cold, out(answered), null).danger?.danger.kind).not.toBe(shown.danger.kind);
  });
  it('what is worn is shut first, then hands, then the torso; nothing of it twice', () => {
    const { steps } = warmestOrder(tourPlan, SKI_CLOSET, 1000);
    expect(steps[0].says).toMatch(/Wind shell/i);
    const order = steps.map((s) => s.garment);
    expect(order.indexOf('warm-mitts')).toBeLessThan(order.indexOf('standby-puffy'));
    expect(new Set(order).size).toBe(order.length);
    expect(order).not.toContain('wool-socks');
  });
});

describe('light', () => {
  const light = (over: Partial<Light>): Light => ({
    darkS: 30_000,
    endS: 31_000,
    backS: 10_000,
    turnByS: 15_000,
    meant: false,
    ...over,
  });
  it('turning is due five minutes before it must be, while the way back is the shorter one', () => {
    expect(mustTurn(light({}), 14_699)).toBe(false);
    expect(mustTurn(light({}), 14_700)).toBe(true);
    expect(mustTurn(light({ backS: 16_301 }), 14_700)).toBe(false);
  });
  it('not when one is home before dark, nor when the plan meant the dark, nor where nobody knows', () => {
    expect(mustTurn(light({ endS: 29_999 }), 20_000)).toBe(false);
    expect(mustTurn(light({ meant: true }), 14_800)).toBe(false);
    expect(mustTurn(light({ darkS: null, turnByS: null }), 14_800)).toBe(false);
  });
  it('night in mid January at 56° north comes well after noon', () => {
    const planned = { outing: tourOuting, lengthS: opened.timeline.endS, startMs: T0 };
    const l = lightAt(planned, { startMs: T0, nowS: 0, wayS: 0, endS: 7000 });
    // Sunset about 16:05 by local time (UTC+1) there, civil dusk 40 minutes later (almanac, from memory); the start is at 9.
    expect(l.darkS! / 3600 + 9).toBeGreaterThan(16.4);
    expect(l.darkS! / 3600 + 9).toBeLessThan(17.2);
    expect(l.meant).toBe(false);
    // Who starts at five has the dark of the morning first, and the same evening.
    const early = lightAt(planned, { startMs: T0 - 4 * 3600_000, nowS: 0, wayS: 0, endS: 7000 });
    expect(early.darkS! / 3600 + 5).toBeCloseTo(l.darkS! / 3600 + 9, 0);
  });
});

describe('the sky at the door', () => {
  it('as said changes nothing', () => {
    expect(meantNow(opened, { sky: { ...AS_SAID }, turnedBackWayS: null, was: null }).outing).toBe(opened.pack.outing);
  });
  it('colder, windier and wet change the day, the fall for three hours only', () => {
    const { forecast } = underSky(tourOuting, { air: 'colder', wind: 'more', falls: 'wet' });
    expect(forecast[2].airC).toBe(-12);
    expect(forecast[2].wind).toBeCloseTo(8, 6);
    expect(forecast[4]).toMatchObject({ precipitationMmH: 1, kind: 'dry snow' });
    expect(forecast[5].precipitationMmH).toBe(0);
  });
  it('the plan is re-made for it with as few changes as will do', () => {
    const out = (...taps: Tap[]) => outThere(opened, taps, T0 - 60_000);
    const sky = tap(-600, { kind: 'sky', sky: { air: 'colder', wind: 'more', falls: 'as said' } });
    const plan = redress(opened, out(sky));
    const { timeline } = meantNow(opened, out(sky));
    const cost = (p: typeof plan) => runPlan({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline, plan: p }).total;
    expect(cost(plan)).toBeLessThan(cost(tourPlan));
    const without = redress(opened, out(tap(-600, { kind: 'with', garment: 'standby-puffy', along: false })));
    expect([...without.worn, ...without.carried]).not.toContain('standby-puffy');
  });
});

describe('the way as it is gone', () => {
  it('back home is as long as it was there, without the stops, and goes down what was climbed', () => {
    const out = at(4800, FIRST, tap(4500, { kind: 'turned back' }));
    const { outing, timeline } = goneNow(opened, out);
    const climbs = outing.legs.map((l) => Math.round(l.climbM));
    expect(climbs[0] + climbs[climbs.length - 1]).toBe(0);
    expect(timeline.endS).toBeGreaterThan(4500 + 3600);
    expect(outing.legs.filter((l) => l.name.startsWith('Back')).some((l) => l.sport === 'stand')).toBe(false);
  });
  it('starts when it was started, in the weather of that hour', () => {
    const late = outThere(opened, [tap(7200, { kind: 'started', by: 'button' })], T0 + 7300 * 1000);
    expect(goneNow(opened, late).outing.startMs).toBe(tourOuting.startMs + 7200 * 1000);
    expect(timelineOf(goneNow(opened, late).outing, AVERAGE_PERSON).endS).toBeCloseTo(opened.timeline.endS, 3);
  });
});

describe('how old the forecast is', () => {
  it('counts in days to the start, at most ten, never less than none', () => {
    const pack = aPack({ forecastMs: T0 - 2 * 24 * 3600_000 });
    expect(leadDaysOf(pack, T0)).toBeCloseTo(2, 6);
    expect(leadDaysOf(aPack({ forecastMs: T0 + 1 }), T0)).toBe(0);
    expect(leadDaysOf(aPack({ forecastMs: 0 }), T0)).toBe(10);
  });
});
