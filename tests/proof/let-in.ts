import { seededRandom } from '../../core/climate/random'
import { DEMOS, FORMS, type Design } from '../../core/design'
import { broughtForward, designFaults, freeOpening, patchDesign } from '../../core/editing'
import { laidLeaves, openingPolygons } from '../../core/geometry/leaves'
import { openingOf } from '../../core/geometry/parts'
import { makeBuilding, type Building, type Surface } from '../../core/geometry/surfaces'
import { clipped, planeOf, type Vec } from '../../core/geometry/vec'
import { elementLosses } from '../../core/network/chains'
import { OPENING_KINDS, openingKind } from '../../core/openings/registry'
import { doorOn, withMore, withoutOpenings } from '../openings'
import { madeSkin } from '../skin'
import { designOfForm } from './light-error'
import { proof, type ProofRow } from './row'

const areaOf = (polygon: readonly Vec[]) => (polygon.length > 2 ? planeOf(polygon).areaM2 : 0)

/** Sound houses of any form and size with openings of any kind wherever there was room; the same for the same seed. */
export function* randomHouses(count: number, seed = 31): Generator<Design> {
  const random = seededRandom(seed)
  const between = (low: number, high: number) => Math.round((low + (high - low) * random()) * 100) / 100
  for (let made = 0, tried = 0; made < count && tried < 20 * count; tried++) {
    const form = FORMS[tried % FORMS.length]!
    const { shape } = designOfForm(form)
    const lengthM = form === 'dome' ? shape.lengthM : between(3, 20)
    let house = patchDesign(withoutOpenings(designOfForm(form)), [
      ['shape.lengthM', lengthM],
      ['shape.kneeWallM', Math.min(between(0, 1.4), shape.ridgeHeightM - 0.8)],
      ['shape.turnDeg', between(-40, 40)],
      ['site.latitudeDeg', random() < 0.3 ? -40 : 45],
    ])
    if (random() < 0.4) house = { ...house, skin: madeSkin(house.skin, { endsGlazedShare: between(0.1, 0.6) }) }
    for (let k = Math.floor(1 + 6 * random()); k > 0; k--) {
      const opening = freeOpening(house, OPENING_KINDS[Math.floor(OPENING_KINDS.length * random())]!)
      if (opening) house = withMore(house, opening)
    }
    // Doors of a person's height, under whatever roof.
    const part = (['kneeWall', 'backWall', 'eastEnd'] as const)[Math.floor(3 * random())]!
    const [heightM, offsetM, glazedShare] = [between(1.7, 2.1), between(-1, 1), random() < 0.5 ? 0 : between(0, 1)]
    const withDoor = withMore(house, doorOn(part, { heightM, offsetM, glazedShare }))
    if (designFaults(withDoor).length === 0) house = withDoor
    if (designFaults(house).length > 0) continue
    made++
    yield house
  }
}

/** What is cut out of a piece of skin counted once, where one cut lies in another. */
function cutM2({ cuts, normal }: Surface): number {
  let sum = 0
  cuts.forEach((cut, i) => {
    sum += areaOf(cut)
    for (const other of cuts.slice(0, i)) sum -= areaOf(clipped(cut, other, normal))
  })
  return sum
}

/**
 * Furthest that what is told of a house's skin lies apart, m²: its pieces and what is cut out of them against their
 * areas; all of it as a closed body, whose areas by their directions come to nothing; an opening as the list has it, as
 * the elevations draw it, as heat knows it.
 */
export function areasApart(house: Design, building: Building = makeBuilding(house)): number {
  const { surfaces, outline } = building
  let worst = 0
  const apart = (a: number, b: number) => (worst = Math.max(worst, Math.abs(a - b)))
  for (const s of surfaces) apart(areaOf(s.polygon) - cutM2(s), s.areaM2)
  const sum = [0, 1, 2].map(k => surfaces.reduce((total, s) => total + s.areaM2 * s.normal[k]!, 0))
  apart(Math.hypot(...sum), 0)
  const drawn = openingPolygons(house, outline)
  const losses = elementLosses(house, building)
  house.skin.openings.forEach((o, index) => {
    const leaves = laidLeaves(house, outline).filter(l => l.index === index)
    const { widthM, heightM } = openingKind(o).row(o, { longM: 9, wideM: 9, lowM: 0, highM: 9, heightAt: () => 0 })
    const listed = leaves.length * widthM * heightM
    apart(
      drawn.filter(d => d.index === index).reduce((total, d) => total + areaOf(d.polygon), 0),
      listed,
    )
    const mine = surfaces.filter(s => openingOf(s.id) === index && !s.standsOut)
    const all = surfaces.filter(s => openingOf(s.id) === index)
    if (mine.length > 0)
      apart(
        mine.reduce((total, s) => total + s.areaM2, 0),
        listed,
      )
    const lost = losses.filter(l => l.id !== 'ground' && openingOf(l.id) === index)
    apart(
      lost.reduce((total, l) => total + l.areaM2, 0),
      all.reduce((total, s) => total + s.areaM2, 0),
    )
  })
  return worst
}

/** A foam panel let into a wall: 6 mm plywood at 0.13, 40 mm of EPS at 0.036 W/m·K, between the standard films. */
const FLAP_U = 1 / (0.13 + 0.006 / 0.13 + 0.04 / 0.036 + 0.006 / 0.13 + 0.04)

/** The first demo as version 3 had it, with vents by their area: what it opens now, m², and what it says of it. */
function brought(lowM2: number): { freeM2: number; saidM2: number | null } {
  const demo = DEMOS[0]!
  const old = {
    ...demo,
    schemaVersion: 3,
    skin: { ...demo.skin, openings: undefined },
    breathe: { ...demo.breathe, vents: { lowM2, highM2: 0.5, startC: 20, fullC: 29 } },
  }
  const design = broughtForward(JSON.parse(JSON.stringify(old))) as Design
  const vents = design.skin.openings.filter(o => o.kind === 'vent')
  return {
    freeM2: designFaults(design).length > 0 ? NaN : vents.reduce((sum, o) => sum + openingKind(o).freeM2(o), 0),
    saidM2: design.madeToFit.find(m => m.what === 'Vent')?.isM2 ?? null,
  }
}

export function letInRows(): ProofRow[] {
  const rows: ProofRow[] = []
  let [furthest, houses, dormers] = [0, 0, 0]
  for (const house of randomHouses(300)) {
    houses++
    const building = makeBuilding(house)
    if (building.taken.length > 0) dormers++
    furthest = Math.max(furthest, areasApart(house, building))
  }
  rows.push(
    proof(
      `openings: areas of ${houses} random houses (${dormers} with a dormer), furthest apart, m²`,
      0,
      houses === 300 && dormers > 10 ? furthest : Infinity,
      1e-4,
      'heat, list, elevation and model read the same leaves; a closed body has no area left over',
    ),
  )
  const demo = DEMOS[0]!
  const vent = OPENING_KINDS.find(k => k.kind === 'vent')!
  const panel = withMore(withoutOpenings(demo), {
    ...freeOpening(withoutOpenings(demo), vent)!,
    leaf: 'panel',
  } as never)
  const flap = elementLosses(panel, makeBuilding(panel)).find(l => l.id === 'leaf of opening 0')
  rows.push(proof('openings: U of a flap of foam panel, W/m²·K', FLAP_U, flap?.uDay ?? NaN, 0.02, 'sum of its layers'))
  const [small, large] = [brought(1), brought(9)]
  rows.push(
    proof('openings: a vent of 1 m² by area, brought forward, m²', 1, small.saidM2 ?? small.freeM2, 0.01, 'it fits'),
    proof('openings: one of 9 m², what the document says of it, m²', large.freeM2, large.saidM2 ?? NaN, 1e-9, 'told'),
  )
  return rows
}
