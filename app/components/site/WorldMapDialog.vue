<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { geoEquirectangular, geoGraticule10, geoPath } from 'd3-geo'
import { feature } from 'topojson-client'
import type { GeometryCollection, Topology } from 'topojson-specification'
import land from 'world-atlas/land-110m.json'
import type { Coordinates } from '../../../formats/coordinates'

const props = defineProps<{ open: boolean; here: Coordinates }>()
const emit = defineEmits<{ close: []; place: [Coordinates] }>()

const WIDTH = 960
const HEIGHT = 480
const projection = geoEquirectangular()
  .scale(WIDTH / (2 * Math.PI))
  .translate([WIDTH / 2, HEIGHT / 2])
const path = geoPath(projection)
const topology = land as unknown as Topology<{ land: GeometryCollection }>
const shores = path(feature(topology, topology.objects.land)) ?? ''
const net = path(geoGraticule10()) ?? ''

/** How near the map is looked at, step by step: the mark stays in the middle as far as the map goes. */
const ZOOMS = [1, 3, 9]
const zoom = ref(0)
const at = ref<Coordinates>({ ...props.here })
watch(
  () => props.open,
  () => {
    at.value = { ...props.here }
    zoom.value = 0
  },
)
const dot = computed(() => projection([at.value.longitudeDeg, at.value.latitudeDeg])!)
const words = computed(
  () =>
    `${Math.abs(at.value.latitudeDeg).toFixed(1)}° ${at.value.latitudeDeg < 0 ? 'S' : 'N'}, ` +
    `${Math.abs(at.value.longitudeDeg).toFixed(1)}° ${at.value.longitudeDeg < 0 ? 'W' : 'E'}`,
)
const part = ref({ x: 0, y: 0, width: WIDTH, height: HEIGHT })
function look(step: number): void {
  zoom.value = Math.max(0, Math.min(ZOOMS.length - 1, zoom.value + step))
  const width = WIDTH / ZOOMS[zoom.value]!
  const height = HEIGHT / ZOOMS[zoom.value]!
  const within = (middle: number, size: number, whole: number) => Math.max(0, Math.min(whole - size, middle - size / 2))
  part.value = { x: within(dot.value[0], width, WIDTH), y: within(dot.value[1], height, HEIGHT), width, height }
}
watch(
  () => props.open,
  () => look(0),
)
/** The mark keeps its size on the screen. */
const drawnAt = computed(() => `translate(${dot.value[0]}, ${dot.value[1]}) scale(${part.value.width / WIDTH})`)

function point(event: MouseEvent): void {
  const { across, down } = pointedAt(event)
  const { x, y, width, height } = part.value
  const found = projection.invert!([x + across * width, y + down * height])
  if (found) at.value = { longitudeDeg: Math.round(found[0] * 10) / 10, latitudeDeg: Math.round(found[1] * 10) / 10 }
}
const KEYS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}
function key(event: KeyboardEvent): void {
  const way = KEYS[event.key]
  if (!way) return
  event.preventDefault()
  const step = event.shiftKey ? 10 : 0.5
  at.value = {
    longitudeDeg: Math.max(-180, Math.min(180, at.value.longitudeDeg + way[0] * step)),
    latitudeDeg: Math.max(-90, Math.min(90, at.value.latitudeDeg + way[1] * step)),
  }
  look(0)
}
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel class="max-h-full w-full max-w-5xl overflow-y-auto border border-ink bg-lime p-4">
        <DialogTitle class="slab text-xl"> Point to the place </DialogTitle>
        <p class="hint mb-2">
          Press on the map, or move the mark with the arrow keys (with Shift by ten degrees). Look nearer to place it
          better: it is good to a tenth of a degree; type the rest.
        </p>
        <svg
          :viewBox="`${part.x} ${part.y} ${part.width} ${part.height}`"
          class="block w-full cursor-crosshair border border-line"
          style="background: var(--sky-top)"
          tabindex="0"
          role="slider"
          aria-label="World map"
          :aria-valuetext="words"
          :aria-valuenow="Math.round(at.latitudeDeg)"
          data-test="world-map"
          @click="point"
          @keydown="key"
        >
          <path :d="net" fill="none" stroke="var(--line)" stroke-width="0.6" vector-effect="non-scaling-stroke" />
          <path
            :d="shores"
            fill="var(--earth)"
            stroke="var(--ink)"
            stroke-width="0.7"
            vector-effect="non-scaling-stroke"
          />
          <g :transform="drawnAt">
            <circle r="7" fill="none" stroke="var(--clay)" stroke-width="2.5" />
            <path d="M -14 0 H -3 M 3 0 H 14 M 0 -14 V -3 M 0 3 V 14" stroke="var(--clay)" stroke-width="1.6" />
          </g>
        </svg>
        <div class="mt-3 flex flex-wrap items-center justify-between gap-3">
          <strong data-test="map-words">{{ words }}</strong>
          <span class="flex flex-wrap gap-2">
            <button class="button" data-test="map-farther" :disabled="zoom === 0" @click="look(-1)">Farther</button>
            <button class="button" data-test="map-nearer" :disabled="zoom === ZOOMS.length - 1" @click="look(1)">
              Nearer
            </button>
            <button class="button" @click="emit('close')">Cancel</button>
            <button class="button" data-test="map-take" @click="emit('place', at)">Take this place</button>
          </span>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
