<script setup lang="ts">
import { turnWords } from '../../../core/geometry/compass'
import { heldC } from '../../../core/study/variants'

const bench = useDesign()
const studies = useStudies()
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const turn = computed(() => bench.current.shape.turnDeg)
const facing = computed(() => turnWords(bench.current.site.latitudeDeg, turn.value))
/** East to the left where the sunny side looks south: as the builder stands and faces it. */
const x = (deg: number) => 12 + (60 - deg) / 120 * (width.value - 24)
const set = (v: number) => bench.edit([['shape.turnDeg', v]])
</script>

<template>
  <div>
    <h2 class="group-title flex items-baseline justify-between">
      Turn <span class="font-sans text-base font-semibold" data-test="facing">{{ facing }}</span>
    </h2>
    <QuantityField
      label="Sunny side turned to the east (+) or west (−)" quantity="angle" :value="turn" :min="-90" :max="90" :slide="1" hint="True compass, not magnetic. 10 to 25° to the morning side warms earlier."
      :set="set"
    />
    <div ref="frame">
      <template v-if="width > 0">
        <StudyBar kind="turn" ask="What each turn gives" />
        <template v-if="studies.all.turn.points.length > 1">
          <StudyCurve :points="studies.all.turn.points" :x="x" :width="width" :now="turn" :held-c="heldC(bench.current)" :faded="studies.stale.turn || studies.all.turn.running" @take="set($event.at)" />
          <p class="flex justify-between text-sm">
            <span>60° east</span><span>straight on</span><span>60° west</span>
          </p>
        </template>
      </template>
    </div>
  </div>
</template>
