<script setup lang="ts">
import VueApexCharts from 'vue3-apexcharts'
import type { ApexOptions } from 'apexcharts'
import { entry, GLAZINGS } from '../../../core/catalog'
import { ranAsTold } from '../../../core/study/ran-as'
import { shownUnit } from '../../../core/units'
import { glazingAt } from '../../../core/optics/glazing-light'
import { pricesOf } from '../../../core/takeoff/price-book'

/**
 * Every glazing in this design's openings: its figures side by side, and its light against the angle at which the sun
 * meets it.
 */
const bench = useDesign()
const studies = useStudies()
const settings = useSettings()
const study = computed(() => studies.all.glazings)
/** Under about 70 % fruiting crops suffer: what is shown as 70 % is not under it. */
const DIM = 0.695
const own = computed(() => bench.current.skin.glazing)
const price = computed(() => pricesOf(bench.current))
const rows = computed(() =>
  GLAZINGS.map((g, i) => ({
    g,
    light: glazingAt(g, 1).transmittance,
    figures: study.value.points.find(p => p.at === i && p.across === 0)?.figures,
  })),
)
const now = computed(() => rows.value.find(r => r.g.id === own.value)?.figures)
const take = (id: string) => bench.edit([['skin.glazing', id]])
const told = useToldFigures()
/** Its row is the house as it stands. */
const isOwn = (id: string) => id === own.value && study.value.as === 'stands' && !studies.stale.glazings
const currency = computed(() => bench.current.topUp.currency)

const angles = Array.from({ length: 18 }, (_, i) => i * 5)
/** The chosen glazing among its plainest rivals. */
const shown = computed(() =>
  [...new Set([own.value, 'glass-1', 'glass-2', 'twinwall-10', 'multiwall-16', 'film-2'])]
    .slice(0, 5)
    .map(id => entry(GLAZINGS, id)),
)
const series = computed(() =>
  shown.value.map(g => ({
    name: settings.named(g.name),
    data: angles.map(a => Math.round(glazingAt(g, Math.cos((a * Math.PI) / 180)).transmittance * 1000) / 10),
  })),
)
const options = computed((): ApexOptions => {
  const style = getComputedStyle(document.documentElement)
  const get = (name: string) => style.getPropertyValue(`--${name}`).trim()
  const line = settings.theme ? get('line') : ''
  return {
    chart: {
      id: 'light-by-angle',
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: false },
      fontFamily: 'Source Sans 3, sans-serif',
      foreColor: get('ink'),
      background: 'transparent',
    },
    colors: [get('clay'), get('slate'), get('moss'), get('straw'), get('ink')],
    stroke: { width: [3.5, 2, 2, 2, 2], dashArray: [0, 0, 5, 3, 7], curve: 'straight' },
    xaxis: {
      categories: angles,
      tickAmount: 9,
      title: { text: 'sun from square to the sheet, °', style: { fontWeight: 400, color: get('soft') } },
      axisBorder: { color: line },
      axisTicks: { color: line },
      tooltip: { enabled: false },
    },
    yaxis: { min: 0, max: 100, tickAmount: 5, labels: { formatter: (v: number) => `${Math.round(v)} %` } },
    legend: { position: 'bottom', fontSize: '13px' },
    grid: { borderColor: line },
    tooltip: { theme: settings.theme === 'night' ? 'dark' : 'light' },
  }
})
</script>

<template>
  <div class="space-y-3 px-4 py-3">
    <div>
      <StudyBar kind="glazings" ask="Work out each glazing in this design" />
      <div class="overflow-x-auto" v-sideways>
        <table class="w-full text-sm" data-test="glazing-table">
          <thead>
            <tr class="text-right">
              <th scope="col" class="text-left">Glazing</th>
              <th scope="col">
                <TermLink id="u-value">U</TermLink
                ><span class="hint block font-normal">{{ shownUnit('transmittance', settings.units).symbol }}</span>
              </th>
              <th scope="col">light</th>
              <th scope="col">
                price<span class="hint block font-normal"
                  >{{ currency }}{{ shownUnit('arealPrice', settings.units).symbol }}</span
                >
              </th>
              <th scope="col">
                weight<span class="hint block font-normal">{{ shownUnit('arealMass', settings.units).symbol }}</span>
              </th>
              <th scope="col">life<span class="hint block font-normal">years</span></th>
              <th scope="col">
                coldest night<span class="hint block font-normal">{{ ranAsTold(study.as, settings.show) }}</span>
              </th>
              <th scope="col">heat<span class="hint block font-normal">bought a year</span></th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="r in rows"
              :key="r.g.id"
              class="border-t border-line text-right"
              :class="r.g.id === own ? 'bg-(--warn)' : ''"
            >
              <th scope="row" class="text-left font-normal">
                <button
                  class="link"
                  :aria-pressed="r.g.id === own"
                  :title="`Source: ${r.g.source}`"
                  :data-test="`take-${r.g.id}`"
                  @click="take(r.g.id)"
                >
                  {{ settings.named(r.g.name) }}
                </button>
              </th>
              <td>{{ settings.show(r.g.uValue, 'transmittance', { unit: false }) }}</td>
              <td
                :class="r.light < DIM ? 'text-clay' : ''"
                :title="r.light < DIM ? 'Under about 70 % fruiting crops suffer.' : ''"
              >
                {{ Math.round(r.light * 100) }} %{{ r.light < DIM ? ' dim' : '' }}
              </td>
              <td>{{ settings.show(price(`glazing.${r.g.id}`), 'arealPrice', { unit: false }) }}</td>
              <td>{{ settings.show(r.g.weightKgM2, 'arealMass', { unit: false }) }}</td>
              <td>{{ r.g.lifeYears }}</td>
              <td :class="studies.stale.glazings ? 'opacity-50' : ''">
                <template v-if="r.figures">
                  <span :data-figure="isOwn(r.g.id) ? 'coldest' : null">{{ told('coldest', r.figures) }}</span>
                  <span v-if="now && r.g.id !== own" class="hint">{{
                    settings.show(r.figures.coldestC - now.coldestC, 'temperatureDifference', {
                      sign: true,
                      unit: false,
                    })
                  }}</span> </template
                ><template v-else> · </template>
              </td>
              <td
                :class="studies.stale.glazings ? 'opacity-50' : ''"
                :data-figure="isOwn(r.g.id) && r.figures ? 'heat' : null"
              >
                {{ r.figures ? told('heat', r.figures) : '·' }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="hint mt-1">
        Prices are rough and no quotation: sheet, bars and fixings. Light is for the clean new sheet met squarely.
        Tinted and “solar control” sheets are left out on purpose: they ruin a greenhouse.
      </p>
    </div>
    <div>
      <h2 class="group-title">Light through it, by the sun’s angle</h2>
      <div
        role="img"
        aria-label="Share of the sun’s light that passes, against its angle from square to the sheet"
        data-test="light-by-angle"
      >
        <VueApexCharts type="line" height="290" :options="options" :series="series" />
      </div>
      <p v-if="entry(GLAZINGS, own).id.includes('wall')" class="caution-line" data-test="uv-face">
        Mark the outside (UV) face of multiwall sheet before its film comes off: the wrong way round it goes brittle
        within a few years.
      </p>
    </div>
  </div>
</template>

<style scoped>
td,
th {
  padding: 1px 6px;
  vertical-align: top;
}
.caution-line {
  background: var(--warn);
  border-left: 4px solid var(--clay);
  padding: 0.3rem 0.6rem;
  font-size: 0.93rem;
}
</style>
