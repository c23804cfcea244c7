import type { Answers } from '../answers'
import { bodyName } from '../bodies/registry'
import type { Design } from '../design/types'
import { bedName } from '../design/words'
import { accessOf, type Access } from '../geometry/access'
import { SHOULDERS_M, WHEELCHAIR_M } from '../geometry/widths'
import { openingName } from '../openings/registry'
import { inMetric, type Show } from '../units'
import { designCautions, type Caution } from './cautions'

const known = new WeakMap<Pick<Design, 'shape'>, Access>()

/** Where people get to in a house; worked out once for a design. */
export function accessIn(design: Design): Access {
  const found = known.get(design) ?? accessOf(design)
  known.set(design, found)
  return found
}

/** Something that nobody gets to, and why, in the reader's units. */
export interface AccessFault {
  what: string
  why: string
}

/** What in a house nobody gets to from a door. */
export function accessFaults(design: Design, show: Show): AccessFault[] {
  const { practical } = design.aim
  const { hasDoor, beds, bodies, openings, cutOffM2 } = accessIn(design)
  if (!hasDoor) return [{ what: 'The house', why: 'no door is let in, so nobody gets in' }]
  const wayM = practical.wheelchair ? WHEELCHAIR_M : SHOULDERS_M
  const needs = `${practical.wheelchair ? 'a wheelchair needs' : 'shoulders need'} ${show(wayM, 'length')} of way`
  return [
    ...(cutOffM2 > 0
      ? [{ what: `${show(cutOffM2, 'area')} of free floor`, why: `no way leads from there to a door; ${needs}` }]
      : []),
    ...beds.map(
      ({ index, share }): AccessFault => ({
        what: bedName(design.shape.beds, index),
        why:
          share > 0.98
            ? `nobody gets to it from a door; ${needs}`
            : `${Math.max(1, Math.round(100 * share))} % of it is further from where one can stand than arms reach ` +
              `(${show(practical.reachM, 'length')})`,
      }),
    ),
    ...bodies.map(
      (i): AccessFault => ({
        what: bodyName(design.store.bodies, i),
        why: `nobody gets to where it is filled and emptied; ${needs}`,
      }),
    ),
    ...openings.map(
      (i): AccessFault => ({
        what: openingName(design.skin.openings, i),
        why: 'it is moved by hand, and nobody gets to it from where one can stand',
      }),
    ),
  ]
}

/** The same as sentences. */
export const accessLines = (design: Design, show: Show): string[] =>
  accessFaults(design, show).map(({ what, why }) => `${what}: ${why}.`)

/** All cautions of a design: those of its parts and its year, and what in it nobody gets to. */
export const allCautions = (design: Design, answers: Answers | null, show: Show = inMetric): Caution[] => [
  ...designCautions(design, answers, show),
  ...accessLines(design, show).map((text): Caution => ({ step: 'shape', text, general: false })),
]
