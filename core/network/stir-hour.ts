import type { Memory } from './memory'
import type { NetworkModel } from './model'
import { AIR, GLOBAL, STIR_FLOW, STIR_W } from './room'

/** Sun above this is day, W/m². */
const DAYLIGHT_WM2 = 5

/** Fans that stir the air: what they draw stays in it. */
export function makeStirHour({ v, fanJ }: Memory) {
  let m!: NetworkModel

  function lay(model: NetworkModel): void {
    m = model
  }

  function begin(span: number): void {
    const { stirs, powerW } = m.fans
    const isDay = v[GLOBAL]! > DAYLIGHT_WM2
    v[STIR_W] = 0
    v[STIR_FLOW] = 0
    for (let k = 0; k < stirs.length; k++) {
      const { fan, flowM3s, runs } = stirs[k]!
      if (!runs(v[AIR]!, isDay)) continue
      v[STIR_W]! += powerW[fan]!
      v[STIR_FLOW]! += flowM3s
      fanJ[fan]! += powerW[fan]! * span
    }
  }

  return { lay, begin }
}
