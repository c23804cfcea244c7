<script setup lang="ts">
import VueApexCharts from 'vue3-apexcharts'
import type { ApexOptions } from 'apexcharts'
import { entry, FUELS } from '../../../core/catalog'
import { mainHeater } from '../../../core/sources/registry'
import { heldC } from '../../../core/study/held'
import { ranAsTold } from '../../../core/study/ran-as'
import { mainInsulation } from '../../../core/materials/assembly'
import { paybackSteps } from '../../../core/study/variants'

/** When more insulation in the walls stops paying, in this design. */
const bench = useDesign()
const studies = useStudies()
const settings = useSettings()
const run = useRunAs()
const points = computed(() => studies.all.walls.points)
/** Where thicker walls save nothing as the house is run, they may where it is held at an air. */
const atC = computed(() => heldC(bench.current))
function hold(): void {
  run.as = atC.value
  void studies.start('walls')
}
const heater = computed(() => mainHeater(bench.current.topUp.sources))
const currency = computed(() => bench.current.topUp.currency)
const price = computed(() => heater.value.pricePerKWh / entry(FUELS, heater.value.fuel).efficiency)
const steps = computed(() => paybackSteps(points.value, price.value))
/** A step that takes longer than this to pay is said to pay no more, years. */
const LONG = 20
const savesNothing = computed(() => steps.value.every(s => s.savedKWh < 1))
const last = computed(() => steps.value.filter(s => s.years <= LONG).at(-1) ?? null)
const own = computed(() => {
  const i = mainInsulation(bench.current.skin.wall)
  return i < 0 ? 0 : bench.current.skin.wall[i]!.thicknessM
})
const thick = (v: number) => (v < 0.005 ? 'none' : settings.show(v, 'thickness'))
const money = (v: number) => `${currency.value} ${Math.round(v)}`
const series = computed(() => [
  {
    name: `heat ${ranAsTold(studies.all.walls.as, settings.show)}, kWh a year`,
    data: points.value.map(p => Math.round(p.figures.heatKWh)),
  },
])
const options = computed((): ApexOptions => {
  const style = getComputedStyle(document.documentElement)
  const get = (name: string) => style.getPropertyValue(`--${name}`).trim()
  const line = settings.theme ? get('line') : ''
  return {
    chart: {
      id: 'wall-payback',
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: false },
      fontFamily: 'Source Sans 3, sans-serif',
      foreColor: get('ink'),
      background: 'transparent',
    },
    colors: [get('clay')],
    plotOptions: { bar: { columnWidth: '60%' } },
    dataLabels: { enabled: true, offsetY: -18, style: { colors: [get('ink')], fontWeight: 400 } },
    xaxis: { categories: points.value.map(p => thick(p.at)), axisBorder: { color: line }, axisTicks: { color: line } },
    yaxis: {
      min: 0,
      forceNiceScale: true,
      labels: { formatter: (v: number) => `${Math.round(v)}` },
      title: { text: 'kWh a year', style: { fontWeight: 400, color: get('soft') } },
    },
    grid: { borderColor: line },
    tooltip: { enabled: false },
    title: { text: undefined },
  }
})
</script>

<template>
  <div>
    <h2 class="group-title">When more in the walls stops paying</h2>
    <StudyBar kind="walls" ask="Work out thinner and thicker walls" />
    <div v-if="points.length > 1" :class="studies.stale.walls ? 'opacity-50' : ''" data-test="payback">
      <p>
        <template v-if="savesNothing">
          More insulation saves nothing here: this house, {{ ranAsTold(studies.all.walls.as, settings.show) }}, needs no
          heat.
          <button v-if="run.as !== atC" class="button quiet" data-test="hold-walls" @click="hold">
            Run it {{ ranAsTold(atC, settings.show) }}
          </button>
        </template>
        <template v-else-if="last">
          Up to <strong>{{ thick(last.toM) }}</strong> each step pays for itself within {{ LONG }} years of fuel not
          burned; beyond that it stops paying. Yours is {{ thick(own) }}.
        </template>
        <template v-else> No step pays for itself within {{ LONG }} years. Yours is {{ thick(own) }}. </template>
      </p>
      <template v-if="!savesNothing">
        <div
          role="img"
          :aria-label="
            `Heat by thickness: ` +
            `${points.map(p => `${thick(p.at)} ${Math.round(p.figures.heatKWh)} kWh`).join(', ')}`
          "
        >
          <VueApexCharts type="bar" height="190" :options="options" :series="series" />
        </div>
        <table class="text-sm">
          <thead>
            <tr class="text-right">
              <th scope="col" class="pr-4 text-left">step</th>
              <th scope="col" class="pr-4">costs more</th>
              <th scope="col" class="pr-4">saves a year</th>
              <th scope="col">pays after</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in steps" :key="s.toM" class="text-right">
              <td class="pr-4 text-left">{{ thick(s.fromM) }} → {{ thick(s.toM) }}</td>
              <td class="pr-4">
                {{ money(s.extraCost) }}
              </td>
              <td class="pr-4">
                {{ settings.show(s.savedKWh * 3.6e6, 'energy') }}
              </td>
              <td>
                {{
                  Number.isFinite(s.years) && s.years < 200
                    ? `${s.years < 10 ? s.years.toFixed(1) : Math.round(s.years)} years`
                    : 'never'
                }}
              </td>
            </tr>
          </tbody>
        </table>
        <p class="hint">
          Heat at {{ currency }} {{ price.toFixed(2) }} for each useful kWh, board at its rough price; interest and
          rising prices left out.
        </p>
      </template>
    </div>
  </div>
</template>
