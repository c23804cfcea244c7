<script setup lang="ts">
import { openingFlows, type OpeningFlow } from '../../../core/air/opening-flows'
import { blockedOpenings } from '../../../core/geometry/before-openings'
import { dayName } from '../../../core/climate'
import { partName } from '../../../core/geometry/parts'
import { makeBuilding } from '../../../core/geometry/surfaces'
import { openingName } from '../../../core/openings/registry'

/** What goes through each opening in an hour of the year, and by a difference and a wind of one's own. */
const bench = useDesign()
const settings = useSettings()
const { openings, airways, hour, inHour } = useOpeningFlows()
const building = computed(() => makeBuilding(bench.current))
const drawing = useDrawing()
onMounted(() => (drawing.flows = true))
onBeforeUnmount(() => (drawing.flows = false))
const ownK = ref(10)
const ownWind = ref(0)
const OWN_OUTSIDE_C = 20
const byHand = computed(() =>
  openingFlows(
    airways.value,
    openings.value.map(() => 1),
    OWN_OUTSIDE_C + ownK.value,
    OWN_OUTSIDE_C,
    ownWind.value,
  ),
)
const flow = (v: number) => settings.show(v, 'airflow')
const say = ({ inM3h, outM3h }: OpeningFlow) =>
  inM3h < 1 && outM3h < 1
    ? 'nothing'
    : [inM3h >= 1 ? `in ${flow(inM3h)}` : '', outM3h >= 1 ? `out ${flow(outM3h)}` : ''].filter(Boolean).join(', ')
/** What stands before an opening, and how much of it. */
const behind = computed(() => new Map(blockedOpenings(bench.current).map(b => [b.index, b.share])))
const total = (flows: readonly OpeningFlow[]) => flows.reduce((sum, f) => sum + f.inM3h, 0)
const changes = (flows: readonly OpeningFlow[]) => (total(flows) / building.value.volumeM3).toFixed(0)
const setK = (v: number) => {
  ownK.value = v
  return null
}
const setWind = (v: number) => {
  ownWind.value = v
  return null
}
</script>

<template>
  <div class="px-4 py-3">
    <h2 class="group-title">
      Through each opening
      <span class="hint font-sans font-normal">without fans; press a day of the year below for its hours</span>
    </h2>
    <div class="flex flex-wrap items-end gap-x-6 gap-y-1">
      <QuantityField
        label="By hand: inside above outside"
        quantity="temperatureDifference"
        :value="ownK"
        :min="0"
        :max="40"
        :set="setK"
      />
      <QuantityField label="Wind" quantity="speed" :value="ownWind" :min="0" :max="30" :set="setWind" />
    </div>
    <p v-if="openings.length === 0" class="hint">Nothing opens.</p>
    <div v-else class="overflow-x-auto" v-sideways>
      <table class="mt-1" data-test="flows">
        <thead>
          <tr class="text-left">
            <td></td>
            <th scope="col" class="pr-6 font-normal">
              <template v-if="inHour"
                >{{ dayName(Math.floor(hour / 24)) }}, {{ hour % 24 }} o’clock:
                {{ settings.show(inHour.inside, 'temperature') }} inside,
                {{ settings.show(inHour.outside, 'temperature') }} outside, wind
                {{ settings.show(inHour.wind, 'speed') }}</template
              >
            </th>
            <th scope="col" class="font-normal">by hand, all wide open</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(o, i) in openings" :key="i" class="border-t border-line">
            <th scope="row" class="pr-6 text-left font-normal">
              {{ openingName(openings, i) }}, {{ partName(o.part, bench.current.shape.form) }}
              <span v-if="behind.has(i)" class="text-clay"
                >({{ settings.show(behind.get(i)!, 'share') }} behind what stands there)</span
              >
            </th>
            <td class="pr-6 tabular-nums">
              <template v-if="inHour"
                >{{ say(inHour.flows[i]!) }}
                <span class="hint">{{ Math.round(inHour.share[i]! * 100) }} % open</span></template
              >
            </td>
            <td class="tabular-nums">{{ say(byHand[i]!) }}</td>
          </tr>
          <tr class="border-t border-ink">
            <th scope="row" class="pr-6 text-left">all</th>
            <td class="pr-6 tabular-nums">
              <template v-if="inHour"
                ><strong>{{ flow(total(inHour.flows)) }}</strong
                >, {{ changes(inHour.flows) }} changes an hour</template
              >
            </td>
            <td class="tabular-nums">
              <strong>{{ flow(total(byHand)) }}</strong
              >, {{ changes(byHand) }} changes an hour
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>
