<script setup lang="ts">
import { MONTH_NAMES, makeSiteYear, monthMeans, seriesOfYear, type OptionalSeries } from '../../../core/climate'
import type { NormalsClimate } from '../../../core/design'
import { formatNumber, parseQuantity, shownUnit, toShown, type Quantity } from '../../../core/units'

/** The months of a climate: every figure that the year uses, to change or to leave to the estimate. */
const bench = useDesign()
const settings = useSettings()
const drafts = useClimateDraft()
type Series = 'lowC' | 'highC' | OptionalSeries
interface Row {
  key: Series
  title: string
  quantity: Quantity
  decimals: number
  optional: boolean
  estimate: string
}
const ROWS: readonly Row[] = [
  { key: 'lowC', title: 'low', quantity: 'temperature', decimals: 1, optional: false, estimate: '' },
  { key: 'highC', title: 'high', quantity: 'temperature', decimals: 1, optional: false, estimate: '' },
  {
    key: 'sunshineH',
    title: 'sunshine, h a day',
    quantity: 'hours',
    decimals: 1,
    optional: true,
    estimate: 'what is needed of it, from the daily range of temperature',
  },
  {
    key: 'globalJm2',
    title: 'light, kWh/m²',
    quantity: 'insolation',
    decimals: 1,
    optional: true,
    estimate: 'from sunshine where it is given, else from the daily range; a day’s sum on level ground',
  },
  {
    key: 'humidity',
    title: 'humidity, %',
    quantity: 'share',
    decimals: 0,
    optional: true,
    estimate: 'from the daily low',
  },
  { key: 'windMs', title: 'wind', quantity: 'speed', decimals: 1, optional: true, estimate: 'a typical breeze' },
  { key: 'snowDays', title: 'days of snow', quantity: 'count', decimals: 0, optional: true, estimate: 'none' },
]
const climate = computed(() => bench.current.site.climate as NormalsClimate)
const draft = computed(() => drafts.of(bench.current.id))
const faults = ref<string[]>([])
const title = (row: Row) =>
  row.quantity === 'temperature' || row.quantity === 'speed'
    ? `${row.title}, ${shownUnit(row.quantity, settings.units).symbol}`
    : row.title
const figure = (row: Row, m: number) =>
  formatNumber(toShown(climate.value[row.key]![m]!, row.quantity, settings.units), row.decimals)
const said = (text: string) => Number(text.trim().replace(',', '.').replace('−', '-'))
const shown = (row: Row, m: number) => draft.value[`${row.key}-${m}`] ?? figure(row, m)
const waits = (row: Row, m: number) => `${row.key}-${m}` in draft.value

/**
 * Takes what is typed as soon as the month's figures fit each other; until then all stays as it was typed, and is not
 * used.
 */
function type(row: Row, m: number, event: Event): void {
  const cells: Record<string, string> = {
    ...draft.value,
    [`${row.key}-${m}`]: (event.target as HTMLInputElement).value,
  }
  const told: string[] = []
  const next: NormalsClimate = { ...climate.value }
  const taken: string[] = []
  for (let month = 0; month < 12; month++) {
    const values = new Map<Series, number>()
    let sound = true
    for (const r of ROWS) {
      const text = cells[`${r.key}-${month}`]
      if (text === undefined) continue
      const parsed = parseQuantity(text, r.quantity, settings.units)
      // What was not changed is not written.
      if (parsed.ok && said(text) === said(figure(r, month))) taken.push(`${r.key}-${month}`)
      else if (parsed.ok) values.set(r.key, Math.round(parsed.value * 1e4) / 1e4)
      else {
        sound = false
        told.push(`${MONTH_NAMES[month]}, ${r.title}: ${parsed.message}.`)
      }
    }
    const low = values.get('lowC') ?? climate.value.lowC[month]!
    const high = values.get('highC') ?? climate.value.highC[month]!
    if (sound && high - low < 0.5) {
      sound = false
      told.push(
        `${MONTH_NAMES[month]}: the low of ${settings.show(low, 'temperature')} is not half a degree below ` +
          `the high of ${settings.show(high, 'temperature')}. It waits for the other one.`,
      )
    }
    if (!sound) continue
    for (const [key, value] of values) {
      next[key] = next[key]!.map((v, i) => (i === month ? value : v))
      taken.push(`${key}-${month}`)
    }
  }
  if (taken.length > 0) {
    const refused = bench.edit([['site.climate', next]], `months ${row.key}`)
    if (refused) told.push(refused)
    else for (const cell of taken) delete cells[cell]
  }
  drafts.put(bench.current.id, cells)
  faults.value = told
}

function give(row: Row): void {
  const { site } = bench.current
  const figures = seriesOfYear(makeSiteYear({ ...site, months: 'usual', climate: site.climate as NormalsClimate }))
  bench.edit([['site.climate', { ...climate.value, [row.key]: figures[row.key as OptionalSeries] }]], `give ${row.key}`)
}
function estimate(row: Row): void {
  const rest: Partial<NormalsClimate> = { ...climate.value }
  delete rest[row.key]
  bench.edit([['site.climate', rest]], `estimate ${row.key}`)
}
const unused = (row: Row) => row.key === 'sunshineH' && climate.value.globalJm2 !== undefined

const EXTREMES = [
  ['designLowC', 'Coldest night of the year', -12],
  ['meanYearlyLowC', 'Mean of each winter’s coldest hour', -12],
  ['designHighC', 'Hottest afternoon of the year', 8],
  ['coldestMonthC', 'Mean of the coldest month you remember', -5],
] as const
type Extreme = (typeof EXTREMES)[number][0]
function giveExtreme(key: Extreme, beyond: number): void {
  const { lowC, highC } = climate.value
  const edge =
    key === 'designHighC'
      ? Math.max(...highC)
      : Math.min(...(key === 'coldestMonthC' ? monthMeans(climate.value) : lowC))
  bench.edit([['site.climate', { ...climate.value, [key]: Math.round(edge + beyond) }]], `give ${key}`)
}
function estimateExtreme(key: Extreme): void {
  const rest: Partial<NormalsClimate> = { ...climate.value }
  delete rest[key]
  bench.edit([['site.climate', rest]], `estimate ${key}`)
}
</script>

<template>
  <div>
    <div class="overflow-x-auto" v-sideways>
      <table class="months">
        <thead>
          <tr>
            <th scope="col">
              <span class="sr-only">Series</span>
            </th>
            <MonthHeads />
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in ROWS" :key="row.key" :class="unused(row) ? 'opacity-60' : ''" :data-test="`row-${row.key}`">
            <th scope="row">
              {{ title(row) }}
              <button
                v-if="row.optional"
                class="link"
                :data-test="`${climate[row.key] ? 'estimate' : 'give'}-${row.key}`"
                :aria-label="`${row.title}: ${climate[row.key] ? 'back to the estimate' : 'give figures'}`"
                @click="climate[row.key] ? estimate(row) : give(row)"
              >
                {{ climate[row.key] ? 'estimate' : 'give' }}
              </button>
            </th>
            <template v-if="climate[row.key]">
              <td v-for="(_, m) in 12" :key="m">
                <input
                  class="input !px-1 text-right"
                  :class="waits(row, m) ? 'waits' : ''"
                  :value="shown(row, m)"
                  :aria-label="`${MONTH_NAMES[m]} ${row.title}`"
                  :aria-invalid="waits(row, m)"
                  :data-test="`${row.key}-${m}`"
                  @change="type(row, m, $event)"
                />
              </td>
            </template>
            <template v-else>
              <td colspan="12" class="hint">estimated: {{ row.estimate }}</td>
            </template>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="unused(ROWS[2]!)" class="hint">Sunshine is not used while the light itself is given.</p>
    <ul v-if="faults.length > 0" class="fault" role="alert" data-test="month-faults">
      <li v-for="f in faults.slice(0, 4)" :key="f">
        {{ f }}
      </li>
      <li v-if="Object.keys(draft).length > 0">What is marked stays as typed and is not used yet.</li>
    </ul>
    <div class="mt-1 grid grid-cols-2 gap-x-4">
      <div v-for="[key, label, beyond] in EXTREMES" :key="key">
        <template v-if="climate[key] !== undefined">
          <QuantityField
            :label="label"
            quantity="temperature"
            :value="climate[key]!"
            :min="-75"
            :max="60"
            :set="v => bench.edit([['site.climate', { ...climate, [key]: v }]], key)"
          />
          <button class="link" :data-test="`estimate-${key}`" @click="estimateExtreme(key)">
            back to the estimate
          </button>
        </template>
        <p v-else class="hint">
          {{ label }}: {{ key === 'coldestMonthC' ? 'as such climates stray' : 'as the made days bring it' }}.
          <button class="link" :data-test="`give-${key}`" @click="giveExtreme(key, beyond)">give</button>
        </p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.months {
  border-collapse: separate;
  border-spacing: 1px;
  width: 100%;
  min-width: 36rem;
  table-layout: fixed;
}
.months th:first-child {
  width: 7.4rem;
}
.months th {
  font-weight: 400;
  font-size: 0.85rem;
  color: var(--soft);
  text-align: center;
}
.months tbody th {
  padding-right: 6px;
  text-align: left;
  color: var(--ink);
  line-height: 1.1;
}
.months .input {
  font-size: 0.9rem;
  padding-inline: 1px !important;
  letter-spacing: -0.02em;
}
.waits {
  border-style: dashed;
  border-color: var(--clay);
}
.link {
  font-size: 0.8rem;
  white-space: nowrap;
}
</style>
