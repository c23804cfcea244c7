import { ZERO_C_K } from '../physics/constants'
import { filmFactor, FOUR_SIGMA, movedFilm } from '../air/films'
import { airExchange, PLUME, VENTS_MIX } from './airs'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import {
  AIR,
  AIR_SPECIFIC_HEAT,
  DENSITY,
  PATH,
  PATH_TIE,
  RIDGE,
  RIDGE_DRAW_G,
  RIDGE_TIE,
  ROW,
  ROW_DRAWN,
  STAR,
  STIR_FLOW,
  SUPPLY_G,
  VENT_G,
} from './room'

const { abs, cbrt, max, min } = Math

/** A row cover lets this share of longwave through; the rest of what the beds exchange goes to the space under it. */
export const ROW_COVER_OPEN = 0.45
/** Cube roots of −64 to 64 in steps of 1/32, for the films: the loop takes millions. */
const ROOT_STEPS = 32
const ROOT_ZERO = 64 * ROOT_STEPS
const ROOTS = Float64Array.from({ length: 2 * ROOT_ZERO + 2 }, (_, i) => cbrt((i - ROOT_ZERO) / ROOT_STEPS))
/** Places of the airs beside that round the beds. */
export const IN_ROW = 0
export const IN_RIDGE = 1
export const IN_PATH = 2

/** Whether there is an air under a row cover. */
export const hasRowAir = (m: NetworkModel): boolean => m.rowCover.areaM2 > 0

/** An exchange builds up and dies down: half of the way each time that films are taken. */
const eased = (was: number, next: number): number => (was + next) / 2

/** Films at the faces of a room, and what its airs exchange, as they stand for half an hour. */
export function makeRoomFilms(memory: Memory) {
  const { v, T, face, area, films, mainFilm, upFilm, through, leafFilm } = memory
  const { chains } = memory.size
  const rays = memory.doubles(chains)
  /** Of the film's factors for a face that is warmer than the air and for one that is colder: mean, half difference. */
  const meanFilm = memory.doubles(chains)
  const halfFilm = memory.doubles(chains)
  const underRow = memory.bytes(chains)
  /** By chain: share that stands in the upper air, and whether it is a dug path's floor. */
  const above = memory.doubles(chains)
  const inPath = memory.bytes(chains)
  /** By chain, colder than its air and then warmer: share of its film that goes to the upper air. */
  const upShare = memory.doubles(2 * chains)
  /** Chains of which a part of the film goes to the air under the row cover or in a path, that part, and to which. */
  const others = memory.ints(2 * chains)
  const otherFilm = memory.doubles(2 * chains)
  const otherTo = memory.bytes(2 * chains)
  const emissivity = memory.doubles(chains)
  const leaves = memory.ints(chains)
  let leafCount = 0
  /** Chains under the row cover. */
  const rowChains = memory.ints(chains)
  let rowCount = 0
  let otherCount = 0
  let hasRow = false
  let hasRidge = false
  let hasPath = false
  let m!: NetworkModel

  function lay(model: NetworkModel): void {
    m = model
    leafCount = 0
    rowCount = 0
    for (let c = 0; c < m.count; c++) {
      const warm = filmFactor(true, m.facingUp[c]!)
      const cold = filmFactor(false, m.facingUp[c]!)
      meanFilm[c] = (warm + cold) / 2
      halfFilm[c] = (warm - cold) / 2
      if (m.leafOf[c]! >= 0) leaves[leafCount++] = c
      if (m.underRow[c] === 1) rowChains[rowCount++] = c
    }
    underRow.set(m.underRow)
    emissivity.set(m.emissivity)
    const { airs } = m
    hasRow = hasRowAir(m)
    hasRidge = airs.planeM2 > 0
    hasPath = airs.pathM2 > 0
    above.set(airs.above)
    inPath.set(airs.inPath)
    upShare.fill(0)
    if (!hasRidge) return
    for (let c = 0; c < m.count; c++) {
      // What is warmer than its air sends a plume up, what is colder a draught down, as far as into a dug path.
      const up = above[c]!
      const own = m.leafOf[c]! < 0 && m.underRow[c] === 0 && inPath[c] === 0
      // No face gives to both the ridge and a path: their airs are put aside each by itself.
      upShare[2 * c] = own && !(hasPath && up < 0.5) ? up * (1 - PLUME) : 0
      upShare[2 * c + 1] = own ? up + (1 - up) * PLUME : 0
    }
  }

  /**
   * Films at the faces, by where air and faces stand: `insideFilm` and `radiativeFilm`, written out, with cube roots
   * straight between tabled ones (within 0.5 % where the film is not the least). A face swings to either side of the
   * air, so that a branch would be guessed wrong every other time: for a root r, half the sum of the warm and the cold
   * factor times |r| and half their difference times r are the warm one's film above the air and the cold one's below;
   * and the larger of two is half their sum and difference.
   * @returns how many parts of films go to the air under the row cover or in a path
   */
  function take(): number {
    const { count } = m
    const air = v[AIR]!
    const star = v[STAR]!
    const lift = v[RIDGE]! - air
    const least = exchangeAirs()
    const t = T
    const faces = face
    const areas = area
    const passes = through
    const means = meanFilm
    const halves = halfFilm
    const roots = ROOTS
    const shines = emissivity
    const high = above
    const shares = upShare
    const mains = mainFilm
    const ups = upFilm
    for (let c = 0; c < count; c++) {
      const faceC = t[faces[c]!]!
      const at = (faceC - air - high[c]! * lift) * ROOT_STEPS + ROOT_ZERO
      const k = max(0, min(at | 0, 2 * ROOT_ZERO))
      const root = roots[k]! + (roots[k + 1]! - roots[k]!) * (at - k)
      const more = means[c]! * abs(root) + halves[c]! * root - least
      const film = (least + 0.5 * (more + abs(more))) * areas[c]!
      const kelvin = (faceC + star) / 2 + ZERO_C_K
      // The sign of an integer picks the share without a branch.
      const up = film * shares[2 * c + 1 + ((k - ROOT_ZERO) >> 31)]!
      films[c] = film
      ups[c] = up
      mains[c] = film - up
      rays[c] = FOUR_SIGMA * shines[c]! * kelvin * kelvin * kelvin * areas[c]! * (1 - passes[c]!)
    }
    for (let k = 0; k < leafCount; k++) {
      const c = leaves[k]!
      films[c] = leafFilm[c]!
      mains[c] = leafFilm[c]!
    }
    otherCount = 0
    if (hasPath)
      for (let c = 0; c < count; c++) {
        if (inPath[c] === 1) setAside(c, IN_PATH, filmAgainst(c, v[PATH]!, least))
        else if (underRow[c] === 0 && high[c]! < 0.5 && m.leafOf[c]! < 0 && ups[c] === 0)
          setAside(c, IN_PATH, films[c]! * PLUME * m.airs.pathHolds)
      }
    if (!hasRow) return otherCount
    const drawn = v[ROW_DRAWN] !== 0
    for (let k = 0; k < rowCount; k++) {
      const c = rowChains[k]!
      if (m.leafOf[c]! < 0) filmAgainst(c, v[ROW]!, least)
      if (drawn) {
        films[c]! += (1 - ROW_COVER_OPEN) * rays[c]!
        rays[c]! *= ROW_COVER_OPEN
      }
      mains[c] = films[c]!
      setAside(c, IN_ROW, films[c]!)
    }
    return otherCount
  }

  /** Film of one face against an air of its own, W/K. */
  function filmAgainst(c: number, airC: number, least: number): number {
    const root = cbrt(T[face[c]!]! - airC)
    const film = max(least, meanFilm[c]! * abs(root) + halfFilm[c]! * root) * area[c]!
    films[c] = film
    mainFilm[c] = film
    return film
  }

  /** Gives a part of a face's film to a side air, W/K. */
  function setAside(c: number, to: number, film: number): void {
    others[otherCount] = c
    otherTo[otherCount] = to
    otherFilm[otherCount++] = film
    mainFilm[c]! -= film
  }

  /** What the airs exchange with each other until films are taken anew; returns the least film, W/m²K. */
  function exchangeAirs(): number {
    const { airs } = m
    const air = v[AIR]!
    const vents = v[VENT_G]! + v[SUPPLY_G]!
    const stirs = v[STIR_FLOW]! * v[DENSITY]! * AIR_SPECIFIC_HEAT
    if (hasRidge)
      v[RIDGE_TIE] = eased(
        v[RIDGE_TIE]!,
        airExchange(airs.planeM2, air - v[RIDGE]!, v[DENSITY]!) + stirs + VENTS_MIX * vents + v[RIDGE_DRAW_G]!,
      )
    if (hasPath)
      v[PATH_TIE] = eased(
        v[PATH_TIE]!,
        airExchange(airs.pathM2, v[PATH]! - air, v[DENSITY]!) / airs.pathHolds + stirs * airs.pathShare,
      )
    return movedFilm(((vents + stirs) * 3600) / (m.airMassKg * AIR_SPECIFIC_HEAT))
  }

  return { lay, take, rays, others, otherFilm, otherTo }
}

export type RoomFilms = ReturnType<typeof makeRoomFilms>
