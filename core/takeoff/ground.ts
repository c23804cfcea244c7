import type { Design, Layer } from '../design/types'
import type { Building } from '../geometry/surfaces'
import { builtLines, placesAlong, wallFeet } from '../geometry/wall-line'
import { inMetric, type Show } from '../units'
import { airStoreDigging } from './air-stores'
import { ANCHORED_M, foundationOf, type Footing } from './foundations'
import type { Need, PartNeeds } from './lines'

/** Ground that is dug, as it lies, and what of it has to go, loose, m³. */
export interface Dug {
  digM3: number
  spoilM3: number
}

/** Dug ground takes up so much more than it did where it lay. Contractors' tables: 1.1 for sand to 1.4 for clay. */
export const BULKING = 1.25
/** A drain's trench is so wide, and its gravel so deep over the pipe, m. */
const TRENCH_M = 0.3
const GRAVEL_M = 0.3
/** Room to work in round a dug floor, m. */
const WORKING_M = 0.3

/** A design's footing as its builder says, under the middle of the walls that are built. */
export function footingOf(design: Design, building: Building): Footing {
  const { depthM, widthM, apartM } = design.build.foundation
  const lines = builtLines(wallFeet(design, building))
  return {
    perimeterM: lines.reduce((sum, l) => sum + l.longM, 0),
    floorAreaM2: building.floorAreaM2,
    depthM,
    widthM,
    spots: placesAlong(lines, apartM).length,
    anchors: placesAlong(lines, ANCHORED_M).length,
  }
}

/** All digging of a design by what it is for, m³ in the ground. */
export function digging(design: Design, building: Building): { what: string; m3: number; backM3: number }[] {
  const { shape, store, build, skin } = design
  const footing = footingOf(design, building)
  const { floorAreaM2, sunkM } = building
  const { perimeterM } = footing
  const thick = (layers: readonly Layer[]) => layers.reduce((sum, l) => sum + l.thicknessM, 0)
  const floorM = thick(store.floor.rest)
  const pathM2 = store.floor.path ? building.pathM2 : 0
  const bareM2 = floorAreaM2 - building.bedAreaM2 - pathM2
  const drainM = build.foundation.drain ?? 0
  // A trench for the foundation takes the board as well.
  const trenchM = foundationOf(design)?.inTrench ? footing.depthM : 0
  const edge = Math.max(0, skin.edge.depthM - trenchM)
  const all = [
    { what: 'the sunk floor', m3: floorAreaM2 * sunkM, backM3: 0 },
    { what: 'room to work in round it', m3: perimeterM * WORKING_M * sunkM, backM3: perimeterM * WORKING_M * sunkM },
    { what: 'the floor’s layers', m3: bareM2 * floorM + pathM2 * thick(store.floor.path ?? []), backM3: 0 },
    { what: 'the foundation', m3: foundationOf(design)?.digM3(footing) ?? 0, backM3: 0 },
    {
      what: 'the edge board',
      m3: perimeterM * edge * TRENCH_M,
      backM3: perimeterM * edge * (TRENCH_M - skin.edge.thicknessM),
    },
    { what: 'the paths', m3: Math.max(0, -shape.pathM) * building.pathM2, backM3: 0 },
    {
      what: 'the drain',
      m3: perimeterM * drainM * TRENCH_M,
      backM3: perimeterM * Math.max(0, drainM - GRAVEL_M) * TRENCH_M,
    },
    ...airStoreDigging(design, inMetric),
  ]
  return all.filter(d => d.m3 > 1e-6)
}

/** The ground's work and the foundation. */
export function groundNeeds(design: Design, building: Building, show: Show): Dug & { parts: PartNeeds[] } {
  const { build, skin } = design
  const { perimeterM } = footingOf(design, building)
  const dug = digging(design, building)
  const digM3 = dug.reduce((sum, d) => sum + d.m3, 0)
  const spoilM3 = (digM3 - dug.reduce((sum, d) => sum + d.backM3, 0)) * BULKING
  const dig: Need[] = dug.map(d => ({
    item: `Dig for ${d.what}`,
    amount: d.m3,
    unit: 'm³',
    price: 'part.dig',
    cut: true,
    note: d.backM3 > 1e-6 ? `${show(d.backM3, 'bulk')} go back` : '',
  }))
  const { drain } = build.foundation
  const drains: Need[] =
    drain === null
      ? []
      : [
          { item: 'Drain pipe', amount: perimeterM, unit: 'm', price: 'stock.drain', pack: 'pipeM' },
          { item: 'Gravel round it', amount: perimeterM * TRENCH_M * GRAVEL_M, unit: 'm³', price: 'material.gravel' },
          {
            item: 'Filter cloth',
            amount: perimeterM * 2 * (TRENCH_M + GRAVEL_M),
            unit: 'm²',
            price: 'stock.cloth',
            pack: 'rollM2',
          },
        ]
  const { edge } = skin
  const board = (item: string, deepM: number): Need => ({
    item,
    amount: perimeterM * deepM,
    unit: 'm²',
    price: `material.${edge.material}`,
    times: edge.thicknessM,
    pack: 'insulationBoardM2',
  })
  const foundation = foundationOf(design)
  return {
    digM3,
    spoilM3,
    parts: [
      { stage: 'ground', part: 'digging', needs: dig },
      { stage: 'ground', part: 'drains', needs: drains },
      {
        stage: 'foundation',
        part: 'foundation',
        needs: foundation
          ? foundation.needs(footingOf(design, building))
          : [
              {
                item: 'Foundation, not decided yet',
                amount: perimeterM,
                unit: 'm',
                price: 'part.foundation',
                cut: true,
                note: 'at a rough price by its length',
              },
            ],
      },
      {
        stage: 'foundation',
        part: 'edge',
        needs: edge.thicknessM > 0 ? [board('Edge board', edge.depthM), board('Skirt, laid flat', edge.skirtM)] : [],
      },
    ],
  }
}
