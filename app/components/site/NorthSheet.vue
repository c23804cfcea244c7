<script setup lang="ts">
import { dayName, DAYS, MONTH_START, offsetOnDay, yearStartUtc } from '../../../core/climate'
import { compassReading, trueNorthDay, type StickShadow } from '../../../core/sun'

const bench = useDesign()
const settings = useSettings()
const site = computed(() => bench.current.site)
const now = new Date()
const day = ref(Math.min(DAYS - 1, MONTH_START[now.getMonth()]! + now.getDate() - 1))
const id = useId()

const clockOffset = computed(() => offsetOnDay(site.value.timeZone, day.value))
const found = computed(() =>
  trueNorthDay(
    yearStartUtc(clockOffset.value) + (day.value + 0.5) * 86400000,
    site.value.latitudeDeg,
    site.value.longitudeDeg,
    clockOffset.value,
  ),
)
const clock = (h: number) => {
  const minutes = Math.round(h * 60) % 1440
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
}
const north = computed(() => site.value.latitudeDeg >= 0)
const way = computed(() => (found.value.noonPointsToDeg === 180 ? 'south' : 'north'))

/** The sheet's picture: tips of the shadow of a stick of one metre, north up. */
const longest = computed(() => Math.max(0.5, ...found.value.shadows.map(s => s.lengthM)))
const tip = (s: StickShadow) => {
  const k = 120 / longest.value
  const a = (s.pointsToDeg * Math.PI) / 180
  return { x: 160 + Math.sin(a) * s.lengthM * k, y: (north.value ? 150 : 20) - Math.cos(a) * s.lengthM * k }
}
const curve = computed(() =>
  found.value.shadows.map((s, i) => `${i === 0 ? 'M' : 'L'}${tip(s).x.toFixed(1)} ${tip(s).y.toFixed(1)}`).join(''),
)
const sheet = useTemplateRef<{ print: () => Promise<void> }>('sheet')
</script>

<template>
  <div class="grid gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]">
    <div>
      <label :for="id"
        >Day: <strong>{{ dayName(day) }}</strong></label
      >
      <input :id="id" v-model.number="day" type="range" min="0" :max="DAYS - 1" class="w-full" data-test="north-day" />
      <p>
        Solar noon is at <strong data-test="solar-noon">{{ clock(found.noonClockH) }}</strong> on the clock of
        {{ site.timeZone }} that day{{
          found.noonShadowM === null ? '; the sun does not rise high enough for a shadow.' : '.'
        }}
      </p>
      <ol v-if="found.noonShadowM !== null" class="hint list-decimal pl-5">
        <li>
          Stand a straight stick of {{ settings.show(1, 'length') }} upright on level ground: hang a weight from its top
          to be sure.
        </li>
        <li>From half an hour before, mark the tip of its shadow every quarter of an hour.</li>
        <li>
          At {{ clock(found.noonClockH) }} the shadow points true <strong>{{ way }}</strong
          >; it is {{ settings.show(found.noonShadowM, 'length') }} long. Lay a line along it.
        </li>
        <li>The marks lie alike on both sides of that line. If they do not, the stick leans or the clock is off.</li>
      </ol>
      <div class="mt-2 grid grid-cols-2 items-end gap-3">
        <DesignField path="site.survey.declinationDeg" />
        <p class="self-center">
          A compass reads
          <strong data-test="compass-north"
            >{{ compassReading(north ? 180 : 0, site.survey.declinationDeg).toFixed(1) }}°</strong
          >
          along true {{ north ? 'south' : 'north' }}.
        </p>
      </div>
      <button class="button mt-2" data-test="print-sheet" @click="sheet?.print()">Print the shadow sheet</button>
    </div>
    <PrintedSheet ref="sheet">
      <figcaption class="slab">
        Shadow of a stick of {{ settings.show(1, 'length') }}, {{ dayName(day) }}, {{ site.place
        }}<span v-if="found.noonShadowM !== null" class="block font-sans text-base font-normal"
          >At {{ clock(found.noonClockH) }} it is {{ settings.show(found.noonShadowM, 'length') }} long and points true
          {{ way }}.</span
        >
      </figcaption>
      <svg
        viewBox="70 0 180 165"
        class="w-full max-w-lg"
        role="img"
        :aria-label="`Shadow tips about solar noon at ${clock(found.noonClockH)}`"
      >
        <line
          x1="160"
          :y1="north ? 150 : 20"
          x2="160"
          :y2="north ? 14 : 158"
          stroke="var(--line)"
          stroke-width="1"
          stroke-dasharray="3 4"
        />
        <text x="164" y="12" class="t">
          true {{ north ? 'north' : '' }}{{ north ? '' : 'north, behind the stick' }}
        </text>
        <path :d="curve" fill="none" stroke="var(--clay)" stroke-width="1.4" />
        <g v-for="s in found.shadows" :key="s.clockH">
          <line x1="160" :y1="north ? 150 : 20" :x2="tip(s).x" :y2="tip(s).y" stroke="var(--ink)" stroke-width="0.4" />
          <circle :cx="tip(s).x" :cy="tip(s).y" r="2.2" fill="var(--clay)" />
        </g>
        <circle cx="160" :cy="north ? 150 : 20" r="4" fill="var(--ink)" />
      </svg>
      <table v-if="found.shadows.length > 0" class="text-sm">
        <thead>
          <tr>
            <th class="pr-4 text-left">clock</th>
            <th class="pr-4 text-left">shadow</th>
            <th class="text-left">points to</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in found.shadows.filter((_, i) => i % 2 === 0)" :key="s.clockH">
            <td class="pr-4">{{ clock(s.clockH) }}</td>
            <td class="pr-4">{{ settings.show(s.lengthM, 'length') }}</td>
            <td>{{ Math.round(s.pointsToDeg) % 360 }}°</td>
          </tr>
        </tbody>
      </table>
    </PrintedSheet>
  </div>
</template>

<style scoped>
.t {
  font-size: 10px;
  fill: var(--ink);
}
@media (min-width: 1100px) {
  .sheet {
    display: grid;
    align-content: start;
    align-items: start;
    grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
    column-gap: 1rem;
  }
  .sheet figcaption {
    grid-column: 1 / -1;
  }
}
</style>

<style></style>
