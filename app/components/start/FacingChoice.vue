<script setup lang="ts">
import { compassPoint } from '../../../core/geometry/compass'

/** Which way the house's wall looks: typed as a bearing or a point of the compass, or pressed on one. */
const start = useStart()
const id = useId()
const eastId = useId()
const unread = computed(() => start.facing.trim() !== '' && start.facingDeg === null)
const R = 44
/** Pressed at a place of the compass, by steps of five degrees. */
function press(event: MouseEvent): void {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const [right, up] = [event.clientX - box.x - box.width / 2, box.y + box.height / 2 - event.clientY]
  const deg = Math.round((Math.atan2(right, up) * 180) / Math.PI / 5) * 5
  start.declinationDeg = 0
  start.facing = `${(deg + 360) % 360}°`
}
const POINTS = ['N', 'E', 'S', 'W'].map((name, k) => ({
  name,
  x: (R - 9) * Math.sin((k * Math.PI) / 2),
  y: -(R - 9) * Math.cos((k * Math.PI) / 2),
}))
/** The declination as it is typed, with either sign. */
const east = computed({
  get: () => String(start.declinationDeg),
  set: typed => {
    const v = Number(typed.replace(',', '.').replace('−', '-'))
    if (Number.isFinite(v) && Math.abs(v) <= 180) start.declinationDeg = v
  },
})
</script>

<template>
  <div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1" data-test="facing">
    <svg
      :width="2 * R"
      :height="2 * R"
      :viewBox="`${-R} ${-R} ${2 * R} ${2 * R}`"
      class="cursor-pointer"
      @click="press"
    >
      <title>Press where the wall looks</title>
      <circle r="42" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.4" />
      <text v-for="p in POINTS" :key="p.name" :x="p.x" :y="p.y + 4.5" text-anchor="middle" font-size="13">
        {{ p.name }}
      </text>
      <g v-if="start.facingDeg !== null" :transform="`rotate(${start.facingDeg})`">
        <path d="M0 -27 L6 4 L0 0 L-6 4 Z" fill="var(--clay)" />
      </g>
    </svg>
    <div class="grid gap-y-1">
      <label :for="id">The house’s wall looks to</label>
      <input
        :id="id"
        v-model="start.facing"
        class="input w-40"
        placeholder="235° or SW"
        :aria-invalid="unread"
        data-test="facing-text"
      />
      <p :class="unread ? 'fault' : 'hint'" data-test="facing-note">
        {{
          unread
            ? `“${start.facing.trim()}” is no bearing: 0 to 360°, or a point such as SW.`
            : start.facingDeg === null
              ? 'Left empty: to the equator.'
              : `${Math.round(start.facingDeg)}° from true north, ${compassPoint(start.facingDeg)}.`
        }}
      </p>
    </div>
    <div class="grid justify-items-start gap-y-1">
      <label :for="eastId">Read off a compass that points east of north by, °</label>
      <input :id="eastId" v-model.lazy="east" class="input w-24" inputmode="decimal" data-test="facing-declination" />
    </div>
  </div>
</template>
