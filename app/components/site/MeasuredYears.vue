<script setup lang="ts">
import { monthlyNormals } from '../../../core/climate'
import type { HourlyClimate } from '../../../core/design'
import { inYear, measuredYears, withoutYear } from '../../../core/editing/measured-years'

/** The measured years of a place: which the house is worked out in, the others as its winters. */
const props = defineProps<{ climate: HourlyClimate }>()
const emit = defineEmits<{ add: [kind: 'epw' | 'csv'] }>()
const bench = useDesign()
const settings = useSettings()
const t = (c: number) => settings.show(c, 'temperature')
const years = computed(() =>
  measuredYears(props.climate).map(({ source, dryBulbC }) => {
    const { lowC, highC } = monthlyNormals(dryBulbC)
    const means = lowC.map((low, m) => (low + highC[m]!) / 2)
    return { source, coldestC: dryBulbC.reduce((a, b) => Math.min(a, b)), monthC: Math.min(...means) }
  }),
)
const use = (i: number) => bench.edit([['site.climate', inYear(props.climate, i)]], 'worked out in another year')
function takeOut(i: number): void {
  const climate = withoutYear(props.climate, i)
  if (climate) bench.edit([['site.climate', climate]], 'a measured year taken out')
}
</script>

<template>
  <div class="mt-2" data-test="measured-years">
    <table v-if="years.length > 1" class="text-sm">
      <caption class="text-left">
        Winters that were measured
      </caption>
      <thead>
        <tr class="text-right">
          <th scope="col" class="pr-4 text-left font-normal">file</th>
          <th scope="col" class="pr-4 font-normal">coldest hour</th>
          <th scope="col" class="pr-4 font-normal">coldest month</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(y, i) in years" :key="y.source" class="border-t border-line text-right">
          <th scope="row" class="pr-4 text-left font-normal">{{ y.source }}</th>
          <td class="pr-4">{{ t(y.coldestC) }}</td>
          <td class="pr-4">{{ t(y.monthC) }}</td>
          <td class="text-left">
            <strong v-if="i === 0">the house is worked out in it</strong>
            <button v-else class="link" :aria-label="`Work the house out in ${y.source}`" @click="use(i)">
              work it out in this one
            </button>
            <button class="link ml-3" :aria-label="`Take ${y.source} out`" @click="takeOut(i)">take out</button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="hint">One measured winter says nothing of how far others stray.</p>
    <button class="button mt-1" data-test="add-epw" @click="emit('add', 'epw')">Add other years, EPW</button>
    <button class="button mt-1 ml-2" data-test="add-csv" @click="emit('add', 'csv')">Add another year, CSV</button>
    <DesignField path="site.varyMeasured" class="mt-1" />
  </div>
</template>
