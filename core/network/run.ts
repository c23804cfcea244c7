import { HOURS, humidityRatio, saturationPressurePa, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import type { SolarGains } from '../optics/gains'
import { makeModel, type NetworkModel } from './model'
import { AIR, FAN_W, LOBBY, MOISTURE, OPENING, ROW, STAR, HEAT, CONDENSED } from './room'
import { emptySeries, type YearSeries } from './series'
import { ownStepper } from './stepper'

export interface RunOptions {
  /** 1–60; 4 is usual. */
  stepsPerHour: number
  /** false runs the same year unheated. */
  heater: boolean
  /** Days to take in these steps, 1 each of 365; the others are taken in whole hours. All days unless given. */
  closeDays?: Uint8Array
  /** Shown the cells' temperatures at the end of each hour of one day, and of the hour before it; with that day the run ends. */
  watch?: { day: number, see: (hour: number, cells: Float64Array) => void }
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

/** The warm-up year goes in blocks of hours that shorten towards its end: so many hours a block until so many days are left. Each divides a day. */
const WARM_UP = [{ block: 6, untilDaysLeft: 60 }, { block: 3, untilDaysLeft: 12 }, { block: 1, untilDaysLeft: 0 }]

/** Runs the network through a warm-up year and the year itself. */
export function runNetwork(design: Design, site: SiteYear, building: Building, gains: SolarGains, options: RunOptions): YearSeries {
  return runModel(makeModel(design, site, building, gains), site, design.topUp.heater, options)
}

/** Runs a model that is laid out already. */
export function runModel(model: NetworkModel, site: SiteYear, heater: Pick<Design['topUp']['heater'], 'on' | 'capacityW' | 'setPointC'>, options: RunOptions): YearSeries {
  const stepper = ownStepper(model, site)
  const { state, cells, lostJ, gainedJ, prepareHour, step, endHour } = stepper
  const heaterW = options.heater && heater.on ? heater.capacityW : 0
  const setPointC = heater.setPointC
  const { probes } = model
  let hour = 0
  for (const { block, untilDaysLeft } of WARM_UP) {
    const hours = block * 3600 <= model.followS ? block : 1
    const span = hours * 3600
    for (; hour < HOURS - untilDaysLeft * 24; hour += hours) {
      if (hour % 24 === 0 && options.stop?.()) throw new RunStopped()
      // The middle hour stands for its block.
      prepareHour(hour + (hours >> 1), span, span)
      step(span, heaterW, setPointC)
      endHour(span)
    }
  }
  stepper.clearTally()
  const series = emptySeries()
  series.coverDrawn.set(model.drawn)
  const atStart = stepper.heatContentJ()
  const lossCount = lostJ.length
  const gainCount = gainedJ.length
  for (let h = 0; h < HOURS; h++) {
    if (h % 24 === 0 && options.stop?.()) throw new RunStopped()
    const steps = options.closeDays?.[Math.floor(h / 24)] === 0 ? 1 : options.stepsPerHour
    const dt = 3600 / steps
    prepareHour(h, dt)
    let low = Infinity
    let high = -Infinity
    let airSum = 0
    let starSum = 0
    let rowSum = 0
    let glassSum = 0
    let heatSum = 0
    let openSum = 0
    let condensed = 0
    for (let s = 0; s < steps; s++) {
      step(dt, heaterW, setPointC)
      const air = state[AIR]!
      airSum += air
      starSum += state[STAR]!
      rowSum += state[ROW]!
      heatSum += state[HEAT]!
      openSum += state[OPENING]!
      condensed += state[CONDENSED]!
      glassSum += cells[probes.glazing]!
      if (air < low) low = air
      if (air > high) high = air
    }
    endHour()
    series.airC[h] = airSum / steps
    series.airMinC[h] = low
    series.airMaxC[h] = high
    series.radiantC[h] = starSum / steps
    series.rowC[h] = rowSum / steps
    series.lobbyC[h] = state[LOBBY]!
    series.glazingC[h] = glassSum / steps
    series.heaterW[h] = heatSum / steps
    series.ventOpening[h] = openSum / steps
    series.condensedKg[h] = condensed / steps * 3600
    series.fanW[h] = state[FAN_W]!
    series.soilC[h] = cells[probes.soil]!
    series.waterC[h] = probes.water >= 0 ? cells[probes.water]! : NaN
    series.iceShare[h] = probes.waterChain >= 0 ? stepper.iceKg[probes.waterChain]! / model.waterKg[probes.waterChain]! : 0
    series.storeC[h] = stepper.storeC.length > 0 ? stepper.storeC[0]! : NaN
    series.floorC[h] = cells[probes.floor]!
    series.backWallC[h] = cells[probes.backWall]!
    series.relativeHumidity[h] = Math.min(1, state[MOISTURE]! / humidityRatio(saturationPressurePa(state[AIR]!), site.pressurePa[h]!))
    for (let i = 0; i < lossCount; i++) series.losses[i]![h] = lostJ[i]! / 3600
    for (let i = 0; i < gainCount; i++) series.gains[i]![h] = gainedJ[i]! / 3600
    stepper.clearTally()
    if (options.watch && h >= options.watch.day * 24 - 1) {
      options.watch.see(h, cells)
      if (h >= options.watch.day * 24 + 23) break
    }
  }
  series.storedJ = stepper.heatContentJ() - atStart
  return series
}
