import { HOURS, humidityRatio, saturationPressurePa, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import type { SolarGains } from '../optics/gains'
import { makeModel } from './model'
import { emptySeries, type YearSeries } from './series'
import { AIR, HEAT, ICE_KG, makeStepper, MOISTURE, OPENING, STAR } from './stepper'

export interface RunOptions {
  /** 1–60; 4 is usual. */
  stepsPerHour: number
  /** false runs the same year unheated. */
  heater: boolean
  /** Asked once a day of the run; when it says true the run ends with {@link RunStopped}. */
  stop?: () => boolean
}

/** A run was told to stop before its year was over. */
export class RunStopped extends Error {
  constructor() {
    super('The run was stopped before its year was over.')
    this.name = 'RunStopped'
  }
}

/** Runs the network through a warm-up year (in hourly steps) and the year itself. */
export function runNetwork(design: Design, site: SiteYear, building: Building, gains: SolarGains, options: RunOptions): YearSeries {
  const model = makeModel(design, site, building, gains)
  const { state, cells, lostJ, prepareHour, step, tally, heatContentJ } = makeStepper(model, site)
  const heater = design.topUp.heater
  const heaterW = options.heater && heater.on ? heater.capacityW : 0
  const { probes } = model
  for (let h = 0; h < HOURS; h++) {
    if (h % 24 === 0 && options.stop?.()) throw new RunStopped()
    prepareHour(h, 3600)
    step(3600, heaterW, heater.setPointC)
  }
  const series = emptySeries()
  series.coverDrawn.set(model.drawn)
  const atStart = heatContentJ()
  const steps = options.stepsPerHour
  const dt = 3600 / steps
  const sun = [...model.faceSun.map(watts => ({ watts, dimmed: true })), ...model.paneSun.map(watts => ({ watts, dimmed: false }))]
  for (let h = 0; h < HOURS; h++) {
    if (h % 24 === 0 && options.stop?.()) throw new RunStopped()
    prepareHour(h, dt)
    let low = Infinity
    let high = -Infinity
    let airSum = 0
    let starSum = 0
    let glassSum = 0
    let heatSum = 0
    let openSum = 0
    for (let s = 0; s < steps; s++) {
      step(dt, heaterW, heater.setPointC)
      tally(dt)
      const air = state[AIR]!
      airSum += air
      starSum += state[STAR]!
      heatSum += state[HEAT]!
      openSum += state[OPENING]!
      glassSum += cells[probes.glazing]!
      if (air < low) low = air
      if (air > high) high = air
    }
    series.airC[h] = airSum / steps
    series.airMinC[h] = low
    series.airMaxC[h] = high
    series.radiantC[h] = starSum / steps
    series.glazingC[h] = glassSum / steps
    series.heaterW[h] = heatSum / steps
    series.ventOpening[h] = openSum / steps
    series.soilC[h] = cells[probes.soil]!
    series.waterC[h] = probes.water >= 0 ? cells[probes.water]! : NaN
    series.iceShare[h] = model.waterKg > 0 ? state[ICE_KG]! / model.waterKg : 0
    series.floorC[h] = cells[probes.floor]!
    series.backWallC[h] = cells[probes.backWall]!
    series.relativeHumidity[h] = Math.min(1, state[MOISTURE]! / humidityRatio(saturationPressurePa(state[AIR]!), site.pressurePa[h]!))
    const light = 1 - model.drawn[h]! * (1 - model.coverLeak)
    let sunIn = 0
    for (let i = 0; i < sun.length; i++) sunIn += sun[i]!.watts[h]! * (sun[i]!.dimmed ? light : 1)
    series.sunW[h] = sunIn
    for (let i = 0; i < lostJ.length; i++) {
      series.losses[i]![h] = lostJ[i]! / 3600
      lostJ[i] = 0
    }
  }
  series.storedJ = heatContentJ() - atStart
  return series
}
