<script setup lang="ts">
import type { Design } from '../../../core/design'
import type { Brief } from '../../../core/study/brief'
import { formatNumber } from '../../../core/units'

/** One thing's worth: the year of this house, and of the one that differs in that thing alone. */
const props = withDefaults(
  defineProps<{
    ask: string
    /** The other house. */
    other: (design: Design) => Design
    heads?: readonly [now: string, other: string]
  }>(),
  { heads: () => ['with', 'without'] as const },
)
const settings = useSettings()
const bench = useDesign()
const briefs = useBriefs(design => [{ design: props.other(design) }])
watch(
  () => props.ask,
  () => briefs.clear(),
)
const money = (v: number) => `${bench.current.topUp.currency} ${formatNumber(v, 0)}`
const energy = (kWh: number) => settings.show(kWh * 3.6e6, 'energy')
const t = (c: number | null) => (c === null ? '' : settings.show(c, 'temperature'))
const ROWS: { name: string; say: (b: Brief) => string; of: (b: Brief) => number }[] = [
  { name: 'coldest night', say: b => t(b.coldestC), of: b => b.coldestC },
  { name: 'the leaf itself', say: b => t(b.leafC), of: b => b.leafC },
  { name: 'ridge, coldest', say: b => t(b.ridgeColdestC), of: b => b.ridgeColdestC },
  { name: 'dug path, coldest', say: b => t(b.pathColdestC), of: b => b.pathColdestC ?? 0 },
  { name: 'hottest afternoon', say: b => t(b.hottestC), of: b => b.hottestC },
  { name: 'ridge, hottest', say: b => t(b.ridgeHottestC), of: b => b.ridgeHottestC },
  { name: 'coldest soil', say: b => t(b.soilC), of: b => b.soilC },
  { name: 'damp', say: b => settings.show(b.hoursDamp, 'hours'), of: b => b.hoursDamp },
  { name: 'heat bought', say: b => energy(b.heatKWh), of: b => b.heatKWh },
  { name: 'electricity', say: b => energy(b.electricKWh), of: b => b.electricKWh },
  { name: 'bought a year', say: b => money(b.aYear), of: b => b.aYear },
  { name: 'costs', say: b => money(b.cost), of: b => b.cost },
]
const rows = computed(() => {
  const [other] = briefs.found.value
  const now = briefs.now.value
  if (!other || !now) return []
  return ROWS.filter(r => r.of(now) !== 0 || r.of(other.brief) !== 0).map(r => ({
    name: r.name,
    now: r.say(now),
    other: r.say(other.brief),
  }))
})
</script>

<template>
  <div class="mt-2" data-test="with-without">
    <BriefBar
      :ask="ask"
      test="without"
      :state="briefs.state"
      :stale="briefs.stale.value"
      :ready="rows.length > 0"
      @start="briefs.start"
      @cancel="briefs.cancel"
    />
    <table v-if="rows.length > 0" class="text-sm" :class="briefs.stale.value ? 'opacity-60' : ''">
      <thead>
        <tr class="text-right">
          <td></td>
          <th scope="col" class="pr-5 font-normal">{{ heads[0] }}</th>
          <th scope="col" class="font-normal">{{ heads[1] }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.name" class="text-right tabular-nums">
          <th scope="row" class="pr-5 text-left font-normal whitespace-nowrap">{{ r.name }}</th>
          <td class="pr-5">{{ r.now }}</td>
          <td>
            <strong v-if="r.now !== r.other">{{ r.other }}</strong
            ><template v-else>{{ r.other }}</template>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
