<script setup lang="ts">
import {
  coldSpells,
  dayName,
  DAYS,
  groundTemperatureC,
  MONTH_NAMES,
  monthlyNormals,
  MONTH_START,
} from '../../../core/climate'
import { tenHourDays } from '../../../core/sums'

const year = useYear()
const bench = useDesign()
const settings = useSettings()
const view = computed(() => year.view)
const t = (c: number) => settings.show(c, 'temperature')

const WIDTH = 430
const HEIGHT = 150
const normals = computed(() => (view.value ? monthlyNormals(view.value.hours.outsideC) : null))
const light = computed(() => {
  if (!view.value) return []
  return MONTH_NAMES.map((_, m) => {
    let sum = 0
    for (let h = MONTH_START[m]! * 24; h < MONTH_START[m + 1]! * 24; h++) sum += view.value!.hours.globalWm2[h]!
    return sum / (MONTH_START[m + 1]! - MONTH_START[m]!) / 1000
  })
})
const span = computed(() => {
  const all = normals.value ? [...normals.value.lowC, ...normals.value.highC] : [0, 20]
  return { low: Math.min(...all) - 2, high: Math.max(...all) + 2 }
})
const y = (c: number) => 8 + ((HEIGHT - 28) * (span.value.high - c)) / (span.value.high - span.value.low)
const x = (m: number) => 4 + ((m + 0.5) * (WIDTH - 8)) / 12
const bar = (v: number) => ((HEIGHT - 28) * 0.9 * v) / Math.max(1, ...light.value)
const line = (values: readonly number[]) =>
  values.map((v, m) => `${m === 0 ? 'M' : 'L'}${x(m).toFixed(1)} ${y(v).toFixed(1)}`).join('')

/** The year outside, day by day: low to high as one path of columns. */
const YEAR_HEIGHT = 70
const band = computed(() => {
  if (!view.value) return null
  const t = view.value.hours.outsideC
  const days = Array.from({ length: DAYS }, (_, d) => {
    const of = t.subarray(d * 24, d * 24 + 24)
    return { low: Math.min(...of), high: Math.max(...of) }
  })
  const low = Math.min(...days.map(d => d.low)) - 1
  const high = Math.max(...days.map(d => d.high)) + 1
  const yy = (c: number) => ((YEAR_HEIGHT - 14) * (high - c)) / (high - low)
  const step = WIDTH / DAYS
  return {
    d: days
      .map(
        (d, i) =>
          `M${(i * step).toFixed(1)} ${yy(d.low).toFixed(1)}V${yy(d.high).toFixed(1)}` +
          `h${Math.max(0.7, step - 0.25).toFixed(2)}V${yy(d.low).toFixed(1)}Z`,
      )
      .join(''),
    zero: yy(0),
    low,
    high,
  }
})
const spells = computed(() => (view.value ? coldSpells(view.value.hours.outsideC).slice(0, 4) : []))
const short = computed(() => tenHourDays(bench.current.site.latitudeDeg))
const ground = computed(() => {
  if (!view.value) return []
  const { ground: g, soilDiffusivity } = view.value
  return [0.5, 1, 2, 3].map(depth => {
    const days = Array.from({ length: 73 }, (_, i) => groundTemperatureC(g, depth, i * 5, soilDiffusivity))
    return { depth, low: Math.min(...days), high: Math.max(...days) }
  })
})
const kind = computed(() => bench.current.site.climate.kind)
/** Only a file or given radiation is measured light. */
const sunEstimated = computed(() => {
  const { climate } = bench.current.site
  return climate.kind === 'normals' && !climate.globalJm2
})
const notes = computed(() => view.value?.answers.notes ?? [])

interface ForecastDay {
  day: number
  lowC: number
  highC: number
  cloud: number
  windMs: number
}
const forecast = shallowRef<ForecastDay[]>([])
const forecastFault = ref('')
async function ask(): Promise<void> {
  forecastFault.value = ''
  try {
    const today = new Date()
    const day = Math.min(
      364,
      Math.floor((Date.UTC(2027, today.getMonth(), today.getDate()) - Date.UTC(2027, 0, 1)) / 86400000),
    )
    forecast.value = (
      await $fetch<{ days: ForecastDay[] }>('/api/forecast', {
        method: 'POST',
        query: { day },
        body: JSON.stringify(bench.current),
        headers: { 'content-type': 'application/json' },
      })
    ).days
  } catch {
    forecastFault.value = 'The forecast cannot be reached just now.'
  }
}
</script>

<template>
  <div v-if="view && normals" class="grid gap-4 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)]">
    <div>
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        class="block w-full"
        role="img"
        aria-label="Months: mean daily low and high, and daily radiation"
        data-test="months-chart"
      >
        <rect
          v-for="(v, m) in light"
          :key="m"
          :x="x(m) - 10"
          :y="HEIGHT - 20 - bar(v)"
          width="20"
          :height="bar(v)"
          fill="var(--sun-fill)"
        >
          <title>{{ MONTH_NAMES[m] }}: {{ v.toFixed(1) }} kWh/m² a day</title>
        </rect>
        <line :x1="0" :x2="WIDTH" :y1="y(0)" :y2="y(0)" stroke="var(--slate)" stroke-dasharray="3 4" stroke-width="1" />
        <path :d="line(normals.highC)" fill="none" stroke="var(--clay)" stroke-width="2" />
        <path :d="line(normals.lowC)" fill="none" stroke="var(--slate)" stroke-width="2" />
        <g v-for="(v, m) in normals.lowC" :key="`l${m}`">
          <text :x="x(m)" :y="y(v) + 13" text-anchor="middle" class="n">
            {{ settings.show(v, 'temperature', { unit: false }) }}
          </text>
          <text :x="x(m)" :y="y(normals.highC[m]!) - 5" text-anchor="middle" class="n">
            {{ settings.show(normals.highC[m]!, 'temperature', { unit: false }) }}
          </text>
          <text :x="x(m)" :y="HEIGHT - 6" text-anchor="middle" class="n">{{ MONTH_NAMES[m]!.slice(0, 3) }}</text>
        </g>
      </svg>
      <svg
        v-if="band"
        :viewBox="`0 0 ${WIDTH} ${YEAR_HEIGHT}`"
        class="mt-1 block w-full"
        role="img"
        :aria-label="`The year outside by day, from ${t(band.low)} to ${t(band.high)}`"
        data-test="outside-year"
      >
        <path :d="band.d" fill="var(--slate)" opacity="0.75" />
        <line
          x1="0"
          :x2="WIDTH"
          :y1="band.zero"
          :y2="band.zero"
          stroke="var(--ink)"
          stroke-dasharray="3 4"
          stroke-width="0.8"
        />
        <rect
          v-for="s in spells"
          :key="s.startDay"
          :x="(s.startDay / DAYS) * WIDTH"
          :width="(s.days / DAYS) * WIDTH"
          y="0"
          :height="YEAR_HEIGHT - 14"
          fill="var(--clay)"
          opacity="0.25"
        >
          <title>cold spell, {{ dayName(s.startDay) }}</title>
        </rect>
        <text
          v-for="(n, m) in MONTH_NAMES"
          :key="n"
          :x="((MONTH_START[m]! + 15) / DAYS) * WIDTH"
          :y="YEAR_HEIGHT - 3"
          text-anchor="middle"
          class="n"
        >
          {{ n.slice(0, 1) }}
        </text>
      </svg>
      <p class="hint">
        Above: mean daily high and low, and in columns the radiation on level ground{{
          sunEstimated ? ' (estimated)' : ''
        }}, {{ Math.min(...light).toFixed(1) }} to {{ Math.max(...light).toFixed(1) }} kWh/m² a day. Below: each day’s
        low to high, freezing as a rule, cold spells shaded.
      </p>
      <p v-if="kind === 'normals'" data-test="estimated">
        <strong class="mark">estimated</strong> {{ settings.named(notes.join(' ')) }}
      </p>
      <ul v-else class="hint list-disc pl-5">
        <li v-for="n in notes" :key="n">
          {{ n }}
        </li>
      </ul>
      <p class="mt-1">
        <button class="button" data-test="forecast" @click="ask">A week ahead</button>
        <span class="hint ml-2">from a simulated weather service, made of this year’s own days</span>
      </p>
      <p v-if="forecastFault" class="fault">
        {{ forecastFault }}
      </p>
      <ul v-if="forecast.length > 0" class="flex flex-wrap gap-3 text-sm" data-test="forecast-days">
        <li v-for="d in forecast" :key="d.day">
          <strong>{{ dayName(d.day) }}</strong> {{ t(d.lowC) }} to {{ t(d.highC) }},
          {{ d.cloud < 0.35 ? 'clear' : d.cloud < 0.7 ? 'mixed' : 'dull' }}
        </li>
      </ul>
    </div>
    <dl class="facts">
      <div>
        <dt>Coldest and hottest hour</dt>
        <dd>{{ t(view.answers.outside.coldestC) }} · {{ t(view.answers.outside.hottestC) }}</dd>
      </div>
      <div>
        <dt>Cold design day<span class="hint block">middle of the coldest month, when heat is needed most</span></dt>
        <dd>{{ dayName(view.cold.day) }}, sun {{ view.cold.noonAltitudeDeg.toFixed(1) }}° at noon</dd>
      </div>
      <div>
        <dt>Hot design day<span class="hint block">middle of the warmest month</span></dt>
        <dd>{{ dayName(view.hot.day) }}, {{ view.hot.noonAltitudeDeg.toFixed(1) }}°</dd>
      </div>
      <div>
        <dt>Last frost, first frost</dt>
        <dd>{{ view.answers.outside.lastFrost ?? 'none' }} · {{ view.answers.outside.firstFrost ?? 'none' }}</dd>
      </div>
      <div>
        <dt>Days under ten hours</dt>
        <dd>
          {{
            short
              ? `${short.count}, ${dayName(short.from)} to ${dayName(short.to)}`
              : view.answers.shortDays === 0
                ? 'none'
                : 'all winter'
          }}
        </dd>
      </div>
      <div>
        <dt>Cold spells of this year</dt>
        <dd>
          <template v-if="spells.length === 0"> none </template>
          <span v-for="s in spells" :key="s.startDay" class="block"
            >{{ dayName(s.startDay) }}, {{ s.days }} days, down to {{ t(s.lowestC) }}</span
          >
        </dd>
      </div>
      <div>
        <dt>
          Undisturbed ground <strong class="mark">est.</strong
          ><span class="hint block">the air’s yearly wave, damped by the soil</span>
        </dt>
        <dd>
          <span v-for="g in ground" :key="g.depth" class="block"
            >{{ settings.show(g.depth, 'length') }}: {{ t(g.low) }} to {{ t(g.high) }}</span
          >
        </dd>
      </div>
    </dl>
  </div>
  <p v-else class="hint">Working out the year …</p>
</template>

<style scoped>
.n {
  font-size: 10.5px;
  fill: var(--ink);
}
.facts > div {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  border-bottom: 1px solid var(--line);
  padding: 0.15rem 0;
}
.facts dd {
  text-align: right;
  font-weight: 600;
  font-size: 0.95rem;
}
.mark {
  border: 1px solid var(--clay);
  color: var(--clay);
  border-radius: 3px;
  padding: 0 0.3rem;
  font-size: 0.85rem;
  font-weight: 600;
}
</style>
