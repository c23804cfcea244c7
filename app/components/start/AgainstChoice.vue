<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import type { Design } from '../../../core/design'
import { groundAt, makeOutline } from '../../../core/geometry/section'
import { inSection, roomObjects } from '../../../core/geometry/objects'
import { stretches } from '../../../core/geometry/parts'
import { AGAINST, type Against } from '../../../core/start/choices'

/** What the house stands against: each drawn as it would be at the size that is asked, all to one scale. */
const props = defineProps<{ value: Against; houses: Record<Against, Design | null> }>()
const emit = defineEmits<{ choose: [Against] }>()
const [WIDTH, HEIGHT, FLOOR] = [150, 78, 66]
const PERSON_M = 1.75

const drawn = computed(() =>
  AGAINST.map(a => {
    const design = props.houses[a.id]
    return { ...a, design, outline: design && makeOutline(design.shape) }
  }),
)
const ppm = computed(() =>
  Math.min(
    (WIDTH - 44) / Math.max(...drawn.value.map(d => d.outline?.widthM ?? 1)),
    (FLOOR - 6) / Math.max(2.5, ...drawn.value.map(d => d.outline?.ridgeHeightM ?? 1)),
  ),
)
const x = (m: number) => 26 + m * ppm.value
const z = (m: number) => FLOOR - m * ppm.value
function parts(design: Design) {
  const outline = makeOutline(design.shape)
  const { widthM, house, riseM } = design.shape
  return {
    house:
      design.shape.form === 'lean-to' ? { x: x(widthM), height: Math.min(FLOOR - 2, house.heightM * ppm.value) } : null,
    ground:
      `M0 ${FLOOR} L${x(0)} ${FLOOR} L${x(0)} ${z(groundAt(design.shape, 0))} M${x(widthM)} ${z(riseM)} ` +
      `L${WIDTH} ${z(riseM)} L${WIDTH} ${HEIGHT} L0 ${HEIGHT} L0 ${FLOOR} L${x(widthM)} ${FLOOR} ` +
      `L${x(widthM)} ${z(riseM)} Z`,
    room: `M${outline.corners.map(p => `${x(p.x)} ${z(p.z)}`).join(' L')} Z`,
    glass: stretches(design, outline)
      .filter(e => e.glazed)
      .map(e => `M${x(e.a.x)} ${z(e.a.z)} L${x(e.b.x)} ${z(e.b.z)}`)
      .join(' '),
    things: inSection(roomObjects(design), design.shape.lengthM).map(b => ({ ...b.object, x0: b.x0, x1: b.x1 })),
  }
}
/** Body and legs of somebody who stands beside it. */
const legs = computed(() => {
  const step = 0.16 * ppm.value
  return `M12 ${z(PERSON_M - 0.26)} V${z(0.8)} L${12 - step} ${FLOOR} M12 ${z(0.8)} L${12 + step} ${FLOOR}`
})
const sections = computed(() => drawn.value.map(d => ({ ...d, parts: d.design && parts(d.design) })))
const FILL = { bed: 'var(--bed)', bench: 'var(--wall)', body: 'var(--slate)' } as const
</script>

<template>
  <RadioGroup as="div" :model-value="value" @update:model-value="emit('choose', $event)">
    <RadioGroupLabel as="span" class="sr-only">What it stands against</RadioGroupLabel>
    <div class="grid grid-cols-2 gap-1.5 sm:grid-cols-3">
      <RadioGroupOption
        v-for="s in sections"
        :key="s.id"
        v-slot="{ checked }"
        :value="s.id"
        :disabled="!s.parts"
        as="template"
      >
        <div
          class="rounded border p-1 text-sm"
          :class="[
            checked ? 'border-2 border-clay bg-paper' : 'border-line bg-paper',
            s.parts ? 'cursor-pointer' : 'opacity-50',
          ]"
          :data-test="`against-${s.id}`"
        >
          <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="block w-full" aria-hidden="true">
            <template v-if="s.parts">
              <rect
                v-if="s.parts.house"
                :x="s.parts.house.x"
                :width="WIDTH - s.parts.house.x"
                :y="FLOOR - s.parts.house.height"
                :height="s.parts.house.height"
                fill="var(--wall)"
                stroke="var(--ink)"
                stroke-width="1"
              />
              <path :d="s.parts.ground" fill="var(--earth)" stroke="var(--earth-line)" stroke-width="1" />
              <path
                :d="s.parts.room"
                fill="var(--sun-fill)"
                stroke="var(--ink)"
                stroke-width="1.6"
                stroke-linejoin="round"
              />
              <rect
                v-for="o in s.parts.things"
                :key="`${o.kind}${o.index}`"
                :x="x(o.x0)"
                :y="z(o.z1)"
                :width="(o.x1 - o.x0) * ppm"
                :height="Math.max(1.5, (o.z1 - o.z0) * ppm)"
                :fill="FILL[o.kind]"
              />
              <path :d="s.parts.glass" fill="none" stroke="var(--glass)" stroke-width="3" stroke-linecap="round" />
              <g stroke="var(--soft)" stroke-width="1.3" fill="none">
                <circle cx="12" :cy="z(PERSON_M - 0.13)" :r="0.13 * ppm" />
                <path :d="legs" />
              </g>
            </template>
          </svg>
          <strong class="block leading-tight">{{ s.name }}</strong>
          <span class="hint block leading-tight">{{ s.parts ? s.about : 'does not stand at this size' }}</span>
        </div>
      </RadioGroupOption>
      <slot />
    </div>
  </RadioGroup>
</template>
