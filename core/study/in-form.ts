import type { Design, Form } from '../design'
import {
  designFaults,
  documentFaults,
  freeOpening,
  madeToStand,
  withDoorsFree,
  withForm,
  withGlazingAngle,
  withOpeningsCarried,
  withWays,
} from '../editing'
import { accessOf } from '../geometry/access'
import { makeOutline } from '../geometry/section'
import { openingKind } from '../openings/registry'

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
  let roomy = false
  for (const shape of tries) {
    const tried = { ...design, shape: leaning(shape) }
    const sound = documentFaults(tried).length === 0
    const standing = sound ? madeToStand(tried) : null
    // What the floor has no room for, no height gives room to.
    if (sound && !standing && !roomy && !madeToStand({ ...tried, shape: lifted(shape) })) return null
    roomy ||= sound
    const house = standing && withOpeningsCarried(standing)
    if (house && designFaults(house).length === 0) return withDoorsFree(house)
  }
  return null
}

/** A shape with walls and ridge far over all that stands in it. */
const lifted = (shape: Design['shape']): Design['shape'] => ({
  ...shape,
  kneeWallM: shape.kneeWallM + 2,
  ridgeHeightM: shape.ridgeHeightM + 3,
  backWallM: shape.backWallM + 3,
})

/** The same with a door, and ways laid to what nobody would get to: as a form is taken. */
export function builtInForm(...asked: Parameters<typeof inForm>): Design | null {
  const house = inForm(...asked)
  return house && house !== asked[0] ? withWays(withWayIn(house)) : house
}

/** A house whose door is in a part that its form does not have gets it where the form has room for it. */
function withWayIn(design: Design): Design {
  const { openings } = design.skin
  const index = openings.findIndex(o => openingKind(o).traffic(o) !== null)
  if (index < 0 || accessOf(design).hasDoor) return design
  const put = (list: Design['skin']['openings']): Design => ({ ...design, skin: { ...design.skin, openings: list } })
  const door = openings[index]!
  const made = freeOpening(put(openings.filter((_, i) => i !== index)), openingKind(door), 'kneeWall', door)
  const house = made && withDoorsFree(put(openings.map((o, i) => (i === index ? made : o))))
  return house && designFaults(house).length === 0 ? house : design
}
