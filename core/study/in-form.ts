import type { Design, Form } from '../design'
import {
  designFaults,
  documentFaults,
  madeToStand,
  withDoorsFree,
  withForm,
  withGlazingAngle,
  withOpeningsCarried,
  withWays,
} from '../editing'
import { makeOutline } from '../geometry/section'

/**
 * A design in another form that can be built: at the same size where that stands up, else with the ridge at the nearest
 * height that does, and what stands in the house moved or lowered as little as that takes. null where nothing does.
 * @param trail designs of earlier forms, latest last: what this form sets free again is taken from them
 * @param untouched nothing but the form has been changed since the first of them: then its own house comes back whole
 */
export function inForm(design: Design, form: Form, trail: readonly Design[] = [], untouched = false): Design | null {
  if (form === design.shape.form) return design
  const before = untouched ? [...trail].reverse().find(d => d.shape.form === form) : undefined
  if (before)
    return {
      ...design,
      shape: before.shape,
      store: before.store,
      skin: { ...design.skin, openings: before.skin.openings },
    }
  const plain = withForm(
    design.shape,
    form,
    trail.map(d => d.shape),
  )
  const tries = [plain]
  const { glazingAngleDeg } = makeOutline(plain)
  for (const angle of [Math.min(60, Math.max(30, glazingAngleDeg)), 45, 55, 35, 25, 15])
    tries.push(withGlazingAngle(plain, angle))
  for (const t of [...tries]) tries.push({ ...t, sunkM: 0, riseM: 0 })
  // A house that is leaned on is at least as high as what leans on it.
  const leaning = (s: Design['shape']) =>
    form === 'lean-to' ? { ...s, house: { ...s.house, heightM: Math.max(s.house.heightM, s.ridgeHeightM) } } : s
  for (const shape of tries) {
    const tried = withOpeningsCarried({ ...design, shape: leaning(shape) })
    const house = documentFaults(tried).length === 0 ? madeToStand(tried) : null
    if (house && designFaults(house).length === 0) return withDoorsFree(house)
  }
  return null
}

/** The same with ways laid to what nobody would get to: as a form is taken. */
export function builtInForm(...asked: Parameters<typeof inForm>): Design | null {
  const house = inForm(...asked)
  return house && house !== asked[0] ? withWays(house) : house
}
