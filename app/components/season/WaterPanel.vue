<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { dayName, MONTH_NAMES, MONTH_START } from '../../../core/climate'
import { linear } from '../../../core/scale'
import { fullness, tanksInsideL } from '../../../core/season/water'
import type { Written } from '../../../core/season/book'
import { useSeasonYear } from '~/composables/useSeasonYear'

/** What the beds drink week by week, what the roof brings, and how the tank stands between them. */
const season = useSeason()
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const found = useSeasonYear(() => season.book.written.water)
const water = computed(() => found.value?.water ?? null)
const written = computed(() => season.book.written.water)
const fault = ref('')
const put = (part: Partial<Written['water']>) => {
  void season.edit(w => ({ ...w, water: { ...w.water, ...part } })).then(wrong => (fault.value = wrong ?? ''))
  return null
}
const L = (v: number) => settings.show(v / 1000, 'volume')
const setRain = (m: number) => (v: number) =>
  put({ rainMm: Array.from({ length: 12 }, (_, i) => (i === m ? v * 1000 : (written.value.rainMm[i] ?? 0))) })
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const HIGH = 170
const picture = computed(() => {
  const its = water.value
  if (!its || width.value === 0) return null
  const wide = Math.min(width.value, 900)
  const most = Math.max(1, ...its.weeks.map(w => Math.max(w.drunkL, w.rainL)))
  const x = linear([0, 52], [8, wide - 8])
  const y = linear([0, most], [HIGH - 22, 10])
  const tank = linear([0, Math.max(1, written.value.tankL)], [HIGH - 22, 10])
  return {
    wide,
    bars: its.weeks.map((w, i) => ({ ...w, x: x(i), y: y(w.drunkL), rainY: y(w.rainL) })),
    bar: (wide - 16) / 52 - 2,
    tank: its.weeks
      .map((w, i) => `${i === 0 ? 'M' : 'L'}${x(i + 0.5).toFixed(1)} ${tank(w.tankL).toFixed(1)}`)
      .join(''),
    months: MONTH_START.slice(0, 12).map((d, m) => ({ x: x(d / 7), name: MONTH_NAMES[m]!.slice(0, 3) })),
    foot: HIGH - 22,
  }
})
const thirstiest = computed(() => water.value?.weeks.reduce((a, b) => (b.drunkL > a.drunkL ? b : a)) ?? null)
const hasRain = computed(() => written.value.rainMm.some(v => v > 0))
/** The tank that stands inside: the rain tank, where it is said to be that one. */
const insideL = computed(() => Math.round(tanksInsideL(bench.current)))
const isInside = computed(() => Math.abs(written.value.tankL - insideL.value) < 1)
/** How full it is in the week of the coldest night, where it is not nearly full. */
const lowInTheCold = computed(() => {
  if (!isInside.value || !hasRain.value || !water.value || !year.view) return null
  const share = fullness(water.value, written.value, Math.floor(year.view.answers.coldestNight.hour / 24))
  return share < 0.95 ? share : null
})
const hoursWords = (h: number) => settings.show(h, 'hours')
</script>

<template>
  <div class="px-4 py-3">
    <p v-if="!water || !thirstiest" class="hint" role="status">Working out the year …</p>
    <template v-else>
      <h2 class="slab text-xl" data-test="thirst">
        The beds drink <strong class="text-3xl">{{ L(water.drunkL) }}</strong> in a year
      </h2>
      <p>
        Most in the week of {{ dayName(thirstiest.day) }}: {{ L(thirstiest.drunkL) }},
        {{ hoursWords(thirstiest.dripHours) }} of drip a day.
        <template v-if="hasRain">
          The roof ({{ settings.show(water.roofM2, 'area') }}) brings {{ L(water.rainL) }}; {{ L(water.overL) }} run
          over, {{ water.lackingL < 1 ? 'and the tank never runs dry' : `${L(water.lackingL)} come from elsewhere` }}.
        </template>
        <template v-else>Write down the rain of your months, and the tank’s year is worked out.</template>
      </p>
      <p class="hint">
        Drain lines before frost:
        {{
          found!.firstFrost
            ? `in the design’s year it first freezes inside on ${found!.firstFrost}`
            : 'inside it never freezes in the design’s year'
        }}; outside lines go by “Tasks”.
      </p>
      <div ref="frame" class="mt-2">
        <svg
          v-if="picture"
          :width="picture.wide"
          :height="HIGH"
          role="img"
          aria-label="Water week by week; in figures below"
          data-test="water-weeks"
        >
          <g v-for="b in picture.bars" :key="b.day">
            <rect :x="b.x" :y="b.y" :width="picture.bar" :height="picture.foot - b.y" fill="var(--moss)">
              <title>
                week of {{ dayName(b.day) }}: drinks {{ L(b.drunkL) }}, rain {{ L(b.rainL) }}, tank {{ L(b.tankL) }}
              </title>
            </rect>
            <path v-if="hasRain" :d="`M${b.x} ${b.rainY}h${picture.bar}`" stroke="var(--ink)" stroke-width="2" />
          </g>
          <path v-if="hasRain" :d="picture.tank" fill="none" stroke="var(--slate)" stroke-width="2.5" />
          <text v-for="m in picture.months" :key="m.name" :x="m.x" :y="HIGH - 5" class="tick">{{ m.name }}</text>
        </svg>
        <p class="hint">
          Bars: what the beds drink each week.<template v-if="hasRain">
            Dashes: what the roof brings. Line: how full the tank is.</template
          >
        </p>
      </div>
      <details class="mt-1">
        <summary class="cursor-pointer">The weeks in figures</summary>
        <table class="text-sm" data-test="water-table">
          <thead>
            <tr>
              <th scope="col" class="text-left font-normal">week of</th>
              <th scope="col" class="pl-4 text-right font-normal">drinks</th>
              <th scope="col" class="pl-4 text-right font-normal">rain</th>
              <th scope="col" class="pl-4 text-right font-normal">tank</th>
              <th scope="col" class="pl-4 text-right font-normal">drip a day</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="w in water.weeks" :key="w.day" class="border-t border-line">
              <th scope="row" class="text-left font-normal">{{ dayName(w.day) }}</th>
              <td class="pl-4 text-right">{{ L(w.drunkL) }}</td>
              <td class="pl-4 text-right">{{ L(w.rainL) }}</td>
              <td class="pl-4 text-right">{{ L(w.tankL) }}</td>
              <td class="pl-4 text-right">{{ hoursWords(w.dripHours) }}</td>
            </tr>
          </tbody>
        </table>
      </details>
      <div class="mt-3 flex flex-wrap gap-3">
        <QuantityField
          label="Rain tank holds"
          quantity="volume"
          :value="written.tankL / 1000"
          :min="0"
          :max="100"
          :set="v => put({ tankL: v * 1000 })"
          class="w-36"
        />
        <QuantityField
          label="Full on 1 January"
          quantity="share"
          :value="written.startShare"
          :min="0"
          :max="1"
          :set="v => put({ startShare: v })"
          class="w-36"
        />
        <QuantityField
          label="All drip lines give, an hour"
          quantity="volume"
          :value="written.dripLh / 1000"
          :min="0.001"
          :max="10"
          :set="v => put({ dripLh: v * 1000 })"
          class="w-48"
        />
      </div>
      <p v-if="insideL === 0" class="hint">A rain tank that stands inside is mass too: draw it under Store.</p>
      <p v-else class="mt-1" data-test="tank-inside">
        The tank that stands inside holds {{ L(insideL) }}.
        <button v-if="!isInside" class="button ml-1" data-test="tank-is-rain" @click="put({ tankL: insideL })">
          Use it as the rain tank
        </button>
        <template v-else-if="lowInTheCold !== null">
          In the week of the coldest night it is {{ settings.show(lowInTheCold, 'share') }} full. The year takes it as
          full: that night would be colder, so fill it before the frost.
        </template>
        <template v-else>It is the rain tank, and mass as well.</template>
      </p>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <h3 class="group-title mt-3">Rain by month, and what the beds drink</h3>
      <div class="grid max-w-4xl grid-cols-2 gap-x-4 sm:grid-cols-4 lg:grid-cols-6" data-test="rain">
        <div v-for="(name, m) in MONTH_NAMES" :key="name">
          <QuantityField
            :label="name"
            quantity="thickness"
            :value="(written.rainMm[m] ?? 0) / 1000"
            :min="0"
            :max="2"
            :set="setRain(m)"
          />
          <p class="hint mb-2">drinks {{ L(water.drunkByMonth[m]!) }}</p>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.tick {
  font-size: 12.5px;
  fill: var(--soft);
}
</style>
