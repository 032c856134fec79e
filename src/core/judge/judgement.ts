import { clamp } from '@/core/quantity/range';
import { inOrder, type Finding, type Severity } from './findings';
import type { Metrics } from './metrics';
import { verdict, type Verdict } from './verdict';

/** What is known beside one run of the plan; each part may not be known yet. */
export interface Beside {
  /** share of the spread of forecast and athlete in which the plan is not safe, 0–1 */
  unsafeShare?: number;
  /** somebody who cannot go on: hours to danger (null: not within twelve) and to the nearest door */
  stuck?: readonly { where: string; atS: number; dangerH: number | null; doorH: number }[];
  /** what it feels like at worst and the athlete's own floor, °C */
  floor?: { feelsC: number; floorC: number };
}

/** Chances of harm from which a plan is a weak point, and not safe (engineering values: nobody goes at one in three). */
export const CHANCE = { weak: 0.1, unsafe: 1 / 3 } as const;
/**
 * Hours from being stuck to danger: under the first nobody can be reached in time, under the second hardly (callers to mountain
 * rescue wait two to four hours; common practice, no published source). Within so many minutes of a door they count less.
 */
export const STUCK = { unsafeH: 0.75, weakH: 2, noteH: 4, nearDoorH: 0.25 } as const;

const byChance = (share: number): Severity => (share >= CHANCE.unsafe ? 3 : share >= CHANCE.weak ? 2 : 1);

function byStuck(dangerH: number, doorH: number): Severity | 0 {
  const grave = dangerH < STUCK.unsafeH ? 3 : dangerH < STUCK.weakH ? 2 : dangerH < STUCK.noteH ? 1 : 0;
  return clamp(grave - (doorH <= STUCK.nearDoorH ? 1 : 0), 0, 3) as Severity | 0;
}

/** Of the places where one may be stuck the gravest, and how grave; undefined where none is. The soonest of those as grave. */
export function gravestStuck<S extends NonNullable<Beside['stuck']>[number]>(
  stuck: readonly S[],
): (S & { dangerH: number; severity: Severity }) | undefined {
  const grave = stuck.flatMap((s) => {
    const severity = s.dangerH === null ? 0 : byStuck(s.dangerH, s.doorH);
    return severity === 0 ? [] : [{ ...s, dangerH: s.dangerH!, severity }];
  });
  return grave.sort((a, b) => b.severity - a.severity || a.dangerH - b.dangerH)[0];
}

/** What is known beside the run, as findings of the same kind. */
export function besideFindings({ unsafeShare = 0, stuck = [], floor }: Beside): Finding[] {
  const out: Finding[] = [];
  if (unsafeShare > 0)
    out.push({
      kind: 'chances',
      severity: byChance(unsafeShare),
      atS: 0,
      value: unsafeShare,
      unit: 'share',
      limit: CHANCE.weak,
      what: 'Other weather, another day',
      means: 'of the runs over the spread of forecast and athlete are not safe',
    });
  const worst = gravestStuck(stuck);
  if (worst)
    out.push({
      kind: 'stuck out',
      severity: worst.severity,
      atS: worst.atS,
      value: worst.dangerH,
      unit: 'h',
      limit: STUCK.weakH,
      what: `If you cannot go on from “${worst.where}”`,
      means: 'to danger in all that is along, before help is likely to be there',
    });
  if (floor && floor.feelsC < floor.floorC)
    out.push({
      kind: 'floor',
      severity: 3,
      atS: 0,
      value: floor.feelsC,
      unit: '°C',
      limit: floor.floorC,
      what: 'Your own floor',
      means: 'below what you go out in',
    });
  return out;
}

/** Go, go with care, or not: by the gravest of all that is known. Going shorter is for whoever asks to find. */
export type Go = 'go' | 'with care' | 'not today';

export interface Judgement {
  findings: Finding[];
  verdict: Verdict;
  go: Go;
}

/** The one judgement of a plan: headline, advice and findings from one list in one order of gravity. */
export function judge(list: readonly Finding[], m: Metrics, beside: Beside = {}): Judgement {
  const findings = inOrder([...list, ...besideFindings(beside)]);
  const worst = findings[0]?.severity ?? 0;
  return {
    findings,
    verdict: verdict(findings, m, 'all'),
    go: worst === 3 ? 'not today' : worst === 2 ? 'with care' : 'go',
  };
}
