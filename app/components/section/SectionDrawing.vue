<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { compassPoint, turnWords } from '../../../core/geometry/compass'
import { deepestM } from '../../../core/geometry/pipes'
import { makeOutline, sunnyAzimuthDeg } from '../../../core/geometry/section'
import { shadingOf } from '../../../core/geometry/shading'
import { makeBuilding } from '../../../core/geometry/surfaces'
import { makeSectionScale, type SectionScale } from '~/composables/useSectionScale'
import { sectionRays } from '~/composables/useSectionRays'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const drawing = useDrawing()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
const held = shallowRef<SectionScale | null>(null)

const design = computed(() => bench.current)
const outline = computed(() => makeOutline(design.value.shape))
const building = computed(() => makeBuilding(design.value))
const shading = computed(() => shadingOf(design.value.shape, outline.value))
const scale = computed(() => makeSectionScale(outline.value, width.value, height.value, held.value, deep.value))
/** What lies under the floor is seen, and some soil below it. */
const deep = computed(() => {
  const most = deepestM(design.value)
  return most > 0 ? most + 0.7 : 0
})
const rays = computed(() => sectionRays(design.value, year.view, year.day, year.hour))
const sunny = computed(() => sunnyAzimuthDeg(design.value.site.latitudeDeg, design.value.shape.turnDeg))
const spoken = computed(() => {
  const s = design.value.shape
  return (
    `Section to scale: ${s.form}, ${settings.show(s.widthM, 'length')} wide, ridge ` +
    `${settings.show(s.ridgeHeightM, 'length')}, ` +
    `glazing at ${outline.value.glazingAngleDeg.toFixed(1)}°, sunny side ` +
    `${turnWords(design.value.site.latitudeDeg, s.turnDeg)}.`
  )
})
</script>

<template>
  <div ref="frame" class="relative size-full overflow-hidden" data-test="section">
    <template v-if="width > 0">
      <svg :width="width" :height="height" role="img" :aria-label="spoken" class="absolute inset-0 select-none">
        <defs>
          <linearGradient id="sky" x1="0" y1="0" x2="0" y2="1">
            <stop offset="0" stop-color="var(--sky-top)" />
            <stop offset="1" stop-color="var(--sky-foot)" />
          </linearGradient>
          <pattern id="hatch" width="7" height="7" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
            <rect width="7" height="7" fill="var(--wall)" />
            <line x1="0" y1="0" x2="0" y2="7" stroke="var(--earth-line)" stroke-width="1" />
          </pattern>
        </defs>
        <rect :width="width" :height="height" fill="url(#sky)" />
        <SectionGround
          :design="design"
          :outline="outline"
          :scale="scale"
          :frost-depth-m="design.site.survey.frostDepthM || (year.view?.frostDepthM ?? 0)"
          :snow-m="year.view?.answers.outside.snowMostM ?? 0"
        />
        <SectionPipes :design="design" :scale="scale" />
        <SectionLight :building="building" :shading="shading" :scale="scale" :rays="rays" part="fill" />
        <SectionObjects :design="design" :outline="outline" :scale="scale" />
        <SectionSkin :design="design" :outline="outline" :scale="scale" />
        <SectionLight :building="building" :shading="shading" :scale="scale" :rays="rays" part="lines" />
        <SectionFlows v-if="drawing.flows" :design="design" :outline="outline" :scale="scale" />
      </svg>
      <p class="side-label" :style="{ left: '10px' }">◂ sunny side, {{ compassPoint(sunny) }}</p>
      <p
        class="side-label text-right"
        :style="{ right: '10px', bottom: compassPoint(sunny + 180).length > 10 ? '36px' : undefined }"
      >
        {{ compassPoint(sunny + 180) }} ▸
      </p>
      <SectionDimensions :outline="outline" :scale="scale" />
      <SectionThings :scale="scale" />
      <SectionHandles :outline="outline" :scale="scale" @hold="held = $event ? scale : null" />
    </template>
  </div>
</template>

<style scoped>
.side-label {
  position: absolute;
  bottom: 6px;
  font-size: 13px;
  color: var(--ink);
  background: color-mix(in srgb, var(--paper) 82%, transparent);
  padding: 0 6px;
  border-radius: 3px;
  pointer-events: none;
}
</style>
