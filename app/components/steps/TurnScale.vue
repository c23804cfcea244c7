<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { turnTowards, turnWords } from '../../../core/geometry/compass'
import type { OtherReading } from '../../../core/units'

const bench = useDesign()
const studies = useStudies()
const settings = useSettings()
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const turn = computed(() => bench.current.shape.turnDeg)
const facing = computed(() => turnWords(bench.current.site.latitudeDeg, turn.value))
/** East to the left where the sunny side looks south: as the builder stands and faces it. */
const x = (deg: number) => 12 + ((60 - deg) / 120) * (width.value - 24)
/** What the turn as it stands costs against the best of those worked out: straight between the points. */
const costs = computed(() => {
  const points = studies.all.turn.points
  const i = points.findIndex(p => p.at >= turn.value)
  if (points.length < 3 || studies.stale.turn || i < 1) return null
  const [a, b] = [points[i - 1]!, points[i]!]
  const t = (turn.value - a.at) / (b.at - a.at)
  const here = (pick: (p: typeof a) => number) => pick(a) + (pick(b) - pick(a)) * t
  const light = (p: typeof a) => p.figures.winterDli
  const cold = (p: typeof a) => p.figures.coldestC
  const most = Math.max(...points.map(light))
  return { light: Math.max(0, 1 - here(light) / most), coldK: Math.max(0, Math.max(...points.map(cold)) - here(cold)) }
})
const set = (v: number) => bench.edit([['shape.turnDeg', v]])
/** Which way the sunny side looks, as people have it of their wall: 235°, or SW. */
const looksTo = computed(
  (): OtherReading => ({
    quantity: 'bearing',
    toOwn: deg => turnTowards(bench.current.site.latitudeDeg, deg),
    above: 180,
  }),
)
</script>

<template>
  <div>
    <h2 class="group-title flex items-baseline justify-between">
      Turn <span class="font-sans text-base font-semibold" data-test="facing">{{ facing }}</span>
    </h2>
    <DesignField
      path="shape.turnDeg"
      :min="-90"
      :set="set"
      :other="looksTo"
      hint="True compass, not magnetic. 10 to 25° to the morning side warms earlier. Or the way it looks: 235°, SW."
    />
    <div ref="frame">
      <template v-if="width > 0">
        <StudyBar kind="turn" ask="What each turn gives" />
        <template v-if="studies.all.turn.points.length > 1">
          <StudyCurve
            :points="studies.all.turn.points"
            :x="x"
            :width="width"
            :now="turn"
            :faded="studies.stale.turn || studies.all.turn.running"
            @take="set($event.at)"
          />
          <p class="flex justify-between text-sm"><span>60° east</span><span>straight on</span><span>60° west</span></p>
          <p v-if="costs" data-test="turn-costs">
            As it is turned it gives up {{ Math.round(costs.light * 100) }} % of the winter half’s light and
            {{ settings.show(costs.coldK, 'temperatureDifference') }} on the coldest night.
          </p>
        </template>
      </template>
    </div>
  </div>
</template>
