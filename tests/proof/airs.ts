import { DEMOS } from '../../core/design'
import { aFan } from '../../core/fans/registry'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeModel } from '../../core/network/lay-model'
import { runModel } from '../../core/network/run'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { createYearEngine } from '../../core/year'
import { ONE_AIR } from './tiny-model'

/**
 * A demo whose airs fans mix through and through, and the same house as one air: how far its two airs stand apart at
 * most, K, and the coldest hour of each, °C. The fans cost no power.
 */
export function mixedAirs(): { apart: number; coldestC: number; oneC: number } {
  const [demo] = DEMOS
  const fans = Array.from({ length: 8 }, () => aFan('circulating fan', { flowM3h: 50000, powerW: 0 }))
  const design = { ...demo!, breathe: { ...demo!.breathe, fans } }
  const site = createYearEngine().site(design)
  const building = makeBuilding(design)
  const model = makeModel(design, site, building, makeSolarGains(site, building, makeLightTable(design, building)))
  const options = { stepsPerHour: 4, heated: true }
  const mixed = runModel(model, site, options)
  const none = new Uint8Array(model.count)
  const one = runModel(
    {
      ...model,
      airs: {
        ...ONE_AIR,
        above: new Float64Array(model.count),
        inPath: none,
        orificeAbove: new Uint8Array(model.airs.orificeAbove.length),
      },
    },
    site,
    options,
  )
  const least = (a: Float32Array) => a.reduce((x, t) => Math.min(x, t), Infinity)
  return {
    apart: mixed.airC.reduce((most, t, h) => Math.max(most, Math.abs(t - mixed.ridgeC[h]!)), 0),
    coldestC: least(mixed.airC),
    oneC: least(one.airC),
  }
}
