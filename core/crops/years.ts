import type { Design } from '../design/types'
import { WINTERS_FOR, wintersOf } from '../study/winters-ahead'
import type { YearEngine } from '../year'
import { cropRow, type CropRow } from './calendar'
import { cropYear } from './weeks'

/** The design in each of the years that its crops' calendar rests on: twenty, or those that were measured. */
export const inCropYears = (design: Design): Design[] => wintersOf(design, WINTERS_FOR.usual).map(w => w.design)

/** The calendar of a design's crops, its years worked through one after the other. */
export function cropRows(engine: YearEngine, design: Design): CropRow[] {
  const { crops } = design.aim
  if (crops.length === 0) return []
  const years = inCropYears(design).map(d => cropYear(d, engine.run(d, { unheated: false })))
  return crops.map(c => cropRow(c, years))
}
