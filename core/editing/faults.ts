import { CROPS, entry, GLAZINGS } from '../catalog'
import { fieldFaults, GLAZING_ANGLE_RANGE, type Design, type Fault } from '../design'
import { misfits } from '../geometry/fit'
import { outlineFaults } from '../geometry/section'

/** Lamps give full sunlight at about this power, W per m² of floor. */
const MOST_LAMPS_WM2 = 1000

/** Checks that hold between fields; run once the fields themselves are sound. */
function faultsBetween(design: Design): Fault[] {
  const out: Fault[] = []
  const add = (path: string, message: string, allowed: string) => out.push({ path, message, allowed })
  design.aim.crops.forEach((c, i) => {
    if (c.needs === null && !CROPS.some(k => k.id === c.id))
      add(
        `aim.crops[${i}].id`,
        `“${c.id}” is in no catalogue and brings no needs`,
        `one of ${CROPS.map(c => c.id).join(', ')}, or needs of its own`,
      )
    else if (design.aim.crops.findIndex(o => o.id === c.id) < i)
      add(`aim.crops[${i}].id`, `“${c.id}” stands twice`, 'each crop once')
  })
  if (design.aim.lowestAirC >= design.aim.highestAirC)
    add('aim.lowestAirC', 'is not below the highest air', `below ${design.aim.highestAirC} °C`)
  for (const f of outlineFaults(design.shape, GLAZING_ANGLE_RANGE)) add(f.path, f.message, f.allowed)
  const vents = design.breathe.vents
  if (vents.fullC <= vents.startC)
    add('breathe.vents.fullC', 'is not above the start of opening', `above ${vents.startC} °C`)
  for (const name of ['wall', 'roof'] as const) {
    design.skin[name].forEach((l, i) => {
      if (l.material === 'own' && !l.own)
        add(
          `skin.${name}[${i}].own`,
          'is missing',
          'name, conductivity, density, specificHeat and solarAbsorptance of the material',
        )
    })
  }
  const thick = (l: { thicknessM: number }[]) => l.reduce((s, x) => s + x.thicknessM, 0)
  if (thick(design.skin.wall) < 0.002) add('skin.wall', 'has no thickness', 'layers that add up to 2 mm or more')
  if (thick(design.skin.roof) < 0.002) add('skin.roof', 'has no thickness', 'layers that add up to 2 mm or more')
  if (
    design.skin.cover.id !== 'none' &&
    design.skin.cover.place === 'between' &&
    entry(GLAZINGS, design.skin.glazing).layers < 2
  )
    add(
      'skin.cover.place',
      'is “between”, and this glazing has one sheet',
      'inside or outside, or a glazing of two sheets',
    )
  const { lamps } = design.topUp
  const floorM2 = design.shape.lengthM * design.shape.widthM
  if (lamps.powerW > MOST_LAMPS_WM2 * floorM2)
    add(
      'topUp.lamps.powerW',
      'is more light than any plant bears',
      `at most ${Math.floor(MOST_LAMPS_WM2 * floorM2)} W on this floor`,
    )
  if (design.store.rockBed.on && design.store.rockBed.areaM2 > floorM2)
    add('store.rockBed.areaM2', 'is larger than the floor that it lies under', `at most ${floorM2.toFixed(1)} m²`)
  return out
}

/**
 * All faults of a document; an empty list means that it is a sound {@link Design}, and that what stands in the house
 * can stand there. Never throws, whatever it is given.
 */
export function designFaults(document: unknown): Fault[] {
  const faults = documentFaults(document)
  return faults.length > 0 ? faults : misfits(document as Design)
}

/**
 * Faults of a document by itself: whether all that stands in the house can stand there is not asked. Never throws,
 * whatever it is given.
 */
export function documentFaults(document: unknown): Fault[] {
  const faults = fieldFaults(document)
  return faults.length > 0 ? faults : faultsBetween(document as Design)
}
