import { airStoreKind, airStoreName } from '../../air-stores/registry'
import { kindOf } from '../../bodies/registry'
import { entry, VESSELS } from '../../catalog'
import { HOURS } from '../../climate/types'
import { bodyFace } from '../../geometry/faces'
import { WATER_DENSITY, WATER_SPECIFIC_HEAT } from '../../physics/constants'
import { ach50Of } from '../../air/ach50'
import { manifoldSize, fanOnPipes, fanRule, pipePressure, pipeRule, tubePressure } from '../air'
import { heatOfFreezing, heatStored, hoursCovered, warmingBySun, waterRule } from '../heat'
import type { Sum } from '../sum'
import { coldestNight, glazedM2, type BookEntry, type SumContext, type YearSays } from './entry'
import { nightLossW } from './night'
import { STORE_CHANGES, WATER_RULE } from './rules'
import { groundOf } from '../../materials/ground'

/** What a mass cools by in a cold night when it keeps frost away, K: so far the rule of thumb. */
const FALL_K = 5

/** Water that stands in the room, kg. */
function waterKg({ design, building }: SumContext): number {
  return design.store.bodies.reduce((sum, body, i) => {
    const box = building.objects.find(o => o.kind === 'body' && o.index === i)!
    return sum + kindOf(body).waterM3(body, box) * WATER_DENSITY
  }, 0)
}

const vesselOf = ({ store }: SumContext['design']) => {
  const drums = store.bodies.find(b => b.kind === 'drums')
  return entry(VESSELS, drums?.kind === 'drums' ? drums.vessel : 'barrel-200').volumeM3
}

const water = (rule: 'least' | 'most'): BookEntry => ({
  id: `water-${rule}`,
  step: 'store',
  title: `Vessels of water by the rule, ${rule}`,
  evidence: 'thin',
  formula: () => '=ROUNDUP(B1*B2/1000/B4,0)',
  of: ({ building, design }) => waterRule(glazedM2(building), WATER_RULE[rule], vesselOf(design)),
  year: c => [{ text: 'water in this house', value: waterKg(c) / WATER_DENSITY, quantity: 'volume' }, coldestNight(c)],
})

/** Days to either side of one that its season is the mean of. */
const SEASON = 15
const found = new WeakMap<SumContext['site'], { dull: number; clear: number }>()

/** The darkest and the brightest day of the coldest quarter of the year, as days of year. */
function winterDays({ site }: Pick<SumContext, 'site'>): { dull: number; clear: number } {
  const known = found.get(site)
  if (known) return known
  const count = HOURS / 24
  const of = (hours: Float32Array) =>
    Array.from({ length: count }, (_, d) => hours.subarray(d * 24, d * 24 + 24).reduce((s, v) => s + v, 0))
  const sun = of(site.globalWm2)
  const warm = of(site.dryBulbC)
  const season = warm.map((_, d) => {
    let sum = 0
    for (let k = -SEASON; k <= SEASON; k++) sum += warm[(d + k + count) % count]!
    return sum
  })
  const edge = [...season].sort((p, q) => p - q)[Math.floor(count / 4)]!
  const winter = [...season.keys()].filter(d => season[d]! <= edge).sort((p, q) => sun[p]! - sun[q]!)
  const days = { dull: winter[0]!, clear: winter.at(-1)! }
  found.set(site, days)
  return days
}

const daySum = (hours: Float32Array, day: number) =>
  hours.subarray(day * 24, day * 24 + 24).reduce((s, v) => s + v, 0) * 3600

/** Share of the sun of a day that lands on the water, and that sun, J. */
function sunOnWater(c: SumContext, day: number): { sunJ: number; share: number } {
  const sunJ = daySum(c.gains.transmittedW, day)
  const onIt = c.design.store.bodies.reduce((sum, body, i) => {
    const box = c.building.objects.find(o => o.kind === 'body' && o.index === i)!
    const face = c.gains.faces.find(f => f.id === bodyFace(i))
    return face && kindOf(body).waterM3(body, box) > 0 ? sum + daySum(face.watts, day) : sum
  }, 0)
  return { sunJ, share: sunJ > 0 ? Math.min(1, onIt / sunJ) : 0 }
}

/** How far water warmed on a day from its coldest hour on, K. */
function warmed({ series }: SumContext, day: number): number {
  const hours = series.waterC.subarray(day * 24, day * 24 + 24)
  let most = 0
  let least = Infinity
  for (const t of hours) {
    least = Math.min(least, t)
    most = Math.max(most, t - least)
  }
  return most
}

const sunDay = (sky: 'dull' | 'clear'): BookEntry => ({
  id: `sun-${sky}`,
  step: 'store',
  title: `What a ${sky} winter day does for the water`,
  evidence: 'proof',
  formula: () => '=B1*B2/B3',
  of: c => {
    const kg = waterKg(c)
    if (kg < 1) return null
    const { sunJ, share } = sunOnWater(c, winterDays(c)[sky])
    return warmingBySun(sunJ, share, kg)
  },
  year: c => [
    { text: 'the year has it warm by', value: warmed(c, winterDays(c)[sky]), quantity: 'temperatureDifference' },
  ],
})

const hoursOf = (sky: 'dull' | 'clear'): BookEntry => ({
  id: `hours-${sky}`,
  step: 'store',
  title: `How long the sun of a ${sky} winter day lasts against the night’s loss`,
  evidence: 'thin',
  formula: () => '=B1/B2/3600',
  of: c => {
    const kg = waterKg(c)
    if (kg < 1) return null
    const day = winterDays(c)[sky]
    const { sunJ, share } = sunOnWater(c, day)
    const lossW = nightLossW(c, day)
    if (lossW <= 0) return null
    const sum = hoursCovered(sunJ * share, lossW)
    return {
      ...sum,
      rule:
        'Stored heat over a steady loss. It goes wrong on both sides: air, soil and walls store too, ' +
        'and of what the day stored only a part is given back before morning.',
    }
  },
  year: c => [
    {
      text: 'heat that the water gave from that dusk to dawn',
      value: givenByNight(c, winterDays(c)[sky]),
      quantity: 'energy',
    },
  ],
})

/** Heat that the water lost from sunset of a day to the next sunrise, J; 0 where it warmed. */
function givenByNight({ series, site, ...c }: SumContext, day: number): number {
  const { from, until } = nightAfter(site.globalWm2, day)
  const at = (h: number) => series.waterC[h % HOURS]!
  return Math.max(0, (at(from) - at(until)) * waterKg({ series, site, ...c }) * WATER_SPECIFIC_HEAT)
}

/** The last lit hour of a day and the first of the next. */
function nightAfter(globalWm2: Float32Array, day: number): { from: number; until: number } {
  let from = day * 24 + 12
  while (from < day * 24 + 23 && globalWm2[from]! > 1) from++
  let until = from + 1
  while (until < day * 24 + 48 && !(globalWm2[until % HOURS]! > 1)) until++
  return { from, until }
}

/** The first earth store of a design, and its place among the air stores; null where none is in use. */
function earthStore({ design }: SumContext) {
  const i = design.store.airStores.findIndex(s => s.on && s.kind === 'earth store')
  const store = design.store.airStores[i]
  return store?.kind === 'earth store' ? { i, store } : null
}

const ofEarthStore =
  (make: (e: NonNullable<ReturnType<typeof earthStore>>, c: SumContext) => Sum<unknown>) => (c: SumContext) => {
    const own = earthStore(c)
    return own && make(own, c)
  }

const storeGave = (c: SumContext): YearSays[] => {
  const own = earthStore(c)
  if (!own) return []
  const { tookKWh, gaveKWh } = c.answers.airStores[own.i]!
  const name = airStoreName(c.design.store.airStores, own.i).toLowerCase()
  return [
    { text: `${name}: heat taken in the year`, value: tookKWh * 3.6e6, quantity: 'energy' },
    { text: `${name}: heat given back`, value: gaveKWh * 3.6e6, quantity: 'energy' },
  ]
}

/** Flow that an earth store's fan drives through it in the year, m³/h. */
const storeFlow = (c: SumContext): YearSays[] => {
  const own = earthStore(c)
  if (!own) return []
  const { flowM3s } = airStoreKind(own.store).work(own.store, {
    lengthM: c.building.lengthM,
    soilConductivity: groundOf(c.design.site).conductivity,
  })
  return [{ text: 'the year’s fan drives', value: flowM3s * 3600, quantity: 'airflow' }]
}

const changes = (rule: 'least' | 'most'): BookEntry => ({
  id: `fan-${rule}`,
  step: 'store',
  title: `Air through an earth store by the rule, ${rule}`,
  evidence: 'thin',
  formula: () => '=B1*B2',
  of: c => fanRule(c.building.volumeM3, STORE_CHANGES[rule]),
  year: storeFlow,
})

export const STORE_SUMS: readonly BookEntry[] = [
  water('least'),
  water('most'),
  {
    id: 'water-stores',
    step: 'store',
    title: `Heat that the water gives as it cools by ${FALL_K} K`,
    evidence: 'proof',
    formula: () => '=B1*B2*B3',
    of: c => (waterKg(c) < 1 ? null : heatStored(waterKg(c), WATER_SPECIFIC_HEAT, FALL_K)),
    year: c => [
      ...c.answers.bodies
        .filter(b => b.waterM3 > 0)
        .map(
          (b): YearSays => ({
            text: `${b.name}: mean swing of a day`,
            value: b.dailySwingK,
            quantity: 'temperatureDifference',
          }),
        ),
    ],
  },
  {
    id: 'water-freezes',
    step: 'store',
    title: 'Heat that the water gives as it freezes',
    evidence: 'proof',
    formula: () => '=B1*B2',
    of: c => (waterKg(c) < 1 ? null : heatOfFreezing(waterKg(c))),
    year: ({ answers }) =>
      answers.ice ? [{ text: 'hours with ice in the year', value: answers.ice.hours, quantity: 'hours' }] : [],
  },
  sunDay('dull'),
  hoursOf('dull'),
  sunDay('clear'),
  hoursOf('clear'),
  {
    id: 'pipes',
    step: 'store',
    title: 'Pipes of an earth store by the rule',
    evidence: 'thin',
    formula: () => '=ROUNDUP(B1*B2/B4,0)',
    of: c => pipeRule(c.building.volumeM3, earthStore(c)?.store.pipeLengthM ?? c.building.lengthM),
    year: storeGave,
  },
  changes('least'),
  changes('most'),
  {
    id: 'fan-on-pipes',
    step: 'store',
    title: 'Flow that the fan really drives',
    evidence: 'measured',
    formula: () => '=B1*(1-B3/B2)',
    of: ofEarthStore(({ store }) => fanOnPipes(store.fan, store.pipes, store.pipeLengthM, store.pipeDiameterM)),
    year: storeFlow,
  },
  {
    id: 'pipe-pressure',
    step: 'store',
    title: 'Pressure that the pipes take at that flow',
    evidence: 'measured',
    formula: () =>
      '=(IF(1.2*B3*B5/0.0000181<2300,64/(1.2*B3*B5/0.0000181),' +
      '0.25/LOG10(0.003/B5/3.7+5.74/(1.2*B3*B5/0.0000181)^0.9)^2)*B4/B5+4)*1.2*B3^2/2',
    of: ofEarthStore(({ store }) => {
      const { result } = fanOnPipes(store.fan, store.pipes, store.pipeLengthM, store.pipeDiameterM)
      return pipePressure(result, store.pipes, store.pipeLengthM, store.pipeDiameterM)
    }),
    year: () => [],
  },
  {
    id: 'tube-pressure',
    step: 'store',
    title: 'Pressure that an earth tube keeps in the closed house',
    evidence: 'measured',
    formula: () => '=50*(B1/(B2*B3))^(1/0.65)',
    of: c => {
      const i = c.design.store.airStores.findIndex(s => s.on && s.kind === 'earth tube')
      return i < 0
        ? null
        : tubePressure(c.answers.airStores[i]!.flowM3h, c.building.volumeM3, ach50Of(c.design.breathe))
    },
    year: c =>
      c.design.store.airStores.flatMap((s, i): YearSays[] =>
        s.on && s.kind === 'earth tube'
          ? [{ text: 'its fan ran for', value: c.answers.airStores[i]!.hours, quantity: 'hours' }]
          : [],
      ),
  },
  {
    id: 'manifold',
    step: 'store',
    title: 'Manifold that chokes no pipe',
    evidence: 'proof',
    formula: () => '=SQRT(4*B3/PI())',
    of: ofEarthStore(({ store }) => manifoldSize(store.pipes, store.pipeDiameterM)),
    year: () => [],
  },
]
