<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { RAD } from '../../../core/physics/constants'
import { HOURS, makeHorizon, noonOfDay, yearStartUtc } from '../../../core/climate'
import { compassPoint, turnWords } from '../../../core/geometry/compass'
import { makeOutline, sunnyAzimuthDeg } from '../../../core/geometry/section'
import { sunDay, sunPosition } from '../../../core/sun'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)

const site = computed(() => bench.current.site)
const shape = computed(() => bench.current.shape)
const outline = computed(() => makeOutline(shape.value))
const sunny = computed(() => sunnyAzimuthDeg(site.value.latitudeDeg, shape.value.turnDeg))
const cx = computed(() => width.value / 2)
const cy = computed(() => height.value / 2)
const ring = computed(() => Math.max(60, Math.min(width.value, height.value) / 2 - 34))
/** A point of the plan: true north up. */
const at = (azimuth: number, r: number) => ({
  x: cx.value + Math.sin(azimuth * RAD) * r,
  y: cy.value - Math.cos(azimuth * RAD) * r,
})
const arc = (from: number, to: number, r: number) => {
  const a = at(from, r)
  const b = at(to, r)
  const sweep = (((to - from) % 360) + 360) % 360
  return `M${a.x.toFixed(1)} ${a.y.toFixed(1)}A${r} ${r} 0 ${sweep > 180 ? 1 : 0} 1 ${b.x.toFixed(1)} ${b.y.toFixed(1)}`
}

const ppm = computed(() => (ring.value * 0.85) / Math.max(shape.value.lengthM, outline.value.widthM))
/** The building's corners: sunny side first. */
const house = computed(() => {
  const f = { x: Math.sin(sunny.value * RAD), y: -Math.cos(sunny.value * RAD) }
  const l = { x: -f.y, y: f.x }
  const w = (outline.value.widthM / 2) * ppm.value
  const h = (shape.value.lengthM / 2) * ppm.value
  const p = (a: number, b: number) => ({ x: cx.value + f.x * a + l.x * b, y: cy.value + f.y * a + l.y * b })
  return { corners: [p(w, -h), p(w, h), p(-w, h), p(-w, -h)], middle: p(w + 22, 0), angle: Math.atan2(l.y, l.x) / RAD }
})
const suns = computed(() => {
  const { latitudeDeg, longitudeDeg } = site.value
  const offset = year.view?.standardOffsetH ?? 0
  const equator = latitudeDeg >= 0
  return [
    { day: 171, name: '21 June' },
    { day: 354, name: '21 December' },
  ].map(({ day, name }, i) => {
    const midday = yearStartUtc(offset) + (day + 0.5) * 86400000
    const sun = sunDay(midday, latitudeDeg, longitudeDeg)
    const noon = noonOfDay({ latitudeDeg, longitudeDeg, standardOffsetH: offset }, day)
    const r = ring.value - 12 - 16 * i
    if (sun.sunriseUtc === null || sun.sunsetUtc === null)
      return { name, d: '', text: sun.dayLengthH > 0 ? 'the sun does not set' : 'the sun does not rise', r }
    const rise = sunPosition(sun.sunriseUtc, latitudeDeg, longitudeDeg).azimuthDeg
    const set = sunPosition(sun.sunsetUtc, latitudeDeg, longitudeDeg).azimuthDeg
    // The sun goes clockwise in the north, the other way round in the south.
    return {
      name,
      d:
        equator === (noon.noonAzimuthDeg > 90 && noon.noonAzimuthDeg < 270)
          ? arc(equator ? rise : set, equator ? set : rise, r)
          : arc(set, rise, r),
      text: `sun from ${compassPoint(rise)} to ${compassPoint(set)}, ${noon.noonAltitudeDeg.toFixed(0)}° at noon`,
      r,
    }
  })
})
const skyline = computed(() => {
  const made = makeHorizon(site.value.horizon, new Float32Array(HOURS))
  if (!made) return ''
  let out = ''
  for (let a = 0; a <= 360; a += 2) {
    const p = at(a, ring.value - (made.altitudeDeg[a % 360]! * ring.value) / 140)
    out += `${a === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`
  }
  return `${out}Z${arcRing()}`
})
const arcRing = () =>
  `M${cx.value + ring.value} ${cy.value}A${ring.value} ${ring.value} 0 1 0 ${cx.value - ring.value} ` +
  `${cy.value}A${ring.value} ${ring.value} 0 1 0 ${cx.value + ring.value} ${cy.value}Z`
const fall = computed(() =>
  site.value.survey.slopeDeg > 0
    ? {
        a: at(site.value.survey.slopeTowardsDeg + 180, ring.value * 0.8),
        b: at(site.value.survey.slopeTowardsDeg, ring.value * 0.8),
      }
    : null,
)
const scaleM = computed(() => (ppm.value * 5 > width.value / 4 ? 2 : 5))
</script>

<template>
  <div ref="frame" class="relative size-full overflow-hidden" data-test="plan">
    <svg
      v-if="width > 0"
      :width="width"
      :height="height"
      role="img"
      :aria-label="`Plan, true north up: sunny side ${turnWords(site.latitudeDeg, shape.turnDeg)}`"
      class="absolute inset-0 select-none"
      style="background: var(--sky-foot)"
    >
      <defs>
        <marker id="head" markerWidth="9" markerHeight="9" refX="7" refY="4" orient="auto">
          <path d="M0 0L8 4L0 8Z" fill="var(--slate)" />
        </marker>
      </defs>
      <circle :cx="cx" :cy="cy" :r="ring" fill="var(--earth)" opacity="0.45" stroke="var(--ink)" stroke-width="1.2" />
      <path v-if="skyline" :d="skyline" fill="var(--earth-line)" fill-rule="evenodd" opacity="0.75" />
      <g
        v-for="[a, n] in [
          [0, 'N'],
          [90, 'E'],
          [180, 'S'],
          [270, 'W'],
        ] as const"
        :key="n"
      >
        <line
          :x1="at(a, ring - 6).x"
          :y1="at(a, ring - 6).y"
          :x2="at(a, ring + 6).x"
          :y2="at(a, ring + 6).y"
          stroke="var(--ink)"
          stroke-width="1.6"
        />
        <text :x="at(a, ring + 18).x" :y="at(a, ring + 18).y + 5" text-anchor="middle" class="point">{{ n }}</text>
      </g>
      <g v-for="(s, i) in suns" :key="s.name">
        <path
          v-if="s.d"
          :d="s.d"
          fill="none"
          stroke="var(--straw)"
          :stroke-width="i === 0 ? 2 : 5"
          :stroke-dasharray="i === 0 ? '7 5' : undefined"
          opacity="0.9"
        />
      </g>
      <g v-if="fall">
        <line
          :x1="fall.a.x"
          :y1="fall.a.y"
          :x2="fall.b.x"
          :y2="fall.b.y"
          stroke="var(--slate)"
          stroke-width="1.6"
          stroke-dasharray="5 4"
          marker-end="url(#head)"
        />
        <text :x="fall.b.x" :y="fall.b.y - 8" text-anchor="middle" class="note">
          falls {{ site.survey.slopeDeg }}°: cold air drains this way
        </text>
      </g>
      <polygon
        :points="house.corners.map(p => `${p.x.toFixed(1)},${p.y.toFixed(1)}`).join(' ')"
        fill="var(--paper)"
        stroke="var(--ink)"
        stroke-width="2"
      />
      <line
        :x1="house.corners[0]!.x"
        :y1="house.corners[0]!.y"
        :x2="house.corners[1]!.x"
        :y2="house.corners[1]!.y"
        stroke="var(--glass)"
        stroke-width="6"
      />
      <text :x="cx" :y="cy" text-anchor="middle" class="note">
        {{ settings.show(shape.lengthM, 'length') }} × {{ settings.show(outline.widthM, 'length') }}
      </text>
      <text :x="house.middle.x" :y="house.middle.y + 4" text-anchor="middle" class="note">
        snow off the glass lands here
      </text>
      <g :transform="`translate(14, ${height - 16})`">
        <line x1="0" :x2="scaleM * ppm" y1="0" y2="0" stroke="var(--ink)" stroke-width="2" />
        <path :d="`M0 -4V4M${scaleM * ppm} -4V4`" stroke="var(--ink)" stroke-width="1.4" />
        <text :x="scaleM * ppm + 8" y="4" class="note">{{ settings.show(scaleM, 'length') }}</text>
      </g>
    </svg>
    <div class="absolute left-3 top-2 max-w-[15rem] text-sm">
      <p class="slab">Plan, true north up</p>
      <p v-if="width >= 560">Sunny side {{ turnWords(site.latitudeDeg, shape.turnDeg) }}</p>
      <p v-for="(s, i) in width < 560 ? [] : suns" :key="s.name">
        <span class="ray" :class="{ thick: i === 1 }" /> {{ s.name }}: {{ s.text }}
      </p>
    </div>
    <p v-if="site.survey.frostPocket" class="absolute right-3 top-2 max-w-[14rem] text-right text-sm text-clay">
      Frost pocket: cold air gathers here on still nights.
    </p>
  </div>
</template>

<style scoped>
.point {
  font-size: 14px;
  font-weight: 700;
  fill: var(--ink);
}
.note {
  font-size: 12.5px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 3.5px;
}
.ray {
  display: inline-block;
  width: 1.4rem;
  border-top: 2px dashed var(--straw);
  vertical-align: middle;
}
.ray.thick {
  border-top: 5px solid var(--straw);
}
</style>
