const { exp, sqrt } = Math

/** Leaves that lie at all slopes: light dies out by this much for each leaf area over bed area. Monsi & Saeki 1953. */
export const EXTINCTION = 0.7
/** And longwave, which comes from all sides. Ross 1981; de Zwart 1996. */
const EXTINCTION_LONGWAVE = 0.94
/** What a leaf scatters of visible light and of near infrared, half of sunlight each. Goudriaan & van Laar 1994. */
const SCATTERS = [0.2, 0.8] as const

/** What leaves do with light that meets a bed from above, as shares of it. */
export interface CanopyLight {
  /** Meets a leaf, by their geometry alone. */
  met: number
  /** Is taken in, and goes on to the soil, scattered or straight. The rest goes back up. */
  taken: number
  down: number
}

/**
 * Light in leaves by two bands, each dying out by the root of what a leaf keeps of it.
 * Source: Goudriaan & van Laar 1994, ch. 6.
 * @param leafArea over bed area, 0–6
 */
export function canopyLight(leafArea: number): CanopyLight {
  let taken = 0
  let down = 0
  for (const scatters of SCATTERS) {
    const root = sqrt(1 - scatters)
    const k = EXTINCTION * root
    const whole = ((1 - root) / (1 + root)) * ((2 * EXTINCTION) / (1 + EXTINCTION))
    const back = whole * (1 - exp(-2 * k * leafArea))
    const through = (1 - back) * exp(-k * leafArea)
    taken += (1 - back - through) / SCATTERS.length
    down += through / SCATTERS.length
  }
  return { met: 1 - exp(-EXTINCTION * leafArea), taken, down }
}

/** Share of the longwave between a bed and the room that leaves stand in the way of, 0–1. */
export const leavesCover = (leafArea: number): number => 1 - exp(-EXTINCTION_LONGWAVE * leafArea)
