<script setup lang="ts">
import { isDate } from '../../../core/design/fields/build'
import { withReading, type DayReading } from '../../../core/season/by-hand'
import { todayHere } from '~/stores/season'

/** A day's lowest and highest, as a thumb gives them: each steps from what was read before. */
const season = useSeason()
const settings = useSettings()
const date = ref(todayHere())
const known = computed(() => season.book.written.days.find(d => d.date === date.value) ?? null)
/** What it begins from: the day as it is, else the day before it. */
const before = computed(
  () =>
    season.book.written.days
      .filter(d => d.date < date.value)
      .sort((a, b) => a.date.localeCompare(b.date))
      .at(-1) ?? null,
)
const START: Record<'insideMinC' | 'insideMaxC' | 'outsideMinC' | 'outsideMaxC', number> = {
  insideMinC: 5,
  insideMaxC: 20,
  outsideMinC: 0,
  outsideMaxC: 8,
}
const ROWS = [
  { key: 'insideMinC', label: 'Lowest inside' },
  { key: 'insideMaxC', label: 'Highest inside' },
  { key: 'outsideMinC', label: 'Lowest outside' },
  { key: 'outsideMaxC', label: 'Highest outside' },
] as const
const MORE = [
  { key: 'soilC', label: 'Soil', quantity: 'temperature', min: -40, max: 60 },
  { key: 'waterC', label: 'Water', quantity: 'temperature', min: -30, max: 95 },
  { key: 'rh', label: 'Humidity', quantity: 'share', min: 0, max: 1 },
] as const
const more = ref(false)
const fault = ref('')
const value = (key: DayReading): number | null => known.value?.[key] ?? null
async function put(key: DayReading, v: number | null): Promise<void> {
  const on = date.value
  fault.value =
    (await season.edit(w => {
      const next = withReading(w, on, key, v)
      return 'fault' in next ? next : next.written
    })) ?? ''
}
const set = (key: DayReading) => (v: number) => {
  void put(key, v)
  return null
}
const clear = (key: DayReading) => () => {
  void put(key, null)
  return null
}
/** A thumb's step: a degree of the reader's. */
const step = computed(() => (settings.units === 'us' ? 1 / 1.8 : 1))
function nudge(key: keyof typeof START, by: number): void {
  const from = value(key) ?? before.value?.[key] ?? START[key]
  void put(key, Math.round((from + by * step.value) * 10) / 10)
}
function takeDate(event: Event): void {
  const v = (event.target as HTMLInputElement).value
  fault.value = isDate(v) ? '' : 'That is no day of the calendar. Allowed: a day such as 2027-01-09.'
  if (isDate(v)) date.value = v
}
</script>

<template>
  <section data-test="two-taps">
    <h2 class="group-title">
      Read off
      <input
        type="date"
        class="input ml-2 !w-auto font-sans font-normal"
        :value="date"
        aria-label="Day"
        @change="takeDate"
      />
    </h2>
    <div v-for="r in ROWS" :key="r.key" class="flex items-start gap-2">
      <button
        class="button thumb"
        :aria-label="`${r.label}, a degree lower`"
        :data-test="`less-${r.key}`"
        @click="nudge(r.key, -1)"
      >
        −
      </button>
      <QuantityField
        :label="r.label"
        quantity="temperature"
        :value="value(r.key)"
        :min="-70"
        :max="80"
        :set="set(r.key)"
        :clear="clear(r.key)"
        none="not read"
        class="max-w-40 flex-1"
      />
      <button
        class="button thumb"
        :aria-label="`${r.label}, a degree higher`"
        :data-test="`more-${r.key}`"
        @click="nudge(r.key, 1)"
      >
        +
      </button>
    </div>
    <button class="button quiet" :aria-expanded="more" @click="more = !more">Soil, water, humidity</button>
    <div v-if="more" class="flex flex-wrap gap-3">
      <QuantityField
        v-for="r in MORE"
        :key="r.key"
        :label="r.label"
        :quantity="r.quantity"
        :value="value(r.key)"
        :min="r.min"
        :max="r.max"
        :set="set(r.key)"
        :clear="clear(r.key)"
        none="not read"
        class="w-28"
      />
    </div>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <p v-else-if="known" class="hint" role="status">Kept for {{ date }}.</p>
  </section>
</template>

<style scoped>
.thumb {
  width: 2.75rem;
  height: 2.75rem;
  justify-content: center;
  font-size: 1.3rem;
  margin-top: 0.6rem;
}
</style>
