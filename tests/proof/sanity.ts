import { CLIMATE_TYPES, climateMonths, entry } from '../../core/catalog'
import { DEMOS, type Design, type Opening } from '../../core/design'
import { startOf } from '../../core/design/field'
import { VENT } from '../../core/openings/vent'
import { createYearEngine } from '../../core/year'
import { unheated } from '../added'
import { tank } from '../bodies'
import { withMore, withoutOpenings } from '../openings'
import { designOfForm } from './light-error'
import { plain } from '../plain'

/** What a house is expected to do, roughly, and why: a result outside wants an explanation. */
export interface SanityRow {
  case: string
  low: number
  high: number
  got: number
  within: boolean
  why: string
}

const [ash, , fjellro, saritas, marsch] = DEMOS as unknown as [Design, Design, Design, Design, Design]
const bare = (d: Design): Design => ({
  ...unheated(d),
  skin: { ...d.skin, cover: { ...d.skin.cover, id: 'none' } },
  breathe: { ...d.breathe, rowCover: { ...d.breathe.rowCover, on: false } },
})

/** Beds grown over, as in the middle of summer. */
const inFullLeaf = (d: Design): Design => ({
  ...d,
  shape: { ...d.shape, beds: d.shape.beds.map(b => ({ ...b, crop: null, leafArea: 3 })) },
})

/** Houses beside what such houses are known to do. */
export function sanityRows(): SanityRow[] {
  const rows: SanityRow[] = []
  const row = (name: string, [low, high]: readonly [number, number], got: number, why: string) =>
    rows.push({ case: name, low, high, got, within: got >= low && got <= high, why })
  /** How much warmer than outside the coldest night is, K. */
  const held = (d: Design) => {
    const { coldestNight } = engine.run(d).answers
    return coldestNight.insideC - coldestNight.outsideC
  }
  row(
    'film without heat, clear still nights, mean over outside, K',
    [1, 4],
    stillNights({ ...bare(marsch), store: { ...marsch.store, bodies: [] } }),
    'one sheet, little mass; drops on it hold most of the longwave',
  )
  row(
    'insulated pole side and mass, no cover, K',
    [6, 14],
    held(bare(ash)),
    'twin-wall glazing is most of the loss; water and stone give back the day',
  )
  row('the same with its quilt, K', [12, 22], held(unheated(ash)), 'a well-fitted cover halves the loss')
  row('dug in against a house, no heat, K', [6, 18], held(unheated(fjellro)), 'the house and the ground hold it')
  row('dome with a tank, no cover, K', [4, 14], held(bare(saritas)), 'all of it glazed; a tank of water in the middle')
  row(
    'closed on sunny still noons, median over outside, K',
    [20, 35],
    closedNoons(bare(plain)),
    'sun in, and only leaks and panes to lose it',
  )
  for (const d of DEMOS) {
    const { months } = engine.run(inFullLeaf(d)).answers
    const july = months[d.site.latitudeDeg < 0 ? 0 : 6]!
    row(
      `${d.name}: soil of beds in full leaf less the air, hottest month, K`,
      [-3, 3],
      july.soilC - july.insideMeanC,
      'leaves catch most of the light that would warm it',
    )
  }
  const tankOf = (d: Design) => {
    const { months } = engine.run(d).answers
    const july = months[d.site.latitudeDeg < 0 ? 0 : 6]!
    return july.waterC! - july.insideMeanC
  }
  row('a dome’s open tank less the air, July mean, K', [-3, 5], tankOf(saritas), 'it evaporates by its surface')
  row(
    'an open tank behind beds in full leaf less the air, July mean, K',
    [-3, 5],
    tankOf({ ...inFullLeaf(unheated(plain)), store: { ...plain.store, bodies: [tank({ lengthM: 3, widthM: 1 })] } }),
    'leaves stand between it and the sun',
  )

  // Six more houses, each in a climate of another kind.
  const hoop = inClimate(designOfForm('hoop'), 'oceanic', 52)
  row(
    'film hoop by a mild dull sea, clear still nights, mean over outside, K',
    [1, 4],
    stillNights({
      ...bare(hoop),
      skin: { ...bare(hoop).skin, glazing: 'film-1' },
      store: { ...hoop.store, bodies: [] },
    }),
    'as above, in air that hardly freezes',
  )
  row(
    'gable with a solid pole side in a northern forest, no cover, K',
    [6, 14],
    held(bare(inClimate(designOfForm('gable'), 'boreal', 62))),
    'mass and half a skin that is insulated',
  )
  row(
    'saltbox in a southern continent with a tight quilt and much water, K',
    [12, 22],
    held(covered({ ...inClimate(designOfForm('saltbox'), 'continental', -44), store: wet(designOfForm('saltbox')) })),
    'a well-fitted cover over little loss',
  )
  row(
    'shed under a wet mild sky, closed on sunny still noons, K',
    [20, 35],
    closedNoons(bare(inClimate(designOfForm('shed'), 'mediterranean', 38))),
    'strong sun through two sheets of glass',
  )
  row(
    'gable in a humid summer, vents by hand in the morning, hot afternoons, K',
    [4, 12],
    hotAfternoons(byHand(inClimate(designOfForm('gable'), 'humid-subtropical', 33))),
    'vents stay as they were set; there is little wind',
  )
  row(
    'arch on a high steppe, vents by hand in the morning, hot afternoons, K',
    [4, 12],
    hotAfternoons(byHand(inClimate(designOfForm('arch'), 'steppe', 41))),
    'the sun is strong, and vents are small for it',
  )
  row('demo with vents by hand in the morning, hot afternoons, K', [4, 12], hotAfternoons(byHand(ash)), 'as above')
  return rows
}

const engine = createYearEngine()

/** Mean of an inside that is shut over its outside in clear still hours of cold nights, K. */
function stillNights(d: Design): number {
  const { site, series } = engine.run(d)
  const over: number[] = []
  for (let h = 0; h < 8760; h++)
    if (site.globalWm2[h] === 0 && site.cloud[h]! < 0.25 && site.windMs[h]! < 3 && site.dryBulbC[h]! < 5 && h % 24 < 7)
      over.push(series.airC[h]! - site.dryBulbC[h]!)
  return over.reduce((a, b) => a + b, 0) / over.length
}

/** Median over outside of a house without openings at sunny still noons, K. */
function closedNoons(d: Design): number {
  const { site, series } = engine.run(withoutOpenings(d))
  const over: number[] = []
  for (let h = 0; h < 8760; h++)
    if (site.globalWm2[h]! > 600 && site.windMs[h]! < 2 && h % 24 >= 11 && h % 24 <= 14)
      over.push(series.airC[h]! - site.dryBulbC[h]!)
  return over.sort((a, b) => a - b)[over.length >> 1]!
}

/** Mean over outside in the sunny hours of the warmest twentieth of the year, K. */
function hotAfternoons(d: Design): number {
  const { site, series } = engine.run(d)
  const warm = [...site.dryBulbC].sort((a, b) => b - a)[438]!
  const over: number[] = []
  for (let h = 0; h < 8760; h++)
    if (site.dryBulbC[h]! > warm && site.globalWm2[h]! > 500) over.push(series.airC[h]! - site.dryBulbC[h]!)
  return over.reduce((a, b) => a + b, 0) / over.length
}

/** Vents of a usual size that somebody opens on warm mornings and leaves. */
function byHand(d: Design): Design {
  const opened = { how: 'hand' as const, fromH: 7, untilH: 10, startC: 18 }
  const small = { ...d, skin: { ...d.skin, openings: [] as Design['skin']['openings'] } }
  const floor = d.shape.lengthM * d.shape.widthM
  const vent = (part: Opening['part'], sillM: number): Opening => ({
    ...(startOf(VENT.fields) as Extract<Opening, { kind: 'vent' }>),
    kind: 'vent',
    part,
    widthM: (0.04 * floor) / 0.3,
    heightM: 0.3,
    strokeM: 1,
    leaf: 'sheet',
    sillM: sillM - 0.15,
    ...opened,
  })
  return withMore(unheated(small), vent('eastEnd', 0.4), vent('westEnd', 1.2))
}

function inClimate(d: Design, id: string, latitudeDeg: number): Design {
  const type = entry(CLIMATE_TYPES, id)
  const climate = { kind: 'normals' as const, ...climateMonths(type, latitudeDeg) }
  return { ...d, site: { ...d.site, latitudeDeg, climate, horizon: [], spell: null } } as Design
}

const covered = (d: Design): Design => ({
  ...unheated(d),
  skin: { ...d.skin, cover: { ...d.skin.cover, id: 'thick-quilt', fit: 'tight', rule: 'cold', onlyBelowC: 12 } },
})
const wet = (d: Design): Design['store'] => ({
  ...d.store,
  bodies: d.store.bodies.map(b => (b.kind === 'drums' ? { ...b, count: 16, stack: 2 } : b)),
})
