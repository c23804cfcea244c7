<script setup lang="ts">
import {
  HOURS,
  makeHorizon,
  MONTH_NAMES,
  noonOfDay,
  sunLost,
  withObstacle,
  yearStartUtc,
  type Obstacle,
} from '../../../core/climate'
import { compassPoint } from '../../../core/geometry/compass'
import type { HorizonPoint } from '../../../core/design'
import { sunPosition } from '../../../core/sun'
import { dragKind } from '~/keeping/history'

const bench = useDesign()
const settings = useSettings()
const year = useYear()
const horizon = computed(() => bench.current.site.horizon)
const north = computed(() => bench.current.site.latitudeDeg >= 0)

const WIDTH = 460
const HEIGHT = 160
const TOP = 75
/** The picture runs round the side where the sun stands: north to north in the north, south to south in the south. */
const first = computed(() => (north.value ? 0 : 180))
const x = (azimuth: number) => (((((azimuth - first.value) % 360) + 360) % 360) / 360) * WIDTH
const y = (altitude: number) => HEIGHT - 18 - (altitude / TOP) * (HEIGHT - 24)
const toAzimuth = (px: number) => Math.round(((px / WIDTH) * 360 + first.value) % 360)
const toAltitude = (py: number) =>
  Math.max(0, Math.min(80, Math.round(((HEIGHT - 18 - py) / (HEIGHT - 24)) * TOP * 2) / 2))

/** Sun paths of both solstices and an equinox. */
const paths = computed(() => {
  const { latitudeDeg, longitudeDeg } = bench.current.site
  const offset = year.view?.standardOffsetH ?? 0
  return [
    { day: 171, name: '21 June' },
    { day: 78, name: '20 March' },
    { day: 354, name: '21 December' },
  ].map(({ day, name }) => {
    let d = ''
    let last = -1
    const noon = noonOfDay({ latitudeDeg, longitudeDeg, standardOffsetH: offset }, day)
    for (let k = 0; k <= 96; k++) {
      const p = sunPosition(
        yearStartUtc(offset) + day * 86400000 + (noon.noonClockH - 12 + k / 4) * 3600000,
        latitudeDeg,
        longitudeDeg,
      )
      if (p.altitudeDeg < 0) {
        last = -1
        continue
      }
      const at = x(p.azimuthDeg)
      d +=
        `${last < 0 || Math.abs(at - last) > WIDTH / 2 ? 'M' : 'L'}${at.toFixed(1)} ` +
        `${y(Math.min(p.altitudeDeg, TOP)).toFixed(1)}`
      last = at
    }
    return {
      day,
      name,
      d,
      noonX: x(noon.noonAzimuthDeg),
      noonY: y(Math.min(TOP, Math.max(0, noon.noonAltitudeDeg))),
      up: noon.noonAltitudeDeg > 0,
    }
  })
})
const made = computed(() => makeHorizon(horizon.value, new Float32Array(HOURS)))
const skyline = computed(() => {
  if (!made.value) return ''
  let d = `M0 ${y(0)}`
  for (let a = 0; a < 360; a++)
    d += `L${((a / 360) * WIDTH).toFixed(1)} ${y(made.value.altitudeDeg[(a + first.value) % 360]!).toFixed(1)}`
  return `${d}L${WIDTH} ${y(0)}Z`
})
const lost = computed(() =>
  year.view
    ? sunLost(
        {
          sunAltitudeDeg: year.view.hours.sunAltitudeDeg,
          sunAzimuthDeg: year.view.hours.sunAzimuthDeg,
          beamWm2: year.view.hours.beamWm2,
          dryBulbC: year.view.hours.outsideC,
          latitudeDeg: year.view.latitudeDeg,
        },
        horizon.value,
      )
    : null,
)

const setAll = (points: HorizonPoint[], kind: string) => bench.edit([['site.horizon', points]], kind)
function put(i: number, patch: Partial<HorizonPoint>, kind: string): void {
  setAll(
    horizon.value.map((p, k) => (k === i ? { ...p, ...patch } : p)),
    kind,
  )
}
let dragging: { i: number; kind: string } | null = null
function down(i: number, event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  dragging = { i, kind: dragKind(`horizon ${i}`, event.timeStamp) }
}
function moved(event: PointerEvent): void {
  if (!dragging) return
  put(dragging.i, directionAt(event, (event.currentTarget as SVGElement).ownerSVGElement!), dragging.kind)
}
function directionAt(event: MouseEvent, drawing: SVGElement): Pick<HorizonPoint, 'azimuthDeg' | 'altitudeDeg'> {
  const { across, down } = pointedAt(event, drawing)
  return { azimuthDeg: toAzimuth(across * WIDTH), altitudeDeg: toAltitude(down * HEIGHT) }
}
function addAt(event: MouseEvent): void {
  const point: HorizonPoint = { ...directionAt(event, event.currentTarget as SVGElement), kind: 'solid' }
  setAll(
    [...horizon.value, point].sort((a, b) => a.azimuthDeg - b.azimuthDeg),
    'horizon add',
  )
}
const KEYS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}
function key(i: number, event: KeyboardEvent): void {
  const p = horizon.value[i]!
  if (event.key === 'Delete' || event.key === 'Backspace') {
    setAll(
      horizon.value.filter((_, k) => k !== i),
      'horizon remove',
    )
    return
  }
  const way = KEYS[event.key]
  if (!way) return
  event.preventDefault()
  const step = event.shiftKey ? 5 : 1
  put(
    i,
    {
      azimuthDeg: (p.azimuthDeg + way[0] * step + 360) % 360,
      altitudeDeg: Math.max(0, Math.min(80, p.altitudeDeg + way[1] * step)),
    },
    `horizon key ${i}`,
  )
}

const obstacle = ref<Obstacle>({ kind: 'solid', distanceM: 20, heightM: 8, fromDeg: 150, toDeg: 170 })
const KINDS = [
  { id: 'solid', name: 'hill, house or evergreen' },
  { id: 'deciduous', name: 'trees that drop their leaves' },
]
/** What the obstacle alone would take, before it is set in. */
const itsShare = computed(() =>
  year.view
    ? sunLost(
        {
          sunAltitudeDeg: year.view.hours.sunAltitudeDeg,
          sunAzimuthDeg: year.view.hours.sunAzimuthDeg,
          beamWm2: year.view.hours.beamWm2,
          dryBulbC: year.view.hours.outsideC,
          latitudeDeg: year.view.latitudeDeg,
        },
        withObstacle([], obstacle.value),
      )
    : null,
)
/** Its hours by month, where it takes any. */
const itsMonths = computed(
  () =>
    itsShare.value?.months
      .map((m, i) => ({ h: Math.round(m.lostH), name: MONTH_NAMES[i]! }))
      .filter(m => m.h > 0)
      .map(m => `${m.name.slice(0, 3)} ${m.h} h`)
      .join(', ') ?? '',
)
const setObstacle = (k: 'distanceM' | 'heightM' | 'fromDeg' | 'toDeg') => (v: number) => {
  obstacle.value = { ...obstacle.value, [k]: v }
  return null
}
</script>

<template>
  <div class="grid gap-4 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
    <div>
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        class="block w-full border border-line"
        style="background: var(--sky-foot)"
        role="group"
        aria-label="Sun paths over the horizon. Double-click adds a corner; drag or use the arrow keys to move one, Delete takes it out."
        data-test="horizon"
        @dblclick="addAt"
      >
        <g v-for="a in 12" :key="a">
          <line :x1="x(a * 30)" :x2="x(a * 30)" :y1="0" :y2="y(0)" stroke="var(--line)" stroke-width="0.6" />
          <text v-if="a % 3 === 0 && x(a * 30) > 8" :x="x(a * 30)" :y="HEIGHT - 5" text-anchor="middle" class="tick">
            {{ compassPoint(a * 30) }}
          </text>
        </g>
        <g v-for="alt in [15, 30, 45, 60]" :key="alt">
          <line x1="0" :x2="WIDTH" :y1="y(alt)" :y2="y(alt)" stroke="var(--line)" stroke-width="0.6" />
          <text x="4" :y="y(alt) - 2" class="tick">{{ alt }}°</text>
        </g>
        <g v-for="p in paths" :key="p.day">
          <path
            :d="p.d"
            fill="none"
            stroke="var(--straw)"
            stroke-width="2"
            :stroke-dasharray="p.day === 171 ? '7 5' : p.day === 78 ? '2 4' : undefined"
          />
        </g>
        <path v-if="skyline" :d="skyline" fill="var(--earth)" stroke="var(--ink)" stroke-width="1.2" opacity="0.88" />
        <template v-for="p in paths" :key="`n${p.day}`">
          <text v-if="p.up" :x="p.noonX" :y="Math.max(11, p.noonY - 4)" text-anchor="middle" class="tick strong">
            {{ p.name }}
          </text>
        </template>
        <line x1="0" :x2="WIDTH" :y1="y(0)" :y2="y(0)" stroke="var(--ink)" stroke-width="1.2" />
        <g
          v-for="(p, i) in horizon"
          :key="i"
          class="corner"
          tabindex="0"
          role="slider"
          :aria-label="`Corner ${i + 1} of the horizon`"
          :aria-valuenow="Math.round(p.altitudeDeg)"
          :aria-valuetext="`${p.altitudeDeg}° high at ${p.azimuthDeg}°, ${compassPoint(p.azimuthDeg)}`"
          :transform="`translate(${x(p.azimuthDeg)}, ${y(p.altitudeDeg)})`"
          :data-test="`corner-${i}`"
          @pointerdown="down(i, $event)"
          @pointermove="moved"
          @pointerup="dragging = null"
          @keydown="key(i, $event)"
          @dblclick.stop
        >
          <circle r="12" fill="transparent" />
          <circle
            r="5"
            :fill="p.kind === 'deciduous' ? 'var(--leaf)' : 'var(--paper)'"
            stroke="var(--clay)"
            stroke-width="2.4"
          />
        </g>
      </svg>
      <p class="hint">
        Double-click adds a corner; drag it, or use the arrow keys; Delete takes it out. Green corners are trees that
        are bare in the cold half of the year.
      </p>
      <p v-if="lost" data-test="sun-lost">
        In the winter half this horizon takes <strong>{{ settings.show(lost.winterLostH, 'hours') }}</strong> of sun,
        <strong>{{ Math.round(lost.winterLostShare * 100) }} %</strong> of its strength.
      </p>
      <div v-if="lost && horizon.length > 0" class="overflow-x-auto">
        <table class="lost">
          <thead>
            <tr>
              <th />
              <th v-for="n in MONTH_NAMES" :key="n" scope="col">{{ n.slice(0, 3) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">hours lost</th>
              <td v-for="(m, i) in lost.months" :key="i">{{ Math.round(m.lostH) }}</td>
            </tr>
            <tr>
              <th scope="row">share, %</th>
              <td v-for="(m, i) in lost.months" :key="i">{{ Math.round(m.lostShare * 100) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
    <div>
      <h2 class="group-title">Add what stands there</h2>
      <div class="grid grid-cols-2 gap-2">
        <QuantityField
          label="How far off"
          quantity="length"
          :value="obstacle.distanceM"
          :min="1"
          :max="20000"
          :set="setObstacle('distanceM')"
        />
        <QuantityField
          label="Higher than the glazing’s foot"
          quantity="length"
          :value="obstacle.heightM"
          :min="0"
          :max="3000"
          :set="setObstacle('heightM')"
        />
        <QuantityField
          label="From azimuth"
          quantity="angle"
          :value="obstacle.fromDeg"
          :min="0"
          :max="360"
          :set="setObstacle('fromDeg')"
        />
        <QuantityField
          label="To azimuth, clockwise"
          quantity="angle"
          :value="obstacle.toDeg"
          :min="0"
          :max="360"
          :set="setObstacle('toDeg')"
        />
      </div>
      <ChoiceField
        label="What it is"
        :value="obstacle.kind"
        :options="KINDS"
        :set="
          v => {
            obstacle = { ...obstacle, kind: v === 'deciduous' ? 'deciduous' : 'solid' }
            return null
          }
        "
      />
      <p v-if="itsShare" class="hint">
        By itself it takes {{ settings.show(itsShare.winterLostH, 'hours') }} of winter sun,
        {{ Math.round(itsShare.winterLostShare * 100) }} % of its strength{{ itsMonths ? `: ${itsMonths}` : '' }}.
      </p>
      <div class="mt-1 flex flex-wrap gap-2">
        <button
          v-uses-fields
          class="button"
          data-test="set-obstacle"
          @click="setAll(withObstacle(horizon, obstacle), 'obstacle')"
        >
          Add the obstacle
        </button>
        <button
          v-if="horizon.length > 0"
          class="button quiet"
          data-test="clear-horizon"
          @click="setAll([], 'horizon clear')"
        >
          Open horizon again
        </button>
      </div>
      <details v-if="horizon.length > 0" class="mt-2">
        <summary class="cursor-pointer">Corners as a table</summary>
        <ul>
          <li v-for="(p, i) in horizon" :key="i" class="grid grid-cols-[1fr_1fr_auto_auto] items-end gap-2">
            <DesignField :path="`site.horizon.${i}.azimuthDeg`" />
            <DesignField :path="`site.horizon.${i}.altitudeDeg`" />
            <button
              class="button quiet"
              @click="put(i, { kind: p.kind === 'solid' ? 'deciduous' : 'solid' }, 'horizon kind')"
            >
              {{ p.kind === 'solid' ? 'solid' : 'leaves' }}
            </button>
            <button
              class="button quiet"
              :aria-label="`Take out corner ${i + 1}`"
              @click="
                setAll(
                  horizon.filter((_, k) => k !== i),
                  'horizon remove',
                )
              "
            >
              ×
            </button>
          </li>
        </ul>
      </details>
    </div>
  </div>
</template>

<style scoped>
.tick {
  font-size: 10.5px;
  fill: var(--ink);
}
.strong {
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sky-foot);
  stroke-width: 3px;
}
.corner {
  cursor: grab;
  touch-action: none;
  outline: none;
}
.corner:focus-visible circle:last-child {
  stroke: var(--slate);
  stroke-width: 4;
}
.lost th,
.lost td {
  font-size: 0.85rem;
  padding: 0 0.35rem;
  text-align: right;
  font-weight: 400;
}
.lost td {
  white-space: nowrap;
}
.lost tbody th {
  white-space: nowrap;
  text-align: left;
  color: var(--soft);
}
</style>
