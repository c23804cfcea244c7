<script setup lang="ts">
import { withoutThing, type Brief, type ListPath } from '../../../core/study/brief'

/** One thing's worth: the year with it, and without. */
const props = defineProps<{ path: string; index: number; name: string }>()
const settings = useSettings()
const bench = useDesign()
const briefs = useBriefs(design => [{ design: withoutThing(design, props.path as ListPath, props.index) }])
watch(
  () => [props.path, props.index, props.name],
  () => briefs.clear(),
)
const energy = (kWh: number) => settings.show(kWh * 3.6e6, 'energy')
const t = (c: number) => settings.show(c, 'temperature')
const ROWS: { name: string; say: (b: Brief) => string; of: (b: Brief) => number }[] = [
  { name: 'coldest night', say: b => t(b.coldestC), of: b => b.coldestC },
  { name: 'hottest afternoon', say: b => t(b.hottestC), of: b => b.hottestC },
  { name: 'coldest soil', say: b => t(b.soilC), of: b => b.soilC },
  { name: 'damp', say: b => settings.show(b.hoursDamp, 'hours'), of: b => b.hoursDamp },
  { name: 'heat bought', say: b => energy(b.heatKWh), of: b => b.heatKWh },
  { name: 'electricity', say: b => energy(b.electricKWh), of: b => b.electricKWh },
  { name: 'materials', say: b => `${bench.current.topUp.currency} ${Math.round(b.cost)}`, of: b => b.cost },
]
const rows = computed(() => {
  const [other] = briefs.found.value
  const now = briefs.now.value
  if (!other || !now) return []
  return ROWS.filter(r => r.of(now) !== 0 || r.of(other.brief) !== 0).map(r => ({
    name: r.name,
    with: r.say(now),
    without: r.say(other.brief),
  }))
})
</script>

<template>
  <div class="mt-2" data-test="with-without">
    <BriefBar
      :ask="`The year without ${name.toLowerCase()}`"
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
          <th scope="col" class="pr-5 font-normal">with</th>
          <th scope="col" class="font-normal">without</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.name" class="text-right tabular-nums">
          <th scope="row" class="pr-5 text-left font-normal">{{ r.name }}</th>
          <td class="pr-5">{{ r.with }}</td>
          <td>
            <strong v-if="r.with !== r.without">{{ r.without }}</strong
            ><template v-else>{{ r.without }}</template>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
