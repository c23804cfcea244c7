<script setup lang="ts">
import { deepestM } from '../../../core/geometry/pipes'
import { liningM } from '../../../core/geometry/parts'
import { rangeOf, GLAZING_ANGLE_RANGE } from '../../../core/design'
import { withBackWall, withBreak, withGlazingAngle, withKneeWall, withRidge, withWidth } from '../../../core/editing'
import { hasFront, slopeFoot, type Outline } from '../../../core/geometry/section'
import type { Quantity } from '../../../core/units'
import type { SectionScale } from '~/composables/useSectionScale'

const props = defineProps<{ outline: Outline; scale: SectionScale }>()
const bench = useDesign()

interface Dimension {
  id: string
  label: string
  quantity: Quantity
  value: number
  min: number
  max: number
  /** Middle of the label, px. */
  x: number
  y: number
  /** Ends of its line, px. */
  line: [number, number, number, number] | null
  set: (v: number) => string | null
}

const dimensions = computed((): Dimension[] => {
  const { outline: o, scale: s } = props
  const shape = bench.current.shape
  const thick = (layers: readonly { thicknessM: number }[]) => layers.reduce((sum, l) => sum + l.thicknessM, 0)
  const outer = s.x(o.widthM + liningM(bench.current.store, 'backWall') + thick(bench.current.skin.wall))
  const backX = Math.min(s.width - 40, outer + 46)
  const bent = shape.form === 'saltbox' || shape.form === 'arch'
  const rightX = bent && s.width >= 560 ? Math.min(s.width - 36, backX + 62) : backX
  const leftX = Math.max(34, s.x(0) - Math.max(46, s.ppm * 0.5))
  // Below pipes in the ground, where there are any.
  const pipes = deepestM(bench.current)
  const under = Math.max(s.y(0) + 46, pipes > 0 ? s.y(-pipes) + 22 : 0)
  const [aMin, aMax] = GLAZING_ANGLE_RANGE
  const foot = slopeFoot(o)
  const r = Math.min(64, (o.ridgeAtM - foot.x) * s.ppm * 0.5)
  const half = ((o.glazingAngleDeg / 2) * Math.PI) / 180
  const out: Dimension[] = [
    {
      id: 'width',
      label: 'Width inside',
      quantity: 'length',
      value: o.widthM,
      min: rangeOf('shape.widthM')[0],
      max: rangeOf('shape.widthM')[1],
      x: s.x(o.widthM / 2),
      y: under,
      line: [s.x(0), under, s.x(o.widthM), under],
      set: v => bench.setShape(withWidth(shape, v), 'width'),
    },
    {
      id: 'ridge',
      label: 'Ridge height',
      quantity: 'length',
      value: o.ridgeHeightM,
      min: rangeOf('shape.ridgeHeightM')[0],
      max: rangeOf('shape.ridgeHeightM')[1],
      x: rightX,
      y: s.y(o.ridgeHeightM * 0.68),
      line: [rightX, s.y(0), rightX, s.y(o.ridgeHeightM)],
      set: v => bench.setShape(withRidge(shape, v), 'ridge'),
    },
    {
      id: 'knee',
      label: 'Knee wall',
      quantity: 'length',
      value: o.kneeWallM,
      min: rangeOf('shape.kneeWallM')[0],
      max: rangeOf('shape.kneeWallM')[1],
      x: leftX,
      y: s.y(o.kneeWallM / 2),
      line: [leftX, s.y(0), leftX, s.y(o.kneeWallM)],
      set: v => bench.setShape(withKneeWall(shape, v), 'knee wall'),
    },
    {
      id: 'angle',
      label: 'Glazing angle',
      quantity: 'angle',
      value: o.glazingAngleDeg,
      min: aMin,
      max: aMax,
      x: s.x(foot.x) + (r + 34) * Math.cos(half),
      y: s.y(foot.z) - (r + 34) * Math.sin(half),
      line: null,
      set: v => bench.setShape(withGlazingAngle(shape, v), 'glazing angle'),
    },
  ]
  if (hasFront(o) && s.width >= 560)
    out.push({
      id: 'front',
      label: 'Top of the front',
      quantity: 'length',
      value: o.breakHeightM,
      min: o.kneeWallM,
      max: o.ridgeHeightM,
      x: leftX,
      y: s.y((o.kneeWallM + o.breakHeightM) / 2),
      line: [leftX, s.y(o.kneeWallM), leftX, s.y(o.breakHeightM)],
      set: v => bench.setShape(withBreak(shape, shape.breakAtM, v), 'front'),
    })
  // A narrow drawing has room for one height; the other stands among the fields of the step.
  if (bent && s.width >= 560) {
    out.push({
      id: 'back',
      label: 'Back wall',
      quantity: 'length',
      value: o.backWallM,
      min: rangeOf('shape.backWallM')[0],
      max: rangeOf('shape.backWallM')[1],
      x: backX,
      y: s.y(o.backWallM * 0.36),
      line: [backX, s.y(0), backX, s.y(o.backWallM)],
      set: v => bench.setShape(withBackWall(shape, v), 'back wall'),
    })
  }
  return out
})
</script>

<template>
  <div>
    <svg :width="scale.width" :height="scale.height" class="pointer-events-none absolute inset-0" aria-hidden="true">
      <g v-for="d in dimensions" :key="d.id">
        <template v-if="d.line">
          <line :x1="d.line[0]" :y1="d.line[1]" :x2="d.line[2]" :y2="d.line[3]" stroke="var(--ink)" stroke-width="1" />
          <circle v-for="k in [0, 2]" :key="k" :cx="d.line[k]" :cy="d.line[k + 1]" r="2.4" fill="var(--ink)" />
        </template>
      </g>
    </svg>
    <DimensionLabel
      v-for="d in dimensions"
      :key="d.id"
      :name="d.id"
      :label="d.label"
      :quantity="d.quantity"
      :value="d.value"
      :min="d.min"
      :max="d.max"
      :x="d.x"
      :y="d.y"
      :set="d.set"
    />
  </div>
</template>
