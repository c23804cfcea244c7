import { DRIED, entry, FUELS } from '../../catalog'
import { aimLine } from '../../aim/aim-line'
import { standsOnM2 } from '../../geometry/objects'
import { tenHourDays, dailyLight, lampCount } from '../light'
import { soilWarming } from '../heat'
import { costPerUsefulKWh, woodlandFor, woodPerWinter } from '../fuel'
import { mainHeater, aSource } from '../../sources/registry'
import { heldC } from '../../study/held'
import { line, type Sum } from '../sum'
import { coldestNight, type BookEntry, type SumContext, type YearSays } from './entry'
import { heatLoss } from './skin'

/** Wood as it is burned by those who dry it, and what managed woodland grows, kg of dry wood to a square metre. */
const WOOD = { species: 'beech', moisture: DRIED, growthKgM2: 0.4 } as const
/** Where nothing is asked, leaf crops want so much light, mol/m² a day. */
const LEAF_DLI = 12

/** Heat that is bought in the year, J. */
const boughtJ = ({ answers }: SumContext) => answers.topUp.kWh * 3.6e6

const bought = (c: SumContext): YearSays => ({
  text: 'heat bought in this year',
  value: boughtJ(c),
  quantity: 'energy',
})

/** The darkest month's light and what is asked in it, mol/m² a day. */
function darkest({ answers, design }: SumContext): { dli: number; asked: number } {
  const line = aimLine(design.aim).dli
  const months = answers.months.map((m, i) => ({ dli: m.dli, asked: line[i] ?? LEAF_DLI }))
  return months.reduce((a, b) => (b.asked - b.dli > a.asked - a.dli ? b : a))
}

const lamps = ({ design }: SumContext) => {
  const own = design.topUp.sources.find(s => s.kind === 'lamps')
  return own?.kind === 'lamps' ? own : aSource('lamps')
}

const litHours = (c: SumContext): number => {
  const { fromH, untilH } = lamps(c)
  const hours = (untilH - fromH + 24) % 24
  return hours > 0.1 ? hours : 24
}
const growingM2 = ({ building }: SumContext): number =>
  building.bedAreaM2 > 0 ? building.bedAreaM2 : building.floorAreaM2

/** Soil of beds whose depth is not said, m. */
const USUAL_SOIL_M = 0.4
/** Soil that the beds hold down to their roots, m³. */
const bedSoilM3 = ({ design, building }: SumContext): number =>
  building.objects
    .filter(o => o.kind === 'bed')
    .reduce((sum, o) => sum + standsOnM2(o) * (design.shape.beds[o.index]!.soilDepthM ?? USUAL_SOIL_M), 0)

/** Days on which plants hold still for want of light. */
function shortDays({ design }: SumContext): Sum<number> | null {
  const days = tenHourDays(design.site.latitudeDeg)
  if (!days) return null
  return {
    result: days.count,
    rule: 'Under ten hours of daylight plants hold rather than grow. By latitude alone.',
    lines: [
      line('d₁', 'first of them, day of the year', days.from + 1, 'count'),
      line('d₂', 'last of them, day of the year', days.to + 1, 'count'),
      line('n', 'days in all', days.count, 'count'),
    ],
  }
}

export const TOP_UP_SUMS: readonly BookEntry[] = [
  {
    id: 'design-heat-loss',
    step: 'topUp',
    title: 'Heat loss at the design temperature',
    evidence: 'proof',
    formula: n => `=B1*SUM(B2:B${n - 2})`,
    of: c => heatLoss(c, heldC(c.design)),
    year: c => [
      { text: 'most that the year’s heaters gave at once', value: c.answers.topUp.peakW, quantity: 'power' },
      coldestNight(c),
    ],
  },
  {
    id: 'useful-kwh',
    step: 'topUp',
    title: 'Cost of a useful kWh',
    evidence: 'proof',
    formula: () => '=B1/(B2*B3)',
    of: ({ design }) => {
      const { fuel, pricePerKWh } = mainHeater(design.topUp.sources)
      return costPerUsefulKWh(fuel, pricePerKWh * entry(FUELS, fuel).perUnitKWh)
    },
    year: c => [bought(c), { text: 'what it cost', value: c.answers.topUp.cost, quantity: 'money' }],
  },
  {
    id: 'wood',
    step: 'topUp',
    title: 'Wood for the year’s heat',
    evidence: 'measured',
    formula: () => '=B1/(B3*B4)*(1-B2)/0.8/B6',
    of: c =>
      boughtJ(c) > 0 ? woodPerWinter(boughtJ(c), WOOD.species, WOOD.moisture, entry(FUELS, 'wood').efficiency) : null,
    year: c => [bought(c)],
  },
  {
    id: 'woodland',
    step: 'topUp',
    title: 'Woodland that grows as much each year',
    evidence: 'measured',
    formula: () => '=B1/B2',
    of: c => {
      if (boughtJ(c) <= 0) return null
      const { kg } = woodPerWinter(boughtJ(c), WOOD.species, WOOD.moisture, entry(FUELS, 'wood').efficiency).result
      return woodlandFor(kg, WOOD.moisture, WOOD.growthKgM2)
    },
    year: c => [bought(c)],
  },
  {
    id: 'short-days',
    step: 'topUp',
    title: 'Days under ten hours of daylight',
    evidence: 'proof',
    formula: () => '=IF(B2>=B1,B2-B1+1,B2-B1+366)',
    of: shortDays,
    year: ({ answers }) => [
      { text: 'days of the year dimmer than 5 mol/m² at the beds', value: answers.dimDays, quantity: 'count' },
    ],
  },
  {
    id: 'lamp-light',
    step: 'topUp',
    title: 'Daily light from 200 µmol/m²s of lamps',
    evidence: 'proof',
    formula: () => '=B1*B2*3600/1000000',
    of: c => dailyLight(200, litHours(c)),
    year: c => [{ text: 'the darkest month has, at the beds', value: darkest(c).dli, quantity: 'light' }],
  },
  {
    id: 'lamps',
    step: 'topUp',
    title: 'Lamps that fill the darkest month',
    evidence: 'measured',
    formula: () => '=ROUNDUP(B1*B2/(B3*B4*3600/1000000*B5*B6),0)',
    of: c => {
      const { dli, asked } = darkest(c)
      const { powerW, molPerMJ } = lamps(c)
      if (asked <= dli || powerW <= 0 || molPerMJ < 0.1) return null
      return lampCount(asked - dli, growingM2(c), litHours(c), powerW, molPerMJ)
    },
    year: c => [{ text: 'the darkest month has, at the beds', value: darkest(c).dli, quantity: 'light' }],
  },
  {
    id: 'bed-warming',
    step: 'topUp',
    title: 'Days that a loop takes to warm the beds from cold',
    evidence: 'measured',
    formula: () => '=B1*B2*B3/B4/86400',
    of: c => {
      const loop = c.design.topUp.sources.find(s => s.on && s.kind === 'bed loop')
      const soil = bedSoilM3(c)
      return loop?.kind === 'bed loop' && loop.capacityW >= 1 && soil > 0
        ? soilWarming(soil, c.answers.soilMinC, loop.setPointC, loop.capacityW)
        : null
    },
    year: c => [{ text: 'coldest soil of the year', value: c.answers.soilMinC, quantity: 'temperature' }],
  },
]
