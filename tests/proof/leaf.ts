import { bedAt, DEMOS, type Design } from '../../core/design'
import { saturationPressurePa } from '../../core/climate'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeModel } from '../../core/network/lay-model'
import { makeStepper } from '../../core/network/own-loop'
import { AIR, MOISTURE, PRESSURE, STAR } from '../../core/network/room'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { steadySite } from './tiny-model'

const SIGMA = 5.670374e-8
const KELVIN = 273.15
/** A warm dark place with dry air. */
const OUTSIDE_C = 28
const fourth = (c: number) => (c + KELVIN) ** 4

/**
 * Leaves of one bed after forty unchanging dark days in a heated house: heat that they get from the air, the room and
 * the soil by the laws themselves, and what their vapour takes, W/m² of bed.
 */
export function leafBalance(): { in: number; spent: number; leafC: number } {
  const leafArea = 3
  const [demo] = DEMOS as [Design]
  const design: Design = {
    ...demo,
    shape: { ...demo.shape, beds: [bedAt(0.4, 1, 0.4, { leafArea })], benches: [] },
    breathe: { ...demo.breathe, rowCover: { ...demo.breathe.rowCover, on: false } },
  }
  const site = { ...steadySite(OUTSIDE_C), humidityRatio: new Float32Array(8760).fill(0.004) }
  const building = makeBuilding(design)
  const model = makeModel(design, site, building, makeSolarGains(site, building, makeLightTable(design, building)))
  const stepper = makeStepper(model, site)
  for (let h = 0; h < 24 * 40; h++) {
    stepper.prepareHour(h % 24, 3600)
    stepper.step(3600)
    stepper.endHour()
  }
  const { state, cells } = stepper
  const faceC = (test: (c: number) => boolean) => {
    const those = [...model.tie.keys()].filter(test)
    const all = those.reduce((s, c) => s + model.area[c]!, 0)
    return those.reduce((s, c) => s + (cells[model.offset[c + 1]! - 1]! * model.area[c]!) / all, 0)
  }
  const leafC = faceC(c => model.leafOf[c] === 0)
  const soilC = faceC(c => model.bedIndex[c] === 0)
  const density = 101325 / (287.05 * (OUTSIDE_C + KELVIN))
  const covers = 1 - Math.exp(-0.94 * leafArea)
  const fromAir = ((2 * leafArea * density * 1006) / 150) * (state[AIR]! - leafC)
  const fromRoom = covers * 0.95 * SIGMA * (fourth(state[STAR]!) - fourth(leafC))
  const fromSoil = covers * 0.95 * 0.9 * SIGMA * (fourth(soilC) - fourth(leafC))
  const vapour = (state[MOISTURE]! * state[PRESSURE]!) / (0.62198 + state[MOISTURE]!)
  const saturated = saturationPressurePa(leafC)
  const ratio = (0.62198 * saturated) / (state[PRESSURE]! - saturated)
  const shuts = 1 + 5.2e-6 * Math.max(0, saturated - vapour) ** 2
  const stomata = 82 * (4.3 / 0.54) * Math.min(5.8, shuts) * (1 + 0.005 * (Math.min(leafC, 30) - 33.6) ** 2)
  const vapourKg = ((2 * leafArea * density) / (150 + stomata)) * (ratio - state[MOISTURE]!)
  return { in: fromAir + fromRoom + fromSoil, spent: 2.47e6 * vapourKg, leafC }
}
