<script setup lang="ts">
import { useDropZone } from '@vueuse/core'
import { standardOffsetH } from '../../../core/climate/time-zone'
import { gaps, soundLog } from '../../../core/season/log'
import { LOGGER_COLUMNS, type LoggerColumn, type LoggerRead, type LoggerReading } from '../../../formats/logger-csv'
import { loggerWorker } from '~/composables/loggerWorker'
import type { LoggerHead } from '~/workers/logger.worker'

/** A logger's file by drop: what its columns are is guessed and shown before anything is taken. */
const season = useSeason()
const bench = useDesign()
const settings = useSettings()
const notices = useNotices()
const zone = useTemplateRef<HTMLElement>('zone')
const table = shallowRef<LoggerHead | null>(null)
const how = shallowRef<LoggerReading | null>(null)
const name = ref('')
const fault = ref('')
const busy = ref(false)
const columnNames = (Object.entries(LOGGER_COLUMNS) as [LoggerColumn, string][]).map(([id, n]) => ({ id, name: n }))
const { isOverDropZone } = useDropZone(zone, { onDrop: files => void take(files?.[0] ?? null) })
async function take(file: File | null): Promise<void> {
  if (!file) return
  busy.value = true
  fault.value = ''
  try {
    const opened = await loggerWorker().open(await file.text())
    if (!opened.ok) return void (fault.value = `${file.name}: ${opened.message}`)
    const { columns, unit, dayFirst } = opened.head
    name.value = file.name
    table.value = opened.head
    how.value = { columns, unit, zone: bench.current.site.timeZone, dayFirst }
  } finally {
    busy.value = false
  }
}
/** What would be taken, told before it is. */
const read = shallowRef<LoggerRead | null>(null)
watch([table, how], async () => {
  read.value = null
  if (!table.value || !how.value) return
  const asked = how.value
  const found = await loggerWorker().read(toRaw(asked), standardOffsetH(bench.current.site.timeZone))
  if (asked !== how.value) return
  fault.value = found.ok ? '' : found.message
  read.value = found.ok ? found.read : null
})
const WRONG = {
  stuck: 'A sensor stands still',
  spike: 'A reading jumps and comes back',
  range: 'Readings that can’t be',
} as const
const day = (h: number) => new Date(h * 3_600_000).toISOString().slice(0, 10)
const summary = computed(() => {
  const its = read.value
  if (!its) return []
  if (!its.log) return [`${its.daily.length} days, ${its.daily[0]!.date} to ${its.daily.at(-1)!.date}.`, ...its.told]
  const { left } = soundLog(its.log)
  const missing = gaps(its.log.values.insideC, 2)
  const rows = `${its.rows} rows, ${day(its.log.startH)} to ${day(its.log.startH + its.log.hours - 1)}.`
  const lost = missing.reduce((sum, g) => sum + g.hours, 0)
  return [
    rows,
    ...its.told,
    ...(missing.length > 0
      ? [`${missing.length} gaps, ${lost} hours in all, the longest ${Math.max(...missing.map(g => g.hours))} hours.`]
      : []),
    ...left.map(l => `${WRONG[l.what]} on ${day(l.fromH)} for ${l.hours} hours: left out of all sums.`),
  ]
})
async function keep(): Promise<void> {
  const its = read.value
  if (!its) return
  if (its.log) {
    const taken = await season.takeLog(its.log)
    if ('fault' in taken) return void (fault.value = taken.fault)
    const { fresh, both, apart } = taken
    const overlap = both > 0 ? ` ${both} hours were there before; the newer file counts.` : ''
    const minds = apart > 0 ? ` In ${apart} of them the two differ.` : ''
    notices.tell('info', `${name.value}: ${fresh} hours are taken in.${overlap}${minds}`)
  } else {
    const wrong = await season.edit(w => {
      const dates = new Set(its.daily.map(d => d.date))
      return {
        ...w,
        days: [...w.days.filter(d => !dates.has(d.date)), ...its.daily].sort((a, b) => a.date.localeCompare(b.date)),
      }
    })
    if (wrong) return void (fault.value = wrong)
    notices.tell('info', `${name.value}: ${its.daily.length} days are taken in.`)
  }
  drop()
}
function drop(): void {
  table.value = null
  how.value = null
  read.value = null
  fault.value = ''
}
const setColumn = (i: number, id: LoggerColumn) => {
  how.value = { ...how.value!, columns: how.value!.columns.map((c, k) => (k === i ? id : c)) }
}
const UNITS = [
  { id: 'C', name: '°C' },
  { id: 'F', name: '°F' },
] as const
const zones = computed(() => [
  { id: 'site', name: `the clock on the wall (${bench.current.site.timeZone})` },
  { id: 'standard', name: 'standard time all year' },
  { id: 'utc', name: 'UTC' },
])
const zoneId = computed(() =>
  typeof how.value?.zone === 'string' ? 'site' : how.value?.zone === 0 ? 'utc' : 'standard',
)
function setZone(id: string): void {
  const { timeZone } = bench.current.site
  how.value = { ...how.value!, zone: id === 'site' ? timeZone : id === 'utc' ? 0 : standardOffsetH(timeZone) }
}
const ORDERS = [
  { id: 'day', name: 'day, month' },
  { id: 'month', name: 'month, day' },
] as const
</script>

<template>
  <section ref="zone" class="drop" :class="{ over: isOverDropZone }" data-test="logger-import">
    <h2 class="group-title">A logger’s file</h2>
    <template v-if="!table || !how">
      <p>Drop its CSV here, of any columns. Files that overlap are laid together.</p>
      <label class="button mt-1">
        Choose a file
        <input
          type="file"
          accept=".csv,.txt,text/csv"
          class="sr-only"
          data-test="logger-file"
          @change="take(($event.target as HTMLInputElement).files?.[0] ?? null)"
        />
      </label>
      <p v-if="busy" class="hint" role="status">Reading …</p>
    </template>
    <template v-else>
      <p class="font-semibold">{{ name }}</p>
      <div class="overflow-x-auto" v-sideways>
        <table class="text-sm" data-test="columns">
          <tbody>
            <tr v-for="(h, i) in table.heading" :key="i" class="border-t border-line">
              <th scope="row" class="pr-3 text-left font-normal">{{ h }}</th>
              <td class="pr-3 text-soft">{{ table.firstRow[i] }}</td>
              <td>
                <select
                  class="input !w-auto"
                  :value="how.columns[i]"
                  :aria-label="`${h} is`"
                  @change="setColumn(i, ($event.target as HTMLSelectElement).value as LoggerColumn)"
                >
                  <option v-for="c in columnNames" :key="c.id" :value="c.id">{{ c.name }}</option>
                </select>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="mt-1 flex flex-wrap gap-3">
        <ChoiceField
          label="Degrees"
          :value="how.unit"
          :options="UNITS"
          :set="id => (how = { ...how!, unit: id })"
          class="w-24"
        />
        <ChoiceField label="Its clock" :value="zoneId" :options="zones" :set="setZone" class="w-64" />
        <ChoiceField
          label="Dates"
          :value="how.dayFirst ? 'day' : 'month'"
          :options="ORDERS"
          :set="id => (how = { ...how!, dayFirst: id === 'day' })"
          class="w-32"
        />
      </div>
      <ul class="mt-2 text-sm" data-test="import-told">
        <li v-for="(line, i) in summary" :key="i">{{ line }}</li>
      </ul>
      <button class="button mt-1" :disabled="!read" data-test="take-log" @click="keep">Take it in</button>
      <button class="button mt-1 ml-2" @click="drop">Leave it</button>
    </template>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <p class="hint mt-1">
      Times are kept by the site’s standard clock; {{ settings.units === 'us' ? '°F' : '°C' }} is only how they are
      shown.
    </p>
  </section>
</template>

<style scoped>
.drop {
  border: 1px dashed var(--line);
  padding: 0.5rem 0.8rem;
}
.over {
  border-color: var(--clay);
  background: var(--paper);
}
</style>
