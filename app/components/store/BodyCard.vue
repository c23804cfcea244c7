<script setup lang="ts">
import { dayName, MONTH_NAMES } from '../../../core/climate'
import { makeBuilding } from '../../../core/geometry/surfaces'
import { amountOf } from '../../../core/study/variants'
import { WATER_RULE } from '../../../core/sums/book/rules'

/** A body's own figures: its weight, the sun it gets, its part in the coldest night, and what more of it would add. */
const props = defineProps<{ index: number }>()
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const answer = computed(() => {
  const a = year.view?.answers.bodies[props.index]
  return a && a.kind === bench.current.store.bodies[props.index]?.kind ? a : null
})
const energy = (kWh: number) => settings.show(kWh * 3.6e6, 'energy')
/** As people buy it: these say enough. Gas is sold by the cubic metre only where one reckons in them. */
const bought = computed(() => ['electricity', settings.units === 'metric' ? 'gas' : 'oil', 'wood'])
const equal = computed(() =>
  (answer.value?.night.equal ?? [])
    .filter(e => bought.value.includes(e.fuel))
    .map(e => `${settings.compound(e.amount, e.unit, 2)} of ${e.fuel}`)
    .join(', '),
)
const most = computed(() => Math.max(1e-9, ...(answer.value?.sunByMonthKWh ?? [])))
/** The day on the drawing, else the coldest night's. */
const day = computed(() => year.day ?? Math.floor((year.view?.answers.coldestNight.hour ?? 0) / 24))
const gives = computed(() => {
  const watts = year.view?.bodiesGiveW[props.index]
  return watts ? Array.from(watts.subarray(day.value * 24, day.value * 24 + 24)) : []
})
const reach = computed(() => Math.max(1, ...gives.value.map(Math.abs)))
const H = 66
const y = (w: number) => H / 2 - (w / reach.value) * (H / 2 - 4)
const sum = (sign: 1 | -1) => gives.value.reduce((s, w) => s + Math.max(0, sign * w), 0) / 1000
const now = computed(() => (bench.current.store.bodies[props.index] ? amountOf(bench.current, props.index) : 0))
const isWater = computed(() => (answer.value?.waterM3 ?? 0) > 0)
/** The rule's marks, for this body on top of what water stands elsewhere. */
const marks = computed(() => {
  if (!isWater.value) return []
  const glazed = makeBuilding(bench.current)
    .surfaces.filter(s => s.kind === 'glazed')
    .reduce((s, x) => s + x.areaM2, 0)
  const others = (year.view?.answers.bodies ?? []).reduce((s, b) => s + b.waterM3, 0) - answer.value!.waterM3
  return (['least', 'most'] as const)
    .map(k => ({ at: (glazed * WATER_RULE[k]) / 1000 - others, text: `rule’s ${k}` }))
    .filter(m => m.at > 0)
})
const take = (design: typeof bench.current) => bench.replace(design, 'take amount')
</script>

<template>
  <div v-if="answer" class="mt-2 grid gap-x-8 gap-y-2 lg:grid-cols-2" data-test="body-card">
    <div>
      <p data-test="body-night">
        <template v-if="answer.night.gaveKWh > 0.005">
          In the twelve hours up to the coldest it gave <strong>{{ energy(answer.night.gaveKWh) }}</strong
          >, as much as a heater of {{ settings.show(answer.night.watts, 'power') }} all that time,
          {{ Math.round(answer.night.share * 100) }} % of what left the house. Else: {{ equal }}.
        </template>
        <template v-else>In the twelve hours up to the coldest it gave nothing: it took heat in.</template>
      </p>
      <p class="hint">
        Weighs {{ settings.show(answer.weightKg, 'mass') }}, {{ settings.show(answer.loadKgM2, 'arealMass') }} of the
        floor under it.
        <template v-if="answer.iceHours > 0">
          Holds ice for {{ settings.show(answer.iceHours, 'hours') }}, {{ Math.round(answer.iceMost * 100) }} % of it at
          the most: leave a tenth of each vessel empty.
        </template>
      </p>
      <h3 class="hint mt-1">Sun that it takes in, by month</h3>
      <div
        class="flex h-14 items-end gap-0.5"
        role="img"
        :aria-label="answer.sunByMonthKWh.map((k, m) => `${MONTH_NAMES[m]} ${energy(k)}`).join(', ')"
      >
        <span v-for="(k, m) in answer.sunByMonthKWh" :key="m" class="flex flex-1 flex-col items-center justify-end">
          <span class="w-full bg-straw" :style="{ height: `${(k / most) * 34}px` }" :title="energy(k)"></span>
          <span class="text-xs">{{ MONTH_NAMES[m]!.charAt(0) }}</span>
        </span>
      </div>
      <h3 class="hint mt-1">What it gives and takes on {{ dayName(day) }}</h3>
      <svg
        :viewBox="`0 0 240 ${H}`"
        class="w-full"
        :height="H"
        preserveAspectRatio="none"
        role="img"
        :aria-label="`Gives ${energy(sum(1))} and takes ${energy(sum(-1))} on ${dayName(day)}`"
        data-test="body-day"
      >
        <rect
          v-for="(w, h) in gives"
          :key="h"
          :x="h * 10 + 1"
          width="8"
          :y="Math.min(y(w), H / 2)"
          :height="Math.abs(y(w) - H / 2)"
          :fill="w > 0 ? 'var(--clay)' : 'var(--straw)'"
        />
        <line x1="0" x2="240" :y1="H / 2" :y2="H / 2" stroke="var(--ink)" />
      </svg>
      <p class="hint">Up: gives {{ energy(sum(1)) }}. Down: takes {{ energy(sum(-1)) }}. Midnight to midnight.</p>
    </div>
    <div>
      <h3 class="group-title">What more of it adds</h3>
      <AmountCurve
        kind="amount"
        :which="index"
        ask="Work out less, more and none"
        :quantity="isWater ? 'volume' : 'ratio'"
        :shows="['cold', 'heat']"
        :now="now"
        :marks="marks"
        @take="take($event.design)"
      />
    </div>
  </div>
</template>
