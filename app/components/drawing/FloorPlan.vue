<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { kindOf } from '../../../core/bodies/registry'
import { rangeOf, type PartId } from '../../../core/design'
import { clearances, placed, resized, things, wayThrough, withWidth, type Thing } from '../../../core/editing'
import { hostsFor, isLetIn, paneRects } from '../../../core/geometry/panes'
import { openingKind, openingName } from '../../../core/openings/registry'
import { turnWords } from '../../../core/geometry/compass'
import { makeOutline, sunnyAzimuthDeg } from '../../../core/geometry/section'
import { makeBuilding } from '../../../core/geometry/surfaces'
import { VESSEL_COLOUR } from '../section/vessel-colour'

/**
 * The floor from above, to scale: sunny side below, so that right and left are those of the section's far and near end.
 */
const bench = useDesign()
const settings = useSettings()
const drawing = useDrawing()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
const shape = computed(() => bench.current.shape)
const outline = computed(() => makeOutline(shape.value))
const building = computed(() => makeBuilding(bench.current))
const list = computed(() => things(bench.current))
const gaps = computed(() => clearances(bench.current))
const show = (v: number) => settings.show(v, 'length')
/** A lobby stands before the door of an end, twice as long as it is wide at most. */
const lobby = computed(() => {
  const area = bench.current.breathe.lobby.areaM2
  return area > 0 ? { w: Math.min(1.6, Math.sqrt(area)), l: area / Math.min(1.6, Math.sqrt(area)) } : null
})

const held = ref<number | null>(null)
const ppm = computed(
  () =>
    held.value ??
    Math.max(
      6,
      Math.min(
        (width.value - 190) / (shape.value.lengthM + (lobby.value?.l ?? 0)),
        (height.value - 128) / outline.value.widthM,
      ),
    ),
)
/**
 * Along the ridge to the right, across towards the pole upwards. In the south the west end stands on the right: one
 * always looks in over the sunny wall.
 */
const north = computed(() => bench.current.site.latitudeDeg >= 0)
/** On which hand the lobby stands: right (1) or left (−1). */
const lobbyHand = computed(() => {
  const first = bench.current.skin.openings.find(o => o.kind === 'door' && isEnd(o.part))
  return (first?.part === 'westEnd' ? -1 : 1) * (north.value ? 1 : -1)
})
const isEnd = (part: PartId) => part === 'eastEnd' || part === 'westEnd'
const left = computed(
  () => (width.value - (shape.value.lengthM + lobbyHand.value * (lobby.value?.l ?? 0)) * ppm.value) / 2,
)
const foot = computed(() => (height.value + outline.value.widthM * ppm.value) / 2 - 4)
const px = (y: number) => left.value + (north.value ? y : shape.value.lengthM - y) * ppm.value
const py = (x: number) => foot.value - x * ppm.value
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
const dome = computed(() => shape.value.form === 'dome')
const rim = computed(() =>
  building.value.surfaces
    .find(s => s.kind === 'floor')!
    .polygon.map(p => `${px(p[1]).toFixed(1)},${py(p[0]).toFixed(1)}`)
    .join(' '),
)
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
/** A point of the floor on the plan. */
const at = (x: number, y: number) => ({ x: px(y), y: py(x) })
/** A stretch of a wall from above: where it begins, and which way lies outside. */
function onWall(part: PartId, from: number, to: number) {
  const { lengthM } = shape.value
  const w = outline.value.widthM
  if (isEnd(part) || dome.value) {
    // A dome's rim falls back from its east end.
    const off = dome.value ? Math.min(0.98, Math.abs((from + to) / w)) : 0
    const y = part === 'westEnd' ? 0 : (lengthM / 2) * (1 + Math.sqrt(1 - off * off))
    return { a: at(w / 2 + from, y), b: at(w / 2 + to, y), out: (part === 'westEnd' ? -1 : 1) * (north.value ? 1 : -1) }
  }
  const x = part === 'backWall' ? w : 0
  return { a: at(x, lengthM / 2 + from), b: at(x, lengthM / 2 + to), out: part === 'backWall' ? -1 : 1 }
}
/** Doors and panes that stand on walls, as they are from above. */
const letIn = computed(() =>
  bench.current.skin.openings.flatMap((o, index) => {
    const kind = openingKind(o)
    if (!hostsFor(bench.current, kind).includes(o.part)) return []
    const panes = isLetIn(bench.current, o.part) ? kind.panes(o) : null
    const door = kind.traffic(o) !== null && 'offsetM' in o && 'widthM' in o
    const rects = door
      ? [{ u0: o.offsetM - o.widthM / 2, u1: o.offsetM + o.widthM / 2 }]
      : panes
        ? paneRects(panes)
        : []
    return rects.map((r, k) => {
      const { a, b, out } = onWall(o.part, r.u0, r.u1)
      const wide = Math.hypot(b.x - a.x, b.y - a.y)
      const across = Math.abs(a.x - b.x) < 0.5
      const leaf = across ? { x: a.x + out * wide, y: a.y } : { x: a.x, y: a.y + out * wide }
      const turns = (leaf.x - a.x) * (b.y - a.y) - (leaf.y - a.y) * (b.x - a.x) > 0 ? 1 : 0
      return {
        key: `${index}-${k}`,
        index,
        a,
        b,
        out,
        wide,
        across,
        glass: panes !== null,
        name: openingName(bench.current.skin.openings, index),
        swing: door ? `M${a.x} ${a.y} L${leaf.x} ${leaf.y} A${wide} ${wide} 0 0 ${turns} ${b.x} ${b.y}` : null,
      }
    })
  }),
)
/** Where the lobby stands: before the first door of an end, else before the widest way through. */
const entry = computed(() => {
  const first = letIn.value.find(d => d.swing && d.across)
  if (first) return { x: first.a.x, y: (first.a.y + first.b.y) / 2, out: first.out }
  const off = wayThrough(bench.current)
  const { a, out } = onWall('eastEnd', off, off)
  return { x: a.x, y: a.y, out }
})
const blocked = computed(() => gaps.value.length === 0 || gaps.value.every(g => g.widthM < 0.4))

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
const words = (t: (typeof list.value)[number]) =>
  `${show(t.x0)} from the sunny wall, ${show(t.x1 - t.x0)} wide, ${show(t.y1 - t.y0)} long`

/** The two walls that can be drawn: the far end for the length, the back for the width. */
const walls = computed(() => [
  {
    id: 'length',
    label: 'East end, length',
    value: shape.value.lengthM,
    x: px(shape.value.lengthM),
    y: py(outline.value.widthM / 2),
    along: true,
  },
  {
    id: 'width',
    label: 'Back wall, width',
    value: outline.value.widthM,
    x: px(shape.value.lengthM / 2),
    y: py(outline.value.widthM),
    along: false,
  },
])
const clamp = (v: number, [low, high]: readonly [number, number]) =>
  Math.min(high, Math.max(low, Math.round(v * 20) / 20))
function setWall(id: string, value: number, from: typeof shape.value, kind: string): void {
  if (id === 'width' || dome.value) bench.setShape(withWidth(from, clamp(value, rangeOf('shape.widthM'))), kind)
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
    kind: `plan ${w.id} ${event.timeStamp}`,
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
      <g v-if="lobby">
        <rect
          :x="entry.out > 0 ? entry.x : entry.x - lobby.l * ppm"
          :y="entry.y - (lobby.w * ppm) / 2"
          :width="lobby.l * ppm"
          :height="lobby.w * ppm"
          fill="var(--paper)"
          stroke="var(--ink)"
          stroke-width="2"
          data-test="lobby"
        />
        <text
          :x="entry.x + (entry.out * lobby.l * ppm) / 2"
          :y="entry.y - (lobby.w * ppm) / 2 - 5"
          text-anchor="middle"
          class="note"
        >
          entry lobby
        </text>
      </g>
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
      <g
        v-for="d in letIn"
        :key="d.key"
        class="cursor-pointer"
        :data-test="`plan-opening-${d.key}`"
        @click="drawing.press({ kind: 'opening', index: d.index })"
      >
        <title>{{ d.name }}: press it for its card</title>
        <path
          v-if="d.swing"
          :d="d.swing"
          fill="transparent"
          stroke="var(--ink)"
          stroke-width="1.4"
          stroke-dasharray="4 3"
        />
        <line
          :x1="d.a.x"
          :y1="d.a.y"
          :x2="d.b.x"
          :y2="d.b.y"
          :stroke="d.glass ? 'var(--glass)' : 'var(--paper)'"
          :stroke-width="d.glass ? 6 : 5"
        />
      </g>
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
          <circle
            v-for="(b, i) in v.circles"
            :key="i"
            v-bind="b"
            :fill="v.fill"
            stroke="var(--paper)"
            stroke-width="1"
          />
        </template>
        <text v-else :x="px((t.y0 + t.y1) / 2)" :y="py((t.x0 + t.x1) / 2) + 5" text-anchor="middle" class="name">
          {{ t.name }}
        </text>
      </g>
      <text v-if="!dome" :x="px(shape.lengthM / 2)" :y="py(0) + 20" text-anchor="middle" class="note">
        sunny side: snow and rain off the glass come down here
      </text>
      <text :x="px(shape.lengthM / 2)" :y="py(outline.widthM) - 14" text-anchor="middle" class="dim">
        {{ show(shape.lengthM) }}
      </text>
      <text :x="Math.min(px(0), px(shape.lengthM)) - 10" :y="py(outline.widthM / 2)" text-anchor="end" class="dim">
        {{ show(outline.widthM) }}
      </text>
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
      <g :transform="needle">
        <path d="M0 -24 L7 8 L0 3 L-7 8 Z" fill="var(--ink)" />
        <text y="-28" text-anchor="middle" class="note">N</text>
      </g>
      <text x="14" y="24" class="title">Plan of the floor</text>
      <text v-if="blocked" x="14" y="46" class="note narrow">
        Nobody gets through: leave a way of {{ show(0.45) }} at least.
      </text>
    </svg>
  </div>
</template>

<style scoped>
.grip {
  cursor: grab;
  touch-action: none;
  outline: none;
}
.body {
  stroke: var(--ink);
  stroke-width: 1;
}
.grip:hover .body {
  stroke: var(--clay);
  stroke-width: 2.5;
}
.grip:focus-visible .body,
.grip:focus-visible .knob {
  stroke: var(--slate);
  stroke-width: 4;
}
.knob {
  fill: var(--paper);
  stroke: var(--clay);
  stroke-width: 3;
}
.note {
  font-size: 12.5px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 3.5px;
}
.narrow {
  fill: var(--clay);
  font-weight: 600;
}
.name {
  font-size: 13px;
  font-weight: 600;
  fill: #fff;
  paint-order: stroke;
  stroke: #2b2926;
  stroke-width: 3px;
  pointer-events: none;
}
.dim {
  font-size: 14px;
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sky-foot);
  stroke-width: 4px;
}
.title {
  font-family: var(--font-slab);
  font-weight: 600;
  font-size: 16px;
  fill: var(--ink);
}
</style>
