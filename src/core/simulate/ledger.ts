/**
 * The books of one run: every joule and gram that entered, left or is still there. Whole body, J and g.
 * `energyError` and `waterError` are what the books fail to explain; the tests hold them to 0.1 %.
 */
export class Ledger {
  /** heat from metabolism less external work, shivering included */
  made = 0;
  sun = 0;
  /** dry loss from the outer surfaces and through vents */
  dry = 0;
  /** latent heat of vapour leaving to the air */
  latent = 0;
  breath = 0;
  /** heat given to melt or warm precipitation */
  toPrecipitation = 0;
  /** heat from hand and toe warmers */
  warmed = 0;
  /** heat brought or taken away by garments put on or taken off */
  swapped = 0;
  /** sweat and diffusion through the skin, g */
  produced = 0;
  sweat = 0;
  precipitation = 0;
  evaporated = 0;
  dripped = 0;
  breathWater = 0;
  /** frost shaken off, g */
  brushed = 0;

  reset(): void {
    this.made = this.sun = this.dry = this.latent = this.breath = this.toPrecipitation = this.swapped = this.warmed = 0;
    this.produced =
      this.sweat =
      this.precipitation =
      this.evaporated =
      this.dripped =
      this.breathWater =
      this.brushed =
        0;
  }

  energyError(storedBefore: number, storedAfter: number): number {
    return (
      this.made +
      this.sun +
      this.warmed +
      this.swapped -
      this.dry -
      this.latent -
      this.breath -
      this.toPrecipitation -
      (storedAfter - storedBefore)
    );
  }

  waterError(heldBefore: number, heldAfter: number): number {
    return (
      this.produced + this.precipitation - this.evaporated - this.dripped - this.brushed - (heldAfter - heldBefore)
    );
  }
}
