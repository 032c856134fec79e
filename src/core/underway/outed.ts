import type { Person } from '@/core/body/person';
import { learn, type FeltThen, type Outed } from '@/core/calibrate/learn';
import { nothingLearned, type Learned } from '@/core/calibrate/learned';
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
/** A kitchen scale, g. */
const SCALE_G = 2;

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
  const weighed = Object.entries(out.weighed).flatMap(([garment, grams]) => {
    const g = pack.closet.find((c) => c.id === garment);
    return g ? [{ garment, waterG: Math.max(0, grams - g.massG), scaleG: SCALE_G }] : [];
  });
  return {
    timeline,
    plan: wornPlan(out, 'never'),
    closet: pack.closet,
    damp: pack.damp,
    felt: [...onTheWay, ...inTheHall],
    weighed,
  };
}

/** One outing that was told, as it lies in the database. */
export interface ToldOuting {
  pack: Pack;
  taps: Tap[];
}

/**
 * What all outings teach, one after the other as they were gone. One that cannot be laid out any more (its forecast was changed since)
 * teaches nothing and is named.
 */
export function learnFromAll(person: Person, list: readonly ToldOuting[]): { learned: Learned; failed: string[] } {
  let learned = nothingLearned();
  const failed: string[] = [];
  for (const { pack, taps } of list) {
    try {
      const opened = openPack({ ...pack, person });
      const last = Math.max(...taps.map((t) => t.atMs));
      const out = outThere(opened, taps, last);
      // Who turned round before the body settled has nothing to tell.
      if (out.nowS >= SETTLE_S) learned = learn(learned, person, outedOf(opened, out));
    } catch {
      failed.push(pack.outing.name);
    }
  }
  return { learned, failed };
}
