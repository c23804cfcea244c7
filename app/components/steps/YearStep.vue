<script setup lang="ts">
import type { MonthAnswer } from '../../../core/answers'
import { dayName, DAYS } from '../../../core/climate'
import { LATER } from '~/parts'

const year = useYear()
const settings = useSettings()
const DayChart = defineAsyncComponent(LATER.DayChart)
const t = (c: number) => settings.show(c, 'temperature', { unit: false })
const losses = computed(() => Object.entries(year.view?.answers.ledger.losses ?? {}).sort((a, b) => b[1] - a[1]))
const ROWS: [string, (m: MonthAnswer) => number][] = [
  ['inside low', m => m.insideMinC],
  ['inside mean', m => m.insideMeanC],
  ['inside high', m => m.insideMaxC],
  ['outside low', m => m.outsideMinC],
  ['soil', m => m.soilC],
  ['water', m => m.waterC ?? NaN],
]
const go = (by: number) => {
  if (year.day !== null) year.day = (year.day + by + DAYS) % DAYS
}
</script>

<template>
  <div v-if="year.view" class="px-4 py-2">
    <template v-if="year.day !== null">
      <div class="flex flex-wrap items-center gap-2">
        <h2 class="slab text-lg" data-test="day-title">
          {{ dayName(year.day) }}
        </h2>
        <button class="button" @click="go(-1)">‹ day before</button>
        <button class="button" @click="go(1)">day after ›</button>
        <label class="flex min-w-48 flex-1 items-center gap-2">
          Hour
          <input
            v-model.number="year.hour"
            type="range"
            min="0"
            max="23"
            step="1"
            title="Standard time"
            :aria-valuetext="`${year.hour}:30`"
            data-test="hour"
          />
          <span class="w-12">{{ String(year.hour).padStart(2, '0') }}:30</span>
        </label>
        <button class="button" data-test="design-days" @click="year.day = null">Back to the design days</button>
      </div>
      <DayChart :view="year.view" :day="year.day" :hour="year.hour" />
    </template>
    <div v-else class="grid gap-x-6 gap-y-4 lg:grid-cols-[minmax(0,1fr)_10.5rem]">
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
              <th scope="row">light, mol/m²·d</th>
              <td v-for="(m, i) in year.view.answers.months" :key="i">
                {{ m.dli.toFixed(1) }}
              </td>
            </tr>
            <tr>
              <th scope="row">top-up, kWh</th>
              <td v-for="(m, i) in year.view.answers.months" :key="i">
                {{ Math.round(m.topUpKWh) }}
              </td>
            </tr>
          </tbody>
        </table>
        <p class="hint mt-1">
          {{ year.view.answers.notes.join(' ') }}
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
  </div>
  <p v-else class="hint p-4">The year is being worked out …</p>
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
