import { makeSiteYear, seriesOfYear } from '../climate'
import type { Design, NormalsClimate } from '../design/types'
import { usualYearlyLowC, withWinter } from '../start/place-climates'
import type { Unknown } from './unknowns'

const tenth = (v: number) => Math.round(v * 10) / 10
const twelve = (v: number): number[] => new Array<number>(12).fill(v)

/** Two ends of a climate in which some figures stand as given; null for an hourly year, which has none to give. */
function ends(
  { site }: Design,
  of: (climate: NormalsClimate) => readonly (readonly [words: string, figures: Partial<NormalsClimate>])[] | null,
) {
  if (site.climate.kind !== 'normals') return null
  const { climate } = site
  return (
    of(climate)?.map(([words, figures]) => ({
      words,
      patches: [['site.climate', { ...climate, ...figures }]] as [string, unknown][],
    })) ?? null
  )
}
/** A climate whose winter is so much warmer, its figure of extremes too, K. */
function withMilderWinter(climate: NormalsClimate, byK: number): Partial<NormalsClimate> {
  const shifted = (v: number | undefined) => (v === undefined ? undefined : tenth(v + byK))
  const [designLowC, meanYearlyLowC] = [shifted(climate.designLowC), shifted(climate.meanYearlyLowC)]
  return {
    ...withWinter(climate, byK),
    ...(designLowC === undefined ? {} : { designLowC }),
    ...(meanYearlyLowC === undefined ? {} : { meanYearlyLowC }),
  }
}

/** An illustrative winter may be off by so much, and the coldest hour that months alone tell of by so much, K. */
const WINTER_OFF_K = 3
const LOW_OFF_K = 4
const SUN_OFF = 0.2

/** What a climate leaves to an estimate, and how far that may be off: a new one is an entry here. */
export const CLIMATE_FIGURES: readonly Unknown[] = [
  {
    id: 'months',
    words: 'Lows and highs by month',
    measure: 'The means of the nearest weather station, typed, pasted or as a file.',
    ends: design =>
      ends(design, climate =>
        climate.illustrative === undefined
          ? null
          : [
              ['winters colder', withMilderWinter(climate, -WINTER_OFF_K)],
              ['winters milder', withMilderWinter(climate, WINTER_OFF_K)],
            ],
      ),
  },
  {
    id: 'yearly-low',
    words: 'The coldest night of most winters',
    measure: 'A hardiness zone, or what a neighbour’s thermometer went down to each year.',
    ends: design =>
      ends(design, climate => {
        if (climate.designLowC !== undefined || climate.meanYearlyLowC !== undefined) return null
        const usual = usualYearlyLowC(climate)
        const at = (c: number) => ({ meanYearlyLowC: tenth(Math.min(c, Math.min(...climate.lowC) - 1.5)) })
        return [
          ['lower than the months tell', at(usual - LOW_OFF_K)],
          ['higher than the months tell', at(usual + LOW_OFF_K)],
        ]
      }),
  },
  {
    id: 'sun',
    words: 'Sun by month',
    measure: 'Hours of sunshine or kWh/m² a day, from a station or a solar map.',
    ends: design =>
      ends(design, climate => {
        if (climate.globalJm2 !== undefined) return null
        const { globalJm2 } = seriesOfYear(makeSiteYear({ ...design.site, months: 'usual', climate }))
        return [
          ['a fifth less sun', { globalJm2: globalJm2.map(v => v * (1 - SUN_OFF)) }],
          ['a fifth more sun', { globalJm2: globalJm2.map(v => v * (1 + SUN_OFF)) }],
        ]
      }),
  },
  {
    id: 'wind',
    words: 'Wind by month',
    measure: 'The nearest station’s mean wind, high over open land.',
    ends: design =>
      ends(design, climate =>
        climate.windMs !== undefined
          ? null
          : [
              ['still air about', { windMs: twelve(1.5) }],
              ['a windy place', { windMs: twelve(6) }],
            ],
      ),
  },
  {
    id: 'humidity',
    words: 'Humidity by month',
    measure: 'The nearest station’s mean relative humidity.',
    ends: design =>
      ends(design, climate =>
        climate.humidity !== undefined
          ? null
          : [
              ['dry air', { humidity: twelve(0.55) }],
              ['damp air', { humidity: twelve(0.85) }],
            ],
      ),
  },
]
