import { kindOf } from '../bodies/registry'
import { GLAZINGS, NIGHT_COVERS } from '../catalog'
import { FORMS, GLAZING_ANGLE_RANGE, type Design, type Opening } from '../design'
import { designFaults, withOpeningsCarried, patchDesign, withGlazingAngle, withoutBody, type Patch } from '../editing'
import { roomObjects } from '../geometry/objects'
import { mainInsulation } from '../materials/assembly'
import { openingKind } from '../openings/registry'
import { builtInForm } from './in-form'
import type { Brief } from './brief'
import { heldDesign } from './held'

/** One point of a study: the design, and where it stands on the study's axes. */
export interface Variant {
  at: number
  across: number
  label: string
  design: Design
}

/** Those of the wanted variants that can be built, in order of their place. */
function sound(wanted: Variant[]): Variant[] {
  return wanted.filter(v => designFaults(v.design).length === 0)
}

const withShape = (design: Design, shape: Design['shape']): Design => ({ ...design, shape })

/** Glazing angles every `stepDeg` over what the form allows: the ridge goes up and down, all else stays. */
export function angleVariants(design: Design, stepDeg = 5): Variant[] {
  const out: Variant[] = []
  const atAngle = (a: number) => withOpeningsCarried(withShape(design, withGlazingAngle(design.shape, a)))
  for (let a = 20; a <= Math.min(80, GLAZING_ANGLE_RANGE[1]); a += stepDeg)
    out.push({ at: a, across: 0, label: `${a}°`, design: atAngle(a) })
  return sound(out)
}

/** Turns of the sunny side from 60° west to 60° east. */
export function turnVariants(design: Design, stepDeg = 15): Variant[] {
  const out: Variant[] = []
  for (let t = -60; t <= 60; t += stepDeg)
    out.push({
      at: t,
      across: 0,
      label: `${Math.abs(t)}° ${t < 0 ? 'west' : t > 0 ? 'east' : ''}`.trim(),
      design: withShape(design, { ...design.shape, turnDeg: t }),
    })
  return sound(out)
}

/** Both at once, `at` the angle and `across` the turn. */
export function mapVariants(design: Design): Variant[] {
  return turnVariants(design, 20).flatMap(t =>
    angleVariants(t.design, 10).map(a => ({ ...a, across: t.at, label: `${a.label}, ${t.label}` })),
  )
}

/** Every form at the size of the design, in the order of {@link FORMS}. */
export function formVariants(design: Design): Variant[] {
  return FORMS.flatMap((form, i) => {
    // The form `own` begins as what it is taken from.
    if (form === 'own' && design.shape.form !== 'own') return []
    const own = builtInForm(design, form)
    return own ? [{ at: i, across: 0, label: form, design: own }] : []
  })
}

/** Every glazing in the same openings. */
export function glazingVariants(design: Design): Variant[] {
  return sound(
    GLAZINGS.map((g, i) => ({
      at: i,
      across: 0,
      label: g.id,
      design: { ...design, skin: { ...design.skin, glazing: g.id } },
    })),
  )
}

/** Every night cover, and none, over the same glazing. */
export function coverVariants(design: Design): Variant[] {
  return sound(
    NIGHT_COVERS.map((c, i) => ({
      at: i,
      across: 0,
      label: c.id,
      design: { ...design, skin: { ...design.skin, cover: { ...design.skin.cover, id: c.id } } },
    })),
  )
}

/**
 * More and less insulation in the walls: the layer that insulates most, from none to 30 cm. `at` is its thickness, m.
 */
export function wallVariants(design: Design): Variant[] {
  const { wall } = design.skin
  const index = mainInsulation(wall)
  return sound(
    [0.002, 0.025, 0.05, 0.075, 0.1, 0.15, 0.2, 0.3].map(t => ({
      at: t,
      across: 0,
      label: `${Math.round(t * 1000)} mm`,
      design: {
        ...design,
        skin: {
          ...design.skin,
          wall:
            index < 0
              ? [{ material: 'eps', thicknessM: t }, ...wall]
              : wall.map((l, i) => (i === index ? { ...l, thicknessM: t } : l)),
        },
      },
    })),
  )
}

/** How much of a body is tried beside what stands there. */
const AMOUNTS = [0, 0.25, 0.5, 0.75, 1, 1.5, 2, 3]

/** How much a body is: its water, m³, or where it holds none, tonnes. */
export function amountOf(design: Design, index: number): number {
  const body = design.store.bodies[index]!
  const box = roomObjects(design).find(o => o.kind === 'body' && o.index === index)!
  const water = kindOf(body).waterM3(body, box)
  return water > 0 ? water : kindOf(body).weightKg(body, box) / 1000
}

/** More and less of a body, and none of it, as far as it fits: by count where it is counted, else by its length. */
export function amountVariants(design: Design, index: number): Variant[] {
  const body = design.store.bodies[index]
  if (!body) return []
  const field = 'count' in body ? 'count' : kindOf(body).length?.field
  const out: Variant[] = [
    { at: 0, across: 0, label: 'none', design: patchDesign(design, withoutBody(design, index) as Patch[]) },
  ]
  if (!field) return out
  const box = roomObjects(design).find(o => o.kind === 'body' && o.index === index)!
  // A length of 0 stands for all of the house's.
  const now = Number((body as unknown as Record<string, number>)[field]) || box.y1 - box.y0
  const tried = AMOUNTS.slice(1).map(a => (field === 'count' ? Math.max(1, Math.round(a * now)) : a * now))
  for (const amount of new Set(tried)) {
    const more = patchDesign(design, [[`store.bodies.${index}.${field}`, amount]])
    if (designFaults(more).length > 0) continue
    const at = amountOf(more, index)
    const label = field === 'count' ? `${amount}` : `${Math.round((amount / now) * 100)} %`
    out.push({ at, across: 0, label, design: more })
  }
  return out.sort((a, b) => a.at - b.at)
}

/** Shares of the vents' area that are tried beside what there is. */
const VENT_SHARES = [0.1, 0.25, 0.5, 0.75, 1, 1.5, 2, 3]

/** Free area of all that opens to the air, m². */
export const ventM2 = ({ skin }: Pick<Design, 'skin'>): number =>
  skin.openings.reduce((sum, o) => sum + (openingKind(o).opener(o).how === 'shut' ? 0 : openingKind(o).freeM2(o)), 0)

/** Larger and smaller vents, louvres and roll-up sides, all by one share; doors and windows stay. `at` is m². */
export function ventVariants(design: Design): Variant[] {
  const scaled = (share: number): Design['skin']['openings'] =>
    design.skin.openings.map(o => (openingKind(o).scaled(o, share) as Opening | null) ?? o)
  const wanted = VENT_SHARES.map(share => ({
    share,
    design: { ...design, skin: { ...design.skin, openings: scaled(share) } },
  }))
  return sound(
    wanted.map(w => ({ at: ventM2(w.design), across: 0, label: `${Math.round(w.share * 100)} %`, design: w.design })),
  ).filter((v, i, all) => i === 0 || v.at > all[i - 1]!.at)
}

/** The lowest airs that one might hold, °C. */
const HELD_C = [0, 2, 4, 6, 8, 10, 12, 14, 16, 18, 20]

/** The same house held at each of some airs by a heater that never falls short. `at` is °C. */
export function heldVariants(design: Design): Variant[] {
  return HELD_C.map(c => ({ at: c, across: 0, label: `${c} °C`, design: heldDesign(design, c) }))
}

/** A step of a ladder of wall insulation: what it costs more than the one before, and what heat it saves a year. */
export interface Payback {
  fromM: number
  toM: number
  extraCost: number
  savedKWh: number
  /** Years until the saved fuel has paid; Infinity where none is saved. */
  years: number
}

/**
 * When more insulation stops paying: each step's simple pay-back at a price of useful heat.
 * @param pricePerKWh money per kWh of useful heat, 0 or more
 */
export function paybackSteps(
  points: readonly { at: number; figures: Pick<Brief, 'cost' | 'heatKWh'> }[],
  pricePerKWh: number,
): Payback[] {
  const sorted = [...points].sort((a, b) => a.at - b.at)
  return sorted.slice(1).map((p, i) => {
    const before = sorted[i]!
    const extraCost = p.figures.cost - before.figures.cost
    const savedKWh = before.figures.heatKWh - p.figures.heatKWh
    return {
      fromM: before.at,
      toM: p.at,
      extraCost,
      savedKWh,
      years: savedKWh * pricePerKWh > 1e-9 ? extraCost / (savedKWh * pricePerKWh) : Infinity,
    }
  })
}

/** A night cover against better glazing for the same money. */
export interface MoneyMatch {
  coverCost: number
  /** What the cover lifts the coldest night by, K, and saves of the heat a year, kWh. */
  coverK: number
  coverKWh: number
  /**
   * The glazing that does most for at most that money more than the design's own, and for what; null where none is
   * within it.
   */
  glazing: { id: string; cost: number; liftK: number; savedKWh: number } | null
  /** The best glazing at any price. */
  best: { id: string; cost: number; liftK: number; savedKWh: number } | null
}

type Matched = Pick<Brief, 'cost' | 'coldestC' | 'heatKWh'>

/**
 * Sets a cover against glazing.
 * @param bare figures of the design without a cover; @param covered with it; @param glazings by id, without a cover
 */
export function matchMoney(
  bare: Matched,
  covered: Matched,
  glazings: readonly { id: string; figures: Matched }[],
): MoneyMatch {
  const coverCost = covered.cost - bare.cost
  const rows = glazings
    .map(g => ({
      id: g.id,
      cost: g.figures.cost - bare.cost,
      liftK: g.figures.coldestC - bare.coldestC,
      savedKWh: bare.heatKWh - g.figures.heatKWh,
    }))
    .filter(g => g.liftK > 0)
  const most = (list: typeof rows) =>
    list.reduce<(typeof rows)[number] | null>((b, r) => (b === null || r.liftK > b.liftK ? r : b), null)
  return {
    coverCost,
    coverK: covered.coldestC - bare.coldestC,
    coverKWh: bare.heatKWh - covered.heatKWh,
    glazing: most(rows.filter(r => r.cost <= coverCost)),
    best: most(rows),
  }
}
