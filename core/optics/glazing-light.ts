import type { Glazing } from '../catalog'
import { clearStack, type SheetLight } from './fresnel'

const { floor, max, min, sqrt } = Math

const STEPS = 90

/** A glazing's light by angle, tabled by the cosine of incidence, with its hemispherical values. */
export interface GlazingLight {
  /** Transmittance at cosine i/90. */
  transmittance: Float64Array
  absorptance: Float64Array
  /** For light from all directions alike. */
  diffuse: SheetLight
  haze: number
}

/** Light through a glazing at one angle of incidence, as the cosine 0–1. */
export function glazingAt(glazing: Glazing, cosIncidence: number): SheetLight {
  const o = glazing.optics
  if (o.kind === 'clear') return clearStack(o.refractiveIndex, o.kl, o.sheets, cosIncidence)
  // Angle curve of diffusing sheets: K = 1 − tan⁴(θ/2), which keeps 98 % at 40° and 89 % at 60°. After Souka & Safwat
  // 1966.
  const c = min(1, max(0, cosIncidence))
  const k = 1 - ((1 - c) / (1 + c)) ** 2
  const transmittance = o.transmittance * k
  const absorptance = min(o.absorptance * (1 + 0.3 * (1 - c)), 1 - transmittance)
  return { transmittance, absorptance, reflectance: 1 - transmittance - absorptance }
}

/**
 * Mean over the hemisphere, cosine-weighted, by 90-point midpoint rule in the squared cosine (exact for smooth curves
 * to 1e-3).
 */
export function hemispherical(at: (cosIncidence: number) => SheetLight): SheetLight {
  let transmittance = 0
  let reflectance = 0
  for (let i = 0; i < 2 * STEPS; i++) {
    const light = at(sqrt((i + 0.5) / (2 * STEPS)))
    transmittance += light.transmittance / (2 * STEPS)
    reflectance += light.reflectance / (2 * STEPS)
  }
  return { transmittance, reflectance, absorptance: 1 - transmittance - reflectance }
}

/** Tables for the time loop. */
export function makeGlazingLight(glazing: Glazing): GlazingLight {
  const transmittance = new Float64Array(STEPS + 2)
  const absorptance = new Float64Array(STEPS + 2)
  for (let i = 0; i <= STEPS; i++) {
    const light = glazingAt(glazing, i / STEPS)
    transmittance[i] = light.transmittance
    absorptance[i] = light.absorptance
  }
  transmittance[0] = 0
  transmittance[STEPS + 1] = transmittance[STEPS]!
  absorptance[STEPS + 1] = absorptance[STEPS]!
  return { transmittance, absorptance, diffuse: hemispherical(c => glazingAt(glazing, c)), haze: glazing.haze }
}

/** A table's value between its points, for a cosine 0–1. */
export function atCosine(table: Float64Array, cosIncidence: number): number {
  const x = cosIncidence * STEPS
  const i = floor(x)
  return table[i]! + (table[i + 1]! - table[i]!) * (x - i)
}
