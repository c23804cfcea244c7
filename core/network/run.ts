import { dayName, DAYS, HOURS, humidityRatio, MONTH_OF_DAY, saturationPressurePa, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import type { SolarGains } from '../optics/gains'
import { FUSION, LATENT } from '../physics/constants'
import { makeModel } from './lay-model'
import type { NetworkModel } from './model'
import { AIR, BED_LIGHT, FAN_W, MISTED, MOISTURE, OPENING, PATH, RIDGE, ROW, ROW_DRAWN, STAR, CONDENSED } from './room'
import { emptySeries, type YearSeries } from './series'
import { ROW_COVER_OPEN } from './room-films'
import { ownStepper } from './own-loop'
import type { Stepper } from './stepper'
import { darkLeafC, topLeafC } from './transpiration'

export interface RunOptions {
  /** 1–60; 4 is usual. */
  stepsPerHour: number
  /** false runs the same year without what is paid for. */
  heated: boolean
  /**
   * Shown the cells' temperatures at the end of each hour of one day, and of the hour before it; with that day the run
   * ends.
   */
  watch?: { day: number; see: (hour: number, cells: Float64Array) => void }
  /**
   * A stretch of the year alone: so many hours from one of a day's first, over the turn of the year where need be; what
   * came before it is gone through without looking closely. The whole year where it is left out.
   */
  span?: { fromDay: number; hours: number }
  /** Asked once a day of the run; when it says true the run ends with {@link RunStopped}. */
  stop?: () => boolean
}

/** A run was stopped before its year was over. */
export class RunStopped extends Error {
  constructor() {
    super('The run was stopped before its year was over.')
    this.name = 'RunStopped'
  }
}

/** A year that came to nothing: the arithmetic left what can be. Its message says when, for a person. */
export class YearFailed extends Error {
  constructor(message: string) {
    super(message)
    this.name = 'YearFailed'
  }
}

/** Air outside of this is no air of a house, °C: a sign that the arithmetic has broken. */
const POSSIBLE_C = [-150, 500] as const

/** @throws YearFailed where the mean air of an hour is none that a house can have */
export function mustBePossible(hour: number, airC: number): void {
  if (airC > POSSIBLE_C[0] && airC < POSSIBLE_C[1]) return
  const came = Number.isFinite(airC) ? `${Math.round(airC)} °C` : 'no number'
  throw new YearFailed(
    `The year broke off on ${dayName((hour / 24) | 0)} at ${hour % 24}:00, where the air inside came to ` +
      `${came}. Undo the last change, and report this design.`,
  )
}

/**
 * Days go in blocks of hours that shorten towards what is to be known: so many hours a block while that is more than so
 * many days off. Each divides a day.
 */
const PACE = [
  { block: 6, beyondDays: 60 },
  { block: 3, beyondDays: 12 },
  { block: 1, beyondDays: 0 },
]

/**
 * Takes one day without looking closely.
 * @param daysOff how far off what is to be known is; above 0
 * @param longest a block is no longer than so many hours
 * @returns lowest air at the end of a block, °C
 */
export function takeDay(stepper: Stepper, model: NetworkModel, day: number, daysOff: number, longest = 24): number {
  const fits = (block: number) => block <= longest && block * 3600 <= model.followS
  const hours = PACE.find(p => daysOff > p.beyondDays && fits(p.block))?.block ?? 1
  const span = hours * 3600
  let low = Infinity
  for (let k = 0; k < 24; k += hours) {
    // The middle hour stands for its block.
    stepper.prepareHour(day * 24 + k + (hours >> 1), span, span)
    stepper.step(span)
    stepper.endHour(span)
    low = Math.min(low, stepper.state[AIR]!)
  }
  return low
}

/** Goes through a year before what counts, and on from there to its first day. */
export function warmUp(stepper: Stepper, model: NetworkModel, stop: RunOptions['stop'], fromDay = 0): void {
  const until = DAYS + fromDay
  for (let day = 0; day < until; day++) {
    if (stop?.()) throw new RunStopped()
    takeDay(stepper, model, day % DAYS, until - day)
  }
  stepper.clearTally()
}

/** Runs the network through a warm-up year and the year itself. */
export function runNetwork(
  design: Design,
  site: SiteYear,
  building: Building,
  gains: SolarGains,
  options: RunOptions,
): YearSeries {
  return runModel(makeModel(design, site, building, gains), site, options)
}

/** Of all panes, the share under each cover, by area. */
function sharesOfPanes(m: NetworkModel): Float64Array {
  const share = new Float64Array(m.covers)
  let all = 0
  for (let c = 0; c < m.count; c++) {
    if (m.glazed[c] === 0) continue
    share[m.coverOf[c]!]! += m.area[c]!
    all += m.area[c]!
  }
  return share.map(a => a / all)
}

/** By chain: where its condensation is counted. */
function wetFaces(m: NetworkModel, on: YearSeries['condensedOn']): Float64Array[] {
  const out = new Array<Float64Array>(m.count).fill(on.else)
  m.skin.forEach(({ chains }, k) => chains.forEach(c => (out[c] = on.skin[k]!)))
  m.bodies.forEach((chains, b) => chains.forEach(c => (out[c] = on.bodies[b]!)))
  return out
}

/** Runs a model that is laid out already. */
export function runModel(model: NetworkModel, site: SiteYear, options: RunOptions): YearSeries {
  const stepper = ownStepper(model, site)
  const { state, cells, lostJ, gainedJ, prepareHour, step, endHour } = stepper
  stepper.heat(options.heated)
  const { probes, offset, waterKg } = model
  const steps = options.stepsPerHour
  const { fromDay, hours } = options.span ?? { fromDay: 0, hours: HOURS }
  warmUp(stepper, model, options.stop, fromDay)
  const series = emptySeries({
    bodies: model.bodies.length,
    beds: model.bedAreaM2 > 0 ? model.bedAreasM2.length : 0,
    covers: model.covers,
    skin: model.skin.map(k => k.id),
    openings: model.airways.openers.length,
    sources: model.added.count,
    airStores: model.airStores,
    fans: model.fans.powerW.length,
  })
  const paneShare = sharesOfPanes(model)
  const atStart = stepper.heatContentJ()
  const lossCount = lostJ.length
  const gainCount = gainedJ.length
  /** Heat in a body, J, from 0 °C: ice holds less than water. */
  function heatOf(chains: ArrayLike<number>): number {
    let joules = 0
    for (let k = 0; k < chains.length; k++) {
      const c = chains[k]!
      for (let i = offset[c]!; i < offset[c + 1]!; i++) joules += model.capacity[i]! * cells[i]!
      joules -= stepper.iceKg[c]! * FUSION
    }
    return joules
  }
  const heldJ = model.bodies.map(heatOf)
  /** Bodies of an hour, each by its chains, and all water by its mass. */
  function seeBodies(h: number): void {
    const { iceKg } = stepper
    let kg = 0
    let heat = 0
    let ice = 0
    for (let b = 0; b < model.bodies.length; b++) {
      const chains = model.bodies[b]!
      let middle = 0
      let frozen = 0
      let water = 0
      for (let k = 0; k < chains.length; k++) {
        const c = chains[k]!
        const kgHere = waterKg[c]!
        const i = kgHere > 0 ? offset[c]! : (offset[c]! + offset[c + 1]! - 1) >> 1
        middle += cells[i]!
        frozen += iceKg[c]!
        water += kgHere
      }
      middle /= chains.length
      const body = series.bodies[b]!
      body.middleC[h] = middle
      if (frozen > 0) body.iceShare[h] = frozen / water
      const holds = heatOf(chains)
      body.givesW[h] = (heldJ[b]! - holds) / 3600
      heldJ[b] = holds
      kg += water
      heat += water * middle
      ice += frozen
    }
    series.waterC[h] = kg > 0 ? heat / kg : NaN
    series.iceShare[h] = kg > 0 ? ice / kg : 0
  }
  const faceW = new Float64Array(model.count)
  /** By chain: whose condensation it counts to. */
  const wetOf = wetFaces(model, series.condensedOn)
  /** An hour's water, shared among the faces as they draw it at the hour's end. */
  function seeDamp(month: number, kg: number): void {
    if (kg <= 0) return
    let all = 0
    for (let c = 0; c < model.count; c++) all += Math.max(0, faceW[c]!)
    if (all <= 0) {
      series.condensedOn.else[month]! += kg
      return
    }
    for (let c = 0; c < model.count; c++) if (faceW[c]! > 0) wetOf[c]![month]! += (kg * faceW[c]!) / all
  }
  const planted = [...model.leafOf.keys()].filter(c => model.leafOf[c]! >= 0 || model.bed[c] === 1)
  /** What beds give off, kg/h. */
  function drunk(): number {
    let watts = 0
    for (let k = 0; k < planted.length; k++) watts += Math.max(0, -faceW[planted[k]!]!)
    return (watts * 3600) / LATENT
  }
  function seeSkin(h: number): void {
    for (let k = 0; k < model.skin.length; k++) {
      const { chains } = model.skin[k]!
      let left = 0
      for (let i = 0; i < chains.length; i++) left += stepper.leftJ[chains[i]!]!
      series.skin[k]!.lostW[h] = left / 3600
    }
  }
  function seeSources(h: number): void {
    for (let i = 0; i < model.added.count; i++) {
      const watts = stepper.broughtJ[i]! / 3600
      series.sources[i]![h] = watts
      series.sourcesMoved[i]![h] = stepper.movedJ[i]! / 3600
      series.pumpsW[h]! += stepper.drawnJ[i]! / 3600
      series.heaterW[h]! += watts * model.added.heatShare[i]!
    }
  }
  /** The soil of each bed, and of all of them by their areas. */
  function seeBeds(h: number): void {
    let all = 0
    for (let b = 0; b < probes.soil.length; b++) {
      const roots = probes.soil[b]!
      let sum = 0
      for (let k = 0; k < roots.length; k++) sum += cells[roots[k]!]! / roots.length
      all += sum * bedShare[b]!
      if (b < series.bedsC.length) series.bedsC[b]![h] = sum
    }
    series.soilC[h] = all
  }
  function seeFans(h: number): void {
    let all = state[FAN_W]!
    for (let i = 0; i < series.fans.length; i++) {
      const watts = stepper.fanJ[i]! / 3600
      series.fans[i]![h] = watts
      all += watts
    }
    series.fanW[h] = all
  }
  function seeAirStores(h: number): void {
    for (let x = 0; x < model.exchangers.length; x++) {
      const { storeC, takesW, runs, condensedKg } = series.airStores[model.exchangers[x]!.index]!
      storeC[h] = stepper.storeC[x]!
      takesW[h] = stepper.storeTookJ[x]! / 3600
      runs[h] = stepper.storeRuns[x]!
      condensedKg[h] = stepper.storeKg[x]!
    }
  }
  const leaves = [...model.leafOf.keys()].filter(c => model.leafOf[c]! >= 0)
  const leafCell = leaves.map(c => offset[c + 1]! - 1)
  const leafSums = new Float64Array(leaves.length)
  /** The coldest leaf on top of those that stand in a month, °C, by the hour's means; NaN where none stands. */
  function coldestLeaf(month: number, airC: number, starC: number, rowC: number): number {
    let coldest = NaN
    const under = state[ROW_DRAWN] === 1 ? 1 - ROW_COVER_OPEN : 0
    for (let k = 0; k < leaves.length; k++) {
      const c = leaves[k]!
      const beneath = leafSums[k]! / steps
      leafSums[k] = 0
      if (model.leafArea[model.leafOf[c]! * 12 + month] === 0) continue
      const t = topLeafC(model.underRow[c] === 1 ? rowC : airC, starC + under * (rowC - starC), beneath)
      if (!(t >= coldest)) coldest = t
    }
    return coldest
  }
  const { openings } = series
  const { bedAreasM2, bedAreaM2 } = model
  const bedShare = bedAreaM2 > 0 ? bedAreasM2.map(a => a / bedAreaM2) : Float64Array.of(1)
  const dt = 3600 / steps
  for (let n = 0; n < hours; n++) {
    const h = (fromDay * 24 + n) % HOURS
    if (h % 24 === 0 && options.stop?.()) throw new RunStopped()
    prepareHour(h, dt)
    let airSum = 0
    let airLow = Infinity
    let airHigh = -Infinity
    let starSum = 0
    let rowSum = 0
    let glassSum = 0
    let openSum = 0
    let condensed = 0
    let misted = 0
    let ridgeSum = 0
    let pathSum = 0
    const month = MONTH_OF_DAY[(h / 24) | 0]!
    for (let s = 0; s < steps; s++) {
      step(dt)
      const air = state[AIR]!
      airSum += air
      if (air < airLow) airLow = air
      if (air > airHigh) airHigh = air
      starSum += state[STAR]!
      rowSum += state[ROW]!
      ridgeSum += state[RIDGE]!
      pathSum += state[PATH]!
      openSum += state[OPENING]!
      condensed += state[CONDENSED]!
      misted += state[MISTED]!
      glassSum += cells[probes.glazing]!
      for (let k = 0; k < leaves.length; k++) leafSums[k]! += cells[leafCell[k]!]!
    }
    endHour()
    mustBePossible(h, airSum / steps)
    series.airC[h] = airSum / steps
    series.airLowC[h] = airLow
    series.airHighC[h] = airHigh
    series.radiantC[h] = starSum / steps
    const leafC = coldestLeaf(month, airSum / steps, starSum / steps, rowSum / steps)
    series.leafC[h] = Number.isNaN(leafC) ? darkLeafC(airSum / steps, starSum / steps) : leafC
    series.rowC[h] = rowSum / steps
    series.ridgeC[h] = ridgeSum / steps
    series.pathC[h] = pathSum / steps
    series.glazingC[h] = glassSum / steps
    series.ventOpening[h] = openSum / steps
    series.bedLightWm2[h] = state[BED_LIGHT]!
    for (let k = 0; k < model.covers; k++) {
      series.coverLight[k]![h] = stepper.light[k]!
      series.coverDrawn[h]! += paneShare[k]! * stepper.covered[k]!
      series.coverStuck[h]! += paneShare[k]! * stepper.stuck[k]!
    }
    series.condensedKg[h] = (condensed / steps) * 3600
    series.mistKg[h] = (misted / steps) * 3600
    stepper.wets(faceW)
    seeDamp(month, series.condensedKg[h]!)
    series.drunkKg[h] = drunk()
    seeFans(h)
    seeBeds(h)
    seeBodies(h)
    seeSkin(h)
    seeSources(h)
    for (let k = 0; k < openings.length; k++) openings[k]![h] = stepper.stoodOpen[k]! / 3600
    seeAirStores(h)
    series.floorC[h] = cells[probes.floor]!
    series.backWallC[h] = cells[probes.backWall]!
    series.relativeHumidity[h] = Math.min(
      1,
      state[MOISTURE]! / humidityRatio(saturationPressurePa(state[AIR]!), site.pressurePa[h]!),
    )
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
