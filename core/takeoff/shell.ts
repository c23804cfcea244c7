import { entry, MATERIALS, NIGHT_COVERS } from '../catalog'
import type { Design, Layer } from '../design/types'
import { isSlope, partName, isLeaf } from '../geometry/parts'
import { laidLeaves } from '../geometry/leaves'
import { edgeLength } from '../geometry/section'
import type { Building, Surface } from '../geometry/surfaces'
import { mainInsulation } from '../materials/assembly'
import type { Show } from '../units'
import { openingKind, openingName } from '../openings/registry'
import type { Need, PartNeeds } from './lines'
import type { Member } from '../frame/member'
import { members } from '../frame/members'
import { glazingCuts, type GlazingCuts } from './sheets'
import { leakHalvings } from './cost'
import { sectionWords } from '../frame/section-words'
import { isMasonry, stockOf } from '../frame/spacing'
import { cutFromStock, piecesOf } from './stock'

/** A can of foam fills so many metres of joint. */
const CAN_M = 12
/** Cables of a cover lie so far apart, m. */
const CABLES_M = 3

/** Frame, walls and roof, glazing with its night cover, and openings. */
export function shellNeeds(design: Design, building: Building, show: Show): PartNeeds[] {
  return [
    { stage: 'frame', part: 'frame', needs: frameNeeds(design, building, show) },
    ...solidNeeds(design, building, show),
    ...glazingCuts(design, building).map(
      (cuts): PartNeeds => ({ stage: 'glazing', part: cuts.glazing.name, needs: glazingNeeds(cuts, show) }),
    ),
    ...coverNeeds(design, building),
    ...openingNeeds(design, building),
    ...houseJointNeeds(design, building),
  ]
}

/** Where members meet others: two ends each, and a run over each support. */
const joints = (all: readonly Member[]) => all.reduce((sum, m) => sum + (m.over ? 0 : 2 * m.count), 0)

function frameNeeds(design: Design, building: Building, show: Show): Need[] {
  const all = members(design, building)
  const straight = all.filter(m => !m.bent)
  const section = sectionWords(design.build, show)
  const isMetal = design.build.frame.made === 'metal'
  const { lumberM } = stockOf(design.build)
  const bars = cutFromStock(piecesOf(straight, lumberM.at(-1)!), lumberM)
  const byLength = new Map<number, number>()
  for (const bar of bars) byLength.set(bar.lengthM, (byLength.get(bar.lengthM) ?? 0) + 1)
  const bent = all.filter(m => m.bent)
  return [
    ...[...byLength]
      .sort(([a], [b]) => a - b)
      .map(
        ([lengthM, count]): Need => ({
          item: `${isMetal ? 'Metal sections' : 'Lumber'} in lengths of ${show(lengthM, 'length')}`,
          word: `${isMetal ? 'metal' : 'lumber'} ${lengthM.toFixed(2)}`,
          amount: lengthM * count,
          unit: 'm',
          price: isMetal ? 'stock.metal' : 'stock.lumber',
          cut: true,
          note: `${count} of them; ${section}`,
        }),
      ),
    ...bent.map(
      (m): Need => ({
        item: m.member === 'hoop' ? 'Hoops' : 'Bent ribs',
        amount: m.count * m.lengthM,
        unit: 'm',
        price: 'stock.rib',
        cut: true,
        note: `${m.count} of ${show(m.lengthM, 'cutLength')}; ${section}`,
      }),
    ),
    { item: 'Straps, hangers and screws, by joints', amount: joints(all), unit: 'pieces', price: 'stock.connector' },
  ]
}

const METAL_OR_BOARD = ['plywood', 'softwood', 'steel-sheet']

/** A layer of the walls or the roof over so many m². */
function layerNeed(layer: Layer, areaM2: number, show: Show): Need {
  const material =
    layer.material === 'own' ? (layer.own?.name ?? 'Own material') : entry(MATERIALS, layer.material).name
  const group = MATERIALS.find(m => m.id === layer.material)?.group
  const thick = show(layer.thicknessM, 'thickness')
  if (group === 'masonry' || group === 'ground') {
    const m3 = areaM2 * layer.thicknessM
    return {
      item: `${material}, ${thick}`,
      word: `${layer.material} ${Math.round(layer.thicknessM * 1000)}`,
      amount: m3,
      unit: 'm³',
      price: `material.${layer.material}`,
      note: show(m3 * entry(MATERIALS, layer.material).density, 'mass'),
    }
  }
  return {
    item: `${material}, ${thick}`,
    word: `${layer.material} ${Math.round(layer.thicknessM * 1000)}`,
    amount: areaM2,
    unit: 'm²',
    price: `material.${layer.material}`,
    times: layer.thicknessM,
    pack: METAL_OR_BOARD.includes(layer.material) ? 'boardM2' : 'insulationBoardM2',
  }
}

function solidNeeds(design: Design, building: Building, show: Show): PartNeeds[] {
  const { shape, store, skin, breathe } = design
  const linings = store.linings as readonly Layer[]
  const solid = building.surfaces.filter(s => s.kind === 'opaque' && s.boundary !== 'house' && !isLeaf(s))
  const name = (s: Surface) =>
    s.id.startsWith('top of') || s.id.startsWith('dome') ? s.id : partName(s.part!, shape.form)
  const areaOf = (of: readonly Surface[]) => of.reduce((sum, s) => sum + s.areaM2, 0)
  const own = (s: Surface) => s.layers.filter(l => !linings.includes(l) && l.thicknessM > 0)
  const framed = solid.filter(s => !isMasonry(own(s)) && mainInsulation(own(s)) >= 0)
  const isRoof = (s: Surface) => s.id.startsWith('top of') || isSlope(s.part!)
  const painted = solid.filter(s => skin.finish[isRoof(s) ? 'roof' : 'wall'] !== 'bare')
  const skinM2 = areaOf(building.surfaces.filter(s => s.kind !== 'floor' && s.boundary !== 'house'))
  return [
    ...[...new Set(solid.map(name))].map((part): PartNeeds => {
      const its = solid.filter(s => name(s) === part)
      return { stage: 'shell', part, needs: own(its[0]!).map(l => layerNeed(l, areaOf(its), show)) }
    }),
    {
      stage: 'shell',
      part: 'all walls and roof',
      needs: [
        {
          item: 'Vapour layer, on the warm side',
          amount: areaOf(framed),
          unit: 'm²',
          price: 'stock.vapour',
          pack: 'rollM2',
        },
        {
          item: 'Foam for joints, in cans',
          amount: Math.ceil(solid.reduce((sum, s) => sum + around(s), 0) / CAN_M),
          unit: 'pieces',
          price: 'stock.foam-can',
        },
        {
          item: 'Tape, seals and brushes against leaks, each halving',
          amount: leakHalvings(breathe) * skinM2,
          unit: 'm²',
          price: 'part.sealing',
          cut: true,
        },
        { item: 'Paint or foil inside', amount: areaOf(painted), unit: 'm²', price: 'part.paint' },
        { item: 'Eave', amount: shape.overhangM * shape.lengthM, unit: 'm²', price: 'part.frame' },
        { item: 'Shade strip', amount: shape.shadeStripM * shape.lengthM, unit: 'm²', price: 'part.shade' },
        { item: 'Entry lobby, by its floor', amount: breathe.lobby.areaM2, unit: 'm²', price: 'part.lobby', cut: true },
      ],
    },
  ]
}

/** Length round a piece of skin, m. */
const around = ({ polygon }: Surface): number =>
  polygon.reduce((sum, p, i) => {
    const q = polygon[(i + 1) % polygon.length]!
    return sum + Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2])
  }, 0)

/** What one kind of glazing takes, with what joins and closes it. */
function glazingNeeds(cuts: GlazingCuts, show: Show): Need[] {
  const { glazing, sheets, pieces, rolls } = cuts
  const price = `glazing.${glazing.id}`
  const face = glazing.uvFace ? 'the marked face to the sun' : ''
  if (glazing.sold === 'roll')
    return [
      ...rolls.map(
        (r): Need => ({
          item: `Film off a roll ${show(r.widthM, 'length')} wide`,
          word: `film ${r.widthM.toFixed(2)}`,
          amount: r.widthM * r.lengthM,
          unit: 'm²',
          price,
          cut: true,
          note: `${show(r.lengthM, 'length')} of it${glazing.layers > 1 ? `, ${glazing.layers} sheets` : ''}`,
        }),
      ),
      { item: 'Channel and wire round its edges', amount: cuts.edgesM, unit: 'm', price: 'stock.film-channel' },
      {
        item: 'Blower that keeps the sheets apart',
        amount: cuts.blowers,
        unit: 'pieces',
        price: 'device.blower',
        note: 'with its hose from sheet to sheet',
      },
    ]
  if (glazing.sold === 'panes')
    return [
      {
        item: 'Panes, made to order',
        amount: cuts.boughtM2,
        unit: 'm²',
        price,
        cut: true,
        note: `${pieces.length} of them; overhead only glass that holds together when it breaks`,
      },
      { item: 'Bead and tape', amount: 2 * cuts.jointsM, unit: 'm', price: 'stock.bead' },
    ]
  const byLength = new Map<string, { lengthM: number; widthM: number; count: number }>()
  for (const s of sheets) {
    const key = s.lengthM.toFixed(3)
    const known = byLength.get(key)
    if (known) known.count++
    else byLength.set(key, { lengthM: s.lengthM, widthM: s.widthM, count: 1 })
  }
  return [
    ...[...byLength.values()].map(
      ({ lengthM, widthM, count }): Need => ({
        item: `Sheets ${show(widthM, 'length')} × ${show(lengthM, 'length')}`,
        word: `sheets ${lengthM.toFixed(2)}`,
        amount: count * lengthM * widthM,
        unit: 'm²',
        price,
        cut: true,
        note: [`${count} of them`, face].filter(Boolean).join('; '),
      }),
    ),
    { item: 'Joint profiles', amount: cuts.jointsM, unit: 'm', price: 'stock.profile' },
    { item: 'Closing profiles of open flutes', amount: cuts.openEndsM, unit: 'm', price: 'stock.closure' },
    { item: 'Tape over open flutes, breathing below', amount: cuts.openEndsM, unit: 'm', price: 'stock.flute-tape' },
  ]
}

function coverNeeds(design: Design, building: Building): PartNeeds[] {
  const { shape } = design
  return building.covers.flatMap((cover, k): PartNeeds[] => {
    if (cover.id === 'none') return []
    const over = building.surfaces.filter(s => s.cover === k && (s.kind === 'glazed' || cover.boards))
    const areaM2 = over.reduce((sum, s) => sum + s.areaM2, 0)
    if (cover.boards) {
      const boards: Need = {
        item: `${entry(NIGHT_COVERS, cover.id).name}, for the winter`,
        amount: areaM2,
        unit: 'm²',
        price: `cover.${cover.id}`,
      }
      return [{ stage: 'openings', part: 'boards for the winter', needs: [boards] }]
    }
    const run = building.outline.edges
      .filter(e => over.some(s => s.part === e.part))
      .reduce((sum, e) => sum + edgeLength(e), 0)
    const cables = Math.ceil(shape.lengthM / CABLES_M) + 1
    const needs: Need[] = [
      { item: entry(NIGHT_COVERS, cover.id).name, amount: areaM2, unit: 'm²', price: `cover.${cover.id}` },
    ]
    if (cover.id !== 'shutter')
      needs.push({ item: 'Cable with its rings', amount: cables * run, unit: 'm', price: 'stock.cable' })
    needs.push(
      cover.moved === 'motor'
        ? { item: 'Motor of the cover', amount: 1, unit: 'pieces', price: 'part.cover-motor' }
        : { item: 'Crank', amount: cover.id === 'shutter' ? 0 : 1, unit: 'pieces', price: 'stock.crank' },
    )
    if (cover.fit === 'tight')
      needs.push({ item: 'Pockets or channels for its edges', amount: areaM2, unit: 'm²', price: 'part.channels' })
    return [{ stage: 'glazing', part: k === 0 ? 'night cover' : `night cover ${k + 1}`, needs }]
  })
}

const UNIT_NAMES: Readonly<Record<string, string>> = {
  'part.vent': 'Vent, its free area',
  'part.opener': 'Opener',
  'part.window': 'Window',
  'part.door': 'Door',
  'part.roll-up': 'Roll-up side',
}

/** Flashing goes so far past an opening at each side, m. */
const PAST_M = 0.15
/** A leaf wider or higher than this has a third hinge, m. */
const HEAVY_LEAF_M = 1.2

/** Leaves and what opens them, and what hangs, shuts and sheds water from them. */
function openingNeeds(design: Design, { outline }: Building): PartNeeds[] {
  const { skin } = design
  const all = laidLeaves(design, outline)
  return skin.openings.map((o, i): PartNeeds => {
    const leaves = all.filter(l => l.index === i).map(({ rect: { u0, u1, v0, v1 } }) => [u1 - u0, v1 - v0] as const)
    const total = (of: (wide: number, high: number) => number) => leaves.reduce((sum, [w, h]) => sum + of(w, h), 0)
    const priced = openingKind(o)
      .cost(o)
      .map(
        (p): Need => ({
          item: UNIT_NAMES[p.price] ?? 'Opening',
          amount: p.amount,
          unit: p.unit,
          price: p.price,
          cut: true,
        }),
      )
    const rolls = o.kind === 'roll-up side'
    const isDoor = openingKind(o).traffic(o) !== null
    const fittings: Need[] = [
      {
        item: 'Hinges',
        amount: total((w, h) => (isDoor || Math.max(w, h) > HEAVY_LEAF_M ? 3 : 2)),
        unit: 'pieces',
        price: 'stock.hinge',
      },
      { item: 'Seal round its leaves', amount: total((w, h) => 2 * (w + h)), unit: 'm', price: 'stock.seal' },
      {
        item: isSlope(o.part) ? 'Flashing over and beside it' : 'Flashing over it',
        word: 'flashing',
        amount: total((w, h) => w + 2 * PAST_M + (isSlope(o.part) ? 2 * h : 0)),
        unit: 'm',
        price: 'stock.flashing',
      },
      {
        item: isDoor ? 'Threshold with a drip' : 'Sill with a drip',
        word: 'sill',
        amount: total(w => w),
        unit: 'm',
        price: 'stock.drip',
      },
    ]
    const part = openingName(skin.openings, i).toLowerCase()
    return { stage: 'openings', part, needs: rolls ? priced : [...priced, ...fittings] }
  })
}

/** Where a lean-to meets its house: flashing over the ledger, and a joint up both sides. */
function houseJointNeeds({ shape }: Design, { outline }: Building): PartNeeds[] {
  if (shape.form !== 'lean-to') return []
  return [
    {
      stage: 'shell',
      part: 'joint to the house',
      needs: [
        {
          item: 'Flashing over the ledger, let into the house’s wall',
          word: 'flashing',
          amount: shape.lengthM,
          unit: 'm',
          price: 'stock.flashing',
        },
        { item: 'Seal up both sides', amount: 2 * outline.backWallM, unit: 'm', price: 'stock.seal' },
      ],
    },
  ]
}
