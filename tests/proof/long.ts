import { DEMOS } from '../../core/design'
import { fittedCover } from '../../core/catalog'
import { patchDesign } from '../../core/editing'
import { groundOf } from '../../core/materials/ground'
import { fit } from '../../core/season/fit'
import { layDays, outsideDays } from '../../core/season/measured'
import { createYearEngine } from '../../core/year'
import { HIDDEN, readingsOf } from '../season-log'
import { halfStepRow } from './inside-cases'
import { proof, type ProofRow } from './row'

const WINTERS = 10

/** What takes minutes. */
export const longRows = (): ProofRow[] => [halfStepRow(WINTERS), ...fitRows()]

/** What fifty days of readings find of a real house, in ten winters. */
function fitRows(): ProofRow[] {
  const ash = DEMOS[0]!
  const truth = patchDesign(ash, HIDDEN)
  const hidden: Record<string, number> = {
    'breathe.ach50': 18,
    'skin.cover.edgeLeak': fittedCover(truth.skin.cover).edgeLeak,
    'site.soilConductivity': groundOf(truth.site).conductivity,
  }
  const engine = createYearEngine()
  const found = Array.from({ length: WINTERS }, (_, k) => {
    const log = readingsOf(ash, { seed: 1000 + k, from: '2026-11-01', days: 50 })
    const days = layDays(ash, engine.site(ash), outsideDays(log, []), { log, daily: [] })
    return fit(engine, ash, days).found
  })
  return Object.entries(hidden).map(([path, value]) => {
    const within = found.filter(all => all.some(f => f.path === path && f.low <= value && value <= f.high))
    return proof(`fit: ${path}, winters in its range`, WINTERS, within.length, 1, 'nine of ten')
  })
}
