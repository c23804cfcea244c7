<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { GLAZING_ANGLE_RANGE } from '../../../core/design'
import { withGlazingAngle } from '../../../core/editing'
import { makeOutline } from '../../../core/geometry/section'
import { linear } from '../../../core/scale'
import { angleSchools } from '../../../core/sums/glazing-angle'
import type { StudyPoint } from '../../stores/studies'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const fault = ref('')

const studies = useStudies()
const [low, high] = [10, 90]
/** A ridge higher than this many widths is told. */
const TALL = 1.2
const angle = computed(() => makeOutline(bench.current.shape).glazingAngleDeg)
const schools = computed(() =>
  angleSchools(
    bench.current.site.latitudeDeg,
    year.view?.cold.noonAltitudeDeg ?? 90 - Math.abs(bench.current.site.latitudeDeg) - 21,
  ),
)
const x = (deg: number) => linear([low, high], [12, width.value - 12])(deg)
const ticks = Array.from({ length: 41 }, (_, i) => low + 2 * i)

function setAngle(deg: number, kind = 'glazing angle', point?: StudyPoint): void {
  const clamped = Math.min(GLAZING_ANGLE_RANGE[1], Math.max(GLAZING_ANGLE_RANGE[0] + 2, deg))
  const shape = withGlazingAngle(bench.current.shape, clamped)
  fault.value = (point ? studies.takeShape('angle', point, shape, kind) : bench.setShape(shape, kind)) ?? ''
  const { ridgeHeightM, widthM } = bench.current.shape
  if (fault.value === '' && ridgeHeightM > TALL * widthM)
    fault.value =
      `That angle takes a ridge of ${settings.show(ridgeHeightM, 'length')} over a width of ` +
      `${settings.show(widthM, 'length')}: tall to build and to hold in the wind. Undo, or widen the house.`
}
function point(event: PointerEvent): void {
  const angleAt = linear([12, width.value - 12], [low, high])
  setAngle(Math.round(angleAt(pointedAt(event, frame.value!).across * width.value) * 2) / 2, 'slide angle')
}
let sliding = false
function down(event: PointerEvent): void {
  sliding = true
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  point(event)
}
function key(event: KeyboardEvent): void {
  const by: Record<string, number> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }
  if (!(event.key in by)) return
  event.preventDefault()
  setAngle(Math.round(angle.value + by[event.key]! * (event.shiftKey ? 5 : 1)))
}
</script>

<template>
  <div>
    <h2 class="group-title flex items-baseline justify-between">
      Glazing angle
      <span class="font-sans text-base font-semibold">{{ settings.show(angle, 'angle') }} from level</span>
    </h2>
    <div
      ref="frame"
      class="relative h-16 cursor-pointer touch-none"
      role="slider"
      tabindex="0"
      aria-label="Glazing angle from level"
      :aria-valuemin="GLAZING_ANGLE_RANGE[0]"
      :aria-valuemax="GLAZING_ANGLE_RANGE[1]"
      :aria-valuenow="Math.round(angle)"
      :aria-valuetext="`${angle.toFixed(1)} degrees`"
      data-test="angle-scale"
      @pointerdown="down"
      @pointermove="sliding && point($event)"
      @pointerup="sliding = false"
      @pointercancel="sliding = false"
      @keydown="key"
    >
      <svg v-if="width > 0" :width="width" height="64" class="absolute inset-0" aria-hidden="true">
        <line :x1="x(low)" :x2="x(high)" y1="30" y2="30" stroke="var(--ink)" stroke-width="1.5" />
        <line
          v-for="d in ticks"
          :key="d"
          :x1="x(d)"
          :x2="x(d)"
          y1="30"
          :y2="d % 10 === 0 ? 40 : 35"
          stroke="var(--ink)"
          stroke-width="1"
        />
        <text
          v-for="d in ticks.filter(t => t % 10 === 0)"
          :key="`t${d}`"
          :x="x(d)"
          y="54"
          text-anchor="middle"
          class="tick"
        >
          {{ d }}°
        </text>
        <path
          v-for="s in schools"
          :key="s.id"
          :d="`M ${x(Math.max(low, s.angleDeg))} 29 l -5 -10 h 10 z`"
          fill="var(--ink)"
        >
          <title>{{ s.name }}: {{ s.angleDeg.toFixed(1) }}°</title>
        </path>
        <line
          :x1="x(Math.max(low, angle))"
          :x2="x(Math.max(low, angle))"
          y1="6"
          y2="42"
          stroke="var(--clay)"
          stroke-width="3"
        />
        <circle :cx="x(Math.max(low, angle))" cy="30" r="8" fill="var(--paper)" stroke="var(--clay)" stroke-width="3" />
      </svg>
    </div>
    <p v-if="fault" class="fault" role="alert">
      {{ fault }}
    </p>
    <template v-if="width > 0">
      <StudyBar kind="angle" ask="What this site and glazing give" />
      <StudyCurve
        :points="studies.all.angle.points"
        :x="x"
        :width="width"
        :now="angle"
        :faded="studies.stale.angle || studies.all.angle.running"
        @take="setAngle($event.at, 'take from curve', $event)"
      />
    </template>
    <p class="hint">Square to the sun at, or by rule:</p>
    <ul class="flex flex-wrap gap-1" aria-label="What the schools say">
      <li v-for="s in schools" :key="s.id">
        <button class="school" :title="s.why" @click="setAngle(Math.round(s.angleDeg * 10) / 10, `school ${s.id}`)">
          <strong>{{ s.angleDeg.toFixed(0) }}°</strong> {{ s.name }}
        </button>
      </li>
    </ul>
    <p class="hint mt-1">
      Diffusing sheets lose a percent or two within 40° of square; clear glass reflects more at a glance.
    </p>
  </div>
</template>

<style scoped>
.tick {
  font-size: 12.5px;
  fill: var(--ink);
}
.school {
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0 6px;
  font-size: 0.85rem;
  cursor: pointer;
  background: var(--paper);
}
.school:hover {
  border-color: var(--ink);
}
</style>
