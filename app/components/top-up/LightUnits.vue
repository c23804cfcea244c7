<script setup lang="ts">
import { CROPS, entry } from '../../../core/catalog'
import { MONTH_NAMES } from '../../../core/climate'
import { daylightUnits } from '../../../core/sums'

/** Daylight in every unit that people quote, and the darkest month beside what is asked. */
const year = useYear()
const settings = useSettings()
const UNITS = [
  { id: 'parMicromol', name: 'µmol/m²·s of useful light', perWm2: daylightUnits(1).parMicromol },
  { id: 'wm2', name: 'W/m² of sunlight', perWm2: 1 },
  { id: 'lux', name: 'lux', perWm2: daylightUnits(1).lux },
  { id: 'footCandles', name: 'foot-candles', perWm2: daylightUnits(1).footCandles },
] as const
const unit = ref<(typeof UNITS)[number]['id']>('parMicromol')
const amount = ref(200)
const fault = ref('')
const perWm2 = computed(() => UNITS.find(u => u.id === unit.value)!.perWm2)
/** Brightest sunlight on the ground, W/m². */
const BRIGHTEST = 1500
const shown = computed(() => daylightUnits(Math.min(BRIGHTEST, amount.value / perWm2.value)))
function take(event: Event): void {
  const v = Number((event.target as HTMLInputElement).value.replace(',', '.'))
  const most = BRIGHTEST * perWm2.value
  fault.value =
    Number.isFinite(v) && v >= 0 && v <= most ? '' : `That is no daylight: 0 to ${Math.round(most)} is allowed.`
  if (!fault.value) amount.value = v
}
const whole = (v: number) => (v < 10 ? v.toFixed(1) : String(Math.round(v)))
const dli = computed(() => (year.view?.answers.months ?? []).map(m => m.dli))
const darkest = computed(() => dli.value.indexOf(Math.min(...dli.value)))
/** What the catalogue's least and most demanding crops that everyone knows ask. */
const asks = (['winter-lettuce', 'tomato'] as const)
  .map(id => entry(CROPS, id))
  .map(c => `${c.name.toLowerCase()} asks for ${c.dli}`)
  .join(', ')
const id = useId()
</script>

<template>
  <div class="px-4 py-3">
    <h2 class="group-title">
      Light in every unit <span class="hint font-sans font-normal">daylight; lamps differ by their colour</span>
    </h2>
    <div class="flex flex-wrap items-end gap-3">
      <div>
        <label :for="id" class="block">Light</label>
        <input
          :id="id"
          class="input !w-28"
          inputmode="decimal"
          :value="amount"
          data-test="light-amount"
          @change="take"
        />
      </div>
      <ChoiceField
        label="in"
        :value="unit"
        :options="UNITS"
        :set="(v: string) => (unit = v as typeof unit)"
        data-test="light-unit"
      />
    </div>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <p class="mt-1" data-test="light-units">
      {{ whole(shown.parMicromol) }} µmol/m²·s = {{ whole(shown.wm2) }} W/m² of sunlight = {{ whole(shown.lux) }} lux =
      {{ whole(shown.footCandles) }} foot-candles. For twelve hours that is
      <strong>{{ shown.dliIf12h.toFixed(1) }} mol/m² a day</strong>.
    </p>
    <p v-if="dli.length > 0" class="hint">
      Plants count the day’s sum, mol/m² a day: {{ asks }}. This house’s beds get {{ dli[darkest]!.toFixed(1) }} in
      {{ MONTH_NAMES[darkest] }}, the darkest month; {{ year.view!.answers.shortDays }} days are shorter than
      {{ settings.show(10, 'hours') }}.
    </p>
  </div>
</template>
