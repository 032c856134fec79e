import { AVERAGE_PERSON, checkPerson, PERSON_RANGE } from '@/core/body/person';
import { addMoment, noCost } from '@/core/judge/cost';
import { noMoment } from '@/core/judge/moment';
import { expects, learn } from '@/core/calibrate/learn';
import { SCALES, wordAt, type FeltThen, type Outed } from '@/core/calibrate/readings';
import { FELT, type Felt } from '@/core/calibrate/words';
import {
  athleteAs,
  athleteWith,
  givenMoved,
  nothingLearned,
  of,
  PARAMETER_NAMES,
  PARAMETERS,
  type Learned,
  type Parameter,
} from '@/core/calibrate/learned';
import { bodyLossG, weighedLossG } from '@/core/calibrate/bodyLoss';
import { garmentKnown, garmentWords, withLoft } from '@/core/calibrate/garments';
import { teachesMost } from '@/core/calibrate/teaches';
import { unsureOf } from '@/core/calibrate/unsure';
import { ANYBODY_SPREAD } from '@/core/questions/athleteSpread';
import { athleteOfMember, dayOfMember, members } from '@/core/questions/chances';
import { runPlan } from '@/core/questions/question';
import { learnedWords } from '@/core/calibrate/learnedWords';
import { oddsOf, wordSays, type Scale } from '@/core/calibrate/ordinal';
import { SKI_CLOSET, upStopDown } from '#tests/support/outings';

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
  carried: [],
  openings: {},
  cues: [],
};
const day = (felt: FeltThen[] = [], waterG: number | null = null): Outed => ({
  timeline,
  plan,
  closet: SKI_CLOSET,
  felt,
  weighed: waterG === null ? [] : [{ garment: 'wool-socks', waterG, scaleG: 1 }],
});
const up = (part: FeltThen['part'], word: Felt): FeltThen => ({ part, word, fromS: 600, toS: 4200 });
const learned = (...args: Parameters<typeof day>) => learn(nothingLearned(), AVERAGE_PERSON, day(...args));
const expected = expects(day([], 0), AVERAGE_PERSON, nothingLearned().mean).weighed[0];

describe('words in their order', () => {
  const scale: Scale = { cuts: [-1.5, -0.5, 0.5, 1.5], sd: 0.7, slip: 0.05 };
  it('one of them is always said, and each is likeliest in its own place', () => {
    for (const reading of [-3, -1, 0, 0.4, 2]) {
      const odds = FELT.map((_, w) => oddsOf(scale, w, reading));
      expect(odds.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
    }
    [-2.2, -1, 0, 1, 2.2].forEach((reading, w) => {
      const odds = FELT.map((_, k) => oddsOf(scale, k, reading));
      expect(odds.indexOf(Math.max(...odds))).toBe(w);
    });
  });
  it('the score is the slope of the log of the odds', () => {
    for (const word of [0, 2, 4])
      for (const reading of [-1, 0.2, 1.3]) {
        const h = 1e-4;
        const slope =
          (Math.log(oddsOf(scale, word, reading + h)) - Math.log(oddsOf(scale, word, reading - h))) / (2 * h);
        expect(wordSays(scale, word, reading).score).toBeCloseTo(slope, 3);
      }
  });
  it('the information is that of the score in the mean, as Fisher has it', () => {
    const mean = FELT.reduce((sum, _, w) => {
      const { score } = wordSays(scale, w, 0.3);
      return sum + oddsOf(scale, w, 0.3) * score * score;
    }, 0);
    expect(wordSays(scale, 2, 0.3).information).toBeCloseTo(mean, 6);
  });
});

describe('the word that belongs to a reading', () => {
  it('changes at each cut, for hall and learning alike', () => {
    for (const part of ['torso', 'hands', 'feet', 'face'] as const)
      SCALES[part].cuts.forEach((cut, k) => {
        expect(wordAt(part, cut - 0.01)).toBe(FELT[k]);
        expect(wordAt(part, cut)).toBe(FELT[k + 1]);
      });
  });
});

describe('what one outing teaches', () => {
  it('heavier socks: more sweat; lighter ones: less; and it is known better than before', () => {
    const heavy = learned([], 1.4 * expected);
    expect(of(heavy, 'sweat').mean).toBeGreaterThan(0.03);
    expect(of(learned([], 0.6 * expected), 'sweat').mean).toBeLessThan(-0.03);
    expect(of(heavy, 'sweat').sd).toBeLessThan(PARAMETERS.sweat.sd);
    expect(heavy.outings).toBe(1);
  });
  it.each<[FeltThen['part'], Parameter]>([
    ['torso', 'comfort'],
    ['hands', 'hands'],
    ['feet', 'feet'],
    ['face', 'face'],
  ])('cold and hot move the comfort of %s', (part, parameter) => {
    expect(of(learned([up(part, 'cold')]), parameter).mean).toBeLessThan(0);
    expect(of(learned([up(part, 'hot')]), parameter).mean).toBeGreaterThan(0);
  });
  it('nothing told teaches nothing', () => {
    expect(learned()).toEqual(nothingLearned());
  });
  it('a lying outing moves nothing by more than one standard deviation', () => {
    const lies = learned(
      [up('torso', 'hot'), up('hands', 'hot'), up('feet', 'hot'), up('face', 'hot')],
      40 * expected + 900,
    );
    PARAMETER_NAMES.forEach((p) => expect(Math.abs(of(lies, p).mean)).toBeLessThanOrEqual(PARAMETERS[p].sd + 1e-9));
  });
  it('one absurd weight says less than a high one: the tails are heavy', () => {
    const high = of(learned([], 1.5 * expected), 'sweat').mean;
    const absurd = of(learned([], 60 * expected), 'sweat').mean;
    expect(Math.abs(absurd)).toBeLessThan(high);
  });
  it('the covariance stays one: symmetric, and no variance grows', () => {
    const l = learned([up('torso', 'cool'), up('hands', 'cold')], expected);
    l.covariance.forEach((row, i) => {
      row.forEach((v, j) => expect(v).toBeCloseTo(l.covariance[j][i], 12));
      expect(row[i]).toBeGreaterThan(0);
      expect(row[i]).toBeLessThanOrEqual(nothingLearned().covariance[i][i] + 1e-9);
    });
  });
  it('an offset of comfort is no physics: it shifts what is said of the same skin', () => {
    const i = PARAMETER_NAMES.indexOf('hands');
    const theta = PARAMETER_NAMES.map((_, k) => (k === i ? 2 : 0));
    const of0 = expects(day([up('hands', 'fine')]), AVERAGE_PERSON, nothingLearned().mean).felt[0];
    expect(expects(day([up('hands', 'fine')]), AVERAGE_PERSON, theta).felt[0]).toBeCloseTo(of0 + 2, 9);
    expect(SCALES.hands.cuts).toHaveLength(FELT.length - 1);
  });
});

describe('the athlete as learned', () => {
  const with_ = (p: Parameter, mean: number, sd: number): Learned => {
    const l = nothingLearned();
    const i = PARAMETER_NAMES.indexOf(p);
    l.mean[i] = mean;
    l.covariance[i][i] = sd * sd;
    return l;
  };
  it('is the one they said, changed by what was learned, and never outside its range', () => {
    expect(athleteAs(AVERAGE_PERSON, nothingLearned())).toEqual(AVERAGE_PERSON);
    expect(athleteAs(AVERAGE_PERSON, with_('sweat', Math.log(1.21), 0.05)).sweatGain).toBeCloseTo(1.21, 9);
    expect(athleteAs(AVERAGE_PERSON, with_('comfort', 0.8, 0.2)).warmth).toBeCloseTo(0.8, 9);
    expect(
      athleteWith(
        AVERAGE_PERSON,
        PARAMETER_NAMES.map(() => 50),
      ).sweatGain,
    ).toBe(PERSON_RANGE.sweatGain[1]);
  });
  it('in words with where eight in ten lie', () => {
    expect(learnedWords(with_('sweat', Math.log(1.21), 0.07), 'sweat')).toBe(
      'you sweat 21 % more than you said, 11 to 32 %',
    );
    expect(learnedWords(with_('comfort', -0.9, 0.3), 'comfort')).toBe(
      'you run {delta:0.9} colder, {delta:0.5} to {delta:1.3}',
    );
    expect(learnedWords(with_('sweat', 0.1, 0.2), 'sweat')).toBe('you sweat 11 % more than you said, −14 to 43 %');
    expect(learnedWords(with_('sweat', 0.06, 0.1), 'sweat')).toBe('you sweat as you said');
    expect(learnedWords(with_('sweat', 0.064, 0.1), 'sweat')).toMatch(/more/);
  });
});

describe('what the body weighs', () => {
  const scored = runPlan({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline, plan }, plan);
  it('is lost by sweat, dry skin, breath and gas, minus what went in', () => {
    expect(weighedLossG({ beforeKg: 72, afterKg: 71.5, drankL: 0.75, ateKg: 0.1, passedL: 0.2 })).toBeCloseTo(1150, 6);
    const loss = bodyLossG(scored, AVERAGE_PERSON, timeline);
    const hours = timeline.endS / 3600;
    const other = (loss - scored.metrics.sweatG) / hours;
    // At work in the cold some 50 to 100 g/h leave with breath and gas (Mitchell, Nadel & Stolwijk 1972: 0.019 VO2 (44 − Pa) g/min, which
    // at 1.7 L/min and 0.2 kPa is 80 g/h with the breath alone, whose air they find warmer than ISO 11079 does; from memory).
    expect(other).toBeGreaterThan(45);
    expect(other).toBeLessThan(110);
  });
  it('more than was said is more sweat, a hard fact against soft words', () => {
    const said = bodyLossG(scored, AVERAGE_PERSON, timeline);
    const by = (share: number) =>
      of(learn(nothingLearned(), AVERAGE_PERSON, { ...day(), body: { lossG: share * said, scaleG: 140 } }), 'sweat');
    const means = [0.7, 0.9, 1.1, 1.3].map((s) => by(s).mean);
    expect(means).toEqual([...means].sort((a, b) => a - b));
    expect(means[0]).toBeLessThan(-0.02);
    expect(means[3]).toBeGreaterThan(0.02);
    expect(by(1).sd).toBeLessThan(PARAMETERS.sweat.sd);
  });
});

describe('another number given', () => {
  const taught = learned([up('torso', 'cold'), up('hands', 'cold')], 1.3 * expected);
  const sweat = (l: Learned, given: typeof AVERAGE_PERSON) => Math.log(athleteAs(given, l).sweatGain);
  it('counts whole where outings say nothing, and little where they say much', () => {
    const to = { ...AVERAGE_PERSON, sweatGain: 1.3 };
    expect(sweat(givenMoved(nothingLearned(), AVERAGE_PERSON, to), to)).toBeCloseTo(Math.log(1.3), 9);
    const before = sweat(taught, AVERAGE_PERSON);
    const after = sweat(givenMoved(taught, AVERAGE_PERSON, to), to);
    expect(after).toBeGreaterThan(before);
    expect(after - before).toBeLessThan(Math.log(1.3));
    const certain = { ...taught, covariance: taught.covariance.map((row) => row.map(() => 0)) };
    expect(sweat(givenMoved(certain, AVERAGE_PERSON, to), to)).toBeCloseTo(before, 9);
  });
  it('is the estimate that the same outings would have given from there, for one number on its own', () => {
    // One observation y of a number with prior N(g, s²) and error e: (g/s² + y/e²) / (1/s² + 1/e²).
    const l = nothingLearned();
    const s2 = l.covariance[0][0];
    const [y, e2] = [0.2, 0.01];
    const post = (g: number) => (g / s2 + y / e2) / (1 / s2 + 1 / e2);
    l.covariance[0][0] = 1 / (1 / s2 + 1 / e2);
    l.mean[0] = post(0);
    const to = { ...AVERAGE_PERSON, sweatGain: Math.exp(0.1) };
    expect(givenMoved(l, AVERAGE_PERSON, to).mean[0] + 0.1).toBeCloseTo(post(0.1), 9);
  });
  it('what is not learned moves nothing', () => {
    expect(givenMoved(taught, AVERAGE_PERSON, { ...AVERAGE_PERSON, massKg: 90 })).toBe(taught);
  });
});

describe('what would teach the most', () => {
  const ask = (part: FeltThen['part']) => ({
    kind: 'word' as const,
    felt: { part, fromS: 600, toS: 4200 },
    where: 'Up',
  });
  const asks = [
    ask('torso'),
    ask('hands'),
    { kind: 'weigh' as const, garment: 'wool-socks' },
    { kind: 'body' as const },
  ];
  it('is ranked, and what is known already teaches less', () => {
    const fresh = teachesMost(nothingLearned(), AVERAGE_PERSON, day(), asks);
    expect(fresh.map((t) => t.gain)).toEqual([...fresh.map((t) => t.gain)].sort((a, b) => b - a));
    expect(fresh).toHaveLength(4);
    const i = PARAMETER_NAMES.indexOf('hands');
    const known = nothingLearned();
    known.covariance[i][i] = 1e-6;
    const gain = (l: Learned) =>
      teachesMost(l, AVERAGE_PERSON, day(), asks).find((t) => t.ask.kind === 'word' && t.ask.felt.part === 'hands')!
        .gain;
    expect(gain(known)).toBeLessThan(gain(nothingLearned()));
  });
});

describe('how unsure an athlete is', () => {
  it('is as anybody before the first outing, less after each, and never less than days differ', () => {
    expect(unsureOf(null)).toEqual(ANYBODY_SPREAD);
    expect(unsureOf(nothingLearned())).toEqual(ANYBODY_SPREAD);
    const taught = unsureOf(learned([up('torso', 'cool'), up('hands', 'cold')], expected));
    const certain = unsureOf({
      ...nothingLearned(),
      covariance: PARAMETER_NAMES.map(() => PARAMETER_NAMES.map(() => 0)),
    });
    for (const k of Object.keys(ANYBODY_SPREAD) as (keyof typeof ANYBODY_SPREAD)[]) {
      expect(taught[k]).toBeLessThanOrEqual(ANYBODY_SPREAD[k]);
      expect(certain[k]).toBeCloseTo(ANYBODY_SPREAD[k] / 2, 9);
    }
    expect(taught.sweatShare).toBeLessThan(ANYBODY_SPREAD.sweatShare);
  });
  it('narrows the chances, and leaves the day as unsure as it was', () => {
    const [, one] = members(2);
    const sure = { effortShare: 0, sweatShare: 0, constrictionShare: 0, comfortK: 0 };
    expect(athleteOfMember(AVERAGE_PERSON, one, sure)).toEqual(AVERAGE_PERSON);
    expect(athleteOfMember(AVERAGE_PERSON, one)).not.toEqual(AVERAGE_PERSON);
    const [a, b] = [dayOfMember(timeline, one, 1, sure), dayOfMember(timeline, one, 1)];
    expect(a.stretches[0].airC).toBe(b.stretches[0].airC);
    expect(a.stretches[0].metabolicW).toBe(timeline.stretches[0].metabolicW);
    expect(b.stretches[0].metabolicW).not.toBe(timeline.stretches[0].metabolicW);
  });
});

describe('what outings teach of single pieces', () => {
  const told = (f: { loft?: number; wets?: number }): Outed => {
    const asked = [up('torso', 'fine'), { ...up('torso', 'fine'), fromS: 4200, toS: 5100 }];
    const o = { ...day(asked, 1), weighed: [{ garment: 'wool-socks', waterG: 1, scaleG: 1 }] };
    const is = expects(o, AVERAGE_PERSON, nothingLearned().mean, {
      'grid-fleece': { loft: f.loft },
      'wool-socks': { wets: f.wets },
    });
    return {
      ...o,
      felt: asked.map((a, k) => ({ ...a, word: wordAt('torso', is.felt[k]) })),
      weighed: [{ garment: 'wool-socks', waterG: is.weighed[0], scaleG: 1 }],
    };
  };
  const after = (f: Parameters<typeof told>[0], outings = 6): Learned => {
    let l = nothingLearned();
    for (let i = 0; i < outings; i++) l = learn(l, AVERAGE_PERSON, told(f));
    return l;
  };
  it('socks that come home wetter than worked out are wetter socks and some sweat, and surer each time', () => {
    const list = [1, 3, 6].map((n) => garmentKnown(after({ wets: 0.35 }, n).garments, 'wool-socks'));
    expect(list.map((g) => g.outings)).toEqual([1, 3, 6]);
    expect(list[2].wets.mean).toBeGreaterThan(0.1);
    expect(list[2].wets.mean).toBeLessThan(0.35);
    for (let i = 1; i < 3; i++) expect(list[i].wets.sd).toBeLessThan(list[i - 1].wets.sd);
    expect(garmentKnown(after({ wets: -0.35 }).garments, 'wool-socks').wets.mean).toBeLessThan(-0.1);
  });
  it('who weighs and feels what was worked out finds pieces as their numbers say', () => {
    const l = after({});
    for (const id of ['wool-socks', 'grid-fleece']) {
      const g = garmentKnown(l.garments, id);
      expect(Math.abs(g.wets.mean)).toBeLessThan(0.08);
      expect(Math.abs(g.loft.mean)).toBeLessThan(0.08);
      expect(garmentWords(g)).toBeNull();
    }
  });
  it('a piece that was not asked about is as its numbers say, and nothing weighed or felt asks nothing', () => {
    expect(garmentKnown(after({}, 1).garments, 'standby-puffy')).toMatchObject({ outings: 0, loft: { mean: 0 } });
    expect(learned([up('face', 'cold')]).garments).toBeUndefined();
  });
  it('thicker cloth is warmer, within what a garment may be', () => {
    const [fleece] = SKI_CLOSET.filter((g) => g.id === 'grid-fleece');
    expect(withLoft(fleece, Math.log(1.2)).thicknessMm).toBeCloseTo(1.2 * fleece.thicknessMm, 9);
    expect(withLoft(fleece, 9).thicknessMm).toBe(80);
    expect(withLoft(fleece, 0)).toBe(fleece);
    const vote = (loft: number) =>
      expects(day([up('torso', 'fine')]), AVERAGE_PERSON, nothingLearned().mean, { 'grid-fleece': { loft } }).felt[0];
    expect(vote(0.3)).toBeGreaterThan(vote(0));
  });
  it('is said where eight in ten say so, and not where they do not', () => {
    const at = (mean: number, sd: number) =>
      garmentWords({ loft: { mean, sd }, wets: { mean: 0, sd: 0.2 }, outings: 4 });
    expect(at(-0.2, 0.15)).toMatch(/^18 % less warm than its thickness says, 1 to 32 %$/);
    expect(at(-0.19, 0.15)).toBeNull();
    expect(at(0.2, 0.1)).toMatch(/warmer than its thickness says/);
  });
});

describe('comfort of hands, feet and face of one’s own', () => {
  const moment = {
    ...noMoment(),
    timeS: 3600,
    fingersC: 18,
    toesC: 20,
    faceC: 9,
    scalpC: 33,
    earC: 30,
    limbsC: 30,
    torsoC: 33,
    torsoWet: 0.1,
    coreC: 37,
  };
  const cost = (over: Partial<typeof AVERAGE_PERSON>, at: Partial<typeof moment> = {}) => {
    const c = noCost();
    addMoment(c, { ...moment, ...at }, { ...AVERAGE_PERSON, ...over }, 1);
    return c.extremities;
  };
  it.each(['handsK', 'feetK', 'faceK'] as const)('%s: who feels the cold sooner is dressed warmer', (key) => {
    expect(cost({ [key]: -3 })).toBeGreaterThan(cost({}));
    expect(cost({ [key]: 3 })).toBeLessThan(cost({}));
    expect(cost({ [key]: 0 })).toBe(cost({}));
  });
  it('what numbs and freezes is priced alike for everybody', () => {
    // Warm comfort takes away at most what comfort costs: numb fingers and a freezing face stay dear.
    expect(cost({ handsK: 6 }, { fingersC: 5 })).toBeGreaterThan(6 * 4);
    expect(cost({ faceK: 6 }, { faceC: 0 })).toBeGreaterThan(8);
  });
  it('is learned into the athlete, and left out where it is as most people’s', () => {
    expect(athleteAs(AVERAGE_PERSON, nothingLearned())).not.toHaveProperty('handsK');
    expect(athleteAs(AVERAGE_PERSON, learned([up('hands', 'cold')])).handsK).toBeLessThan(0);
    expect(checkPerson({ ...AVERAGE_PERSON, faceK: -6 }).faceK).toBe(-6);
    expect(() => checkPerson({ ...AVERAGE_PERSON, faceK: -6.1 })).toThrow(/faceK/);
  });
});
