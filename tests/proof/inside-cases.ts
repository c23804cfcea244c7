import * as Astronomy from 'astronomy-engine'
import psychrolib from 'psychrolib'
import { makeSiteYear, saturationPressurePa, HOURS } from '../../core/climate'
import { DEMOS, type Design, type NormalsClimate } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeModel } from '../../core/network/lay-model'
import { MOISTURE, PRESSURE } from '../../core/network/room'
import { LOSS } from '../../core/network/series'
import { makeStepper } from '../../core/network/own-loop'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { sunPosition } from '../../core/sun'
import { createYearEngine } from '../../core/year'
import { unheated } from '../added'
import { everythingOn } from '../../cli/bench'
import { tank } from '../bodies'
import { aired, withoutOpenings } from '../openings'
import { plain } from '../plain'
import { mixedAirs } from './airs'
import { leafBalance } from './leaf'
import { furthestApart, roomRows } from './random-houses'
import { proof, type ProofRow } from './row'
import { bankedNight } from './snow'
import { steadySite } from './tiny-model'
import { twoNodes } from './two-nodes'

/** Leaves, airs, open water, openers, covers, cold snaps, snow; and oracles from outside. */
export function insideRows(): ProofRow[] {
  const leaf = leafBalance()
  const bare = nearBare()
  const mixed = mixedAirs()
  const water = openWater()
  const snow = bankedNight()
  return [
    proof('leaf: heat got less heat spent on vapour, share', 0, leaf.in / leaf.spent - 1, 0.01, 'the laws by hand'),
    proof('leaf: next to no leaf against a bare bed, coldest night, K', bare.bareC, bare.hardlyC, 1e-3, 'size to 0'),
    proof(
      'airs: fully mixed against one air, coldest night, K',
      mixed.oneC,
      mixed.coldestC,
      0.05,
      'mixing to infinity',
    ),
    proof('open water: kg an hour by hand and by the books', water.byHand, water.got, 0.02 * water.byHand, 'ASHRAE'),
    proof('openers by hand: moves while nobody is there', 0, movesAlone(), 0, 'presence'),
    proof('cover by gain: colder than by sun on any demo, K', 0, gainAgainstSun(), 0.01, 'never colder'),
    proof('design low: years in which it lies outside its snap, of 200', 0, lowsOutside(), 0, 'coldest quarter'),
    proof('snow banks: how much colder inside, K', 0, Math.max(0, snow.bare - snow.banked), 0, 'they insulate'),
    halfStepRow(2),
    proof('oracle: sun, furthest of 500 places and times, deg', 0, sunApart(500), 0.02, 'astronomy-engine'),
    proof('oracle: humidity ratio, furthest share', 0, dampApart(), 0.005, 'psychrolib'),
    proof('oracle: dense stepper, furthest of 60 houses, K', 0, furthestApart(60), 1e-6, 'one full matrix'),
    ...roomRows(40),
    proof(
      'oracle: house of two nodes, furthest, K',
      0,
      Math.max(...twoNodes().map(r => Math.abs(r.gotC - r.exactC))),
      0.01,
      'two exponentials',
    ),
  ]
}

/** How far half the step moves the coldest nights of so many winters and turns of the house. */
export const halfStepRow = (winters: number): ProofRow =>
  proof(
    `step: everything on, ${winters} winters, furthest coldest night without heat at half the step, K`,
    0,
    halfStep(winters),
    0.1,
    'step halving',
  )

function halfStep(winters: number): number {
  const engine = createYearEngine()
  let furthest = 0
  for (let seed = 1; seed <= winters; seed++) {
    const full = everythingOn(seed)
    const design = { ...unheated(full), site: { ...full.site, seed } }
    const coldest = (stepsPerHour: number) => engine.run(design, { stepsPerHour }).answers.coldestNight.insideC
    furthest = Math.max(furthest, Math.abs(coldest(8) - coldest(4)))
  }
  return furthest
}

function nearBare() {
  const of = (leafArea: number) => {
    const beds = plain.shape.beds.map(b => ({ ...b, crop: null, leafArea }))
    return createYearEngine().run({ ...unheated(plain), shape: { ...plain.shape, beds } }).answers.coldestNight.insideC
  }
  return { bareC: of(0), hardlyC: of(1e-6) }
}

/** A tank in a house without beds in steady warm dry weather: what it gives off, and what leaves as damp air, kg/h. */
function openWater(): { byHand: number; got: number } {
  const design: Design = {
    ...withoutOpenings(unheated(plain)),
    shape: { ...plain.shape, beds: [], benches: [] },
    store: { ...plain.store, bodies: [tank({ lengthM: 3, widthM: 1 })], linings: [] },
  }
  const site = { ...steadySite(28), humidityRatio: new Float32Array(HOURS).fill(0.004) }
  const building = makeBuilding(design)
  const model = makeModel(design, site, building, makeSolarGains(site, building, makeLightTable(design, building)))
  const stepper = makeStepper(model, site)
  const hours = 24 * 40
  for (let h = 0; h < hours; h++) {
    stepper.clearTally()
    stepper.prepareHour(h % 24, 3600)
    stepper.step(3600)
    stepper.endHour()
  }
  const wet = model.openWater.findIndex(share => share > 0)
  const saturated = saturationPressurePa(stepper.cells[model.offset[wet + 1]! - 1]!)
  const ratio = (0.62198 * saturated) / (stepper.state[PRESSURE]! - saturated)
  // 3 m² of still open water.
  const byHand = 3600 * 0.003 * 3 * (ratio - stepper.state[MOISTURE]!)
  return { byHand, got: stepper.lostJ[LOSS['damp air']]! / 2.47e6 }
}

/** Hours of a year in which vents moved by hand change their place outside the hours of who moves them. */
function movesAlone(): number {
  const { series } = createYearEngine().run(aired(plain, { how: 'hand', days: 'weekdays', fromH: 8, untilH: 17 }))
  let moves = 0
  for (const opening of series.openings)
    for (let h = 1; h < HOURS; h++) {
      const away = Math.floor(h / 24) % 7 >= 5 || h % 24 < 8 || h % 24 >= 17
      if (away && Math.abs(opening[h]! - opening[h - 1]!) > 1e-9) moves++
    }
  return moves
}

function gainAgainstSun(): number {
  const coldest = (d: Design, rule: 'gain' | 'sun') =>
    createYearEngine().run(unheated({ ...d, skin: { ...d.skin, cover: { ...d.skin.cover, rule } } })).answers
      .coldestNight.insideC
  return Math.max(0, ...DEMOS.map(d => coldest(d, 'sun') - coldest(d, 'gain')))
}

const SEEDS = 20

/**
 * Of years of five climates and both hemispheres, twenty seeds each, how many have their design low outside the coldest
 * quarter of the year, or without a colder than usual day before it.
 */
function lowsOutside(): number {
  let outside = 0
  for (const { site } of DEMOS)
    for (const south of [false, true]) {
      const normals = site.climate as NormalsClimate
      const turned = <T>(months: readonly T[]): T[] =>
        south === site.latitudeDeg < 0 ? [...months] : [...months.slice(6), ...months.slice(0, 6)]
      const lowC = turned(normals.lowC)
      const climate = {
        kind: 'normals' as const,
        lowC,
        highC: turned(normals.highC),
        designLowC: Math.min(...lowC) - 9,
      }
      const coldest = lowC.indexOf(Math.min(...lowC))
      const means = lowC.map((low, m) => (low + climate.highC[m]!) / 2)
      // Mean of each day, straight between the middles of the months.
      const season = Array.from({ length: 365 }, (_, d) => {
        const at = (d + 0.5) / 30.42 - 0.5 + 12
        const m = Math.floor(at)
        return means[m % 12]! * (1 - (at - m)) + means[(m + 1) % 12]! * (at - m)
      })
      for (let seed = 1; seed <= SEEDS; seed++) {
        const latitudeDeg = (south ? -1 : 1) * Math.abs(site.latitudeDeg)
        const y = makeSiteYear({ ...site, latitudeDeg, climate, seed, spell: null, horizon: [] })
        const at = y.dryBulbC.indexOf(Math.min(...y.dryBulbC))
        const day = Math.floor(at / 24)
        const colder = season.filter(t => t < season[day]!).length
        const mean = (d: number) => {
          const from = ((d + 365) % 365) * 24
          return y.dryBulbC.subarray(from, from + 24).reduce((a, b) => a + b, 0) / 24
        }
        if (colder > 0.28 * 365 || mean(day - 1) > (lowC[coldest]! + climate.highC[coldest]!) / 2) outside++
      }
    }
  return outside
}

function sunApart(count: number): number {
  let most = 0
  for (let k = 0; k < count; k++) {
    const part = (step: number) => (0.5 + k * step) % 1
    const ms = Date.UTC(1960, 0, 1) + part(0.8191725) * 85 * 365.25 * 86400000
    const [latitude, longitude] = [part(0.6710436) * 132 - 66, part(0.5497005) * 360 - 180]
    const own = sunPosition(ms, latitude, longitude)
    const at = new Astronomy.Observer(latitude, longitude, 0)
    const { ra, dec } = Astronomy.Equator(Astronomy.Body.Sun, new Date(ms), at, true, true)
    const other = Astronomy.Horizon(new Date(ms), at, ra, dec)
    most = Math.max(most, Math.abs(own.altitudeDeg - other.altitude))
  }
  return most
}

function dampApart(): number {
  psychrolib.SetUnitSystem(psychrolib.SI)
  let most = 0
  for (let c = -20; c <= 45; c += 2.5) {
    const saturated = saturationPressurePa(c)
    const own = (0.62198 * saturated) / (101325 - saturated)
    most = Math.max(most, Math.abs(own / psychrolib.GetSatHumRatio(c, 101325) - 1))
  }
  return most
}
