import type { Footprint } from './footprint'
import { throughPrism, type Box } from './ray-shapes'

const { exp, max, min } = Math

/**
 * Leaves over a piece of a bed as light meets them: a box or a prism of them, thinned out evenly, in one or several
 * states of growth.
 */
export interface Canopy extends Box {
  bed: number
  /** The floor under them; and its half-planes where it is no rectangle. */
  pieces: readonly [Footprint]
  edges: Float64Array | null
  /** By state: how light dies out on its way through, 1/m; 0 where no leaf stands. */
  perM: readonly number[]
}

/** All leaves in a room, in as many states. Each state has places of its own in what rays are counted into. */
export interface Leaves {
  states: number
  canopies: readonly Canopy[]
}
export const NO_LEAVES: Leaves = { states: 1, canopies: [] }

/** Leaves with their places among the faces. */
export interface Foliage extends Canopy {
  face: number
  meter: number
}

/** Leaves as rays meet them. */
interface Stand {
  canopies: readonly Foliage[]
  states: number
  /** How many faces rays are counted into, by state. */
  faces: number
}

/**
 * Leaves on the way of a ray: each takes its share of what comes to it, and the rest goes on.
 * @param room for so many canopies
 */
export function makeFoliageCaster(room: number) {
  /** Of each canopy, where its box is entered and left along each axis, as the rays of a direction count. */
  const ends = new Float64Array(room * 6)
  /**
   * Canopies that a ray crosses, in their order along it: which, where it enters, how far it goes through, and what of
   * its light a meter on top of them sees.
   */
  const crossed = new Int32Array(room)
  const enters = new Float64Array(room)
  const lengths = new Float64Array(room)
  const metered = new Float64Array(room)
  const span = new Float64Array(2)

  /** All rays that follow have this direction, one over each of its parts. */
  function aim(canopies: readonly Foliage[], ix: number, iy: number, iz: number): void {
    for (let i = 0; i < canopies.length; i++) {
      const c = canopies[i]!
      ends[i * 6] = (ix < 0 ? c.x1 : c.x0) * ix
      ends[i * 6 + 1] = (ix < 0 ? c.x0 : c.x1) * ix
      ends[i * 6 + 2] = (iy < 0 ? c.y1 : c.y0) * iy
      ends[i * 6 + 3] = (iy < 0 ? c.y0 : c.y1) * iy
      ends[i * 6 + 4] = (iz < 0 ? c.z1 : c.z0) * iz
      ends[i * 6 + 5] = (iz < 0 ? c.z0 : c.z1) * iz
    }
  }

  /** How many canopies a ray crosses from a place, given over the direction's parts too, to a distance. */
  function cross(
    canopies: readonly Foliage[],
    x: number,
    y: number,
    dx: number,
    dy: number,
    atX: number,
    atY: number,
    atZ: number,
    near: number,
    down: boolean,
    level: number,
  ): number {
    const bounds = ends
    let found = 0
    for (let i = 0; i < canopies.length; i++) {
      const enterX = bounds[i * 6]! - atX
      const leaveX = bounds[i * 6 + 1]! - atX
      if (leaveX <= 0 || enterX >= near) continue
      const enterZ = bounds[i * 6 + 4]! - atZ
      const leaveZ = bounds[i * 6 + 5]! - atZ
      if (leaveZ <= 0 || enterZ >= near || enterX >= leaveZ || enterZ >= leaveX) continue
      let enterSide = max(enterX, bounds[i * 6 + 2]! - atY)
      let leave = min(near, leaveX, leaveZ, bounds[i * 6 + 3]! - atY)
      const { edges } = canopies[i]!
      if (edges) {
        span[0] = enterSide
        span[1] = leave
        throughPrism(edges, x, y, dx, dy, span)
        enterSide = span[0]
        leave = span[1]
      }
      const enter = max(0, enterSide, enterZ)
      if (leave <= enter) continue
      let k = found++
      for (; k > 0 && enters[k - 1]! > enter; k--) {
        enters[k] = enters[k - 1]!
        crossed[k] = crossed[k - 1]!
        lengths[k] = lengths[k - 1]!
        metered[k] = metered[k - 1]!
      }
      enters[k] = enter
      crossed[k] = i
      lengths[k] = leave - enter
      // Through its top, or through a pane that cuts it off beneath that.
      metered[k] = !down ? 0 : enter === enterZ ? 1 : max(enterSide, enterZ) < -1e-6 ? level : 0
    }
    return found
  }

  /** Counts a ray that ends on a face. */
  function count(stand: Stand, found: number, face: number, weight: number, out: Float64Array): void {
    const { canopies, states, faces } = stand
    for (let s = 0; s < states; s++) {
      const at = s * faces
      let left = weight
      for (let k = 0; k < found; k++) {
        const c = canopies[crossed[k]!]!
        out[at + c.meter]! += left * metered[k]!
        const perM = c.perM[s]!
        if (perM === 0) continue
        const passes = exp(-perM * lengths[k]!)
        out[at + c.face]! += left * (1 - passes)
        left *= passes
      }
      out[at + face]! += left
    }
  }
  return { aim, cross, count }
}
