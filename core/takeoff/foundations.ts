import type { FoundationId } from '../design/fields/build'
import type { Design } from '../design/types'
import type { Need } from './lines'

/** Anchors of the sill no further apart, m: as builders usually set them; an engineer says what holds. */
export const ANCHORED_M = 1.2

/** What a foundation is asked to carry: length under its walls, its floor, and what its builder says. */
export interface Footing {
  perimeterM: number
  floorAreaM2: number
  depthM: number
  widthM: number
  /** Places of blocks, piles or posts, and of the sill's anchors. */
  spots: number
  anchors: number
}

/** How a foundation is built, what it is good for, and what it takes. Practice of builders' handbooks. */
export interface Foundation {
  id: FoundationId
  pros: string
  cons: string
  /** It stands on frost-free ground by its depth; the others ride on what freezes. */
  reachesDown: boolean
  /** It stands in a trench as deep as it goes down. */
  inTrench: boolean
  /** Needs of those who build it. */
  wants: readonly ('mixer or truck' | 'machine' | 'bearing ground' | 'level ground')[]
  /** Ground to be dug for it, m³. */
  digM3: (f: Footing) => number
  needs: (f: Footing) => Need[]
}

/** Steel in a beam, m of bar for each metre of it; gravel and slabs by their usual thickness, m. */
const BARS = 4
const SLAB_M = 0.12
const BEDDING_M = 0.1
const BEAM_M = 0.3
const INSULATED_WALL_M = 0.1

const trench = (f: Footing) => f.perimeterM * f.widthM * f.depthM
const concrete = (amount: number): Need => ({
  item: 'Concrete',
  amount,
  unit: 'm³',
  price: 'material.concrete',
  pack: 0.25,
})
const gravel = (amount: number): Need => ({ item: 'Gravel', amount, unit: 'm³', price: 'material.gravel', pack: 0.5 })
const bars = (amount: number): Need => ({ item: 'Reinforcing bar', amount, unit: 'm', price: 'stock.bar', pack: 6 })
const forms = (amount: number): Need => ({ item: 'Form boards, used again', amount, unit: 'm²', price: 'stock.forms' })
const anchors = (f: Footing): Need => ({
  item: 'Anchors of the sill',
  amount: f.anchors,
  unit: 'pieces',
  price: 'stock.anchor',
})

export const FOUNDATIONS: readonly Foundation[] = [
  {
    id: 'slab',
    pros: 'floor and footing in one; level, clean, keeps heat when foam lies under it and round its edge',
    cons: 'most concrete; no soil beds; its edge must be thick or insulated against frost',
    reachesDown: false,
    inTrench: false,
    wants: ['mixer or truck', 'level ground'],
    digM3: f => f.floorAreaM2 * (SLAB_M + BEDDING_M),
    needs: f => [
      gravel(f.floorAreaM2 * BEDDING_M),
      concrete(f.floorAreaM2 * SLAB_M),
      { item: 'Steel mesh', amount: f.floorAreaM2, unit: 'm²', price: 'stock.mesh', pack: 10 },
      forms(f.perimeterM * (SLAB_M + 0.03)),
      anchors(f),
    ],
  },
  {
    id: 'grade beam',
    pros: 'carries walls of any weight; insulation lies well against it',
    cons: 'a trench down to ground that does not freeze, forms and steel',
    reachesDown: true,
    inTrench: true,
    wants: ['mixer or truck', 'machine'],
    digM3: trench,
    needs: f => [
      gravel(f.perimeterM * f.widthM * BEDDING_M),
      concrete(f.perimeterM * f.widthM * Math.max(0, f.depthM - BEDDING_M)),
      bars(f.perimeterM * BARS),
      forms(2 * f.perimeterM * Math.max(0, f.depthM - BEDDING_M)),
      anchors(f),
    ],
  },
  {
    id: 'insulated forms',
    pros: 'form and edge insulation in one; light to carry; two people and a pump',
    cons: 'costly foam; the fresh concrete can burst a joint that was not braced',
    reachesDown: true,
    inTrench: true,
    wants: ['mixer or truck'],
    digM3: trench,
    needs: f => [
      gravel(f.perimeterM * f.widthM * BEDDING_M),
      { item: 'Insulated forms', amount: f.perimeterM * f.depthM, unit: 'm²', price: 'stock.icf', pack: 0.3 },
      concrete(f.perimeterM * f.depthM * Math.max(INSULATED_WALL_M, f.widthM - 0.13)),
      bars(f.perimeterM * BARS),
      anchors(f),
    ],
  },
  {
    id: 'rubble trench',
    pros: 'drains by itself, little concrete, stone that is often at hand',
    cons: 'a way out for the water; a beam on top all the same',
    reachesDown: true,
    inTrench: true,
    wants: ['machine'],
    digM3: trench,
    needs: f => [
      {
        item: 'Washed stone',
        amount: f.perimeterM * f.widthM * Math.max(0, f.depthM - BEAM_M),
        unit: 'm³',
        price: 'material.gravel',
        pack: 0.5,
      },
      { item: 'Filter cloth', amount: f.perimeterM * (2 * f.depthM + f.widthM), unit: 'm²', price: 'stock.cloth' },
      { item: 'Drain pipe', amount: f.perimeterM, unit: 'm', price: 'stock.drain' },
      concrete(f.perimeterM * f.widthM * BEAM_M),
      bars(f.perimeterM * BARS),
      anchors(f),
    ],
  },
  {
    id: 'blocks',
    pros: 'no pouring; a few hours; cheap',
    cons: 'moves with ground that freezes; holds little against uplift unless it is tied down',
    reachesDown: false,
    inTrench: false,
    wants: ['bearing ground', 'level ground'],
    digM3: f => f.spots * f.widthM ** 2 * BEDDING_M,
    needs: f => [
      gravel(f.spots * f.widthM ** 2 * BEDDING_M),
      { item: 'Concrete blocks', amount: f.spots, unit: 'pieces', price: 'stock.block' },
      { item: 'Ground anchors with straps', amount: Math.max(4, f.spots / 2), unit: 'pieces', price: 'stock.anchor' },
    ],
  },
  {
    id: 'piles',
    pros: 'no digging, no concrete, held against uplift; can be taken out again',
    cons: 'a machine and somebody who knows the ground; stones stop them',
    reachesDown: true,
    inTrench: false,
    wants: ['machine'],
    digM3: () => 0,
    needs: f => [{ item: 'Screw piles', amount: f.spots, unit: 'pieces', price: 'stock.pile' }],
  },
  {
    id: 'posts',
    pros: 'quick, cheap, the usual footing of hoop houses; holds well in firm ground',
    cons: 'wood in the ground rots, steel rusts; crooked where there are stones',
    reachesDown: true,
    inTrench: false,
    wants: ['bearing ground'],
    digM3: () => 0,
    needs: f => [
      { item: 'Posts or ground pipes', amount: f.spots, unit: 'pieces', price: 'stock.post' },
      { item: 'Base rail', amount: f.perimeterM, unit: 'm', price: 'stock.lumber' },
    ],
  },
  {
    id: 'sleepers',
    pros: 'laid in a day on gravel, moved again when one must; often allowed without a permit',
    cons: 'rots in time; moves with the frost; needs anchors against the wind',
    reachesDown: false,
    inTrench: false,
    wants: ['level ground'],
    digM3: f => f.perimeterM * f.widthM * BEDDING_M,
    needs: f => [
      gravel(f.perimeterM * f.widthM * BEDDING_M),
      { item: 'Sleepers', amount: f.perimeterM, unit: 'm', price: 'stock.sleeper', pack: 2.5 },
      {
        item: 'Ground anchors with straps',
        amount: Math.ceil(f.perimeterM / 3),
        unit: 'pieces',
        price: 'stock.anchor',
      },
    ],
  },
]

/** The foundation that a design names; null while it is not decided. */
export const foundationOf = ({ build }: Pick<Design, 'build'>): Foundation | null =>
  FOUNDATIONS.find(f => f.id === build.foundation.kind) ?? null

/** What speaks against a foundation here, in words; empty where nothing does. */
export function againstFoundation(
  foundation: Foundation,
  { aim, build, shape }: Pick<Design, 'aim' | 'build' | 'shape'>,
  frostM: number,
  heavyWalls: boolean,
): string[] {
  const said: string[] = []
  const { builder, permits } = aim.practical
  if (foundation.reachesDown && build.foundation.depthM < frostM - 0.05) said.push('it ends above where frost goes')
  if (!foundation.reachesDown && frostM > 0.3) said.push('it moves with ground that freezes: insulate round it')
  if (heavyWalls && ['blocks', 'posts', 'sleepers', 'piles'].includes(foundation.id))
    said.push('masonry or earth walls want a continuous footing')
  if (builder === 'self' && foundation.wants.includes('machine')) said.push('a machine has to come')
  if (permits !== 'given' && ['slab', 'grade beam', 'insulated forms'].includes(foundation.id))
    said.push('it makes the house a fixed building, which the office may ask about')
  if (shape.sunkM > 0.2 && ['slab', 'blocks', 'posts', 'sleepers', 'piles'].includes(foundation.id))
    said.push('a sunk floor needs walls that hold the ground back')
  return said
}
