import { AVERAGE_PERSON } from '@/core/body/person';
import { replan, type ReplanQuestion } from '@/core/search/replan';
import { runPlan } from '@/core/questions/question';
import { isWorn } from '@/core/kit/replay';
import { SKI_CLOSET, upStopDown } from '#tests/support/outings';

const timeline = upStopDown();
const bare = {
  worn: [
    'thin-merino-base',
    'grid-fleece',
    'wind-shell-pits',
    'briefs',
    'thin-tights',
    'soft-trousers',
    'wool-socks',
    'touring-boots',
    'liner-gloves',
    'thin-cap',
  ],
  carried: ['standby-puffy', 'warm-mitts', 'warm-hat', 'neck-tube'],
  openings: {},
  cues: [],
};
const asked = (over: Partial<ReplanQuestion> = {}): ReplanQuestion => ({
  person: AVERAGE_PERSON,
  closet: SKI_CLOSET,
  timeline,
  plan: bare,
  sport: 'ski tour',
  nowS: 3600,
  maxCues: 4,
  ...over,
});

const ahead = (cues: { atS: number }[], nowS: number) => cues.filter((c) => c.atS > nowS);

describe('planning the rest from here', () => {
  const q = asked();
  const r = replan(q);
  it('finds what the stop asks for: something warm on at the top, and saves what it says', () => {
    const cost = (plan: typeof bare) => runPlan({ ...q, plan }, plan, { stepS: 60 }).total;
    expect(isWorn(r.plan, 'standby-puffy', 4500)).toBe(true);
    expect(r.saves).toBeGreaterThan(1);
    expect(cost(bare) - cost(r.plan as typeof bare)).toBeCloseTo(r.saves, 0);
    expect(r.safe).toBe(true);
  });
  it('uses what is along and nothing else, and leaves what is done alone', () => {
    const done = { atS: 3500, actions: [{ do: 'takeOff' as const, garment: 'thin-cap' }] };
    const again = replan(asked({ plan: { ...bare, cues: [done] } }));
    expect(again.plan.cues[0]).toEqual(done);
    const along = new Set([...bare.worn, ...bare.carried]);
    for (const c of again.plan.cues) for (const a of c.actions) expect(along).toContain(a.garment);
    expect(new Set([...again.plan.worn, ...again.plan.carried])).toEqual(along);
  });
  it('keeps to so many cues, and to none', () => {
    for (const maxCues of [0, 1, 2])
      expect(ahead(replan(asked({ maxCues })).plan.cues, q.nowS).length).toBeLessThanOrEqual(maxCues);
    expect(() => replan(asked({ maxCues: 13 }))).toThrow(/most cues/);
  });
  it('is never worse than the plan as it was', () => {
    for (const nowS of [0, 1200, 4300, 6000]) expect(replan(asked({ nowS })).saves).toBeGreaterThanOrEqual(0);
  });
  it('a plan that is right already is left as it is', () => {
    const twice = replan(asked({ plan: r.plan }));
    expect(twice.saves).toBeLessThan(0.3);
  });
  it('stops when it is told to, with the best so far', () => {
    let asks = 0;
    const cut = replan(asked({ goOn: () => ++asks < 20 }));
    expect(cut.runs).toBeLessThan(r.runs);
    expect(cut.saves).toBeGreaterThanOrEqual(0);
  });
});
