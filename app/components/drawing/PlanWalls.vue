<script setup lang="ts">
import { rangeOf } from '../../../core/design'
import { withWidth } from '../../../core/editing'
import type { PlanScale } from '~/composables/usePlanScale'
import { dragKind } from '~/keeping/history'

/** The two walls that can be drawn: the far end for the length, the back for the width. */
const props = defineProps<{ scale: PlanScale }>()
const bench = useDesign()
const settings = useSettings()
const { shape, outline, north, held, ppm } = props.scale
const { px, py } = props.scale
const show = (v: number) => settings.show(v, 'length')

const walls = computed(() => [
  {
    id: 'length',
    label: 'East end, length',
    value: shape.value.lengthM,
    x: px(shape.value.lengthM),
    y: py(outline.value.widthM / 2),
  },
  {
    id: 'width',
    label: 'Back wall, width',
    value: outline.value.widthM,
    x: px(shape.value.lengthM / 2),
    y: py(outline.value.widthM),
  },
])
const clamp = (v: number, [low, high]: readonly [number, number]) =>
  Math.min(high, Math.max(low, Math.round(v * 20) / 20))
function setWall(id: string, value: number, from: typeof shape.value, kind: string): void {
  if (id === 'width' || shape.value.form === 'dome')
    bench.setShape(withWidth(from, clamp(value, rangeOf('shape.widthM'))), kind)
  else bench.edit([['shape.lengthM', clamp(value, rangeOf('shape.lengthM'))]], kind)
}
let wall: { id: string; x: number; y: number; value: number; shape: typeof shape.value; kind: string } | null = null
function grip(w: (typeof walls.value)[number], event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  held.value = ppm.value
  wall = {
    id: w.id,
    x: event.clientX,
    y: event.clientY,
    value: w.value,
    shape: shape.value,
    kind: dragKind(`plan ${w.id}`, event.timeStamp),
  }
}
function drawn(event: PointerEvent): void {
  if (!wall || held.value === null) return
  // The drawing keeps its middle, so a wall goes half as far as the house grows.
  const way = wall.id === 'length' ? (event.clientX - wall.x) * (north.value ? 1 : -1) : wall.y - event.clientY
  setWall(wall.id, wall.value + (2 * way) / held.value, wall.shape, wall.kind)
}
function letGo(): void {
  wall = null
  held.value = null
}
function wallKey(w: (typeof walls.value)[number], event: KeyboardEvent): void {
  const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  setWall(w.id, w.value + by * (event.shiftKey ? 0.5 : 0.1), shape.value, `key plan ${w.id}`)
}
</script>

<template>
  <g
    v-for="w in walls"
    :key="w.id"
    class="grip"
    role="slider"
    tabindex="0"
    :aria-label="`${w.label}, drag or use the arrow keys`"
    :aria-valuenow="Math.round(w.value * 100)"
    :aria-valuetext="show(w.value)"
    :data-test="`plan-${w.id}`"
    :transform="`translate(${w.x}, ${w.y})`"
    @pointerdown="grip(w, $event)"
    @pointermove="drawn"
    @pointerup="letGo"
    @pointercancel="letGo"
    @keydown="wallKey(w, $event)"
  >
    <circle r="17" fill="transparent" />
    <circle r="7.5" class="knob" />
  </g>
</template>

<style scoped src="~/assets/plan.css"></style>
