<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import { MEASURED_HOUSES, placeOf, predicted, type MeasuredHouse } from '../../../core/measured-houses'

/** Published ranges of measured houses as bars, what the year says of one like each as a mark: an axis a row. */
const MORE = 1.15

/** Places on a row's axis, % of its width: from zero, or below it, to beyond all that is shown. */
function along(m: MeasuredHouse) {
  const got = predicted(m.id)
  const from = Math.min(0, m.low, got)
  const to = Math.max(m.high, got) * MORE
  const at = (v: number) => (100 * (v - from)) / (to - from)
  return { low: at(m.low), wide: at(m.high) - at(m.low), got: at(got) }
}
const settings = useSettings()
function shown({ quantity, unit }: MeasuredHouse, value: number): string {
  return quantity ? settings.show(value, quantity) : `${value} ${unit}`
}
const rows = MEASURED_HOUSES.map(m => ({ ...m, got: predicted(m.id), place: placeOf(m), on: along(m) }))
</script>

<template>
  <ul class="grid gap-2" data-test="measured-houses">
    <li v-for="r in rows" :key="r.id" class="grid gap-x-3 sm:grid-cols-[1fr_14rem]">
      <div>
        <strong>{{ r.house }}.</strong> {{ capital(r.figure) }}: measured {{ shown(r, r.low) }} to
        {{ shown(r, r.high) }}, here
        <strong :class="r.place === 'within' ? '' : 'text-clay'">{{ shown(r, r.got) }}</strong
        ><template v-if="r.place !== 'within'">, {{ r.place }} it</template>.
        <span class="hint block">{{ r.remark }} {{ r.source }}.</span>
      </div>
      <svg class="h-6 w-full self-center" viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
        <line x1="0" x2="100" y1="6" y2="6" class="stroke-line" vector-effect="non-scaling-stroke" />
        <rect :x="r.on.low" :width="r.on.wide" y="2" height="8" class="fill-moss/35 stroke-moss" stroke-width="0.3" />
        <line
          :x1="r.on.got"
          :x2="r.on.got"
          y1="0"
          y2="12"
          class="stroke-clay"
          stroke-width="3"
          vector-effect="non-scaling-stroke"
        />
      </svg>
    </li>
  </ul>
</template>
