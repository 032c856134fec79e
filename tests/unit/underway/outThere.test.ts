import { HELPS_S, helpNow } from '@/core/underway/helpNow';
import { CUE_S, LATER_S, outThere, wornPlan } from '@/core/underway/outThere';
import { inForce, nextTapMs, type Tap, type Told } from '@/core/underway/taps';
import { aPack, opened, T0, tap } from '#tests/support/aPack';

const at = (nowS: number, ...taps: Tap[]) => outThere(opened, taps, T0 + nowS * 1000);
const begun = tap(0, { kind: 'started', by: 'button' });
const stands = (nowS: number, ...taps: Tap[]) => at(nowS, begun, ...taps).cues.map((c) => c.stands);
const FIRST = '0:600';

describe('what is known from taps alone', () => {
  it('before the start nothing runs', () => {
    const out = at(-900);
    expect([out.stage, out.startMs, out.nowS]).toEqual(['door', null, 0]);
    expect(out.next?.number).toBe(1);
  });
  it('a cue is ahead, near, due, overdue and missed, each from its second on', () => {
    const when = (overS: number) => stands(600 + overS)[0];
    expect(when(-CUE_S.near - 1)).toBe('ahead');
    expect(when(-CUE_S.near + 1)).toBe('near');
    expect(when(-CUE_S.due - 1)).toBe('near');
    expect(when(-CUE_S.due + 1)).toBe('due');
    expect(when(CUE_S.overdue)).toBe('due');
    expect(when(CUE_S.overdue + 1)).toBe('overdue');
    expect(when(CUE_S.missed)).toBe('overdue');
    expect(when(CUE_S.missed + 1)).toBe('missed');
  });
  it('done is done at the moment of the tap, and the next one stands there', () => {
    const out = at(700, begun, tap(650, { kind: 'done', cue: FIRST }));
    expect(out.cues[0]).toMatchObject({ stands: 'done', doneS: 650 });
    expect(out.next?.number).toBe(2);
    expect(wornPlan(out, 'now').cues[0].atS).toBe(650);
  });
  it('put off, it is asked for again when its reason is over', () => {
    const later = tap(650, { kind: 'later', cue: FIRST, reason: 'not yet' });
    expect(stands(651, later)[0]).toBe('near');
    expect(stands(650 + LATER_S['not yet'] + CUE_S.overdue + 1, later)[0]).toBe('overdue');
  });
  it('what is overdue is worn in a minute, or never, as one asks; what was missed is not', () => {
    const out = at(800, begun);
    expect(wornPlan(out, 'now').cues.map((c) => c.atS)).toEqual([860, 3600]);
    expect(wornPlan(out, 'never').cues.map((c) => c.atS)).toEqual([3600]);
    expect(wornPlan(at(1600, begun), 'now').cues.map((c) => c.atS)).toEqual([3600]);
  });
  it('who says that hands or feet are cold is told what helps, for ten minutes, and not after another word', () => {
    const cold = tap(900, { kind: 'feels', feels: 'hands cold' });
    expect(helpNow(at(900 + HELPS_S, begun, cold))).toMatch(/belly/);
    expect(helpNow(at(901 + HELPS_S, begun, cold))).toBeNull();
    expect(helpNow(at(960, begun, tap(900, { kind: 'feels', feels: 'feet cold' })))).toMatch(/laces/);
    expect(helpNow(at(960, begun, cold, tap(950, { kind: 'feels', feels: 'fine' })))).toBeNull();
    expect(helpNow(at(960, begun))).toBeNull();
  });
  it('how one is stuck is kept till one goes on: then the shelter is left, the company stays', () => {
    const so = { people: 3, shelter: 'a bivouac bag', helpFromH: 3, helpToH: 5 };
    const stuck = [begun, tap(900, { kind: 'stuck' }), tap(950, { kind: 'stuck so', so })];
    expect(at(1000, begun).stuckSo).toEqual({ people: 1, shelter: null, helpFromH: 2, helpToH: 6 });
    expect(at(1000, ...stuck)).toMatchObject({ stuckS: 900, stuckSo: so });
    const on = at(1200, ...stuck, tap(1100, { kind: 'unstuck' }));
    expect(on).toMatchObject({ stuckS: null, stuckSo: { people: 3, shelter: null, helpFromH: 2, helpToH: 6 } });
  });
  it('two taps of one phone in one moment keep their order; one of another day or phone is as late as its clock says', () => {
    const made = [{ ...begun, device: 'a', atMs: 10_000 }];
    expect(nextTapMs(made, 'a', 10_001)).toBe(10_001);
    expect(nextTapMs(made, 'a', 10_000)).toBe(10_001);
    expect(nextTapMs(made, 'a', 5_001)).toBe(10_001);
    expect(nextTapMs(made, 'a', 5_000)).toBe(5_000);
    expect(nextTapMs(made, 'b', 10_000)).toBe(10_000);
    expect(nextTapMs([], 'a', 7)).toBe(7);
  });
  it('late and stopped move what is ahead, not what is behind', () => {
    expect(at(2000, begun, tap(1900, { kind: 'late', minutes: 10 })).cues[1].dueS).toBeCloseTo(4200, 3);
    const stopped = [tap(1000, { kind: 'stopped' }), tap(1600, { kind: 'going' })];
    expect(at(2000, begun, ...stopped).lateS).toBeCloseTo(600, 3);
    expect(at(1300, begun, stopped[0])).toMatchObject({ stoppedS: 1000, wayS: 1000 });
  });
  it('a place on the route moves them too; off the route the clock goes on', () => {
    const fix = (offM: number) => tap(1800, { kind: 'fix', metres: 1200, offM });
    expect(at(1800, begun, fix(10)).lateS).toBeCloseTo(600, -1);
    expect(at(1800, begun, fix(300))).toMatchObject({ lateS: 0, place: { off: true } });
  });
  it('a phone that says nothing of its place, or a strap, is lost after a while', () => {
    const heard = [tap(1000, { kind: 'fix', metres: 1000, offM: 3 }), tap(1000, { kind: 'pulse', bpm: 140 })];
    expect(at(1060, begun, ...heard)).toMatchObject({ gps: 'good', strap: 'good' });
    expect(at(1061, begun, ...heard)).toMatchObject({ gps: 'good', strap: 'lost' });
    expect(at(1181, begun, ...heard)).toMatchObject({ gps: 'lost', strap: 'lost' });
    expect(at(1000, begun)).toMatchObject({ gps: 'none', strap: 'none' });
  });
  it('pulse counts once in ten minutes, as a metabolic rate', () => {
    const pulses = Array.from({ length: 21 }, (_, i) => tap(300 + 60 * i, { kind: 'pulse', bpm: 140 }));
    const { heard } = at(1600, begun, ...pulses);
    expect(heard).toHaveLength(1);
    expect(heard[0]).toMatchObject({ metabolicW: expect.any(Number) });
  });
  it('what is not with me leaves plan, cues and pack; the cues keep their names', () => {
    const out = at(100, begun, tap(-60, { kind: 'with', garment: 'standby-puffy', along: false }));
    expect(out.plan.carried).not.toContain('standby-puffy');
    expect(out.cues.map((c) => c.key)).toEqual([FIRST, '0:3600']);
    expect(out.cues[1].cue.actions).toHaveLength(1);
  });
  it('cues of a new plan replace those ahead and leave what was done', () => {
    const cues = [{ atS: 2400, actions: [{ do: 'putOn' as const, garment: 'grid-fleece' }] }];
    const out = at(1500, begun, tap(650, { kind: 'done', cue: FIRST }), tap(1400, { kind: 'replanned', cues }));
    expect(out.cues.map((c) => [c.key, c.stands])).toEqual([['1:2400', 'ahead']]);
    expect(wornPlan(out, 'now').cues.map((c) => c.atS)).toEqual([650, 2400]);
  });
  it('a done cue that pace goes with keeps its length at its own time', () => {
    const plan = { ...aPack().plan, cues: [{ atS: 600, actions: [], pace: { share: 0.8, untilS: 900 } }] };
    const own = { ...opened, pack: aPack({ plan }) };
    const out = outThere(own, [begun, tap(700, { kind: 'done', cue: FIRST })], T0 + 800_000);
    expect(wornPlan(out, 'now').cues[0].pace).toEqual({ share: 0.8, untilS: 1000 });
  });
});

describe('order, doubles and taking back', () => {
  const done: Told = { kind: 'done', cue: FIRST };
  it('told twice counts once, and two phones agree whatever came first', () => {
    const mine = tap(650, done, { id: 'b', device: 'mine' });
    const other = tap(640, { kind: 'feels', feels: 'fine' }, { id: 'a', device: 'watch' });
    expect(at(700, begun, mine, other, mine)).toEqual(at(700, other, mine, begun));
    expect(at(700, begun, mine, other, mine).heard).toHaveLength(1);
  });
  it('the first of two starts is the start', () => {
    expect(at(700, begun, tap(30, { kind: 'started', by: 'moving' })).nowS).toBe(700);
  });
  it('undo takes back, and undo of an undo gives back', () => {
    const d = tap(650, done, { id: 'd' });
    const u = tap(655, { kind: 'undo', tap: 'd' }, { id: 'u' });
    const again = tap(660, { kind: 'undo', tap: 'u' }, { id: 'v' });
    expect(inForce([d, u])).toEqual([]);
    expect(inForce([d, u, again]).map((t) => t.id)).toEqual(['d']);
  });
  it('at one moment the names decide, the same on every phone', () => {
    const a = tap(10, { kind: 'sky', sky: { air: 'colder', wind: 'less', falls: 'dry' } }, { id: 'a' });
    const b = tap(10, { kind: 'sky', sky: { air: 'warmer', wind: 'less', falls: 'dry' } }, { id: 'b' });
    expect(at(20, b, a).sky.air).toBe('warmer');
    expect(at(20, a, b).sky.air).toBe('warmer');
  });
});
