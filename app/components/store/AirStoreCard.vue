<script setup lang="ts">
import { bundlePressurePa } from '../../../core/air-stores/air-path'
import { bundleOf } from '../../../core/air-stores/earth-store'
import { airStoreCautions } from '../../../core/advice/air-stores'
import { airStoreName } from '../../../core/air-stores/registry'
import { DUCT_FANS, entry, MATERIALS } from '../../../core/catalog'
import { MONTH_NAMES } from '../../../core/climate'
import { makeBuilding } from '../../../core/geometry/surfaces'
import { pipeRule } from '../../../core/sums'
import { STORE_CHANGES } from '../../../core/sums/book/rules'

/** An air store's own figures: where its fan meets its pipes, what it did month by month, and what is wrong with it. */
const props = defineProps<{ index: number }>()
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const store = computed(() => bench.current.store.airStores[props.index])
const answer = computed(() => {
  const a = year.view?.answers.airStores[props.index]
  return a && a.kind === store.value?.kind && store.value.on ? a : null
})
const name = computed(() => airStoreName(bench.current.store.airStores, props.index))
const wrong = computed(() =>
  airStoreCautions(bench.current, settings.show).filter(text => text.startsWith(`${name.value}:`)),
)
const energy = (kWh: number) => settings.show(kWh * 3.6e6, 'energy')
const flow = (v: number) => settings.show(v, 'airflow')
const pa = (v: number) => settings.show(v, 'pressure')
const t = (c: number) => settings.show(c, 'temperature')

/** Fan and pipes, as lines over the flow; the point where they meet. */
const W = 260
const H = 110
const curves = computed(() => {
  const s = store.value
  if (s?.kind !== 'earth store' || !answer.value) return null
  const bundle = bundleOf(s, entry(MATERIALS, bench.current.site.soil).conductivity)
  const { freeFlowM3h, shutOffPa } = s.fan
  const x = (m3h: number) => 30 + (m3h / freeFlowM3h) * (W - 36)
  const y = (p: number) => 6 + (1 - p / shutOffPa) * (H - 26)
  const points = Array.from({ length: 25 }, (_, i) => (i / 24) * freeFlowM3h)
    .map(q => ({ q, p: bundlePressurePa(bundle, q / 3600) }))
    .filter(d => d.p <= shutOffPa)
  return {
    fan: `M${x(0)} ${y(shutOffPa)} L${x(freeFlowM3h)} ${y(0)}`,
    pipes: points.map((d, i) => `${i === 0 ? 'M' : 'L'}${x(d.q).toFixed(1)} ${y(d.p).toFixed(1)}`).join(''),
    at: { x: x(answer.value.flowM3h), y: y(answer.value.pressurePa) },
    freeFlowM3h,
    shutOffPa,
  }
})
const fan = computed(() => {
  const f = store.value?.fan
  return (
    DUCT_FANS.find(d => d.freeFlowM3h === f?.freeFlowM3h && d.shutOffPa === f.shutOffPa && d.powerW === f.powerW)?.id ??
    ''
  )
})
const FANS = [{ id: '', name: 'a curve of your own' }, ...DUCT_FANS]
function takeFan(id: string): void {
  const found = DUCT_FANS.find(d => d.id === id)
  if (!found) return
  const { freeFlowM3h, shutOffPa, powerW } = found
  bench.edit([[`store.airStores.${props.index}.fan`, { freeFlowM3h, shutOffPa, powerW }]], 'take fan')
}
const speed = computed(() => {
  const s = store.value
  if (s?.kind !== 'earth store' || !answer.value) return null
  return answer.value.flowM3h / 3600 / s.pipes / ((Math.PI * s.pipeDiameterM ** 2) / 4)
})
/** Pipe by the rule of thumb for the room's air, beside what lies there. */
const pipe = computed(() => {
  const s = store.value
  if (s?.kind !== 'earth store') return null
  const { volumeM3 } = makeBuilding(bench.current)
  return { ownM: s.pipes * s.pipeLengthM, rule: pipeRule(volumeM3, s.pipeLengthM).result, volumeM3 }
})
const most = computed(() => Math.max(1e-9, ...(answer.value?.months ?? []).map(m => Math.max(m.tookKWh, m.gaveKWh))))
</script>

<template>
  <div v-if="store" class="mt-2 grid gap-x-8 gap-y-2 lg:grid-cols-2" data-test="air-store-card">
    <div>
      <ChoiceField label="Fan" :value="fan" :options="FANS" :set="takeFan" />
      <template v-if="answer">
        <p class="mt-1" data-test="working-point">
          It drives <strong>{{ flow(answer.flowM3h) }}</strong> against {{ pa(answer.pressurePa)
          }}<template v-if="speed !== null">, {{ settings.show(speed, 'speed') }} in each pipe</template>:
          {{ answer.changesPerHour.toFixed(1) }} changes of the house’s air an hour. Rule: {{ STORE_CHANGES.least }} to
          {{ STORE_CHANGES.most }}, thin evidence.
        </p>
        <svg
          v-if="curves"
          :width="W"
          :height="H"
          role="img"
          :aria-label="
            `Fan from ${pa(curves.shutOffPa)} to ${flow(curves.freeFlowM3h)}; ` +
            `it meets the pipes at ${flow(answer.flowM3h)}`
          "
          data-test="fan-curve"
        >
          <line x1="30" :x2="W - 6" :y1="H - 20" :y2="H - 20" stroke="var(--ink)" />
          <line x1="30" x2="30" y1="6" :y2="H - 20" stroke="var(--ink)" />
          <path :d="curves.fan" fill="none" stroke="var(--slate)" stroke-width="2" />
          <path :d="curves.pipes" fill="none" stroke="var(--clay)" stroke-width="2" stroke-dasharray="6 3" />
          <circle :cx="curves.at.x" :cy="curves.at.y" r="5" fill="var(--paper)" stroke="var(--ink)" stroke-width="2" />
          <text :x="W - 6" :y="H - 6" text-anchor="end" class="tick">{{ flow(curves.freeFlowM3h) }}</text>
          <text x="52" y="12" class="tick">{{ pa(curves.shutOffPa) }}</text>
          <text :x="W - 6" y="18" text-anchor="end" class="tick">line: fan; dashes: pipes</text>
        </svg>
      </template>
      <p v-if="pipe" class="mt-1" data-test="pipe-rule">
        <strong>{{ settings.show(pipe.ownM, 'length') }}</strong> of pipe in all. The rule for a room of
        {{ settings.show(pipe.volumeM3, 'bulk') }} is {{ settings.show(pipe.rule.lengthM, 'length') }} at least,
        {{ pipe.rule.pipes }} such pipes; thin evidence, the year decides.
      </p>
      <ul v-if="wrong.length > 0" class="mt-1 grid gap-1" data-test="store-wrong">
        <li v-for="w in wrong" :key="w" class="border-l-4 border-clay pl-2">{{ w.slice(name.length + 2) }}</li>
      </ul>
    </div>
    <div v-if="answer">
      <h3 class="group-title">
        Its year
        <span class="hint font-sans font-normal">up: taken from the air; down: given back</span>
      </h3>
      <div
        class="grid grid-cols-12 gap-0.5 text-center text-xs"
        role="img"
        :aria-label="
          answer.months
            .map((m, i) => `${MONTH_NAMES[i]}: takes ${energy(m.tookKWh)}, gives ${energy(m.gaveKWh)}`)
            .join('; ')
        "
        data-test="store-months"
      >
        <span v-for="(m, i) in answer.months" :key="i" :title="`${MONTH_NAMES[i]}: ${energy(m.tookKWh)} in`">
          <span class="flex h-10 items-end"
            ><span class="w-full bg-straw" :style="{ height: `${(m.tookKWh / most) * 40}px` }"></span
          ></span>
          <span class="block border-t border-ink"></span>
          <span class="flex h-10 items-start"
            ><span class="w-full bg-clay" :style="{ height: `${(m.gaveKWh / most) * 40}px` }"></span
          ></span>
          {{ MONTH_NAMES[i]!.charAt(0) }}
        </span>
      </div>
      <p data-test="brought-back">
        <template v-if="answer.broughtBack !== null">
          <strong class="text-lg">{{ answer.broughtBack.toFixed(1) }} kWh</strong> brought back for each of its fan.
        </template>
        Takes <strong>{{ energy(answer.tookKWh) }}</strong
        >, gives <strong>{{ energy(answer.gaveKWh) }}</strong
        >; its fan uses {{ energy(answer.fanKWh)
        }}<template v-if="answer.coefficient !== null"
          >, moving {{ answer.coefficient.toFixed(1) }} either way for each</template
        >.
      </p>
      <p v-if="answer.taking || answer.giving" class="hint">
        <template v-if="answer.taking"
          >Taking, air goes in at {{ t(answer.taking.inC) }} and comes back at {{ t(answer.taking.outC) }}.
        </template>
        <template v-if="answer.giving"
          >Giving, it goes in at {{ t(answer.giving.inC) }} and comes back at {{ t(answer.giving.outC) }}.</template
        >
      </p>
      <details>
        <summary class="cursor-pointer">Month by month</summary>
        <table class="text-sm">
          <thead>
            <tr class="text-right">
              <td></td>
              <th v-for="h in ['takes', 'gives', 'fan', 'stands at', 'condenses']" :key="h" scope="col" class="pl-4">
                {{ h }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(m, i) in answer.months" :key="i" class="text-right tabular-nums">
              <th scope="row" class="text-left font-normal">{{ MONTH_NAMES[i] }}</th>
              <td class="pl-4">{{ energy(m.tookKWh) }}</td>
              <td class="pl-4">{{ energy(m.gaveKWh) }}</td>
              <td class="pl-4">{{ energy(m.fanKWh) }}</td>
              <td class="pl-4">{{ m.storeC === null ? '–' : t(m.storeC) }}</td>
              <td class="pl-4">{{ settings.show(Math.max(0, m.condensedKg) / 1000, 'volume') }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </div>
  </div>
</template>

<style scoped>
.tick {
  font-size: 12px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--lime);
  stroke-width: 3px;
}
</style>
