<script setup lang="ts">
import { doubted, type Unknown } from '../../../core/study/unknowns'

/** What nobody has measured, each run at both of its plausible ends, the one that matters most first. */
const props = defineProps<{
  unknowns: readonly Unknown[]
  ask: string
  test: string
  /** Coldest nights that stand on the same scale, °C. */
  beside?: readonly number[]
}>()
const year = useYear()
const settings = useSettings()
const briefs = useBriefs(design => doubted(design, props.unknowns))
const t = (c: number) => settings.show(c, 'temperature')
const own = computed(() => year.view?.answers.coldestNight.insideC ?? 0)
const rows = computed(() => {
  if (!briefs.now.value) return []
  return props.unknowns
    .flatMap(unknown => {
      const ends = briefs.found.value
        .filter(f => f.unknown.id === unknown.id)
        .map(f => ({ words: f.words, coldestC: f.brief.coldestC }))
        .sort((a, b) => a.coldestC - b.coldestC)
      return ends.length > 0 ? [{ ...unknown, low: ends[0]!, high: ends.at(-1)! }] : []
    })
    .sort((a, b) => b.high.coldestC - b.low.coldestC - (a.high.coldestC - a.low.coldestC))
})
const place = computed(() => {
  const all = [own.value, ...(props.beside ?? []), ...rows.value.flatMap(r => [r.low.coldestC, r.high.coldestC])]
  const [low, high] = [Math.min(...all) - 0.3, Math.max(...all) + 0.3]
  return (c: number) => `${((c - low) / (high - low)) * 100}%`
})
</script>

<template>
  <div>
    <BriefBar
      :ask="ask"
      :test="test"
      :state="briefs.state"
      :stale="briefs.stale.value"
      :ready="rows.length > 0"
      @start="briefs.start"
      @cancel="briefs.cancel"
    />
    <ul :data-test="test" :class="briefs.stale.value ? 'opacity-60' : ''">
      <li v-for="r in rows" :key="r.id" class="border-t border-line py-1">
        <p class="flex justify-between gap-3">
          <strong>{{ r.words }}</strong>
          <span class="tabular-nums">{{
            settings.show(r.high.coldestC - r.low.coldestC, 'temperatureDifference')
          }}</span>
        </p>
        <div class="relative h-4" aria-hidden="true">
          <span class="absolute inset-y-0 w-px bg-ink" :style="{ left: place(own) }" />
          <span
            class="absolute top-1 h-2 bg-straw"
            :style="{ left: place(r.low.coldestC), right: `calc(100% - ${place(r.high.coldestC)})` }"
          />
        </div>
        <p class="hint">
          {{ r.low.words }}: {{ t(r.low.coldestC) }}; {{ r.high.words }}: {{ t(r.high.coldestC) }}. {{ r.measure }}
        </p>
      </li>
    </ul>
  </div>
</template>
