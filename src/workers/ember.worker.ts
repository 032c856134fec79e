import { mouthRuleHolds } from '@/core/search/wishes';
import { type Rung } from '@/core/search/ladderTerms';
import { expose } from 'comlink';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { plainGarment } from '@/core/clothing/garment';
import type { Scored } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import { timelineOf } from '@/core/outing/outing';
import { behind, type Behind } from '@/core/questions/behind';
import { propose, type Proposal } from '@/core/questions/propose';
import { runPlan, type Question } from '@/core/questions/question';
import { answerAtDoor, answerAtOnce, type Begun, type DoorAnswer, type DoorTold } from '@/core/search/answer';
import { hoursAtDoor, type DoorHour } from '@/core/search/aroundDoor';
import { type DoorQuestion } from '@/core/search/doorQuestion';
import type { DoorDay } from '@/core/outing/doorDay';
import { descendFromOther, type Descended } from '@/core/search/otherStarts';
import { askedOn, fitBeside, lookAlone, Search, type Alone, type Fitted } from '@/core/search/search';
import type { Found } from '@/core/search/look';
import type { Planned, PlanRequest } from '@/core/search/planRequest';
import type { SchoolTried } from '@/core/search/partings';
import { schoolOf, trySchool } from '@/core/search/schools';
import type { DoorSetting, Setting } from './setting';
import { practise } from './warmUp';

type Tell = (done: number, says: string, soFar?: Plan) => void;

/** How often progress is told, ms: each word of it costs the page a drawing. */
const TELL_EVERY_MS = 150;

/** Passes progress on now and then; a first or better plan always. */
function nowAndThen(tell: Tell): (done: number, says: string, soFar?: Plan) => boolean {
  let told = -Infinity;
  return (done, says, soFar) => {
    const now = performance.now();
    if (soFar || now - told >= TELL_EVERY_MS) {
      told = now;
      tell(done, says, soFar);
    }
    return true;
  };
}

/** For work that has nothing to say but that it goes on. */
function goesOn(heard: () => void): () => boolean {
  const beat = nowAndThen(heard);
  return () => beat(0, '');
}

/** What all questions rest on until another setting is opened, laid out once. */
let open: (Omit<Question, 'plan'> & { setting: Setting }) | null = null;

function opened() {
  if (!open) throw new Error('no outing is open');
  return open;
}

/** The question with what may be proposed only: a plan may be worn in pieces that have left the closet, but not made from them. */
function fromCloset(plan?: Plan): Omit<Question, 'plan'> {
  const { setting, ...asked } = opened();
  const may = new Set([...setting.inCloset, ...(plan ? [...plan.worn, ...plan.carried] : [])]);
  return { ...asked, closet: asked.closet.filter((g) => may.has(g.id)) };
}

function planRequest(leadDays: number): PlanRequest {
  const asked = fromCloset();
  const { wishes } = opened().setting;
  return {
    ...asked,
    maxCues: wishes.maxCues,
    leadDays,
    mouthCovered: mouthRuleHolds(wishes, asked.timeline, asked.closet),
  };
}

/** Who is at the door, laid out once; and which question is the newest, so that an older one gives up between its parts. */
let atDoor: DoorSetting | null = null;
let newest = 0;

function doorQuestion(day: DoorDay, rungs: readonly Rung[]): DoorQuestion {
  if (!atDoor) throw new Error('nobody is at the door');
  return { ...atDoor, day, rungs };
}

/** Lets messages that have come in meanwhile be heard. */
const breathe = () => new Promise<void>((go) => setTimeout(go, 0));

/** What costs so much before it is bettered, points, is hardly ever not dear after it: the day itself is looked at from then on, before that is known. */
const SURELY_DEAR = 4;

/** Another worker beside one that plans. */
export interface Beside {
  /** what the descent from other layers finds there */
  descended: () => Promise<Descended>;
  /** what was found on the even day so far, fitted to the day there */
  fitted: (found: Found) => Promise<Fitted>;
  /** what the day itself leads to there */
  alone: () => Promise<Alone>;
}

/** The heavy work, off the page's thread. One pure core serves worker, server, command line and tests. */
const api = {
  practise,
  /** Who, with what, on which outing: crosses once, and is asked about many times. */
  open(setting: Setting): void {
    const { person, unsure, closet, outing, damp, wishes } = setting;
    const { weights, waiting } = wishes;
    open = {
      setting,
      person,
      unsure,
      closet: closet.map(plainGarment),
      timeline: timelineOf(outing, person),
      sport: outing.sport,
      damp,
      weights,
      waiting,
    };
  },
  openDoor(setting: DoorSetting): void {
    atDoor = { ...setting, closet: setting.closet.map(plainGarment) };
  },
  doorAtOnce: (day: DoorDay, rungs: readonly Rung[]): DoorAnswer => answerAtOnce(doorQuestion(day, rungs)),
  /** tells each part when it is ready; ends early when another is asked */
  async door(
    day: DoorDay,
    rungs: readonly Rung[],
    begun: Begun | undefined,
    tell: (part: Partial<DoorTold>) => void,
  ): Promise<boolean> {
    const mine = ++newest;
    for (const part of answerAtDoor(doorQuestion(day, rungs), () => true, begun)) {
      tell(part);
      await breathe();
      if (mine !== newest) return false;
    }
    return true;
  },
  doorHours: (day: DoorDay, plan: Plan, days: readonly DoorDay[]): DoorHour[] =>
    hoursAtDoor(doorQuestion(day, []), plan, days),
  /** @param stepS coarse while dragging, fine at rest */
  score: (plan: Plan, stepS: number): Scored => runPlan({ ...opened(), plan }, plan, { stepS }),
  propose: (plan: Plan): Proposal | null => propose({ ...fromCloset(plan), plan }),
  behind(plan: Plan, leadDays: number, ready: (part: Partial<Behind>) => void): void {
    const { outing, wishes } = opened().setting;
    const floorC = wishes.floorC ?? undefined;
    for (const part of behind({ ...fromCloset(plan), plan, outing, leadDays, floorC, more: CATALOGUE })) ready(part);
  },
  /** @param beside another worker that makes meanwhile what can be made by itself, where there is one */
  async plan(leadDays: number, tell: Tell, beside: Beside | null): Promise<Planned> {
    const request = planRequest(leadDays);
    const search = new Search(request, nowAndThen(tell));
    const goOn = () => search.goesOn();
    const even = askedOn('even day', request);
    search.atOnce();
    const other = beside && beside.descended().catch(() => null);
    // The message to the other worker goes out before this one is busy again.
    await breathe();
    search.begin();
    search.meet((await other) ?? descendFromOther(even, goOn));
    const early = beside && search.cost >= SURELY_DEAR ? beside.alone().catch(() => null) : null;
    await breathe();
    const found = search.better();
    const fitted = beside && found && !early ? beside.fitted(found).catch(() => null) : null;
    await breathe();
    if (!search.fit(search.further() ? null : await fitted)) return search.last(null);
    const alone = await (early ?? beside?.alone().catch(() => null));
    return search.last(alone ?? lookAlone(request, search.tellAlone));
  },
  /** @param heard told now and then that it goes on */
  descendFromOther: (leadDays: number, heard: () => void): Descended =>
    descendFromOther(askedOn('even day', planRequest(leadDays)), goesOn(heard)),
  /** @param heard told now and then that it goes on */
  fitBeside: (leadDays: number, found: Found, heard: () => void): Fitted =>
    fitBeside(planRequest(leadDays), found, goesOn(heard)),
  /** @param heard told now and then that it goes on */
  lookAlone: (leadDays: number, heard: () => void): Alone => lookAlone(planRequest(leadDays), goesOn(heard)),
  school: (leadDays: number, id: string, tell: Tell): SchoolTried =>
    trySchool(planRequest(leadDays), schoolOf(id), nowAndThen(tell)),
};

export type EmberWorker = typeof api;
expose(api);
