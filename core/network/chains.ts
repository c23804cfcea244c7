import { entry, GLAZINGS, MATERIALS, NIGHT_COVERS, VESSELS } from '../catalog'
import { STANDARD_INSIDE, STANDARD_OUTSIDE } from '../air/films'
import type { Design, Layer } from '../design/types'
import type { FaceId } from '../geometry/ray'
import { barrelAreaM2, type Building } from '../geometry/surfaces'
import { cutWall, layersResistance } from '../materials/assembly'
import { edgeConductances, makeGroundColumn, type GroundColumn } from '../ground/column'

/** A line of heat-storing cells from the outside (first) to a face in the room (last). */
export interface Chain {
  /** What the reader calls it; chains of one name share a line of the ledger. */
  name: string
  /** The face of the light table whose sun its room side takes in; null for glazing. */
  face: FaceId | null
  kind: 'wall' | 'glazing' | 'ground' | 'water'
  /** Room-side area, m². */
  areaM2: number
  /** Cosine between the room-facing normal and up. */
  facingUp: number
  /** Share of longwave that the outside face sees of the sky. */
  skyView: number
  capacity: number[]
  /** W/K between cell i and i + 1. */
  between: number[]
  /** Ground only: W/K from each cell to the outside ground at its depth, and from the first to the deep ground. */
  lateral: number[]
  deep: number
  /** Which cell of the ground column each cell is, or −1. */
  groundCell: number[]
  /** Glazing only: outer glass area already in m²; conductance with the night cover drawn, W/K. */
  coveredBetween: number
  longwaveThrough: number
  /** Index among the solar gains' panes or outer surfaces, or −1. */
  paneIndex: number
  outerIndex: number
}

/** Pane-to-pane conductance of a glazing without its films, W/m²K, with or without a night cover that leaks at its edges. */
export function glazingConductance(uValue: number, cover: { resistance: number, edgeLeak: number } | null): number {
  const r = Math.max(0.003, 1 / uValue - STANDARD_INSIDE - STANDARD_OUTSIDE)
  return cover ? (1 - cover.edgeLeak) / (r + cover.resistance) + cover.edgeLeak / r : 1 / r
}

const blank = { lateral: [], deep: 0, groundCell: [], coveredBetween: 0, longwaveThrough: 0, paneIndex: -1, outerIndex: -1, skyView: 0 }

/** The chains of a building. The order of glazed and opaque surfaces is that of `Building.surfaces`, as in the solar gains. */
export function makeChains(design: Design, building: Building): { chains: Chain[], column: GroundColumn } {
  const glazing = entry(GLAZINGS, design.skin.glazing)
  const cover = entry(NIGHT_COVERS, design.skin.cover.id)
  const chains: Chain[] = []
  let panes = 0
  let outers = 0
  for (const s of building.surfaces) {
    const up = Math.cos(s.tiltDeg * Math.PI / 180)
    if (s.kind === 'glazed') {
      const g = glazingConductance(glazing.uValue, null) * s.areaM2
      chains.push({
        ...blank, name: 'glazing', face: null, kind: 'glazing', areaM2: s.areaM2, facingUp: -up, skyView: (1 + up) / 2,
        capacity: [4000 * s.areaM2, 4000 * s.areaM2], between: [g], coveredBetween: glazingConductance(glazing.uValue, cover.resistance > 0 ? cover : null) * s.areaM2,
        longwaveThrough: glazing.longwaveTransmittance, paneIndex: panes++,
      })
    }
    else if (s.kind === 'opaque') {
      const cells = cutWall(s.layers)
      const name = s.id === 'pole slope' ? 'roof' : s.id.endsWith('end') ? 'end walls' : s.id
      chains.push({
        ...blank, name, face: s.id, kind: 'wall', areaM2: s.areaM2, facingUp: -up, skyView: (1 + up) / 2,
        capacity: cells.capacity.map(c => c * s.areaM2), between: cells.between.map(c => c * s.areaM2), outerIndex: outers++,
      })
    }
  }
  const column = makeGroundColumn(entry(MATERIALS, design.site.soil))
  const edgeMaterial = entry(MATERIALS, design.skin.edge.material)
  const edges = edgeConductances(column, building.perimeterM, building.outline.widthM, { resistance: design.skin.edge.thicknessM / edgeMaterial.conductivity, depthM: design.skin.edge.thicknessM > 0 ? design.skin.edge.depthM : 0 })
  const ground = (areaM2: number, face: FaceId, top: Layer[]) => {
    const share = areaM2 / building.floorAreaM2
    const n = column.thicknessM.length
    const capacity: number[] = []
    const between: number[] = []
    const lateral: number[] = []
    const groundCell: number[] = []
    for (let i = n - 1; i >= 0; i--) {
      capacity.push(column.capacityJm2K[i]! * areaM2)
      lateral.push(edges[i]! * share)
      groundCell.push(i)
      if (i > 0) between.push(areaM2 * column.conductivity / ((column.thicknessM[i]! + column.thicknessM[i - 1]!) / 2))
    }
    const cells = cutWall([...top].filter(l => l.thicknessM > 0))
    const halfTop = column.thicknessM[0]! / 2 / column.conductivity
    if (cells.capacity.length > 2) {
      between.push(areaM2 / (halfTop + 1 / cells.between[0]!))
      cells.capacity.slice(1).forEach((c, i) => {
        capacity.push(c * areaM2)
        lateral.push(0)
        groundCell.push(-1)
        if (i > 0) between.push(cells.between[i]! * areaM2)
      })
    }
    else {
      between.push(areaM2 / halfTop)
      capacity.push(0)
      lateral.push(0)
      groundCell.push(-1)
    }
    chains.push({
      ...blank, name: 'ground', face, kind: 'ground', areaM2, facingUp: 1, capacity, between, lateral, groundCell,
      deep: areaM2 * column.conductivity / (column.thicknessM[n - 1]! / 2),
    })
  }
  const bare = building.floorAreaM2 - building.bedAreaM2
  if (bare > 0.01) ground(bare, 'floor', [design.store.floor])
  if (building.bedAreaM2 > 0) {
    const depth = design.shape.beds.reduce((s, b) => s + b.heightM * b.widthM, 0) * building.lengthM / building.bedAreaM2
    ground(building.bedAreaM2, 'beds', [{ material: 'soil', thicknessM: depth }])
  }
  const { count, vessel } = design.store.barrels
  if (count > 0) {
    const v = entry(VESSELS, vessel)
    const area = barrelAreaM2(design, v)
    chains.push({
      ...blank, name: 'water', face: 'barrels', kind: 'water', areaM2: area, facingUp: 0,
      // Water stirs itself: about 150 W/m²K from its middle to the vessel's wall.
      capacity: [count * v.volumeM3 * 1000 * 4184, 500 * area], between: [150 * area],
    })
  }
  return { chains, column }
}

/** One row of the table of losses by element: nominal U-values with standard films. */
export interface ElementLoss { name: string, areaM2: number, uDay: number, uNight: number, uaDay: number, uaNight: number }

/** Transmission by element, W/K, by day and with the night cover drawn; the ground by its edge and depth. */
export function elementLosses(design: Design, building: Building): ElementLoss[] {
  const glazing = entry(GLAZINGS, design.skin.glazing)
  const cover = entry(NIGHT_COVERS, design.skin.cover.id)
  const films = STANDARD_INSIDE + STANDARD_OUTSIDE
  const rows = building.surfaces.filter(s => s.kind !== 'floor').map((s): ElementLoss => {
    const day = s.kind === 'glazed' ? glazing.uValue : 1 / (layersResistance(s.layers) + films)
    const night = s.kind === 'glazed' && cover.resistance > 0 ? 1 / (films + 1 / glazingConductance(glazing.uValue, cover)) : day
    return { name: s.id, areaM2: s.areaM2, uDay: day, uNight: night, uaDay: day * s.areaM2, uaNight: night * s.areaM2 }
  })
  const { chains } = makeChains(design, building)
  const ua = chains.filter(c => c.kind === 'ground').reduce((sum, c) => sum + groundConductance(c), 0)
  rows.push({ name: 'ground', areaM2: building.floorAreaM2, uDay: ua / building.floorAreaM2, uNight: ua / building.floorAreaM2, uaDay: ua, uaNight: ua })
  return rows
}

/** Steady conductance of a ground chain from its face to the ground outside at one temperature, W/K. */
export function groundConductance(chain: Chain): number {
  let toOutside = chain.deep + chain.lateral[0]!
  for (let i = 0; i < chain.between.length; i++) toOutside = 1 / (1 / toOutside + 1 / chain.between[i]!) + (chain.lateral[i + 1] ?? 0)
  return toOutside
}
