import { AVERAGE_PERSON, checkPerson, engineOf, type Person } from '@/core/body/person';
import { fromCatalogue } from '@/core/clothing/catalogue';
import { checkGarment, plainGarment, type Garment } from '@/core/clothing/garment';
import type { PrecipitationKind } from '@/core/atmosphere/precipitation';
import type { Shelter } from '@/core/atmosphere/windAtBody';
import { isMoving, type Sport } from '@/core/effort/sports';
import type { RidingSurface } from '@/core/effort/cycling';
import type { Effort, Leg } from '@/core/outing/leg';
import type { Wetting } from '@/core/outing/wetting';
import { UNSAID, type ForecastHour } from '@/core/outing/forecast';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { SNOW_ALBEDO, type Timeline } from '@/core/outing/timeline';
import { paceFor } from '@/core/outing/pace';
import type { Weights } from '@/core/judge/cost';
import type { Plan } from '@/core/kit/plan';
import { atDoor, refuse } from './problem';
import { CASE_AIR, planCaseSchema, simulateSchema, type PartialPerson } from './schemas';
import { validated } from './validate';

import { kitOfLegs } from './caseKit';

/** Bound on the series that is printed: about 100 MB of JSON. */
const MAX_CELLS = 300_000;

interface CaseLeg {
  name?: string;
  minutes: number;
  sport: Sport;
  metabolicW?: number;
  externalW?: number;
  speedMs?: number;
  grade?: number;
  powerW?: number;
  heartRateBpm?: number;
  exertion?: number;
  airC?: number;
  humidity?: number;
  wind?: { ms: number; at: '10m' | 'body'; fromDeg?: number };
  shelter?: Shelter;
  precipitation?: { mmH: number; kind: PrecipitationKind };
  sunWm2?: number;
  altitudeM?: number;
  pack?: boolean;
  loadKg?: number;
  noStopping?: boolean;
  surface?: RidingSurface;
  footprintCm?: number;
  packUnder?: boolean;
  wetting?: Wetting;
  worn?: string[];
  openings?: Record<string, Record<string, number>>;
}

interface CaseHour {
  hour: number;
  airC: number;
  humidity: number;
  windMs: number;
  gustMs?: number;
  fromDeg?: number;
  precipitation?: { mmH: number; kind: PrecipitationKind };
  cloud?: number;
}

export type GarmentRef = string | (Partial<Garment> & { catalogue?: string; dampGm2?: number });

interface CaseFile {
  title?: string;
  athlete?: PartialPerson;
  garments: GarmentRef[];
  legs: CaseLeg[];
  stepS?: number;
  sampleS?: number;
  sport?: Sport;
  maxCues?: number;
  weights?: Partial<Weights>;
  leadDays?: number;
  members?: number;
  schools?: string[];
  waiting?: number;
  floorC?: number;
  forecast?: CaseHour[];
}

/** A case ready for the core. */
export interface Case {
  title: string;
  person: Person;
  garments: Garment[];
  damp: Record<string, number>;
  timeline: Timeline;
  sport: Sport;
  stepS: number;
  sampleS: number;
  maxCues: number;
  weights: Partial<Weights>;
  leadDays: number;
  members: number;
  schools: string[];
  waiting: number;
  floorC?: number;
  /** the same outing with its forecast, where one was given: it may be begun at other hours */
  outing?: Outing;
  /** for `simulate`: what the legs say is worn */
  plan: Plan;
}

/** Reads the input of `bin/ember simulate`. @throws Refused */
export function readSimulateCase(value: unknown, file: string): Case {
  const c = validated<CaseFile>(simulateSchema, value, file);
  if (!c.legs[0].worn) refuse(file, 'legs.0.worn', 'missing', 'the garments worn on the first leg, by id');
  return toCase(c, file);
}

/** Reads the input of `bin/ember plan`. @throws Refused */
export function readPlanCase(value: unknown, file: string): Case {
  const c = validated<CaseFile>(planCaseSchema, value, file);
  c.legs.forEach((l, i) => checkAir(l, i, c.forecast, file));
  return toCase(c, file);
}

/** A leg says all of its air or, with a forecast, none of it. */
function checkAir(l: CaseLeg, i: number, forecast: CaseHour[] | undefined, file: string): void {
  const missing = CASE_AIR.filter((k) => l[k] === undefined);
  if (missing.length === 0) return;
  const given = [...CASE_AIR, 'precipitation' as const, 'sunWm2' as const].find((k) => l[k] !== undefined);
  if (!forecast) refuse(file, `legs.${i}.${missing[0]}`, 'missing', 'the air of this leg, or a forecast for all');
  if (given)
    refuse(
      file,
      `legs.${i}.${missing[0]}`,
      `missing, though ${given} is given`,
      `${CASE_AIR.join(', ')}, or none of its air`,
    );
}

function toCase(c: CaseFile, file: string): Case {
  return atDoor(file, () => {
    const person = checkPerson({ ...AVERAGE_PERSON, ...c.athlete });
    const damp: Record<string, number> = {};
    const garments = toGarments(c.garments, file, damp);
    const legs = c.legs.map((l, i) => toLeg(l, i, person));
    const rows = c.legs.reduce((s, l) => s + l.minutes * 60, 0) / (c.sampleS ?? 60);
    if (rows * garments.length > MAX_CELLS)
      refuse(
        file,
        'sampleS',
        `${c.sampleS ?? 60} s, ${Math.round(rows)} samples of ${garments.length} garments`,
        `at most ${MAX_CELLS} samples × garments; sample less often or leave garments out`,
      );
    const sport = c.sport ?? (c.legs.find((l) => isMoving(l.sport)) ?? c.legs[0]).sport;
    const outing: Outing = {
      name: c.title ?? file,
      sport,
      startMs: 0,
      utcOffsetMin: 0,
      loadKg: Math.max(0, ...c.legs.map((l) => l.loadKg ?? 0)),
      forecastEleM: 0,
      startEleM: 0,
      albedo: SNOW_ALBEDO,
      legs,
      forecast: c.forecast?.map(toHour) ?? [STILL],
      profile: null,
    };
    const timeline = timelineOf(outing, person);
    return {
      title: c.title ?? file,
      person,
      garments,
      damp,
      timeline,
      sport,
      stepS: c.stepS ?? 10,
      sampleS: c.sampleS ?? 60,
      maxCues: c.maxCues ?? 12,
      weights: c.weights ?? {},
      leadDays: c.leadDays ?? 1,
      members: c.members ?? 64,
      schools: c.schools ?? [],
      waiting: c.waiting ?? 0,
      floorC: c.floorC,
      outing: c.forecast ? outing : undefined,
      plan: kitOfLegs(c.legs, garments, timeline, file),
    };
  });
}

/** For legs that say all of their air themselves. */
const STILL: ForecastHour = {
  timeMs: 0,
  airC: 0,
  humidity: 0.7,
  wind: 0,
  gust: 0,
  fromDeg: 0,
  precipitationMmH: 0,
  kind: 'none',
  cloud: 1,
};

const toHour = (h: CaseHour): ForecastHour => ({
  ...STILL,
  timeMs: h.hour * 3600_000,
  airC: h.airC,
  humidity: h.humidity,
  wind: h.windMs,
  gust: h.gustMs ?? UNSAID.gust * h.windMs,
  fromDeg: h.fromDeg ?? 0,
  precipitationMmH: h.precipitation?.mmH ?? 0,
  kind: h.precipitation?.kind ?? 'none',
  cloud: h.cloud ?? UNSAID.cloud,
});

/** Garments as a file names or gives them. @param damp is filled with what it says of dampness @throws Refused */
export function toGarments(refs: readonly GarmentRef[], file: string, damp: Record<string, number>): Garment[] {
  const garments = refs.map((ref, i) => toGarment(ref, i, file, damp));
  garments.forEach((g, i) => {
    if (garments.findIndex((o) => o.id === g.id) !== i) refuse(file, `garments.${i}.id`, g.id, 'each id once');
  });
  return garments;
}

function toGarment(ref: GarmentRef, i: number, file: string, damp: Record<string, number>): Garment {
  if (typeof ref === 'string')
    return fromCatalogue(ref) ?? refuse(file, `garments.${i}`, ref, 'a catalogue id; `bin/ember catalogue` lists them');
  const { catalogue, dampGm2, ...own } = ref;
  const base =
    catalogue === undefined
      ? undefined
      : (fromCatalogue(catalogue) ?? refuse(file, `garments.${i}.catalogue`, catalogue, 'a catalogue id'));
  const garment = checkGarment(plainGarment({ ...(base as Garment), ...own } as Garment));
  if (dampGm2) damp[garment.id] = dampGm2;
  return garment;
}

function toLeg(l: CaseLeg, i: number, person: Person): Leg {
  const effort: Effort =
    l.metabolicW !== undefined
      ? { by: 'metabolic', value: l.metabolicW, externalW: l.externalW }
      : l.powerW !== undefined
        ? { by: 'power', value: l.powerW }
        : l.heartRateBpm !== undefined
          ? { by: 'heartRate', value: l.heartRateBpm }
          : l.exertion !== undefined
            ? { by: 'exertion', value: l.exertion }
            : l.speedMs !== undefined && l.speedMs > 0
              ? { by: 'speed', value: l.speedMs }
              : { by: 'usual' };
  const grade = l.grade ?? 0;
  const speed = l.speedMs ?? (isMoving(l.sport) ? paceFor(engineOf(person), l.sport, grade, effort, l.loadKg ?? 0) : 0);
  const distanceM = speed * l.minutes * 60;
  return {
    name: l.name ?? `Leg ${i + 1}`,
    sport: l.sport,
    minutes: l.minutes,
    distanceM,
    climbM: distanceM * grade,
    effort,
    shelter: l.shelter ?? 'open',
    packOn: l.pack ?? false,
    noStopping: l.noStopping ?? false,
    surface: l.surface,
    footprintCm: l.footprintCm,
    packUnder: l.packUnder,
    wetting: l.wetting,
    ...(l.airC !== undefined && l.humidity !== undefined && l.wind !== undefined
      ? {
          air: {
            airC: l.airC,
            humidity: l.humidity,
            wind: l.wind.ms,
            windAtBody: l.wind.at === 'body',
            sunWm2: l.sunWm2 ?? 0,
            precipitation: l.precipitation?.kind ?? 'none',
            precipitationMmH: l.precipitation?.mmH ?? 0,
            altitudeM: l.altitudeM,
          },
        }
      : l.altitudeM === undefined
        ? {}
        : { air: { altitudeM: l.altitudeM } }),
  };
}
