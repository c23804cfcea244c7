<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import { LATER } from '../../parts'
import { watchDebounced } from '@vueuse/core'
import type { Answers } from '../../../core/answers'
import { missTold } from '../../../core/aim/fares'
import type { LifeAnswer } from '../../../core/life-answers'
import { DAYS, MONTH_NAMES, MONTH_OF_DAY } from '../../../core/climate'
import { winterName } from '../../../core/study/winter'
import { isHeated } from '../../../core/sources/registry'
import { formatNumber, type Quantity } from '../../../core/units'

defineProps<{ step: string }>()
const emit = defineEmits<{ go: [string] }>()
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const winters = useWinters()
onMounted(() => winters.look())

const a = computed(() => year.view?.answers ?? null)
const was = computed(() => year.pinnedAnswers)
const t = (c: number) => settings.show(c, 'temperature')
const DULL = [
  '',
  'after one dull day',
  'after two dull days',
  'after three dull days',
  'after four dull days',
  'after five dull days',
  'after six or more dull days',
]

/** The coldest night against its own month's aim; with crops that changes with the month. */
const aimed = computed(() => a.value?.aim.coldestNight ?? null)
const missed = computed(() => {
  const miss = a.value?.aim.worstMonth
  return miss ? missTold(miss, settings.show) : ''
})
const withCrops = computed(() => bench.current.aim.crops.length > 0)
const heated = computed(() => isHeated(bench.current.topUp.sources))
/** Light that comes of estimated sun is said to be estimated. */
const sunEstimated = computed(() => {
  const { climate } = bench.current.site
  return climate.kind === 'normals' && !climate.globalJm2
})
const illustrative = computed(() => {
  const { climate } = bench.current.site
  return climate.kind === 'normals' && climate.illustrative !== undefined
})
const darkest = computed(() =>
  a.value ? a.value.months.reduce((best, m, i, all) => (m.dli < all[best]!.dli ? i : best), 0) : 0,
)
/** What lives there against its bounds. */
const lives = computed(() => a.value?.lives ?? [])
const bound = (l: LifeAnswer) =>
  `${MONTH_NAMES[MONTH_OF_DAY[Math.floor(l.hour / 24)]!]}; ${l.side} ${t(l.boundC)}: ` +
  (l.marginK >= 0
    ? `kept, by ${settings.show(l.marginK, 'temperatureDifference')}`
    : `missed, by ${settings.show(-l.marginK, 'temperatureDifference')}, ${l.hours} h in ${l.days} ` +
      `${l.side === 'lowest' ? 'nights' : 'days'}`)
const hottestDay = computed(() =>
  a.value
    ? `${a.value.hottestAfternoon.at.slice(8, 10).replace(/^0/, '')} ` +
      `${MONTH_NAMES[Number(a.value.hottestAfternoon.at.slice(5, 7)) - 1]}`
    : '',
)
const money = (v: number, currency: string) => `${currency} ${formatNumber(v, 0)}`
/** What costs most of what a year buys. */
const runs = computed(() =>
  [...(a.value?.running.lines ?? [])]
    .sort((x, y) => y.cost - x.cost)
    .slice(0, 3)
    .map(l => `${l.name.toLowerCase()} ${formatNumber(l.cost, 0)}`)
    .join(', '),
)
const cost = useHousePrice()
const budget = computed(() => bench.current.aim.practical.budget)
const over = computed(() => budget.value > 0 && cost.value !== null && cost.value > budget.value)

/** A figure of the year, beside the pinned design's; more of it is bad unless said. */
const figure = (of: (answers: Answers) => number, quantity: Quantity, more: 'good' | 'bad' = 'bad') => ({
  now: of(a.value!),
  was: was.value ? of(was.value) : null,
  quantity,
  more,
})

// For whoever measures how long the first score takes.
watch(
  () => year.coldest,
  () => performance.mark('first score'),
  { once: true },
)

/** The new score as a screen reader says it: once the hand has come to rest, and only where it changed. */
const spoken = ref('')
const REST_MS = 1500
watchDebounced(
  [a, () => year.running],
  () => {
    if (!a.value || year.running || year.moving) return
    const next = `Coldest night ${t(a.value.coldestNight.insideC)}`
    if (!spoken.value.startsWith(next)) spoken.value = `${next}.`
  },
  { debounce: REST_MS },
)

const TrustDialog = defineAsyncComponent(LATER.TrustDialog)
const trusting = ref(false)
function showColdest(): void {
  if (!a.value) return
  year.day = Math.floor(a.value.coldestNight.hour / 24) % DAYS
  year.hour = a.value.coldestNight.hour % 24
}
</script>

<template>
  <section class="flex flex-col gap-1 p-4" aria-label="The score" :aria-busy="year.running">
    <TrustDialog v-if="trusting" v-model="trusting" />
    <p class="sr-only" role="status" data-test="spoken">{{ spoken }}</p>
    <p v-if="year.failure" class="fault" role="alert">
      {{ year.failure }}
    </p>
    <p v-if="!year.coldest" class="hint py-8">Working out the first year …</p>
    <div v-else :class="year.running ? 'dimmed' : ''" data-test="score" :data-running="year.running">
      <h2 class="text-[1.05rem] font-medium">Coldest night</h2>
      <p class="flex flex-wrap items-baseline gap-x-3" :class="year.moving ? 'known' : ''">
        <span
          class="slab text-5xl leading-none"
          data-test="coldest"
          data-figure="coldest"
          :data-moving="year.moving !== null"
          >{{ t(year.coldest.insideC) }}</span
        >
        <ChangeMark
          :now="year.coldest.insideC"
          :was="was?.coldestNight.insideC"
          quantity="temperature"
          more="good"
          class="text-lg"
          data-test="coldest-change"
        />
      </p>
      <p v-if="!a" class="mt-1">
        inside, when it is {{ t(year.coldest.outsideC) }} outside. The rest of the year is on its way …
      </p>
      <template v-else>
        <p class="mt-1">
          inside, when it is {{ t(a.coldestNight.outsideC) }} outside.
          <button class="link" @click="showColdest">
            {{ a.coldestNight.day }} at {{ a.coldestNight.at.slice(11, 16)
            }}{{ a.coldestNight.dullDaysBefore > 0 ? `, ${DULL[Math.min(6, a.coldestNight.dullDaysBefore)]}` : '' }}.
          </button>
          <template v-if="aimed">
            Aim {{ t(aimed.aimC)
            }}{{ withCrops ? ` in ${MONTH_NAMES[MONTH_OF_DAY[Math.floor(a.coldestNight.hour / 24)]!]}` : '' }}:
            <strong :class="aimed.marginK >= 0 ? 'text-moss' : 'text-clay'"
              >{{ aimed.marginK >= 0 ? 'kept, by' : 'missed, by' }}
              {{ settings.show(Math.abs(aimed.marginK), 'temperatureDifference') }}</strong
            >.
          </template>
          <template v-else-if="withCrops">{{ ' ' }}Nothing that is to live here stands in it then.</template>
        </p>
        <p v-if="missed" class="mt-1 text-clay" data-test="worst-month">{{ missed }}</p>
        <p class="hint mt-1" data-test="leaf">
          <TermLink id="leaf-temperature">The leaf itself</TermLink>:
          <span data-figure="leaf">{{ t(a.leaf.coldestC) }}</span
          >{{ a.leaf.frostHours > 0 ? `, ${a.leaf.frostHours} h of frost on it` : '' }}. Under the ridge
          <span data-figure="ridgeColdest">{{ t(a.airs.ridgeColdestC) }}</span
          ><template v-if="a.airs.pathColdestC !== null"
            >, in the dug path <span data-figure="pathColdest">{{ t(a.airs.pathColdestC) }}</span></template
          >.
          <button class="link" data-test="how-far" @click="trusting = true">How far to trust it</button>
        </p>
        <p v-if="illustrative" class="hint mt-1" data-test="on-illustration">
          On an illustrative climate, not your own months: see Site.
        </p>
        <p v-if="a.coldestNight.untilOpened" class="hint mt-1" data-test="until-opened">
          {{ t(a.coldestNight.untilOpened.insideC) }} until the cover was opened at
          {{ a.coldestNight.untilOpened.clock }}.
        </p>
        <LazyOneWinter v-if="winters.single" class="mt-1" />
        <p v-if="winters.spread" class="hint mt-1" :class="winters.stale ? 'opacity-55' : ''" data-test="winters">
          Winters differ: {{ winters.spread.isFew ? `in the ${winters.all.length} measured ones` : 'in eight of ten' }},
          {{ t(winters.spread.leastC) }} to {{ t(winters.spread.mostC) }}; in the middle one
          {{ t(winters.spread.medianC) }}.
          <template v-if="bench.current.aim.winter !== 'usual'">
            {{ capital(winterName(bench.current.aim)) }} brings <strong>{{ t(winters.spread.meantC) }}</strong
            ><template v-if="winters.spread.meantMarginK !== null"
              >: aim
              <strong :class="winters.spread.meantMarginK >= 0 ? 'text-moss' : 'text-clay'">{{
                winters.spread.meantMarginK >= 0 ? 'kept' : 'missed'
              }}</strong></template
            >.
          </template>
        </p>
        <p v-if="heated" class="hint mt-1">
          Without added heat:
          <span v-if="year.unheated" :class="year.unheated.view === year.view ? '' : 'opacity-55'">
            {{ t(year.unheated.coldest.insideC) }}
            <ChangeMark
              :now="year.unheated.coldest.insideC"
              :was="was?.freeRunning?.coldestNight.insideC"
              quantity="temperature"
              more="good"
            />
          </span>
          <template v-else>…</template>
        </p>
        <FaultList :step="step" class="mt-2" @go="emit('go', $event)" />
        <dl class="mt-3 divide-y divide-line border-y border-line">
          <ScoreRow
            of="hottest"
            :hint="
              `${hottestDay}, ${t(a.hottestAfternoon.outsideC)} outside, ` +
              `${t(a.airs.ridgeHottestC)} under the ridge`
            "
            :figure="figure(x => x.hottestAfternoon.insideC, 'temperature')"
          />
          <ScoreRow
            v-for="l in lives"
            :key="`${l.name} ${l.side}`"
            :name="l.name"
            :hint="bound(l)"
            :figure="
              figure(
                x => x.lives.find(o => o.name === l.name && o.side === l.side)?.atC ?? l.atC,
                'temperature',
                l.side === 'lowest' ? 'good' : 'bad',
              )
            "
            :data-test="`life-${l.of}`"
          />
          <ScoreRow name="Frost inside" :figure="figure(x => x.hoursBelow0, 'hours')" />
          <ScoreRow name="Below the aim" :figure="figure(x => x.hoursBelowAim, 'hours')" />
          <ScoreRow
            name="Too hot"
            :hint="`above ${withCrops ? 'what the crops bear' : t(bench.current.aim.highestAirC)}`"
            :figure="figure(x => x.hoursAboveLimit, 'hours')"
          />
          <ScoreRow
            of="heat"
            term="top-up"
            :hint="
              heated
                ? `${money(a.topUp.cost, a.topUp.currency)} a year, peak ${settings.show(a.topUp.peakW, 'power')}`
                : ''
            "
            :figure="heated || (was && was.topUp.kWh > 0) ? figure(x => x.topUp.kWh * 3.6e6, 'energy') : undefined"
          >
            <template v-if="a.topUp.kWh === 0">none</template>
          </ScoreRow>
          <ScoreRow of="aYear" :hint="runs" data-test="running">
            {{ money(a.running.cost, a.topUp.currency) }}
          </ScoreRow>
          <ScoreRow of="cost" :hint="budget > 0 ? `of ${money(budget, a.topUp.currency)}${over ? ', over' : ''}` : ''">
            <span v-if="cost !== null" :class="over ? 'text-clay' : ''" data-test="cost">{{
              money(cost, a.topUp.currency)
            }}</span>
          </ScoreRow>
          <ScoreRow
            :name="`Light, ${MONTH_NAMES[darkest]}`"
            term="dli"
            :hint="`at the beds, mol/m² a day${sunEstimated ? ', sun estimated' : ''}`"
            :figure="figure(x => x.months[darkest]!.dli, 'light', 'good')"
            ><span :data-figure="`light-${darkest}`">{{ a.months[darkest]!.dli.toFixed(1) }}</span></ScoreRow
          >
          <ScoreRow of="damp" term="rh" hint="above 90 % humidity" :figure="figure(x => x.hoursDamp, 'hours')" />
        </dl>
        <h3 class="mt-3 text-[1.02rem] font-medium">Where the worst night’s heat went</h3>
        <ul data-test="losses">
          <li
            v-for="l in a.worstNightLosses.slice(0, 3)"
            :key="l.name"
            class="grid grid-cols-[6rem_1fr_2.6rem] items-center gap-2"
          >
            <span>{{ l.name }}</span>
            <span class="h-2 rounded-sm bg-clay" :style="{ width: `${l.share * 100}%` }" aria-hidden="true" />
            <span class="text-right">{{ Math.round(l.share * 100) }} %</span>
          </li>
        </ul>
      </template>
    </div>
    <GeneralCautions :step="step" />
  </section>
</template>

<style scoped>
.dimmed > :not(.known) {
  opacity: 0.55;
}
</style>
