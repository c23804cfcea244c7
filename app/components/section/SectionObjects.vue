<script setup lang="ts">
import { entry, VESSELS } from '../../../core/catalog'
import { type Design } from '../../../core/design'
import { clearances } from '../../../core/editing'
import { headroom } from '../../../core/advice/cautions'
import { layBarrels, roomObjects } from '../../../core/geometry/objects'
import { clearHeightAt, type Outline } from '../../../core/geometry/section'
import type { SectionScale } from '~/composables/useSectionScale'
import { VESSEL_COLOUR } from './vessel-colour'

const props = defineProps<{ design: Design; outline: Outline; scale: SectionScale }>()
const settings = useSettings()
const year = useYear()

/** Plants of a bed: stems at even places, tall as there is room. */
const plants = computed(() =>
  props.design.shape.beds.map(bed => {
    const stems: { x: number; h: number }[] = []
    const count = Math.max(2, Math.round(bed.widthM / 0.22))
    for (let i = 0; i < count; i++) {
      const x = bed.atM + ((i + 0.5) / count) * bed.widthM
      stems.push({ x, h: Math.max(0.05, Math.min(0.28, clearHeightAt(props.outline, x) - bed.heightM - 0.08)) })
    }
    return { bed, stems }
  }),
)

const barrels = computed(() => {
  const layout = layBarrels(props.design)
  if (!layout) return []
  const b = props.design.store.barrels
  const v = entry(VESSELS, b.vessel)
  const out: { x: number; z: number; w: number; h: number; row: number; level: number }[] = []
  for (let row = 0; row < layout.rows; row++) {
    for (let level = 0; level < b.stack; level++) {
      out.push({
        x: layout.x0 + (row * (layout.x1 - layout.x0)) / layout.rows,
        z: b.raisedM + level * v.heightM,
        w: (layout.x1 - layout.x0) / layout.rows,
        h: v.heightM,
        row,
        level,
      })
    }
  }
  return out
})

/** Benches, tank, pond and inner wall as boxes, with their look. */
const boxes = computed(() =>
  roomObjects(props.design)
    .filter(o => o.kind !== 'bed' && o.kind !== 'barrels')
    .map(o => {
      const water = o.kind === 'tank' || o.kind === 'pond'
      const deep = o.kind === 'pond' ? props.design.store.pond.depthM : 0
      return {
        key: `${o.kind} ${o.index}`,
        name: o.kind,
        x: o.x0,
        w: o.x1 - o.x0,
        top: o.z1,
        h: o.z1 - o.z0 + deep,
        fill:
          o.kind === 'inner wall'
            ? 'var(--masonry)'
            : o.kind === 'bench'
              ? 'var(--wall)'
              : o.kind === 'tank'
                ? VESSEL_COLOUR[props.design.store.tank.colour]!
                : 'var(--glass)',
        water,
        legs: o.kind === 'bench',
      }
    }),
)

/** The water's temperature at the hour that is shown: the coldest night's, or the chosen one. */
const waterC = computed(() => {
  const view = year.view
  if (!view) return NaN
  const h = year.day === null ? view.answers.coldestNight.hour : year.day * 24 + year.hour
  return view.hours.waterC[h]!
})

/** The person stands where there is most room overhead beside what stands on the floor. */
const person = computed(() => {
  const found = headroom(props.design)
  return found.clearM > 0 ? found : null
})
const tall = 1.72
const paths = computed(() => clearances(props.design))
/** The heater stands on the floor before the barrels, or by the back wall. */
const heaterAt = computed(() => {
  if (!props.design.topUp.heater.on) return null
  const layout = layBarrels(props.design)
  return Math.max(0.2, (layout && layout.x0 > props.outline.widthM / 2 ? layout.x0 : props.outline.widthM) - 0.34)
})
</script>

<template>
  <g>
    <g v-for="({ bed, stems }, i) in plants" :key="i">
      <rect
        :x="scale.x(bed.atM)"
        :y="scale.y(bed.heightM)"
        :width="bed.widthM * scale.ppm"
        :height="Math.max(4, bed.heightM * scale.ppm)"
        fill="var(--bed)"
        stroke="var(--ink)"
        stroke-width="1.3"
      />
      <path
        v-for="(s, k) in stems"
        :key="k"
        fill="none"
        stroke="var(--leaf)"
        stroke-width="2"
        stroke-linecap="round"
        :d="
          `M ${scale.x(s.x)} ${scale.y(bed.heightM)} q -3 ${-s.h * scale.ppm * 0.6} ` +
          `-${s.h * scale.ppm * 0.45} ${-s.h * scale.ppm * 0.8} M ${scale.x(s.x)} ${scale.y(bed.heightM)} q 1 ` +
          `${-s.h * scale.ppm * 0.7} ${s.h * scale.ppm * 0.1} ${-s.h * scale.ppm} M ${scale.x(s.x)} ` +
          `${scale.y(bed.heightM)} q 3 ${-s.h * scale.ppm * 0.6} ${s.h * scale.ppm * 0.5} ${-s.h * scale.ppm * 0.75}`
        "
      />
    </g>
    <g v-for="b in boxes" :key="b.key" :data-test="b.name">
      <path
        v-if="b.legs"
        fill="none"
        stroke="var(--ink)"
        stroke-width="2"
        :d="
          `M ${scale.x(b.x) + 5} ${scale.y(b.top)} V ${scale.y(0)} M ${scale.x(b.x + b.w) - 5} ` +
          `${scale.y(b.top)} V ${scale.y(0)}`
        "
      />
      <rect
        :x="scale.x(b.x)"
        :y="scale.y(b.top)"
        :width="b.w * scale.ppm"
        :height="Math.max(4, b.h * scale.ppm)"
        :fill="b.fill"
        stroke="var(--ink)"
        stroke-width="1.3"
      />
      <text
        v-if="b.water && barrels.length === 0 && Number.isFinite(waterC) && b.w * scale.ppm > 34"
        :x="scale.x(b.x + b.w / 2)"
        :y="scale.y(b.top) + (b.h * scale.ppm) / 2 + 5"
        text-anchor="middle"
        class="water"
        fill="#fff8ea"
        >{{ settings.show(waterC, 'temperature', { unit: false }) }}°</text
      >
      <title>{{ b.name }}</title>
    </g>
    <template v-if="barrels.length > 0">
      <path
        v-if="design.store.barrels.raisedM > 0.05"
        fill="none"
        stroke="var(--ink)"
        stroke-width="2"
        :d="
          `M ${scale.x(barrels[0]!.x) - 3} ${scale.y(design.store.barrels.raisedM)} H ` +
          `${scale.x(barrels[barrels.length - 1]!.x + barrels[0]!.w) + 3} M ${scale.x(barrels[0]!.x) + 4} ` +
          `${scale.y(design.store.barrels.raisedM)} V ${scale.y(0)} M ` +
          `${scale.x(barrels[barrels.length - 1]!.x + barrels[0]!.w) - 4} ${scale.y(design.store.barrels.raisedM)} ` +
          `V ${scale.y(0)}`
        "
      />
      <g v-for="(b, i) in barrels" :key="`b${i}`">
        <rect
          :x="scale.x(b.x) + 1"
          :y="scale.y(b.z + b.h) + 1"
          :width="b.w * scale.ppm - 2"
          :height="b.h * scale.ppm - 2"
          rx="4"
          :fill="VESSEL_COLOUR[design.store.barrels.colour]"
          stroke="var(--ink)"
          stroke-width="1.3"
        />
        <line
          v-for="f in [0.33, 0.67]"
          :key="f"
          :x1="scale.x(b.x) + 1"
          :x2="scale.x(b.x + b.w) - 1"
          :y1="scale.y(b.z + b.h * f)"
          :y2="scale.y(b.z + b.h * f)"
          stroke="#00000055"
          stroke-width="1.2"
        />
      </g>
      <text
        v-if="Number.isFinite(waterC) && barrels[0]!.w * scale.ppm > 34"
        :x="scale.x(barrels[0]!.x + barrels[0]!.w / 2)"
        :y="scale.y(barrels[barrels.length - 1]!.z + barrels[0]!.h / 2) + 5"
        text-anchor="middle"
        class="water"
        :fill="design.store.barrels.colour === 'white' ? '#2a2520' : '#fff8ea'"
        >{{ settings.show(waterC, 'temperature', { unit: false }) }}°</text
      >
    </template>
    <template v-if="Math.abs(design.shape.pathM) > 0.01">
      <rect
        v-for="g in paths"
        :key="g.x0"
        :x="scale.x(g.x0)"
        :y="scale.y(Math.max(0, design.shape.pathM))"
        :width="g.widthM * scale.ppm"
        :height="Math.abs(design.shape.pathM) * scale.ppm"
        :fill="design.shape.pathM < 0 ? 'var(--paper)' : 'var(--wall)'"
        stroke="var(--ink)"
        stroke-width="1.2"
        data-test="path"
      />
    </template>
    <g
      v-if="person"
      :transform="`translate(0 ${-design.shape.pathM * scale.ppm})`"
      stroke="var(--soft)"
      stroke-width="1.6"
      fill="none"
      stroke-linecap="round"
    >
      <circle :cx="scale.x(person.x)" :cy="scale.y(tall - 0.13)" :r="0.13 * scale.ppm" />
      <path
        :d="
          `M ${scale.x(person.x)} ${scale.y(tall - 0.27)} V ${scale.y(0.8)} L ${scale.x(person.x - 0.14)} ` +
          `${scale.y(0)} M ${scale.x(person.x)} ${scale.y(0.8)} L ${scale.x(person.x + 0.14)} ${scale.y(0)} M ` +
          `${scale.x(person.x)} ${scale.y(1.32)} L ${scale.x(person.x - 0.2)} ${scale.y(0.85)} M ` +
          `${scale.x(person.x)} ${scale.y(1.32)} L ${scale.x(person.x + 0.2)} ${scale.y(0.85)}`
        "
      />
    </g>
    <g v-if="heaterAt !== null" data-test="heater-symbol">
      <rect
        :x="scale.x(heaterAt) - 9"
        :y="scale.y(0) - 30"
        width="18"
        height="24"
        rx="2"
        fill="var(--paper)"
        stroke="var(--ink)"
        stroke-width="1.4"
      />
      <path
        :d="`M ${scale.x(heaterAt) - 4} ${scale.y(0) - 12} q 4 -4 0 -8 m 4 8 q 4 -4 0 -8 m 4 8 q 4 -4 0 -8`"
        fill="none"
        stroke="var(--clay)"
        stroke-width="1.5"
      />
      <path
        :d="`M ${scale.x(heaterAt) - 6} ${scale.y(0) - 6} v 6 m 12 0 v -6`"
        stroke="var(--ink)"
        stroke-width="1.6"
      />
      <title>Heater</title>
    </g>
    <text
      v-if="person && scale.ppm > 45"
      :x="scale.x(person.x)"
      :y="scale.y(Math.min(0, design.shape.pathM)) + 19"
      text-anchor="middle"
      class="note"
      >{{ settings.show(person.clearM, 'length') }} clear</text
    >
  </g>
</template>

<style scoped>
.note {
  font-size: 13px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.water {
  font-size: 14px;
  font-weight: 600;
}
</style>
