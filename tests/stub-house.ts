import { HOURS } from '../core/climate'
import { DOUBTS } from '../core/season/doubts'
import { createYearEngine, type YearEngine } from '../core/year'

const SUN_M2 = 9
const GLAZING_WK = 45
const MASS_WK = 260
const MASS_J = 1.6e7
const GROUND_C = 9
const DRAWN = (hour: number) => hour < 8 || hour >= 17

/**
 * A house of two nodes, air and mass, that a season's readings can be fitted to a thousand times as fast as to a real
 * one. It answers to all that a fit seeks: leaks, the cover's edges, dirt on the glazing, the ground, the mass's reach.
 * Its weather is made as that of any house.
 */
export function stubHouse(): YearEngine {
  const engine = createYearEngine()
  const span: YearEngine['span'] = (design, weather, stretch, sunShare = null) => {
    const [ach50, edgeLeak, clean, soil, reach] = ['leakage', 'cover', 'glazing', 'soil', 'reach'].map(
      id => DOUBTS.find(d => d.id === id)!.now(design)!,
    )
    const airC = new Float32Array(HOURS)
    let massC = 6
    for (let n = 0; n < stretch.hours; n++) {
      const h = (stretch.fromDay * 24 + n) % HOURS
      const outC = weather.dryBulbC[h]!
      const glazing = GLAZING_WK * (DRAWN(h % 24) ? 0.4 + 2.5 * edgeLeak! : 1)
      const leaks = 2.2 * ach50! * (0.6 + 0.12 * weather.windMs[h]!)
      const ground = 9 * soil!
      const mass = MASS_WK * reach!
      const sun = SUN_M2 * clean! * weather.globalWm2[h]! * (sunShare?.[h] ?? 1)
      const at = ((glazing + leaks) * outC + ground * GROUND_C + mass * massC + sun) / (glazing + leaks + ground + mass)
      airC[h] = at
      massC += ((at - massC) * mass * 3600) / MASS_J
    }
    const others = { leafC: airC, soilC: airC, waterC: airC, relativeHumidity: new Float32Array(HOURS).fill(0.8) }
    return { airC, ...others } as unknown as ReturnType<YearEngine['span']>
  }
  return { ...engine, span }
}
