<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'
import { NIGHT_H } from '../../../core/body-answers'

/** The ledger as a picture: what came in on the left, what left on the right, as thick as it is much. */
const year = useYear()
const settings = useSettings()
const span = ref('year')
const SPANS = [
  { id: 'year', name: 'the year' },
  ...MONTH_NAMES.map((name, i) => ({ id: String(i), name })),
  { id: 'night', name: 'the worst night' },
]
const setSpan = (id: string) => {
  span.value = id
  return null
}
interface Flow {
  name: string
  kWh: number
}
const flows = computed((): { gains: Flow[]; losses: Flow[] } => {
  const answers = year.view?.answers
  if (!answers) return { gains: [], losses: [] }
  const list = (of: Record<string, number>): Flow[] => Object.entries(of).map(([name, kWh]) => ({ name, kWh }))
  const balanced = (gains: Flow[], losses: Flow[], rest: string) => {
    // A way that brought heat in is a gain; what is missing on a side was stored, or came out of store.
    const all = [...gains, ...losses.map(l => ({ ...l, kWh: -l.kWh }))]
    const ins = all.filter(f => f.kWh > 0)
    const outs = all.filter(f => f.kWh < 0).map(f => ({ ...f, kWh: -f.kWh }))
    const over = ins.reduce((s, f) => s + f.kWh, 0) - outs.reduce((s, f) => s + f.kWh, 0)
    if (over > 1e-6) outs.push({ name: `into ${rest}`, kWh: over })
    if (over < -1e-6) ins.push({ name: `out of ${rest}`, kWh: -over })
    const sorted = (fs: Flow[]) => fs.sort((a, b) => b.kWh - a.kWh)
    return { gains: sorted(ins), losses: sorted(outs) }
  }
  if (span.value === 'night') {
    const bodies = answers.bodies.map(b => ({ name: b.name.toLowerCase(), kWh: b.night.gaveKWh }))
    const losses = answers.worstNightLosses.map(l => ({ name: l.name, kWh: (l.watts * NIGHT_H) / 1000 }))
    return balanced(bodies, losses, 'soil, walls and air')
  }
  const m = span.value === 'year' ? answers.ledger : answers.ledgerMonths[Number(span.value)]!
  return balanced(list(m.gains), list(m.losses), 'store and ground')
})
const [W, H, GAP] = [620, 300, 6]
/** Room for words left of the picture. */
const LABELS = 62
const total = computed(() => flows.value.gains.reduce((s, f) => s + f.kWh, 0))
function stacked(list: readonly Flow[]) {
  const room = H - 20 - GAP * (list.length - 1)
  let y = 10
  let trunk = H / 2 - room / 2
  return list.map(f => {
    const thick = total.value > 0 ? (f.kWh / total.value) * room : 0
    const at = { ...f, thick, y, trunk }
    y += thick + GAP
    trunk += thick
    return at
  })
}
const sides = computed(() => [
  { id: 'in', list: stacked(flows.value.gains), x0: 150, x1: 300, textX: 142, anchor: 'end' },
  { id: 'out', list: stacked(flows.value.losses), x0: 470, x1: 320, textX: 478, anchor: 'start' },
])
const ribbon = (x0: number, x1: number, y0: number, y1: number, thick: number) => {
  const mid = (x0 + x1) / 2
  return (
    `M${x0} ${y0}C${mid} ${y0} ${mid} ${y1} ${x1} ${y1}V${y1 + thick}` +
    `C${mid} ${y1 + thick} ${mid} ${y0 + thick} ${x0} ${y0 + thick}Z`
  )
}
const say = (kWh: number) => settings.show(kWh * 3.6e6, 'energy')
const percent = (kWh: number) => `${Math.round((kWh / Math.max(1e-9, total.value)) * 100)} %`
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-end gap-4">
      <ChoiceField label="Heat in and out of" :value="span" :options="SPANS" :set="setSpan" class="w-52" />
      <p class="hint mb-1">{{ say(total) }} in all.</p>
    </div>
    <svg
      :viewBox="`${-LABELS} 0 ${W + LABELS} ${H}`"
      class="w-full max-w-3xl"
      role="img"
      aria-label="Gains on the left, losses on the right; the table below has the figures"
      data-test="flow-picture"
    >
      <template v-for="side in sides" :key="side.id">
        <template v-for="f in side.list" :key="f.name">
          <path
            :d="ribbon(side.x0, side.x1, f.y, f.trunk, f.thick)"
            :fill="side.id === 'in' ? 'var(--straw)' : 'var(--clay)'"
            opacity="0.55"
            stroke="var(--paper)"
          >
            <title>{{ f.name }}: {{ say(f.kWh) }}, {{ percent(f.kWh) }}</title>
          </path>
          <text v-if="f.thick > 5" :x="side.textX" :y="f.y + f.thick / 2 + 4" :text-anchor="side.anchor" class="name">
            {{ f.name }} {{ percent(f.kWh) }}
          </text>
        </template>
      </template>
      <rect x="298" y="8" width="24" :height="H - 16" fill="var(--ink)" />
    </svg>
    <details>
      <summary class="cursor-pointer">As a table</summary>
      <table class="text-sm">
        <tbody v-for="side in sides" :key="side.id">
          <tr>
            <th scope="colgroup" class="pt-1 text-left">{{ side.id === 'in' ? 'in' : 'out' }}</th>
          </tr>
          <tr v-for="f in side.list" :key="f.name" class="border-t border-line tabular-nums">
            <th scope="row" class="pr-6 text-left font-normal">{{ f.name }}</th>
            <td class="pr-6 text-right">{{ say(f.kWh) }}</td>
            <td class="text-right">{{ percent(f.kWh) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </div>
</template>

<style scoped>
.name {
  font-size: 13px;
  fill: var(--ink);
}
</style>
