<script setup lang="ts">
import type { Design } from '../../../core/design'
import { houseFigure } from '../../../core/study/house-figures'

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
const told = useToldFigures()
const briefs = useBriefs(design => [{ design: props.other(design) }])
watch(
  () => props.ask,
  () => briefs.clear(),
)
const FIGURES = [
  'coldest',
  'leaf',
  'ridgeColdest',
  'pathColdest',
  'hottest',
  'ridgeHottest',
  'soil',
  'damp',
  'heat',
  'electric',
  'aYear',
  'cost',
] as const
const rows = computed(() => {
  const [other] = briefs.found.value
  const now = briefs.now.value
  if (!other || !now) return []
  return FIGURES.map(id => ({ id, ...houseFigure(id) }))
    .filter(f => f.of(now) || f.of(other.brief))
    .map(f => ({ id: f.id, name: f.name, now: told(f.id, now), other: told(f.id, other.brief) }))
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
        <tr v-for="r in rows" :key="r.id" class="text-right tabular-nums">
          <th scope="row" class="pr-5 text-left font-normal whitespace-nowrap">{{ r.name }}</th>
          <td class="pr-5" :data-figure="briefs.isScore.value ? r.id : null">{{ r.now }}</td>
          <td>
            <strong v-if="r.now !== r.other">{{ r.other }}</strong
            ><template v-else>{{ r.other }}</template>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
