<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { linear } from '../../../core/scale'
import { MOVES, moveWords } from '../../../core/moves/registry'
import { winterDli } from '../../../core/study/figures'
import { reached, wished, type Found, type FoundSet } from '../../../core/study/find'
import { sameYear } from '../../../core/study/kept'
import { winterName } from '../../../core/study/winter'
import { formatNumber } from '../../../core/units'

/** The cheapest set of changes that meets an aim, and how far money goes otherwise. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const ladder = useLadder()
const run = useRunAs()
const winters = useWinters()
const keeping = useKeeping()
/** The answer that was kept as a design of its own. */
const keptSet = shallowRef<Found | null>(null)
const aimed = computed(() => year.view?.answers.aim.coldestNight?.aimC ?? bench.current.aim.lowestAirC)
const wanted = reactive({ by: 'life', lifeK: 0, coldestC: aimed.value, budget: 0, aYear: 0, lightShare: 0.9 })
const BY = [
  { id: 'life', name: 'what lives there' },
  { id: 'air', name: 'the coldest night’s air' },
] as const
const set = (key: Exclude<keyof typeof wanted, 'by'>) => (v: number) => {
  wanted[key] = v
  return null
}
const lightNow = computed(() => (year.view ? winterDli(bench.current, year.view.answers) : 0))
const start = () =>
  ladder.find({
    coldestC: wanted.coldestC,
    lifeK: wanted.by === 'life' ? wanted.lifeK : null,
    winterK: winterK.value,
    budget: wanted.budget > 0 ? wanted.budget : null,
    aYear: wanted.aYear > 0 ? wanted.aYear : null,
    winterDli: wanted.lightShare * lightNow.value,
  })
const found = computed(() => ladder.found)
const stale = computed(() => {
  const { foundFor } = ladder
  return foundFor !== null && (foundFor.as !== run.as || !sameYear(foundFor.design, bench.current))
})
const money = (v: number) =>
  Math.abs(v) < 0.5
    ? 'nothing'
    : `${v < 0 ? 'saves ' : ''}${bench.current.topUp.currency} ${formatNumber(Math.abs(v), 0)}`
const t = (c: number) => settings.show(c, 'temperature')
/** What the winter that the aim is meant for brings this house as it stands, over the year of its score, K. */
const winterK = computed(() =>
  run.as === 'stands' && winters.spread && !winters.stale && year.view
    ? winters.spread.meantC - year.view.answers.coldestNight.insideC
    : 0,
)
/** What was asked for. */
const asked = computed(() => ladder.foundFor!.wanted)
const byLife = computed(() => typeof ladder.foundFor?.wanted.lifeK === 'number')
/** How far sets go in that winter: the coldest night, or what lives there over its bound. */
const far = (s: FoundSet) => reached(s, asked.value) + (asked.value.winterK ?? 0)
const farTold = (v: number) => (byLife.value ? settings.show(v, 'temperatureDifference', { sign: true }) : t(v))
const wordsOf = (id: string) => moveWords(MOVES.find(m => m.id === id)!, bench.current, settings.show)
const list = (s: FoundSet) => (s.moves.length === 0 ? ['The house as it is'] : s.moves.map(wordsOf))
async function keepSet(ids: readonly string[]): Promise<void> {
  const design = ladder.withSet(ids)
  if (!design) return
  await keeping.setAside(design)
  keptSet.value = found.value
}
/** The front as a picture: money across, coldest night up. */
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const HEIGHT = 170
const plot = computed(() => {
  const f = found.value
  if (!f || f.front.length < 2 || width.value === 0) return null
  const costs = f.front.map(s => s.cost)
  const cold = [...f.front.map(far), wished(asked.value)]
  const [c0, c1] = [Math.min(...costs), Math.max(...costs)]
  const [t0, t1] = [Math.min(...cold) - 0.3, Math.max(...cold) + 0.3]
  const x = linear([c0, Math.max(c0 + 1, c1)], [8, width.value - 8])
  const y = linear([t1, t0], [8, HEIGHT - 22])
  const steps = f.front.map(
    (s, i) => `${i === 0 ? 'M' : `H${x(s.cost)}V`}${i === 0 ? `${x(s.cost)} ` : ''}${y(far(s))}`,
  )
  return { x, y, path: steps.join(' '), c0, c1 }
})
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-[15rem_1fr]">
    <div>
      <h2 class="group-title">Find me the cheapest</h2>
      <ChoiceField label="Judged by" :value="wanted.by" :options="BY" :set="v => (wanted.by = v)" />
      <QuantityField
        v-if="wanted.by === 'life'"
        label="Over what it bears by at least"
        hint="leaves, soil or water, whichever stands nearest to its bound"
        quantity="temperatureDifference"
        :value="wanted.lifeK"
        :min="-40"
        :max="30"
        :set="set('lifeK')"
      />
      <QuantityField
        v-else
        label="Coldest night at least"
        quantity="temperature"
        :value="wanted.coldestC"
        :min="-40"
        :max="30"
        :set="set('coldestC')"
      />
      <QuantityField
        :label="`For no more than, ${bench.current.topUp.currency}`"
        hint="0 for no limit"
        quantity="money"
        :value="wanted.budget"
        :min="0"
        :max="1e7"
        :set="set('budget')"
      />
      <QuantityField
        :label="`Bought in a year no more than, ${bench.current.topUp.currency}`"
        hint="fuel, electricity, water; 0 for no limit"
        quantity="money"
        :value="wanted.aYear"
        :min="0"
        :max="1e7"
        :set="set('aYear')"
      />
      <QuantityField
        label="With at least, of the winter light"
        quantity="share"
        :value="wanted.lightShare"
        :min="0"
        :max="1.5"
        :set="set('lightShare')"
      />
      <BriefBar
        ask="Search"
        test="find"
        :state="ladder.search.running && ladder.state.running ? ladder.state : ladder.search"
        :stale="stale"
        :ready="found !== null"
        @start="start"
        @cancel="ladder.cancelSearch"
      />
      <p v-if="winterK !== 0" class="hint" data-test="find-winter">
        Asked of {{ winterName(bench.current.aim) }}, which brings this house
        {{ settings.show(Math.abs(winterK), 'temperatureDifference') }} {{ winterK < 0 ? 'less' : 'more' }} than the
        year that it is worked out in; other houses are taken to differ by as much.
      </p>
      <p class="hint">
        Every single change is tried for its year (the ladder), then every set of the eight that promise most.
      </p>
    </div>
    <div v-if="found" :class="stale ? 'opacity-60' : ''" data-test="found">
      <p class="text-lg">
        <template v-if="found.feasible">
          <strong class="slab text-2xl">{{ money(found.cost) }}</strong>
          {{ byLife ? 'keeps what lives there over its bound by' : 'brings the coldest night to' }}
          <strong>{{ farTold(far(found)) }}</strong
          >; {{ money(found.aYear) }} is bought in a year.
          <span v-if="byLife" class="hint">The coldest night is {{ t(found.coldestC) }} then.</span>
        </template>
        <template v-else>
          <strong class="text-clay">No set of these does it.</strong> The nearest comes to
          <strong>{{ farTold(far(found)) }}</strong
          >, for {{ money(found.cost) }} and {{ money(found.aYear) }} a year.
        </template>
      </p>
      <ul class="ml-5 list-disc">
        <li v-for="w in list(found)" :key="w">{{ w }}</li>
      </ul>
      <button
        class="button mt-1"
        :disabled="stale || found.moves.length === 0"
        data-test="take-set"
        @click="ladder.takeSet(found.moves)"
      >
        Lay the set on
      </button>
      <button
        class="button mt-1 ml-2"
        :disabled="stale || found.moves.length === 0 || keptSet === found"
        data-test="keep-set"
        @click="keepSet(found.moves)"
      >
        {{ keptSet === found ? 'Kept: see Side by side' : 'Keep it as a variant' }}
      </button>
      <h3 class="mt-3 font-semibold">How far money goes</h3>
      <div ref="frame">
        <svg
          v-if="plot"
          :width="width"
          :height="HEIGHT"
          role="img"
          :aria-label="`${byLife ? 'Over its bound' : 'Coldest night'} against money; the table below has the figures`"
        >
          <line
            :x1="0"
            :x2="width"
            :y1="plot.y(wished(asked))"
            :y2="plot.y(wished(asked))"
            stroke="var(--clay)"
            stroke-width="1.5"
            stroke-dasharray="6 4"
          />
          <text :x="4" :y="plot.y(wished(asked)) - 4" class="tick">{{ farTold(wished(asked)) }} wanted</text>
          <path :d="plot.path" fill="none" stroke="var(--moss)" stroke-width="2" />
          <circle
            v-for="s in found.front"
            :key="s.cost"
            :cx="plot.x(s.cost)"
            :cy="plot.y(far(s))"
            :r="s.cost === found.cost ? 6 : 4"
            :fill="s.cost === found.cost ? 'var(--clay)' : 'var(--paper)'"
            stroke="var(--ink)"
            stroke-width="1.5"
          />
          <text :x="8" :y="HEIGHT - 6" class="tick">{{ money(plot.c0) }}</text>
          <text :x="width - 8" :y="HEIGHT - 6" text-anchor="end" class="tick">{{ money(plot.c1) }}</text>
        </svg>
      </div>
      <details>
        <summary class="cursor-pointer">As a table</summary>
        <table class="text-sm" data-test="front">
          <thead>
            <tr>
              <th scope="col" class="pr-4 text-right font-normal">costs</th>
              <th scope="col" class="pr-4 text-right font-normal">bought a year</th>
              <th v-if="byLife" scope="col" class="pr-4 text-right font-normal">over its bound</th>
              <th scope="col" class="pr-4 text-right font-normal">coldest</th>
              <td></td>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in found.front" :key="s.cost" class="border-t border-line align-baseline">
              <td class="pr-4 text-right whitespace-nowrap">{{ money(s.cost) }}</td>
              <td class="pr-4 text-right whitespace-nowrap">{{ money(s.aYear) }}</td>
              <td v-if="byLife" class="pr-4 text-right whitespace-nowrap">{{ farTold(far(s)) }}</td>
              <td class="pr-4 text-right whitespace-nowrap">{{ byLife ? t(s.coldestC) : farTold(far(s)) }}</td>
              <td>{{ list(s).join('; ') }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </div>
  </div>
</template>

<style scoped>
.tick {
  font-size: 12.5px;
  fill: var(--soft);
}
</style>
