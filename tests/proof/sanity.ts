import { CLIMATE_TYPES, climateMonths, entry } from '../../core/catalog'
import { DEMOS, type Design, type Opening } from '../../core/design'
import { startOf } from '../../core/design/field'
import { designFaults } from '../../core/editing'
import { VENT } from '../../core/openings/vent'
import { createYearEngine } from '../../core/year'
import { unheated } from '../added'
import { tank } from '../bodies'
import { withMore, withoutOpenings } from '../openings'
import { designOfForm } from './light-error'
import { plain } from '../plain'
import { madeSkin } from '../skin'

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
    'the same high up in thin dry air, K',
    [11, 22],
    held(bare(highUp(saritas))),
    'the sky takes more, and the sun has stored more',
  )
  row(
    'shut film arch with a solid back, clear days after nights below −20 °C, warmest over coldest, K',
    [14, 26],
    clearDays(bare(deepWinter(designOfForm('arch', 43)))),
    'nearly all the sun comes in; soil and wall take more than half of it',
  )
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
    tankOf({
      ...inFullLeaf(unheated(plain)),
      store: { ...plain.store, bodies: [tank({ lengthM: 3, widthM: 1, atM: 3.3 })] },
    }),
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

const years = createYearEngine()
/** Years of houses that can be built: a row about any other tells nothing. */
const engine = {
  run(d: Design) {
    const [fault] = designFaults(d)
    if (fault) throw new Error(`${d.name}: ${fault.path} ${fault.message}`)
    return years.run(d)
  },
}

/** A valley floor at 2400 m: clear nights, snow, twice the swing of the lowland. */
const highUp = (d: Design): Design => ({
  ...d,
  site: {
    ...d.site,
    latitudeDeg: 39.5,
    longitudeDeg: -105.5,
    timeZone: 'America/Denver',
    elevationM: 2400,
    climate: {
      kind: 'normals',
      lowC: [-13, -12, -8.5, -4.5, 0, 4, 7.5, 6.5, 2, -3.5, -9, -13],
      highC: [1, 2.5, 7, 11, 16.5, 22, 25, 23.5, 19.5, 13.5, 6, 1],
      sunshineH: [6.6, 7.3, 8, 8.6, 9.3, 10.4, 10, 9.4, 9.2, 8.2, 6.8, 6.2],
    },
  },
})

/** A plain with cold sunny winters; one film, and a quilt over it by night. */
export const deepWinter = (d: Design): Design => ({
  ...d,
  site: {
    ...d.site,
    horizon: [],
    climate: {
      kind: 'normals',
      lowC: [-22, -18, -9, 1, 8, 14, 18, 16, 9, 1, -9, -18],
      highC: [-10, -6, 2, 12, 20, 25, 28, 26, 20, 11, 0, -8],
      sunshineH: [5.6, 6.7, 7.4, 7.6, 8.4, 8.2, 7.7, 7.6, 7.2, 6.2, 5.1, 4.8],
    },
  },
  skin: { ...madeSkin(d.skin, { endsGlazedShare: 0 }), glazing: 'film-1' },
})

/** Median swing of a shut house on clear days whose night was below −20 °C, K. */
function clearDays(d: Design): number {
  const quilt = { ...d.skin.cover, id: 'thick-quilt' as const, place: 'outside' as const, rule: 'sun' as const }
  const { site, series } = engine.run(withoutOpenings({ ...d, skin: { ...d.skin, cover: quilt } }))
  const swings: number[] = []
  for (let h = 0; h < 8760; h += 24) {
    const sun = site.globalWm2.subarray(h, h + 24).reduce((a, b) => a + b, 0)
    if (Math.min(...site.dryBulbC.subarray(h, h + 24)) > -20 || sun < 2000) continue
    const day = series.airC.subarray(h, h + 24)
    swings.push(Math.max(...day) - Math.min(...day))
  }
  return swings.sort((a, b) => a - b)[swings.length >> 1]!
}

/** Mean of an inside that is shut over its outside in clear hours of cold nights, the stillest third of them, K. */
export function stillNights(d: Design): number {
  const { site, series } = engine.run(d)
  const clear = [...Array(8760).keys()].filter(
    h => site.globalWm2[h] === 0 && site.cloud[h]! < 0.25 && site.dryBulbC[h]! < 5 && h % 24 < 7,
  )
  const still = clear.sort((a, b) => site.windMs[a]! - site.windMs[b]!).slice(0, clear.length / 3)
  return still.reduce((sum, h) => sum + series.airC[h]! - site.dryBulbC[h]!, 0) / still.length
}

/** Median over outside of a house without openings at sunny still noons, K. */
export function closedNoons(d: Design): number {
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
    widthM: (0.04 * floor) / 0.6,
    heightM: 0.6,
    strokeM: 1,
    leaf: 'sheet',
    sillM,
    ...opened,
  })
  return withMore(unheated(small), vent('eastEnd', 0.3), vent('westEnd', 1.1))
}

export function inClimate(d: Design, id: string, latitudeDeg: number): Design {
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
