import { CROPS, type CropNeeds } from '../catalog'
import { CROP_NEEDS } from '../design/fields/aim'
import type { CropChoice, Design, OwnCropNeeds } from '../design/types'

export type { CropChoice, CropMonth } from '../design/types'

/** What the air, the soil and the light must be, month by month; null where nothing lives that needs it. */
export interface AimLine {
  lowC: (number | null)[]
  highC: (number | null)[]
  soilC: (number | null)[]
  dli: (number | null)[]
}

/** A chosen crop's needs. Throws RangeError for an id that is in no catalogue and brings none. */
export function needsOf(choice: CropChoice): CropNeeds {
  const needs = choice.needs ?? CROPS.find(c => c.id === choice.id)
  if (!needs) throw new RangeError(`The crop “${choice.id}” is in no catalogue and says nothing of its needs.`)
  return needs
}

/** A chosen crop's needs as a document writes them, to be changed. */
export function ownNeeds(choice: CropChoice): OwnCropNeeds {
  const needs = needsOf(choice)
  const names = Object.keys(CROP_NEEDS.fields) as (keyof OwnCropNeeds)[]
  return Object.fromEntries(names.map(name => [name, needs[name]])) as unknown as OwnCropNeeds
}

/**
 * The strictest of the chosen crops' needs in each month. Without crops the two numbers of the aim stand for every
 * month.
 */
export function aimLine(aim: Design['aim']): AimLine {
  const blank = () => new Array<number | null>(12).fill(null)
  const soilC = blank().fill(aim.lowestSoilC)
  if (aim.crops.length === 0)
    return { lowC: blank().fill(aim.lowestAirC), highC: blank().fill(aim.highestAirC), soilC, dli: blank() }
  const line: AimLine = { lowC: blank(), highC: blank(), soilC, dli: blank() }
  const most = (series: (number | null)[], m: number, v: number) => {
    series[m] = Math.max(series[m] ?? -Infinity, v)
  }
  for (const choice of aim.crops) {
    const needs = needsOf(choice)
    choice.months.forEach((does, m) => {
      if (does === '') return
      line.highC[m] = Math.min(line.highC[m] ?? Infinity, needs.highestC)
      most(line.lowC, m, does === 'grow' ? needs.growsC : needs.survivesC)
      if (does === 'hold') return
      most(line.soilC, m, needs.soilC)
      most(line.dli, m, needs.dli)
    })
  }
  return line
}

/**
 * How cold the leaves of the tenderest that stands there in a month may be, °C; null where nothing stands there.
 * Without crops the lowest air that is asked for stands for every month.
 */
export function leavesBearC(aim: Design['aim'], month: number): number | null {
  if (aim.crops.length === 0) return aim.lowestAirC
  const there = aim.crops.filter(c => c.months[month] !== '').map(c => needsOf(c).survivesC)
  return there.length > 0 ? Math.max(...there) : null
}
