<script setup lang="ts">
import { liningM } from '../../../core/geometry/parts'
import type { Design } from '../../../core/design'
import { floorStrips } from '../../../core/geometry/floor'
import { materialOf } from '../../../core/materials/assembly'
import { kneeWallSnow } from '../../../core/sums'
import type { Outline } from '../../../core/geometry/section'
import type { SectionScale } from '~/composables/useSectionScale'

const props = defineProps<{
  design: Design
  outline: Outline
  scale: SectionScale
  frostDepthM: number
  snowM: number
}>()
const settings = useSettings()

const layersThickness = (layers: readonly { thicknessM: number }[]) => layers.reduce((s, l) => s + l.thicknessM, 0)
const wall = computed(() => Math.max(0.04, layersThickness(props.design.skin.wall)))
/** The floor's layers strip by strip, each with how deep its top lies, m. */
const floor = computed(() =>
  floorStrips(props.design).flatMap(({ x0, x1, layers }) => {
    let below = layersThickness(layers)
    return layers.map(l => {
      const top = below - l.thicknessM
      below = top
      return { x0, x1, top, thicknessM: l.thicknessM, foam: materialOf(l).group === 'insulation' }
    })
  }),
)
const lining = computed(() => liningM(props.design.store, 'backWall'))
const edge = computed(() => props.design.skin.edge)
/** The ground outside lies above a sunk floor. */
const grade = computed(() => props.scale.y(props.design.shape.sunkM))
const gradeBack = computed(() => props.scale.y(props.design.shape.sunkM + props.design.shape.riseM))
const frost = computed(() =>
  props.frostDepthM > 0.02 ? props.scale.y(props.design.shape.sunkM - props.frostDepthM) : null,
)
/** Snow off the whole glazing, lying against the knee wall at 40°. */
const pile = computed(() => (props.snowM > 0.02 ? kneeWallSnow(props.outline.sunnySlopeM, props.snowM).result : 0))
const leftEdge = computed(() => props.scale.x(-wall.value))
const rightEdge = computed(() => props.scale.x(props.outline.widthM + lining.value + wall.value))
const house = computed(() =>
  props.outline.form === 'lean-to' ? Math.max(0, props.scale.y(props.design.shape.house.heightM)) : null,
)

/** Pebbles of the ground, laid once from a fixed pattern so that they do not dance. */
const pebbles = computed(() => {
  const out: { x: number; y: number }[] = []
  const { width, height } = props.scale
  const top = props.scale.y(0)
  for (let row = 0; top + 12 + row * 17 < height; row++) {
    for (let column = 0; column * 46 < width + 46; column++)
      out.push({ x: column * 46 + ((row * 29 + column * 13) % 31), y: top + 12 + row * 17 + ((column * 7) % 6) })
  }
  return out
})
</script>

<template>
  <g>
    <rect x="0" :y="scale.y(0)" :width="scale.width" :height="scale.height - scale.y(0)" fill="var(--earth)" />
    <rect
      x="0"
      :y="grade"
      :width="Math.max(0, leftEdge)"
      :height="Math.max(0, scale.y(0) - grade)"
      fill="var(--earth)"
    />
    <rect
      v-if="house === null"
      :x="rightEdge"
      :y="gradeBack"
      :width="Math.max(0, scale.width - rightEdge)"
      :height="Math.max(0, scale.y(0) - gradeBack)"
      fill="var(--earth)"
      data-test="back-ground"
    />
    <template v-if="house !== null">
      <rect
        :x="rightEdge"
        :y="house"
        :width="Math.max(0, scale.width - rightEdge)"
        :height="scale.y(0) - house"
        fill="var(--wall)"
        opacity="0.75"
      />
      <line :x1="rightEdge" :x2="rightEdge" :y1="house" :y2="scale.y(0)" stroke="var(--ink)" stroke-width="1.5" />
      <text :x="rightEdge + 66" :y="scale.y(0) - 14" class="label" style="stroke: none"
        >house, {{ settings.show(design.shape.house.airC, 'temperature') }}</text
      >
    </template>
    <line
      v-for="(p, i) in pebbles"
      :key="i"
      :x1="p.x"
      :x2="p.x + 6"
      :y1="p.y"
      :y2="p.y"
      stroke="var(--earth-line)"
      stroke-width="1"
      opacity="0.6"
    />
    <line x1="0" :x2="leftEdge" :y1="grade" :y2="grade" stroke="var(--ink)" stroke-width="1.5" />
    <line
      v-if="house === null"
      :x1="rightEdge"
      :x2="scale.width"
      :y1="gradeBack"
      :y2="gradeBack"
      stroke="var(--ink)"
      stroke-width="1.5"
    />
    <rect
      v-for="(l, i) in floor"
      :key="`floor ${i}`"
      data-test="floor-layer"
      :x="scale.x(l.x0)"
      :y="scale.y(0) + l.top * scale.ppm"
      :width="(l.x1 - l.x0) * scale.ppm"
      :height="Math.max(2, l.thicknessM * scale.ppm)"
      :fill="l.foam ? 'var(--sun-fill)' : 'var(--earth-deep)'"
      stroke="var(--ink)"
      stroke-width="0.75"
    />
    <template v-if="edge.thicknessM > 0 && edge.depthM > 0">
      <rect
        v-for="x in [-wall, outline.widthM + lining + wall - Math.max(0.03, edge.thicknessM)]"
        :key="x"
        :x="scale.x(x)"
        :y="x < 0 ? grade : gradeBack"
        :width="Math.max(0.03, edge.thicknessM) * scale.ppm"
        :height="edge.depthM * scale.ppm"
        fill="url(#hatch)"
        stroke="var(--ink)"
        stroke-width="1"
      >
        <title>Edge board against the frost, {{ settings.show(edge.depthM, 'length') }} deep</title>
      </rect>
    </template>
    <path
      v-if="pile > 0.05"
      :d="
        `M${leftEdge} ${grade - pile * scale.ppm} L${leftEdge} ${grade} ` +
        `L${leftEdge - (pile / 0.839) * scale.ppm} ${grade} Z`
      "
      fill="var(--paper)"
      opacity="0.75"
      stroke="var(--slate)"
      stroke-width="1.2"
      stroke-dasharray="4 4"
      data-test="snow"
    >
      <title>Snow off the glass may pile up {{ settings.show(pile, 'length') }} high</title>
    </path>
    <!-- The skirt of board runs outwards, falling a little, a hand below the surface. -->
    <template v-if="edge.thicknessM > 0 && edge.skirtM > 0">
      <line
        v-for="side in house === null ? [-1, 1] : [-1]"
        :key="side"
        :x1="side < 0 ? leftEdge : rightEdge"
        :x2="(side < 0 ? leftEdge : rightEdge) + side * edge.skirtM * scale.ppm"
        :y1="(side < 0 ? grade : gradeBack) + 0.2 * scale.ppm"
        :y2="(side < 0 ? grade : gradeBack) + (0.2 + 0.08 * edge.skirtM) * scale.ppm"
        stroke="var(--ink)"
        :stroke-width="Math.max(3, edge.thicknessM * scale.ppm)"
        opacity="0.75"
        data-test="skirt"
      />
    </template>
    <template v-if="frost !== null && frost < scale.height - 4">
      <line
        x1="0"
        :x2="scale.x(-wall)"
        :y1="frost"
        :y2="frost"
        stroke="var(--slate)"
        stroke-width="1.5"
        stroke-dasharray="2 5"
      />
      <text x="8" :y="frost - 5" class="label">frost to about {{ settings.show(frostDepthM, 'length') }}</text>
    </template>
  </g>
</template>

<style scoped>
.label {
  font-size: 13px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--earth);
  stroke-width: 3px;
}
</style>
