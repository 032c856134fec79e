import { CATALOGUE } from '@/core/clothing/catalogue';
import { kitChanges, wearingChanges } from '@/core/search/changes';
import { moveCue } from '@/core/kit/edit';
import { phases } from '@/core/outing/moments';
import { runPlan } from '@/core/questions/question';
import { Trials } from '@/core/questions/trials';
import { aPack, opened, tourPlan } from '#tests/support/aPack';

const { person, damp } = aPack();
const q = { person, closet: CATALOGUE, damp, timeline: opened.timeline, sport: aPack().outing.sport, plan: tourPlan };
const STEP_S = 60;
const inFull = (plan = tourPlan) => runPlan(q, plan, { stepS: STEP_S }).total;

describe('changes that are tried cheaply', () => {
  const changes = [...wearingChanges(q, q.timeline, tourPlan), ...kitChanges(q, tourPlan)].map((c) => c.edit(tourPlan));
  const trials = new Trials(q, STEP_S);
  const held = trials.hold(tourPlan)!;
  const before = inFull();

  it('cost about what they cost in full, and what was given up is no better', () => {
    const far: number[] = [];
    const doubts: number[] = [];
    for (const next of changes) {
      const { saves, doubt } = trials.about(next)!;
      const really = before - inFull(next);
      // Where much is at stake the coarse run may be a tenth of it off: nobody decides by that.
      if (saves === -Infinity) expect(really).toBeLessThan(trials.doubt);
      else if (Math.abs(really) < 0.3) {
        far.push(Math.abs(saves - really) - doubt);
        doubts.push(doubt);
      }
    }
    expect(changes.length).toBeGreaterThan(60);
    expect(far.length).toBeGreaterThanOrEqual(20);
    expect(Math.max(...far)).toBeLessThan(0);
    // What moves little is doubted less than what moves much.
    expect(Math.min(...doubts)).toBeLessThan(trials.doubt / 4);
    expect(Math.max(...doubts)).toBe(trials.doubt);
  });

  it('are believed to save only where they may', () => {
    expect(trials.about(tourPlan)!.saves).toBeCloseTo(0, 9);
    const { doubt } = trials.about(tourPlan)!;
    expect(doubt).toBeGreaterThan(0);
    expect(trials.maySave(tourPlan, doubt * 0.99)).toBe(true);
    expect(trials.maySave(tourPlan, doubt * 1.01)).toBe(false);
  });

  it('that may cost more are followed so far: none that is within it is given up', () => {
    const dearer = 0.5;
    const given = changes.filter((next) => trials.about(next)!.saves === -Infinity);
    const within = given.filter((next) => inFull(next) - before < dearer - trials.doubt);
    expect(within.length).toBeGreaterThan(0);
    for (const next of within) {
      expect(trials.about(next, dearer)!.saves).toBeGreaterThan(-dearer);
      expect(trials.maySave(next, -dearer)).toBe(true);
    }
  });

  it('between the moments of an outing, or with nothing to hold them against, nothing is said: they may', () => {
    const [{ atS }] = tourPlan.cues;
    const beside = moveCue(tourPlan, 0, atS + 40);
    expect(phases(q.timeline).some((p) => Math.abs(p.startS - atS) < 60)).toBe(false);
    expect(trials.about(beside)).toBeNull();
    expect(trials.maySave(beside, 5)).toBe(true);
    expect(new Trials(q, STEP_S).about(tourPlan)).toBeNull();
    // Held itself, its cues are moments.
    expect(new Trials(q, STEP_S).hold(beside)).toBeCloseTo(held, 0);
    const twice = { ...tourPlan, cues: [...tourPlan.cues, { atS: atS + 0.5, actions: [] }] };
    expect(new Trials(q, STEP_S).hold(twice)).toBeNull();
  });

  it('are the same whatever was tried before', () => {
    const fresh = new Trials(q, STEP_S);
    fresh.hold(tourPlan);
    const last = changes[changes.length - 1];
    expect(trials.about(last)).toEqual(fresh.about(last));
  });
});
