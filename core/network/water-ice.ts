import type { Memory } from './memory'
import type { NetworkModel } from './model'
import { FUSION } from './room'

/** Ice in the water of bodies. */
export function makeWaterIce(memory: Memory, release: (c: number, dt: number) => void) {
  const { T, capacity, between, source, offset, held, iceKg } = memory
  const waters = memory.ints(memory.size.chains)
  let m!: NetworkModel
  let waterCount = 0

  function lay(model: NetworkModel): void {
    m = model
    waterCount = 0
    for (let c = 0; c < m.count; c++) if (m.waterKg[c]! > 0) waters[waterCount++] = c
  }

  /**
   * Water freezes and melts by enthalpy: a plateau at 0 °C, heat for heat. Part-frozen water is held still by the
   * solver and takes its heat here; as soon as it is all ice or all water the solver has it back, so that little water
   * behind much wall does not swing.
   */
  function freeze(dt: number): void {
    for (let w = 0; w < waterCount; w++) {
      const c = waters[w]!
      const i = offset[c]!
      if (T[i]! >= 0 && iceKg[c] === 0) continue
      let heat = capacity[i]! * T[i]! - iceKg[c]! * FUSION
      if (held[c] === 1) heat += (between[i]! * (T[i + 1]! - T[i]!) + source[i]!) * dt
      const whole = m.waterKg[c]! * FUSION
      iceKg[c] = heat >= 0 ? 0 : heat > -whole ? -heat / FUSION : m.waterKg[c]!
      T[i] = heat >= 0 ? heat / capacity[i]! : heat > -whole ? 0 : (heat + whole) / capacity[i]!
      if (held[c] === 1 && T[i] !== 0) release(c, dt)
    }
  }

  /** Heat that the ice is short of, J. */
  function iceJ(): number {
    let sum = 0
    for (let c = 0; c < m.count; c++) sum += iceKg[c]! * FUSION
    return sum
  }

  return { lay, freeze, iceJ }
}
