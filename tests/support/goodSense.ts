import { readFileSync } from 'node:fs';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import { coversUnderwear, isOutdoorWear, isUnderwear } from '@/core/clothing/purpose';
import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import { isStop, type Sport } from '@/core/effort/sports';
import { isSafe } from '@/core/judge/findings';
import { judge } from '@/core/judge/judgement';
import { LIMIT } from '@/core/judge/limits';
import { operations } from '@/core/kit/difference';
import { followable } from '@/core/kit/followable';
import { alongOf } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { settingAt, wornAt } from '@/core/kit/replay';
import { stretchAt } from '@/core/outing/moments';
import { makePlan } from '@/core/search/planner';
import type { Planned } from '@/core/search/planRequest';
import { readPlanCase, type Case } from '@/formats/caseFile';

/** One outing of tests/plans/outings.json: legs as minutes, sport, exertion and shelter, all in one air. */
export interface PlannedOuting {
  name: string;
  sport: Sport;
  legs: [minutes: number, sport: Sport, exertion: number | null, shelter: string, more?: object][];
  airC: number;
  /** m/s at 10 m */
  wind: number;
  humidity: number;
  /** kind and mm/h */
  fall?: [string, number];
  /** catalogue ids; left out: everything there is */
  closet?: string[];
}

export const OUTINGS: readonly PlannedOuting[] = JSON.parse(readFileSync('tests/plans/outings.json', 'utf8'));

const INDOORS = { airC: 19, humidity: 0.4, wind: { ms: 0, at: '10m' } };

/** The outing through the reader of the command line. */
export function caseOf(o: PlannedOuting): Case {
  const air = {
    airC: o.airC,
    humidity: o.humidity,
    wind: { ms: o.wind, at: '10m' },
    ...(o.fall ? { precipitation: { kind: o.fall[0], mmH: o.fall[1] } } : {}),
  };
  const legs = o.legs.map(([minutes, sport, exertion, shelter, more]) => ({
    minutes,
    sport,
    ...(exertion === null ? {} : { exertion }),
    shelter,
    pack: sport !== 'run' && sport !== 'walk',
    ...(shelter === 'indoor' ? INDOORS : air),
    ...more,
  }));
  return readPlanCase(
    { title: o.name, sport: o.sport, garments: o.closet ?? CATALOGUE.map((g) => g.id), legs },
    o.name,
  );
}

/** Everything a rule looks at. */
interface Seen {
  outing: PlannedOuting;
  c: Case;
  plan: Plan;
  planned: Planned;
  along: Garment[];
  /** what is worn at a moment, s */
  at: (s: number) => Garment[];
}

const owns = (c: Case, is: (g: Garment) => boolean) => c.garments.some(is);
const isHat = (g: Garment) => g.group === 'head' && g.role !== 'over';
const isHand = (g: Garment) => g.group === 'hands' && g.role !== 'heater';
const isStorm = (g: Garment) => g.group === 'torso' && g.waterResistance >= 0.8;
/** Sun on the body that dazzles on snow, W/m² (engineering value). */
const STRONG_SUN_WM2 = 300;
const isWarm = (g: Garment) => g.group === 'torso' && g.role === 'warm';

/**
 * Rules of good sense, common practice without a published source; each says what is wrong, or nothing. Held against the plan
 * alone, whatever its cost.
 */
export const RULES: Record<string, (s: Seen) => string | undefined> = {
  'a hat is along below −3 °C where one is out for an hour': ({ outing, c, along }) =>
    outing.airC < -3 && c.timeline.endS >= 3600 && owns(c, isHat) && !along.some(isHat) ? 'no hat' : undefined,
  'something for the hands is along below freezing': ({ outing, along }) =>
    outing.airC < 0 && !along.some(isHand) ? 'bare hands' : undefined,
  'hands are covered at −10 °C and below': ({ outing, c, at }) => {
    if (outing.airC > -10) return undefined;
    const bare = c.timeline.stretches.find(
      (s) => s.airC < 0 && s.endS - s.startS >= 120 && !at(s.endS - 1).some(isHand),
    );
    return bare ? `bare hands at ${(bare.startS / 60).toFixed(0)} min` : undefined;
  },
  'whoever stands for ten minutes below +2 °C has a warm layer on, or is not even cool without it': ({
    c,
    at,
    along,
    planned,
  }) => {
    const cold = c.timeline.legs.findIndex((l, i) => {
      const s = stretchAt(c.timeline, c.timeline.legStartS[i] + 1);
      return isStop(l) && l.sport !== 'chairlift' && l.minutes >= 10 && s.airC < 2;
    });
    if (cold < 0 || !owns(c, isWarm)) return undefined;
    if (!along.some(isWarm)) return 'no warm layer along';
    const endS = c.timeline.legStartS[cold + 1];
    const vote = planned.scored.metrics.sensation[Math.round(endS / planned.scored.series.stepS)];
    return vote > LIMIT.feltCool || at(endS - 60).some(isWarm)
      ? undefined
      : `the warm layer stays in the pack at a vote of ${vote.toFixed(1)}`;
  },
  'in steady rain a shell is on and shut, where one is owned': ({ outing, c, plan, at }) => {
    if (!outing.fall || LIQUID_SHARE[outing.fall[0] as 'rain'] < 0.5 || outing.airC > 12 || !owns(c, isStorm))
      return undefined;
    for (const s of c.timeline.stretches) {
      if (s.precipitationMmH < 1) continue;
      const shell = at(s.startS + 1).find(isStorm);
      if (!shell) return `no shell at ${(s.startS / 60).toFixed(0)} min`;
      const zip = shell.openings.find((o) => o.id === 'zip');
      if (zip && settingAt(plan, shell, 'zip', s.startS + 1) > 0.5)
        return `front open at ${(s.startS / 60).toFixed(0)} min`;
    }
    return undefined;
  },
  'driven snow wants something before the eyes, where it is owned': ({ outing, c, at }) => {
    if (!outing.fall?.[0].includes('snow') || !owns(c, (g) => g.group === 'eyes')) return undefined;
    const s = c.timeline.stretches.find((x) => x.relativeWind >= 8 && x.precipitationMmH > 0.5);
    return s && !at(s.startS + 1).some((g) => g.group === 'eyes') ? 'bare eyes' : undefined;
  },
  'one pair before the eyes and one padded pair on the hands at a time': ({ c, at }) => {
    const many = (list: Garment[]) =>
      list.filter((g) => g.group === 'eyes').length > 1 ||
      list.filter((g) => g.group === 'hands' && g.role === 'warm').length > 1;
    const s = c.timeline.stretches.find((x) => many(at(x.endS - 1)));
    return s && `two before ${(s.endS / 60).toFixed(0)} min`;
  },
  'a cue on the move asks for three things at most, one at race effort, six where one halts for a layer': ({
    c,
    plan,
  }) => {
    const can = followable(c.timeline, c.person, new Map(c.garments.map((g) => [g.id, g])));
    const many = plan.cues.find((q) => !can(q));
    return many ? `${operations(many.actions)} at ${(many.atS / 60).toFixed(0)} min` : undefined;
  },
  'nothing waterproof or padded is worn on the move above +12 °C in the dry': ({ outing, c, at }) => {
    if (outing.airC <= 12 || outing.fall) return undefined;
    const s = c.timeline.stretches.find((x) =>
      at(x.startS + 1).some((g) => isWarm(g) || (g.membrane && g.group === 'torso')),
    );
    return s ? 'too much on' : undefined;
  },
  'nothing is carried for nothing: each piece is put on, or stands by': ({ plan, along }) => {
    const on = new Set(plan.cues.flatMap((q) => q.actions.flatMap((a) => (a.do === 'putOn' ? [a.garment] : []))));
    const idle = along.filter(
      (g) =>
        plan.carried.includes(g.id) && !on.has(g.id) && !isWarm(g) && !isHat(g) && !isHand(g) && g.group !== 'torso',
    );
    return idle.length > 0 ? idle.map((g) => g.id).join(', ') : undefined;
  },
  'no more cues than a person remembers': ({ plan }) =>
    plan.cues.length > 12 ? `${plan.cues.length} cues` : undefined,
  'coats, gloves and what is before the face are off under a roof where one sits for half an hour': ({ c, at }) => {
    const hut = c.timeline.legs.findIndex((l) => l.sport === 'hut' && l.minutes >= 30);
    if (hut < 0) return undefined;
    const coats = at((c.timeline.legStartS[hut] + c.timeline.legStartS[hut + 1]) / 2).filter(isOutdoorWear);
    return coats.length > 0 ? coats.map((g) => g.id).join(', ') : undefined;
  },
  'strong sun wants something before the eyes, where it is owned': ({ c, at }) => {
    const s = c.timeline.stretches.find((x) => x.sunWm2 >= STRONG_SUN_WM2);
    if (!s || !owns(c, (g) => g.group === 'eyes')) return undefined;
    return at(s.endS - 1).some((g) => g.group === 'eyes') ? undefined : 'bare eyes in the sun';
  },
  'mesh and long underwear are never outermost, where there is something to go over them': ({ c, at }) => {
    if (!owns(c, (g) => g.group === 'legs' && !isUnderwear(g) && g.role !== 'short')) return undefined;
    const s = c.timeline.stretches.find((x) => !coversUnderwear(at(x.endS - 1)));
    return s && `underwear at ${(s.endS / 60).toFixed(0)} min`;
  },
  'shoes are on wherever one goes, and a base beneath what is worn over it': ({ c, at }) => {
    const s = c.timeline.stretches.find((x) => {
      const worn = at(x.endS - 1);
      const torso = worn.filter((g) => g.group === 'torso');
      return !worn.some((g) => g.role === 'footwear') || (torso.length > 0 && !torso.some((g) => g.role === 'base'));
    });
    return s && `not before ${(s.endS / 60).toFixed(0)} min`;
  },
  'briefs are worn where they are owned': ({ c, plan, along }) =>
    owns(c, (g) => g.role === 'short') && !along.some((g) => g.role === 'short' && plan.worn.includes(g.id))
      ? 'no briefs'
      : undefined,
  'nobody presses on into a stop': ({ c, plan }) => {
    const { legs, legStartS } = c.timeline;
    const stops = legStartS.filter((_, i) => i > 0 && i < legs.length && isStop(legs[i]));
    const into = plan.cues.find(
      ({ atS, pace }) => pace && pace.share > 1 && stops.some((s) => atS < s && pace.untilS > s - 120),
    );
    return into && `pressed on from ${(into.atS / 60).toFixed(0)} min`;
  },
  'no more than two jackets for stops over one another, but in air nobody belongs in': ({ outing, c, at }) => {
    if (outing.airC <= -38) return undefined;
    const s = c.timeline.stretches.find((x) => at(x.endS - 1).filter(isWarm).length > 2);
    return s && `three at ${(s.endS / 60).toFixed(0)} min`;
  },
  'what is not safe is not called go': ({ planned }) => {
    const { go, verdict } = judge(planned.scored.findings, planned.scored.metrics);
    const safe = isSafe(planned.scored.findings);
    return !safe && (go !== 'not today' || verdict.tone !== 'fails') ? `${go}, ${verdict.tone}` : undefined;
  },
  'air nobody belongs in is not go, whatever is worn': ({ outing, planned }) =>
    outing.airC <= -38 && judge(planned.scored.findings, planned.scored.metrics).go !== 'not today' ? 'go' : undefined,
};

/** What of good sense one outing's plan breaks, by rule. */
export function broken(o: PlannedOuting): { planned: Planned; broken: Record<string, string> } {
  const c = caseOf(o);
  const { person, garments: closet, timeline, sport } = c;
  const planned = makePlan({ person, closet, timeline, sport });
  const { plan } = planned;
  const byId = new Map(closet.map((g) => [g.id, g]));
  const seen: Seen = {
    outing: o,
    c,
    plan,
    planned,
    along: alongOf(closet, plan),
    at: (s) => [...wornAt(plan, s)].flatMap((id) => byId.get(id) ?? []),
  };
  const list = Object.entries(RULES).flatMap(([rule, holds]) => {
    const wrong = holds(seen);
    return wrong === undefined ? [] : [[rule, wrong] as const];
  });
  return { planned, broken: Object.fromEntries(list) };
}
