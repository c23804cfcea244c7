import { DEMOS, type Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeModel } from '../../core/network/lay-model'
import { AIR } from '../../core/network/room'
import { makeStepper } from '../../core/network/own-loop'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { unheated } from '../added'
import { steadySite } from './tiny-model'

/** Depth of the snow outside, m. */
const DEEP_M = 0.5

/**
 * Air of an unheated demo after twenty dark days of −15 °C and deep snow, °C: with no bank, with banks, and with
 * banks twice as high.
 */
export function bankedNight(): { bare: number; banked: number; higher: number } {
  const design: Design = unheated(DEMOS[2]!)
  const site = { ...steadySite(-15), snowM: new Float32Array(8760).fill(DEEP_M) }
  const building = makeBuilding(design)
  const model = makeModel(design, site, building, makeSolarGains(site, building, makeLightTable(design, building)))
  const after = (times: number) => {
    const { banks } = model
    const stepper = makeStepper(
      { ...model, banks: times > 0 ? { ...banks!, heightM: banks!.heightM.map(b => b.map(z => z * times)) } : null },
      site,
    )
    for (let h = 0; h < 24 * 20; h++) {
      stepper.prepareHour(h % 24, 3600)
      stepper.step(3600)
      stepper.endHour()
    }
    return stepper.state[AIR]!
  }
  return { bare: after(0), banked: after(1), higher: after(2) }
}
