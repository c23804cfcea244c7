import type { SiteYear } from '../climate'
import { makeAddedWork } from './added-work'
import { makeCoverHour } from './cover-hour'
import { makeDeepGround } from './deep-ground'
import { makeDoorHour } from './door-hour'
import { makeElimination } from './elimination'
import { makeGroundOutside } from './ground-outside'
import { makeLeafHour } from './leaf-hour'
import { makeLedgerHour } from './ledger-hour'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import { AIR_W, FAN_W, HOUSE_DOOR_G, OUT, SNOW_M, STIR_W, SUPPLY_C, SUPPLY_G, TIE_G, TIE_W } from './room'
import { GAIN } from './series'
import { makeSkinHour } from './skin-hour'
import { makeSoilIce } from './soil-ice'
import { makeStirHour } from './stir-hour'
import { makeStoreAir } from './store-air'
import type { VentSolver } from './vent-solve'
import { makeWeatherHour } from './weather-hour'

const HOUR = 3600
const FANS = GAIN.fans!
/** The ground outside lies so much warmer than the air over the year: sun on it. K. */
const GROUND_OVER_AIR_K = 1

/**
 * What is done once an hour, in its order: weather, schedules, what acts on the room, the elimination of the chains;
 * and what is closed at its end.
 */
export function makeHourly(memory: Memory, vents: Pick<VentSolver, 'hour'>) {
  const { v, gainedJ } = memory
  const weather = makeWeatherHour(memory)
  const covers = makeCoverHour(memory)
  const ground = makeDeepGround(memory)
  const doors = makeDoorHour(memory)
  const added = makeAddedWork(memory)
  const storeAir = makeStoreAir(memory)
  const stirring = makeStirHour(memory)
  const leaves = makeLeafHour(memory)
  const elimination = makeElimination(memory)
  const skin = makeSkinHour(memory)
  const outsideGround = makeGroundOutside(memory)
  const soilIce = makeSoilIce(memory)
  const ledger = makeLedgerHour(memory)
  let m!: NetworkModel

  function lay(model: NetworkModel, site: SiteYear): void {
    m = model
    memory.suns.set(m.sun.watts)
    weather.lay(site)
    covers.lay(m)
    ground.lay(m)
    doors.lay(m)
    added.lay(m)
    storeAir.lay(m)
    stirring.lay(m)
    leaves.lay(m)
    elimination.lay(m)
    skin.lay(m, added.airSun)
    outsideGround.lay(m)
    soilIce.lay(m)
    ledger.lay(m)
  }

  /** Heat and ties of the air from what works by the hour. */
  function gatherAir(span: number): void {
    v[AIR_W]! += v[FAN_W]! + v[STIR_W]!
    gainedJ[FANS]! += (v[FAN_W]! + v[STIR_W]!) * span
    if (v[SUPPLY_G]! > 0) v[TIE_W]! += v[SUPPLY_G]! * v[SUPPLY_C]!
    v[TIE_G]! += v[HOUSE_DOOR_G]!
    v[TIE_W]! += v[HOUSE_DOOR_G]! * m.houseC
  }

  function prepare(h: number, dt: number, heated: boolean, span = HOUR): void {
    weather.begin(h)
    covers.coverPanes(h)
    ground.sideways(h, span)
    vents.hour(h)
    doors.begin(h)
    covers.coverRows(h)
    added.bring(h, span, heated)
    storeAir.prepare(h, span)
    stirring.begin(span)
    gatherAir(span)
    leaves.begin(h)
    const anew = elimination.hold(dt)
    skin.lightUp(h)
    skin.weatherOn(h, covers.longwaveDry())
    skin.underground()
    skin.againstHouse()
    elimination.sweepAll(anew)
    outsideGround.step(v[OUT]! + GROUND_OVER_AIR_K, v[SNOW_M]!, span)
    ground.warmDeep(span)
    soilIce.freezeGround()
  }

  /** Tallies the block and passes on what the ground and the stores got from it. */
  function end(span = HOUR): void {
    ledger.close(span, storeAir.end)
  }

  /** Heat on its way to cells of the building, and in rock, J. */
  const inTransitJ = (): number => storeAir.heatJ() + ground.waitingJ()

  return { lay, prepare, end, release: elimination.release, inTransitJ, storeAir, soilIce }
}
