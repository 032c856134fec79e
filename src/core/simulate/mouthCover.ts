import type { BodyParameters } from '@/core/body/bodyParameters';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import type { GarmentArrays } from '@/core/clothing/garmentArrays';
import { STRIDE, type Stacks } from '@/core/clothing/stack';
import { breathDeposit } from '@/core/moisture/breathCover';
import { clamp } from '@/core/quantity/range';
import { LATENT_FUSION, LATENT_VAPOUR } from '@/core/quantity/units';
import * as L from './layout';
import type { State } from './state';

/** Breath condenses where a cover is coldest, near its outside: so much of the way from its middle to the air (engineering value). */
const COVER_FALL = 0.4;
/** So much warmer, K, it is asked again how much of the breath a cover takes. */
const NUDGE_K = 0.5;
/** What the breath leaves is frost in full where the coldest of a cover is so far below freezing, K; warmer, a part of it (engineering value). */
const FROST_WITHIN_K = 1;

const FACE = zoneIndex('face');

/** What covers the mouth: the breath leaves water and ice in it, and warms it. */
export class MouthCover {
  /** place of its record; −1 without */
  private node = -1;
  /** its place in the arrays over garments and zones */
  private j = 0;
  /** what the breath leaves in it, g/(s m²), and how much less with each kelvin of it */
  private rate = 0.5;
  private falls = 0.5;
  /** what of that is frost, 0–1, and how much less with each kelvin of it */
  private frozen = 0.5;
  private thaws = 0.5;

  constructor(
    private readonly s: State,
    private readonly w: GarmentArrays,
    private readonly body: BodyParameters,
    private readonly stacks: Stacks,
  ) {}

  get on(): boolean {
    return this.node >= 0;
  }

  /** Looks for it among the layers that were just packed, for air of so many °C. */
  find(airC: number): void {
    const { mouthGarment, layers, garment } = this.stacks;
    this.node = -1;
    if (mouthGarment < 0) return;
    for (let k = 1; k <= layers[FACE] && this.node < 0; k++)
      if (garment[FACE * STRIDE + k] === mouthGarment) this.node = L.NODES + (FACE * L.NODES_A_ZONE + k) * L.RECORD;
    this.j = mouthGarment * ZONE_COUNT + FACE;
    // Ice at its cold side melts when its middle is so warm.
    if (airC < 0 && this.on) this.s.memory[this.node + L.MELTS_AT] = (-airC * COVER_FALL) / (1 - COVER_FALL);
  }

  /** Whether it holds ice, or what breath leaves in it freezes in part. */
  get isIcy(): boolean {
    return this.s.ice[this.j] > 0 || (this.frozen > 0 && this.frozen < 1);
  }

  /** What the breath leaves in it in this step, by the mean temperature that its heat has just found. @param metabolicW M, W  @param dt s */
  breathe(metabolicW: number, dt: number): void {
    const { s, w, j, body, stacks } = this;
    const m = s.memory;
    const airC = m[L.AIR_C];
    const vapourPa = m[L.AIR_VAPOUR];
    const meanC = m[this.node + L.MEAN_C];
    const coldC = meanC - COVER_FALL * (meanC - airC);
    const perArea = body.perArea[FACE];
    const wanted = breathDeposit(metabolicW, airC, vapourPa, coldC, stacks.mouth) * perArea;
    // Breath in can take only free liquid; breath out cannot fill what is full.
    const free = s.water[j] - s.ice[j] - w.sorb[j];
    const room = w.sorb[j] + w.liquid[j] - s.water[j];
    const most = (wanted < 0 ? Math.max(0, free) : Math.max(0, room)) / dt;
    this.rate = clamp(wanted, -most, most);
    // A cover warmed by it takes less.
    const warmer = breathDeposit(metabolicW, airC, vapourPa, coldC + NUDGE_K, stacks.mouth) * perArea;
    this.falls = this.rate === wanted ? ((wanted - warmer) * (1 - COVER_FALL)) / NUDGE_K : 0;
    this.frozen = this.rate > 0 ? clamp(-coldC / FROST_WITHIN_K, 0, 1) : 0;
    this.thaws = this.frozen > 0 && this.frozen < 1 ? (1 - COVER_FALL) / FROST_WITHIN_K : 0;
    m[this.node + L.COMES] += this.rate;
  }

  /**
   * Books the heat of what the breath has left, and as frost what has frozen, at the end of a step of `dt` seconds.
   * @returns water left, g for the whole face: its condensing heat comes out of the body
   */
  warm(dt: number): number {
    const { s, j, body } = this;
    const left = this.rate * dt;
    // What is frost at once gives the heat of that as well. No more can freeze than is there and not frozen yet.
    const liquid = s.water[j] - s.ice[j];
    const frost = left > 0 ? clamp(this.frozen * left, 0, Math.max(0, liquid)) : 0;
    s.ice[j] += frost;
    s.owed[j] -= LATENT_VAPOUR * left + LATENT_FUSION * frost;
    // The next step counts on these rates and on how fast they fall as the cover warms, as it does with evaporation.
    const latent = LATENT_VAPOUR + (frost > 0 ? (LATENT_FUSION * frost) / left : 0);
    const steep = latent * this.falls + LATENT_FUSION * this.rate * this.thaws;
    const past = s.temperature[j] - s.memory[this.node + L.MEAN_C];
    s.evaporation[j] -= (latent * this.rate - steep * past) / LATENT_VAPOUR;
    s.slope[j] += steep;
    return left * body.area[FACE];
  }
}
