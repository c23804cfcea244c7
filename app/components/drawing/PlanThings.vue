<script setup lang="ts">
import { kindOf } from '../../../core/bodies/registry'
import {
  alongOf,
  clearances,
  placed,
  resized,
  roundAt,
  spread,
  things,
  type Patch,
  type Thing,
} from '../../../core/editing'
import type { Design } from '../../../core/design'
import { middleOf, outlineOf, type PlanPoint } from '../../../core/geometry/footprint'
import { VESSEL_COLOUR } from '../section/vessel-colour'
import type { PlanScale } from '~/composables/usePlanScale'

/** Beds, benches and bodies on the plan, to be moved and drawn out; and what is free between them. */
const props = defineProps<{ scale: PlanScale }>()
const bench = useDesign()
const settings = useSettings()
const drawing = useDrawing()
const { shape, building, north, ppm } = props.scale
const { px, py } = props.scale
const list = computed(() => things(bench.current))
const gaps = computed(() => clearances(bench.current))
const show = (v: number) => settings.show(v, 'length')
const dome = computed(() => shape.value.form === 'dome')
/** Right on the plan is east in the north, and west in the south. */
const hand = computed(() => (north.value ? 1 : -1))

const onPlan = ([x, y]: PlanPoint) => `${px(y).toFixed(1)},${py(x).toFixed(1)}`
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
/** Where a thing can be drawn out: at its ends, and at its side towards the back. */
type End = 'east' | 'west' | 'back'
function knobs(t: Thing): { end: End; x: number; y: number }[] {
  if (t.round) {
    const sides = outlineOf(t.pieces)
    // The ends of a rim bed are the first and the last side that run inwards.
    const middle = (k: number): PlanPoint => {
      const piece = t.pieces.at(k)!
      const [a, b] = k === 0 ? [piece[0]!, piece[3]!] : [piece[1]!, piece[2]!]
      return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
    }
    if (sides.length === 0) return []
    return (['west', 'east'] as const).map(end => {
      const [x, y] = middle(end === 'west' ? 0 : -1)
      return { end, x: px(y), y: py(x) }
    })
  }
  const [x, y] = [(t.x0 + t.x1) / 2, (t.y0 + t.y1) / 2]
  return [
    ...(t.sizes.length
      ? ([
          { end: 'west', x: px(t.y0), y: py(x) },
          { end: 'east', x: px(t.y1), y: py(x) },
        ] as const)
      : []),
    ...(t.sizes.width ? [{ end: 'back' as const, x: px(y), y: py(t.x1) }] : []),
  ]
}
const shown = computed(() =>
  list.value.map(t => {
    const [x, y] = middleOf(t.pieces)
    return { t, vessels: vessels(t), sides: outlineOf(t.pieces), knobs: knobs(t), at: { x: px(y), y: py(x) } }
  }),
)

/** A thing moved by so much on the plan, m to the right and up. */
function moveBy(design: Design, t: Thing, right: number, up: number): Patch[] {
  const along = alongOf(design, t)
  if (!t.round) return placed(design, t.id, t.x0 + up, along + hand.value * right)
  const [x, y] = middleOf(t.pieces)
  const turned = roundAt(design, x + up, y + hand.value * right) - roundAt(design, x, y)
  return placed(design, t.id, 0, along + turned)
}
/** A thing drawn out at one of its ends. */
function drawOut(design: Design, t: Thing, end: End, right: number, up: number): Patch[] {
  if (t.round) {
    const piece = end === 'west' ? t.pieces[0]! : t.pieces.at(-1)!
    const [x, y] = end === 'west' ? piece[0]! : piece[1]!
    return spread(design, t.id, roundAt(design, x + up, y + hand.value * right), end === 'back' ? 'east' : end)
  }
  if (end === 'back') return resized(design, t.id, { widthM: t.x1 - t.x0 + up })
  const out = hand.value * right * (end === 'east' ? 1 : -1)
  return resized(design, t.id, { lengthM: t.y1 - t.y0 + out }, end)
}
const drag = useThingDrag<Thing>(
  (design, t, right, up) => moveBy(design, t, right / ppm.value, up / ppm.value),
  (design, t, right, up, far) => moveBy(design, t, right * (far ? 0.5 : 0.1), up * (far ? 0.5 : 0.1)),
)
const byEnd = Object.fromEntries(
  (['east', 'west', 'back'] as const).map(end => [
    end,
    useThingDrag<Thing>(
      (design, t, right, up) => drawOut(design, t, end, right / ppm.value, up / ppm.value),
      (design, t, right, up, far) => drawOut(design, t, end, right * (far ? 0.5 : 0.1), up * (far ? 0.25 : 0.05)),
    ),
  ]),
) as Record<End, ReturnType<typeof useThingDrag>>
const ENDS = { east: 'east end', west: 'west end', back: 'side towards the back' } as const
const isPressed = (t: Thing) => drawing.pressed?.kind === t.kind && drawing.pressed.index === t.index
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
  <g v-for="{ t, vessels: v, sides, knobs: ends, at } in shown" :key="t.id" class="thing" :class="{ on: isPressed(t) }">
    <g
      class="grip"
      role="slider"
      tabindex="0"
      :aria-label="`${t.name}, drag or use the arrow keys`"
      :aria-valuenow="Math.round(t.x0 * 100)"
      :aria-valuetext="words(t)"
      :data-test="`plan-${t.id}`"
      @pointerdown="drag.down(t, $event)"
      @pointermove="drag.moved(t, $event)"
      @pointerup="drag.up"
      @pointercancel="drag.up"
      @keydown="drag.key(t, $event)"
    >
      <title>{{ t.name }}: {{ words(t) }}</title>
      <polygon
        v-for="(piece, i) in t.pieces"
        :key="i"
        :points="piece.map(onPlan).join(' ')"
        :fill="fill(t)"
        :fill-opacity="t.kind === 'bench' ? 0.75 : 1"
        :stroke="t.kind === 'bed' ? fill(t) : 'none'"
      />
      <path
        class="body"
        fill="none"
        :d="sides.map(([a, b]) => `M ${onPlan(a)} L ${onPlan(b)}`).join(' ')"
        stroke-linecap="round"
      />
      <template v-if="v">
        <text :x="px(north ? t.y1 : t.y0) + 8" :y="py((t.x0 + t.x1) / 2) + 5" class="note">{{ v.words }}</text>
        <circle v-for="(b, i) in v.circles" :key="i" v-bind="b" :fill="v.fill" stroke="var(--paper)" stroke-width="1" />
      </template>
      <text v-else :x="at.x" :y="at.y + 5" text-anchor="middle" class="name">{{ t.name }}</text>
    </g>
    <circle
      v-for="k in ends"
      :key="k.end"
      :cx="k.x"
      :cy="k.y"
      r="7"
      class="knob grip"
      role="slider"
      tabindex="0"
      :aria-label="`${t.name}, its ${ENDS[k.end]}: drag or use the arrow keys`"
      :aria-valuenow="Math.round((k.end === 'back' ? t.x1 - t.x0 : t.y1 - t.y0) * 100)"
      :aria-valuetext="words(t)"
      :data-test="`plan-${t.id}-${k.end}`"
      @pointerdown="byEnd[k.end].down(t, $event)"
      @pointermove="byEnd[k.end].moved(t, $event)"
      @pointerup="byEnd[k.end].up"
      @pointercancel="byEnd[k.end].up"
      @keydown="byEnd[k.end].key(t, $event)"
    />
  </g>
</template>

<style scoped src="~/assets/plan.css"></style>
