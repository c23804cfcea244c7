import { DAYS, HOURS, type GroundClimate } from './types'

/**
 * The yearly wave of ground surface temperature, fitted to the air by its first harmonic. The ground's mean is taken 1
 * K above the air's, its swing 0.9 of it. Kusuda & Achenbach 1965.
 */
export function fitGroundClimate(dryBulbC: Float32Array): GroundClimate {
  let mean = 0
  let cos = 0
  let sin = 0
  for (let h = 0; h < HOURS; h++) {
    const x = (2 * Math.PI * h) / HOURS
    mean += dryBulbC[h]!
    cos += dryBulbC[h]! * Math.cos(x)
    sin += dryBulbC[h]! * Math.sin(x)
  }
  mean /= HOURS
  cos *= 2 / HOURS
  sin *= 2 / HOURS
  const warmest = (Math.atan2(sin, cos) / (2 * Math.PI)) * DAYS
  return { meanC: mean + 1, amplitudeK: 0.9 * Math.hypot(cos, sin), coldestDay: (warmest + DAYS / 2 + DAYS) % DAYS }
}

/**
 * Temperature of undisturbed ground, °C.
 * @param depthM 0 or more
 * @param day day of year, may be a fraction
 * @param diffusivity of the soil, m²/s
 * Source: Kusuda & Achenbach 1965, the damped wave in a half-space.
 */
export function groundTemperatureC(ground: GroundClimate, depthM: number, day: number, diffusivity: number): number {
  const omega = (2 * Math.PI) / (DAYS * 86400)
  const damping = Math.sqrt((2 * diffusivity) / omega)
  const x = depthM / damping
  return (
    ground.meanC - ground.amplitudeK * Math.exp(-x) * Math.cos((2 * Math.PI * (day - ground.coldestDay)) / DAYS - x)
  )
}
