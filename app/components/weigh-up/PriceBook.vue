<script setup lang="ts">
import { rangeOf } from '../../../core/design'
import { PRICE_GROUPS, PRICE_ITEMS, type PriceGroup } from '../../../core/catalog'
import { BUILD_STAGES, PRICED } from '../../../core/takeoff/lines'
import { takeoff } from '../../../core/takeoff/takeoff'
import { pricesOf, withPrice } from '../../../core/takeoff/price-book'
import { formatNumber } from '../../../core/units'
import { readPricesCsv } from '../../../formats/prices-csv'

/** Prices of everything, rough until the reader owns them; what of this house they make. */
const bench = useDesign()
const notices = useNotices()
const settings = useSettings()
const currency = computed(() => bench.current.topUp.currency)
const price = computed(() => pricesOf(bench.current))
const own = computed(() => new Set(bench.current.topUp.prices.map(p => p.id)))
const cost = computed(() => takeoff(bench.current))
/** By stage and part, as the list under Build has them. */
const parts = computed(() => {
  const { lines } = cost.value
  const stages = Object.entries(BUILD_STAGES).map(([id, name]) => ({ name, lines: lines.filter(l => l.stage === id) }))
  return stages.flatMap(({ name, lines }) =>
    [...new Set(lines.map(l => l.part))].map((part, i) => ({
      stage: i === 0 ? name : '',
      part,
      cost: lines.filter(l => l.part === part).reduce((sum, l) => sum + l.cost, 0),
    })),
  )
})
const group = ref<PriceGroup>('part')
const items = computed(() => PRICE_ITEMS.filter(p => p.group === group.value))
const GROUPS = Object.entries(PRICE_GROUPS).map(([id, name]) => ({ id, name }))
const setGroup = (id: string) => {
  group.value = id as PriceGroup
  return null
}
const set = (id: string) => (v: number) => bench.edit(withPrice(bench.current, id, v), `price ${id}`)
const forget = (id: string) => bench.edit(withPrice(bench.current, id, null), `price ${id}`)
const book = () => ({ price: price.value, isOwn: (id: string) => own.value.has(id), currency: currency.value })
const chooser = useTemplateRef<HTMLInputElement>('chooser')
async function load(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const read = readPricesCsv(await file.text())
  const refused = read.ok ? bench.edit([['topUp.prices', read.prices]], 'prices from a file') : read.message
  if (!read.ok || refused)
    return void notices.tell('error', `${file.name} was not taken; nothing has changed.`, { lines: [refused!] })
  notices.tell('info', `${read.prices.length} prices of your own taken from ${file.name}.`)
}
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-2">
    <section>
      <h2 class="group-title">
        Price book
        <span class="hint font-sans font-normal"
          >in {{ currency }}, at {{ formatNumber(bench.current.topUp.ratio, 2) }} for one of the rough book, until you
          type your own</span
        >
      </h2>
      <div class="flex flex-wrap items-end gap-2">
        <ChoiceField label="Prices of" :value="group" :options="GROUPS" :set="setGroup" class="w-44" />
        <ExportButtons of="prices" :input="book" />
        <button class="button" data-test="load-prices" @click="chooser?.click()">Take from CSV</button>
        <input
          ref="chooser"
          type="file"
          accept=".csv,text/csv"
          class="sr-only"
          tabindex="-1"
          aria-label="A price book as CSV"
          @change="load"
        />
      </div>
      <table class="mt-2" data-test="prices">
        <tbody>
          <tr v-for="p in items" :key="p.id" class="border-t border-line">
            <th scope="row" class="pr-4 text-left font-normal">{{ settings.named(p.name) }}</th>
            <td class="price label-heard">
              <QuantityField
                :label="`Price of ${p.name}, a ${p.unit}`"
                :quantity="PRICED[p.unit] ?? 'money'"
                :value="price(p.id)"
                :min="0"
                :max="rangeOf('topUp.prices.0.each')[1]"
                :set="set(p.id)"
              />
            </td>
            <td class="px-3 whitespace-nowrap">{{ PRICED[p.unit] ? '' : `a ${p.unit}` }}</td>
            <td class="whitespace-nowrap">
              <button
                v-if="own.has(p.id)"
                class="button quiet"
                :aria-label="`${p.name}: back to the rough price`"
                @click="forget(p.id)"
              >
                yours ×
              </button>
              <span v-else class="hint">rough</span>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <section>
      <DesignField path="aim.cropWeek" class="mb-3 w-64" />
      <h2 class="group-title">
        What they make of this house
        <span class="hint font-sans font-normal">line by line under Build; transport is left out</span>
      </h2>
      <table class="w-full" data-test="cost-lines">
        <tbody>
          <tr v-for="p in parts" :key="`${p.stage} ${p.part}`" class="border-t border-line">
            <td class="pr-3 font-semibold">{{ p.stage }}</td>
            <th scope="row" class="text-left font-normal">{{ settings.named(p.part) }}</th>
            <td class="pl-4 text-right tabular-nums">{{ formatNumber(p.cost, 0) }}</td>
          </tr>
          <tr class="border-t border-ink">
            <th scope="row" colspan="2" class="text-left">all that is bought</th>
            <td class="pl-4 text-right font-semibold tabular-nums" data-figure="cost">
              {{ currency }} {{ formatNumber(cost.total, 0) }}
            </td>
          </tr>
          <tr class="border-t border-line">
            <th scope="row" colspan="2" class="text-left font-normal">
              work, apart: {{ settings.show(cost.hands.hours, 'hours') }} by people who have done it before
            </th>
            <td class="pl-4 text-right tabular-nums">{{ formatNumber(cost.hands.cost, 0) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.price :deep(input) {
  width: 5.5rem;
}
</style>
