import type { BodyParameters } from '@/core/body/bodyParameters';
import { ZONE_COUNT } from '@/core/body/zones';
import { LEAST_COVER, MAX_OPENINGS, type Garment } from '@/core/clothing/garment';
import type { GarmentArrays } from '@/core/clothing/garmentArrays';
import { MAX_LAYERS } from '@/core/clothing/stack';
import { changing, type Changing } from '@/core/kit/changing';
import type { KitAction, Plan } from '@/core/kit/plan';
import type { Conditions } from '@/core/outing/conditions';
import { OutOfRange } from '@/core/quantity/range';
import { LATENT_FUSION } from '@/core/quantity/units';
import type { Ledger } from './ledger';
import type { State } from './state';

/** Share of the frost in a garment that falls off when it is shaken out or taken off (engineering value). */
const SHAKEN_OFF = 0.7;

/** What a dressed athlete has on, and how hands change it. Heat that comes and goes with garments is booked. */
export class Wearing {
  /** laid aside for a moment while something under it is changed: still counts as worn in the record */
  readonly aside: Uint8Array;
  private readonly byId: ReadonlyMap<string, Garment>;

  constructor(
    private readonly arrays: GarmentArrays,
    private readonly state: State,
    private readonly body: BodyParameters,
    private readonly ledger: Ledger,
  ) {
    this.aside = new Uint8Array(arrays.count);
    this.byId = new Map(arrays.garments.map((g) => [g.id, g]));
  }

  /** Puts on the start kit of a plan, openings as it says. @throws OutOfRange for unknown garments or openings, or too many layers */
  start(plan: Plan): void {
    const { state: s, arrays: w } = this;
    s.worn.fill(0);
    this.aside.fill(0);
    w.garments.forEach((garment, g) =>
      garment.openings.forEach((o, k) => {
        s.open[g * MAX_OPENINGS + k] = plan.openings[garment.id]?.[o.id] ?? o.usual;
      }),
    );
    for (const id of plan.worn) s.worn[this.index(id)] = 1;
    for (const id of plan.carried) this.index(id);
    for (const id of Object.keys(plan.openings)) {
      const g = this.index(id);
      for (const o of Object.keys(plan.openings[id])) this.openingIndex(g, o);
    }
    this.checkLayers();
  }

  private index(id: string): number {
    const g = this.arrays.indexOf.get(id);
    if (g === undefined) throw new OutOfRange('garment', id, 'an id from the garments given');
    return g;
  }

  private openingIndex(g: number, id: string): number {
    const garment = this.arrays.garments[g];
    const k = garment.openings.findIndex((o) => o.id === id);
    if (k < 0)
      throw new OutOfRange(`opening of "${garment.name}"`, id, garment.openings.map((o) => o.id).join(', ') || 'none');
    return g * MAX_OPENINGS + k;
  }

  private checkLayers(): void {
    for (let z = 0; z < ZONE_COUNT; z++) {
      let n = 0;
      for (let g = 0; g < this.arrays.count; g++)
        if (this.state.worn[g] && this.arrays.cover[g * ZONE_COUNT + z] >= LEAST_COVER) n++;
      if (n > MAX_LAYERS) throw new OutOfRange('layers on one zone', n, `at most ${MAX_LAYERS}`);
    }
  }

  /** Carries out kit actions now. Garments put on start at air temperature (they come out of the pack). */
  apply(actions: readonly KitAction[], airC: number): void {
    const before = this.wornEnergy();
    for (const a of actions) {
      const g = this.index(a.garment);
      if (a.do === 'set') this.state.open[this.openingIndex(g, a.opening)] = a.setting;
      else if (a.do === 'brush') this.shakeOff(g);
      else {
        const on = a.do === 'putOn' ? 1 : 0;
        if (!on && this.state.worn[g]) this.shakeOff(g);
        if (on && !this.state.worn[g]) {
          for (let z = 0; z < ZONE_COUNT; z++) {
            const j = g * ZONE_COUNT + z;
            this.state.temperature[j] = airC;
            this.state.evaporation[j] = this.state.slope[j] = this.state.owed[j] = 0;
          }
        }
        this.state.worn[g] = on;
      }
    }
    this.checkLayers();
    this.ledger.swapped += this.wornEnergy() - before;
  }

  /** What some actions would take of the person as dressed now. */
  changing(actions: readonly KitAction[], { packOn }: Pick<Conditions, 'packOn'>): Changing {
    const on = new Set<string>();
    for (let g = 0; g < this.arrays.count; g++) if (this.state.worn[g]) on.add(this.arrays.garments[g].id);
    return changing(actions, { on, garments: this.byId, packOn });
  }

  /** Begins a change: what comes off is off, and what is in the way is laid aside, keeping its warmth and water. */
  beginChange(c: Changing, airC: number): void {
    this.apply(c.first, airC);
    this.layAside(c.aside, 'off');
  }

  /** Ends it: everything is on and set. */
  endChange(c: Changing, airC: number): void {
    this.layAside(c.aside, 'on again');
    this.apply(c.last, airC);
  }

  private layAside(ids: readonly string[], now: 'off' | 'on again'): void {
    if (ids.length === 0) return;
    const before = this.wornEnergy();
    for (const id of ids) {
      const g = this.index(id);
      this.aside[g] = now === 'off' ? 1 : 0;
      this.state.worn[g] = now === 'off' ? 0 : 1;
    }
    this.ledger.swapped += this.wornEnergy() - before;
  }

  /** Frost falls off a garment that is shaken out. */
  private shakeOff(g: number): void {
    const { state: s, body } = this;
    for (let z = 0; z < ZONE_COUNT; z++) {
      const j = g * ZONE_COUNT + z;
      const off = SHAKEN_OFF * s.ice[j];
      s.ice[j] -= off;
      s.water[j] -= off;
      this.ledger.brushed += off * body.area[z];
    }
  }

  /** Heat stored in what is worn, J, relative to 0 °C and liquid water, less what evaporation is still owed. */
  wornEnergy(): number {
    const { state: s, body, arrays: w } = this;
    let e = 0;
    for (let g = 0; g < w.count; g++) {
      if (!s.worn[g]) continue;
      for (let z = 0; z < ZONE_COUNT; z++) {
        const j = g * ZONE_COUNT + z;
        if (w.cover[j] < LEAST_COVER) continue;
        e += (s.temperature[j] * w.heat[j] - LATENT_FUSION * s.ice[j] - s.owed[j]) * body.area[z];
      }
    }
    return e;
  }
}
