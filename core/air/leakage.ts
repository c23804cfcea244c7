const { abs, sqrt } = Math

/** Stack coefficient for one storey. Sherman & Grimsrud 1980; ASHRAE Fundamentals ch. 16. */
const STACK = 0.000145

/**
 * Effective leakage area at 4 Pa, m², of a room of `volumeM3` that changes its air `ach50` times an hour under 50 Pa.
 * Exponent 0.65.
 */
export function leakageAreaM2(ach50: number, volumeM3: number): number {
  const at50 = (ach50 * volumeM3) / 3600
  const at4 = at50 * (4 / 50) ** 0.65
  return at4 / sqrt((2 * 4) / 1.2)
}

/**
 * Air changes an hour under 50 Pa that a leakage area stands for: the inverse of {@link leakageAreaM2}. Volume above 0.
 */
export function ach50OfAreaM2(areaM2: number, volumeM3: number): number {
  return (areaM2 * sqrt((2 * 4) / 1.2) * (50 / 4) ** 0.65 * 3600) / volumeM3
}

/**
 * Air leaking through, m³/s. Temperature difference in K (either sign), wind in m/s, 0 or more. Sherman & Grimsrud
 * 1980.
 * @param leakWind of the shelter that the house stands in
 */
export function leakageFlow(areaM2: number, differenceK: number, windMs: number, leakWind: number): number {
  return 10 * areaM2 * sqrt(STACK * abs(differenceK) + leakWind * windMs * windMs)
}
