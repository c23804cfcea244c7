import type { Design } from '../design/types'
import { isLeaf, isSlope } from '../geometry/parts'
import type { Building, Surface } from '../geometry/surfaces'
import { leakHalvings } from './cost'
import { digging } from './ground'

/** Hours that one of it takes people who have done it before. Thin evidence: people differ. */
const HOURS = {
  glazingM2: 0.8,
  frameM2: 1,
  wallM2: 1.5,
  coverM2: 0.5,
  foundationM: 1.5,
  edgeM2: 0.6,
  digM3: 1,
  floorM2: 0.5,
  bedM2: 0.7,
  sealedM2: 0.1,
  lobbyM2: 6,
} as const

/** Hours of work on the main parts of a house, by people who have done it before. */
export function handsH(design: Design, building: Building): number {
  const { skin, breathe, store } = design
  const { surfaces, covers, perimeterM, floorAreaM2, bedAreaM2 } = building
  const area = (of: readonly Surface[]) => of.reduce((sum, s) => sum + s.areaM2, 0)
  const glass = surfaces.filter(s => s.kind === 'glazed')
  const solid = surfaces.filter(s => s.kind === 'opaque' && s.boundary !== 'house' && !isLeaf(s))
  const roof = solid.filter(s => s.id.startsWith('top of') || isSlope(s.part!))
  const amounts: Record<keyof typeof HOURS, number> = {
    glazingM2: area(glass),
    frameM2: area(glass) + area(roof),
    wallM2: area(solid),
    coverM2: area(glass.filter(s => covers[s.cover]!.id !== 'none')),
    foundationM: perimeterM,
    edgeM2: perimeterM * (skin.edge.depthM + skin.edge.skirtM),
    digM3: digging(design, building).reduce((sum, d) => sum + d.m3, 0),
    floorM2: store.floor.rest.length > 0 ? floorAreaM2 - bedAreaM2 : 0,
    bedM2: bedAreaM2,
    sealedM2: leakHalvings(breathe) * area([...glass, ...solid]),
    lobbyM2: breathe.lobby.areaM2,
  }
  return Object.entries(HOURS).reduce((sum, [of, hours]) => sum + hours * amounts[of as keyof typeof HOURS], 0)
}
