import { balancedFlow } from './flow-network'
import { stackPerMetre } from './vents'

const { abs, sqrt } = Math

/** Openings as the air finds them: by orifice, and whose each is. */
export interface Orifices {
  conduct: Float64Array
  heightM: Float64Array
  wind: Float64Array
  opening: Int32Array
}

/** What goes through an opening, m³/h: both may be at once, low in and high out. */
export interface OpeningFlow {
  inM3h: number
  outM3h: number
}

/**
 * Flow through each opening of a room when as much leaves as enters, without fans: wind and stack together.
 * @param openShare how far each opening stands open, 0–1, in the order of the document
 * @param windMs at the height of the weather station
 */
export function openingFlows(
  { conduct, heightM, wind, opening }: Orifices,
  openShare: ArrayLike<number>,
  insideC: number,
  outsideC: number,
  windMs: number,
): OpeningFlow[] {
  const count = conduct.length
  const now = Float64Array.from(conduct, (c, i) => c * (openShare[opening[i]!] ?? 0))
  const perMetre = stackPerMetre(insideC, outsideC)
  const push = Float64Array.from(wind, (share, i) => share * windMs * windMs - heightM[i]! * perMetre)
  const out = new Float64Array(2)
  balancedFlow(count, now, push, out)
  const flows = Array.from({ length: openShare.length }, (): OpeningFlow => ({ inM3h: 0, outM3h: 0 }))
  for (let i = 0; i < count; i++) {
    const u = push[i]! - out[1]!
    const m3h = now[i]! * sqrt(abs(u)) * 3600
    if (u > 0) flows[opening[i]!]!.inM3h += m3h
    else flows[opening[i]!]!.outM3h += m3h
  }
  return flows
}
