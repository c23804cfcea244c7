<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { accessLines } from '../../../core/advice/access'
import { turnWords } from '../../../core/geometry/compass'
import { sunnyAzimuthDeg } from '../../../core/geometry/section'

/** The floor from above, to scale: walls with what is let into them, pipes, and the things that stand on it. */
const bench = useDesign()
const settings = useSettings()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
const scale = usePlanScale(width, height)
const { shape, outline, building, ppm, px, py } = scale
const show = (v: number) => settings.show(v, 'length')
const dome = computed(() => shape.value.form === 'dome')
const rim = computed(() =>
  building.value.surfaces
    .find(s => s.kind === 'floor')!
    .polygon.map(p => `${px(p[1]).toFixed(1)},${py(p[0]).toFixed(1)}`)
    .join(' '),
)
const ways = ref(false)
/** The first of what nobody gets to; the rest stands in the Shape step. */
const shutOut = computed(() => accessLines(bench.current, settings.show)[0] ?? null)
const needle = computed(() => {
  // Up on the plan is the pole side.
  const a = -(sunnyAzimuthDeg(bench.current.site.latitudeDeg, shape.value.turnDeg) + 180)
  return `translate(${width.value - 44}, ${height.value - 54}) rotate(${a})`
})
</script>

<template>
  <div ref="frame" class="relative size-full overflow-hidden" data-test="floor-plan">
    <svg
      v-if="width > 0"
      :width="width"
      :height="height"
      class="absolute inset-0 select-none"
      style="background: var(--sky-foot)"
      role="group"
      :aria-label="
        `Plan to scale: ${show(shape.lengthM)} by ${show(outline.widthM)}, sunny side ` +
        `${turnWords(bench.current.site.latitudeDeg, shape.turnDeg)}`
      "
    >
      <rect :width="width" :height="height" fill="var(--earth)" opacity="0.35" />
      <PlanOpenings :scale="scale">
        <polygon :points="rim" fill="var(--paper)" stroke="var(--ink)" stroke-width="4" />
        <PlanPipes :design="bench.current" :px="px" :py="py" :ppm="ppm" />
        <line
          v-if="!dome"
          :x1="px(0)"
          :x2="px(shape.lengthM)"
          :y1="py(0)"
          :y2="py(0)"
          stroke="var(--glass)"
          stroke-width="5"
        />
      </PlanOpenings>
      <PlanThings :scale="scale" />
      <PlanWays :scale="scale" :ways="ways" />
      <text v-if="!dome" :x="px(shape.lengthM / 2)" :y="py(0) + 20" text-anchor="middle" class="note">
        sunny side: snow and rain off the glass come down here
      </text>
      <text :x="px(shape.lengthM / 2)" :y="py(outline.widthM) - 14" text-anchor="middle" class="dim">
        {{ show(shape.lengthM) }}
      </text>
      <text :x="Math.min(px(0), px(shape.lengthM)) - 10" :y="py(outline.widthM / 2)" text-anchor="end" class="dim">
        {{ show(outline.widthM) }}
      </text>
      <PlanWalls :scale="scale" />
      <g :transform="needle">
        <path d="M0 -24 L7 8 L0 3 L-7 8 Z" fill="var(--ink)" />
        <text y="-28" text-anchor="middle" class="note">N</text>
      </g>
      <text x="14" y="24" class="title">Plan of the floor</text>
    </svg>
    <button class="button absolute bottom-2 left-3" :aria-pressed="ways" data-test="show-ways" @click="ways = !ways">
      {{ ways ? 'Hide the ways in' : 'Ways in from the door' }}
    </button>
    <p
      v-if="shutOut"
      class="absolute bottom-2 left-[11.5rem] right-28 text-sm leading-tight font-semibold text-clay"
      data-test="shut-out"
    >
      {{ shutOut }}
    </p>
  </div>
</template>

<style scoped src="~/assets/plan.css"></style>
