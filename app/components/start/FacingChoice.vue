<script setup lang="ts">
import { compassPoint } from '../../../core/geometry/compass'

/** Which way the house's wall looks: typed as a bearing or a point of the compass, or pressed on one. */
const start = useStart()
const id = useId()
const eastId = useId()
const unread = computed(() => start.facing.trim() !== '' && start.facingDeg === null)
/** Of the letters on the compass, from its middle. */
const R = 33
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
  x: R * Math.sin((k * Math.PI) / 2),
  y: -R * Math.cos((k * Math.PI) / 2),
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
  <div class="rounded border border-line p-1.5 text-sm" data-test="facing" @keydown.stop>
    <label :for="id" class="leading-tight">The house’s wall looks to</label>
    <div class="flex items-center gap-2">
      <svg viewBox="-44 -44 88 88" class="size-14 shrink-0 cursor-pointer" @click="press">
        <title>Press where the wall looks</title>
        <circle r="42" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.6" />
        <text v-for="p in POINTS" :key="p.name" :x="p.x" :y="p.y + 5" text-anchor="middle" font-size="16">
          {{ p.name }}
        </text>
        <g v-if="start.facingDeg !== null" :transform="`rotate(${start.facingDeg})`">
          <path d="M0 -25 L7 5 L0 0 L-7 5 Z" fill="var(--clay)" />
        </g>
      </svg>
      <input
        :id="id"
        v-model="start.facing"
        class="input min-w-0"
        placeholder="235° or SW"
        :aria-invalid="unread"
        data-test="facing-text"
      />
    </div>
    <p :class="unread ? 'fault' : 'hint'" class="leading-tight" data-test="facing-note">
      {{
        unread
          ? 'A bearing is 0 to 360°, or a point such as SW.'
          : start.facingDeg === null
            ? 'Left empty: to the equator.'
            : `${Math.round(start.facingDeg)}°, ${compassPoint(start.facingDeg)}.`
      }}
    </p>
    <div class="flex items-center gap-1">
      <label :for="eastId" class="leading-tight">compass points east by, °</label>
      <input :id="eastId" v-model.lazy="east" class="input w-12" inputmode="decimal" data-test="facing-declination" />
    </div>
  </div>
</template>
