import type { Answers } from '../answers'
import { airStoreCautions } from './air-stores'
import { madeToFitLines } from './made-to-fit'
import { bodyName, kindOf } from '../bodies/registry'
import { entry, fittedCover, GLAZINGS, isBlown } from '../catalog'
import { distanceKm } from '../climate/place-climate'
import { roomObjects, type RoomObject } from '../geometry/objects'
import { isHouseWall, isSlope, liningsOn, madeOf, partsOf, stretches } from '../geometry/parts'
import { clearHeightAt, makeOutline, type Outline } from '../geometry/section'
import { dampFaults } from '../materials/assembly'
import { blockedDoors, blockedOpenings, lowOpenings } from '../geometry/before-openings'
import { openingKind, openingName } from '../openings/registry'
import { formatNumber, formatQuantity, type Quantity } from '../units'
import { firedBy, keptAirC, sourceName } from '../sources/registry'
import type { Design, Layer, StepId } from '../design'

/** Something that can hurt people, plants or the building, and whom to ask. */
export interface Caution {
  step: StepId
  text: string
  /** Whether it is said of every house with such a thing in it, and not a fault of this one. */
  general: boolean
}

/** A climate from further away than this is another place's, km. */
export const FAR_KM = 80

/** A person keeps this far from what stands beside, m. */
const ELBOW_M = 0.16

/** Writes a value in the reader's units. */
type Show = (value: number, quantity: Quantity) => string

const FOAMS = ['eps', 'xps', 'pir']

/** Cautions that apply to a design as it stands; those that need the year's answers appear once they are there. */
export function designCautions(
  design: Design,
  answers: Answers | null,
  show: Show = (v, quantity) => formatQuantity(v, quantity, 'metric'),
): Caution[] {
  const out: Caution[] = []
  const add = (step: StepId, text: string) => out.push({ step, text, general: false })
  const warn = (step: StepId, text: string) => out.push({ step, text, general: true })
  const outline = makeOutline(design.shape)
  const boxes = roomObjects(design).filter(o => o.kind === 'body')
  const of = (danger: 'drowning' | 'tipping') =>
    design.store.bodies
      .map((body, i) => ({ body, box: boxes[i]! }))
      .filter(({ body, box }) => kindOf(body).cautions(body, box).includes(danger))
  const knee = design.shape.kneeWallM
  warn(
    'shape',
    `Snow off the glass needs room: the knee wall holds ${show(knee, 'length')}. Snow, wind and ` +
      `anchorage are for an engineer or your building office.`,
  )
  const { survey } = design.site
  if (survey.frostPocket)
    add(
      'site',
      'A frost pocket: nights here can be several degrees colder than the climate’s figures. Measure a ' +
        'few clear nights, or set a colder design low.',
    )
  if (survey.waterTableM > 0 && survey.waterTableM < design.shape.sunkM + 0.5)
    add('site', 'The water table stands close below the floor: drains or a higher floor, before anything is dug.')
  const { at } = design.site.climate
  if (at && distanceKm(at, design.site) > FAR_KM)
    add(
      'site',
      `The climate is still that of ${at.place}, ${Math.round(distanceKm(at, design.site))} km away: give ` +
        `the months of this place, or say under Site that it is meant.`,
    )
  const { headroomM: wanted } = design.aim.practical
  const clear = headroom(design)
  if (clear.clearM < wanted)
    add(
      'shape',
      `Heads hit the roof where the path is: ${show(clear.clearM, 'length')} is clear, ` +
        `${show(wanted, 'length')} is asked.`,
    )
  if (Math.max(design.shape.sunkM, design.shape.sunkM + design.shape.riseM) > 0.9)
    warn(
      'shape',
      'A pit deeper than your waist can bury people: shoring, drains and buried lines come first, and ' +
        'walls that hold earth are an engineer’s.',
    )
  if (design.shape.form === 'lean-to')
    warn(
      'shape',
      'Joined to a house: damp air must not reach its walls, fire separation and exits are for your building office.',
    )
  if (of('drowning').length > 0) warn('store', 'Children drown in little water: cover or fence open tanks and ponds.')
  if (design.store.airStores.some(s => s.on))
    warn(
      'store',
      'Pipes and rock beds can grow mould and gather radon and standing water: slope and drain them, and test.',
    )
  for (const text of airStoreCautions(design, show)) add('store', text)
  const high = of('tipping')
  if (high.length > 0) {
    const kg = high.reduce((sum, { body, box }) => sum + kindOf(body).weightKg(body, box), 0)
    warn(
      'store',
      `What stands high weighs ${show(kg, 'mass')} and can tip: stands and straps must carry it, and ` +
        `children must not climb it. Ask an engineer.`,
    )
  }
  if (answers && answers.bodies.some(b => b.iceMost > 0))
    add('store', 'The water freezes in a cold spell: leave room for ice in each vessel, or it splits.')
  const { coverStuck } = answers ?? { coverStuck: { hours: 0, days: 0 } }
  if (coverStuck.days > 0) {
    const { skin } = design
    const covers = [skin.cover, ...Object.values(skin.parts).flatMap(p => p.cover ?? [])]
    // The house's cover, or that of the part which has one outside.
    const lies = covers.find(c => c.place === 'outside' && c.id !== 'none') ?? skin.cover
    const { resistance, wetResistance } = fittedCover(lies)
    const wet =
      resistance > 0
        ? ` Full of water it keeps ${show(wetResistance, 'resistance')}, dry ${show(resistance, 'resistance')}.`
        : ''
    add(
      'skin',
      `A cover outside freezes down: on ${coverStuck.days} mornings of this year it lies over the panes ` +
        `${formatNumber(coverStuck.hours, 0)} hours longer than it should, by hand or by motor, and a motor tears it.` +
        `${wet} Inside or between two films it stays dry.`,
    )
  }
  const { glazings, overhead, builds } = madeOfAll(design, outline)
  if (builds.some(layers => FOAMS.includes(layers[layers.length - 1]?.material ?? '')))
    add('skin', 'Bare foam burns and gives off poison: line it inside as your local code asks.')
  for (const text of new Set(builds.flatMap(dampFaults).map(f => f.text))) add('skin', text)
  if (glazings.some(g => g.uvFace))
    warn(
      'skin',
      'Sheet with an outside face that bears the sun, fitted the wrong way round, goes brittle within a few years. ' +
        'Mark it before the film comes off.',
    )
  if (overhead.some(g => g.sold === 'panes'))
    warn('skin', 'Glass overhead falls on people: ask which glass your local code allows above heads.')
  const { startC, freeM2 } = breathing(design)
  const floor = outline.widthM * design.shape.lengthM
  if (freeM2 < 0.15 * floor)
    add(
      'breathe',
      `Little to breathe with: vents are ${Math.round((freeM2 / floor) * 100)} % of the floor; ` +
        `15 to 25 % each, low and high, is the rule. Air above ${show(38, 'temperature')} harms people.`,
    )
  for (const line of madeToFitLines(design, show)) add('breathe', `${line} Look at its summer anew.`)
  for (const { index, thing } of blockedDoors(design))
    add(
      'breathe',
      `${openingName(design.skin.openings, index)}: ${thingName(design, thing)} stands in its way. Move one of them.`,
    )
  for (const { index, thing, share } of blockedOpenings(design))
    add(
      'breathe',
      `${openingName(design.skin.openings, index)}: ${thingName(design, thing)} stands before ` +
        `${Math.round(share * 100)} % of it, and the air must go round. Raise it, or leave a gap.`,
    )
  if (answers && answers.outside.snowMostM > 0.1)
    for (const { index, footM } of lowOpenings(design))
      if (footM < answers.outside.snowMostM)
        add(
          'breathe',
          `${openingName(design.skin.openings, index)}: snow lies up to ` +
            `${show(answers.outside.snowMostM, 'length')} deep, and its foot is ${show(footM, 'length')} above the ` +
            `ground outside. Keep it shovelled where it must breathe in winter.`,
        )
  const { sources } = design.topUp
  const fired = sources.map(firedBy).filter(f => f !== null)
  const electric = fired.some(f => f.fuel === 'electricity')
  sources.forEach((s, i) => {
    if (s.on && 'body' in s && s.kind !== 'heater' && s.kind !== 'spare power' && !hasBodyFor(design, s.body))
      add('topUp', `${sourceName(sources, i)}: there is no water for it. Put a tank or barrels into the room.`)
  })
  if (fired.some(f => f.fuel !== 'electricity'))
    warn(
      'topUp',
      'Anything that burns needs a flue, fresh air, clearances and a carbon monoxide alarm. Have it ' +
        'fitted and checked by a licensed trade.',
    )
  if (electric)
    warn('topUp', 'Wet rooms need wet-rated fittings and residual-current protection: a licensed electrician’s work.')
  const { power } = design.aim.practical
  if (!power && electric)
    add(
      'topUp',
      'There is no power on the site, and the heater is electric: bring power, or choose a fuel that is there.',
    )
  if (!power && design.breathe.fans.length > 0) add('breathe', 'There is no power on the site, and there are fans.')
  if (!power && sources.some(s => s.on && s.kind === 'lamps'))
    add('topUp', 'There is no power on the site, and there are lamps.')
  if (!power && blows(design)) add('skin', 'There is no power on the site, and film is blown up by a fan.')
  const kept = keptAirC(sources)
  if (kept !== null && kept >= startC) add('topUp', 'A heater is set above the vents’ start: it would heat the garden.')
  return out
}

/** What the parts of a house are made of: all their glazings, those over heads, and the layers of what is solid. */
function madeOfAll({ shape, skin, store }: Design, outline: Outline) {
  const parts = partsOf({ shape, skin }, outline).filter(p => !isHouseWall(shape, p))
  const panes = parts.flatMap(id => {
    const { glazing } = madeOf(skin, id)
    const own = skin.parts[id]
    return own.kind === 'glazed' || ('glazedShare' in own && own.glazedShare > 0) ? [{ id, glazing }] : []
  })
  const leaves = skin.openings.flatMap(o => {
    const leaf = openingKind(o).leaf(o)
    const isPane = leaf !== null && (leaf.made === 'glazed' || leaf.glazedShare > 0)
    return isPane && parts.includes(o.part)
      ? [{ id: o.part, glazing: entry(GLAZINGS, leaf.glazing ?? skin.glazing) }]
      : []
  })
  const all = [...panes, ...leaves]
  const builds = parts.flatMap((id): Layer[][] => {
    const { kind, layers, topLayers } = madeOf(skin, id)
    const own = skin.parts[id]
    // A lining covers what is behind it.
    if (kind === 'solid') return [[...layers, ...liningsOn(store, id)]]
    return 'solidTopM' in own && own.solidTopM > 0 ? [topLayers] : []
  })
  return { glazings: all.map(g => g.glazing), overhead: all.filter(g => isSlope(g.id)).map(g => g.glazing), builds }
}

/** Whether film on it is kept apart by a blower. */
const blows = ({ skin }: Design): boolean =>
  Object.values(skin.parts).some(
    p => isBlown(p.glazing ?? skin.glazing) && (p.condition ?? skin.condition).blowerW > 0 && p.kind === 'glazed',
  )

/** Whether there is a body for what would warm one: that which is named, or any that holds water. */
function hasBodyFor(design: Design, body: number | null): boolean {
  const { bodies } = design.store
  if (body !== null) return body < bodies.length
  return roomObjects(design).some(o => o.kind === 'body' && kindOf(bodies[o.index]!).waterM3(bodies[o.index]!, o) > 0)
}

/**
 * Where a person stands with most room overhead, and how much that is, m: on floor that nothing stands on, paths dug
 * lower counted.
 */
export function headroom(design: Pick<Design, 'shape' | 'store'>): { x: number; clearM: number } {
  const outline = makeOutline(design.shape)
  const taken = roomObjects(design).filter(o => o.kind !== 'bench')
  let best = { x: outline.widthM / 2, clearM: 0 }
  for (let i = 1; i < 60; i++) {
    const x = (outline.widthM * i) / 60
    const clearM = clearHeightAt(outline, x) - design.shape.pathM
    if (clearM > best.clearM && !taken.some(o => x > o.x0 - ELBOW_M && x < o.x1 + ELBOW_M)) best = { x, clearM }
  }
  return best
}

/** What stands in the room, as the reader calls it amid a sentence. */
const thingName = ({ store }: Pick<Design, 'store'>, { kind, index }: Pick<RoomObject, 'kind' | 'index'>): string =>
  kind === 'body' ? bodyName(store.bodies, index).toLowerCase() : `bed ${index + 1}`

/** What a house breathes through: free area of all that opens, m², and the coolest air at which something does, °C. */
export function breathing({ skin }: Pick<Design, 'skin'>): { freeM2: number; startC: number } {
  let freeM2 = 0
  let startC = Infinity
  for (const o of skin.openings) {
    const kind = openingKind(o)
    const opener = kind.opener(o)
    if (opener.how === 'shut') continue
    freeM2 += kind.freeM2(o)
    if (opener.how !== 'season') startC = Math.min(startC, opener.startC)
  }
  return { freeM2, startC }
}

/** Whether a house has a solid roof of its own: a slope, or the upper stretch of one, that is not glazed. */
export function hasSolidRoof(design: Pick<Design, 'shape' | 'skin'>): boolean {
  return stretches(design, makeOutline(design.shape)).some(s => !s.glazed && (s.top || isSlope(s.part)))
}
