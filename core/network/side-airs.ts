import type { Memory } from './memory'
import type { NetworkModel } from './model'
import {
  A11,
  A12,
  A13,
  A21,
  A22,
  A23,
  A31,
  A32,
  A33,
  AIR,
  B1,
  B2,
  B3,
  LEAK_G,
  MOISTURE,
  OUT,
  PATH,
  PATH_TIE,
  RIDGE,
  RIDGE_OUT_G,
  RIDGE_OUT_USED,
  RIDGE_TIE,
  ROW,
  ROW_TIE,
  STAR,
  SIDE_AIRS,
  SIDE_A,
  SIDE_B,
  SIDE_STAR,
  SIDE_TIE,
  SIDE_DAMP,
  SIDE_RISES,
} from './room'
import { hasRowAir, IN_PATH, IN_RIDGE, IN_ROW } from './room-films'

/** Air and leaves under a row cover, J/m²K. */
const ROW_CAPACITY = 4000
/** The airs beside that round the beds: each is eliminated from the balance, and follows from it. */
export function makeSideAirs(memory: Memory) {
  const { v, sideSums } = memory
  /** Heat capacity of each, J/K. */
  const capacity = memory.doubles(SIDE_AIRS.length)
  let m!: NetworkModel
  let hasRow = false
  let hasRidge = false
  let hasPath = false

  /** @returns heat capacity of the air round the beds, J/K: what the others leave of the house's */
  function lay(model: NetworkModel): number {
    m = model
    const { airs } = m
    hasRow = hasRowAir(m)
    hasRidge = airs.planeM2 > 0
    hasPath = airs.pathM2 > 0
    capacity[IN_ROW] = ROW_CAPACITY * m.rowCover.areaM2
    capacity[IN_RIDGE] = hasRidge ? airs.aboveShare * m.airCapacity : 0
    capacity[IN_PATH] = hasPath ? airs.pathShare * m.airCapacity : 0
    return m.airCapacity - capacity[IN_RIDGE]! - capacity[IN_PATH]!
  }

  const isThere = (k: number): boolean => (k === IN_ROW ? hasRow : k === IN_RIDGE ? hasRidge : hasPath)

  /** Puts one of them aside: what it makes of the equations of air, star and moisture that are left. */
  function eliminate(k: number, dt: number): void {
    const sums = sideSums
    const keeps = capacity[k]! / dt
    const tie = k === IN_ROW ? v[ROW_TIE]! : k === IN_RIDGE ? v[RIDGE_TIE]! : v[PATH_TIE]!
    // What the openings let out above comes from below, and nothing of it goes back.
    const oneWay = k === IN_RIDGE ? v[RIDGE_OUT_G]! : 0
    if (k === IN_RIDGE) v[RIDGE_OUT_USED] = oneWay
    // Faces between two airs tie them as well.
    const joined = sums[SIDE_TIE + k]!
    // Cold air that leaks in runs down into a path first, and rises from there.
    const sinks = k === IN_PATH && v[AIR]! > v[OUT]! ? m.airs.pathHolds * v[LEAK_G]! : 0
    const back = tie + joined + sinks
    const there = tie + joined + oneWay
    const a = sums[SIDE_A + k]! + keeps + tie + oneWay + sinks
    const b = sums[SIDE_B + k]! + keeps * v[SIDE_AIRS[k]!]! + sinks * v[OUT]!
    v[B1]! -= sinks * v[OUT]!
    const star = sums[SIDE_STAR + k]!
    const dampened = sums[SIDE_DAMP + k]!
    const rises = sums[SIDE_RISES + k]!
    sums[SIDE_A + k] = a
    sums[SIDE_B + k] = b
    sums[SIDE_TIE + k] = there
    v[A11]! += tie - (back * there) / a
    v[A12]! += (back * star) / a
    v[B1]! += (back * b) / a
    v[A13]! -= (back * dampened) / a
    v[A21]! += (star * there) / a
    v[A22]! -= (star * star) / a
    v[B2]! += (star * b) / a
    v[A23]! -= (star * dampened) / a
    v[A31]! -= (rises * there) / a
    v[A32]! -= (rises * star) / a
    v[A33]! -= (rises * dampened) / a
    v[B3]! += (rises * b) / a
  }

  /** Puts all of them aside that are there. */
  function putAside(dt: number): void {
    for (let k = 0; k < SIDE_AIRS.length; k++) if (isThere(k)) eliminate(k, dt)
  }

  /** Where one of them comes to stand, °C: the air's own where it is not there. */
  function follow(k: number): number {
    if (!isThere(k)) return v[AIR]!
    const sums = sideSums
    const warmed = sums[SIDE_B + k]! + sums[SIDE_STAR + k]! * v[STAR]! + sums[SIDE_TIE + k]! * v[AIR]!
    return (warmed + sums[SIDE_DAMP + k]! * v[MOISTURE]!) / sums[SIDE_A + k]!
  }

  function followAll(): void {
    v[ROW] = follow(IN_ROW)
    v[RIDGE] = follow(IN_RIDGE)
    v[PATH] = follow(IN_PATH)
  }

  /** Heat that they hold, J, from 0 °C. */
  function heatJ(): number {
    let sum = 0
    for (let k = 0; k < SIDE_AIRS.length; k++) if (isThere(k)) sum += capacity[k]! * v[SIDE_AIRS[k]!]!
    return sum
  }

  return { lay, putAside, followAll, heatJ }
}

export type SideAirs = ReturnType<typeof makeSideAirs>
