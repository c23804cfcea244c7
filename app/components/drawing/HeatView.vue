<script setup lang="ts">
import { useElementSize, useIntervalFn, watchDebounced } from '@vueuse/core'
import { dayName } from '../../../core/climate'
import { heatFlows, type HeatBody, type HeatDay, type HeatFlow } from '../../../core/heat-view'
import { inSection, roomObjects } from '../../../core/geometry/objects'
import { faceOfObject } from '../../../core/geometry/faces'
import { stretches } from '../../../core/geometry/parts'
import { edgeLength, groundAt, makeOutline, type Point } from '../../../core/geometry/section'

/**
 * The section filled by temperature at one hour, the ground under it too, with arrows as thick as the heat that flows.
 */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const drawing = useDrawing()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
const data = shallowRef<HeatDay | null>(null)
const drawnDesign = shallowRef(bench.current)
const failure = ref('')
const working = ref(false)

const coldest = computed(() => year.view?.answers.coldestNight.hour ?? 0)
const day = computed(() => year.day ?? Math.floor(coldest.value / 24))
const ownHour = ref<number | null>(null)
const hour = computed(() => (year.day !== null ? year.hour : (ownHour.value ?? coldest.value % 24)))
function setHour(h: number): void {
  if (year.day === null) ownHour.value = h
  else year.hour = h
}

let asked = 0
/** The day is asked for once the hand rests. */
watchDebounced(
  [() => bench.current, day],
  async () => {
    const mine = ++asked
    const design = bench.current
    working.value = true
    try {
      const got = await year.heat(design, day.value)
      if (mine !== asked) return
      data.value = got
      drawnDesign.value = design
      failure.value = ''
    } catch (error) {
      if (mine !== asked) return
      const why = error instanceof Error ? error.message : String(error)
      failure.value = `The heat view could not be worked out: ${why.replace(/\.?$/, '.')}`
    } finally {
      if (mine === asked) working.value = false
    }
  },
  { immediate: true, debounce: 200 },
)
onBeforeUnmount(() => {
  asked = -1
})

const playing = useIntervalFn(() => setHour((hour.value + 1) % 24), 450, { immediate: false })
const plays = playing.isActive
function play(): void {
  if (plays.value) playing.pause()
  else playing.resume()
}

const outline = computed(() => makeOutline(drawnDesign.value.shape))
const DEPTH = 2.3
const BESIDE = 1.9
/** Kept free above for the controls and the arrow at the ridge, px. */
const HEAD = 92
const scale = computed(() => {
  const o = outline.value
  const ppm = Math.max(
    6,
    Math.min((width.value - 24) / (o.widthM + 2 * BESIDE), (height.value - HEAD - 6) / (o.ridgeHeightM + DEPTH)),
  )
  const left = (width.value - o.widthM * ppm) / 2
  const foot = HEAD + (height.value - HEAD - 6 - (o.ridgeHeightM + DEPTH) * ppm) / 2 + o.ridgeHeightM * ppm
  return { ppm, x: (m: number) => left + m * ppm, y: (m: number) => foot - m * ppm }
})

/**
 * Cold is slate, mild is pale, warm is clay; the same for every hour and design, so that pictures can be set side by
 * side.
 */
const STOPS: [number, string][] = [
  [-25, '#1f3c5c'],
  [-10, '#3f6a94'],
  [0, '#a9c4d8'],
  [8, '#ece7d3'],
  [16, '#f2c98a'],
  [25, '#d9774f'],
  [38, '#8d2f1f'],
]
const rgb = (hex: string) => [1, 3, 5].map(i => Number.parseInt(hex.slice(i, i + 2), 16))
function colour(c: number): string {
  if (!Number.isFinite(c)) return 'var(--paper)'
  const t = Math.min(STOPS.at(-1)![0], Math.max(STOPS[0]![0], c))
  const i = Math.max(
    1,
    STOPS.findIndex(s => s[0] >= t),
  )
  const [a, b] = [STOPS[i - 1]!, STOPS[i]!]
  const k = (t - a[0]) / (b[0] - a[0])
  const [p, q] = [rgb(a[1]), rgb(b[1])]
  return `rgb(${p.map((v, n) => Math.round(v + (q[n]! - v) * k)).join(',')})`
}
const legend = STOPS.map(([c]) => c)
const at = (a: Float32Array) => a[hour.value]!
const t = (c: number) => settings.show(c, 'temperature')
const body = (id: string): HeatBody | undefined => data.value?.bodies.find(b => b.id === id)
/** Pieces of the skin as bands. */
const skin = computed(() => {
  const wallM = Math.max(
    0.06,
    drawnDesign.value.skin.wall.reduce((s, l) => s + l.thicknessM, 0),
  )
  return stretches(drawnDesign.value, outline.value).flatMap((e, i) => {
    const b = body(e.id)
    if (!b) return []
    const l = edgeLength(e)
    const thick = b.kind === 'glazing' ? 0.06 : wallM
    const n = { x: (-(e.b.z - e.a.z) / l) * thick, z: ((e.b.x - e.a.x) / l) * thick }
    const pts = (list: Point[]) =>
      list.map(p => `${scale.value.x(p.x).toFixed(1)},${scale.value.y(p.z).toFixed(1)}`).join(' ')
    const mid = (f: number) => [
      { x: e.a.x + n.x * f, z: e.a.z + n.z * f },
      { x: e.b.x + n.x * f, z: e.b.z + n.z * f },
    ]
    const inner = [e.a, e.b, mid(0.5)[1]!, mid(0.5)[0]!]
    const outer = [mid(0.5)[0]!, mid(0.5)[1]!, mid(1)[1]!, mid(1)[0]!]
    return [
      {
        key: `${e.id}${i}`,
        part: e.part,
        way: b.way,
        inner: pts(inner),
        outer: pts(outer),
        faceC: at(b.faceC),
        middleC: at(b.middleC),
        name: e.id,
        normal: { x: n.x / thick, z: n.z / thick },
        middle: { x: (e.a.x + e.b.x) / 2 + n.x, z: (e.a.z + e.b.z) / 2 + n.z },
      },
    ]
  })
})
const air = computed(() =>
  outline.value.corners.map(p => `${scale.value.x(p.x).toFixed(1)},${scale.value.y(p.z).toFixed(1)}`).join(' '),
)
const stores = computed(() =>
  inSection(roomObjects(drawnDesign.value), drawnDesign.value.shape.lengthM).flatMap(({ object, x0, x1, isCut }) => {
    const b = object.kind === 'bench' ? undefined : body(faceOfObject(object))
    const o = { ...object, x0, x1 }
    return b ? [{ o, b, isCut, c: at(o.kind === 'bed' ? b.faceC : b.middleC) }] : []
  }),
)
const cells = computed(() =>
  (data.value?.ground ?? [])
    .filter(c => c.z1 > -DEPTH - 1)
    .map(c => ({
      x: scale.value.x(c.x0),
      y: scale.value.y(c.z1),
      w: (c.x1 - c.x0) * scale.value.ppm + 0.6,
      h: (c.z1 - c.z0) * scale.value.ppm + 0.6,
      c: at(c.tC),
    })),
)
/** Numbers in the ground: under the middle, and beside the house. */
const marks = computed(() => {
  const columns = [outline.value.widthM / 2, -1.2]
  return columns.flatMap(x =>
    (data.value?.ground ?? [])
      .filter(c => c.x0 <= x && c.x1 > x && c.z1 - c.z0 >= 0.25 && c.z0 > -DEPTH)
      .map(c => ({
        x: scale.value.x(Math.max(-BESIDE + 0.4, Math.min(outline.value.widthM + BESIDE, x))),
        y: scale.value.y((c.z0 + c.z1) / 2) + 4,
        c: at(c.tC),
      })),
  )
})

interface Arrow {
  key: string
  x: number
  y: number
  dx: number
  dy: number
  watts: number
  name: string
  sun: boolean
}
const flows = computed(() => (data.value ? heatFlows(data.value, hour.value) : []))
const watts = (kind: HeatFlow['kind'], ...names: string[]) =>
  flows.value.filter(f => f.kind === kind && names.includes(f.name)).reduce((sum, f) => sum + f.watts, 0)
/** Heat that flows, from where it leaves and where it comes in. An arrow turns where its heat does. */
const arrows = computed((): Arrow[] => {
  const s = scale.value
  const out: Arrow[] = []
  const glazed = skin.value.filter(p => p.way === 'glazing')
  /** An arrow for each way out of the section, at the middle of the pieces that it goes through. */
  const through = (name: string) => {
    const pieces = skin.value.filter(p => p.way === name)
    const from = pieces[Math.floor(pieces.length / 2)]
    if (!from) return
    const at = { x: s.x(from.middle.x), y: s.y(from.middle.z) }
    const leaves = watts('out', name)
    const sun = watts('in', `sun on the ${name}`)
    const way = leaves < 0 ? -1 : 1
    if (leaves !== 0)
      out.push({
        key: name,
        ...at,
        dx: from.normal.x * way,
        dy: -from.normal.z * way,
        watts: Math.abs(leaves),
        name,
        sun: false,
      })
    if (sun > 0)
      out.push({
        key: `${name} sun`,
        ...at,
        dx: -from.normal.x,
        dy: from.normal.z,
        watts: sun,
        name: `sun on the ${name}`,
        sun: true,
      })
  }
  for (const way of ['glazing', 'roof', 'back wall', 'house', 'knee wall']) through(way)
  const o = outline.value
  const ends = watts('out', 'end walls') - watts('in', 'sun on the end walls')
  if (ends !== 0)
    out.push({
      key: 'ends',
      x: s.x(o.widthM * 0.37),
      y: s.y(o.ridgeHeightM * 0.4),
      dx: 0.1,
      dy: 0.6 * Math.sign(ends),
      watts: Math.abs(ends),
      name: 'end walls',
      sun: ends < 0,
    })
  const ground = watts('out', 'ground')
  out.push({
    key: 'ground',
    x: s.x(o.widthM * 0.94),
    y: s.y(-0.2),
    dx: 0.55,
    dy: 0.85 * Math.sign(ground || 1),
    watts: Math.abs(ground),
    name: 'ground outside',
    sun: false,
  })
  const air = watts('out', 'air leaks', 'vents', 'damp air')
  out.push({
    key: 'air',
    x: s.x(o.ridgeAtM),
    y: s.y(o.ridgeHeightM) - 6,
    dx: 0.25,
    dy: -Math.sign(air || 1),
    watts: Math.abs(air),
    name: 'air and damp',
    sun: false,
  })
  const sun = watts('in', 'sun')
  if (glazed[0])
    out.push({
      key: 'sun',
      x: s.x(o.widthM * 0.3),
      y: s.y(o.ridgeHeightM * 0.52),
      dx: 0.7,
      dy: 0.72,
      watts: sun,
      name: 'sun',
      sun: true,
    })
  const made = flows.value
    .filter(f => f.kind === 'in' && f.name !== 'sun' && !f.name.startsWith('sun on'))
    .reduce((sum, f) => sum + f.watts, 0)
  out.push({
    key: 'made',
    x: s.x(o.widthM * 0.62),
    y: s.y(0.5),
    dx: 0,
    dy: -1,
    watts: made,
    name: watts('in', 'heater') > 0.5 * made ? 'heater' : 'added heat',
    sun: false,
  })
  return out.filter(a => a.watts > 8)
})
/**
 * What bodies take up or give back is told in words: it flows in their faces, whichever of air, sun and walls it is
 * for.
 */
const kept = computed(() => {
  const power = (w: number) => `${w < 0 ? '−' : '+'}${settings.show(Math.abs(w), 'power')}`
  return flows.value.filter(f => f.kind === 'kept' && Math.abs(f.watts) > 8).map(f => ({ ...f, text: power(f.watts) }))
})
const keptBy = (name: string) => kept.value.find(k => k.name === name)?.text
const most = computed(() => {
  if (!data.value) return 1
  const peak = (list: { watts: Float32Array }[]) => Math.max(...list.map(l => Math.max(...l.watts.map(Math.abs))))
  return Math.max(200, peak(data.value.losses), Math.min(peak(data.value.gains), 4 * peak(data.value.losses)))
})
/** A shaft and its head; as thick as the heat, on one scale for the day. */
function arrow(a: Arrow): string {
  const thick = Math.max(1.5, Math.min(26, (a.watts / most.value) * 26))
  const l = Math.hypot(a.dx, a.dy)
  const [ux, uy] = [a.dx / l, a.dy / l]
  const [vx, vy] = [-uy, ux]
  const shaft = 26
  const head = 6 + thick * 0.5
  const p = (along: number, across: number) =>
    `${(a.x + ux * along + vx * across).toFixed(1)} ${(a.y + uy * along + vy * across).toFixed(1)}`
  const side = thick / 2
  const corners = [p(0, -side), p(shaft, -side), p(shaft, -side - 4), p(shaft + head, 0)]
  return `M${[...corners, p(shaft, side + 4), p(shaft, side), p(0, side)].join('L')}Z`
}
/** Small flows are drawn and speak under the pointer; only those that matter are written out. */
const loudest = computed(() => Math.max(...arrows.value.map(a => a.watts), 1))
/** Written flows are this far apart, px. */
const LINE = 17
const CHARACTER = 6.6
const label = (a: Arrow) => {
  const text = `${a.name} ${settings.show(a.watts, 'power')}`
  const l = Math.hypot(a.dx, a.dy)
  const x = a.x + (a.dx / l) * 42 + (a.dx > 0.3 ? 6 : a.dx < -0.3 ? -6 : 12)
  const end = a.dx < -0.3
  const long = text.length * CHARACTER
  // Clear of the controls above.
  const top = width.value < 560 ? 116 : 60
  return {
    text,
    long,
    x: end ? Math.max(long + 4, x) : Math.min(width.value - long - 4, x),
    y: Math.max(top, Math.min(height.value - 8, a.y + (a.dy / l) * 42 + 4)),
    anchor: end ? 'end' : 'start',
  }
}
/** Flows that matter, written beside their arrows and clear of each other; fewer where there is little room. */
const labels = computed(() => {
  const least = (width.value < 560 ? 0.15 : 0.06) * loudest.value
  const out = arrows.value
    .filter(a => a.watts > least)
    .map(label)
    .sort((a, b) => a.y - b.y)
  const reach = (l: (typeof out)[number]) =>
    (l.anchor === 'end' ? [l.x - l.long, l.x] : [l.x, l.x + l.long]) as [number, number]
  out.forEach((l, i) => {
    for (const above of out.slice(0, i)) {
      if (reach(l)[0] < reach(above)[1] && reach(above)[0] < reach(l)[1] && l.y < above.y + LINE) l.y = above.y + LINE
    }
  })
  return out
})
/** The house of a lean-to stands as warm as it is kept, over ground that is not reckoned. */
const house = computed(() => {
  const { form, house: h } = drawnDesign.value.shape
  const wallM = drawnDesign.value.skin.wall.reduce((s, l) => s + l.thicknessM, 0)
  return form === 'lean-to'
    ? { x: scale.value.x(outline.value.widthM + wallM), y: scale.value.y(h.heightM), c: h.airC }
    : null
})
const grade = (x: number) => scale.value.y(groundAt(drawnDesign.value.shape, x))
const spoken = computed(() =>
  data.value
    ? `Heat at ${hour.value}:30 on ${dayName(data.value.day)}: air ${t(at(data.value.airC))}, outside ` +
      `${t(at(data.value.outsideC))}. ` +
      `${arrows.value.map(a => `${a.name} ${settings.show(a.watts, 'power')}`).join(', ')}; kept: ` +
      `${kept.value.map(k => `${k.name} ${k.text}`).join(', ')}.`
    : 'The heat view is being worked out',
)
</script>

<template>
  <div
    ref="frame"
    class="relative size-full overflow-hidden"
    data-test="heat-view"
    :data-day="data?.day"
    :data-working="working"
  >
    <svg
      v-if="width > 0 && data"
      :width="width"
      :height="height"
      role="img"
      :aria-label="spoken"
      class="absolute inset-0 select-none transition-opacity"
      :class="failure ? 'old' : working ? 'opacity-60' : ''"
    >
      <rect :width="width" :height="height" :fill="colour(at(data.outsideC))" />
      <rect v-for="(c, i) in cells" :key="i" :x="c.x" :y="c.y" :width="c.w" :height="c.h" :fill="colour(c.c)">
        <title>ground {{ t(c.c) }}</title>
      </rect>
      <g v-if="house">
        <rect
          :x="house.x"
          :y="house.y"
          :width="Math.max(0, width - house.x)"
          :height="height"
          :fill="colour(house.c)"
        />
        <text :x="house.x + 12" :y="Math.max(house.y, 0) + 110" class="flow">house {{ t(house.c) }}</text>
      </g>
      <line x1="0" :x2="scale.x(0)" :y1="grade(0)" :y2="grade(0)" stroke="#2a2520" stroke-width="1.5" />
      <line
        :x1="scale.x(outline.widthM)"
        :x2="width"
        :y1="grade(outline.widthM)"
        :y2="grade(outline.widthM)"
        stroke="#2a2520"
        stroke-width="1.5"
      />
      <polygon :points="air" :fill="colour(at(data.airC))" />
      <g
        v-for="p in skin"
        :key="p.key"
        class="cursor-pointer"
        :data-test="`heat-${p.part}`"
        @click="drawing.pressPart(p.part)"
      >
        <polygon :points="p.outer" :fill="colour(p.middleC)" />
        <polygon :points="p.inner" :fill="colour(p.faceC)" />
        <title>{{ p.name }}: face {{ t(p.faceC) }}, middle {{ t(p.middleC) }}</title>
      </g>
      <polygon :points="air" fill="none" stroke="#2a2520" stroke-width="1.5" />
      <g
        v-for="s in stores"
        :key="`${s.o.kind}${s.o.index} ${s.o.x0}`"
        :opacity="s.isCut ? 1 : 0.6"
        :class="s.o.kind === 'body' ? 'cursor-pointer' : ''"
        :data-test="`heat-${s.o.kind}-${s.o.index}`"
        @click="drawing.press(s.o)"
      >
        <rect
          :x="scale.x(s.o.x0)"
          :y="scale.y(s.o.z1)"
          :width="(s.o.x1 - s.o.x0) * scale.ppm"
          :height="Math.max(5, (s.o.z1 - s.o.z0) * scale.ppm)"
          :fill="colour(s.c)"
          stroke="#2a2520"
          stroke-width="1.2"
          rx="2"
        />
        <text
          :x="scale.x((s.o.x0 + s.o.x1) / 2)"
          :y="scale.y((s.o.z0 + s.o.z1) / 2) + 1"
          text-anchor="middle"
          class="num"
        >
          {{ t(s.c) }}
        </text>
        <text
          v-if="keptBy(s.b.name)"
          :x="scale.x((s.o.x0 + s.o.x1) / 2)"
          :y="scale.y((s.o.z0 + s.o.z1) / 2) + 15"
          text-anchor="middle"
          class="num"
        >
          {{ keptBy(s.b.name) }}
        </text>
      </g>
      <text v-for="(m, i) in marks" :key="`m${i}`" :x="m.x" :y="m.y" text-anchor="middle" class="num">
        {{ t(m.c) }}
      </text>
      <g v-for="a in arrows" :key="a.key">
        <path :d="arrow(a)" :fill="a.sun ? '#e7b53c' : '#b4472c'" stroke="#fffbf1" stroke-width="1.4" />
        <title>{{ a.name }} {{ settings.show(a.watts, 'power') }}</title>
      </g>
      <text v-for="l in labels" :key="l.text" :x="l.x" :y="l.y" :text-anchor="l.anchor" class="flow">{{ l.text }}</text>
      <text
        :x="scale.x(outline.widthM * 0.56)"
        :y="scale.y(outline.ridgeHeightM * 0.6)"
        text-anchor="middle"
        class="air"
      >
        {{ t(at(data.airC)) }}
      </text>
      <text x="14" :y="width < 560 ? 96 : 64" class="flow">outside {{ t(at(data.outsideC)) }}</text>
      <text :x="scale.x(outline.widthM / 2)" :y="scale.y(-0.42)" text-anchor="middle" class="num">
        {{ keptBy('ground under the floor') ? `ground ${keptBy('ground under the floor')}` : '' }}
      </text>
    </svg>
    <p v-else-if="!failure" class="hint p-6">Working out the heat of the day …</p>
    <p v-if="failure" class="fault failed" role="alert" data-test="heat-failure">
      {{ failure }}{{ data ? ' What is drawn is of the design before.' : '' }}
    </p>
    <div
      class="absolute left-2 flex flex-wrap items-center gap-2 rounded bg-paper/90 px-2 py-0.5 text-sm"
      :class="width < 560 ? 'top-11' : 'top-2'"
    >
      <strong>{{ dayName(day) }}</strong>
      <input
        type="range"
        min="0"
        max="23"
        step="1"
        class="!w-32"
        aria-label="Hour of the heat view"
        :aria-valuetext="`${hour}:30`"
        :value="hour"
        data-test="heat-hour"
        @input="setHour(Number(($event.target as HTMLInputElement).value))"
      />
      {{ String(hour).padStart(2, '0') }}:30
      <button class="button" :aria-pressed="plays" @click="play">
        {{ plays ? 'Hold' : 'Play the day' }}
      </button>
    </div>
    <div class="absolute bottom-2 left-2 flex rounded bg-paper/90 text-xs" aria-hidden="true">
      <span
        v-for="c in legend"
        :key="c"
        class="px-1.5 py-0.5"
        :style="{ background: colour(c), color: c < -5 || c > 30 ? '#fff' : '#2a2520' }"
        >{{ settings.show(c, 'temperature', { unit: false }).replace(/\.0$/, '') }}°</span
      >
    </div>
  </div>
</template>

<style scoped>
.failed {
  position: absolute;
  inset: auto 0.5rem 3rem;
  padding: 0.4rem 0.8rem;
  border-left: 4px solid var(--clay);
  background: var(--paper);
}
.old {
  opacity: 0.35;
}
/* Words are no obstacle to pressing what they stand on. */
text {
  pointer-events: none;
}
.num {
  font-size: 12px;
  fill: #2a2520;
  paint-order: stroke;
  stroke: rgb(255 251 241 / 75%);
  stroke-width: 3px;
}
.flow {
  font-size: 13px;
  font-weight: 600;
  fill: #2a2520;
  paint-order: stroke;
  stroke: rgb(255 251 241 / 90%);
  stroke-width: 4px;
}
.air {
  font-size: 30px;
  font-family: var(--font-slab);
  font-weight: 600;
  fill: #2a2520;
  paint-order: stroke;
  stroke: rgb(255 251 241 / 85%);
  stroke-width: 5px;
}
</style>
