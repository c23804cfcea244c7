import { migrateDesign, type Design, type Opening } from '../design'
import { fieldFaults } from '../design/validate'
import { openingKind, openingName } from '../openings/registry'
import { fittedOpenings } from './fit-openings'

/** The first version that says openings by their leaves: what came before may not fit where it was said to be. */
const BY_LEAVES = 5

/**
 * A document of an earlier version in this one's schema, as {@link migrateDesign} makes it, with openings that fit
 * their parts: what did not is made as much as fits, or left out, and the document says so. What is of this version, or
 * cannot be read, comes back as it was. Never throws.
 */
export function broughtForward(document: unknown): unknown {
  const now = migrateDesign(document)
  const version = (document as { schemaVersion?: unknown } | null)?.schemaVersion
  if (typeof version !== 'number' || version >= BY_LEAVES || fieldFaults(now).length > 0) return now
  try {
    return withFitting(now as Design)
  } catch {
    // A section that is none: for the checks between fields to tell.
    return now
  }
}

function withFitting(design: Design): Design {
  const { openings } = design.skin
  const fitted = fittedOpenings(design)
  const free = (o: Opening | null) => (o ? openingKind(o).freeM2(o) : 0)
  const changed = openings.flatMap((o, i) =>
    fitted[i] === o ? [] : [{ what: openingName(openings, i), wasM2: free(o), isM2: free(fitted[i]!) }],
  )
  if (changed.length === 0) return design
  const skin = { ...design.skin, openings: fitted.filter(f => f !== null) }
  return { ...design, skin, madeToFit: [...design.madeToFit, ...changed] }
}
