/**
 * Places that may be looked at: for a first sight, which is what can be had with one round of lines; while someone
 * waits with a key held down; for a drawing that is wanted soon; and for one that may take its time.
 */
export const FIRST_SIGHT = 1;
export const AT_ONCE = 100_000;
export const QUICK = 2_000_000;
export const THOROUGH = 12_000_000;

/**
 * How much may be tried for one drawing. It is counted in places looked at, not in time, so that a train is drawn in
 * the same way on every machine.
 */
export class Effort {
  private spent = 0;

  constructor(readonly allowed: number) {}

  spend(places: number): void {
    this.spent += places;
  }

  get left(): number {
    return Math.max(0, this.allowed - this.spent);
  }
}
