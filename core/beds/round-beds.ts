import { cm } from './common'
import { aBed, type Bed } from './registry'

/** Arms reach over a bed from one side so far, and a bed is no narrower, m. */
const REACH_M = 0.75
const LEAST_M = 0.35
const PATH_M = 0.6

/**
 * Beds as a dome has them: round the rim on both sides of a door in the east, and an island where there is room for
 * one. What grows on them may be given.
 */
export function roundBeds(widthM: number, heightM: number, planted: object = {}): Bed[] {
  const deep = cm(Math.min(REACH_M, Math.max(LEAST_M, widthM / 8)))
  const innerM = 0.48 * widthM - deep - PATH_M
  // A small one has a bed on the other side of its door alone.
  const [aroundDeg, spanDeg] = widthM < 2.4 ? [-70, 110] : [-35, 190]
  const rim = aBed('rim bed', { ...planted, aroundDeg, spanDeg, widthM: deep, heightM })
  const side = cm(Math.min(1.2, innerM * 1.2))
  if (side < 0.6) return [rim]
  const atM = cm(widthM / 2 - side / 2)
  return [rim, aBed('bed', { ...planted, atM, widthM: side, heightM, lengthM: side, offsetM: 0 })]
}
