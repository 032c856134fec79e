import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import type { Person } from '@/core/body/person';
import { hurtsAirways } from '@/core/judge/airways';
import { checkWeights, type Weights } from '@/core/judge/cost';
import { needOf, type Need } from '@/core/judge/lacking';
import { alongOn, type Along } from '@/core/judge/prices';
import { SPORT } from '@/core/effort/sports';
import { isUnderRoof } from '@/core/outing/leg';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import { within } from '@/core/quantity/range';
import { applyPace } from '@/core/kit/applyPace';
import { operationsAt, racingOver, type Hands } from '@/core/kit/followable';
import type { Habits } from './candidates';
import { mergeStretches } from '@/core/outing/mergeStretches';
import { MOST_WAITING } from './wishes';
import { BRISK, goingWays, type GoingWay, type Way } from './waysToWear';
import { askedAt, isReminded, phases, stretchAt, underRoof, type Phase } from '@/core/outing/moments';
import { work, workSince, type Work } from '@/core/questions/phaseRunner';

/** Shelter is worth walking to from this wind, m/s; dry socks want a stop this long, s. */
const LEE_WIND = 2;
const SOCKS_STOP_S = 480;
/**
 * Not tried, since its price rules it out long before: a jacket for stops on somebody who makes this much heat, W, in air milder than
 * this, °C.
 */
const STEAMING_W = 520;
const BITTER_C = -25;
/** Nobody can go easier than this, W: little more than standing. */
const EASES_W = 280;
/** Nobody presses on beyond this share of their maximum. */
const BRISK_SHARE = 0.75;
/** Air in which nobody presses on to get warm, °C (engineering value). */
const MILD_C = 10;

/** What a phase allows beside clothes. */
interface Allows {
  warmOn: boolean;
  /** whether anything falls: a shell half open over a middle layer is as good shut or open elsewhere */
  falls: boolean;
  overLegs: boolean;
  drySocks: boolean;
  easy: boolean;
  brisk: boolean;
  lee: boolean;
}

/** The outing as the search sees it: its phases, what each allows, and how it goes when taken easier, brisker or in the lee. */
export class Course {
  readonly phases: readonly Phase[];
  readonly weights: Weights;
  /** what the outing asks to be along */
  readonly need: Need;
  readonly along: Along;
  readonly waiting: number;
  readonly habits: Habits;
  /** what each piece weighs by its place in a fixed order, points by id */
  readonly order: ReadonlyMap<string, number>;
  /** what each small move last cost more than the path it was tried on, points, by the move's name */
  readonly record = new Map<string, number>();
  private readonly allows: Allows[];
  private readonly starts: Stretch[];
  private readonly reminded: boolean[];
  private readonly roofed: boolean[];
  private readonly racing: number[];
  private readonly gone = new Map<GoingWay['going'], Timeline>();
  private before: Work = { ...work };

  constructor(
    readonly person: Person,
    readonly timeline: Timeline,
    readonly damp: Record<string, number> | undefined,
    weights: Partial<Weights> | undefined,
    {
      waiting,
      habits = {},
      order = new Map(),
    }: { waiting?: number; habits?: Habits; order?: ReadonlyMap<string, number> } = {},
  ) {
    this.order = order;
    this.habits = habits;
    this.phases = phases(timeline);
    this.need = needOf(timeline);
    this.along = alongOn(timeline, person);
    this.weights = checkWeights(weights);
    this.waiting = within('people waiting', waiting ?? 0, 0, MOST_WAITING);
    this.starts = this.phases.map((p) => stretchAt(timeline, p.startS + 0.5));
    this.reminded = this.phases.map((p) => isReminded(timeline, p.startS));
    this.roofed = this.phases.map((p) => underRoof(timeline, p.startS));
    this.racing = this.phases.map((p) => racingOver(timeline, person, p.startS, p.endS));
    this.allows = this.phases.map((p, i) => this.allowsIn(p, this.phases[i + 1]));
    const whole = { atS: 0, actions: [] };
    const coarse = mergeStretches(
      timeline,
      this.phases.map((p) => p.startS),
    );
    for (const m of goingWays()) {
      const untilS = timeline.endS;
      const changed =
        m.pace !== undefined
          ? applyPace(coarse, [{ ...whole, pace: { share: m.pace, untilS } }])
          : m.shelter
            ? applyPace(coarse, [{ ...whole, shelter: { untilS } }])
            : coarse;
      this.gone.set(m.going, changed);
    }
  }

  /** Whether a phase lies in a race for which clothes are handed in. */
  isRaced(p: number): boolean {
    const { race } = this.along;
    const { startS } = this.phases[p];
    return race !== null && startS > race.fromS - 1 && startS < race.untilS - 1;
  }

  /** Integrator work this search has done. */
  get work(): Work {
    return workSince(this.before);
  }

  /**
   * Goes on after work that was done for this search elsewhere: that counts, whatever this counter has seen meanwhile does not. So a budget
   * ends at the same step wherever the work was done. @param held what this search had done by itself
   */
  goOnAfter(held: Work, elsewhere: Work): void {
    this.before = {
      phases: work.phases - held.phases - elsewhere.phases,
      steps: work.steps - held.steps - elsewhere.steps,
    };
  }

  /** How many things may be done at one moment that nobody would stop for: few on the move, fewer at race effort, more where one halts. */
  operations(p: number, hands: Hands): number {
    const { startS } = this.phases[p];
    return operationsAt(this.person, askedAt(this.timeline, startS + 0.5), this.roofed[p] ? 'indoors' : hands);
  }

  /** Whether anything falls in a phase, and whether it does so in some phases and not in others. */
  fallsIn(p: number): boolean {
    return this.allows[p].falls;
  }

  get partlyWet(): boolean {
    return this.allows.some((a) => a.falls) && this.allows.some((a) => !a.falls);
  }

  /** Whether the place where a phase begins itself reminds one of a change, and whether it is under a roof. */
  placeOf(p: number): { reminded: boolean; roof: boolean; racing: number } {
    return { reminded: this.reminded[p], roof: this.roofed[p], racing: this.racing[p] };
  }

  /** What holds where a phase begins. */
  startOf(p: number): Stretch {
    return this.starts[p];
  }

  /** The outing when gone in one way throughout. */
  goneBy(way: GoingWay): Timeline {
    return this.gone.get(way.going)!;
  }

  private allowsIn(phase: Phase, next: Phase | undefined): Allows {
    const { timeline, person } = this;
    const s = stretchAt(timeline, phase.startS + 1);
    return {
      warmOn: standbyGoesOn(timeline, phase, 'torso'),
      falls: timeline.stretches.some((o) => o.precipitationMmH > 0 && o.endS > phase.startS && o.startS < phase.endS),
      overLegs: standbyGoesOn(timeline, phase, 'legs'),
      drySocks: phase.stop && phase.startS > 0 && timeline.legStartS[s.leg + 1] - phase.startS >= SOCKS_STOP_S,
      ...pacesIn(timeline, person, phase, next),
      lee: leeIsNear(timeline, phase),
    };
  }

  /** Whether a way makes sense in a phase at all. @param before the way of the phase before, where it matters */
  admits(p: number, way: Way, before: Way | null): boolean {
    const a = this.allows[p];
    switch (way.choice) {
      case 'torso':
        if (way.vent === 'half' && way.layers.includes('mid') && !a.falls) return false;
        return a.warmOn || !way.layers.includes('warm');
      case 'legs':
        return a.overLegs || way.over === 'off';
      case 'feet':
        // Boots come off at the start, at home, or where one sits for a while; dry socks are for later.
        if (p === 0) return way.socks !== 'dry';
        return before === null || before.name === way.name || a.drySocks;
      case 'going':
        return way.going === 'as planned' || a[way.going];
      default:
        return true;
    }
  }
}

/** Whether one may go easier or brisker in a phase than planned. @param next the phase after it */
export function pacesIn(
  timeline: Timeline,
  person: Person,
  phase: Phase,
  next: Phase | undefined,
): Record<'easy' | 'brisk', boolean> {
  const s = stretchAt(timeline, phase.startS + 1);
  const leg = timeline.legs[s.leg];
  const paced = SPORT[leg.sport].going === 'own effort' && !leg.noStopping;
  const most = maximalMetabolicRate(person.vo2maxMl, person.massKg);
  return {
    // Whoever rolls downhill cannot go easier; in a race it costs more (`pacePrice`).
    easy: paced && s.metabolicW > EASES_W,
    // One presses on to get warm, not in mild air, nor into a stop: what is sweated then chills there (common practice, no published source).
    brisk:
      paced &&
      !next?.stop &&
      s.airC < MILD_C &&
      s.metabolicW < BRISK_SHARE * most &&
      !hurtsAirways(s.metabolicW * BRISK, s.airC, person),
  };
}

/** Whether a stop may be held in the lee: it stands open in the wind, and there is forest just before or after it. */
export function leeIsNear(timeline: Timeline, phase: Phase): boolean {
  if (!phase.stop) return false;
  const s = stretchAt(timeline, phase.startS + 1);
  const leg = timeline.legs[s.leg];
  return (
    !isUnderRoof(leg) &&
    (leg.shelter === 'open' || leg.shelter === 'ridge') &&
    s.relativeWind > LEE_WIND &&
    [timeline.legs[s.leg - 1], timeline.legs[s.leg + 1]].some((l) => l?.shelter === 'forest')
  );
}

/**
 * Whether what is kept dry for stops may go on in a phase: where one stands or is carried; a jacket also where one hardly works, or in
 * bitter air (common practice, no published source: on a climb it is soaked before it is needed).
 */
export function standbyGoesOn(timeline: Timeline, phase: Phase, group: 'torso' | 'legs'): boolean {
  const s = stretchAt(timeline, phase.startS + 1);
  const { going } = SPORT[timeline.legs[s.leg].sport];
  if (group === 'legs') return phase.stop || going === 'carried';
  return phase.stop || going !== 'own effort' || s.metabolicW - s.externalW < STEAMING_W || s.airC < BITTER_C;
}
