import type { Design } from '../../core/design'
import { createYearEngine, type YearEngine, type YearOptions, type YearResult } from '../../core/year'

/** Years that are remembered: some megabytes each. */
const KEPT = 60

/**
 * An engine that all files of tests in a process share, with the years that it worked out last: most files begin from
 * the demos. Nobody writes into what it gives. A test of the engine itself makes one of its own.
 */
function sharedEngine(usual: YearOptions): YearEngine {
  const engine = createYearEngine()
  const worked = new Map<string, YearResult>()
  function run(design: Design, options: YearOptions = {}): YearResult {
    const asked = { ...usual, ...options }
    if (asked.weather || asked.stop) return engine.run(design, asked)
    const key = JSON.stringify([design, asked])
    const result = worked.get(key) ?? engine.run(design, asked)
    worked.delete(key)
    worked.set(key, result)
    if (worked.size > KEPT) worked.delete(worked.keys().next().value!)
    return result
  }
  return { ...engine, run }
}

/** Years as people get them. */
export const engine = sharedEngine({})
/** Years by steps of an hour: half the work, the coldest night within some hundredths of a kelvin of the other's. */
export const hourly = sharedEngine({ stepsPerHour: 1 })

export const yearOf = (design: Design): YearResult => engine.run(design)
