import { bodyName } from '../bodies/registry'
import type { Design } from '../design/types'
import { bedName } from '../design/words'
import { accessOf, SHOULDERS_M, WHEELCHAIR_M, type Access } from '../geometry/access'
import { openingName } from '../openings/registry'
import type { Show } from '../units'

const known = new WeakMap<Pick<Design, 'shape'>, Access>()

/** Where people get to in a house; worked out once for a design. */
export function accessIn(design: Design): Access {
  const found = known.get(design) ?? accessOf(design)
  known.set(design, found)
  return found
}

/** What in a house nobody gets to, each with its reason, in the reader's units. */
export function accessLines(design: Design, show: Show): string[] {
  const { practical } = design.aim
  const { hasDoor, beds, bodies, openings, cutOffM2 } = accessIn(design)
  if (!hasDoor) return ['No door is let in: nobody gets in to it.']
  const wayM = practical.wheelchair ? WHEELCHAIR_M : SHOULDERS_M
  const needs = `${practical.wheelchair ? 'a wheelchair needs' : 'shoulders need'} ${show(wayM, 'length')}`
  const list = (names: readonly string[]) => names.join(', ')
  return [
    ...beds.map(({ index, share }) => {
      const name = bedName(design.shape.beds, index)
      return share > 0.98
        ? `${name}: nobody gets to it from a door; ${needs} of way.`
        : `${name}: ${Math.max(1, Math.round(100 * share))} % of it is further from where one can stand than arms ` +
            `reach (${show(practical.reachM, 'length')}).`
    }),
    ...(bodies.length > 0
      ? [
          `Nobody gets to what is to be filled and emptied: ${list(
            bodies.map(i => bodyName(design.store.bodies, i).toLowerCase()),
          )}. Leave a way; ${needs} of it.`,
        ]
      : []),
    ...openings.map(
      i => `${openingName(design.skin.openings, i)} is moved by hand, and nobody gets to it from where one can stand.`,
    ),
    ...(cutOffM2 > 0 ? [`From ${show(cutOffM2, 'area')} of free floor no way leads to a door; ${needs} of it.`] : []),
  ]
}
