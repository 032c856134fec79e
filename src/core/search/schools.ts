import type { Garment } from '@/core/clothing/garment';
import { OutOfRange } from '@/core/quantity/range';
import { checkWeights, type Weights } from '@/core/judge/cost';
import type { Plan } from '@/core/kit/plan';
import { isBarrierLiner, suitsSport } from '@/core/clothing/purpose';
import { alongOf, swapGarment, takeGarment } from '@/core/kit/edit';
import { compared, type Compared, type SchoolTried } from './partings';
import { MOUTH_COVERED } from './wishes';
import { makePlan } from './planner';
import type { PlanRequest, Progress } from './planRequest';
import type { Scored } from '@/core/judge/scorePlan';
import { runInFull } from '@/core/questions/question';

/** One way of thinking about clothes, as a constraint on the same search. */
export interface School {
  id: string;
  name: string;
  /** what must not be used */
  leaves: (g: Garment) => boolean;
  /** how the cost is weighed instead */
  weights?: Partial<Weights>;
  /** what the closet must have for it to make sense */
  needs?: (g: Garment) => boolean;
  /** what must then be along: a school that leaves it at home is not kept */
  keeps?: (g: Garment) => boolean;
  /** habits that are more than a choice of garments */
  habits?: Pick<PlanRequest, 'barriers' | 'twoSocks' | 'mouthCovered'>;
}

const torso = (g: Garment, ...roles: Garment['role'][]) => g.group === 'torso' && roles.includes(g.role);
const isMesh = (g: Garment) => g.openMesh > 0.2;
const isMerino = (g: Garment) => g.fibre === 'merino' || g.fibre === 'wool';
const isLinedShell = (g: Garment) => torso(g, 'shell') && g.thicknessMm >= 1.2;
const isMembrane = (g: Garment) => torso(g, 'shell', 'storm') && g.membrane;
const isBase = (g: Garment) => torso(g, 'base');
const coversMouth = (g: Garment) => g.mouthCover >= MOUTH_COVERED;
const thick = (g: Garment) => g.thicknessMm >= (g.filled ? 12 : 3.5);

/** The schools among good practitioners, in pairs and threes that contradict one another. */
export const SCHOOLS: readonly School[] = [
  { id: 'free', name: 'No school, whatever is best', leaves: () => false },
  { id: 'start-cold', name: 'Start cold', leaves: () => false, weights: { caution: 0.6 } },
  { id: 'err-warm', name: 'Err warm', leaves: () => false, weights: { caution: 1.8 } },
  {
    id: 'mesh',
    name: 'Open mesh next to the skin',
    leaves: (g) => isBase(g) && !isMesh(g),
    needs: (g) => isBase(g) && isMesh(g),
  },
  {
    id: 'thin-synthetic',
    name: 'Thin synthetic next to the skin',
    leaves: (g) => isBase(g) && (isMesh(g) || isMerino(g) || g.fibre === 'cotton' || g.thicknessMm > 1.2),
    needs: (g) => isBase(g) && !isMesh(g) && !isMerino(g) && g.fibre !== 'cotton' && g.thicknessMm <= 1.2,
  },
  {
    id: 'merino',
    name: 'Merino next to the skin',
    leaves: (g) => isBase(g) && (!isMerino(g) || isMesh(g)),
    needs: (g) => isBase(g) && isMerino(g) && !isMesh(g),
  },
  {
    id: 'lined-shell',
    name: 'A lined shell over next to nothing',
    leaves: (g) =>
      torso(g, 'mid') ||
      (torso(g, 'shell', 'storm') && !isLinedShell(g)) ||
      (isBase(g) && g.thicknessMm > 1.2 && !isMesh(g)),
    needs: isLinedShell,
    keeps: isLinedShell,
  },
  {
    id: 'membrane',
    name: 'Membrane shell, vents wide',
    leaves: (g) => torso(g, 'shell') && !g.membrane,
    needs: isMembrane,
    keeps: isMembrane,
  },
  {
    id: 'breathable',
    name: 'Breathable wind or soft shell',
    leaves: isMembrane,
    needs: (g) => torso(g, 'shell') && !g.membrane,
    keeps: (g) => torso(g, 'shell') && !g.membrane,
  },
  {
    id: 'many-thin',
    name: 'Many thin layers',
    leaves: (g) => torso(g, 'base', 'mid') && thick(g),
    needs: (g) => torso(g, 'mid') && !thick(g),
    keeps: (g) => torso(g, 'mid') && !thick(g),
  },
  {
    id: 'few-thick',
    name: 'Few thick layers',
    leaves: (g) => torso(g, 'mid') && !thick(g),
    needs: (g) => torso(g, 'mid') && thick(g),
    keeps: (g) => torso(g, 'mid') && thick(g),
  },
  {
    id: 'warm-legs',
    name: 'Warm legs, light top',
    leaves: (g) => (g.group === 'legs' && g.role === 'base' && g.thicknessMm < 1.5) || (torso(g, 'mid') && thick(g)),
    needs: (g) => g.group === 'legs' && g.role === 'base' && g.thicknessMm >= 1.5,
  },
  {
    id: 'down-stops',
    name: 'Down at stops',
    leaves: (g) => torso(g, 'warm') && g.fibre !== 'down',
    needs: (g) => torso(g, 'warm') && g.fibre === 'down',
    keeps: (g) => torso(g, 'warm') && g.fibre === 'down',
  },
  {
    id: 'synthetic-stops',
    name: 'Synthetic at stops',
    leaves: (g) => torso(g, 'warm') && g.fibre === 'down',
    needs: (g) => torso(g, 'warm') && g.fibre !== 'down',
    keeps: (g) => torso(g, 'warm') && g.fibre !== 'down',
  },
  {
    id: 'five-finger',
    name: 'Five-finger gloves, with warmers',
    leaves: (g) => g.group === 'hands' && g.handForm === 'mitten',
    needs: (g) => g.group === 'hands' && g.handForm === 'fingers',
    keeps: (g) => g.group === 'hands' && g.handForm === 'fingers',
  },
  {
    id: 'mittens',
    name: 'Mittens over liners',
    leaves: (g) => g.group === 'hands' && g.handForm === 'fingers' && g.role !== 'liner',
    needs: (g) => g.group === 'hands' && g.handForm === 'mitten',
    keeps: (g) => g.group === 'hands' && g.handForm === 'mitten',
  },
  {
    id: 'mouth-covered',
    name: 'Mouth covered',
    leaves: (g) => g.group === 'face' && !coversMouth(g),
    needs: (g) => g.group === 'face' && coversMouth(g),
    keeps: coversMouth,
    habits: { mouthCovered: true },
  },
  { id: 'mouth-bare', name: 'Only nose and cheeks covered', leaves: coversMouth },
  { id: 'one-sock', name: 'One sock', leaves: (g) => g.group === 'feet' && g.role === 'liner' },
  {
    id: 'two-socks',
    name: 'Liner and sock',
    leaves: () => false,
    needs: (g) => g.group === 'feet' && g.role === 'liner' && !isBarrierLiner(g),
    habits: { twoSocks: true },
  },
  {
    id: 'barriers',
    name: 'Vapour barriers on hands and feet',
    leaves: () => false,
    needs: isBarrierLiner,
    keeps: isBarrierLiner,
    habits: { barriers: true },
  },
];

/** Checks a choice of schools. @throws OutOfRange for unknown ids, fewer than two or more than four */
export function schoolsOf(ids: readonly string[]): School[] {
  if (ids.length < 2 || ids.length > 4) throw new OutOfRange('schools', ids.length, 'two to four');
  return ids.map(schoolOf);
}

/** @throws OutOfRange for an unknown id */
export function schoolOf(id: string): School {
  const school = SCHOOLS.find((s) => s.id === id);
  if (!school) throw new OutOfRange('school', id, SCHOOLS.map((s) => s.id).join(', '));
  return school;
}

/** Plans one school; each is a search of its own, which may run beside the others. */
export function trySchool(request: PlanRequest, school: School, progress: Progress = () => true): SchoolTried {
  const { id, name } = school;
  const impossible = (why: string): SchoolTried => ({ kind: 'impossible', of: { id, name, why } });
  if (school.needs && !request.closet.some(school.needs)) return impossible('the closet has nothing of that kind');
  try {
    const planned = makePlan(
      {
        ...request,
        closet: request.closet.filter((g) => !school.leaves(g)),
        weights: { ...request.weights, ...school.weights },
        ...school.habits,
      },
      (done, says) => progress(done, `${name}: ${says.toLowerCase()}`),
    );
    const plan = kept(request, school, planned.plan);
    if (plan === null) return impossible('nothing of that kind can be worn or carried on this outing');
    return {
      kind: 'plan',
      of: { school: { id, name }, planned: { ...planned, plan, scored: byOwnWeights(request, plan) } },
    };
  } catch (e) {
    if (!(e instanceof OutOfRange)) throw e;
    return impossible(`${e.field}: ${String(e.value)}`);
  }
}

/**
 * Plans two to four schools on one outing from one closet, one after the other, and finds where each parts from the first.
 * @param ids from SCHOOLS @throws OutOfRange for unknown ids, fewer than two or more than four
 */
export function compareSchools(request: PlanRequest, ids: readonly string[]): Compared {
  return compared(schoolsOf(ids).map((school) => trySchool(request, school)));
}

/**
 * The plan as the school has it: where nothing it keeps to is along, the piece of that kind that costs least is worn instead of its
 * like, or else carried. Null where none can be.
 */
function kept(r: PlanRequest, { keeps, leaves }: School, plan: Plan): Plan | null {
  if (!keeps) return plan;
  const along = alongOf(r.closet, plan);
  if (along.some(keeps)) return plan;
  const options = r.closet
    .filter((g) => keeps(g) && !leaves(g) && suitsSport(g, r.sport))
    .flatMap((g) => {
      const like = along.find((o) => o.group === g.group && o.role === g.role);
      return like
        ? [swapGarment(plan, like.id, g)]
        : [takeGarment(plan, g.id, 'worn'), takeGarment(plan, g.id, 'carried')];
    })
    .map((p) => ({ p, cost: byOwnWeights(r, p).total }));
  return options.length === 0 ? null : options.reduce((a, b) => (b.cost < a.cost ? b : a)).p;
}

/** A school may weigh things its own way while it plans; compared, all plans are weighed as the athlete does. */
function byOwnWeights(r: PlanRequest, plan: Plan): Scored {
  const { person, closet, timeline, damp, waiting } = r;
  const weights = checkWeights(r.weights);
  return runInFull({ person, closet, timeline, plan, damp, weights, waiting });
}
