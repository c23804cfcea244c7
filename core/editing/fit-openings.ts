import type { Design, Opening } from '../design'
import { openingMisfits } from '../geometry/let-in'
import { hostOf } from '../geometry/part-planes'
import { makeOutline } from '../geometry/section'
import type { Host } from '../openings/kind'
import { rowFor, WIDEST_M } from '../openings/leaf'
import { openingKind } from '../openings/registry'

type House = Pick<Design, 'shape' | 'skin'>

/**
 * Openings that fit a house: each as it is where it can be, else as near to that as fits, as much as fits, and null
 * where none of it does. In the order of the document.
 */
export function fittedOpenings(house: House, openings: readonly Opening[] = house.skin.openings): (Opening | null)[] {
  const withThese = (list: readonly Opening[]): House => ({ ...house, skin: { ...house.skin, openings: [...list] } })
  if (openingMisfits(withThese(openings)).length === 0) return [...openings]
  const outline = makeOutline(house.shape)
  const fitted: (Opening | null)[] = openings.map(() => null)
  const order = [...openings.keys()].sort((a, b) => rank(openings[a]!) - rank(openings[b]!))
  for (const i of order) {
    const o = openings[i]!
    const others = fitted.filter(f => f !== null)
    const fits = (tried: Opening) => openingMisfits(withThese([...others, tried]), others.length).length === 0
    fitted[i] = fits(o) ? o : nearest(o, hostOf(house, outline, o.part, openingKind(o).ridge), fits)
  }
  return fitted
}

/**
 * A house of another shape whose openings have gone along with it: those of before, as far as they fit.
 * @param before openings as they were before the shape began to change
 */
export function withOpeningsCarried<T extends House>(house: T, before: readonly Opening[] = house.skin.openings): T {
  const fitted = fittedOpenings(house, before)
  // What fits nowhere stays as it is, and is told.
  const openings = fitted.map((f, i) => f ?? before[i]!)
  return openings.every((o, i) => o === house.skin.openings[i])
    ? house
    : { ...house, skin: { ...house.skin, openings } }
}

/** People come first, then light, then air. */
const rank = (o: Opening) => (openingKind(o).traffic(o) ? 0 : o.kind === 'window' ? 1 : 2)

const SHARES = [1, 0.85, 0.7, 0.55, 0.4, 0.3, 0.2, 0.1, 0.05]
const mm = (v: number) => Math.round(v * 1000) / 1000

/** The largest opening of its kind that fits its part in the place of one that does not; null for none. */
function nearest(o: Opening, host: Host, fits: (tried: Opening) => boolean): Opening | null {
  for (const tried of smaller(o, host)) if (fits(tried)) return tried
  return null
}

function* smaller(o: Opening, host: Host): Generator<Opening> {
  const places = [0, 0.2, -0.2, 0.4, -0.4, 0.6, -0.6, 0.8, -0.8].map(share => mm((share * host.wideM) / 2))
  if (o.kind === 'door' || o.kind === 'roll-up side' || o.kind === 'window') {
    for (const low of SHARES)
      for (const narrow of SHARES.slice(0, 6))
        for (const offsetM of [o.offsetM, ...places]) {
          const heightM = mm(Math.max(o.kind === 'door' ? 0.5 : 0.1, low * o.heightM))
          if (o.kind === 'roll-up side')
            yield { ...o, heightM, lengthM: mm(Math.max(0.5, narrow * o.lengthM)), offsetM }
          else yield { ...o, heightM, widthM: mm(Math.max(0.1, narrow * o.widthM)), offsetM }
        }
    return
  }
  const wanted = o.count * o.widthM * o.heightM
  const rows = [1, 1.5, 0.75, 0.5, 0.3].flatMap(low =>
    [1, 0.75, 0.6, 0.45, 0.3].flatMap(narrow => {
      const heightM = mm(Math.max(0.05, low * o.heightM))
      const { count: most, widthM } = rowFor(wanted, host.wideM, heightM, Math.max(0.1, narrow * WIDEST_M))
      return SHARES.map(share => ({ count: Math.max(1, Math.round(share * most)), widthM, heightM }))
    }),
  )
  const areaOf = (r: (typeof rows)[number]) => r.count * r.widthM * r.heightM
  for (const row of rows.filter(r => areaOf(r) <= 1.02 * wanted).sort((p, q) => areaOf(q) - areaOf(p))) {
    const sills = 'sillM' in o ? [o.sillM, 0.05, ...[0.25, 0.5, 0.75, 1].map(s => s * (host.longM - row.heightM))] : [0]
    for (const sillM of sills) {
      const at = { ...o, ...row, ...('sillM' in o ? { sillM: mm(Math.max(0, Math.floor(sillM * 100) / 100)) } : {}) }
      yield at as Opening
      for (const offsetM of places) yield { ...at, evenly: 'together', offsetM } as Opening
    }
  }
}
