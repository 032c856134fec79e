import type { Garment } from '@/core/clothing/garment';
import type { Person } from '@/core/body/person';
import { changing } from '@/core/kit/changing';
import { isRace, racingOver } from '@/core/kit/followable';
import { raceOf, type Race } from '@/core/kit/raceBag';
import { isLayer, isStandby } from '@/core/clothing/purpose';
import { SPORT } from '@/core/effort/sports';
import { piecesOf } from '@/core/kit/difference';
import type { Cue, Plan } from '@/core/kit/plan';
import { carryOut } from '@/core/kit/replay';
import { askedAt, haltsNobody, isReminded, stretchAt, underRoof } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';

/** What changes and mass cost, points; about one point is an hour of being clearly annoyed. Engineering values, all of them. */
export const PRICE = {
  /** a cue to remember, and each piece handled at it */
  cue: 0.1,
  /** share of that at a door, and where a stop begins or ends: nobody needs to be told there to put the jacket on or off; and of a piece under a roof, where all that is worn outdoors comes off and goes on again */
  reminded: 0.4,
  piece: 0.025,
  /** seconds that hands are busy, to a point */
  secondsAPoint: 2400,
  /** a halt made only for this, and seconds of it to a point */
  halt: 0.12,
  haltSecondsAPoint: 900,
  /** what each companion who must wait adds to a halt, as a share of it */
  waitingShare: 0.25,
  /** each minute lost by going slower (by how much slower), and each minute gone harder than planned */
  late: 0.05,
  harder: 0.02,
  /** how many times that a minute lost is in a race */
  raceLate: 4,
  /** the way to a sheltered spot */
  shelter: 0.15,
  /** carrying and wearing mass, each kg and hour; and a pair of warmers used up */
  massKgHour: 0.035,
  /** each litre of a jacket or over-trousers for stops, or of a layer that is not worn at all, each hour of going by oneself without a pack to put it in */
  bulkLHour: 0.02,
  /** how many times that in a race, for what is not worn at all: nobody carries a jacket through one */
  raceBulk: 4,
  warmers: 0.12,
  /** each thing the verdict calls unsafe, which no comfort outweighs; and being right at a weak point */
  alarm: 5,
  weak: 0.5,
} as const;

/** What one cue does, for its price: pieces handled and the change of kit, pace or place. */
export interface CueWork {
  pieces: number;
  seconds: number;
  /** hands cannot do it while moving */
  halt: boolean;
  pace?: Cue['pace'];
  shelter?: boolean;
  atS: number;
}

/** Where a cue falls: whether one stands there in any case, whether the place itself reminds one of it, under a roof or not, how much of a race it is, 0–1, and how many people would wait. */
export interface CuePlace {
  halted: boolean;
  reminded: boolean;
  roof?: boolean;
  racing?: number;
  waiting: number;
}

/** Price of one cue, points. The cold that hands and body suffer meanwhile is not in it: that is simulated. */
export function cuePrice(w: CueWork, { halted, reminded, roof = false, racing = 0, waiting }: CuePlace): number {
  if (w.pieces === 0 && !w.pace && !w.shelter) return 0;
  const piece = PRICE.piece * (roof ? PRICE.reminded : 1);
  let price = PRICE.cue * (reminded ? PRICE.reminded : 1) + piece * w.pieces + w.seconds / PRICE.secondsAPoint;
  if (w.halt && !halted)
    price += (PRICE.halt + w.seconds / PRICE.haltSecondsAPoint) * (1 + PRICE.waitingShare * waiting);
  if (w.pace) price += pacePrice(w.pace.share, w.pace.untilS - w.atS, racing);
  return w.shelter ? price + PRICE.shelter : price;
}

/**
 * Price of going so long at another pace than planned, points. @param share of the planned effort  @param seconds at it
 * @param raced how much of a race it is, 0–1: nobody goes easier there for the sake of their clothes, but before heat does it for them (common practice, no published source)
 */
export const pacePrice = (share: number, seconds: number, raced: number): number =>
  (share < 1 ? PRICE.late * (1 - share) * (1 + (PRICE.raceLate - 1) * raced) : PRICE.harder) * (seconds / 60);

/** Price of all cues of a plan, points. @param waiting people who must wait at each halt, 0–30 */
export function cuesPrice(
  plan: Plan,
  garments: ReadonlyMap<string, Garment>,
  { timeline, person }: { timeline: Timeline; person: Pick<Person, 'vo2maxMl' | 'massKg'> },
  waiting: number,
): number {
  const halted = haltsNobody(timeline);
  const on = new Set(plan.worn);
  let price = 0;
  for (const cue of plan.cues) {
    const { packOn } = stretchAt(timeline, cue.atS);
    const { seconds, halt } = changing(cue.actions, { on, garments, packOn });
    const work = { pieces: piecesOf(cue.actions), seconds, halt, pace: cue.pace, shelter: !!cue.shelter, atS: cue.atS };
    const { atS } = cue;
    price += cuePrice(work, {
      halted: halted(atS),
      reminded: isReminded(timeline, atS),
      roof: underRoof(timeline, atS),
      racing: cue.pace ? racingOver(timeline, person, atS, cue.pace.untilS) : 0,
      waiting,
    });
    carryOut(on, cue.actions);
  }
  return price;
}

/** How long what is along is along, h: all in all, in the hands or about the waist of somebody who goes without a pack, and so in a race. */
export interface Along {
  hours: number;
  packlessHours: number;
  raceHours: number;
  /** a race for which clothes are handed in */
  race: Race | null;
}

export function alongOn(t: Timeline, person: Pick<Person, 'vo2maxMl' | 'massKg'>): Along {
  let packless = 0;
  let race = 0;
  for (const s of t.stretches) {
    if (s.packOn || SPORT[s.sport].going !== 'own effort') continue;
    packless += s.endS - s.startS;
    if (isRace(person, askedAt(t, s.startS + 0.5))) race += s.endS - s.startS;
  }
  return {
    hours: t.endS / 3600,
    packlessHours: packless / 3600,
    raceHours: race / 3600,
    race: raceOf(t, person),
  };
}

/** Price of all that is along, points. @param worn ids of what is worn at some time @param bag and of what is handed in for the race */
export function alongPrice(
  garments: Iterable<Garment>,
  worn: ReadonlySet<string>,
  { hours, packlessHours, raceHours, race }: Along,
  bag: ReadonlySet<string> = new Set(),
): number {
  let price = 0;
  for (const g of garments) {
    if (race && bag.has(g.id)) {
      price += (g.massG / 1000) * PRICE.massKgHour * (hours - (race.untilS - race.fromS) / 3600);
      continue;
    }
    price += (g.massG / 1000) * PRICE.massKgHour * hours + (g.role === 'heater' ? PRICE.warmers : 0);
    if (worn.has(g.id)) price += isStandby(g) ? g.packedL * PRICE.bulkLHour * packlessHours : 0;
    else if (isLayer(g)) price += g.packedL * PRICE.bulkLHour * (packlessHours + (PRICE.raceBulk - 1) * raceHours);
  }
  return price;
}
