<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'
import type { Answers } from '../../../core/answers'
import type { Design } from '../../../core/design'
import { differences } from '../../../core/study/differences'
import { briefOf, type Brief } from '../../../core/study/brief'
import { houseFigure, type HouseFigure } from '../../../core/study/house-figures'

/** Up to six kept designs beside the one on the bench: drawings, figures, months, and what differs in words. */
const MOST = 5
const bench = useDesign()
const year = useYear()
const keeping = useKeeping()
const settings = useSettings()
const chosen = ref<string[]>([])
const years = shallowRef(new Map<Design, { answers: Answers; brief: Brief }>())
const failure = ref('')
onMounted(() => void keeping.refresh())
const others = computed(() => keeping.list.filter(k => k.id !== bench.current.id))
const beside = computed(() => others.value.filter(k => chosen.value.includes(k.id)).map(k => k.design))
watch(
  beside,
  async designs => {
    failure.value = ''
    try {
      for (const d of designs) {
        if (years.value.has(d)) continue
        const answers = await year.answersOf(toRaw(d))
        years.value = new Map(years.value).set(d, { answers, brief: briefOf(d, answers) })
      }
    } catch (error) {
      failure.value = error instanceof Error ? error.message : String(error)
    }
  },
  { immediate: true },
)
const columns = computed(() => {
  const answers = year.view?.answers
  return [
    { design: bench.current, known: answers ? { answers, brief: briefOf(bench.current, answers) } : undefined },
    ...beside.value.map(design => ({ design, known: years.value.get(design) })),
  ]
})
function toggle(id: string): void {
  if (chosen.value.includes(id)) chosen.value = chosen.value.filter(c => c !== id)
  else if (chosen.value.length < MOST) chosen.value = [...chosen.value, id]
}
const t = (c: number) => settings.show(c, 'temperature')
const FIGURES = ['coldest', 'leaf', 'soil', 'hottest', 'winterLight', 'damp', 'heat', 'cost', 'aYear'] as const
const ROWS = FIGURES.map(id => ({ id, ...houseFigure(id) }))
const told = useToldFigures()
/** The best of a row stands out, where they differ. */
function best(row: HouseFigure): number {
  const values = columns.value.flatMap(c => (c.known ? [row.of(c.known.brief) ?? NaN] : []))
  if (values.length < 2 || Math.max(...values) - Math.min(...values) < 1e-6) return NaN
  return row.more === 'good' ? Math.max(...values) : Math.min(...values)
}
const outlines = computed(() =>
  outlinesOf(
    columns.value.map(c => c.design),
    112,
    62,
  ),
)
/** Monthly lows and highs over each other: a dash pattern each, so that they are told apart without colour. */
const DASHES = ['', '7 3', '2 3', '9 3 2 3', '1 4', '12 4']
const [W, H] = [560, 170]
const months = computed(() => {
  const known = columns.value.flatMap((c, i) => (c.known ? [{ i, months: c.known.answers.months }] : []))
  const all = known.flatMap(k => k.months.flatMap(m => [m.insideMinC, m.insideMeanHighC]))
  const [low, high] = [Math.min(0, ...all), Math.max(1, ...all)]
  const x = (m: number) => 34 + (m / 11) * (W - 50)
  const y = (c: number) => 8 + ((high - c) / (high - low)) * (H - 30)
  const line = (pick: (m: (typeof known)[number]['months'][number]) => number, ms: (typeof known)[number]['months']) =>
    ms.map((m, k) => `${k === 0 ? 'M' : 'L'}${x(k).toFixed(1)} ${y(pick(m)).toFixed(1)}`).join('')
  return {
    x,
    y,
    low,
    high,
    lines: known.map(k => ({
      i: k.i,
      low: line(m => m.insideMinC, k.months),
      high: line(m => m.insideMeanHighC, k.months),
    })),
  }
})
const changes = computed(() =>
  beside.value.map(d => ({ design: d, list: differences(bench.current, d, settings.show) })),
)
const MANY = 14
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-baseline gap-2">
      <h2 class="group-title mr-auto">Designs side by side</h2>
      <button class="button" data-test="keep-variant" @click="keeping.setAside()">Keep this one as a variant</button>
    </div>
    <div class="flex flex-wrap gap-1.5" role="group" aria-label="Designs to set beside this one">
      <button
        v-for="k in others"
        :key="k.id"
        class="button"
        :aria-pressed="chosen.includes(k.id)"
        :disabled="!chosen.includes(k.id) && chosen.length >= MOST"
        :data-test="`beside-${k.id}`"
        @click="toggle(k.id)"
      >
        {{ k.design.name }}
      </button>
    </div>
    <p v-if="others.length === 0" class="hint">Keep a variant, change it, and set both side by side here.</p>
    <p v-if="failure" class="fault" role="alert">{{ failure }}</p>
    <div class="mt-3 overflow-x-auto" v-sideways>
      <table data-test="side-by-side" :aria-busy="columns.some(c => !c.known)">
        <thead>
          <tr class="align-bottom">
            <td></td>
            <th v-for="(c, i) in columns" :key="c.design.id" scope="col" class="min-w-28 px-3 text-right font-semibold">
              <svg width="112" height="62" class="ml-auto" aria-hidden="true">
                <path :d="outlines.get(c.design)" fill="var(--sun-fill)" stroke="var(--ink)" stroke-width="1.4" />
              </svg>
              {{ i === 0 ? 'This one' : c.design.name }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in ROWS" :key="r.id" class="border-t border-line">
            <th scope="row" class="pr-4 text-left font-normal">{{ r.name }}</th>
            <td v-for="(c, i) in columns" :key="c.design.id" class="px-3 text-right whitespace-nowrap tabular-nums">
              <template v-if="c.known">
                <component
                  :is="r.of(c.known.brief) === best(r) ? 'strong' : 'span'"
                  :title="r.of(c.known.brief) === best(r) ? 'the best of them' : null"
                  ><span :data-figure="i === 0 ? r.id : null">{{
                    told(r.id, c.known.brief, c.design.topUp.currency)
                  }}</span
                  >{{ r.of(c.known.brief) === best(r) ? ' ◂' : '' }}</component
                >
              </template>
              <template v-else>…</template>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="beside.length > 0">
      <h3 class="mt-4 font-semibold">Lowest of each month, and its mean high</h3>
      <svg :width="W" :height="H" role="img" aria-label="Lows and highs by month; each design has its own dashes">
        <line x1="34" :x2="W - 16" :y1="months.y(0)" :y2="months.y(0)" stroke="var(--line)" />
        <text x="30" :y="months.y(0) + 4" text-anchor="end" class="tick">{{ t(0) }}</text>
        <text v-for="(m, k) in MONTH_NAMES" :key="m" :x="months.x(k)" :y="H - 4" text-anchor="middle" class="tick">
          {{ m.slice(0, 3) }}
        </text>
        <template v-for="l in months.lines" :key="l.i">
          <path :d="l.low" fill="none" stroke="var(--slate)" stroke-width="2" :stroke-dasharray="DASHES[l.i]" />
          <path :d="l.high" fill="none" stroke="var(--clay)" stroke-width="1.5" :stroke-dasharray="DASHES[l.i]" />
        </template>
      </svg>
      <ul class="flex flex-wrap gap-x-5 text-sm">
        <li v-for="(c, i) in columns" :key="c.design.id" class="flex items-center gap-2">
          <svg width="34" height="8" aria-hidden="true">
            <line x1="0" x2="34" y1="4" y2="4" stroke="var(--ink)" stroke-width="2" :stroke-dasharray="DASHES[i]" />
          </svg>
          {{ i === 0 ? 'this one' : c.design.name }}
        </li>
      </ul>
      <details>
        <summary class="cursor-pointer">The months as a table</summary>
        <div class="overflow-x-auto" v-sideways>
          <table class="text-sm">
            <thead>
              <tr class="text-right">
                <td></td>
                <th v-for="m in MONTH_NAMES" :key="m" scope="col" class="pl-3 font-normal">{{ m.slice(0, 3) }}</th>
              </tr>
            </thead>
            <tbody>
              <template v-for="(c, i) in columns" :key="c.design.id">
                <tr v-for="which in ['low', 'high'] as const" :key="which" class="border-t border-line text-right">
                  <th scope="row" class="text-left font-normal">
                    {{ i === 0 ? 'this one' : c.design.name }}, {{ which }}
                  </th>
                  <td v-for="(m, k) in c.known?.answers.months ?? []" :key="k" class="pl-3 tabular-nums">
                    {{
                      settings.show(which === 'low' ? m.insideMinC : m.insideMeanHighC, 'temperature', { unit: false })
                    }}
                  </td>
                </tr>
              </template>
            </tbody>
          </table>
        </div>
      </details>
      <section v-for="c in changes" :key="c.design.id" class="mt-3" :data-test="`differences-${c.design.id}`">
        <h3 class="font-semibold">{{ c.design.name }} differs</h3>
        <p v-if="c.list.length === 0" class="hint">In nothing but its name.</p>
        <ul class="columns-1 text-sm md:columns-2">
          <li v-for="d in c.list.slice(0, MANY)" :key="d.path">{{ d.words }}: {{ d.from }} → {{ d.to }}</li>
        </ul>
        <details v-if="c.list.length > MANY">
          <summary class="cursor-pointer">and {{ c.list.length - MANY }} more</summary>
          <ul class="columns-1 text-sm md:columns-2">
            <li v-for="d in c.list.slice(MANY)" :key="d.path">{{ d.words }}: {{ d.from }} → {{ d.to }}</li>
          </ul>
        </details>
      </section>
    </template>
  </div>
</template>

<style scoped>
.tick {
  font-size: 12px;
  fill: var(--soft);
}
</style>
