<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { linear } from '../../../core/scale'
import { dayNumber, isoDay } from '../../../core/plan/calendar'
import { SKIES } from '../../../core/season/compare'
import type { Found } from '../../../core/season/fit'
import { curvePath, rise } from '../../../core/season/pictures'
import { stretchesOf } from '../../../core/season/stretches'
import { shortDay } from '../../../core/text/dates'
import { degrees } from '~/composables/degrees'
import type { SeasonComparison } from '~/workers/season-work'

/** Whether the house does what its design says, on the very days that were read; and what it is if not. */
const season = useSeason()
const bench = useDesign()
const settings = useSettings()
const notices = useNotices()
const stretches = computed(() => stretchesOf(season.book, bench.current.site.latitudeDeg < 0))
const chosen = ref('last')
const stretch = computed(
  () => (stretches.value.find(s => s.id === chosen.value) ?? stretches.value[0])?.stretch ?? null,
)
const found = shallowRef<SeasonComparison | null>(null)
const state = ref<'working' | 'there' | 'few'>('working')
let turn = 0
watch(
  () => [season.book, bench.current, stretch.value, season.whose] as const,
  async () => {
    const mine = ++turn
    if (season.whose !== bench.current.id) return
    if (!stretch.value) return void (state.value = 'few')
    state.value = 'working'
    const its = await season.comparisonOf(stretch.value)
    if (mine !== turn) return
    found.value = its
    state.value = its && its.comparison.all.count > 0 ? 'there' : 'few'
  },
  { immediate: true },
)
const t = (c: number) => settings.show(c, 'temperature')
const k = (v: number, sign = false) => (Number.isNaN(v) ? '–' : settings.show(v, 'temperatureDifference', { sign }))
/** In a sentence. */
const verdict = computed(() => {
  const its = found.value?.comparison
  if (!its) return ''
  const { biasK, rmseK } = its.nights
  const way = biasK > 0 ? 'colder' : 'warmer'
  if (Number.isNaN(biasK)) return 'No night was read in it.'
  return Math.abs(biasK) < 0.5
    ? `Its nights are as the design says, within ${k(rmseK)}.`
    : `Its nights are ${k(Math.abs(biasK))} ${way} than the design says.`
})
const skies = computed(() => {
  const its = found.value?.comparison
  return its ? SKIES.map(s => ({ sky: s, ...its.bySky[s] })).filter(s => s.count > 0) : []
})
/** Curves: two weeks at a time. */
const WEEKS = 14
const page = ref(0)
const pages = computed(() => (found.value ? Math.max(1, Math.ceil(found.value.said.length / 24 / WEEKS)) : 1))
watch(pages, n => (page.value = n - 1))
/** Pages are counted from the last: that one is whole. */
const firstHour = computed(() => Math.max(0, (found.value?.said.length ?? 0) - (pages.value - page.value) * WEEKS * 24))
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const HIGH = 210
const curves = computed(() => {
  const its = found.value
  if (!its || width.value === 0) return null
  const from = firstHour.value
  const cut = (a: Float32Array) => a.subarray(from, from + WEEKS * 24)
  const [said, read, outside] = [cut(its.said), cut(its.read), cut(its.outside)]
  const x = linear([0, WEEKS * 24], [36, width.value - 6])
  const scale = rise([...said, ...read, ...outside], 8, HIGH - 22, degrees(settings.units))
  const days = Array.from({ length: Math.ceil(said.length / 24) }, (_, d) => ({
    x: x(d * 24),
    name: shortDay(isoDay(dayNumber(its.from) + Math.floor(from / 24) + d)),
  }))
  return {
    scale,
    days,
    said: curvePath(said, x, scale.y),
    read: curvePath(read, x, scale.y),
    outside: curvePath(outside, x, scale.y),
  }
})
/** By hour of the day: the mean error as bars round nought. */
const BAR_HIGH = 92
const hours = computed(() => {
  const its = found.value?.comparison
  if (!its) return []
  const most = Math.max(1, ...its.byHour.map(h => Math.abs(h.biasK) || 0))
  return its.byHour.map((h, i) => ({
    hour: i,
    biasK: h.biasK,
    high: ((Math.abs(h.biasK) || 0) / most) * (BAR_HIGH / 2 - 10),
  }))
})
const fitting = ref(false)
const share = ref(0)
const result = shallowRef<Awaited<ReturnType<typeof season.fitOf>>>(null)
watch([() => season.book, stretch, () => bench.current], () => (result.value = null))
async function find(): Promise<void> {
  if (!stretch.value) return
  fitting.value = true
  share.value = 0
  const of = stretch.value
  try {
    const its = await season.fitOf(of, done => (share.value = done))
    if (of === stretch.value) result.value = its
  } catch (error) {
    notices.tell('error', `It could not be found: ${error instanceof Error ? error.message : String(error)}`)
  } finally {
    fitting.value = false
  }
}
function adopt(): void {
  const patch = result.value?.patch ?? []
  if (patch.length === 0) return
  const refused = bench.edit(patch, 'as the readings found it')
  if (refused) notices.tell('error', refused)
  else notices.tell('info', 'The design is now as the readings found it. Undo takes it back.')
}
const size = (f: Found, v: number) => (f.quantity ? settings.show(v, f.quantity) : Number(v.toPrecision(2)).toString())
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-end gap-4">
      <h2 class="slab text-xl" data-test="verdict">
        {{
          state === 'few'
            ? 'Is it doing what the design said?'
            : state === 'working'
              ? 'Working out those days …'
              : verdict
        }}
      </h2>
      <label v-if="stretches.length > 0" class="ml-auto text-sm">
        Held against
        <select
          class="input ml-1 !w-auto"
          :value="chosen"
          data-test="stretch"
          @change="chosen = ($event.target as HTMLSelectElement).value"
        >
          <option v-for="s in stretches" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select>
      </label>
    </div>
    <p v-if="state === 'few'">
      There are too few days with readings of inside and outside. Two weeks are a beginning, two months tell most.
    </p>
    <template v-if="found && state === 'there'">
      <p class="hint">
        The weather that was read is laid into the year, and the house is run through the very same days. Its sun is
        {{ found.comparison.sun === 'measured' ? 'as measured' : 'estimated from the range of the day’s air' }}.
      </p>
      <div ref="frame" class="mt-2">
        <svg
          v-if="curves"
          :width="width"
          :height="HIGH"
          role="img"
          aria-label="Air inside as read and as said, and outside; the table below has the days"
          data-test="curves"
        >
          <DegreeLines :scale="curves.scale" :from-px="36" :to-px="width" />
          <text
            v-for="(d, i) in curves.days.filter((_, n) => n % 2 === 0)"
            :key="i"
            :x="d.x"
            :y="HIGH - 5"
            class="tick"
          >
            {{ d.name }}
          </text>
          <path :d="curves.outside" fill="none" stroke="var(--soft)" stroke-width="1" />
          <path :d="curves.said" fill="none" stroke="var(--ink)" stroke-width="1.6" stroke-dasharray="5 3" />
          <path :d="curves.read" fill="none" stroke="var(--clay)" stroke-width="2.2" />
        </svg>
        <p class="hint flex flex-wrap items-center gap-3">
          <span>thick: read inside; dashed: said; thin: outside</span>
          <span class="ml-auto">
            <button class="button" :disabled="page === 0" @click="page--">Two weeks before</button>
            <button class="button ml-1" :disabled="page >= pages - 1" @click="page++">Two weeks on</button>
          </span>
        </p>
      </div>
      <div class="mt-3 grid gap-6 md:grid-cols-2">
        <section>
          <h3 class="group-title">
            How far off, by hour of the day
            <span class="hint font-sans font-normal">up: said warmer than read</span>
          </h3>
          <svg
            :width="24 * 13 + 30"
            :height="BAR_HIGH + 16"
            role="img"
            aria-label="Mean error by hour; the table below has them"
          >
            <line x1="26" :x2="24 * 13 + 28" :y1="BAR_HIGH / 2" :y2="BAR_HIGH / 2" stroke="var(--ink)" />
            <rect
              v-for="h in hours"
              :key="h.hour"
              :x="28 + h.hour * 13"
              :y="h.biasK > 0 ? BAR_HIGH / 2 - h.high : BAR_HIGH / 2"
              width="10"
              :height="Math.max(1, h.high)"
              :fill="h.biasK > 0 ? 'var(--clay)' : 'var(--slate)'"
            >
              <title>{{ h.hour }} o’clock: {{ k(h.biasK, true) }}</title>
            </rect>
            <text
              v-for="h in [0, 6, 12, 18]"
              :key="h"
              :x="32 + h * 13"
              :y="BAR_HIGH + 12"
              class="tick"
              text-anchor="middle"
            >
              {{ h }}
            </text>
          </svg>
          <table class="mt-1 text-sm" data-test="by-sky">
            <tbody>
              <tr>
                <th scope="row" class="pr-4 text-left font-normal">all hours</th>
                <td class="pr-4 text-right">{{ k(found.comparison.all.biasK, true) }}</td>
                <td class="text-soft">± {{ k(found.comparison.all.rmseK) }}</td>
              </tr>
              <tr v-for="s in skies" :key="s.sky">
                <th scope="row" class="pr-4 text-left font-normal">{{ s.sky }} days</th>
                <td class="pr-4 text-right">{{ k(s.biasK, true) }}</td>
                <td class="text-soft">± {{ k(s.rmseK) }}</td>
              </tr>
              <tr v-if="found.comparison.soil.count > 0">
                <th scope="row" class="pr-4 text-left font-normal">soil</th>
                <td class="pr-4 text-right">{{ k(found.comparison.soil.biasK, true) }}</td>
                <td class="text-soft">± {{ k(found.comparison.soil.rmseK) }}</td>
              </tr>
              <tr v-if="found.comparison.water.count > 0">
                <th scope="row" class="pr-4 text-left font-normal">water</th>
                <td class="pr-4 text-right">{{ k(found.comparison.water.biasK, true) }}</td>
                <td class="text-soft">± {{ k(found.comparison.water.rmseK) }}</td>
              </tr>
            </tbody>
          </table>
        </section>
        <section data-test="fit">
          <h3 class="group-title">What is it then?</h3>
          <p class="hint">
            Leaks, cover, glazing, ground and mass are sought by least squares, with the sun of each day. It takes some
            ten seconds.
          </p>
          <button class="button mt-1" :disabled="fitting" data-test="find" @click="find">
            {{ fitting ? 'Looking …' : 'Find what the readings tell' }}
          </button>
          <progress
            v-if="fitting"
            class="ml-3 h-2 w-40 accent-(--clay)"
            :value="share"
            max="1"
            aria-label="Done so far"
            data-test="fit-progress"
          />
          <template v-if="result">
            <p class="mt-2" data-test="explains">{{ result.explains }}</p>
            <table class="mt-1 text-sm" data-test="found">
              <thead>
                <tr>
                  <th scope="col" class="text-left font-normal">what</th>
                  <th scope="col" class="pl-3 text-right font-normal">drawn</th>
                  <th scope="col" class="pl-3 text-right font-normal">found</th>
                  <th scope="col" class="pl-3 text-left font-normal">nine in ten</th>
                  <td></td>
                </tr>
              </thead>
              <tbody>
                <tr v-for="f in result.found" :key="f.what" class="border-t border-line">
                  <th scope="row" class="text-left font-normal">
                    {{ f.words }}<span v-if="!f.quantity" class="hint">, {{ f.unit }}</span>
                  </th>
                  <td class="pl-3 text-right">{{ size(f, f.was) }}</td>
                  <td class="pl-3 text-right font-semibold">{{ f.sure ? size(f, f.now) : '?' }}</td>
                  <td class="pl-3 whitespace-nowrap">{{ size(f, f.low) }} to {{ size(f, f.high) }}</td>
                  <td class="pl-3 text-soft">{{ f.sure ? '' : 'can’t tell' }}</td>
                </tr>
              </tbody>
            </table>
            <button v-if="result.patch.length > 0" class="button mt-2" data-test="adopt" @click="adopt">
              Use what is sure in the design
            </button>
          </template>
        </section>
      </div>
      <details class="mt-3 overflow-x-auto" v-sideways>
        <summary class="cursor-pointer">The days and the hours in figures</summary>
        <table class="mb-2 text-sm" data-test="by-hour">
          <tbody>
            <tr>
              <th scope="row" class="text-left font-normal">o’clock</th>
              <td v-for="h in hours" :key="h.hour" class="pl-2 text-right">{{ h.hour }}</td>
            </tr>
            <tr>
              <th scope="row" class="text-left font-normal">said less read</th>
              <td v-for="h in hours" :key="h.hour" class="pl-2 text-right">{{ k(h.biasK, true) }}</td>
            </tr>
          </tbody>
        </table>
        <table class="text-sm" data-test="compared-days">
          <thead>
            <tr>
              <th scope="col" class="text-left font-normal">day</th>
              <th scope="col" class="pl-4 text-left font-normal">sky</th>
              <th scope="col" class="pl-4 text-right font-normal">low outside</th>
              <th scope="col" class="pl-4 text-right font-normal">low read</th>
              <th scope="col" class="pl-4 text-right font-normal">said</th>
              <th scope="col" class="pl-4 text-right font-normal">high read</th>
              <th scope="col" class="pl-4 text-right font-normal">said</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="d in found.comparison.days" :key="d.date" class="border-t border-line">
              <th scope="row" class="text-left font-normal">{{ d.date }}</th>
              <td class="pl-4">{{ d.sky }}</td>
              <td class="pl-4 text-right">{{ t(d.outsideMinC) }}</td>
              <td class="pl-4 text-right">{{ Number.isNaN(d.readMinC) ? '–' : t(d.readMinC) }}</td>
              <td class="pl-4 text-right">{{ t(d.saidMinC) }}</td>
              <td class="pl-4 text-right">{{ Number.isNaN(d.readMaxC) ? '–' : t(d.readMaxC) }}</td>
              <td class="pl-4 text-right">{{ t(d.saidMaxC) }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </template>
  </div>
</template>

<style scoped>
.tick {
  font-size: 12.5px;
  fill: var(--soft);
}
</style>
