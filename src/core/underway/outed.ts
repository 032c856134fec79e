import type { Person } from '@/core/body/person';
import { weighedLossG } from '@/core/calibrate/bodyLoss';
import { lessonOf, type Lesson } from '@/core/calibrate/learn';
import { HOME_SCALE_G, type FeltThen, type Outed } from '@/core/calibrate/readings';
import type { Learned } from '@/core/calibrate/learned';
import type { Feeling } from '@/core/calibrate/votes';
import { PARTS, type Felt } from '@/core/calibrate/words';
import { SETTLE_S } from '@/core/judge/limits';
import { truncate } from '@/core/outing/truncate';
import { goneNow } from './gone';
import { outThere, wornPlan, type OutThere } from './outThere';
import { openPack, type Opened, type Pack } from './pack';
import type { Tap } from './taps';

/** What a tap on the way says of a part; sweating says nothing of how warm it is. */
const ON_THE_WAY: Record<Feeling, { part: FeltThen['part']; word: Felt } | null> = {
  'too hot': { part: 'torso', word: 'hot' },
  fine: { part: 'torso', word: 'fine' },
  cold: { part: 'torso', word: 'cold' },
  'hands cold': { part: 'hands', word: 'cold' },
  'feet cold': { part: 'feet', word: 'cold' },
  sweating: null,
};
/** A tap is of a while, not of a second, s. */
const AROUND_S = 120;

/** The outing as it was and what was told of it, from pack and taps: what is learned from. */
export function outedOf(opened: Opened, out: OutThere): Outed {
  const { pack } = opened;
  const gone = goneNow(opened, out).timeline;
  const timeline = truncate(gone, Math.max(60, out.nowS)) ?? gone;
  const onTheWay = out.heard.flatMap((h): FeltThen[] => {
    const said = 'feels' in h ? ON_THE_WAY[h.feels] : null;
    return said ? [{ ...said, fromS: Math.max(0, h.atS - AROUND_S), toS: h.atS + AROUND_S }] : [];
  });
  const inTheHall = PARTS.flatMap((part): FeltThen[] => {
    const word = out.felt[part];
    return word ? [{ part, word, fromS: 0, toS: timeline.endS }] : [];
  });
  const inWhiles = out.feltIn.map((f): FeltThen => ({ ...f, toS: Math.min(f.toS, timeline.endS) }));
  const weighed = Object.entries(out.weighed).flatMap(([garment, grams]) => {
    const g = pack.closet.find((c) => c.id === garment);
    return g ? [{ garment, waterG: Math.max(0, grams - g.massG), scaleG: HOME_SCALE_G.kitchen }] : [];
  });
  return {
    timeline,
    plan: wornPlan(out, 'never'),
    // What was learned of pieces is learned against their own numbers.
    closet: pack.closet.map((g) => pack.given?.find((own) => own.id === g.id) ?? g),
    damp: pack.damp,
    felt: [...onTheWay, ...inWhiles, ...inTheHall],
    weighed,
    ...(out.body ? { body: { lossG: Math.max(0, weighedLossG(out.body)), scaleG: HOME_SCALE_G.bathroom } } : {}),
  };
}

/** One outing that was told, as it lies in the database. */
export interface ToldOuting {
  pack: Pack;
  taps: Tap[];
}

/** An outing that was told and is over, opened. @param person as they give themselves; the pack has them as they were known then */
export function openTold({ pack, taps }: ToldOuting, person: Person): { opened: Opened; out: OutThere } {
  const opened = openPack({ ...pack, person });
  const last = taps.length > 0 ? Math.max(...taps.map((t) => t.atMs)) : 0;
  return { opened, out: outThere(opened, taps, last) };
}

/** What one outing teaches on what is known; null: nothing was told of it, or whoever turned round before the body settled. */
export function lessonFrom(known: Learned, person: Person, told: ToldOuting): Lesson | null {
  const { opened, out } = openTold(told, person);
  return out.nowS < SETTLE_S ? null : lessonOf(known, person, outedOf(opened, out));
}

/** What outings teach one after the other, as they were gone. */
export interface Learning {
  learned: Learned;
  lessons: { outingId: string; lesson: Lesson }[];
  /** could not be laid out any more: their forecast was changed since */
  failed: string[];
}

/** @param known what is known before the first of them @param goOn asked before each with how many are done; false leaves the rest */
export function learnFromAll(
  known: Learned,
  person: Person,
  list: readonly ToldOuting[],
  goOn: (done: number) => boolean = () => true,
): Learning {
  let learned = known;
  const lessons: Learning['lessons'] = [];
  const failed: string[] = [];
  for (const [i, told] of list.entries()) {
    if (!goOn(i)) break;
    try {
      const lesson = lessonFrom(learned, person, told);
      if (!lesson) continue;
      learned = lesson.after;
      lessons.push({ outingId: told.pack.outingId, lesson });
    } catch {
      failed.push(told.pack.outing.name);
    }
  }
  return { learned, lessons, failed };
}
