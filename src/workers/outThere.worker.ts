import { expose } from 'comlink';
import { believe, beliefWords, type Belief } from '@/core/calibrate/belief';
import { afterwardsOf, type Afterwards } from '@/core/afterwards/afterwards';
import type { Learned } from '@/core/calibrate/learned';
import { type Person } from '@/core/body/person';
import { learnFromAll, type Learning, type ToldOuting } from '@/core/underway/outed';
import { plainGarment } from '@/core/clothing/garment';
import type { Cue, Plan } from '@/core/kit/plan';
import { inReach } from '@/core/kit/raceBag';
import type { Finding } from '@/core/judge/findings';
import { besideFindings } from '@/core/judge/judgement';
import { besideOf } from '@/core/questions/beside';
import { chances } from '@/core/questions/chances';
import type { CueReason } from '@/core/questions/cueReason';
import { missedCues } from '@/core/questions/missedCues';
import { stuckHere, stuckOut, type Stuck } from '@/core/questions/stuckOut';
import { replan } from '@/core/search/replan';
import { momentsIn, windowAt } from '@/core/underway/bodyNow';
import { homeAgain, type HomeAgain } from '@/core/underway/homeAgain';
import { warmestOrder, type DressStep } from '@/core/underway/dressing';
import { nowOf, questionNow, type Believed, type Now } from '@/core/underway/now';
import { outThere, type OutThere } from '@/core/underway/outThere';
import { openPack, type Opened, type Pack } from '@/core/underway/pack';
import { isAnother, redress } from '@/core/underway/redress';
import type { Tap } from '@/core/underway/taps';

/** What is believed, without the members it was found by. */
export interface BelievedNow extends Pick<Belief, 'z' | 'bands' | 'counts'> {
  says: string;
}

/** Cues for the rest of the way, on its clock, and whether they differ from what was meant. */
export interface Rest {
  cues: Cue[];
  safe: boolean;
  saves: number;
}

/** What may go otherwise than this one run says, as findings beside it. */
export interface Otherwise {
  farthest: Stuck | null;
  findings: Finding[];
}

export interface StuckNow {
  stuck: Stuck;
  steps: DressStep[];
}

/** However long the day, somebody stands in the cold and waits: the search ends after this, ms. */
const REPLAN_MS = 1000;
/** A plan this little better is the same plan, points. */
const SAME_POINTS = 0.05;

let opened: Opened | null = null;

function asked(): Opened {
  if (!opened) throw new Error('no outing is packed');
  return opened;
}

const known = (taps: readonly Tap[], nowMs: number): OutThere => outThere(asked(), taps, nowMs);

/** What is worked out on the phone, off the page's thread. Everything follows from the pack and the taps. */
const api = {
  open(pack: Pack): void {
    opened = openPack({ ...pack, closet: pack.closet.map(plainGarment) });
  },
  now: (taps: readonly Tap[], nowMs: number, belief: Believed): Now => nowOf(asked(), known(taps, nowMs), belief),
  believe(taps: readonly Tap[], nowMs: number): BelievedNow | null {
    const out = known(taps, nowMs);
    if (out.stage !== 'way' || out.heard.length === 0) return null;
    const q = questionNow(asked(), out, null, 'now');
    const { toS } = windowAt(out.nowS, out.next?.dueS ?? null, q.timeline.endS);
    const belief = believe({
      ...q,
      heard: out.heard,
      nowS: out.nowS,
      leadDays: q.lead,
      moments: momentsIn(out.nowS, toS),
    });
    return { z: belief.z, bands: belief.bands, counts: belief.counts, says: beliefWords(belief) };
  },
  /** Why each cue of the plan that holds is there, and what missing it does. */
  reasons(taps: readonly Tap[], nowMs: number): CueReason[] {
    const out = known(taps, nowMs);
    const { pack, timeline } = asked();
    return missedCues({ person: pack.person, closet: pack.closet, timeline, plan: out.plan, damp: pack.damp });
  },
  /** What told outings teach of an athlete: needs nothing packed. */
  learn: (known: Learned, person: Person, list: readonly ToldOuting[], onDone?: (done: number) => void): Learning =>
    learnFromAll(known, person, list, (done) => {
      onDone?.(done);
      return true;
    }),
  /** An outing that is over: what was said, what was felt, what it teaches. */
  after: (before: Learned, person: Person, told: ToldOuting): Afterwards => afterwardsOf(before, person, told),
  /** What may go otherwise: over the spread of forecast and athlete, and should one not be able to go on at the farthest place. */
  otherwise(taps: readonly Tap[], nowMs: number): Otherwise {
    const out = known(taps, nowMs);
    const q = questionNow(asked(), out, null, 'now');
    const stuck = stuckOut(q);
    const spread = chances({ ...q, leadDays: q.lead });
    const floorC = asked().pack.wishes.floorC ?? undefined;
    return {
      farthest: stuck.stuck.find((s) => s.place === 'farthest') ?? null,
      // The same list as on the score: what is weak there is weak here.
      findings: besideFindings(besideOf(q, { chances: spread, stuckOut: stuck, floorC })),
    };
  },
  replan(taps: readonly Tap[], nowMs: number, belief: Believed): Rest {
    const out = known(taps, nowMs);
    const q = questionNow(asked(), out, belief, 'now');
    const until = performance.now() + REPLAN_MS;
    const { maxCues } = asked().pack.wishes;
    const found = replan({ ...q, nowS: out.nowS, maxCues, goOn: () => performance.now() < until });
    // On from now both clocks run alike.
    const by = out.nowS - out.wayS;
    const way = (s: number) => Math.max(0, s - by);
    const ahead = (found.saves > SAME_POINTS ? found.plan : q.plan).cues.filter((c) => c.atS > out.nowS);
    const cues = ahead.map((c): Cue => ({
      ...c,
      atS: way(c.atS),
      ...(c.pace ? { pace: { ...c.pace, untilS: way(c.pace.untilS) } } : {}),
      ...(c.shelter ? { shelter: { untilS: way(c.shelter.untilS) } } : {}),
    }));
    return { cues, safe: found.safe, saves: found.saves };
  },
  /** The plan for the sky that was seen and what is to be had; null where it stays as it is. */
  redress(taps: readonly Tap[], nowMs: number): Plan | null {
    const out = known(taps, nowMs);
    const plan = redress(asked(), out);
    return isAnother(out.plan, plan) ? plan : null;
  },
  home: (taps: readonly Tap[], nowMs: number, belief: Believed): HomeAgain =>
    homeAgain(asked(), known(taps, nowMs), belief),
  stuck(taps: readonly Tap[], nowMs: number, belief: Believed): StuckNow {
    const out = known(taps, nowMs);
    const q = questionNow(asked(), out, belief, 'never');
    const { steps } = warmestOrder(q.plan, inReach(q, out.nowS), out.nowS);
    return { stuck: stuckHere(q, out.nowS, out.stuckSo.people), steps };
  },
};

export type OutThereWorker = typeof api;
expose(api);
