<script setup lang="ts">
import { nightOf } from '../../../core/climate'
import { absences } from '../../../core/study/absences'
import { formatNumber } from '../../../core/units'

/** What it costs in degrees, heat and crops if nobody comes when they are counted on. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const coldestDay = computed(() => nightOf(year.view?.answers.coldestNight.hour ?? 0))
const briefs = useBriefs(design => absences(design, coldestDay.value))
const rows = computed(() => {
  const { now, found } = briefs
  if (!now.value) return []
  const kelvins = (k: number) => settings.show(k, 'temperatureDifference', { sign: true })
  return [{ id: 'now', words: 'as the calendar says', brief: now.value }, ...found.value].map(
    ({ id, words, brief }) => ({
      id,
      words,
      coldest: settings.show(brief.coldestC, 'temperature'),
      life: `${brief.life.name.toLowerCase()} ${kelvins(brief.life.marginK)}`,
      hottest: settings.show(brief.hottestC, 'temperature'),
      heat: settings.show(brief.heatKWh * 3.6e6, 'energy'),
      aYear: `${bench.current.topUp.currency} ${formatNumber(brief.aYear, 0)}`,
      days: brief.growingDays,
    }),
  )
})
</script>

<template>
  <section data-test="absences">
    <h2 class="group-title">What if nobody came?</h2>
    <BriefBar
      ask="Work it out"
      test="absences"
      :state="briefs.state"
      :stale="briefs.stale.value"
      :ready="rows.length > 0"
      @start="briefs.start"
      @cancel="briefs.cancel"
    />
    <div v-if="rows.length > 0" v-sideways class="overflow-x-auto">
      <table class="text-sm tabular-nums" :class="briefs.stale.value ? 'opacity-60' : ''">
        <thead>
          <tr class="text-right">
            <td />
            <th scope="col" class="pl-4 font-normal">coldest night</th>
            <th scope="col" class="pl-4 font-normal">what lives there, over its bound</th>
            <th scope="col" class="pl-4 font-normal">hottest</th>
            <th scope="col" class="pl-4 font-normal">heat bought</th>
            <th scope="col" class="pl-4 font-normal">a year</th>
            <th scope="col" class="pl-4 font-normal">growing days</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.id" class="border-t border-line text-right">
            <th scope="row" class="py-0.5 text-left font-normal">{{ r.words }}</th>
            <td class="pl-4">{{ r.coldest }}</td>
            <td class="pl-4">{{ r.life }}</td>
            <td class="pl-4">{{ r.hottest }}</td>
            <td class="pl-4">{{ r.heat }}</td>
            <td class="pl-4">{{ r.aYear }}</td>
            <td class="pl-4">{{ r.days }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="rows.length > 0" class="hint">
      What keeps days and hours of its own is not touched by it: see above what waits for the house’s people.
    </p>
  </section>
</template>
