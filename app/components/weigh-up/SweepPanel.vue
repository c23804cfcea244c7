<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { numberAt, pathInWords, valueAt, type Design } from '../../../core/design'
import { MOST_SWEPT, stepped, type SweepPoint, type Vary } from '../../../core/study/sweep'
import { formatNumber } from '../../../core/units'

/** One decision as a curve or two as a map, over any range; it can be stopped and goes on after a reload. */
const bench = useDesign()
const settings = useSettings()
const sweeps = useSweeps()

/** Decisions that are numbers, in the order of the work. */
const PATHS = [
  ...['shape.turnDeg', 'shape.lengthM', 'shape.widthM', 'shape.kneeWallM', 'shape.ridgeHeightM', 'shape.backWallM'],
  ...['shape.sunkM', 'shape.pathM', 'shape.overhangM', 'shape.shadeStripM'],
  ...['skin.parts.sunnySlope.solidTopM', 'skin.edge.depthM', 'skin.edge.thicknessM', 'skin.edge.skirtM'],
  ...['skin.cover.onlyBelowC', 'skin.condition.dirt', 'breathe.ach50', 'breathe.lobby.areaM2'],
]
const bracketed = (path: string) => path.replace(/\.(\d+)(?=\.|$)/g, '[$1]')
/** And those of the things that this house has. */
const paths = computed(() => {
  const own = (list: string, fields: string[], count: number) =>
    Array.from({ length: count }, (_, i) => fields.map(f => `${list}.${i}.${f}`)).flat()
  const { store, skin, topUp, shape } = bench.current
  return [
    ...PATHS,
    ...own('shape.beds', ['leafArea'], shape.beds.length),
    ...own('store.bodies', ['count', 'atM', 'lengthM', 'heightM', 'thicknessM'], store.bodies.length),
    ...own('store.airStores', ['pipes', 'pipeLengthM', 'depthM', 'areaM2'], store.airStores.length),
    ...own('skin.openings', ['areaM2'], skin.openings.length),
    ...own('topUp.sources', ['setPointC', 'capacityW', 'powerW', 'massKg'], topUp.sources.length),
  ].filter(p => typeof valueAt(bench.current, p) === 'number')
})
const CHOICES = computed(() => paths.value.map(p => ({ id: p, name: pathInWords(bracketed(p), bench.current) })))
interface Asked {
  path: string
  from: number
  to: number
  steps: number
}
/** A range about where a decision stands, within what the document allows. */
function about(path: string, design: Design): Asked {
  const { low, high, whole, usual, quantity } = numberAt(path, design)
  const now = valueAt(design, path) as number
  const half = Math.max(Math.abs(now) / 2, (usual[1] - usual[0]) / 20)
  const round = (v: number) => (whole || quantity === 'angle' ? Math.round(v) : Number(v.toPrecision(2)))
  return { path, from: round(Math.max(low, now - half)), to: round(Math.min(high, now + half)), steps: 8 }
}
const first = reactive<Asked>(about('shape.turnDeg', bench.current))
const second = reactive<Asked & { on: boolean }>({ ...about('shape.kneeWallM', bench.current), on: false })
const field = (path: string) => numberAt(path, bench.current)
const say = (v: number, path: string) => {
  const { quantity } = field(path)
  return quantity ? settings.show(v, quantity) : String(v)
}
const choose = (asked: Asked) => (path: string) => {
  Object.assign(asked, about(path, bench.current))
  return null
}
const put = (asked: Asked, key: 'from' | 'to' | 'steps') => (v: number) => {
  asked[key] = v
  return null
}
function varyOf({ path, from, to, steps }: Asked): Vary {
  const { whole } = field(path)
  const step = (to - from) / Math.max(1, steps)
  const values = to > from ? stepped(from, to, step) : [from]
  return { path, values: whole ? [...new Set(values.map(Math.round))] : values }
}
const asked = computed(() => [varyOf(first), ...(second.on && second.path !== first.path ? [varyOf(second)] : [])])
const count = computed(() => asked.value.reduce((n, v) => n * v.values.length, 1))
const start = () => sweeps.start(asked.value)

const shown = ref<'coldestC' | 'heatKWh' | 'winterDli' | 'hottestC' | 'cost'>('coldestC')
const FIGURES = [
  { id: 'coldestC', name: 'coldest night', say: (v: number) => settings.show(v, 'temperature') },
  { id: 'hottestC', name: 'hottest afternoon', say: (v: number) => settings.show(v, 'temperature') },
  { id: 'winterDli', name: 'winter light', say: (v: number) => `${v.toFixed(1)} mol/m²·d` },
  { id: 'heatKWh', name: 'heat bought', say: (v: number) => settings.show(v * 3.6e6, 'energy') },
  { id: 'cost', name: 'cost', say: (v: number) => `${bench.current.topUp.currency} ${formatNumber(v, 0)}` },
] as const
const figure = computed(() => FIGURES.find(f => f.id === shown.value)!)
const setShown = (id: string) => {
  shown.value = id as typeof shown.value
  return null
}
const [ax, ay] = [computed(() => sweeps.varied[0]), computed(() => sweeps.varied[1])]
const points = computed(() =>
  [...sweeps.points].sort((a, b) => {
    const by = (path?: string) => (path ? (a.values[path] as number) - (b.values[path] as number) : 0)
    return by(ax.value?.path) || by(ay.value?.path)
  }),
)
const value = (p: SweepPoint) => p[shown.value]
const range = computed(() => {
  const all = points.value.map(value)
  return { low: Math.min(...all), high: Math.max(...all) }
})
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const H = 190
const x = (v: number) => {
  const [a, b] = [ax.value!.values[0] as number, ax.value!.values.at(-1) as number]
  return 12 + ((v - a) / Math.max(1e-9, b - a)) * (width.value - 24)
}
const y = (v: number) => {
  const { low, high } = range.value
  return 12 + ((high - v) / Math.max(1e-9, high - low)) * (H - 40)
}
const curve = computed(() =>
  ax.value && !ay.value && width.value > 0 && points.value.length > 0
    ? points.value
        .map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.values[ax.value!.path] as number)} ${y(value(p))}`)
        .join('')
    : '',
)
const at = (vx: unknown, vy: unknown) =>
  points.value.find(p => p.values[ax.value!.path] === vx && p.values[ay.value!.path] === vy)
/** Shade of a cell, 0 for the least to 1 for the most; its figure stands in it. */
const share = (p: SweepPoint) => (value(p) - range.value.low) / Math.max(1e-9, range.value.high - range.value.low)
</script>

<template>
  <div class="px-4 py-3">
    <h2 class="group-title">
      Sweeps <span class="hint font-sans font-normal">one decision as a curve, two as a map</span>
    </h2>
    <div v-for="(a, k) in [first, second]" :key="k" class="flex flex-wrap items-end gap-x-4 gap-y-1">
      <SwitchField
        v-if="k === 1"
        label="A second one"
        :value="second.on"
        :set="(v: boolean) => (second.on = v)"
        class="mb-1"
      />
      <template v-if="k === 0 || second.on">
        <ChoiceField
          :label="k === 0 ? 'Vary' : 'and'"
          :value="a.path"
          :options="CHOICES"
          :set="choose(a)"
          class="w-80"
        />
        <QuantityField
          v-for="key in ['from', 'to'] as const"
          :key="key"
          :label="key"
          :quantity="field(a.path).quantity ?? 'ratio'"
          :value="a[key]"
          :min="field(a.path).low"
          :max="field(a.path).high"
          :set="put(a, key)"
          class="w-28"
        />
        <QuantityField
          label="in so many steps"
          quantity="count"
          :value="a.steps"
          :min="1"
          :max="60"
          :set="put(a, 'steps')"
          class="w-32"
        />
      </template>
    </div>
    <div class="flex flex-wrap items-end gap-3">
      <BriefBar
        :ask="`Work out ${count} years`"
        test="sweep"
        :state="sweeps.state"
        :stale="sweeps.stale"
        :ready="false"
        @start="start"
        @cancel="sweeps.cancel"
      />
      <button v-if="sweeps.open" class="button mb-1" data-test="go-on" @click="sweeps.goOn">
        Go on: {{ sweeps.state.done }} of {{ sweeps.state.total }} are known
      </button>
      <span v-if="count > MOST_SWEPT" class="fault">More than {{ MOST_SWEPT }} years: take fewer steps.</span>
    </div>
    <template v-if="points.length > 0 && ax">
      <div class="flex flex-wrap items-end gap-4">
        <ChoiceField label="Show" :value="shown" :options="FIGURES" :set="setShown" class="w-48" />
        <p class="hint mb-1">
          <span v-if="sweeps.stale">The design has changed since. </span>
          <span v-if="sweeps.refused > 0">{{ sweeps.refused }} can’t be built and are left out.</span>
        </p>
      </div>
      <div ref="frame" data-test="sweep" :class="sweeps.stale ? 'opacity-60' : ''">
        <svg
          v-if="curve"
          :width="width"
          :height="H"
          role="img"
          :aria-label="`${figure.name}; the table below has its figures`"
        >
          <path :d="curve" fill="none" stroke="var(--slate)" stroke-width="2" />
          <circle
            v-for="p in points"
            :key="String(p.values[ax.path])"
            :cx="x(p.values[ax.path] as number)"
            :cy="y(value(p))"
            r="4.5"
            fill="var(--paper)"
            stroke="var(--ink)"
            stroke-width="1.5"
          >
            <title>{{ say(p.values[ax.path] as number, ax.path) }}: {{ figure.say(value(p)) }}</title>
          </circle>
          <text x="4" :y="y(range.high) - 2" class="tick">{{ figure.say(range.high) }}</text>
          <text x="4" :y="y(range.low) - 8" class="tick">{{ figure.say(range.low) }}</text>
          <text x="4" :y="H - 4" class="tick">{{ say(ax.values[0] as number, ax.path) }}</text>
          <text :x="width - 4" :y="H - 4" text-anchor="end" class="tick">
            {{ say(ax.values.at(-1) as number, ax.path) }}
          </text>
        </svg>
        <div v-if="ay" class="overflow-x-auto">
          <table class="map" data-test="sweep-map">
            <thead>
              <tr>
                <td class="hint">{{ pathInWords(bracketed(ay.path), bench.current) }} ↓</td>
                <th v-for="vx in ax.values" :key="String(vx)" scope="col">{{ say(vx as number, ax.path) }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="vy in ay.values" :key="String(vy)">
                <th scope="row">{{ say(vy as number, ay.path) }}</th>
                <td v-for="vx in ax.values" :key="String(vx)">
                  <button
                    v-if="at(vx, vy)"
                    class="cell"
                    :style="{ '--share': `${Math.round(share(at(vx, vy)!) * 55)}%` }"
                    :title="`Take it: ${say(vx as number, ax.path)}, ${say(vy as number, ay.path)}`"
                    @click="sweeps.take(at(vx, vy)!)"
                  >
                    {{ figure.say(value(at(vx, vy)!)) }}
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </div>
      <details v-if="!ay" open>
        <summary class="cursor-pointer">As a table</summary>
        <table class="text-sm">
          <thead>
            <tr class="text-right">
              <td></td>
              <th v-for="f in FIGURES" :key="f.id" scope="col" class="pl-5 font-normal">{{ f.name }}</th>
              <td></td>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="p in points"
              :key="String(p.values[ax.path])"
              class="border-t border-line text-right tabular-nums"
            >
              <th scope="row" class="font-normal">{{ say(p.values[ax.path] as number, ax.path) }}</th>
              <td v-for="f in FIGURES" :key="f.id" class="pl-5">{{ f.say(p[f.id]) }}</td>
              <td class="pl-4"><button class="button quiet" @click="sweeps.take(p)">Take it</button></td>
            </tr>
          </tbody>
        </table>
      </details>
    </template>
  </div>
</template>

<style scoped>
.tick {
  font-size: 12.5px;
  fill: var(--soft);
}
.map th {
  font-weight: 400;
  padding: 0 0.4rem;
  text-align: right;
  white-space: nowrap;
}
.cell {
  display: block;
  width: 100%;
  min-width: 4.6rem;
  padding: 0.2rem 0.3rem;
  text-align: right;
  cursor: pointer;
  background: color-mix(in oklab, var(--straw) var(--share), var(--paper));
}
</style>
