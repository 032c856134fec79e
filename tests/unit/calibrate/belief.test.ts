import { AVERAGE_PERSON } from '@/core/body/person';
import { aheadOf, believe, believed, beliefWords, readingAt, type Belief } from '@/core/calibrate/belief';
import { FEELINGS, likelihood, type Feeling, type Heard, type Reading } from '@/core/calibrate/votes';
import { athleteOfMember, dayOfMember, UNKNOWNS, type Member } from '@/core/questions/chances';
import { runPlan } from '@/core/questions/question';
import { SKI_CLOSET, upStopDown } from '#tests/support/outings';
import seedrandom from 'seedrandom';

const timeline = upStopDown();
const plan = {
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
  carried: ['standby-puffy', 'warm-mitts'],
  openings: {},
  cues: [{ atS: 4200, actions: [{ do: 'putOn' as const, garment: 'standby-puffy' }] }],
};
const question = { person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline, plan, leadDays: 1 };
const NOW_S = 3900;

/** A day and an athlete that nobody knows, and what they would tap at some times. */
function hidden(seed: number) {
  const random = seedrandom(String(seed));
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const z = Object.fromEntries(UNKNOWNS.map((u) => [u, Math.max(-2.5, Math.min(2.5, normal()))])) as Member['z'];
  const scored = runPlan(
    { ...question, person: athleteOfMember(AVERAGE_PERSON, { z }), timeline: dayOfMember(timeline, { z }, 1) },
    plan,
  );
  // What is asked is answered by the odds of the answer in the true run.
  const asked = (atS: number, feels: Feeling): Heard[] =>
    random() < likelihood({ atS, feels }, readingAt(scored, atS)) ? [{ atS, feels }] : [];
  const heard = [1500, 2700, 3800].flatMap((atS) => {
    for (const f of [...FEELINGS].sort(() => random() - 0.5)) {
      const said = asked(atS, f);
      if (said.length > 0) return said;
    }
    return [{ atS, feels: 'fine' as const }];
  });
  return { truth: aheadOf(scored, NOW_S), heard };
}

/** Degrees add, water grows by factors: a body that sweats twice as much scatters twice as far. */
const width = (of: 'waterG' | 'fingersC', { low, high }: { low: number; high: number }) =>
  of === 'waterG' ? Math.log(high / low) : high - low;
const holds = ({ low, high }: Belief['after']['waterG'], v: number) => v >= low && v <= high;

describe('what is believed after three taps', () => {
  const days = Array.from({ length: 60 }, (_, i) => {
    const { truth, heard } = hidden(i + 1);
    return { truth, belief: believe({ ...question, heard, nowS: NOW_S }) };
  });
  it.each(['waterG', 'fingersC'] as const)('is less spread than before and nearer to the truth: %s', (of) => {
    const mean = (read: (d: (typeof days)[number]) => number) =>
      days.reduce((sum, d) => sum + read(d), 0) / days.length;
    const narrower = (d: (typeof days)[number]) => width(of, d.belief.after[of]) / width(of, d.belief.before[of]);
    // Narrower in the mean by more than two standard errors of these days.
    const [ratio, square] = [mean(narrower), mean((d) => narrower(d) ** 2)];
    expect(ratio).toBeLessThan(1 - 2 * Math.sqrt((square - ratio * ratio) / days.length));
    expect(mean((d) => Math.abs(d.belief.after[of].mid - d.truth[of]))).toBeLessThan(
      mean((d) => Math.abs(d.belief.before[of].mid - d.truth[of])),
    );
  });
  it.each(['waterG', 'fingersC'] as const)('holds the truth in eight of ten days: %s', (of) => {
    const held = days.slice(0, 30).filter((d) => holds(d.belief.after[of], d.truth[of])).length;
    // Of 30 days at eight in ten: 24, and outside 19 to 28 in one of fifty by the binomial.
    expect(held).toBeGreaterThanOrEqual(19);
    expect(held).toBeLessThanOrEqual(28);
  });
});

describe('one tap', () => {
  const after = (...heard: Heard[]) => believe({ ...question, heard, nowS: NOW_S });
  const hands = 'hands and feet' as const;
  const none = after();
  it('moves what it is about, in its direction', () => {
    const { z } = none;
    expect(after({ atS: 2700, feels: 'hands cold' }).z[hands].mean).toBeGreaterThan(z[hands].mean + 0.3);
    expect(after({ atS: 2700, feels: 'too hot' }).z.comfort.mean).toBeGreaterThan(z.comfort.mean + 0.1);
    expect(after({ atS: 4800, feels: 'cold' }).z.comfort.mean).toBeLessThan(z.comfort.mean - 0.1);
    expect(after({ atS: 2700, feels: 'sweating' }).after.waterG.mid).toBeGreaterThan(none.after.waterG.mid);
  });
  it('nothing heard leaves everything as it was', () => {
    expect(none.after).toEqual(none.before);
    expect(none.counts).toBeCloseTo(64, 6);
    expect(beliefWords(none)).toBe('');
  });
  it('a pulse far over the plan says so in words', () => {
    const planned = readingAt(runPlan(question, plan), 2700).metabolicW;
    const hard = after({ atS: 1500, metabolicW: 1.15 * planned }, { atS: 2700, metabolicW: 1.15 * planned });
    expect(beliefWords(hard)).toMatch(/^You work harder than I thought/);
    expect(believed(hard, timeline, { person: AVERAGE_PERSON }, 1).timeline.stretches[0].metabolicW).toBeGreaterThan(
      timeline.stretches[0].metabolicW,
    );
  });
  it('that makes no sense does not take over: three sound ones still count for more', () => {
    const sound = [1500, 2000, 2500].map((atS): Heard => ({ atS, feels: 'too hot' }));
    const odd = after(...sound, { atS: 2600, feels: 'cold' });
    expect(odd.z.comfort.mean).toBeGreaterThan(0);
  });
  it('three that agree draw new members where the likely ones lie', () => {
    const sure = after(...[1200, 2400, 3600].map((atS): Heard => ({ atS, feels: 'hands cold' })));
    expect(sure.counts).toBeGreaterThan(16);
    expect(sure.z[hands].mean).toBeGreaterThan(0.8);
    const six = [600, 1200, 1800, 2400, 3000, 3600];
    for (const feels of ['cold', 'too hot'] as const)
      expect(after(...six.map((atS): Heard => ({ atS, feels }))).counts).toBeGreaterThan(16);
  });
});

describe('what is believed, in words', () => {
  const z = (over: Partial<Belief['z']>): Pick<Belief, 'z'> => ({
    z: { ...(Object.fromEntries(UNKNOWNS.map((u) => [u, { mean: 0, sd: 1 }])) as Belief['z']), ...over },
  });
  it('an unknown turned out otherwise from 0.4 deviations on, where that much is known', () => {
    expect(beliefWords(z({ sweat: { mean: 0.41, sd: 0.89 } }))).toBe('You sweat more than I thought.');
    expect(beliefWords(z({ sweat: { mean: -0.41, sd: 0.89 } }))).toBe('You sweat less than I thought.');
    expect(beliefWords(z({ sweat: { mean: 0.39, sd: 0.89 } }))).toBe('');
    expect(beliefWords(z({ sweat: { mean: 0.41, sd: 0.91 } }))).toBe('');
  });
  it('as it was thought is said of what is known clearly better, and within 0.2', () => {
    expect(beliefWords(z({ wind: { mean: 0.19, sd: 0.79 } }))).toBe('The wind is as forecast.');
    expect(beliefWords(z({ wind: { mean: 0.19, sd: 0.81 } }))).toBe('');
    expect(beliefWords(z({ wind: { mean: 0.21, sd: 0.79 } }))).toBe('');
  });
});

describe('odds of a tap', () => {
  const at = (vote: number): Reading => ({ vote, fingersC: 30, toesC: 30, wettedness: 0.06, metabolicW: 500 });
  // ISO 7730: PPD = 100 − 95 exp(−0.03353 PMV⁴ − 0.2179 PMV²), dissatisfied are those who vote ±2 or ±3.
  it.each([0, 0.5, 1, 1.5, 2])(
    'too hot or cold is as often as ISO 7730 has people dissatisfied, mean vote %s',
    (pmv) => {
      const ppd = 1 - 0.95 * Math.exp(-0.03353 * pmv ** 4 - 0.2179 * pmv ** 2);
      // Without the slips, which are a share of 5 % of anything.
      const said = (feels: Feeling) => (likelihood({ atS: 0, feels }, at(pmv)) - 0.05) / 0.95;
      expect(Math.abs(said('too hot') + said('cold') - ppd)).toBeLessThan(0.035);
    },
  );
  it('hands are called cold as often as not at 20 °C of skin', () => {
    const cold = (fingersC: number) => likelihood({ atS: 0, feels: 'hands cold' }, { ...at(0), fingersC });
    expect(cold(20)).toBeCloseTo(0.525, 3);
    expect(cold(24)).toBeLessThan(0.15);
    expect(cold(15)).toBeGreaterThan(0.95);
  });
});
