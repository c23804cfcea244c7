import { WITH_WATER } from '../bodies/contents'
import { DOOR } from '../openings/door'
import { DOME_SIDES } from '../geometry/round'
import { POST_M, rowFor } from '../openings/leaf'
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

/** Where the low vents of a house are: on a part, so high, from so far above its foot. */
export interface VentsOn {
  part: PartId
  heightM: number
  sillM: number
  leaf: Of<'vent'>['leaf']
}
/** Flaps along the top of a slope: along a run, each so high and so wide at most. */
export interface RidgeRow {
  runM: number
  heightM: number
  widestM?: number
}
/** At the foot of the glazing, clear of the beds behind a knee wall: of the same sheet. */
const AT_FOOT: VentsOn = { part: 'sunnySlope', heightM: 0.4, sillM: 0.05, leaf: 'sheet' }
const RIDGE_HIGH_M = 0.5
/**
 * Vents of a round dome: flaps in its riser wall and in the facets of its highest ring, which narrow to the top.
 * @param acrossM its width
 */
export function airedDome(areaM2: number, acrossM: number, kneeWallM: number, startC = 20, doorOffsetM = 0): Opening[] {
  const cm = (v: number) => Math.floor(v * 100) / 100
  const facetM = acrossM * Math.sin(Math.PI / DOME_SIDES)
  // The highest ring begins where the dome is half as wide.
  const widestM = cm(0.3 * facetM)
  return airedBy(
    areaM2,
    (DOME_SIDES - 1) * facetM,
    { part: 'kneeWall', offsetM: doorOffsetM },
    { part: 'kneeWall', heightM: cm(kneeWallM - 0.2), sillM: 0.1, leaf: 'panel' },
    startC,
    { runM: DOME_SIDES * (widestM + POST_M), heightM: cm(0.35 * facetM), widestM },
  )
}

/** Low vents and as many at the ridge, moved by wax, as near to a free area each as fits along a run; and a door. */
export function airedBy(
  areaM2: number,
  runM: number,
  door: Partial<Of<'door'>> = {},
  low: VentsOn = AT_FOOT,
  startC = 20,
  ridge: RidgeRow = { runM, heightM: RIDGE_HIGH_M },
): Opening[] {
  const opener = { startC, fullC: 29 }
  return [
    { ...(startOf(VENT.fields) as Of<'vent'>), kind: 'vent', ...rowFor(areaM2, runM, low.heightM), ...low, ...opener },
    {
      ...(startOf(RIDGE_VENT.fields) as Of<'ridge vent'>),
      kind: 'ridge vent',
      part: 'sunnySlope',
      leaf: 'sheet',
      ...rowFor(areaM2, ridge.runM, ridge.heightM, ridge.widestM),
      heightM: ridge.heightM,
      ...opener,
    },
    { ...(startOf(DOOR.fields) as Of<'door'>), kind: 'door', part: 'eastEnd', ...door },
  ]
}
export type Of<K extends OpeningKindId> = Extract<Opening, { kind: K }>
