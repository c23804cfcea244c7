<script setup lang="ts">
import { endangered } from '../../../core/life-answers'
import { LIFETIMES_Y, lifetimeCost, RANKS, ranksByHeat, type Rank, type Rung } from '../../../core/study/ladder'
import { ranAs } from '../../../core/study/ran-as'
import { formatNumber } from '../../../core/units'
import { fullDate, localDay } from '../../../core/text/dates'

/** What the next money buys: every sensible single change, ranked; each can be laid on the design. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const ladder = useLadder()
const FIRST = 12
const all = ref(false)
const shown = computed(() => (all.value ? ladder.order : ladder.order.slice(0, FIRST)))
/** What bars show: degrees of what lives there or of the air, heat, light. */
const BARS = {
  life: {
    value: (r: Rung) => r.lifeK,
    say: (r: Rung) => settings.show(r.lifeK, 'temperatureDifference', { sign: true }),
    needs: () => -(life.value?.marginK ?? 0),
  },
  air: {
    value: (r: Rung) => r.gainK,
    say: (r: Rung) => settings.show(r.gainK, 'temperatureDifference', { sign: true }),
    needs: () => (ladder.as === 'stands' ? -(year.view?.answers.aim.coldestNight?.marginK ?? 0) : 0),
  },
  heat: {
    value: (r: Rung) => r.savedKWh,
    say: (r: Rung) => settings.show(r.savedKWh * 3.6e6, 'energy', { sign: true }),
    needs: () => 0,
  },
  light: {
    value: (r: Rung) => r.lightShare - 1,
    say: (r: Rung) => `${r.lightShare >= 1 ? '+' : '−'}${Math.abs(Math.round((r.lightShare - 1) * 100))} %`,
    needs: () => 0,
  },
}
const SHOWN: Record<Rank, keyof typeof BARS> = {
  money: 'life',
  life: 'life',
  degrees: 'air',
  heat: 'heat',
  payback: 'heat',
  light: 'light',
}
const bars = computed(() =>
  ladder.rank === 'money' && ladder.of && ranksByHeat(ranAs(ladder.of, ladder.as)) ? 'heat' : SHOWN[ladder.rank],
)
const HEADS = computed(() => ({
  life:
    `${life.value?.name.toLowerCase() ?? 'what lives there'}, ` +
    (life.value?.side === 'highest' ? 'cooler' : 'warmer'),
  air: 'coldest night',
  heat: 'heat saved a year',
  light: 'winter light',
}))
/** What lives there that stands nearest to its bound. */
const life = computed(() => ladder.now?.life ?? (year.view ? endangered(bench.current, year.view.answers) : null))
/** What stands beside the bars: air beside what lives there, and what lives there beside all else. */
const BESIDE = computed(() =>
  bars.value === 'life'
    ? ({ bar: 'air', name: 'air' } as const)
    : ({ bar: 'life', name: life.value?.name.toLowerCase() ?? 'what lives there' } as const),
)
const lifeStands = computed(() => {
  const { marginK, boundC, side } = life.value!
  const by = settings.show(Math.abs(marginK), 'temperatureDifference')
  return `${by} ${marginK < 0 ? 'beyond' : 'within'} its ${side} ${settings.show(boundC, 'temperature')}`
})
const value = (r: Rung) => BARS[bars.value].value(r)
const range = computed(() => {
  const values = shown.value.map(value)
  return { low: Math.min(0, ...values), high: Math.max(1e-6, needK.value, ...values) }
})
/** Degrees that are short of what is asked; 0 where it is met, or where bars are no degrees. */
const needK = computed(() => (ladder.stale ? 0 : Math.max(0, BARS[bars.value].needs())))
const place = (v: number) => ((v - range.value.low) / (range.value.high - range.value.low)) * 100
const bar = (r: Rung) => {
  const [a, b] = [place(0), place(value(r))]
  return { left: `${Math.min(a, b)}%`, width: `${Math.abs(b - a)}%` }
}
const cost = ({ cost }: Rung) =>
  Math.abs(cost) < 0.5
    ? 'free'
    : `${cost < 0 ? 'saves ' : ''}${bench.current.topUp.currency} ${formatNumber(Math.abs(cost), 0)}`
/** What is bought in a year, more or less. */
const aYear = ({ aYear: money }: Rung) => (Math.abs(money) < 0.5 ? '0' : formatNumber(money, 0, true))
const light = (r: Rung) => {
  const percent = Math.round((r.lightShare - 1) * 100)
  return percent === 0 ? '0' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`
}
const pays = ({ paybackYears }: Rung) =>
  paybackYears === null ? '' : `${paybackYears.toFixed(paybackYears < 10 ? 1 : 0)} y`
const withPayback = computed(() => ladder.order.some(r => r.paybackYears !== null))
const setRank = (id: string) => {
  ladder.rank = id as Rank
  return null
}
/** What it costs and what it buys, over the years that are chosen. */
const over = (r: Rung) => `${formatNumber(lifetimeCost(r, ladder.years), 0)} in ${ladder.years} y`
const setYears = (id: string) => {
  ladder.years = Number(id)
  return null
}
const YEARS = LIFETIMES_Y.map(y => ({ id: String(y), name: `${y} ${y === 1 ? 'year' : 'years'}` }))
const RANK_CHOICES = Object.entries(RANKS).map(([id, name]) => ({ id, name }))
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-end gap-x-4 gap-y-1">
      <h2 class="group-title mr-auto">What the next money buys</h2>
      <BriefBar
        ask="Try every change"
        test="ladder"
        :state="ladder.state"
        :stale="ladder.stale"
        :ready="ladder.rungs.length > 0"
        @start="ladder.start"
        @cancel="ladder.cancel"
      />
      <div class="flex gap-x-4">
        <ChoiceField label="Ranked by" :value="ladder.rank" :options="RANK_CHOICES" :set="setRank" class="w-56" />
        <ChoiceField label="Over" :value="String(ladder.years)" :options="YEARS" :set="setYears" class="w-28" />
      </div>
    </div>
    <p v-if="ladder.rungs.length === 0 && !ladder.state.running" class="hint max-w-prose">
      Every sensible single change to this house, each run for its year: what it does to the coldest night, what it
      costs in money, light and summer, and why. Press one to lay it on the design; undo takes it back.
    </p>
    <table v-else class="w-full border-collapse" :class="ladder.stale ? 'opacity-60' : ''" data-test="ladder">
      <thead class="text-sm">
        <tr>
          <th scope="col" class="text-left font-normal">change</th>
          <th scope="col" class="w-[27%] text-left font-normal">
            {{ HEADS[bars] }}
          </th>
          <th scope="col" class="pl-3 text-right font-normal">{{ BESIDE.name }}</th>
          <th scope="col" class="pl-3 text-right font-normal">cost</th>
          <th scope="col" class="pl-3 text-right font-normal whitespace-nowrap">a year</th>
          <th v-if="withPayback" scope="col" class="pl-3 text-right font-normal">
            <TermLink id="payback">pays in</TermLink>
          </th>
          <th scope="col" class="pl-3 text-right font-normal"><TermLink id="dli">light</TermLink></th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in shown" :key="r.id" class="border-t border-line" :data-test="`rung-${r.id}`">
          <th scope="row" class="py-1 pr-3 text-left font-normal">
            <strong class="font-semibold">{{ r.words }}</strong>
            <span v-if="r.why" class="hint block leading-tight">{{ r.why }}</span>
          </th>
          <td class="bars">
            <div class="relative h-6">
              <span class="absolute inset-y-0 w-px bg-ink" :style="{ left: `${place(0)}%` }" />
              <span
                v-if="needK > 0"
                class="absolute inset-y-0 border-l-2 border-dashed border-clay"
                :style="{ left: `${place(needK)}%` }"
                title="from here it is met"
              />
              <span class="bar" :class="value(r) < 0 ? 'harms' : ''" :style="bar(r)" aria-hidden="true" />
              <strong
                class="absolute top-0.5 text-sm whitespace-nowrap tabular-nums"
                :style="
                  place(value(r)) > 62
                    ? { right: `${102 - place(value(r))}%` }
                    : { left: `${Math.max(place(0), place(value(r))) + 2}%` }
                "
                :class="place(value(r)) > 62 ? 'rounded-sm bg-lime/80 px-1' : ''"
                >{{ BARS[bars].say(r) }}</strong
              >
            </div>
          </td>
          <td
            :data-name="BESIDE.name"
            class="pl-3 text-right whitespace-nowrap tabular-nums"
            :class="BARS[BESIDE.bar].value(r) < -0.05 ? 'text-clay' : 'text-soft'"
          >
            {{ BARS[BESIDE.bar].say(r) }}
          </td>
          <td class="pl-3 text-right whitespace-nowrap tabular-nums">{{ cost(r) }}</td>
          <td class="pl-3 text-right whitespace-nowrap tabular-nums" data-name="a year">
            {{ aYear(r) }}
            <span v-if="Math.abs(r.aYear) >= 0.5" class="hint block leading-tight" data-test="over-years">{{
              over(r)
            }}</span>
          </td>
          <td
            v-if="withPayback"
            class="pl-3 text-right whitespace-nowrap tabular-nums"
            :data-name="r.paybackYears === null ? undefined : 'pays in'"
          >
            {{ pays(r) }}
          </td>
          <td
            data-name="light"
            class="pl-3 text-right whitespace-nowrap tabular-nums"
            :class="r.lightShare < 0.985 ? 'text-clay' : 'text-soft'"
          >
            {{ light(r) }}
          </td>
          <td class="lay pl-3 text-right">
            <button
              class="button"
              :disabled="ladder.stale || ladder.state.running"
              :aria-label="`Lay on the design: ${r.words}`"
              :data-test="`take-rung-${r.id}`"
              @click="ladder.take(r)"
            >
              Lay it on
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="ladder.rungs.length > 0 && !ladder.complete && !ladder.state.running" class="hint" data-test="partial">
      Stopped after {{ ladder.state.done }} of {{ ladder.state.total }}: what was not tried is not here.
    </p>
    <p v-if="shown.length > 0" class="hint" data-test="judged-by">
      <template v-if="bars === 'life' && life">
        Judged by what stands nearest to its bound: {{ life.name.toLowerCase() }}, {{ lifeStands }}.
      </template>
      <template v-if="needK > 0">
        The dashed line: {{ settings.show(needK, 'temperatureDifference', { sign: true }) }}, from where that is met.
      </template>
      <template v-if="ladder.rank === 'money'">
        {{
          bars === 'heat'
            ? 'Ranked by what is saved a year'
            : `Money is what it costs, and what it buys over ${ladder.years} ${ladder.years === 1 ? 'year' : 'years'}`
        }}.
      </template>
    </p>
    <details v-if="ladder.choices.length > 0" class="mt-2" data-test="choices">
      <summary class="cursor-pointer">What was chosen so far, and why</summary>
      <ol class="ml-5 list-decimal text-sm">
        <li v-for="c in ladder.choices" :key="c.at">
          {{ fullDate(localDay(new Date(c.at))) }}: {{ c.words }},
          {{ settings.show(c.gainK, 'temperatureDifference', { sign: true }) }}. <span class="hint">{{ c.why }}</span>
        </li>
      </ol>
    </details>
    <button v-if="ladder.order.length > FIRST" class="button mt-2" data-test="all-rungs" @click="all = !all">
      {{ all ? `The first ${FIRST} alone` : `All ${ladder.order.length} changes` }}
    </button>
  </div>
</template>

<style scoped>
.bar {
  position: absolute;
  top: 7px;
  height: 10px;
  background: var(--moss);
}
.bar.harms {
  background: repeating-linear-gradient(45deg, var(--clay) 0 3px, transparent 3px 6px);
  border: 1px solid var(--clay);
}
/* On a phone a rung is a block of its own: the words, and under them bar, cost, light and what lays it on. */
@media (max-width: 640px) {
  thead {
    display: none;
  }
  tbody tr {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 0.9rem;
    padding: 0.4rem 0;
  }
  tbody th,
  .bars {
    flex-basis: 100%;
  }
  tbody td {
    padding-left: 0;
  }
  td[data-name]::before {
    content: attr(data-name) ' ';
    color: var(--soft);
  }
  .lay {
    margin-left: auto;
  }
}
</style>
