<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { readDays, readMonths } from '../../../core/season/months'
import { rise } from '../../../core/season/pictures'
import { soundLog } from '../../../core/season/log'
import { linear } from '../../../core/scale'
import { monthShort, monthYear } from '../../../core/text/dates'
import { degrees } from '~/composables/degrees'

/** What was read, by hand or out of a logger’s file; a month day by day, and months beside the design’s. */
const season = useSeason()
const bench = useDesign()
const settings = useSettings()
const year = useYear()
/** What loggers read, without what can't be true. */
const sound = computed(() => (season.book.log ? soundLog(season.book.log) : null))
const days = computed(() => readDays(sound.value?.log ?? null, season.book.written.days))
const months = computed(() => readMonths(days.value))
/** Which month is drawn: the last unless another was chosen. */
const chosen = ref('')
const month = computed(() => months.value.find(m => m.month === chosen.value) ?? months.value.at(-1) ?? null)
const monthName = (m: string, long = true) => (long ? monthYear : monthShort)(`${m}-15`)
const t = (c: number | null | undefined) =>
  c === null || c === undefined || Number.isNaN(c) ? '–' : settings.show(c, 'temperature', { unit: false })
const said = (m: string) => year.view?.answers.months[Number(m.slice(5)) - 1] ?? null
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const HIGH = 170
const bars = computed(() => {
  if (!month.value) return null
  const its = days.value.filter(d => new Date(d.day * 86_400_000).toISOString().startsWith(month.value!.month))
  const wide = Math.max(260, Math.min(width.value, 900))
  const x = linear([1, 31], [44, wide - 16])
  const scale = rise(
    its.flatMap(d => [d.lowC, d.highC, d.outLowC]),
    10,
    HIGH - 22,
    degrees(settings.units),
  )
  return {
    wide,
    scale,
    days: its
      .filter(d => !Number.isNaN(d.lowC))
      .map(d => {
        const date = new Date(d.day * 86_400_000).getUTCDate()
        // Of a day that only its low was read of there is a low alone.
        return { ...d, highC: Number.isNaN(d.highC) ? d.lowC : d.highC, date, x: x(date) }
      }),
    ticks: [1, 5, 10, 15, 20, 25, 30].map(date => ({ date, x: x(date) })),
  }
})
const wide = computed(() => Math.max(5, ((bars.value?.wide ?? 300) - 60) / 46))
const lowest = computed(() => bench.current.aim.lowestAirC)
const WHAT = { stuck: 'stands still', spike: 'jumps and comes back', range: 'can’t be' } as const
const leftOut = computed(() => {
  const left = sound.value?.left ?? []
  const hours = left.reduce((sum, l) => sum + l.hours, 0)
  return left.length === 0
    ? ''
    : `${hours} hours are left out: the sensor ${[...new Set(left.map(l => WHAT[l.what]))].join(', or ')}.`
})
</script>

<template>
  <div class="px-4 py-3">
    <div class="grid gap-6 lg:grid-cols-2">
      <TwoTaps />
      <LoggerImport />
    </div>
    <IntakeList />
    <p v-if="leftOut" class="hint mt-2" data-test="left-out">{{ leftOut }}</p>
    <p v-if="months.length === 0" class="mt-4" data-test="no-readings">
      Nothing is read yet. Write down the lowest and the highest of a night and a day, or drop a logger’s file here: two
      weeks of inside and outside are enough to begin to compare.
    </p>
    <section v-if="month && bars" ref="frame" class="mt-4">
      <div class="flex flex-wrap items-baseline gap-3">
        <h2 class="group-title">{{ monthName(month.month) }}, low and high inside</h2>
        <label class="text-sm">
          another month
          <select
            class="input ml-1 !w-auto"
            :value="month.month"
            @change="chosen = ($event.target as HTMLSelectElement).value"
          >
            <option v-for="m in months" :key="m.month" :value="m.month">{{ monthName(m.month) }}</option>
          </select>
        </label>
      </div>
      <svg
        :width="bars.wide"
        :height="HIGH"
        role="img"
        :aria-label="`${monthName(month.month)}: the days’ lows and highs; in figures below`"
        data-test="month-bars"
      >
        <DegreeLines :scale="bars.scale" :from-px="40" :to-px="bars.wide" />
        <g v-for="d in bars.days" :key="d.day">
          <rect
            :x="d.x - wide / 2"
            :y="bars.scale.y(d.highC)"
            :width="wide"
            :height="Math.max(3, bars.scale.y(d.lowC) - bars.scale.y(d.highC))"
            :fill="d.lowC < lowest ? 'var(--slate)' : 'var(--moss)'"
          >
            <title>{{ d.date }}: {{ t(d.lowC) }} to {{ t(d.highC) }}, outside {{ t(d.outLowC) }}</title>
          </rect>
          <path v-if="!Number.isNaN(d.outLowC)" :d="`M${d.x - 5} ${bars.scale.y(d.outLowC)}h10`" stroke="var(--ink)" />
        </g>
        <text v-for="k in bars.ticks" :key="k.date" :x="k.x" :y="HIGH - 5" class="tick" text-anchor="middle">
          {{ k.date }}
        </text>
      </svg>
      <p class="hint">
        Bars from low to high inside, blue where the low is under the aim; the dash is the low outside.
      </p>
      <div class="overflow-x-auto" tabindex="0" role="region" aria-label="Months beside the design">
        <h2 class="group-title mt-4">
          Months
          <span class="hint font-sans font-normal">read, and what the design says of a usual one</span>
        </h2>
        <table class="table" data-test="read-months">
          <thead>
            <tr>
              <th scope="col">{{ settings.units === 'us' ? '°F' : '°C' }}</th>
              <th scope="col">days</th>
              <th scope="col">lowest</th>
              <th scope="col">design</th>
              <th scope="col">mean low</th>
              <th scope="col">design</th>
              <th scope="col">mean high</th>
              <th scope="col">design</th>
              <th scope="col">lowest outside</th>
              <th scope="col">design</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="m in months" :key="m.month">
              <th scope="row">{{ monthName(m.month) }}</th>
              <td>{{ m.days }}</td>
              <td>{{ t(m.lowC) }}</td>
              <td class="said">{{ t(said(m.month)?.insideMinC) }}</td>
              <td>{{ t(m.meanLowC) }}</td>
              <td class="said">{{ t(said(m.month)?.insideMeanLowC) }}</td>
              <td>{{ t(m.meanHighC) }}</td>
              <td class="said">{{ t(said(m.month)?.insideMeanHighC) }}</td>
              <td>{{ t(m.outLowC) }}</td>
              <td class="said">{{ t(said(m.month)?.outsideMinC) }}</td>
            </tr>
          </tbody>
        </table>
        <p class="hint">The design’s months are of its own invented year: “As designed?” asks of the very days.</p>
      </div>
    </section>
    <AlarmFields class="mt-4" />
  </div>
</template>

<style scoped>
.tick {
  font-size: 12.5px;
  fill: var(--soft);
}
.table {
  border-collapse: collapse;
  font-size: 0.9rem;
}
.table th,
.table td {
  padding: 1px 8px;
  text-align: right;
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}
.table th[scope='row'] {
  text-align: left;
  font-weight: 400;
}
.said {
  color: var(--soft);
}
</style>
