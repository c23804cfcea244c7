import { GAS_CONSTANT_AIR, ZERO_C_K } from '../physics/constants'
import { SHARP } from '../openings/kind'
import { fanKind, type AnyFan } from '../fans/registry'

/** The fans of a house, laid out for the loop. */
export interface Fans {
  /** By fan of the document: power of a stage, W. */
  powerW: Float64Array
  /** Those that drive air through the skin: which fan of the document each is, and its stages. */
  fan: Int32Array
  stages: Float64Array
  startC: Float64Array
  stepK: Float64Array
  /**
   * A stage as an orifice: discharge times area, m², and what drives air in through it, 2 Δp / ρ, m²/s²; and the
   * louvre that opens for it, discharge times area, m².
   */
  conduct: Float64Array
  push: Float64Array
  louvre: Float64Array
  /** Those that stir the air: which each is, how much, and whether it runs, by the air, °C, and whether it is day. */
  stirs: { fan: number; flowM3s: number; runs: (airC: number, isDay: boolean) => boolean }[]
}

/** Air at which a fan's pressures are stated, °C. */
const STATED_C = 20

/**
 * Lays fans out. A fan whose flow falls with the root of the pressure that is left, `Q √(1 − Δp / Δp₀)`, is an orifice
 * behind which its shut-off pressure Δp₀ sucks or blows: so it stands in the network of openings.
 * @param pressurePa of the air of the site, Pa
 */
export function makeFans(fans: readonly AnyFan[], pressurePa: number): Fans {
  const density = pressurePa / (GAS_CONSTANT_AIR * (STATED_C + ZERO_C_K))
  const blowing = fans.flatMap((f, fan) => {
    const b = fanKind(f).blows(f)
    const sign = fanKind(f).drives === 'in' ? 1 : -1
    return b && b.flowM3h > 0 ? [{ ...b, fan, push: (sign * 2 * b.shutOffPa) / density }] : []
  })
  return {
    powerW: Float64Array.from(fans, f => f.powerW),
    fan: Int32Array.from(blowing, b => b.fan),
    stages: Float64Array.from(blowing, b => b.stages),
    startC: Float64Array.from(blowing, b => b.startC),
    stepK: Float64Array.from(blowing, b => b.stepK),
    conduct: Float64Array.from(blowing, b => b.flowM3h / 3600 / Math.sqrt(Math.abs(b.push))),
    push: Float64Array.from(blowing, b => b.push),
    louvre: Float64Array.from(blowing, b => SHARP * b.louvreM2),
    stirs: fans.flatMap((f, fan) => {
      const kind = fanKind(f)
      return kind.drives === 'round'
        ? [{ fan, flowM3s: f.flowM3h / 3600, runs: (airC, isDay) => kind.stirs(f, airC, isDay) }]
        : []
    }),
  }
}
