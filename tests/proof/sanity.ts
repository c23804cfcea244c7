import { DEMOS, type Design } from '../../core/design'
import { createYearEngine } from '../../core/year'
import { unheated } from '../added'
import { tank } from '../bodies'
import { withoutOpenings } from '../openings'
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
  const engine = createYearEngine()
  const row = (name: string, [low, high]: readonly [number, number], got: number, why: string) =>
    rows.push({ case: name, low, high, got, within: got >= low && got <= high, why })
  /** How much warmer than outside the coldest night is, K. */
  const held = (d: Design) => {
    const { coldestNight } = engine.run(d).answers
    return coldestNight.insideC - coldestNight.outsideC
  }
  row(
    'unheated film, clear cold night: inside over outside, K',
    [1, 4],
    held({ ...bare(marsch), store: { ...marsch.store, bodies: [] } }),
    'one sheet that longwave passes, little mass',
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
  const still = withoutOpenings(bare(plain))
  const closed = engine.run(still)
  let rise = 0
  for (let h = 0; h < 8760; h++)
    if (closed.site.globalWm2[h]! > 600 && closed.site.windMs[h]! < 2)
      rise = Math.max(rise, closed.series.airC[h]! - closed.site.dryBulbC[h]!)
  row(
    'closed on a sunny still noon, most over outside, K',
    [20, 40],
    rise,
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
  const water = engine.run({ ...unheated(plain), store: { ...plain.store, bodies: [tank({ lengthM: 3, widthM: 1 })] } })
  const july = water.answers.months[6]!
  row('open tank less the air, July mean, K', [-3, 5], july.waterC! - july.insideMeanC, 'it evaporates by its surface')
  return rows
}
