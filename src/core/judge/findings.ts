// Longer than a file should be: one table, a row for each thing that may go wrong, so that limits and words stand side by side.
import { SHELTER_FACTOR } from '@/core/atmosphere/windAtBody';
import { isIndoors } from '@/core/effort/sports';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import { BREATH } from './airways';
import { ALARM, LIMIT, WEAK } from './limits';
import type { Metrics } from './metrics';

export type FindingKind =
  | 'face'
  | 'head'
  | 'fingers'
  | 'limbs'
  | 'toes'
  | 'core cold'
  | 'torso cold'
  | 'after-chill'
  | 'soaked base'
  | 'damp base'
  | 'too hot'
  | 'overheated'
  | 'shivering'
  | 'wet layers'
  | 'wet legs'
  | 'heat debt'
  | 'ice'
  | 'gale'
  | 'exposure'
  | 'airways'
  | 'felt cold'
  | 'slowed'
  | 'forecast'
  | 'dark'
  | 'chances'
  | 'stuck out'
  | 'floor'
  | 'fog'
  | 'iced mouth';

/** 1 note, 2 weak point, 3 alarm: not safe. */
export type Severity = 1 | 2 | 3;

/** One thing that goes wrong: where, when, how much, and what the number is held against. */
export interface Finding {
  kind: FindingKind;
  severity: Severity;
  atS: number;
  value: number;
  unit: '°C' | 'K' | 'share' | 'Wh/m²' | 'g' | 'min' | 'h' | 'W' | 'vote' | '°' | 'm/s';
  limit: number;
  /** the part of the body or kit, for a heading */
  what: string;
  /** what it means, without the number */
  means: string;
}

/** What is not safe: the one place that says which findings those are. */
export const isUnsafe = (f: Finding): boolean => f.severity === 3;
export const alarmsIn = (list: readonly Finding[]): Finding[] => list.filter(isUnsafe);
export const isSafe = (list: readonly Finding[]): boolean => !list.some(isUnsafe);

/** Whether of two lists the first has no alarm more, and no more that is a weak point or worse. */
export const isNoGraver = (list: readonly Finding[], than: readonly Finding[]): boolean =>
  ([2, 3] as const).every(
    (severity) =>
      list.filter((f) => f.severity >= severity).length <= than.filter((f) => f.severity >= severity).length,
  );

/** From a limit on it is this grave. */
interface Step {
  limit: number;
  severity: Severity;
  means: string;
  /** a name of its own, where this step is another finding than the row's */
  kind?: FindingKind;
}

/** One thing that is held against limits. */
export interface Rule {
  kind: FindingKind;
  what: string;
  unit: Finding['unit'];
  /** which side of a limit is bad */
  bad: 'below' | 'above';
  read: (m: Metrics) => { value: number; atS: number };
  /** the gravest first */
  steps: readonly Step[];
  /** the limit it is shown beside, where that is not the step's own */
  beside?: number;
  /** what is shown instead of the value that is held against the limits, and beside what */
  shows?: (m: Metrics) => { value: number; limit: number };
}

/** Everything that is read from a run, a row each. A test holds each limit from both sides. */
export const RULES: readonly Rule[] = [
  {
    kind: 'face',
    what: 'Your face',
    unit: '°C',
    bad: 'below',
    read: (m) => m.face,
    steps: [
      { limit: ALARM.faceC, severity: 3, means: 'bare skin can freeze' },
      { limit: WEAK.faceC, severity: 2, means: 'cheeks go numb; check each other for white spots' },
      { limit: LIMIT.facePain, severity: 1, means: 'stings' },
    ],
  },
  {
    kind: 'head',
    what: 'Your ears',
    unit: '°C',
    bad: 'below',
    read: (m) => m.ears,
    steps: [{ limit: LIMIT.earPain, severity: 1, means: 'ears ache' }],
  },
  {
    kind: 'fingers',
    what: 'Your fingers',
    unit: '°C',
    bad: 'below',
    read: (m) => m.fingers,
    steps: [
      { limit: ALARM.fingersC, severity: 3, means: 'numb: you could not work a zip or a phone' },
      { limit: WEAK.fingersC, severity: 2, means: 'clumsy' },
    ],
  },
  {
    kind: 'limbs',
    what: 'Your arms or legs',
    unit: '°C',
    bad: 'below',
    read: (m) => m.limbs,
    steps: [
      { limit: LIMIT.limbStiff, severity: 2, means: 'stiff with cold: muscles that will not do what you want' },
      { limit: LIMIT.limbNamed, severity: 1, means: 'cold to the muscle' },
    ],
  },
  {
    kind: 'toes',
    what: 'Your toes',
    unit: '°C',
    bad: 'below',
    read: (m) => m.toes,
    steps: [
      { limit: ALARM.toesC, severity: 3, means: 'numb' },
      { limit: WEAK.toesC, severity: 2, means: 'painfully cold' },
    ],
  },
  {
    kind: 'core cold',
    what: 'Your core',
    unit: '°C',
    bad: 'below',
    read: (m) => m.coreLow,
    steps: [{ limit: ALARM.coreLowC, severity: 3, means: 'hypothermia begins near here' }],
  },
  {
    kind: 'torso cold',
    what: 'Your torso',
    unit: '°C',
    bad: 'below',
    read: (m) => m.torsoMargin,
    // The margin is what counts; the skin itself is what a person understands.
    shows: (m) => ({ value: m.torsoMargin.torsoC, limit: m.torsoMargin.torsoC - m.torsoMargin.value }),
    steps: [
      { limit: ALARM.torsoMarginK, severity: 3, means: 'chilled through for what you are doing' },
      { limit: WEAK.torsoMarginK, severity: 2, means: 'chilled through for what you are doing' },
    ],
  },
  {
    kind: 'heat debt',
    what: 'Your body heat',
    unit: 'Wh/m²',
    bad: 'above',
    read: (m) => m.heatDebt,
    beside: LIMIT.heatDebt,
    steps: [
      { limit: ALARM.heatDebtWhM2, severity: 3, means: 'more heat lost than you can make up' },
      { limit: WEAK.heatDebtWhM2, severity: 2, means: 'more heat lost than you can make up' },
    ],
  },
  {
    kind: 'after-chill',
    what: 'The stop',
    unit: 'Wh/m²',
    bad: 'above',
    read: (m) => m.stopLoss,
    beside: LIMIT.stopLossFelt,
    steps: [
      { limit: WEAK.stopLossWhM2, severity: 2, means: 'takes more heat than you will make up soon' },
      { limit: LIMIT.stopLossFelt, severity: 1, means: 'chills you' },
    ],
  },
  {
    kind: 'felt cold',
    what: 'The cold you feel',
    unit: 'vote',
    bad: 'below',
    read: (m) => m.feltCold,
    steps: [
      { limit: WEAK.feltCold, severity: 2, means: 'cold' },
      { limit: LIMIT.feltCool, severity: 1, means: 'cool' },
    ],
  },
  {
    kind: 'exposure',
    what: 'The air',
    unit: '°C',
    bad: 'below',
    read: (m) => m.felt,
    steps: [
      {
        limit: LIMIT.chillSevere,
        severity: 3,
        means: 'bare skin freezes in minutes: nobody goes out in that by choice',
      },
      {
        limit: LIMIT.chillVeryHigh,
        severity: 2,
        means: 'bare skin freezes in five to ten minutes: nothing may be bare',
      },
      { limit: LIMIT.chillHigh, severity: 1, means: 'bare skin freezes in ten to thirty minutes' },
    ],
  },
  {
    kind: 'exposure',
    what: 'Your bare face',
    unit: '°C',
    bad: 'below',
    read: (m) => m.feltBare,
    steps: [
      { limit: LIMIT.chillVeryHigh, severity: 3, means: 'freezes in five to ten minutes in what that air feels like' },
      { limit: LIMIT.chillHigh, severity: 2, means: 'freezes in ten to thirty minutes in what that air feels like' },
    ],
  },
  {
    kind: 'damp base',
    what: 'Your base layer',
    unit: 'share',
    bad: 'above',
    read: (m) => m.baseChills,
    steps: [
      { kind: 'soaked base', limit: LIMIT.baseSoaked, severity: 2, means: 'soaked' },
      { limit: LIMIT.baseDamp, severity: 1, means: 'damp' },
    ],
  },
  {
    kind: 'shivering',
    what: 'Shivering',
    unit: 'min',
    bad: 'above',
    read: (m) => ({ value: m.shiverMinutes, atS: m.feltCold.atS }),
    beside: WEAK.shiverMinutes,
    steps: [
      { limit: ALARM.shiverMinutes, severity: 3, means: 'dressed too thinly for standing or going this easily' },
      { limit: WEAK.shiverMinutes, severity: 2, means: 'dressed too thinly for standing or going this easily' },
    ],
  },
  {
    kind: 'overheated',
    what: 'Heat',
    unit: 'min',
    bad: 'above',
    read: (m) => ({ value: m.hotMinutes, atS: m.feltHot.atS }),
    steps: [
      {
        limit: WEAK.hotMinutes,
        severity: 2,
        means: 'too hot for that long: open up, take a layer off or slow down',
      },
    ],
  },
  {
    kind: 'wet layers',
    what: 'Water that chills you',
    unit: 'g',
    bad: 'above',
    read: (m) => m.chillingWater,
    steps: [
      {
        limit: WEAK.waterG,
        severity: 2,
        means: 'that of feet and working legs counted less, and enough to stay wet all day',
      },
    ],
  },
  {
    kind: 'wet legs',
    what: 'Water on legs and feet',
    unit: 'g',
    bad: 'above',
    read: (m) => m.legWaterPeak,
    steps: [{ limit: LIMIT.wetLegsG, severity: 1, means: 'warm while they work, cold as soon as you stand' }],
  },
  {
    kind: 'too hot',
    what: 'Your core',
    unit: '°C',
    bad: 'above',
    read: (m) => m.hotCore,
    // What work so hard gives anybody is left out of what is judged; the core itself is what is shown.
    shows: (m) => ({ value: m.hotCore.coreC, limit: LIMIT.coreHot + m.hotCore.coreC - m.hotCore.value }),
    steps: [
      { limit: ALARM.coreHighC, severity: 3, means: 'working hot' },
      { limit: LIMIT.coreHot, severity: 1, means: 'working hot' },
    ],
  },
  {
    kind: 'fog',
    what: 'Your eyewear',
    unit: 'min',
    bad: 'above',
    read: (m) => ({ value: m.fogMinutes, atS: m.fogAtS }),
    steps: [
      {
        limit: LIMIT.fogMinutes,
        severity: 2,
        means: 'fogs or freezes over: take the cover off your mouth, or wear a vented one',
      },
    ],
  },
  {
    kind: 'iced mouth',
    what: 'What covers your mouth',
    unit: 'share',
    bad: 'above',
    read: (m) => m.mouthIce,
    steps: [{ limit: LIMIT.mouthIced, severity: 1, means: 'full of ice from your breath; turn it, or carry a second' }],
  },
];

/** What one row has to say of a run; undefined when it is within all its limits. */
export function findingOf(rule: Rule, m: Metrics): Finding | undefined {
  const { value, atS } = rule.read(m);
  const step = rule.steps.find((s) => (rule.bad === 'below' ? value < s.limit : value > s.limit));
  if (!step) return undefined;
  const shown = rule.shows?.(m) ?? { value, limit: rule.beside ?? step.limit };
  const { what, unit } = rule;
  return { kind: step.kind ?? rule.kind, severity: step.severity, atS, unit, what, means: step.means, ...shown };
}

/** Reads metrics into findings, worst first. */
export function findings(m: Metrics, timeline: Timeline): Finding[] {
  const out = RULES.flatMap((rule) => findingOf(rule, m) ?? []);
  out.push(...breath(m), ...ofTheOuting(timeline));
  const icy = timeline.stretches.find(makesIce);
  if (icy)
    out.push({
      kind: 'ice',
      severity: 2,
      atS: icy.startS,
      value: icy.airC,
      unit: '°C',
      limit: LIMIT.iceC,
      what: 'The ground',
      means: 'rain on frozen ground makes ice: no fast session on it',
    });
  return inOrder(out);
}

/** The gravest first, and among equals what is furthest past its limit. */
export const inOrder = (list: Finding[]): Finding[] => list.sort((a, b) => b.severity - a.severity || gap(b) - gap(a));

/** What cold dry air does to airways that work hard. */
function breath({ airways }: Metrics): Finding[] {
  if (airways.load === 'none') return [];
  const forAll = airways.load === 'all';
  return [
    {
      kind: 'airways',
      severity: forAll ? 2 : 1,
      atS: airways.atS,
      value: airways.value,
      unit: '°C',
      limit: forAll ? BREATH.race.airC : BREATH.asthma.airC,
      what: 'Your airways',
      means: forAll
        ? 'breathing this hard in that air hurts them: go easier, cover the mouth; with asthma not at all'
        : 'with asthma go easier, cover the mouth and have your medicine at hand',
    },
  ];
}

/** What the outing itself says, before anything is planned: too fast a leg, a forecast that ends, night. */
export function ofTheOuting({ stretches, legs, slowed, beyond }: Timeline): Finding[] {
  const out: Finding[] = slowed.map((x) => ({
    kind: 'slowed',
    severity: x.askedW > (1 + LIMIT.slowed) * x.heldW ? 2 : 1,
    atS: x.atS,
    value: x.askedW,
    unit: 'W',
    limit: x.heldW,
    what: `The pace of “${legs[x.leg].name}”`,
    means:
      x.takes > x.given + 0.5
        ? `more than you can hold for so long: taken slower here, in ${x.takes.toFixed(0)} instead of ${x.given.toFixed(0)} min`
        : `more than you can hold for so long: taken at ${x.heldW.toFixed(0)} W here`,
  }));
  if (beyond)
    out.push({
      kind: 'forecast',
      severity: 2,
      atS: beyond.atS,
      value: beyond.hours,
      unit: 'h',
      limit: 0,
      what: 'The forecast',
      means: 'ends before you are back: the weather is only held on from there',
    });
  const blows = strongestWind(stretches, legs);
  if (blows && blows.windMs > LIMIT.galeMs) {
    const storm = blows.windMs > LIMIT.stormMs;
    out.push({
      kind: 'gale',
      severity: storm ? 3 : 2,
      atS: blows.atS,
      value: blows.windMs,
      unit: 'm/s',
      limit: storm ? LIMIT.stormMs : LIMIT.galeMs,
      what: 'The wind',
      means: storm
        ? 'a storm: nobody keeps their feet in the open, and nothing loose stays; local weather and avalanche services first'
        : 'a gale: hard to walk against or to dress in, and snow that it drifts hides the way and loads slopes',
    });
  }
  const dark = stretches.find((s) => s.sunDeg !== undefined && s.sunDeg < LIMIT.darkDeg && !isIndoors(s.sport));
  if (dark)
    out.push({
      kind: 'dark',
      severity: 1,
      atS: dark.startS,
      value: dark.sunDeg!,
      unit: '°',
      limit: LIMIT.darkDeg,
      what: 'The sun',
      means: 'it is night: a lamp, its battery against the body, and a spare',
    });
  return out;
}

/** The strongest wind at 10 m that is met outdoors, as much of it as gets through trees and streets; undefined where none is. */
function strongestWind(
  stretches: Timeline['stretches'],
  legs: Timeline['legs'],
): { atS: number; windMs: number } | undefined {
  const met = stretches.flatMap((s) => {
    const { shelter, air } = legs[s.leg];
    // A wind that was measured on the body has the body's own speed in it.
    if (isIndoors(s.sport) || air?.windAtBody) return [];
    return [{ atS: s.startS, windMs: s.wind10 * Math.min(1, SHELTER_FACTOR[shelter] / SHELTER_FACTOR.open) }];
  });
  return met.reduce<(typeof met)[number] | undefined>(
    (most, w) => (most && most.windMs >= w.windMs ? most : w),
    undefined,
  );
}

const LIQUID: ReadonlySet<string> = new Set(['rain', 'freezing drizzle', 'sleet']);
const makesIce = (s: Stretch): boolean =>
  s.precipitationMmH > LIMIT.iceFallMmH && s.airC < LIMIT.iceC && LIQUID.has(s.precipitation);

/** How much past a limit counts as one step worse, by unit (engineering values). */
const STEP: Record<Finding['unit'], number> = {
  '°C': 5,
  K: 2,
  share: 0.3,
  'Wh/m²': 15,
  g: 200,
  min: 40,
  h: 4,
  W: 200,
  vote: 1,
  '°': 20,
  'm/s': 5,
};

/** How far past its limit, in comparable terms. */
const gap = (f: Finding): number => Math.abs(f.value - f.limit) / STEP[f.unit];
