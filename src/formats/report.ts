import { toldOf, ZONE_COUNT, ZONES } from '@/core/body/zones';
import { panelOver, type Garment } from '@/core/clothing/garment';
import type { Person } from '@/core/body/person';
import { iso11079ByLeg } from '@/core/judge/iso11079ByLeg';
import { CAUTIONS } from '@/core/judge/verdict';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/kit/plan';
import { checkWeights, deciding } from '@/core/judge/cost';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { allBehind } from '@/core/questions/behind';
import type { Advice } from '@/core/questions/advise';
import { besideOf } from '@/core/questions/beside';
import type { BestStart, Start } from '@/core/questions/bestStart';
import { judge, type Judgement } from '@/core/judge/judgement';
import { bagOf, raceOf } from '@/core/kit/raceBag';
import { makePlan } from '@/core/search/planner';
import type { Compared } from '@/core/search/partings';
import { compareSchools } from '@/core/search/schools';
import type { Scored } from '@/core/judge/scorePlan';
import type { Case } from './caseFile';
import { quickHelp } from '@/core/judge/quickHelp';
import { fillSlots, plainVerdict } from './sentences';

const r1 = (x: number) => Math.round(x * 10) / 10;
const r2 = (x: number) => Math.round(x * 100) / 100;
const r3 = (x: number) => Math.round(x * 1000) / 1000;

const byZone = (values: Float64Array, row: number, round: (x: number) => number) =>
  Object.fromEntries(ZONES.map((z) => [z, round(toldOf(z, values, row * ZONE_COUNT))]));

/** What was run: the standard's own answer needs it beside the result. */
export interface Ran {
  garments: readonly Garment[];
  timeline: Timeline;
  plan: Plan;
  person: Person;
}

/** The output of the command line: series, totals and judgement, SI and °C. Shape in docs/formats.md. */
export function report(
  scored: Scored,
  { garments, timeline, plan, person }: Ran,
  judged: Judgement = judge(scored.findings, scored.metrics),
) {
  const s = scored.series;
  const byId = new Map(garments.map((g) => [g.id, g]));
  const minutes = Array.from({ length: s.rows }, (_, row) => ({
    timeS: s.timeS[row],
    coreC: r3(s.coreC[row]),
    metabolicW: r1(s.metabolicW[row]),
    sweatGh: r1(s.sweatGh[row]),
    dryLossW: r1(s.dryLossW[row]),
    evaporativeLossW: r1(s.evaporativeLossW[row]),
    respiratoryLossW: r1(s.breathLossW[row]),
    shiveringW: r1(s.shiverW[row]),
    heatStoredKJ: r1(s.bodyHeatJ[row] / 1000),
    sensation: r2(scored.metrics.sensation[row]),
    waterInClothesG: r1(scored.metrics.waterG[row]),
    frostG: r1(scored.metrics.frostG[row]),
    skinC: byZone(s.skinC, row, r2),
    wettedness: byZone(s.wettedness, row, r3),
    skinFilmGm2: byZone(s.filmGm2, row, r2),
    garments: Object.fromEntries(
      scored.garmentIds.map((id, g) => [
        id,
        {
          worn: s.worn[row * s.garments + g] === 1,
          zones: Object.fromEntries(
            ZONES.flatMap((z) => {
              const garment = byId.get(id);
              if (!garment || !panelOver(garment, z)) return [];
              const of = (values: Float64Array) => r2(toldOf(z, values, (row * s.garments + g) * ZONE_COUNT));
              return [[z, { waterGm2: of(s.waterGm2), frostGm2: of(s.frostGm2), temperatureC: of(s.garmentC) }]];
            }),
          ),
        },
      ]),
    ),
  }));
  const m = scored.metrics;
  return {
    minutes,
    totals: {
      sweatG: r1(m.sweatG),
      waterInClothesPeakG: r1(m.waterPeak.value),
      waterInClothesEndG: r1(m.waterEnd),
      frostPeakG: r1(m.frostPeakG),
      coreHighestC: r3(m.coreHigh.value),
      coreLowestC: r3(m.coreLow.value),
      torsoLowestC: r2(m.torso.value),
      fingersLowestC: r2(m.fingers.value),
      toesLowestC: r2(m.toes.value),
      faceLowestC: r2(m.face.value),
      shiveringMinutes: r1(m.shiverMinutes),
      heatDebtWhM2: r1(m.heatDebt.value),
      stopLossWhM2: r2(m.stopLoss.value),
      carriedAndWornKg: r3(scored.massG / 1000),
    },
    judgement: {
      verdict: plainVerdict(judged.verdict),
      tone: judged.verdict.tone,
      findings: judged.findings.map((f) => ({
        ...f,
        value: r2(f.value),
        ...(quickHelp(f) ? { helpsAtOnce: quickHelp(f)! } : {}),
      })),
      cost: { ...Object.fromEntries(Object.entries(scored.cost).map(([k, v]) => [k, r3(v)])), total: r3(scored.total) },
      iso11079: iso11079ByLeg(timeline, plan, byId, person).map((l) => ({
        leg: l.leg,
        name: l.name,
        ireqNeutralClo: r2(l.ireqNeutralClo),
        ireqMinimalClo: r2(l.ireqMinimalClo),
        neededIntrinsicClo: r2(l.neededClo),
        wornIntrinsicClo: r2(l.wornClo),
        durationLimitHours: l.limitHours === null ? null : r2(l.limitHours),
      })),
      cautions: CAUTIONS,
    },
  };
}

/** Everything the planner has to say of one case: the plan, its reasons, its chances, and what if nobody could go on. */
export function planReport(c: Case) {
  const { person, garments: closet, timeline, sport, damp, leadDays, waiting, floorC, members, outing } = c;
  const weights = checkWeights(c.weights);
  const request = { person, closet, timeline, sport, damp, maxCues: c.maxCues, leadDays, waiting, weights };
  const planned = makePlan(request);
  const { plan, scored } = planned;
  const b = allBehind({ ...request, plan, scored, more: CATALOGUE, outing, members, floorC });
  return {
    title: c.title,
    plan,
    handedIn: [...bagOf(plan, raceOf(timeline, person))],
    cues: planned.cues,
    mustNotMiss: planned.mustNotMiss,
    curve: planned.curve.map((p) => ({ cues: p.cues, cost: r3(p.cost) })),
    decidedBy: deciding(scored.cost),
    safe: planned.safe,
    wouldBeSafe: b.wouldBeSafe,
    ...(b.bestStart ? { starts: startsReport(b.bestStart) } : {}),
    advice: plainAdvice(b.advice),
    chances: b.chances,
    stuckOut: b.stuckOut,
    why: b.why,
    ...(c.schools.length > 0 ? { schools: schoolsReport(compareSchools(request, c.schools)) } : {}),
    simulations: planned.simulations,
    ...report(scored, { ...c, plan }, judge(scored.findings, scored.metrics, besideOf(request, { ...b, floorC }))),
  };
}

const startReport = (s: Start) => ({
  hour: r2(s.startMs / 3600_000),
  feelsC: r1(s.feelsC),
  fallsMm: r1(s.fallsMm),
  cost: r3(s.cost),
  safe: s.safe,
});

const startsReport = ({ starts, best, saves }: BestStart) => ({
  hours: starts.map(startReport),
  best: startReport(best),
  saves: r3(saves),
});

const plainAdvice = (a: Advice): Advice => ({ ...a, reason: fillSlots(a.reason, 'metric') });

function schoolsReport(compared: Compared) {
  return {
    plans: compared.plans.map(({ school, planned }) => ({
      ...school,
      plan: planned.plan,
      cues: planned.cues.map((x) => ({ atS: x.atS, text: x.text })),
      verdict: plainVerdict(planned.scored.verdict),
      cost: r3(planned.scored.total),
    })),
    impossible: compared.impossible,
    partings: compared.partings,
  };
}
