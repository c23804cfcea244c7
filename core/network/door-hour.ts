import { AIR_SPECIFIC_HEAT, GRAVITY } from '../physics/constants'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import { AIR, DENSITY, DOOR_G, HOUSE_DOOR_G, OUT, WIND } from './room'

const { abs, min, sqrt } = Math

const HOUR = 3600
/** A lobby's skin and leaks, W/K for each m² of its floor. */
const LOBBY_SKIN = 8
/** In a lobby of this floor, m², one door is shut before the other is opened; in a smaller one, so much less often. */
const LOBBY_ROOM = 1.5

/** What doors pass while people come and go. */
export function makeDoorHour({ v }: Memory) {
  let m!: NetworkModel

  function lay(model: NetworkModel): void {
    m = model
  }

  /**
   * Two-way flow through open doors by warmth and wind, for the seconds that they stand open in an hour that sees a
   * share of the day's comings and goings, W/K.
   */
  function throughDoors(share: number, toHouse: boolean, beyondC: number, windMs: number): number {
    let conductance = 0
    const speed = 0.2 * sqrt((GRAVITY * 2 * abs(v[AIR]! - beyondC)) / 290 + 0.05 * windMs * windMs)
    const { doorways } = m.airways
    for (let k = 0; k < doorways.length; k++) {
      const d = doorways[k]!
      if (d.toHouse === toHouse)
        conductance += min(1, (share * d.secondsPerDay) / HOUR) * d.areaM2 * speed * v[DENSITY]! * AIR_SPECIFIC_HEAT
    }
    return conductance
  }

  function begin(h: number): void {
    const share = m.comings[h]!
    v[DOOR_G] = v[HOUSE_DOOR_G] = 0
    if (share === 0) return
    v[HOUSE_DOOR_G] = throughDoors(share, true, m.houseC, 0)
    const open = throughDoors(share, false, v[OUT]!, v[WIND]!)
    // Air that passes a lobby meets a space between outside and inside: two ties in a row, the outer one with the
    // lobby's skin beside its door.
    const lobby = m.lobby.areaM2
    const outer = LOBBY_SKIN * lobby + open
    const between = outer > 0 ? (open * outer) / (open + outer) : 0
    v[DOOR_G] = open + min(1, lobby / LOBBY_ROOM) * (between - open)
  }

  return { lay, begin }
}
