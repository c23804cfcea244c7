<script setup lang="ts">
import { kindOf } from '../../../core/bodies/registry'
import { clearances, placed, resized, things, type Thing } from '../../../core/editing'
import { VESSEL_COLOUR } from '../section/vessel-colour'
import type { PlanScale } from '~/composables/usePlanScale'

/** Beds, benches and bodies on the plan, to be taken hold of; and what is free between them. */
const props = defineProps<{ scale: PlanScale }>()
const bench = useDesign()
const settings = useSettings()
const { shape, building, north, ppm } = props.scale
const { px, py } = props.scale
const list = computed(() => things(bench.current))
const gaps = computed(() => clearances(bench.current))
const show = (v: number) => settings.show(v, 'length')
const dome = computed(() => shape.value.form === 'dome')

const box = (t: { x0: number; x1: number; y0: number; y1: number }) => ({
  x: Math.min(px(t.y0), px(t.y1)),
  y: py(t.x1),
  width: (t.y1 - t.y0) * ppm.value,
  height: (t.x1 - t.x0) * ppm.value,
})
/** A bed, a bench, or a body by its look. */
function fill(t: Thing): string {
  if (t.kind !== 'body') return t.kind === 'bed' ? 'var(--bed)' : 'var(--wall)'
  const body = bench.current.store.bodies[t.index]!
  const { look, colour } = kindOf(body)
  if (look === 'vessels') return 'transparent'
  return VESSEL_COLOUR[colour(body) ?? ''] ?? (look === 'mass' ? 'var(--masonry)' : 'var(--glass)')
}
/** Upright vessels of a thing, from above, with what their row is called; null where it has none. */
function vessels(t: Thing) {
  const o = building.value.objects.find(b => b.kind === t.kind && b.index === t.index)
  if (!o?.bank) return null
  const { rows, perRow, pitchM, count, radiusM } = o.bank
  const depth = (o.x1 - o.x0) / rows
  const body = bench.current.store.bodies[t.index]!
  return {
    words: `${body.kind === 'drums' ? body.count : count} ${t.name.toLowerCase()}`,
    fill: VESSEL_COLOUR[kindOf(body).colour(body) ?? 'black'],
    circles: Array.from({ length: count }, (_, i) => ({
      cx: px(o.y0 + ((i % perRow) + 0.5) * pitchM),
      cy: py(o.x0 + (Math.floor(i / perRow) + 0.5) * depth),
      r: radiusM * ppm.value,
    })),
  }
}
const shown = computed(() => list.value.map(t => ({ t, vessels: vessels(t) })))

const { down, moved, up, key } = useThingDrag(
  (design, thing, right, rise) => {
    if (thing.sizes.length && Math.abs(right) > 1.5 * Math.abs(rise))
      return resized(design, thing.id, { lengthM: thing.y1 - thing.y0 + (2 * right) / ppm.value })
    return placed(design, thing.id, thing.x0 + rise / ppm.value)
  },
  (design, thing, right, rise, far) =>
    rise !== 0
      ? placed(design, thing.id, thing.x0 + rise * (far ? 0.5 : 0.1))
      : thing.sizes.length
        ? resized(design, thing.id, { lengthM: thing.y1 - thing.y0 + right * (far ? 1 : 0.2) })
        : resized(design, thing.id, { widthM: thing.x1 - thing.x0 + right * (far ? 0.25 : 0.05) }),
)
const words = (t: Thing) => `${show(t.x0)} from the sunny wall, ${show(t.x1 - t.x0)} wide, ${show(t.y1 - t.y0)} long`
</script>

<template>
  <g v-for="g in gaps" :key="`${g.x0}`">
    <text
      :x="px(shape.lengthM * (dome ? 0.5 : north ? 0.04 : 0.96))"
      :y="(py(g.x0) + py(g.x1)) / 2 + 5"
      :text-anchor="dome ? 'middle' : 'start'"
      class="note"
      :class="g.narrow ? 'narrow' : ''"
    >
      {{ show(g.widthM) }} {{ g.narrow ? 'narrow' : 'free' }}
    </text>
  </g>
  <g
    v-for="{ t, vessels: v } in shown"
    :key="t.id"
    class="grip"
    role="slider"
    tabindex="0"
    :aria-label="`${t.name}, drag or use the arrow keys`"
    :aria-valuenow="Math.round(t.x0 * 100)"
    :aria-valuetext="words(t)"
    :data-test="`plan-${t.id}`"
    @pointerdown="down(t, $event)"
    @pointermove="moved(t, $event)"
    @pointerup="up"
    @pointercancel="up"
    @keydown="key(t, $event)"
  >
    <title>{{ t.name }}: {{ words(t) }}</title>
    <rect v-bind="box(t)" class="body" :fill="fill(t)" :fill-opacity="t.kind === 'bench' ? 0.75 : 1" rx="2" />
    <template v-if="v">
      <text :x="px(north ? t.y1 : t.y0) + 8" :y="py((t.x0 + t.x1) / 2) + 5" class="note">{{ v.words }}</text>
      <circle v-for="(b, i) in v.circles" :key="i" v-bind="b" :fill="v.fill" stroke="var(--paper)" stroke-width="1" />
    </template>
    <text v-else :x="px((t.y0 + t.y1) / 2)" :y="py((t.x0 + t.x1) / 2) + 5" text-anchor="middle" class="name">
      {{ t.name }}
    </text>
  </g>
</template>

<style scoped src="~/assets/plan.css"></style>
