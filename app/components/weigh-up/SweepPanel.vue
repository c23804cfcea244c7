<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { numberAt, pathInWords, valueAt } from '../../../core/design'
import { linear } from '../../../core/scale'
import { MOST_SWEPT } from '../../../core/study/sweep'
import { rangeAbout, sweepGrid, varyOf, type AskedRange, type SweepFigure } from '../../../core/study/sweep-picture'
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
const first = reactive(rangeAbout('shape.turnDeg', bench.current))
const second = reactive({ ...rangeAbout('shape.kneeWallM', bench.current), on: false })
const field = (path: string) => numberAt(path, bench.current)
const say = (v: number, path: string) => {
  const { quantity } = field(path)
  return quantity ? settings.show(v, quantity) : String(v)
}
const choose = (asked: AskedRange) => (path: string) => {
  Object.assign(asked, rangeAbout(path, bench.current))
  return null
}
const put = (asked: AskedRange, key: 'from' | 'to' | 'steps') => (v: number) => {
  asked[key] = v
  return null
}
const asked = computed(() =>
  [first, ...(second.on && second.path !== first.path ? [second] : [])].map(a => varyOf(a, bench.current)),
)
const count = computed(() => asked.value.reduce((n, v) => n * v.values.length, 1))
const start = () => sweeps.start(asked.value)

const shown = ref<SweepFigure>('coldestC')
const FIGURES = [
  { id: 'coldestC', name: 'coldest night', say: (v: number) => settings.show(v, 'temperature') },
  { id: 'hottestC', name: 'hottest afternoon', say: (v: number) => settings.show(v, 'temperature') },
  { id: 'winterDli', name: 'winter light', say: (v: number) => `${v.toFixed(1)} mol/m²·d` },
  { id: 'heatKWh', name: 'heat bought', say: (v: number) => settings.show(v * 3.6e6, 'energy') },
  { id: 'cost', name: 'cost', say: (v: number) => `${bench.current.topUp.currency} ${formatNumber(v, 0)}` },
] as const
const figure = computed(() => FIGURES.find(f => f.id === shown.value)!)
const setShown = (id: string) => {
  shown.value = id as SweepFigure
  return null
}
const [ax, ay] = [computed(() => sweeps.varied[0]), computed(() => sweeps.varied[1])]
const grid = computed(() => sweepGrid(sweeps.varied, sweeps.points, shown.value))
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const H = 190
const TOP = 12
/** Points of a curve, in the order of what is varied. */
const dots = computed(() => {
  const values = ax.value?.values as number[] | undefined
  if (!values || ay.value || width.value === 0) return []
  const { low, high, points } = grid.value
  const x = linear([values[0]!, values.at(-1)!], [12, width.value - 12])
  const y = linear([high, low], [TOP, H - 28])
  return points.map(p => {
    const at = p.values[ax.value!.path] as number
    return { x: x(at), y: y(p[shown.value]), told: `${say(at, ax.value!.path)}: ${figure.value.say(p[shown.value])}` }
  })
})
/** The map's rows, with each cell's figure and its shade; figures stand in the cells, so shade is not needed. */
const rows = computed(() =>
  ax.value && ay.value
    ? grid.value.rows.map((cells, i) => ({
        name: say(ay.value!.values[i] as number, ay.value!.path),
        cells: cells.map((p, k) =>
          p
            ? {
                point: p,
                figure: figure.value.say(p[shown.value]),
                shade: `${Math.round(grid.value.share(p) * 55)}%`,
                title: `Take it: ${say(ax.value!.values[k] as number, ax.value!.path)}`,
              }
            : null,
        ),
      }))
    : [],
)
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
          class="w-72"
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
          label="steps"
          quantity="count"
          :value="a.steps"
          :min="1"
          :max="60"
          :set="put(a, 'steps')"
          class="w-20"
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
      <button v-if="sweeps.open" v-uses-fields class="button mb-1" data-test="go-on" @click="sweeps.goOn">
        Go on: {{ sweeps.state.done }} of {{ sweeps.state.total }} are known
      </button>
      <span v-if="count > MOST_SWEPT" class="fault">More than {{ MOST_SWEPT }} years: take fewer steps.</span>
    </div>
    <template v-if="grid.points.length > 0 && ax">
      <div class="flex flex-wrap items-end gap-4">
        <ChoiceField label="Show" :value="shown" :options="FIGURES" :set="setShown" class="w-48" />
        <p class="hint mb-1">
          <span v-if="sweeps.stale">The design, or how it is run, has changed since. </span>
          <span v-if="sweeps.refused > 0">{{ sweeps.refused }} can’t be built and are left out.</span>
        </p>
      </div>
      <div ref="frame" data-test="sweep" :class="sweeps.stale ? 'opacity-60' : ''">
        <svg
          v-if="dots.length > 0"
          :width="width"
          :height="H"
          role="img"
          :aria-label="`${figure.name}; the table below has its figures`"
        >
          <polyline
            :points="dots.map(d => `${d.x},${d.y}`).join(' ')"
            fill="none"
            stroke="var(--slate)"
            stroke-width="2"
          />
          <circle
            v-for="d in dots"
            :key="d.x"
            :cx="d.x"
            :cy="d.y"
            r="4.5"
            fill="var(--paper)"
            stroke="var(--ink)"
            stroke-width="1.5"
          >
            <title>{{ d.told }}</title>
          </circle>
          <text x="4" :y="TOP - 2" class="tick">{{ figure.say(grid.high) }}</text>
          <text x="4" :y="H - 36" class="tick">{{ figure.say(grid.low) }}</text>
          <text x="4" :y="H - 4" class="tick">{{ say(ax.values[0] as number, ax.path) }}</text>
          <text :x="width - 4" :y="H - 4" text-anchor="end" class="tick">
            {{ say(ax.values.at(-1) as number, ax.path) }}
          </text>
        </svg>
        <div v-if="ay" class="overflow-x-auto" v-sideways>
          <table class="map" data-test="sweep-map">
            <thead>
              <tr>
                <td class="hint text-right leading-tight">
                  {{ pathInWords(bracketed(ax.path), bench.current) }} →<br />
                  {{ pathInWords(bracketed(ay.path), bench.current) }} ↓
                </td>
                <th v-for="vx in ax.values" :key="String(vx)" scope="col">{{ say(vx as number, ax.path) }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in rows" :key="row.name">
                <th scope="row">{{ row.name }}</th>
                <td v-for="(cell, k) in row.cells" :key="k">
                  <button
                    v-if="cell"
                    class="cell"
                    :style="{ '--share': cell.shade }"
                    :title="`${cell.title}, ${row.name}`"
                    @click="sweeps.take(cell.point)"
                  >
                    {{ cell.figure }}
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
              v-for="p in grid.points"
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
  min-width: 4.6rem;
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
