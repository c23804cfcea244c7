import { leakageFlow } from '../air/leakage'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import type { Moisture } from './moisture'
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
  AIR_SPECIFIC_HEAT,
  AIR_W,
  B1,
  B2,
  B3,
  DENSITY,
  DOOR_G,
  FULL_RATIO,
  FULL_SLOPE,
  LEAK_AREA,
  LEAK_G,
  MIST_DAMP,
  OUT,
  OWED,
  SIDE_A,
  SIDE_B,
  SIDE_DAMP,
  SIDE_PLACES,
  SIDE_RISES,
  SIDE_STAR,
  SIDE_TIE,
  STAR_SKY_G,
  STAR_SKY_W,
  STAR_W,
  SUPPLY_G,
  TIE_G,
  TIE_W,
  WIND,
} from './room'
import { IN_RIDGE, type RoomFilms } from './room-films'
import type { SideAirs } from './side-airs'

const { sqrt } = Math

/** The three equations that are left of a step once the chains are eliminated: air, star and moisture. */
export function makeBalance(
  memory: Memory,
  moisture: Moisture,
  { rays, others, otherFilm, otherTo }: RoomFilms,
  sideAirs: SideAirs,
) {
  const { v, rhs, face, head, films, mainFilm, upFilm, damp, slope, dampOwn, headRow, headPivot, sideSums } = memory
  let m!: NetworkModel
  /** Of the air round the beds, J/K. */
  let mainCapacity = 0

  function lay(model: NetworkModel, airCapacity: number): void {
    m = model
    mainCapacity = airCapacity
  }

  /** What the room brings by itself. */
  function begin(dt: number): void {
    // Mist takes its heat from the air: as a wet face that is as warm as the air.
    const mist = v[MIST_DAMP]!
    const mistRises = mist * m.misting.upTo * v[FULL_SLOPE]!
    v[A11] = mainCapacity / dt + mistRises
    v[B1] = (mainCapacity / dt) * v[AIR]! - mist * m.misting.upTo * v[FULL_RATIO]!
    v[A12] = 0
    v[A22] = v[STAR_SKY_G]!
    v[B2] = v[STAR_SKY_W]! + v[STAR_W]!
    v[A13] = -mist
    v[A23] = 0
    v[A31] = -mistRises
    v[A32] = 0
    // A call of fill takes longer.
    for (let k = 0; k < SIDE_PLACES; k++) sideSums[k] = 0
  }

  /** Faces between star and moisture; each one's share of its chain stays in `headRow` and `headPivot`. */
  function addRays(): void {
    const { count } = m
    let a22 = v[A22]!
    let b2 = v[B2]!
    let a13 = v[A13]!
    let a23 = v[A23]!
    let a31 = v[A31]!
    let a32 = v[A32]!
    let a33 = v[A33]!
    let b3 = v[B3]!
    let ridgeDamp = 0
    let ridgeRises = 0
    const own = rhs
    const faces = face
    const heads = head
    const slopes = slope
    const damps = damp
    const owns = dampOwn
    const rows = headRow
    const pivots = headPivot
    const mains = mainFilm
    const ups = upFilm
    const all = films
    const longwave = rays
    for (let c = 0; c < count; c++) {
      const radiative = longwave[c]!
      const rises = slopes[c]!
      const p = 1 / (heads[c]! + rises + all[c]! + radiative)
      const flow = (own[faces[c]!]! + owns[c]!) * p
      rows[c] = flow
      pivots[c] = p
      a22 += radiative - radiative * radiative * p
      b2 += radiative * flow
      const passes = damps[c]!
      if (passes === 0) continue
      const lets = passes * p
      a13 -= mains[c]! * lets
      a23 -= radiative * lets
      a33 -= rises * lets
      a31 -= rises * mains[c]! * p
      a32 -= rises * radiative * p
      b3 += rises * flow
      ridgeDamp += ups[c]! * lets
      ridgeRises += ups[c]! * rises * p
    }
    v[A22] = a22
    v[B2] = b2
    v[A13] = a13
    v[A23] = a23
    v[A31] = a31
    v[A32] = a32
    v[A33] = a33
    v[B3] = b3
    sideSums[SIDE_DAMP + IN_RIDGE] = ridgeDamp
    sideSums[SIDE_RISES + IN_RIDGE] = ridgeRises
  }

  /** Faces and the airs. By itself: with fewer sums in each loop they stay in registers. */
  function addConvection(): void {
    const { count } = m
    let a11 = v[A11]!
    let b1 = v[B1]!
    let a12 = v[A12]!
    let ridgeA = 0
    let ridgeB = 0
    let ridgeStar = 0
    let ridgeTie = 0
    const rows = headRow
    const pivots = headPivot
    const mains = mainFilm
    const ups = upFilm
    const longwave = rays
    for (let c = 0; c < count; c++) {
      const p = pivots[c]!
      const flow = rows[c]!
      const convective = mains[c]!
      const up = ups[c]!
      const gives = convective * p
      const lifts = up * p
      a11 += convective - convective * gives
      b1 += convective * flow
      a12 += longwave[c]! * gives
      ridgeA += up - up * lifts
      ridgeB += up * flow
      ridgeStar += longwave[c]! * lifts
      ridgeTie += up * gives
    }
    v[A11] = a11
    v[B1] = b1
    v[A12] = a12
    sideSums[SIDE_A + IN_RIDGE] = ridgeA
    sideSums[SIDE_B + IN_RIDGE] = ridgeB
    sideSums[SIDE_STAR + IN_RIDGE] = ridgeStar
    sideSums[SIDE_TIE + IN_RIDGE] = ridgeTie
  }

  /** Parts of films that go to the air under a row cover or in a path. */
  function addOthers(otherCount: number): void {
    const sums = sideSums
    for (let i = 0; i < otherCount; i++) {
      const c = others[i]!
      const k = otherTo[i]!
      const aside = otherFilm[i]!
      const part = aside * headPivot[c]!
      sums[SIDE_A + k]! += aside - aside * part
      sums[SIDE_B + k]! += aside * headRow[c]!
      sums[SIDE_STAR + k]! += part * rays[c]!
      sums[SIDE_TIE + k]! += part * mainFilm[c]!
      sums[SIDE_DAMP + k]! += part * damp[c]!
      sums[SIDE_RISES + k]! += part * slope[c]!
    }
  }

  /** Right-hand sides as `lanes.inwards` left them become the equations of the step. */
  function gather(dt: number, again: boolean, otherCount: number): void {
    moisture.gather(dt, again)
    begin(dt)
    addRays()
    addConvection()
    addOthers(otherCount)
    v[A21] = v[A12]!
    sideAirs.putAside(dt)
  }

  /** Ties of the air to what stands outside the equations, and the heat carried over from the step before. */
  function tieAir(): void {
    const outside = v[OUT]!
    const perFlow = v[DENSITY]! * AIR_SPECIFIC_HEAT
    const supply = v[SUPPLY_G]!
    const natural = leakageFlow(v[LEAK_AREA]!, v[AIR]! - outside, v[WIND]!, m.leakWind) * perFlow
    // A fan that blows in lifts the pressure: what leaks besides adds in quadrature. ASHRAE Fundamentals ch. 16.
    const leak = supply > 0 ? sqrt(supply * supply + natural * natural) - supply : natural
    v[LEAK_G] = leak + v[DOOR_G]!
    v[A11]! += v[LEAK_G]! + supply + v[TIE_G]!
    v[B1]! += v[LEAK_G]! * outside + v[TIE_W]! + v[AIR_W]! + v[OWED]!
  }

  return { lay, gather, tieAir }
}

export type Balance = ReturnType<typeof makeBalance>
