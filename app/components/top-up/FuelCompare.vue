<script setup lang="ts">
import { entry, FUELS, woodHeatJkg } from '../../../core/catalog'
import type { Patch } from '../../../core/editing'
import { heldC } from '../../../core/study/held'
import { costPerUsefulKWh, woodlandFor, woodPerWinter, WOODS } from '../../../core/sums'
import { mainHeater } from '../../../core/sources/registry'
import { pricesOf, withPrice } from '../../../core/takeoff/price-book'

/** What a useful kWh costs by fuel, with prices of one's own; and wood by species and dryness, with what grows it. */
const bench = useDesign()
const year = useYear()
const studies = useStudies()
const settings = useSettings()
const currency = computed(() => bench.current.topUp.currency)
const main = computed(() => mainHeater(bench.current.topUp.sources))
/** The price book's; the main heater's own is its source's. */
const prices = computed(() => {
  const of = pricesOf(bench.current)
  const all = Object.fromEntries(FUELS.map(f => [f.id, of(`fuel.${f.id}`)])) as Record<string, number>
  return { ...all, [main.value.fuel]: main.value.pricePerKWh }
})
/** The year's heat: what it buys, else what would hold the air, where that has been worked out. */
const heat = computed(() => {
  const bought = year.view?.answers.topUp.kWh ?? 0
  if (bought > 0) return { kWh: bought, what: 'what this year buys' }
  const held = heldC(bench.current)
  const { points } = studies.all.held
  const nearest = [...points].sort((a, b) => Math.abs(a.at - held) - Math.abs(b.at - held))[0]
  return nearest
    ? { kWh: nearest.figures.heatKWh, what: `what holds ${settings.show(nearest.at, 'temperature')} all year` }
    : null
})
/** Heat of the night that took most, from noon to noon, kWh; 0 where none is bought. */
const nightKWh = computed(() => {
  const watts = year.view?.hours.heaterW
  let most = 0
  for (let noon = 12; watts && noon + 24 <= watts.length; noon += 24)
    most = Math.max(most, watts.subarray(noon, noon + 24).reduce((sum, w) => sum + w, 0) / 1000)
  return most
})
const rows = computed(() =>
  FUELS.map(f => {
    const perUseful = costPerUsefulKWh(f.id, prices.value[f.id]! * f.perUnitKWh).result
    return {
      ...f,
      perUseful,
      night: perUseful * nightKWh.value,
      winter: heat.value && perUseful * heat.value.kWh,
      amount: heat.value && heat.value.kWh / f.efficiency / f.perUnitKWh,
    }
  }).sort((a, b) => a.perUseful - b.perUseful),
)
const money = (v: number) => `${currency.value} ${v < 10 ? v.toFixed(2) : Math.round(v)}`
function price(id: string, v: number): string | null {
  const i = bench.current.topUp.sources.findIndex(s => 'fuel' in s && s.fuel === id && s.kind === main.value.kind)
  const own: Patch[] = id === main.value.fuel && i >= 0 ? [[`topUp.sources.${i}.pricePerKWh`, v]] : []
  return bench.edit([...withPrice(bench.current, `fuel.${id}`, v), ...own], `price ${id}`)
}
const flue = (f: (typeof FUELS)[number]) =>
  f.id === 'electricity' ? 'none needed' : f.waterKg > 0 ? 'none: fumes wet the air, and harm' : 'flue'
const wood = reactive({ species: 'beech', moisture: 0.2, growth: 0.4 })
const stove = entry(FUELS, 'wood').efficiency
const woodSum = computed(() =>
  heat.value ? woodPerWinter(heat.value.kWh * 3.6e6, wood.species, wood.moisture, stove) : null,
)
const land = computed(() => (woodSum.value ? woodlandFor(woodSum.value.result.kg, wood.moisture, wood.growth) : null))
/** A stacked cord, m³, and an acre, m². */
const CORD = 3.625
const ACRE = 4046.86
const isUs = computed(() => settings.units === 'us')
const stacked = (m3: number) =>
  isUs.value ? `${(m3 / CORD).toFixed(2)} cords` : `${m3.toFixed(1)} stacked cubic metres`
const ground = (m2: number) => (isUs.value ? `${(m2 / ACRE).toFixed(2)} acres` : `${(m2 / 10000).toFixed(2)} hectares`)
const GROWTHS = computed(() => [
  { id: '0.4', name: `managed woodland, ${isUs.value ? '1.8 short tons an acre' : '4 t a hectare'}` },
  { id: '1', name: `coppiced willow, ${isUs.value ? '4.5 short tons an acre' : '10 t a hectare'}` },
])
const setMoisture = (v: number) => {
  wood.moisture = v
  return null
}
</script>

<template>
  <div class="px-4 py-3">
    <h2 class="group-title">
      A useful kWh, by fuel
      <span class="hint font-sans font-normal">prices are rough until you type yours</span>
    </h2>
    <div class="overflow-x-auto" v-sideways>
      <table class="fuels" data-test="fuels">
        <thead>
          <tr>
            <th scope="col">fuel</th>
            <th scope="col">a kWh of fuel, {{ currency }}</th>
            <th scope="col">a useful kWh</th>
            <th scope="col">useful</th>
            <template v-if="heat">
              <th v-if="nightKWh > 0" scope="col">the hardest night</th>
              <th scope="col">a winter</th>
              <th scope="col">burned</th>
            </template>
            <th scope="col">flue</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="f in rows" :key="f.id">
            <th scope="row">{{ f.name }}</th>
            <td>
              <QuantityField
                class="price label-heard"
                :label="`Price of a kWh of ${f.name.toLowerCase()}`"
                quantity="money"
                :value="prices[f.id]!"
                :min="0"
                :max="100"
                :set="(v: number) => price(f.id, v)"
              />
            </td>
            <td>
              <strong>{{ currency }} {{ f.perUseful.toFixed(2) }}</strong>
            </td>
            <td>{{ Math.round(f.efficiency * 100) }} %</td>
            <template v-if="heat">
              <td v-if="nightKWh > 0">{{ money(f.night) }}</td>
              <td>{{ money(f.winter!) }}</td>
              <td>{{ settings.compound(f.amount!, f.unit, 3) }}</td>
            </template>
            <td>{{ flue(f) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="hint">
      {{
        heat
          ? `A winter: ${settings.show(heat.kWh * 3.6e6, 'energy')}, ${heat.what}.`
          : 'This house buys no heat. Work out “What it needs” to see what a winter would cost.'
      }}
      A kWh is energy; a kW is how fast it flows. Whatever burns is for a licensed trade.
    </p>
    <h2 class="group-title mt-3">
      Wood <span class="hint font-sans font-normal">by weight all species heat alike; by the stack they do not</span>
    </h2>
    <div class="flex flex-wrap items-end gap-x-6 gap-y-1">
      <ChoiceField label="Species" :value="wood.species" :options="WOODS" :set="(v: string) => (wood.species = v)" />
      <QuantityField
        label="Water in it, of its weight"
        quantity="share"
        :value="wood.moisture"
        :min="0"
        :max="0.6"
        :set="setMoisture"
        hint="dried for two years 20 %, fresh 50 %"
      />
      <ChoiceField
        label="Grown by"
        :value="String(wood.growth)"
        :options="GROWTHS"
        :set="(v: string) => (wood.growth = Number(v))"
      />
    </div>
    <p class="mt-1" data-test="wood">
      It gives {{ settings.compound(woodHeatJkg(wood.moisture), 'J/kg') }}.
      <template v-if="woodSum && land">
        The winter burns <strong>{{ settings.show(woodSum.result.kg, 'mass') }}</strong
        >, {{ stacked(woodSum.result.stackedM3) }}; {{ ground(land.result) }} grow as much each year.
      </template>
    </p>
    <SumLines v-if="woodSum" :sum="woodSum" />
  </div>
</template>

<style scoped>
.fuels th,
.fuels td {
  padding: 0.1rem 1rem 0.1rem 0;
  text-align: right;
  font-weight: 400;
  white-space: nowrap;
  border-bottom: 1px solid var(--line);
}
.fuels th[scope='row'] {
  text-align: left;
}
.fuels tr > th:first-child {
  text-align: left;
}
.price :deep(input) {
  width: 5rem;
}
</style>
