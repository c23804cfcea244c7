<script setup lang="ts">
import type { MonthAnswer } from '../../../core/answers'
import { formatNumber } from '../../../core/units'

/** The months in figures, and the year's ledger beside them. */
const year = useYear()
const settings = useSettings()
const t = (c: number) => settings.show(c, 'temperature', { unit: false })
const losses = computed(() => Object.entries(year.view?.answers.ledger.losses ?? {}).sort((a, b) => b[1] - a[1]))
/** What each month buys, by what it is. */
const running = computed(() => year.view?.answers.running.lines ?? [])
const currency = computed(() => year.view?.answers.topUp.currency)
const ROWS: [string, (m: MonthAnswer) => number][] = [
  ['inside low', m => m.insideMinC],
  ['inside mean low', m => m.insideMeanLowC],
  ['inside mean', m => m.insideMeanC],
  ['inside mean high', m => m.insideMeanHighC],
  ['inside high', m => m.insideMaxC],
  ['leaf low', m => m.leafMinC],
  ['outside low', m => m.outsideMinC],
  ['outside high', m => m.outsideMaxC],
  ['soil', m => m.soilC],
  ['water', m => m.waterC ?? NaN],
]
</script>

<template>
  <div v-if="year.view" class="grid gap-x-6 gap-y-4 px-4 py-3 lg:grid-cols-[minmax(0,1fr)_10.5rem]">
    <div class="overflow-x-auto" tabindex="0" role="region" aria-label="Month by month">
      <h2 class="group-title">
        Month by month
        <span class="hint font-sans font-normal"
          >click a day in the year to see its hours<span class="sm:hidden"
            >; the table goes on to the right →</span
          ></span
        >
      </h2>
      <table class="table" data-test="months">
        <thead>
          <tr>
            <th scope="col">
              {{ settings.units === 'us' ? '°F' : '°C' }}
            </th>
            <MonthHeads />
          </tr>
        </thead>
        <tbody>
          <tr v-for="[title, pick] in ROWS" :key="title">
            <th scope="row">
              {{ title }}
            </th>
            <td v-for="(m, i) in year.view.answers.months" :key="i">
              {{ t(pick(m)) }}
            </td>
          </tr>
          <tr>
            <th scope="row"><TermLink id="dli">light, mol/m²·d</TermLink></th>
            <td v-for="(m, i) in year.view.answers.months" :key="i" :data-figure="`light-${i}`">
              {{ m.dli.toFixed(1) }}
            </td>
          </tr>
          <tr>
            <th scope="row">top-up, kWh</th>
            <td v-for="(m, i) in year.view.answers.months" :key="i">
              {{ Math.round(m.topUpKWh) }}
            </td>
          </tr>
          <tr v-for="l in running" :key="l.name" data-test="bought">
            <th scope="row">{{ l.name.toLowerCase() }}, {{ currency }}</th>
            <td v-for="(m, i) in l.months" :key="i">
              {{ formatNumber(m, 0) }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="hint mt-1">
        {{ settings.named(year.view.answers.notes.join(' ')) }}
      </p>
    </div>
    <div>
      <h2 class="group-title">The year’s ledger, kWh</h2>
      <dl class="grid grid-cols-[1fr_auto] gap-x-4" data-test="ledger">
        <template v-for="(kWh, name) in year.view.answers.ledger.gains" :key="name">
          <dt>{{ name }}</dt>
          <dd class="text-right text-moss">
            {{ settings.show(kWh * 3.6e6, 'energy', { sign: true, unit: false }) }}
          </dd>
        </template>
        <template v-for="[name, kWh] in losses" :key="name">
          <dt>{{ name }}</dt>
          <dd class="text-right">
            {{ settings.show(-kWh * 3.6e6, 'energy', { sign: true, unit: false }) }}
          </dd>
        </template>
        <dt>left in the store</dt>
        <dd class="text-right">
          {{ settings.show(year.view.answers.ledger.storedKWh * 3.6e6, 'energy', { sign: true, unit: false }) }}
        </dd>
      </dl>
      <p class="hint">Closes to {{ (year.view.answers.ledger.closure * 100).toFixed(4) }} %.</p>
    </div>
  </div>
</template>

<style scoped>
.table {
  border-collapse: collapse;
  font-size: 0.9rem;
}
.table th,
.table td {
  padding: 1px 5px;
  text-align: right;
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}
.table th[scope='row'] {
  text-align: left;
  font-weight: 400;
}
</style>
