import { WITH_WATER } from '../bodies/contents'
import { DOOR } from '../openings/door'
import { RIDGE_VENT } from '../openings/ridge-vent'
import { VENT } from '../openings/vent'
import { startOf } from './field'
import type { Body, Layer, Opening, OpeningKindId, PartId } from './types'

/** A wall of boards, foam and plywood. */
export const timberWall = (foamM = 0.1): Layer[] => [
  { material: 'softwood', thicknessM: 0.022 },
  { material: 'eps', thicknessM: foamM },
  { material: 'plywood', thicknessM: 0.015 },
]

/** Upright 200 L barrels in one row, spread along the house. */
export const barrels = (count: number, colour: string, stack: number, raisedM: number, atM: number): Body => ({
  kind: 'drums',
  count,
  vessel: 'barrel-200',
  colour,
  stack,
  raisedM,
  atM,
  lengthM: 0,
  offsetM: 0,
  ...WITH_WATER,
})

/** Low vents in the knee wall and as much at the ridge, moved by wax; and a door. */
export function airedBy(
  areaM2: number,
  kneeWallM: number,
  doorOffM: number,
  startC = 20,
  doorOn: PartId = 'eastEnd',
): Opening[] {
  const opener = { startC, fullC: 29 }
  return [
    {
      ...(startOf(VENT.fields) as Of<'vent'>),
      kind: 'vent',
      part: 'kneeWall',
      areaM2,
      atM: Math.min(0.3, kneeWallM / 2),
      tallM: 0.2,
      ...opener,
    },
    { ...(startOf(RIDGE_VENT.fields) as Of<'ridge vent'>), kind: 'ridge vent', part: 'sunnySlope', areaM2, ...opener },
    { ...(startOf(DOOR.fields) as Of<'door'>), kind: 'door', part: doorOn, offsetM: doorOffM },
  ]
}
export type Of<K extends OpeningKindId> = Extract<Opening, { kind: K }>
