import type { Memory } from './memory'
import type { NetworkModel } from './model'
import { AIR, AIR_HEAT, AIR_W, LATENT, OUT, START, VAPOUR } from './room'
import { GAIN } from './series'
import { airPanelWm2, waterPanelWm2 } from './sources'

const { max, min } = Math

/** A person at light work: dry heat W, and water kg/s. */
const PERSON_W = 90
const PERSON_WATER = 50e-3 / 3600
/** Panels and dump loads warm water up to this, °C. */
const HOT_C = 55

/** Heat from sun on light things, lamps, people, panels, compost and loops, by the hour: to the air, and to cells. */
export function makeDevices(memory: Memory) {
  const { v, T, source, offset, face, area, capacity, gainedJ, light } = memory
  const airSun = memory.hoursByCover()
  let m!: NetworkModel
  let beds: number[] = []
  let firstWater = -1

  function lay(model: NetworkModel): void {
    m = model
    airSun.set(m.airSun)
    beds = Array.from(m.bed.keys()).filter(c => m.bed[c] === 1)
    firstWater = m.probes.waterChain >= 0 ? m.offset[m.probes.waterChain]! : -1
  }

  function bring(h: number, span: number): void {
    const { sources } = m
    const { covers } = m
    let airW = 0
    for (let k = 0; k < covers; k++) airW += airSun[h * covers + k]! * light[k]!
    v[VAPOUR] = 0
    if (sources.lampsW) {
      const w = sources.lampsW[h]!
      const shone = beds.length > 0 ? sources.lampLightShare * w : 0
      airW += w - shone
      for (const c of beds) source[face[c]!]! += (shone * area[c]!) / m.bedAreaM2
      gainedJ[GAIN.lamps]! += w * span
    }
    if (sources.peopleCount) {
      const n = sources.peopleCount[h]!
      airW += n * PERSON_W
      v[VAPOUR]! += n * PERSON_WATER
      gainedJ[GAIN.people]! += n * (PERSON_W + LATENT * PERSON_WATER) * span
    }
    if (sources.solarAir && v[AIR]! < v[START]!) {
      // The flow of the panel's fan bounds what it brings.
      const w = min(
        sources.solarAir.areaM2 * airPanelWm2(sources.solarAir.sun[h]!, v[AIR]!, v[OUT]!),
        sources.solarAir.massFlow * AIR_HEAT * 40,
      )
      airW += w
      gainedJ[GAIN['solar air panel']]! += w * span
    }
    const waterC = firstWater >= 0 ? T[firstWater]! : 99
    if (sources.solarWater && waterC < HOT_C) {
      const w = sources.solarWater.areaM2 * waterPanelWm2(sources.solarWater.sun[h]!, waterC, v[OUT]!)
      source[firstWater]! += w
      gainedJ[GAIN['solar water panel']]! += w * span
    }
    if (sources.dumpW) {
      const w = sources.dumpW[h]!
      // Into the water until it is hot, then nowhere: without water it warms the air while that is not hot.
      const toWater = firstWater >= 0 && waterC < HOT_C
      const toAir = firstWater < 0 && v[AIR]! < v[START]!
      if (toWater) source[firstWater]! += w
      if (toAir) airW += w
      if (toWater || toAir) gainedJ[GAIN['dump load']]! += w * span
    }
    if (sources.compostW) {
      const w = sources.compostW[h]!
      airW += toBeds(w)
      gainedJ[GAIN.compost]! += w * span
    }
    if (sources.bedLoop && beds.length > 0) {
      const soil = T[m.probes.soil]!
      let heat = 0
      for (const c of beds) {
        const i = m.probes.soil - offset[beds[0]!]! + offset[c]!
        heat += max(0, ((sources.bedLoop.setPointC - soil) * capacity[i]!) / span)
      }
      const w = min(sources.bedLoop.capacityW, heat)
      toBeds(w)
      gainedJ[GAIN['bed loop']]! += w * span
    }
    v[AIR_W] = airW
  }

  /** Spreads heat over the middle of the beds' soil; returns what finds no bed. */
  function toBeds(w: number): number {
    if (beds.length === 0) return w
    const row = m.probes.soil - offset[beds[0]!]!
    for (const c of beds) source[offset[c]! + row]! += (w * area[c]!) / m.bedAreaM2
    return 0
  }

  return { lay, bring, airSun }
}
