<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import type { Quantity } from '../../../core/units'
import { rise } from '../../../core/season/pictures'
import type { Forecast, Night, Tonight } from '../../../core/season/tonight'
import { FORECAST_SKIES, nightly } from '../../../core/season/tonight'
import { aimLine } from '../../../core/aim/aim-line'
import { dayNumber, isoDay } from '../../../core/plan/calendar'
import { shortDay, weekdayName } from '../../../core/text/dates'
import { degrees } from '~/composables/degrees'
import { todayHere } from '~/stores/season'

/** What the nights that come will be inside, and what to do about them. */
const season = useSeason()
const bench = useDesign()
const settings = useSettings()
const told = shallowRef<Tonight | null>(null)
const forecast = shallowRef<Forecast[]>([])
const typed = ref(false)
const failure = ref('')
const typing = ref(false)
const sheet = useTemplateRef<{ print: () => Promise<void> }>('sheet')
let turn = 0
watch(
  () => [season.whose, season.book, bench.current, settings.units] as const,
  async () => {
    if (season.whose !== bench.current.id) return
    const mine = ++turn
    try {
      const found = await season.tonightOf()
      if (mine !== turn) return
      told.value = found.told
      forecast.value = found.forecast
      typed.value = found.typed
      failure.value = ''
    } catch (error) {
      if (mine === turn) failure.value = error instanceof Error ? error.message : String(error)
    }
  },
  { immediate: true },
)
const t = (c: number) => settings.show(c, 'temperature')
const bare = (c: number) => settings.show(c, 'temperature', { unit: false })
const k = (v: number) => settings.show(v, 'temperatureDifference', { sign: true })
const nights = computed(() => told.value?.nights ?? [])
const first = computed(() => nights.value[0] ?? null)
const AT = { leaf: 'at the leaves', water: 'in the water' } as const
/** What lives there, each against what it bears: “Leaves bear −8.0 °C: 5.2 K to spare.” */
const livesTold = computed(() =>
  (first.value?.lives ?? [])
    .map(l => {
      const by = settings.show(Math.abs(l.marginK), 'temperatureDifference')
      const name = capital(l.name)
      return `${name}: ${t(l.boundC)} is the least, ${by} ${l.marginK < 0 ? 'short' : 'to spare'}.`
    })
    .join(' '),
)
const dayOf = (date: string, i: number) => (i > 0 ? weekdayName(date) : `tonight, ${shortDay(date)}`)
/** The nights drawn to one scale of degrees. */
const HIGH = 150
const wantedC = computed(() => {
  const night = first.value
  if (!night) return 0
  return aimLine(bench.current.aim).lowC[Number(night.date.slice(5, 7)) - 1] ?? 0
})
const scale = computed(() =>
  rise([...nights.value.flatMap(n => [n.low, n.high]), wantedC.value, 0], 12, HIGH - 12, degrees(settings.units)),
)
const colourOf = (n: Night) =>
  n.insideMinC < 0 ? 'var(--slate)' : n.insideMinC < wantedC.value ? 'var(--straw)' : 'var(--moss)'
const today = todayHere()
const doneKey = (night: Night, id: string) => `${night.date} ${id}`
const isDone = (night: Night, id: string) =>
  season.book.written.done.some(d => d.night && d.task === doneKey(night, id))
const tick = (night: Night, id: string) =>
  season.edit(w => ({
    ...w,
    done: isDone(night, id)
      ? w.done.filter(d => !(d.night && d.task === doneKey(night, id)))
      : [...w.done, { on: today, task: doneKey(night, id), night: true }],
  }))
/** The forecast as it is typed: a row for each of four nights. */
const rows = ref<Forecast[]>([])
const fault = ref('')
function beginTyping(): void {
  rows.value = Array.from({ length: 4 }, (_, i) => {
    const date = isoDay(dayNumber(today) + i)
    const known = forecast.value.find(f => f.date === date) ?? forecast.value[i]
    return { lowC: 0, highC: 5, sky: 'fair' as const, windMs: 2, snow: false, ...known, date }
  })
  typing.value = true
}
const put = (i: number, part: Partial<Forecast>): null => {
  rows.value = rows.value.map((r, n) => (n === i ? { ...r, ...part } : r))
  return null
}
async function keepTyped(): Promise<void> {
  const wrong = rows.value.find(r => r.lowC > r.highC)
  fault.value = wrong ? 'A night’s low is above its day’s high. Allowed: a low at or under the high.' : ''
  if (wrong) return
  fault.value = (await season.edit(w => ({ ...w, forecast: rows.value }))) ?? ''
  if (fault.value === '') typing.value = false
}
async function useSimulated(): Promise<void> {
  await season.edit(w => ({ ...w, forecast: [] }))
  typing.value = false
}
const SKY_CHOICES = Object.keys(FORECAST_SKIES).map(id => ({ id: id as Forecast['sky'], name: id }))
const limits: Record<'lowC' | 'highC' | 'windMs', { quantity: Quantity; min: number; max: number; label: string }> = {
  lowC: { quantity: 'temperature', min: -70, max: 40, label: 'Low of the night' },
  highC: { quantity: 'temperature', min: -60, max: 55, label: 'High of the day' },
  windMs: { quantity: 'speed', min: 0, max: 60, label: 'Wind' },
}
const NUMBERS = ['lowC', 'highC', 'windMs'] as const
</script>

<template>
  <div class="px-4 py-3">
    <p v-if="failure" class="fault" role="alert">The nights could not be worked out: {{ failure }}</p>
    <p v-else-if="!first" class="hint" role="status">Working out the nights …</p>
    <template v-else>
      <div class="grid gap-x-8 gap-y-2 lg:grid-cols-[1fr_15rem]">
        <div>
          <h2 class="slab text-xl" data-test="tonight">
            Tonight: <strong class="text-3xl">{{ t(first.insideMinC) }}</strong> inside, if nothing is done
          </h2>
          <p class="hint" data-test="tonight-source">
            {{ t(first.leafMinC) }} at the leaves, soil {{ t(first.soilMinC) }}. {{ livesTold }} {{ told!.words }}
            {{ typed ? 'The forecast was typed.' : 'The forecast is of a simulated service.' }}
            <button class="underline" data-test="type-forecast" @click="beginTyping">Type another</button>
          </p>
        </div>
        <LiveTile />
      </div>
      <form v-if="typing" class="my-2 border border-line p-3" data-test="forecast" @submit.prevent="keepTyped">
        <div v-for="(r, i) in rows" :key="r.date" class="flex flex-wrap items-start gap-x-3">
          <strong class="mt-6 w-32">{{ dayOf(r.date, i) }}</strong>
          <QuantityField
            v-for="n in NUMBERS"
            :key="n"
            :label="limits[n].label"
            :quantity="limits[n].quantity"
            :value="r[n]"
            :min="limits[n].min"
            :max="limits[n].max"
            :set="v => put(i, { [n]: v })"
            class="w-32"
          />
          <ChoiceField
            label="Sky"
            :value="r.sky"
            :options="SKY_CHOICES"
            :set="v => put(i, { sky: v })"
            class="mb-4 w-24"
          />
          <SwitchField label="Snow" :value="r.snow" :set="v => put(i, { snow: v })" class="mb-4" />
        </div>
        <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
        <button v-uses-fields class="button" type="submit" data-test="keep-forecast">Take this</button>
        <button class="button ml-2" type="button" @click="useSimulated">Use the simulated one</button>
      </form>
      <ul class="nights mt-2" data-test="nights">
        <li v-for="(n, i) in nights" :key="n.date">
          <p>
            <strong>{{ dayOf(n.date, i) }}</strong
            ><br /><span class="hint">{{ n.snow ? 'snow' : n.sky }}, {{ t(n.outsideMinC) }} outside</span>
          </p>
          <svg
            :width="120"
            :height="HIGH"
            role="img"
            :aria-label="`${t(n.insideMinC)}, between ${t(n.low)} and ${t(n.high)}`"
          >
            <line x1="0" x2="120" :y1="scale.y(0)" :y2="scale.y(0)" stroke="var(--slate)" stroke-dasharray="5 4" />
            <text v-if="i === 0" x="116" :y="scale.y(0) - 3" class="tick" text-anchor="end">{{ t(0) }}</text>
            <rect
              x="8"
              :y="scale.y(n.high)"
              width="26"
              :height="scale.y(n.low) - scale.y(n.high)"
              :fill="colourOf(n)"
              fill-opacity="0.45"
            />
            <line
              x1="4"
              x2="38"
              :y1="scale.y(n.insideMinC)"
              :y2="scale.y(n.insideMinC)"
              stroke="var(--ink)"
              stroke-width="3"
            />
            <text x="44" :y="scale.y(n.insideMinC) + 5" class="big">{{ bare(n.insideMinC) }}°</text>
            <text x="44" :y="scale.y(n.insideMinC) + 20" class="tick">{{ bare(n.low) }} to {{ bare(n.high) }}</text>
          </svg>
        </li>
      </ul>
      <PrintedSheet ref="sheet">
        <figcaption class="group-title mt-2">
          What to do tonight
          <span class="hint font-sans font-normal">with all of it {{ t(first.doneLeafC) }} at the leaves</span>
        </figcaption>
        <ul class="max-w-2xl" data-test="to-do">
          <li v-for="d in first.do" :key="d.id" class="border-t border-line py-1.5">
            <label class="flex items-baseline gap-3">
              <input
                type="checkbox"
                class="big-box"
                :checked="isDone(first, d.id)"
                :data-test="`did-${d.id}`"
                @change="tick(first, d.id)"
              />
              <span class="flex-1" :class="isDone(first, d.id) ? 'line-through' : ''">
                {{ d.what }}, <strong>{{ d.when }}</strong>
              </span>
              <span v-if="d.gainK > 0" class="font-semibold whitespace-nowrap text-moss">
                {{ k(d.gainK) }} {{ AT[nightly(first.lives)] }}
                <span class="hint font-normal">air {{ k(d.airK) }}</span>
              </span>
            </label>
            <p v-if="d.caution" class="ml-8 text-sm text-clay">{{ d.caution }}</p>
          </li>
          <li v-if="first.low >= wantedC && first.do.some(d => d.gainK > 0)" class="hint border-t border-line py-1.5">
            Even at its coldest it stays above the aim, {{ t(wantedC) }}: none of it has to be.
          </li>
          <li v-if="first.do.length === 0" class="border-t border-line py-1.5">Nothing that would help is needed.</li>
        </ul>
      </PrintedSheet>
      <button class="button mt-2" data-test="print-door" @click="sheet?.print()">Print for the door</button>
      <LastNight class="mt-4" />
    </template>
  </div>
</template>

<style scoped>
.nights {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 0.5rem 1rem;
  max-width: 46rem;
}
.tick {
  font-size: 12.5px;
  fill: var(--soft);
}
.big {
  font-family: var(--font-slab);
  font-weight: 600;
  font-size: 19px;
  fill: var(--ink);
}
.big-box {
  width: 1.25rem;
  height: 1.25rem;
  flex-shrink: 0;
  align-self: center;
}
</style>
