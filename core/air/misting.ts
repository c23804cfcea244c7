/** Nozzles that begin at a temperature run all this much above it, K. */
const FULL_ABOVE_K = 3

/** Share of the nozzles that run at an air, 0–1: none up to where misting begins, all 3 K above, straight between. */
export function mistShare(airC: number, startC: number): number {
  return Math.max(0, Math.min(1, (airC - startC) / FULL_ABOVE_K))
}
