import type { Glazing } from '../catalog'
import { clearStack, type SheetLight } from './fresnel'

const { exp, floor, log, max, min, PI, sqrt } = Math

const STEPS = 90

/** A glazing's light by angle, tabled by the cosine of incidence, with its hemispherical values. */
export interface GlazingLight {
  /** Transmittance at cosine i/90. */
  transmittance: Float64Array
  absorptance: Float64Array
  /** For light from all directions alike. */
  diffuse: SheetLight
}

/** Share of the light that each web takes which it crosses, so that a twin-wall's half sphere comes as measured. */
const WEB_TAKES = 0.1

/**
 * Light through a glazing at one angle of incidence, as the cosine 0–1. Clear panes by Fresnel; of diffusing sheets the
 * light straight on is measured, and falls off with the angle as that of as many clear layers does, and by the webs
 * that it crosses between them: depth over pitch times the tangent, 2/π of it on average over all ways round.
 */
export function glazingAt(glazing: Pick<Glazing, 'optics' | 'layers'>, cosIncidence: number): SheetLight {
  const o = glazing.optics
  if (o.kind === 'clear') return clearStack(o.refractiveIndex, o.kl, o.sheets, cosIncidence)
  const c = min(1, max(1e-6, cosIncidence))
  const kl = -log(1 - o.absorptance) / glazing.layers
  const stack = clearStack(o.refractiveIndex, kl, glazing.layers, c)
  const straight = clearStack(o.refractiveIndex, kl, glazing.layers, 1)
  const webs = ((2 / PI) * o.webs * sqrt(1 - c * c)) / c
  const transmittance = o.transmittance * (stack.transmittance / straight.transmittance) * exp(-WEB_TAKES * webs)
  const absorptance = min(o.absorptance * (stack.absorptance / straight.absorptance), 1 - transmittance)
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
  return { transmittance, absorptance, diffuse: hemispherical(c => glazingAt(glazing, c)) }
}

/** A table's value between its points, for a cosine 0–1. */
export function atCosine(table: Float64Array, cosIncidence: number): number {
  const x = cosIncidence * STEPS
  const i = floor(x)
  return table[i]! + (table[i + 1]! - table[i]!) * (x - i)
}
