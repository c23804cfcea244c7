<script setup lang="ts">
import { GLAZING_ANGLE_RANGE, rangeOf } from '../../../core/design'
import {
  withBackWall,
  withBreak,
  withCorner,
  withKneeWall,
  withKneeWallLifted,
  withRidge,
  withSunnyWallMoved,
  withWidth,
} from '../../../core/editing'
import { cornerName } from '../../../core/geometry/parts'
import { hasFront, type Outline } from '../../../core/geometry/section'
import type { Design } from '../../../core/design'
import type { SectionScale } from '~/composables/useSectionScale'
import { dragKind } from '~/keeping/history'

const props = defineProps<{ outline: Outline; scale: SectionScale }>()
const emit = defineEmits<{ hold: [boolean] }>()
const bench = useDesign()
const settings = useSettings()

type Shape = Design['shape']
interface Handle {
  id: string
  label: string
  text: string
  x: number
  z: number
  /** The shape for a point of the section (metres), from the shape as the drag began. */
  move: (shape: Shape, x: number, z: number) => Shape
  axis: 'x' | 'z' | 'both'
  /** What bounds it, in words. */
  allowed: string
}

const clamp = (v: number, [low, high]: readonly [number, number]) => Math.min(high, Math.max(low, v))
const snap = (v: number) => Math.round(v * 50) / 50

/**
 * Said beside a handle while a drag asks for more than it can give, or when an edit of it was refused; gone with the
 * next edit.
 */
const said = ref<{ text: string; id: string; /** Only while the hand pulls. */ limit: boolean } | null>(null)
const between = ([low, high]: readonly [number, number]) =>
  `${settings.show(low, 'length')} to ${settings.show(high, 'length')} is allowed`

/** A handle on each corner of the form `own`, and on the foot of its pole side. */
const cornerHandles = computed((): Handle[] => {
  const { corners, widthM } = bench.current.shape
  const show = (v: number) => settings.show(v, 'length')
  return corners.map((c, i): Handle => {
    const foot = i === corners.length - 1
    return {
      id: foot ? 'width' : c.part === 'sunnySlope' ? 'ridge' : `corner-${i}`,
      label: foot ? 'Width, back wall foot' : cornerName(c.part),
      text: foot ? show(widthM) : `${show(c.heightM)} high, ${show(c.atM)} from the sunny wall`,
      x: c.atM,
      z: c.heightM,
      axis: foot ? 'x' : 'both',
      allowed: foot ? between(rangeOf('shape.widthM')) : 'corners that all stand out, as seen from outside',
      move: (s, x, z) =>
        foot
          ? withWidth(s, clamp(snap(x), rangeOf('shape.widthM')))
          : withCorner(s, i, clamp(snap(x), [0, s.widthM]), clamp(snap(z), [0, rangeOf('shape.ridgeHeightM')[1]])),
    }
  })
})

const handles = computed((): Handle[] => {
  const o = props.outline
  if (o.form === 'own') return cornerHandles.value
  const show = (v: number) => settings.show(v, 'length')
  const ridgeSide = o.form === 'saltbox' || o.form === 'arch'
  const out: Handle[] = [
    {
      id: 'ridge',
      label: 'Ridge',
      text: `${show(o.ridgeHeightM)} high${ridgeSide ? `, ${show(o.ridgeAtM)} from the sunny wall` : ''}`,
      x: o.ridgeAtM,
      z: o.ridgeHeightM,
      axis: ridgeSide ? 'both' : 'z',
      allowed:
        `${between([Math.max(rangeOf('shape.ridgeHeightM')[0], o.kneeWallM), rangeOf('shape.ridgeHeightM')[1]])}, ` +
        `and a glazing angle of ${GLAZING_ANGLE_RANGE[0]}° to ${GLAZING_ANGLE_RANGE[1]}°`,
      move: (s, x, z) =>
        withRidge(
          s,
          clamp(snap(z), rangeOf('shape.ridgeHeightM')),
          ridgeSide ? clamp(snap(x), [0.3, s.widthM - 0.2]) : s.ridgeAtM,
        ),
    },
    {
      id: 'foot',
      label: 'Glazing foot',
      text: `${show(o.kneeWallM)} high; moves the sunny wall`,
      x: 0,
      z: o.kneeWallM,
      axis: 'both',
      allowed: `a knee wall of ${between(rangeOf('shape.kneeWallM'))}, a width of ${between(rangeOf('shape.widthM'))}`,
      move: (s, x, z) => {
        const by = clamp(s.widthM - snap(x), rangeOf('shape.widthM')) - s.widthM
        return withKneeWall(
          withSunnyWallMoved(s, Math.max(by, 0.3 - s.ridgeAtM)),
          clamp(snap(z), rangeOf('shape.kneeWallM')),
        )
      },
    },
    {
      id: 'width',
      label: 'Width, back wall foot',
      text: show(o.widthM),
      x: o.widthM,
      z: 0,
      axis: 'x',
      allowed: between(rangeOf('shape.widthM')),
      move: (s, x) => withWidth(s, clamp(snap(x), rangeOf('shape.widthM'))),
    },
  ]
  if (o.kneeWallM > 0.15) {
    out.push({
      id: 'knee',
      label: 'Knee wall, angle held',
      text: show(o.kneeWallM),
      x: 0,
      z: o.kneeWallM / 2,
      axis: 'z',
      allowed: between(rangeOf('shape.kneeWallM')),
      move: (s, _x, z) => withKneeWallLifted(s, clamp(snap(2 * z), [0.02, rangeOf('shape.kneeWallM')[1]])),
    })
  }
  if (hasFront(o)) {
    out.push({
      id: 'break',
      label: o.form === 'gambrel' ? 'Break of the slope' : 'Top of the front',
      text: `${show(o.breakHeightM)} high, ${show(o.breakAtM)} from the sunny wall`,
      x: o.breakAtM,
      z: o.breakHeightM,
      axis: 'both',
      allowed: 'the break stands out from the slope, between knee wall and ridge',
      move: (s, x, z) =>
        withBreak(
          s,
          clamp(snap(x), [0, o.ridgeAtM - 0.1]),
          clamp(snap(z), [o.kneeWallM + 0.02, o.ridgeHeightM - 0.05]),
        ),
    })
  }
  if (ridgeSide) {
    out.push({
      id: 'back',
      label: 'Back wall top',
      text: show(o.backWallM),
      x: o.widthM,
      z: o.backWallM,
      axis: 'z',
      allowed: between([0.2, o.ridgeHeightM]),
      move: (s, _x, z) => withBackWall(s, clamp(snap(z), [0.2, s.ridgeHeightM])),
    })
  }
  return out
})

let dragging: { id: string; shape: Shape; offX: number; offZ: number; kind: string } | null = null

function down(handle: Handle, event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  dragging = {
    id: handle.id,
    shape: bench.current.shape,
    kind: dragKind(handle.id, event.timeStamp),
    offX: props.scale.x(handle.x) - event.clientX,
    offZ: props.scale.y(handle.z) - event.clientY,
  }
  emit('hold', true)
}

function moved(handle: Handle, event: PointerEvent): void {
  if (!dragging || dragging.id !== handle.id) return
  const x = props.scale.toX(event.clientX + dragging.offX)
  const z = props.scale.toZ(event.clientY + dragging.offZ)
  // What can't be taken is taken half way, or a quarter: a fast hand stops where a slow one does.
  let refused: string | null = null
  for (const part of [1, 0.5, 0.25, 0.1]) {
    const why = bench.setShape(
      handle.move(dragging.shape, handle.x + (x - handle.x) * part, handle.z + (z - handle.z) * part),
      dragging.kind,
    )
    refused ??= why
    if (why === null) break
  }
  void nextTick(() => {
    const now = handles.value.find(h => h.id === handle.id)
    const left = !now
      ? 0
      : Math.max(handle.axis === 'z' ? 0 : Math.abs(now.x - x), handle.axis === 'x' ? 0 : Math.abs(now.z - z))
    // The foot stays at 0 while the wall moves: its place across says nothing.
    const far = now && (handle.id === 'foot' ? Math.abs(now.z - z) : left) > 0.15
    said.value =
      refused !== null
        ? { text: refused, id: handle.id, limit: false }
        : far
          ? { text: `No further this way; ${handle.allowed}.`, id: handle.id, limit: true }
          : null
  })
}

function up(): void {
  dragging = null
  if (said.value?.limit) said.value = null
  emit('hold', false)
}

const KEYS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

function key(handle: Handle, event: KeyboardEvent): void {
  const way = KEYS[event.key]
  if (!way) return
  event.preventDefault()
  const step = event.shiftKey ? 0.2 : 0.04
  // One-way handles take either pair of arrows.
  const dx = handle.axis === 'x' ? way[0] || way[1] : way[0]
  const dz = handle.axis === 'z' ? way[1] || way[0] : way[1]
  const scaleZ = handle.id === 'knee' ? 0.5 : 1
  bench.setShape(
    handle.move(bench.current.shape, handle.x + dx * step, handle.z + dz * step * scaleZ),
    `key ${handle.id}`,
  )
  said.value = bench.refusal !== '' ? { text: bench.refusal, id: handle.id, limit: false } : null
}
watch(
  () => bench.current,
  () => {
    if (!dragging) said.value = null
  },
)
const beside = computed(() => {
  const h = handles.value.find(k => k.id === said.value?.id)
  const s = props.scale
  return h
    ? {
        left: `${Math.max(8, Math.min(s.width - 280, s.x(h.x) + 18))}px`,
        top: `${Math.min(s.height - 80, s.y(h.z) + 14)}px`,
      }
    : {}
})
</script>

<template>
  <svg :width="scale.width" :height="scale.height" class="pointer-events-none absolute inset-0">
    <g
      v-for="h in handles"
      :key="h.id"
      class="handle"
      role="slider"
      tabindex="0"
      :aria-label="`${h.label}, drag or use the arrow keys`"
      :aria-valuenow="Math.round((h.axis === 'x' ? h.x : h.z) * 100)"
      :aria-valuetext="h.text"
      :data-test="`handle-${h.id}`"
      :transform="`translate(${scale.x(h.x)}, ${scale.y(h.z)})`"
      @pointerdown="down(h, $event)"
      @pointermove="moved(h, $event)"
      @pointerup="up"
      @pointercancel="up"
      @keydown="key(h, $event)"
    >
      <title>{{ h.label }}: {{ h.text }}</title>
      <circle r="18" fill="transparent" />
      <circle :r="h.id === 'knee' ? 5.5 : 8" class="knob" />
    </g>
  </svg>
  <p
    v-if="said"
    class="pointer-events-none absolute z-20 w-68 rounded border-l-4 border-clay bg-paper px-2 py-1 text-sm shadow"
    :style="beside"
    role="status"
    data-test="limit"
  >
    {{ said.text }}
  </p>
</template>

<style scoped>
.handle {
  pointer-events: auto;
  cursor: grab;
  touch-action: none;
  outline: none;
}
.handle:active {
  cursor: grabbing;
}
.knob {
  fill: var(--paper);
  stroke: var(--clay);
  stroke-width: 3;
}
.handle:hover .knob {
  fill: var(--sun-fill);
}
.handle:focus-visible .knob {
  stroke: var(--slate);
  stroke-width: 4.5;
}
</style>
