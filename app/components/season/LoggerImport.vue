<script setup lang="ts">
import { useDropZone } from '@vueuse/core'
import { proxy } from 'comlink'
import { standardOffsetH } from '../../../core/climate/time-zone'
import { LONGEST_SOURCE } from '../../../core/season/book'
import { gaps, READINGS, soundLog } from '../../../core/season/log'
import {
  isDegrees,
  LOGGER_COLUMNS,
  readingOf,
  type LoggerColumn,
  type ReadColumn,
} from '../../../formats/logger/columns'
import type { LoggerReading } from '../../../formats/logger/guess'
import type { LoggerRead } from '../../../formats/logger/read'
import { loggerWorker } from '~/composables/loggerWorker'
import { freshId } from '~/keeping/journal'
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
/** Of the file that is open: a new one, or one that was taken in and is read again. */
const id = ref('')
const fault = ref('')
const busy = ref(false)
/** How far it is read, 0 to 1. */
const share = ref(0)
const columnNames = (Object.entries(LOGGER_COLUMNS) as [LoggerColumn, string][]).map(([id, n]) => ({ id, name: n }))
const { isOverDropZone } = useDropZone(zone, { onDrop: files => void take(files?.[0] ?? null) })
async function take(file: File | null): Promise<void> {
  if (!file) return
  await open(file.name, freshId(), null, async () => loggerWorker().open(await file.arrayBuffer()))
}
async function open(
  itsName: string,
  itsId: string,
  known: LoggerReading | null,
  work: () => Promise<{ ok: true; head: LoggerHead } | { ok: false; message: string }>,
): Promise<void> {
  busy.value = true
  fault.value = ''
  table.value = null
  try {
    const opened = await work()
    if (!opened.ok) return void (fault.value = `${itsName}: ${opened.message}`)
    name.value = itsName
    id.value = itsId
    table.value = opened.head
    how.value = known ?? { ...opened.head.how, zone: bench.current.site.timeZone }
  } catch (error) {
    fault.value = `${itsName}: it could not be opened (${error instanceof Error ? error.message : String(error)}).`
  } finally {
    busy.value = false
  }
}
// A file that was taken in is opened again as it was read.
watch(
  () => season.again,
  async its => {
    if (!its?.source) return
    season.again = null
    await open(its.name, its.id, its.how as LoggerReading, () => loggerWorker().openPacked(its.source!))
    zone.value?.scrollIntoView({ block: 'nearest' })
  },
)
/** What would be taken, told before it is. */
const read = shallowRef<LoggerRead | null>(null)
watch([table, how], async () => {
  read.value = null
  if (!table.value || !how.value) return
  const asked = how.value
  share.value = 0
  const tell = proxy((done: number) => {
    if (asked === how.value) share.value = done
  })
  const found = await loggerWorker().read(toRaw(asked), standardOffsetH(bench.current.site.timeZone), tell)
  if (asked !== how.value) return
  share.value = 1
  fault.value = found.ok ? '' : found.message
  read.value = found.ok ? found.read : null
})
function cell(column: ReadColumn, value: number | null): string {
  const { quantity } = READINGS[readingOf(column)]
  if (value === null) return '–'
  return quantity === 'irradiance' ? settings.compound(value, 'W/m²', 0) : settings.show(value, quantity)
}
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
  const longest = Math.max(0, ...missing.map(g => g.hours))
  const gapCount = missing.length === 1 ? 'One gap' : `${missing.length} gaps`
  return [
    rows,
    ...its.told,
    ...(missing.length > 0 ? [`${gapCount}, ${lost} hours in all, the longest ${longest} hours.`] : []),
    ...left.map(l => `${WRONG[l.what]} on ${day(l.fromH)} for ${l.hours} hours: left out of all sums.`),
  ]
})
/** How the file is read, for who looks at it later. */
function readAs(): string {
  const { heading } = table.value!
  const { columns, units, dayFirst } = how.value!
  const unit = (i: number) => (isDegrees(columns[i]!) ? `, °${units[i]}` : '')
  const of = (i: number) => `“${heading[i]}”: ${LOGGER_COLUMNS[columns[i]!]}${unit(i)}`
  const used = columns.flatMap((c, i) => (c === 'skip' ? [] : [of(i)]))
  return `Read as ${used.join('; ')}; ${dayFirst ? 'the day' : 'the month'} first where a date leaves it open.`
}
async function keep(): Promise<void> {
  const its = read.value
  if (!its) return
  busy.value = true
  const source = await loggerWorker().packed(LONGEST_SOURCE)
  const taken = await season.takeIn({
    id: id.value,
    name: name.value.slice(0, 200),
    at: new Date().toISOString(),
    how: JSON.parse(JSON.stringify(how.value)) as unknown,
    told: [readAs(), ...summary.value].map(line => line.slice(0, 600)).slice(0, 20),
    log: its.log,
    days: its.daily,
    source,
  })
  busy.value = false
  if ('fault' in taken) return void (fault.value = taken.fault)
  const { fresh, both, apart } = taken
  const what = its.log ? 'hours' : 'days'
  const overlap = both > 0 ? ` ${both} ${what} were there before; the newer file counts.` : ''
  const minds = apart > 0 ? ` In ${apart} of them the two differ.` : ''
  notices.tell('info', `${name.value}: ${fresh} ${what} are taken in.${overlap}${minds}`)
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
const setUnit = (i: number, unit: 'C' | 'F') => {
  how.value = { ...how.value!, units: how.value!.units.map((u, k) => (k === i ? unit : u)) }
}
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
          accept=".csv,.txt,.tsv,text/csv"
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
              <td class="whitespace-nowrap">
                <select
                  class="input !w-40"
                  :value="how.columns[i]"
                  :aria-label="`${h} is`"
                  @change="setColumn(i, ($event.target as HTMLSelectElement).value as LoggerColumn)"
                >
                  <option v-for="c in columnNames" :key="c.id" :value="c.id">{{ c.name }}</option>
                </select>
                <select
                  v-if="isDegrees(how.columns[i]!)"
                  class="input ml-1 !w-auto"
                  :value="how.units[i]"
                  :aria-label="`Degrees of ${h}`"
                  data-test="column-unit"
                  @change="setUnit(i, ($event.target as HTMLSelectElement).value as 'C' | 'F')"
                >
                  <option value="C">°C</option>
                  <option value="F">°F</option>
                </select>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="mt-1 flex flex-wrap gap-3">
        <ChoiceField label="Its clock" :value="zoneId" :options="zones" :set="setZone" class="w-64" />
        <ChoiceField
          label="Dates"
          :value="how.dayFirst ? 'day' : 'month'"
          :options="ORDERS"
          :set="id => (how = { ...how!, dayFirst: id === 'day' })"
          class="w-32"
        />
      </div>
      <ul v-if="table.doubts.length > 0" class="doubts mt-2 text-sm" data-test="import-doubts">
        <li v-for="line in table.doubts" :key="line">{{ line }}</li>
      </ul>
      <p v-if="!read && !fault" class="hint mt-2" role="status" data-test="import-progress">
        Reading … {{ Math.round(share * 100) }} %
      </p>
      <div v-if="read && read.first.length > 0" class="mt-2 overflow-x-auto" v-sideways>
        <table class="text-sm tabular-nums" data-test="first-rows">
          <caption class="text-left font-semibold">
            The first rows, as they are understood
          </caption>
          <thead>
            <tr>
              <th scope="col" class="pr-4 text-left font-normal">its clock</th>
              <th v-for="v in read.first[0]!.values" :key="v.column" scope="col" class="pr-4 text-right font-normal">
                {{ LOGGER_COLUMNS[v.column] }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, i) in read.first" :key="i" class="border-t border-line">
              <td class="pr-4">{{ row.at }}</td>
              <td v-for="v in row.values" :key="v.column" class="pr-4 text-right">{{ cell(v.column, v.value) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <ul class="mt-2 text-sm" data-test="import-told">
        <li v-for="(line, i) in summary" :key="i">{{ line }}</li>
      </ul>
      <button class="button mt-1" :disabled="!read || busy" data-test="take-log" @click="keep">Take it in</button>
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
.doubts {
  border-left: 4px solid var(--clay);
  padding-left: 0.6rem;
}
.over {
  border-color: var(--clay);
  background: var(--paper);
}
</style>
