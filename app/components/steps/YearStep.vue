<script setup lang="ts">
import { dayName, DAYS } from '../../../core/climate'
import { LATER } from '~/parts'

const TABS = [
  { id: 'why', name: 'Why' },
  { id: 'map', name: 'Map of the year' },
  { id: 'months', name: 'Months and ledger' },
  { id: 'runs', name: 'Runs and weeks' },
  { id: 'flows', name: 'Heat in and out' },
] as const
const year = useYear()
const DayChart = defineAsyncComponent(LATER.DayChart)
const tab = ref(0)
const go = (by: number) => {
  if (year.day !== null) year.day = (year.day + by + DAYS) % DAYS
}
/** A day is played an hour at a time, as long as it is looked at. */
const playing = ref(false)
const HOUR_MS = 450
let timer: ReturnType<typeof setInterval> | undefined
watch(playing, on => {
  clearInterval(timer)
  if (on) timer = setInterval(() => (year.hour = (year.hour + 1) % 24), HOUR_MS)
})
watch(
  () => year.day,
  () => (playing.value = false),
)
onBeforeUnmount(() => clearInterval(timer))
</script>

<template>
  <div v-if="year.view && year.day !== null" class="px-4 py-2">
    <div class="flex flex-wrap items-center gap-2">
      <h2 class="slab text-lg" data-test="day-title">
        {{ dayName(year.day) }}
      </h2>
      <button class="button" @click="go(-1)">‹ day before</button>
      <button class="button" @click="go(1)">day after ›</button>
      <button class="button" :aria-pressed="playing" data-test="play" @click="playing = !playing">
        {{ playing ? 'Stop' : 'Play the day' }}
      </button>
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
      <button class="button" data-test="design-days" @click="year.day = null">Back to the year</button>
    </div>
    <DayChart :view="year.view" :day="year.day" :hour="year.hour" />
  </div>
  <StepTabs v-else-if="year.view" v-model="tab" :tabs="TABS" label="Parts of the year">
    <template #why>
      <WhyWorst />
    </template>
    <template #map>
      <YearMap />
    </template>
    <template #months>
      <MonthByMonth />
    </template>
    <template #runs>
      <YearRuns />
    </template>
    <template #flows>
      <FlowPicture />
    </template>
  </StepTabs>
  <p v-else class="hint p-4">The year is being worked out …</p>
</template>
