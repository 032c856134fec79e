import { toldOf, ZONE_TABLE, ZONES, type Zone } from '@/core/body/zones';
import { scorePlan, type Scored } from '@/core/judge/scorePlan';
import { readSimulateCase, type Case } from '@/formats/caseFile';

/** A leg as somebody would write it down; air and wind may be left to the defaults of the whole case. */
export interface TestLeg {
  minutes: number;
  sport: string;
  worn?: string[];
  openings?: Record<string, Record<string, number>>;
  airC?: number;
  humidity?: number;
  /** m/s at the moving body */
  wind?: number;
  [field: string]: unknown;
}

export interface TestCase {
  airC: number;
  humidity?: number;
  wind?: number;
  athlete?: Record<string, number>;
  garments?: (string | Record<string, unknown>)[];
  stepS?: number;
  legs: TestLeg[];
}

/** A run with the questions tests ask of it. Minutes are minutes from the start. */
export class Run {
  constructor(
    readonly scored: Scored,
    readonly input: Case,
  ) {}

  private row(minute: number): number {
    return Math.min(this.scored.series.rows - 1, Math.round((minute * 60) / this.scored.series.stepS));
  }

  get minutes(): number {
    return ((this.scored.series.rows - 1) * this.scored.series.stepS) / 60;
  }

  skin(zone: Zone, minute: number): number {
    return toldOf(zone, this.scored.series.skinC, this.row(minute) * ZONES.length);
  }

  wettedness(zone: Zone, minute: number): number {
    return toldOf(zone, this.scored.series.wettedness, this.row(minute) * ZONES.length);
  }

  /** area-weighted mean skin temperature, °C */
  meanSkin(minute: number): number {
    return (
      ZONE_TABLE.reduce((s, z, i) => s + z.areaM2 * this.scored.series.skinC[this.row(minute) * ZONES.length + i], 0) /
      ZONE_TABLE.reduce((s, z) => s + z.areaM2, 0)
    );
  }

  torso(minute: number): number {
    return this.scored.metrics.torsoSkin[this.row(minute)];
  }

  torsoWettedness(minute: number): number {
    return this.scored.metrics.torsoWet[this.row(minute)];
  }

  sensation(minute: number): number {
    return this.scored.metrics.sensation[this.row(minute)];
  }

  core(minute: number): number {
    return this.scored.series.coreC[this.row(minute)];
  }

  sweatGh(minute: number): number {
    return this.scored.series.sweatGh[this.row(minute)];
  }

  /** mean of a series over a span, minutes */
  mean(values: Float64Array, from: number, to: number): number {
    const part = values.subarray(this.row(from), this.row(to) + 1);
    return part.reduce((a, b) => a + b, 0) / part.length;
  }

  private of(values: Float64Array, id: string, zone: Zone, minute: number): number {
    const g = this.scored.garmentIds.indexOf(id);
    if (g < 0) throw new Error(`no garment ${id} in this run`);
    return toldOf(zone, values, (this.row(minute) * this.scored.series.garments + g) * ZONES.length);
  }

  /** water in a garment over a zone, g/m² */
  water(id: string, zone: Zone, minute: number): number {
    return this.of(this.scored.series.waterGm2, id, zone, minute);
  }

  frost(id: string, zone: Zone, minute: number): number {
    return this.of(this.scored.series.frostGm2, id, zone, minute);
  }

  layerC(id: string, zone: Zone, minute: number): number {
    return this.of(this.scored.series.garmentC, id, zone, minute);
  }

  /** dry plus evaporative loss of the whole body, W */
  loss(minute: number): number {
    const r = this.row(minute);
    return this.scored.series.dryLossW[r] + this.scored.series.evaporativeLossW[r];
  }
}

/** Runs a case through the public entry: the command line's own reader, then simulate and judge. */
export function run(c: TestCase): Run {
  const ids = new Set<string>();
  for (const l of c.legs) for (const id of l.worn ?? []) ids.add(id);
  const given = c.garments ?? [];
  const named = new Set(given.map((g) => (typeof g === 'string' ? g : ((g.id ?? g.catalogue) as string))));
  const input = readSimulateCase(
    {
      athlete: c.athlete,
      stepS: c.stepS ?? 10,
      garments: [...given, ...[...ids].filter((id) => !named.has(id))],
      legs: c.legs.map(({ wind, ...leg }) => ({
        airC: c.airC,
        humidity: c.humidity ?? 0.7,
        wind: { ms: wind ?? c.wind ?? 0.3, at: 'body' },
        ...leg,
      })),
    },
    'test',
  );
  return new Run(
    scorePlan(input.person, input.garments, input.timeline, input.plan, {
      stepS: input.stepS,
      sampleS: input.sampleS,
      damp: input.damp,
    }),
    input,
  );
}
