import { AVERAGE_PERSON } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import type { Cue, Plan } from '@/core/kit/plan';
import { followedOn } from '@/core/search/adapted';
import { pacesTried } from '@/core/search/cuesChanged';
import { cuesPrice } from '@/core/judge/prices';
import { aLeg, dayOf, SKI_CLOSET } from '#tests/support/outings';

const MOST_W = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);
/** An hour at so many watts, two legs of it, in such air. */
const day = (watts: number, airC = -8) =>
  dayOf(
    [1, 2].map(() => aLeg({ minutes: 30, effort: { by: 'metabolic', value: watts } })),
    airC,
  );
const on = (timeline: ReturnType<typeof day>) =>
  followedOn({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline, sport: 'ski tour' });
const planned = (...cues: Cue[]): Plan => ({
  worn: ['thin-merino-base', 'wind-shell-pits', 'briefs', 'soft-trousers', 'wool-socks', 'touring-boots', 'thin-cap'],
  carried: ['liner-gloves', 'warm-mitts', 'warm-hat'],
  openings: {},
  cues,
});
const THREE_THINGS: Cue = {
  atS: 1800,
  actions: [
    { do: 'putOn', garment: 'liner-gloves' },
    { do: 'takeOff', garment: 'thin-cap' },
    { do: 'set', garment: 'wind-shell-pits', opening: 'pits', setting: 1 },
  ],
};

test('a cue that asks for more than people carry out at the effort of the day itself falls away', () => {
  const plan = planned(THREE_THINGS);
  // At race effort, seven tenths of the maximum, one thing is done at a time.
  expect(on(day(0.69 * MOST_W))(plan)).toEqual(plan);
  expect(on(day(0.71 * MOST_W))(plan).cues).toEqual([]);
});

test('a harder pace falls away where breathing so hard in that air hurts, with its cue where it was all of it; an easier one stays', () => {
  const brisk: Cue = { atS: 1800, actions: [], pace: { share: 1.12, untilS: 3600 } };
  const easy: Cue = { atS: 1800, actions: [], pace: { share: 0.75, untilS: 3600 } };
  expect(on(day(600))(planned(brisk)).cues).toEqual([brisk]);
  expect(on(day(600, -30))(planned(brisk)).cues).toEqual([]);
  // Nor does anybody press on in mild air: that is for getting warm.
  expect(on(day(600, 9.9))(planned(brisk)).cues).toEqual([brisk]);
  expect(on(day(600, 10.1))(planned(brisk)).cues).toEqual([]);
  expect(on(day(600, -30))(planned(easy)).cues).toEqual([easy]);
});

test('an easier pace is tried in a race too, and costs up to four times as much there, without a step', () => {
  const easy: Cue = { atS: 1800, actions: [], pace: { share: 0.75, untilS: 3600 } };
  expect(on(day(0.85 * MOST_W))(planned(easy)).cues).toEqual([easy]);
  const easier = (watts: number) =>
    [...pacesTried(planned(), { person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: day(watts), sport: 'ski tour' })]
      .map((c) => c.name)
      .filter((name) => name.startsWith('easy'));
  expect(easier(0.85 * MOST_W)).not.toEqual([]);
  const price = (share: number) => {
    const going = { timeline: day(share * MOST_W), person: AVERAGE_PERSON };
    return (
      cuesPrice(planned(easy), new Map(), going, 0) -
      cuesPrice(planned({ ...easy, pace: undefined, shelter: { untilS: 3600 } }), new Map(), going, 0)
    );
  };
  const [outing, under, between, over, race] = [0.5, 0.59, 0.7, 0.81, 0.9].map(price);
  expect(under).toBeCloseTo(outing, 9);
  expect(over).toBeCloseTo(race, 9);
  expect(between - under).toBeCloseTo((over - under) / 2, 1);
  expect(race - outing).toBeCloseTo(3 * 0.05 * 0.25 * 30, 6);
});
