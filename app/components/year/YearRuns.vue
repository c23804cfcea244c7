<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { aimLine } from '../../../core/aim/aim-line'
import { dayName, DAYS, HOURS } from '../../../core/climate'
import { linear } from '../../../core/scale'
import { DIM_DLI, GROWING_C } from '../../../core/study/growing-days'
import { duration, extremeWeek, longestRun, type Run, type WeekFlow } from '../../../core/study/runs'

/** How long it stays cold or hot, the year's extreme weeks, and how many hours are colder than what. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const t = (c: number) => settings.show(c, 'temperature')
const w = (watts: number) => settings.show(watts, 'power')
const line = computed(() => aimLine(bench.current.aim))
const runs = computed(() => {
  const view = year.view
  if (!view) return []
  return (['cold', 'hot'] as const).map(which => ({
    which,
    words: which === 'cold' ? 'Longest under the aim' : 'Longest too hot',
    run: longestRun(view.hours.airC, line.value, which),
  }))
})
const said = (r: Run, which: 'cold' | 'hot') =>
  `${r.hours} h from ${dayName(Math.floor(r.from / 24))}, ${r.from % 24}:00, ` +
  `${which === 'cold' ? 'down' : 'up'} to ${t(r.worstC)}`
const grows = computed(() => year.view?.answers.growingDays)
const which = ref<'cold' | 'hot'>('cold')
const week = computed(() => (year.view ? extremeWeek(year.view.hours.outsideC, which.value) : 0))
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const H = 170
const DASHES = ['', '2 3', '7 3', '9 3 2 3', '1 4']
/** A week hour by hour, or the year's hours by how cold they are. */
function drawn(series: { name: string; c: ArrayLike<number> }[], from: number, count: number) {
  const step = Math.max(1, Math.floor(count / 500))
  const at = Array.from({ length: Math.floor(count / step) }, (_, k) => from + k * step)
  const all = series.flatMap(s => at.map(h => s.c[h]!))
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const x = linear([from, from + count], [4, width.value - 4])
  const y = linear([high, low], [20, H - 20])
  return {
    low,
    high,
    y,
    lines: series.map((s, i) => ({
      name: s.name,
      dash: DASHES[i % DASHES.length]!,
      width: i < DASHES.length ? 1.8 : 3,
      path: at.map((h, k) => `${k === 0 ? 'M' : 'L'}${x(h).toFixed(1)} ${y(s.c[h]!).toFixed(1)}`).join(''),
    })),
  }
}
const weekChart = computed(() => {
  const view = year.view
  if (!view || width.value === 0) return null
  const { hours } = view
  return drawn(
    [
      { name: 'air inside', c: hours.airC },
      { name: 'outside', c: hours.outsideC },
      { name: 'soil', c: hours.soilC },
      ...view.answers.bodies.map(b => ({ name: b.name.toLowerCase(), c: view.bodiesC[b.index]! })),
    ],
    week.value * 24,
    7 * 24,
  )
})
/** The week's largest flows: those in above the line, those out under it. */
const MOST_FLOWS = 6
const nameOf = (f: WeekFlow) => (f.way === 'out' ? `${f.name}, out` : f.name)
const flows = shallowRef<WeekFlow[]>([])
watch(
  [() => year.view, week],
  async ([view, first]) => {
    if (!view) return
    const its = await year.flows(bench.current, first * 24, 7 * 24)
    if (view === year.view && first === week.value) flows.value = its.slice(0, MOST_FLOWS)
  },
  { immediate: true },
)
const flowChart = computed(() =>
  flows.value.length > 0 && width.value > 0
    ? drawn(
        flows.value.map(f => ({ name: nameOf(f), c: f.watts })),
        0,
        7 * 24,
      )
    : null,
)
const curve = computed(() => {
  const view = year.view
  if (!view || width.value === 0) return null
  const sorted = [
    { name: 'air inside', c: duration(view.hours.airC) },
    { name: 'outside', c: duration(view.hours.outsideC) },
  ]
  return { ...drawn(sorted, 0, HOURS), sorted }
})
const COLDER = [0.001, 0.01, 0.05, 0.25, 0.5, 0.75, 0.95, 0.99]
const charts = computed(() =>
  [
    { id: 'week', title: `Week from ${dayName(week.value)}`, say: t, of: weekChart.value },
    { id: 'flows', title: 'Heat in and out, that week', say: w, of: flowChart.value },
    { id: 'curve', title: 'Hours of the year, coldest first', say: t, of: curve.value },
  ].filter(c => c.of !== null),
)
const setWhich = (id: string) => {
  which.value = id as 'cold' | 'hot'
  return null
}
const meanOf = (watts: Float32Array, day: number) =>
  watts.subarray(day * 24, day * 24 + 24).reduce((sum, v) => sum + v, 0) / 24
function open(): void {
  year.hour = 12
  year.day = week.value % DAYS
}
</script>

<template>
  <div class="px-4 py-3">
    <dl class="grid max-w-2xl grid-cols-[auto_1fr] gap-x-6" data-test="runs">
      <template v-for="r in runs" :key="r.which">
        <dt>{{ r.words }}</dt>
        <dd class="font-semibold">{{ r.run ? said(r.run, r.which) : 'never' }}</dd>
      </template>
      <dt>Crops grow on</dt>
      <dd v-if="grows">
        <strong
          ><span data-figure="growing">{{ grows.inside }}</span> days</strong
        >, outdoors on {{ grows.outside }}
        <span class="hint"
          >mean air from {{ t(GROWING_C) }} and light from {{ DIM_DLI }} mol/m² a day up, nothing freezes</span
        >
      </dd>
    </dl>
    <div class="mt-2 flex flex-wrap items-end gap-3">
      <ChoiceField
        label="Extreme week"
        :value="which"
        :options="[
          { id: 'cold', name: 'the coldest outside' },
          { id: 'hot', name: 'the hottest outside' },
        ]"
        :set="setWhich"
        class="w-52"
      />
      <button class="button mb-1" @click="open">Play its first day on the drawing</button>
    </div>
    <div ref="frame">
      <section v-for="c in charts" :key="c.id" class="mt-2">
        <h2 class="font-semibold">{{ c.title }}</h2>
        <svg :width="width" :height="H" role="img" :aria-label="c.title">
          <line
            v-if="c.of!.low < 0 && c.of!.high > 0"
            x1="4"
            :x2="width - 4"
            :y1="c.of!.y(0)"
            :y2="c.of!.y(0)"
            stroke="var(--line)"
          />
          <path
            v-for="l in c.of!.lines"
            :key="l.name"
            :d="l.path"
            fill="none"
            stroke="var(--ink)"
            :stroke-width="l.width"
            :stroke-dasharray="l.dash"
          />
          <text x="4" y="12" class="tick">{{ c.say(c.of!.high) }}</text>
          <text x="4" :y="H - 4" class="tick">{{ c.say(c.of!.low) }}</text>
        </svg>
        <ul class="flex flex-wrap gap-x-4 text-sm">
          <li v-for="l in c.of!.lines" :key="l.name" class="flex items-center gap-1.5">
            <svg width="30" height="8" aria-hidden="true">
              <line
                x1="0"
                x2="30"
                y1="4"
                y2="4"
                stroke="var(--ink)"
                :stroke-width="l.width"
                :stroke-dasharray="l.dash"
              />
            </svg>
            {{ l.name }}
          </li>
        </ul>
      </section>
    </div>
    <details v-if="curve" class="mt-1">
      <summary class="cursor-pointer">Hours and flows as tables</summary>
      <table class="text-sm">
        <thead>
          <tr class="text-right">
            <th scope="col" class="text-left font-normal">colder in</th>
            <th v-for="s in curve.sorted" :key="s.name" scope="col" class="pl-6 font-normal">{{ s.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="share in COLDER" :key="share" class="border-t border-line text-right tabular-nums">
            <th scope="row" class="text-left font-normal">{{ Math.round(share * HOURS) }} h</th>
            <td v-for="s in curve.sorted" :key="s.name" class="pl-6">{{ t(s.c[Math.round(share * HOURS)]!) }}</td>
          </tr>
        </tbody>
      </table>
      <table class="mt-2 text-sm">
        <thead>
          <tr class="text-right">
            <th scope="col" class="text-left font-normal">that week</th>
            <th v-for="d in 7" :key="d" scope="col" class="pl-4 font-normal">{{ dayName((week + d - 1) % DAYS) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="f in flows" :key="f.name + f.way" class="border-t border-line text-right tabular-nums">
            <th scope="row" class="text-left font-normal">{{ nameOf(f) }}</th>
            <td v-for="d in 7" :key="d" class="pl-4">{{ w(meanOf(f.watts, d - 1)) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </div>
</template>

<style scoped>
.tick {
  font-size: 12.5px;
  fill: var(--soft);
}
</style>
