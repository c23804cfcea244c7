import type { Glazing } from '../catalog'
import type { Vec } from '../geometry/surfaces'

const { abs, cos, exp, hypot, log, max, PI, sin, sqrt } = Math

/** Directions that light leaves a hazy pane in, each standing for as much of the half sphere as any other. */
export const LEAVING = 32
/** Turn from one direction to the next, so that they lie evenly: the golden angle. */
const GOLDEN = PI * (3 - sqrt(5))
/** Cosine of the half angle of one direction's own share of the half sphere. */
const CELL = 1 - 1 / LEAVING
/** Mean cosine of one scattering by webs, ripples and grains larger than a wavelength. */
const FORWARD = 0.9

/** How a glazing scatters: the share of the light that passes, and the mean cosine of what is scattered. */
export interface Haze {
  share: number
  meanCosine: number
}

/**
 * Haze of a glazing. Light that is scattered so many times as leave its straight share straight (Poisson), each time
 * with the same mean cosine g, has their product: Σ gᵏ over k ≥ 1. Henyey & Greenstein 1941 for the lobe; van de Hulst
 * 1980 for repeated scattering.
 * @returns null for clear sheets
 */
export function hazeOf({ haze, forward = FORWARD }: Pick<Glazing, 'haze' | 'forward'>): Haze | null {
  if (haze <= 0) return null
  const times = -log(1 - haze)
  return { share: haze, meanCosine: (exp(-times * (1 - forward)) - exp(-times)) / haze }
}

/** Directions from a pane into the room, evenly over its half sphere: x, y, z by turns. */
export function leavingDirections(normal: Vec): Float64Array {
  const [nx, ny, nz] = normal
  const flat = abs(nz) > 0.9
  const length = flat ? hypot(nz, ny) : hypot(nx, ny)
  const [tx, ty, tz] = flat ? [0, nz / length, -ny / length] : [ny / length, -nx / length, 0]
  const [bx, by, bz] = [ny * tz - nz * ty, nz * tx - nx * tz, nx * ty - ny * tx]
  const out = new Float64Array(LEAVING * 3)
  for (let k = 0; k < LEAVING; k++) {
    const inward = 1 - (k + 0.5) / LEAVING
    const r = sqrt(1 - inward * inward)
    const [a, b] = [r * cos(k * GOLDEN), r * sin(k * GOLDEN)]
    out[k * 3] = -inward * nx + a * tx + b * bx
    out[k * 3 + 1] = -inward * ny + a * ty + b * by
    out[k * 3 + 2] = -inward * nz + a * tz + b * bz
  }
  return out
}

/**
 * Adds the lobe about one direction to the weights of a pane's leaving directions: Henyey & Greenstein's, of which what
 * would leave outwards is spread over the rest. Weights and what is returned make `weight` together.
 * @param directions of `leavingDirections`
 * @param dx dy dz unit vector into the room
 * @param meanCosine 0–1, below 1
 * @param to one number a direction
 * @returns what leaves within one direction's own share of the half sphere about it, and so lands where the beam does
 */
export function addLobe(
  directions: Float64Array,
  dx: number,
  dy: number,
  dz: number,
  meanCosine: number,
  weight: number,
  to: Float64Array,
): number {
  const g = max(0.01, meanCosine)
  const square = 1 + g * g
  const core = ((1 - g * g) / (2 * g)) * (1 / (1 - g) - 1 / sqrt(square - 2 * g * CELL))
  const one = (1 - g * g) / (2 * LEAVING)
  let sum = core
  for (let k = 0; k < LEAVING; k++) {
    const along = directions[k * 3]! * dx + directions[k * 3 + 1]! * dy + directions[k * 3 + 2]! * dz
    const root = square - 2 * g * along
    lobe[k] = along > CELL ? 0 : one / (root * sqrt(root))
    sum += lobe[k]!
  }
  const share = weight / sum
  for (let k = 0; k < LEAVING; k++) to[k]! += lobe[k]! * share
  return core * share
}
const lobe = new Float64Array(LEAVING)
