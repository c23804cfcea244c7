import { simulatedForecast } from '../../core/climate'
import { faultLine } from '../../core/design/validate'
import { costOf } from '../../core/study/figures'
import { createYearEngine } from '../../core/year'
import { readDesign } from '../../formats/design-json'

/** Work on a design document as it came. */
export interface Task {
  kind: 'simulate' | 'forecast'
  text: string
  /** Forecast only: day of year, 0–364. */
  day?: number
}

/** The status and body of the answer. */
export interface Reply {
  status: number
  body: unknown
}

const engine = createYearEngine(() => performance.now())

/** One request, on a thread of the pool. */
export default function work({ kind, text, day = 0 }: Task): Reply {
  const read = readDesign(text)
  if (!read.ok) return { status: 400, body: { ok: false, faults: read.faults, lines: read.faults.map(faultLine) } }
  const { design } = read
  if (kind === 'forecast')
    return {
      status: 200,
      body: { ok: true, simulated: true, days: simulatedForecast(engine.site(design), day, 7, design.site.seed) },
    }
  try {
    const { answers } = engine.run(design)
    return { status: 200, body: { ...answers, cost: costOf(design, answers) } }
  } catch (error) {
    if (error instanceof Error && error.name === 'YearFailed')
      return { status: 422, body: { ok: false, faults: [], lines: [error.message] } }
    throw error
  }
}
