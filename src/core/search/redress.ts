import type { Garment, OpeningKind } from '@/core/clothing/garment';
import { alongOf } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { settingAt, tidy, wornAt } from '@/core/kit/replay';
import type { Phase } from '@/core/outing/moments';
import type { Course } from './course';
import { PATIENT } from './descent';
import type { Dress } from './dress';
import { improve } from './improve';
import type { Kit } from './kit';
import { PathRun } from './pathRun';
import {
  FEET,
  GOING,
  goingWays,
  HANDS,
  HEAD,
  LAYERS,
  LEGS,
  TORSO,
  torsoWays,
  type GoingWay,
  type TorsoWay,
  type Way,
  type Ways,
} from './waysToWear';

/** Two moments this near are one, s; two settings or paces this near are one. */
const AT_S = 1;
const SAME = 0.001;
/** Rounds of small moves over the whole way. */
const SWEEPS = 2;

/** What a finished plan is worn otherwise on. */
export interface Redressing {
  course: Course;
  closet: readonly Garment[];
  /** longest step of its runs, s */
  stepS: number;
  maxCues: number;
  /** asked between trials; false ends with the best so far */
  goOn: () => boolean;
}

/**
 * A finished plan, its pieces worn otherwise from phase to phase: pieces that were swapped at the end are still worn as those were for which the cues
 * were placed. The torso is tried in every way it can be worn, and every pace; all else stays as it is. (With hands, head and legs free as well the summit
 * at −27 °C of tests/plans/byHand.json ended a tenth dearer.)
 * @returns null where nothing is gained, or where the plan cannot be told phase by phase (two middle layers, a cue between two natural moments)
 */
export function redress(plan: Plan, { course, closet, stepS, maxCues, goOn }: Redressing): Plan | null {
  const along = alongOf(closet, plan);
  const kit = kitOf(along);
  const atMoment = ({ atS }: { atS: number }) => course.phases.some((p) => Math.abs(p.startS - atS) < AT_S);
  if (!kit || !plan.cues.every(atMoment)) return null;
  const worn = new Dressing(plan, along, kit);
  const dresses: Dress[] = [];
  for (const [p, phase] of course.phases.entries()) {
    const dress = worn.in(phase, (way) => course.admits(p, way, null));
    if (!dress) return null;
    dresses.push(dress);
  }
  const run = new PathRun(course, kit, stepS, PATIENT, worn.ways);
  if (run.take(dresses) === Infinity) return null;
  if (!improve(run, { free: [TORSO, GOING], maxCues, sweeps: SWEEPS, goOn })) return null;
  const next = run.plan();
  return tidy({ ...next, carried: [...new Set([...next.carried, ...along.map((g) => g.id)])] });
}

/** The kit of a plan as far as a path asks for it: the layers of the torso by their parts, all else together. Null where two have one part. */
function kitOf(along: readonly Garment[]): Kit | null {
  const torso = along.filter((g) => g.group === 'torso');
  const of = (...roles: Garment['role'][]) => torso.filter((g) => roles.includes(g.role));
  const [bases, mids, shells, warms] = [of('base'), of('mid'), of('shell', 'storm'), of('warm')];
  if (bases.length !== 1 || [mids, shells, warms].some((list) => list.length > 1)) return null;
  return {
    base: bases[0],
    mid: mids[0] ?? null,
    shell: shells[0] ?? null,
    warm: warms[0] ?? null,
    legs: along.filter((g) => g.group !== 'torso'),
    overLegs: null,
    feet: [],
    dry: null,
    toeWarmers: null,
    liner: null,
    mitts: null,
    handWarmers: null,
    cap: null,
    hat: null,
    tube: null,
    helmet: null,
    eyes: null,
  };
}

/** How a plan is worn, phase by phase, as ways of each part of the body. */
class Dressing {
  readonly ways: Ways;
  private readonly torso: readonly Garment[];

  constructor(
    private readonly plan: Plan,
    private readonly along: readonly Garment[],
    private readonly kit: Kit,
  ) {
    this.ways = [torsoWays(kit), [], [], [], [], goingWays()];
    this.torso = along.filter((g) => g.group === 'torso');
  }

  /** @param admits whether a way of the torso may be worn there by the rules of the search @returns null where one goes at a pace that is none of its */
  in({ startS }: Phase, admits: (way: TorsoWay) => boolean): Dress | null {
    const on = wornAt(this.plan, startS);
    const going = this.going(startS);
    if (!going) return null;
    const part = (choice: Way['choice'], place: number, ...groups: Garment['group'][]) =>
      this.asItIs(choice, place, groups, on, startS);
    return [
      this.torsoWay(on, startS, admits),
      part('hands', HANDS, 'hands'),
      part('head', HEAD, 'head', 'face', 'eyes'),
      part('legs', LEGS, 'legs'),
      part('feet', FEET, 'feet'),
      going,
    ] as unknown as Dress;
  }

  private going(startS: number): GoingWay | undefined {
    const during = (c: { atS: number }, until: { untilS: number } | undefined) =>
      until !== undefined && c.atS <= startS + AT_S && until.untilS > startS + AT_S;
    const share = this.plan.cues.find((c) => during(c, c.pace))?.pace?.share ?? 1;
    const lee = this.plan.cues.some((c) => during(c, c.shelter));
    return this.ways[GOING].find((w) =>
      lee ? w.shelter === true : !w.shelter && Math.abs((w.pace ?? 1) - share) < SAME,
    );
  }

  private settings(list: readonly Garment[], startS: number, counts: (kind: OpeningKind) => boolean): Way['open'] {
    return Object.fromEntries(
      list.flatMap((g) => {
        const set = g.openings.filter((o) => counts(o.kind));
        if (set.length === 0) return [];
        return [[g.id, Object.fromEntries(set.map((o) => [o.id, settingAt(this.plan, g, o.id, startS)]))] as const];
      }),
    );
  }

  private torsoWay(on: ReadonlySet<string>, startS: number, admits: (way: TorsoWay) => boolean): TorsoWay {
    const worn = this.torso.filter((g) => on.has(g.id));
    const list = this.ways[TORSO];
    const set = this.settings(worn, startS, (kind) => kind !== 'hood');
    const stands = (w: TorsoWay, g: Garment) =>
      g.openings.every(
        (o) => o.kind === 'hood' || Math.abs((w.open[g.id]?.[o.id] ?? o.usual) - set[g.id][o.id]) < SAME,
      );
    const known = list.find(
      (w) => w.worn.length === worn.length && worn.every((g) => w.worn.includes(g.id) && stands(w, g)),
    );
    if (known && admits(known)) return known;
    // A jacket that goes on before a stop, where the search puts none on, stays on there.
    const layers = LAYERS.filter((l) => l !== 'warm' && worn.some((g) => g === this.kit[l]));
    const name = `as planned ${JSON.stringify([worn.map((g) => g.id), set])}`;
    const own: TorsoWay = list.find((w) => w.name === name) ?? {
      choice: 'torso',
      name,
      layers,
      vent: 'closed',
      worn: worn.map((g) => g.id),
      open: set,
    };
    if (!list.includes(own)) list.push(own);
    return own;
  }

  /** The pieces of a part of the body as they are worn there; hoods go with the head. */
  private asItIs(
    choice: Way['choice'],
    place: number,
    groups: readonly Garment['group'][],
    on: ReadonlySet<string>,
    startS: number,
  ): Way {
    const pieces = this.along.filter((g) => groups.includes(g.group) && on.has(g.id));
    const hoods = choice === 'head' ? this.settings(this.torso, startS, (kind) => kind === 'hood') : {};
    const open = { ...hoods, ...this.settings(pieces, startS, () => true) };
    const worn = pieces.map((g) => g.id);
    const name = JSON.stringify([worn, open]);
    const list = this.ways[place] as Way[];
    // Over-trousers are told by what is worn, and stay where they are.
    const way = list.find((w) => w.name === name) ?? ({ choice, name, worn, open, over: 'off' } as unknown as Way);
    if (!list.includes(way)) list.push(way);
    return way;
  }
}
