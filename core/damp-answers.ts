import { bodyName } from './bodies/registry'
import { HOURS, MONTH_OF_DAY } from './climate/types'
import type { Design } from './design/types'
import { surfaceName } from './geometry/parts'
import type { YearSeries } from './network/series'

/** Above this the air is damp: mould and blight spread. Relative humidity, 0–1. */
export const DAMP = 0.9

/** Damp in the year. */
export interface DampAnswer {
  /** Hours above 90 % relative humidity, by month. */
  hours: number[]
  /** Water that condenses, kg by month, on each face that takes any, the wettest first. */
  faces: { name: string; kg: number[]; total: number }[]
}

/** Hours and faces of a year's damp. */
export function dampAnswers(design: Design, { relativeHumidity, condensedOn, skin }: YearSeries): DampAnswer {
  const hours = new Array<number>(12).fill(0)
  for (let h = 0; h < HOURS; h++) if (relativeHumidity[h]! > DAMP) hours[MONTH_OF_DAY[(h / 24) | 0]!]!++
  const face = (name: string, kg: Float64Array) => ({
    name,
    kg: Array.from(kg),
    total: kg.reduce((sum, v) => sum + v, 0),
  })
  const faces = [
    ...skin.map((s, i) => face(surfaceName(design.skin.openings, s.id), condensedOn.skin[i]!)),
    ...condensedOn.bodies.map((kg, i) => face(bodyName(design.store.bodies, i), kg)),
    face('floor, soil, leaves and fog', condensedOn.else),
  ]
  return { hours, faces: faces.filter(f => f.total > 0.05).sort((a, b) => b.total - a.total) }
}
