<script setup lang="ts">
import { bodyName, kindOf } from '../../../core/bodies/registry'
import { leavesM } from '../../../core/aim/leaf'
import { type Design } from '../../../core/design'
import { clearances } from '../../../core/editing'
import { headroom } from '../../../core/advice/cautions'
import { inSection, roomObjects } from '../../../core/geometry/objects'
import { clearHeightAt, type Outline } from '../../../core/geometry/section'
import type { SectionScale } from '~/composables/useSectionScale'
import { VESSEL_COLOUR } from './vessel-colour'

const props = defineProps<{ design: Design; outline: Outline; scale: SectionScale }>()
const settings = useSettings()
const year = useYear()

/** Beds as the cut through the middle of the house meets them, and beyond it. */
const shownBeds = computed(() =>
  inSection(
    roomObjects(props.design).filter(o => o.kind === 'bed'),
    props.design.shape.lengthM,
  ),
)
/** Plants of a bed: stems at even places, as tall as they grow, as far as there is room; `w` is how far they lean. */
const plants = computed(() =>
  shownBeds.value.map(({ object, x0, x1, isCut }) => {
    const bed = props.design.shape.beds[object.index]!
    const stems: { x: number; h: number; w: number }[] = []
    const count = bed.leafArea > 0 ? Math.max(2, Math.round((x1 - x0) / 0.22)) : 0
    for (let i = 0; i < count; i++) {
      const x = x0 + ((i + 0.5) / count) * (x1 - x0)
      const room = clearHeightAt(props.outline, x) - bed.heightM - 0.08
      const h = Math.max(0.05, Math.min(leavesM(bed), room))
      stems.push({ x, h, w: Math.min(h, 0.28) })
    }
    return { bed, x0, x1, isCut, stems }
  }),
)

/** Benches: a top on legs. */
const benches = computed(() =>
  roomObjects(props.design)
    .filter(o => o.kind === 'bench')
    .map(o => ({ key: o.index, x: o.x0, w: o.x1 - o.x0, top: o.z1, h: o.z1 - o.z0 })),
)

/** Hour that is shown: the coldest night's, or the chosen one. */
const hour = computed(() => {
  const view = year.view
  if (!view) return null
  return year.day === null ? view.answers.coldestNight.hour : year.day * 24 + year.hour
})

/** Every body: its pieces as they stand in the section, and how warm it is at that hour. */
const bodies = computed(() =>
  roomObjects(props.design)
    .filter(o => o.kind === 'body')
    .map(o => {
      const body = props.design.store.bodies[o.index]!
      const kind = kindOf(body)
      const rows = o.bank?.rows ?? 1
      const levels = kind.levels(body)
      const deep = kind.deepM(body)
      const w = (o.x1 - o.x0) / rows
      const h = (o.z1 - o.z0 + deep) / levels
      const pieces = Array.from({ length: rows * levels }, (_, k) => ({
        x: o.x0 + (k % rows) * w,
        top: o.z1 - Math.floor(k / rows) * h,
      }))
      const colour = kind.colour(body)
      const c = hour.value === null ? NaN : (year.view!.bodiesC[o.index]?.[hour.value] ?? NaN)
      return {
        o,
        kind,
        name: bodyName(props.design.store.bodies, o.index),
        pieces,
        w,
        h,
        fill: colour ? VESSEL_COLOUR[colour]! : kind.look === 'mass' ? 'var(--masonry)' : 'var(--glass)',
        ink: colour === 'white' || !colour ? '#2a2520' : '#fff8ea',
        c: Number.isFinite(c) ? `${settings.show(c, 'temperature', { unit: false })}°` : '',
      }
    }),
)

/** The person stands where there is most room overhead beside what stands on the floor. */
const person = computed(() => {
  const found = headroom(props.design)
  return found.clearM > 0 ? found : null
})
const tall = 1.72
const paths = computed(() => clearances(props.design))
const STANDS = new Set<string>(['heater', 'stove'])
/** A heater or stove stands on the floor before what stands at the back, or by the back wall. */
const heaterAt = computed(() => {
  if (!props.design.topUp.sources.some(s => s.on && STANDS.has(s.kind))) return null
  const behind = bodies.value.map(b => b.o.x0).filter(x => x > props.outline.widthM / 2)
  return Math.max(0.2, Math.min(props.outline.widthM, ...behind) - 0.34)
})
</script>

<template>
  <g>
    <g v-for="({ bed, x0, x1, isCut, stems }, i) in plants" :key="i" :opacity="isCut ? 1 : 0.55">
      <rect
        :x="scale.x(x0)"
        :y="scale.y(bed.heightM)"
        :width="(x1 - x0) * scale.ppm"
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
          `-${s.w * scale.ppm * 0.45} ${-s.h * scale.ppm * 0.8} M ${scale.x(s.x)} ${scale.y(bed.heightM)} q 1 ` +
          `${-s.h * scale.ppm * 0.7} ${s.w * scale.ppm * 0.1} ${-s.h * scale.ppm} M ${scale.x(s.x)} ` +
          `${scale.y(bed.heightM)} q 3 ${-s.h * scale.ppm * 0.6} ${s.w * scale.ppm * 0.5} ${-s.h * scale.ppm * 0.75}`
        "
      />
    </g>
    <g v-for="b in benches" :key="`bench${b.key}`" data-test="bench">
      <path
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
        fill="var(--wall)"
        stroke="var(--ink)"
        stroke-width="1.3"
      />
    </g>
    <g v-for="b in bodies" :key="`body${b.o.index}`" :data-test="`body-${b.kind.kind}`">
      <path
        v-if="b.o.z0 > 0.05"
        fill="none"
        stroke="var(--ink)"
        stroke-width="2"
        :d="
          `M ${scale.x(b.o.x0) - 3} ${scale.y(b.o.z0)} H ${scale.x(b.o.x1) + 3} ` +
          `M ${scale.x(b.o.x0) + 4} ${scale.y(b.o.z0)} V ${scale.y(0)} ` +
          `M ${scale.x(b.o.x1) - 4} ${scale.y(b.o.z0)} V ${scale.y(0)}`
        "
      />
      <template v-for="(p, k) in b.pieces" :key="k">
        <rect
          :x="scale.x(p.x) + 1"
          :y="scale.y(p.top) + 1"
          :width="Math.max(2, b.w * scale.ppm - 2)"
          :height="Math.max(4, b.h * scale.ppm - 2)"
          :rx="b.kind.look === 'vessels' ? 4 : 0"
          :fill="b.fill"
          stroke="var(--ink)"
          stroke-width="1.3"
        />
        <template v-if="b.kind.look === 'vessels'">
          <line
            v-for="f in [0.33, 0.67]"
            :key="f"
            :x1="scale.x(p.x) + 1"
            :x2="scale.x(p.x + b.w) - 1"
            :y1="scale.y(p.top - b.h * f)"
            :y2="scale.y(p.top - b.h * f)"
            stroke="#00000055"
            stroke-width="1.2"
          />
        </template>
        <path
          v-if="b.kind.look === 'crates'"
          stroke="#ffffff66"
          stroke-width="1.2"
          :d="
            [0.25, 0.5, 0.75]
              .map(f => `M ${scale.x(p.x + b.w * f)} ${scale.y(p.top) + 3} V ${scale.y(p.top - b.h) - 3}`)
              .join('')
          "
        />
      </template>
      <text
        v-if="b.c && b.w * scale.ppm > 34"
        :x="scale.x(b.o.x0 + b.w / 2)"
        :y="scale.y(b.pieces[0]!.top - b.h / 2) + 5"
        text-anchor="middle"
        class="water"
        :fill="b.ink"
        >{{ b.c }}</text
      >
      <title>{{ b.name }}{{ b.c ? `, ${b.c}` : '' }}</title>
    </g>
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
