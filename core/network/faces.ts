import type { Memory } from './memory'
import type { NetworkModel } from './model'
import { AIR, MOISTURE, MOVED, ON_FACES, ON_GLASS, RIDGE, SIDE_AIRS, STAR, TRY } from './room'
import type { RoomFilms } from './room-films'

const { abs, max } = Math

/** The faces of the chains once the airs of a step are known. */
export function makeFaces(memory: Memory, { rays, others, otherFilm, otherTo }: RoomFilms) {
  const { v, rhs, face, mainFilm, upFilm, damp, slope, dampOwn, glazed, tried, headRow, headPivot } = memory
  let m!: NetworkModel

  function lay(model: NetworkModel): void {
    m = model
  }

  /** Where the faces come to stand, °C. */
  function follow(otherCount: number): void {
    const air = v[AIR]!
    const star = v[STAR]!
    const ridge = v[RIDGE]!
    const humid = v[MOISTURE]!
    const mains = mainFilm
    const ups = upFilm
    const longwave = rays
    const { count } = m
    const own = rhs
    const faces = face
    const damps = damp
    const rows = headRow
    const pivots = headPivot
    for (let i = 0; i < otherCount; i++) {
      const c = others[i]!
      rows[c]! += otherFilm[i]! * v[SIDE_AIRS[otherTo[i]!]!]! * pivots[c]!
    }
    for (let c = 0; c < count; c++)
      own[faces[c]!] =
        rows[c]! + (mains[c]! * air + ups[c]! * ridge + longwave[c]! * star + damps[c]! * humid) * pivots[c]!
  }

  /**
   * What condenses on them, W, on glass by itself; and how far wet ones and the air have moved since the last try, K.
   */
  function wet(): void {
    const humid = v[MOISTURE]!
    const { count } = m
    const to = tried
    const own = rhs
    const faces = face
    const damps = damp
    const owns = dampOwn
    const slopes = slope
    const glass = glazed
    let moved = abs(v[AIR]! - v[TRY]!)
    let condensed = 0
    let onGlass = 0
    for (let c = 0; c < count; c++) {
      const faceC = own[faces[c]!]!
      const passes = damps[c]!
      if (passes > 0) {
        moved = max(moved, abs(faceC - to[c]!))
        const heat = passes * humid + owns[c]! - slopes[c]! * faceC
        if (heat > 0) condensed += heat
        if (glass[c] === 1) onGlass += heat
      }
      to[c] = faceC
    }
    v[MOVED] = moved
    v[ON_FACES] = condensed
    v[ON_GLASS] = onGlass
  }

  return {
    lay,
    reach: (otherCount: number) => {
      follow(otherCount)
      wet()
    },
  }
}
