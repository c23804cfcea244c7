import type { Design, Opening } from '../core/design'
import { startOf } from '../core/design/field'
import { DOOR } from '../core/openings/door'
import { VENT } from '../core/openings/vent'
import { WINDOW } from '../core/openings/window'

type Some<K extends Opening['kind']> = Extract<Opening, { kind: K }>

const withOpenings = (d: Design, openings: Opening[]): Design => ({ ...d, skin: { ...d.skin, openings } })

/** A row of the same height that has a free area, whether it fits or not. */
const ofArea = (o: Some<'vent'> | Some<'ridge vent'>, areaM2: number) => {
  const count = Math.max(1, Math.ceil(areaM2 / (1.2 * o.heightM)))
  return { count, widthM: areaM2 / (count * o.heightM), strokeM: 3 }
}

/** A design whose low vents and ridge vents are of other areas, or are moved otherwise. */
export function aired(
  d: Design,
  { lowM2, highM2, ...opener }: { lowM2?: number; highM2?: number } & Partial<Some<'vent'>>,
): Design {
  return withOpenings(
    d,
    d.skin.openings.map(o =>
      o.kind === 'vent'
        ? { ...o, ...(lowM2 === undefined ? {} : ofArea(o, lowM2)), ...opener }
        : o.kind === 'ridge vent'
          ? { ...o, ...(highM2 === undefined ? {} : ofArea(o, highM2)), ...opener, kind: 'ridge vent', part: o.part }
          : o,
    ) as Opening[],
  )
}

/** A design whose doors are used otherwise. */
export const doored = (d: Design, use: Partial<Some<'door'>>): Design =>
  withOpenings(
    d,
    d.skin.openings.map(o => (o.kind === 'door' ? { ...o, ...use } : o)),
  )

export const withoutOpenings = (d: Design): Design => withOpenings(d, [])

/** A design with more openings. */
export const withMore = (d: Design, ...more: Opening[]): Design => withOpenings(d, [...d.skin.openings, ...more])

export const windowOn = (part: Opening['part'], own: Partial<Some<'window'>> = {}): Some<'window'> => ({
  ...(startOf(WINDOW.fields) as Some<'window'>),
  kind: 'window',
  part,
  ...own,
})
export const doorOn = (part: Opening['part'], own: Partial<Some<'door'>> = {}): Some<'door'> => ({
  ...(startOf(DOOR.fields) as Some<'door'>),
  kind: 'door',
  part,
  ...own,
})

export const ventOn = (part: Opening['part'], own: Partial<Some<'vent'>> = {}): Some<'vent'> => ({
  ...(startOf(VENT.fields) as Some<'vent'>),
  kind: 'vent',
  part,
  ...own,
})
