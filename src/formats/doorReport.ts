import { type Ladder } from '@/core/search/ladderTerms';
import type { Garment } from '@/core/clothing/garment';
import { coldestByPart, DRESSED_PARTS } from '@/core/judge/coldestByPart';
import { judge } from '@/core/judge/judgement';
import { CAUTIONS } from '@/core/judge/verdict';
import { besideOf } from '@/core/questions/beside';
import { type DoorTold } from '@/core/search/answer';
import { type DoorQuestion } from '@/core/search/doorQuestion';
import { clock } from './dates';
import { doorVerdict, feltWords } from './doorWords';
import { fillSlots } from './sentences';
import type { Spoken } from './spokenLine';
import Papa from 'papaparse';

const r1 = (x: number) => Math.round(x * 10) / 10;
const r2 = (x: number) => Math.round(x * 100) / 100;

const namesOf = (closet: readonly Garment[]) => {
  const byId = new Map(closet.map((g) => [g.id, g.name]));
  return (ids: readonly string[]) => ids.map((id) => byId.get(id) ?? id);
};

/** All that is said at the door, as JSON: SI and °C. Shape in docs/formats.md. */
export function doorReport(spoken: Spoken, q: DoorQuestion, told: DoorTold) {
  const { answer, around, chances, stuckOut, advice } = told;
  const { scored, plan } = answer;
  const judged = judge(
    scored.findings,
    scored.metrics,
    besideOf({ timeline: answer.timeline }, { floorC: q.wishes.floorC ?? undefined, chances, stuckOut }),
  );
  const names = namesOf(q.closet);
  const coldest = coldestByPart(scored.series);
  const group = {
    head: ['head'],
    face: ['face', 'eyes'],
    torso: ['torso'],
    hands: ['hands'],
    legs: ['legs'],
    feet: ['feet'],
  };
  const worn = q.closet.filter((g) => plan.worn.includes(g.id));
  return {
    line: spoken.text,
    understood: spoken.said.map((s) => ({ what: s.key, text: spoken.text.slice(s.from, s.to), taken: s.taken })),
    guessed: spoken.guessed,
    notUnderstood: spoken.notUnderstood.map(({ text, nearest }) => ({ text, nearest })),
    notes: spoken.notes,
    day: { ...q.day, windKmh: r1(q.day.windMs * 3.6) },
    ...doorVerdict(judged, answer.felt, answer, 'metric'),
    feels: feltWords(answer.felt),
    advice: { ...advice, reason: fillSlots(advice.reason, 'metric') },
    rung: answer.rung,
    how: answer.how,
    startIn: DRESSED_PARTS.map((part) => ({
      part,
      pieces: worn.filter((g) => group[part].includes(g.group)).map((g) => g.name),
      coldestC: r1(coldest[part].value),
      atS: coldest[part].atS,
    })),
    pocket: names(plan.carried),
    plan,
    cues: answer.cues.map((c) => ({ at: clock(c.atS), ...c, missCost: r2(c.missCost) })),
    mustNotMiss: answer.mustNotMiss,
    needs: answer.needs,
    ownRuleCosts: r2(answer.ruleCosts),
    totals: {
      waterInClothesPeakG: r1(scored.metrics.waterPeak.value),
      waterInClothesEndG: r1(scored.metrics.waterEnd),
      withoutCuesG: answer.without && r1(answer.without.metrics.waterPeak.value),
      sweatG: r1(scored.metrics.sweatG),
      fingersLowestC: r1(scored.metrics.fingers.value),
      cost: r2(scored.total),
    },
    findings: judged.findings.map((f) => ({ ...f, value: r2(f.value) })),
    cooler: around.cooler && besideReport(around.cooler, names),
    warmer: around.warmer && besideReport(around.warmer, names),
    efforts: around.efforts.map((e) => ({ ...e, metabolicW: r1(e.metabolicW), waterG: r1(e.waterG) })),
    reach: around.reach,
    chances,
    stuckOut,
    cautions: CAUTIONS,
  };
}

const besideReport = (
  { plan, ...b }: NonNullable<DoorTold['around']['cooler']>,
  names: ReturnType<typeof namesOf>,
) => ({ ...b, wears: names(plan.worn), carries: names(plan.carried) });

/** A ladder as JSON, with the pieces by name. */
export function ladderReport(ladder: Ladder, closet: readonly Garment[]) {
  const names = namesOf(closet);
  return {
    sport: ladder.sport,
    shelter: ladder.shelter,
    bands: ladder.bands,
    rungs: ladder.rungs.map((r) => ({
      rung: r.n,
      clo: r2(r.clo),
      wears: names(r.plan.worn),
      carries: names(r.plan.carried),
    })),
    cells: ladder.cells.map(({ plan, ...c }) => ({ ...c, wears: names(plan.worn), carries: names(plan.carried) })),
    reach: ladder.reach,
  };
}

/** A ladder as a table for other programs, a line a cell. */
export function ladderCsv(ladder: Ladder, closet: readonly Garment[]): string {
  const names = namesOf(closet);
  const rows = ladder.cells.map((c) => ({
    sport: ladder.sport,
    shelter: ladder.shelter,
    effort: c.effort,
    wind: c.wind,
    wet: c.wet,
    warm_c: r1(ladder.bands[c.band].warmC),
    cold_c: r1(ladder.bands[c.band].coldC),
    rung: c.rung,
    works: c.fails.length === 0 && !c.hot ? 'yes' : c.hot ? 'too warm' : 'no',
    fails_first: c.fails[0]?.zone ?? c.first ?? '',
    spare_k: c.spareC === null ? '' : r1(c.spareC),
    would: c.would?.name ?? '',
    wears: names(c.plan.worn).join('; '),
    carries: names(c.plan.carried).join('; '),
  }));
  return Papa.unparse(rows);
}

/** A ladder as people read it in a terminal: a table an effort. */
export function ladderText(ladder: Ladder, closet: readonly Garment[]): string {
  const names = namesOf(closet);
  const out: string[] = [];
  for (const r of ladder.rungs)
    out.push(`${String(r.n).padStart(2)}  ${r2(r.clo)} clo  ${names(r.plan.worn).join(', ')}`);
  for (const effort of ['easy', 'steady', 'hard'] as const)
    for (const wet of ['dry', 'wet'] as const) {
      const cells = ladder.cells.filter((c) => c.effort === effort && c.wet === wet);
      if (cells.length === 0) continue;
      out.push(
        '',
        `${ladder.sport}, ${effort}, ${wet}`,
        `${'°C'.padEnd(12)}${['calm', 'breezy', 'windy'].map((w) => w.padEnd(18)).join('')}`,
      );
      ladder.bands.forEach((b, i) => {
        const line = cells.filter((c) => c.band === i);
        if (line.length === 0) return;
        const says = line.map((c) =>
          `${c.rung}${c.hot ? ' too warm' : c.fails[0] ? ` fails: ${c.fails[0].zone}` : ''}`.padEnd(18),
        );
        out.push(`${`${Math.round(b.warmC)} to ${Math.round(b.coldC)}`.padEnd(12)}${says.join('')}`);
      });
    }
  return out.join('\n') + '\n';
}
